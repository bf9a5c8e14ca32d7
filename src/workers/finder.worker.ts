import './unevaluated';
import { expose } from 'comlink';
import { armsFromCamber } from '../core/arms/armsFromCamber';
import type { ArmsFinding } from '../core/arms/armsFromCamber';
import type { ArmsWanted } from '../core/model/armsWanted';
import { bumpMap } from '../core/bumpsteer/bumpMap';
import type { BumpMap } from '../core/bumpsteer/bumpMap';
import type { PlaneName } from '../core/model/mapPlanes';
import { findNull } from '../core/bumpsteer/findNull';
import type { NullFinding } from '../core/bumpsteer/findNull';
import type { NullWanted } from '../core/model/nullWanted';
import { clearancesOf } from '../core/clearance/room';
import type { Closest } from '../core/clearance/room';
import type { AxleDesign, AxleName, Build, Side, Travel } from '../core/model/build';
import { interruptible } from './interruptible';

const { run, cancel } = interruptible();

const api = {
  /** Arms from the camber wanted; null where a later call or `cancel` ended it. */
  arms: (
    build: Build,
    axle: AxleName,
    wanted: ArmsWanted,
    onProgress: (part: number) => void,
  ): Promise<ArmsFinding | null> => run(() => armsFromCamber(build, axle, wanted), onProgress),

  /** A null of bump steer within the freedoms; null where a later call or `cancel` ended it. */
  null: (
    build: Build,
    axle: AxleName,
    side: Side,
    wanted: NullWanted,
    onProgress: (part: number) => void,
  ): Promise<NullFinding | null> => run(() => findNull(build, axle, side, wanted), onProgress),

  /** A map from coarse to fine: `onMap` has it whenever it is finer. */
  map: (
    design: AxleDesign,
    side: Side,
    travel: Travel,
    plane: PlaneName,
    size: number,
    n: number,
    onMap: (map: BumpMap) => void,
  ): Promise<BumpMap | null> =>
    run(
      function* () {
        let grain = 0;
        const looking = bumpMap(design, side, travel, plane, size, n);
        for (;;) {
          const step = looking.next();
          if (step.done) return step.value;
          const { part, map } = step.value;
          if (map.grain !== grain) onMap({ ...map, range: map.range.slice() });
          grain = map.grain;
          yield part;
        }
      },
      () => undefined,
    ),

  cancel,

  /** The tightest places of a wheel over travel and lock; null where the layout cannot be solved. */
  clearances: (build: Build, axle: AxleName, side: Side): Closest[] | null =>
    clearancesOf(build, axle, side),
};
export type FinderWorker = typeof api;

expose(api);
