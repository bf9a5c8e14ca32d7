import DxfParser from 'dxf-parser';
import fc from 'fast-check';
import { anyAxle, wheelOn } from '../../../test/shop';
import { CORNER_TYPES } from '../../corners/kinds';
import { distance, dot, length, sub } from '../../geometry/vec';
import type { Vec } from '../../geometry/vec';
import { UPRIGHT_SIZE } from '../../kinematics/corner';
import { spindleOf } from '../../kinematics/spindle';
import { Wheel, wheelOf } from '../../kinematics/wheel';
import { axleSchema } from '../../model/build';
import type { AxleDesign, Build } from '../../model/build';
import { FITS, STARTED_KINDS, POSES, startingPiece } from '../../model/pieces';
import type { Piece, StartedKind, PieceOf } from '../../model/pieces';
import { toVec } from '../../model/points';
import { blankBuild } from '../../model/starts';
import { shaftAt } from '../../motion/halfShaft';
import { drawingDxf } from '../../sheets/dxf';
import { partsList } from '../partsList';
import { sheetEntries } from '../sheetsOf';
import { DEVIATIONS, FINE, GRADES, fitOf, limitsOf } from './fits';
import { taperAngle } from './holes';
import { worked } from './pieces';
import { posed } from './pose';
import { shaftRange } from './shafts';

const BLANK = blankBuild('x', 'double-wishbone');
const start = <K extends StartedKind>(as: K, change: Partial<PieceOf<K>> = {}): PieceOf<K> =>
  ({ ...startingPiece(as, []), ...change }) as unknown as PieceOf<K>;
const made = (build: Build, piece: Piece) => worked(build, wheelOf(build, 'front', 'left'), piece);
const figure = (piece: ReturnType<typeof made>, what: string): string =>
  piece.tables.flatMap(({ rows }) => rows).find(([said]) => said.includes(what))![1];

describe('every piece', () => {
  it.each(CORNER_TYPES.map(({ kind }) => kind))('of %s is read back, drawn, listed', (kind) => {
    const build = blankBuild('x', kind);
    build.front.pieces = STARTED_KINDS.map((as) => startingPiece(as, []));
    expect(axleSchema.safeParse(JSON.parse(JSON.stringify(build.front))).error).toBeUndefined();
    const entries = sheetEntries(build).filter(({ of }) => of?.piece);
    expect(entries).toHaveLength(STARTED_KINDS.length);
    for (const { make } of entries) {
      const { drawing, tables, notes } = make();
      expect(JSON.stringify([drawing?.marks, tables, notes].slice(drawing ? 0 : 1))).not.toMatch(
        /null|NaN|Infinity|undefined/u,
      );
      if (drawing?.marks.length)
        expect(new DxfParser().parseSync(drawingDxf(drawing))!.entities.length).toBeGreaterThan(2);
    }
    const listed = partsList(build).filter(({ key }) => key.startsWith('front piece'));
    expect(listed).toHaveLength(STARTED_KINDS.length - 2);
  });

  it('has an id of its own, and a code that goes with what is said of it', () => {
    const build = structuredClone(BLANK);
    const pieces = (build.front.pieces = [startingPiece('gusset', [])]);
    pieces.push(startingPiece('gusset', pieces));
    expect(pieces.map(({ id }) => id)).toEqual(['gusset1', 'gusset2']);
    const codes = () =>
      sheetEntries(build).flatMap(({ of, make }) => (of?.piece ? [make().code] : []));
    const before = codes();
    pieces[0].name = 'engine bay';
    expect(codes()).toEqual(before);
    (pieces[0] as PieceOf<'gusset'>).a += 1;
    expect(codes()[0]).not.toBe(before[0]);
    expect(codes()[1]).toBe(before[1]);
  });
});

