import fc from 'fast-check';
import { aColumn, aJoint } from '../../test/columns';
import type { Vec } from '../geometry/vec';
import type { ColumnSupport } from '../model/column';
import { clockMark, clockTeeth, toTeeth } from './clocking';
import { cutList, tooShort } from './cutList';
import { throughFirewall } from './firewall';
import { misfitsOf, whyApart } from './fits';
import { collarRoom, supportsLack } from './held';
import { playOf } from './play';
import { placesOf } from './places';

const RAD = Math.PI / 180;
const far = (a: Vec, b: Vec) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

describe('the cut list', () => {
  it('is what fills the way from the boss to the pinion, laid piece by piece', () => {
    const column = aColumn({
      wheel: { ...aColumn().wheel, boss: 62, fit: { by: 'spline', diameter: 17, depth: 18 } },
      joints: [
        {
          ...aJoint(-430, 300, 500),
          above: { by: 'weld', diameter: 19 },
          below: { by: 'spline', diameter: 16, depth: 24 },
          unseated: 6,
        },
        { ...aColumn().joints[1], above: { by: 'plain', diameter: 19, depth: 22 } },
      ],
    });
    const [first, second] = cutList(column);
    const { wheel, lower } = placesOf(column);
    // Along shaft 1: boss, the part in it counted back, the shaft, the joint's own half, what it goes further in.
    expect(62 - 18 + first.cut - 6 + 34).toBeCloseTo(far(wheel, lower[0]), 9);
    // Shaft 2 telescopes: its two pieces lie 50 mm in each other.
    expect(34 - 24 - 6 + second.cut - 50 - 22 + 34).toBeCloseTo(far(lower[0], lower[1]), 9);
    expect([first.above, first.below, second.above, second.below]).toEqual([18, 6, 30, 22]);
    expect(second.engaged).toBe(50);
  });

  it('tells the longest stretch without a bearing, and a shaft that has no room', () => {
    const bearing = (along: number): ColumnSupport => ({
      ...{ id: `b${along}`, name: 'b', shaft: 1, along, kind: 'plain' },
      ...{ collarAbove: false, collarBelow: false },
    });
    const column = aColumn({ supports: [bearing(300), bearing(120)] });
    const [first] = cutList(column);
    expect(first.free).toBeCloseTo(Math.max(180, first.centres - 300), 9);
    expect(tooShort(column)).toEqual([]);
    const near = aColumn({ joints: [aJoint(-170, 255, 330), aColumn().joints[1]] });
    expect(tooShort(near)[0]).toMatch(/shaft 2 has .* between joint 1 and joint 2: no room/u);
  });
});

it('warns of splines that look alike', () => {
  const spline = (teeth: number, diameter: number) => ({ by: 'spline' as const, teeth, diameter });
  expect(whyApart(spline(30, 16), spline(30, 16.7))).toBe(
    '30 teeth, 16.0 mm against 16.7 mm: not the same spline',
  );
  expect(whyApart(spline(36, 16), spline(30, 16))).toMatch(/36 teeth.*30 teeth.*not the same/u);
  expect(whyApart(spline(36, 15.9), spline(36, 16))).toBeNull();
  expect(whyApart(spline(36, 16), { by: 'double D', diameter: 16 })).toMatch(/spline.*double D/u);
  expect(whyApart({ by: 'weld', diameter: 19 }, spline(36, 16))).toBeNull();
  const column = aColumn();
  column.joints[1].below = spline(36, 16);
  column.pinion.fit = spline(36, 17.5);
  expect(misfitsOf(column)).toEqual([
    { where: 'joint 2 and pinion', why: '36 teeth, 16.0 mm against 17.5 mm: not the same spline' },
  ]);
});

it('says in words what holds no shaft, or holds it twice, or one way only', () => {
  const support = (change: Partial<ColumnSupport>): ColumnSupport => ({
    ...{ id: JSON.stringify(change), name: 'b', shaft: 1, along: 100, kind: 'plain' },
    ...{ collarAbove: false, collarBelow: false },
    ...change,
  });
  expect(supportsLack(aColumn())).toEqual([
    'shaft 1 to shaft 2 have no place of their own: add a bearing',
    'shaft 1 to shaft 2 can slide: add a collar or a fixed bearing',
  ]);
  const held = [
    support({ along: 90 }),
    support({ along: 300, collarAbove: true, collarBelow: true }),
  ];
  expect(supportsLack(aColumn({ supports: held }))).toEqual([]);
  const oneWay = [support({ along: 90 }), support({ along: 300, collarAbove: true })];
  expect(supportsLack(aColumn({ supports: oneWay }))).toEqual([
    'shaft 1 to shaft 2 can slide: add a collar or a fixed bearing',
    'shaft 1 is kept from going down only: a collar below its bearing keeps it the other way',
  ]);
  const stiff = aColumn({ supports: held, shafts: [{ outside: 19 }, { outside: 19 }] });
  expect(supportsLack(stiff)[0]).toMatch(/fixed twice along the line and there is no slip/u);
  const out = aColumn({
    supports: held,
    shafts: [{ outside: 19 }, { outside: 19, slip: { engaged: 20, least: 30 } }],
  });
  expect(supportsLack(out)).toEqual([
    'shaft 2: 20 mm of it is in itself, 30 mm has to stay in: lengthen it',
  ]);
});

