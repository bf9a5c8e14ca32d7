import './unevaluated';
import { expose, transfer } from 'comlink';
import { prepareAxle } from '../core/kinematics/axle';
import type { AxleName, Build, Side } from '../core/model/build';
import type { Bands } from '../core/tolerance/bands';
import { bandsOf, buildCars, buffersOf } from '../core/tolerance/monteCarlo';
import type { Sampled } from '../core/tolerance/monteCarlo';
import { sensitivities } from '../core/tolerance/sensitivity';
import type { Sensitivity } from '../core/tolerance/sensitivity';
import { interruptible } from './interruptible';

const { run, cancel } = interruptible();

const api = {
  /** One share of a wheel's cars; null where a later call or `cancel` ended it, or the layout cannot be solved. */
  cars: async (
    build: Build,
    axle: AxleName,
    side: Side,
    rack: number,
    share: { of: number; is: number },
    onProgress: (part: number) => void,
  ): Promise<Sampled | null> => {
    const sampled = await run(() => {
      const design = build[axle];
      return design && prepareAxle(design).ok
        ? buildCars(build, axle, side, rack, share.is, share.of)
        : null;
    }, onProgress);
    return sampled && transfer(sampled, buffersOf([sampled]));
  },

  /** Bands of all the shares of a wheel's cars. */
  bands: (shares: Sampled[]): Bands => bandsOf(shares),

  cancel,

  sensitivities: (build: Build, axle: AxleName, side: Side): Sensitivity[] =>
    sensitivities(build, axle, side),
};
export type ToleranceWorker = typeof api;

expose(api);
