import fc from 'fast-check';
import { aColumn, aJoint } from '../../test/columns';
import { seeded } from '../../test/leastRange';
import type { Freedom } from '../model/freedoms';
import type { Column, ColumnWanted } from '../model/column';
import { columnSchema } from '../model/column';
import type { KeepOut, Room } from '../model/room';
import { startingRoom } from '../model/room';
import { carBodiesOf } from './clearance';
import { findClocking } from './clocking';
import { findPath } from './findPath';
import type { PathFinding } from './findPath';
import { leastRipple, missesOf, sumOf } from './pathMisses';
import { movePoint } from './move';
import { chainOf, lineOf, placesOf, shaftLinesOf } from './places';

const ACROSS = [0, 1, 0] as const;
const run = (column: Column, keepOuts: KeepOut[] = []): PathFinding => {
  const room: Room = { ...startingRoom(), keepOuts };
  const search = findPath(column, room, 'front', ACROSS);
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
    expect(step.value).toBeGreaterThanOrEqual(0);
    expect(step.value).toBeLessThanOrEqual(1);
  }
};
const range = (at: number, by: number): Freedom => ({
  kind: 'range',
  min: at - by,
  max: at + by,
  step: 0,
});
const wanted = (change: Partial<ColumnWanted> = {}): ColumnWanted => ({
  ...{ sharpest: 35, comfort: 25, ripple: 2, joints: 2, clear: 10 },
  ...change,
});
/** Free about where it stands. */
const free = (column: Column, by: number): Column => {
  const joint = column.joints[0];
  const { ahead, left, up } = joint.at!;
  const freedoms = { ahead: range(ahead, by), left: range(left, by), up: range(up, by) };
  return { ...column, joints: [{ ...joint, freedoms }, ...column.joints.slice(1)] };
};
const degrees = (column: Column): number[] => {
  const lines = shaftLinesOf(placesOf(column));
  return lines.slice(1).map(({ way }, i) => {
    const c = way.reduce((sum, x, k) => sum + x * lines[i].way[k], 0);
    return (Math.acos(Math.min(1, c)) * 180) / Math.PI;
  });
};

it('knows the least ripple that a clocking leaves: exactly of two joints, nearly of more', () => {
  const random = seeded(8);
  for (let k = 0; k < 12; k++) {
    const at = (part: number) =>
      aJoint(
        -900 + 700 * part + 60 * random(),
        320 - 60 * part + 120 * (random() - 0.5),
        690 - 380 * part + 160 * (random() - 0.5),
      );
    const two = aColumn({ joints: [at(0.55), aColumn().joints[1]] });
    const three = aColumn({
      joints: [at(0.4), at(0.7), aColumn().joints[1]],
      shafts: [{ outside: 19 }, { outside: 19 }, { outside: 19 }],
    });
    for (const [column, close] of [
      [two, 1e-4],
      [three, 0.012],
    ] as const) {
      const found = findClocking(lineOf(column))!.found[0].ripple.ripple;
      expect(Math.abs(leastRipple(column, degrees(column)) - found)).toBeLessThan(close);
    }
  }
  // A double joint has none of its own.
  const double = aColumn();
  double.joints = [{ ...double.joints[0], kind: 'double' } as never, double.joints[1]];
  const [, second] = degrees(double);
  const c = Math.cos((second * Math.PI) / 180);
  expect(leastRipple(double, degrees(double))).toBeCloseTo(1 / c - c, 9);
});

