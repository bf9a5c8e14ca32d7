import { shown } from './wording';

/** What a tyre's size code says: lengths in mm, unloaded. */
export interface TyreSize {
  diameter: number;
  width: number;
  /** Diameter of the rim at the bead seats; null where only the tyre's own size is given. */
  rim: number | null;
}

export type TyreRead = { ok: true; value: TyreSize } | { ok: false; why: string };

const INCH = 25.4;
const DASH = /[‐‑–—−]/gu;

/** What may stand after the rim: load index and speed letter, and marks that say nothing of size. */
const TAIL = String.raw`(?:C|LT)?(?:\d{2,3}(?:/\d{2,3})?[A-Z]\d?)?(?:XL|RF|TL|TT|EXTRALOAD|REINFORCED|M\+S|DOT)*`;
/** `R`, with the speed letter of old before it (`SR`, `VR`, `ZR`); `B`, `D` or a dash: cross-ply. */
const BUILD = '(?:[A-Z]?R|B|D|-)';
/** `195/50R15`, `P205/55 ZR 16 91V`, `185/70VR15`, `185/60-14`: section mm / height in % of it, rim in inches. */
const METRIC = new RegExp(`^(?:P|LT)?(\\d{3})/(\\d{2})${BUILD}(\\d{2}(?:\\.5)?)${TAIL}$`, 'u');
/** `180/530R13`, `200/580R15`: section and the tyre's own diameter in mm, rim in inches, as racing tyres are marked. */
const RACING = new RegExp(`^(\\d{3})/(\\d{3})${BUILD}(\\d{2}(?:\\.5)?)${TAIL}$`, 'u');
/** `185R14`, `155SR13`, `125-15`: the section's height is not written; 82 % is meant (from memory). */
const FULL_HEIGHT = new RegExp(`^([1-3]\\d{2})(?:[A-Z]?R|-)(1\\d|2[0-4])${TAIL}$`, 'u');
/** `5.60-15`, `560-15`, `6.00S16`: cross-ply, section in inches (or hundredths), about 98 % high (from memory). */
const CROSS_PLY = /^([4-9](?:\.\d{2}|\d{2}))(?:[A-Z]?-|[A-Z])(1\d|2[0-4])(?:\d{2}[A-Z])?$/u;
/** `18x7-10`, `31x10.50R15LT`, `11x7.10-5`: diameter x width, rim, all inches. */
const INCHES =
  /^(\d{1,2}(?:\.\d+)?)X(\d{1,2}(?:\.\d+)?)(?:R|B|-)(\d{1,2}(?:\.\d)?)(?:LT)?(?:\d{2,3}[A-Z])?$/u;
/** `580x195`: free diameter x width, mm. */
const PLAIN = /^(\d{3,4}(?:\.\d+)?)X(\d{2,3}(?:\.\d+)?)(?:MM)?$/u;
const FULL = 82;
const CROSS_PLY_HEIGHT = 98;

/**
 * Reads a tyre's size code. Diameters follow the codes' own arithmetic (ETRTO: rim diameter plus two
 * section heights); tables round to a mm, and tyres of one size differ by a per cent or two.
 */
export function readTyreCode(text: string): TyreRead {
  const code = text.toUpperCase().replace(DASH, '-').replace(/[×*]/gu, 'X').replace(/,/gu, '.');
  const body = code.replace(/\s+/gu, '');
  const metric = METRIC.exec(body);
  if (metric) return sized(text, ...(metric.slice(1, 4).map(Number) as [number, number, number]));
  const racing = RACING.exec(body);
  if (racing) {
    const [width, diameter, rim] = racing.slice(1, 4).map(Number);
    return plausible(text, { diameter, width, rim: rim * INCH });
  }
  const full = FULL_HEIGHT.exec(body);
  if (full) return sized(text, Number(full[1]), FULL, Number(full[2]));
  const old = CROSS_PLY.exec(body);
  if (old) {
    const inches = Number(old[1]) / (old[1].includes('.') ? 1 : 100);
    return sized(text, inches * INCH, CROSS_PLY_HEIGHT, Number(old[2]));
  }
  const inches = INCHES.exec(body);
  if (inches) {
    const [diameter, width, rim] = inches.slice(1, 4).map((inch) => Number(inch) * INCH);
    return plausible(text, { diameter, width, rim });
  }
  const plain = PLAIN.exec(body);
  if (plain)
    return plausible(text, { diameter: Number(plain[1]), width: Number(plain[2]), rim: null });
  return {
    ok: false,
    why:
      text.trim() === ''
        ? 'is empty'
        : `${shown(text.trim())} is not a tyre size: try 195/50R15, 18x7-10, or diameter x width in mm: 580x195`,
  };
}

function sized(text: string, width: number, percent: number, rimInches: number): TyreRead {
  const rim = rimInches * INCH;
  return plausible(text, { diameter: rim + (2 * width * percent) / 100, width, rim });
}

function plausible(text: string, size: TyreSize): TyreRead {
  const { rim, diameter, width } = size;
  const fits = rim === null || (rim < diameter - 10 && rim >= 3 * INCH && rim <= 30 * INCH);
  if (fits && width < diameter) return { ok: true, value: size };
  return { ok: false, why: `${shown(text.trim())} makes no tyre: the rim would not fit into it` };
}

/**
 * Loaded radius to start from, mm: 96 % of the free radius, as a light car's tyre stands at its
 * pressures (common practice, an estimate). Measure the real one from the hub's centre to the ground.
 */
export const estimatedLoadedRadius = (diameter: number): number =>
  Math.round(diameter * 0.48 * 2) / 2;
