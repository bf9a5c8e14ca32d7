import { toRad } from '../geometry/angle';
import type { Damper, Spring } from '../model/damper';

/** Shear modulus of spring steel, N/mm² (Shigley, *Mechanical Engineering Design*, from memory). */
const SHEAR = 79_300;

/**
 * Rate of a coil spring of round wire, N/mm: k = G d⁴ / (8 n D³) (Shigley, from memory).
 * @param wire its diameter, mm
 * @param mean coil diameter between the wire's middles, mm
 * @param turns that work
 */
export const coilRate = (wire: number, mean: number, turns: number): number =>
  (SHEAR * wire ** 4) / (8 * turns * mean ** 3);

/**
 * Torque that twists a round bar or tube by a degree, N·mm: G J / L, J = π (D⁴ − d⁴) / 32 (Shigley, from memory).
 * @param length that twists, mm
 */
export function twistRate({
  outside,
  wall,
  length,
}: {
  outside: number;
  wall?: number | undefined;
  length: number;
}): number {
  const inside = wall === undefined ? 0 : outside - 2 * wall;
  const second = (Math.PI * (outside ** 4 - inside ** 4)) / 32;
  return ((SHEAR * second) / length) * toRad(1);
}

/** Force of a spring that is pressed together by so many mm, N, and its rate there, N/mm. */
export interface Pressed {
  force: number;
  rate: number;
}

/** A spring with its helper as one: free and bound, mm. */
export const freeOf = ({ free, helper }: Spring): number => free + (helper?.free ?? 0);
export const boundOf = ({ bind, helper }: Spring): number => bind + (helper?.bind ?? 0);

/**
 * What a coil spring gives that is pressed together by `by` mm: nothing while it is loose. A helper gives way together
 * with it until it is closed; from there the spring works alone. Past coil bind it goes on as if it were not bound:
 * where that is, the travel has ended.
 * @param rate N/mm, where air or a choice makes it another one
 */
export function pressed(spring: Spring, by: number, rate = spring.rate): Pressed {
  if (by <= 0) return { force: 0, rate: 0 };
  const { helper } = spring;
  if (!helper) return { force: rate * by, rate };
  const closes = helper.free - helper.bind;
  const both = 1 / (1 / rate + 1 / helper.rate);
  // Together they have given this much when the helper's coils touch.
  const until = (helper.rate * closes) / both;
  if (by <= until) return { force: both * by, rate: both };
  return { force: rate * (by - closes), rate };
}

/** Free stroke of a damper as it is used: from its own open length less spacers to where the stop begins, mm. */
export const strokeOf = ({ closed, open, spacer = 0, stop = 0 }: NonNullable<Damper['unit']>) => ({
  open: open - spacer,
  stop: closed + stop,
  closed,
  stroke: open - spacer - closed,
});
