import { SurfaceTree } from '../clearance/mesh';
import { cross, length, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { drawingDxf } from '../sheets/dxf';
import { circle, outline } from '../sheets/drawing';
import { extruded } from './extrude';
import { readOutlines } from './outlines';

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

  it('say what is not taken, and take nothing by half', () => {
    const round = [
      [0, 'CIRCLE'],
      [8, '0'],
      [10, 0],
      [20, 0],
      [40, 20],
    ] as const;
    const read = readOutlines(
      'c.dxf',
      dxf(4, round, lineFrom(50, 0, 60, 0), lineFrom(60, 0, 70, 5)),
    );
    expect(read).toMatchObject({ ok: true, left: 2 });
    const block = [
      [0, 'INSERT'],
      [8, '0'],
      [2, 'b'],
      [10, 0],
      [20, 0],
    ] as const;
    expect(readOutlines('b.dxf', dxf(4, round, block))).toMatchObject({
      ...{ ok: false, why: expect.stringMatching(/blocks/u) },
    });
    const many = Array.from(
      { length: 41 },
      (_, i) =>
        [
          [0, 'CIRCLE'],
          [8, '0'],
          [10, 50 * i],
          [20, 0],
          [40, 20],
        ] as const,
    );
    expect(readOutlines('m.dxf', dxf(4, ...many))).toMatchObject({
      ...{ ok: false, why: expect.stringMatching(/more than 40 shapes/u) },
    });
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
