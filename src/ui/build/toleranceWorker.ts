import { proxy, transfer, wrap } from 'comlink';
import type { Remote } from 'comlink';
import type { AxleName, Build, Side } from '@/core/model/build';
import type { Bands } from '@/core/tolerance/bands';
import { buffersOf } from '@/core/tolerance/monteCarlo';
import type { ToleranceWorker } from '@/workers/tolerance.worker';

/** Workers that build cars between them. */
const SHARES = 2;
const workers: Remote<ToleranceWorker>[] = [];

const make = (): Remote<ToleranceWorker> =>
  wrap<ToleranceWorker>(
    new Worker(new URL('../../workers/tolerance.worker.ts', import.meta.url), { type: 'module' }),
  );

/** The first of this window's workers that know about tolerances; made when it is first asked. */
export const toleranceWorker = (): Remote<ToleranceWorker> => (workers[0] ??= make());

/**
 * Builds a wheel's cars in several workers and puts their bands together in one of them.
 * @returns null where a later call or `stopCars` ended it, or the layout cannot be solved
 */
export async function buildBands(
  build: Build,
  axle: AxleName,
  side: Side,
  rack: number,
  onProgress: (part: number) => void,
): Promise<Bands | null> {
  const parts = new Array<number>(SHARES).fill(0);
  const shares = await Promise.all(
    parts.map((_, is) => {
      const worker = (workers[is] ??= make());
      const tell = proxy((part: number) => {
        parts[is] = part;
        onProgress(parts.reduce((sum, one) => sum + one, 0) / SHARES);
      });
      return worker.cars(build, axle, side, rack, { of: SHARES, is }, tell);
    }),
  );
  const built = shares.filter((share) => share !== null);
  if (built.length < SHARES) return null;
  return toleranceWorker().bands(transfer(built, buffersOf(built)));
}

/** Stops the building of cars. */
export const stopCars = (): void => workers.forEach((worker) => void worker.cancel());
