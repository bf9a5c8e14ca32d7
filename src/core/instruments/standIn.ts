import { chances, normalsApart } from '../geometry/random';
import { COUNTS, DEVICES, READS, inUnit, writeLine } from './protocol';
import type { Device, InstrumentUnit } from './protocol';

/** What is wrong with a simulated instrument. Lengths mm, angles degrees, shares 0 to 1. */
export interface Troubles {
  /** Standard deviation of one value. */
  noise: number;
  /** How far its nought walks in a minute. */
  drift: number;
  /** Lines without a value, lines that are lost, lines that are garbled. */
  empty: number;
  lost: number;
  garbled: number;
  /** It speaks inches, or minutes of arc. */
  otherUnit: boolean;
  /** How often in a minute its cable comes loose, and for how long, s. */
  loose: number;
  looseFor: number;
}

/** Good ones, common practice: what such an instrument from a shop's drawer does. */
export const GOOD: Readonly<Record<Device, Troubles>> = {
  level: quiet(0.01),
  pointer: quiet(0.02),
  dials: quiet(0.005),
  height: quiet(0.02),
};

function quiet(noise: number): Troubles {
  return {
    ...{ noise, drift: 0, empty: 0, lost: 0, garbled: 0, otherUnit: false, loose: 0, looseFor: 0 },
  };
}

/** Kinds of trouble by name, on top of a good one. */
export const TROUBLES = {
  none: () => ({}),
  noise: ({ noise }: Troubles) => ({ noise: 8 * noise }),
  drift: ({ noise }: Troubles) => ({ drift: 20 * noise }),
  dropouts: () => ({ empty: 0.15, lost: 0.1, garbled: 0.1 }),
  units: () => ({ otherUnit: true }),
  cable: () => ({ loose: 4, looseFor: 5 }),
} as const satisfies Record<string, (good: Troubles) => Partial<Troubles>>;
export type Trouble = keyof typeof TROUBLES;
export const TROUBLE_NAMES = Object.keys(TROUBLES) as Trouble[];

const OTHER: Record<'mm' | 'deg', InstrumentUnit> = { mm: 'in', deg: 'min' };

/**
 * A simulated instrument: reads a virtual car and says lines as a real one does. The same seed says the same.
 * @param read what each channel stands at, mm or degrees; null out of its reach
 */
export class StandIn {
  private count = 0;
  private drifted = 0;
  private looseUntil = -Infinity;
  private last: number | null = null;
  private readonly normal: () => number;
  private readonly chance: () => number;
  private readonly troubles: Troubles;

  constructor(
    readonly device: Device,
    private readonly read: (channel: string) => number | null,
    { trouble = 'none', seed = 1 }: { trouble?: Trouble; seed?: number } = {},
  ) {
    const good = GOOD[device];
    this.troubles = { ...good, ...TROUBLES[trouble](good) };
    this.normal = normalsApart(seed);
    this.chance = chances(seed + 1);
  }

  private readonly happens = (share: number): boolean => share > 0 && this.chance() < share;

  /**
   * The lines of this moment, each with its line feed; nothing while the cable is loose.
   * @param now s since it was switched on
   */
  lines(now: number): string {
    const { noise, drift, empty, lost, garbled, otherUnit, loose, looseFor } = this.troubles;
    const passed = this.last === null ? 0 : now - this.last;
    this.last = now;
    // A nought that walks goes by chance either way, as far as it should in a minute on the average.
    this.drifted += drift * Math.sqrt(Math.max(0, passed) / 60) * this.normal();
    if (this.happens((loose * passed) / 60)) this.looseUntil = now + looseFor;
    const isLoose = now < this.looseUntil;
    const unit: InstrumentUnit = otherUnit ? OTHER[READS[this.device]] : READS[this.device];
    return DEVICES[this.device]
      .map((channel: string) => {
        const stands = this.read(channel);
        const off = this.drifted + noise * this.normal();
        const isEmpty = this.happens(empty);
        const isLost = this.happens(lost);
        const isGarbled = this.happens(garbled);
        const value = stands === null || isEmpty ? null : inUnit(stands + off, unit);
        const line = writeLine(
          { device: this.device, channel, value, unit, count: this.count },
          unit === 'in' ? 4 : 3,
        );
        this.count = (this.count + 1) % COUNTS;
        if (isLoose || isLost) return '';
        return `${isGarbled ? garble(line, this.chance()) : line}\n`;
      })
      .join('');
  }
}

/** One letter of a line is another. */
function garble(line: string, where: number): string {
  const at = Math.floor(where * (line.length - 1));
  const other = line[at] === '#' ? '?' : '#';
  return line.slice(0, at) + other + line.slice(at + 1);
}
