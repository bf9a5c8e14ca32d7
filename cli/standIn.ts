import { join } from 'node:path';
import { CarModel } from '../src/core/check/carModel';
import { usualSetup } from '../src/core/check/evidence';
import { instrumented } from '../src/core/check/instrumentCar';
import { drawnErrors, stateOf } from '../src/core/check/virtualCar';
import { normalsApart } from '../src/core/geometry/random';
import { StandIn } from '../src/core/instruments/standIn';
import type { Trouble } from '../src/core/instruments/standIn';
import type { Device } from '../src/core/instruments/protocol';
import type { AxleName, Side } from '../src/core/model/build';
import { BadInput, readBuild } from './input';

export interface StandInRequest {
  device: Device;
  /** A file, or `demo`: the roadster that Havrik comes with. */
  car: string;
  axle: AxleName;
  side: Side;
  travel: number;
  trouble: Trouble;
  seed: number;
  lines: number;
  /** Between lines, ms. */
  every: number;
}

const DEMO = join(__dirname, '../demo/roadster.havrik.json');

/**
 * A simulated instrument on a virtual car that is the file's with every number off by chance within its ±: the same seed
 * is the same car. It says a line at a time as a real one does.
 */
export async function standIn(
  { device, car, axle, side, travel, trouble, seed, lines, every }: StandInRequest,
  print: (text: string) => void,
): Promise<void> {
  const path = car === 'demo' ? DEMO : car;
  const build = readBuild(path);
  const drawn = build[axle];
  if (!drawn) throw new BadInput(`${path}: the build has no ${axle} axle`);
  let model: CarModel;
  try {
    model = new CarModel(build, {
      ...{ axle, sides: side, moved: 'wheel', drawn, travel: build.travel, rounds: [] },
      setup: usualSetup(drawn, 'hub'),
    });
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new BadInput(`${path}: ${error.message}`);
  }
  const errors = drawnErrors(model, normalsApart(seed));
  const state = stateOf(model, { errors, gain: { left: 1, right: 1 } });
  const { reads } = instrumented(model, state, side);
  const instrument = new StandIn(device, (channel) => reads(device, channel, travel), {
    trouble,
    seed,
  });
  for (let i = 0; i < lines; i++) {
    if (i > 0 && every > 0) await new Promise((resolve) => setTimeout(resolve, every));
    print(instrument.lines((i * Math.max(every, 100)) / 1000));
  }
}
