import './unevaluated';
import { expose, transfer } from 'comlink';
import { wheelOf } from '../core/kinematics/wheel';
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
      const wheel = wheelOf(build, axle, side);
      return wheel?.corner ? buildCars(build, wheel, rack, share.is, share.of) : null;
    }, onProgress);
    return sampled && transfer(sampled, buffersOf([sampled]));
  },

  /** Bands of all the shares of a wheel's cars. */
  bands: (shares: Sampled[]): Bands => bandsOf(shares),

  cancel,

  sensitivities: (build: Build, axle: AxleName, side: Side): Sensitivity[] => {
    const wheel = wheelOf(build, axle, side);
    return wheel ? sensitivities(build, wheel) : [];
  },
};
export type ToleranceWorker = typeof api;

expose(api);
