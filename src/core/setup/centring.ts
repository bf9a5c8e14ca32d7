import { distance } from '../geometry/vec';
import { rodEnds } from '../corners/kinds';
import { rackWay } from '../kinematics/axle';
import { wheelOf } from '../kinematics/wheel';
import type { Build, Side } from '../model/build';
import { noSetups } from '../model/setups';
import { toVec } from '../model/points';
import { around } from './adjusters';
import type { Adjuster } from './adjusters';
import { setNow } from './book';

/** What is turned at one wheel's rod so that the rack stands in its middle, toe staying where it is. */
export interface RodTurned {
  side: Side;
  adjuster: Adjuster;
  /** Exactly so much longer, mm; what whole flats make of it. */
  exact: number;
  by: number;
  /** Toe before and with whole flats, degrees. */
  toe: { before: number; after: number };
  /** Its thread does not go so far. */
  atEnd: boolean;
}

/**
 * What both rods are turned by to bring a rack to its middle that stands off it with the wheels straight ahead: each as much
 * as its inner joint goes, so that toe stays. Rounded to flats, put together again and read.
 * @param off mm of rack, + left
 * @returns the left first; null without a rack and two rods of its own, or where that does not go together
 */
export function centreRack(build: Build, off: number): RodTurned[] | null {
  const sides = (['left', 'right'] as const).map((side) => rodOf(build, side, off));
  return sides.some((one) => one === null) ? null : (sides as RodTurned[]);
}

function rodOf(build: Build, side: Side, off: number): RodTurned | null {
  const wheel = wheelOf(build, 'front', side);
  const { type, design, steered } = wheel;
  if (!steered || !type.tieRod || type.coupled || design.dropArm) return null;
  const { setting } = setNow(build, wheel);
  const rod = setting.adjusters.findIndex(({ setsToe }) => setsToe);
  const built = setting.build(setting.still);
  const before = setting.stands(setting.still);
  if (rod < 0 || !built || !before) return null;
  const { inner, outer } = rodEnds(type);
  const [from, to] = [toVec(built.points[inner]), toVec(built.points[outer])];
  // Outward is to the left for the left wheel alone.
  const out = side === 'left' ? off : -off;
  const way = rackWay(design.rack, side);
  const there = [0, 1, 2].map((i) => from[i] + out * way[i]) as [number, number, number];
  const exact = distance(from, to) - distance(there, to);
  const adjuster = setting.adjusters[rod];
  const by = around(adjuster, exact).reduce((a, b) =>
    Math.abs(b - exact) < Math.abs(a - exact) ? b : a,
  );
  // With the rack in its middle the rod is as long as it was meant to be, but for what whole flats leave.
  const moves = [...setting.still];
  moves[rod] = by - exact;
  const after = setting.stands(moves);
  return (
    after && {
      ...{ side, adjuster, exact, by },
      toe: { before: before.toe, after: after.toe },
      atEnd: Math.abs(by - exact) > stepOf(adjuster) / 2 + 1e-6,
    }
  );
}

const stepOf = ({ places, per }: Adjuster): number => (places.kind === 'steps' ? places.step : per);

/** Notes how far the rack stands off its middle, mm, + left; undefined: it does not. Changes the build it is given. */
export function writeRackOff(build: Build, off: number | undefined): void {
  const setups = (build.setups ??= noSetups());
  if (off === undefined) delete setups.rackOff;
  else setups.rackOff = off;
}
