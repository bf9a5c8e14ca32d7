import { DEG, toRad } from '../geometry/angle';
import { factor, solveFactored } from '../geometry/linear';
import { add, cross, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { AxleCorner } from '../kinematics/axle';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import type { Points } from '../model/points';
import { AT, LINKS, ON_UPRIGHT, ROD, jointsOf, spindleArray, writeConditions } from './joints';
import type { Steering } from './joints';

/** A corner in one position, and how it answers to joints that are a little off. */
interface Position {
  joints: Float64Array;
  spindle: Float64Array;
  factors: Float64Array;
  order: Int32Array;
  /** Turns the upright's offsets from where they are given (as drawn) to this position. */
  turned: (v: Vec) => Vec;
}

/** Exact first derivatives by a number that moves joints: per mm, or per degree, of it. */
export interface Response {
  /** Camber at ride height, degrees. */
  camber: number;
  /** Scrub radius at ride height, mm. */
  scrub: number;
  /** Toe at each travel asked for, degrees; toe is set again at ride height. */
  toe: number[];
}

/**
 * How camber and scrub radius at ride height, and toe at some travels, answer to joints that are off.
 * The conditions that hold the upright are differentiated (implicit function theorem), so nothing is
 * stepped and nothing is sampled.
 * @param travels mm, + bump, at which toe is wanted; all must be within reach
 * @returns null where the layout is at dead centre in one of the positions
 */
export function responseOf(
  side: AxleCorner,
  points: Points,
  alignment: { toe: number; camber: number },
  travels: number[],
): ((offsets: Float64Array) => Response) | null {
  const drawn = jointsOf(points);
  const ride = positionOf(
    drawn,
    spindleArray(alignment),
    'toe set',
    toRad(alignment.toe),
    (v) => v,
  );
  const others = travels.map((travel) => posed(side, drawn, travel));
  if (!ride || others.some((position) => position === null)) return null;
  return (offsets) => {
    const twist = twistOf(ride, offsets, 'toe set', 0);
    const rod = stretch(ride, offsets, twist, ROD);
    return {
      camber: camberChange(ride, twist),
      scrub: scrubChange(ride, offsets, twist, side.radius),
      toe: others.map((position) =>
        toeChange(position!, twistOf(position!, offsets, 'rod as drawn', rod)),
      ),
    };
  };
}

function positionOf(
  joints: Float64Array,
  spindle: Float64Array,
  steering: Steering,
  toeRad: number,
  turned: Position['turned'],
): Position | null {
  const factors = new Float64Array(36);
  const order = new Int32Array(6);
  writeConditions(joints, spindle, steering, toeRad, factors);
  return factor(factors, 6, order) ? { joints, spindle, factors, order, turned } : null;
}

const triple = (list: Float64Array, at: number): Vec => [list[at], list[at + 1], list[at + 2]];

/** The same corner at a travel, the rack straight ahead. */
function posed(side: AxleCorner, drawn: Float64Array, travel: number): Position | null {
  const u = new Float64Array(UPRIGHT_SIZE);
  if (!side.corner.pose(travel, 0, u)) return null;
  const joints = drawn.slice();
  const lower = triple(u, U.lowerOuter);
  joints.set(lower, AT.lowerOuter);
  joints.set(add(lower, triple(u, U.kingpin)), AT.upperOuter);
  joints.set(triple(u, U.tieRodOuter), AT.tieRodOuter);
  joints.set(triple(u, U.wheelCentre), AT.wheelCentre);
  const from = frameOf(drawn);
  const to = frameOf(joints);
  const turned = (v: Vec): Vec =>
    [0, 1, 2].reduce<Vec>((sum, i) => add(sum, scale(to[i], dot(from[i], v))), [0, 0, 0]);
  return positionOf(joints, u.slice(U.spindle, U.spindle + 3), 'rod as drawn', 0, turned);
}

/** Three unit vectors fixed to the upright. */
function frameOf(joints: Float64Array): [Vec, Vec, Vec] {
  const lower = triple(joints, AT.lowerOuter);
  const e1 = unit(sub(triple(joints, AT.upperOuter), lower));
  const arm = sub(triple(joints, AT.tieRodOuter), lower);
  const e2 = unit(sub(arm, scale(e1, dot(arm, e1))));
  return [e1, e2, cross(e1, e2)];
}

const SHAPE = new Set<number>(ON_UPRIGHT.map((name) => AT[name]));

/** A joint's own offset in a position, before the upright moves. */
const offsetAt = (position: Position, offsets: Float64Array, at: number): Vec =>
  SHAPE.has(at) ? position.turned(triple(offsets, at)) : triple(offsets, at);

/** How much longer a link becomes: by its joints' offsets, and by the upright's twist. */
function stretch(
  position: Position,
  offsets: Float64Array,
  twist: Float64Array,
  link: number,
): number {
  const [inner, outer] = LINKS[link];
  const along = unit(sub(triple(position.joints, outer), triple(position.joints, inner)));
  const moved = add(offsetAt(position, offsets, outer), movedBy(position, twist, outer));
  return dot(along, sub(moved, offsetAt(position, offsets, inner)));
}

/** Movement of a point of the upright by a twist about the wheel centre. */
const movedBy = (position: Position, twist: Float64Array, at: number): Vec =>
  add(
    triple(twist, 0),
    cross(
      triple(twist, 3),
      sub(triple(position.joints, at), triple(position.joints, AT.wheelCentre)),
    ),
  );

const STILL = new Float64Array(6);

/** The twist that makes up for offsets, with the tie rod `rod` longer than drawn. */
function twistOf(
  position: Position,
  offsets: Float64Array,
  steering: Steering,
  rod: number,
): Float64Array {
  const wanted = new Float64Array(6);
  for (let link = 0; link <= ROD; link++)
    wanted[link] = -stretch(position, offsets, STILL, link) + (link === ROD ? rod : 0);
  if (steering === 'toe set') wanted[ROD] = 0;
  wanted[5] = -offsetAt(position, offsets, AT.wheelCentre)[2];
  const twist = new Float64Array(6);
  solveFactored(position.factors, 6, position.order, wanted, twist);
  return twist;
}

const turnOf = (position: Position, twist: Float64Array): Vec =>
  cross(triple(twist, 3), triple(position.spindle, 0));

function camberChange(position: Position, twist: Float64Array): number {
  const [ax, ay] = position.spindle;
  return (-turnOf(position, twist)[2] / Math.hypot(ax, ay)) * DEG;
}

function toeChange(position: Position, twist: Float64Array): number {
  const [ax, ay] = position.spindle;
  const [dx, dy] = turnOf(position, twist);
  return ((dx * ay - ax * dy) / (ax * ax + ay * ay)) * DEG;
}

/** The scrub radius differentiated; same steps as in `writeQuantities`. */
function scrubChange(
  position: Position,
  offsets: Float64Array,
  twist: Float64Array,
  radius: number,
): number {
  const { joints } = position;
  const a = triple(position.spindle, 0);
  const lower = triple(joints, AT.lowerOuter);
  const wheel = triple(joints, AT.wheelCentre);
  const k = sub(triple(joints, AT.upperOuter), lower);
  const moved = (at: number) => add(offsetAt(position, offsets, at), movedBy(position, twist, at));
  const dl = moved(AT.lowerOuter);
  const dk = sub(moved(AT.upperOuter), dl);
  const dw = moved(AT.wheelCentre);
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
