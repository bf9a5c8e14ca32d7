import fc from 'fast-check';
import { prepareColumn } from './chain';
import type { ColumnChain, ColumnLine } from './chain';
import { findClocking } from './clocking';

const RAD = Math.PI / 180;
/** Cardan's equation from where the upper pin is square to the joint's plane (Machinery's Handbook, from memory). */
const cardan = (degrees: number, bend: number): number => {
  const a = degrees * RAD;
  const own = Math.atan2(Math.sin(a) * Math.cos(bend * RAD), Math.cos(a)) / RAD;
  return own + 360 * Math.round((degrees - own) / 360);
};
const chainOf = (line: ColumnLine): ColumnChain => {
  const ready = prepareColumn(line);
  if (!ready.ok) throw new Error(ready.fault.message);
  return ready.chain;
};
const bent = (degrees: number): readonly [number, number, number] => [
  Math.sin(degrees * RAD),
  0,
  -Math.cos(degrees * RAD),
];

/** Down to a joint, on to a chain box whose output lies beside, down again to a joint. All in one plane. */
function boxed(first: number, second: number, ratio: number, clock: number): ColumnLine {
  const [a, b] = [bent(first), bent(first + second)];
  const joint = [0, 0, -100] as const;
  const input = joint.map((x, i) => x + 80 * a[i]) as unknown as readonly [number, number, number];
  const out = [input[0], 120, input[2]] as const;
  const lower = out.map((x, i) => x + 90 * a[i]) as unknown as readonly [number, number, number];
  const end = lower.map((x, i) => x + 70 * b[i]) as unknown as readonly [number, number, number];
  return {
    places: [[0, 0, 0], joint, input, lower, end],
    kinds: ['single', 'box', 'single'],
    boxes: [null, { out, ratio }, null],
    clocks: [0, clock],
    start: 0,
  };
}

it('turns through a box as Cardan’s equation and the box’s ratio make it, however many turns', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 3, max: 65, noNaN: true }),
      fc.double({ min: 3, max: 40, noNaN: true }),
      // However much a box makes of the lead of the joint above it.
      fc.constantFrom(1, -1, 1.5, -0.6, 2.37, 9.3),
      fc.double({ min: -1500, max: 1500, noNaN: true }),
      (first, second, ratio, at) => {
        const chain = chainOf(boxed(first, second, ratio, 0));
        // Below the box the yoke stands as the joint's plane has it straight ahead: nought again.
        const below = ratio * cardan(at, first);
        expect(chain.turn(at).pinion).toBeCloseTo(cardan(below, second), 6);
        expect(chain.turns).toBe(ratio);
        const h = 1e-5;
        const slope = (chain.turn(at + h).pinion - chain.turn(at - h).pinion) / (2 * h);
        expect(chain.turn(at).ratio).toBeCloseTo(slope, 5);
      },
    ),
    { numRuns: 400 },
  );
});

it('adds up what a box that is not one to one keeps apart, over more than half a turn', () => {
  const [first, second] = [20, 20];
  const chain = chainOf(boxed(first, second, 1.5, 0));
  const { ripple, most, least } = chain.ripple(720, 360);
  const c = Math.cos(20 * RAD);
  expect(most).toBeLessThanOrEqual(1 / c ** 2 + 1e-9);
  expect(least).toBeGreaterThanOrEqual(c ** 2 - 1e-9);
  // By trying finely.
  let [high, low] = [0, 9];
  for (let at = -720; at <= 720; at += 0.25) {
    const ratio = chain.turn(at).ratio / 1.5;
    high = Math.max(high, ratio);
    low = Math.min(low, ratio);
  }
  expect(ripple).toBeCloseTo(high - low, 4);
  expect(chain.period).toBeNull();
});

it('clocks two equal joints against each other through bevels of one to one, and not through a quickener', () => {
  for (const ratio of [1, -1]) {
    const line = boxed(24, 24, ratio, 30);
    expect(chainOf(line).clockable).toEqual([1]);
    const found = findClocking(line)!;
    expect(found.found[0].ripple.ripple).toBeLessThan(1e-4);
    expect(found.before.ripple.ripple).toBeGreaterThan(0.05);
    // The shaft above the box is left as it is.
    expect(found.found[0].clocks[0]).toBe(0);
  }
  expect(chainOf(boxed(24, 24, 1.5, 0)).clockable).toEqual([]);
  expect(findClocking(boxed(24, 24, 1.5, 0))).toBeNull();
});
