import fc from 'fast-check';
import { Line3, Quaternion, Vector3 } from 'three';
import { cross, dot, footOnLine, length, rotate, scale, sub, turnBetween, unit } from './vec';
import type { Vec } from './vec';

const number = fc.double({ min: -500, max: 500, noNaN: true });
const vector = fc.tuple(number, number, number) as fc.Arbitrary<Vec>;
const direction = vector.filter((v) => length(v) > 1).map(unit);
const three = ([x, y, z]: Vec) => new Vector3(x, y, z);
const near = (a: Vec, b: Vec, digits = 8) =>
  a.forEach((value, i) => expect(value).toBeCloseTo(b[i], digits));

describe('a turn', () => {
  it('agrees with the quaternion of a general-purpose geometry library (three)', () => {
    const angle = fc.double({ min: -6, max: 6, noNaN: true });
    fc.assert(
      fc.property(vector, direction, angle, (v, axis, by) => {
        const turned = three(v).applyQuaternion(new Quaternion().setFromAxisAngle(three(axis), by));
        near(rotate(v, scale(axis, by)), turned.toArray() as unknown as Vec);
      }),
    );
  });

  it('leaves lengths and angles between things as they are', () => {
    fc.assert(
      fc.property(vector, vector, direction, (a, b, r) => {
        expect(length(rotate(a, r))).toBeCloseTo(length(a), 8);
        expect(dot(rotate(a, r), rotate(b, r))).toBeCloseTo(dot(a, b), 4);
      }),
    );
    near(rotate([1, 2, 3], [0, 0, 0]), [1, 2, 3]);
  });

  it('is found between any two directions but opposite ones, the shortest way', () => {
    fc.assert(
      fc.property(direction, direction, (from, to) => {
        fc.pre(dot(from, to) > -0.999);
        const turn = turnBetween(from, to)!;
        near(rotate(from, turn), to);
        expect(length(turn)).toBeCloseTo(Math.acos(Math.min(1, dot(from, to))), 5);
      }),
    );
    expect(turnBetween([0, 0, 1], [0, 0, 1])).toEqual([0, 0, 0]);
    expect(turnBetween([0, 0, 1], [0, 0, -1])).toBeNull();
  });
});

it('drops a perpendicular where the library does', () => {
  fc.assert(
    fc.property(vector, vector, direction, (p, origin, axis) => {
      const line = new Line3(three(origin), three(origin).add(three(axis)));
      const foot = line.closestPointToPoint(three(p), false, new Vector3());
      near(footOnLine(p, origin, axis), foot.toArray() as unknown as Vec, 6);
      expect(dot(sub(p, footOnLine(p, origin, axis)), axis)).toBeCloseTo(0, 7);
    }),
  );
});

it('has a cross product square to both, by the right-hand rule', () => {
  expect(cross([1, 0, 0], [0, 1, 0])).toEqual([0, 0, 1]);
  fc.assert(
    fc.property(direction, direction, (a, b) => {
      expect(dot(cross(a, b), a)).toBeCloseTo(0, 12);
      expect(dot(cross(a, b), b)).toBeCloseTo(0, 12);
    }),
  );
});
