import type { CheckedCar } from '../check/carModel';
import { checkUp } from '../check/checkUp';
import type { CheckedUp } from '../check/checkUp';
import { plusMinusOf } from '../check/evidence';
import type { Fit } from '../check/fit';
import { hiddenKey } from '../check/virtualCar';
import { degrees, numberInWords, playInWords } from '../check/words';
import type { Targets } from '../model/brief';
import type { Build } from '../model/build';
import type { CheckReading, Round, ScenarioId, Training } from '../model/checks';
import { pointLabel, wayOf } from '../model/labels';
import { COORDINATES } from '../model/points';
import type { Coordinate, PointName } from '../model/points';
import { offsetCount, offsetOf } from '../tolerance/joints';
import { offsetsOf } from '../tolerance/sensitivity';
import { numbers as numbersAt } from './acts';
import { fewestMinutes } from './fewest';
import { shopMinutes } from './minutes';
import { SCENARIO_TABLE } from './scenarios';
import { truthOf, worstOf } from './truth';
import type { Truth } from './truth';

/** What is told when a training is over. */
export interface Debrief {
  /** What was hidden, in words. */
  truth: string[];
  /** What the readings allowed to know of it. */
  allowed: string[];
  /** Largest change of toe of the real car as it was built and as it is now, degrees. */
  asBuilt: number;
  worst: number;
  /** Whether the real car is where it is accepted over the whole travel, and nothing of it loose. */
  inBand: boolean;
  loose: boolean;
  minutes: number;
  fewest: { minutes: number; words: string } | null;
  tried: number;
  was: ScenarioId;
}

/** What a trained check is made of. */
export interface Trained {
  car: CheckedCar;
  readings: readonly CheckReading[];
  rounds: readonly Round[];
  training: Training;
}

const mm = (value: number) => `${Math.abs(value).toFixed(1)} mm`;

/** Whether the loose joint was never looked at. */
export const isLoose = ({ hides }: Truth, { acts }: Training): boolean =>
  hides.play !== undefined &&
  !acts.some(({ did, of }) => did === 'looked' && of === hides.play!.point);

/**
 * The end of a training: what was hidden, what the readings allowed to know of it, and the fewest shop minutes of all
 * plans that were tried on the same car.
 * @throws RangeError for a layout that cannot be solved
 */
export function debriefOf(
  build: Build,
  { car, readings, rounds, training }: Trained,
  bands: Targets['bumpSteer'],
): Debrief {
  const truth = truthOf(build, car, training, bands[1]);
  const begun = { ...car, rounds: [] };
  const found = checkUp(build, car, readings, bands);
  const worst = worstOf(build, car, truth);
  const loose = isLoose(truth, training);
  const { plan, tried } = fewestMinutes(build, begun, truth, bands[1]);
  return {
    truth: truthInWords(build, car, truth),
    allowed: allowedBy(car, truth, found),
    asBuilt: worstOf(build, begun, truth),
    worst,
    inBand: worst <= bands[1] && !loose,
    loose,
    minutes: shopMinutes({ readings, rounds, acts: training.acts }),
    fewest: plan && { minutes: plan.minutes, words: plan.words },
    tried,
    was: training.scenario,
  };
}

/** The numbers that chance put furthest off, so many of them. */
const CHANCE_SHOWN = 2;

function truthInWords(
  build: Build,
  car: CheckedCar,
  { side, hides, moves, hidden }: Truth,
): string[] {
  const { drawn } = car;
  const name = (point: PointName) => pointLabel(drawn, point);
  const numbers = numbersAt(build, car).map((number) => {
    const off = hidden.errors.get(hiddenKey(side, number)) ?? 0;
    return { number, off, times: Math.abs(off) / number.tolerance };
  });
  numbers.sort((a, b) => b.times - a.times);
  return [
    ...moves.map(
      ({ point, coordinate, by }) =>
        `${name(point)}: ${mm(by)} further ${wayOf(coordinate, by)} than drawn.`,
    ),
    ...(hides.play
      ? [`${name(hides.play.point)}: a loose rod end, ${degrees(2 * hides.play.toe)} of toe.`]
      : []),
    ...(hides.bent
      ? [
          `${name(hides.bent.point)}: a bent spacer; what is fitted does ${hides.bent.gain.toFixed(1)} of what it should.`,
        ]
      : []),
    ...Object.keys(hides.troubles ?? {}).map((device) => `The ${device}’s nought walks.`),
    ...numbers
      .slice(0, CHANCE_SHOWN)
      .map(
        ({ number, off, times }) =>
          `By chance ${numberInWords(drawn, number)} was ${Math.abs(off).toFixed(1)} ${number.unit === 'deg' ? '°' : 'mm'} ${off > 0 ? 'more' : 'less'} than measured, ${times.toFixed(1)} times its ±.`,
      ),
  ];
}

