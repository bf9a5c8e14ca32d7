const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * Where a function with one dip is least between two places, by golden section (Kiefer 1953, from memory).
 * @param close how near the ends of what is left come to each other
 * @returns the middle of what is left; the ends are not looked at
 */
export function goldenLeast(
  f: (x: number) => number,
  from: number,
  to: number,
  close: number,
): number {
  let [a, b] = [from, to];
  let [s, t] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
  let [atS, atT] = [f(s), f(t)];
  while (b - a > close) {
    if (atS <= atT) {
      [b, t, atT] = [t, s, atS];
      s = b - GOLDEN * (b - a);
      atS = f(s);
    } else {
      [a, s, atS] = [s, t, atT];
      t = a + GOLDEN * (b - a);
      atT = f(t);
    }
  }
  return (a + b) / 2;
}