describe('a collar beside a bearing that leans', () => {
  /** Places of a collar, its edge cut off at 45° by so much, in the housing's axes: the least along it of those over its face. */
  const leastOver = (radius: number, a: number, lean: number, cut: number): number => {
    const [c, s] = [Math.cos(lean * RAD), Math.sin(lean * RAD)];
    let least = Infinity;
    for (let i = 0; i <= 400; i++) {
      const r = (radius * i) / 400;
      const x = a + Math.max(0, r - (radius - cut));
      for (const sign of [1, -1]) least = Math.min(least, x * c - sign * r * s);
    }
    return least;
  };
  const bearing = (outside: number, leans: number): ColumnSupport => ({
    ...{ id: 'b', name: 'b', shaft: 1, along: 0, kind: 'spherical' },
    ...{ collarAbove: true, collarBelow: true, leans },
    collar: { outside, thick: 10 },
    housing: { width: 12, ring: 18 },
  });

  it('rubs from the angle on that turning it shows, and not with the chamfer or the collar that is told', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 22, max: 44, noNaN: true }),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        (outside, leans) => {
          const room = collarRoom(bearing(outside, leans))!;
          expect(room.gap).toBeCloseTo(leastOver(outside / 2, 9, leans, 0) - 6, 6);
          expect(leastOver(outside / 2, 9, room.rubsAt, 0)).toBeCloseTo(6, 6);
          if (room.gap >= 0) {
            expect(room.rubsAt).toBeGreaterThanOrEqual(leans - 1e-9);
            return;
          }
          expect(room.rubsAt).toBeLessThan(leans);
          if (room.outside !== null)
            expect(leastOver(room.outside / 2, 9, leans, 0)).toBeCloseTo(6, 6);
          if (room.chamfer !== null && room.gap < -0.05) {
            expect(leastOver(outside / 2, 9, leans, room.chamfer)).toBeGreaterThan(6 - 1e-6);
            expect(leastOver(outside / 2, 9, leans, 0.9 * room.chamfer)).toBeLessThan(6);
          }
        },
      ),
      { numRuns: 200 },
    );
    expect(collarRoom({ ...bearing(34, 8), kind: 'plain' })).toBeNull();
  });
});

describe('the firewall', () => {
  const wall = (lean: number, turn: number) =>
    aColumn({
      firewall: {
        at: { ahead: -300, left: 280, up: 400 },
        lean,
        turn,
        thickness: 4,
        hole: 60,
        plate: { width: 120, height: 100, inset: 10, bolt: 6 },
      },
    });

  it('is gone through where the shaft meets its plane, by a hole that lets every line of the shaft through', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 30, noNaN: true }),
        fc.double({ min: -15, max: 15, noNaN: true }),
        (lean, turn) => {
          const column = wall(lean, turn);
          const through = throughFirewall(column)!;
          const { lower } = placesOf(column);
          expect(through.shaft).toBe(1);
          // On the shaft.
          expect(far(lower[0], through.at) + far(through.at, lower[1])).toBeCloseTo(
            far(lower[0], lower[1]),
            9,
          );
          // In the plane: its own directions, turned by hand from level and upright.
          const [cl, sl, ct, st] = [
            Math.cos(lean * RAD),
            Math.sin(lean * RAD),
            Math.cos(turn * RAD),
            Math.sin(turn * RAD),
          ];
          const left: Vec = [st, ct, 0];
          const up: Vec = [-sl * ct, sl * st, cl];
          const at = [-300, 280, 400].map(
            (v, i) => v + through.left * left[i] + through.up * up[i],
          );
          expect(far(at as unknown as Vec, through.at)).toBeLessThan(1e-9);
          // Lines of the shaft's surface through both faces: as wide apart as the hole is long.
          const way = lower[1].map((v, i) => (v - lower[0][i]) / far(lower[0], lower[1]));
          const normal = [
            left[1] * up[2] - left[2] * up[1],
            left[2] * up[0] - left[0] * up[2],
            left[0] * up[1] - left[1] * up[0],
          ];
          const cosine = way.reduce((sum, v, i) => sum + v * normal[i], 0);
          const slope = way.map((v, i) => v - cosine * normal[i]);
          const size = Math.hypot(...slope);
          let [low, high] = [Infinity, -Infinity];
          for (let i = 0; i < 720; i++) {
            const [c, s] = [Math.cos((i * Math.PI) / 360), Math.sin((i * Math.PI) / 360)];
            const e = slope.map((v) => v / size);
            const f = [
              normal[1] * e[2] - normal[2] * e[1],
              normal[2] * e[0] - normal[0] * e[2],
              normal[0] * e[1] - normal[1] * e[0],
            ];
            // Square to the shaft: f, and way × f.
            const g = [
              way[1] * f[2] - way[2] * f[1],
              way[2] * f[0] - way[0] * f[2],
              way[0] * f[1] - way[1] * f[0],
            ];
            const on = f.map((v, k) => 9.5 * (c * v + s * g[k]));
            for (const face of [-2, 2]) {
              const depth = on.reduce((sum, v, k) => sum + v * normal[k], 0);
              const t = (face - depth) / cosine;
              const place = on.map((v, k) => v + t * way[k]);
              const along = place.reduce((sum, v, k) => sum + v * e[k], 0);
              [low, high] = [Math.min(low, along), Math.max(high, along)];
            }
          }
          expect(through.hole.long - 10).toBeCloseTo(high - low, 2);
          expect(through.hole.least).toBe(29);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('knows its joints inside and outside of it, its bolts, and where the hole may be', () => {
    const column = wall(0, 0);
    const through = throughFirewall(column)!;
    expect(through.joints.map(({ ahead }) => ahead)).toEqual([false, true]);
    // The first joint's end nearest to the plate, along its lower shaft.
    const [inside] = through.joints;
    const { lower } = placesOf(column);
    const way = (lower[1][0] - lower[0][0]) / far(lower[0], lower[1]);
    expect(inside.gap).toBeCloseTo(-300 - (-430 + 34 * way) - 2, 6);
    expect(through.bolts).toEqual([
      [50, 40],
      [-50, 40],
      [-50, -40],
      [50, -40],
    ]);
    const { left, up } = through;
    const allowed = (by: number) => {
      const room = { left: left + by, right: 500, up: up + by, down: 500 };
      return throughFirewall({ ...column, firewall: { ...column.firewall!, room } })!.allowed;
    };
    expect([allowed(1), allowed(-1)]).toEqual([true, false]);
    const away = { ...column.firewall!, at: { ahead: 300, left: 0, up: 0 } };
    expect(throughFirewall({ ...column, firewall: away })).toBeNull();
  });
});

