import { toDeg } from '../../geometry/angle';
import { TAPERS } from '../../model/pieces';
import type { PieceOf } from '../../model/pieces';
import { circle, line, outline, text } from '../../sheets/drawing';
import type { Drawing, Mark, Spot } from '../../sheets/drawing';
import { deg, mm } from '../sheetWords';
import { boltFor, washerOf } from '../stack';
import { figuresTable } from './worked';
import type { Shop, Worked } from './worked';

/** Beside a hole in an arm that steers, of the hole or its bolt, at the least (common practice, from memory). */
const WALL = 0.5;
/** A reamer takes so much, mm (common practice, from memory). */
const TO_REAM = 0.4;

/** A cone's included angle where it grows by 1 over so much, degrees. */
export const taperAngle = (over: number): number => 2 * toDeg(Math.atan(1 / (2 * over)));

/** The old tapered hole of a steering arm plugged, a new one reamed beside it. */
export function taper(_: Shop, piece: PieceOf<'taper'>): Worked {
  const { thick, across, old, big, shift, count } = piece;
  const over = TAPERS[piece.taper];
  const [small, oldSmall] = [big - thick / over, old - thick / over];
  const web = shift - old / 2 - big / 2;
  const beside = (across - big) / 2;
  const faults: string[] = [];
  if (small <= 0 || oldSmall <= 0)
    faults.push(
      `plug and new taper: ${piece.taper} over ${mm(thick)} mm leaves no hole at its small end`,
    );
  if (web < WALL * big)
    faults.push(
      `plug and new taper: ${mm(Math.max(0, web))} mm between plug and new hole; ${mm(WALL * big)} mm at the least: a longer way, or a new arm`,
    );
  if (beside < WALL * big)
    faults.push(
      `plug and new taper: ${mm(Math.max(0, beside))} mm beside the new hole; ${mm(WALL * big)} mm at the least: a new arm`,
    );
  return {
    plates: [],
    drawing: besideDrawing(across, thick, [
      { at: 0, big: old, small: oldSmall, name: 'plug' },
      { at: shift, big, small, name: 'new taper' },
    ]),
    tables: [
      figuresTable('Plug and taper, mm', [
        ['taper, included angle', deg(taperAngle(over))],
        ['plug, large and small end', `${mm(old, 2)} and ${mm(oldSmall, 2)}`],
        ['plug, long', mm(thick + 2 * PROUD)],
        ['new hole from the old', mm(shift)],
        ['drill first', mm(small - TO_REAM)],
        ['reamed to, large and small end', `${mm(big, 2)} and ${mm(small, 2)}`],
        ['between plug and new hole', mm(web)],
        ['beside the new hole', mm(beside)],
        ['how many', String(count)],
      ]),
    ],
    notes: [
      'The plug is turned to the taper, driven in from the large end and welded round at both faces, then ground flush. Ream a little at a time from the side that the stud comes from; blue on the stud has to show on three quarters of the cone, its whole way round.',
      'Forged arms lose their temper beside a weld. It steers the car: a specialist’s work, looked for cracks, inspected where the law asks for it. A new arm is the better way where one can be had.',
      `In the layout the tie rod’s outer joint moves with the hole: drive it there first.`,
    ],
    faults,
  };
}
/** A plug stands out at either face to be welded, mm. */
const PROUD = 1;

/** A tapered hole drilled straight for a bolt, or bushed, or a reason to leave it. */
export function straight(_: Shop, piece: PieceOf<'straight'>): Worked {
  const { thick, across, big, bolt, ball, spacer, count, material } = piece;
  const over = TAPERS[piece.taper];
  const small = big - thick / over;
  const bushed = bolt < big;
  // A bush is a whole millimetre larger than what has to go, and has a wall of its own.
  const bored = bushed ? Math.ceil(Math.max(big, bolt + 2 * BUSH)) : bolt;
  const left = (across - bored) / 2;
  const washer = washerOf(bolt);
  const grip = thick + spacer + ball + washer;
  const length = boltFor(grip, bolt);
  const faults: string[] = [];
  if (left < WALL * bolt)
    faults.push(
      `tapered hole, straight: bored to ${mm(bored)} mm the arm has ${mm(Math.max(0, left))} mm beside it; ${mm(WALL * bolt)} mm at the least: replace the arm`,
    );
  if (length === null)
    faults.push(
      `tapered hole, straight: no bolt that is sold is long enough for a grip of ${mm(grip)} mm`,
    );
  return {
    plates: [],
    drawing: besideDrawing(across, thick, [
      { at: 0, big: bored, small: bored, name: bushed ? 'bush' : 'bolt' },
    ]),
    tables: [
      figuresTable('Straight hole, mm', [
        ['tapered now, large and small end', `${mm(big, 2)} and ${mm(Math.max(0, small), 2)}`],
        ['included angle', deg(taperAngle(over))],
        ['bored to', mm(bored, 2)],
        bushed
          ? ['bush, outside × bore × long', `${mm(bored)} × ${mm(bolt)} × ${mm(thick)}`]
          : ['reamed', `${mm(bolt)} H7, the bolt’s plain shank in all of it`],
        ['arm left beside it', mm(left)],
        ['grip: arm, spacer, rod end, washer', mm(grip)],
        ['bolt that is sold', length === null ? 'none' : `${mm(bolt)} × ${length}`],
        ['how many', String(count)],
      ]),
    ],
    notes: [
      bushed
        ? `A ${mm(bolt)} mm bolt is thinner than the taper’s large end: a steel bush is pressed in, its flange under the bolt’s head or the spacer.`
        : 'All of the taper has to go: where a rest of it stays the bolt bears on two edges.',
      'A bolt of 10.9 at the least with a locking nut of metal that is used once; the thread stays out of the arm. A large washer under the head keeps the rod on if its ball lets go.',
      `An arm of ${material} that was made for a stud has its taper for a reason: a cone carries by friction, a bolt by its fit. It steers the car: have it inspected where the law asks for it.`,
    ],
    faults,
  };
}
/** Wall of a steel bush at the least, mm (common practice, from memory). */
const BUSH = 1.5;

