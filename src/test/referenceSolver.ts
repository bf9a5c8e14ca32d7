import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { toRad } from '../core/geometry/angle';
import { add, distance, rotate, sub } from '../core/geometry/vec';
import type { Vec } from '../core/geometry/vec';
import type { FrontAxle } from '../core/model/build';
import { POINT_NAMES } from '../core/model/points';
import type { PointName } from '../core/model/points';

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
export function referencePose(design: FrontAxle, travel: number, rack: number): ReferencePose {
  const p = Object.fromEntries(
    POINT_NAMES.map((name) => {
      const { ahead, out, up } = design.points[name];
      return [name, [ahead, out, up] as Vec];
    }),
  ) as Record<PointName, Vec>;
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

  let q: number[] = [0, 0, 0, 0, 0, 0];
  const steps = Math.max(1, Math.ceil((Math.abs(travel) + Math.abs(rack)) / 10));
  const indices = [0, 1, 2, 3, 4, 5];
  for (let step = 1; step <= steps; step++) {
    const part = step / steps;
    links[4][0] = add(p.tieRodInner, [0, rack * part, 0]);
    const goal = travel * part;
    // The last stage is repeated so that it ends at rounding rather than at a tolerance.
    for (let pass = 0; pass < (step === steps ? 3 : 1); pass++)
      q = Array.from(
        levenbergMarquardt(
          { x: indices, y: indices.map(() => 0) },
          (parameters: number[]) => {
            const all = residuals(parameters, goal);
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
