/**
 * The side that two wheels turn to together, and both angles towards it. Which wheel is the inner one is decided by
 * that, not by which turns more: with less than parallel steering that is the outer.
 * @param left degrees, + to the left
 * @param right degrees, + to the left
 */
export function towardsTurn(left: number, right: number) {
  const toLeft = left + right > 0;
  return toLeft
    ? { turn: 'left' as const, innerSteer: left, outerSteer: right }
    : { turn: 'right' as const, innerSteer: -right, outerSteer: -left };
}
