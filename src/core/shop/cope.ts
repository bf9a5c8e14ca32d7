import { add, cross, dot, length, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';

/** A straight line, unit `along`, and a round body about it, mm. */
export interface Round {
  at: Vec;
  along: Vec;
  radius: number;
}

/** A square body about a straight line: unit vectors square to its sides, half of what it is across the flats, mm. */
export interface Prism {
  at: Vec;
  flats: readonly [Vec, Vec];
  half: number;
}

/** A tube from a joint on: its axis, the direction from which its skin is measured round, and its wall, mm. */
export interface Branch {
  /** Square: one of its flats looks along the keel. */
  square?: boolean;
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
  /** `turn` from the keel, radians, counter-clockwise seen from the joint's side along the tube (an eighth of a turn to a square one's corner); mm along the tube. */
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
export function copeOf(branch: Branch, bodies: readonly (Round | Prism)[]): Cope | null {
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
export function copeAt(
  branch: Branch,
  bodies: readonly (Round | Prism)[],
  turn: number,
): number | null {
  if (!branch.square) return throughWall(branch, bodies, turn, 0);
  const { outside, wall } = branch;
  const { face, off } = onSquare(turn);
  const own = throughWall(branch, bodies, face, off);
  // At a corner the wall of the next flat is cut through as well.
  const next = Math.sign(off);
  if (Math.abs(off) * outside <= outside - 2 * wall) return own;
  const other = throughWall(branch, bodies, face + (next * Math.PI) / 2, -next);
  return own === null || other === null ? (own ?? other) : Math.max(own, other);
}

/** The same along one line through the wall: square to the tube at a turn, so far beside its middle as a part of half of what it is across. */
function throughWall(
  { at: joint, along: x, keel, outside, wall }: Branch,
  bodies: readonly (Round | Prism)[],
  face: number,
  off: number,
): number | null {
  const side = cross(x, keel);
  const u = add(scale(keel, Math.cos(face)), scale(side, Math.sin(face)));
  const at = add(joint, scale(cross(x, u), (off * outside) / 2));
  const [inner, outer] = [outside / 2 - wall, outside / 2];
  let most: number | null = null;
  for (const body of bodies) {
    const s =
      'flats' in body
        ? farthestOfPrism({ at, along: x }, body, u, inner, outer)
        : farthest({ at, along: x }, body, u, inner, outer);
    if (s !== null && (most === null || s > most)) most = s;
  }
  return most;
}

/** Which flat of a square tube a turn is on, and how far beside that flat's middle, as a part of half its width. */
function onSquare(turn: number): { face: number; off: number } {
  const quarter = Math.PI / 2;
  const face = quarter * Math.round(turn / quarter);
  return { face, off: (turn - face) / (quarter / 2) };
}

type Line = Pick<Branch, 'at' | 'along'>;

/** The same where a square body is met: the highest corner of what its sides and the wall's edges leave of the plane (s, ρ). */
function farthestOfPrism(
  { at, along: x }: Line,
  { at: c, flats, half }: Prism,
  u: Vec,
  inner: number,
  outer: number,
): number | null {
  const d = sub(at, c);
  // a s + b ρ ≤ most, of both sides of both flats, and of the wall.
  const limits = [
    ...flats.flatMap((n) =>
      [1, -1].map((k) => [k * dot(n, x), k * dot(n, u), half - k * dot(n, d)] as const),
    ),
    [0, 1, outer] as const,
    [0, -1, -inner] as const,
  ];
  let most: number | null = null;
  limits.forEach(([a1, b1, m1], i) =>
    limits.slice(i + 1).forEach(([a2, b2, m2]) => {
      const whole = a1 * b2 - a2 * b1;
      if (Math.abs(whole) < 1e-12) return;
      const s = (m1 * b2 - m2 * b1) / whole;
      const rho = (a1 * m2 - a2 * m1) / whole;
      if (limits.every(([a, b, m]) => a * s + b * rho <= m + 1e-9) && (most === null || s > most))
        most = s;
    }),
  );
  return most;
}

function farthest(
  { at, along: x }: Line,
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