it('turns each play into the handwheel’s by how fast its shaft turns there', () => {
  const column = aColumn();
  const [first, second] = column.joints;
  first.play = { degrees: 0.4, measured: true };
  second.play = { degrees: 0.6, measured: false };
  column.shafts[1].play = { degrees: 0.2, measured: false };
  column.supports = [
    { ...bearing(100), play: 0.1 },
    { ...bearing(400), play: 0.2 },
  ];
  const play = playOf(column, 16)!;
  // Straight ahead the first joint's upper pin is square to its plane: cos β as fast below it.
  const { wheel, lower, foot } = placesOf(column);
  const between = (a: Vec, b: Vec, c: Vec) => {
    const [u, v] = [b.map((x, i) => x - a[i]), c.map((x, i) => x - b[i])];
    return u.reduce((sum, x, i) => sum + x * v[i], 0) / Math.hypot(...u) / Math.hypot(...v);
  };
  const below = between(wheel, lower[0], lower[1]);
  expect(play.parts[0].atHandwheel).toBeCloseTo(0.4 / below, 6);
  expect(play.parts[1]).toMatchObject({ what: 'splines of shaft 2', measured: false });
  expect(play.parts[1].atHandwheel).toBeCloseTo(0.2 / below, 6);
  expect(Math.abs(between(lower[0], lower[1], foot))).toBeLessThan(1);
  expect(play.handwheel).toBeCloseTo(
    play.parts.reduce((sum, { atHandwheel }) => sum + atHandwheel, 0),
    9,
  );
  expect(play.wheels).toBeCloseTo(play.handwheel / 16, 9);
  // The shaft lifts 0.1 at the upper bearing and falls 0.2 at the lower one, 300 mm below it.
  expect(play.rim).toBeCloseTo(0.1 + (0.3 / 300) * 100, 9);
  expect(play.silent).toBe(0);
});
const bearing = (along: number): ColumnSupport => ({
  ...{ id: `b${along}`, name: 'b', shaft: 1, along, kind: 'plain' },
  ...{ collarAbove: false, collarBelow: false },
});

it('clocks by the finer spline that is said of a shaft’s ends, by a mark where none is', () => {
  const column = aColumn();
  expect(clockTeeth(column, 0)).toBeNull();
  expect(toTeeth(column, [0], [37])).toEqual([37]);
  column.joints[0].below = { by: 'spline', diameter: 16, teeth: 30 };
  expect(clockTeeth(column, 0)).toBe(30);
  column.joints[1].above = { by: 'spline', diameter: 16, teeth: 36 };
  expect(clockTeeth(column, 0)).toBe(36);
  // 37° is nearest to four teeth of ten degrees; a shaft that is not clocked stays.
  expect(toTeeth(column, [0], [37])[0]).toBeCloseTo(40, 9);
  expect(toTeeth(column, [], [37])).toEqual([37]);
  // Half a turn is half way round.
  expect(clockMark(20, 180)).toBeCloseTo((20 * Math.PI) / 2, 9);
});
