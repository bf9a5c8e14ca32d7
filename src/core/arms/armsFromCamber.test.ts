import { doubleWishbone } from '../corners/doubleWishbone';
import { armLength, upperArmOf } from '../kinematics/arms';
import { USUAL_STOCK } from '../freedoms/freedoms';
import type { Freedoms } from '../model/freedoms';
import { prepareAxle } from '../kinematics/axle';
import { blankBuild } from '../model/starts';
import { heldCamber } from '../motion/held';
import { readAt } from '../motion/sweep';
import { noTakeOff } from '../model/takeOff';
import { findNull } from '../bumpsteer/findNull';
import { STARTING_WANTED } from '../model/nullWanted';
import { armsFromCamber } from './armsFromCamber';
import { CLOSE, openedArms } from './armsProblem';
import type { ArmsWanted } from '../model/armsWanted';
import { finish } from '../find/finish';
import { wheelOf } from '../kinematics/wheel';

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
  return { ...finish(search), build };
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
  expect((at(0.01).camber - at(-0.01).camber) * 1250).toBeCloseTo(best.withRod.gain, 3);
  expect(at(60).camber - at(0).camber).toBeCloseTo(best.withRod.bump, 9);
  expect(at(0).rollCentre! - at(0).contactUp).toBeCloseTo(best.withRod.rollCentre, 9);
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
  const held = heldCamber(prepared.axle.left, build.travel)!;
  const { found } = run(
    {
      upperFrontInner: { up: slot(300, 460), out: slot(200, 480) },
      lowerFrontInner: { up: slot(100, 260), out: slot(150, 350) },
    },
    {
      gain: undefined,
      bump: held.bump,
      droop: held.droop,
      rollCentre: held.rollCentre,
      level: true,
      upperArm: armLength(upperArmOf(doubleWishbone)!, there),
    },
  );
  const [best] = found;
  expect(best.reached).toBe(true);
  expect(Math.abs(best.rollCentre - held.rollCentre)).toBeLessThanOrEqual(CLOSE.rollCentre + 1e-6);
  expect(Math.abs(best.points['lowerFrontInner'].up - 175)).toBeLessThanOrEqual(CLOSE.level + 0.1);
  expect(
    Math.abs(
      armLength(upperArmOf(doubleWishbone)!, best.points) -
        armLength(upperArmOf(doubleWishbone)!, there),
    ),
  ).toBeLessThanOrEqual(CLOSE.upperArm + 1e-6);
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

it('keeps its figure once the bump steer is nulled', () => {
  for (const gain of [-1.3, -1, -0.7]) {
    const { found, build } = run(
      { upperFrontInner: { up: slot(300, 460), out: slot(200, 480) } },
      { gain },
    );
    const [best] = found;
    const { tieRodInner: at } = best.points;
    const front = {
      ...build.front,
      points: best.points,
      freedoms: {
        tieRodInner: { out: slot(at.out - 80, at.out + 80), up: slot(at.up - 80, at.up + 80) },
      },
    };
    const search = findNull({ ...build, front }, wheelOf({ ...build, front }, 'front', 'left'), {
      ...STARTING_WANTED,
      placing: null,
    });
    const done = finish(search);
    const { found: nulls, paper } = done;
    const prepared = prepareAxle({ ...front, points: { ...best.points, ...nulls[paper].points } });
    if (!prepared.ok) throw new Error('sound');
    const ride = readAt(prepared.axle.left, 0, 0);
    if (!ride.ok) throw new Error(ride.why);
    expect(nulls[paper].steer.span.range).toBeLessThan(0.02);
    expect(25 * ride.perTravel.camber!).toBeCloseTo(best.gain, 2);
    expect(25 * ride.perTravel.camber!).toBeCloseTo(gain, 1);
  }
});

it('asks nothing of what is welded, nor of an upright that was measured as one solid part', () => {
  const wanted = { gain: -1.6, together: true };
  const build = buildWith({ upperFrontInner: { up: slot(384, 386) } });
  const read = { value: 0, tolerance: 1 };
  build.takeOff = {
    ...noTakeOff(),
    measured: (['lowerOuter', 'upperOuter'] as const).map((point) => ({
      axle: 'front' as const,
      side: 'left' as const,
      point,
      method: 'bench' as const,
      inboard: read,
      above: read,
      ahead: read,
    })),
  };
  const opening = (of: typeof build) => {
    const search = armsFromCamber(of, 'front', wanted);
    return finish(search).opening;
  };
  expect(opening(build)!.point).toMatch(/Inner$/);
  build.front.freedoms!['upperFrontInner']!.up = { kind: 'fixed' };
  build.front.freedoms!['upperFrontInner']!.out = { kind: 'fixed' };
  build.front.freedoms!['lowerOuter'] = { up: slot(160, 160) };
  expect(opening(build)!.point).not.toMatch(/^upper/);
});

it('does with as few brackets as will do, against every part of the freedoms (20 cases)', () => {
  let fewer = 0;
  for (let n = 0; n < 20; n++) {
    const by = 6 + n;
    const build = blankBuild('x');
    const { points } = build.front;
    const around = (point: 'upperFrontInner' | 'lowerFrontInner' | 'upperOuter', c: 'out' | 'up') =>
      slot(points[point][c] - by, points[point][c] + by);
    const open = {
      upperFrontInner: {
        up: around('upperFrontInner', 'up'),
        out: around('upperFrontInner', 'out'),
      },
      lowerFrontInner: { up: around('lowerFrontInner', 'up') },
    };
    const gain = -0.85 - 0.03 * (n % 8);
    const { found } = run(open, { gain, rollCentre: n % 2 ? 65 + n : undefined });
    if (!found[0]?.reached) continue;
    // Another way: a grid over each part of the freedoms, smallest parts first.
    const coordinates = [
      ['upperFrontInner', 'up'],
      ['upperFrontInner', 'out'],
      ['lowerFrontInner', 'up'],
    ] as const;
    const does = (moves: number[]): boolean => {
      const moved = structuredClone(points);
      coordinates.forEach(([point, c], k) => {
        moved[point][c] += moves[k];
        moved[point === 'upperFrontInner' ? 'upperRearInner' : 'lowerRearInner'][c] += moves[k];
      });
      const prepared = prepareAxle({ ...build.front, points: moved });
      const held = prepared.ok && heldCamber(prepared.axle.left, build.travel);
      return (
        held !== false &&
        held !== null &&
        Math.abs(held.gain - gain) <= CLOSE.gain &&
        (n % 2 === 0 || Math.abs(held.rollCentre - 65 - n) <= CLOSE.rollCentre)
      );
    };
    const grid = Array.from({ length: 13 }, (_, i) => (by * (i - 6)) / 6);
    const withJust = (mask: number): boolean => {
      const of = (k: number) => ((mask >> k) & 1 ? grid : [0]);
      return of(0).some((a) => of(1).some((b) => of(2).some((c) => does([a, b, c]))));
    };
    const least = [0, 1, 2, 4, 3, 5, 6, 7].find(withJust);
    const moved = new Set(
      found[0].changes
        .filter(({ point }) => !/Rear/.test(point))
        .map(({ point, coordinate }) => `${point} ${coordinate}`),
    );
    if (least === undefined) continue;
    const bits = [0, 1, 2].filter((k) => (least >> k) & 1).length;
    expect(moved.size).toBeLessThanOrEqual(bits);
    fewer += Number(bits < 3);
  }
  expect(fewer).toBeGreaterThan(8);
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
