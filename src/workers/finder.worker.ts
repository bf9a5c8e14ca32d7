import { expose } from 'comlink';
import { armsFromCamber } from '../core/arms/armsFromCamber';
import type { ArmsFinding, ArmsWanted } from '../core/arms/armsFromCamber';
import type { AxleName, Build } from '../core/model/build';
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
};
export type FinderWorker = typeof api;

expose(api);
