import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import type { AxleCorner } from '../kinematics/axle';
import { Wheel } from '../kinematics/wheel';
import { cross, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { CornerType } from '../corners/cornerType';
import { pointNames } from '../corners/kinds';
import { SIGMAS } from '../geometry/random';
import type { AxleDesign, AxleName, Build, Side, Travel } from '../model/build';
import type { CheckSetup, Fitted, MethodId, ReadSide, Round } from '../model/checks';
import { COORDINATES } from '../model/points';
import { numbersOf } from '../takeoff/places';
import type { MeasuredNumber } from '../takeoff/measured';
import { Assembly } from '../tolerance/assembly';
import { offsetCount, offsetOf } from '../tolerance/joints';
import { cornerOf, offsetsOf } from '../tolerance/sensitivity';
import { uprightMoves } from '../tolerance/uprightMoves';
import type { UprightMove } from '../tolerance/uprightMoves';
import type { Estimate } from './estimate';
import { groupedBy } from './grouped';
import { METHOD_TABLE } from './methods';
import type { Component, Seen } from './methods';
import { STEP, along, placeOf, toeAt } from './places';
import type { Place } from './places';
import { indexOf, positionsOf, sweepStepper, turnedBy } from './sweepModel';
import type { Stepper } from './sweepModel';

/** One number that was read and what it hangs on. */
export interface Evidence {
  /** The readings that it is made of. */
  ids: readonly string[];
  side: ReadSide;
  /** How often something had been fitted. */
  round: number;
  /** mm, + bump. */
  travel: number;
  method: MethodId;
  component: string;
  /** mm or degrees. */
  value: number;
  /** Two standard deviations of the reading itself, and of the height, mm. */
  plusMinus: number;
  heightOff: number;
}

/** Something of the car that is not exactly known, with what is thought of it before anything is read. */
export type Unknown = {
  /** Standard deviation about `mean`. */
  sigma: number;
  mean: number;
  side: Side;
} & (
  | { kind: 'number'; number: MeasuredNumber }
  /** What a fitted move really does, as a part of what it was meant to do. */
  | { kind: 'gain' }
);

/** How well a spacer does what it should: one standard deviation (common practice: it crushes, a thread has play). */
const GAIN_SIGMA = 0.1;

/** What a check was made on. */
export interface CheckedCar {
  axle: AxleName;
  sides: ReadSide;
  moved: 'wheel' | 'chassis';
  setup: CheckSetup;
  drawn: AxleDesign;
  travel: Travel;
  rounds: readonly Pick<Round, 'fitted'>[];
}

/** Where the pieces of one wheel's model stand at one state of the car. */
interface Standing {
  corner: AxleCorner;
  /** The axes of the upright as drawn, as they lie now. */
  axes: readonly Vec[];
  places: Map<number, Place>;
}

export const sidesOf = (side: ReadSide): Side[] => (side === 'both' ? ['left', 'right'] : [side]);

/**
 * A car on its stands as it may really be: the drawing with its measured numbers a little off and what was fitted.
 * Says what every reading would be, and how that answers to each unknown.
 */
export class CarModel {
  readonly unknowns: readonly Unknown[];
  readonly sides: readonly Side[];
  readonly wheels: Readonly<Record<Side, Wheel>>;
  private readonly homes: Record<Side, Place>;
  private readonly assemblies: Record<Side, Assembly>;

  /**
   * @param build for its take-off: the ± of every number
   * @throws RangeError for a layout that cannot be solved as drawn
   */
  constructor(
    build: Build,
    readonly car: CheckedCar,
  ) {
    const { axle, drawn, travel } = car;
    this.sides = sidesOf(car.sides);
    const wheel = (side: Side) => new Wheel(axle, side, drawn, travel);
    this.wheels = { left: wheel('left'), right: wheel('right') };
    this.assemblies = {
      left: new Assembly(this.wheels.left.drawn),
      right: new Assembly(this.wheels.right.drawn),
    };
    const home = (side: Side): Place => {
      const { corner } = this.wheels[side];
      const upright = new Float64Array(UPRIGHT_SIZE);
      if (!corner?.corner.pose(0, 0, upright))
        throw new RangeError('the layout cannot be solved as drawn');
      return placeOf(upright);
    };
    this.homes = { left: home('left'), right: home('right') };
    this.unknowns = this.sides.flatMap((side): Unknown[] => [
      ...numbersOf(build, this.wheels[side]).map((number): Unknown => ({
        kind: 'number',
        side,
        number,
        mean: 0,
        sigma: number.tolerance / SIGMAS,
      })),
      ...(car.rounds.some(({ fitted }) => fitted.some((one) => one.side === side))
        ? [{ kind: 'gain', side, mean: 1, sigma: GAIN_SIGMA } as const]
        : []),
    ]);
  }

  /** What is thought of every unknown before anything is read. */
  get prior(): Float64Array {
    return Float64Array.from(this.unknowns, ({ mean }) => mean);
  }

  /** How far the joints of a side are from where they are drawn, mm, as in `Assembly`. */
  offsets(side: Side, state: ArrayLike<number>, round: number): Float64Array {
    const { type } = this.wheels[side];
    const into = new Float64Array(offsetCount(type));
    this.unknowns.forEach((unknown, i) => {
      if (unknown.side !== side) return;
      if (unknown.kind === 'number') offsetsOf(type, unknown.number, state[i], into);
      else addMoves(type, this.fittedBy(side, round), state[i], into);
    });
    return into;
  }

  private fittedBy(side: Side, round: number): Fitted[] {
    return this.car.rounds
      .slice(0, round)
      .flatMap(({ fitted }) => fitted.filter((one) => one.side === side));
  }

  /**
   * A side as a state has it, put together and ready to be moved; null where it cannot be.
   * @param more what would be fitted besides, as if it did what it is meant to
   */
  corner(
    side: Side,
    state: ArrayLike<number>,
    round: number,
    more: readonly Fitted[] = [],
  ): AxleCorner | null {
    const offsets = this.offsets(side, state, round);
    addMoves(this.wheels[side].type, more, this.gainOf(side, state), offsets);
    const built = this.assemblies[side].build(offsets);
    return built && cornerOf(this.wheels[side], built);
  }

  /** What fitted moves do of what they should, as far as that is known. */
  gainOf(side: Side, state: ArrayLike<number>): number {
    const at = this.unknowns.findIndex((one) => one.kind === 'gain' && one.side === side);
    return at < 0 ? 1 : state[at];
  }

  /** How well that is known: of what a move does, as a part of it squared. */
  gainVariance(side: Side, { covariance, size }: Pick<Estimate, 'covariance' | 'size'>): number {
    const at = this.unknowns.findIndex((one) => one.kind === 'gain' && one.side === side);
    return at < 0 ? GAIN_SIGMA ** 2 : covariance[at * size + at];
  }

  /** What one reading is of, on a car in that state; null where it cannot be put together or reached. */
  seenOf(one: Evidence, state: ArrayLike<number>): Seen | null {
    const standing = this.standingOf([one], state);
    return standing && this.seen(one, standing);
  }

  /** Toe of a side at some travels, degrees, and how it answers to each unknown; null out of reach. */
  toes(
    side: Side,
    state: ArrayLike<number>,
    round: number,
    travels: readonly number[],
  ): { toe: number[]; slopes: Float64Array[] } | null {
    const corner = this.corner(side, state, round);
    if (!corner) return null;
    const axes = AXES.map(this.assemblies[side].turned);
    const places = travels.map((travel) => this.placeIn(corner, travel));
    const moves = uprightMoves(
      corner,
      corner.drawn,
      travels.map((travel) => ({ travel, input: 0 })),
    );
    if (!moves || places.some((place) => place === null)) return null;
    const { type } = this.wheels[side];
    const slopes = travels.map(() => new Float64Array(this.unknowns.length));
    this.unknowns.forEach((unknown, u) => {
      if (unknown.side !== side) return;
      const offsets = this.offsetsPer(side, round, unknown);
      if (offsets.every((by) => by === 0)) return;
      moves(carriedAlong(type, offsets, axes)).forEach((move, i) => {
        const at = places[i]!;
        const [plus, minus] = [STEP, -STEP].map((by) => toeAt(along(at, move, by)));
        slopes[i][u] = (plus - minus) / (2 * STEP);
      });
    });
    return { toe: places.map((place) => toeAt(place!)), slopes };
  }

  /** How far an unknown's unit moves the joints. */
  private offsetsPer(side: Side, round: number, unknown: Unknown): Float64Array {
    const { type } = this.wheels[side];
    const offsets = new Float64Array(offsetCount(type));
    if (unknown.kind === 'number') offsetsOf(type, unknown.number, 1, offsets);
    else addMoves(type, this.fittedBy(side, round), 1, offsets);
    return offsets;
  }

  /** What each of `all` would read on a car in that state; null where it cannot be put together or reached. */
  predict(all: readonly Evidence[], state: ArrayLike<number>): Float64Array | null {
    const standing = this.standingOf(all, state);
    if (!standing) return null;
    const values = new Float64Array(all.length);
    for (const [i, one] of all.entries()) {
      const seen = this.seen(one, standing);
      if (!seen) return null;
      values[i] = componentOf(one).model(seen, this.car.setup);
      if (!Number.isFinite(values[i])) return null;
    }
    return values;
  }

  /**
   * How each of `all` answers to every unknown, a row each, and to the wheel's height (per mm) behind them: exact
   * derivatives of how the upright stands, of the reading by a step along them (its error is of the second order of a
   * millionth). Of a strut's lower end on a car that is off already they are good to a few parts in a hundred.
   */
  slopes(all: readonly Evidence[], state: ArrayLike<number>): Float64Array[] | null {
    const standing = this.standingOf(all, state);
    if (!standing) return null;
    const { unknowns } = this;
    const rows = all.map(() => new Float64Array(unknowns.length + 1));
    const groups = groupedBy([...all.entries()], ([, { side, round }]) => `${side} ${round}`);
    for (const entries of groups) {
      const [, first] = entries[0];
      const seen = entries.map(([, one]) => this.seen(one, standing));
      if (!seen.every((one) => one !== null)) return null;
      for (const side of sidesOf(first.side)) {
        if (!this.sides.includes(side)) continue;
        const { corner, axes } = standing.get(keyOf(side, first.round))!;
        const positions = positionsOf(
          entries.map(([, { travel }], k) => ({ travel, seen: seen[k] })),
        );
        const moves = uprightMoves(corner, corner.drawn, positions);
        if (!moves) return null;
        const { type } = this.wheels[side];
        const ride = this.placeIn(corner, 0)!;
        const steps = entries.map(([, one], k) =>
          one.method === 'sweep'
            ? sweepStepper(this.car.setup, corner, one.travel, seen[k], positions)
            : this.stepper(one, seen[k], side, indexOf(positions, one.travel, 0)),
        );
        unknowns.forEach((unknown, u) => {
          if (unknown.side !== side) return;
          const offsets = this.offsetsPer(side, first.round, unknown);
          if (offsets.every((by) => by === 0)) return;
          const answers = moves(carriedAlong(type, offsets, axes));
          // What is taped to the wheel is made level on the car as it is, at ride height.
          const spun = spunAtRide(ride, answers[0]);
          entries.forEach(([e], k) => (rows[e][u] = steps[k](answers, spun)));
        });
        entries.forEach(([e, one], k) => {
          if (one.method === 'sweep') return;
          const move = this.perTravel(one, side, corner);
          if (move)
            rows[e][unknowns.length] += steps[k](
              positions.map(() => move),
              0,
            );
        });
      }
    }
    return rows;
  }

  /** How a reading answers to a move of one side, per unit of it; `spun` of it about the spindle is not the pointer's. */
  private stepper(one: Evidence, seen: Seen, side: Side, at: number): Stepper {
    const { setup } = this.car;
    const part = side === ownSide(one) ? 'own' : 'other';
    const { model } = componentOf(one);
    const place = seen[part];
    const off = { ...seen };
    return (answers, spun) => {
      const { move, turn } = answers[at];
      const levelled = { move, turn: sub(turn, scale(place.spindle, spun)) };
      off[part] = along(place, levelled, STEP);
      const plus = model(off, setup);
      off[part] = along(place, levelled, -STEP);
      return (plus - model(off, setup)) / (2 * STEP);
    };
  }

  /** How the upright goes per mm of travel; null where it has none. */
  private perTravel(one: Evidence, side: Side, { corner }: AxleCorner): UprightMove | null {
    const u = new Float64Array(UPRIGHT_SIZE);
    if (this.wheels[side].type.noTravel) return null;
    corner.pose(one.travel, 0, u, this.car.sides === 'both' ? one.travel : 0);
    const triple = (at: number): Vec => [u[at], u[at + 1], u[at + 2]];
    return { move: triple(U.movePerTravel), turn: triple(U.turnPerTravel) };
  }

  /** The axle's other wheel goes along where both are checked. */
  private placeIn({ corner }: AxleCorner, travel: number): Place | null {
    const u = new Float64Array(UPRIGHT_SIZE);
    return corner.pose(travel, 0, u, this.car.sides === 'both' ? travel : 0) ? placeOf(u) : null;
  }

  /** Every side and round that is read, put together. */
  private standingOf(
    all: readonly Evidence[],
    state: ArrayLike<number>,
  ): Map<string, Standing> | null {
    const standing = new Map<string, Standing>();
    for (const { side: of, round } of all)
      for (const side of sidesOf(of)) {
        const key = keyOf(side, round);
        if (standing.has(key)) continue;
        const corner = this.sides.includes(side)
          ? this.corner(side, state, round)
          : this.wheels[side].corner;
        if (!corner) return null;
        const axes = AXES.map(this.assemblies[side].turned);
        standing.set(key, { corner, axes, places: new Map() });
      }
    return standing;
  }

  private seen(one: Evidence, standing: Map<string, Standing>): Seen | null {
    const own = ownSide(one);
    const at = (side: Side, travel: number): Place | null => {
      const stands = standing.get(keyOf(side, one.round));
      // A wheel that is neither read nor moved stands as drawn.
      if (!stands) return this.homes[side];
      const known = stands.places.get(travel);
      if (known) return known;
      const place = this.placeIn(stands.corner, travel);
      if (place) stands.places.set(travel, place);
      return place;
    };
    const other: Side = own === 'left' ? 'right' : 'left';
    const [mine, theirs] = ([own, other] as const).map((side) =>
      at(side, this.sides.includes(side) ? one.travel : 0),
    );
    if (!mine || !theirs) return null;
    const home = this.homes[own].centre;
    return {
      own: mine,
      other: theirs,
      home,
      floor: this.car.moved === 'chassis' ? one.travel : 0,
      turned:
        one.method === 'sweep'
          ? turnedBy(
              standing.get(keyOf(own, one.round))!.corner,
              one.travel,
              this.car.setup.sweep,
              this.wheels[own].steerRange,
            )
          : null,
    };
  }
}

function addMoves(
  type: CornerType,
  moves: readonly Fitted[],
  gain: number,
  into: Float64Array,
): void {
  for (const { point, coordinate, by } of moves)
    into[offsetOf(type, point) + COORDINATES.indexOf(coordinate)] += gain * by;
}

const AXES: readonly Vec[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

/** Offsets of the upright's own joints, turned as it is. */
function carriedAlong(type: CornerType, offsets: Float64Array, axes: readonly Vec[]): Float64Array {
  const turned = offsets.slice();
  pointNames(type).forEach((name, p) => {
    if (type.points[name].on !== 'upright') return;
    for (let i = 0; i < 3; i++)
      turned[3 * p + i] = axes.reduce((sum, axis, k) => sum + offsets[3 * p + k] * axis[i], 0);
  });
  return turned;
}

/** How far an upright that turns takes what lay level on it out of level, by turning it about its spindle: rad. */
function spunAtRide({ spindle, heading }: Place, { turn }: UprightMove): number {
  return cross(turn, heading)[2] / cross(spindle, heading)[2];
}

const keyOf = (side: Side, round: number) => `${side} ${round}`;
const ownSide = ({ side }: Evidence): Side => (side === 'right' ? 'right' : 'left');

export const componentOf = ({ method, component }: Evidence): Component =>
  METHOD_TABLE[method].components.find(({ id }) => id === component)!;
