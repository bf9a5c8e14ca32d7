import { typeOf } from '../corners/kinds';
import type { AxleDesign } from './build';
import type { PointName } from './points';

/** What an axle calls one of its points; without a rack its tie rod is a toe link. */
export function pointLabel(
  { kind, rack }: Pick<AxleDesign, 'kind' | 'rack'>,
  name: PointName,
): string {
  const label = typeOf({ kind }).points[name]?.label ?? name;
  return rack ? label : label.replace('tie rod', 'toe link');
}

/** What an axle calls the rod that sets its toe. */
export const rodWord = ({ rack }: Pick<AxleDesign, 'rack'>): 'tie rod' | 'toe link' =>
  rack ? 'tie rod' : 'toe link';
