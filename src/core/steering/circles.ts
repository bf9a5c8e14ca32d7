import { toRad } from '../geometry/angle';
import type { LockToLock } from './lockToLock';
import { towardsTurn } from './steered';

/** Diameters that a turn needs, mm: between kerbs, and between walls. */
export interface Circles {
  kerb: number;
  wall: number;
}

/** What reaches outward of the contact points, mm. */
export interface Outline {
  /** Of a front tyre: rolling radius and width. */
  radius: number;
  width: number;
  /** Of the body: ahead of the front axle's line, and half of its width there; null where that is not known. */
  nose: { ahead: number; half: number } | null;
}

/**
 * Both circles at one position, about the turn centre of both wheels' mean on the rear axle's line (no slip): the
 * outside of the outer front tyre at the ground; and the furthest of that tyre's front corner, at hub height, and the
 * nose's.
 * @returns null straight ahead or out of reach
 */
export function circlesAt(
  over: LockToLock,
  i: number,
  wheelbase: number,
  { radius, width, nose }: Outline,
): Circles | null {
  const { left, right } = over;
  const mean = (left.steer[i] + right.steer[i]) / 2;
  if (over.reachable[i] === 0 || Math.abs(mean) < 1e-6) return null;
  const { turn, outerSteer } = towardsTurn(left.steer[i], right.steer[i]);
  const outer = turn === 'left' ? right : left;
  // From the turn centre, which is at (−wheelbase, towards the turn).
  const towards = wheelbase / Math.tan(toRad(Math.abs(mean)));
  const far = (ahead: number, out: number) => Math.hypot(ahead + wheelbase, towards + out);
  const [sine, cosine] = [Math.sin(toRad(outerSteer)), Math.cos(toRad(outerSteer))];
  // The outer wheel points into the turn: its front goes in, its outside ahead.
  const corner = far(
    outer.contactAhead[i] + radius * cosine + (width / 2) * sine,
    outer.contactOut[i] - radius * sine + (width / 2) * cosine,
  );
  const body = nose ? far(nose.ahead, nose.half) : 0;
  return { kerb: 2 * over.radius[i] + width, wall: 2 * Math.max(corner, body) };
}
