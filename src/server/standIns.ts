import { CarModel } from '../core/check/carModel';
import { instrumented } from '../core/check/instrumentCar';
import { drawnErrors, stateOf } from '../core/check/virtualCar';
import { normalsApart } from '../core/geometry/random';
import { StandIn } from '../core/instruments/standIn';
import type { Trouble } from '../core/instruments/standIn';
import type { Device } from '../core/instruments/protocol';
import { briefOf } from '../core/model/brief';
import type { Build, Check, Side } from '../core/model/build';
import { isLoose } from '../core/training/debrief';
import { instrumentsOn, truthOf } from '../core/training/truth';
import type { Truth } from '../core/training/truth';
import { openBuild } from '../db/builds';
import { checksOf } from '../db/checks';

/** A simulated instrument that somebody listens to. */
export interface AskedStandIn {
  /** It stays the same instrument as long as it is asked for by this name. */
  session: string;
  build: string;
  check: string;
  device: Device;
  side: Side;
  /** Where the wheel is put, mm, + bump. */
  travel: number;
  trouble: Trouble;
  /** Which virtual car. */
  seed: number;
  /** Which way the wheel came: a car to train on may have a joint that is loose. */
  going?: 'up' | 'down' | undefined;
}

interface Running {
  standIn: StandIn;
  begun: number;
  used: number;
  travel: number;
  read: (channel: string, travel: number) => number | null;
  /** Which instrument, and on which state of the car. */
  of: string;
  on: string;
}

/** Instruments that nobody has listened to for so long are put away, ms; so many are kept. */
const KEPT = 10 * 60_000;
const MOST = 40;

// One list per process, not per bundle of the server.
const globals = globalThis as { havrikStandIns?: Map<string, Running> };
const running = (globals.havrikStandIns ??= new Map());

/** What is hidden in a car to train on; an instrument of it may have a trouble of its own. */
function trainedOn(build: Build, check: Check): Truth | null {
  const accepted = briefOf(build).targets.bumpSteer[1];
  return (
    (check.training &&
      truthOf(build, { ...check, travel: build.travel }, check.training, accepted)) ??
    null
  );
}

/**
 * What instruments read on the virtual car of a check: what is drawn, every number off within its ±, what was fitted; on
 * a car to train on, what is hidden in it.
 */
function carOf(
  build: Build,
  check: Check,
  truth: Truth | null,
  { side, device, seed, going }: AskedStandIn,
): Running['read'] {
  if (truth && check.training) {
    const way = isLoose(truth, check.training) ? (going ?? null) : null;
    const { reads } = instrumentsOn(build, { ...check, travel: build.travel }, truth, way);
    return (channel, travel) => reads(device, channel, travel);
  }
  const model = new CarModel(build, { ...check, travel: build.travel });
  const errors = drawnErrors(model, normalsApart(seed));
  const state = stateOf(model, { errors, gain: { left: 1, right: 1 } });
  const { reads } = instrumented(model, state, side);
  return (channel, travel) => reads(device, channel, travel);
}

/**
 * The instrument that is asked for, put to the wheel where it stands now.
 * @returns how it speaks, given the time, ms; null where there is no such build or check
 * @throws RangeError for a layout that cannot be solved
 */
export async function standInFor(asked: AskedStandIn): Promise<((now: number) => string) | null> {
  const opened = await openBuild(asked.build);
  const checks = opened && (await checksOf(asked.build));
  const check = checks?.checks.find(({ id }) => id === asked.check);
  if (!opened || !check) return null;
  const now = Date.now();
  for (const [key, { used }] of running) if (now - used > KEPT) running.delete(key);
  // What was fitted since makes another car of it; the instrument stays as it is.
  const { device, side, seed, session, travel } = asked;
  const of = `${check.id} ${device} ${side} ${asked.trouble} ${seed}`;
  const { training } = check;
  const on = `${check.rounds.length} ${training?.acts.length} ${training && asked.going}`;
  const known = running.get(session);
  if (known?.of === of && known.on === on) {
    known.travel = travel;
    return speaking(known);
  }
  const truth = trainedOn(opened.build, check);
  const read = carOf(opened.build, check, truth, asked);
  const standsAt: Running =
    known?.of === of
      ? Object.assign(known, { read, on, travel })
      : {
          standIn: new StandIn(device, (channel) => standsAt.read(channel, standsAt.travel), {
            trouble: truth ? (truth.hides.troubles?.[device] ?? 'none') : asked.trouble,
            seed,
          }),
          ...{ begun: now, used: now, travel, read, of, on },
        };
  running.set(session, standsAt);
  while (running.size > MOST) running.delete(running.keys().next().value!);
  return speaking(standsAt);
}

const speaking =
  (one: Running) =>
  (at: number): string => {
    one.used = at;
    return one.standIn.lines((at - one.begun) / 1000);
  };
