import { DEG, toRad } from '../geometry/angle';
import { factor, solveFactored } from '../geometry/linear';
import { add, cross, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { AxleCorner } from '../kinematics/axle';
import { prepareCorner } from '../kinematics/prepare';
import { ConditionRows } from '../kinematics/conditionRows';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import type { DrawnCorner } from '../kinematics/corner';
import { drawnFrame, frameAt } from '../kinematics/frames';
import { typedJoints } from '../kinematics/joints';
import { Assembly } from './assembly';
import { offsetOf, writeToeRow } from './joints';
import type { Steering } from './joints';

/** A corner in one position, and how it answers to joints that are a little off. */
export interface Position {
  equations: ConditionRows;
  spindle: Vec;
  factors: Float64Array;
  order: Int32Array;
}

/** Exact first derivatives by a number that moves joints: per mm, or per degree, of it. */
export interface Response {
  /** Camber at ride height, degrees. */
  camber: number;
  /** Scrub radius at ride height, mm; null where the wheel steers about no line between two joints. */
  scrub: number | null;
  /** Toe at each travel asked for, degrees; toe is set again at ride height where there is a rod. */
  toe: number[];
}

/**
 * How camber and scrub radius at ride height, and toe at some travels, answer to joints that are off.
 * The conditions that hold the upright are differentiated (implicit function theorem), so nothing is
 * stepped and nothing is sampled, but for toe over the travel of wheels that are coupled.
 * @param travels mm, + bump, at which toe is wanted; all must be within reach
 * @returns null where the layout is at dead centre in one of the positions
 */
export function responseOf(
  side: AxleCorner,
  drawn: DrawnCorner,
  travels: number[],
): ((offsets: Float64Array) => Response) | null {
  const ride = positionAt(side, drawn, 0, 'toe set');
  const { coupled } = drawn;
  const others = coupled
    ? []
    : travels.map((travel) => positionAt(side, drawn, travel, 'rod as drawn'));
  if (!ride || others.some((position) => position === null)) return null;
  const shortfall = new Float64Array(6);
  return (offsets) => {
    const twist = twistOf(ride, offsets, 'toe set', 0);
    const { equations } = ride;
    equations.missingBy(offsets, shortfall);
    const { rodRow } = equations;
    // The rod is set longer by what offsets and twist pull its ends apart.
    const rod = rodRow < 0 ? 0 : rodStretch(ride, twist) - shortfall[rodRow];
    return {
      camber: camberChange(ride, twist),
      scrub: scrubChange(ride, drawn, offsets, twist, side.radius),
      toe: coupled
        ? toeMeasured(drawn, travels, offsets)
        : others.map((position) =>
            toeChange(position!, twistOf(position!, offsets, 'rod as drawn', rod)),
          ),
    };
  };
}

/** By so much of its offsets an axle is put together off either way. */
export const PART = 1e-3;

/**
 * Toe over the travel of wheels that are coupled goes by the whole axle: it is put together, both sides alike, a little
 * off either way, and measured. NaN where it does not come together or does not go there.
 */
function toeMeasured(drawn: DrawnCorner, travels: number[], offsets: Float64Array): number[] {
  const upright = new Float64Array(UPRIGHT_SIZE);
  const [plus, minus] = [PART, -PART].map((part) => {
    const built = new Assembly(drawn).build(offsets.map((by) => by * part));
    const made =
      built &&
      prepareCorner({ ...drawn, ...built, coupled: { ...drawn.coupled!, other: built.points } });
    return travels.map((travel) =>
      made?.ok && made.corner.pose(travel, 0, upright)
        ? Math.atan2(upright[U.spindle], upright[U.spindle + 1]) * DEG
        : NaN,
    );
  });
  return plus.map((toe, i) => (toe - minus[i]) / (2 * PART));
}

/** The conditions where the corner stands at a travel; `input` is the steering's, in its own outward axes. */
export function positionAt(
  side: AxleCorner,
  drawn: DrawnCorner,
  travel: number,
  steering: Steering,
  input = 0,
): Position | null {
  const u = new Float64Array(UPRIGHT_SIZE);
  if (!side.corner.pose(travel, input, u)) return null;
  const equations = new ConditionRows(drawn.type, typedJoints(drawn), drawn.steering);
  const [from, to] = [drawnFrame(drawn.static), frameAt(u)];
  // The turn that carries the frame as drawn to where it is.
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < 3; j++)
      equations.turned[3 * i + j] =
        to[0][i] * from[0][j] + to[1][i] * from[1][j] + to[2][i] * from[2][j];
  for (let i = 0; i < 3; i++) equations.centre[i] = u[U.wheelCentre + i];
  equations.goal[0] = equations.centre0[2] + travel;
  equations.goal[1] = input;
  equations.write();
  const own = equations.rows.slice();
  if (steering === 'toe set') writeToeRow(equations, to[0], toRad(drawn.static.toe));
  const factors = equations.rows.slice();
  equations.rows.set(own);
  const order = new Int32Array(6);
  return factor(factors, 6, order) ? { equations, spindle: to[0], factors, order } : null;
}

