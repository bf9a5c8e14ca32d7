import { POSITIONS, bumpSteer } from '../motion/bumpSteer';
import type { CornerType } from '../corners/cornerType';
import type { AxleCorner } from '../kinematics/axle';
import type { AxleDesign, Build } from '../model/build';
import { COLUMN, ROW_SIZE } from '../motion/quantities';
import { makeSweep, runSweep, travelSweep } from '../motion/sweep';
import type { Sweep } from '../motion/sweep';
import { numbersOf } from '../takeoff/places';
import type { MeasuredNumber } from '../takeoff/measured';
import { Assembly } from './assembly';
import { offsetCount, offsetOf } from './joints';
import { responseOf } from './response';
import type { Wheel } from '../kinematics/wheel';

/** What is judged: range of toe over the travel (degrees), camber (degrees) and scrub radius (mm) at ride height. */
export const JUDGED = ['bumpSteer', 'camber', 'scrub'] as const;
export type Judged = (typeof JUDGED)[number];

/** How much one measured number matters. */
export interface Sensitivity {
  number: MeasuredNumber;
  /** Exact derivative per mm (or degree) of the number; null where the corner does not reach its travel. */
  per: (Omit<Record<Judged, number>, 'scrub'> & { scrub: number | null }) | null;
  /** Largest change, either way, when the number is off by its ±; Infinity where the corner cannot be put together. */
  over: Record<Judged, number>;
}

/** Moves of joints by a number, per unit, joint after joint. */
export function offsetsOf(
  type: CornerType,
  number: MeasuredNumber,
  amount: number,
  into: Float64Array,
): void {
  for (const { point, per } of number.moves) {
    const at = offsetOf(type, point);
    for (let i = 0; i < 3; i++) into[at + i] += amount * per[i];
  }
}

/** Judges corners as built, one after another, in the same working memory. */
export class Judge {
  private readonly ride: Sweep = makeSweep(1);
  private readonly sweep: Sweep;
  private readonly assembly: Assembly;

  constructor(private readonly wheel: Wheel) {
    this.sweep = travelSweep(wheel.travel, POSITIONS);
    this.assembly = new Assembly(wheel.drawn);
  }

  /** The corner that comes of joints that are off; null where it cannot be put together. */
  corner(offsets: Float64Array): AxleCorner | null {
    const built = this.assembly.build(offsets);
    return built && cornerOf(this.wheel, built);
  }

  judge(corner: AxleCorner): Record<Judged, number> | null {
    const found = bumpSteer(corner, this.wheel.travel, this.sweep);
    if (!found || runSweep(corner, this.ride) === 0) return null;
    const row = this.ride.rows.subarray(0, ROW_SIZE);
    return {
      bumpSteer: found.span.range,
      camber: row[COLUMN.camber],
      // A wheel that steers about nothing keeps none.
      scrub: Number.isNaN(row[COLUMN.scrub]) ? 0 : row[COLUMN.scrub],
    };
  }
}

/** A built corner, ready to be moved. */
export function cornerOf(
  wheel: Wheel,
  built: Pick<AxleDesign, 'points' | 'static'>,
): AxleCorner | null {
  const { rightPoints: _, ...mirrored } = wheel.design;
  return wheel.drawnAs({ ...mirrored, ...built }).corner;
}

/**
 * The sensitivity list: every number a corner hangs on, the one that changes bump steer most over its
 * ± first. Derivatives are exact; the change over the ± is worked out with the number off either way.
 * @returns empty where the layout cannot be solved as drawn
 */
export function sensitivities(build: Build, wheel: Wheel): Sensitivity[] {
  const { corner, type } = wheel;
  if (!corner) return [];
  const judge = new Judge(wheel);
  const drawn = judge.judge(corner);
  const span = bumpSteer(corner, wheel.travel)?.span;
  const response = span && responseOf(corner, wheel.drawn, [span.maxAt, span.minAt]);
  const offsets = new Float64Array(offsetCount(type));
  const numbers = numbersOf(build, wheel);
  return numbers
    .map((number): Sensitivity => {
      offsets.fill(0);
      offsetsOf(type, number, 1, offsets);
      const answer = response?.(offsets);
      const over: Record<Judged, number> = { bumpSteer: 0, camber: 0, scrub: 0 };
      for (const sign of drawn ? [1, -1] : []) {
        offsets.fill(0);
        offsetsOf(type, number, sign * number.tolerance, offsets);
        const built = judge.corner(offsets);
        const judged = built && judge.judge(built);
        for (const what of JUDGED)
          over[what] = Math.max(
            over[what],
            judged ? Math.abs(judged[what] - drawn![what]) : Infinity,
          );
      }
      return {
        number,
        per: answer?.toe.every(Number.isFinite)
          ? {
              // The ends of the span stay where they are to first order (envelope theorem).
              bumpSteer: answer.toe[0] - answer.toe[1],
              camber: answer.camber,
              scrub: answer.scrub,
            }
          : null,
        over,
      };
    })
    .sort((a, b) => b.over.bumpSteer - a.over.bumpSteer);
}
