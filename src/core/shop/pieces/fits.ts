import type { Fit, PieceOf } from '../../model/pieces';
import { mm } from '../sheetWords';
import { figuresTable } from './worked';
import type { Shop, Worked } from './worked';

/**
 * Limits of holes and pins, µm (ISO 286-1 and -2, from memory): grades and deviations by what they are across, the last
 * size of a range within it.
 */
const UP_TO = [6, 10, 18, 30, 50, 80, 120, 180] as const;
export const GRADES = {
  6: [8, 9, 11, 13, 16, 19, 22, 25],
  7: [12, 15, 18, 21, 25, 30, 35, 40],
  8: [18, 22, 27, 33, 39, 46, 54, 63],
} as const;
/** From nought to the nearer limit of a pin: below it for f and g, above it for the others. */
export const DEVIATIONS = {
  f: [-10, -13, -16, -20, -25, -30, -36, -43],
  g: [-4, -5, -6, -7, -9, -10, -12, -14],
  k: [1, 1, 1, 2, 2, 2, 3, 3],
  n: [8, 10, 12, 15, 17, 20, 23, 27],
  p: [12, 15, 18, 22, 26, 32, 37, 43],
} as const;
/** r and s have finer ranges above 50 mm. */
const FINE_UP_TO = [6, 10, 18, 30, 50, 65, 80, 100, 120, 140, 160, 180] as const;
export const FINE = {
  r: [15, 19, 23, 28, 34, 41, 43, 51, 54, 63, 65, 68],
  s: [19, 23, 28, 35, 43, 53, 59, 71, 79, 92, 100, 108],
} as const;
/** Bearings of ordinary class are under size by up to so much: outer ring, bore (ISO 492, from memory). */
const OUTER_RING = [8, 8, 8, 9, 11, 13, 15, 18] as const;
const BORE_RING = [8, 8, 8, 10, 12, 15, 20, 25] as const;

const rangeOf = (across: number, upTo: readonly number[]): number => {
  const i = upTo.findIndex((most) => across <= most);
  return i < 0 ? upTo.length - 1 : i;
};

/** Least and most, mm over the nominal size. */
export type Limits = readonly [least: number, most: number];
const micron = (least: number, most: number): Limits => [least / 1000, most / 1000];

/** A hole or a pin by its class, as `H7`, `r6`: mm over the nominal size; sizes of 3 to 180 mm. */
export function limitsOf(across: number, of: string): Limits {
  const [letter, grade] = [of[0], Number(of.slice(1)) as keyof typeof GRADES];
  const i = rangeOf(across, UP_TO);
  const wide = GRADES[grade][i];
  if (letter === 'H') return micron(0, wide);
  if (letter === 'h') return micron(-wide, 0);
  const pin = letter.toLowerCase();
  const fine = pin === 'r' || pin === 's';
  const nearer = fine
    ? FINE[pin][rangeOf(across, FINE_UP_TO)]
    : DEVIATIONS[pin as keyof typeof DEVIATIONS][i];
  if (letter !== pin) {
    // A tight hole is its pin's mirror image, moved by what the next finer grade is less (ISO 286-1, 4.3.2.5).
    const finer = GRADES[(grade - 1) as keyof typeof GRADES][i];
    const upper = -nearer + (wide - finer);
    return micron(upper - wide, upper);
  }
  return nearer < 0 ? micron(nearer - wide, nearer) : micron(nearer, nearer + wide);
}

/** What is made and what is bought for a fit: classes by ISO 286 or a bearing's ring. */
function classesOf(fit: Fit, soft: boolean): { hole: string; pin: string } {
  switch (fit) {
    case 'bush pressed in':
      return { hole: 'H7', pin: soft ? 's6' : 'r6' };
    case 'bearing, its outer ring turns':
      return { hole: soft ? 'P7' : 'N7', pin: 'outer ring' };
    case 'bearing, its outer ring stands':
      return { hole: 'H7', pin: 'outer ring' };
    case 'bearing on its spindle':
      return { hole: 'bore of the ring', pin: 'k6' };
    case 'turns in it, greased':
      return { hole: 'H8', pin: 'f7' };
    case 'slides by hand':
      return { hole: 'H7', pin: 'g6' };
  }
}

const limitsBy = (across: number, of: string): Limits => {
  const i = rangeOf(across, UP_TO);
  if (of === 'outer ring') return micron(-OUTER_RING[i], 0);
  if (of === 'bore of the ring') return micron(-BORE_RING[i], 0);
  return limitsOf(across, of);
};

