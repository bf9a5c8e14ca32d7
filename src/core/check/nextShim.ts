import { rodEnds } from '../corners/kinds';
import { leastSquares } from '../geometry/linear';
import { SIGMAS } from '../geometry/random';
import { bestPlace } from '../freedoms/bestPlace';
import { effortOf, washersFor } from '../freedoms/freedoms';
import type { Side, Travel } from '../model/build';
import type { Fitted } from '../model/checks';
import type { Freedom } from '../model/freedoms';
import { COORDINATES } from '../model/points';
import type { Coordinate, PointName } from '../model/points';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { toeOf } from '../bumpsteer/toeCurve';
import { isFitting } from './verdict';
import { plusMinusOf } from './evidence';
import type { Fit } from './fit';
import { measuredPoints } from './measuredCurve';

/** Toe over the travel as the readings have it, about ride height. */
export interface ToeNow {
  travels: readonly number[];
  /** Change of toe from ride height, degrees. */
  change: readonly number[];
  /** ± of each. */
  plusMinus: readonly number[];
  worst: number;
  range: number;
  /** ± of the worst. */
  worstOff: number;
  /** How each change answers to the fit's unknowns and noughts. */
  slopes: readonly Float64Array[];
}

/** A move of one joint and what it should do. */
export interface ShimAdvice {
  move: Fitted;
  freedom: Freedom | null;
  /** The washers that stand there afterwards, where the freedom is washers. */
  washers: number[] | null;
  before: ToeNow;
  /** Expected largest change from ride height afterwards, and its ±, degrees. */
  after: number;
  afterOff: number;
  effort: number;
}

/** How far a joint without a freedom may be moved each way, mm. */
export const SHIM_REACH = 40;
/** A move that is smaller is none, mm. */
export const THINNEST_MOVE = 0.05;
/** Heights that a move is looked for at. */
const SEARCHED = 21;

/** What of the readings no car within reach of the model has: toe over the travel, degrees, and how far it scatters. */
interface Rest {
  at: (travel: number) => number;
  /** By how much ± have to grow so that the readings lie within them; 1 where they do. */
  wider: number;
}

const NO_REST: Rest = { at: () => 0, wider: 1 };

/** Worked out once for every fit and side. */
const rests = new WeakMap<Fit, Map<Side, Rest>>();

function restOf(fit: Fit, side: Side): Rest {
  const known = rests.get(fit) ?? new Map<Side, Rest>();
  rests.set(fit, known);
  const rest = known.get(side) ?? restFor(fit, side);
  known.set(side, rest);
  return rest;
}

/** Toe over the travel that readings leave once the model has taken its part: straight and bowed (least squares). */
function restFor(fit: Fit, side: Side): Rest {
  // What fits is noise: nothing of it is carried on.
  if (isFitting(fit.asFitted, fit.degrees)) return NO_REST;
  const round = fit.model.car.rounds.length;
  const points = measuredPoints(fit).filter(
    (point) => point.shows === 'toe' && point.side === side && point.round === round,
  );
  const terms = points.map(({ travel, value, modelled, plusMinus }) => {
    const weight = SIGMAS / plusMinus;
    // About a hundred mm, so that all terms are of one size. The constant is the nought's.
    const t = travel / 100;
    return { row: [weight, weight * t, weight * t * t], right: weight * (value - modelled) };
  });
  const found = leastSquares(
    terms.map(({ row }) => row),
    terms.map(({ right }) => right),
  );
  if (points.length < 4 || !found) return NO_REST;
  const [, tilt, bow] = found;
  const scatter = terms.reduce(
    (sum, { row, right }) => sum + (right - row.reduce((all, x, i) => all + x * found[i], 0)) ** 2,
    0,
  );
  return {
    at: (travel) => (travel / 100) * (tilt + (bow * travel) / 100),
    wider: Math.max(1, Math.sqrt(scatter / (points.length - 3))),
  };
}

/** The toe curve of a side as the readings have it now. */
export function toeNow(fit: Fit, side: Side): ToeNow | null {
  const { model, state, estimate } = fit;
  const { travel } = model.wheels[side];
  const travels = travelsOf(travel);
  const round = model.car.rounds.length;
  const known = model.toes(side, state, round, [0, ...travels]);
  if (!known) return null;
  const rest = restOf(fit, side);
  const change = travels.map((t, i) => known.toe[i + 1] - known.toe[0] + rest.at(t));
  const slopes = travels.map((_, i) => {
    const row = new Float64Array(estimate.size);
    known.slopes[i + 1].forEach((slope, u) => (row[u] = slope - known.slopes[0][u]));
    return row;
  });
  const plusMinus = slopes.map((row) => rest.wider * plusMinusOf(estimate.varianceOf(row)));
  const at = change.reduce((most, by, i) => (Math.abs(by) > Math.abs(change[most]) ? i : most), 0);
  return {
    ...{ travels, change, plusMinus, slopes },
    worst: Math.abs(change[at]),
    range: Math.max(...change, 0) - Math.min(...change, 0),
    worstOff: plusMinus[at],
  };
}

const travelsOf = ({ bump, droop }: Travel): number[] =>
  Array.from({ length: 13 }, (_, i) => -droop + ((bump + droop) * i) / 12);

