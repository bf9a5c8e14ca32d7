import { numericQuantity } from 'numeric-quantity';

/**
 * Lengths as builders type and read them. Inside Havrik every length is millimetres. Inches are shown as decimals, or
 * in sixteenths or thirty-seconds as a tape has them.
 */
export const LENGTH_UNITS = ['mm', 'in', 'in/16', 'in/32'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

/** What lengths are typed, saved and exchanged in. */
export type TypedUnit = 'mm' | 'in';

/** The unit itself, however its numbers are shown: what a bare number is typed in, and what stands behind one. */
export const unitName = (unit: LengthUnit): TypedUnit => (unit === 'mm' ? 'mm' : 'in');

/** How fine the fractions are that inches are shown in; null for decimals. */
const fineness = (unit: LengthUnit): number | null =>
  ({ mm: null, in: null, 'in/16': 16, 'in/32': 32 })[unit];

/** Angles as they are read where they are set: decimal degrees, or degrees and minutes. */
export type AngleUnit = 'deg' | 'min';

const MM_PER: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: 25.4,
  inch: 25.4,
  inches: 25.4,
  '"': 25.4,
  '″': 25.4,
  '”': 25.4,
  "''": 25.4,
  ft: 304.8,
  "'": 304.8,
  '′': 304.8,
};

export type Parsed = { ok: true; value: number } | { ok: false; why: string };

