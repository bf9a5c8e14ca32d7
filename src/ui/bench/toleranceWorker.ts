import { wrap } from 'comlink';
import type { Remote } from 'comlink';
import type { ToleranceWorker } from '@/workers/tolerance.worker';

let worker: Remote<ToleranceWorker> | null = null;

/** The one worker of this window that knows about tolerances; made when it is first asked. */
export function toleranceWorker(): Remote<ToleranceWorker> {
  worker ??= wrap<ToleranceWorker>(
    new Worker(new URL('../../workers/tolerance.worker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}
