import { USUAL_STOCK } from '../freedoms/freedoms';
import type { Freedoms } from '../freedoms/freedoms';
import { prepareAxle } from '../kinematics/axle';
import { blankBuild } from '../model/starts';
import { readAt } from '../motion/sweep';
import { CLOSE, armsFromCamber, openedArms, upperArmLength } from './armsFromCamber';
import type { ArmsWanted } from './armsFromCamber';

const buildWith = (freedoms: Freedoms) => {
  const build = blankBuild('x');
  build.front.freedoms = freedoms;
  return build;
};
const run = (freedoms: Freedoms, wanted: Partial<ArmsWanted>) => {
  const build = buildWith(freedoms);
  const search = armsFromCamber(build, 'front', {
    gain: -1,
    together: true,
    ...wanted,
  });
  for (;;) {
    const step = search.next();
    if (step.done) return { ...step.value, build };
  }
};
const slot = (min: number, max: number, step = 0) => ({ kind: 'range' as const, min, max, step });

it('reaches a camber gain with pivots that can be moved, and reports what a fresh solve measures', () => {
  const { found, all, build } = run(
    { upperFrontInner: { up: slot(340, 430), out: slot(250, 420) } },
    {},
  );
  expect(all).toBe(true);
  const [best] = found;
  expect(best.reached).toBe(true);
  expect(Math.abs(best.gain + 1)).toBeLessThanOrEqual(CLOSE.gain);
  const prepared = prepareAxle({ ...build.front, points: best.points });
  if (!prepared.ok) throw new Error('sound');
  const at = (travel: number) => {
    const reading = readAt(prepared.axle.left, travel, 0);
    if (!reading.ok) throw new Error(reading.why);
    return reading.value;
  };
  expect((at(0.01).camber - at(-0.01).camber) * 1250).toBeCloseTo(best.gain, 3);
  expect(at(60).camber - at(0).camber).toBeCloseTo(best.bump, 9);
  expect(at(0).rollCentre).toBeCloseTo(best.rollCentre, 9);
  // A bracket's rear pivot goes along with its front one.
  const by = (point: 'upperFrontInner' | 'upperRearInner') =>
    best.points[point].up - build.front.points[point].up;
  expect(by('upperRearInner')).toBeCloseTo(by('upperFrontInner'), 9);
});

it('tries every hole with every washer, and puts the least work first', () => {
  const { found, tried, all } = run(
    {
      upperFrontInner: { up: { kind: 'choices', at: [385, 410, 360] } },
      lowerFrontInner: { up: { kind: 'choices', at: [180, 155, 205] } },
      upperOuter: {
        up: { kind: 'shims', base: 413, stock: USUAL_STOCK.slice(3), most: 1, way: 1 },
      },
    },
    {},
  );
  expect([tried, all]).toEqual([36, true]);
  const reached = found.filter((one) => one.reached);
  for (let i = 1; i < reached.length; i++)
    expect(reached[i].effort).toBeGreaterThanOrEqual(reached[i - 1].effort);
  for (const { changes } of found)
    for (const { point, coordinate, to } of changes)
      if (point === 'upperFrontInner' && coordinate === 'up') expect([385, 410, 360]).toContain(to);
});

it('finds arms that are known to be there: camber both ways, roll centre, level, arm on the shelf', () => {
  const build = blankBuild('x');
  const there = structuredClone(build.front.points);
  for (const point of ['upperFrontInner', 'upperRearInner'] as const)
    Object.assign(there[point], { out: 312, up: 371 });
  for (const point of ['lowerFrontInner', 'lowerRearInner'] as const)
    Object.assign(there[point], { out: 238, up: 175 });
  const prepared = prepareAxle({ ...build.front, points: there });
  if (!prepared.ok) throw new Error('sound');
  const at = (travel: number) => {
    const reading = readAt(prepared.axle.left, travel, 0);
    if (!reading.ok) throw new Error(reading.why);
    return reading.value;
  };
  const { found } = run(
    {
      upperFrontInner: { up: slot(300, 460), out: slot(200, 480) },
      lowerFrontInner: { up: slot(100, 260), out: slot(150, 350) },
    },
    {
      gain: undefined,
      bump: at(60).camber - at(0).camber,
      droop: at(-60).camber - at(0).camber,
      rollCentre: at(0).rollCentre,
      level: true,
      upperArm: upperArmLength(there),
    },
  );
  const [best] = found;
  expect(best.reached).toBe(true);
  expect(Math.abs(best.rollCentre - at(0).rollCentre)).toBeLessThanOrEqual(CLOSE.rollCentre + 1e-6);
  expect(Math.abs(best.points.lowerFrontInner.up - 175)).toBeLessThanOrEqual(CLOSE.level + 0.1);
  expect(Math.abs(upperArmLength(best.points) - upperArmLength(there))).toBeLessThanOrEqual(
    CLOSE.upperArm + 1e-6,
  );
});

it('says which coordinate would have to give, and by how much, where nothing reaches it', () => {
  const { found, opening } = run({ upperFrontInner: { up: slot(384, 386) } }, { gain: -1.6 });
  expect(found[0].reached).toBe(false);
  expect(opening).not.toBeNull();
  const wider = run(
    {
      upperFrontInner: { up: slot(384, 386) },
      [opening!.point]: {
        ...(opening!.point === 'upperFrontInner' ? { up: slot(384, 386) } : {}),
        [opening!.coordinate]: slot(0, 900),
      },
    },
    { gain: -1.6 },
  );
  expect(wider.found[0].reached).toBe(true);
});

it('has only the present arms to offer where nothing may move', () => {
  const { found, tried } = run({}, {});
  expect(tried).toBe(1);
  expect(found[0].changes).toEqual([]);
});

it('moves a bracket by whichever of its pivots has the freedom, once', () => {
  const design = buildWith({
    upperRearInner: { up: slot(340, 430) },
    lowerFrontInner: { up: slot(150, 200) },
    lowerRearInner: { up: slot(150, 200) },
  }).front;
  const names = (together: boolean) => openedArms(design, together).map(({ point }) => point);
  expect(names(true)).toEqual(['lowerFrontInner', 'upperRearInner']);
  expect(names(false)).toHaveLength(3);
  const { found, build } = run({ upperRearInner: { up: slot(340, 430) } }, {});
  const by = (point: 'upperFrontInner' | 'upperRearInner') =>
    found[0].points[point].up - build.front.points[point].up;
  expect(by('upperFrontInner')).toBeCloseTo(by('upperRearInner'), 9);
});
