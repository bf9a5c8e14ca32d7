import { z } from 'zod';
import { instrumentSchema } from '../core/model/instruments';
import {
  deleteInstrument,
  keepInstrument,
  listInstruments,
  restoreInstrument,
} from '../db/instruments';
import { Refused, answering, jsonBody, spoken } from './answers';
import { heardNow, listenIn, passOn } from './heard';

/** The workshop's instruments, and those that were taken away. */
export const getInstruments = (): Promise<Response> =>
  answering(async () => Response.json(await listInstruments()));

const keepInstrumentSchema = z.strictObject({ instrument: instrumentSchema });
const NO_INSTRUMENT = 'This instrument is not there any more.';

/** Adds an instrument, or changes one. */
export const putInstrument = (id: string, request: Request): Promise<Response> =>
  answering(async () => {
    const { instrument } = await jsonBody(request, keepInstrumentSchema);
    if (instrument.id !== id) throw new Refused(400, 'The instrument has another name.');
    if (!(await keepInstrument(instrument)))
      throw new Refused(
        409,
        `There is an instrument called “${instrument.name}” already: readings could not tell them apart.`,
      );
    return Response.json({ kept: true });
  });

/** Takes an instrument away, to be got back. */
export const removeInstrument = (id: string): Promise<Response> =>
  answering(async () => {
    if (!(await deleteInstrument(id))) throw new Refused(404, NO_INSTRUMENT);
    return Response.json({ removed: true });
  });

export const bringInstrumentBack = (id: string): Promise<Response> =>
  answering(async () => {
    if (!(await restoreInstrument(id))) throw new Refused(404, NO_INSTRUMENT);
    return Response.json({ restored: true });
  });

const sessionSchema = z.string().min(1).max(64);
const heardSchema = z.strictObject({
  name: z.string().min(1).max(80),
  /** Lines as they came, whole or in pieces. */
  text: z.string().max(20_000),
});

function sessionOf(text: string): string {
  if (!sessionSchema.safeParse(text).success) throw new Refused(404, NO_INSTRUMENT);
  return text;
}

/** Instruments that are heard on a serial port now. */
export const getHeard = (): Promise<Response> =>
  answering(() => Promise.resolve(Response.json(heardNow())));

/** What a window hears from an instrument on its machine, for those that have no such port. */
export const postHeard = (session: string, request: Request): Promise<Response> =>
  answering(async () => {
    const { name, text } = await jsonBody(request, heardSchema);
    passOn(sessionOf(session), name, text);
    return Response.json({ passed: true });
  });

/** Listens in on an instrument that another window hears: whole lines, as server-sent events. */
export const listenToHeard = (session: string, request: Request): Promise<Response> =>
  answering(() =>
    Promise.resolve(
      spoken(request, (say) => {
        let rest = '';
        say('');
        return listenIn(sessionOf(session), (text) => {
          const lines = (rest + text).split('\n');
          rest = lines.pop()!.slice(-200);
          if (lines.length > 0) say(lines.join('\n'));
        });
      }),
    ),
  );
