import { CarModel } from '../check/carModel';
import type { CheckedCar } from '../check/carModel';
import { instrumented } from '../check/instrumentCar';
import type { Instrumented } from '../check/instrumentCar';
import { drawnErrors, stateOf } from '../check/virtualCar';
import type { Hidden } from '../check/virtualCar';
import { normalsApart } from '../geometry/random';
import type { AxleCorner } from '../kinematics/axle';
import type { Build, Side } from '../model/build';
import type { Fitted, Training } from '../model/checks';
import { bumpSteer } from '../motion/bumpSteer';
import { SCENARIO_TABLE } from './scenarios';
import type { Hides } from './scenarios';

/** A virtual car as it really is. */
export interface Truth {
  side: Side;
  hidden: Hidden;
  /** Joints that are elsewhere, as they are once grown. */
  moves: Fitted[];
  hides: Hides;
}

/** Which way the wheel came: a loose joint lies at one end of its play or the other. */
export type Going = 'up' | 'down';

/** Steps that what is hidden is grown by at the most. */
const MOST_STEPS = 5;

/**
 * What is hidden in the car of a training: the same for the same seed. Every number is off within its ±; what the
 * scenario hides is grown until the wheel steers more than is accepted, or five times.
 * @param accepted largest change of toe from ride height, degrees
 * @throws RangeError for a layout that cannot be solved, or that has no such part
 */
export function truthOf(
  build: Build,
  begun: CheckedCar,
  { scenario, seed }: Pick<Training, 'scenario' | 'seed'>,
  accepted: number,
): Truth {
  const car = { ...begun, rounds: [] };
  const side: Side = car.sides === 'right' ? 'right' : 'left';
  const model = new CarModel(build, car);
  const hides = SCENARIO_TABLE[scenario].hides(model.wheels[side].type);
  if (!hides) throw new RangeError('this kind of corner has no such part');
  const normal = normalsApart(seed);
  const errors = drawnErrors(model, normal);
  const gain = { left: 1, right: 1, [side]: hides.bent?.gain ?? 1 };
  const way = normal() < 0 ? -1 : 1;
  const at = (steps: number): Truth => ({
    ...{ side, hides, hidden: { errors, gain } },
    moves: hides.moves.map(({ point, coordinate, by }) => ({
      ...{ side, point, coordinate },
      by: by * steps * way,
    })),
  });
  let truth = at(1);
  for (let steps = 2; steps <= MOST_STEPS; steps++) {
    if (hides.moves.length === 0 || worstOf(build, car, truth) > accepted) break;
    const more = at(steps);
    // What cannot be put together any more is nobody's car.
    if (worstOf(build, car, more) === Infinity) break;
    truth = more;
  }
  return truth;
}

/** By how much a loose joint lets the wheel stand off, degrees of toe; nought once it was nipped up. */
export const playAt = ({ hides }: Truth, going: Going | null): number =>
  going && hides.play ? (going === 'up' ? 1 : -1) * hides.play.toe : 0;

/** The real car with what was fitted to it, as a model and the state that it is in. */
export function realCar(
  build: Build,
  car: CheckedCar,
  truth: Truth,
  going: Going | null = null,
): { model: CarModel; state: Float64Array } {
  const { side, hidden, moves } = truth;
  // What is hidden was there before anything was fitted, and is as large as it is.
  const whole = moves.map((move) => ({ ...move, by: move.by / hidden.gain[side] }));
  const { drawn } = car;
  const toe = drawn.static.toe + playAt(truth, going);
  const model = new CarModel(build, {
    ...car,
    drawn: { ...drawn, static: { ...drawn.static, toe } },
    setup: { ...car.setup, heightBy: 'travel' },
    rounds: [{ fitted: whole }, ...car.rounds],
  });
  return { model, state: stateOf(model, hidden) };
}

/** The real car's wheel, ready to be moved; null where it cannot be put together. */
export function realCorner(build: Build, car: CheckedCar, truth: Truth): AxleCorner | null {
  const { model, state } = realCar(build, car, truth);
  return model.corner(truth.side, state, model.car.rounds.length);
}

/** How far the real car's wheel steers over the whole travel: largest change from ride height, degrees. */
export const worstOf = (build: Build, car: CheckedCar, truth: Truth): number => {
  const corner = realCorner(build, car, truth);
  return (corner && bumpSteer(corner, car.travel)?.worst) ?? Infinity;
};

/** What instruments on the real car's wheel stand at. */
export function instrumentsOn(
  build: Build,
  car: CheckedCar,
  truth: Truth,
  going: Going | null,
): Instrumented {
  const { model, state } = realCar(build, car, truth, going);
  // A joint that is loose lay anywhere when they were set: in the middle of its play.
  return instrumented(model, state, truth.side, realCar(build, car, truth));
}
