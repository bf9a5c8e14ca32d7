import { toRad } from '../geometry/angle';
import { add, cross, rotate, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { isBox } from '../model/column';
import type { Column } from '../model/column';
import { carPlace } from '../model/place';
import { nearOf, roundsOf } from './clearance';
import type { CarBody } from './clearance';
import { cutList } from './cutList';
import { alongShaft, chainOf, jointName, placesOf, shaftLinesOf } from './places';

/** A worst place of the handwheel's range: what it is of, how much, and at which tilt and reach. */
export interface WorstAt {
  what: string;
  /** Of a joint or a shaft which, from 0. */
  index?: number;
  value: number;
  /** Degrees, + up, and mm, + out, from where it is drawn. */
  tilt: number;
  reach: number;
}

/** What the range of an adjustable handwheel comes to. */
export interface AdjustRange {
  /** The sharpest of each joint. */
  joints: WorstAt[];
  /** Peak to peak, 1 is all of it. */
  ripple: WorstAt;
  /** Least left in each shaft that telescopes, mm; and the change of one that does not but would have to. */
  slips: WorstAt[];
  stretched: WorstAt[];
  /** The nearest to any body; null without one. */
  clearance: WorstAt | null;
  /** Places of the range at which the column does not turn: a joint's forks meet there. */
  bound: WorstAt[];
  tried: number;
}

/** Places looked at each way of the range; both ends and where it is drawn are among them. */
const STEPS = 6;
/** A length that changes by less is as it was, mm. */
const SAME = 0.05;
/** What is worse by less is as bad: mm, degrees, parts. */
const WORSE = 1e-6;

const nearestFirst = (places: readonly number[]): number[] =>
  [...places].sort((a, b) => Math.abs(a) - Math.abs(b));

/** A column with its handwheel tilted, + up, degrees, and drawn out, mm. */
export function adjustedBy(column: Column, tilt: number, reach: number): Column {
  const places = placesOf(column);
  const [first] = shaftLinesOf(places);
  const onlyJoint = column.joints.length === 1 || isBox(column.joints[0]);
  const { pivot } = column.adjust ?? {};
  const about = pivot === undefined || onlyJoint ? first.to : alongShaft(first, pivot);
  const level = cross([0, 0, 1], first.way);
  // Its upper end rises for a turn the one way about the axis to the left, seen along the shaft.
  const axis = Math.hypot(...level) > 1e-9 ? unit(level) : ([0, 1, 0] as Vec);
  const turn = scale(axis, toRad(tilt));
  const turned = (p: Vec) => add(about, rotate(sub(p, about), turn));
  const centre = turned(add(places.wheel, scale(first.way, -reach)));
  const next: Column = {
    ...column,
    wheel: { ...column.wheel, centre: carPlace(centre) },
  };
  if (pivot === undefined || onlyJoint) return next;
  const joint = turned(first.to);
  return {
    ...next,
    joints: column.joints.map((one, j) => (j === 0 ? { ...one, at: carPlace(joint) } : one)),
  };
}

/** The whole range of tilt and reach, looked at on a grid that has its ends and where it is drawn. */
export function adjustRange(column: Column, bodies: readonly CarBody[]): AdjustRange | null {
  const { adjust } = column;
  if (!adjust) return null;
  const tilts = spread(-adjust.down, adjust.up);
  const reaches = spread(-adjust.in, adjust.out);
  const drawn = cutList(column);
  const joints = new Map<number, WorstAt>();
  const slips = new Map<number, WorstAt>();
  const stretched = new Map<number, WorstAt>();
  const bound: WorstAt[] = [];
  let ripple: WorstAt | null = null;
  let clearance: WorstAt | null = null;
  let tried = 0;
  // Where it is drawn comes first: what is as bad elsewhere is told of there.
  for (const tilt of nearestFirst(tilts))
    for (const reach of nearestFirst(reaches)) {
      tried++;
      const at = adjustedBy(column, tilt, reach);
      const here = (what: string, value: number, index?: number): WorstAt => ({
        ...{ what, value, tilt, reach },
        ...(index !== undefined && { index }),
      });
      const ready = chainOf(at);
      if (!ready.ok) {
        bound.push(here(jointName(column.joints, ready.fault.joint), NaN));
        continue;
      }
      ready.chain.bends.forEach((bend, j) => {
        if (!isBox(column.joints[j]) && bend > (joints.get(j)?.value ?? -1) + WORSE)
          joints.set(j, here(jointName(column.joints, j), bend, j));
      });
      const uneven = ready.chain.ripple().ripple;
      if (!ripple || uneven > ripple.value + WORSE) ripple = here('ripple', uneven);
      cutList(at).forEach(({ name, centres }, i) => {
        const longer = centres - drawn[i].centres;
        if (drawn[i].least !== null) {
          const left = drawn[i].engaged - longer;
          if (left < (slips.get(i)?.value ?? Infinity) - WORSE) slips.set(i, here(name, left, i));
        } else if (
          Math.abs(longer) > Math.max(SAME, Math.abs(stretched.get(i)?.value ?? 0) + WORSE)
        )
          stretched.set(i, here(name, longer, i));
      });
      const [near] = nearOf(roundsOf(at, placesOf(at)), bodies);
      if (near && near.clearance < (clearance?.value ?? Infinity) - WORSE)
        clearance = here(`${near.what} to ${near.to}`, near.clearance);
    }
  if (!ripple) return null;
  return {
    joints: [...joints.values()],
    ripple,
    slips: [...slips.values()],
    stretched: [...stretched.values()],
    clearance,
    bound,
    tried,
  };
}

function spread(from: number, to: number): number[] {
  if (to - from < 1e-9) return [0];
  const steps = Array.from({ length: STEPS + 1 }, (_, i) => from + ((to - from) * i) / STEPS);
  return [...new Set([...steps, 0])].sort((a, b) => a - b);
}