function allowedBy(
  { drawn }: CheckedCar,
  truth: Truth,
  { fit, play, sides, tellable }: CheckedUp,
): string[] {
  if (!fit) return ['Nothing: too little was read.'];
  const { side, moves, hides } = truth;
  const places = moves.map(({ point, coordinate }) => {
    const real = realOffset(truth, fit, point, coordinate);
    const known = offsetIn(fit, side, point, coordinate);
    const told = known.plusMinus < 0.8 * known.before;
    return `${pointLabel(drawn, point)}, ${coordinate}: really ${mm(real)} ${wayOf(coordinate, real)}, chance of its numbers in it; ${
      told
        ? `the readings put it ${mm(known.off)} ± ${mm(known.plusMinus)} ${wayOf(coordinate, known.off)}.`
        : `the readings say hardly more of it than its ± did (± ${mm(known.before)} before, ± ${mm(known.plusMinus)} now).`
    }`;
  });
  const did = sides.find((one) => one.side === side)?.did;
  return [
    ...places,
    ...(hides.play
      ? play.length > 0
        ? play.map(playInWords)
        : [
            'No height was read both going up and going down, or they did not differ: play cannot be told so.',
          ]
      : []),
    ...(hides.bent
      ? [
          did
            ? `What was fitted did ${did.gain.toFixed(2)} ± ${did.plusMinus.toFixed(2)} of what it should; really ${hides.bent.gain.toFixed(2)}.`
            : 'Nothing was fitted: what a spacer really does cannot be told so.',
        ]
      : []),
    ...sides.map(
      ({ now }) =>
        `Toe by the readings: changes by ${degrees(now.worst)} ± ${degrees(now.worstOff)} at worst.`,
    ),
    `An error of three times its ± could have been found in ${tellable.of} of ${tellable.all} numbers.`,
  ];
}

/** Where a joint is thought to be against the drawing, mm: by the readings with their ±, and the ± before any. */
function offsetIn(
  { model, state, estimate }: Fit,
  side: Truth['side'],
  point: PointName,
  coordinate: Coordinate,
): { off: number; plusMinus: number; before: number } {
  const { type } = model.wheels[side];
  const at = offsetOf(type, point) + COORDINATES.indexOf(coordinate);
  const row = new Float64Array(estimate.size);
  let before = 0;
  model.unknowns.forEach((unknown, u) => {
    if (unknown.kind !== 'number' || unknown.side !== side) return;
    const offsets = new Float64Array(offsetCount(type));
    offsetsOf(type, unknown.number, 1, offsets);
    row[u] = offsets[at];
    before += (row[u] * unknown.sigma) ** 2;
  });
  return {
    off: row.reduce((sum, slope, u) => sum + (u < state.length ? slope * state[u] : 0), 0),
    plusMinus: plusMinusOf(estimate.varianceOf(row)),
    before: plusMinusOf(before),
  };
}

/** Where it really is: its numbers' own errors, and what was hidden. */
function realOffset(
  { side, hidden, moves }: Truth,
  { model }: Fit,
  point: PointName,
  coordinate: Coordinate,
): number {
  const { type } = model.wheels[side];
  const offsets = new Float64Array(offsetCount(type));
  for (const unknown of model.unknowns)
    if (unknown.kind === 'number' && unknown.side === side)
      offsetsOf(
        type,
        unknown.number,
        hidden.errors.get(hiddenKey(side, unknown.number)) ?? 0,
        offsets,
      );
  return (
    offsets[offsetOf(type, point) + COORDINATES.indexOf(coordinate)] +
    moves
      .filter((move) => move.point === point && move.coordinate === coordinate)
      .reduce((sum, { by }) => sum + by, 0)
  );
}

/** What may be guessed at the end, in words. */
export const GUESSES: Readonly<Record<ScenarioId, string>> = Object.fromEntries(
  Object.entries(SCENARIO_TABLE).map(([id, { name }]) => [id, name]),
) as Record<ScenarioId, string>;
