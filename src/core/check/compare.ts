import type { MeasuredPoint } from './measuredCurve';

/** Two readings of one height, of two wheels or of before and after. */
export interface Compared {
  /** mm, of the first. */
  travel: number;
  /** Degrees, the second as it would be at the first one's height. */
  first: number;
  second: number;
  /** Second less first, and its ±. */
  apart: number;
  plusMinus: number;
}

type Read = Pick<MeasuredPoint, 'travel' | 'value' | 'plusMinus'>;

/** Heights nearer than this are read as one, mm. */
const SAME_HEIGHT = 3;

/**
 * What two sets of readings say at the heights that both were read at, in the order of these. A height that the other
 * set was read a little off is put there by the drawn curve.
 * @param drawn what is drawn at a travel, degrees
 */
export function compared(
  first: readonly Read[],
  second: readonly Read[],
  drawn: (travel: number) => number,
): Compared[] {
  const others = averaged(second, drawn);
  return averaged(first, drawn).flatMap((one): Compared[] => {
    const other = others.reduce<Read | null>(
      (near, at) =>
        near && Math.abs(near.travel - one.travel) <= Math.abs(at.travel - one.travel) ? near : at,
      null,
    );
    if (!other || Math.abs(other.travel - one.travel) > SAME_HEIGHT) return [];
    const there = other.value + drawn(one.travel) - drawn(other.travel);
    return [
      {
        travel: one.travel,
        ...{ first: one.value, second: there, apart: there - one.value },
        plusMinus: Math.hypot(one.plusMinus, other.plusMinus),
      },
    ];
  });
}

/** Readings of one height as one, weighted by their ±; rising. */
function averaged(points: readonly Read[], drawn: (travel: number) => number): Read[] {
  const groups: Read[][] = [];
  for (const point of [...points].sort((a, b) => a.travel - b.travel)) {
    const last = groups.at(-1);
    if (last && point.travel - last[0].travel <= SAME_HEIGHT) last.push(point);
    else groups.push([point]);
  }
  return groups.map((group) => {
    const weights = group.map(({ plusMinus }) => plusMinus ** -2);
    const all = weights.reduce((sum, one) => sum + one, 0);
    const mean = (of: (one: Read) => number) =>
      group.reduce((sum, one, i) => sum + weights[i] * of(one), 0) / all;
    const travel = mean((one) => one.travel);
    return {
      travel,
      value: mean((one) => one.value + drawn(travel) - drawn(one.travel)),
      plusMinus: all ** -0.5,
    };
  });
}

/** Whether two readings differ by more than chance lets them. */
export const isTold = ({ apart, plusMinus }: Compared): boolean => Math.abs(apart) > plusMinus;

/** A drawn curve read between its places; beyond its ends as at them. */
export function alongCurve(line: readonly (readonly [number, number])[]): (at: number) => number {
  return (at) => {
    if (line.length === 0) return 0;
    const after = line.findIndex(([, travel]) => travel >= at);
    if (after === 0) return line[0][0];
    if (after < 0) return line[line.length - 1][0];
    const [[a, from], [b, to]] = [line[after - 1], line[after]];
    return a + ((b - a) * (at - from)) / (to - from);
  };
}
