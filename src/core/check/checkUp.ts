import type { Targets } from '../model/brief';
import type { Build, Side } from '../model/build';
import type { CheckReading } from '../model/checks';
import { judgeBumpSteer } from '../motion/bumpSteer';
import type { Verdict } from '../verdict/verdicts';
import { CarModel } from './carModel';
import type { CheckedCar } from './carModel';
import { gathered, plusMinusOf } from './evidence';
import type { Gathered } from './evidence';
import { fitModel } from './fit';
import type { Fit } from './fit';
import { measuredPoints } from './measuredCurve';
import type { MeasuredPoint } from './measuredCurve';
import { nextShims, toeNow } from './nextShim';
import type { ShimAdvice, ToeNow } from './nextShim';
import { playOf } from './play';
import type { Play } from './play';
import { suspectsOf, tellable } from './suspects';
import type { Suspect } from './suspects';
import { chiSquare95, isFitting } from './verdict';

/** Whether the car agrees with the drawing. */
export type Agrees = 'drawing' | 'within' | 'not' | 'too few';

/** One wheel as it was read. */
export interface SideChecked {
  side: Side;
  /** Toe over the whole travel as readings and model have it together. */
  now: ToeNow;
  /** Heights that toe was read at since the last move, mm: the verdict covers these. Null: none. */
  covers: { from: number; to: number } | null;
  /** Largest change of toe from ride height between those heights, and its ±, degrees. */
  worst: number;
  worstOff: number;
  range: number;
  verdict: Verdict | null;
  /** Every joint's best move, the one to make in front; empty where nothing does better. */
  shims: ShimAdvice[];
  /** Why nothing more is to be fitted; null while something is. */
  stop: string | null;
  /** What was fitted did of what it should, and its ±; null before anything was. */
  did: { gain: number; plusMinus: number } | null;
}

/** All that a check says. */
export interface CheckedUp {
  gathered: Gathered;
  fit: Fit | null;
  /** Why there is no fit; empty where nothing was read. */
  why: string;
  agrees: Agrees;
  points: MeasuredPoint[];
  sides: SideChecked[];
  /** Readings that stand off what the others say, the worst first. */
  strays: { ids: readonly string[]; size: number }[];
  suspects: Suspect[];
  /** Of how many numbers the readings could find an error of three times the ±. */
  tellable: { of: number; all: number };
  play: Play[];
}

/** So many standard deviations off the others, a reading is pointed at. */
const STRAY = 3.3;
/** Readings at fewer heights say nothing of a curve. */
const LEAST_HEIGHTS = 3;
/** A gain that is smaller is not worth a shim, degrees. */
const WORTH = 0.02;

/** Everything that a check's readings say. */
export function checkUp(
  build: Build,
  car: CheckedCar,
  readings: readonly CheckReading[],
  bands: Targets['bumpSteer'],
): CheckedUp {
  const all = gathered(car, readings);
  const nothing: CheckedUp = {
    ...{ gathered: all, fit: null, why: '', agrees: 'too few', points: [], sides: [] },
    ...{ strays: [], suspects: [], tellable: { of: 0, all: 0 }, play: [] },
  };
  if (all.evidence.length === 0) return nothing;
  let model: CarModel;
  try {
    model = modelOf(build, car);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { ...nothing, why: error.message };
  }
  const fitting = fitModel(model, all.evidence);
  if (!fitting.ok) return { ...nothing, why: fitting.why };
  const { fit } = fitting;
  const points = measuredPoints(fit);
  const going = new Map(
    readings.flatMap((one) => (one.going ? [[one.id, one.going] as const] : [])),
  );
  const numbers = model.unknowns.filter(({ kind }) => kind === 'number').length;
  return {
    gathered: all,
    fit,
    why: '',
    agrees: agreesOf(fit),
    points,
    sides: model.sides.flatMap((side) => sideOf(fit, points, side, bands) ?? []),
    strays: straysOf(points),
    suspects: suspectsOf(fit),
    tellable: { of: tellable(fit, 3).length, all: numbers },
    play: playOf(all.evidence, going),
  };
}

/** The car that was checked last: the next reading finds it as it is. */
const models = new WeakMap<CheckedCar, { build: Build; model: CarModel }>();

function modelOf(build: Build, car: CheckedCar): CarModel {
  const known = models.get(car);
  if (known?.build === build) return known.model;
  const model = new CarModel(build, car);
  models.set(car, { build, model });
  return model;
}

/** What the misfit says; nothing while no more was read than noughts take. */
export function agreesOf({ asDrawn, withinPlusMinus, degrees }: Fit): Agrees {
  if (degrees < 2) return 'too few';
  if (isFitting(asDrawn, degrees)) return 'drawing';
  return isFitting(withinPlusMinus, degrees) ? 'within' : 'not';
}

