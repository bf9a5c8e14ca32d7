import { COUNTS, DEVICES, READS, readLine } from './protocol';
import type { Device, Said } from './protocol';

/** Values of a channel that are looked at for whether it stands still. */
const LOOKED = 5;
/** Within so much it does, mm and degrees (common practice: what a hand can hold). */
const STILL = { mm: 0.05, deg: 0.03 } as const;
/** Nothing heard for so long is a cable that came loose, ms. */
export const QUIET = 3000;
/** A line that does not end is thrown away past this. */
const LONGEST = 500;

/** How an instrument stands, as far as it was heard. */
export interface Standing {
  device: Device | null;
  /** By channel, mm or degrees: the mean of what stands still, else the last; null where there is none. */
  values: Readonly<Record<string, number | null>>;
  /** Every channel has stood still for some readings. */
  steady: boolean;
  /** Lines that were lost, garbled, or without a value. */
  lost: number;
  garbled: number;
  empty: number;
  /** Why the last line was refused; empty where it was not. */
  why: string;
}

/** Listens to one instrument, whatever pieces its lines come in. */
export class Listener {
  private rest = '';
  private device: Device | null = null;
  private last: number | null = null;
  private readonly heard = new Map<string, (number | null)[]>();
  private lost = 0;
  private garbled = 0;
  private empty = 0;
  private why = '';
  /** When it was last understood, by the clock that `take` is given, ms. */
  at = -Infinity;

  /** Takes what came; answers what was said in it. */
  take(text: string, now: number): Said[] {
    const lines = (this.rest + text).split('\n');
    this.rest = lines.pop()!.slice(-LONGEST);
    return lines.flatMap((line): Said[] => {
      if (line.trim() === '') return [];
      const heard = readLine(line);
      if (!heard.ok) {
        this.garbled++;
        this.why = heard.why;
        return [];
      }
      const { said } = heard;
      // Another instrument on the same cable begins anew.
      if (said.device !== this.device) this.begin(said.device);
      if (this.last !== null) this.lost += (said.count - this.last - 1 + COUNTS) % COUNTS;
      this.last = said.count;
      this.at = now;
      this.why = '';
      if (said.value === null) this.empty++;
      const values = this.heard.get(said.channel) ?? [];
      this.heard.set(said.channel, [...values, said.value].slice(-LOOKED));
      return [said];
    });
  }

  private begin(device: Device): void {
    this.device = device;
    this.last = null;
    this.heard.clear();
  }

  /** Whether nothing came for so long that the cable must have come loose. */
  isQuiet = (now: number): boolean => now - this.at > QUIET;

  get standing(): Standing {
    const { device, lost, garbled, empty, why } = this;
    const channels = device ? DEVICES[device] : [];
    const still = device ? STILL[READS[device]] : 0;
    const of = channels.map((channel) => {
      const list = this.heard.get(channel) ?? [];
      const numbers = list.filter((value) => value !== null);
      const steady =
        list.length === LOOKED &&
        numbers.length === LOOKED &&
        Math.max(...numbers) - Math.min(...numbers) <= still;
      const mean = numbers.reduce((sum, value) => sum + value, 0) / numbers.length;
      return { channel, steady, value: steady ? mean : (list.at(-1) ?? null) };
    });
    return {
      ...{ device, lost, garbled, empty, why },
      values: Object.fromEntries(of.map(({ channel, value }) => [channel, value])),
      steady: of.length > 0 && of.every(({ steady }) => steady),
    };
  }
}
