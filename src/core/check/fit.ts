import { SIGMAS } from '../geometry/random';
import { componentOf } from './carModel';
import type { CarModel, CheckedCar, Evidence, Unknown } from './carModel';
import { Estimate } from './estimate';
import { groupedBy } from './grouped';

/** What the readings say of the car: the likeliest state of all its numbers, and how well it is known. */
export interface Fit {
  model: CarModel;
  evidence: readonly Evidence[];
  /** As `model.unknowns`; what they are thought to be now. */
  state: Float64Array;
  /** Of the unknowns, then of the noughts. */
  estimate: Estimate;
  /** The nought of every piece of evidence, mm or degrees: what was read less what the model says. */
  noughts: Float64Array;
  /** Each evidence's row of slopes at the state, noughts behind the unknowns. */
  rows: readonly Float64Array[];
  /** Variance of each reading, its height's ± in it. */
  variances: Float64Array;
  /** What is left of each reading once the car is as the fit has it. */
  left: Float64Array;
  /** χ² of the readings against the drawing as it is: no number off. And how many say something. */
  asDrawn: number;
  /** The same against the drawing within its ±. */
  withinPlusMinus: number;
  /** The same against the car that fits best. */
  asFitted: number;
  degrees: number;
}

/** A fit, or why there is none, in words. */
export type Fitting = { ok: true; fit: Fit } | { ok: false; why: string };

/** The fit is at rest once its next step would be smaller than this, in σ of each number. */
const CLOSE = 2e-4;
const MOST_STEPS = 25;
/** What is not known of a nought that is anybody's guess: σ, mm or degrees. */
const OPEN = 500;

/** How much less is thought of a number that is let loose. */
const LOOSE = 100;

/** Readings of one kind, on one wheel, between one fitting and the next, share their nought. */
const noughtOf = (one: Evidence): string | null => {
  const { nought } = componentOf(one);
  if (nought === 'none') return null;
  return `${nought} ${one.side} ${one.method} ${one.component} ${nought === 'level' ? '' : one.round}`;
};

/**
 * The likeliest car (maximum a posteriori): every number off as its ± lets it, every reading as its ± lets it; Gauss and
 * Newton's steps on exact derivatives, the car put together and solved anew after each. Refused where that does not come
 * to rest.
 * @param loose an unknown of which nothing is thought beforehand: it takes what it explains
 */
export function fitModel(model: CarModel, evidence: readonly Evidence[], loose?: number): Fitting {
  const { unknowns, car } = model;
  const keys = [...new Set(evidence.map(noughtOf).filter((key) => key !== null))];
  const count = unknowns.length;
  const size = count + keys.length;
  const sigmas = Float64Array.from({ length: size }, (_, i) =>
    i < count
      ? unknowns[i].sigma * (i === loose ? LOOSE : 1)
      : keys[i - count].startsWith('level')
        ? car.setup.levelOff / SIGMAS
        : OPEN,
  );
  const nought = evidence.map((one) => keys.indexOf(noughtOf(one) ?? ''));
  const prior = new Float64Array(size);
  prior.set(model.prior);
  const said = evidence.map((one) => one.value);

  let state = model.prior;
  let known = lookAt(model, evidence, state);
  if (!known) return { ok: false, why: whyNot(model, evidence) };
  const first = known;
  // A nought is sought about what the drawing says of its first reading.
  for (const [k] of keys.entries()) {
    const at = nought.indexOf(k);
    if (!keys[k].startsWith('level')) prior[count + k] = said[at] - first.values[at];
  }
  const solve = (at: Looked, from: Float64Array): Estimate => {
    const estimate = new Estimate(prior, sigmas);
    evidence.forEach((_, i) => {
      const row = rowOf(at.slopes[i], nought[i], count, size);
      let linear = said[i] - at.values[i];
      for (let u = 0; u < count; u++) linear += row[u] * from[u];
      estimate.take(row, linear, varianceOf(evidence[i], at.slopes[i]));
    });
    return estimate;
  };
  let estimate = solve(known, state);
  for (let step = 0; ; step++) {
    let next = estimate.mean.slice(0, count);
    const wanted = next.reduce(
      (most, to, u) => Math.max(most, Math.abs(to - state[u]) / sigmas[u]),
      0,
    );
    if (wanted < CLOSE) break;
    if (step === MOST_STEPS)
      return {
        ok: false,
        why: 'the car that fits best could not be told: the readings pull the model ever further. Look for one that is far off',
      };
    let looked = lookAt(model, evidence, next);
    // A step that leaves what can be put together is taken by half.
    for (let half = 0; !looked && half < 12; half++) {
      next = next.map((to, u) => (to + state[u]) / 2);
      looked = lookAt(model, evidence, next);
    }
    if (!looked) return { ok: false, why: 'no car that can be put together fits these readings' };
    state = next;
    known = looked;
    estimate = solve(known, state);
  }
  const at = known;
  const variances = Float64Array.from(evidence, (one, i) => varianceOf(one, at.slopes[i]));
  // The noughts that go with this very state: the estimate's are of a step that is no longer taken.
  const best = keys.map((key, k) => {
    let [sum, weights] = [0, key.startsWith('level') ? (SIGMAS / car.setup.levelOff) ** 2 : 0];
    said.forEach((value, i) => {
      if (nought[i] !== k) return;
      sum += (value - at.values[i]) / variances[i];
      weights += 1 / variances[i];
    });
    return sum / weights;
  });
  const noughts = Float64Array.from(nought, (k) => (k < 0 ? 0 : best[k]));
  const left = Float64Array.from(said, (value, i) => value - at.values[i] - noughts[i]);
  return {
    ok: true,
    fit: {
      model,
      evidence,
      state,
      estimate,
      noughts,
      rows: evidence.map((_, i) => rowOf(at.slopes[i], nought[i], count, size)),
      variances,
      left,
      asDrawn: misfitAbout(said, first, evidence, nought, car),
      withinPlusMinus: estimate.misfit,
      asFitted: left.reduce((sum, off, i) => sum + off ** 2 / variances[i], 0),
      degrees: degreesOf(evidence, keys),
    },
  };
}

