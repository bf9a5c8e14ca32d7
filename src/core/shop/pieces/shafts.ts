import { distance } from '../../geometry/vec';
import { UPRIGHT_SIZE } from '../../kinematics/corner';
import type { Wheel } from '../../kinematics/wheel';
import type { PieceOf } from '../../model/pieces';
import { toVec } from '../../model/points';
import { engagedOf } from '../../model/shop';
import { threadOf } from '../../model/threads';
import { wheelOf } from '../../kinematics/wheel';
import { rodWord } from '../../model/labels';
import { shaftAt } from '../../motion/halfShaft';
import { deg, mm } from '../sheetWords';
import { figuresTable, nothing } from './worked';
import type { Shop, Worked } from './worked';

/** A bar or tube of so much across, mm: its section, mm², and what it has against bending and twisting, mm³. */
const sectionOf = (outside: number, inside: number) => ({
  area: (Math.PI / 4) * (outside ** 2 - inside ** 2),
  bending: ((Math.PI / 32) * (outside ** 4 - inside ** 4)) / outside,
  twisting: ((Math.PI / 16) * (outside ** 4 - inside ** 4)) / outside,
});

/** A rack bar cut at both ends, or made longer there, to the inner joints that the layout has. */
export function rack({ build, wheel }: Shop, piece: PieceOf<'rack'>): Worked {
  const { type, design } = wheel;
  const other = wheelOf(build, wheel.axle, wheel.side === 'left' ? 'right' : 'left');
  if (!type.tieRod || !design.rack || !other)
    return nothing('rack, shortened: this axle has no rack');
  const [own, far] = [wheel, other].map(({ points }) => toVec(points[type.tieRod!.inner]));
  const wanted = distance(own, [far[0], -far[1], far[2]]);
  const each = (piece.between - wanted) / 2;
  const { diameter } = threadOf(piece.thread);
  const engaged = engagedOf(build.shop).steel * diameter;
  const { travel } = design.rack;
  const faults: string[] = [];
  const notes = [
    'A rack that is cut stays in the middle only if both ends lose the same: measure from the teeth, not from the ends.',
  ];
  const figures: [string, string][] = [
    ['ball to ball now', mm(piece.between, 2)],
    ['ball to ball in the layout', mm(wanted, 2)],
  ];
  if (Math.abs(each) < SAME) notes.unshift('It is as wide as the layout has it: nothing is cut.');
  else if (each > 0) {
    const threaded = Math.max(0, piece.threaded - each);
    const cut = Math.max(0, engaged - threaded);
    figures.push(
      ['off each end', mm(each, 2)],
      ['thread left on an end', mm(threaded)],
      ['thread it needs', mm(engaged)],
      ['cut on along the bar', mm(cut)],
    );
    if (each + engaged > piece.plain)
      faults.push(
        `rack, shortened: ${mm(each)} mm off and ${mm(engaged)} mm of thread end in its teeth, ${mm(piece.plain)} mm from the end; ${mm(each + engaged - piece.plain)} mm too far`,
      );
    const stands = piece.out - (piece.housing === 'as it is' ? each : 0);
    figures.push(['bar out of its housing then', mm(stands)]);
    const needs = travel + piece.ball;
    if (stands < needs)
      faults.push(
        `rack, shortened: its joint meets the housing ${mm(needs - stands)} mm before full lock; ${piece.housing === 'as it is' ? 'the housing is shortened as well, ' : ''}or travel is given up`,
      );
    notes.push(
      `Saw, face, turn the bar to ${mm(diameter)} mm and cut ${piece.thread} on from the thread that is left: its core may be hardened, then it is ground, not turned.`,
      piece.housing === 'as it is'
        ? 'The housing stays: its own ends decide how far the joints come in.'
        : `The housing loses ${mm(each)} mm at either end as well; its bush and boot seat are made again there.`,
    );
  } else {
    const longer = -each;
    figures.push(
      ['longer at each end', mm(longer, 2)],
      ['piece between, outside at least', mm(1.6 * diameter)],
      ['tapped deep', mm(engaged)],
      ['its own thread', mm(engaged)],
    );
    if (piece.threaded < engaged)
      faults.push(
        `rack, shortened: ${mm(piece.threaded)} mm of thread are less than the ${mm(engaged)} mm a longer end has to have`,
      );
    if (longer < engaged)
      notes.push(
        `A piece of ${mm(longer)} mm is tapped no deeper than ${mm(longer)} mm before its own thread begins: let the bar’s thread reach into that, or use joints with a longer shank.`,
      );
  }
  notes.push(
    'Nothing is welded on a rack bar. It steers the car: a specialist’s work, looked for cracks afterwards, inspected where the law asks for it.',
  );
  return { plates: [], tables: [figuresTable('Rack, mm', figures)], notes, faults };
}
/** Less than this is nothing to be cut, mm. */
const SAME = 0.05;

