import { numbersOf } from '../takeoff/places';
import { hiddenKey } from '../check/virtualCar';
import { degrees, numberInWords } from '../check/words';
import type { CheckedCar } from '../check/carModel';
import { leastSquares } from '../geometry/linear';
import { SIGMAS, normalsApart } from '../geometry/random';
import { add, dot } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import type { Training } from '../model/checks';
import { pointLabel } from '../model/labels';
import { COORDINATES } from '../model/points';
import type { PointName } from '../model/points';
import type { MeasuredNumber } from '../takeoff/measured';
import { wheelPoints } from '../corners/kinds';
import type { Truth } from './truth';

/** A second measurement is so much better than the first: part of its ± (common practice: with time, and the car there). */
const BETTER = 0.25;

/** Joints that may be looked at by hand. */
export const joints = (car: CheckedCar): PointName[] => {
  const { type } = wheelOf(car);
  return wheelPoints(type).filter((point) => point !== 'wheelCentre' && !type.points[point].mark);
};

/** Numbers of the take-off that may be measured again. */
export const numbers = (build: Build, car: CheckedCar): MeasuredNumber[] =>
  numbersOf(build, wheelOf(car));

const wheelOf = ({ axle, sides, drawn, travel }: CheckedCar): Wheel =>
  new Wheel(axle, sides === 'right' ? 'right' : 'left', drawn, travel);

/** What a joint that is levered by hand shows, and whether it was nipped up. */
export function lookAt(
  { drawn }: CheckedCar,
  { hides }: Truth,
  point: PointName,
): { found: string; nipped: boolean } {
  const name = pointLabel(drawn, point);
  const said: string[] = [];
  if (hides.play?.point === point)
    said.push(
      `it clicks, and the wheel rocks by ${degrees(2 * hides.play.toe)} of toe. Nipped up, it is still`,
    );
  if (hides.bent?.point === point)
    said.push('the spacer under it is bent: what is fitted here does not do what is marked on it');
  return {
    found: `${name}: ${said.length > 0 ? said.join('; ') : 'tight, nothing to be seen'}.`,
    nipped: hides.play?.point === point,
  };
}

/**
 * A number measured again, on the car as it is: what is hidden in its joint shows as far as the number sees it.
 * @returns in words, with a ± a quarter of what it was
 */
export function measureAgain(
  build: Build,
  car: CheckedCar,
  truth: Pick<Truth, 'side' | 'hidden' | 'moves'>,
  number: MeasuredNumber,
  { seed }: Pick<Training, 'seed'>,
): { value: number; plusMinus: number; found: string } {
  const { side, hidden } = truth;
  const off =
    (hidden.errors.get(hiddenKey(side, number)) ?? 0) + seenBy(number, numbers(build, car), truth);
  const plusMinus = number.tolerance * BETTER;
  // The same number measured once more says the same: it is the same rule.
  const chance = normalsApart(seed + hashOf(number.id))();
  const value = number.value + off + (plusMinus / SIGMAS) * chance;
  const print = (n: number) => (number.unit === 'deg' ? `${n.toFixed(2)}°` : `${n.toFixed(1)} mm`);
  return {
    value,
    plusMinus,
    found: `${numberInWords(car.drawn, number)}: was ${print(number.value)} ± ${print(number.tolerance)}, is ${print(value)} ± ${print(plusMinus)}.`,
  };
}

/**
 * How far a number differs because its joints are elsewhere: of all ways for a joint's numbers to say so the one that
 * their ± make likeliest, which is the only one where there are three of them.
 */
export function seenBy(
  number: MeasuredNumber,
  all: readonly MeasuredNumber[],
  { moves }: Pick<Truth, 'moves'>,
): number {
  const pointsMoved = [...new Set(moves.map(({ point }) => point))];
  return pointsMoved.reduce((sum, point) => {
    const perOf = (one: MeasuredNumber): Vec =>
      one.moves
        .filter((move) => move.point === point)
        .reduce<Vec>((total, { per }) => add(total, per), [0, 0, 0]);
    const of = all.map((one) => ({ per: perOf(one), weight: one.tolerance ** 2 }));
    const rows = [0, 1, 2].map((i) =>
      [0, 1, 2].map((j) => of.reduce((a, { per, weight }) => a + weight * per[i] * per[j], 0)),
    );
    const gone = COORDINATES.map((coordinate) =>
      moves
        .filter((move) => move.point === point && move.coordinate === coordinate)
        .reduce((a, { by }) => a + by, 0),
    );
    const pull = leastSquares(rows, gone);
    return pull ? sum + number.tolerance ** 2 * dot(perOf(number), pull as unknown as Vec) : sum;
  }, 0);
}

/** A number of its letters (FNV, 24 bit). */
function hashOf(text: string): number {
  let hash = 2166136261;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 16777619) >>> 0;
  return hash % 0xffffff;
}
