import fc from 'fast-check';
import { prepareColumn } from './chain';
import type { ColumnChain, ColumnLine, JointKind } from './chain';
import { findClocking, inTeeth } from './clocking';

type V = [number, number, number];
const RAD = Math.PI / 180;
const add = (a: V, b: V): V => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
const sub = (a: V, b: V): V => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: V, b: V): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const crossed = (a: V, b: V): V => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const unit = (a: V): V => {
  const size = Math.hypot(...a);
  return [a[0] / size, a[1] / size, a[2] / size];
};
/** Rodrigues' formula (1840; from memory), written for this test alone. */
function turned(v: V, k: V, angle: number): V {
  const [s, c] = [Math.sin(angle), Math.cos(angle)];
  const q = crossed(k, v);
  const along = dot(k, v) * (1 - c);
  return [
    v[0] * c + q[0] * s + k[0] * along,
    v[1] * c + q[1] * s + k[1] * along,
    v[2] * c + q[2] * s + k[2] * along,
  ];
}

/** A column of shafts 100 mm long along some ways. */
const along = (ways: readonly V[], rest: Partial<ColumnLine> = {}): ColumnLine => {
  const places: V[] = [[0, 0, 0]];
  for (const way of ways)
    places.push(add(places[places.length - 1], unit(way).map((x) => 100 * x) as V));
  const joints = ways.length - 1;
  return {
    places,
    kinds: Array.from({ length: joints }, (): JointKind => 'single'),
    clocks: Array.from({ length: Math.max(0, joints - 1) }, () => 0),
    start: 0,
    ...rest,
  };
};
const chainOf = (line: ColumnLine): ColumnChain => {
  const ready = prepareColumn(line);
  if (!ready.ok) throw new Error(ready.fault.message);
  return ready.chain;
};
const bent = (degrees: number, about: number): V => [
  Math.sin(degrees * RAD) * Math.cos(about * RAD),
  Math.sin(degrees * RAD) * Math.sin(about * RAD),
  Math.cos(degrees * RAD),
];
const anyWay = fc
  .tuple(fc.double({ min: 1, max: 38, noNaN: true }), fc.double({ min: 0, max: 360, noNaN: true }))
  .map(([degrees, about]) => bent(degrees, about));
const anyLine = (joints: number) =>
  fc
    .tuple(
      fc.array(anyWay, { minLength: joints + 1, maxLength: joints + 1 }),
      fc.array(fc.double({ min: 0, max: 180, noNaN: true }), {
        minLength: joints - 1,
        maxLength: joints - 1,
      }),
      fc.double({ min: 0, max: 180, noNaN: true }),
    )
    .map(([ways, clocks, start]) => along(ways, { clocks, start }));

it('turns one joint as Cardan’s equation has it (Machinery’s Handbook, from memory)', () => {
  for (const beta of [5, 18, 30, 45]) {
    // Straight ahead the upper pin is square to the joint's plane; a quarter turn on it lies in it.
    const chain = chainOf(along([[0, 0, 1], bent(beta, 0)]));
    const inPlane = chainOf(along([[0, 0, 1], bent(beta, 0)], { start: 90 }));
    expect(chain.bends[0]).toBeCloseTo(beta, 9);
    for (const at of [-170, -95, -30, 0, 12, 44, 89, 130, 179]) {
      const { pinion, ratio } = chain.turn(at);
      const tangent = Math.tan(at * RAD);
      expect(Math.tan(pinion * RAD)).toBeCloseTo(tangent * Math.cos(beta * RAD), 6);
      const { pinion: other } = inPlane.turn(at);
      expect(Math.tan(other * RAD)).toBeCloseTo(tangent / Math.cos(beta * RAD), 6);
      expect(Math.abs(pinion - at)).toBeLessThan(90);
      const [s, c] = [Math.sin(at * RAD), Math.cos(beta * RAD)];
      expect(ratio).toBeCloseTo(c / (1 - s * s * (1 - c * c)), 9);
    }
    const { ripple, most, least } = chain.ripple();
    const c = Math.cos(beta * RAD);
    expect(ripple).toBeCloseTo(1 / c - c, 9);
    expect(most).toBeCloseTo(1 / c, 9);
    expect(least).toBeCloseTo(c, 9);
  }
});

