import { ShapeUtils, Vector2 } from 'three';
import type { Surface } from '../model/mesh';
import type { PlateShape } from '../model/pieces';

type Spot = [number, number];

/** A round hole as an outline. */
export const circle = ({
  at: [x, y],
  across,
}: {
  at: readonly [number, number];
  across: number;
}): Spot[] =>
  Array.from({ length: 72 }, (_, i): Spot => {
    const t = (i * Math.PI) / 36;
    return [x + (across / 2) * Math.cos(t), y + (across / 2) * Math.sin(t)];
  });

/** From where a drawing is seen, and which way it is thick. */
export const SEEN_FROM = ['the side', 'the front', 'above'] as const;
export type SeenFrom = (typeof SEEN_FROM)[number];

/**
 * A flat shape as a body so thick in the car, its drawing's origin at a place: seen from the (left) side x is ahead and y
 * up; from the front x is to the left and y up; from above x is ahead and y to the left. Half of it is on either side.
 */
export function extruded(
  { edge, windows, holes }: PlateShape,
  seen: SeenFrom,
  at: readonly [ahead: number, left: number, up: number],
  thick: number,
): Surface {
  const vectors = (line: readonly (readonly [number, number])[]) =>
    line.map(([x, y]) => new Vector2(x, y));
  const rings = [edge, ...windows, ...holes.map((one) => circle(one))];
  const contour = vectors(edge);
  const cut = rings.slice(1).map(vectors);
  if (ShapeUtils.isClockWise(contour)) contour.reverse();
  for (const one of cut) if (!ShapeUtils.isClockWise(one)) one.reverse();
  const faces = ShapeUtils.triangulateShape(contour, cut);
  const flat = [contour, ...cut].flat();
  const places: number[] = [];
  const put = ({ x, y }: Vector2, deep: number) => {
    const [a, l, u] =
      seen === 'the side' ? [x, deep, y] : seen === 'the front' ? [deep, x, y] : [x, y, deep];
    places.push(at[0] + a, at[1] + l, at[2] + u);
  };
  for (const deep of [-thick / 2, thick / 2]) for (const p of flat) put(p, deep);
  const n = flat.length;
  const triangles = faces.flatMap(([a, b, c]) => [a, b, c, n + a, n + c, n + b]);
  let start = 0;
  for (const ring of [contour, ...cut]) {
    ring.forEach((_, i) => {
      const [p, q] = [start + i, start + ((i + 1) % ring.length)];
      triangles.push(p, q, n + q, p, n + q, n + p);
    });
    start += ring.length;
  }
  return { places: Float32Array.from(places), triangles: Uint16Array.from(triangles) };
}