/** How long a half-shaft is over travel and lock, from joint's centre to joint's centre, mm. */
export function shaftRange(
  wheel: Wheel,
): { least: number; most: number; ride: number; bend: { inner: number; outer: number } } | null {
  const { corner, design, travel, steerRange } = wheel;
  if (!corner || !design.halfShaft) return null;
  const upright = new Float64Array(UPRIGHT_SIZE);
  let [least, most, ride] = [Infinity, -Infinity, NaN];
  const bend = { inner: 0, outer: 0 };
  const turns = steerRange > 0 ? TURNS : [0];
  for (const turn of turns) {
    for (let i = 0; i <= HEIGHTS; i++) {
      const at = -travel.droop + ((travel.bump + travel.droop) * i) / HEIGHTS;
      if (!corner.corner.pose(at, corner.rackSign * turn * steerRange, upright)) continue;
      const { length, innerBend, outerBend } = shaftAt(design.halfShaft, upright);
      [least, most] = [Math.min(least, length), Math.max(most, length)];
      bend.inner = Math.max(bend.inner, innerBend);
      bend.outer = Math.max(bend.outer, outerBend);
    }
  }
  if (corner.corner.pose(0, 0, upright)) ride = shaftAt(design.halfShaft, upright).length;
  return Number.isFinite(least) && Number.isFinite(ride) ? { least, most, ride, bend } : null;
}
const HEIGHTS = 60;
const TURNS = [0, -0.25, 0.25, -0.5, 0.5, -0.75, 0.75, -1, 1];

/** A half-shaft of two pieces in a sleeve, so long that its plunge is left at both ends of what the wheel does. */
export function halfShaft({ wheel }: Shop, piece: PieceOf<'halfShaft'>): Worked {
  const { across, stroke, reserve, first, second, sleeve, overlap } = piece;
  if (!wheel.design.halfShaft)
    return nothing('half-shaft of two: no half-shaft is said in Wheel & upright yet');
  const range = shaftRange(wheel);
  if (!range) return nothing('half-shaft of two: the corner cannot be solved as drawn');
  const { least, most, ride, bend } = range;
  const plunges = most - least;
  const spare = (stroke - plunges) / 2;
  const long = (least + most) / 2;
  const faults: string[] = [];
  if (spare < reserve)
    faults.push(
      `half-shaft of two: over travel and lock it plunges ${mm(plunges)} mm; ${mm(stroke)} mm of stroke leave ${mm(Math.max(0, spare))} at either end, ${mm(reserve)} are wanted`,
    );
  const { innerLimit, outerLimit } = wheel.design.halfShaft;
  for (const [name, bends, limit] of [
    ['inner', bend.inner, innerLimit],
    ['outer', bend.outer, outerLimit],
  ] as const)
    if (limit !== undefined && bends > limit)
      faults.push(
        `half-shaft of two: its ${name} joint bends ${deg(bends)}; its maker lets it ${deg(limit)}`,
      );
  const off = first + second - long;
  if (off < 0)
    faults.push(
      `half-shaft of two: both pieces together are ${mm(-off)} mm too short to meet in the middle of the sleeve`,
    );
  if (overlap < LEAST_IN * across)
    faults.push(
      `half-shaft of two: ${mm(overlap)} mm of each end in its sleeve; ${mm(LEAST_IN * across)} mm at the least`,
    );
  const [solid, tube] = [sectionOf(across, 0), sectionOf(sleeve, across)];
  const strong = sleeve > across ? tube.twisting / solid.twisting : 0;
  if (strong < 1)
    faults.push(
      `half-shaft of two: the sleeve has ${strong.toFixed(2)} of the shaft’s section against twisting; it is the weakest place`,
    );
  return {
    plates: [],
    tables: [
      figuresTable('Half-shaft, joint’s centre to joint’s centre, mm', [
        ['shortest over travel and lock', mm(least, 2)],
        ['longest', mm(most, 2)],
        ['at ride height', mm(ride, 2)],
        ['made so long, the plunge in its middle', mm(long, 2)],
        ['left at both ends of the plunge', mm(spare, 2)],
        ['off both pieces together', mm(Math.max(0, off), 2)],
        ['sleeve, outside × bore × length', `${mm(sleeve)} × ${mm(across)} × ${mm(2 * overlap)}`],
        ['sleeve against the shaft, twisting', strong.toFixed(2)],
        ['most that it bends, inner and outer joint', `${deg(bend.inner)}, ${deg(bend.outer)}`],
      ]),
    ],
    notes: [
      'Looked at over 61 heights, and nine places of the lock where the wheel steers. With the plunge in its middle at that length, the joint is off its middle at ride height by what is between the two.',
      'Half-shafts are hardened steel and crack beside a weld: joining and balancing them is a specialist’s work. A shaft made in one piece to this length is the better way.',
    ],
    faults,
  };
}
/** Of a round bar so many of its diameters in a sleeve at the least (common practice, from memory). */
const LEAST_IN = 2;

