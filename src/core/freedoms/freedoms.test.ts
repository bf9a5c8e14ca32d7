import fc from 'fast-check';
import { USUAL_STOCK, effortOf, limitsOf, openedOf, placesOf, snap, washersFor } from './freedoms';
import { doubleWishbone } from '../corners/doubleWishbone';
import { freedomSchema, freedomsSchemaOf } from '../model/freedoms';
import type { Freedom } from '../model/freedoms';

const shims: Freedom = { kind: 'shims', base: 200, stock: [0.5, 1.6, 6.35], most: 3, way: 1 };

describe('freedoms', () => {
  it('know their places', () => {
    expect(placesOf({ kind: 'fixed' }, 12)).toEqual([12]);
    expect(placesOf({ kind: 'choices', at: [50, 0, 25, 25] }, 3)).toEqual([0, 25, 50]);
    expect(placesOf({ kind: 'range', min: 0, max: 5, step: 1 }, 0)).toBeNull();
    const heights = placesOf(shims, 200)!;
    expect(heights[0]).toBe(200);
    expect(heights[heights.length - 1]).toBeCloseTo(200 + 3 * 6.35, 9);
    expect(heights).toContain(200 + 0.5 + 1.6);
  });

  it('say which washers make a place', () => {
    expect(washersFor(shims as Extract<Freedom, { kind: 'shims' }>, 203.2)).toEqual([1.6, 1.6]);
    expect(washersFor(shims as Extract<Freedom, { kind: 'shims' }>, 201.1)).toBeNull();
  });

  it('snap to a place they have, and to the nearest', () => {
    const any: fc.Arbitrary<Freedom> = fc.oneof(
      fc.record({
        kind: fc.constant('range' as const),
        min: fc.integer({ min: 0, max: 50 }),
        max: fc.integer({ min: 51, max: 200 }),
        step: fc.constantFrom(0, 1, 2.5, 7),
      }),
      fc.record({
        kind: fc.constant('choices' as const),
        at: fc.array(fc.integer({ min: 0, max: 200 }), { minLength: 1, maxLength: 6 }),
      }),
      fc.record({
        kind: fc.constant('thread' as const),
        min: fc.constant(90),
        max: fc.constant(110),
        pitch: fc.constantFrom(1, 1.25, 1.5),
      }),
      fc.record({
        kind: fc.constantFrom('plate' as const, 'rackWidth' as const),
        min: fc.integer({ min: 0, max: 50 }),
        max: fc.integer({ min: 51, max: 200 }),
      }),
      fc.record({
        kind: fc.constantFrom('eccentric' as const),
        base: fc.integer({ min: 0, max: 200 }),
        throw: fc.integer({ min: 1, max: 20 }),
      }),
      fc.record({
        kind: fc.constantFrom('flip' as const),
        base: fc.integer({ min: 0, max: 200 }),
        offset: fc.integer({ min: 1, max: 20 }),
      }),
      fc.record({
        kind: fc.constant('shims' as const),
        base: fc.integer({ min: 0, max: 200 }),
        stock: fc.constant(USUAL_STOCK),
        most: fc.integer({ min: 1, max: 3 }),
        way: fc.constantFrom(1 as const, -1 as const),
      }),
    );
    fc.assert(
      fc.property(any, fc.double({ min: -50, max: 250, noNaN: true }), (freedom, wanted) => {
        expect(freedomSchema.safeParse(freedom).success).toBe(true);
        const at = snap(freedom, wanted, 100);
        const [min, max] = limitsOf(freedom, 100);
        expect(at).toBeGreaterThanOrEqual(min - 1e-9);
        expect(at).toBeLessThanOrEqual(max + 1e-9);
        expect(snap(freedom, at, 100)).toBeCloseTo(at, 9);
        const places = placesOf(freedom, 100);
        if (places)
          expect(Math.abs(at - wanted)).toBeCloseTo(
            Math.min(...places.map((place) => Math.abs(place - wanted))),
            9,
          );
      }),
    );
    expect(snap(undefined, 7.3, 0)).toBe(7.3);
    expect(snap({ kind: 'fixed' }, 7.3, 4)).toBe(4);
  });

  it('rank a washer before a thread, a hole, a bracket, a plate, another rack’s width and a new part', () => {
    const efforts = [
      effortOf(shims, 200, 201.6),
      effortOf({ kind: 'thread', min: 190, max: 210, pitch: 1 }, 200, 201.5),
      effortOf({ kind: 'choices', at: [200, 201] }, 200, 201),
      effortOf({ kind: 'range', min: 190, max: 210, step: 0 }, 200, 201.5),
      effortOf({ kind: 'plate', min: 60, max: 210 }, 200, 201.5),
      effortOf({ kind: 'rackWidth', min: 150, max: 210 }, 200, 201.5),
      effortOf(undefined, 200, 201.5),
    ];
    expect([...efforts].sort((a, b) => a - b)).toEqual(efforts);
    expect(effortOf(shims, 200, 200)).toBe(0);
    expect(effortOf(shims, 200, 203.2)).toBeGreaterThan(effortOf(shims, 200, 201.6));
  });

  it('are read from files, and refused in words', () => {
    const why = (freedom: unknown) => freedomSchema.safeParse(freedom).error?.issues[0].message;
    expect(why({ kind: 'range', min: 5, max: 1, step: 0 })).toMatch(/runs backwards/);
    expect(why({ kind: 'choices', at: [] })).toMatch(/give at least one place/);
    expect(why({ ...shims, stock: [] })).toMatch(/give at least one washer/);
    const freedoms = freedomsSchemaOf(doubleWishbone).parse({
      upperOuter: { up: shims, out: { kind: 'fixed' } },
      lowerFrontInner: { up: { kind: 'choices', at: [1, 2] } },
    });
    expect(
      openedOf({ kind: 'double-wishbone', freedoms }).map(
        ({ point, coordinate }) => `${point}.${coordinate}`,
      ),
    ).toEqual(['lowerFrontInner.up', 'upperOuter.up']);
    expect(openedOf({ kind: 'double-wishbone' })).toEqual([]);
  });
});
