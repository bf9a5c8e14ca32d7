import { secantRoot } from '../geometry/secant';
import { kingpinOf, typeOf } from '../corners/kinds';
import type { AxleDesign } from '../model/build';
import type { PointName } from '../model/points';
import { leanUpright, setRimOffset } from './place';
import type { Kept, Pivot } from './place';
import { staticQuantities } from './staticQuantities';

/** Something that can be changed to reach a scrub radius. */
export const WAYS = ['kpi', 'offset', 'lower', 'upper'] as const;
export type Way = (typeof WAYS)[number];

export interface Reached {
  way: Way;
  /** What it is now and would be: degrees for KPI, mm for the others. */
  from: number;
  to: number;
  /** The axle with the change in. */
  design: AxleDesign;
}

const LIMITS: Record<Way, [number, number]> = {
  kpi: [-10, 40],
  offset: [-150, 150],
  lower: [-200, 200],
  upper: [-200, 200],
};

/**
 * Ways to a wanted scrub radius, each alone: lean the kingpin, another rim offset, or one end of the kingpin
 * further out. A way that does not get there within sense is left out; so is all of it where a kind has no
 * kingpin between two joints.
 * @param scrub mm, + axis inboard of the contact point
 * @param may whether a ball joint can be moved on its upright: not where that was measured as one solid part
 */
export function waysToScrub(
  design: AxleDesign,
  scrub: number,
  keep: { offset: Kept; about: Pivot },
  may: (point: PointName) => boolean = () => true,
): Reached[] {
  const kingpin = kingpinOf(typeOf(design));
  const { kpi: kpiNow, caster } = staticQuantities(design, 'left');
  if (!kingpin || kpiNow === undefined || caster === undefined) return [];
  const [lower, upper] = kingpin;
  const changed = (change: (draft: AxleDesign) => void): AxleDesign => {
    const draft = structuredClone(design);
    change(draft);
    return draft;
  };
  const moveJoint = (joint: PointName) => (value: number) =>
    changed((draft) => {
      const by = value - design.points[joint].out;
      draft.points[joint].out = value;
      if (draft.rightPoints) draft.rightPoints[joint].out += by;
    });
  const makers: Record<Way, { from: number; make: (value: number) => AxleDesign } | null> = {
    kpi: {
      from: kpiNow,
      make: (kpi) =>
        changed((draft) => leanUpright(draft, { kpi, caster, about: keep.about, solid: false })),
    },
    offset: design.rim
      ? {
          from: design.rim.offset,
          make: (offset) => changed((draft) => setRimOffset(draft, offset, keep.offset)),
        }
      : null,
    lower: { from: design.points[lower].out, make: moveJoint(lower) },
    upper: { from: design.points[upper].out, make: moveJoint(upper) },
  };
  // Leaning the kingpin alone moves both joints against the hub.
  const needs: Record<Way, PointName[]> = {
    kpi: [lower, upper],
    offset: [],
    lower: [lower],
    upper: [upper],
  };
  return WAYS.flatMap((way): Reached[] => {
    const maker = makers[way];
    if (!maker || !needs[way].every(may)) return [];
    const { from, make } = maker;
    const joint = way === 'lower' || way === 'upper';
    const [least, most] = LIMITS[way].map((limit) => limit + (joint ? from : 0));
    const to = secantRoot(
      (value) => staticQuantities(make(value), 'left').scrub! - scrub,
      from,
      1,
      least,
      most,
    );
    return to === null ? [] : [{ way, from, to, design: make(to) }];
  });
}
