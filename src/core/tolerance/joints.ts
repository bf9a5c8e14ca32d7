import { spindleOf } from '../kinematics/spindle';
import { COORDINATES, POINT_NAMES } from '../model/points';
import type { PointName, Points } from '../model/points';

/** Joints of a corner in one array: [ahead, out, up] of each point in the order of POINT_NAMES, mm. */
export const JOINTS = 3 * POINT_NAMES.length;

/** Where a point's three coordinates begin. */
export const AT = Object.fromEntries(POINT_NAMES.map((name, i) => [name, 3 * i])) as Record<
  PointName,
  number
>;

/** Points that move with the upright; the others are the chassis'. */
export const ON_UPRIGHT = ['lowerOuter', 'upperOuter', 'tieRodOuter', 'wheelCentre'] as const;

/** Tubes between two joints: inner, outer. The last is the tie rod. */
export const LINKS = [
  [AT.lowerFrontInner, AT.lowerOuter],
  [AT.lowerRearInner, AT.lowerOuter],
  [AT.upperFrontInner, AT.upperOuter],
  [AT.upperRearInner, AT.upperOuter],
  [AT.tieRodInner, AT.tieRodOuter],
] as const;
export const ARMS = 4;
export const ROD = 4;

export function jointsOf(points: Points): Float64Array {
  const joints = new Float64Array(JOINTS);
  for (const name of POINT_NAMES)
    COORDINATES.forEach((coordinate, i) => (joints[AT[name] + i] = points[name][coordinate]));
  return joints;
}

export const pointsFrom = (joints: Float64Array): Points =>
  Object.fromEntries(
    POINT_NAMES.map((name) => {
      const at = AT[name];
      return [name, { ahead: joints[at], out: joints[at + 1], up: joints[at + 2] }];
    }),
  ) as Points;

/** Length of a link. */
export const linkLength = (joints: Float64Array, link: number): number => {
  const [inner, outer] = LINKS[link];
  return Math.hypot(
    joints[outer] - joints[inner],
    joints[outer + 1] - joints[inner + 1],
    joints[outer + 2] - joints[inner + 2],
  );
};

/** How the steering is held while a corner is put together: toe set again, or the rod as long as drawn. */
export type Steering = 'toe set' | 'rod as drawn';

/**
 * Writes the six conditions that hold an upright, as rows against its twist (movement of the wheel
 * centre, mm, then turning, rad): the arms' lengths, the wheel centre's height, and the steering.
 */
export function writeConditions(
  joints: Float64Array,
  spindle: Float64Array,
  steering: Steering,
  toeRad: number,
  rows: Float64Array,
): void {
  rows.fill(0);
  const w = AT.wheelCentre;
  const links = steering === 'toe set' ? ARMS : ROD + 1;
  for (let i = 0; i < links; i++) {
    const [inner, outer] = LINKS[i];
    const length = linkLength(joints, i);
    const ux = (joints[outer] - joints[inner]) / length;
    const uy = (joints[outer + 1] - joints[inner + 1]) / length;
    const uz = (joints[outer + 2] - joints[inner + 2]) / length;
    const rx = joints[outer] - joints[w];
    const ry = joints[outer + 1] - joints[w + 1];
    const rz = joints[outer + 2] - joints[w + 2];
    const row = i * 6;
    rows[row] = ux;
    rows[row + 1] = uy;
    rows[row + 2] = uz;
    rows[row + 3] = ry * uz - rz * uy;
    rows[row + 4] = rz * ux - rx * uz;
    rows[row + 5] = rx * uy - ry * ux;
  }
  rows[5 * 6 + 2] = 1;
  if (steering === 'toe set') {
    // n·(ω × a) = ω·(a × n) with n across the wheel's heading.
    const nx = Math.cos(toeRad);
    const ny = -Math.sin(toeRad);
    rows[4 * 6 + 3] = -spindle[2] * ny;
    rows[4 * 6 + 4] = spindle[2] * nx;
    rows[4 * 6 + 5] = spindle[0] * ny - spindle[1] * nx;
  }
}

export const spindleArray = (alignment: { toe: number; camber: number }): Float64Array =>
  Float64Array.from(spindleOf(alignment));
