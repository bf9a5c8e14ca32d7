import { bumpSteerOf } from '../bumpsteer/trial';
import { finish } from '../find/finish';
import type { Axle } from '../kinematics/axle';
import { wheelOf } from '../kinematics/wheel';
import type { AckermannWanted } from '../model/ackermannWanted';
import { startingTargets } from '../model/brief';
import type { AxleDesign, Build } from '../model/build';
import type { Coordinate } from '../model/points';
import { blankBuild } from '../model/starts';
import { readAt } from '../motion/sweep';
import { prepared } from '../../test/layouts';
import { lockToLock } from '../steering/lockToLock';
import { stopsFor } from '../steering/stops';
import { seeded } from '../../test/leastRange';
import { STAYS, WHEELBASE, buildOf, errorByCotangents, steering } from '../../test/steeringLayouts';
import { findAckermann } from './findAckermann';
import { measureAckermann } from './measure';
import { AckermannSearch } from './problem';

jest.setTimeout(240_000);

const search = (build: Build, wanted: AckermannWanted) => {
  const answer = finish(findAckermann(build, wanted));
  if (!answer.ok) throw new Error(answer.why);
  return answer.finding;
};

const slot = (at: number, by: number) => ({
  kind: 'range' as const,
  min: at - by,
  max: at + by,
  step: 0,
});

/** Degrees per mm of rack straight ahead; and how near to straight a rod comes to its arm at the locks, degrees. */
function heldOf(design: AxleDesign, lock: number) {
  const axle = prepared(design);
  const [on, off] = [readAt(axle.left, 0, 0.5), readAt(axle.left, 0, -0.5)];
  const ratio = on.ok && off.ok ? Math.abs(on.value.toe - off.value.toe) : NaN;
  const ends = stopsFor(axle, WHEELBASE, lock)!.map(({ rack }) => rack);
  const { left, right } = lockToLock(axle, WHEELBASE, 0, Float64Array.from(ends))!;
  const angles = [...left.tieAngle, ...right.tieAngle];
  return { ratio, rod: Math.min(...angles.map((angle) => Math.min(angle, 180 - angle))) };
}

