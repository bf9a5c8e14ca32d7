import type { Build } from '@/core/model/build';
import type { Saved } from '@/server/requests';

export type SaveState =
  { kind: 'saved' } | { kind: 'waiting' } | { kind: 'saving' } | { kind: 'failed'; why: string };

interface Options {
  id: string;
  version: number;
  savedBy: string;
  onState: (state: SaveState) => void;
  /** Another window had saved since: this one goes on with a build of its own. */
  onKept: (kept: { id: string; name: string }) => void;
  onSaved: (id: string, version: number) => void;
}

/** Idle time after an edit, the longest any edit waits, and the pause after a failure, ms. */
const IDLE = 300;
const LONGEST = 800;
const RETRY = 2000;

/**
 * Saves a build a moment after each edit, one request at a time, and tries again until it is told
 * that the save is done. Nothing typed waits longer than LONGEST before it is sent.
 */
export function createAutosave(options: Options) {
  let { id, version } = options;
  let pending: Build | null = null;
  let since = 0;
  let inFlight = false;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const schedule = (delay: number) => {
    clearTimeout(timer);
    timer = setTimeout(() => void send(), delay);
  };

  async function send(keepalive = false): Promise<void> {
    if (inFlight || !pending) return;
    const build = pending;
    pending = null;
    inFlight = true;
    options.onState({ kind: 'saving' });
    try {
      const response = await fetch(`/api/builds/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ version, savedBy: options.savedBy, build }),
        keepalive,
      });
      if (!response.ok) throw new Error(await reason(response));
      settle((await response.json()) as Saved);
    } catch (error) {
      // Whatever has been typed since is newer; otherwise this one is still to be saved.
      pending ??= build;
      const why =
        error instanceof TypeError ? 'Havrik’s server does not answer' : (error as Error).message;
      options.onState({ kind: 'failed', why });
      inFlight = false;
      schedule(RETRY);
      return;
    }
    inFlight = false;
    if (pending) schedule(IDLE);
  }

  function settle(saved: Saved): void {
    if (saved.outcome === 'gone') throw new Error('this build was deleted in another window');
    if (saved.outcome === 'kept') {
      id = saved.id;
      if (pending) pending = { ...pending, name: saved.name };
      options.onKept({ id, name: saved.name });
    }
    version = saved.version;
    options.onSaved(id, version);
    options.onState({ kind: pending ? 'waiting' : 'saved' });
  }

  return {
    /** The build as it is now is to be saved. */
    changed(build: Build): void {
      if (!pending) since = Date.now();
      pending = build;
      options.onState({ kind: 'waiting' });
      schedule(Math.max(0, Math.min(IDLE, since + LONGEST - Date.now())));
    },
    /** Sends at once what is still to be saved, also while the page is going away. */
    flush: (): Promise<void> => send(true),
    /** Whether everything typed is known to be saved. */
    isClean: (): boolean => !pending && !inFlight,
    current: (): { id: string; version: number } => ({ id, version }),
    /** The stored build was taken over: saves go on from its version. */
    adopt(taken: number): void {
      version = taken;
    },
    stop: (): void => clearTimeout(timer),
  };
}

async function reason(response: Response): Promise<string> {
  const body = (await response.json().catch(() => ({}))) as { message?: string };
  return body.message ?? `the server answered ${response.status}`;
}
