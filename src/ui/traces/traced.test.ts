import type { LineAt } from '@/core/damper/linkage';
import { prepareAxle } from '@/core/kinematics/axle';
import { startingBrief } from '@/core/model/brief';
import { blankBuild } from '@/core/model/starts';
import type { Build, Side } from '@/core/model/build';
import type { ShaftPose } from '@/core/motion/halfShaft';
import { makeSweep, readAt, runSweep, travelSweep } from '@/core/motion/sweep';
import { TRACED, TRACES, lineOf, tracesOf } from './traced';
import type { Against, Traced } from './traced';
import { wheelIn } from '@/test/layouts';

const build = blankBuild('x');
build.brief = { ...startingBrief({ use: 'road' }), limits: { massHeight: 480, brakeFront: 65 } };
const prepared = prepareAxle(build.front);
if (!prepared.ok) throw new Error('sound');
const { axle } = prepared;
const { left } = axle;
const sweep = travelSweep(build.travel, 5);
runSweep(left, sweep);
const ride = makeSweep(1);
runSweep(left, ride);
const bent = (length: number) => ({ length, outerBend: 5 }) as ShaftPose;
const damped = (ratio: number) => ({ length: 300, ratio }) as LineAt;
const view = {
  sweep,
  ride,
  at: ride,
  axle,
  side: 'left' as Side,
  inRoll: null,
  dampers: { sweep: [1, 2, 3, 4, 5].map(damped), ride: [damped(3)], at: [damped(3)] },
  shafts: { sweep: [360, 355, 350, 354, 358].map(bent), ride: [bent(350)], at: [bent(350)] },
};
const draw = (traced: Traced, change: Partial<typeof view> = {}, against: Against = 'travel') =>
  lineOf(traced, { ...view, ...change }, 'sweep', build, 'front', against);

it('draws every curve over the whole travel', () => {
  for (const traced of TRACED) {
    const line = draw(traced, {}, TRACES[traced].only ?? 'travel');
    expect([traced, line.map(([, travel]) => travel)]).toEqual([traced, [-60, -30, 0, 30, 60]]);
    expect(line.every(([value]) => Number.isFinite(value))).toBe(true);
  }
});

it('draws no anti-dive of a brief that does not say how high the mass is and what brakes', () => {
  const line = (told: Build) => lineOf('anti', view, 'sweep', told, 'front', 'travel');
  expect(line({ ...build, brief: startingBrief({ use: 'road' }) })).toEqual([]);
  const reading = readAt(left, 0, 0);
  if (!reading.ok) throw new Error(reading.why);
  // 65 % of the braking, 2400 mm between the axles, mass at 480 mm.
  expect(line(build)[2][0]).toBeCloseTo(325 * reading.value.contactLead!, 9);
});

it('draws toe and track as changes, camber and the rest as they stand', () => {
  expect(draw('toe')[2][0]).toBe(0);
  expect(draw('track')[2][0]).toBe(0);
  const reading = readAt(left, 0, 0);
  if (!reading.ok) throw new Error(reading.why);
  expect(draw('camber')[2][0]).toBeCloseTo(reading.value.camber, 12);
  expect(draw('rollCentre')[2][0]).toBeCloseTo(
    reading.value.rollCentre! - reading.value.contactUp,
    12,
  );
});

it('leaves out what is out of reach or off to infinity', () => {
  const far = travelSweep({ bump: 480, droop: 60 }, 10);
  const reached = runSweep(left, far);
  expect(draw('toe', { sweep: far })).toHaveLength(reached);
  const parallel = blankBuild('parallel');
  for (const [inner, outer] of [
    ['lowerFrontInner', 'lowerOuter'],
    ['lowerRearInner', 'lowerOuter'],
    ['upperFrontInner', 'upperOuter'],
    ['upperRearInner', 'upperOuter'],
  ] as const) {
    const p = parallel.front.points;
    p[inner].out = p[outer].out - 300;
    p[inner].up = p[outer].up;
  }
  const made = prepareAxle(parallel.front);
  if (!made.ok) throw new Error('sound');
  const level = makeSweep(1);
  runSweep(made.axle.left, level);
  expect(draw('instantOut', { sweep: level, ride: level })).toEqual([]);
});

it('draws the roll centre of both wheels against roll, mirrored on the other side', () => {
  const alike = draw('rollCentre')[2][0];
  const rolled = draw('rollCentre', {}, 'roll');
  expect(rolled[2][0]).toBeCloseTo(alike, 9);
  expect(rolled[0][0]).toBeCloseTo(rolled[4][0], 9);
  const side = draw('rollSide', {}, 'roll');
  expect(side[2][0]).toBeCloseTo(0, 9);
  expect(side[0][0]).toBeCloseTo(-side[4][0], 9);
  expect(draw('rollSide', { side: 'right' }, 'roll')[0][0]).toBeCloseTo(side[0][0], 9);
});

it('draws a half-shaft where the axle is driven, as its change', () => {
  expect(draw('shaft').map(([value]) => value)).toEqual([10, 5, 0, 4, 8]);
  expect(draw('shaftBend').map(([value]) => value)).toEqual([5, 5, 5, 5, 5]);
  expect(tracesOf(wheelIn(build.front))).not.toContain('shaft');
  const inner = { ahead: 0, out: 120, up: 260 };
  expect(tracesOf(wheelIn({ ...build.front, halfShaft: { inner, outer: 60 } }))).toContain('shaft');
});
