import { POSITIONS } from '../motion/bumpSteer';
import type { Build } from '../model/build';
import { COLUMN, ROW_SIZE } from '../motion/quantities';
import { spanOf } from '../motion/range';
import { runSweep, travelSweep } from '../motion/sweep';
import { numbersOf } from '../takeoff/places';
import { Assembly } from './assembly';
import { BANDED, SAMPLES } from './bands';
import type { Banded, Bands } from './bands';
import { offsetCount } from './joints';
import { SEED, SIGMAS, normalNumbers, quantile } from '../geometry/random';
import { cornerOf, offsetsOf } from './sensitivity';
import type { Wheel } from '../kinematics/wheel';

/** Part of the cars within a band. */
const WITHIN = 0.9;

/**
 * Cars built from measurements that are each off by chance within their ±: sampled with a fixed seed,
 * so that the same build gives the same bands. Each car's arms are as long as drawn and its toe is set
 * again at ride height.
 */
export class MonteCarlo {
  private readonly values: Record<Banded, Float64Array>;
  private readonly ranges: Float64Array;
  private readonly sweep;
  private readonly drawn;
  private done = 0;
  private failed = 0;
  private reached = 0;
  private readonly normal;
  private readonly numbers;
  private readonly assembly: Assembly;
  private readonly offsets: Float64Array;
  private readonly type;

  /**
   * @param rack mm, + left, at which the bands are wanted
   * @param share which share of all the cars these are: other shares have other chances
   * @throws RangeError for a build whose layout cannot be solved as drawn
   */
  constructor(
    build: Build,
    private readonly wheel: Wheel,
    rack: number,
    readonly samples = SAMPLES,
    share = 0,
  ) {
    this.normal = normalNumbers(SEED + share);
    const { corner, drawn, travel } = wheel;
    if (!corner) throw new RangeError('the layout cannot be solved as drawn');
    this.numbers = numbersOf(build, wheel);
    this.assembly = new Assembly(drawn);
    this.offsets = new Float64Array(offsetCount(drawn.type));
    this.type = drawn.type;
    this.sweep = travelSweep(travel, POSITIONS, rack);
    this.drawn = travelSweep(travel, POSITIONS, rack);
    runSweep(corner, this.drawn);
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
    const corner = built && cornerOf(this.wheel, built);
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
  bands = (): Bands => bandsOf([this.sampled()]);

  /** The cars built so far, to be put together with other shares of them. */
  sampled(): Sampled {
    const { values, ranges, reached, failed, done, samples } = this;
    return { travel: this.sweep.travel, values, ranges, reached, failed, done, samples };
  }
}

/** Cars built: how far each is from as drawn at every position, a position after the other. */
export interface Sampled {
  travel: Float64Array;
  values: Record<Banded, Float64Array>;
  /** Toe ranges of those that reach their travel, the first `reached`. */
  ranges: Float64Array;
  reached: number;
  failed: number;
  done: number;
  /** Room for so many at a position. */
  samples: number;
}

/** The memory that cars built stand in, to be handed over whole. */
export const buffersOf = (shares: Sampled[]): ArrayBuffer[] =>
  shares.flatMap(({ values, ranges }) =>
    [ranges, ...Object.values(values)].map(({ buffer }) => buffer as ArrayBuffer),
  );

/** Bands of all the cars of several shares. */
export function bandsOf(shares: Sampled[]): Bands {
  const sum = (of: (share: Sampled) => number) => shares.reduce((all, one) => all + of(one), 0);
  const cars = new Float64Array(sum(({ done }) => done));
  const low = {} as Bands['low'];
  const high = {} as Bands['high'];
  for (const quantity of BANDED) {
    low[quantity] = new Float64Array(POSITIONS);
    high[quantity] = new Float64Array(POSITIONS);
    for (let i = 0; i < POSITIONS; i++) {
      let at = 0;
      for (const { values, samples, done } of shares) {
        cars.set(values[quantity].subarray(i * samples, i * samples + done), at);
        at += done;
      }
      cars.sort();
      const count = cars.findIndex(Number.isNaN);
      const some = count < 0 ? cars.length : count;
      low[quantity][i] = quantile(cars, some, (1 - WITHIN) / 2);
      high[quantity][i] = quantile(cars, some, (1 + WITHIN) / 2);
    }
  }
  const reached = sum((share) => share.reached);
  const ranges = new Float64Array(reached);
  let at = 0;
  for (const share of shares) {
    ranges.set(share.ranges.subarray(0, share.reached), at);
    at += share.reached;
  }
  ranges.sort();
  return {
    travel: shares[0].travel,
    low,
    high,
    toeRange:
      reached > 0
        ? { median: quantile(ranges, reached, 0.5), ninety: quantile(ranges, reached, WITHIN) }
        : null,
    samples: cars.length,
    failed: sum(({ failed }) => failed),
  };
}

/** Cars built between two looks at how far it is. */
const PARCEL = 50;

/** Builds a wheel's cars, or one of several equal shares of them, yielding the part done. */
export function* buildCars(
  build: Build,
  wheel: Wheel,
  rack: number,
  share = 0,
  shares = 1,
): Generator<number, Sampled> {
  const cars = new MonteCarlo(build, wheel, rack, Math.ceil(SAMPLES / shares), share);
  for (;;) {
    const done = cars.run(PARCEL);
    if (done >= cars.samples) return cars.sampled();
    yield done / cars.samples;
  }
}
