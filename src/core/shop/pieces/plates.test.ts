import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { aColumn } from '../../../test/columns';
import { anyAxle, wheelOn } from '../../../test/shop';
import { uprightPoints } from '../../corners/kinds';
import { plateFrame } from '../../column/firewall';
import { placesOf, shaftLinesOf } from '../../column/places';
import { add, cross, distance, dot, length, scale, sub, unit } from '../../geometry/vec';
import type { Vec } from '../../geometry/vec';
import { wheelOf } from '../../kinematics/wheel';
import { buildSchema } from '../../model/build';
import type { Build } from '../../model/build';
import { PIECE_FIELDS, startingPiece } from '../../model/pieces';
import type { Piece, StartedKind, PieceOf } from '../../model/pieces';
import { placeVec } from '../../model/place';
import { toVec } from '../../model/points';
import type { KeepOut } from '../../model/room';
import { blankBuild } from '../../model/starts';
import type { Spot } from '../../sheets/drawing';
import { NEUTRAL, bendAllowance, setback } from '../plates';
import { innermost } from './folded';
import { lowestAt } from './lowest';
import { spread } from './ofOthers';
import { worked } from './pieces';

const roadster = (): Build =>
  buildSchema.parse(JSON.parse(readFileSync('demo/roadster.havrik.json', 'utf8')));

/** A piece of a kind with figures of its own, all within what may be said. */
export const anyPiece = <K extends StartedKind>(as: K): fc.Arbitrary<PieceOf<K>> =>
  fc
    .array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 12, maxLength: 12 })
    .map((parts) => {
      const piece = startingPiece(as, []) as unknown as Record<string, unknown>;
      Object.entries(PIECE_FIELDS[as]).forEach(([key, field], i) => {
        if (field.as !== 'length' && field.as !== 'angle') return;
        // About what it begins with: half of that to half as much again.
        const wanted = field.start * (0.5 + parts[i % 12]);
        piece[key] = Math.min(field.max, Math.max(field.min, wanted));
      });
      return piece as unknown as PieceOf<K>;
    });

const made = (build: Build, piece: Piece) => worked(build, wheelOf(build, 'front', 'left'), piece);
const BLANK = blankBuild('x', 'double-wishbone');

/** Whether a place is inside a convex outline with so much room, by the side it is on of every edge. */
const within = (edge: readonly Spot[], [x, y]: Spot, room: number): boolean => {
  const turns = edge.map((a, i) => {
    const b = edge[(i + 1) % edge.length];
    return (
      ((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])) /
      (Math.hypot(b[0] - a[0], b[1] - a[1]) || 1)
    );
  });
  return turns.every((t) => t > room - 0.05) || turns.every((t) => t < -room + 0.05);
};

describe('a gusset', () => {
  it('lies on both tubes over its length, at their angle', () => {
    fc.assert(
      fc.property(anyPiece('gusset'), (piece) => {
        const { plates, faults } = made(BLANK, piece);
        if (faults.length > 0) return;
        const [{ edge }] = plates;
        const turn = (piece.angle * Math.PI) / 180;
        const far = (way: Spot) => edge.map(([x, y]) => x * way[0] + y * way[1]);
        const second: Spot = [Math.cos(turn), Math.sin(turn)];
        // On the first tube: nothing below it, its end where it is asked.
        expect(Math.min(...edge.map(([, y]) => y))).toBeCloseTo(0, 9);
        expect(Math.max(...edge.filter(([, y]) => Math.abs(y) < 1e-9).map(([x]) => x))).toBeCloseTo(
          piece.a,
          9,
        );
        // Across the second: on the one side of it alone.
        const across = far([second[1], -second[0]]);
        expect(Math.min(...across)).toBeCloseTo(0, 9);
        const on = edge.filter((_, i) => Math.abs(across[i]) < 1e-9);
        expect(Math.max(...on.map((p) => Math.hypot(...p)))).toBeCloseTo(piece.b, 9);
        // Its nose stays off the corner on both.
        if (piece.nose > 0)
          expect(Math.min(...on.map((p) => Math.hypot(...p)))).toBeCloseTo(piece.nose, 9);
      }),
    );
  });

  it('has its hole where a grid finds no place with more room', () => {
    fc.assert(
      fc.property(anyPiece('gusset'), (piece) => {
        const { plates, faults } = made(BLANK, piece);
        if (faults.length > 0) return;
        const { edge } = plates[0];
        const best = innermost(edge);
        const size = Math.max(piece.a, piece.b);
        for (let i = -30; i <= 30; i++)
          for (let j = 0; j <= 30; j++)
            expect(within(edge, [(i * size) / 30, (j * size) / 30], best.room + 0.06)).toBe(false);
        expect(within(edge, best.at, best.room)).toBe(true);
      }),
      { numRuns: 30 },
    );
  });

  it('says when a hole leaves too little', () => {
    const piece = { ...startingPiece('gusset', []), hole: 60 } as Piece;
    expect(made(BLANK, piece).faults.join()).toMatch(/beside a hole of 60/u);
  });
});

