import { add, cross, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { AxleCorner } from '../kinematics/axle';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import type { DrawnCorner } from '../kinematics/corner';
import { frameAt } from '../kinematics/frames';
import { prepareCorner } from '../kinematics/prepare';
import { Assembly } from './assembly';
import { offsetOf } from './joints';
import { PART, positionAt, rodStretch, triple, twistOf } from './response';

/** How an upright goes: its wheel's centre, mm, and its turn, rad, per unit of what moves it. */
export interface UprightMove {
  move: Vec;
  turn: Vec;
}

/** Where a wheel is looked at: travel, mm, + bump, and the steering's input in its own outward axes. */
export interface At {
  travel: number;
  input: number;
}

/**
 * How the upright answers, in some positions, to joints that are off: exact first derivatives of the conditions that
 * hold it (implicit function theorem), the wheel brought to its height and toe set again at ride height where there is
 * a rod. Of wheels that are coupled the axle is put together a little off either way instead.
 * @param positions all within reach
 * @returns of offsets (three numbers a joint, mm, as in `Assembly`) a move per position, NaN where an axle does not come
 *   together; null where the layout is at dead centre in one of the positions
 */
export function uprightMoves(
  side: AxleCorner,
  drawn: DrawnCorner,
  positions: readonly At[],
): ((offsets: Float64Array) => UprightMove[]) | null {
  if (drawn.coupled) return (offsets) => movesMeasured(drawn, positions, offsets);
  const ride = positionAt(side, drawn, 0, 'toe set');
  const others = positions.map(({ travel, input }) =>
    positionAt(side, drawn, travel, 'rod as drawn', input),
  );
  if (!ride || others.some((position) => position === null)) return null;
  const wheel = offsetOf(drawn.type, 'wheelCentre');
  const shortfall = new Float64Array(6);
  return (offsets) => {
    const { equations } = ride;
    const atRide = twistOf(ride, offsets, 'toe set', 0);
    equations.missingBy(offsets, shortfall);
    const { rodRow } = equations;
    // The rod is set longer by what offsets and twist pull its ends apart.
    const rod = rodRow < 0 ? 0 : rodStretch(ride, atRide) - shortfall[rodRow];
    const off = triple(offsets, wheel);
    return others.map((position) => {
      const twist = twistOf(position!, offsets, 'rod as drawn', rod);
      return {
        move: add(triple(twist, 0), position!.equations.turnedBy(off)),
        turn: triple(twist, 3),
      };
    });
  };
}

const NOT_A_MOVE: UprightMove = { move: [NaN, NaN, NaN], turn: [NaN, NaN, NaN] };

function movesMeasured(
  drawn: DrawnCorner,
  positions: readonly At[],
  offsets: Float64Array,
): UprightMove[] {
  const [plus, minus] = [PART, -PART].map((part) => {
    const built = new Assembly(drawn).build(offsets.map((by) => by * part));
    const made =
      built &&
      prepareCorner({ ...drawn, ...built, coupled: { ...drawn.coupled!, other: built.points } });
    return positions.map(({ travel, input }) => {
      const upright = new Float64Array(UPRIGHT_SIZE);
      return made?.ok && made.corner.pose(travel, input, upright) ? upright : null;
    });
  });
  const half = 1 / (2 * PART);
  return positions.map((_, i): UprightMove => {
    const [a, b] = [plus[i], minus[i]];
    if (!a || !b) return NOT_A_MOVE;
    const [to, from] = [frameAt(a), frameAt(b)];
    // Of three square directions each turns by ω × e: half the sum of e × de is the turn.
    const turn = to.reduce<Vec>(
      (sum, e, k) => add(sum, cross(from[k], sub(e, from[k]))),
      [0, 0, 0],
    );
    const move = sub(triple(a, U.wheelCentre), triple(b, U.wheelCentre));
    return { move: scale(move, half), turn: scale(turn, half / 2) };
  });
}