/** How much a metre grows a degree, by what it is of (Shigley, table of linear expansion, from memory): mm per mm °C. */
const GROWS = { steel: 11.5e-6, aluminium: 23e-6 } as const;
/** To drop in by itself a bore is larger by a thousandth of it (common practice, from memory). */
const TO_DROP = 1 / 1000;
/** Warmer than this bearings suffer, and hardened aluminium softens, °C (common practice, from memory). */
const BEARING_MOST = 120;
const ALUMINIUM_MOST = 150;
/** Dry ice, °C. */
const COLD = -78;

/** Bore and pin of a fit, how tight at the least and the most, cold and warm, and how warm the housing is to let it in. */
export function fitOf({
  across,
  fit,
  housing,
  warmer,
  room,
}: Pick<PieceOf<'fit'>, 'across' | 'fit' | 'housing' | 'warmer' | 'room'>) {
  const soft = housing === 'aluminium';
  const classes = classesOf(fit, soft);
  const hole = limitsBy(across, classes.hole);
  const pin = limitsBy(across, classes.pin);
  const tight: Limits = [pin[0] - hole[1], pin[1] - hole[0]];
  const onSpindle = fit === 'bearing on its spindle';
  // What goes round the other: the ring on its spindle, else the housing.
  const outer = onSpindle ? GROWS.steel : GROWS[housing];
  const heat =
    tight[1] > 0 ? room + (tight[1] + TO_DROP * across) / (outer * (across + hole[0])) : null;
  const chilled = GROWS.steel * across * (room - COLD);
  // Both as large as they are then, the loosest bore and pin.
  const warmLeast =
    tight[0] + warmer * (GROWS.steel * (across + pin[0]) - outer * (across + hole[1]));
  return { classes, hole, pin, tight, heat, chilled, warmLeast, onSpindle };
}

export function fit(_: Shop, piece: PieceOf<'fit'>): Worked {
  const { across, housing, warmer } = piece;
  const found = fitOf(piece);
  const { classes, hole, pin, tight, heat, chilled, warmLeast, onSpindle } = found;
  const bearing = piece.fit.startsWith('bearing');
  const press = tight[1] > 0;
  const faults: string[] = [];
  const most = bearing ? BEARING_MOST : housing === 'aluminium' ? ALUMINIUM_MOST : Infinity;
  if (heat !== null && heat > most)
    faults.push(
      `fit and heat: ${heat.toFixed(0)} °C to let it drop in is more than ${most} °C; press it, or cool what goes in as well`,
    );
  if (tight[0] > 0 && warmLeast < 0)
    faults.push(
      `fit and heat: ${warmer} °C warmer the aluminium lets go, ${um(-warmLeast)} of play at the worst; a tighter class, or hold it otherwise`,
    );
  const size = ([least, most2]: Limits): string =>
    `${mm(across + least, 3)} to ${mm(across + most2, 3)}`;
  return {
    plates: [],
    tables: [
      figuresTable(`${piece.fit}, ${mm(across)} mm`, [
        [`${onSpindle ? 'ring, ' : 'bore, '}${classes.hole}, mm`, size(hole)],
        [`${onSpindle ? 'spindle, ' : 'goes in, '}${classes.pin}, mm`, size(pin)],
        ['tight (+) or loose (−), at the least', um(tight[0])],
        ['at the most', um(tight[1])],
        ...(warmer > 0 && housing === 'aluminium' && !onSpindle
          ? [[`${warmer} °C warmer, at the least`, um(warmLeast)] as const]
          : []),
        ...(heat === null
          ? []
          : [
              [
                `${onSpindle ? 'the ring' : 'the housing'} to be so warm to drop over it`,
                `${heat.toFixed(0)} °C`,
              ] as const,
            ]),
        ...(press ? [['in dry ice what goes in shrinks by', um(chilled)] as const] : []),
      ]),
    ],
    notes: [
      'Limits of ISO 286 and ISO 492 from memory: the maker of a bush or a bearing knows better. Press on the ring that is tight, never through the balls.',
      'A housing that is welded shrinks, and not evenly: weld round a dummy, let it cool, ream or bore after; measure it before the part goes in.',
      ...(press
        ? [
            'What is heated burns: gloves, tongs, a thermometer or a crayon. Dry ice takes the air and the skin: outside, gloved.',
          ]
        : []),
    ],
    faults,
  };
}
const um = (value: number): string => `${mm(value * 1000, 0)} µm`;