/** A sleeve with a flange: a wide bore on a thin bolt, one from either side. */
export function sleeve(_: Shop, piece: PieceOf<'sleeve'>): Worked {
  const { bore, body, bolt, flange, long, count } = piece;
  const wall = (bore - bolt) / 2;
  const half = Math.max(0, body / 2 - SHORT / 2);
  const faults: string[] = [];
  if (wall < THINNEST)
    faults.push(
      `stepped sleeve: ${mm(Math.max(0, wall), 2)} mm of wall cannot be turned; ${THINNEST} mm at the least: a thinner bolt, or a reamed bore and a larger one`,
    );
  if (long > 0 && flange <= bore)
    faults.push(
      `stepped sleeve: a flange of ${mm(flange)} mm falls through a bore of ${mm(bore)} mm`,
    );
  const total = half + long;
  const [b, w, f] = [bolt / 2, bore / 2, Math.max(flange, bore) / 2];
  const marks: Mark[] = [
    // Cut open: what is above and below the bolt.
    ...[1, -1].map((k) =>
      outline('OUTLINE', [
        [0, f + k * b],
        [total, f + k * b],
        [total, f + k * w],
        [long, f + k * w],
        ...(long > 0
          ? ([
              [long, f + k * f],
              [0, f + k * f],
            ] as Spot[])
          : ([[0, f + k * w]] as Spot[])),
      ]),
    ),
    line('CENTRE', [-4, f], [total + 4, f]),
    circle('OUTLINE', [total + 20 + f, f], f),
    circle('OUTLINE', [total + 20 + f, f], w),
    circle('DRILL', [total + 20 + f, f], b),
  ];
  return {
    plates: [],
    drawing: { width: total + 24 + 2 * f, height: 2 * f, marks },
    tables: [
      figuresTable('Stepped sleeve, mm', [
        ['bore', `${mm(bolt, 2)}, H7`],
        ['in the ball, outside × long', `${mm(bore, 2)} × ${mm(half, 2)}`],
        ['flange, across × long', `${mm(flange, 2)} × ${mm(long, 2)}`],
        ['all of it, long', mm(total, 2)],
        ['wall', mm(wall, 2)],
        ['how many', String(count)],
      ]),
    ],
    notes: [
      `One from either side: both together are ${SHORT} mm shorter than the bore is long, so that the flanges clamp the ball and not each other. Turn the outside to go in without play; a step has a radius, not a sharp corner.`,
    ],
    faults,
  };
}
/** Both halves leave so much between them, mm. */
const SHORT = 0.4;
const THINNEST = 0.75;

/** Holes in a row through an arm: from above, and cut along the row below that. Lengths mm. */
function besideDrawing(
  across: number,
  thick: number,
  holes: readonly { at: number; big: number; small: number; name: string }[],
): Drawing {
  const long = Math.max(...holes.map(({ at }) => at)) + across;
  const up = thick + GAP;
  const marks: Mark[] = [
    outline('OUTLINE', [
      [0, up],
      [long, up],
      [long, up + across],
      [0, up + across],
    ]),
    outline('OUTLINE', [
      [0, 0],
      [long, 0],
      [long, thick],
      [0, thick],
    ]),
  ];
  for (const { at, big, small, name } of holes) {
    const x = across / 2 + at;
    const y = up + across / 2;
    marks.push(
      circle('DRILL', [x, y], big / 2),
      circle('OUTLINE', [x, y], Math.max(0.1, small / 2)),
      line('CENTRE', [x, -4], [x, up + across + 4]),
      ...[1, -1].map((k) => line('OUTLINE', [x + (k * big) / 2, thick], [x + (k * small) / 2, 0])),
      text([x, up + across + 6], name, 2.8, { from: 'middle', bold: true }),
    );
  }
  return { width: long, height: up + across + 12, marks };
}
/** Between the two views, mm. */
const GAP = 14;
