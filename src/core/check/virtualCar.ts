import { SIGMAS } from '../geometry/random';
import type { Build, Side } from '../model/build';
import type { CheckReading, MethodId, ReadSide } from '../model/checks';
import { CarModel } from './carModel';
import type { CheckedCar, Evidence } from './carModel';
import { isSideways } from './evidence';
import { METHOD_TABLE } from './methods';

/** What is hidden in a virtual car: how far numbers of its take-off are off, and what its spacers really do. */
export interface Hidden {
  /** By side and number: `left lowerOuter.up`, mm or degrees. */
  errors: ReadonlyMap<string, number>;
  gain: Record<Side, number>;
}

export const hiddenKey = (side: Side, number: { id: string }): string => `${side} ${number.id}`;

/** Errors drawn by the ± of every number. */
export function drawnErrors(model: CarModel, normal: () => number): Map<string, number> {
  return new Map(
    model.unknowns.flatMap((unknown) =>
      unknown.kind === 'number'
        ? [[hiddenKey(unknown.side, unknown.number), unknown.sigma * normal()] as const]
        : [],
    ),
  );
}

/** A car's real state as the model counts it. */
export const stateOf = ({ unknowns }: CarModel, { errors, gain }: Hidden): Float64Array =>
  Float64Array.from(unknowns, (unknown) =>
    unknown.kind === 'gain'
      ? gain[unknown.side]
      : (errors.get(hiddenKey(unknown.side, unknown.number)) ?? 0),
  );

/** What to read, where. */
export interface Wanted {
  method: MethodId;
  side: ReadSide;
  /** True travel, mm, + bump: what tells the height says it with its own ±. */
  travel: number;
  plusMinus: number;
}

/**
 * Reads a virtual car on its stands, with what is fitted to it: each value off by chance within its ±, each height too.
 * Heights are told as travel. What the car does not reach is not read.
 */
export function readCar(
  build: Build,
  car: CheckedCar,
  hidden: Hidden,
  wanted: readonly Wanted[],
  normal: () => number,
): CheckReading[] {
  const model = new CarModel(build, { ...car, setup: { ...car.setup, heightBy: 'travel' } });
  const state = stateOf(model, hidden);
  const round = car.rounds.length;
  return wanted.flatMap(({ method, side, travel, plusMinus }, i) => {
    const { components, values, unit } = METHOD_TABLE[method];
    const at = travel + (car.setup.heightOff / SIGMAS) * normal();
    const evidence = components.map(({ id }): Evidence => ({
      ...{ ids: [], side, round, travel: at, method, component: id },
      ...{ value: 0, plusMinus, heightOff: 0 },
    }));
    const says = model.predict(evidence, state);
    if (!says) return [];
    const off = () => (plusMinus / SIGMAS) * normal();
    // The car shifts on its stands: what sees where the wheel is sees that too.
    const shift = (car.setup.shiftOff / SIGMAS) * normal();
    const exact = valuesOf(
      method,
      says.map((value, k) => value + (isSideways(method, components[k].id) ? shift : 0)),
    );
    return [
      {
        ...{ id: `${round}-${i}`, at: '2026-01-01T00:00:00.000Z', side, round },
        ...{ height: travel, method, unit, plusMinus },
        values: exact.slice(0, values.length).map((value) => value + off()),
      },
    ];
  });
}

/** The values that make a method's components. */
function valuesOf(method: MethodId, says: ArrayLike<number>): number[] {
  switch (method) {
    case 'dials':
    case 'strings':
    case 'walls':
      return [says[1] + says[0] / 2, says[1] - says[0] / 2];
    case 'tape':
      return [0, says[0]];
    default:
      return [says[0]];
  }
}
