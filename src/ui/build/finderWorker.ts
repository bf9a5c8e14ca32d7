import { wrap } from 'comlink';
import type { Remote } from 'comlink';
import type { FinderWorker } from '@/workers/finder.worker';

let worker: Remote<FinderWorker> | null = null;

/** The one worker of this window that searches; made when it is first asked. */
export function finderWorker(): Remote<FinderWorker> {
  worker ??= wrap<FinderWorker>(
    new Worker(new URL('../../workers/finder.worker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}
