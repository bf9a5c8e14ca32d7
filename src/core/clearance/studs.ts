import { toRad } from '../geometry/angle';
import { scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import type { PointName } from '../model/points';
import { isMeasured, takeOffOf } from '../model/takeOff';
import { hangUpright } from '../takeoff/hang';
import { articulationsOf } from './articulation';
import type { Articulations } from './articulation';

/**
 * How the studs of ball joints lie on the upright as drawn, where they were measured on the bench: by their angle
 * against the hub's face, + top further inboard. A side without a record of its own goes by the other's.
 */
export function studsOf(build: Build, wheel: Wheel): Record<PointName, Vec> {
  const { axle, side, points } = wheel;
  const { frame } = hangUpright(build, wheel);
  const studs: Record<PointName, Vec> = {};
  const records = takeOffOf(build).measured.filter(
    (record) => record.axle === axle && record.method === 'bench' && record.point in points,
  );
  // The side's own records come last, and hold.
  for (const own of [false, true])
    for (const record of records)
      if (record.method === 'bench' && (record.side === side) === own && isMeasured(record)) {
        const angle = record.stud?.value;
        if (angle === undefined) continue;
        const lean = toRad(angle);
        studs[record.point] = unit(
          sub(scale(frame.up, Math.cos(lean)), scale(frame.axis, Math.sin(lean))),
        );
      }
  return studs;
}

/** How far the joints of a wheel articulate over travel and lock, studs as they were measured; null where nothing can be solved. */
export const measuredArticulations = (build: Build, wheel: Wheel): Articulations | null =>
  articulationsOf(wheel, studsOf(build, wheel));
