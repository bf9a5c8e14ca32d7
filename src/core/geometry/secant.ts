/**
 * Where a smooth function is nought, near `start`, by the secant rule.
 * @returns null where it leaves [least, most] or does not settle
 */
export function secantRoot(
  f: (x: number) => number,
  start: number,
  step: number,
  least: number,
  most: number,
): number | null {
  let [x0, x1] = [start, start + step];
  let [f0, f1] = [f(x0), f(x1)];
  for (let i = 0; i < 60; i++) {
    if (Math.abs(f0) < 1e-4) return x0;
    if (Math.abs(f1) < 1e-4) return x1;
    const slope = (f1 - f0) / (x1 - x0);
    const next = x1 - f1 / slope;
    if (!(next >= least && next <= most)) return null;
    [x0, f0, x1, f1] = [x1, f1, next, f(next)];
  }
  return null;
}
