import fc from 'fast-check';
import { prepared } from '../../test/layouts';
import { kingpin } from '../corners/kingpin';
import type { AxleDesign } from '../model/build';
import { toPoint } from '../model/points';
import type { Points } from '../model/points';
import { blankFront } from '../model/starts';
import { readAt } from '../motion/sweep';
import { drawnCorner } from './axle';
import { UPRIGHT_SIZE } from './corner';
import reference from './fixtures/corner-kinds.json';
import { prepareFree } from './freeCorner';
import { prepareKingpin } from './kingpin';

type V = [number, number, number];
const told = reference.corners.find(({ kind }) => kind === 'kingpin')!;
type SteeredRow = (typeof told.rows)[number] & Record<'caster' | 'kpi' | 'scrub' | 'trail', number>;
const [lower, upper] = told.shaft!.map(([ahead, left, up]) => ({ ahead, left, up }));

const referenceAxle: AxleDesign = {
  kind: 'kingpin',
  static: { toe: told.toe, camber: told.camber },
  tyre: { radius: told.tyreRadius, width: 120 },
  points: Object.fromEntries(
    Object.entries(told.points).map(([name, place]) => [name, toPoint(place as unknown as V)]),
  ) as unknown as Points,
  dropArm: { lower, upper, lock: 40 },
};

// Conditions on a free rigid upright, SciPy fsolve (MINPACK hybrd), xtol 1e-13.
it('agrees with values computed outside the project', () => {
  const { left } = prepared(referenceAxle);
  expect(told.rows.length).toBeGreaterThan(4);
  for (const row of told.rows as SteeredRow[]) {
    const reading = readAt(left, row.travel, row.steer);
    if (!reading.ok) throw new Error(reading.why);
    const { value } = reading;
    for (const name of ['toe', 'camber', 'caster', 'kpi'] as const)
      expect(Math.abs(value[name]! - row[name])).toBeLessThan(1e-5);
    for (const name of ['scrub', 'trail'] as const)
      expect(Math.abs(value[name]! - row[name])).toBeLessThan(1e-4);
    const places = [
      [value.contactAhead, value.contactOut, value.contactUp],
      [value.wheelAhead, value.wheelOut, value.wheelUp],
    ];
    [row.contact, row.wheelCentre].forEach((place, n) =>
      place.forEach((x, i) => expect(Math.abs(places[n][i] - x)).toBeLessThan(1e-4)),
    );
    // What is by travel is not there.
    for (const name of ['rollCentre', 'instantOut', 'contactLead'] as const)
      expect(value).not.toHaveProperty(name);
    expect(reading.perTravel).toEqual({});
  }
});

/** A blank kart corner with its points and a drop arm's shaft moved about. */
const anyKart = fc
  .record({
    off: fc.array(fc.double({ min: -9, max: 9, noNaN: true }), { minLength: 12, maxLength: 12 }),
    shaft: fc.array(fc.double({ min: -60, max: 60, noNaN: true }), { minLength: 6, maxLength: 6 }),
    toe: fc.double({ min: -1, max: 1, noNaN: true }),
    camber: fc.double({ min: -3, max: 3, noNaN: true }),
  })
  .map(({ off, shaft, toe, camber }): AxleDesign => {
    const { rack: _, ...front } = blankFront('kingpin');
    const points = Object.fromEntries(
      Object.entries(front.points).map(([name, { ahead, out, up }], i) => [
        name,
        { ahead: ahead + off[i], out: out + off[i + 3], up: up + off[i + 7] },
      ]),
    ) as unknown as Points;
    const inner = points['tieRodInner'];
    return {
      ...front,
      static: { toe, camber },
      points,
      dropArm: {
        lower: {
          ahead: inner.ahead - 10 + shaft[0] / 6,
          left: shaft[1] / 4,
          up: inner.up + 55 + shaft[2] / 6,
        },
        upper: {
          ahead: inner.ahead - 260 + shaft[3],
          left: shaft[4] / 4,
          up: inner.up + 300 + shaft[5],
        },
        lock: 40,
      },
    };
  });

type KartPoint = 'kingpinLower' | 'kingpinUpper' | 'tieRodInner' | 'tieRodOuter' | 'wheelCentre';

/** Rodrigues' formula (1840; from memory), written for this test alone. */
function turned([x, y, z]: V, [a, b, c]: V, angle: number): V {
  const size = Math.hypot(a, b, c);
  const [u, v, w] = [a / size, b / size, c / size];
  const [s, k] = [Math.sin(angle), Math.cos(angle)];
  const d = (u * x + v * y + w * z) * (1 - k);
  return [
    x * k + (v * z - w * y) * s + u * d,
    y * k + (w * x - u * z) * s + v * d,
    z * k + (u * y - v * x) * s + w * d,
  ];
}

