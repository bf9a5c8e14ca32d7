import { prepareAxle } from '@/core/kinematics/axle';
import { startingBrief } from '@/core/model/brief';
import { blankBuild } from '@/core/model/starts';
import { makeSweep, readAt, runSweep, travelSweep } from '@/core/motion/sweep';
import { TRACED, TRACES, antiPercentOf, lineOf } from './traced';

const build = blankBuild('x');
const prepared = prepareAxle(build.front);
if (!prepared.ok) throw new Error('sound');
const { left } = prepared.axle;
const sweep = travelSweep(build.travel, 5);
runSweep(left, sweep);
const ride = makeSweep(1);
runSweep(left, ride);

it('draws every curve over the whole travel', () => {
  for (const traced of TRACED) {
    const line = lineOf(traced, sweep, ride, build, 'front');
    expect([traced, line.map(([, travel]) => travel)]).toEqual([traced, [-60, -30, 0, 30, 60]]);
    expect(line.every(([value]) => Number.isFinite(value))).toBe(true);
  }
});

it('draws toe and track as changes, camber and the rest as they stand', () => {
  expect(lineOf('toe', sweep, ride, build, 'front')[2][0]).toBe(0);
  expect(lineOf('track', sweep, ride, build, 'front')[2][0]).toBe(0);
  const reading = readAt(left, 0, 0);
  if (!reading.ok) throw new Error(reading.why);
  expect(lineOf('camber', sweep, ride, build, 'front')[2][0]).toBeCloseTo(reading.value.camber, 12);
  expect(lineOf('rollCentre', sweep, ride, build, 'front')[2][0]).toBeCloseTo(
    reading.value.rollCentre,
    12,
  );
});

it('leaves out what is out of reach or off to infinity', () => {
  const far = travelSweep({ bump: 480, droop: 60 }, 10);
  const reached = runSweep(left, far);
  expect(lineOf('toe', far, ride, build, 'front')).toHaveLength(reached);
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
  expect(lineOf('instantOut', level, level, parallel, 'front')).toEqual([]);
});

it('knows anti-dive once the brief says what brakes and how high the mass is', () => {
  expect(antiPercentOf(build, 'front')).toBe(0);
  const brief = startingBrief('road');
  brief.limits = { massHeight: 480, brakeFront: 65 };
  const told = { ...build, brief };
  expect(antiPercentOf(told, 'front')).toBeCloseTo((100 * 0.65 * 2400) / 480, 9);
  expect(antiPercentOf(told, 'rear')).toBeCloseTo((-100 * 0.35 * 2400) / 480, 9);
  expect(Object.keys(TRACES)).toEqual([...TRACED]);
});