describe('fits', () => {
  // ISO 286-1: i = 0.45 ∛D + 0.001 D µm, D the geometric mean of the range; IT6 is 10 i, IT7 16 i, IT8 25 i.
  it('have grades by the formula of ISO 286-1, as they are rounded there', () => {
    const ranges = [3, 6, 10, 18, 30, 50, 80, 120, 180];
    ranges.slice(1).forEach((most, k) => {
      const mean = Math.sqrt(most * ranges[k]);
      const i = 0.45 * Math.cbrt(mean) + 0.001 * mean;
      for (const [grade, times] of [
        [6, 10],
        [7, 16],
        [8, 25],
      ] as const)
        expect(Math.abs(GRADES[grade][k] - times * i)).toBeLessThan(1 + 0.03 * times * i);
      // g: −2.5 D^0.34, f: −5.5 D^0.41, p: IT7 and a little, n: 5 D^0.34 (ISO 286-1, from memory).
      expect(Math.abs(DEVIATIONS.g[k] + 2.5 * mean ** 0.34)).toBeLessThan(1);
      expect(Math.abs(DEVIATIONS.f[k] + 5.5 * mean ** 0.41)).toBeLessThan(1.2);
      expect(Math.abs(DEVIATIONS.n[k] - 5 * mean ** 0.34)).toBeLessThan(1.2);
      expect(DEVIATIONS.p[k] - GRADES[7][k]).toBeGreaterThanOrEqual(0);
      expect(DEVIATIONS.p[k] - GRADES[7][k]).toBeLessThanOrEqual(5);
    });
    // r is the geometric mean of p and s.
    [3, 6, 10, 18, 30].forEach((_, k) =>
      expect(Math.abs(FINE.r[k] - Math.sqrt(DEVIATIONS.p[k] * FINE.s[k]))).toBeLessThan(1.5),
    );
  });

  // As they stand in handbooks' tables (ISO 286-2, from memory).
  it.each([
    [40, 'H7', 0, 25],
    [40, 'r6', 34, 50],
    [50, 'k6', 2, 18],
    [25, 'g6', -20, -7],
    [80, 'N7', -39, -9],
    [62, 'P7', -51, -21],
    [30, 'f7', -41, -20],
    [60, 's6', 53, 72],
  ] as const)('say %d %s as the tables do', (across, of, least, most) => {
    expect(limitsOf(across, of)).toEqual([
      expect.closeTo(least / 1000, 9),
      expect.closeTo(most / 1000, 9),
    ]);
  });

  it('are tight or loose as any bore and pin within their limits are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4, max: 180, noNaN: true }),
        fc.constantFrom(...FITS),
        fc.constantFrom('steel' as const, 'aluminium' as const),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (across, fit, housing, a, b) => {
          const found = fitOf({ across, fit, housing, warmer: 80, room: 20 });
          const { hole, pin, tight, heat, warmLeast } = found;
          const bore = across + hole[0] + a * (hole[1] - hole[0]);
          const shaft = across + pin[0] + b * (pin[1] - pin[0]);
          expect(shaft - bore).toBeGreaterThanOrEqual(tight[0] - 1e-9);
          expect(shaft - bore).toBeLessThanOrEqual(tight[1] + 1e-9);
          const grows = housing === 'steel' || found.onSpindle ? 11.5e-6 : 23e-6;
          // Warm together, both as large as they are then.
          const warm = shaft * (1 + 80 * 11.5e-6) - bore * (1 + 80 * grows);
          expect(warm).toBeGreaterThan(warmLeast - 1e-9);
          // Heated, even the tightest drops in with a thousandth of it to spare.
          if (heat !== null)
            expect(
              (across + hole[0]) * (1 + (heat - 20) * grows) - (across + pin[1]),
            ).toBeGreaterThan(0.99e-3 * across);
        },
      ),
    );
  });

  it('say when the aluminium lets go, and when it would have to be too hot', () => {
    const bush = start('fit', { across: 60, housing: 'aluminium', warmer: 120 });
    expect(made(BLANK, bush).faults.join()).toMatch(/lets go/u);
    expect(made(BLANK, { ...bush, warmer: 0 }).faults).toEqual([]);
    const ring = start('fit', { across: 30, fit: 'bearing, its outer ring turns' });
    expect(made(BLANK, ring).faults.join()).toMatch(/more than 120 °C/u);
  });
});

describe('tapers', () => {
  it('stand at the angle that handbooks give', () => {
    // 1½ inches a foot, 1 : 8: 7° 9′ 10″ (Machinery's Handbook, from memory).
    expect(taperAngle(8)).toBeCloseTo(7 + 9 / 60 + 10 / 3600, 3);
    expect(taperAngle(10)).toBeCloseTo(5.725, 3);
  });

  it('are left with a wall, or the arm is to be replaced', () => {
    const arm = start('straight', { across: 38, big: 15, bolt: 16 });
    expect(made(BLANK, arm).faults).toEqual([]);
    expect(figure(made(BLANK, arm), 'bored')).toBe('16.00');
    // Thinner than the taper's large end: bushed, and the arm thinner for it.
    expect(figure(made(BLANK, { ...arm, bolt: 12 }), 'bush')).toBe('15.0 × 12.0 × 20.0');
    expect(made(BLANK, { ...arm, across: 28 }).faults.join()).toMatch(/replace the arm/u);
    expect(figure(made(BLANK, arm), 'grip')).toBe('44.5');
  });

  it('are plugged with enough between', () => {
    const arm = start('taper');
    expect(made(BLANK, arm).faults).toEqual([]);
    expect(figure(made(BLANK, arm), 'plug, large')).toBe('15.00 and 13.00');
    expect(made(BLANK, { ...arm, shift: 20 }).faults.join()).toMatch(/between plug and new hole/u);
    expect(made(BLANK, { ...arm, thick: 80, big: 7 }).faults.join()).toMatch(/no hole/u);
  });
});

