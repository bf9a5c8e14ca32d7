/** A value axis: where it begins and ends, and its ticks. It moves in whole steps only. */
export interface ValueAxis {
  from: number;
  to: number;
  ticks: number[];
}

/** Half-widths an axis about nought may have, degrees, with their ticks: the least that holds the curve. */
const HALF_WIDTHS: [half: number, ticks: number[]][] = [
  [0.6, [0.25, 0.5]],
  [1.2, [0.5, 1]],
  [2.5, [1, 2]],
  [5, [2, 4]],
  [10, [5, 10]],
  [20, [10, 20]],
  [45, [20, 40]],
  [90, [45, 90]],
];
const AXES = HALF_WIDTHS.map(([half, marks]): ValueAxis => ({
  from: -half,
  to: half,
  ticks: [...marks.map((mark) => -mark).reverse(), 0, ...marks],
}));

/** The axis about nought that holds changes of up to `worst` degrees. The same object for the same width. */
export const aboutNought = (worst: number): ValueAxis =>
  AXES.find(({ to }) => worst <= to * 0.97) ?? AXES[AXES.length - 1];

const STEPS = [0.25, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000];

/**
 * An axis that holds values, between whole steps of `grain`.
 * @param nought whether nought is to be in sight too
 */
export function around(values: number[], nought: boolean, grain = 1): ValueAxis {
  const zero = nought || values.length === 0 ? [0] : [];
  const least = Math.min(...values, ...zero);
  const most = Math.max(...values, ...zero);
  const step = grain * (STEPS.find((s) => (most - least) / (s * grain) <= 5) ?? 10_000);
  const from = Math.floor(least / step - 0.05);
  const to = Math.ceil(most / step + 0.05);
  const ticks = Array.from({ length: to - from + 1 }, (_, i) => (from + i) * step);
  return { from: from * step, to: to * step, ticks };
}

const TRAVEL_STEPS = [0.25, 0.5, 1, 2, 5, 10, 20, 25, 50, 100];

/** Ticks of the travel axis, mm, at whole steps of `grain` mm. */
export function travelTicks(bump: number, droop: number, grain: number): number[] {
  const step = grain * (TRAVEL_STEPS.find((s) => (bump + droop) / (s * grain) <= 8) ?? 100);
  const ticks: number[] = [];
  for (let i = -Math.floor(droop / step); i * step <= bump; i++) ticks.push(i * step);
  return ticks;
}
