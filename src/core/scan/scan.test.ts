import fc from 'fast-check';
import { BoxGeometry, CylinderGeometry, SphereGeometry } from 'three';
import type { BufferGeometry } from 'three';
import { drawingDxf } from '../sheets/dxf';
import { circle, outline } from '../sheets/drawing';
import { SurfaceTree } from '../clearance/mesh';
import { solidOf } from '../clearance/solid';
import { toRing } from '../clearance/ring';
import { clearancesOf } from '../clearance/room';
import { add, cross, distance, dot, length, rotate, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { wheelOf } from '../kinematics/wheel';
import { packed, surfaceOf } from '../model/mesh';
import type { Surface } from '../model/mesh';
import { keepOutSchema } from '../model/room';
import type { KeepOut, MeshBody } from '../model/room';
import { blankBuild } from '../model/starts';
import { alignTo, asItIs, placed } from './align';
import { extruded } from './extrude';
import { readOutlines } from './outlines';
import { readScan } from './read';
import { thinned } from './thin';

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

describe('outlines of a drawing', () => {
  it('come back as they were drawn, holes and windows in them', () => {
    const drawn = drawingDxf({
      ...{ width: 100, height: 60 },
      marks: [
        outline('CUT', [
          [0, 0],
          [100, 0],
          [100, 60],
          [0, 60],
        ]),
        outline('CUT', [
          [40, 20],
          [60, 20],
          [60, 40],
          [40, 40],
        ]),
        circle('DRILL', [15, 30], 6),
      ],
    });
    const read = readOutlines('a.dxf', drawn);
    if (!read.ok) throw new Error(read.why);
    expect(read.shapes).toHaveLength(1);
    const [{ edge, windows, holes }] = read.shapes;
    expect(edge).toHaveLength(4);
    expect(windows).toHaveLength(1);
    expect(holes).toEqual([{ at: [15, 30], across: 12 }]);
    // As a body 10 thick: its skin's area, and the room in its hole.
    const body = extruded(read.shapes[0], 'the side', [500, 200, 300], 10);
    const at = (i: number): Vec => [0, 1, 2].map((k) => body.places[3 * i + k]) as unknown as Vec;
    let area = 0;
    for (let i = 0; i < body.triangles.length; i += 3) {
      const [a, b, c] = [0, 1, 2].map((k) => at(body.triangles[i + k]));
      area += length(cross(sub(b, a), sub(c, a))) / 2;
    }
    const round = 72 * 2 * 6 * Math.sin(Math.PI / 72);
    const disc = 36 * 36 * Math.sin((2 * Math.PI) / 72);
    expect(area).toBeCloseTo(2 * (6000 - 400 - disc) + 10 * (320 + 80 + round), 1);
    const tree = new SurfaceTree(body);
    expect(tree.toPoint([515, 200, 330])).toBeCloseTo(6, 1);
    expect(tree.toPoint([550, 230, 310])).toBeCloseTo(25, 4);
    for (const [seen, p] of [
      ['the front', [500, 215, 330]],
      ['above', [515, 230, 300]],
    ] as const)
      expect(
        new SurfaceTree(extruded(read.shapes[0], seen, [500, 200, 300], 10)).toPoint([...p]),
      ).toBeCloseTo(6, 1);
  });

  /** A drawing of a few entities, as text. */
  const dxf = (units: number, ...entities: (readonly (readonly [number, string | number])[])[]) =>
    [
      [0, 'SECTION'],
      [2, 'HEADER'],
      [9, '$INSUNITS'],
      [70, units],
      [0, 'ENDSEC'],
      [0, 'SECTION'],
      [2, 'ENTITIES'],
      ...entities.flat(),
      [0, 'ENDSEC'],
      [0, 'EOF'],
    ]
      .map(([code, value]) => `${code}\n${value}`)
      .join('\n');
  const lineFrom = (x1: number, y1: number, x2: number, y2: number) =>
    [
      [0, 'LINE'],
      [8, '0'],
      [10, x1],
      [20, y1],
      [11, x2],
      [21, y2],
    ] as const;

  it('are joined of lines and arcs any way round, in their own unit', () => {
    // A slot: two lines and two half circles, one line drawn backwards; inches.
    const slot = dxf(
      1,
      lineFrom(0, 1, 4, 1),
      lineFrom(4, -1, 0, -1),
      [
        [0, 'ARC'],
        [8, '0'],
        [10, 4],
        [20, 0],
        [40, 1],
        [50, 270],
        [51, 90],
      ],
      [
        [0, 'ARC'],
        [8, '0'],
        [10, 0],
        [20, 0],
        [40, 1],
        [50, 90],
        [51, 270],
      ],
    );
    const read = readOutlines('slot.dxf', slot);
    if (!read.ok) throw new Error(read.why);
    const [{ edge }] = read.shapes;
    // Every place is an inch off the slot's middle line.
    for (const [x, y] of edge) {
      const along = Math.max(0, Math.min(4 * 25.4, x));
      expect(Math.hypot(x - along, y)).toBeCloseTo(25.4, 3);
    }
    const area = Math.abs(
      edge.reduce((sum, [x, y], i) => {
        const [u, v] = edge[(i + 1) % edge.length];
        return sum + (x * v - u * y) / 2;
      }, 0),
    );
    expect(Math.abs(area / 25.4 ** 2 - (8 + Math.PI))).toBeLessThan(0.005);
  });

  it('follow the bulge of a polyline', () => {
    // A full round of two half circles: bulge 1 is a half turn.
    const round = dxf(4, [
      [0, 'LWPOLYLINE'],
      [8, '0'],
      [90, 2],
      [70, 1],
      [10, -30],
      [20, 0],
      [42, 1],
      [10, 30],
      [20, 0],
      [42, 1],
    ]);
    const read = readOutlines('r.dxf', round);
    if (!read.ok) throw new Error(read.why);
    for (const [x, y] of read.shapes[0].edge) expect(Math.hypot(x, y)).toBeCloseTo(30, 6);
    expect(read.shapes[0].edge.length).toBeGreaterThan(20);
  });

  it('are refused in words where there are none', () => {
    const why = (text: string) => {
      const read = readOutlines('x.dxf', text);
      return read.ok ? '' : read.why;
    };
    expect(why(dxf(4, lineFrom(0, 0, 10, 0)))).toMatch(/no closed outline/u);
    expect(why(dxf(4))).toMatch(/no outline/u);
    expect(why('no drawing')).toMatch(/x.dxf/u);
  });
});
