import type { AxleDesign, AxleName, Build, Side } from '../model/build';
import { pointsOf, prepareAxle } from '../kinematics/axle';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import type { PointName, Points } from '../model/points';
import { startingRoom } from './roomSchema';
import type { KeepOut, WantedRoom } from './roomSchema';
import { roomIn } from '../upright/rim';
import { add, distance, scale } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { betweenLines, leastAlong, leastToConvex, toBox, toCylinder, toRing } from './shapes';

/** Tubes of a corner as bodies: between which joints, radius mm. Diameters as drawn. */
const TUBES: { name: string; from: PointName; to: PointName; radius: number }[] = [
  { name: 'lower arm, front tube', from: 'lowerFrontInner', to: 'lowerOuter', radius: 12.5 },
  { name: 'lower arm, rear tube', from: 'lowerRearInner', to: 'lowerOuter', radius: 12.5 },
  { name: 'upper arm, front tube', from: 'upperFrontInner', to: 'upperOuter', radius: 11 },
  { name: 'upper arm, rear tube', from: 'upperRearInner', to: 'upperOuter', radius: 11 },
  { name: 'tie rod', from: 'tieRodInner', to: 'tieRodOuter', radius: 8 },
];

/** The closest that two bodies come over travel and lock. */
export interface Closest {
  /** What comes close to what. */
  what: string;
  to: string;
  clearance: number;
  wanted: number;
  /** Where, [ahead, out, up] mm, and in which position. */
  at: Vec;
  travel: number;
  rack: number;
}

/** Positions looked at: so many travels, and parts of the rack's travel, straight ahead first. */
const TRAVELS = 9;
const RACKS = [0, -0.5, 0.5, -1, 1];

/**
 * Clearances of a corner's tubes and tyre to every keep-out, of the tie rod to the arms, of tubes to the
 * tyre, and of the lowest joint to the ground at full bump: the worst place of each pair over the whole
 * travel and lock, the tightest against what is wanted first.
 * @returns null where the layout cannot be solved as drawn
 */
export function clearancesOf(build: Build, axle: AxleName, side: Side): Closest[] | null {
  const design = build[axle];
  const prepared = design && prepareAxle(design);
  if (!design || !prepared?.ok) return null;
  const { keepOuts, wanted } = build.room ?? startingRoom();
  const corner = prepared.axle[side];
  const worst = new Map<string, Closest>();
  const note = (one: Closest) => {
    const key = `${one.what}|${one.to}`;
    const known = worst.get(key);
    if (!known || one.clearance < known.clearance - 1e-3) worst.set(key, one);
  };
  const upright = new Float64Array(UPRIGHT_SIZE);
  const points = pointsOf(design, side);
  const { bump, droop } = build.travel;
  const racks = prepared.axle.rackTravel > 0 ? RACKS : [0];
  const bodies = keepOuts.filter((body) => body.axle === axle);
  for (let i = 0; i < TRAVELS; i++)
    for (const part of racks) {
      const travel = -droop + ((bump + droop) * i) / (TRAVELS - 1);
      const rack = part * prepared.axle.rackTravel;
      if (!corner.corner.pose(travel, corner.rackSign * rack, upright)) continue;
      const at = jointsAt(points, upright);
      const spindle: Vec = [upright[U.spindle], upright[U.spindle + 1], upright[U.spindle + 2]];
      for (const one of closeIn(design, at, spindle, bodies, wanted))
        note({ ...one, travel, rack });
      // The ground comes up by as much as the wheel does.
      if (i === TRAVELS - 1 && part === 0)
        for (const one of overGround(at, travel, wanted)) note({ ...one, travel, rack });
    }
  return [...worst.values()].sort((a, b) => a.clearance - a.wanted - (b.clearance - b.wanted));
}

type At = Record<PointName, Vec>;
type Close = Omit<Closest, 'travel' | 'rack'>;

function jointsAt(points: Points, u: Float64Array): At {
  const vec = (at: number): Vec => [u[at], u[at + 1], u[at + 2]];
  const fixed = Object.fromEntries(
    Object.entries(points).map(([name, p]) => [name, [p.ahead, p.out, p.up]]),
  ) as unknown as At;
  const lower = vec(U.lowerOuter);
  return {
    ...fixed,
    lowerOuter: lower,
    upperOuter: [lower[0] + u[U.kingpin], lower[1] + u[U.kingpin + 1], lower[2] + u[U.kingpin + 2]],
    tieRodInner: vec(U.tieRodInner),
    tieRodOuter: vec(U.tieRodOuter),
    wheelCentre: vec(U.wheelCentre),
  };
}

