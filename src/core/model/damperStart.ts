import { carriersOf, hasStrut } from '../corners/damperTable';
import type { Carrier } from '../corners/cornerType';
import { typeOf } from '../corners/kinds';
import { add, footOnLine, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { AxleDesign } from './build';
import { damperPointsOf } from './damper';
import type { Damper } from './damper';
import { COORDINATES, toPoint, toVec } from './points';
import type { Points } from './points';
import { pathOf, say, unsay } from './sketch';

/** How a damper is mounted: what makes its points. */
export type Mounting = Pick<Damper, 'by' | 'on'>;

/** Every way to mount a damper on an axle, the usual first. */
export function mountingsOf(design: AxleDesign): Mounting[] {
  const type = typeOf({ kind: design.kind });
  const carriers = carriersOf(type);
  return [
    ...(hasStrut(type) ? [{ by: 'strut' as const }] : []),
    ...carriers.map((on) => ({ by: 'direct' as const, on })),
    ...carriers.map((on) => ({ by: 'rocker' as const, on })),
  ];
}

/** A place on what carries a damper: so far from its pivots toward the joint that it carries. */
function onCarrier({ kind, points }: AxleDesign, on: Carrier, part: number): Vec {
  const { pivots, coupled } = typeOf({ kind });
  const at = (name: string) => toVec(points[name]);
  const arm = pivots.find(({ body }) => body === on);
  if (arm?.carries) {
    const [front, rear] = arm.through.map(at);
    const joint = at(arm.carries);
    const foot = footOnLine(joint, rear, unit(sub(front, rear)));
    return add(foot, scale(sub(joint, foot), part));
  }
  if (on === 'beam' && coupled?.spring) return add(at(coupled.spring.pad), [-60, 60, 0]);
  return add(at('wheelCentre'), [0, -160, -20]);
}

/** Where the points of a damper go to begin with, [ahead, out, up] mm: near what carries them, of no particular car. */
function startingPlaces(design: AxleDesign, damper: Damper): Record<string, Vec> {
  const places: Record<string, Vec> = {};
  const { by, on, bar, spring, strap } = damper;
  if (by === 'direct' && on) {
    places['damperOuter'] = add(onCarrier(design, on, 0.75), [0, 0, 20]);
    places['damperInner'] = add(places['damperOuter'], [0, -130, 330]);
  }
  if (by === 'rocker' && on) {
    places['rockerRodOuter'] = add(onCarrier(design, on, 0.88), [0, 0, 15]);
    const [ahead, out, up] = places['rockerRodOuter'];
    places['rockerRodInner'] = [ahead, out - 220, up + 300];
    places['rockerPivot'] = [ahead, out - 290, up + 285];
    places['rockerAxis'] = [ahead + 60, out - 290, up + 285];
    places['damperOuter'] = [ahead, out - 295, up + 355];
    places['damperInner'] = [ahead, out - 495, up + 360];
  }
  if (spring?.on) {
    places['springOuter'] = add(onCarrier(design, spring.on, 0.55), [0, 0, 15]);
    places['springInner'] = add(places['springOuter'], [0, -20, 220]);
  }
  if (bar) {
    places['barLinkOuter'] =
      bar.on === 'rocker'
        ? add(places['rockerPivot'] ?? toVec(design.points['rockerPivot']), [0, 50, 40])
        : add(onCarrier(design, bar.on, 0.6), [30, 0, 15]);
    places['barLinkInner'] = add(places['barLinkOuter'], [0, -10, 110]);
    places['barPivot'] = add(places['barLinkInner'], [160, 0, -5]);
  }
  if (strap) {
    places['strapOuter'] = add(onCarrier(design, strap.on, 0.65), [-40, 0, 15]);
    places['strapInner'] = add(places['strapOuter'], [0, -60, 200]);
  }
  return places;
}

/**
 * Gives an axle a damper, another one, or none. Points that both have stay where they are; what is new is a sketch to
 * be set, what is gone goes with its freedoms. Changes what it is given.
 */
export function setDamper(design: AxleDesign, damper: Damper | undefined): void {
  const type = typeOf({ kind: design.kind });
  const before = design.damper ? damperPointsOf(type, design.damper) : [];
  const after = damper ? damperPointsOf(type, damper) : [];
  const ridesOn = (one: Damper | undefined, name: string) =>
    one && typeOf({ kind: design.kind, damper: one }).points[name]?.on;
  for (const name of before)
    if (!after.includes(name)) {
      for (const side of [design.points, design.rightPoints]) if (side) delete side[name];
      if (design.freedoms?.[name]) delete design.freedoms[name];
      if (design.bolts?.[name]) delete design.bolts[name];
      say(design, ...COORDINATES.map((c) => pathOf(name, c)));
    }
  if (!damper) {
    delete design.damper;
    return;
  }
  const old = design.damper;
  design.damper = damper;
  for (const key of ['points', 'rightPoints'] as const) {
    const points = design[key];
    if (!points) continue;
    const places = startingPlaces({ ...design, points: points as Points }, damper);
    for (const name of after) {
      if (before.includes(name) && ridesOn(old, name) === ridesOn(damper, name)) continue;
      points[name] = toPoint(places[name].map((x) => Math.round(x)) as unknown as Vec);
      for (const c of COORDINATES) unsay(design, pathOf(name, c));
    }
  }
}
