import { wrap } from 'comlink';
import type { Remote } from 'comlink';
import type { ScanWorker } from '@/workers/scan.worker';

let worker: Remote<ScanWorker> | null = null;

/** The one worker of this window that reads scans; made when it is first asked. */
export function scanWorker(): Remote<ScanWorker> {
  worker ??= wrap<ScanWorker>(
    new Worker(new URL('../../workers/scan.worker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}
