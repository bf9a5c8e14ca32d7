import type { Advice } from '@/core/bumpsteer/advice';
import type { NullChange } from '@/core/bumpsteer/nullProblem';
import { typeOf } from '@/core/corners/kinds';
import { pointLabel } from '@/core/model/labels';
import type { AxleDesign } from '@/core/model/build';
import { unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { WAYS } from './places';

/** One change as something a person does. */
export function instruction(
  { point, coordinate, from, to, kind, washers }: NullChange,
  design: AxleDesign,
  length: (mm: number) => string,
  unit: LengthUnit,
): string {
  const joint = pointLabel(design, point);
  if (kind === 'shims')
    return washers && washers.length > 0
      ? `Washers ${washers.map(length).join(' + ')} ${unitName(unit)} at the ${joint}`
      : `No washer at the ${joint}`;
  const by = `${length(Math.abs(to - from))} ${unitName(unit)} ${WAYS[coordinate][to > from ? 0 : 1]}`;
  if (kind === 'plate') return `A plate on the rack that takes the tie rods off ${by}`;
  if (kind === 'rackWidth') return `The rack ${to > from ? 'widened' : 'narrowed'}, each end ${by}`;
  // How far apart a rack's joints are is its plate's doing, or its own width's.
  if (design.rack && point === typeOf(design).tieRod?.inner && coordinate === 'out') {
    if (kind === 'choices' || kind === 'flip')
      return `A plate that takes the tie rods off ${by} on each side`;
    if (kind === 'range')
      return `The rack’s joints ${by} on each side: a plate, or a rack ${to > from ? 'widened' : 'narrowed'}`;
  }
  const { coupled, tieRod } = typeOf(design);
  if (coupled && design.dropArm && point === tieRod?.inner && kind === 'range')
    return `The steering box and its arm ${by}`;
  if (kind === 'choices') return `The ${joint} into the hole ${by}`;
  if (kind === 'flip') return `The plate of the ${joint} turned over, ${by}`;
  if (kind === 'eccentric') return `The eccentric of the ${joint} turned, ${by}`;
  if (kind === 'thread') return `The ${joint} by its thread, ${by}`;
  return `The bracket of the ${joint} ${by}`;
}

/** What would help where the freedoms do not, and what a sweep measured with it put in. */
export function adviceInWords(
  { kind, found: { changes, steer, doubts } }: Advice,
  design: AxleDesign,
  length: (mm: number) => string,
  unit: LengthUnit,
): string {
  const { range } = steer.span;
  const moves = changes.map((change) => instruction(change, design, length, unit)).join(', and ');
  const opens = kind === 'other side' ? 'With washers on the other side' : 'If it may move';
  const but = doubts.length > 0 ? `, but ${doubts.join('; ')}` : '';
  return `${opens}: ${moves.charAt(0).toLowerCase()}${moves.slice(1)}, leaves ${range.toFixed(range < 0.1 ? 3 : 2)}°${but}.`;
}