const list = ({ ahead, out, up }: { ahead: number; out: number; up: number }): V => [
  ahead,
  out,
  up,
];
const less = (a: V, b: V): V => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const plus = (a: V, b: V): V => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];

it('turns as Rodrigues’ formula has it, the turn found by halving', () => {
  let compared = 0;
  fc.assert(
    fc.property(anyKart, fc.integer({ min: -25, max: 25 }), (design, degrees) => {
      const p = Object.fromEntries(
        Object.entries(design.points).map(([name, point]) => [name, list(point)]),
      ) as Record<KartPoint, V>;
      const { lower: low, upper: high } = design.dropArm!;
      const [from, to]: V[] = [
        [low.ahead, low.left, low.up],
        [high.ahead, high.left, high.up],
      ];
      const inner = plus(
        from,
        turned(less(p.tieRodInner, from), less(to, from), (degrees * Math.PI) / 180),
      );
      const pin = less(p.kingpinUpper, p.kingpinLower);
      const about = (place: V, angle: number) =>
        plus(p.kingpinLower, turned(less(place, p.kingpinLower), pin, angle));
      const rod = Math.hypot(...less(p.tieRodOuter, p.tieRodInner));
      const off = (angle: number) => Math.hypot(...less(about(p.tieRodOuter, angle), inner)) - rod;
      // From as drawn, the way that the rod pulls or pushes, to the first place where it is as long as it is.
      const side = prepared(design).left;
      const here = readAt(side, 0, degrees);
      const way = Math.sign(-off(0) * (off(1e-4) - off(-1e-4))) || 1;
      let high2 = 0;
      while (Math.abs(high2) < 1 && Math.sign(off(high2)) === Math.sign(off(0)))
        high2 += way * 0.002;
      fc.pre(here.ok && Math.abs(high2) < 1);
      let [a, b] = [high2 - way * 0.002, high2];
      for (let i = 0; i < 60; i++) {
        const middle = (a + b) / 2;
        if (Math.sign(off(middle)) === Math.sign(off(0)) && degrees !== 0) a = middle;
        else b = middle;
      }
      const angle = degrees === 0 ? 0 : b;
      const centre = about(p.wheelCentre, angle);
      const [t, c] = [design.static.toe, design.static.camber].map((x) => (x * Math.PI) / 180);
      const spindle = turned(
        [Math.sin(t) * Math.cos(c), Math.cos(t) * Math.cos(c), -Math.sin(c)],
        pin,
        angle,
      );
      if (!here.ok) return;
      expect(Math.abs(here.value.wheelAhead - centre[0])).toBeLessThan(1e-6);
      expect(Math.abs(here.value.wheelUp - centre[2])).toBeLessThan(1e-6);
      const toe = (Math.atan2(spindle[0], spindle[1]) * 180) / Math.PI;
      expect(Math.abs(here.value.toe - toe)).toBeLessThan(1e-7);
      const camber = (-Math.asin(spindle[2]) * 180) / Math.PI;
      expect(Math.abs(here.value.camber - camber)).toBeLessThan(1e-7);
      compared++;
    }),
    { numRuns: 300 },
  );
  expect(compared).toBeGreaterThan(200);
});

it('is solved as the conditions on a free upright solve it, rates included, by drop arm and by rack', () => {
  const [a, b] = [new Float64Array(UPRIGHT_SIZE), new Float64Array(UPRIGHT_SIZE)];
  let compared = 0;
  fc.assert(
    fc.property(anyKart, fc.boolean(), fc.integer({ min: -25, max: 25 }), (kart, byRack, steer) => {
      const { dropArm, ...rest } = kart;
      const design: AxleDesign = byRack
        ? { ...rest, rack: { travel: 30, sweep: 4, rise: 3 } }
        : kart;
      expect(dropArm).toBeDefined();
      for (const side of ['left', 'right'] as const) {
        const drawn = drawnCorner(design, side);
        const [closed, free] = [prepareKingpin(drawn), prepareFree(drawn)];
        if (!closed.ok || !free.ok) return expect(closed.ok).toBe(free.ok);
        const reached = closed.corner.pose(0, steer, a);
        fc.pre(reached && free.corner.pose(0, steer, b));
        a.forEach((value, i) => {
          if (Number.isNaN(value)) expect(b[i]).toBeNaN();
          else expect(Math.abs(value - b[i])).toBeLessThan(1e-8 * Math.max(1, Math.abs(value)));
        });
        compared++;
      }
    }),
    { numRuns: 300 },
  );
  expect(compared).toBeGreaterThan(300);
});

