import type { ErrorShape } from './classify';

/** A cure farther off than this is none, mm. */
const FAR = 80;

/**
 * What kind of bump steer it is and what cures it, in a builder's words, one sentence each.
 * @param length prints a length with its unit
 */
export function errorInWords(
  { kind, slope, curvature, raiseOuter, moveInnerOut }: ErrorShape,
  rod: 'tie rod' | 'toe link',
  length: (mm: number) => string,
): string[] {
  if (kind === 'nothing') return ['Straight up and down: nothing to cure.'];
  const near = (mm: number | null): mm is number => mm !== null && Math.abs(mm) <= FAR;
  const words: string[] = [];
  if (kind !== 'bow') {
    const ways = slope > 0 ? 'Toes in in bump, out in droop' : 'Toes out in bump, in in droop';
    const straight = kind === 'tilt' ? ', nearly straight' : '';
    words.push(
      near(raiseOuter)
        ? `${ways}${straight}: outer end ${length(Math.abs(raiseOuter))} too ${raiseOuter > 0 ? 'low' : 'high'}.`
        : `${ways}${straight}: no height of the outer end near it cures that.`,
    );
  }
  if (kind !== 'tilt') {
    const ways = `${kind === 'both' ? 'And a bow: toes' : 'Toes'} ${curvature > 0 ? 'in' : 'out'} both in bump and in droop`;
    words.push(
      near(moveInnerOut)
        ? `${ways}: ${rod} ${length(Math.abs(moveInnerOut))} too ${moveInnerOut > 0 ? 'long' : 'short'}; move its inner end ${moveInnerOut > 0 ? 'out' : 'in'}.`
        : `${ways}: no length of ${rod} near it cures that.`,
    );
  }
  return words;
}