/** Where a place of a flat strap comes to when it is folded: along the neutral line in small steps, its bends' ends among them. */
function folded(to: number, bends: readonly { from: number; to: number; turn: number }[]): Spot {
  const STEPS = 4000;
  const ends = [0, ...bends.flatMap((one) => [one.from, one.to]), to];
  let [x, y, way] = [0, 0, 0];
  ends.slice(1).forEach((end, k) => {
    const from = ends[k];
    const bend = bends.find((one) => one.from === from && one.to === end);
    const step = (end - from) / STEPS;
    for (let i = 0; i < STEPS; i++) {
      way += (bend?.turn ?? 0) / STEPS / 2;
      x += Math.cos(way) * step;
      y += Math.sin(way) * step;
      way += (bend?.turn ?? 0) / STEPS / 2;
    }
  });
  return [x, y];
}

describe('what is folded', () => {
  it('takes so much of a bend as its neutral line is long, between where the sides begin', () => {
    // Machinery's Handbook, from memory: 90°, R 5, T 4, K 0.4: (5 + 1.6) π/2 = 10.37.
    expect(bendAllowance(5, 4)).toBeCloseTo(10.367, 3);
    expect(setback(5, 4)).toBeCloseTo(9, 9);
    // An outer circle laid into the corner of two lines touches them where the sides begin.
    for (const degrees of [20, 45, 77]) {
      const back = setback(6, 4, degrees);
      const half = ((180 - degrees) / 2) * (Math.PI / 180);
      expect(Math.hypot(back, 10) * Math.sin(half)).toBeCloseTo(10, 9);
    }
  });

  it('is a strap whose feet come to their bolts, on its height', () => {
    fc.assert(
      fc.property(anyPiece('rackMount'), (piece) => {
        const { plates, faults } = made(BLANK, piece);
        if (faults.length > 0) return;
        const { body, thick, radius, spacing, height } = piece;
        const hole = Math.max(...plates[0].holes.map(({ at }) => at[0]));
        const [round, foot] = [body / 2 + NEUTRAL * thick, radius + NEUTRAL * thick];
        const first = (round * Math.PI) / 2;
        const leg = height - thick - radius;
        const second = first + leg;
        const end = folded(hole, [
          { from: 0, to: first, turn: -Math.PI / 2 },
          { from: second, to: second + (foot * Math.PI) / 2, turn: Math.PI / 2 },
        ]);
        // From the top of its half turn: out to the bolt, down to the foot's neutral line.
        const out = end[0] + (body / 2 + thick + radius - (round + foot));
        expect(out).toBeCloseTo(spacing / 2, 4);
        expect(-end[1]).toBeCloseTo(round + leg + foot, 4);
      }),
      { numRuns: 30 },
    );
  });

  it('is a skid plate that measures over its bends what was asked', () => {
    fc.assert(
      fc.property(anyPiece('skid'), (piece) => {
        const { plates, faults } = made(BLANK, piece);
        if (faults.length > 0) return;
        const { long, lip, up, radius, thick } = piece;
        const all = Math.max(...plates[0].edge.map(([, y]) => y));
        const turn = (up * Math.PI) / 180;
        const bend = plates[0].bends!.map(([[, y]]) => y).find((y) => y > 0)!;
        const arc = (radius + NEUTRAL * thick) * turn;
        // Folded along its neutral line, then out to the lip's outer face.
        const [x, y] = folded(all, [{ from: bend - arc / 2, to: bend + arc / 2, turn }]);
        const down = NEUTRAL * thick === 0 ? 0 : thick - NEUTRAL * thick;
        const tip: Spot = [x + Math.sin(turn) * down, y - Math.cos(turn) * down + down];
        // Where the outer faces meet is half of the flat out; the lip is so long from there.
        expect(Math.hypot(tip[0] - long / 2, tip[1])).toBeCloseTo(lip, 4);
        expect(tip[1]).toBeCloseTo(lip * Math.sin(turn), 4);
      }),
      { numRuns: 30 },
    );
  });
});

