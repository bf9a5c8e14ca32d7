import { toDeg, toRad } from '../geometry/angle';

/** How toe is told: an angle or a difference of distances, of one wheel or of both together. */
export interface ToeTold {
  as: 'deg' | 'mm';
  of: 'each' | 'total';
  /** Between the front and the rear mark about the spindle, mm: the tyre's or the rim's diameter. Of no account for angles. */
  over: number;
}

/**
 * Toe of one wheel, degrees, + in, from how it was told: marks at hub height, `over` apart, the front ones so much nearer
 * the middle. A total is shared by two wheels alike.
 * @throws RangeError for more mm than the marks are apart
 */
export function toeEach(value: number, { as, of, over }: ToeTold): number {
  const each = of === 'total' ? value / 2 : value;
  if (as === 'deg') return each;
  if (!(Math.abs(each) <= over)) throw new RangeError('toe is more than the marks are apart');
  return toDeg(Math.asin(each / over));
}

/** The same the other way. */
export function toeTold(degrees: number, { as, of, over }: ToeTold): number {
  const each = as === 'deg' ? degrees : over * Math.sin(toRad(degrees));
  return of === 'total' ? 2 * each : each;
}
