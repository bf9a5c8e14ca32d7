import { add, distance, scale } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { effortOf, limitsOf, snap } from '../freedoms/freedoms';
import { isBox } from '../model/column';
import type { Column, ColumnJoint, ColumnShaft } from '../model/column';
import { PLACE_WAYS } from '../model/place';
import type { PlaceWay } from '../model/place';
import { columnPoints, movePoint, turnPinion } from './move';
import { jointName, placesOf, shaftLinesOf, tidyPlace } from './places';

/** Something of a column that a search may move: one or more figures, each from 0 to 1 of its range. */
export interface Move {
  /** What is moved, as it is said. */
  name: string;
  size: number;
  /** Where the column stands now, 0 to 1 each. */
  now: readonly number[];
  /** A column with it put there; what it is after. */
  put: (column: Column, at: readonly number[]) => Column;
  /** Work, one unit a washer, and what is done, from where it is now to there; null where nothing is. */
  said: (at: readonly number[]) => { work: number; words: string } | null;
}

/** Work of what is no coordinate of a place, one unit a washer: guesses, beside those of the freedoms. */
export const WORK = { reach: 2, turn: 8, joint: 40, lessJoint: 20 } as const;
/** A move by less is none, mm and degrees. */
const NONE = 0.05;

const WORDS: Record<PlaceWay, [plus: string, minus: string]> = {
  ahead: ['ahead', 'back'],
  left: ['to the left', 'to the right'],
  up: ['up', 'down'],
};
const inPlace = (mm: number, plus: string, minus: string) =>
  `${Math.abs(mm).toFixed(0)} mm ${mm < 0 ? minus : plus}`;
const part = (x: number, min: number, max: number) => (max > min ? (x - min) / (max - min) : 0);
const within = (t: number, min: number, max: number) =>
  min + Math.min(1, Math.max(0, t)) * (max - min);

/** What may be moved of a column: places by their freedoms, the last joint on the pinion, the rack about its axis. */
export function movesOf(column: Column, rackWay: Vec): Move[] {
  const moves: Move[] = [];
  for (const { id, label, at, freedoms } of columnPoints(column)) {
    const open = PLACE_WAYS.flatMap((way, i) => {
      const freedom = freedoms?.[way];
      if (!freedom || freedom.kind === 'fixed') return [];
      const [min, max] = limitsOf(freedom, at[i]);
      return max > min ? [{ i, way, freedom, min, max }] : [];
    });
    if (open.length === 0) continue;
    const goes = (t: readonly number[]): Vec => {
      const to = [...at] as [number, number, number];
      open.forEach(({ i, freedom, min, max }, k) => {
        to[i] = snap(freedom, within(t[k], min, max), at[i]);
      });
      return to;
    };
    moves.push({
      name: label,
      size: open.length,
      now: open.map(({ i, min, max }) => part(at[i], min, max)),
      put: (from, t) => movePoint(from, id, goes(t), rackWay),
      said: (t) => {
        const to = goes(t);
        const by = open.flatMap(({ i, way, freedom }) => {
          const move = to[i] - at[i];
          if (Math.abs(move) < NONE) return [];
          const word = WORDS[way][move > 0 ? 0 : 1];
          return [
            {
              work: effortOf(freedom, at[i], to[i]),
              words: `${Math.abs(move).toFixed(1)} mm ${word}`,
            },
          ];
        });
        if (by.length === 0) return null;
        return {
          work: by.reduce((sum, { work }) => sum + work, 0),
          words: `${label} ${by.map(({ words }) => words).join(', ')}`,
        };
      },
    });
  }
  const { reach, reachFreedom, turn } = column.pinion;
  if (reachFreedom && reachFreedom.max > reachFreedom.min) {
    const { min, max } = reachFreedom;
    moves.push({
      name: 'last joint on the pinion',
      size: 1,
      now: [part(reach, min, max)],
      put: (from, [t]) => ({ ...from, pinion: { ...from.pinion, reach: within(t, min, max) } }),
      said: ([t]) => {
        const by = within(t, min, max) - reach;
        if (Math.abs(by) < NONE) return null;
        return {
          work: WORK.reach + Math.abs(by) / 100,
          words: `last joint ${Math.abs(by).toFixed(1)} mm ${by > 0 ? 'further off' : 'further on'} the pinion`,
        };
      },
    });
  }
  if (turn && turn.max > turn.min)
    moves.push({
      name: 'rack about its axis',
      size: 1,
      now: [part(0, turn.min, turn.max)],
      put: (from, [t]) => turnPinion(from, within(t, turn.min, turn.max), rackWay),
      said: ([t]) => {
        const by = within(t, turn.min, turn.max);
        if (Math.abs(by) < NONE) return null;
        return {
          work: WORK.turn + Math.abs(by) / 10,
          words: `rack turned ${Math.abs(by).toFixed(1)}° about its own axis, the top of its pinion ${by > 0 ? 'ahead' : 'back'}`,
        };
      },
    });
  return moves;
}

/** A column with another joint in one of its shafts, in the middle of it; supports go with the piece that they are on. */
export function withJointIn(column: Column, shaft: number): Column {
  const { joints, shafts, supports } = column;
  const line = shaftLinesOf(placesOf(column))[shaft];
  const half = line.length / 2;
  const at = tidyPlace(add(line.from, scale(line.way, half)));
  const like = joints.find((one) => !isBox(one)) ?? joints[0];
  const joint = {
    kind: 'single' as const,
    at,
    outside: like.outside,
    length: like.length,
  };
  const [upper, lower] = parted(shafts[shaft], half);
  return {
    ...column,
    joints: [...joints.slice(0, shaft), joint, ...joints.slice(shaft)],
    shafts: [...shafts.slice(0, shaft), upper, lower, ...shafts.slice(shaft + 1)],
    supports: supports.map((one) =>
      one.shaft > shaft + 1 || (one.shaft === shaft + 1 && one.along > half)
        ? {
            ...one,
            shaft: one.shaft + 1,
            along: one.shaft === shaft + 1 ? one.along - half : one.along,
          }
        : one,
    ),
  };
}