interface Looked {
  values: Float64Array;
  slopes: Float64Array[];
}

function lookAt(
  model: CarModel,
  evidence: readonly Evidence[],
  state: Float64Array,
): Looked | null {
  const values = model.predict(evidence, state);
  const slopes = values && model.slopes(evidence, state);
  return slopes?.every((row) => row.every(Number.isFinite)) ? { values: values!, slopes } : null;
}

/** Slopes by unknowns, and 1 by its nought. */
function rowOf(slopes: Float64Array, nought: number, count: number, size: number): Float64Array {
  const row = new Float64Array(size);
  row.set(slopes.subarray(0, count));
  if (nought >= 0) row[count + nought] = 1;
  return row;
}

/** A reading's own ± and what its height's ± makes of it. */
function varianceOf({ plusMinus, heightOff }: Evidence, slopes: Float64Array): number {
  const byHeight = slopes[slopes.length - 1] * heightOff;
  return (plusMinus ** 2 + byHeight ** 2) / SIGMAS ** 2;
}

/** χ² against the drawing as it is, noughts free. */
function misfitAbout(
  said: readonly number[],
  { values, slopes }: Looked,
  evidence: readonly Evidence[],
  nought: readonly number[],
  { setup }: CheckedCar,
): number {
  let sum = 0;
  const each = evidence.map((one, i) => ({
    off: said[i] - values[i],
    weight: 1 / varianceOf(one, slopes[i]),
    key: `${nought[i]}`,
    level: componentOf(one).nought === 'level',
  }));
  for (const group of groupedBy(each, ({ key }) => key)) {
    const free = group[0].key !== '-1';
    const hold = group[0].level ? (SIGMAS / setup.levelOff) ** 2 : 0;
    const weights = group.reduce((all, { weight }) => all + weight, hold);
    const mean = free ? group.reduce((all, { off, weight }) => all + off * weight, 0) / weights : 0;
    sum += group.reduce((all, { off, weight }) => all + weight * (off - mean) ** 2, 0);
    sum += hold * mean ** 2;
  }
  return sum;
}

/** How many readings say something of their own: a nought that is anybody's guess takes one. */
const degreesOf = (evidence: readonly Evidence[], keys: readonly string[]): number =>
  evidence.length - keys.filter((key) => !key.startsWith('level')).length;

/** Why readings cannot be on the drawing. */
function whyNot(model: CarModel, evidence: readonly Evidence[]): string {
  for (const one of evidence) {
    if (model.predict([one], model.prior)) continue;
    return one.method === 'sweep'
      ? `the wheel as drawn does not turn ${model.car.setup.sweep}° each way`
      : `as drawn the wheel does not reach ${one.travel.toFixed(1)} mm of travel`;
  }
  return 'the layout is at dead centre in one of the positions';
}

/** Whether an unknown is a number of the take-off. */
export const isNumber = (unknown: Unknown): unknown is Extract<Unknown, { kind: 'number' }> =>
  unknown.kind === 'number';
