import { add, cross, dot, length, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';

/** How a scan's own axes lie in the car: p → scale · R p + shift. */
export interface Alignment {
  /** Columns: where the scan's x, y and z point in the car. */
  axes: readonly [Vec, Vec, Vec];
  scale: number;
  shift: Vec;
}

export const placed = ({ axes: [x, y, z], scale: by, shift }: Alignment, p: Vec): Vec =>
  add(shift, scale(add(add(scale(x, p[0]), scale(y, p[1])), scale(z, p[2])), by));

type Three = readonly [Vec, Vec, Vec];

/** How three marks of a scan come to lie on three of the car, and how far off each stays, mm. */
export interface Aligned {
  alignment: Alignment;
  off: readonly [number, number, number];
  /** What the marks say of the scan's scale: the car's distances over the scan's. */
  ratio: number;
}

/**
 * Puts a scan's three marks on the car's as near as all three together come (least sum of squares), turned and shifted
 * alone. Two triangles lie best with their planes on each other, one middle on the other, turned in the plane by
 * atan2(Σ cross, Σ dot) (the plane case of Kabsch 1976, from memory); of both ways of laying the planes the nearer counts.
 * @param by mm of a unit of the scan
 * @returns null where three marks lie on one line
 */
export function alignTo(scan: Three, car: Three, by: number): Aligned | null {
  const from = scan.map((p) => scale(p, by)) as unknown as Three;
  const [a, b] = [from, car].map((marks) => scale(add(add(marks[0], marks[1]), marks[2]), 1 / 3));
  const normals = [from, car].map((marks) =>
    cross(sub(marks[1], marks[0]), sub(marks[2], marks[0])),
  );
  const sizes = [from, car].map((marks) => Math.max(...sides(marks)));
  if (normals.some((n, i) => length(n) < LEAST * sizes[i] ** 2)) return null;
  const n = unit(normals[0]);
  const u = unit(sub(from[1], from[0]));
  const v = cross(n, u);
  let best: Aligned | null = null;
  let least = Infinity;
  for (const sign of [1, -1] as const) {
    const m = scale(unit(normals[1]), sign);
    const r = unit(sub(car[1], car[0]));
    const s = cross(m, r);
    // In the plane: the turn that the marks' distances from their middles ask for.
    let [across, along] = [0, 0];
    from.forEach((p, i) => {
      const [x, y] = [dot(sub(p, a), u), dot(sub(p, a), v)];
      const [X, Y] = [dot(sub(car[i], b), r), dot(sub(car[i], b), s)];
      across += x * Y - y * X;
      along += x * X + y * Y;
    });
    const turn = Math.atan2(across, along);
    const [c, d] = [Math.cos(turn), Math.sin(turn)];
    const uTo = add(scale(r, c), scale(s, d));
    const vTo = add(scale(r, -d), scale(s, c));
    const turned = (p: Vec): Vec =>
      add(add(scale(uTo, dot(p, u)), scale(vTo, dot(p, v))), scale(m, dot(p, n)));
    const axes = (
      [
        [1, 0, 0],
        [0, 1, 0],
        [0, 0, 1],
      ] as Vec[]
    ).map(turned) as unknown as Three;
    const alignment: Alignment = { axes, scale: by, shift: sub(b, turned(a)) };
    const off = scan.map((p, i) => length(sub(placed(alignment, p), car[i])));
    const sum = off.reduce((total, one) => total + one * one, 0);
    if (sum < least) {
      least = sum;
      best = { alignment, off: off as unknown as Aligned['off'], ratio: ratioOf(from, car) };
    }
  }
  return best;
}
/** A triangle flatter than this part of its longest side is a line. */
const LEAST = 0.02;

const sides = ([a, b, c]: Three): number[] => [sub(b, a), sub(c, b), sub(a, c)].map(length);

const ratioOf = (from: Three, to: Three): number => {
  const [p, q] = [from, to].map((marks) => sides(marks).reduce((sum, one) => sum + one, 0));
  return q / p;
};

/** A file's axes as they are: x ahead, y left, z up. */
export const asItIs = (by: number): Alignment => ({
  ...{
    axes: [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ],
    scale: by,
    shift: [0, 0, 0],
  },
});
