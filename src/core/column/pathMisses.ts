import { toRad } from '../geometry/angle';
import type { Column, ColumnWanted } from '../model/column';
import { nearOf, roundsOf } from './clearance';
import type { CarBody } from './clearance';
import { LEAST_SHAFT, cutList } from './cutList';
import { throughFirewall } from './firewall';
import { jointLimits, wantedOf } from './measure';
import { chainOf, jointName, placesOf } from './places';

/** Something of a column that is not as wanted: how much by, and in words. */
export interface Miss {
  /** 1 is 5°, 1 % of ripple or 5 mm. */
  by: number;
  words: string;
  /** The body that is in the way, by its id. */
  body?: string;
}

/** What one of a miss is of each. */
const DEGREES = 5;
const RIPPLE = 0.01;
const MM = 5;
/** Of a column that does not turn at all. */
const NEVER = 1000;

/**
 * The least ripple that any clocking of a column leaves, about: each plain joint alone turns by e to its −ln cos β, and
 * yokes turned against each other take from the largest what the others have. Exact for one and for two; near for more.
 * A double joint has none of its own; what is above a box that is not one to one cannot cancel what is below.
 */
export function leastRipple(column: Column, bends: readonly number[]): number {
  let total = 0;
  let stretch: number[] = [];
  const close = () => {
    const most = Math.max(0, ...stretch);
    total += Math.max(0, 2 * most - stretch.reduce((sum, one) => sum + one, 0));
    stretch = [];
  };
  column.joints.forEach((joint, j) => {
    if (joint.kind === 'single') stretch.push(-Math.log(Math.cos(toRad(bends[j]))));
    if (joint.kind === 'box' && joint.ratio !== 1) close();
  });
  close();
  return 2 * Math.sinh(total);
}

/** Everything of a column that is not as wanted; none where all is. */
export function missesOf(
  column: Column,
  bodies: readonly CarBody[],
  comfort: boolean,
  wanted: ColumnWanted = wantedOf(column),
): Miss[] {
  const ready = chainOf(column);
  if (!ready.ok) return [{ by: NEVER, words: ready.fault.message }];
  const { bends } = ready.chain;
  const misses: Miss[] = [];
  const { joints } = column;
  joints.forEach((joint, j) => {
    if (joint.kind === 'box') return;
    const { limit, comfort: easy } = jointLimits(column, j);
    const most = comfort ? easy : limit;
    if (bends[j] > most)
      misses.push({
        by: (bends[j] - most) / DEGREES,
        words: `${jointName(joints, j)} bends ${bends[j].toFixed(1)}°, ${most.toFixed(0)}° wanted`,
      });
  });
  const ripple = leastRipple(column, bends);
  if (ripple > wanted.ripple / 100)
    misses.push({
      by: (ripple - wanted.ripple / 100) / RIPPLE,
      words: `ripple ${(100 * ripple).toFixed(1)} % however it is clocked, ${wanted.ripple} % wanted`,
    });
  for (const { what, to, id, clearance } of nearOf(
    roundsOf(column, placesOf(column)),
    bodies,
    wanted.clear,
  ))
    misses.push({
      by: (wanted.clear - clearance) / MM,
      words: `${what}: ${clearance < 0 ? `${(-clearance).toFixed(0)} mm into` : `${clearance.toFixed(0)} mm from`} ${to}`,
      body: id,
    });
  for (const { name, between } of cutList(column)) {
    if (between < LEAST_SHAFT)
      misses.push({
        by: (LEAST_SHAFT - between) / MM,
        words: `${name} has no room between its joints`,
      });
  }
  misses.push(...firewallMisses(column));
  return misses;
}

function firewallMisses(column: Column): Miss[] {
  const { firewall } = column;
  if (!firewall) return [];
  const through = throughFirewall(column);
  if (!through) return [{ by: NEVER / 10, words: 'no shaft goes through the firewall' }];
  const misses: Miss[] = through.joints.flatMap(({ name, gap, passes }) =>
    gap < 0 && !passes ? [{ by: -gap / MM, words: `${name} stands in the firewall` }] : [],
  );
  const { room } = firewall;
  if (room) {
    const off = Math.max(
      through.left - room.left,
      -through.left - room.right,
      through.up - room.up,
      -through.up - room.down,
    );
    if (off > 0)
      misses.push({ by: off / MM, words: `the hole is ${off.toFixed(0)} mm past where it may be` });
  }
  return misses;
}

export const sumOf = (misses: readonly Miss[]): number =>
  misses.reduce((sum, { by }) => sum + by, 0);