/** A shaft as two, so far down it: each end, the slip and a motor stay where they are. */
function parted(whole: ColumnShaft, at: number): [upper: ColumnShaft, lower: ColumnShaft] {
  const { above, below, slip, play, clock, assist, ...both } = whole;
  const motorAbove = assist !== undefined && assist.along <= at;
  return [
    {
      ...both,
      ...(above && { above }),
      ...(clock !== undefined && { clock }),
      ...(motorAbove && { assist }),
    },
    {
      ...both,
      ...(below && { below }),
      ...(slip && { slip }),
      ...(play && { play }),
      ...(assist && !motorAbove && { assist: { ...assist, along: assist.along - at } }),
      clock: 0,
    },
  ];
}

/** Two shafts as one, the lower of which began so far down: of what both have the upper one's holds. */
function joined(upper: ColumnShaft, lower: ColumnShaft, at: number): ColumnShaft {
  const { below: _, ...rest } = upper;
  const { below, assist } = lower;
  const slip = upper.slip ?? lower.slip;
  const play = upper.play ?? lower.play;
  return {
    ...rest,
    ...(below && { below }),
    ...(slip && { slip }),
    ...(play && { play }),
    ...((upper.collapses ?? lower.collapses) && { collapses: true }),
    ...(!upper.assist && assist && { assist: { ...assist, along: assist.along + at } }),
  };
}

/**
 * A column without one of its joints; the shafts beside it become one. Where the last one goes, the one above it takes
 * its place on the pinion's line.
 */
export function withoutJoint(column: Column, j: number): Column {
  const { joints, shafts, supports } = column;
  if (joints.length < 2) return column;
  const last = joints.length - 1;
  // The shafts that become one: of the last joint there is none below, and its own goes.
  const upper = j === last ? j - 1 : j;
  const long = shaftLinesOf(placesOf(column))[upper].length;
  const left = joints.filter((_, i) => i !== j);
  return {
    ...column,
    joints: left.map((joint, i) => (i === left.length - 1 ? onPinion(joint) : joint)),
    shafts: [
      ...shafts.slice(0, upper),
      joined(shafts[upper], shafts[upper + 1], long),
      ...shafts.slice(upper + 2),
    ],
    supports: supports.map((one) =>
      one.shaft > upper + 1
        ? {
            ...one,
            shaft: one.shaft - 1,
            along: one.shaft === upper + 2 ? one.along + long : one.along,
          }
        : one,
    ),
  };
}

/** A joint as the last one, whose place is the pinion's line. */
function onPinion(joint: ColumnJoint): ColumnJoint {
  if (isBox(joint)) {
    const { out: _, ...rest } = joint;
    return rest;
  }
  const { at: _, freedoms: __, ...rest } = joint;
  return rest;
}

/** A column with a joint made another kind, or a box: bevels where it was, one to one, to begin with. */
export function withKind(column: Column, j: number, kind: ColumnJoint['kind']): Column {
  const { joints } = column;
  const joint = joints[j];
  if (joint.kind === kind) return column;
  const { upper, lower } = placesOf(column);
  const last = j === joints.length - 1;
  const { part, above, below, unseated, play, outside, length, freedoms } = joint;
  const rest = {
    ...(part !== undefined && { part }),
    ...(above && { above }),
    ...(below && { below }),
    ...(unseated !== undefined && { unseated }),
    ...(play && { play }),
    outside,
    length,
    ...(freedoms && { freedoms }),
  };
  const next: ColumnJoint =
    kind === 'box'
      ? {
          kind,
          at: tidyPlace(upper[j]),
          ...(!last && { out: tidyPlace(lower[j]) }),
          ratio: 1,
          ...rest,
        }
      : { kind, ...(!last && { at: tidyPlace(lower[j]) }), ...rest };
  return { ...column, joints: joints.map((one, i) => (i === j ? next : one)) };
}

/** How far a new joint may lie past its neighbours, mm. */
const AROUND = 150;

/** A new joint's place as something to move: anywhere about its neighbours. */
export function moveOfNew(column: Column, j: number): Move {
  const { upper, lower, wheel } = placesOf(column);
  const at = upper[j];
  const neighbours = [j > 0 ? lower[j - 1] : wheel, upper[j + 1] ?? lower[j], at];
  const ranges = [0, 1, 2].map((i): [number, number] => {
    const along = neighbours.map((p) => p[i]);
    return [Math.min(...along) - AROUND, Math.max(...along) + AROUND];
  });
  const goes = (t: readonly number[]): Vec =>
    ranges.map(([min, max], i) => within(t[i], min, max)) as unknown as Vec;
  return {
    name: 'a joint more',
    size: 3,
    now: ranges.map(([min, max], i) => part(at[i], min, max)),
    put: (from, t) => movePoint(from, `joint ${j}`, goes(t)),
    said: (t) => {
      const [ahead, left, up] = goes(t);
      return {
        work: WORK.joint + distance(goes(t), at) / 1000,
        words: `a joint more, ${jointName(column.joints, j)} then, in what was shaft ${j + 1}: ${inPlace(ahead, 'ahead of the front axle', 'behind the front axle')}, ${inPlace(left, 'left', 'right')}, ${inPlace(up, 'up', 'below the ground')}; it needs a bearing`,
      };
    },
  };
}
