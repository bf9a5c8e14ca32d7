import { withShim } from '../core/bumpsteer/shim';
import { bumpSteerOf } from '../core/bumpsteer/trial';
import { CarModel } from '../core/check/carModel';
import type { CheckedCar } from '../core/check/carModel';
import { gathered, usualSetup } from '../core/check/evidence';
import { fitModel } from '../core/check/fit';
import { nextShims, toeNow } from '../core/check/nextShim';
import { isFitting } from '../core/check/verdict';
import { suspectsOf, tellable } from '../core/check/suspects';
import { drawnErrors, hiddenKey, readCar, stateOf } from '../core/check/virtualCar';
import type { Hidden, Wanted } from '../core/check/virtualCar';
import { goldenLeast } from '../core/geometry/golden';
import { normalsApart } from '../core/geometry/random';
import { wheelOf } from '../core/kinematics/wheel';
import type { Build } from '../core/model/build';
import type { MethodId } from '../core/model/checks';
import { COORDINATES } from '../core/model/points';
import { blankBuild } from '../core/model/starts';
import { noTakeOff } from '../core/model/takeOff';
import { bumpSteer } from '../core/motion/bumpSteer';
import type { AxleCorner } from '../core/kinematics/axle';

const TRAVEL = { bump: 60, droop: 60 };
const HEIGHTS = [-60, -40, -20, 0, 20, 40, 60];
/** The band that cars are brought into: largest change of toe from ride height, degrees. */
const BAND = 0.25;

/** A random layout that was nulled as it was drawn, its numbers measured well or badly. */
function randomBuild(normal: () => number): Build | null {
  const build = blankBuild('loop');
  const { front } = build;
  build.travel = TRAVEL;
  for (const point of Object.values(front.points))
    for (const coordinate of COORDINATES) point[coordinate] += 15 * normal();
  const takeOff = noTakeOff();
  // By rule, by tape, and through a body: as they are in one take-off.
  const usual = [0.5, 1.5, 3, 5];
  const pick = () => usual[Math.floor(Math.abs(normal()) * 1e4) % usual.length];
  for (const [point, at] of Object.entries(front.points))
    takeOff.measured.push({
      ...{ axle: 'front', side: 'left', point, method: 'direct' },
      ahead: { value: at.ahead, tolerance: pick() },
      out: { value: at.out, tolerance: pick() },
      up: { value: at.up, tolerance: pick() },
    });
  build.takeOff = takeOff;
  const { tieRodOuter: outer, tieRodInner: inner } = front.points;
  front.freedoms = {
    tieRodOuter: { up: { kind: 'range', min: outer.up - 60, max: outer.up + 60, step: 0.5 } },
    tieRodInner: { out: { kind: 'range', min: inner.out - 25, max: inner.out + 25, step: 1 } },
  };
  const wheel = wheelOf(build, 'front', 'left');
  if (!wheel.corner) return null;
  const worst = (raise: number) => bumpSteerOf(withShim(wheel, raise))?.worst ?? Infinity;
  const raise = goldenLeast(worst, -40, 40, 0.05);
  if (!(worst(raise) <= BAND)) return null;
  outer.up += raise;
  takeOff.measured.forEach((record) => {
    if (record.method === 'direct' && record.point === 'tieRodOuter') record.up.value = outer.up;
  });
  return build;
}

const readingsOf = (methods: readonly (readonly [MethodId, number])[]): Wanted[] =>
  methods.flatMap(([method, plusMinus]) =>
    (method === 'sweep' ? [0] : HEIGHTS).map((travel) => ({
      ...{ method, side: 'left' as const, travel, plusMinus },
    })),
  );

/** A gauge at every height, once with a rule and a level that are good, once as a shop has them. */
const FIND = readingsOf([
  ['dials', 0.05],
  ['level', 0.05],
  ['sweep', 0.05],
  ['wall', 0.5],
]);
const SHIM = readingsOf([['strings', 0.5]]);

export interface LoopTally {
  cars: number;
  /** Cars out of the band as they were built, and in it after one shim and after two at the most. */
  out: number;
  inAfterOne: number;
  inAfterTwo: number;
  /** Of all advice, and what came out within the ± that was told with it. */
  advice: number;
  withinTold: number;
  /** Cars whose readings were taken to fit a car within its ±, as all of them do. */
  fits: number;
  /** Cars with one planted number, and how many of these the readings can tell. */
  planted: number;
  told: number;
  first: number;
  three: number;
  firstOfAll: number;
  threeOfAll: number;
}

