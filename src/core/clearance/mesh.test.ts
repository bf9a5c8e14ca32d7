import fc from 'fast-check';
import { BoxGeometry } from 'three';
import type { BufferGeometry } from 'three';
import { add, length, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { wheelOf } from '../kinematics/wheel';
import { packed, surfaceOf } from '../model/mesh';
import type { Surface } from '../model/mesh';
import { keepOutSchema } from '../model/room';
import type { KeepOut, MeshBody } from '../model/room';
import { blankBuild } from '../model/starts';
import './mesh';
import { toRing } from './ring';
import { clearancesOf } from './room';
import { solidOf } from './solid';

const number = fc.double({ min: -1, max: 1, noNaN: true });
const vec = (size: number): fc.Arbitrary<Vec> =>
  fc.tuple(number, number, number).map(([x, y, z]): Vec => [x * size, y * size, z * size]);

const surface = (geometry: BufferGeometry): Surface => ({
  places: Float32Array.from(geometry.getAttribute('position').array),
  triangles: Uint16Array.from(geometry.getIndex()!.array),
});
const bodyOf = (of: Surface, change: Partial<MeshBody> = {}): MeshBody => ({
  ...{ kind: 'mesh', id: 'm', name: 'scan', axle: 'front', exact: 0, file: 'x.stl' },
  ...{ places: packed(of.places), triangles: packed(of.triangles) },
  ...change,
});
describe('a surface as a body', () => {
  it('is carried as text and refused where that is none', () => {
    const box = surface(new BoxGeometry(100, 60, 40));
    const body = bodyOf(box);
    expect(surfaceOf(body)).toEqual(box);
    expect(keepOutSchema.safeParse(body).success).toBe(true);
    for (const change of [
      { places: 'x' },
      { triangles: packed(Uint16Array.of(0, 1, 999)) },
      { places: packed(Float32Array.of(NaN, 0, 0)) },
      { triangles: '' },
    ])
      expect(keepOutSchema.safeParse(bodyOf(box, change)).success).toBe(false);
  });

  it('is as far from points, lines and tyres as steps all over it say', () => {
    const box = surface(new BoxGeometry(120, 80, 50));
    const solid = solidOf(bodyOf(box), 1);
    const toBox = ([x, y, z]: Vec): number =>
      Math.hypot(
        Math.max(0, Math.abs(x) - 60),
        Math.max(0, Math.abs(y) - 40),
        Math.max(0, Math.abs(z) - 25),
      );
    fc.assert(
      fc.property(vec(300), vec(300), vec(1), (a, b, way) => {
        if (toBox(a) === 0 || toBox(b) === 0 || length(way) < 0.1) return;
        expect(solid.toPoint(a)).toBeCloseTo(toBox(a), 3);
        const line = solid.toLine(a, b);
        let least = Infinity;
        for (let i = 0; i <= 2000; i++)
          least = Math.min(least, toBox(add(a, scale(sub(b, a), i / 2000))));
        // Through it a line meets the skin.
        expect(Math.abs(line.distance - least)).toBeLessThan(0.2);
        const tyre = { centre: a, axis: unit(way), inner: 60, outer: 110, width: 70 };
        const found = solid.toTyre(tyre, Infinity)!;
        let near = Infinity;
        for (const [k, half] of [60, 40, 25].entries())
          for (const sign of [-1, 1])
            for (let i = 0; i <= 40; i++)
              for (let j = 0; j <= 40; j++) {
                const p = [0, 0, 0];
                p[k] = sign * half;
                p[(k + 1) % 3] = [60, 40, 25][(k + 1) % 3] * (i / 20 - 1);
                p[(k + 2) % 3] = [60, 40, 25][(k + 2) % 3] * (j / 20 - 1);
                near = Math.min(near, toRing(p as unknown as Vec, tyre));
              }
        expect(found.distance).toBeLessThan(near + 0.25);
        expect(found.distance).toBeGreaterThan(near - 4.5);
        // Right where it says, that far.
        expect(toRing(found.at, tyre)).toBeCloseTo(found.distance, 6);
        expect(toBox(found.at)).toBeCloseTo(0, 4);
      }),
      { numRuns: 60 },
    );
  });

  it('stands on its own side of the car, less what it was thinned by', () => {
    const build = blankBuild('x', 'double-wishbone');
    const { tieRodInner: inner, tieRodOuter: outer } = build.front.points;
    const at: Vec = [
      (inner.ahead + outer.ahead) / 2,
      (inner.out + outer.out) / 2,
      (inner.up + outer.up) / 2 - 120,
    ];
    const box = surface(new BoxGeometry(30, 30, 30));
    box.places.forEach((x, i) => (box.places[i] = x + at[i % 3]));
    const room = (exact: number, side: 1 | -1) => {
      const moved = { ...box, places: box.places.map((x, i) => (i % 3 === 1 ? side * x : x)) };
      return {
        keepOuts: [bodyOf(moved, { exact })],
        wanted: { moving: 10, tyre: 20, ground: 60 },
      };
    };
    const rodTo = (exact: number, side: 1 | -1, of: 'left' | 'right') =>
      clearancesOf({ ...build, room: room(exact, side) }, wheelOf(build, 'front', of))!.find(
        ({ what, to }) => what === 'tie rod' && to === 'scan',
      )!.clearance;
    expect(rodTo(0, 1, 'left')).toBeCloseTo(rodTo(0, -1, 'right'), 3);
    expect(rodTo(0, 1, 'right')).toBeGreaterThan(300);
    expect(rodTo(2.5, 1, 'left')).toBeCloseTo(rodTo(0, 1, 'left') - 2.5, 6);
    // As a box of the same size says, which is told by figures.
    const plain: KeepOut = {
      ...{ kind: 'box', id: 'b', name: 'scan', axle: 'front', side: 'left' },
      middle: { ahead: at[0], out: at[1], up: at[2] },
      size: { ahead: 30, out: 30, up: 30 },
    };
    const byBox = clearancesOf(
      { ...build, room: { ...room(0, 1), keepOuts: [plain] } },
      wheelOf(build, 'front', 'left'),
    )!.find(({ what, to }) => what === 'tie rod' && to === 'scan')!.clearance;
    expect(rodTo(0, 1, 'left')).toBeCloseTo(byBox, 1);
  });
});
