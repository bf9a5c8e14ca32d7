import fc from 'fast-check';
import { aColumn, aJoint } from '../../test/columns';
import type { Vec } from '../geometry/vec';
import type { Column, ColumnSupport } from '../model/column';
import { columnSchema } from '../model/column';
import { adjustRange, adjustedBy } from './adjusting';
import { chainOf, pinionOffRack } from './places';
import { columnPoints, movePoint, turnPinion } from './move';
import { withJointIn, withKind, withoutJoint } from './pathMoves';
import { placesOf, shaftLinesOf } from './places';

const far = (a: Vec, b: Vec) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
const offLine = (p: Vec, a: Vec, b: Vec) => {
  const [u, v] = [b.map((x, i) => x - a[i]), p.map((x, i) => x - a[i])];
  const c = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
  return Math.hypot(...c) / Math.hypot(...u);
};
const support = (id: string, shaft: number, along: number): ColumnSupport => ({
  ...{ id, name: id, shaft, along, kind: 'plain' },
  ...{ collarAbove: false, collarBelow: false },
});
const at = (column: Column, id: string) => columnPoints(column).find((one) => one.id === id)!.at;
const nudge = fc.tuple(
  fc.integer({ min: -40, max: 40 }),
  fc.integer({ min: -40, max: 40 }),
  fc.integer({ min: -40, max: 40 }),
);

it('leans a shaft about its other bearing, which stays where it is', () => {
  const column = aColumn({ supports: [support('top', 1, 100), support('dash', 1, 380)] });
  fc.assert(
    fc.property(nudge, fc.constantFrom('top', 'dash'), (by, which) => {
      const other = which === 'top' ? 'dash' : 'top';
      const to = at(column, `support ${which}`).map((x, i) => x + by[i]) as unknown as Vec;
      const next = movePoint(column, `support ${which}`, to);
      expect(far(at(next, `support ${which}`), to)).toBeLessThan(0.05);
      expect(far(at(next, `support ${other}`), at(column, `support ${other}`))).toBeLessThan(0.05);
      const [before] = shaftLinesOf(placesOf(column));
      const [line] = shaftLinesOf(placesOf(next));
      expect(line.length).toBeCloseTo(before.length, 1);
      for (const id of ['top', 'dash'])
        expect(offLine(at(next, `support ${id}`), line.from, line.to)).toBeLessThan(0.05);
      expect(columnSchema.safeParse(next).success).toBe(true);
    }),
    { numRuns: 60 },
  );
});

it('keeps the last joint on the pinion’s line, and a shaft that ends there leans about it', () => {
  const column = aColumn({ supports: [support('low', 2, 120)] });
  fc.assert(
    fc.property(nudge, (by) => {
      const last = placesOf(column).lower[1];
      const slid = movePoint(column, 'joint 1', last.map((x, i) => x + by[i]) as unknown as Vec);
      const { lower, foot, tip } = placesOf(slid);
      expect(offLine(lower[1], foot, tip)).toBeLessThan(1e-9);
      expect(tip).toEqual(placesOf(column).tip);
      const to = at(column, 'support low').map((x, i) => x + by[i]) as unknown as Vec;
      const leant = movePoint(column, 'support low', to);
      expect(far(placesOf(leant).lower[1], last)).toBeLessThan(1e-9);
      expect(far(at(leant, 'support low'), to)).toBeLessThan(0.05);
    }),
    { numRuns: 40 },
  );
  const least = { ...column.pinion, reachFreedom: { min: 30, max: 40 } };
  const kept = movePoint({ ...column, pinion: least }, 'joint 1', [-800, 300, 900]);
  expect(kept.pinion.reach).toBe(40);
});

it('turns the pinion with the rack about its own axis, as far as it may, and takes it along with its foot', () => {
  const column = aColumn({ pinion: { ...aColumn().pinion, turn: { min: -10, max: 20 } } });
  const { foot, tip } = placesOf(column);
  for (const degrees of [-8, 5, 15]) {
    const turned = placesOf(turnPinion(column, degrees));
    expect(turned.foot).toEqual(foot);
    expect(far(turned.tip, foot)).toBeCloseTo(far(tip, foot), 1);
    expect(turned.tip[1]).toBeCloseTo(tip[1], 6);
    const angle = (p: Vec) => Math.atan2(p[0] - foot[0], p[2] - foot[2]);
    // + ahead over the top.
    expect(((angle(turned.tip) - angle(tip)) * 180) / Math.PI).toBeCloseTo(degrees, 1);
    expect(movePoint(column, 'tip', turned.tip).pinion.turn!.max).toBeCloseTo(20 - degrees, 1);
  }
  const most = movePoint(column, 'tip', [foot[0] + 100, tip[1], foot[2]]);
  expect(most.pinion.turn!.max).toBeCloseTo(0, 9);
  const moved = placesOf(movePoint(column, 'foot', [foot[0] + 11, foot[1] - 7, foot[2] + 3]));
  expect(moved.tip.map((x, i) => x - tip[i])).toEqual([11, -7, 3]);
  expect(movePoint(column, 'nothing', [0, 0, 0])).toBe(column);
});

