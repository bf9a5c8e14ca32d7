import fc from 'fast-check';
import { poseAxle } from '../kinematics/axle';
import { U } from '../kinematics/corner';
import { anyLayout, planeMechanism, prepared } from '../../test/layouts';
import { rollCentreOf } from './rollCentre';
import { readAt } from './sweep';

const plane = planeMechanism();

type P = [number, number];
/** Where two lines through two points each meet. */
function meet([a, b]: [P, P], [c, d]: [P, P]): P {
  const cross = (u: P, v: P) => u[0] * v[1] - u[1] * v[0];
  const [r, s]: [P, P] = [
    [b[0] - a[0], b[1] - a[1]],
    [d[0] - c[0], d[1] - c[1]],
  ];
  const t = cross([c[0] - a[0], c[1] - a[1]], s) / cross(r, s);
  return [a[0] + t * r[0], a[1] + t * r[1]];
}

describe('the roll centre of an axle', () => {
  it('is that of either wheel where both stand alike', () => {
    fc.assert(
      fc.property(anyLayout, fc.integer({ min: -20, max: 20 }), (design, travel) => {
        const axle = prepared(design);
        const one = readAt(axle.left, travel, 0);
        const both = rollCentreOf(axle, { left: travel, right: travel }, 0);
        if (!one.ok || !both) throw new Error('out of reach');
        fc.pre(Math.abs(one.value.rollCentre!) < 2000);
        expect(both.left).toBeCloseTo(0, 6);
        expect(both.height).toBeCloseTo(one.value.rollCentre! - one.value.contactUp, 6);
      }),
      { numRuns: 40 },
    );
  });

  it('is where lines drawn by hand in the front view meet, the body rolled', () => {
    // Drawn from the solved joints: along both arms to the instant centre, from the contact to that; the
    // two sides' lines cut; square above the line between the contacts.
    const axle = prepared(plane);
    const travel = { left: 30, right: -30 };
    const pose = poseAxle(axle, travel, 0);
    const sides = (['left', 'right'] as const).map((side): [P, P] => {
      const solved = pose[side];
      if (!solved.ok) throw new Error(solved.why);
      const u = solved.upright;
      const sign = side === 'left' ? 1 : -1;
      const at = (offset: number): P => [sign * u[offset + 1], u[offset + 2]];
      const lower = at(U.axisAt);
      const upper: P = [lower[0] + sign * u[U.axisAlong + 1], lower[1] + u[U.axisAlong + 2]];
      const instant = meet([[sign * 250, 180], lower], [[sign * 310, 370], upper]);
      const reading = readAt(axle[side], travel[side], 0);
      if (!reading.ok) throw new Error(reading.why);
      return [[sign * reading.value.contactOut, reading.value.contactUp], instant];
    });
    const [y, z] = meet(sides[0], sides[1]);
    const [[ly, lz], [ry, rz]] = [sides[0][0], sides[1][0]];
    const tilt = Math.atan2(lz - rz, ly - ry);
    const [oy, oz] = [y - (ly + ry) / 2, z - (lz + rz) / 2];
    const found = rollCentreOf(axle, travel, 0)!;
    expect(found.height).toBeCloseTo(oz * Math.cos(tilt) - oy * Math.sin(tilt), 6);
    expect(found.left).toBeCloseTo(oy * Math.cos(tilt) + oz * Math.sin(tilt), 6);
    expect(Math.abs(found.left)).toBeGreaterThan(1);
  });

  it('mirrors when the body rolls the other way, and is nowhere out of reach', () => {
    const axle = prepared(plane);
    const one = rollCentreOf(axle, { left: 25, right: -25 }, 0)!;
    const other = rollCentreOf(axle, { left: -25, right: 25 }, 0)!;
    expect(other.height).toBeCloseTo(one.height, 9);
    expect(other.left).toBeCloseTo(-one.left, 9);
    expect(rollCentreOf(axle, { left: 900, right: 0 }, 0)).toBeNull();
  });
});
