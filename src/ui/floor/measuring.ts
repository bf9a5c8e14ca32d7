import { distance, footOnLine, sub, unit } from '@/core/geometry/vec';
import type { Vec } from '@/core/geometry/vec';
import { COORDINATES, pointLabel } from '@/core/model/points';
import type { PointName } from '@/core/model/points';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import type { Drawn } from './drawing';

/** Lines that a joint can be measured square to, each through two joints. */
export const LINES = {
  lowerPivots: { label: 'lower pivot axis', through: ['lowerFrontInner', 'lowerRearInner'] },
  upperPivots: { label: 'upper pivot axis', through: ['upperFrontInner', 'upperRearInner'] },
  kingpin: { label: 'kingpin axis', through: ['lowerOuter', 'upperOuter'] },
  rod: { label: 'tie rod', through: ['tieRodInner', 'tieRodOuter'] },
  lowerFront: { label: 'lower arm, front tube', through: ['lowerFrontInner', 'lowerOuter'] },
  lowerRear: { label: 'lower arm, rear tube', through: ['lowerRearInner', 'lowerOuter'] },
  upperFront: { label: 'upper arm, front tube', through: ['upperFrontInner', 'upperOuter'] },
  upperRear: { label: 'upper arm, rear tube', through: ['upperRearInner', 'upperOuter'] },
} as const satisfies Record<string, { label: string; through: [PointName, PointName] }>;
export type LineName = keyof typeof LINES;
export const LINE_NAMES = Object.keys(LINES) as LineName[];

/** What is clicked to be measured, in order. */
export type Spot = { joint: PointName } | { line: LineName };

/** What a click makes of the spots picked so far: a joint starts, a second joint or a line ends. */
export function pick(spots: readonly Spot[], next: Spot): Spot[] {
  if (spots.length === 1) {
    const [first] = spots;
    if ('joint' in first || 'joint' in next) return [first, next];
  }
  return [next];
}

/** The two ends of the tape, [ahead, out, up] mm: on a line where it meets it squarely; null while one is missing. */
export function tapeOf(spots: readonly Spot[], { at }: Drawn): [Vec, Vec] | null {
  if (spots.length < 2) return null;
  const joint = spots.find((spot) => 'joint' in spot)!;
  const other = spots.find((spot) => spot !== joint)!;
  const from = at[joint.joint];
  if ('joint' in other) return [from, at[other.joint]];
  const [a, b] = LINES[other.line].through;
  return [from, footOnLine(from, at[a], unit(sub(at[b], at[a])))];
}

/** The true length between two spots and its three parts, as a tape would have it, or what to click next. */
export function tapeSays(
  spots: readonly Spot[],
  drawn: Drawn,
  steered: boolean,
  unitOf: LengthUnit,
): string {
  const named = (spot: Spot) =>
    'joint' in spot ? pointLabel(spot.joint, steered) : `the ${LINES[spot.line].label}`;
  const [first, second] = spots;
  if (!first) return 'Click two joints, or a joint and a tube or axis, to measure between them';
  if (!second) return `From ${'joint' in first ? 'the ' : ''}${named(first)} to …`;
  const [from, to] = tapeOf(spots, drawn)!;
  const show = (mm: number) => readable(printLength(Math.round(Math.abs(mm) * 10) / 10, unitOf));
  const parts = COORDINATES.map((word, i) => `${show(to[i] - from[i])} ${word}`);
  const square = 'line' in first || 'line' in second ? ', square to it' : '';
  return `${named(first)} to ${named(second)}${square}: ${show(distance(from, to))} ${unitOf} (${parts.join(', ')})`;
}
