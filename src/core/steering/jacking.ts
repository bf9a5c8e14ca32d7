import type { LockToLock } from './lockToLock';

/** What a car stands on, beside its front wheels. */
export interface Stance {
  wheelbase: number;
  /** Between the rear contact points, mm. */
  rearTrack: number;
  /** Of the weight, %, that the front wheels carry. */
  frontShare: number;
  /** Of the centre of mass above the ground, mm. */
  massHeight: number;
  /** Sideways acceleration into the turn, parts of gravity. */
  sideways: number;
}

export const CORNERS = ['frontLeft', 'frontRight', 'rearLeft', 'rearRight'] as const;
export type CornerName = (typeof CORNERS)[number];

/** How a rigid frame stands on four rigid wheels. */
export interface Standing {
  /** The wheel that hangs, and how far its contact is off the ground that the other three stand on, mm. */
  lifts: CornerName;
  gap: number;
  /** No three wheels carry it: it would go over. */
  tips: boolean;
}

type Place = readonly [ahead: number, left: number, up: number];

/**
 * A rigid frame on four contacts: two of the four ways to stand on three of them leave the fourth in the air; of those
 * the weight takes the one within whose triangle it falls (statics of a table with four legs; geometry).
 * @param contacts in the order of CORNERS, mm in the chassis' axes
 * @param load where the weight's line meets the ground, [ahead, left] mm
 */
export function standOn(contacts: readonly Place[], load: readonly [number, number]): Standing {
  let best: Standing | null = null;
  let nearest = -Infinity;
  for (let hangs = 0; hangs < 4; hangs++) {
    const three = contacts.filter((_, i) => i !== hangs);
    const [ahead, left, up] = contacts[hangs];
    // The ground through the three, where the fourth is over it.
    const gap = sharesOf(three, [ahead, left]).reduce(
      (sum, part, i) => sum - part * three[i][2],
      up,
    );
    if (gap < -1e-9) continue;
    // Least of the three shares of the load: below nought it falls outside.
    const least = Math.min(...sharesOf(three, load));
    if (least > nearest) {
      nearest = least;
      best = { lifts: CORNERS[hangs], gap: Math.max(0, gap), tips: least < 0 };
    }
  }
  return best!;
}

/** Of a load what each of three places carries, parts that make 1; one below nought is pulled. */
function sharesOf([a, b, c]: readonly Place[], [x, y]: readonly [number, number]): number[] {
  const det = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
  const s = ((x - a[0]) * (c[1] - a[1]) - (y - a[1]) * (c[0] - a[0])) / det;
  const t = ((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])) / det;
  return [1 - s - t, s, t];
}

/** What steering does to the heights of the wheels at one position, the frame and a live rear axle taken as rigid. */
export interface Jacking extends Standing {
  /** Each front contact against straight ahead in the chassis' axes, mm: − pushes that side of the frame up. */
  left: number;
  right: number;
  /** Sideways acceleration, parts of gravity, from which the rear wheel on the inside hangs; null where none does it. */
  insideFrom: number | null;
}

/**
 * @param over lock to lock, its middle straight ahead
 * @param i the position
 * @returns null out of reach, or straight ahead where nothing is lifted
 */
export function jackingAt(over: LockToLock, i: number, stance: Stance): Jacking | null {
  const middle = (over.count - 1) / 2;
  if (over.reachable[i] === 0 || over.reachable[middle] === 0) return null;
  const mean = (over.left.steer[i] + over.right.steer[i]) / 2;
  if (Math.abs(mean) < 1e-6) return null;
  const { wheelbase, rearTrack, frontShare, massHeight, sideways } = stance;
  const up = (side: 'left' | 'right') => over[side].contactUp[i] - over[side].contactUp[middle];
  const [left, right] = [up('left'), up('right')];
  const contacts: Place[] = [
    [over.left.contactAhead[i], over.left.contactOut[i], left],
    [over.right.contactAhead[i], -over.right.contactOut[i], right],
    [-wheelbase, rearTrack / 2, 0],
    [-wheelbase, -rearTrack / 2, 0],
  ];
  const turn = mean > 0 ? 1 : -1;
  const ahead = -wheelbase * (1 - frontShare / 100);
  const at = (part: number) => standOn(contacts, [ahead, -turn * part * massHeight]);
  return { ...at(sideways), left, right, insideFrom: insideFrom() };

  /** The weight crosses the diagonal that stands; before it goes over. */
  function insideFrom(): number | null {
    const inside = turn > 0 ? 'rearLeft' : 'rearRight';
    if (at(0).lifts === inside && !at(0).tips) return 0;
    // The diagonal of the inner front wheel and the outer rear one.
    const [p, q] = turn > 0 ? [contacts[0], contacts[3]] : [contacts[1], contacts[2]];
    const part = (ahead - p[0]) / (q[0] - p[0]);
    const cross = p[1] + part * (q[1] - p[1]);
    const from = (-turn * cross) / massHeight;
    if (!(from > 0)) return null;
    const there = at(from * (1 + 1e-6));
    return there.lifts === inside && !there.tips && there.gap > 1e-9 ? from : null;
  }
}
