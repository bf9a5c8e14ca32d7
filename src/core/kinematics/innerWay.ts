import { toRad } from '../geometry/angle';
import { add, cross, dot, rotate, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';

/**
 * How the steering unit moves a rod's inner joint, in a corner's own outward axes: a rack along its axis, by mm
 * outward; a drop arm about its shaft, by degrees, right-handed about `about`, a unit direction.
 */
export type InnerWay = { by: 'rack'; along: Vec } | { by: 'drop arm'; through: Vec; about: Vec };

/** A rack that lies straight across the car: the way of an inner joint that nothing tells otherwise. */
export const ACROSS: InnerWay = { by: 'rack', along: [0, 1, 0] };

/**
 * A joint that rides on the steering unit: where it is in the middle, mm, and the input, mm outward or degrees, which
 * are given; where it is, its change per unit of the input, and the change of that, which are written. Threes but for
 * the input.
 */
export const INNER = { drawn: 0, input: 3, place: 4, rate: 7, bend: 10 } as const;
export const INNER_SIZE = 13;

/** Writes a joint's place and both its exact derivatives. All travels in the list: nothing is allocated. */
export function writeInner(way: InnerWay, at: Float64Array): void {
  const input = at[INNER.input];
  if (way.by === 'rack') {
    const { along } = way;
    for (let i = 0; i < 3; i++) {
      at[INNER.place + i] = at[INNER.drawn + i] + along[i] * input;
      at[INNER.rate + i] = along[i];
      at[INNER.bend + i] = 0;
    }
    return;
  }
  const { through: o, about: k } = way;
  const angle = toRad(input);
  const s = Math.sin(angle);
  const c = Math.cos(angle);
  const x = at[INNER.drawn] - o[0];
  const y = at[INNER.drawn + 1] - o[1];
  const z = at[INNER.drawn + 2] - o[2];
  const lengthwise = k[0] * x + k[1] * y + k[2] * z;
  const qx = k[1] * z - k[2] * y;
  const qy = k[2] * x - k[0] * z;
  const qz = k[0] * y - k[1] * x;
  const per = toRad(1);
  for (let i = 0; i < 3; i++) {
    const r = i === 0 ? x : i === 1 ? y : z;
    const q = i === 0 ? qx : i === 1 ? qy : qz;
    // Rodrigues: along the shaft it stays, across it it turns.
    const across = r - lengthwise * k[i];
    const turned = across * c + q * s;
    at[INNER.place + i] = o[i] + lengthwise * k[i] + turned;
    at[INNER.rate + i] = (q * c - across * s) * per;
    at[INNER.bend + i] = -turned * per * per;
  }
}

/** Where a joint is that rides on the steering unit, mm. */
export const innerAt = (way: InnerWay, drawn: Vec, input: number): Vec =>
  way.by === 'rack'
    ? add(drawn, scale(way.along, input))
    : add(way.through, rotate(sub(drawn, way.through), scale(way.about, toRad(input))));

/** A vector fixed to the steering unit's moving part, as it is turned there. */
export const turnedWith = (way: InnerWay, v: Vec, input: number): Vec =>
  way.by === 'rack' ? v : rotate(v, scale(way.about, toRad(input)));

/** How a joint that rides on the steering unit moves, mm per mm of a rack or per degree of a drop arm. */
export const innerRate = (way: InnerWay, drawn: Vec, input: number): Vec =>
  way.by === 'rack'
    ? way.along
    : scale(cross(way.about, sub(innerAt(way, drawn, input), way.through)), toRad(1));

/** A drop arm in its own plane, square to the shaft: from the shaft to a joint. */
export function dropArmTo(
  way: Extract<InnerWay, { by: 'drop arm' }>,
  joint: Vec,
): { foot: Vec; arm: Vec } {
  const r = sub(joint, way.through);
  const foot = add(way.through, scale(way.about, dot(r, way.about)));
  return { foot, arm: sub(joint, foot) };
}