it('puts a joint in, takes one out and makes one a box, and stays a column that files take', () => {
  const column = aColumn({
    supports: [support('top', 1, 100), support('low', 2, 60), support('lower', 2, 250)],
  });
  const places = (of: Column) => of.supports.map(({ id }) => at(of, `support ${id}`));
  const more = withJointIn(column, 1);
  expect(columnSchema.safeParse(more).success).toBe(true);
  expect(more.joints).toHaveLength(3);
  places(more).forEach((p, i) => expect(far(p, places(column)[i])).toBeLessThan(0.05));
  const back = withoutJoint(more, 1);
  expect(back.joints).toEqual(column.joints);
  expect(back.shafts[1].slip).toEqual(column.shafts[1].slip);
  places(back).forEach((p, i) => expect(far(p, places(column)[i])).toBeLessThan(0.05));
  // Ends, play and a motor stay where they are, whichever piece that is.
  const fit = (teeth: number) => ({ by: 'spline' as const, diameter: 16, teeth });
  for (const along of [60, 250]) {
    const whole = {
      ...{ outside: 19, wall: 2, clock: 30, collapses: true, above: fit(36), below: fit(40) },
      ...{ slip: { engaged: 50, least: 30 }, play: { degrees: 0.2, measured: true } },
      assist: { along, length: 100, outside: 90 },
    };
    const own = { ...column, shafts: [column.shafts[0], whole] };
    const two = withJointIn(own, 1);
    expect(two.shafts[1]).toMatchObject({ wall: 2, clock: 30, above: fit(36), collapses: true });
    expect(two.shafts[1].below).toBeUndefined();
    expect(two.shafts[2]).toMatchObject({ wall: 2, below: fit(40), slip: whole.slip });
    const one = withoutJoint(two, 1).shafts[1];
    const { assist, ...rest } = one;
    expect({ ...rest, assist: { ...assist!, along: Math.round(assist!.along) } }).toEqual(whole);
  }
  const last = withoutJoint(more, 2);
  expect(columnSchema.safeParse(last).success).toBe(true);
  expect(placesOf(last).tip).toEqual(placesOf(column).tip);
  for (const j of [0, 1]) {
    const box = withKind(column, j, 'box');
    expect(columnSchema.safeParse(box).success).toBe(true);
    expect(withKind(box, j, 'single')).toEqual(column);
    expect(columnSchema.safeParse(withKind(column, j, 'double')).success).toBe(true);
  }
  expect(withoutJoint(withoutJoint(column, 0), 0).joints).toHaveLength(1);
});

