import { SIGMAS } from '../geometry/random';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import { Wheel } from '../kinematics/wheel';
import type { CheckReading, CheckSetup, MethodId } from '../model/checks';
import { sidesOf } from './carModel';
import type { CheckedCar, Evidence } from './carModel';
import { groupedBy } from './grouped';
import { travelOf } from './heights';
import { METHOD_TABLE } from './methods';

/** Readings as evidence, and what is wrong with some of them. */
export interface Gathered {
  evidence: Evidence[];
  /** Readings that do not count, and why. */
  apart: { id: string; why: string }[];
  /** Readings that stand out from others of the same place, by id. */
  outliers: { id: string; off: number; unit: 'mm' | 'deg' }[];
  /** Where each reading that counts stands: travel, mm. */
  travels: Map<string, number>;
}

/** A repeat that lies further from the middle one than so many of its own ± is pointed at. */
const STANDS_OUT = 1.5;

/** Turns readings into evidence: heights become travel, repeats are averaged, what stands out is pointed at. */
export function gathered(car: CheckedCar, readings: readonly CheckReading[]): Gathered {
  const apart: Gathered['apart'] = [];
  const travels = new Map<string, number>();
  const { setup, drawn, axle, travel: reach } = car;
  const sides = sidesOf(car.sides);
  const wheels = { left: wheel('left'), right: wheel('right') };
  function wheel(side: 'left' | 'right') {
    return new Wheel(axle, side, drawn, reach).corner;
  }
  const counting = readings.filter((one) => {
    const { id, side, method, height, values } = one;
    const { ofBoth, single, components } = METHOD_TABLE[method];
    const refuse = (why: string) => {
      apart.push({ id, why });
      return false;
    };
    if (one.leftOut) return refuse('left out');
    if (one.round > car.rounds.length) return refuse('after a move that is not there any more');
    if (ofBoth ? side !== 'both' : side === 'both')
      return refuse(ofBoth ? 'takes both wheels' : 'is of one wheel, left or right');
    if (!ofBoth && !sides.includes(side as 'left' | 'right'))
      return refuse(`is of the ${side} wheel, which is not checked`);
    if (single === null && values.length < METHOD_TABLE[method].values.length)
      return refuse(`needs ${METHOD_TABLE[method].values.join(' and ')}`);
    if (components.every(({ of }) => of(values, setup) === null)) return refuse('says nothing');
    const of = side === 'right' || (side === 'both' && !sides.includes('left')) ? 'right' : 'left';
    const corner = wheels[of];
    const way = one.asTravel ? { ...setup, heightBy: 'travel' as const } : setup;
    const travel = corner && travelOf(height, way, corner, drawn.damper, car.moved);
    if (travel === null || !Number.isFinite(travel))
      return refuse('no travel of the drawing reads this height');
    if (!corner?.corner.pose(travel, 0, scratch))
      return refuse(`the drawing does not reach ${travel.toFixed(1)} mm of travel`);
    travels.set(id, travel);
    return true;
  });
  const groups = groupedBy(
    counting,
    ({ id, side, round, method, going, values }) =>
      `${side} ${round} ${method} ${travels.get(id)} ${going ?? ''} ${values.length}`,
  );
  const outliers: Gathered['outliers'] = [];
  const evidence = groups.flatMap((group) => {
    const [first] = group;
    const { components } = METHOD_TABLE[first.method];
    return components.flatMap((component): Evidence[] => {
      const said = group.flatMap((one) => {
        const value = component.of(one.values, setup);
        if (value === null) return [];
        const plusMinus = component.plusMinus(one.plusMinus, one.values, setup);
        return [{ id: one.id, value, plusMinus: Math.max(plusMinus, LEAST) }];
      });
      if (said.length === 0) return [];
      if (said.length >= 3) {
        const middle = medianOf(said.map(({ value }) => value));
        for (const { id, value, plusMinus } of said)
          if (
            Math.abs(value - middle) > STANDS_OUT * plusMinus &&
            !outliers.some((one) => one.id === id)
          )
            outliers.push({ id, off: value - middle, unit: component.unit });
      }
      const weights = said.map(({ plusMinus }) => plusMinus ** -2);
      const all = weights.reduce((sum, one) => sum + one, 0);
      const travel = travels.get(first.id)!;
      return [
        {
          ids: said.map(({ id }) => id),
          side: first.side,
          round: first.round,
          travel,
          method: first.method,
          component: component.id,
          value: said.reduce((sum, { value }, i) => sum + value * weights[i], 0) / all,
          plusMinus: Math.hypot(all ** -0.5, ...shifted(first, travel, component.id)),
          heightOff: setup.heightOff,
        },
      ];
    });
  });
  return { evidence, apart, outliers, travels };

  /** What else a reading of where the wheel stands is off by, mm: the car on its stands, tyres that hold on the floor. */
  function shifted({ side, method }: CheckReading, travel: number, component: string): number[] {
    if (!isSideways(method, component)) return [];
    const held =
      car.moved === 'chassis'
        ? SCRUB * trackChange(side === 'right' ? 'right' : 'left', travel)
        : 0;
    return [setup.shiftOff, held];
  }

  function trackChange(side: 'left' | 'right', travel: number): number {
    const { corner } = wheels[side]!;
    if (!corner.pose(0, 0, scratch)) return 0;
    const out = U.wheelCentre + 1;
    const ride = scratch[out];
    return corner.pose(travel, 0, scratch) ? scratch[out] - ride : 0;
  }
}

/** What of a reading goes by where the wheel stands sideways. */
const SIDEWAYS = new Set([
  'wall spot',
  'walls both together',
  'dials both together',
  'strings both together',
]);

export const isSideways = (method: MethodId, component: string): boolean =>
  SIDEWAYS.has(`${method} ${component}`);

/** Part of the wheel's sideways movement that a tyre which holds on the floor may hide, ± (common practice, a guess). */
const SCRUB = 0.5;

/** No reading is better than this, mm or degrees. */
const LEAST = 1e-4;

const scratch = new Float64Array(UPRIGHT_SIZE);

function medianOf(list: number[]): number {
  const sorted = [...list].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
}

/** The usual setup of a check on an axle: what is touched, spans and walls as they often are (common practice). */
export function usualSetup(
  drawn: {
    tyre: { radius: number; width: number };
    rim?: { width: number; offset: number } | undefined;
  },
  on: CheckSetup['on'] = 'tyre',
): CheckSetup {
  const { tyre, rim } = drawn;
  const radius = Math.round(tyre.radius);
  return {
    on,
    face:
      on === 'tyre'
        ? Math.round(tyre.width / 2)
        : on === 'rim'
          ? Math.round((rim?.width ?? tyre.width * 0.85) / 2)
          : Math.round(rim?.offset ?? 0),
    span: on === 'tyre' ? 2 * radius : on === 'rim' ? Math.round(1.3 * radius) : 600,
    wall: 4000,
    wall2: 2000,
    spotUp: 0,
    dialSpan: 300,
    dialsUp: 0,
    dialsWay: 1,
    sweep: 20,
    levelOff: 0.3,
    shiftOff: 1,
    heightBy: 'travel',
    heightAt: 0,
    heightOff: 1,
    jackPerTurn: 4,
    jackRatio: 1,
  };
}

/** Two standard deviations, as a ± is said. */
export const plusMinusOf = (variance: number): number => SIGMAS * Math.sqrt(Math.max(0, variance));
