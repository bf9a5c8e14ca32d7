import fc from 'fast-check';
import { anyAxle, wheelOn } from '../../test/shop';
import { add, cross, distance, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { spindleAt } from '../kinematics/frames';
import { placer } from '../kinematics/joints';
import { toVec } from '../model/points';
import { blankBuild } from '../model/starts';
import type { Spot } from '../sheets/drawing';
import { keelOf } from './cope';
import { planeOf } from './jig';
import { sweptBy } from './neighbours';
import { shopParts } from './parts';

/** Whether a place is within outlines, by the crossings of a ray (even and odd), or how far from them it is. */
const outside = (spot: Spot, outlines: readonly Spot[][]): number => {
  let [inside, nearest] = [false, Infinity];
  for (const outline of outlines)
    outline.forEach((a, i) => {
      const b = outline[(i + 1) % outline.length];
      if (a[1] > spot[1] !== b[1] > spot[1]) {
        const x = a[0] + ((spot[1] - a[1]) / (b[1] - a[1])) * (b[0] - a[0]);
        if (x > spot[0]) inside = !inside;
      }
      const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
      const t = Math.max(
        0,
        Math.min(1, ((spot[0] - a[0]) * dx + (spot[1] - a[1]) * dy) / (dx * dx + dy * dy || 1)),
      );
      nearest = Math.min(nearest, Math.hypot(a[0] + t * dx - spot[0], a[1] + t * dy - spot[1]));
    });
  return inside ? 0 : nearest;
};

describe('what neighbours take of an arm’s plane', () => {
  it('covers every place of a rod and of the tyre that is in it, at any travel and lock', () => {
    let looked = 0;
    fc.assert(
      fc.property(
        anyAxle('double-wishbone', 8),
        fc.double({ min: -50, max: 50, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        (design, travel, part, along, turn) => {
          const wheel = wheelOn(design);
          if (!wheel.corner) return;
          const { corner, drawn, rackSign } = wheel.corner;
          const [arm] = shopParts(wheel);
          const plane = planeOf(wheel, arm);
          const swept = sweptBy(wheel, arm, plane, 150);
          const upright = new Float64Array(UPRIGHT_SIZE);
          if (!corner.pose(travel, rackSign * part * wheel.steerRange, upright)) return;
          const at = placer(drawn)(upright);
          // Another way: the arm's own frame from its three joints where it stands now.
          const frame = (front: Vec, rear: Vec, outer: Vec) => {
            const x = unit(sub(rear, front));
            const up = unit(cross(x, sub(outer, front)));
            return { origin: front, axes: [x, cross(up, x), up] };
          };
          const names = ['lowerFrontInner', 'lowerRearInner', 'lowerOuter'];
          const [f, r, o] = names.map((name) => at[name]);
          const now = frame(f, r, o);
          const [f0, r0, o0] = names.map((name) => toVec(wheel.points[name]));
          const home = frame(f0, r0, o0);
          const seen = (p: Vec): Vec => {
            const d = sub(p, now.origin);
            const back = home.axes.reduce<Vec>(
              (sum, axis, i) => add(sum, scale(axis, dot(d, now.axes[i]))),
              home.origin,
            );
            const q = sub(back, plane.at);
            return [dot(q, plane.x), dot(q, plane.y), dot(q, plane.up)];
          };
          const look = (name: string, p: Vec) => {
            const [x, y, height] = seen(p);
            if (Math.abs(height) > 150) return;
            looked++;
            const own = swept.find((one) => one.name === name);
            // Between positions a neighbour goes round a little, not straight.
            expect(own ? outside([x, y], own.outlines) : Infinity).toBeLessThan(6);
          };
          const rod = sub(at['tieRodOuter'], at['tieRodInner']);
          const u = keelOf(unit(rod), [0, 0, 1]);
          const skin = add(
            scale(u, 8 * Math.cos(turn)),
            scale(cross(unit(rod), u), 8 * Math.sin(turn)),
          );
          look('tie rod', add(at['tieRodInner'], add(scale(rod, along), skin)));
          const spindle = spindleAt(upright);
          const w = keelOf(spindle, [0, 0, 1]);
          const { radius, width } = design.tyre;
          const round = add(
            scale(w, radius * Math.cos(turn)),
            scale(cross(spindle, w), radius * Math.sin(turn)),
          );
          look('tyre', add(at.wheelCentre, add(round, scale(spindle, (along - 0.5) * width))));
        },
      ),
      { numRuns: 25, endOnFailure: true },
    );
    expect(looked).toBeGreaterThan(20);
  });

  it('is no more than they take: without travel and lock a rod leaves its own outline', () => {
    const build = blankBuild('x');
    const design = structuredClone(build.front);
    delete design.rack;
    const wheel = Object.assign(wheelOn(design), { travel: { bump: 0, droop: 0 } });
    const [arm] = shopParts(wheel);
    const plane = planeOf(wheel, arm);
    const rod = sweptBy(wheel, arm, plane, 500).find(
      ({ name }) => name === 'tie rod' || name === 'toe link',
    )!;
    const [a, b] = ['tieRodInner', 'tieRodOuter'].map((name) => {
      const d = sub(toVec(wheel.points[name]), plane.at);
      return [dot(d, plane.x), dot(d, plane.y), 0] as Vec;
    });
    for (const outline of rod.outlines)
      for (const [x, y] of outline) {
        const t = dot(sub([x, y, 0], a), sub(b, a)) / distance(a, b) ** 2;
        const foot = add(a, scale(sub(b, a), Math.max(0, Math.min(1, t))));
        expect(distance([x, y, 0], foot)).toBeLessThan(8.1);
      }
    expect(rod.outlines).toHaveLength(1);
  });
});
