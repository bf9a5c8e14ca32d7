import type { Build } from '../core/model/build';
import { gatesOf } from '../core/plan/gates';
import type { Step } from '../core/plan/step';
import { answerGate } from '../core/plan/write';
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

/** Answers everything that people are asked at a step: alike, and as drawn. */
export function answer(build: Build, step: Step): void {
  const said = { by: 'Ada', at: '2026-03-01T09:00:00.000Z' };
  const inBand = () => ({ open: true, says: 'in band' });
  for (const { gate } of gatesOf(build, step, { inBand })) {
    if (gate.as === 'said') answerGate(build, step.id, gate.id, { gate: gate.id, ...said });
    if (gate.as === 'pair') {
      const values: [number, number] = [gate.drawn ?? 100, gate.drawn ?? 100];
      answerGate(build, step.id, gate.id, { gate: gate.id, ...said, values });
    }
    if (gate.as === 'reckoned' && gate.by === 'made')
      answerGate(build, step.id, gate.id, {
        gate: gate.id,
        ...said,
        despite: 'described elsewhere',
      });
  }
}
