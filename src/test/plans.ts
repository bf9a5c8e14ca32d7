import type { Build } from '../core/model/build';
import { isOfSketch, takeTemplate } from '../core/model/sketch';
import { blankBuild, newBuild } from '../core/model/starts';

/** A car of two double wishbones, as it is begun with. */
export const usualBuild = (): Build => blankBuild('Planned', 'double-wishbone', 'double-wishbone');

/** The same as a builder begins it: nothing of it said yet. */
export const sketched = (): Build =>
  newBuild({ name: 'Planned', front: 'double-wishbone', rear: 'double-wishbone' });

/** A build with all of its sketch taken for good. */
export function settled(build: Build): Build {
  takeTemplate(build, build.front, ...(build.rear ? [build.rear] : []));
  return build;
}

export const isSettled = (build: Build): boolean =>
  [build.front, build.rear].every((design) => !design || !isOfSketch(build, design));