it('finds what is lowest as a walk along every tube’s underside does', () => {
  fc.assert(
    fc.property(anyAxle('double-wishbone'), (design) => {
      const wheel = wheelOn(design);
      const low = lowestAt({}, wheel, 0);
      if (!low) return;
      const found = { steering: Infinity, other: Infinity };
      for (const { from, to, role, diameter } of wheel.type.members) {
        if (role === 'upright') continue;
        const [a, b] = [from, to].map((name) => toVec(wheel.points[name]));
        const key = [from, to].includes(wheel.type.tieRod!.inner) ? 'steering' : 'other';
        for (let i = 0; i <= 200; i++)
          found[key] = Math.min(found[key], a[2] + ((b[2] - a[2]) * i) / 200 - diameter / 2);
      }
      expect(low.steering).toBeCloseTo(found.steering, 4);
      expect(low.other!.over).toBeCloseTo(found.other, 4);
    }),
    { numRuns: 50 },
  );
});

it('knows a body that hangs lower than the steering', () => {
  const sump: KeepOut = {
    ...{ kind: 'box', id: 'a', name: 'sump', axle: 'front' },
    ...{ middle: { ahead: 0, out: 0, up: 120 }, size: { ahead: 200, out: 200, up: 100 } },
  };
  const keepOuts = [sump];
  const room = { keepOuts, wanted: { moving: 10, tyre: 20, ground: 60 } };
  const wheel = wheelOf(BLANK, 'front', 'left');
  expect(lowestAt({ room }, wheel, 0)!.other).toEqual({ over: 70, name: 'sump' });
  expect(lowestAt({ room }, wheel, 12)!.other!.over).toBeCloseTo(58, 9);
});

describe('plates of the rack', () => {
  it('take it from where it was to where the layout has it', () => {
    fc.assert(
      fc.property(
        anyAxle('double-wishbone'),
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        (design, back, down) => {
          const build = { ...BLANK, front: design };
          const { ahead, up } = design.points['tieRodInner'];
          const piece = {
            ...startingPiece('rackPlate', []),
            ...{ ahead: ahead - back, up: up - down },
          } as PieceOf<'rackPlate'>;
          const { plates, faults } = made(build, piece);
          const [a, b, c, d] = plates[0].holes.map(({ at }) => at);
          for (const [from, to] of [
            [a, c],
            [b, d],
          ])
            expect([to[0] - from[0], to[1] - from[1]]).toEqual([
              expect.closeTo(back, 6),
              expect.closeTo(down, 6),
            ]);
          for (const { at, across } of plates[0].holes)
            expect(within(plates[0].edge, at, 1.75 * across)).toBe(true);
          const least = Math.min(
            ...[a, b].flatMap((p) => [c, d].map((q) => Math.hypot(p[0] - q[0], p[1] - q[1]))),
          );
          if (Math.hypot(back, down) > 1) expect(faults.length > 0).toBe(least < 2.2 * piece.bolt);
        },
      ),
    );
  });

  it('carry both rods where the layout has their inner joints', () => {
    fc.assert(
      fc.property(anyAxle('double-wishbone'), (design) => {
        const { plates } = made({ ...BLANK, front: design }, startingPiece('centrePlate', []));
        const rods = plates[0].holes.slice(2).map(({ at }) => at);
        expect(rods[1][0] - rods[0][0]).toBeCloseTo(2 * design.points['tieRodInner'].out, 9);
        expect(rods[0][1]).toBeCloseTo(rods[1][1], 9);
      }),
    );
  });

  it('are none without a rack', () => {
    const build = structuredClone(BLANK);
    delete build.front.rack;
    for (const as of ['rackPlate', 'centrePlate', 'rack'] as const)
      expect(made(build, startingPiece(as, []))).toMatchObject({
        plates: [],
        faults: [expect.stringMatching(/no rack/u)],
      });
  });
});

describe('what carries a joint', () => {
  it('has the upright’s joints as far apart as they are in the car', () => {
    fc.assert(
      fc.property(anyAxle('double-wishbone'), anyPiece('uprightPlate'), (design, piece) => {
        const wheel = wheelOn(design);
        const { plates, tables } = made({ ...BLANK, front: design }, piece);
        const names = uprightPoints(wheel.type);
        const places = names.map((_, i): Vec => {
          const [ahead, above] = plates[0].holes[i + 1].at;
          const [, , , off] = tables[0].rows[i];
          const by = Number(off.split(' ')[0].replace('−', '-'));
          return [ahead, above, off.endsWith('outboard') ? -by : by];
        });
        names.forEach((a, i) =>
          names.slice(i + 1).forEach((b, k) => {
            const there = distance(toVec(wheel.points[a]), toVec(wheel.points[b]));
            expect(distance(places[i], places[i + 1 + k])).toBeCloseTo(there, 1);
          }),
        );
      }),
      { numRuns: 40 },
    );
  });

  it('has the steering arm’s hole as far from the line it steers about as the layout', () => {
    fc.assert(
      fc.property(anyAxle('double-wishbone'), (design) => {
        const { notes } = made({ ...BLANK, front: design }, startingPiece('steeringArm', []));
        const [low, high, rod] = ['lowerOuter', 'upperOuter', 'tieRodOuter'].map((name) =>
          toVec(design.points[name]),
        );
        const far = length(cross(sub(rod, low), sub(high, low))) / distance(low, high);
        expect(Number(/is ([\d.]+) mm from/u.exec(notes[0])![1])).toBeCloseTo(far, 1);
      }),
      { numRuns: 40 },
    );
  });
});

