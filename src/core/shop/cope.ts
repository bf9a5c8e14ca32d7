import { cross, dot, length, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';

/** A straight line, unit `along`, and a round body about it, mm. */
export interface Round {
  at: Vec;
  along: Vec;
  radius: number;
}

/** A tube from a joint on: its axis, the direction from which its skin is measured round, and its wall, mm. */
export interface Branch {
  at: Vec;
  /** Unit vector away from the joint. */
  along: Vec;
  /** Unit vector square to it: where the template's middle line lies. */
  keel: Vec;
  outside: number;
  wall: number;
}

/** How the end of a tube is cut: so far from the joint its wall begins, all the way round. */
export interface Cope {
  /** `turn` from the keel, radians, counter-clockwise seen from the joint's side along the tube; mm along the tube. */
  profile: { turn: number; from: number }[];
  /** Where the tube begins first and last. */
  least: number;
  most: number;
}

/** Steps round the tube: half a millimetre of a 35 mm tube's skin. */
const STEPS = 240;

/**
 * How a tube is cut to fit round bodies that it ends at: a template for its skin, cut square through the wall. Of the
 * wall's inner and outer edge and what is between, that which would touch first decides, so that nothing has to be filed
 * away; with several bodies the one met first from outside.
 *
 * On a line along the wall at a turn, p = s·x + ρ·u, a body |M (p − c)| = R with M = I − h hᵀ cuts a convex piece out of
 * the plane (s, ρ); the farthest s in it over the wall's ρ is a root of a quadratic, at the edge or where ∂F/∂ρ = 0.
 * @returns null where the tube is wider than what it meets, or passes it by
 */
export function copeOf(branch: Branch, bodies: readonly Round[]): Cope | null {
  const profile: Cope['profile'] = [];
  for (let i = 0; i < STEPS; i++) {
    const turn = (2 * Math.PI * i) / STEPS - Math.PI;
    const from = copeAt(branch, bodies, turn);
    if (from === null) return null;
    profile.push({ turn, from });
  }
  profile.push({ turn: Math.PI, from: profile[0].from });
  const all = profile.map(({ from }) => from);
  return { profile, least: Math.min(...all), most: Math.max(...all) };
}

/** How far from its joint a tube's wall begins at a turn from its keel, mm; null where nothing is met there. */
export function copeAt(branch: Branch, bodies: readonly Round[], turn: number): number | null {
  const { along: x, keel, outside, wall } = branch;
  const side = cross(x, keel);
  const u: Vec = [0, 1, 2].map(
    (i) => keel[i] * Math.cos(turn) + side[i] * Math.sin(turn),
  ) as unknown as Vec;
  const [inner, outer] = [outside / 2 - wall, outside / 2];
  let most: number | null = null;
  for (const body of bodies) {
    const s = farthest(branch, body, u, inner, outer);
    if (s !== null && (most === null || s > most)) most = s;
  }
  return most;
}

function farthest(
  { at, along: x }: Branch,
  { at: c, along: h, radius }: Round,
  u: Vec,
  inner: number,
  outer: number,
): number | null {
  const flat = (v: Vec): Vec => sub(v, scale(h, dot(v, h)));
  const [mx, mu, mq] = [flat(x), flat(u), flat(sub(at, c))];
  const [xx, xu, uu] = [dot(mx, mx), dot(mx, mu), dot(mu, mu)];
  const [xq, uq, qq] = [dot(mx, mq), dot(mu, mq), dot(mq, mq) - radius ** 2];
  // Along the body itself nothing is met.
  if (xx < ALONG) return null;
  const at0 = (rho: number): number | null => {
    const b = xu * rho + xq;
    const left = b * b - xx * (uu * rho * rho + 2 * uq * rho + qq);
    return left < 0 ? null : (Math.sqrt(left) - b) / xx;
  };
  const found = [at0(inner), at0(outer)];
  if (uu > ALONG) {
    const a = xx - (xu * xu) / uu;
    const b = xq - (xu * uq) / uu;
    const left = b * b - a * (qq - (uq * uq) / uu);
    if (a > ALONG && left >= 0) {
      const s = (Math.sqrt(left) - b) / a;
      const rho = -(xu * s + uq) / uu;
      if (rho > inner && rho < outer) found.push(s);
    }
  }
  return found.reduce((most, s) => (s !== null && (most === null || s > most) ? s : most), null);
}
const ALONG = 1e-9;

/** The direction square to a tube that is nearest to a wanted one; any where they are one. */
export function keelOf(along: Vec, wanted: Vec): Vec {
  const rest = sub(wanted, scale(along, dot(along, wanted)));
  return length(rest) > 1e-6 ? unit(rest) : keelOf(along, [wanted[2], wanted[0], wanted[1]]);
}