it('turns a random chain as a construction, cross by cross, puts it', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 4 }).chain(anyLine),
      fc.double({ min: -360, max: 360, noNaN: true }),
      (line, at) => {
        const ways = line.places.slice(1).map((p, i) => unit(sub(p as V, line.places[i] as V)));
        fc.pre(ways.every((way, i) => i === 0 || Math.hypot(...crossed(way, ways[i - 1])) > 0.01));
        const chain = chainOf(line);
        // Every yoke's pin by turning it about its shaft until the cross's other pin is square to it: by halving.
        const lowerPin = (pin: V, below: V, near: V): V => {
          let [low, high] = [-89, 89];
          const off = (degrees: number) => dot(turned(near, below, degrees * RAD), pin);
          const rising = off(high) > off(low);
          for (let i = 0; i < 80; i++) {
            const middle = (low + high) / 2;
            if (off(middle) > 0 === rising) high = middle;
            else low = middle;
          }
          return turned(near, below, low * RAD);
        };
        const walk = (degrees: number): V[] => {
          const first = unit(crossed(ways[0], ways[1]));
          let pin = turned(first, ways[0], (line.start + degrees) * RAD);
          return ways.slice(1).map((below, k) => {
            const near = unit(crossed(below, pin));
            const start = unit(crossed(crossed(below, near), below));
            const lower = lowerPin(pin, below, start);
            pin = turned(lower, below, (line.clocks[k] ?? 0) * RAD);
            return lower;
          });
        };
        const h = 1e-4;
        const last = ways[ways.length - 1];
        const [a, b] = [walk(at - h), walk(at + h)].map((all) => all[all.length - 1]);
        const byHalving = Math.atan2(dot(last, crossed(a, b)), dot(a, b)) / RAD / (2 * h);
        expect(chain.turn(at).ratio).toBeCloseTo(byHalving, 4);
        // And so far as it has turned: the speed added up.
        let sum = 0;
        const parts = 400;
        for (let i = 0; i < parts; i++)
          sum += (chain.turn(((i + 0.5) * at) / parts).ratio * at) / parts;
        expect(Math.abs(chain.turn(at).pinion - sum)).toBeLessThan(0.02);
      },
    ),
    { numRuns: 60 },
  );
});

it('cancels two equal joints, in one plane and, clocked by the angle between them, out of it', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 2, max: 40, noNaN: true }),
      fc.double({ min: -170, max: 170, noNaN: true }),
      fc.double({ min: 0, max: 180, noNaN: true }),
      (beta, twist, start) => {
        // The shaft between stands upright; the others lean away from it, one turned about it against the other.
        const above = bent(beta, 0);
        const below = bent(beta, 180 + twist);
        const line = along([above, [0, 0, 1], below], { start });
        expect(chainOf({ ...line, clocks: [twist] }).ripple().ripple).toBeLessThan(1e-9);
        const wrong = chainOf({ ...line, clocks: [twist + 90] }).ripple().ripple;
        expect(wrong).toBeGreaterThan(1 / Math.cos(beta * RAD) - Math.cos(beta * RAD));
        // A double joint is two of them, in line.
        const double = along([above, below], { start, kinds: ['double'] });
        expect(chainOf(double).ripple().ripple).toBeLessThan(1e-9);
      },
    ),
    { numRuns: 40 },
  );
});

it('finds the clocking that trying every degree finds, of three joints and of four', () => {
  for (const joints of [2, 3])
    fc.assert(
      fc.property(anyLine(joints), (line) => {
        const { found, before } = findClocking(line)!;
        let least = Infinity;
        const step = joints === 2 ? 2 : 9;
        for (let a = 0; a < 180; a += step)
          for (let b = 0; b < (joints === 2 ? 1 : 180); b += step) {
            const clocks = joints === 2 ? [a] : [a, b];
            least = Math.min(least, chainOf({ ...line, clocks }).spread(45));
          }
        expect(found[0].ripple.ripple).toBeLessThan(least + 1e-4);
        expect(found[0].ripple.ripple).toBeLessThan(before.ripple.ripple + 1e-4);
        // What is told is what the chain so clocked does.
        const { clocks, ripple } = found[0];
        expect(chainOf({ ...line, clocks }).ripple()).toEqual(ripple);
      }),
      { numRuns: 4 },
    );
  fc.assert(
    fc.property(
      anyLine(4),
      fc.array(fc.double({ min: 0, max: 180, noNaN: true }), { minLength: 300, maxLength: 300 }),
      (line, off) => {
        const { found } = findClocking(line)!;
        let least = Infinity;
        for (let i = 0; i < off.length; i += 3)
          least = Math.min(least, chainOf({ ...line, clocks: off.slice(i, i + 3) }).spread(45));
        expect(found[0].ripple.ripple).toBeLessThan(least + 1e-3);
      },
    ),
    { numRuns: 2 },
  );
}, 120_000);

it('refuses what does not turn, at its joint', () => {
  const square = prepareColumn(along([[0, 0, 1], bent(20, 0), [-1, 0, 0]]));
  expect(square).toMatchObject({ ok: false, fault: { joint: 1 } });
  const gone = along([[0, 0, 1], bent(20, 0)]);
  expect(
    prepareColumn({ ...gone, places: [gone.places[0], gone.places[1], gone.places[1]] }),
  ).toMatchObject({
    ok: false,
    fault: { joint: 0, message: expect.stringContaining('no shaft') },
  });
  expect(findClocking(along([[0, 0, 1], bent(20, 0)]))).toBeNull();
  expect(inTeeth(37, 36)).toEqual({ teeth: 4, left: -3 });
});
