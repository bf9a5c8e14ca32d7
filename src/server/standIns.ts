import { CarModel } from '../core/check/carModel';
import { instrumented } from '../core/check/instrumentCar';
import { drawnErrors, stateOf } from '../core/check/virtualCar';
import { normalsApart } from '../core/geometry/random';
import { StandIn } from '../core/instruments/standIn';
import type { Trouble } from '../core/instruments/standIn';
import type { Device } from '../core/instruments/protocol';
import type { Build, Check, Side } from '../core/model/build';
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
}

interface Running {
  standIn: StandIn;
  begun: number;
  used: number;
  travel: number;
  read: (channel: string, travel: number) => number | null;
  of: string;
}

/** Instruments that nobody has listened to for so long are put away, ms; so many are kept. */
const KEPT = 10 * 60_000;
const MOST = 40;

// One list per process, not per bundle of the server.
const globals = globalThis as { havrikStandIns?: Map<string, Running> };
const running = (globals.havrikStandIns ??= new Map());

/** What instruments read on the virtual car of a check: what is drawn, every number off within its ±, what was fitted. */
function carOf(build: Build, check: Check, { side, device, seed }: AskedStandIn): Running['read'] {
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
  const of = `${asked.device} ${asked.side} ${asked.trouble} ${asked.seed} ${check.rounds.length}`;
  const known = running.get(asked.session);
  const read = known?.of === of ? known.read : carOf(opened.build, check, asked);
  const standsAt: Running =
    known?.of === of
      ? known
      : {
          standIn: new StandIn(asked.device, (channel) => standsAt.read(channel, standsAt.travel), {
            trouble: asked.trouble,
            seed: asked.seed,
          }),
          begun: now,
          used: now,
          travel: asked.travel,
          read,
          of,
        };
  standsAt.travel = asked.travel;
  running.set(asked.session, standsAt);
  while (running.size > MOST) running.delete(running.keys().next().value!);
  return (at) => {
    standsAt.used = at;
    return standsAt.standIn.lines((at - standsAt.begun) / 1000);
  };
}
