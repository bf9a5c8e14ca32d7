import { typeOf } from '../corners/kinds';
import type { AxleDesign } from './build';
import type { Coordinate, PointName } from './points';

/** What of an axle says how it is steered. */
type Steered = Pick<AxleDesign, 'rack' | 'dropArm'>;

/** What an axle calls one of its points; where nothing steers its tie rod is a toe link. */
export function pointLabel(
  { kind, damper, rack, dropArm }: Pick<AxleDesign, 'kind' | 'damper'> & Steered,
  name: PointName,
): string {
  const { points, rodName } = typeOf({ kind, damper });
  const label = points[name]?.label ?? name;
  return rack || dropArm || rodName ? label : label.replace('tie rod', 'toe link');
}

/** What the rod that sets a wheel's heading is called. */
export type RodWord = 'tie rod' | 'toe link' | 'drag link';

/** What an axle calls the rod that sets its toe, or steers it where its wheels are coupled. */
export const rodWord = ({ kind, rack, dropArm }: Pick<AxleDesign, 'kind'> & Steered): RodWord =>
  typeOf({ kind }).rodName ?? (rack || dropArm ? 'tie rod' : 'toe link');

/** Which way each coordinate counts up, and down. */
const WAYS: Readonly<Record<Coordinate, readonly [string, string]>> = {
  ahead: ['ahead', 'back'],
  out: ['outward', 'inward'],
  up: ['up', 'down'],
};

/** Which way a move of a coordinate goes. */
export const wayOf = (coordinate: Coordinate, by = 1): string => WAYS[coordinate][by < 0 ? 1 : 0];
