import fc from 'fast-check';
import { aColumn, aJoint } from '../../test/columns';
import { seeded } from '../../test/leastRange';
import type { Vec } from '../geometry/vec';
import type { PlainBody } from '../model/room';
import { carBodiesOf, nearOf, roundsOf } from './clearance';
import { placesOf } from './places';

/** From a place to a body's surface, written for this test: boxes and cylinders by clamping. */
function outside(body: PlainBody, [x, y, z]: Vec): number {
  if (body.kind === 'box') {
    const d = [
      [x, body.middle.ahead, body.size.ahead],
      [y, body.middle.out, body.size.out],
      [z, body.middle.up, body.size.up],
    ].map(([p, m, s]) => Math.abs(p - m) - s / 2);
    const far = Math.hypot(...d.map((one) => Math.max(0, one)));
    return far > 0 ? far : Math.max(...d);
  }
  const a: Vec = [body.from.ahead, body.from.out, body.from.up];
  const b: Vec = [body.to.ahead, body.to.out, body.to.up];
  const ab = b.map((v, i) => v - a[i]);
  const long = Math.hypot(...ab);
  const along = ab.reduce((sum, v, i) => sum + (v * ([x, y, z][i] - a[i])) / long, 0);
  const off = [x, y, z].map((v, i) => v - a[i] - (ab[i] / long) * along);
  const side = Math.hypot(...off) - body.diameter / 2;
  const end = Math.max(-along, along - long);
  return side > 0 && end > 0 ? Math.hypot(side, end) : Math.max(side, end);
}

const anyBody = fc
  .record({
    round: fc.boolean(),
    at: fc.tuple(
      fc.integer({ min: -800, max: -100 }),
      fc.integer({ min: 100, max: 450 }),
      fc.integer({ min: 150, max: 800 }),
    ),
    by: fc.tuple(
      fc.integer({ min: -200, max: 200 }),
      fc.integer({ min: 20, max: 200 }),
      fc.integer({ min: -200, max: 200 }),
    ),
    side: fc.constantFrom('left' as const, 'right' as const, undefined),
  })
  .map(({ round, at: [ahead, out, up], by, side }): PlainBody => {
    const own = { id: 'b', name: 'body', axle: 'front' as const, ...(side && { side }) };
    return round
      ? {
          ...own,
          kind: 'cylinder',
          from: { ahead, out, up },
          to: { ahead: ahead + by[0], out: out + by[1], up: up + by[2] },
          diameter: 40,
        }
      : {
          ...own,
          kind: 'box',
          middle: { ahead, out, up },
          size: { ahead: 60, out: 50, up: 80 },
        };
  });

it('finds how near shafts and joints come to bodies, as a walk along them in small steps does', () => {
  const random = seeded(3);
  fc.assert(
    fc.property(anyBody, (body) => {
      const column = aColumn({
        joints: [aJoint(-430 + 200 * random(), 300 * random(), 500), aColumn().joints[1]],
      });
      const rounds = roundsOf(column, placesOf(column));
      const near = nearOf(rounds, carBodiesOf([body], 'front', column));
      for (const { what, to, clearance } of near) {
        const mirror = to.includes('right') || body.side === 'right' ? -1 : 1;
        let least = Infinity;
        for (const { name, from, to: end, radius } of rounds) {
          if (name !== what) continue;
          for (let i = 0; i <= 1000; i++) {
            const p = from.map((v, k) => v + (i / 1000) * (end[k] - v));
            least = Math.min(least, outside(body, [p[0], mirror * p[1], p[2]]) - radius);
          }
        }
        expect(Math.abs(clearance - least)).toBeLessThan(0.5);
      }
      // Both sides alike unless it says which.
      expect(new Set(near.map(({ to }) => to)).size).toBe(
        body.side || (body.kind === 'box' && body.middle.out <= 25) ? 1 : 2,
      );
      // What is asked for under a ceiling is the same, and nothing else.
      expect(nearOf(rounds, carBodiesOf([body], 'front', column), 40)).toEqual(
        near.filter(({ clearance }) => clearance < 40),
      );
    }),
    { numRuns: 40 },
  );
});

it('counts a motor, a box and what a joint sweeps, and the driver’s legs and pedals', () => {
  const column = aColumn({
    shafts: [{ outside: 19, assist: { along: 120, length: 140, outside: 110 } }, { outside: 19 }],
    driver: {
      moves: 'seat',
      hip: { ahead: -1300, up: 300 },
      knee: { ahead: -900, up: 420 },
      heel: { ahead: -500, up: 200 },
      toe: { ahead: -430, up: 330 },
      kneesApart: 240,
      pedals: {
        middle: { ahead: -430, left: 320, up: 450 },
        size: { ahead: 60, left: 100, up: 60 },
      },
    },
  });
  const rounds = roundsOf(column, placesOf(column));
  const motor = rounds.find(({ name }) => name === 'motor on shaft 1')!;
  expect(motor.radius).toBe(55);
  expect(Math.hypot(...motor.from.map((v, i) => v - motor.to[i])) + 110).toBeCloseTo(140, 9);
  const bodies = carBodiesOf([], 'front', column).map(({ name }) => name);
  expect(bodies).toEqual(
    ['thigh', 'shin', 'foot']
      .flatMap((part) => [`left ${part}`, `right ${part}`])
      .concat('pedal box'),
  );
  const near = nearOf(rounds, carBodiesOf([], 'front', column));
  expect(near[0].to).toBe('pedal box');
  expect(near[0].clearance).toBeLessThan(0);
});
