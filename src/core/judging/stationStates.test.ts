import { bumpSteer } from '../motion/bumpSteer';
import { clearancesOf } from '../clearance/room';
import { startingRoom } from '../model/room';
import { articulationsOf } from '../clearance/articulation';
import { prepareAxle } from '../kinematics/axle';
import { briefOf } from '../model/brief';
import type { Build } from '../model/build';
import { blankBuild, blankRear } from '../model/starts';
import { heldCamber } from '../motion/held';
import { steeringOf } from '../steering/steering';
import { noTakeOff } from '../model/takeOff';
import { sameStates, stationStates } from './stationStates';
import { wheelIn } from '../../test/layouts';
import { wheelOf } from '../kinematics/wheel';

const statesOf = (build: Build, axle: 'front' | 'rear' = 'front') => {
  const design = build[axle]!;
  const prepared = prepareAxle(design);
  return stationStates(build, wheelOf(build, axle, 'left')!, briefOf(build).targets, {
    bumpSteer: prepared.ok ? bumpSteer(prepared.axle.left, build.travel) : null,
    gain: prepared.ok ? (heldCamber(prepared.axle.left, build.travel)?.gain ?? null) : null,
    clearances: clearancesOf(build, wheelOf(build, axle, 'left')!),
    articulations: articulationsOf(wheelIn(design, 'left', build.travel)),
    steering: axle === 'front' ? steeringOf(build) : null,
  });
};
/** A brief that the blank build meets, but for what a test is about. */
const met = (): Build => {
  const build = blankBuild('x');
  const brief = structuredClone(briefOf(build));
  const { ackermann, ratio, lock } = steeringOf(build);
  brief.targets.ackermann = [ackermann! - 1, ackermann! + 1];
  if (ratio !== null) brief.targets.ratio = [ratio - 1, ratio + 1];
  brief.targets.lock = Math.floor(lock!.inner);
  brief.targets.bumpSteer = [2, 3, 4];
  brief.targets.camberGain = [-2, 0];
  build.brief = brief;
  build.room = {
    ...startingRoom(),
    wanted: { moving: 0, tyre: 0, ground: 0, ball: 80, rodEnd: 80 },
  };
  return build;
};

it('says where nothing has been done yet, and judges what has', () => {
  const states = statesOf(blankBuild('x'));
  expect(states.brief).toEqual({ words: 'common practice' });
  expect(states.takeoff).toEqual({ words: 'nothing measured yet' });
  expect(states.wheel).toMatchObject({ verdict: 'accept' });
  for (const station of ['arms', 'rack'] as const)
    expect(states[station]).toMatchObject({ verdict: expect.any(String), of: expect.any(String) });
});

it('counts what is measured once, on whichever side it was, and nothing that is still to be read', () => {
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
  const [first] = build.takeOff.measured;
  if (first.method === 'direct') first.up = { tolerance: 1 };
  expect(statesOf(build).takeoff).toEqual({ words: 'nothing measured yet' });
});

it('is the worst of what a station shows: a tie rod in the sump makes arms and rack rework', () => {
  const fine = statesOf(met());
  expect(fine.arms).toMatchObject({ verdict: 'accept' });
  expect(fine.rack).toMatchObject({ verdict: 'accept' });
  expect(fine.steering).toMatchObject({ verdict: 'accept' });
  const build = met();
  const { tieRodInner, tieRodOuter } = build.front.points;
  build.room!.keepOuts.push({
    kind: 'box',
    id: 's',
    name: 'sump',
    axle: 'front',
    middle: {
      ahead: (tieRodInner.ahead + tieRodOuter.ahead) / 2,
      out: (tieRodInner.out + tieRodOuter.out) / 2,
      up: (tieRodInner.up + tieRodOuter.up) / 2,
    },
    size: { ahead: 20, out: 20, up: 20 },
  });
  const states = statesOf(build);
  for (const station of ['arms', 'rack'] as const)
    expect(states[station]).toEqual({
      verdict: 'rework',
      of: expect.stringMatching(/^tie rod .* mm into sump/),
    });
});

it('judges Ackermann, ratio and lock, and camber gain far outside its band', () => {
  const turned = met();
  turned.brief!.targets.ackermann = [300, 300];
  expect(statesOf(turned).steering).toMatchObject({
    verdict: 'rework',
    of: expect.stringContaining('Ackermann'),
  });
  const slow = met();
  slow.front.rack!.perTurn = 20;
  slow.brief!.targets.ratio = [7, 8];
  expect(statesOf(slow).steering).toMatchObject({
    verdict: 'rework',
    of: expect.stringMatching(/ratio/),
  });
  const short = met();
  short.brief!.targets.lock = 70;
  expect(statesOf(short).steering).toMatchObject({ of: expect.stringContaining('lock') });
  const flat = met();
  flat.brief!.targets.camberGain = [2, 2.2];
  expect(statesOf(flat).arms).toMatchObject({
    verdict: 'rework',
    of: expect.stringMatching(/camber/),
  });
});

it('counts a spacer that is fitted among what the rack shows', () => {
  const build = met();
  const { tieRodOuter } = build.front.points;
  build.front.freedoms = {
    tieRodOuter: {
      up: { kind: 'shims', base: tieRodOuter.up - 40, stock: [40], most: 1, way: 1 },
    },
  };
  expect(statesOf(build).rack).toMatchObject({ of: expect.stringMatching(/bolt, reserve/) });
});

it('looks again at an upright that is out of its bands, and reworks one in its rim', () => {
  const leaning = blankBuild('x');
  leaning.front.points['upperOuter'].out -= 60;
  expect(statesOf(leaning).wheel).toMatchObject({ of: expect.stringMatching(/^KPI/) });
  expect(statesOf(leaning).wheel).not.toMatchObject({ verdict: 'accept' });
  const tight = blankBuild('x');
  tight.front.rim = { width: 300, diameter: 254, offset: 0 };
  expect(statesOf(tight).wheel).toMatchObject({
    verdict: 'rework',
    of: expect.stringMatching(/rim/),
  });
  // A wheel that is not steered may lean as it likes.
  const build = blankBuild('x');
  const rear = { ...build, rear: blankRear(build) };
  expect(statesOf(rear, 'rear').wheel).toMatchObject({ verdict: 'accept' });
  expect(statesOf(rear, 'rear').steering).toEqual({ words: 'of the front axle' });
});

it('says what cannot be reached, and knows when nothing has changed', () => {
  const far = blankBuild('x');
  far.travel.bump = 480;
  expect(statesOf(far)).toMatchObject({
    arms: { words: 'does not reach its travel' },
    rack: { words: 'does not reach its travel' },
  });
  expect(sameStates(statesOf(blankBuild('x')), statesOf(blankBuild('y')))).toBe(true);
  expect(sameStates(statesOf(blankBuild('x')), statesOf(far))).toBe(false);
});