const carOf = (build: Build): CheckedCar => ({
  ...{ axle: 'front', sides: 'left', moved: 'wheel', drawn: build.front, travel: TRAVEL },
  setup: { ...usualSetup(build.front, 'hub'), heightOff: 1 },
  rounds: [],
});

/**
 * Virtual cars from their first reading to their second shim, and with one planted number that is wrong by three times
 * its ±; the rest of every car is off by chance within its ±, readings as they are said to be.
 */
export function checkLoop(cars: number, seed = 1): LoopTally {
  const tally: LoopTally = {
    ...{ cars: 0, out: 0, inAfterOne: 0, inAfterTwo: 0 },
    ...{ advice: 0, withinTold: 0, fits: 0 },
    ...{ planted: 0, told: 0, first: 0, three: 0, firstOfAll: 0, threeOfAll: 0 },
  };
  for (let k = 0; tally.cars < cars; k++) {
    const normal = normalsApart(seed * 1_000_003 + k);
    const build = randomBuild(normal);
    if (!build) continue;
    tally.cars++;
    const car = carOf(build);
    const errors = drawnErrors(new CarModel(build, car), normal);
    const gain = 1 + 0.05 * normal();
    shimCar(build, car, { errors, gain: { left: gain, right: 1 } }, normal, tally);
    plant(build, car, errors, normal, tally);
  }
  return tally;
}

const worstOf = (corner: AxleCorner | null): number =>
  (corner && bumpSteer(corner, TRAVEL)?.worst) ?? Infinity;

function shimCar(
  build: Build,
  begun: CheckedCar,
  hidden: Hidden,
  normal: () => number,
  tally: LoopTally,
): void {
  const truth = (car: CheckedCar): number => {
    const model = new CarModel(build, car);
    return worstOf(model.corner('left', stateOf(model, hidden), car.rounds.length));
  };
  const asBuilt = truth(begun);
  let car = begun;
  let readings = readCar(build, car, hidden, SHIM, normal);
  if (asBuilt > BAND) tally.out++;
  let worst = asBuilt;
  for (let round = 1; round <= 2; round++) {
    const { evidence } = gathered(car, readings);
    const fitting = fitModel(new CarModel(build, car), evidence);
    const now = fitting.ok && toeNow(fitting.fit, 'left');
    if (fitting.ok && round === 1 && isFitting(fitting.fit.withinPlusMinus, fitting.fit.degrees))
      tally.fits++;
    const [advice] = fitting.ok && now ? nextShims(fitting.fit, 'left', BAND) : [];
    if (advice && now && now.worst + now.worstOff > BAND) {
      car = {
        ...car,
        rounds: [...car.rounds, { fitted: [{ ...advice.move, by: round10(advice.move.by) }] }],
      };
      worst = truth(car);
      tally.advice++;
      if (Math.abs(worst - advice.after) <= advice.afterOff + 0.01) tally.withinTold++;
      readings = [...readings, ...readCar(build, car, hidden, SHIM, normal)];
    }
    if (asBuilt > BAND && worst <= BAND) {
      if (round === 1) tally.inAfterOne++;
      else tally.inAfterTwo++;
    }
  }
}

/** Shims come in tenths. */
const round10 = (mm: number): number => Math.round(mm * 10) / 10;

function plant(
  build: Build,
  car: CheckedCar,
  errors: ReadonlyMap<string, number>,
  normal: () => number,
  tally: LoopTally,
): void {
  const model = new CarModel(build, car);
  const numbers = model.unknowns.filter((one) => one.kind === 'number');
  const wrong = numbers[Math.floor(Math.abs(normal()) * 1e6) % numbers.length];
  const planted = new Map(errors);
  planted.set(hiddenKey('left', wrong.number), (normal() > 0 ? 3 : -3) * wrong.number.tolerance);
  const readings = readCar(
    build,
    car,
    { errors: planted, gain: { left: 1, right: 1 } },
    FIND,
    normal,
  );
  const fitting = fitModel(model, gathered(car, readings).evidence);
  if (!fitting.ok) throw new Error(`no fit: ${fitting.why}`);
  const rank = suspectsOf(fitting.fit).findIndex((one) =>
    [one, ...one.alike].some(({ number }) => number.id === wrong.number.id),
  );
  const isTold = tellable(fitting.fit, 3).some(({ number }) => number.id === wrong.number.id);
  tally.planted++;
  const [first, three] = [rank === 0, rank >= 0 && rank < 3];
  if (first) tally.firstOfAll++;
  if (three) tally.threeOfAll++;
  if (!isTold) return;
  tally.told++;
  if (first) tally.first++;
  if (three) tally.three++;
}
