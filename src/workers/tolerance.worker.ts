import { expose } from 'comlink';
import { pointsOf, prepareAxle } from '../core/kinematics/axle';
import type { AxleName, Build, Side } from '../core/model/build';
import { SAMPLES } from '../core/tolerance/bands';
import { MonteCarlo } from '../core/tolerance/monteCarlo';
import type { Bands } from '../core/tolerance/bands';
import { sensitivities } from '../core/tolerance/sensitivity';
import type { Sensitivity } from '../core/tolerance/sensitivity';

/** Cars built between two looks at whether anybody still wants them. */
const PARCEL = 100;

let turn = 0;
const messagesIn = () => new Promise((resolve) => setTimeout(resolve));

const api = {
  /**
   * Bands of one wheel; a later call or `cancel` ends this one, which then answers null. So does a
   * layout that cannot be solved.
   */
  async bands(
    build: Build,
    axle: AxleName,
    side: Side,
    rack: number,
    onProgress: (part: number) => void,
  ): Promise<Bands | null> {
    const mine = ++turn;
    await messagesIn();
    const design = build[axle];
    if (mine !== turn || !design || !pointsOf(design, side) || !prepareAxle(design).ok) return null;
    const cars = new MonteCarlo(build, axle, side, rack);
    for (;;) {
      const done = cars.run(PARCEL);
      if (done >= SAMPLES) return cars.bands();
      onProgress(done / SAMPLES);
      await messagesIn();
      if (mine !== turn) return null;
    }
  },

  cancel(): void {
    turn++;
  },

  sensitivities(build: Build, axle: AxleName, side: Side): Sensitivity[] {
    return sensitivities(build, axle, side);
  },
};
export type ToleranceWorker = typeof api;

expose(api);
