/** What one window hears from an instrument on its machine's serial port, for others that have no such port. */
interface Hearing {
  name: string;
  at: number;
  listeners: Set<(text: string) => void>;
}

/** A window that has said nothing for so long hears nothing any more, ms; so many are kept. */
const QUIET = 5000;
const MOST = 40;

// One list per process, not per bundle of the server.
const globals = globalThis as { havrikHearings?: Map<string, Hearing> };
const hearings = (globals.havrikHearings ??= new Map());

const hearingOf = (session: string): Hearing => {
  const known = hearings.get(session);
  if (known) return known;
  const fresh: Hearing = { name: '', at: 0, listeners: new Set() };
  hearings.set(session, fresh);
  for (const [key, { at, listeners }] of hearings)
    if (hearings.size > MOST && listeners.size === 0 && key !== session && at < Date.now() - QUIET)
      hearings.delete(key);
  return fresh;
};

/** Passes on what was heard. */
export function passOn(session: string, name: string, text: string): void {
  const hearing = hearingOf(session);
  hearing.name = name;
  hearing.at = Date.now();
  for (const listener of hearing.listeners) listener(text);
}

/** Instruments that are heard at the moment. */
export const heardNow = (): { session: string; name: string }[] =>
  [...hearings].flatMap(([session, { name, at }]) =>
    at > Date.now() - QUIET ? [{ session, name }] : [],
  );

/** Listens in; what it gives back stops that. */
export function listenIn(session: string, listener: (text: string) => void): () => void {
  const { listeners } = hearingOf(session);
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
