import type { AxleDesign, Side } from '../model/build';
import type { Fitted, ReadSide } from '../model/checks';
import { pointLabel, wayOf } from '../model/labels';
import type { LengthUnit } from '../model/units';
import { printLength, readable } from '../model/units';
import { counted } from '../model/wording';
import type { MeasuredNumber } from '../takeoff/measured';
import { alone } from './checkUp';
import type { Agrees, Alone, CheckedUp, SideChecked } from './checkUp';
import type { ShimAdvice } from './nextShim';
import type { Play } from './play';
import type { Suspect } from './suspects';

/** What a check says of the drawing. */
export const AGREES_WORDS: Readonly<Record<Agrees, string>> = {
  drawing: 'Fits the drawing',
  within: 'Fits a car built within your ±',
  not: 'Does not fit',
  'too few': 'Too few readings to say',
};

const length = (mm: number, unit: LengthUnit, decimals = 1): string =>
  unit === 'mm'
    ? `${Math.abs(mm).toFixed(decimals)} mm`
    : `${printLength(Math.round(Math.abs(mm) * 39.37) / 39.37, 'in').slice(0, 6)} in`;

export const degrees = (value: number): string => `${value.toFixed(2)}°`;

/** `outer tie-rod joint 3.2 mm up`. */
export const moveInWords = (
  design: AxleDesign,
  { point, coordinate, by }: Pick<Fitted, 'point' | 'coordinate' | 'by'>,
  unit: LengthUnit = 'mm',
): string => `${pointLabel(design, point)} ${length(by, unit)} ${wayOf(coordinate, by)}`;

/** What to fit next, on which side, and what to expect of it. */
export function shimInWords(
  design: AxleDesign,
  { move, washers, before, after, afterOff }: ShimAdvice,
  both: boolean,
  unit: LengthUnit = 'mm',
): string {
  const sides = both ? 'both sides alike' : `${move.side} side`;
  const how = washers
    ? washers.length === 0
      ? ' (all washers out)'
      : ` (washers ${washers.join(' + ')})`
    : '';
  return `${moveInWords(design, move, unit)}${how}, ${sides}; expect ${degrees(before.worst)} → ${degrees(after)} ± ${degrees(afterOff)}`;
}

/** Whether the moves of both sides are one: the same joint, the same way, hardly apart. */
export function isBothAlike(sides: readonly SideChecked[], readSides: ReadSide): boolean {
  if (readSides !== 'both' || sides.length < 2) return false;
  const [a, b] = sides.map(({ shims }) => shims[0]?.move);
  return (
    a !== undefined &&
    b !== undefined &&
    a.point === b.point &&
    a.coordinate === b.coordinate &&
    Math.abs(a.by - b.by) < 0.3
  );
}

/** What a number of the take-off is called: `lower ball joint, up as drawn`. */
export const numberInWords = (design: AxleDesign, number: MeasuredNumber): string =>
  number.of === 'marks'
    ? `datum marks: ${number.what}`
    : `${pointLabel(design, number.of)}: ${number.what}`;

/** What it was taken for, and what it would be: `185.0 mm, would be 190.1 mm (5.1 more)`. */
export function wouldBe(
  { value, unit, tolerance }: MeasuredNumber,
  off: number,
  lengths: LengthUnit = 'mm',
): string {
  const print = (n: number) =>
    readable(
      unit === 'deg'
        ? `${n.toFixed(2)}°`
        : lengths === 'mm'
          ? `${n.toFixed(1)} mm`
          : `${printLength(n, 'in').slice(0, 7)} in`,
    );
  const times = Math.abs(off) / tolerance;
  return `${print(value)} ± ${print(tolerance)}, would be ${print(value + off)}: ${times < 10 ? times.toFixed(1) : Math.round(times)} times its ±`;
}

/** One suspect as a line. */
export const suspectInWords = (
  design: AxleDesign,
  { side, number, alike }: Suspect,
  { off, explains }: Pick<Alone, 'off' | 'explains'>,
  both: boolean,
  unit: LengthUnit = 'mm',
): string => {
  const same =
    alike.length > 0
      ? ` These readings do not tell it from: ${alike
          .slice(0, 4)
          .map((one) => `${sideWord(both, one.side)}${numberInWords(design, one.number)}`)
          .join('; ')}${alike.length > 4 ? '; …' : ''}.`
      : '';
  return `${sideWord(both, side)}${numberInWords(design, number)}: ${wouldBe(number, off, unit)}. Alone it explains ${Math.round(explains * 100)} % of what does not fit.${same}`;
};

const sideWord = (both: boolean, side: Side) => (both ? `${side} ` : '');

export const playInWords = ({ of, unit, apart, plusMinus, pairs }: Play): string => {
  const print = (n: number) => (unit === 'deg' ? degrees(n) : `${n.toFixed(2)} mm`);
  return `Up and down differ by ${print(Math.abs(apart))} ± ${print(plusMinus)} (${of}, ${counted(pairs, 'height')}): play, or something that binds.`;
};

/** Where else to look when no number within reach explains what was read. */
export const ELSE = [
  'a joint that is loose, or a rod end that moves in its thread',
  'a rack that is not centred, or moves in its mounts',
  'a pivot or bracket that gives as the wheel goes up and down',
  'an instrument that was knocked, or a mark that was not where it was thought to be',
  'two numbers wrong at once',
] as const;

/** Suspects worked out by themselves, and whether any of them makes the car fit. */
export interface Blamed {
  suspects: { suspect: Suspect; alone: Alone }[];
  explained: boolean;
}

/** Suspects below this are not shown, standard deviations. */
const SHOWN_FROM = 2;

/** Those that explain less of what does not fit are not worth another look. */
const SHOWN_AT = 0.15;

/** How far off a number may be thought to be: a slip of reading, not another car. So many of its ±, mm, degrees. */
const REACH = { times: 20, mm: 10, deg: 3 } as const;

/** Whether somebody may have read a number so far off. */
export const isWithinReach = ({ tolerance, unit }: MeasuredNumber, off: number): boolean =>
  Math.abs(off) <= Math.max(REACH.times * tolerance, REACH[unit]);

/**
 * The likeliest wrong numbers, each let loose by itself and the car solved anew; in the order of what they then explain.
 * @param most at most so many
 */
export function blamedOf({ fit, agrees, suspects }: CheckedUp, most = 6): Blamed {
  if (!fit || agrees !== 'not') return { suspects: [], explained: false };
  const worked = suspects
    .filter(({ size, number, off }) => size >= SHOWN_FROM && isWithinReach(number, off / 2))
    .slice(0, most)
    .flatMap((suspect) => {
      const found = alone(fit, suspect);
      return found && found.explains >= SHOWN_AT && isWithinReach(suspect.number, found.off)
        ? [{ suspect, alone: found }]
        : [];
    })
    .sort((a, b) => b.alone.explains - a.alone.explains);
  return { suspects: worked, explained: worked.some(({ alone: one }) => one.fits) };
}
