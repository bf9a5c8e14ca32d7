import fc from 'fast-check';
import type { AxleDesign } from '../model/build';
import { blankFront } from '../model/starts';
import { setOverallWidth, widthOver } from './width';
import { moveWheel } from './place';
import { staticQuantities } from './staticQuantities';
import { bossFixture, bossPlaces, spacerGives, stubOf, withBossAt } from './stub';

type V = [number, number, number];
const list = ({ ahead, out, up }: { ahead: number; out: number; up: number }): V => [
  ahead,
  out,
  up,
];
const less = (a: V, b: V): V => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: V, b: V): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const spindle = ({ toe, camber }: AxleDesign['static']): V => {
  const [t, c] = [toe, camber].map((x) => (x * Math.PI) / 180);
  return [Math.sin(t) * Math.cos(c), Math.cos(t) * Math.cos(c), -Math.sin(c)];
};

const anyKart = fc
  .tuple(
    fc.array(fc.double({ min: -8, max: 8, noNaN: true }), { minLength: 9, maxLength: 9 }),
    fc.double({ min: -3, max: 3, noNaN: true }),
  )
  .map(([off, camber]): AxleDesign => {
    const front = blankFront('kingpin');
    const moved = (name: string, at: number) => {
      const { ahead, out, up } = front.points[name];
      return { ahead: ahead + off[at], out: out + off[at + 1], up: up + off[at + 2] };
    };
    return {
      ...front,
      static: { toe: 0.3, camber },
      points: {
        ...front.points,
        kingpinLower: moved('kingpinLower', 0),
        kingpinUpper: moved('kingpinUpper', 3),
        wheelCentre: moved('wheelCentre', 6),
      },
    };
  });

it('knows a stub by where spindle and kingpin pass each other, found by going nearer and nearer', () => {
  fc.assert(
    fc.property(anyKart, (design) => {
      const stub = stubOf(design, 'left')!;
      const p = design.points;
      const [lower, upper, centre] = [p['kingpinLower'], p['kingpinUpper'], p.wheelCentre].map(
        list,
      );
      const a = spindle(design.static);
      const pin = less(upper, lower);
      const k = pin.map((x) => x / Math.hypot(...pin)) as V;
      expect(Math.cos((stub.between * Math.PI) / 180)).toBeCloseTo(dot(a, k), 12);
      // From one line's nearest place to the other's, over and over: the gap's feet (general position).
      let at = centre;
      let on = lower;
      for (let n = 0; n < 400; n++) {
        const up = dot(less(at, lower), k);
        on = lower.map((x, i) => x + up * k[i]) as V;
        const out = dot(less(on, centre), a);
        at = centre.map((x, i) => x + out * a[i]) as V;
      }
      expect(stub.length).toBeCloseTo(dot(less(centre, at), a), 6);
      expect(stub.height).toBeCloseTo(dot(less(on, lower), k), 6);
      expect(Math.abs(stub.lead)).toBeCloseTo(Math.hypot(...less(at, on)), 6);
      expect(Math.sign(stub.lead)).toBe(Math.sign(at[0] - on[0]));
    }),
    { numRuns: 100 },
  );
});

it('drills a stub of no camber, caster or toe by its inclination', () => {
  const front = blankFront('kingpin');
  const { kingpinLower } = front.points;
  const design: AxleDesign = {
    ...front,
    static: { toe: 0, camber: 0 },
    points: {
      ...front.points,
      kingpinUpper: {
        ahead: kingpinLower.ahead,
        out: kingpinLower.out - 60 * Math.tan((12 * Math.PI) / 180),
        up: kingpinLower.up + 60,
      },
    },
  };
  expect(stubOf(design, 'left')!.offSquare).toBeCloseTo(12, 9);
});

