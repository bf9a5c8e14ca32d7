import fc from 'fast-check';
import { Box3, Line3, Vector3 } from 'three';
import { add, cross, distance, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { betweenLines, leastAlong, leastToConvex, toBox, toCylinder } from './shapes';
import { leastRound, toRing } from './ring';
import type { Ring } from './ring';
import { seeded } from '../../test/leastRange';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const place = fc.tuple(
  number(-300, 300),
  number(-300, 300),
  number(-300, 300),
) as fc.Arbitrary<Vec>;
const three = ([x, y, z]: Vec) => new Vector3(x, y, z);
const along = (a: Vec, b: Vec, s: number): Vec => add(a, scale(sub(b, a), s));

/** The least over many places along a line: never less than the truth, and near it. */
const sampled = (a: Vec, b: Vec, f: (p: Vec) => number, count = 600) =>
  Math.min(...Array.from({ length: count + 1 }, (_, i) => f(along(a, b, i / count))));

const ring: Ring = {
  centre: [0, 0, 0],
  axis: unit([0.05, 1, -0.03]),
  inner: 180,
  outer: 300,
  width: 190,
};

describe('distances', () => {
  it('to a box agree with a general-purpose geometry library (three)', () => {
    const size = fc.tuple(number(1, 300), number(1, 300), number(1, 300)) as fc.Arbitrary<Vec>;
    fc.assert(
      fc.property(place, place, size, (p, centre, extent) => {
        const box = new Box3().setFromCenterAndSize(three(centre), three(extent));
        expect(Math.max(0, toBox(p, centre, extent))).toBeCloseTo(box.distanceToPoint(three(p)), 9);
      }),
    );
  });

  it('inside a box are the depth under its nearest side, and never change faster than the way gone', () => {
    expect(toBox([10, 3, -4], [0, 0, 0], [40, 20, 100])).toBe(-7);
    const size = fc.tuple(number(1, 300), number(1, 300), number(1, 300)) as fc.Arbitrary<Vec>;
    fc.assert(
      fc.property(place, place, place, size, (p, q, centre, extent) => {
        const change = Math.abs(toBox(p, centre, extent) - toBox(q, centre, extent));
        expect(change).toBeLessThanOrEqual(distance(p, q) + 1e-9);
      }),
    );
  });

  it('between two tubes agree with the library’s nearest points and with sampling', () => {
    fc.assert(
      fc.property(place, place, place, place, (p1, q1, p2, q2) => {
        fc.pre(distance(p1, q1) > 5 && distance(p2, q2) > 5);
        const found = betweenLines(p1, q1, p2, q2);
        const other = new Line3(three(p2), three(q2));
        const to = (p: Vec) => {
          const nearest = other.closestPointToPoint(three(p), true, new Vector3());
          return nearest.distanceTo(three(p));
        };
        const least = sampled(p1, q1, to);
        // Nearly parallel tubes may be off by 0.02 mm.
        expect(found.distance).toBeLessThanOrEqual(least + 0.02);
        expect(found.distance).toBeGreaterThan(least - distance(p1, q1) / 1200);
      }),
    );
  });

  it('between parallel and touching tubes are what geometry says', () => {
    expect(betweenLines([0, 0, 0], [100, 0, 0], [20, 30, 40], [90, 30, 40]).distance).toBeCloseTo(
      50,
      9,
    );
    expect(betweenLines([0, 0, 0], [100, 0, 0], [130, 0, 40], [230, 0, 40]).distance).toBeCloseTo(
      50,
      9,
    );
    expect(betweenLines([0, 0, 0], [100, 0, 0], [50, -10, 0], [50, 10, 0]).distance).toBeCloseTo(
      0,
      9,
    );
  });

  it('to a cylinder are those of its side, its ends and its edges', () => {
    const [from, to] = [
      [0, 0, 0],
      [0, 0, 100],
    ] as [Vec, Vec];
    expect(toCylinder([50, 0, 50], from, to, 20)).toBeCloseTo(30, 9);
    expect(toCylinder([0, 10, 130], from, to, 20)).toBeCloseTo(30, 9);
    expect(toCylinder([50, 0, 140], from, to, 20)).toBeCloseTo(50, 9);
    expect(toCylinder([5, 0, 50], from, to, 20)).toBe(-15);
    expect(toCylinder([5, 0, 97], from, to, 20)).toBe(-3);
  });

  it('to a ring count its hole too', () => {
    const ring = {
      centre: [0, 0, 0] as Vec,
      axis: [0, 1, 0] as Vec,
      inner: 150,
      outer: 290,
      width: 180,
    };
    expect(toRing([0, 0, 0], ring)).toBeCloseTo(150, 9);
    expect(toRing([0, 0, 140], ring)).toBeCloseTo(10, 9);
    expect(toRing([0, 120, 200], ring)).toBeCloseTo(30, 9);
    expect(toRing([0, 0, 200], ring)).toBe(-50);
    expect(toRing([0, 80, 200], ring)).toBe(-10);
    expect(toRing([293, 94, 0], ring)).toBeCloseTo(5, 9);
  });

  it('along a tube are within their bound of the truth for every body', () => {
    fc.assert(
      fc.property(
        place,
        place,
        place,
        place,
        number(5, 120),
        fc.nat(2),
        (a, b, c, d, radius, kind) => {
          fc.pre(distance(c, d) > 5);
          const ring = {
            centre: c,
            axis: unit(sub(d, c)),
            inner: radius,
            outer: radius + 60,
            width: 80,
          };
          const f = [
            (p: Vec) => toBox(p, c, [radius, 2 * radius, 60]),
            (p: Vec) => toCylinder(p, c, d, radius),
            (p: Vec) => toRing(p, ring),
          ][kind];
          const found = leastAlong(a, b, f, 0.05)!;
          expect(leastAlong(a, b, f, 0.05, found.distance - 0.1)).toBeNull();
          const least = sampled(a, b, f);
          expect(found.distance).toBeLessThanOrEqual(least + 0.05 + 1e-9);
          expect(found.distance).toBeGreaterThanOrEqual(least - distance(a, b) / 1200 - 1e-9);
          expect(f(found.at)).toBeCloseTo(found.distance, 9);
          if (kind < 2)
            expect(Math.abs(leastToConvex(a, b, f).distance - found.distance)).toBeLessThan(0.06);
        },
      ),
    );
  });

  it('round a tyre are within their bound of what many places on it say', () => {
    const heading = unit([ring.axis[1], -ring.axis[0], 0]);
    const up = cross(heading, ring.axis);
    fc.assert(
      fc.property(place, place, number(5, 80), (a, b, radius) => {
        fc.pre(distance(a, b) > 5);
        const to = (p: Vec) => toCylinder(p, add(a, [0, -400, 0]), add(b, [0, -400, 0]), radius);
        const shift: Vec = [0, -400, 0];
        const box = boxAround(add(a, shift), add(b, shift), radius);
        const found = leastRound(ring, to, box)!;
        let least = Infinity;
        for (let i = 0; i < 180; i++) {
          const angle = (i * Math.PI) / 90;
          const way = add(scale(heading, Math.cos(angle)), scale(up, Math.sin(angle)));
          const at = (r: number, w: number) => add(scale(way, r), scale(ring.axis, w));
          for (let k = 0; k <= 10; k++)
            least = Math.min(least, to(at(300, (k - 5) * 19)), to(at(180 + 12 * k, -95)));
        }
        expect(found.distance).toBeLessThanOrEqual(least + 0.5);
        fc.pre(found.distance >= 0);
        // Between the places looked at lie 10 mm round and 19 mm across.
        expect(found.distance).toBeGreaterThanOrEqual(least - 11);
        expect(to(found.at)).toBeCloseTo(found.distance, 9);
        expect(leastRound(ring, to, box, found.distance - 4.5)).toBeNull();
      }),
      { numRuns: 25 },
    );
  });

  it('between a tyre and boxes in it, through it, in the rim and beside it: by sampling both, never clear where they meet', () => {
    const random = seeded(3);
    const between = (min: number, max: number) => min + random() * (max - min);
    let meet = 0;
    let apart = 0;
    for (let n = 0; n < 60; n++) {
      // From a bolt in the rubber to a frame rail, anywhere about the wheel.
      const size: Vec = [between(4, 80), between(4, 80), between(4, 80)];
      const middle: Vec = [between(-330, 330), between(-130, 130), between(-330, 330)];
      const to = (p: Vec) => toBox(p, middle, size);
      const box = { middle, half: scale(size, 0.5) };
      const found = leastRound(ring, to, box)!.distance;
      let near = Infinity;
      let deepest = 0;
      for (let i = 0; i < 4000; i++) {
        const p = add(middle, [
          (random() - 0.5) * size[0],
          (random() - 0.5) * size[1],
          (random() - 0.5) * size[2],
        ]);
        const inRing = toRing(p, ring);
        near = Math.min(near, inRing);
        deepest = Math.min(deepest, inRing);
      }
      if (deepest < 0) {
        meet++;
        // As deep as the deepest place found by chance, and no deeper than the ring is thick.
        expect(found).toBeLessThan(deepest + 1.5);
        expect(found).toBeGreaterThan(-60.1);
      } else if (near > 6) {
        apart++;
        expect(found).toBeGreaterThan(0);
        expect(found).toBeLessThan(near + 0.3);
        expect(found).toBeGreaterThan(near - 12);
      }
    }
    expect(meet).toBeGreaterThan(10);
    expect(apart).toBeGreaterThan(10);
  });

  it('says how deep a body lies that is wholly within the rubber, and how far one is from the rim’s inside', () => {
    const upright: Ring = {
      centre: [0, 0, 0],
      axis: [0, 1, 0],
      inner: 180,
      outer: 300,
      width: 190,
    };
    const at = (middle: Vec, size: Vec) =>
      leastRound(upright, (p) => toBox(p, middle, size), { middle, half: scale(size, 0.5) })!
        .distance;
    // A 10 mm cube in the middle of the section, 60 mm under the tread: its far side is deepest.
    expect(at([240, 0, 0], [10, 10, 10])).toBeCloseTo(-60, 0);
    // A plate that stands 60 mm into the tread edge-on.
    expect(at([300, 0, 0], [120, 3, 40])).toBeCloseTo(-60, 0);
    // A box in the rim: 180 less its corner's radius.
    expect(at([100, 0, 0], [40, 40, 40])).toBeCloseTo(180 - Math.hypot(120, 20), 0);
  });
});

/** The box along the axes round a cylinder. */
const boxAround = (a: Vec, b: Vec, radius: number) => ({
  middle: scale(add(a, b), 0.5),
  half: [0, 1, 2].map((i) => Math.abs(a[i] - b[i]) / 2 + radius) as unknown as Vec,
});
