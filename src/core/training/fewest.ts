import { CarModel } from '../check/carModel';
import type { CheckedCar } from '../check/carModel';
import { gathered } from '../check/evidence';
import { fitModel } from '../check/fit';
import { plannedTravels } from '../check/heights';
import { METHOD_TABLE } from '../check/methods';
import { nextShims } from '../check/nextShim';
import type { Device } from '../instruments/protocol';
import type { Build } from '../model/build';
import type { CheckReading, Fitted } from '../model/checks';
import { counted } from '../model/wording';
import { shopMinutes } from './minutes';
import type { Done } from './minutes';
import { instrumentsOn, worstOf } from './truth';
import type { Truth } from './truth';

/** A plan that brings the real car where it is accepted, and what it takes. */
export interface Plan {
  minutes: number;
  words: string;
  done: Done;
}

/** Instruments that tell toe, the channels of each as values of its way of reading. */
export const TOE_READERS = [
  { device: 'dials', method: 'dials', channels: ['front', 'rear'], words: 'two dial gauges' },
  { device: 'pointer', method: 'wall', channels: ['spot'], words: 'the pointer' },
] as const satisfies readonly {
  device: Device;
  method: CheckReading['method'];
  channels: readonly string[];
  words: string;
}[];
const SHIMS = 3;
const MOST_HEIGHTS = 7;
/** Heights that show, after a move, that it is good: both ends and ride height. */
const AFTERWARDS = 3;

/**
 * Every plan of one instrument, three to seven heights and up to three shims as advised, read without noise on the real
 * car: the one that takes the fewest minutes of those that bring it where it is accepted. A loose joint is nipped up
 * first, as somebody who knew of it would.
 * @param accepted largest change of toe from ride height, degrees
 * @returns the plan, null where none of them does, and how many were tried
 */
export function fewestMinutes(
  build: Build,
  begun: CheckedCar,
  truth: Truth,
  accepted: number,
): { plan: Plan | null; tried: number } {
  const plans = TOE_READERS.flatMap((reader) =>
    Array.from({ length: MOST_HEIGHTS - 2 }, (_, i) =>
      planBy(build, begun, truth, accepted, reader, i + 3),
    ),
  );
  const good = plans.filter((plan) => plan !== null);
  return {
    plan: good.reduce<Plan | null>(
      (best, one) => (best && best.minutes <= one.minutes ? best : one),
      null,
    ),
    tried: plans.length,
  };
}

/** One plan carried out on the real car; null where it does not bring it where it is accepted. */
export function planBy(
  build: Build,
  begun: CheckedCar,
  truth: Truth,
  accepted: number,
  { device, method, channels, words }: (typeof TOE_READERS)[number],
  heights: number,
): Plan | null {
  const { side, hides } = truth;
  let car: CheckedCar = { ...begun, rounds: [] };
  let clock = 0;
  const at = () => new Date(60_000 * clock++).toISOString();
  const done = {
    readings: [] as CheckReading[],
    rounds: [] as Done['rounds'][number][],
    acts: [] as Done['acts'][number][],
  };
  if (hides.play) done.acts.push({ at: at(), did: 'looked' });
  const read = (count: number): boolean => {
    const { reads } = instrumentsOn(build, car, truth, null);
    return spreadOver(begun, count).every((travel) => {
      const values = channels.map((channel) => reads(device, channel, travel));
      if (values.some((value) => value === null)) return false;
      done.readings.push({
        ...{ id: `${done.readings.length}`, at: at(), side, round: car.rounds.length },
        ...{ height: travel, asTravel: true as const, method, unit: 'mm' as const },
        ...{ values: values as number[], plusMinus: METHOD_TABLE[method].usual },
      });
      return true;
    });
  };
  if (!read(heights)) return null;
  let shims = 0;
  while (worstOf(build, car, truth) > accepted) {
    const move = shims < SHIMS ? advised(build, car, done.readings, truth, accepted) : null;
    if (!move) return null;
    car = { ...car, rounds: [...car.rounds, { fitted: [move] }] };
    done.rounds.push({ at: at(), fitted: [move] });
    shims++;
    if (!read(AFTERWARDS)) return null;
  }
  return {
    minutes: shopMinutes(done),
    words: `${hides.play ? 'the loose joint nipped up, ' : ''}${words} at ${heights} heights${
      shims > 0
        ? `, ${counted(shims, 'move')} as advised, ${AFTERWARDS} heights again after each`
        : ''
    }`,
    done,
  };
}

function advised(
  build: Build,
  car: CheckedCar,
  readings: readonly CheckReading[],
  { side }: Truth,
  accepted: number,
): Fitted | null {
  const fitting = fitModel(new CarModel(build, car), gathered(car, readings).evidence);
  return fitting.ok ? (nextShims(fitting.fit, side, accepted)[0]?.move ?? null) : null;
}

/** So many of the planned heights: both ends, ride height, and between as evenly as they lie. */
function spreadOver({ travel }: CheckedCar, count: number): number[] {
  const planned = plannedTravels(travel);
  const picked = Array.from(
    { length: count },
    (_, i) => planned[Math.round((i * (planned.length - 1)) / (count - 1))],
  );
  return [...new Set([...picked, 0])].sort((a, b) => a - b);
}