function straysOf(points: readonly MeasuredPoint[]): CheckedUp['strays'] {
  const seen = new Set<string>();
  return points
    .filter(({ stray }) => Math.abs(stray) > STRAY)
    .sort((a, b) => Math.abs(b.stray) - Math.abs(a.stray))
    .flatMap(({ ids, stray }) => {
      if (seen.has(ids.join())) return [];
      seen.add(ids.join());
      return [{ ids, size: Math.abs(stray) }];
    });
}

function sideOf(
  fit: Fit,
  points: readonly MeasuredPoint[],
  side: Side,
  bands: Targets['bumpSteer'],
): SideChecked | null {
  const now = toeNow(fit, side);
  if (!now) return null;
  const { model, estimate } = fit;
  const round = model.car.rounds.length;
  const heights = points
    .filter((one) => one.shows === 'toe' && one.side === side && one.round === round)
    .map(({ travel }) => travel);
  const enough = new Set(heights.map((travel) => Math.round(travel))).size >= LEAST_HEIGHTS;
  const covers = enough ? { from: Math.min(...heights), to: Math.max(...heights) } : null;
  const within = now.travels.flatMap((travel, i) =>
    covers && travel >= covers.from - CLOSE_BY && travel <= covers.to + CLOSE_BY
      ? [{ change: now.change[i], off: now.plusMinus[i] }]
      : [],
  );
  const most = within.reduce(
    (worst, one) => (Math.abs(one.change) > Math.abs(worst.change) ? one : worst),
    { change: 0, off: 0 },
  );
  const worst = Math.abs(most.change);
  const shims = covers ? nextShims(fit, side, bands[1], now) : [];
  const gain = model.unknowns.findIndex((one) => one.kind === 'gain' && one.side === side);
  const values = [0, ...within.map(({ change }) => change)];
  return {
    ...{ side, now, covers, worst, worstOff: most.off, shims },
    range: Math.max(...values) - Math.min(...values),
    verdict: covers ? judgeBumpSteer(worst, bands) : null,
    stop: covers ? stopOf(now, shims, bands, isWhole(now, covers)) : null,
    did:
      gain < 0
        ? null
        : {
            gain: fit.state[gain],
            plusMinus: plusMinusOf(estimate.covariance[gain * estimate.size + gain]),
          },
  };
}

/** The curve is told at steps of the travel: one beside the last height read counts as read, mm. */
const CLOSE_BY = 3;

/** Whether the heights read reach both ends of the travel. */
const isWhole = ({ travels }: ToeNow, { from, to }: { from: number; to: number }): boolean =>
  from <= travels[0] + CLOSE_BY && to >= travels[travels.length - 1] - CLOSE_BY;

/** Why it is good enough, or why no shim helps; null where one does. `whole`: readings reach both ends. */
function stopOf(
  now: ToeNow,
  [best]: readonly ShimAdvice[],
  bands: Targets['bumpSteer'],
  whole: boolean,
): string | null {
  const angle = (degrees: number) => `${degrees.toFixed(2)}°`;
  if (now.worst + now.worstOff <= bands[0])
    return `Stop here: ${angle(now.worst)} ± ${angle(now.worstOff)} is very good over the whole travel${whole ? '' : ', beyond the heights read as far as the model knows'}.`;
  if (!best) return 'No move of the rod’s joints within their freedoms does better.';
  const gain = now.worst - best.after;
  const stays = `${angle(now.worst)} ± ${angle(now.worstOff)}`;
  if (now.worst + now.worstOff <= bands[1] && gain < now.worstOff)
    return `Stop here: another shim would gain ${angle(gain)}, which is less than these readings can tell (± ${angle(now.worstOff)}).`;
  return gain < WORTH
    ? `No shim here is worth fitting: the best gains ${angle(gain)}, and ${stays} stays.`
    : null;
}

/** A suspect worked out again by itself: the car put together and solved anew with that number let loose. */
export interface Alone {
  /** By how much the number would be off, mm or degrees. */
  off: number;
  /** How much of what does not fit it explains, 0 to 1. */
  explains: number;
  /** Whether the car then fits within its ±. */
  fits: boolean;
}

/** @returns null where no such car can be told */
export function alone(fit: Fit, { index }: Suspect): Alone | null {
  const solved = fitModel(fit.model, fit.evidence, index);
  if (!solved.ok) return null;
  const { withinPlusMinus, degrees, state } = solved.fit;
  const excess = fit.withinPlusMinus - degrees;
  return {
    off: state[index],
    explains:
      excess > 0 ? Math.min(1, Math.max(0, (fit.withinPlusMinus - withinPlusMinus) / excess)) : 0,
    fits: withinPlusMinus <= chiSquare95(degrees),
  };
}
