import './unevaluated';
import { expose } from 'comlink';
import { prepareAxle } from '../core/kinematics/axle';
import type { AxleName, Build, Side } from '../core/model/build';
import type { Bands } from '../core/tolerance/bands';
import { buildCars } from '../core/tolerance/monteCarlo';
import { sensitivities } from '../core/tolerance/sensitivity';
import type { Sensitivity } from '../core/tolerance/sensitivity';
import { interruptible } from './interruptible';

const { run, cancel } = interruptible();

const api = {
  /** Bands of one wheel; null where a later call or `cancel` ended it, or the layout cannot be solved. */
  bands: (
    build: Build,
    axle: AxleName,
    side: Side,
    rack: number,
    onProgress: (part: number) => void,
  ): Promise<Bands | null> =>
    run(() => {
      const design = build[axle];
      return design && prepareAxle(design).ok ? buildCars(build, axle, side, rack) : null;
    }, onProgress),

  cancel,

  sensitivities: (build: Build, axle: AxleName, side: Side): Sensitivity[] =>
    sensitivities(build, axle, side),
};
export type ToleranceWorker = typeof api;

expose(api);
