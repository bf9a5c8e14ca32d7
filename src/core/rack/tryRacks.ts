import { turnsOf } from '../column/places';
import { rodEnds, typeOf } from '../corners/kinds';
import { distance } from '../geometry/vec';
import { nullsOf } from '../bumpsteer/nulls';
import { bumpSteerOf } from '../bumpsteer/trial';
import { pointsOf, prepareAxle, withPoints } from '../kinematics/axle';
import { wheelOf } from '../kinematics/wheel';
import { briefOf } from '../model/brief';
import type { AxleDesign, Build, Side } from '../model/build';
import type { InnerRodPart, RackPart } from '../model/parts';
import { toVec } from '../model/points';
import { ackermannAt } from '../steering/ackermann';
import { lockToLock, ratioOf } from '../steering/lockToLock';
import { stopsFor } from '../steering/stops';
import { bindingOf, tightOf, tighter } from '../clearance/doubts';

/** A rack of the shelf in the present one's place. */
export interface RackTried {
  design: AxleDesign;
  /** Handwheel for the wheels' mean, about straight ahead, to 1. */
  ratio: number | null;
  /** Of the inner wheel, the lesser side, degrees, as far as the brief's lock; and whether it gets there. */
  lock: number | null;
  reached: boolean;
  turns: number;
  ackermann: number | null;
  /** Largest toe change over the travel, the worse wheel, degrees. */
  steer: number | null;
  /** Where at that spacing its inner joints would leave the toe alone: so far ahead and up from there, mm; null where nothing does. */
  toNull: { ahead: number; up: number } | null;
  /** The tie rod, joint to joint, mm. */
  rod: number;
  doubts: string[];
}

/** The front axle with a rack of the shelf: its spacing, travel and ratio, its axis where the present one's is. */
export function withRack(design: AxleDesign, part: RackPart): AxleDesign {
  const { travel, perTurn, innerThread, pinion, mounts, spline } = part;
  const sides: Side[] = design.rightPoints ? ['left', 'right'] : ['left'];
  const { inner } = rodEnds(typeOf(design));
  const left = design.points[inner];
  const right = pointsOf(design, 'right')[inner];
  // A rack that sits off the centreline keeps its middle.
  const middle = (left.out - right.out) / 2;
  const moved = sides.reduce((one, side) => {
    const own = pointsOf(one, side)[inner];
    const out = part.between / 2 + (side === 'left' ? middle : -middle);
    return withPoints(one, side, { [inner]: { ...own, out } });
  }, design);
  const { rise, sweep } = design.rack ?? {};
  return {
    ...moved,
    rack: {
      ...{ travel, perTurn, innerThread, pinion, mounts, spline },
      ...(rise !== undefined && { rise }),
      ...(sweep !== undefined && { sweep }),
    },
  };
}

/** Every figure by fresh sweeps. */
export function tryRack(build: Build, part: RackPart): RackTried {
  const design = withRack(build.front, part);
  const car = { ...build, front: design };
  const wheels = (['left', 'right'] as const).map((side) => wheelOf(car, 'front', side));
  const [wheel] = wheels;
  const prepared = prepareAxle(design);
  const steers = wheels.map((one) => bumpSteerOf(one)?.worst ?? null);
  const straight = prepared.ok && lockToLock(prepared.axle, build.wheelbase, 0, Float64Array.of(0));
  const stops =
    prepared.ok && stopsFor(prepared.axle, build.wheelbase, briefOf(build).targets.lock);
  const ends = rodEnds(wheel.type);
  const inner = toVec(wheel.points[ends.inner]);
  const at = prepared.ok ? nullsOf(wheel)?.inner?.at : null;
  const before = wheelOf(build, 'front', 'left');
  const perTurn = part.perTurn * Math.abs(turnsOf(design.column));
  return {
    design,
    ratio: straight && straight.reachable[0] ? ratioOf(straight.perRack[0], perTurn) : null,
    lock: stops ? Math.min(...stops.map((one) => one.inner)) : null,
    reached: stops ? stops.every((one) => one.reached) : false,
    turns: (2 * part.travel) / perTurn,
    ackermann: prepared.ok
      ? (ackermannAt(prepared.axle, build.wheelbase, part.travel / 2)?.percent ?? null)
      : null,
    steer: steers.some((one) => one === null) ? null : Math.max(...(steers as number[])),
    toNull: at ? { ahead: at[0] - inner[0], up: at[2] - inner[2] } : null,
    rod: distance(inner, toVec(wheel.points[ends.outer])),
    doubts: [...bindingOf(build, wheel), ...tighter(tightOf(build, before), tightOf(build, wheel))],
  };
}

/** How an inner rod of the shelf suits a rack and the rod's length. */
export interface InnerRodTried {
  part: InnerRodPart;
  /** Its rack end's thread is the rack's; null where the rack's is not known. */
  fitsRack: boolean | null;
  /** What is left for outer end and thread, mm: the rod's length less its own; too little where it is too long. */
  left: number;
  tooLong: boolean;
  tooShort: boolean;
}

/** An outer end takes from so much to so much of a tie rod, joint's centre to the inner rod's end, mm: common practice. */
export const OUTER_END = { least: 25, most: 110 };

const thread = (text: string): string =>
  text.toLowerCase().replace(/[\s×]/g, (c) => (c === '×' ? 'x' : ''));

/** @param rod the tie rod's length, joint to joint, mm */
export function tryInnerRod(
  part: InnerRodPart,
  innerThread: string | undefined,
  rod: number,
): InnerRodTried {
  const left = rod - part.length;
  return {
    part,
    fitsRack: innerThread === undefined ? null : thread(part.rackThread) === thread(innerThread),
    left,
    tooLong: left < OUTER_END.least,
    tooShort: left > OUTER_END.most,
  };
}
