import { typeOf } from '../corners/kinds';
import type { AxleDesign } from './build';
import type { PointName } from './points';

/** What of an axle says how it is steered. */
type Steered = Pick<AxleDesign, 'rack' | 'dropArm'>;

/** What an axle calls one of its points; where nothing steers its tie rod is a toe link. */
export function pointLabel(
  { kind, rack, dropArm }: Pick<AxleDesign, 'kind'> & Steered,
  name: PointName,
): string {
  const label = typeOf({ kind }).points[name]?.label ?? name;
  return rack || dropArm ? label : label.replace('tie rod', 'toe link');
}

/** What an axle calls the rod that sets its toe. */
export const rodWord = ({ rack, dropArm }: Steered): 'tie rod' | 'toe link' =>
  rack || dropArm ? 'tie rod' : 'toe link';