export const triple = (list: Float64Array, at: number): Vec => [
  list[at],
  list[at + 1],
  list[at + 2],
];

/** The twist that makes up for offsets, with the tie rod `rod` longer than drawn. */
export function twistOf(
  { equations, factors, order }: Position,
  offsets: Float64Array,
  steering: Steering,
  rod: number,
): Float64Array {
  const wanted = new Float64Array(6);
  equations.missingBy(offsets, wanted);
  const { rodRow } = equations;
  if (rodRow >= 0) wanted[rodRow] = steering === 'toe set' ? 0 : wanted[rodRow] + rod;
  const twist = new Float64Array(6);
  solveFactored(factors, 6, order, wanted, twist);
  return twist;
}

/** How much further apart a twist pulls the rod's ends. */
export function rodStretch({ equations: { rows, rodRow } }: Position, twist: Float64Array): number {
  let longer = 0;
  for (let i = 0; i < 6; i++) longer += rows[6 * rodRow + i] * twist[i];
  return longer;
}

const turnOf = ({ spindle }: Position, twist: Float64Array): Vec =>
  cross(triple(twist, 3), spindle);

function camberChange(position: Position, twist: Float64Array): number {
  const [ax, ay] = position.spindle;
  return (-turnOf(position, twist)[2] / Math.hypot(ax, ay)) * DEG;
}

function toeChange(position: Position, twist: Float64Array): number {
  const [ax, ay] = position.spindle;
  const [dx, dy] = turnOf(position, twist);
  return ((dx * ay - ax * dy) / (ax * ax + ay * ay)) * DEG;
}

/** The scrub radius differentiated at ride height; same steps as in `writeQuantities`. */
function scrubChange(
  position: Position,
  { type, points }: DrawnCorner,
  offsets: Float64Array,
  twist: Float64Array,
  radius: number,
): number | null {
  const { steersAbout } = type;
  if (steersAbout === null || steersAbout === 'screw') return null;
  const places = typedJoints({ type, points });
  const wheel = places['wheelCentre'];
  const a = position.spindle;
  const [lower, upper] = steersAbout.map((name) => places[name]);
  const k = sub(upper, lower);
  const moved = (name: string): Vec => {
    const offset = triple(offsets, offsetOf(type, name));
    if (type.points[name].on !== 'upright') return offset;
    const by = cross(triple(twist, 3), sub(places[name], wheel));
    return add(offset, add(triple(twist, 0), by));
  };
  const [dl, du] = steersAbout.map(moved);
  const dk = sub(du, dl);
  const dw = moved('wheelCentre');
  const da = turnOf(position, twist);

  const h = Math.hypot(a[0], a[1]);
  const dh = (a[0] * da[0] + a[1] * da[1]) / h;
  const reach = (i: number) => (radius * a[2] * a[i]) / h;
  const dReach = (i: number) => (radius * (da[2] * a[i] + a[2] * da[i])) / h - (reach(i) * dh) / h;
  const contact: Vec = [wheel[0] + reach(0), wheel[1] + reach(1), wheel[2] - radius * h];
  const dc: Vec = [dw[0] + dReach(0), dw[1] + dReach(1), dw[2] - radius * dh];
  const s = (contact[2] - lower[2]) / k[2];
  const ds = (dc[2] - dl[2] - s * dk[2]) / k[2];
  const gap = (i: number) => contact[i] - lower[i] - s * k[i];
  const dGap = (i: number) => dc[i] - dl[i] - ds * k[i] - s * dk[i];
  const out = (i: number) => a[i] / h;
  const dOut = (i: number) => da[i] / h - (a[i] * dh) / (h * h);
  return [0, 1].reduce((sum, i) => sum + dGap(i) * out(i) + gap(i) * dOut(i), 0);
}
