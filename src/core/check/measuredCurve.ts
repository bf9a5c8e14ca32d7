import { SIGMAS } from '../geometry/random';
import { secantRoot } from '../geometry/secant';
import type { Wheel } from '../kinematics/wheel';
import type { Side } from '../model/build';
import type { MethodId } from '../model/checks';
import { POSITIONS } from '../motion/bumpSteer';
import { runSweep, travelSweep, valueAt } from '../motion/sweep';
import { componentOf } from './carModel';
import type { Evidence } from './carModel';
import { plusMinusOf } from './evidence';
import type { Fit } from './fit';
import { METHOD_TABLE, casterBySweep } from './methods';
import type { Seen } from './methods';
import { camberAt, leanedBy, toeAt, toedBy } from './places';

/** A reading as a figure of its wheel. */
export interface MeasuredPoint {
  ids: readonly string[];
  side: Side;
  round: number;
  travel: number;
  method: MethodId;
  shows: 'toe' | 'camber' | 'caster';
  /** Degrees: by the reading, and by the car that fits best. */
  value: number;
  modelled: number;
  /** ±, degrees, its height's ± in it; ± of the height, mm. */
  plusMinus: number;
  heightOff: number;
  /** Standard deviations that it lies off the fit, its share in the fit counted. */
  stray: number;
}

/**
 * Readings as toe, camber and caster: the turn about the wheel's centre that makes the model read what was read, its own
 * sideways and fore-and-aft movement, camber and the other wheel being as the fit has them. Solved, not approximated.
 */
export function measuredPoints(fit: Fit): MeasuredPoint[] {
  const { evidence, noughts, model, state, variances, left, rows, estimate } = fit;
  return evidence.flatMap((one, i): MeasuredPoint[] => {
    const method = METHOD_TABLE[one.method];
    if (!isShown(one)) return [];
    const seen = model.seenOf(one, state);
    if (!seen) return [];
    const wanted = one.value - noughts[i];
    const turn = turnFor(one, seen, wanted, fit);
    if (turn === null) return [];
    const perDegree = turn.perDegree;
    const spread = Math.max(variances[i] - estimate.varianceOf(rows[i]), 1e-12);
    const sides: Side[] = one.side === 'both' ? [...model.sides] : [one.side];
    return sides.map((side) => {
      const place =
        side === 'right' && one.side === 'both' && model.sides.length > 1 ? seen.other : seen.own;
      const modelled =
        method.shows === 'toe'
          ? toeAt(place)
          : method.shows === 'camber'
            ? camberAt(place)
            : casterBySweep(
                camberAt(seen.turned!.out),
                camberAt(seen.turned!.in),
                model.car.setup.sweep,
              );
      return {
        ids: one.ids,
        side,
        ...{ round: one.round, travel: one.travel, method: one.method, shows: method.shows },
        value: modelled + turn.by,
        modelled,
        plusMinus: plusMinusOf(variances[i]) / Math.abs(perDegree),
        heightOff: one.heightOff,
        stray: left[i] / Math.sqrt(spread),
      };
    });
  });
}

/**
 * Readings that a fit has not seen, as it would draw them: their noughts as it knows them, so that a point is there at
 * once and the fit may follow. What it knows no nought of lies on the model.
 */
export function pointsAhead(fit: Fit, more: readonly Evidence[]): MeasuredPoint[] {
  const says = fit.model.predict(more, fit.state);
  if (!says) return [];
  const noughts = Float64Array.from(more, (one, i) => {
    const like = fit.evidence.findIndex(
      ({ side, method, component, round }) =>
        side === one.side &&
        method === one.method &&
        component === one.component &&
        round === one.round,
    );
    return like < 0 ? one.value - says[i] : fit.noughts[like];
  });
  return measuredPoints({
    ...fit,
    evidence: more,
    noughts,
    variances: Float64Array.from(more, ({ plusMinus }) => (plusMinus / SIGMAS) ** 2),
    left: new Float64Array(more.length),
    rows: more.map(() => new Float64Array(fit.estimate.size)),
  });
}

/** What of a method is drawn on its curve: of several parts the one that angles alone make. */
const isShown = ({ component }: Evidence): boolean => component !== 'both together';

/** The turn, degrees, that makes the model read what was read, and how the reading answers to one. */
function turnFor(
  one: Evidence,
  seen: Seen,
  wanted: number,
  { model }: Fit,
): { by: number; perDegree: number } | null {
  const { setup } = model.car;
  const component = componentOf(one);
  if (one.method === 'sweep') return { by: wanted - component.model(seen, setup), perDegree: 1 };
  const turned = METHOD_TABLE[one.method].shows === 'camber' ? leanedBy : toedBy;
  const ofBoth = METHOD_TABLE[one.method].ofBoth;
  // A tape shows both wheels' toe: each is given its half, where both are read.
  const both = ofBoth && model.sides.length > 1;
  const onlyRight = ofBoth && !model.sides.includes('left');
  const reads = (by: number): number =>
    component.model(
      {
        ...seen,
        own: onlyRight ? seen.own : turned(seen.own, by),
        other: both || onlyRight ? turned(seen.other, by) : seen.other,
      },
      setup,
    );
  const perDegree = (reads(0.01) - reads(-0.01)) / 0.02;
  if (!(Math.abs(perDegree) > 1e-6)) return null;
  const by = secantRoot((at) => (1e4 * (reads(at) - wanted)) / perDegree, 0, 0.01, -40, 40);
  return by === null ? null : { by, perDegree };
}

/** Toe or camber of a wheel as it is drawn, over its travel: degrees, mm; empty where part of it is out of reach. */
export function drawnCurve({ corner, travel }: Wheel, shows: 'toe' | 'camber'): [number, number][] {
  const sweep = travelSweep(travel, POSITIONS);
  if (!corner || runSweep(corner, sweep) < sweep.count) return [];
  return Array.from(sweep.travel, (at, i) => [valueAt(sweep, i, shows), at]);
}
