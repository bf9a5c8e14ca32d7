import { add, cross, distance, dot, length, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { isBox } from '../model/column';
import type { Column, ColumnJoint } from '../model/column';
import { carPlace, placeVec } from '../model/place';
import { prepareColumn } from './chain';
import type { ColumnChain, ColumnFault, ColumnLine } from './chain';

/** Where everything of a column is, [ahead, left, up] mm. */
export interface ColumnPlaces {
  wheel: Vec;
  /** Of each joint its centre; of a box where the shaft above ends, and where the one below begins. */
  upper: Vec[];
  lower: Vec[];
  foot: Vec;
  tip: Vec;
  /** From foot to tip, of length 1. */
  axis: Vec;
}

export function placesOf({ wheel, joints, pinion }: Column): ColumnPlaces {
  const [foot, tip] = [placeVec(pinion.foot), placeVec(pinion.tip)];
  const axis = unit(sub(tip, foot));
  const last = add(tip, scale(axis, pinion.reach));
  const lower = joints.map((joint) => {
    const own = isBox(joint) ? joint.out : joint.at;
    return own ? placeVec(own) : last;
  });
  const upper = joints.map((joint, j) => (isBox(joint) ? placeVec(joint.at) : lower[j]));
  return { wheel: placeVec(wheel.centre), upper, lower, foot, tip, axis };
}

/** A shaft of a column from its upper to its lower end, of length 1 along `way`. */
export interface ShaftLine {
  from: Vec;
  to: Vec;
  way: Vec;
  length: number;
}

const shaftLine = (from: Vec, to: Vec): ShaftLine => {
  const length = distance(from, to);
  const way: Vec = length > 0 ? scale(sub(to, from), 1 / length) : [0, 0, -1];
  return { from, to, way, length };
};

/** The shafts above each joint, centre to centre; the pinion's own comes last, down to its tip. */
export function shaftLinesOf({ wheel, upper, lower, axis, foot }: ColumnPlaces): ShaftLine[] {
  const last = lower[lower.length - 1];
  return [
    ...upper.map((to, i) => shaftLine(i === 0 ? wheel : lower[i - 1], to)),
    { ...shaftLine(last, foot), way: scale(axis, -1) },
  ];
}

/** A column as the chain reckons with it. */
export function lineOf(column: Column): ColumnLine {
  const { wheel, upper, lower, foot } = placesOf(column);
  const { joints, shafts, start } = column;
  return {
    places: [wheel, ...upper, foot],
    kinds: joints.map(({ kind }) => kind),
    boxes: joints.map((joint, j) =>
      isBox(joint) ? { out: lower[j], ratio: joint.reverses ? -joint.ratio : joint.ratio } : null,
    ),
    // Of the first shaft the start tells.
    clocks: shafts.slice(1).map(({ clock }) => clock ?? 0),
    start: start ?? 0,
  };
}

export type ReadyColumn = { ok: true; chain: ColumnChain } | { ok: false; fault: ColumnFault };
export const chainOf = (column: Column): ReadyColumn => prepareColumn(lineOf(column));

/** What a joint or box is called: boxes and joints are counted apart. */
export function jointName(joints: readonly ColumnJoint[], j: number): string {
  const box = isBox(joints[j]);
  const before = joints.slice(0, j + 1).filter((one) => isBox(one) === box).length;
  return `${box ? 'box' : 'joint'} ${before}`;
}

/** Turns of the pinion for one of the handwheel, by its boxes: − the other way round. */
export const turnsOf = (column: Pick<Column, 'joints'> | undefined): number =>
  (column?.joints ?? []).reduce(
    (turns, joint) => (isBox(joint) ? turns * joint.ratio * (joint.reverses ? -1 : 1) : turns),
    1,
  );

/** A place on a shaft so far down from its upper end, mm. */
export const alongShaft = ({ from, way }: ShaftLine, along: number): Vec =>
  add(from, scale(way, along));

/** A column with a place put elsewhere, [ahead, left, up] mm; tidy to a hundredth. */
export const tidyPlace = (v: Vec) =>
  carPlace(v.map((mm) => Math.round(mm * 100) / 100) as unknown as Vec);

/** A pinion further from its rack's bar than this has been left behind, mm: half of a bar and of a pinion, and some. */
export const OFF_RACK = 60;

/** How far the pinion's line passes the line of the rack's inner joints, mm, [ahead, left, up]. */
export function pinionOffRack(column: Column, [one, other]: readonly [Vec, Vec]): number {
  const { foot, axis } = placesOf(column);
  const bar = unit(sub(other, one));
  const normal = cross(axis, bar);
  const off = sub(foot, one);
  const across = length(normal);
  if (across < 1e-6) return length(cross(off, bar));
  return Math.abs(dot(off, normal)) / across;
}

/** The column cut off below each of its joints: how far each shaft turns. Null where it does not turn. */
export function prefixesOf(column: Column): ColumnChain[] | null {
  const line = lineOf(column);
  const chains: ColumnChain[] = [];
  for (let j = 0; j < column.joints.length; j++) {
    const ready = prepareColumn({
      places: line.places.slice(0, j + 3),
      kinds: line.kinds.slice(0, j + 1),
      boxes: line.boxes!.slice(0, j + 1),
      clocks: line.clocks.slice(0, j),
      start: line.start,
    });
    if (!ready.ok) return null;
    chains.push(ready.chain);
  }
  return chains;
}