/** Joints of the rod that may be moved, and how: the freedoms of the drawing; heights of both where it says none. */
export function movableOf(
  fit: Fit,
  side: Side,
): { point: PointName; coordinate: Coordinate; freedom: Freedom | null }[] {
  const wheel = fit.model.wheels[side];
  if (!wheel.type.tieRod || !wheel.travels) return [];
  const { outer, inner } = rodEnds(wheel.type);
  const said = [outer, inner].flatMap((point) =>
    COORDINATES.flatMap((coordinate) => {
      const freedom = wheel.design.freedoms?.[point]?.[coordinate];
      return freedom ? [{ point, coordinate, freedom }] : [];
    }),
  );
  const open = said.filter(({ freedom }) => freedom.kind !== 'fixed');
  if (open.length > 0) return open;
  return [outer, inner].flatMap((point) =>
    said.some((one) => one.point === point && one.coordinate === 'up')
      ? []
      : [{ point, coordinate: 'up' as const, freedom: null }],
  );
}

/** Every joint's best move, the one to make first in front: into the band by the least effort, else the least left over. */
export function nextShims(
  fit: Fit,
  side: Side,
  accepted: number,
  now: ToeNow | null = toeNow(fit, side),
): ShimAdvice[] {
  if (!now) return [];
  const found = movableOf(fit, side).flatMap((movable): ShimAdvice[] => {
    const worst = worstBy(fit, side, movable);
    const by = bestMove(fit, side, movable, worst);
    if (by === null || Math.abs(by) < THINNEST_MOVE) return [];
    const after = worst(by);
    if (!(after < now.worst)) return [];
    const from = fittedAt(fit, side, movable);
    const { point, coordinate, freedom } = movable;
    return [
      {
        move: { side, point, coordinate, by },
        freedom,
        washers: freedom?.kind === 'shims' ? washersFor(freedom, from + by) : null,
        before: now,
        after,
        afterOff: offAfter(fit, side, movable, by, now),
        effort: effortOf(freedom ?? undefined, from, from + by),
      },
    ];
  });
  const inBand = ({ after, afterOff }: ShimAdvice) => after + afterOff <= accepted;
  return found.sort(
    (a, b) =>
      Number(inBand(b)) - Number(inBand(a)) ||
      (inBand(a) ? a.effort - b.effort : a.after - b.after),
  );
}

type Movable = ReturnType<typeof movableOf>[number];

/** Where a joint is thought to stand: as drawn, and what was fitted since. */
function fittedAt({ model }: Fit, side: Side, { point, coordinate }: Movable): number {
  return model.car.rounds
    .flatMap(({ fitted }) => fitted)
    .filter((one) => one.side === side && one.point === point && one.coordinate === coordinate)
    .reduce((sum, { by }) => sum + by, model.wheels[side].points[point][coordinate]);
}

/** The largest change of toe from ride height with a joint moved by so much, degrees; Infinity out of reach. */
export function worstBy(
  fit: Fit,
  side: Side,
  { point, coordinate }: Pick<Movable, 'point' | 'coordinate'>,
): (by: number) => number {
  const { model, state } = fit;
  const { bump, droop } = model.wheels[side].travel;
  const travels = Array.from(
    { length: SEARCHED },
    (_, i) => -droop + ((bump + droop) * i) / (SEARCHED - 1),
  );
  const rest = restOf(fit, side);
  const round = model.car.rounds.length;
  const u = new Float64Array(UPRIGHT_SIZE);
  return (by) => {
    const corner = model.corner(side, state, round, [{ side, point, coordinate, by }]);
    if (!corner?.corner.pose(0, 0, u)) return Infinity;
    const home = toeOf(u);
    let worst = 0;
    for (const travel of travels) {
      if (!corner.corner.pose(travel, 0, u)) return Infinity;
      worst = Math.max(worst, Math.abs(toeOf(u) - home + rest.at(travel)));
    }
    return worst;
  };
}

/** The move within a joint's freedom that leaves the least; what has no freedom is looked for within `SHIM_REACH`. */
export const bestMove = (
  fit: Fit,
  side: Side,
  movable: Movable,
  worst: (by: number) => number,
): number | null => {
  const { freedom } = movable;
  const reach = freedom ? 4 * SHIM_REACH : SHIM_REACH;
  return bestPlace(freedom, fittedAt(fit, side, movable), worst, reach);
};

/** ± of what is left after a move: what is not known of the curve, and of what the move does. */
function offAfter(
  fit: Fit,
  side: Side,
  { point, coordinate }: Movable,
  by: number,
  { travels, change: before, slopes }: ToeNow,
): number {
  const { model, state, estimate } = fit;
  const round = model.car.rounds.length;
  const moved = model.corner(side, state, round, [{ side, point, coordinate, by }]);
  const u = new Float64Array(UPRIGHT_SIZE);
  if (!moved?.corner.pose(0, 0, u)) return NaN;
  const home = toeOf(u);
  const rest = restOf(fit, side);
  // What a move does is known to a part of it: by the rounds before, or as a spacer usually does.
  const gain = model.gainVariance(side, estimate);
  let worst = { size: -1, off: 0 };
  for (const [i, t] of travels.entries()) {
    if (!moved.corner.pose(t, 0, u)) return NaN;
    const change = toeOf(u) - home + rest.at(t);
    if (Math.abs(change) <= worst.size) continue;
    const variance = estimate.varianceOf(slopes[i]) + gain * (change - before[i]) ** 2;
    worst = { size: Math.abs(change), off: rest.wider * plusMinusOf(variance) };
  }
  return worst.off;
}
