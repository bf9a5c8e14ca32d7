import fc from 'fast-check';
import { CylinderGeometry, SphereGeometry } from 'three';
import { SurfaceTree } from '../clearance/mesh';
import { add, cross, distance, dot, length, rotate, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { alignTo, asItIs, placed } from './align';
import { readScan } from './read';
import { thinned } from './thin';

const number = fc.double({ min: -1, max: 1, noNaN: true });
const vec = (size: number): fc.Arbitrary<Vec> =>
  fc.tuple(number, number, number).map(([x, y, z]): Vec => [x * size, y * size, z * size]);

const bytes = (words: string): ArrayBuffer =>
  Uint8Array.from(new TextEncoder().encode(words)).buffer;

const STL = `solid a
facet normal 0 0 1
 outer loop
  vertex 0 0 0
  vertex 10 0 0
  vertex 0 10 0
 endloop
endfacet
facet normal 0 0 1
 outer loop
  vertex 10 0 0
  vertex 10 10 5
  vertex 0 10 0
 endloop
endfacet
endsolid a
`;
const OBJ = 'v 0 0 0\nv 10 0 0\nv 0 10 0\nv 10 10 5\nf 1 2 3\nf 2 4 3\n';
const PLY = `ply
format ascii 1.0
element vertex 4
property float x
property float y
property float z
element face 2
property list uchar int vertex_indices
end_header
0 0 0
10 0 0
0 10 0
10 10 5
3 0 1 2
3 1 3 2
`;

describe('a scan', () => {
  it.each([
    ['a.stl', STL],
    ['a.OBJ', OBJ],
    ['a.ply', PLY],
  ])('is read from %s, corners that are one place once', (name, text) => {
    const read = readScan(name, bytes(text));
    if (!read.ok) throw new Error(read.why);
    expect(read.scan.places).toHaveLength(12);
    expect(read.scan.triangles).toHaveLength(6);
    const corner = (i: number) => [...read.scan.places.slice(3 * i, 3 * i + 3)];
    const areas = [0, 1].map((t) => {
      const [a, b, c] = [0, 1, 2].map(
        (k) => corner(read.scan.triangles[3 * t + k]) as unknown as Vec,
      );
      return length(cross(sub(b, a), sub(c, a))) / 2;
    });
    expect(areas[0]).toBeCloseTo(50, 4);
    expect(areas[1]).toBeCloseTo(Math.sqrt(50 ** 2 + 2 * 25 ** 2), 4);
  });

  it('is refused in words where it is none', () => {
    const why = (name: string, text: string) => {
      const read = readScan(name, bytes(text));
      return read.ok ? '' : read.why;
    };
    expect(why('a.step', 'x')).toMatch(/none of .stl/u);
    expect(why('a.obj', 'v 0 0 0\nv 1 1 1\n')).toMatch(/nothing in it|no triangles/u);
    expect(
      why('a.ply', PLY.replace(/element face[\s\S]*end_header/u, 'end_header').split('3 0 1')[0]),
    ).toMatch(/cloud of points/u);
    expect(why('a.ply', 'nonsense')).toMatch(/cannot be read|nothing in it/u);
    expect(why('a.stl', 'solid x\nendsolid x\n')).toMatch(/nothing in it|cannot be read/u);
  });

  it('lies by three marks as near as any turn and shift brings it', () => {
    fc.assert(
      fc.property(
        fc.tuple(vec(500), vec(500), vec(500)),
        vec(3),
        vec(900),
        fc.tuple(vec(4), vec(4), vec(4)),
        fc.constantFrom(1, 25.4),
        fc.array(fc.tuple(vec(1), vec(1)), { minLength: 20, maxLength: 20 }),
        (marks, turn, shift, errors, by, tries) => {
          const [a, b, c] = marks;
          if (length(cross(sub(b, a), sub(c, a))) < 20_000) return;
          const car = marks.map((p, i) =>
            add(add(rotate(p, turn), shift), errors[i]),
          ) as unknown as [Vec, Vec, Vec];
          const scan = marks.map((p) => scale(p, 1 / by)) as unknown as [Vec, Vec, Vec];
          const found = alignTo(scan, car, by);
          if (!found) return;
          const { alignment, off } = found;
          // No mirror image, no stretch.
          const [x, y, z] = alignment.axes;
          expect(dot(cross(x, y), z)).toBeCloseTo(1, 9);
          for (const [u, v] of [
            [x, y],
            [y, z],
            [z, x],
          ])
            expect(dot(u, v)).toBeCloseTo(0, 9);
          const sum = off.reduce((total, one) => total + one ** 2, 0);
          // The true place is as far off as the errors, and none turned or shifted a little is nearer.
          expect(sum).toBeLessThan(errors.reduce((total, e) => total + dot(e, e), 0) + 1e-6);
          for (const [t, s] of tries) {
            const other = scan.reduce((total, p, i) => {
              const near = rotate(sub(placed(alignment, p), shift), scale(t, 0.004));
              return total + distance(add(add(near, shift), scale(s, 0.5)), car[i]) ** 2;
            }, 0);
            expect(other).toBeGreaterThan(sum - 1e-6);
          }
        },
      ),
    );
    expect(
      alignTo(
        [
          [0, 0, 0],
          [1, 0, 0],
          [2, 0, 0],
        ],
        [
          [0, 0, 0],
          [1, 0, 0],
          [2, 0, 0],
        ],
        1,
      ),
    ).toBeNull();
    // Inches taken for millimetres show in the ratio.
    const three = [
      [0, 0, 0],
      [10, 0, 0],
      [0, 10, 0],
    ] as const;
    const large = three.map((p) => scale(p, 25.4)) as unknown as [Vec, Vec, Vec];
    expect(alignTo(three, large, 1)!.ratio).toBeCloseTo(25.4, 9);
  });

  it('is thinned to what a build carries, and says how far it is off at the most', () => {
    const ball = new SphereGeometry(300, 120, 90);
    const scan = {
      places: Float64Array.from(ball.getAttribute('position').array),
      triangles: Uint32Array.from(ball.getIndex()!.array),
    };
    expect(scan.triangles.length / 3).toBeGreaterThan(20_000);
    const { surface: kept, exact, of } = thinned(scan, asItIs(1))!;
    expect(of).toBe(scan.triangles.length / 3);
    expect(kept.triangles.length / 3).toBeLessThanOrEqual(6000);
    expect(kept.triangles.length / 3).toBeGreaterThan(3000);
    expect(exact).toBeGreaterThan(0);
    // Cells of some 14 mm on a ball of 300: what a chord of two of them is off, and a little.
    expect(exact).toBeLessThan(1.5);
    // Every place of the ball is within that of some triangle: by its plane and corners alone.
    const tree = new SurfaceTree(kept);
    for (let i = 0; i < scan.places.length; i += 999)
      expect(tree.toPoint([scan.places[i], scan.places[i + 1], scan.places[i + 2]])).toBeLessThan(
        exact + 1e-9,
      );
    // Small ones stay as they are.
    const small = thinned(
      { places: Float64Array.of(0, 0, 0, 1, 0, 0, 0, 1, 0), triangles: Uint32Array.of(0, 1, 2) },
      asItIs(10),
    )!;
    expect(small.exact).toBe(0);
    expect([...small.surface.places]).toEqual([0, 0, 0, 10, 0, 0, 0, 10, 0]);
  });
});

it('thins a long pipe as truly as a ball', () => {
  const pipe = new CylinderGeometry(25, 25, 2400, 60, 300, true);
  const scan = {
    places: Float64Array.from(pipe.getAttribute('position').array),
    triangles: Uint32Array.from(pipe.getIndex()!.array),
  };
  const { surface: kept, exact } = thinned(scan, asItIs(1))!;
  expect(kept.triangles.length / 3).toBeLessThanOrEqual(6000);
  // Cells of some 8 mm: its open ends come in by half of one, its round by the rise of a chord.
  expect(exact).toBeLessThan(5);
  // By its own formula: every place that is kept lies on the pipe, as far as that.
  for (let i = 0; i < kept.places.length; i += 3)
    expect(Math.abs(Math.hypot(kept.places[i], kept.places[i + 2]) - 25)).toBeLessThan(1);
});