it('a sleeve fills a wide bore from both sides', () => {
  const wide = start('sleeve', { bore: 12.7, bolt: 10, body: 16, long: 8 });
  const sleeve = made(BLANK, wide);
  expect(sleeve.faults).toEqual([]);
  expect(figure(sleeve, 'all of it')).toBe('15.80');
  // Two of them in 16 mm, their flanges on the ball.
  expect(2 * 7.8).toBeLessThan(16);
  expect(made(BLANK, { ...wide, bolt: 12 }).faults.join()).toMatch(/cannot be turned/u);
  expect(made(BLANK, { ...wide, flange: 12 }).faults.join()).toMatch(/falls through/u);
});

describe('a rack', () => {
  const wide = (between: number, change: Partial<PieceOf<'rack'>> = {}) => {
    const { out } = BLANK.front.points['tieRodInner'];
    return made(BLANK, start('rack', { between: 2 * out + between, ...change }));
  };

  it('loses half at each end, and has its thread cut on', () => {
    const cut = wide(40, { threaded: 25, out: 140 });
    expect(figure(cut, 'off each end')).toBe('20.00');
    // M14: 21 mm are needed, 5 are left.
    expect(figure(cut, 'cut on')).toBe('16.0');
    expect(cut.faults).toEqual([]);
  });

  it('is refused where its teeth begin, or its joint meets the housing', () => {
    expect(wide(160, { plain: 90, out: 300 }).faults.join()).toMatch(/teeth/u);
    const { travel } = BLANK.front.rack!;
    const short = { out: travel + 25 + 10, plain: 300 };
    expect(wide(40, short).faults.join()).toMatch(/10.0 mm before full lock/u);
    expect(wide(40, { ...short, housing: 'shortened as well' }).faults).toEqual([]);
  });

  it('is made longer by a piece at each end', () => {
    expect(figure(wide(-60), 'longer at each end')).toBe('30.00');
    expect(wide(-60, { threaded: 10 }).faults.join()).toMatch(/less than/u);
  });
});

describe('a half-shaft', () => {
  const driven = (design: AxleDesign): AxleDesign => ({
    ...design,
    halfShaft: { inner: { ahead: 10, out: 190, up: 300 }, outer: 60 },
  });

  it('is made so long that its plunge is left wherever the wheel goes', () => {
    fc.assert(
      fc.property(
        anyAxle('double-wishbone'),
        fc.array(
          fc.tuple(
            fc.double({ min: -1, max: 1, noNaN: true }),
            fc.double({ min: -1, max: 1, noNaN: true }),
          ),
          {
            minLength: 40,
            maxLength: 40,
          },
        ),
        (design, at) => {
          const wheel = wheelOn(driven(design));
          const range = shaftRange(wheel);
          if (!range || !wheel.corner) return;
          const upright = new Float64Array(UPRIGHT_SIZE);
          for (const [up, turn] of at) {
            if (!wheel.corner.corner.pose(50 * up, turn * wheel.steerRange, upright)) continue;
            const now = shaftAt(wheel.design.halfShaft!, upright).length;
            expect(now).toBeGreaterThan(range.least - 0.1);
            expect(now).toBeLessThan(range.most + 0.1);
          }
        },
      ),
      { numRuns: 20 },
    );
  });

  it('says when its joint has not the stroke, and which section is the weakest', () => {
    const build = { ...BLANK, front: driven(BLANK.front) };
    expect(made(build, start('halfShaft', { stroke: 0 })).faults.join()).toMatch(/plunges/u);
    expect(made(BLANK, start('halfShaft')).faults.join()).toMatch(/no half-shaft is said/u);
    const thin = made(
      build,
      start('halfShaft', { stroke: 200, sleeve: 28, first: 400, second: 400 }),
    );
    expect(thin.faults.join()).toMatch(/weakest place/u);
    // Against twisting: r² over the ring, added up in thin rings.
    const twist = (inner: number, outer: number): number => {
      let sum = 0;
      const step = (outer - inner) / 4000;
      for (let r = inner + step / 2; r < outer; r += step) sum += 2 * Math.PI * r ** 3 * step;
      return sum / outer;
    };
    expect(Number(figure(thin, 'twisting'))).toBeCloseTo(twist(13, 14) / twist(0, 13), 2);
  });
});

