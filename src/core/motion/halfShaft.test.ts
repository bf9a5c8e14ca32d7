import fc from 'fast-check';
import { toDeg } from '../geometry/angle';
import { poseCorner } from '../kinematics/axle';
import type { AxleDesign } from '../model/build';
import { anyLayout, parallelArms, prepared } from '../../test/layouts';
import { shaftAt } from './halfShaft';

const at = (design: AxleDesign, travel: number, rack = 0) => {
  const pose = poseCorner(prepared(design).left, travel, rack);
  if (!pose.ok) throw new Error(pose.why);
  return pose.upright;
};

const parallel = parallelArms();

describe('a half-shaft', () => {
  it('as long as the arms and level with them keeps its length, and bends as they swing', () => {
    const shaft = { inner: { ahead: 0, out: 300, up: 300 }, outer: 100 };
    for (const travel of [-60, -20, 0, 35, 60]) {
      const { length, innerBend, outerBend } = shaftAt(shaft, at(parallel, travel));
      expect(length).toBeCloseTo(300, 8);
      expect(innerBend).toBeCloseTo(toDeg(Math.asin(Math.abs(travel) / 300)), 6);
      expect(outerBend).toBeCloseTo(innerBend, 6);
    }
  });

  it('shorter than the arms plunges by what Pythagoras says', () => {
    const shaft = { inner: { ahead: 0, out: 400, up: 300 }, outer: 100 };
    for (const travel of [-60, 30, 60]) {
      const across = 300 * Math.cos(Math.asin(travel / 300)) - 100;
      expect(shaftAt(shaft, at(parallel, travel)).length).toBeCloseTo(
        Math.hypot(across, travel),
        8,
      );
    }
  });

  it('keeps its outer joint on the spindle, whatever the wheel does', () => {
    fc.assert(
      fc.property(anyLayout, fc.integer({ min: -25, max: 25 }), (design, travel) => {
        const upright = at(design, travel);
        const shaft = { inner: { ahead: 0, out: 120, up: 260 }, outer: 60 };
        const { outer } = shaftAt(shaft, upright);
        const apart = Math.hypot(...[0, 1, 2].map((i) => outer[i] - upright[i]));
        expect(apart).toBeCloseTo(60, 9);
      }),
      { numRuns: 30 },
    );
  });
});
