import type { InstrumentKind } from '../model/instruments';

/**
 * What instruments say: one reading a line of plain letters, `level camber -1.23 deg 41*5a`. Device, channel, value (or
 * `----` where there is none), unit, a count that rises by one from line to line (0 after 65535), and after the star two
 * hexadecimal digits: every letter before it, exclusive-ored. Lines end with a line feed, one before it is left out.
 */

/** Instruments and the channels that each reads. */
export const DEVICES = {
  level: ['camber'],
  pointer: ['spot'],
  dials: ['front', 'rear'],
  height: ['hub'],
} as const satisfies Record<InstrumentKind, readonly string[]>;
export type Device = InstrumentKind;

/** What a unit is of, mm or degrees. */
const UNITS = {
  mm: { of: 'mm', per: 1 },
  in: { of: 'mm', per: 25.4 },
  deg: { of: 'deg', per: 1 },
  min: { of: 'deg', per: 1 / 60 },
} as const;
export type InstrumentUnit = keyof typeof UNITS;

/** What an instrument reads: lengths or an angle. */
export const READS: Readonly<Record<Device, 'mm' | 'deg'>> = {
  level: 'deg',
  pointer: 'mm',
  dials: 'mm',
  height: 'mm',
};

/** One line as it was said: `value` in mm or degrees, whatever unit it came in; null where the instrument had none. */
export interface Said {
  device: Device;
  channel: string;
  value: number | null;
  unit: InstrumentUnit;
  count: number;
}

/** A line that was understood, or why it was not, in words. */
export type Heard = { ok: true; said: Said } | { ok: false; why: string };

export const COUNTS = 65_536;
const NONE = '----';
const LONGEST = 80;

/** Every letter exclusive-ored, as two hexadecimal digits. */
export function sumOf(text: string): string {
  let sum = 0;
  for (let i = 0; i < text.length; i++) sum ^= text.charCodeAt(i) & 0xff;
  return sum.toString(16).padStart(2, '0');
}

/** @param value in `unit`; null where there is none */
export function writeLine(
  said: Omit<Said, 'value'> & { value: number | null },
  decimals = 3,
): string {
  const { device, channel, value, unit, count } = said;
  const shown = value === null ? NONE : value.toFixed(decimals);
  const text = `${device} ${channel} ${shown} ${unit} ${count}`;
  return `${text}*${sumOf(text)}`;
}

/** Understands a line; one that was garbled on the way, or is of no instrument, is refused. */
export function readLine(line: string): Heard {
  const refuse = (why: string): Heard => ({ ok: false, why });
  const text = line.trim();
  if (text.length > LONGEST)
    return refuse('a line that is too long: this is no instrument of Havrik’s');
  const star = text.lastIndexOf('*');
  if (star < 0) return refuse('a line without its sum');
  const body = text.slice(0, star);
  if (text.slice(star + 1).toLowerCase() !== sumOf(body))
    return refuse('a line that was garbled on the way');
  const [device, channel, shown, unit, count, ...more] = body.split(' ');
  if (more.length > 0 || count === undefined) return refuse('a line that is not five words');
  if (!isDevice(device)) return refuse(`an instrument that nobody knows: ${device.slice(0, 20)}`);
  if (!(DEVICES[device] as readonly string[]).includes(channel))
    return refuse(`a channel that a ${device} does not have: ${channel.slice(0, 20)}`);
  if (!isUnit(unit) || UNITS[unit].of !== READS[device])
    return refuse(`a unit that a ${device} does not read in: ${unit.slice(0, 20)}`);
  if (!/^\d{1,5}$/u.test(count) || Number(count) >= COUNTS) return refuse('a count that is none');
  if (shown !== NONE && !/^-?\d{1,6}(\.\d{1,6})?$/u.test(shown))
    return refuse(`a value that is no number: ${shown.slice(0, 20)}`);
  return {
    ok: true,
    said: {
      ...{ device, channel, unit, count: Number(count) },
      value: shown === NONE ? null : Number(shown) * UNITS[unit].per,
    },
  };
}

const isDevice = (name: string): name is Device => Object.hasOwn(DEVICES, name);
const isUnit = (name: string): name is InstrumentUnit => Object.hasOwn(UNITS, name);

/** What a unit makes of mm or degrees. */
export const inUnit = (value: number, unit: InstrumentUnit): number => value / UNITS[unit].per;
