import fc from 'fast-check';
import { anyAxle, wheelOn } from '../../test/shop';
import { Wheel } from '../kinematics/wheel';
import { add, cross, distance, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { toVec } from '../model/points';
import { blankBuild } from '../model/starts';
import { Assembly } from '../tolerance/assembly';
import { offsetCount, offsetOf } from '../tolerance/joints';
import { cutOf } from './cut';
import { boardOf, fromPlane, jigOf, planeOf } from './jig';
import { jigDrawing } from './jigSheet';
import { axisAt, shopParts } from './parts';
import { uprightBoard } from './boardSheets';

const every = { numRuns: 20 };

describe('jigs', () => {
  it('give the joints back from their hole table alone', () => {
    fc.assert(
      fc.property(anyAxle('double-wishbone'), (design) => {
        const wheel = wheelOn(design);
        for (const part of shopParts(wheel).filter(({ as }) => as === 'arm')) {
          const { pins, between } = jigOf(wheel, part, 0.5);
          // Drawn anew from figures as they are printed.
          const drawn = pins.map(({ joint, x, y, height }) => ({
            joint,
            at: [x, y, height].map((mm) => Number(mm.toFixed(2))) as unknown as Vec,
          }));
          for (const a of drawn)
            for (const b of drawn) {
              const real = distance(toVec(wheel.points[a.joint]), toVec(wheel.points[b.joint]));
              expect(Math.abs(distance(a.at, b.at) - real)).toBeLessThan(0.05);
            }
          for (const { from, to, length } of between)
            expect(length).toBeCloseTo(
              distance(toVec(wheel.points[from]), toVec(wheel.points[to])),
              9,
            );
          for (const { x, y, rides, height } of pins) {
            expect(Math.min(x, y)).toBeGreaterThan(24.999);
            if (!rides) expect(height).toBeCloseTo(0, 6);
          }
        }
      }),
      every,
    );
  });

  it('stand the sleeve as the stud stands, and mirror for the other hand', () => {
    fc.assert(
      fc.property(anyAxle('double-wishbone'), (design) => {
        const wheel = wheelOn(design);
        const [arm] = shopParts(wheel);
        const plane = planeOf(wheel, arm);
        const { pins } = jigOf(wheel, arm, 0.5);
        const pin = pins.find(({ joint }) => joint === 'lowerOuter')!;
        const { degrees, toward, rise } = pin.lean!;
        const [lean, way] = [degrees, toward].map((one) => (one * Math.PI) / 180);
        const axis = sub(
          fromPlane(plane, [
            Math.sin(lean) * Math.cos(way),
            Math.sin(lean) * Math.sin(way),
            Math.cos(lean),
          ]),
          plane.at,
        );
        const stud = unit(
          sub(toVec(wheel.points['upperOuter']), toVec(wheel.points['lowerOuter'])),
        );
        expect(Math.abs(dot(axis, stud))).toBeCloseTo(1, 9);
        expect(rise).toBeCloseTo(100 * Math.tan(lean), 9);
        // The plane's axes are a right-handed frame on the left side, as a board is seen.
        expect(dot(cross(plane.x, plane.y), plane.up)).toBeCloseTo(1, 9);
        expect(plane.up[2]).toBeGreaterThan(0);
      }),
      every,
    );
  });

  it('say what pins that are off do: as good as any chance, as bad as the worst of them', () => {
    const wheel = wheelOn(structuredClone(blankBuild('x').front));
    const [arm] = shopParts(wheel);
    const plane = planeOf(wheel, arm);
    const { spread } = jigOf(wheel, arm, 0.5);
    // Another way: the arm stays as it is and the frame is off instead, every pin at either end of its ±.
    const assembly = new Assembly(wheel.drawn, 'rod as drawn');
    const [front, rear] = ['lowerFrontInner', 'lowerRearInner'].map((name) =>
      offsetOf(wheel.type, name),
    );
    const home = assembly.build(new Float64Array(offsetCount(wheel.type)))!.static;
    const worst = { camber: 0, toe: 0 };
    const squares = { camber: 0, toe: 0 };
    for (let i = 0; i < 64; i++) {
      const off = (k: number): number => ((i >> k) & 1 ? 0.5 : -0.5);
      const [f, r, o] = [0, 1, 2].map((k) =>
        add(scale(plane.x, off(2 * k)), scale(plane.y, off(2 * k + 1))),
      );
      const offsets = new Float64Array(offsetCount(wheel.type));
      offsets.set(sub(o, f), front);
      offsets.set(sub(o, r), rear);
      const built = assembly.build(offsets)!.static;
      for (const key of ['camber', 'toe'] as const) {
        const by = Math.abs(built[key] - home[key]);
        worst[key] = Math.max(worst[key], by);
        squares[key] += by ** 2 / 64;
      }
    }
    for (const key of ['camber', 'toe'] as const) {
      expect(spread!.worst[key] / worst[key]).toBeCloseTo(1, 1);
      expect(spread!.likely[key] / Math.sqrt(squares[key])).toBeCloseTo(1, 1);
    }
  });

  it('are turned round for a right part that is not the left one’s mirror image', () => {
    fc.assert(
      fc.property(anyAxle('double-wishbone'), (design) => {
        const own = { ...design, rightPoints: structuredClone(design.points) };
        for (const side of ['left', 'right'] as const) {
          const wheel = new Wheel('front', side, own, { bump: 50, droop: 50 });
          const [arm] = shopParts(wheel);
          const { pins } = jigOf(wheel, arm, 0.5);
          // As it stands in the car, seen from above: which way round its three joints go is as it is on the board.
          const real = arm.joints.map((name): Vec => {
            const { ahead, out, up } = wheel.points[name];
            return [ahead, side === 'left' ? out : -out, up];
          });
          const drawn = arm.joints.map((name): Vec => {
            const { x, y } = pins.find(({ joint }) => joint === name)!;
            return [x, y, 0];
          });
          const way = ([a, b, c]: Vec[]) => Math.sign(cross(sub(b, a), sub(c, a))[2]);
          expect(way(drawn)).toBe(way(real));
          // The stud leans on the board as it does in the car.
          const leans = pins.find(({ joint }) => joint === 'lowerOuter')!.lean!;
          const t = (leans.toward * Math.PI) / 180;
          const flat: Vec = [Math.cos(t), Math.sin(t), 0];
          const x = unit(sub(drawn[1], drawn[0]));
          const stud = unit(
            sub(toVec(wheel.points['upperOuter']), toVec(wheel.points['lowerOuter'])),
          );
          const pivots = unit(
            sub(toVec(wheel.points['lowerRearInner']), toVec(wheel.points['lowerFrontInner'])),
          );
          const part = dot(stud, pivots);
          expect(Math.sin((leans.degrees * Math.PI) / 180) * dot(flat, x)).toBeCloseTo(
            stud[2] < 0 ? -part : part,
            6,
          );
        }
      }),
      { numRuns: 20 },
    );
  });

  it('tell the twist between a tube’s two housings as it is seen along the tube', () => {
    fc.assert(
      fc.property(anyAxle('double-wishbone'), (design) => {
        const wheel = wheelOn(design);
        const [arm] = shopParts(wheel);
        const { member, twist } = cutOf(wheel, arm, 0);
        const along = unit(sub(toVec(wheel.points[member.to]), toVec(wheel.points[member.from])));
        const flat = (name: string): Vec => {
          const axis = axisAt(wheel, member, name)!;
          return unit(sub(axis, scale(along, dot(axis, along))));
        };
        const [a, b] = [flat(member.from), flat(member.to)];
        // Turned about the tube, clockwise as it is seen along it; lines, so within a quarter turn.
        const clockwise = (Math.atan2(dot(cross(a, b), along), dot(a, b)) * 180) / Math.PI;
        const off = (twist! + clockwise) / 180;
        expect(Math.abs(off - Math.round(off))).toBeLessThan(1e-9);
      }),
      { numRuns: 20 },
    );
  });

  it('draw what has to be kept clear no further than their board', () => {
    const wheel = wheelOn(structuredClone(blankBuild('x').front));
    const [arm] = shopParts(wheel);
    const jig = jigOf(wheel, arm, 0.5);
    const spot = fc.double({ min: -300, max: 900, noNaN: true });
    fc.assert(
      fc.property(spot, spot, spot, spot, spot, spot, (a, b, c, d, e, f) => {
        const edge = [
          [a, b],
          [c, d],
          [e, f],
        ] as [number, number][];
        const swept = [{ name: 'rod', outlines: [edge] }];
        const { marks } = jigDrawing(jig, [], () => 10, swept);
        const drawn = marks.filter(
          (mark) => mark.as === 'line' && mark.layer === 'NOTE' && mark.closed,
        );
        const spots = drawn.flatMap((mark) => (mark.as === 'line' ? mark.through : []));
        for (const [x, y] of spots) {
          expect(x).toBeGreaterThan(-1e-6);
          expect(x).toBeLessThan(jig.width + 1e-6);
          expect(y).toBeGreaterThan(-1e-6);
          expect(y).toBeLessThan(jig.height + 1e-6);
        }
        // Corners that are on the board stay.
        for (const [x, y] of edge)
          if (x > 0 && x < jig.width && y > 0 && y < jig.height)
            expect(spots.some((one) => Math.hypot(one[0] - x, one[1] - y) < 1e-6)).toBe(true);
      }),
    );
  });

  it('put an upright on its hub’s face', () => {
    fc.assert(
      fc.property(anyAxle('double-wishbone'), (design) => {
        const wheel = wheelOn(design);
        const { pins, between } = uprightBoard(wheel);
        const spots = new Map(
          pins.map(({ joint, x, y, height }) => [joint, [x, y, height] as Vec]),
        );
        for (const { from, to, length } of between)
          expect(distance(spots.get(from)!, spots.get(to)!)).toBeCloseTo(length, 9);
        // Heights are along the spindle, inboard.
        const { toe, camber } = design.static;
        const [t, c] = [toe, camber].map((d) => (d * Math.PI) / 180);
        const spindle: Vec = [Math.sin(t) * Math.cos(c), Math.cos(t) * Math.cos(c), -Math.sin(c)];
        const [a, b] = ['lowerOuter', 'tieRodOuter'];
        const along = dot(sub(toVec(wheel.points[a]), toVec(wheel.points[b])), spindle);
        expect(spots.get(b)![2] - spots.get(a)![2]).toBeCloseTo(along, 9);
      }),
      every,
    );
  });

  it('take any plane', () => {
    const wheel = wheelOn(blankBuild('x').front);
    const board = boardOf(
      wheel,
      { at: [0, 0, 0], x: [1, 0, 0], y: [0, 1, 0], up: [0, 0, 1] },
      ['lowerOuter', 'tieRodOuter'],
      [],
      () => [0, 0, 1],
    );
    expect(board.pins[0].height).toBeCloseTo(wheel.points['lowerOuter'].up, 9);
    expect(board.pins[0].lean).toMatchObject({ degrees: 0 });
  });
});
