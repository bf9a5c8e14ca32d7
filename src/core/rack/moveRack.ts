import { withPinionMoved } from '../column/move';
import { rodEnds, typeOf } from '../corners/kinds';
import { bindingOf, tightOf, tighter } from '../clearance/doubts';
import { add, distance, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { poseCorner, pointsOf, withPoints } from '../kinematics/axle';
import { innerRate } from '../kinematics/innerWay';
import { placer, steeringAxisAt } from '../kinematics/joints';
import { wheelOf } from '../kinematics/wheel';
import type { AxleDesign, Build, Side } from '../model/build';
import { bumpSteerOf } from '../bumpsteer/trial';
import { rodAsBuilt } from '../strength/rodParts';
import { ackermannAt } from '../steering/ackermann';
import { tieAngle } from '../kinematics/rods';
import { levelAngle, nearestTube, sharpAngle } from '../steering/rodTube';
import { stopsFor } from '../steering/stops';
import { briefOf } from '../model/brief';

/** How far a rack's body goes, mm: both inner joints with it. */
export interface RackMove {
  ahead: number;
  up: number;
  /** Each inner joint further out: spacers between rack and rod, or a plate. */
  out: number;
}

/** A front axle with its rack elsewhere, the column's pinion with it; the tie rods are set to length again. */
export function moveRack(design: AxleDesign, { ahead, up, out }: RackMove): AxleDesign {
  const sides: Side[] = design.rightPoints ? ['left', 'right'] : ['left'];
  const { column } = design;
  const start = column ? { ...design, column: withPinionMoved(column, [ahead, 0, up]) } : design;
  return sides.reduce((moved, side) => {
    const { inner } = rodEnds(typeOf(moved));
    const at = pointsOf(moved, side)[inner];
    return withPoints(moved, side, {
      [inner]: { ahead: at.ahead + ahead, out: at.out + out, up: at.up + up },
    });
  }, start);
}

/** The left wheel's rod at ride height with the rack in one place: what a tape and a square read. */
export interface RodTaped {
  /** Of the rack, mm, + left. */
  rack: number;
  /** From the mark on the arm's tube to the rod, skin to skin, mm. */
  gap: number;
  /** Between rod and steering arm, degrees: 90 is square. */
  toArm: number;
  /** Between rod and the arm's tube from above, degrees: 0 is along it. */
  toTube: number;
  /** Between rod and the rack's axis, degrees. */
  toRack: number;
}

/** What a place of the rack comes to. */
export interface RackPlace {
  /** Straight ahead, at the rack's left end and at its right; null out of reach. */
  taped: (RodTaped | null)[];
  /** Largest toe change over the travel, the worse wheel, degrees; null where part of it is out of reach. */
  steer: number | null;
  /** Ackermann at half rack, %. */
  ackermann: number | null;
  /** Lock of the inner wheel, the lesser side, degrees. */
  lock: number | null;
  /** The tube taped to, by its points. */
  tube: string;
}

/**
 * Measures a place of the rack.
 * @param mark on the nearest arm's tube, so far from its outer joint, mm
 */
export function rackPlace(build: Build, design: AxleDesign, mark: number): RackPlace | null {
  const wheel = wheelOf({ ...build, front: design }, 'front', 'left');
  const { corner, solved, drawn, type } = wheel;
  if (!corner || !solved.ok || !type.tieRod) return null;
  const tube = nearestTube(wheel);
  if (!tube) return null;
  const { steerRange } = wheel;
  const ends = rodEnds(type);
  const jointsAt = placer(drawn);
  const rodRadius = rodAsBuilt(build, wheel).parts.outside / 2;
  const taped = [0, steerRange, -steerRange].map((rack): RodTaped | null => {
    const pose = poseCorner(corner, 0, rack);
    if (!pose.ok) return null;
    const at = jointsAt(pose.upright);
    const [inner, outer] = [at[ends.inner], at[ends.outer]];
    const [from, to] = [at[tube.outer], at[tube.inner]];
    const place = add(from, scale(unit(sub(to, from)), mark));
    const axis = steeringAxisAt(pose.upright);
    const along = unit(sub(inner, outer));
    return {
      rack,
      gap: toSegment(place, inner, outer) - tube.radius - rodRadius,
      toArm: axis ? tieAngle({ inner, outer }, axis) : NaN,
      toTube: levelAngle(inner, outer, from, to),
      toRack: sharpAngle(along, innerRate(drawn.steering, inner, rack)),
    };
  });
  const wheels = (['left', 'right'] as const).map((side) =>
    wheelOf({ ...build, front: design }, 'front', side),
  );
  const steers = wheels.map((one) => bumpSteerOf(one)?.worst ?? null);
  const stops = stopsFor(solved.axle, build.wheelbase, briefOf(build).targets.lock);
  return {
    taped,
    tube: tube.name,
    steer: steers.some((one) => one === null) ? null : Math.max(...(steers as number[])),
    ackermann: ackermannAt(solved.axle, build.wheelbase, steerRange / 2)?.percent ?? null,
    lock: stops ? Math.min(...stops.map(({ inner }) => inner)) : null,
  };
}

/** What comes too close or binds with the rack elsewhere that did not before; and what was so and is cleared. */
export function rackDoubts(
  build: Build,
  before: AxleDesign,
  after: AxleDesign,
): { worse: string[]; cleared: string[] } {
  const look = (design: AxleDesign) => {
    const wheel = wheelOf({ ...build, front: design }, 'front', 'left');
    return { tight: tightOf(build, wheel), binding: bindingOf(build, wheel) };
  };
  const [was, is] = [look(before), look(after)];
  const joint = (one: string) => one.split(' articulates')[0];
  const more = (a: typeof was, b: typeof was) => [
    ...tighter(a.tight, b.tight),
    ...b.binding.filter((one) => !a.binding.some((other) => joint(other) === joint(one))),
  ];
  return { worse: more(was, is), cleared: more(is, was) };
}

function toSegment(p: Vec, from: Vec, to: Vec): number {
  const along = sub(to, from);
  const part = Math.min(1, Math.max(0, dot(sub(p, from), along) / dot(along, along)));
  return distance(p, add(from, scale(along, part)));
}