describe('the finder, against many places by chance', () => {
  /** Two coordinates within ±`by`: what weighs, least, of places by chance, the best of them followed down. */
  function byChance(
    build: Build,
    opened: ['tieRodInner' | 'tieRodOuter', Coordinate][],
    by: number,
    weigh: (design: AxleDesign) => number,
    seed: number,
  ): number {
    const random = seeded(seed);
    const { points } = build.front;
    const at = (x: number[]) => {
      const moved = structuredClone(points);
      opened.forEach(([point, coordinate], i) => (moved[point][coordinate] += x[i]));
      return weigh({ ...build.front, points: moved });
    };
    const places = Array.from({ length: 50 }, () => {
      const x = opened.map(() => by * (2 * random() - 1));
      return { x, miss: at(x) };
    }).sort((a, b) => a.miss - b.miss);
    return Math.min(
      ...places.slice(0, 1).map((place) => {
        let { x, miss } = place;
        for (let size = by / 4; size > 0.02;) {
          let gained = false;
          for (let i = 0; i < 8; i++) {
            const y = x.map((v) => Math.min(by, Math.max(-by, v + size * (2 * random() - 1))));
            const next = at(y);
            if (next < miss) [x, miss, gained] = [y, next, true];
          }
          if (!gained) size /= 2;
        }
        return miss;
      }),
    );
  }

  it('leaves no more error with bump steer kept than such searches, within a few per cent', () => {
    const ratios: number[] = [];
    steering(21, 10).forEach((design, n) => {
      const opened: ['tieRodInner' | 'tieRodOuter', Coordinate][] =
        n % 2 === 0
          ? [
              ['tieRodOuter', 'out'],
              ['tieRodInner', 'up'],
            ]
          : [
              ['tieRodOuter', 'out'],
              ['tieRodOuter', 'up'],
              ['tieRodInner', 'ahead'],
            ];
      const by = 12;
      const freedoms: NonNullable<AxleDesign['freedoms']> = {};
      for (const [point, coordinate] of opened)
        freedoms[point] = {
          ...freedoms[point],
          [coordinate]: slot(design.points[point][coordinate], by),
        };
      const build = buildOf({ ...design, freedoms });
      // Room in the rim is another test's.
      build.room = { keepOuts: [], wanted: { moving: 0, tyre: 0, ground: 0 } };
      const { found, nearest, before, lock } = search(build, STAYS);
      const kept = Math.max(before.steer.worst, 0.25);
      const held = heldOf(build.front, lock);
      const weigh = (moved: AxleDesign): number => {
        const wheel = wheelOf({ ...build, front: moved }, 'front', 'left');
        const steer = wheel.solved.ok ? bumpSteerOf(wheel) : null;
        const measured =
          steer && wheel.solved.ok
            ? measureAckermann(wheel.solved.axle, WHEELBASE, STAYS, lock)
            : null;
        if (!steer || !measured || steer.worst > kept || measured.lock < lock - 0.01)
          return Infinity;
        const { ratio, rod } = heldOf(moved, lock);
        if (Math.abs(Math.log(ratio / held.ratio)) > 0.13 || rod < Math.min(34, held.rod))
          return Infinity;
        return Math.abs(measured.worst);
      };
      const brute = byChance(build, opened, by, weigh, n + 1);
      const least = Math.min(
        Math.abs(before.ackermann.worst),
        ...found.map(({ ackermann }) => Math.abs(ackermann.worst)),
      );
      if (nearest >= 0)
        expect(Math.abs(found[nearest].ackermann.worst)).toBeCloseTo(
          Math.min(
            ...found
              .filter(
                ({ doubts }) => doubts.length === 0 || found.every((one) => one.doubts.length),
              )
              .map(({ ackermann }) => Math.abs(ackermann.worst)),
          ),
          9,
        );
      ratios.push(Math.max(least, 0.05) / Math.max(Math.min(brute, 90), 0.05));
    });
    ratios.sort((a, b) => a - b);
    expect(ratios[ratios.length - 2]).toBeLessThan(1.1);
    expect(ratios[ratios.length >> 1]).toBeLessThan(1.03);
  });
});

/** Both wheels at full bump, ride height and full droop, the rack at both ends. */
const reachesEnds = (axle: Axle): boolean =>
  (['left', 'right'] as const).every((side) =>
    [-25, 0, 25].every((travel) =>
      [-axle.steerRange, axle.steerRange].every((rack) => readAt(axle[side], travel, rack).ok),
    ),
  );

const NAMES = ['tieRodInner', 'tieRodOuter'] as const;

it('tells of every answer what fresh readings give, moves both sides alike, and never passes its limits', () => {
  let [answers, apart, kept] = [0, 0, 0];
  steering(33, 6).forEach((design, n) => {
    const build = buildOf(design);
    // Every other car's right side is its own, a little off.
    if (n % 2 === 1) {
      const right = structuredClone(design.points);
      right['tieRodOuter'].up += 1.5;
      right['tieRodInner'].ahead -= 2;
      build.front.rightPoints = right;
      apart++;
    }
    const wanted = { ...STAYS, arm: 20, ahead: 15 };
    const { found, before, lock, tried } = search(build, wanted);
    expect(tried).toBeGreaterThan(3);
    for (const { design: moved, steer, ackermann, effort, collar } of found) {
      answers++;
      const axle = prepared(moved);
      expect(Math.abs(ackermann.worst)).toBeCloseTo(errorByCotangents(axle, wanted, lock)!, 5);
      expect(Math.abs(ackermann.worst)).toBeLessThan(Math.abs(before.ackermann.worst));
      const worst = (['left', 'right'] as const).map((side) => {
        const toe = Array.from({ length: 26 }, (_, i) => {
          const reading = readAt(axle[side], -25 + 2 * i, 0);
          return reading.ok ? reading.value.toe : NaN;
        });
        const ride = readAt(axle[side], 0, 0);
        return Math.max(...toe.map((one) => Math.abs(one - (ride.ok ? ride.value.toe : NaN))));
      });
      expect(steer.worst).toBeCloseTo(Math.max(...worst), 2);
      expect(effort).toBeGreaterThan(0);
      // The rack's ends, collars counted, are reached wherever the wheels are; the lock is kept.
      expect(collar).toBe(moved.rack!.stop ?? 0);
      expect(axle.steerRange).toBeCloseTo(55 - collar, 9);
      expect(ackermann.lock).toBeGreaterThan(lock - 0.3);
      if (reachesEnds(prepared(build.front))) {
        kept++;
        expect(reachesEnds(axle)).toBe(true);
      }
      for (const name of NAMES)
        for (const coordinate of ['ahead', 'out', 'up'] as const) {
          const by = moved.points[name][coordinate] - build.front.points[name][coordinate];
          const most = name === 'tieRodOuter' ? 20 : coordinate === 'ahead' ? 15 : 0;
          expect(Math.abs(by)).toBeLessThanOrEqual(most + 1e-9);
          if (build.front.rightPoints)
            expect(
              moved.rightPoints![name][coordinate] - build.front.rightPoints[name][coordinate],
            ).toBeCloseTo(by, 9);
        }
    }
  });
  expect(answers).toBeGreaterThan(8);
  expect(apart).toBe(3);
  expect(kept).toBeGreaterThan(4);
});

