import { wheelOf } from '../kinematics/wheel';
import type { AxleName, Build } from '../model/build';
import { COORDINATES } from '../model/points';
import { bumpSteer } from '../motion/bumpSteer';
import { readAt } from '../motion/sweep';
import { bothSides } from '../takeoff/symmetry';
import type { SideBySide } from '../takeoff/symmetry';
import { Assembly } from './assembly';
import { offsetCount, offsetOf } from './joints';
import { cornerOf } from './sensitivity';

/** A side as it would stand on the frame as measured, with arms and rods alike on both sides. */
export interface Stands {
  toe: number;
  camber: number;
  /** Toe range over the travel; null where part of it is out of reach. */
  toeRange: number | null;
}

export interface Symmetry {
  points: SideBySide[];
  /** The farthest apart; null where nothing is measured on both sides. */
  worst: SideBySide | null;
  /** Null where a side cannot be put together. */
  left: Stands | null;
  right: Stands | null;
}

/**
 * How far a frame is out of symmetry, and what that does: each side is put together with arms and tie
 * rod of the drawn lengths on its own measured points.
 */
export function symmetryOf(build: Build, axle: AxleName): Symmetry {
  const points = bothSides(build, axle);
  const stands = (side: 'left' | 'right'): Stands | null => {
    const wheel = wheelOf(build, axle, side);
    const left = wheelOf(build, axle, 'left');
    if (!wheel?.corner || !left) return null;
    const { drawn } = left;
    const offsets = new Float64Array(offsetCount(drawn.type));
    for (const both of points)
      COORDINATES.forEach((coordinate, i) => {
        offsets[offsetOf(drawn.type, both.point) + i] =
          both[side][coordinate] - drawn.points[both.point][coordinate];
      });
    const built = new Assembly(drawn, 'rod as drawn').build(offsets);
    const corner = built && cornerOf(wheel, built);
    const reading = corner && readAt(corner, 0, 0);
    if (!corner || !reading?.ok) return null;
    return {
      toe: reading.value.toe,
      camber: reading.value.camber,
      toeRange: bumpSteer(corner, build.travel)?.span.range ?? null,
    };
  };
  return {
    points,
    worst: points.reduce<SideBySide | null>(
      (worst, both) => (worst && worst.apart >= both.apart ? worst : both),
      null,
    ),
    left: points.length > 0 ? stands('left') : null,
    right: points.length > 0 ? stands('right') : null,
  };
}
