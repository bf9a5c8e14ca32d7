import { DEG } from '../geometry/angle';
import { secantRoot } from '../geometry/secant';
import { pointsOf } from '../kinematics/axle';
import { spindleOf } from '../kinematics/spindle';
import type { AxleDesign } from '../model/build';
import type { WidthAt } from '../model/brief';
import { leanUpright, moveOut, moveWheel } from './place';
import { staticQuantities } from './staticQuantities';

/**
 * How far a tyre's outside is outboard of its wheel's centre, mm, the tyre taken as a cylinder and toe left aside.
 * @param where at the ground, at the height of the hub, or wherever it is most
 */
export function tyreReach({ static: alignment, tyre }: AxleDesign, where: WidthAt): number {
  const { radius, width } = tyre;
  const [, across, up] = spindleOf({ toe: 0, camber: alignment.camber });
  // The outer face: its middle, and how far its edge below and above the middle is outboard of that.
  const middle = (width / 2) * across;
  const edge = radius * up;
  if (where === 'ground') return middle + edge;
  if (where === 'anywhere') return middle + Math.abs(edge);
  // At the hub's height the face is met off its middle.
  return width / 2 / across;
}

/** Over the outsides of both tyres, mm. */
export const widthOver = (design: AxleDesign, where: WidthAt = 'anywhere'): number =>
  pointsOf(design, 'left').wheelCentre.out +
  pointsOf(design, 'right').wheelCentre.out +
  2 * tyreReach(design, where);

/** Sets the width over the tyres, wheel and upright moving out or in together, half on each side. */
export const setOverallWidth = (
  design: AxleDesign,
  width: number,
  where: WidthAt = 'anywhere',
): void => moveOut(design, (width - widthOver(design, where)) / 2);

/** Something that brings an axle to a width. */
export interface ToWidth {
  way: 'bosses' | 'lean' | 'spacers';
  /** Between the bosses, mm; of each boss' lean, degrees; of each stub's spacers, mm: + more. */
  by: number;
  /** The axle so, as it measures: over the tyres, and what else it changes. */
  design: AxleDesign;
  width: number;
  camber: number;
  kpi: number | undefined;
  scrub: number | undefined;
}

/** Widths are met to this, mm: coordinates are kept to a ten-thousandth. */
const MET = 2e-3;
/** Bosses are leaned no further for it, degrees. */
const FARTHEST_LEAN = 10;

/**
 * Ways to a width over the tyres, each by itself, put in and measured: bosses nearer together or further apart,
 * kingpins with stubs and wheels leaned, spacers on the stubs. One that does not get there is left out.
 * @param width mm
 */
export function waysToWidth(design: AxleDesign, width: number, where: WidthAt): ToWidth[] {
  const off = width - widthOver(design, where);
  const asMeasured = (way: ToWidth['way'], by: number, changed: AxleDesign): ToWidth[] => {
    const reached = widthOver(changed, where);
    if (!(Math.abs(reached - width) < MET)) return [];
    const { camber, kpi, scrub } = staticQuantities(changed, 'left');
    return [{ way, by, design: changed, width: reached, camber, kpi, scrub }];
  };
  const bosses = structuredClone(design);
  moveOut(bosses, off / 2);
  const across = spindleOf(design.static)[1];
  const spaced = structuredClone(design);
  moveWheel(spaced, off / 2 / across);
  const { kpi, caster } = staticQuantities(design, 'left');
  const leaned = (by: number): AxleDesign => {
    const changed = structuredClone(design);
    leanUpright(changed, { kpi: kpi! + by, caster: caster!, about: 'lower', solid: true });
    return changed;
  };
  const lean =
    kpi === undefined || caster === undefined
      ? null
      : secantRoot(
          (by) => widthOver(leaned(by), where) - width,
          0,
          0.1,
          -FARTHEST_LEAN,
          FARTHEST_LEAN,
        );
  return [
    ...asMeasured('bosses', off, bosses),
    ...(lean === null ? [] : asMeasured('lean', lean, leaned(lean))),
    ...asMeasured('spacers', off / 2 / across, spaced),
  ];
}

/** How far a tyre's lower edge stands outboard of its upper one, mm: + under negative camber. */
export const lowerEdgeOut = ({ static: { camber }, tyre }: AxleDesign): number =>
  2 * tyre.radius * Math.sin(-camber / DEG);
