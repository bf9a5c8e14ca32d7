import type { Column, Fit } from '../model/column';
import { jointName, placesOf, shaftLinesOf } from './places';

/** A shaft as it is cut, mm. */
export interface CutShaft {
  name: string;
  /** Centre to centre of what is at its ends; of the first from the handwheel's middle. */
  centres: number;
  /** Between the ends of what is at its own ends. */
  between: number;
  /** End to end, both pieces of one that telescopes together; what is in them counted once. */
  cut: number;
  /** How deep it goes into what is above and below it; 0 where it is welded on. */
  above: number;
  below: number;
  /** What of its length is in itself, where it telescopes. */
  engaged: number;
  /** The least that is to stay in. */
  least: number | null;
  /** Its lower yoke from in line with its upper one, degrees. */
  clock: number;
  /** The longest stretch of it without a bearing, centre to centre. */
  free: number;
}

const depthOf = (fit: Fit | undefined, unseated: number | undefined): number =>
  (fit?.by === 'weld' ? 0 : (fit?.depth ?? 0)) + (unseated ?? 0);

/**
 * Every shaft above the pinion's: what is between two joints' ends, with what goes into them. A joint that was not fully
 * on when it was measured lets the shafts at both its ends go further in by what was missing.
 */
export function cutList(column: Column): CutShaft[] {
  const { joints, shafts, wheel, supports } = column;
  const lines = shaftLinesOf(placesOf(column));
  return shafts.map((shaft, i) => {
    const { length } = lines[i];
    const before = i > 0 ? joints[i - 1] : null;
    const after = joints[i];
    const above = before ? depthOf(before.below, before.unseated) : depthOf(wheel.fit, undefined);
    const below = depthOf(after.above, after.unseated);
    const start = before ? before.length : (wheel.boss ?? 0);
    const engaged = shaft.slip?.engaged ?? 0;
    const held = [
      0,
      ...supports.flatMap((one) => (one.shaft === i + 1 ? [one.along] : [])),
      length,
    ].sort((a, b) => a - b);
    return {
      name: `shaft ${i + 1}`,
      centres: length,
      between: length - start - after.length,
      cut: length - start - after.length + above + below + engaged,
      above,
      below,
      engaged,
      least: shaft.slip?.least ?? null,
      clock: i > 0 ? (shaft.clock ?? 0) : 0,
      free: Math.max(...held.slice(1).map((at, k) => at - held[k])),
    };
  });
}

/** Shafts too short for what is at their ends, in a builder's words. */
export const tooShort = (column: Column): string[] =>
  cutList(column).flatMap(({ name, between }, i) =>
    between < LEAST_SHAFT
      ? [
          `${name} has ${Math.round(between)} mm between ${i > 0 ? jointName(column.joints, i - 1) : 'the handwheel’s boss'} and ${jointName(column.joints, i)}: no room for a shaft`,
        ]
      : [],
  );
/** Between what is at its ends, mm: a hand's breadth is better (a guess). */
export const LEAST_SHAFT = 15;