it('sets bosses up by two angles, or by one lean and where it points', () => {
  const design = blankFront('kingpin');
  const fixture = bossFixture(design)!;
  const { kpi, caster } = staticQuantities(design, 'left');
  expect(fixture).toMatchObject({ kpi, caster });
  const { kingpinLower: low, kingpinUpper: top } = design.points;
  const [d, o, u] = less(list(top), list(low));
  expect(fixture.lean).toBeCloseTo((Math.acos(u / Math.hypot(d, o, u)) * 180) / Math.PI, 9);
  expect(fixture.towards).toBeCloseTo((Math.atan2(-d, -o) * 180) / Math.PI, 9);
  expect(fixture.lower).toBeCloseTo(2 * low.out, 9);
  expect(fixture.upper).toBeCloseTo(2 * top.out, 9);
  expect(fixture.kingpin).toBeCloseTo(Math.hypot(d, o, u), 9);
});

it('says what spacers do as putting them in does', () => {
  fc.assert(
    fc.property(anyKart, (design) => {
      const gives = spacerGives(design);
      const spaced = structuredClone(design);
      moveWheel(spaced, 5);
      const [now, then] = [design, spaced].map((one) => staticQuantities(one, 'left').scrub!);
      expect((then - now) / 5).toBeCloseTo(gives.scrub, 4);
      expect((widthOver(spaced, 'hub') - widthOver(design, 'hub')) / 5).toBeCloseTo(gives.width, 4);
    }),
    { numRuns: 50 },
  );
  expect(setOverallWidth).toBeDefined();
});

it('turns a stub with its kingpin: everything on it keeps its distances, and toe is set again', () => {
  fc.assert(
    fc.property(
      anyKart,
      fc.constantFrom('kingpinUpper', 'kingpinLower'),
      fc.constantFrom('ahead', 'out'),
      fc.double({ min: -6, max: 6, noNaN: true }),
      (design, end, coordinate, by) => {
        fc.pre(Math.abs(by) > 0.01);
        const at = design.points[end][coordinate as 'ahead'] + by;
        const moved = withBossAt(design, 'left', end, coordinate as 'ahead', at)!;
        expect(moved.static.toe).toBe(design.static.toe);
        const other = end === 'kingpinUpper' ? 'kingpinLower' : 'kingpinUpper';
        expect(moved.points[other]).toEqual(design.points[other]);
        expect(moved.points[end][coordinate as 'ahead']).toBeCloseTo(at, 12);
        const about = (one: AxleDesign) => {
          const fixed = list(one.points[other]);
          const pin = less(list(one.points[end]), fixed);
          const size = Math.hypot(...pin);
          const a = spindle(one.static);
          const [wheel, rod] = [one.points.wheelCentre, one.points['tieRodOuter']].map((q) =>
            less(list(q), fixed),
          );
          return [
            dot(a, pin) / size,
            dot(wheel, pin) / size,
            dot(rod, pin) / size,
            Math.hypot(...wheel),
            Math.hypot(...rod),
            dot(a, wheel),
            dot(a, rod),
            dot(wheel, rod),
          ];
        };
        const [before, after] = [design, moved].map(about);
        after.forEach((value, i) => expect(value).toBeCloseTo(before[i], 7));
      },
    ),
    { numRuns: 200 },
  );
});

it('lists what each hole or throw of a kingpin’s end gives', () => {
  const design = blankFront('kingpin');
  const { ahead, out } = design.points['kingpinUpper'];
  design.freedoms = {
    kingpinUpper: {
      ahead: { kind: 'choices', at: [ahead - 4, ahead, ahead + 4] },
      out: { kind: 'eccentric', base: out, throw: 2 },
    },
  };
  const holes = bossPlaces(design, 'left', 'kingpinUpper', 'ahead');
  const { caster, kpi, camber } = staticQuantities(design, 'left');
  expect(holes).toHaveLength(3);
  expect(holes[1]).toMatchObject({ caster, kpi, camber });
  // 4 mm of 64 are three and a half degrees.
  expect(holes[0].caster - caster!).toBeCloseTo(3.4, 0);
  expect(holes.map((one) => one.at)).toEqual([ahead - 4, ahead, ahead + 4]);
  const throws = bossPlaces(design, 'left', 'kingpinUpper', 'out');
  expect(throws[0].kpi).toBeGreaterThan(throws[2].kpi);
  // The top further in takes the wheel's top in with it.
  expect(throws[0].camber).toBeLessThan(throws[2].camber);
  expect(bossPlaces(design, 'left', 'kingpinLower', 'out')).toEqual([]);
});