/** A donor's rod cut in two and made as long as the layout has it, by a sleeve over both. */
export function donor({ wheel }: Shop, piece: PieceOf<'donor'>): Worked {
  const { has, across, wall, sleeve, overlap, leg, count } = piece;
  const { tieRod } = wheel.type;
  if (!tieRod) return nothing('rod made longer: this kind has no tie rod');
  const wanted = distance(toVec(wheel.points[tieRod.inner]), toVec(wheel.points[tieRod.outer]));
  const between = wanted - has;
  const rod = sectionOf(across, wall === 0 ? 0 : Math.max(0, across - 2 * wall));
  const faults: string[] = [];
  if (sleeve <= across)
    return nothing(
      `rod made longer: a sleeve of ${mm(sleeve)} mm does not go over ${mm(across)} mm`,
    );
  if (2 * wall >= across)
    return nothing('rod made longer: its wall is more than half of what it is across');
  const over = sectionOf(sleeve, across);
  // A fillet breaks through its throat, its leg over the square root of two.
  const weld = Math.PI * across * (leg / Math.SQRT2);
  const parts = [
    ['the sleeve pulled', over.area / rod.area],
    ['the sleeve bent', over.bending / rod.bending],
    ['the weld pulled', weld / rod.area],
  ] as const;
  const [weakest, share] = parts.reduce((a, b) => (b[1] < a[1] ? b : a));
  if (share < 1)
    faults.push(
      `rod made longer: ${weakest} has ${share.toFixed(2)} of the rod’s own section: it is the weakest place`,
    );
  if (overlap < LEAST_IN * across)
    faults.push(
      `rod made longer: ${mm(overlap)} mm of each end in its sleeve; ${mm(LEAST_IN * across)} mm at the least`,
    );
  return {
    plates: [],
    tables: [
      figuresTable(`${rodWord(wheel.design)} of a donor, mm`, [
        ['joint to joint now', mm(has, 2)],
        ['joint to joint in the layout', mm(wanted, 2)],
        between >= 0
          ? ['left open between both halves', mm(between, 2)]
          : ['cut out between both halves', mm(-between, 2)],
        ['sleeve, outside × bore', `${mm(sleeve)} × ${mm(across)}`],
        ['sleeve, long', mm(Math.max(0, between) + 2 * overlap, 2)],
        ...parts.map(([name, part]): [string, string] => [
          `${name}, of the rod’s own`,
          part.toFixed(2),
        ]),
        ['how many', String(count)],
      ]),
    ],
    notes: [
      'Compared by section alone: steel beside a weld is weaker than it was, and a hardened rod cracks there. Two plug welds through the sleeve on each side take the twist.',
      'It steers the car: joining it is a specialist’s work, looked for cracks, inspected where the law asks for it. A rod made new from tube and two rod ends is the better way; this station cuts one.',
    ],
    faults,
  };
}
