import { useEffect, useRef, useState } from 'react';
import { Listener } from '@/core/instruments/listener';
import type { Standing } from '@/core/instruments/listener';
import type { Device } from '@/core/instruments/protocol';
import type { Trouble } from '@/core/instruments/standIn';
import type { Side } from '@/core/model/build';
import { USUAL_BAUD } from '@/core/model/instruments';
import type { Instrument } from '@/core/model/instruments';
import { z } from 'zod';

/** What is listened to: an instrument on this machine's serial port, or a simulated one. */
export type Source =
  | { id: string; of: 'serial'; port: SerialLike; own: Instrument | null }
  /** On the serial port of a window elsewhere, which passes on what it hears. */
  | { id: string; of: 'elsewhere'; session: string; name: string }
  | { id: string; of: 'stand-in'; device: Device; trouble: Trouble; seed: number };

/** What is used of a serial port of the browser's. */
export interface SerialLike {
  open: (options: { baudRate: number }) => Promise<void>;
  close: () => Promise<void>;
  readable: ReadableStream<Uint8Array> | null;
}

interface SerialNavigator {
  serial?: { requestPort: () => Promise<SerialLike> };
}

/** How often it is looked whether somebody is still heard, ms. */
const LOOK = 500;

export const canSerial = (): boolean =>
  typeof navigator !== 'undefined' && (navigator as SerialNavigator).serial !== undefined;

/** Lets somebody pick a port; null where none was picked. */
export const pickPort = (): Promise<SerialLike | null> =>
  (navigator as SerialNavigator).serial!.requestPort().catch(() => null);

/** What an instrument says now. */
export interface Heard {
  standing: Standing;
  /** Nothing comes: its cable, or whoever speaks. */
  quiet: boolean;
  /** Why it cannot be listened to. */
  trouble: string;
}

/** Where a simulated instrument's wheel is. */
export interface Wheeled {
  build: string;
  check: string;
  side: Side;
  travel: number;
  /** Which way it came there. */
  going: 'up' | 'down';
}

/** Listens to an instrument as long as it is shown. */
export function useInstrument(source: Source, wheel: Wheeled): Heard {
  const listener = useRef<Listener>(null);
  const [heard, setHeard] = useState<Heard>(() => ({
    standing: new Listener().standing,
    quiet: false,
    trouble: '',
  }));
  // A simulated wheel is moved by asking for it elsewhere; a real one is moved by hand.
  const address =
    source.of === 'stand-in'
      ? addressOf(source, wheel)
      : source.of === 'elsewhere'
        ? `/api/heard/${encodeURIComponent(source.session)}`
        : '';
  useEffect(() => {
    const own = new Listener();
    listener.current = own;
    const tell = (trouble = '') =>
      setHeard({ standing: own.standing, quiet: own.isQuiet(Date.now()), trouble });
    const begun = Date.now();
    const take = (text: string) => {
      own.take(text, Date.now());
      tell();
    };
    const stop =
      source.of === 'serial'
        ? listenToPort(source, take, (trouble) => tell(trouble))
        : listenToEvents(address, take, (trouble) => tell(trouble));
    const look = setInterval(() => {
      if (Date.now() - begun > LOOK && own.isQuiet(Date.now()))
        setHeard((now) => ({ ...now, quiet: true }));
    }, LOOK);
    return () => {
      clearInterval(look);
      stop();
    };
  }, [source, address]);
  return heard;
}

/** How often what was heard is passed on, ms. */
const PASS_ON = 250;

/** Passes on what is heard on a port, for windows that have none: what gets lost is heard of in the count of its lines. */
function passOn(session: string, name: string) {
  let text = '';
  const send = setInterval(() => {
    if (text === '') return;
    const body = JSON.stringify({ name, text: text.slice(-4000) });
    text = '';
    void fetch(`/api/heard/${session}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    }).catch(() => undefined);
  }, PASS_ON);
  return {
    add: (more: string) => void (text += more),
    stop: () => clearInterval(send),
  };
}

const heardSchema = z.array(z.object({ session: z.string(), name: z.string() }));
export type Elsewhere = z.infer<typeof heardSchema>[number];

/** Between looks at what others hear, ms. */
const ASK = 3000;

/** Instruments that other windows hear on their machine's serial port. */
export function useHeardElsewhere(): readonly Elsewhere[] {
  const [heard, setHeard] = useState<readonly Elsewhere[]>([]);
  useEffect(() => {
    let here = true;
    const ask = async () => {
      const response = await fetch('/api/heard').catch(() => null);
      const read = heardSchema.safeParse(await response?.json().catch(() => null));
      if (here && read.success)
        setHeard((now) => (JSON.stringify(now) === JSON.stringify(read.data) ? now : read.data));
    };
    void ask();
    const again = setInterval(() => void ask(), ASK);
    return () => {
      here = false;
      clearInterval(again);
    };
  }, []);
  return heard;
}

export const DEVICE_WORDS: Record<Device, string> = {
  level: 'digital level',
  pointer: 'angle pointer',
  dials: 'two dial gauges',
  height: 'height gauge',
};

function addressOf(
  source: Extract<Source, { of: 'stand-in' }>,
  { build, check, side, travel, going }: Wheeled,
): string {
  const asked = new URLSearchParams({
    ...{ session: source.id, build, check, side, device: source.device, trouble: source.trouble },
    travel: String(travel),
    seed: String(source.seed),
    going,
  });
  return `/api/stand-ins?${asked.toString()}`;
}

function listenToEvents(
  address: string,
  take: (text: string) => void,
  onTrouble: (why: string) => void,
): () => void {
  const events = new EventSource(address);
  events.onmessage = ({ data }: MessageEvent<string>) => take(`${data}\n`);
  // The browser tries again by itself.
  events.onerror = () => onTrouble('Havrik’s server does not answer');
  return () => events.close();
}

function listenToPort(
  { id, port, own }: Extract<Source, { of: 'serial' }>,
  take: (text: string) => void,
  onTrouble: (why: string) => void,
): () => void {
  const baudRate = own?.baud ?? USUAL_BAUD;
  const passing = passOn(id, own?.name ?? 'serial port');
  let stopped = false;
  let reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  const decoder = new TextDecoder();
  const read = async () => {
    try {
      if (!port.readable) await port.open({ baudRate });
      reader = port.readable!.getReader();
      for (;;) {
        const { done, value } = await reader.read();
        if (done || stopped) break;
        const text = decoder.decode(value, { stream: true });
        take(text);
        passing.add(text);
      }
    } catch {
      if (!stopped)
        onTrouble('The serial port cannot be read: is the cable in, and no other program on it?');
    } finally {
      reader?.releaseLock();
      if (stopped) await port.close().catch(() => undefined);
    }
  };
  void read();
  return () => {
    stopped = true;
    passing.stop();
    void reader?.cancel().catch(() => undefined);
  };
}
