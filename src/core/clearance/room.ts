import { chassisPoints, pointNames, uprightPoints } from '../corners/kinds';
import type { Body, CornerType } from '../corners/cornerType';
import type { AxleDesign, Build } from '../model/build';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { rodAsBuilt } from '../strength/rodParts';
import { spindleAt } from '../kinematics/frames';
import { placer } from '../kinematics/joints';
import type { Joints } from '../kinematics/joints';
import { pointLabel, rodWord } from '../model/labels';
import type { PointName, Points } from '../model/points';
import { shaftAt } from '../motion/halfShaft';
import { positionsOf } from './positions';
import { solidOf } from './solid';
import type { Position } from './positions';
import { isBeside, startingRoom } from '../model/room';
import type { KeepOut, WantedRoom } from '../model/room';
import { JOINT_BODY, roomInWheel } from '../upright/rim';
import { add, distance, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { betweenLines, leastAlong } from './shapes';
import type { Least } from './shapes';
import { toRing } from './ring';
import type { Ring } from './ring';
import type { Wheel } from '../kinematics/wheel';

/** A tube or rod of a corner as a body: its ends, [ahead, out, up], and its radius, mm. */
interface Tube {
  name: string;
  from: Vec;
  to: Vec;
  radius: number;
  /** What body it is of, where it swings by itself; a damper's: what its outer end rides on. */
  body?: Body | undefined;
}

/** Arms, links, rod and half-shaft in one position; diameters as drawn, the rod's as it is. */
function tubesOf(
  type: CornerType,
  design: AxleDesign,
  at: Joints,
  upright: Float64Array,
  rodRadius: number,
) {
  const arms: Tube[] = [];
  const damper: Tube[] = [];
  let rod: Tube | null = null;
  for (const { from, to, role, name, diameter } of type.members) {
    if (name === undefined) continue;
    const ends = { from: at[from], to: at[to] };
    const tube = { name, ...ends, radius: diameter / 2 };
    if (role === 'rod') rod = { ...tube, name: rodWord(design), radius: rodRadius };
    else if (type.points[to].ofDamper) damper.push({ ...tube, body: type.points[to].on });
    else arms.push({ ...tube, body: armOf(type, from, to) });
  }
  const { halfShaft } = design;
  if (!halfShaft) return { rod, rest: [...arms, ...damper], arms, damper };
  const { inner, outer } = shaftAt(halfShaft, upright);
  const shaft: Tube = { name: 'half-shaft', from: inner, to: outer, radius: SHAFT };
  return { rod, rest: [...arms, ...damper, shaft], arms, damper, shaft };
}

/** The arm that a member is a tube of. */
const armOf = ({ pivots }: CornerType, from: PointName, to: PointName): Body | undefined =>
  pivots.find(({ through, carries }) => through.includes(from) && carries === to)?.body;

/** A damper without what is near the arm that it stands on: there the two are bolted together. */
function offItsLug({ from, to, radius }: Tube): [Vec, Vec] {
  const long = distance(from, to);
  const left = Math.max(0, long - 3 * radius) / long;
  return [from, add(from, scale(sub(to, from), left))];
}

/** How near a damper's body is to the rest of the corner in one position, mm, less what is wanted. */
export interface DamperNear {
  /** @param on what the outer end, `to`, rides on; `radius` of the body, mm */
  (from: Vec, to: Vec, radius: number, on: Body): number;
}

/** Tubes, rod and half-shaft of a corner in a solved pose as what a damper keeps clear of: for finders that move it. */
export function damperRoomIn(
  { room, rod }: Pick<Build, 'room' | 'rod'>,
  wheel: Wheel,
  at: Joints,
  upright: Float64Array,
): DamperNear {
  const { design, type } = wheel;
  const rodRadius = type.tieRod ? rodAsBuilt({ rod }, wheel).parts.outside / 2 : 0;
  const { moving } = (room ?? startingRoom()).wanted;
  const { arms, rod: own, shaft } = tubesOf(type, design, at, upright, rodRadius);
  const others = [...arms, ...(own ? [own] : []), ...(shaft ? [shaft] : [])];
  return (from, to, radius, on) =>
    others.reduce((least, tube) => {
      const ends =
        tube.body === on ? offItsLug({ name: '', from, to, radius }) : ([from, to] as const);
      const apart = betweenLines(...ends, tube.from, tube.to).distance - radius - tube.radius;
      return Math.min(least, apart - moving);
    }, Infinity);
}

/** Half of a half-shaft and of a joint's body, as drawn, mm. */
const SHAFT = 14;
const JOINT = JOINT_BODY;

/** The closest that two bodies come over travel and lock. */
export interface Closest {
  /** What comes close to what, and whether that is the rod that sets toe, or a joint of it. */
  what: string;
  to: string;
  ofRod: boolean;
  /** One of them is of the damper: itself, its rod, its spring. */
  ofDamper: boolean;
  /** One of them goes with the steering: the wheel, or the rod. */
  turns: boolean;
  clearance: number;
  wanted: number;
  /** Where, [ahead, out, up] mm, and in which position. */
  at: Vec;
  travel: number;
  rack: number;
}

/**
 * Clearances of a corner's tubes, moving joints and tyre to every keep-out, of rod, half-shaft and arms to
 * each other, of all to tyre and rim, of joints to each other, and of the low ones to the ground at full
 * bump; below 0 by how deep one is in the other: the worst place of each pair over the whole
 * travel and lock, the tightest against what is wanted first.
 * @param rodOnly the rod that sets toe and its joints alone
 * @returns null where the layout cannot be solved as drawn
 */
export const clearancesOf = (
  build: Pick<Build, 'room' | 'rod'>,
  wheel: Wheel,
  rodOnly = false,
): Closest[] | null =>
  clearancesAt(build, wheel, positionsOf(wheel.travel, wheel.steerRange), rodOnly);

/**
 * The same over some positions; those out of reach are left out.
 * @param tightOnly only what is under the clearance wanted of it, which is much quicker
 */
export function clearancesAt(
  { room, rod }: Pick<Build, 'room' | 'rod'>,
  wheel: Wheel,
  positions: readonly Position[],
  rodOnly = false,
  tightOnly = false,
): Closest[] | null {
  const { corner, design, type } = wheel;
  if (!corner) return null;
  const { keepOuts, wanted } = room ?? startingRoom();
  const worst = new Map<string, Closest>();
  const upright = new Float64Array(UPRIGHT_SIZE);
  const around = jointsAbout(type);
  const jointsAt = placer(corner.drawn);
  const low = lowJoints(type, corner.drawn.points);
  const bodies = keepOuts.filter((body) => isBeside(body, wheel));
  const hand = wheel.side === 'left' ? 1 : -1;
  const rodRadius = type.tieRod ? rodAsBuilt({ rod }, wheel).parts.outside / 2 : 0;
  for (const { fullBump, ...position } of positions) {
    if (!corner.corner.pose(position.travel, corner.rackSign * position.rack, upright)) continue;
    const at = jointsAt(upright);
    const look: Look = (what, to, by, less, find, part, ofDamper) => {
      const ofRod = part === 'rod';
      if (rodOnly && !ofRod) return;
      const key = `${what}|${to}`;
      const known = worst.get(key);
      const most = tightOnly ? by : Infinity;
      const found = find((known?.clearance ?? most) + less);
      const clearance = found && found.distance - less;
      if (clearance !== null && clearance < (known?.clearance ?? most) - 1e-3)
        worst.set(key, {
          ...{ what, to, ofRod, ofDamper: ofDamper === true, turns: part !== undefined },
          ...{ clearance, wanted: by },
          ...{ at: found!.at, ...position },
        });
    };
    closeIn(design, around, at, upright, bodies, wanted, rodRadius, hand, look);
    // The ground comes up by as much as the wheel does.
    if (fullBump && position.rack === 0)
      overGround(design, type, low, at, position.travel, wanted, look);
  }
  return [...worst.values()].sort((a, b) => a.clearance - a.wanted - (b.clearance - b.wanted));
}

/**
 * Looks at one pair of bodies in one position: `find` gives their least distance, `less` of it being the
 * bodies' own radii, or null where it is not under a ceiling: what is known to be closer elsewhere.
 */
type Look = (
  what: string,
  to: string,
  wanted: number,
  less: number,
  find: (ceiling: number) => Least | null,
  /** What of the pair goes with the steering. */
  part?: 'rod' | 'wheel',
  ofDamper?: boolean,
) => void;

/** Every pair of bodies in one position. */
function closeIn(
  design: AxleDesign,
  { type, moving: movers, onUpright, pairs }: Around,
  at: Joints,
  upright: Float64Array,
  keepOuts: KeepOut[],
  { moving, tyre: wide }: WantedRoom,
  rodRadius: number,
  hand: 1 | -1,
  look: Look,
): void {
  const tyre = tyreOf(design, at.wheelCentre, spindleAt(upright));
  const { rod, rest, arms, damper, shaft } = tubesOf(type, design, at, upright, rodRadius);
  const toTyre = (p: Vec) => toRing(p, tyre);
  const { tieRod } = type;
  const isOfRod = (name: PointName) => name === tieRod?.inner || name === tieRod?.outer;
  const joint = (name: PointName, to: string, distanceTo: (p: Vec) => number, part?: 'wheel') =>
    look(
      pointLabel(design, name),
      to,
      moving,
      JOINT,
      () => ({ distance: distanceTo(at[name]), at: at[name] }),
      isOfRod(name) ? 'rod' : part,
    );
  for (const body of keepOuts) {
    const solid = solidOf(body, hand);
    for (const tube of rod ? [...rest, rod] : rest) {
      const { name, from, to, radius } = tube;
      look(
        name,
        body.name,
        moving,
        radius,
        (ceiling) =>
          solid.toPoint(scale(add(from, to), 0.5)) - distance(from, to) / 2 >= ceiling
            ? null
            : solid.toLine(from, to),
        tube === rod ? 'rod' : undefined,
        damper.includes(tube),
      );
    }
    // Inner pivots are bolted to what they are near: only what moves is looked at.
    for (const name of movers) joint(name, body.name, solid.toPoint);
    look('tyre', body.name, wide, 0, (ceiling) => solid.toTyre(tyre, ceiling), 'wheel');
  }
  const apart = (a: Tube, b: Tube, ofDamper = damper.includes(a) || damper.includes(b)) =>
    look(
      a.name,
      b.name,
      moving,
      a.radius + b.radius,
      () => betweenLines(a.from, a.to, b.from, b.to),
      a === rod ? 'rod' : undefined,
      ofDamper,
    );
  if (rod) for (const tube of rest) apart(rod, tube);
  if (shaft) for (const arm of [...arms, ...damper]) apart(shaft, arm);
  for (const one of damper)
    for (const arm of arms) {
      const [from, to] = one.body === arm.body && arm.body ? offItsLug(one) : [one.from, one.to];
      apart({ ...one, from, to }, arm, true);
    }
  // A half-shaft goes through the wheel's middle on purpose; so does an arm that ends at the hub.
  for (const tube of [...arms, ...damper, ...(rod ? [rod] : [])]) {
    const { name, from, to, radius } = tube;
    if (to === at.wheelCentre) continue;
    look(
      name,
      'tyre and rim',
      moving,
      radius,
      (ceiling) => leastAlong(from, to, toTyre, 0.2, ceiling),
      tube === rod ? 'rod' : 'wheel',
      damper.includes(tube),
    );
  }
  for (const name of onUpright) joint(name, 'tyre and rim', toTyre, 'wheel');
  for (const [one, other] of pairs)
    look(
      pointLabel(design, one),
      pointLabel(design, other),
      moving,
      2 * JOINT,
      () => ({ distance: distance(at[one], at[other]), at: at[one] }),
      'rod',
    );
}

/** Joints of a kind that are looked at. */
interface Around {
  type: CornerType;
  /** Those that move: the upright's, and the rod's inner one. */
  moving: PointName[];
  onUpright: PointName[];
  /** Joints that may come near each other: the rack's travel takes its end past the arms' pivots. */
  pairs: [PointName, PointName][];
}

function jointsAbout(type: CornerType): Around {
  // A damper's ends are within its own body.
  const joint = (name: PointName) => !type.points[name].mark && !type.points[name].ofDamper;
  const onUpright = uprightPoints(type).filter(joint);
  const { tieRod } = type;
  const rest = onUpright.filter((name) => name !== tieRod?.outer);
  return {
    type,
    onUpright,
    moving: tieRod ? [...rest, tieRod.inner, tieRod.outer] : onUpright,
    pairs: tieRod
      ? [
          ...chassisPoints(type)
            .filter((name) => name !== tieRod.inner && joint(name))
            .map((name): [PointName, PointName] => [tieRod.inner, name]),
          ...rest.map((name): [PointName, PointName] => [tieRod.outer, name]),
        ]
      : [],
  };
}

/** Joints that may come near the ground: those drawn below the wheel's centre, and the rod's. */
const lowJoints = (type: CornerType, points: Points): PointName[] =>
  pointNames(type).filter(
    (name) =>
      name !== 'wheelCentre' &&
      !type.points[name].mark &&
      (points[name].up < points.wheelCentre.up ||
        name === type.tieRod?.inner ||
        name === type.tieRod?.outer),
  );

/** Tyre and rim as a ring. */
export function tyreOf(design: AxleDesign, centre: Vec, axis: Vec): Ring {
  const { tyre, rim } = design;
  return {
    centre,
    axis,
    inner: roomInWheel(design),
    outer: tyre.radius,
    width: Math.max(tyre.width, rim?.width ?? 0),
  };
}

function overGround(
  design: AxleDesign,
  { tieRod, points }: CornerType,
  low: PointName[],
  at: Joints,
  travel: number,
  wanted: WantedRoom,
  look: Look,
): void {
  for (const name of low)
    look(
      pointLabel(design, name),
      'the ground at full bump',
      wanted.ground,
      JOINT,
      () => ({ distance: at[name][2] - travel, at: at[name] }),
      name === tieRod?.inner || name === tieRod?.outer ? 'rod' : undefined,
      points[name].ofDamper,
    );
}
