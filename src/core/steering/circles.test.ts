import fc from 'fast-check';
import { poseCorner } from '../kinematics/axle';
import { spindleAt } from '../kinematics/frames';
import { jointsAt } from '../kinematics/joints';
import { wheelOf } from '../kinematics/wheel';
import { blankBuild } from '../model/starts';
import { readAt } from '../motion/sweep';
import { anyLayout, prepared } from '../../test/layouts';
import { atLock } from './atLock';
import { circlesAt } from './circles';
import { lockToLock } from './lockToLock';

const WHEELBASE = 2400;

it('draws the circles back from tyres as they are posed, about a centre of their mean heading', () => {
  let drawn = 0;
  for (const design of fc.sample(anyLayout, { numRuns: 25, seed: 2 })) {
    const front = { ...design, static: { toe: 0, camber: 0 }, rack: { travel: 45 } };
    const axle = prepared(front);
    for (const rack of [-45, 30]) {
      const over = lockToLock(axle, WHEELBASE, 0, Float64Array.of(rack))!;
      if (over.reachable[0] === 0) continue;
      const outline = { radius: 300, width: 190, nose: { ahead: 620, half: 850 } };
      const circles = circlesAt(over, 0, WHEELBASE, outline)!;
      const bare = circlesAt(over, 0, WHEELBASE, { ...outline, nose: null })!;
      const mean = (over.left.steer[0] + over.right.steer[0]) / 2;
      const centre = [-WHEELBASE, WHEELBASE / Math.tan((mean * Math.PI) / 180)];
      const far = ([ahead, left]: number[]) => Math.hypot(ahead - centre[0], left - centre[1]);
      const side = mean > 0 ? 'right' : 'left';
      const sign = side === 'left' ? 1 : -1;
      const pose = poseCorner(axle[side], 0, rack);
      const reading = readAt(axle[side], 0, rack);
      if (!pose.ok || !reading.ok) throw new Error('out of reach');
      const [ahead, out] = spindleAt(pose.upright);
      const flat = Math.hypot(ahead, out);
      // Square to the spindle, ahead.
      const heading = [out / flat, -ahead / flat];
      const corner = [
        reading.value.contactAhead + 300 * heading[0] + (95 * ahead) / flat,
        sign * (reading.value.contactOut + 300 * heading[1] + (95 * out) / flat),
      ];
      expect(bare.wall / 2).toBeCloseTo(far(corner), 3);
      const nose = far([620, sign * 850]);
      expect(circles.wall / 2).toBeCloseTo(Math.max(far(corner), nose), 3);
      const contact = far([reading.value.contactAhead, sign * reading.value.contactOut]);
      expect(circles.kerb).toBeCloseTo(2 * contact + 190, 3);
      drawn++;
    }
  }
  expect(drawn).toBeGreaterThan(30);
  const { front } = blankBuild('x');
  const straight = lockToLock(prepared(front), WHEELBASE, 0, Float64Array.of(0))!;
  expect(circlesAt(straight, 0, WHEELBASE, { radius: 300, width: 190, nose: null })).toBeNull();
});

it('tells of a held rack what the toe does over the travel, and how the rod lies', () => {
  const build = { ...blankBuild('x'), travel: { bump: 30, droop: 30 } };
  const wheel = wheelOf(build, 'front', 'left');
  const there = atLock(wheel, 12, 25)!;
  const toe = Array.from({ length: 61 }, (_, i) => {
    const reading = readAt(wheel.corner!, i - 30, 25);
    return reading.ok ? reading.value.toe : NaN;
  });
  expect(there.range).toBeCloseTo(Math.max(...toe) - Math.min(...toe), 3);
  const at = [
    [0, 0],
    [12, 25],
  ].map(([travel, rack]) => {
    const pose = poseCorner(wheel.corner!, travel, rack);
    if (!pose.ok) throw new Error(pose.why);
    const { tieRodInner, tieRodOuter } = jointsAt(wheel.drawn, pose.upright);
    return tieRodOuter.map((x, i) => x - tieRodInner[i]);
  });
  const dot = at[0].reduce((sum, x, i) => sum + x * at[1][i], 0);
  const angle = Math.acos(dot / Math.hypot(...at[0]) / Math.hypot(...at[1]));
  expect(there.inner).toBeCloseTo((angle * 180) / Math.PI, 6);
  expect(there.outer).toBeGreaterThan(0);
  expect(atLock(wheel, 0, 400)).toBeNull();
});
