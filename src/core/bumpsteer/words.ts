import type { RodWord } from '../model/labels';
import type { ErrorShape } from './classify';

/**
 * What kind of bump steer it is and what cures it, in a builder's words, one sentence each. A cure is named
 * only with what a sweep measures after it.
 * @param length prints a length with its unit
 */
export function errorInWords(
  { kind, slope, curvature, cure }: ErrorShape,
  rod: RodWord,
  length: (mm: number) => string,
): string[] {
  if (kind === 'nothing') return ['Straight up and down: nothing to cure.'];
  const words: string[] = [];
  if (kind !== 'bow') {
    const ways = slope > 0 ? 'Toes in in bump, out in droop' : 'Toes out in bump, in in droop';
    words.push(`${ways}${kind === 'tilt' ? ', nearly straight' : ''}.`);
  }
  if (kind !== 'tilt')
    words.push(
      `${kind === 'both' ? 'And a bow: toes' : 'Toes'} ${curvature > 0 ? 'in' : 'out'} both in bump and in droop.`,
    );
  if (!cure) {
    const what = {
      tilt: 'No height of the outer end near it cures',
      bow: `No length of ${rod} near it cures`,
      both: `No height of the outer end and length of ${rod} near them cure`,
    }[kind];
    return [...words, `${what} that.`];
  }
  const { raiseOuter, moveInner, along, after } = cure;
  const end = `outer end ${length(Math.abs(raiseOuter))} too ${raiseOuter > 0 ? 'low' : 'high'}`;
  const way = along === 'out' ? (moveInner > 0 ? 'out' : 'in') : moveInner > 0 ? 'ahead' : 'back';
  const long = `${rod} ${length(Math.abs(moveInner))} too ${cure.longer ? 'short' : 'long'} (its inner end further ${way})`;
  const what = { tilt: end, bow: long, both: `${end} and ${long}, both together` }[kind];
  return [...words, `${capital(what)}: that leaves ${after.span.range.toFixed(2)}° of range.`];
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
