import { POSITIONS } from '../motion/bumpSteer';
import { drawnCorner, prepareAxle } from '../kinematics/axle';
import type { AxleName, Build, Side } from '../model/build';
import { COLUMN, ROW_SIZE } from '../motion/quantities';
import { spanOf } from '../motion/range';
import { runSweep, travelSweep } from '../motion/sweep';
import { numbersOf } from '../takeoff/places';
import { Assembly } from './assembly';
import { BANDED, SAMPLES } from './bands';
import type { Banded, Bands } from './bands';
import { offsetCount } from './joints';
import { SIGMAS, normalNumbers, quantile } from '../geometry/random';
import { cornerOf, offsetsOf } from './sensitivity';

/** Part of the cars within a band. */
const WITHIN = 0.9;

/**
 * Cars built from measurements that are each off by chance within their ±: sampled with a fixed seed,
 * so that the same build gives the same bands. Each car's arms are as long as drawn and its toe is set
 * again at ride height.
 */
export class MonteCarlo {
  private readonly side;
  private readonly values: Record<Banded, Float64Array>;
  private readonly ranges: Float64Array;
  private readonly sweep;
  private readonly drawn;
  private done = 0;
  private failed = 0;
  private reached = 0;
  private readonly normal = normalNumbers();
  private readonly numbers;
  private readonly assembly: Assembly;
  private readonly offsets: Float64Array;
  private readonly design;
  private readonly type;

  /**
   * @param rack mm, + left, at which the bands are wanted
   * @throws RangeError for a build whose layout cannot be solved as drawn
   */
  constructor(
    build: Build,
    axle: AxleName,
    side: Side,
    rack: number,
    readonly samples = SAMPLES,
  ) {
    const design = build[axle] ?? build.front;
    const prepared = prepareAxle(design);
    if (!prepared.ok) throw new RangeError('the layout cannot be solved as drawn');
    this.design = design;
    this.side = side;
    this.numbers = numbersOf(build, axle, side);
    const drawn = drawnCorner(design, side);
    this.assembly = new Assembly(drawn);
    this.offsets = new Float64Array(offsetCount(drawn.type));
    this.type = drawn.type;
    this.sweep = travelSweep(build.travel, POSITIONS, rack);
    this.drawn = travelSweep(build.travel, POSITIONS, rack);
    runSweep(prepared.axle[side], this.drawn);
    this.values = Object.fromEntries(
      BANDED.map((quantity) => [quantity, new Float64Array(POSITIONS * samples).fill(NaN)]),
    ) as Record<Banded, Float64Array>;
    this.ranges = new Float64Array(samples);
  }

  /** Builds up to `count` more cars; returns how many have been built. */
  run(count: number): number {
    const end = Math.min(this.samples, this.done + count);
    for (; this.done < end; this.done++) this.sample(this.done);
    return this.done;
  }

  private sample(index: number): void {
    const { offsets, sweep, drawn, samples } = this;
    offsets.fill(0);
    for (const number of this.numbers)
      offsetsOf(this.type, number, (number.tolerance / SIGMAS) * this.normal(), offsets);
    const built = this.assembly.build(offsets);
    const corner = built && cornerOf(this.design, this.side, built);
    if (!corner) {
      this.failed++;
      return;
    }
    const all = runSweep(corner, sweep) === POSITIONS;
    if (!all) this.failed++;
    for (let i = 0; i < POSITIONS; i++) {
      if (!sweep.reachable[i] || !drawn.reachable[i]) continue;
      for (const quantity of BANDED) {
        const column = i * ROW_SIZE + COLUMN[quantity];
        this.values[quantity][i * samples + index] = sweep.rows[column] - drawn.rows[column];
      }
    }
    const span = all ? spanOf(sweep, 'toe') : null;
    if (span) this.ranges[this.reached++] = span.range;
  }

  /** Bands of the cars built so far. */
  bands(): Bands {
    const { samples, done } = this;
    const low = {} as Bands['low'];
    const high = {} as Bands['high'];
    for (const quantity of BANDED) {
      low[quantity] = new Float64Array(POSITIONS);
      high[quantity] = new Float64Array(POSITIONS);
      for (let i = 0; i < POSITIONS; i++) {
        const sorted = this.values[quantity].slice(i * samples, i * samples + done).sort();
        const count = sorted.findIndex(Number.isNaN);
        const some = count < 0 ? done : count;
        low[quantity][i] = quantile(sorted, some, (1 - WITHIN) / 2);
        high[quantity][i] = quantile(sorted, some, (1 + WITHIN) / 2);
      }
    }
    const ranges = this.ranges.slice(0, this.reached).sort();
    return {
      travel: this.sweep.travel,
      low,
      high,
      toeRange:
        this.reached > 0
          ? {
              median: quantile(ranges, this.reached, 0.5),
              ninety: quantile(ranges, this.reached, WITHIN),
            }
          : null,
      samples: done,
      failed: this.failed,
    };
  }
}

/** Cars built between two looks at how far it is. */
const PARCEL = 50;

/** Builds all the cars of a wheel, yielding the part done, and gives their bands. */
export function* buildCars(
  build: Build,
  axle: AxleName,
  side: Side,
  rack: number,
): Generator<number, Bands> {
  const cars = new MonteCarlo(build, axle, side, rack);
  for (;;) {
    const done = cars.run(PARCEL);
    if (done >= cars.samples) return cars.bands();
    yield done / cars.samples;
  }
}
