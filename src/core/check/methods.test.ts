import fc from 'fast-check';
import { Plane, Ray, Vector3 } from 'three';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { anyLayout, prepared } from '../../test/layouts';
import type { CheckSetup } from '../model/checks';
import { usualSetup } from './evidence';
import { METHOD_TABLE, casterBySweep } from './methods';
import type { Seen } from './methods';
import { camberAt, leanedBy, placeOf, toeAt, toedBy } from './places';
import type { Place } from './places';

const setup: CheckSetup = {
  ...usualSetup({ tyre: { radius: 290, width: 195 } }),
  ...{ face: 90, span: 560, wall: 4000, wall2: 1500, spotUp: 350, dialSpan: 310, dialsUp: -25 },
};

const v = ([x, y, z]: readonly number[]) => new Vector3(x, y, z);

/** A wheel of a random layout somewhere in its travel, steered a little. */
const anySeen = fc
  .tuple(
    anyLayout,
    fc.double({ min: -25, max: 25, noNaN: true }),
    fc.double({ min: -8, max: 8, noNaN: true }),
  )
  .map(([design, travel, rack]): Seen | null => {
    const { left, right } = prepared(design);
    const u = new Float64Array(UPRIGHT_SIZE);
    const at = (side: typeof left, to: number, input: number): Place | null =>
      side.corner.pose(to, input, u) ? placeOf(u) : null;
    const [own, other, home] = [at(left, travel, rack), at(right, travel / 2, 0), at(left, 0, 0)];
    return own && other && home && { own, other, home: home.centre, floor: 0, turned: null };
  })
  .filter((seen) => seen !== null);

const reads = (method: keyof typeof METHOD_TABLE, component: number, seen: Seen, of = setup) =>
  METHOD_TABLE[method].components[component].model(seen, of);

/** A mark on what turns with the wheel, put together as vectors of a general library. */
function mark({ centre, spindle }: Place, ahead: number): Vector3 {
  const out = v(spindle);
  const level = new Vector3(0, 0, 1).cross(out).normalize().negate();
  return v(centre).addScaledVector(out, setup.face).addScaledVector(level, ahead);
}

