import type { Build } from '@/core/model/build';
import { BUILT, BUILT_HEADER } from '@/server/built';
import type { Saved } from '@/server/requests';

export type SaveState =
  | { kind: 'saved' }
  | { kind: 'waiting' }
  | { kind: 'saving' }
  /** Tried again by itself. */
  | { kind: 'failed'; why: string }
  /** Not tried again before something is changed. */
  | { kind: 'refused'; why: string }
  /** The build is not there any more. */
  | { kind: 'gone' };

interface Options {
  id: string;
  version: number;
  savedBy: string;
  onState: (state: SaveState) => void;
  /** Another window had saved since: this one goes on with a build of its own. */
  onKept: (kept: { id: string; name: string }) => void;
  onSaved: (id: string, version: number) => void;
  /** The server is of another build of the program than this page. */
  onUpdated: () => void;
  /** Keeps what is not saved yet where it outlives the page; null: nothing is unsaved any more. */
  onDraft: (draft: { id: string; version: number; build: Build } | null) => void;
}

/** Idle time after an edit, the longest any edit waits, and the pause after a failure, ms. */
const IDLE = 300;
const LONGEST = 800;
const RETRY = 2000;
/** How long an answer is waited for, ms. */
const PATIENCE = 10_000;
/** Browsers refuse to send more than 64 KiB for a page that is going away. */
const LAST_WORDS = 60_000;

/** The server will not take this build as it is. */
class Refused extends Error {}

/**
 * Saves a build a moment after each edit, one request at a time, and tries again until it is told
 * that the save is done. Nothing typed waits longer than LONGEST before it is sent.
 */
export function createAutosave(options: Options) {
  let { id, version } = options;
  let pending: Build | null = null;
  let since = 0;
  let inFlight: Promise<void> | null = null;
  let stopped = false;
  let timer: ReturnType<typeof setTimeout> | undefined;

  /** Tells the page; whatever it does with it, the save goes on. */
  const tell = (telling: () => void) => {
    try {
      telling();
    } catch (error) {
      reportError(error);
    }
  };
  const state = (now: SaveState) => {
    if (!stopped) tell(() => options.onState(now));
  };

  const schedule = (delay: number) => {
    clearTimeout(timer);
    if (!stopped) timer = setTimeout(() => void send(), delay);
  };

  function send(leaving = false): Promise<void> {
    if (inFlight || !pending) return inFlight ?? Promise.resolve();
    const build = pending;
    pending = null;
    state({ kind: 'saving' });
    inFlight = attempt(build, leaving).then((end) => {
      inFlight = null;
      if (end === 'again') schedule(RETRY);
      else if (end === 'done' && pending) schedule(IDLE);
    });
    return inFlight;
  }

  async function attempt(build: Build, leaving: boolean): Promise<'done' | 'again' | 'rest'> {
    try {
      settle(await ask(build, leaving));
      if (!pending) tell(() => options.onDraft(null));
      return 'done';
    } catch (error) {
      // Whatever has been typed since is newer; otherwise this one is still to be saved.
      const newer = pending !== null;
      pending ??= build;
      if (error instanceof Gone) {
        state({ kind: 'gone' });
        return 'rest';
      }
      if (error instanceof Refused) {
        state({ kind: 'refused', why: error.message });
        return newer ? 'done' : 'rest';
      }
      state({ kind: 'failed', why: reasonOf(error) });
      return 'again';
    }
  }

  async function ask(build: Build, leaving: boolean): Promise<Saved> {
    const body = JSON.stringify({ version, savedBy: options.savedBy, build });
    const patience = new AbortController();
    const impatient = setTimeout(() => patience.abort(), PATIENCE);
    try {
      const response = await fetch(`/api/builds/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body,
        signal: patience.signal,
        keepalive: leaving && new TextEncoder().encode(body).length < LAST_WORDS,
      });
      const built = response.headers.get(BUILT_HEADER);
      if (built !== null && built !== BUILT) tell(options.onUpdated);
      if (response.ok) return (await response.json()) as Saved;
      const why = await whyOf(response);
      throw response.status < 500 ? new Refused(why) : new Error(why);
    } finally {
      clearTimeout(impatient);
    }
  }

  function settle(saved: Saved): void {
    if (saved.outcome === 'gone') throw new Gone();
    if (saved.outcome === 'newer')
      throw new Refused('a newer Havrik has saved this build. Reload this page');
    if (saved.outcome === 'kept') {
      id = saved.id;
      if (pending) pending = { ...pending, name: saved.name };
      tell(() => options.onKept({ id: saved.id, name: saved.name }));
    }
    version = saved.version;
    tell(() => options.onSaved(id, version));
    state({ kind: pending ? 'waiting' : 'saved' });
  }

  return {
    /** The build as it is now is to be saved. */
    changed(build: Build): void {
      if (!pending) since = Date.now();
      pending = build;
      tell(() => options.onDraft({ id, version, build }));
      state({ kind: 'waiting' });
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
    /** What is typed goes on in a new build, which the server has in the state last typed or an older one. */
    goOnIn(newId: string): void {
      id = newId;
      version = 1;
      if (pending) schedule(0);
    },
    /** Sends what is left once more and then rests for good. What does not come through stays a draft. */
    async stop(): Promise<void> {
      clearTimeout(timer);
      stopped = true;
      await inFlight;
      await send();
    },
  };
}

/** There is no such build any more. */
class Gone extends Error {}

function reasonOf(error: unknown): string {
  if (error instanceof TypeError || (error as Error).name === 'AbortError')
    return 'Havrik’s server does not answer';
  return (error as Error).message;
}

async function whyOf(response: Response): Promise<string> {
  const body = (await response.json().catch(() => ({}))) as { message?: string };
  // The save names the build it is about; for the builder there is only one.
  return body.message?.replace(/^build\./gmu, '') ?? `the server answered ${response.status}`;
}