it('a donor’s rod is as long as the layout’s, and its weakest section is named', () => {
  const { tieRodInner, tieRodOuter } = BLANK.front.points;
  const wanted = distance(toVec(tieRodInner), toVec(tieRodOuter));
  const longer = made(BLANK, start('donor', { has: wanted - 30 }));
  expect(figure(longer, 'left open')).toBe('30.00');
  expect(figure(longer, 'sleeve, long')).toBe('110.00');
  expect(longer.faults).toEqual([]);
  expect(figure(made(BLANK, start('donor', { has: wanted + 30 })), 'cut out')).toBe('30.00');
  expect(made(BLANK, start('donor', { has: wanted - 30, leg: 4 })).faults.join()).toMatch(
    /the weld pulled has 0.71/u,
  );
});

describe('a table pose', () => {
  it('keeps every distance, and leans the spindle as it is asked, either side', () => {
    fc.assert(
      fc.property(
        anyAxle('double-wishbone'),
        fc.constantFrom(...POSES),
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        (design, pose, lean, toward) => {
          const wheel = wheelOn({ ...design, static: { toe: 0.5, camber: -2 } });
          const all = posed(wheel, { pose, lean, toward, height: 200 });
          all.forEach((a, i) =>
            all
              .slice(i + 1)
              .forEach((b) =>
                expect(distance(a.at, b.at)).toBeCloseTo(
                  distance(toVec(wheel.points[a.joint]), toVec(wheel.points[b.joint])),
                  7,
                ),
              ),
          );
          // The table's upright in the car, from three points; how far it is off where it was.
          const upright = (of: typeof all): Vec => {
            const [o, p, q, r] = [0, 1, 2, 3].map((i) => of[i]);
            const [car, table] = [
              [p, q, r].map(({ joint }) =>
                sub(toVec(wheel.points[joint]), toVec(wheel.points[o.joint])),
              ),
              [p, q, r].map(({ at }) => at[2] - o.at[2]),
            ];
            return solved(car, table);
          };
          const flat = upright(posed(wheel, { pose, lean: 0, toward: 0, height: 0 }));
          const leaned = upright(all);
          expect(length(leaned)).toBeCloseTo(1, 5);
          const off = Math.acos(Math.min(1, dot(flat, leaned)));
          expect((off * 180) / Math.PI).toBeCloseTo(Math.abs(lean), 3);
          const spindle = spindleOf(wheel.design.static);
          const along = dot(flat, spindle);
          if (pose === 'hub’s face down') expect(along).toBeCloseTo(-1, 6);
          if (pose === 'spindle level') expect(along).toBeCloseTo(0, 6);
          if (pose === 'as in the car') expect(flat[2]).toBeCloseTo(1, 6);
          // The right corner's own points give the same place: across counts the other way there.
          const right = posed(new Wheel('front', 'right', wheel.design, wheel.travel), {
            ...{ pose, lean, toward, height: 200 },
          });
          right.forEach(({ at }, i) => expect(distance(at, all[i].at)).toBeLessThan(1e-9));
        },
      ),
      { numRuns: 40 },
    );
  });
});

/** x of three equations aᵢ·x = bᵢ (Cramer's rule). */
function solved([a, b, c]: Vec[], [p, q, r]: number[]): Vec {
  const det = (u: Vec, v: Vec, w: Vec): number =>
    u[0] * (v[1] * w[2] - v[2] * w[1]) -
    u[1] * (v[0] * w[2] - v[2] * w[0]) +
    u[2] * (v[0] * w[1] - v[1] * w[0]);
  const all = det(a, b, c);
  return [0, 1, 2].map((k) => {
    const put = (v: Vec, x: number): Vec => v.map((y, i) => (i === k ? x : y)) as unknown as Vec;
    return det(put(a, p), put(b, q), put(c, r)) / all;
  }) as unknown as Vec;
}
