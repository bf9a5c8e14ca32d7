import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { toRad } from '../core/geometry/angle';
import { add, distance, rotate, sub } from '../core/geometry/vec';
import type { Vec } from '../core/geometry/vec';
import type { CornerType } from '../core/corners/cornerType';
import { spindleOf } from '../core/kinematics/spindle';
import type { AxleDesign } from '../core/model/build';

type WishbonePoint =
  | 'lowerFrontInner'
  | 'lowerRearInner'
  | 'lowerOuter'
  | 'upperFrontInner'
  | 'upperRearInner'
  | 'upperOuter'
  | 'tieRodInner'
  | 'tieRodOuter'
  | 'wheelCentre';

export interface ReferencePose {
  lowerOuter: Vec;
  upperOuter: Vec;
  tieRodOuter: Vec;
  wheelCentre: Vec;
  spindle: Vec;
}

/**
 * A left corner solved in quite another way: the upright is a free rigid body with six unknowns
 * (three of place, three of turning), held by five link lengths and the wheel centre's height, and a
 * general-purpose Levenberg–Marquardt solver brings the six residuals to nothing.
 */
export function referencePose(design: AxleDesign, travel: number, rack: number): ReferencePose {
  const p = Object.fromEntries(
    Object.entries(design.points).map(([name, { ahead, out, up }]) => [name, [ahead, out, up]]),
  ) as unknown as Record<WishbonePoint, Vec>;
  const rackEnd = add(p.tieRodInner, [0, rack, 0]);
  const links: [Vec, Vec, number][] = [
    [p.lowerFrontInner, p.lowerOuter, distance(p.lowerFrontInner, p.lowerOuter)],
    [p.lowerRearInner, p.lowerOuter, distance(p.lowerRearInner, p.lowerOuter)],
    [p.upperFrontInner, p.upperOuter, distance(p.upperFrontInner, p.upperOuter)],
    [p.upperRearInner, p.upperOuter, distance(p.upperRearInner, p.upperOuter)],
    [rackEnd, p.tieRodOuter, distance(p.tieRodInner, p.tieRodOuter)],
  ];
  const origin = p.wheelCentre;
  // Turning is measured in units that move the ball joints about as far as a mm of place does.
  const ARM = 150;
  const place = (at: Vec, q: readonly number[]): Vec =>
    add(
      add(origin, [q[0], q[1], q[2]]),
      rotate(sub(at, origin), [q[3] / ARM, q[4] / ARM, q[5] / ARM]),
    );
  const residuals = (q: readonly number[], goal: number) => [
    ...links.map(([inner, outer, long]) => distance(inner, place(outer, q)) - long),
    q[2] - goal,
  ];

  const steps = Math.max(1, Math.ceil((Math.abs(travel) + Math.abs(rack)) / 10));
  const q = bringToNothing(steps, (part) => {
    links[4][0] = add(p.tieRodInner, [0, rack * part, 0]);
    return (at) => residuals(at, travel * part);
  });

  const toe = toRad(design.static.toe);
  const camber = toRad(design.static.camber);
  const spindle: Vec = [
    Math.sin(toe) * Math.cos(camber),
    Math.cos(toe) * Math.cos(camber),
    -Math.sin(camber),
  ];
  return {
    lowerOuter: place(p.lowerOuter, q),
    upperOuter: place(p.upperOuter, q),
    tieRodOuter: place(p.tieRodOuter, q),
    wheelCentre: place(p.wheelCentre, q),
    spindle: rotate(spindle, [q[3] / ARM, q[4] / ARM, q[5] / ARM]),
  };
}

/** Residuals, as many as unknowns, brought to nothing by Levenberg–Marquardt, in so many stages on the way. */
export function bringToNothing(
  steps: number,
  stage: (part: number) => (q: readonly number[]) => number[],
  unknowns = 6,
): number[] {
  let q: number[] = Array.from({ length: unknowns }, () => 0);
  const indices = q.map((_, i) => i);
  for (let step = 1; step <= steps; step++) {
    const residuals = stage(step / steps);
    // The last stage is repeated so that it ends at rounding rather than at a tolerance.
    for (let pass = 0; pass < (step === steps ? 3 : 1); pass++)
      q = Array.from(
        levenbergMarquardt(
          { x: indices, y: indices.map(() => 0) },
          (parameters: number[]) => {
            const all = residuals(parameters);
            return (i: number) => all[i];
          },
          {
            initialValues: q,
            damping: 1e-8,
            gradientDifference: 1e-4,
            centralDifference: true,
            errorTolerance: 1e-22,
            improvementThreshold: 0,
            maxIterations: 12,
          },
        ).parameterValues,
      );
  }
  return q;
}

/**
 * A left corner of any kind solved the same way: its table's conditions as residuals of a free body,
 * slopes by differences. A line's two and a hinge's last two are distances across, by other directions
 * than the solver under test takes.
 * @returns wheel centre and spindle, [ahead, out, up]
 */
export function referenceFreePose(
  type: CornerType,
  points: Readonly<Record<string, Vec>>,
  alignment: { toe: number; camber: number },
  travel: number,
  steer: number,
): { wheelCentre: Vec; spindle: Vec } {
  const ARM = 150;
  const origin = points['wheelCentre'];
  const turnOf = (q: readonly number[]): Vec => [q[3] / ARM, q[4] / ARM, q[5] / ARM];
  const place = (at: Vec, q: readonly number[]): Vec =>
    add(add(origin, [q[0], q[1], q[2]]), rotate(sub(at, origin), turnOf(q)));
  const inner = type.tieRod?.inner;
  const q = bringToNothing(
    Math.max(1, Math.ceil((Math.abs(travel) + Math.abs(steer)) / 10)),
    (part) => (at) => {
      const chassis = (name: string): Vec =>
        name === inner ? add(points[name], [0, steer * part, 0]) : points[name];
      const off = type.conditions.flatMap((condition) => {
        switch (condition.holds) {
          case 'length': {
            const { upright, chassis: end } = condition;
            const long = distance(points[upright], points[end]);
            return [distance(place(points[upright], at), chassis(end)) - long];
          }
          case 'line': {
            // The top as the upright sees it stays on its line: two of its three coordinates follow from the third.
            const [from, to] = condition.upright.map((name) => place(points[name], at));
            const along = sub(to, from);
            const top = sub(chassis(condition.chassis), from);
            const reached = top[2] / along[2];
            return [top[0] - reached * along[0], top[1] - reached * along[1]];
          }
          case 'ball':
            return [...sub(place(points[condition.at], at), points[condition.at])];
          case 'hinge': {
            const [first, second] = condition.about.map((name) => points[name]);
            const moved = sub(place(second, at), second);
            // Of the second point two coordinates; the first's three hold the third as far as it can go.
            const line = sub(second, first).map(Math.abs);
            const longest = line.indexOf(Math.max(...line));
            return [...sub(place(first, at), first), ...moved.filter((_, i) => i !== longest)];
          }
          case 'heading':
            throw new RangeError('a heading is held by the other wheel');
        }
      });
      return [...off, at[2] - travel * part];
    },
  );
  return { wheelCentre: place(origin, q), spindle: rotate(spindleOf(alignment), turnOf(q)) };
}
