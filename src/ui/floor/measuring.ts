import type { CornerType } from '@/core/corners/cornerType';
import { kingpinOf } from '@/core/corners/kinds';
import type { AxleDesign } from '@/core/model/build';
import { distance, footOnLine, sub, unit } from '@/core/geometry/vec';
import type { Vec } from '@/core/geometry/vec';
import { COORDINATES } from '@/core/model/points';
import { pointLabel } from '@/core/model/labels';
import type { PointName } from '@/core/model/points';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import type { Drawn } from './drawing';

/** A line that a joint can be measured square to, through two joints. */
export interface Line {
  name: string;
  through: readonly [PointName, PointName];
}

/** The lines of a kind: pivot axes, kingpin, tubes and rods. */
export function linesOf(type: CornerType): Line[] {
  const kingpin = kingpinOf(type);
  return [
    ...type.pivots.map(({ label, through }) => ({ name: label, through })),
    ...(kingpin ? [{ name: 'kingpin axis', through: kingpin }] : []),
    ...type.members.flatMap(({ name, from, to }): Line[] =>
      name ? [{ name, through: [from, to] }] : [],
    ),
  ];
}

/** What is clicked to be measured, in order. */
export type Spot = { joint: PointName } | { line: string };

/** What a click makes of the spots picked so far: a joint starts, a second joint or a line ends. */
export function pick(spots: readonly Spot[], next: Spot): Spot[] {
  if (spots.length === 1) {
    const [first] = spots;
    if ('joint' in first || 'joint' in next) return [first, next];
  }
  return [next];
}

/** The two ends of the tape, [ahead, out, up] mm: on a line where it meets it squarely; null while one is missing. */
export function tapeOf(spots: readonly Spot[], { at, type }: Drawn): [Vec, Vec] | null {
  if (spots.length < 2) return null;
  const joint = spots.find((spot) => 'joint' in spot)!;
  const other = spots.find((spot) => spot !== joint)!;
  const from = at[joint.joint];
  if ('joint' in other) return [from, at[other.joint]];
  const line = linesOf(type).find(({ name }) => name === other.line);
  if (!line) return null;
  const [a, b] = line.through;
  return [from, footOnLine(from, at[a], unit(sub(at[b], at[a])))];
}

/** The true length between two spots and its three parts, as a tape would have it, or what to click next. */
export function tapeSays(
  spots: readonly Spot[],
  drawn: Drawn,
  design: AxleDesign,
  unitOf: LengthUnit,
): string {
  const named = (spot: Spot) =>
    'joint' in spot ? pointLabel(design, spot.joint) : `the ${spot.line}`;
  const [first, second] = spots;
  if (!first) return 'Click two joints, or a joint and a tube or axis, to measure between them';
  if (!second) return `From ${'joint' in first ? 'the ' : ''}${named(first)} to …`;
  const tape = tapeOf(spots, drawn);
  if (!tape) return '';
  const [from, to] = tape;
  const show = (mm: number) => readable(printLength(Math.round(Math.abs(mm) * 10) / 10, unitOf));
  const parts = COORDINATES.map((word, i) => `${show(to[i] - from[i])} ${word}`);
  const square = 'line' in first || 'line' in second ? ', square to it' : '';
  return `${named(first)} to ${named(second)}${square}: ${show(distance(from, to))} ${unitOf} (${parts.join(', ')})`;
}
