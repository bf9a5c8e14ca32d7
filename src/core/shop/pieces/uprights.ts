import { uprightPoints } from '../../corners/kinds';
import { distance, footOnLine, sub, unit } from '../../geometry/vec';
import type { Vec } from '../../geometry/vec';
import { toDeg } from '../../geometry/angle';
import { pointLabel } from '../../model/labels';
import type { PieceOf } from '../../model/pieces';
import { toVec } from '../../model/points';
import type { Spot } from '../../sheets/drawing';
import { chassisToBench, wheelFrameOf } from '../../takeoff/bench';
import { tightRound } from '../plates';
import { mm } from '../sheetWords';
import { EDGE, HEADS, nothing } from './worked';
import type { Shop, Worked } from './worked';

/** A flat plate that carries the hub and a boss for every joint of the upright, seen from outboard. */
export function uprightPlate({ wheel }: Shop, piece: PieceOf<'uprightPlate'>): Worked {
  const { inboard, hub, boss, edge, thick, material, count } = piece;
  const { design, points, type } = wheel;
  const names = uprightPoints(type);
  if (names.length < 2) return nothing('upright of plate: this kind has no upright with joints');
  const frame = wheelFrameOf(design, points);
  const faults: string[] = [];
  const bosses = names.map((name) => {
    const place = chassisToBench(frame, toVec(points[name]));
    // From outboard on the left side ahead is to the left.
    const at: Spot = [-place.ahead, place.above];
    return { name, label: pointLabel(design, name), at, place, off: place.inboard - inboard };
  });
  for (const { label, at } of bosses) {
    const web = Math.hypot(...at) - hub / 2 - boss / 2;
    if (web < thick)
      faults.push(
        `upright of plate: ${mm(Math.max(0, web))} mm between the hub’s hole and the boss of the ${label}; ${mm(thick)} mm at the least`,
      );
  }
  return {
    plates: [
      {
        title: 'upright, left',
        said: [
          `${count} of ${mm(thick)} mm ${material}`,
          'from outboard: ahead is to the left',
          'turned over it is the right one',
        ],
        edge: tightRound([
          { at: [0, 0], radius: hub / 2 + Math.max(edge, thick) },
          ...bosses.map(({ at }) => ({ at, radius: boss / 2 + edge })),
        ]),
        holes: [{ at: [0, 0], across: hub }, ...bosses.map(({ at }) => ({ at, across: boss }))],
      },
    ],
    tables: [
      {
        title: `Bosses from the spindle, plate’s outer face ${mm(inboard)} mm inboard of the hub’s, mm`,
        head: ['boss of', 'ahead', 'above', 'joint from the outer face'],
        widths: [0.4, 0.15, 0.15, 0.3],
        rows: bosses.map(({ label, place, off }) => [
          label,
          mm(place.ahead, 2),
          mm(place.above, 2),
          `${mm(Math.abs(off), 2)} ${off < 0 ? 'outboard' : 'inboard'}`,
        ]),
      },
    ],
    notes: [
      'Holes stand square to the plate at the joints’ own places; studs that lean are turned in their boss, as the fixture’s sheet has it. Weld round a dummy hub; bore and ream the bosses after welding.',
      'What the hub is bolted to it by is its maker’s: drill that from the hub itself.',
    ],
    faults,
  };
}

/** A steering arm that is bolted on: from the rod's hole toward the line the wheel steers about, square to that. */
export function steeringArm({ wheel }: Shop, piece: PieceOf<'steeringArm'>): Worked {
  const { back, spacing, bolt, pin, thick, material, count } = piece;
  const { type, points } = wheel;
  const { steersAbout, tieRod } = type;
  if (!tieRod || !steersAbout || steersAbout === 'screw')
    return nothing('steering arm: this kind steers about no line between two joints of its own');
  const [low, high] = steersAbout.map((name) => toVec(points[name]));
  const axis = unit(sub(high, low));
  const rod = toVec(points[tieRod.outer]);
  const foot = footOnLine(rod, low, axis);
  const arm = distance(rod, foot);
  const toward = unit(sub(foot, rod));
  const faults: string[] = [];
  if (back > arm)
    faults.push(
      `steering arm: its bolts are ${mm(back)} mm from the rod’s hole, past the kingpin line at ${mm(arm)} mm`,
    );
  if (spacing < HEADS * bolt)
    faults.push(
      `steering arm: its bolts are ${mm(spacing)} mm apart; heads of ${mm(bolt)} mm bolts want ${mm(HEADS * bolt)}`,
    );
  const bolts: Spot[] = [-1, 1].map((k): Spot => [(k * spacing) / 2, back]);
  const lean = turnOf(toward);
  return {
    plates: [
      {
        title: 'steering arm',
        said: [`${count} of ${mm(thick)} mm ${material}`, 'lies square to the kingpin line'],
        edge: tightRound([
          { at: [0, 0], radius: EDGE * pin },
          ...bolts.map((at) => ({ at, radius: EDGE * bolt })),
        ]),
        holes: [{ at: [0, 0], across: pin }, ...bolts.map((at) => ({ at, across: bolt }))],
      },
    ],
    tables: [
      {
        title: 'Holes from the rod’s, toward the kingpin line, mm',
        head: ['hole', 'across', 'toward it'],
        rows: [
          ['tie rod', mm(0, 2), mm(0, 2)],
          ...bolts.map(([x, y]) => ['to the upright', mm(x, 2), mm(y, 2)]),
        ],
      },
    ],
    notes: [
      `The rod’s hole is ${mm(arm, 2)} mm from the kingpin line. From there the arm points ${mm(Math.abs(lean.side))}° ${lean.side < 0 ? 'inboard' : 'outboard'} of straight ${lean.ahead ? 'ahead' : 'back'} and ${mm(Math.abs(lean.up))}° ${lean.up < 0 ? 'down' : 'up'}; its plane is square to the kingpin line.`,
      `Its middle plane goes through the rod’s joint where the joint is level with the plate; a rod end on a spacer stands off it by that and half of ${mm(thick)} mm. It steers the car: from one piece, no weld across it, its edges broken and polished, the bolts locked.`,
    ],
    faults,
  };
}

/** Which way a direction looks: from straight ahead or back to the side (outboard +), and up, degrees. */
function turnOf([ahead, out, up]: Vec): { side: number; up: number; ahead: boolean } {
  return {
    side: toDeg(Math.atan2(out, Math.abs(ahead))),
    up: toDeg(Math.asin(Math.max(-1, Math.min(1, up)))),
    ahead: ahead >= 0,
  };
}