describe('readings of a solved wheel', () => {
  it('tapes from mark to mark across the car', () => {
    fc.assert(
      fc.property(anySeen, (seen) => {
        const mirrored = (p: Vector3) => new Vector3(p.x, -p.y, p.z);
        const apart = (ahead: number) =>
          mark(seen.own, ahead).distanceTo(mirrored(mark(seen.other, ahead)));
        expect(reads('tape', 0, seen)).toBeCloseTo(apart(-280) - apart(280), 8);
      }),
      { numRuns: 60 },
    );
  });

  it('agree with the tape’s formula where both wheels stand alike', () => {
    // Total toe = 2 asin((rear − front) / (2 span)), common practice.
    fc.assert(
      fc.property(anySeen, ({ own, home }) => {
        const seen: Seen = { own, other: own, home, floor: 0, turned: null };
        const difference = reads('tape', 0, seen);
        const total = (2 * Math.asin(difference / (2 * setup.span)) * 180) / Math.PI;
        expect(total).toBeCloseTo(2 * toeAt(own), 8);
      }),
      { numRuns: 40 },
    );
  });

  it('throws a spot on a wall where a ray meets a plane', () => {
    fc.assert(
      fc.property(anySeen, fc.constantFrom(4000, -3500, 1500), (seen, wall) => {
        const { own, home } = seen;
        const [out, ahead] = [v(own.spindle), v(own.heading)];
        const up = new Vector3().crossVectors(ahead, out);
        const direction = ahead
          .clone()
          .multiplyScalar(wall)
          .addScaledVector(up, setup.spotUp)
          .normalize();
        const from = v(own.centre).addScaledVector(out, setup.face);
        const plane = new Plane(new Vector3(1, 0, 0), -(home[0] + wall));
        const spot = new Ray(from, direction).intersectPlane(plane, new Vector3())!;
        expect(reads('wall', 0, seen, { ...setup, wall })).toBeCloseTo(-spot.y, 6);
      }),
      { numRuns: 60 },
    );
  });

  it('tells toe by two walls, whatever the wheel does sideways', () => {
    fc.assert(
      fc.property(anySeen, fc.double({ min: -9, max: 9, noNaN: true }), (seen, by) => {
        const flat = { ...setup, spotUp: 0, wall: 4000, wall2: 1500 };
        const { own } = seen;
        const [x, y, z] = own.centre;
        const aside = { ...seen, own: { ...own, centre: [x, y + by, z] as const } };
        expect(reads('walls', 0, aside, flat)).toBeCloseTo(reads('walls', 0, seen, flat), 8);
        expect(reads('walls', 1, aside, flat)).toBeCloseTo(reads('walls', 1, seen, flat) - by, 8);
        const spots = [flat.wall, flat.wall2].map((wall) =>
          reads('wall', 0, seen, { ...flat, wall }),
        );
        expect(reads('walls', 0, seen, flat)).toBeCloseTo(spots[0] - spots[1], 8);
      }),
      { numRuns: 40 },
    );
  });

  it('puts gauges on a plate where a line meets a plane', () => {
    fc.assert(
      fc.property(anySeen, (seen) => {
        const { own, home } = seen;
        const plane = new Plane().setFromNormalAndCoplanarPoint(
          v(own.spindle),
          v(own.centre).addScaledVector(v(own.spindle), setup.face),
        );
        const at = (ahead: number) => {
          const from = new Vector3(home[0] + ahead, -5000, home[2] - 25);
          return new Ray(from, new Vector3(0, 1, 0)).intersectPlane(plane, new Vector3())!.y;
        };
        const [front, rear] = [-at(155), -at(-155)];
        expect(reads('dials', 0, seen)).toBeCloseTo(front - rear, 8);
        expect(reads('dials', 1, seen)).toBeCloseTo((front + rear) / 2, 8);
        // atan((front − rear) / span), common practice.
        expect((Math.atan((front - rear) / 310) * 180) / Math.PI).toBeCloseTo(toeAt(own), 8);
        expect(reads('dials', 0, seen, { ...setup, dialsWay: -1 })).toBeCloseTo(rear - front, 8);
      }),
      { numRuns: 60 },
    );
  });

  it('measures from a string to both marks', () => {
    fc.assert(
      fc.property(anySeen, (seen) => {
        const [front, rear] = [-mark(seen.own, 280).y, -mark(seen.own, -280).y];
        expect(reads('strings', 0, seen)).toBeCloseTo(front - rear, 8);
        expect(reads('strings', 1, seen)).toBeCloseTo((front + rear) / 2, 8);
      }),
      { numRuns: 40 },
    );
  });

  it('turns and leans a wheel by as much as it is told', () => {
    fc.assert(
      fc.property(anySeen, fc.double({ min: -10, max: 10, noNaN: true }), ({ own }, by) => {
        expect(toeAt(toedBy(own, by))).toBeCloseTo(toeAt(own) + by, 8);
        expect(camberAt(toedBy(own, by))).toBeCloseTo(camberAt(own), 8);
        expect(camberAt(leanedBy(own, by))).toBeCloseTo(camberAt(own) + by, 8);
        expect(toeAt(leanedBy(own, by))).toBeCloseTo(toeAt(own), 8);
      }),
      { numRuns: 40 },
    );
  });

  it('takes 5 mm of track for 0.07° of toe at 4 m', () => {
    const own: Place = { centre: [0, 700, 300], spindle: [0, 1, 0], heading: [1, 0, 0] };
    const flat = { ...setup, spotUp: 0 };
    const seen: Seen = { own, other: own, home: own.centre, floor: 0, turned: null };
    const wide: Seen = { ...seen, own: { ...own, centre: [0, 705, 300] } };
    const moved = reads('wall', 0, wide, flat) - reads('wall', 0, seen, flat);
    expect(moved).toBeCloseTo(-5, 9);
    const asToe = (by: number) => reads('wall', 0, { ...seen, own: toedBy(own, by) }, flat);
    expect(asToe(-0.0716) - asToe(0)).toBeCloseTo(-5, 2);
  });

  it('tells caster by the sweep: the formula for a kingpin that is leant back alone', () => {
    // An upright axis leant back by c, turned by s: camber ± asin(sin c · sin s) (Rodrigues).
    const [c, s] = [(6 * Math.PI) / 180, (20 * Math.PI) / 180];
    const camber = (Math.asin(Math.sin(c) * Math.sin(s)) * 180) / Math.PI;
    expect(casterBySweep(camber, -camber, 20)).toBeCloseTo(6, 1);
  });
});