describe('the firewall’s plate', () => {
  const build = structuredClone(BLANK);
  const firewall = {
    ...{ at: { ahead: -300, left: 290, up: 400 }, lean: 25, turn: 8, thickness: 3 },
    plate: { width: 140, height: 120, inset: 14, bolt: 6 },
  };
  build.front.column = aColumn({ firewall });

  it('has a slot that the shaft’s skin goes through, with room, at both faces', () => {
    const { plates, faults } = made(build, startingPiece('firewallPlate', []));
    expect(faults).toEqual([]);
    const [slot] = plates[0].windows!;
    const column = build.front.column!;
    const { normal, left, up } = plateFrame(firewall);
    const lines = shaftLinesOf(placesOf(column));
    const origin = placeVec(firewall.at);
    const line = lines.find(
      ({ from, to }) => dot(sub(from, origin), normal) <= 0 && dot(sub(to, origin), normal) > 0,
    )!;
    const u = unit(cross(line.way, [0, 0, 1]));
    const v = cross(line.way, u);
    const cutAt = (p: Vec, depth: number): Vec =>
      add(p, scale(line.way, (depth - dot(sub(p, origin), normal)) / dot(line.way, normal)));
    const middle = cutAt(line.from, 0);
    for (let i = 0; i < 24; i++)
      for (const depth of [-1.5, 1.5]) {
        const turn = (i * Math.PI) / 12;
        const off = add(scale(u, 9.5 * Math.cos(turn)), scale(v, 9.5 * Math.sin(turn)));
        const d = sub(cutAt(add(line.from, off), depth), middle);
        expect(within(slot, [-dot(d, left), dot(d, up)], 4.5)).toBe(true);
      }
  });

  it('asks for what is not said yet', () => {
    expect(made(BLANK, startingPiece('firewallPlate', [])).faults).toHaveLength(1);
  });
});

it('holds the demonstration’s wheel at heights by holes at its damper’s own lengths', () => {
  const build = roadster();
  const { plates, tables, faults } = made(build, startingPiece('dummy', []));
  expect(faults).toEqual([]);
  const [first, ...others] = plates[0].holes.map(({ at }) => at);
  expect(first).toEqual([0, 0]);
  expect(others).toHaveLength(tables[0].rows.length);
  others.forEach((at, i) => expect(Math.hypot(...at)).toBeCloseTo(Number(tables[0].rows[i][1]), 1));
  const { points } = wheelOf(build, 'front', 'left');
  const ride = distance(toVec(points['damperInner']), toVec(points['damperOuter']));
  expect(others.some((at) => Math.abs(Math.hypot(...at) - ride) < 1e-6)).toBe(true);
  for (const { at } of plates[0].holes) expect(within(plates[0].edge, at, 22)).toBe(true);
});

it('spreads holes that lie too near, each as far from the first as before', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 200, max: 240, noNaN: true }), { minLength: 2, maxLength: 4 }),
      (lengths) => {
        const { spots, closest } = spread(lengths, 18);
        let least = Infinity;
        spots.forEach((a, i) => {
          expect(Math.hypot(...a)).toBeCloseTo(lengths[i], 9);
          spots
            .slice(i + 1)
            .forEach((b) => (least = Math.min(least, Math.hypot(a[0] - b[0], a[1] - b[1]))));
        });
        expect(closest).toBeCloseTo(least, 9);
        // No way of putting each of them in the middle, or beside it, has more room than is wanted and not found.
        let most = 0;
        const places = lengths.map((length) =>
          [0, 18, -18, 9, -9].map((y): Spot => [Math.sqrt(length ** 2 - y ** 2), y]),
        );
        for (let code = 0; code < 5 ** lengths.length; code++) {
          const way = places.map((options, i) => options[Math.floor(code / 5 ** i) % 5]);
          let room = Infinity;
          way.forEach((a, i) =>
            way
              .slice(i + 1)
              .forEach((b) => (room = Math.min(room, Math.hypot(a[0] - b[0], a[1] - b[1])))),
          );
          most = Math.max(most, room);
        }
        expect(Math.min(closest, 18)).toBeCloseTo(Math.min(most, 18), 9);
      },
    ),
  );
});
