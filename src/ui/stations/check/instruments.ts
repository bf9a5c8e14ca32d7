import { useEffect, useRef, useState } from 'react';
import { Listener } from '@/core/instruments/listener';
import type { Standing } from '@/core/instruments/listener';
import type { Device } from '@/core/instruments/protocol';
import type { Trouble } from '@/core/instruments/standIn';
import type { Side } from '@/core/model/build';

/** What is listened to: an instrument on this machine's serial port, or a simulated one. */
export type Source =
  | { id: string; of: 'serial'; port: SerialLike }
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

/** Of most instruments' cables. */
const BAUD = 9600;
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
  const address = source.of === 'stand-in' ? addressOf(source, wheel) : '';
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
        ? listenToPort(source.port, take, (trouble) => tell(trouble))
        : listenToStandIn(address, take, (trouble) => tell(trouble));
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

function listenToStandIn(
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
  port: SerialLike,
  take: (text: string) => void,
  onTrouble: (why: string) => void,
): () => void {
  let stopped = false;
  let reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  const decoder = new TextDecoder();
  const read = async () => {
    try {
      if (!port.readable) await port.open({ baudRate: BAUD });
      reader = port.readable!.getReader();
      for (;;) {
        const { done, value } = await reader.read();
        if (done || stopped) break;
        take(decoder.decode(value, { stream: true }));
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
    void reader?.cancel().catch(() => undefined);
  };
}
