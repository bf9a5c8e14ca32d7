import { UPRIGHT_SIZE } from '../../kinematics/corner';
import { placer } from '../../kinematics/joints';
import type { Wheel } from '../../kinematics/wheel';
import type { Build } from '../../model/build';
import { memberId } from '../../model/made';
import { surfaceOf } from '../../model/mesh';
import { isBeside } from '../../model/room';
import type { KeepOut } from '../../model/room';

/** What is lowest over the road, mm: of the steering, and of what else is known. */
export interface Lowest {
  steering: number;
  name: string;
  /** Null where nothing else is known. */
  other: { over: number; name: string } | null;
}

/**
 * What of the steering is lowest over the road with the wheel so far up, and what of arms, links and bodies is; mm.
 * @returns null where nothing steers, or the corner does not get there
 */
export function lowestAt(build: Pick<Build, 'room'>, wheel: Wheel, travel: number): Lowest | null {
  const { corner, type, design } = wheel;
  if (!corner || !type.tieRod) return null;
  const upright = new Float64Array(UPRIGHT_SIZE);
  if (!corner.corner.pose(travel, 0, upright)) return null;
  const joints = placer(corner.drawn)(upright);
  const steering: { over: number; name: string }[] = [];
  const others: typeof steering = [];
  for (const { role, from, to, name, diameter } of type.members) {
    if (role === 'upright' || !joints[from] || !joints[to]) continue;
    const radius = (design.made?.[memberId({ from, to })]?.outside ?? diameter) / 2;
    const over = Math.min(joints[from][2], joints[to][2]) - radius - travel;
    const steers = [from, to].includes(type.tieRod.inner);
    (steers ? steering : others).push({ over, name: name ?? `${from} to ${to}` });
  }
  for (const body of build.room?.keepOuts ?? [])
    if (isBeside(body, wheel)) others.push({ over: lowestOf(body) - travel, name: body.name });
  const least = (list: typeof steering) => list.toSorted((a, b) => a.over - b.over)[0] ?? null;
  const low = least(steering);
  return low && { steering: low.over, name: low.name, other: least(others) };
}

function lowestOf(body: KeepOut): number {
  if (body.kind === 'box') return body.middle.up - body.size.up / 2;
  if (body.kind === 'mesh') {
    const { places } = surfaceOf(body)!;
    return places.reduce((low, z, i) => (i % 3 === 2 ? Math.min(low, z) : low), Infinity);
  }
  return Math.min(body.from.up, body.to.up) - lying(body) * (body.diameter / 2);
}

/** How much of a round body's radius is below its line: none of one that stands upright. */
function lying({ from, to }: Extract<KeepOut, { kind: 'cylinder' }>): number {
  const [flat, up] = [Math.hypot(to.ahead - from.ahead, to.out - from.out), to.up - from.up];
  return flat / (Math.hypot(flat, up) || 1);
}
