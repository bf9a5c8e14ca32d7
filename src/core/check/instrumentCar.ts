import type { Side } from '../model/build';
import type { MethodId } from '../model/checks';
import type { Device } from '../instruments/protocol';
import type { CarModel, Evidence } from './carModel';
import { rawOf } from './heights';
import { METHOD_TABLE } from './methods';

/** What instruments on a virtual car's wheel stand at, set to nought at ride height where real ones are. */
export interface Instrumented {
  /** mm or degrees; null out of reach. */
  reads: (device: Device, channel: string, travel: number) => number | null;
}

/** Which way of reading an instrument is. */
const METHOD_OF: Readonly<Record<Exclude<Device, 'height'>, MethodId>> = {
  level: 'level',
  pointer: 'wall',
  dials: 'dials',
};

/**
 * Instruments on one wheel of a car in some state. The level reads camber, the pointer where its spot went from ride
 * height, the gauges how far their plate went from there, the height gauge the hub above the floor.
 * @param noughtOn the car as it was when they were set to nought at ride height, where it was not as it is now
 */
export function instrumented(
  model: CarModel,
  state: Float64Array,
  side: Side,
  noughtOn: { model: CarModel; state: Float64Array } = { model, state },
): Instrumented {
  const round = model.car.rounds.length;
  const { setup, moved, drawn } = model.car;
  const corner = model.corner(side, state, round);
  const says = (
    method: MethodId,
    travel: number,
    on = { model, state },
  ): ArrayLike<number> | null =>
    on.model.predict(
      METHOD_TABLE[method].components.map(({ id }): Evidence => ({
        ...{ ids: [], side, round, travel, method, component: id },
        ...{ value: 0, plusMinus: 1, heightOff: 0 },
      })),
      on.state,
    );
  return {
    reads: (device, channel, travel) => {
      if (device === 'height')
        return (
          corner &&
          rawOf(
            travel,
            { ...setup, heightBy: 'hub', heightAt: corner.radius },
            corner,
            drawn.damper,
            moved,
          )
        );
      const method = METHOD_OF[device];
      const [now, home] = [says(method, travel), says(method, 0, noughtOn)];
      if (!now || !home) return null;
      if (device === 'level') return now[0];
      if (device === 'pointer') return now[0] - home[0];
      const [difference, both] = [now[0] - home[0], now[1] - home[1]];
      return both + (channel === 'front' ? difference : -difference) / 2;
    },
  };
}
