import { bumpSteer } from '@/core/bumpsteer/bumpSteer';
import { prepareAxle } from '@/core/kinematics/axle';
import { briefOf } from '@/core/model/brief';
import type { Build } from '@/core/model/build';
import { blankBuild, blankRear } from '@/core/model/starts';
import { noTakeOff } from '@/core/takeoff/records';
import { sameStates, stationStates } from './standing';

const statesOf = (build: Build, gain: number | null = -0.8, axle: 'front' | 'rear' = 'front') => {
  const design = build[axle]!;
  const prepared = prepareAxle(design);
  const steer = prepared.ok ? bumpSteer(prepared.axle.left, build.travel) : null;
  return stationStates(build, axle, 'left', design, briefOf(build).targets, steer, gain);
};

it('says where nothing has been done yet, and judges what has', () => {
  const states = statesOf(blankBuild('x'));
  expect(states.brief).toEqual({ words: 'common practice' });
  expect(states.takeoff).toEqual({ words: 'nothing measured yet' });
  expect(states.wheel).toEqual({ verdict: 'accept' });
  expect(states.arms).toEqual({ verdict: 'accept' });
  expect(states.rack).toHaveProperty('verdict');
});

it('counts what is measured once, on whichever side it was', () => {
  const build = blankBuild('x');
  const read = { value: 1, tolerance: 1 };
  const at = (side: 'left' | 'right', point: 'lowerOuter' | 'upperOuter') => ({
    axle: 'front' as const,
    side,
    point,
    method: 'direct' as const,
    ahead: read,
    out: read,
    up: read,
  });
  build.takeOff = {
    ...noTakeOff(),
    measured: [at('left', 'lowerOuter'), at('right', 'lowerOuter'), at('right', 'upperOuter')],
  };
  expect(statesOf(build).takeoff).toEqual({ words: '2 of 9 measured' });
  build.front.rightPoints = structuredClone(build.front.points);
  expect(statesOf(build).takeoff).toEqual({ words: '1 of 9 measured' });
});

it('puts an upright that is out of its bands near the edge, and one in its rim to be reworked', () => {
  const leaning = blankBuild('x');
  leaning.front.points.upperOuter.out -= 60;
  expect(statesOf(leaning).wheel).toEqual({ verdict: 'near the edge' });
  const tight = blankBuild('x');
  tight.front.rim = { width: 300, diameter: 254, offset: 0 };
  expect(statesOf(tight).wheel).toEqual({ verdict: 'rework' });
  // A wheel that is not steered may lean as it likes.
  const build = blankBuild('x');
  const rear = { ...build, rear: blankRear(build) };
  expect(statesOf(rear, -0.8, 'rear').wheel).toEqual({ verdict: 'accept' });
});

it('says what cannot be reached, and knows when nothing has changed', () => {
  const far = blankBuild('x');
  far.travel.bump = 480;
  expect(statesOf(far, null)).toMatchObject({
    arms: { words: 'does not reach ride height' },
    rack: { words: 'does not reach its travel' },
  });
  expect(statesOf(blankBuild('x'), 0.4).arms).toEqual({ verdict: 'near the edge' });
  expect(sameStates(statesOf(blankBuild('x')), statesOf(blankBuild('y')))).toBe(true);
  expect(sameStates(statesOf(blankBuild('x')), statesOf(far))).toBe(false);
});