it('draws a new arm within the rim, with the room kept that is wanted', () => {
  const build = blankBuild('rim');
  build.front.rim = { diameter: 13 * 25.4, width: 150, offset: 30 };
  build.front.static = { toe: 0, camber: 0 };
  build.room = { keepOuts: [], wanted: { moving: 2, tyre: 20, ground: 60 } };
  const wanted = { ...STAYS, arm: 60, height: 20 };
  const search = new AckermannSearch(build, wheelOf(build, 'front', 'left'), wanted, 25);
  const problem = search.problem(1);
  const rim = problem.spreads!.filter(({ above }) => above).at(-4)!.from;
  const into = new Float64Array(problem.count);
  const { wheelCentre, tieRodOuter } = build.front.points;
  // The joint out to the rim's middle and far up or down: it ends in the rim.
  const values = search.moves.map(({ point, coordinate }) =>
    point === 'tieRodOuter' && coordinate === 'out'
      ? tieRodOuter.out + 60
      : build.front.points[point][coordinate],
  );
  expect(problem.residuals(Float64Array.from(values), into)).toBe(true);
  const radial = Math.hypot(tieRodOuter.ahead, tieRodOuter.up - wheelCentre.up);
  expect(tieRodOuter.out + 60).toBeGreaterThan(wheelCentre.out - 75);
  // 15 mm of well, 18 of the joint's body, 2 wanted.
  const clearance = (13 * 25.4) / 2 - 15 - radial - 18;
  expect(into[rim]).toBeCloseTo(2 - clearance, 1);
});

describe('what cannot be looked for is said in a sentence', () => {
  const answer = (change: (build: Build) => void) => {
    const build = blankBuild('no');
    change(build);
    return finish(findAckermann(build, STAYS));
  };
  it.each<[string, (build: Build) => void]>([
    ['no rack nor drop arm', (build) => delete build.front.rack],
    [
      'cannot go to its end',
      (build) => {
        build.front.rack = { travel: 250 };
        build.brief = {
          targets: { ...startingTargets({ use: 'road' }), lock: 75 },
          rule: 'lines',
          limits: {},
        };
      },
    ],
    ['whole travel', (build) => (build.travel = { bump: 400, droop: 400 })],
  ])('%s', (why, change) => {
    const got = answer(change);
    expect(got.ok).toBe(false);
    expect(!got.ok && got.why).toContain(why);
  });

  it('finds nothing where nothing may move, and says what a wider reach would give, measured', () => {
    const got = answer(
      (build) =>
        (build.brief = {
          targets: { ...startingTargets({ use: 'road' }), lock: 25 },
          rule: 'lines',
          limits: {},
        }),
    );
    expect(got.ok && got.finding.found).toEqual([]);
    const { advice, before } = (got as Extract<typeof got, { ok: true }>).finding;
    if (advice)
      expect(Math.abs(advice.ackermann.worst)).toBeLessThan(Math.abs(before.ackermann.worst));
  });
});
