import { z } from 'zod';
import { create } from 'zustand';
import { instrumentSchema } from '@/core/model/instruments';
import type { Instrument } from '@/core/model/instruments';

interface Own {
  /** By name; null until they are there. */
  list: readonly Instrument[] | null;
  gone: readonly { id: string; name: string }[];
}

/** The workshop's instruments. */
export const useOwnInstruments = create<Own>(() => ({ list: null, gone: [] }));

const answerSchema = z.object({
  instruments: z.array(instrumentSchema),
  gone: z.array(z.object({ id: z.string(), name: z.string() })),
});
const refusalSchema = z.object({ message: z.string() });
const SILENT = 'Havrik’s server does not answer: nothing was changed.';

export async function loadInstruments(): Promise<void> {
  const response = await fetch('/api/instruments').catch(() => null);
  const read = answerSchema.safeParse(await response?.json().catch(() => null));
  if (read.success)
    useOwnInstruments.setState({ list: read.data.instruments, gone: read.data.gone });
}

/** @returns why it was not done; empty where it was */
async function ask(id: string, init: RequestInit): Promise<string> {
  const response = await fetch(`/api/instruments/${encodeURIComponent(id)}`, init).catch(
    () => null,
  );
  if (response?.ok) {
    await loadInstruments();
    return '';
  }
  const read = refusalSchema.safeParse(await response?.json().catch(() => null));
  return read.success ? read.data.message : SILENT;
}

/** Adds an instrument or changes one. */
export const keepInstrument = (instrument: Instrument): Promise<string> =>
  ask(instrument.id, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ instrument }),
  });

/** Takes an instrument away, or gets it back. */
export const binInstrument = (id: string, away: boolean): Promise<string> =>
  ask(id, { method: away ? 'DELETE' : 'POST' });