it('is a plane four-bar where kingpin and shaft stand upright (Freudenstein 1955)', () => {
  // Ground g between the pivots, crank a (drop arm), coupler b (rod), rocker c (steering arm).
  const { rack: _, ...front } = blankFront('kingpin');
  const points = {
    ...front.points,
    kingpinLower: { ahead: 0, out: 400, up: 90 },
    kingpinUpper: { ahead: 0, out: 400, up: 160 },
    tieRodInner: { ahead: -50, out: 20, up: 120 },
    tieRodOuter: { ahead: -95, out: 385, up: 120 },
    wheelCentre: { ahead: 0, out: 500, up: 130 },
  };
  const design: AxleDesign = {
    ...front,
    static: { toe: 0, camber: 0 },
    points,
    dropArm: {
      lower: { ahead: 10, left: 0, up: 60 },
      upper: { ahead: 10, left: 0, up: 400 },
      lock: 40,
    },
  };
  const { left } = prepared(design);
  const O: [number, number] = [10, 0];
  const K: [number, number] = [0, 400];
  const g = Math.hypot(K[0] - O[0], K[1] - O[1]);
  const line = Math.atan2(K[1] - O[1], K[0] - O[0]);
  const a = Math.hypot(-50 - 10, 20);
  const c = Math.hypot(-95, 385 - 400);
  const b = Math.hypot(-95 + 50, 385 - 20);
  const crank0 = Math.atan2(20, -60) - line;
  const rocker0 = Math.atan2(385 - 400, -95) - line;
  const [k1, k2, k3] = [g / a, g / c, (a * a - b * b + c * c + g * g) / (2 * a * c)];
  for (const degrees of [-30, -17, -4, 0, 9, 23, 31]) {
    const reading = readAt(left, 0, degrees);
    if (!reading.ok) throw new Error(reading.why);
    // Angles from ahead towards the left count as the shaft turns seen from above.
    const crank = crank0 + (degrees * Math.PI) / 180;
    const rocker = rocker0 - (reading.value.toe * Math.PI) / 180;
    // K1 cos φ − K2 cos ψ + K3 = cos(ψ − φ), φ the rocker, ψ the crank.
    expect(k1 * Math.cos(rocker) - k2 * Math.cos(crank) + k3).toBeCloseTo(
      Math.cos(crank - rocker),
      12,
    );
  }
});

it('left mirrors right, the shaft in the middle', () => {
  const middle = structuredClone(referenceAxle);
  const { left, right } = prepared(middle);
  for (const steer of [-20, 7, 24]) {
    const [a, b] = [readAt(left, 0, steer), readAt(right, 0, -steer)];
    if (!a.ok || !b.ok) throw new Error('out of reach');
    expect(b.value).toEqual(a.value);
    expect(b.perRack.toe).toBeCloseTo(-a.perRack.toe, 12);
  }
});

it('says that there is no travel, and where the rod goes over centre; nothing past that is reached', () => {
  // An arm shorter than the drop arm.
  const { points } = referenceAxle;
  const short: AxleDesign = {
    ...referenceAxle,
    points: { ...points, tieRodOuter: { ahead: -34, out: 412, up: 112 } },
  };
  const { left } = prepared(short);
  const up = readAt(left, 10, 0);
  expect(up).toEqual({ ok: false, why: 'the wheel has no travel: the frame holds its kingpin' });
  const upright = new Float64Array(UPRIGHT_SIZE);
  let last = 0;
  while (last < 400 && left.corner.pose(0, last + 0.5, upright)) last += 0.5;
  expect(last).toBeLessThan(180);
  for (let far = last + 0.5; far < 200; far += 3) {
    expect(left.corner.pose(0, far, upright)).toBe(false);
    // Nor by a corner that has not been there before.
    expect(prepared(short).left.corner.pose(0, far, upright)).toBe(false);
  }
  const why = readAt(left, 0, last + 40);
  if (why.ok) throw new Error('reached');
  expect(why.why).toMatch(
    /^the tie rod goes over centre past ride height with the drop arm [\d.]+° left$/,
  );
  expect(Number(/([\d.]+)°/.exec(why.why)![1])).toBeCloseTo(last, 0);
});

it('refuses a rod that points straight at the kingpin', () => {
  const { points } = referenceAxle;
  const { kingpinLower: k, tieRodInner: inner } = points;
  const dead = {
    ...points,
    tieRodOuter: {
      ahead: (k.ahead + inner.ahead) / 2,
      out: (k.out + inner.out) / 2,
      up: (k.up + inner.up) / 2,
    },
  };
  const found = prepareKingpin(drawnCorner({ ...referenceAxle, points: dead }, 'left'));
  expect(found).toMatchObject({ ok: false, faults: [{ point: 'tieRodInner' }] });
  expect(kingpin.noTravel).toBe(true);
});