const UNIT_TAIL = /\s*(mm|cm|m|inches|inch|in|ft|"|″|”|''|'|′)\.?$/iu;
/** A whole number and a fraction with a dash between: `3-7/16`. Not `3 -7/16`, which is neither. */
const NUMBER_AND_FRACTION = /^([+-]?\d+)-(\d+\s*\/\s*\d+)$/u;
/** What a number is made of: digits with a point or comma, or a whole number, a fraction, or both. */
const VULGAR = '[¼½¾⅐⅑⅒⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]';
const NUMBER = new RegExp(
  `^[+-]?\\s*(?:\\d+[.,]?\\d*(?:e[+-]?\\d+)?|[.,]\\d+(?:e[+-]?\\d+)?|\\d+\\s*/\\s*\\d+|\\d+\\s+\\d+\\s*/\\s*\\d+|(?:\\d+\\s*)?${VULGAR})$`,
  'iu',
);
/** Feet and inches in one: `1' 2"`, `1 ft 2 1/2 in`, `5'`. */
const FEET =
  /^([+-]?)(\d+)\s*(?:ft|'|′)\s*(?:(\d[^"″”']*?)\s*(?:"|″|”|''|in(?:ch(?:es)?)?\.?)?)$/iu;

/**
 * Reads a plain number: decimals with point or comma, fractions and mixed fractions
 * (`3 7/16`, `3-7/16`, `½`), with a leading sign of either kind.
 */
export function parseNumber(text: string): Parsed {
  let body = text.trim().replace(/[−–]/gu, '-');
  if (body === '') return { ok: false, why: 'is empty' };
  if (/^[+-]?\d*\.$/u.test(body) && /\d/u.test(body)) body += '0';
  const mixed = NUMBER_AND_FRACTION.exec(body);
  if (mixed) body = `${mixed[1]} ${mixed[2]}`;
  if ((body.match(/,/gu)?.length ?? 0) > 1 || (body.includes(',') && body.includes('.')))
    return { ok: false, why: `“${text.trim()}” mixes commas and points: write 1234.5` };
  if (!NUMBER.test(body)) return { ok: false, why: `“${text.trim()}” is not a number` };
  const value = numericQuantity(body, {
    round: false,
    romanNumerals: false,
    decimalSeparator: body.includes(',') ? ',' : '.',
  });
  return Number.isFinite(value)
    ? { ok: true, value }
    : { ok: false, why: `“${text.trim()}” is not a number` };
}

/** A fraction and what is over or short of it, as lengths are shown: `12 5/16 + 0.004`. */
const FRACTION_AND_REST = /^(.*\S)\s+([+-])\s+(0?[.,]\d+)$/u;

function parseSum(text: string): Parsed {
  const sum = FRACTION_AND_REST.exec(text.trim().replace(/[−–]/gu, '-'));
  if (!sum) return parseNumber(text);
  const [whole, rest] = [parseNumber(sum[1]), parseNumber(sum[3])];
  if (!whole.ok || !rest.ok) return whole.ok ? rest : whole;
  return { ok: true, value: whole.value + (sum[2] === '-' ? -rest.value : rest.value) };
}

/**
 * Reads a length in mm. A bare number is in `unit`; `12.5 mm`, `1/2"`, `3 7/16 in`, `2 ft` say
 * their own.
 */
export function parseLength(text: string, unit: LengthUnit = 'mm'): Parsed {
  const trimmed = text.trim();
  if (trimmed === '') return { ok: false, why: 'is empty' };
  const feet = FEET.exec(trimmed);
  if (feet) {
    const inches = parseNumber(feet[3]);
    if (inches.ok && inches.value < 12) {
      const sign = feet[1] === '-' ? -1 : 1;
      return { ok: true, value: sign * tidy(Number(feet[2]) * 304.8 + inches.value * 25.4) };
    }
  }
  const tail = UNIT_TAIL.exec(trimmed);
  const number = parseSum(tail ? trimmed.slice(0, tail.index) : trimmed);
  if (!number.ok)
    return {
      ok: false,
      why: `“${trimmed}” is not a length: try 12.5, 12.5 mm, 1/2" or 3 7/16 in`,
    };
  const perUnit = MM_PER[(tail?.[1] ?? unitName(unit)).toLowerCase()];
  return { ok: true, value: tidy(number.value * perUnit) };
}

/** To a millionth of a micrometre, so that 11 1/2 in is 292.1 and not 292.09999999999997. */
const tidy = (mm: number): number => Number(mm.toFixed(9));

/**
 * Prints mm in `unit` without the unit's name: up to 3 decimals (mm) or 4 (inches), no trailing zeros. A fraction only
 * where it is that very length: what is printed can be typed back.
 */
export function printLength(mm: number, unit: LengthUnit = 'mm'): string {
  if (unit === 'mm') return trimmed(mm, 3);
  const [decimals, fine] = [trimmed(mm / 25.4, 4), fineness(unit)];
  if (fine === null) return decimals;
  const parts = Math.round((mm / 25.4) * fine);
  return Math.abs(mm / 25.4 - parts / fine) < 0.00005
    ? printFraction(parts / fine, fine)
    : decimals;
}

/** A number as a mixed fraction with at most the given denominator, a power of two: `1 3/32`. */
export function printFraction(value: number, denominator: number): string {
  const parts = Math.round(Math.abs(value) * denominator);
  const whole = Math.floor(parts / denominator);
  let [top, bottom] = [parts % denominator, denominator];
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  const text = [whole > 0 || top === 0 ? `${whole}` : '', top > 0 ? `${top}/${bottom}` : '']
    .filter(Boolean)
    .join(' ');
  return value < 0 && parts > 0 ? `-${text}` : text;
}

/** A printed number with a real minus sign, for reading (not for typing over). */
export const readable = (text: string): string => text.replace('-', '−');

/** A number to at most `decimals` places, trailing zeros dropped and never “-0”. */
export function trimmed(value: number, decimals: number): string {
  const text = value.toFixed(decimals);
  const short = text.includes('.') ? text.replace(/\.?0+$/u, '') : text;
  return short === '-0' ? '0' : short;
}

/** Degrees and minutes, or minutes alone: `1° 30'`, `1°30.5′`, `-12'`, `15 min`. */
const MINUTES =
  /^([+-]?)\s*(?:(\d+)\s*(?:°|deg(?:rees)?\.?)\s*)?(\d+(?:[.,]\d+)?)\s*(?:'|′|’|min(?:utes)?\.?)$/iu;

/** Reads an angle in degrees: `12.5`, `12.5°`, `12.5 deg`, `1° 30'`, `12'`. A bare number is degrees. */
export function parseAngle(text: string): Parsed {
  const trimmedText = text.trim();
  const minutes = MINUTES.exec(trimmedText.replace(/[−–]/gu, '-'));
  if (minutes) {
    const [whole, part] = [Number(minutes[2] ?? 0), Number(minutes[3].replace(',', '.'))];
    if (minutes[2] === undefined || part < 60) {
      const value = Number((whole + part / 60).toFixed(9));
      return { ok: true, value: minutes[1] === '-' && value !== 0 ? -value : value };
    }
  }
  const number = parseNumber(text.replace(/\s*(°|deg|degrees)\.?$/iu, ''));
  if (number.ok || trimmedText === '') return number;
  return { ok: false, why: `“${trimmedText}” is not an angle: try 12.5, 12 1/2 or 12° 30'` };
}

/**
 * Prints an angle as a field has it: degrees to 3 decimals without their sign, or degrees and minutes to a hundredth
 * of one with theirs. Either can be typed back.
 */
export function printAngle(degrees: number, angles: AngleUnit = 'deg'): string {
  if (angles === 'deg') return trimmed(degrees, 3);
  const all = Math.round(Math.abs(degrees) * 6000) / 100;
  const whole = Math.floor(all / 60);
  const rest = trimmed(all - 60 * whole, 2);
  return `${degrees < 0 && all > 0 ? '-' : ''}${whole > 0 ? `${whole}° ` : ''}${rest}'`;
}

/**
 * A sentence of angles in degrees as the window says them. In minutes are those that are said to hundredths: toe,
 * camber, what they change by. What is said to tenths or whole degrees (locks, joints, clocks) stays as it is.
 */
export const anglesIn = (sentence: string, angles: AngleUnit): string =>
  angles === 'deg'
    ? sentence
    : sentence.replace(/([+−-]?)(\d+\.\d{2,})°/gu, (_, sign: string, figure: string) => {
        const tenths = figure.split('.')[1].length > 2 ? 10 : 1;
        const all = Math.round(Number(figure) * 60 * tenths) / tenths;
        const [whole, rest] = [Math.floor(all / 60), trimmed(all - 60 * Math.floor(all / 60), 1)];
        return `${all > 0 ? sign : ''}${whole > 0 ? `${whole}° ` : ''}${rest}′`;
      });

/** One length within a list: a number, or a whole number and its fraction, with or without its unit. */
const IN_A_LIST = new RegExp(
  `[+-]?(?:\\d+\\s+\\d+\\s*/\\s*\\d+|\\d+-\\d+\\s*/\\s*\\d+|\\d+\\s*/\\s*\\d+|[^\\s]+)(?:\\s*(?:mm|cm|m|inches|inch|in|ft|"|″|”|''|'|′)(?![\\w]))?`,
  'giu',
);

/**
 * Reads several lengths in mm, parted by semicolons, lines, or comma and space: `0; 25; 50`. By spaces alone
 * where none of these is there, a whole number before a fraction being one length with it: `3 7/16 4`.
 */
export function parseLengths(
  text: string,
  unit: LengthUnit = 'mm',
): { ok: true; value: number[] } | { ok: false; why: string } {
  const parted = text.split(/\s*[;\n]\s*|,\s+/u).filter((part) => part.trim() !== '');
  const parts = parted.length === 1 ? (parted[0].match(IN_A_LIST) ?? []) : parted;
  if (parts.length === 0) return { ok: false, why: 'is empty' };
  const read = parts.map((part) => parseLength(part, unit));
  const wrong = read.find((one) => !one.ok);
  return wrong && !wrong.ok
    ? wrong
    : { ok: true, value: read.flatMap((one) => (one.ok ? [one.value] : [])) };
}

/**
 * A length in words, with its unit: mm to so many decimals, inches to two more. In fractions, what is said to whole
 * millimetres is the next one; what is said finer is the next one and what is over or short of it:
 * `12 5/16 + 0.004 in`. Under an inch it stays decimals where no fraction is as good.
 */
export const lengthIn = (mm: number, unit: LengthUnit, decimals = 0): string => {
  if (unit === 'mm') return `${readable(trimmed(mm, decimals))} mm`;
  const [inches, fine] = [mm / 25.4, fineness(unit)];
  const plain = readable(trimmed(inches, decimals + 2));
  if (fine === null) return `${plain} in`;
  const nearest = Math.round(inches * fine) / fine;
  const over = trimmed(inches - nearest, decimals + 2);
  const fraction = readable(printFraction(nearest, fine));
  if (over === '0') return `${fraction} in`;
  if (Math.abs(inches) < 1) return `${plain} in`;
  if (decimals === 0) return `${fraction} in`;
  return `${fraction} ${over.startsWith('-') ? '−' : '+'} ${over.replace('-', '')} in`;
};

/**
 * A sentence of lengths in mm as it is said in the window's unit. What is counted per 25 mm of travel keeps that: it
 * is the figure's name.
 */
export const saidIn = (sentence: string, unit: LengthUnit): string =>
  unit === 'mm'
    ? sentence
    : sentence.replace(
        /(\bper )?([±−-]?)(\d+(?:\.\d+)?) mm\b/gu,
        (whole, per, sign: string, mm: string) =>
          per ? whole : `${sign}${lengthIn(Number(mm), unit, mm.split('.')[1]?.length ?? 0)}`,
      );