function* closeIn(
  design: AxleDesign,
  at: At,
  spindle: Vec,
  keepOuts: KeepOut[],
  wanted: WantedRoom,
): Generator<Close> {
  const tyre = tyreOf(design, at.wheelCentre, spindle);
  for (const body of keepOuts) {
    const distanceTo = distanceToBody(body);
    for (const tube of TUBES) {
      const found = leastToConvex(at[tube.from], at[tube.to], distanceTo);
      yield {
        what: tube.name,
        to: body.name,
        clearance: found.distance - tube.radius,
        wanted: wanted.moving,
        at: found.at,
      };
    }
    const round = tyreTo(tyre, distanceTo);
    yield {
      what: 'tyre',
      to: body.name,
      clearance: round.distance,
      wanted: wanted.tyre,
      at: round.at,
    };
  }
  const rod = TUBES[4];
  for (const tube of TUBES.slice(0, 4)) {
    const found = betweenLines(at[rod.from], at[rod.to], at[tube.from], at[tube.to]);
    yield {
      what: rod.name,
      to: tube.name,
      clearance: found.distance - rod.radius - tube.radius,
      wanted: wanted.moving,
      at: found.at,
    };
  }
  for (const tube of TUBES) {
    const found = leastAlong(at[tube.from], at[tube.to], (p) => toRing(p, tyre), 0.2);
    yield {
      what: tube.name,
      to: 'tyre and rim',
      clearance: found.distance - tube.radius,
      wanted: wanted.moving,
      at: found.at,
    };
  }
}

/** Tyre and rim as a ring; without a rim the tyre's own inside is taken at six tenths of its radius. */
function tyreOf(design: AxleDesign, centre: Vec, axis: Vec) {
  const { tyre, rim } = design;
  return {
    centre,
    axis,
    inner: rim ? roomIn(rim) : 0.6 * tyre.radius,
    outer: tyre.radius,
    width: Math.max(tyre.width, rim?.width ?? 0),
  };
}

function distanceToBody(body: KeepOut): (p: Vec) => number {
  const vec = (p: { ahead: number; out: number; up: number }): Vec => [p.ahead, p.out, p.up];
  if (body.kind === 'box') {
    const [middle, extent] = [vec(body.middle), vec(body.size)];
    return (p) => toBox(p, middle, extent);
  }
  const [from, to] = [vec(body.from), vec(body.to)];
  return (p) => toCylinder(p, from, to, body.diameter / 2);
}

/** Parts of the tyre's surface looked at; between two of them it bends by less than 1 mm. */
const ROUND = 72;

/** Least distance from the tyre's edges and tread to a body, over circles at both shoulders and the middle. */
function tyreTo(
  tyre: ReturnType<typeof tyreOf>,
  distanceTo: (p: Vec) => number,
): { distance: number; at: Vec } {
  const { axis, centre, outer, width } = tyre;
  const h = Math.hypot(axis[0], axis[1]);
  const heading: Vec = [axis[1] / h, -axis[0] / h, 0];
  const up: Vec = [
    heading[1] * axis[2] - heading[2] * axis[1],
    heading[2] * axis[0] - heading[0] * axis[2],
    heading[0] * axis[1] - heading[1] * axis[0],
  ];
  let best = { distance: Infinity, at: centre };
  for (let i = 0; i < ROUND; i++) {
    const angle = (2 * Math.PI * i) / ROUND;
    const rim = (offset: number): Vec =>
      [0, 1, 2].map(
        (k) =>
          centre[k] +
          outer * (Math.cos(angle) * heading[k] + Math.sin(angle) * up[k]) +
          offset * axis[k],
      ) as unknown as Vec;
    // Across the tread, and down the inner sidewall towards the hub.
    const [inside, outside] = [rim(-width / 2), rim(width / 2)];
    const part = tyre.inner / outer;
    const hub = [0, 1, 2].map(
      (k) => (centre[k] - (width / 2) * axis[k]) * (1 - part) + part * inside[k],
    ) as unknown as Vec;
    for (const [from, to] of [
      [inside, outside],
      [inside, hub],
    ]) {
      // What its middle and its length leave no room for is not looked at closer.
      const middle = scale(add(from, to), 0.5);
      if (distanceTo(middle) - distance(from, to) / 2 >= best.distance) continue;
      const found = leastToConvex(from, to, distanceTo);
      if (found.distance < best.distance) best = found;
    }
  }
  return best;
}

const LOW: PointName[] = [
  'lowerFrontInner',
  'lowerRearInner',
  'lowerOuter',
  'tieRodInner',
  'tieRodOuter',
];
const JOINT_NAMES: Partial<Record<PointName, string>> = {
  lowerFrontInner: 'lower arm front pivot',
  lowerRearInner: 'lower arm rear pivot',
  lowerOuter: 'lower ball joint',
  tieRodInner: 'tie rod inner joint',
  tieRodOuter: 'tie rod outer joint',
};
/** Half of a joint's body, mm. */
const JOINT = 18;

function* overGround(at: At, travel: number, wanted: WantedRoom): Generator<Close> {
  for (const name of LOW)
    yield {
      what: JOINT_NAMES[name]!,
      to: 'the ground at full bump',
      clearance: at[name][2] - travel - JOINT,
      wanted: wanted.ground,
      at: at[name],
    };
}
