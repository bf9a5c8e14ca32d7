import { Matrix, SVD } from 'ml-matrix';
import { cross, dot, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Mark, MarkDistance } from '../model/takeOff';

/** With more marks than the one none is turned over, with more than the other no two together. */
const MANY = 20;
const FEW = 10;

/** Which marks are turned over to try: each, and where there are few each two together. */
export function turnsOf(count: number): number[][] {
  if (count > MANY) return [];
  const each = Array.from({ length: count }, (_, i) => i);
  return [
    ...each.map((i) => [i]),
    ...(count <= FEW ? each.flatMap((i) => each.slice(i + 1).map((j) => [i, j])) : []),
  ];
}
/** Places with one mark on the other side of the plane of those it is taped to; null where it is known or they make none. */
export function reflected(
  places: number[][],
  i: number,
  marks: Mark[],
  between: MarkDistance[],
  index: Map<string, number>,
): number[][] | null {
  const { id, known, mirrors } = marks[i];
  if (known.ahead || known.left || known.up || mirrors !== undefined) return null;
  const others = between.flatMap(({ from, to }) =>
    from === id ? [index.get(to)!] : to === id ? [index.get(from)!] : [],
  );
  if (others.length < 3) return null;
  const middle = [0, 1, 2].map(
    (a) => others.reduce((sum, j) => sum + places[j][a], 0) / others.length,
  );
  const { rightSingularVectors } = new SVD(
    new Matrix(others.map((j) => places[j].map((x, a) => x - middle[a]))),
    { autoTranspose: true },
  );
  const [u, v] = [0, 1].map((k) => [0, 1, 2].map((a) => rightSingularVectors.get(a, k)));
  const way = cross(u as unknown as Vec, v as unknown as Vec);
  const height = dot(sub(places[i] as unknown as Vec, middle as unknown as Vec), way);
  return places.map((place, j) =>
    j === i ? place.map((x, a) => x - 2 * height * way[a]) : [...place],
  );
}
