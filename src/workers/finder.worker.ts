import { expose } from 'comlink';
import { armsFromCamber } from '../core/arms/armsFromCamber';
import type { ArmsFinding, ArmsWanted } from '../core/arms/armsFromCamber';
import { clearancesOf } from '../core/clearance/room';
import type { Closest } from '../core/clearance/room';
import type { AxleName, Build, Side } from '../core/model/build';
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

  cancel,

  /** The tightest places of a wheel over travel and lock; null where the layout cannot be solved. */
  clearances: (build: Build, axle: AxleName, side: Side): Closest[] | null =>
    clearancesOf(build, axle, side),
};
export type FinderWorker = typeof api;

expose(api);