describe('a handwheel that is set', () => {
  const column = aColumn({ adjust: { up: 8, down: 6, out: 40, in: 20 } });

  it('goes up about its pivot by so many degrees, and out along its shaft', () => {
    const [first] = shaftLinesOf(placesOf(column));
    for (const tilt of [-6, 0, 3, 8])
      for (const reach of [-20, 0, 40]) {
        const [line] = shaftLinesOf(placesOf(adjustedBy(column, tilt, reach)));
        expect(line.length).toBeCloseTo(first.length + reach, 9);
        const level = (way: Vec) =>
          (Math.atan2(way[2], Math.hypot(way[0], way[1])) * 180) / Math.PI;
        // Its upper end rises.
        expect(level(first.way) - level(line.way)).toBeCloseTo(tilt, 9);
        expect(line.to).toEqual(first.to);
      }
    const pivoted = { ...column, adjust: { ...column.adjust!, pivot: 150 } };
    const pivot = first.from.map((x, i) => x + 150 * first.way[i]) as unknown as Vec;
    const [line] = shaftLinesOf(placesOf(adjustedBy(pivoted, 7, 0)));
    expect(offLine(pivot, line.from, line.to)).toBeLessThan(1e-9);
    expect(line.length).toBeCloseTo(first.length, 9);
  });

  it('names the worst of all places of the range', () => {
    const pivoted = { ...column, adjust: { ...column.adjust!, pivot: 150 } };
    const body = {
      id: 'dash',
      name: 'dash',
      distanceTo: ([x, y, z]: Vec) => Math.hypot(x + 700, y - 310, z - 560) - 20,
    };
    const range = adjustRange(pivoted, [body])!;
    const worst = (value: (of: Column) => number) => {
      let most = -Infinity;
      for (let tilt = -6; tilt <= 8; tilt += 1)
        for (let reach = -20; reach <= 40; reach += 10)
          most = Math.max(most, value(adjustedBy(pivoted, tilt, reach)));
      return most;
    };
    range.joints.forEach(({ value }, j) => {
      const most = worst((of) => {
        const ready = chainOf(of);
        return ready.ok ? ready.chain.bends[j] : NaN;
      });
      expect(Math.abs(value - most)).toBeLessThan(0.05);
    });
    // What is named is what it is there.
    const { tilt, reach, value } = range.joints[0];
    const ready = chainOf(adjustedBy(pivoted, tilt, reach));
    expect(ready.ok && ready.chain.bends[0]).toBeCloseTo(value, 9);
    // Shaft 1 does not telescope: drawn out it would have to be longer. Shaft 2 does.
    expect(range.stretched).toEqual([
      expect.objectContaining({ what: 'shaft 1', value: expect.closeTo(40, 6), reach: 40 }),
    ]);
    const drawn = shaftLinesOf(placesOf(pivoted))[1].length;
    const least = -worst((of) => shaftLinesOf(placesOf(of))[1].length - drawn - 50);
    expect(range.slips[0].value).toBeCloseTo(least, 1);
    expect(range.clearance!.what).toMatch(/ to dash$/u);
    expect(range.bound).toEqual([]);
    expect(adjustRange(aColumn(), [])).toBeNull();
    // Drawn out along its own line alone, no angle changes: each is told of where it is drawn.
    const drawnOut = adjustRange({ ...column, adjust: { up: 0, down: 0, out: 40, in: 20 } }, [])!;
    for (const one of [...drawnOut.joints, drawnOut.ripple])
      expect([one.tilt, one.reach]).toEqual([0, 0]);
    expect(drawnOut.tried).toBe(7);
  });

  it('says where it does not turn, and knows a column of one joint', () => {
    const one: Column = {
      ...aColumn({ joints: [aColumn().joints[1]], shafts: [{ outside: 19 }] }),
      adjust: { up: 55, down: 70, out: 0, in: 0, pivot: 100 },
    };
    const range = adjustRange(one, [])!;
    expect(range.bound.length).toBeGreaterThan(0);
    expect(placesOf(adjustedBy(one, 20, 0)).lower[0]).toEqual(placesOf(one).lower[0]);
  });
});

it('has a place for every joint, bearing and end', () => {
  const column = aColumn({
    joints: [
      aJoint(-600, 310, 560),
      {
        ...aJoint(-430, 300, 500),
        kind: 'box',
        out: { ahead: -420, left: 240, up: 500 },
        ratio: 1.5,
      } as never,
      aColumn().joints[1],
    ],
    shafts: [{ outside: 19 }, { outside: 19 }, { outside: 19 }],
    supports: [support('top', 1, 100)],
    firewall: { at: { ahead: -300, left: 280, up: 400 }, lean: 0, turn: 0, thickness: 2 },
  });
  expect(columnPoints(column).map(({ label }) => label)).toEqual([
    ...['handwheel', 'joint 1', 'box 1, in', 'box 1, out', 'joint 2'],
    ...['top', 'pinion’s tip', 'pinion at the rack', 'firewall'],
  ]);
  const out = movePoint(column, 'out 1', [-400, 230, 480]);
  expect(placesOf(out).lower[1]).toEqual([-400, 230, 480]);
  expect(placesOf(out).upper[1]).toEqual([-430, 300, 500]);
});

it('knows how far the pinion’s line passes the rack’s bar, by places along both', () => {
  const column = aColumn();
  const { foot, axis } = placesOf(column);
  for (const [up, ahead] of [
    [230, -120],
    [180, -120],
    [260, -70],
  ]) {
    const bar: [Vec, Vec] = [
      [ahead, 260, up],
      [ahead, -260, up],
    ];
    let least = Infinity;
    for (let i = -200; i <= 200; i++)
      for (let k = 0; k <= 520; k += 2)
        least = Math.min(
          least,
          far(foot.map((x, n) => x + (i / 2) * axis[n]) as unknown as Vec, [ahead, 260 - k, up]),
        );
    expect(Math.abs(pinionOffRack(column, bar) - least)).toBeLessThan(1.5);
  }
});