it('finds a place for a joint where places on a grid have one, with no more work than the nearest of them', () => {
  let both = 0;
  fc.assert(
    fc.property(
      fc.tuple(
        fc.integer({ min: -60, max: 60 }),
        fc.integer({ min: -50, max: 50 }),
        fc.integer({ min: -60, max: 60 }),
        fc.integer({ min: -40, max: 40 }),
      ),
      ([a, b, c, d]) => {
        const column = free(
          aColumn({
            joints: [aJoint(-430 + a, 300 + b, 480 + c), aColumn().joints[1]],
            wanted: wanted(),
          }),
          80,
        );
        const exhaust: KeepOut = {
          ...{ kind: 'cylinder', id: 'e', name: 'exhaust', axle: 'front', side: 'left' },
          from: { ahead: -100, out: 220, up: 420 + d },
          to: { ahead: -480, out: 320, up: 380 + d },
          diameter: 50,
        };
        const bodies = carBodiesOf([exhaust], 'front', column);
        const joint = placesOf(column).upper[0];
        let nearest = Infinity;
        let least = Infinity;
        for (let x = -80; x <= 80; x += 10)
          for (let y = -80; y <= 80; y += 10)
            for (let z = -80; z <= 80; z += 10) {
              const at = movePoint(column, 'joint 0', [joint[0] + x, joint[1] + y, joint[2] + z]);
              const miss = sumOf(missesOf(at, bodies, true));
              least = Math.min(least, miss);
              if (miss === 0) nearest = Math.min(nearest, Math.hypot(x, y, z));
            }
        const finding = run(column, [exhaust]);
        const own = finding.answers.filter(({ done }) =>
          done.every((line) => !/left out/u.test(line)),
        );
        if (nearest < Infinity) {
          both++;
          expect(own.length).toBeGreaterThan(0);
          const found = placesOf(own[0].column).upper[0];
          const moved = Math.hypot(...found.map((x, i) => x - joint[i]));
          // Work counts the ways it is moved in, then how far in each.
          expect(moved).toBeLessThan(1.8 * nearest + 12);
        } else if (own.length === 0)
          expect(finding.missed.length + finding.answers.length).toBeGreaterThan(0);
        for (const one of finding.answers) {
          const { column: next, joints, ripple, nearest: near, comfortable } = one;
          expect(columnSchema.safeParse(next).success).toBe(true);
          degrees(next).forEach((bend, j) => {
            expect(bend).toBeLessThan(comfortable ? 25.06 : 35.06);
            expect(joints[j].bend).toBeCloseTo(bend, 4);
          });
          expect(ripple.ripple).toBeLessThanOrEqual(0.02);
          // By the chain as it is clocked, tried every 2°.
          const ready = chainOf(next);
          const speeds = Array.from({ length: 90 }, (_, i) =>
            ready.ok ? ready.chain.turn(2 * i).ratio : NaN,
          );
          expect(Math.max(...speeds) - Math.min(...speeds)).toBeLessThan(0.0201);
          expect(near!.clearance).toBeGreaterThan(10 - 1e-6);
        }
      },
    ),
    { numRuns: 6, seed: 4, endOnFailure: true },
  );
  expect(both).toBeGreaterThan(1);
});

it('ranks by work, from leaving all as it is to a joint more', () => {
  const even = free(aColumn({ wanted: wanted({ joints: 3, ripple: 14, comfort: 35 }) }), 60);
  const finding = run(even);
  expect(finding.answers[0]).toMatchObject({ work: 0, done: [] });
  const works = finding.answers.map(({ work }) => work);
  expect(works).toEqual([...works].sort((a, b) => a - b));
  // Nothing may be moved: only a joint more brings the ripple down.
  const stiff = aColumn({
    joints: [aJoint(-560, 300, 480), aColumn().joints[1]],
    wanted: wanted({ joints: 3, ripple: 0.5 }),
  });
  const more = run(stiff);
  expect(more.answers.length).toBeGreaterThan(0);
  for (const { done, column, lacking } of more.answers) {
    expect(done.join()).toMatch(
      /a joint more, joint \d then, in what was shaft \d: .* it needs a bearing/u,
    );
    expect(column.joints).toHaveLength(3);
    expect(lacking.join()).toMatch(/no place of their own/u);
  }
});

it('turns the rack, slides the last joint, and says by how much', () => {
  const column = aColumn({
    pinion: {
      ...aColumn().pinion,
      turn: { min: -15, max: 15 },
      reachFreedom: { min: 20, max: 60 },
    },
    joints: [aJoint(-470, 300, 490), aColumn().joints[1]],
    wanted: wanted({ ripple: 2 }),
  });
  const before = degrees(column);
  const { answers } = run(column);
  expect(Math.abs(before[0] - before[1])).toBeGreaterThan(2);
  expect(answers.length).toBeGreaterThan(0);
  expect(answers[0].done.join()).toMatch(/rack turned \d+\.\d° about its own axis|last joint \d/u);
});

it('says what the nearest way misses, and the body without which there would be one', () => {
  const wall: KeepOut = {
    ...{ kind: 'box', id: 'w', name: 'engine mount', axle: 'front', side: 'left' },
    middle: { ahead: -320, out: 290, up: 400 },
    size: { ahead: 40, out: 700, up: 700 },
  };
  const column = free(aColumn({ wanted: wanted() }), 40);
  const blocked = run(column, [wall]);
  expect(blocked.answers).toEqual([]);
  expect(blocked.missed.join()).toMatch(/into engine mount/u);
  expect(blocked.inTheWay).toEqual(['engine mount']);
  // Two that are called the same are two: without one of them the other still stands there.
  expect(run(column, [wall, { ...wall, id: 'v' }]).inTheWay).toEqual([]);
  expect(run(column).answers.length).toBeGreaterThan(0);
  // Nothing may move at all: what is missed is said of it as it stands.
  const nothing = run(
    aColumn({ wanted: wanted({ joints: 1, sharpest: 3, comfort: 2, ripple: 0 }) }),
  );
  expect(nothing.answers).toEqual([]);
  expect(nothing.missed.join()).toMatch(/joint 1 bends/u);
  expect(nothing.inTheWay).toEqual([]);
});
