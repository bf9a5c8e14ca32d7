import fc from 'fast-check';
import { bringToNothing } from '../../test/referenceSolver';
import { U, UPRIGHT_SIZE } from './corner';
import { CoupledAxle } from './coupledAxle';
import type { CoupledInput } from './coupledAxle';
import type { DrawnCoupled } from './coupledBodies';

type V = [number, number, number];
const add = (a: V, b: V): V => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
const sub = (a: V, b: V): V => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const size = (a: V): number => Math.hypot(a[0], a[1], a[2]);
const mirror = ([x, y, z]: V): V => [x, -y, z];

/** Rodrigues' formula (1840; from memory), written for this test alone. */
function turned([x, y, z]: V, [a, b, c]: V): V {
  const angle = Math.hypot(a, b, c);
  if (angle === 0) return [x, y, z];
  const [u, v, w] = [a / angle, b / angle, c / angle];
  const [s, k] = [Math.sin(angle), Math.cos(angle)];
  const d = (u * x + v * y + w * z) * (1 - k);
  return [
    x * k + (v * z - w * y) * s + u * d,
    y * k + (w * x - u * z) * s + v * d,
    z * k + (u * y - v * x) * s + w * d,
  ];
}

/** A small two-seater's front axle: springs fixed ahead, arms behind, the drag link along the left side to a box behind. */
const beam = (off: readonly number[] = []): DrawnCoupled => {
  const o = (i: number) => off[i] ?? 0;
  const left = {
    kingpinLower: [4 + o(0), 520 + o(1), 205 + o(2)] as V,
    kingpinUpper: [-10 + o(3), 505 + o(4), 315 + o(5)] as V,
    wheelCentre: [0 + o(6), 600 + o(7), 265 + o(8)] as V,
    tieRodOuter: [-130 + o(9), 480 + o(10), 215 + o(11)] as V,
    spring: {
      pad: [0, 330 + o(12), 250 + o(13)] as V,
      eye: [420 + o(14), 335 + o(15), 290 + o(16)] as V,
    },
  };
  const right = {
    kingpinLower: mirror(left.kingpinLower),
    kingpinUpper: mirror(left.kingpinUpper),
    wheelCentre: mirror(left.wheelCentre),
    tieRodOuter: mirror(left.tieRodOuter),
    spring: { pad: mirror(left.spring.pad), eye: mirror(left.spring.eye) },
  };
  return {
    ends: { left, right },
    dragLink: {
      outer: [-15 + o(17), 418 + o(18), 300 + o(19)],
      inner: [-560 + o(20), 400 + o(21), 330 + o(22)],
      to: 'left',
    },
    steering: { by: 'drop arm', through: [-570, 420, 460], about: [0, 1, 0] },
    static: { toe: 0.1, camber: 1 },
  };
};
const anyBeam = fc
  .array(fc.double({ min: -8, max: 8, noNaN: true }), { minLength: 23, maxLength: 23 })
  .map(beam);
const anyInput = fc.record({
  left: fc.double({ min: -45, max: 45, noNaN: true }),
  right: fc.double({ min: -45, max: 45, noNaN: true }),
  // Further the tie rod comes near over centre, where differences and residuals say little.
  steer: fc.double({ min: -13, max: 13, noNaN: true }),
  windUp: fc.double({ min: -3, max: 3, noNaN: true }),
});

const spindle = ({ toe, camber }: DrawnCoupled['static']): V => {
  const [t, c] = [toe, camber].map((x) => (x * Math.PI) / 180);
  return [Math.sin(t) * Math.cos(c), Math.cos(t) * Math.cos(c), -Math.sin(c)];
};

/** Where everything is by a beam free in space and two turns, eight equations: a general-purpose least-squares solver. */
function byReference(drawn: DrawnCoupled, to: CoupledInput) {
  const { ends, dragLink, steering } = drawn;
  if (steering.by !== 'drop arm') throw new Error('for drop arms');
  const both = [ends.left, ends.right];
  const origin: V = [both[0].spring!.pad[0], 0, both[0].spring!.pad[2]];
  const ARM = 300;
  const held = (p: V, q: readonly number[]): V =>
    add(
      add(origin, [q[0], q[1], q[2]]),
      turned(sub(p, origin), [q[3] / ARM, q[4] / ARM, q[5] / ARM]),
    );
  const stub = (p: V, end: number, q: readonly number[]): V => {
    const { kingpinLower, kingpinUpper } = both[end];
    const k = sub(kingpinUpper as V, kingpinLower as V);
    const angle = q[6 + end] / ARM / size(k);
    return held(
      add(
        kingpinLower as V,
        turned(sub(p, kingpinLower as V), [k[0] * angle, k[1] * angle, k[2] * angle]),
      ),
      q,
    );
  };
  const rod = size(sub(both[0].tieRodOuter as V, both[1].tieRodOuter as V));
  const link = size(sub(dragLink.outer as V, dragLink.inner as V));
  const residuals =
    (part: number) =>
    (q: readonly number[]): number[] => {
      const arm = turned(sub(dragLink.inner as V, steering.through as V), [
        0,
        (part * to.steer * Math.PI) / 180,
        0,
      ]);
      const inner = add(steering.through as V, arm);
      const pads = both.map(({ spring }) => held(spring!.pad as V, q));
      // Wound up, what was level along before it is still.
      const wound = (part * to.windUp * Math.PI) / 180;
      const along: V = [origin[0] + Math.cos(wound), origin[1], origin[2] + Math.sin(wound)];
      const ahead = sub(held(along, q), held(origin, q));
      return [
        stub(both[0].wheelCentre as V, 0, q)[2] - both[0].wheelCentre[2] - part * to.left,
        stub(both[1].wheelCentre as V, 1, q)[2] - both[1].wheelCentre[2] - part * to.right,
        // Sideways by the middle of the pads, level along: the leaves hold both.
        pads[0][1] + pads[1][1],
        ARM * ahead[2],
        ...both.map(({ spring }, i) => {
          const { pad, eye } = spring!;
          const [x, z] = [0, 2].map((c) => pad[c] + 0.75 * (eye[c] - pad[c]));
          const reach = Math.hypot(pad[0] - x, pad[2] - z);
          return Math.hypot(pads[i][0] - x, pads[i][2] - z) - reach;
        }),
        size(sub(stub(both[0].tieRodOuter as V, 0, q), stub(both[1].tieRodOuter as V, 1, q))) - rod,
        size(sub(stub(dragLink.outer as V, 0, q), inner)) - link,
      ];
    };
  const q = bringToNothing(20, residuals, 8);
  const k = (end: number): V => {
    const { kingpinLower, kingpinUpper } = both[end];
    return sub(kingpinUpper as V, kingpinLower as V);
  };
  const spin = spindle(drawn.static);
  return {
    /** What is left of the equations: it did not come to rest where that is something. */
    left: Math.max(...residuals(1)(q).map(Math.abs)),
    wheels: both.map(({ wheelCentre }, end) => stub(wheelCentre as V, end, q)),
    spindles: [spin, mirror(spin)].map((a, end) => {
      const pin = k(end);
      const angle = q[6 + end] / ARM / size(pin);
      const on = turned(a, [pin[0] * angle, pin[1] * angle, pin[2] * angle]);
      return turned(on, [q[3] / ARM, q[4] / ARM, q[5] / ARM]);
    }),
  };
}

const u = new Float64Array(UPRIGHT_SIZE);
const three = (at: number): V => [u[at], u[at + 1], u[at + 2]];

it('stands where a general-purpose solver puts a free beam with two turning stubs', () => {
  let compared = 0;
  fc.assert(
    fc.property(anyBeam, anyInput, (drawn, input) => {
      const axle = new CoupledAxle(drawn);
      expect(axle.fault()).toBeNull();
      expect(axle.goTo(input)).toBe(true);
      const { left, wheels, spindles } = byReference(drawn, input);
      fc.pre(left < 1e-7);
      compared++;
      for (const [end, side] of (['left', 'right'] as const).entries()) {
        axle.write(side, true, u);
        const outward = (v: V) => (end === 0 ? v : mirror(v));
        three(U.wheelCentre).forEach((x, i) =>
          expect(Math.abs(x - outward(wheels[end])[i])).toBeLessThan(1e-5),
        );
        three(U.spindle).forEach((x, i) =>
          expect(Math.abs(x - outward(spindles[end])[i])).toBeLessThan(1e-6),
        );
      }
    }),
    { numRuns: 40 },
  );
  expect(compared).toBe(40);
});

it('has rates that are the limits of differences, in heave, in roll and by the steering', () => {
  const h = 1e-3;
  fc.assert(
    fc.property(anyBeam, anyInput, fc.boolean(), fc.boolean(), (drawn, input, onLeft, alike) => {
      const axle = new CoupledAxle(drawn);
      const side = onLeft ? 'left' : 'right';
      const read = (by: Partial<CoupledInput>) => {
        const to = { ...input };
        for (const key of ['left', 'right', 'steer', 'windUp'] as const) to[key] += by[key] ?? 0;
        expect(axle.goTo(to)).toBe(true);
        axle.write(side, alike, u);
        return u.slice();
      };
      const here = read({});
      const other = alike ? 1 : -1;
      const travel = (x: number) =>
        onLeft ? { left: x, right: other * x } : { left: other * x, right: x };
      const steer = (x: number) => ({ steer: onLeft ? x : -x });
      for (const [by, turnAt, moveAt, axisAt] of [
        [travel, U.turnPerTravel, U.movePerTravel, U.axisAtPerTravel],
        [steer, U.turnPerRack, U.movePerRack, U.axisAtPerRack],
      ] as const) {
        const [plus, minus] = [read(by(h)), read(by(-h))];
        const rate = (at: number, n: number) =>
          Array.from({ length: n }, (_, i) => (plus[at + i] - minus[at + i]) / (2 * h));
        const close = (got: ArrayLike<number>, wanted: number[]) =>
          wanted.forEach((x, i) =>
            expect(Math.abs(got[i] - x)).toBeLessThan(2e-5 * (1 + Math.abs(x))),
          );
        close(here.subarray(moveAt, moveAt + 3), rate(U.wheelCentre, 3));
        close(here.subarray(axisAt, axisAt + 6), rate(U.axisAt, 6));
        const [wx, wy, wz] = here.subarray(turnAt, turnAt + 3);
        const [ax, ay, az] = here.subarray(U.spindle, U.spindle + 3);
        close([wy * az - wz * ay, wz * ax - wx * az, wx * ay - wy * ax], rate(U.spindle, 3));
        const [x, y, z] = here.subarray(U.heading, U.heading + 3);
        close([wy * z - wz * y, wz * x - wx * z, wx * y - wy * x], rate(U.heading, 3));
      }
    }),
    { numRuns: 30 },
  );
});

it('heaves on its leaves’ arcs, the steer as plane constructions have it', () => {
  // Upright kingpins, pads and eyes level: the beam goes on a circle, and nothing rolls or yaws.
  const drawn = beam();
  for (const side of ['left', 'right'] as const) {
    const end = drawn.ends[side];
    const out = side === 'left' ? 1 : -1;
    end.kingpinLower = [0, 520 * out, 205];
    end.kingpinUpper = [0, 520 * out, 315];
    end.spring = { pad: [0, 330 * out, 250], eye: [400, 330 * out, 250] };
  }
  drawn.static = { toe: 0, camber: 0 };
  const axle = new CoupledAxle(drawn);
  for (const up of [-50, -20, 15, 45]) {
    expect(axle.goTo({ left: up, right: up, steer: 0, windUp: 0 })).toBe(true);
    // The middle of the arc is 300 mm ahead of the pad.
    const ahead = 300 - Math.sqrt(300 ** 2 - up ** 2);
    const pad = axle.pad('left')!;
    expect(pad[0]).toBeCloseTo(ahead, 9);
    expect(pad[2]).toBeCloseTo(250 + up, 9);
    axle.write('left', true, u);
    const steer = Math.atan2(-u[U.spindle], u[U.spindle + 1]);
    // The drag link's outer end turned by that about the kingpin is as far from the box's end as drawn.
    const { inner, outer } = drawn.dragLink;
    const arm = turned(sub(outer as V, [0, 520, 300]), [0, 0, steer]);
    const now = add([ahead, 520, 300 + up], arm);
    expect(size(sub(now, inner as V))).toBeCloseTo(size(sub(outer as V, inner as V)), 8);
    expect(Math.abs(steer)).toBeGreaterThan(1e-4);
  }
});

it('rolls about the middle of its pads, level along, and yaws by what its arcs differ', () => {
  const axle = new CoupledAxle(beam());
  expect(axle.goTo({ left: 30, right: -30, steer: 0, windUp: 0 })).toBe(true);
  const [left, right] = [axle.pad('left')!, axle.pad('right')!];
  expect(left[1] + right[1]).toBeCloseTo(0, 9);
  expect(left[2] - right[2]).toBeGreaterThan(25);
  // One pad goes ahead of the other: leaves that rise to their eyes steer the beam in roll.
  expect(Math.abs(left[0] - right[0])).toBeGreaterThan(1);
  expect(size(sub(left as V, right as V))).toBeCloseTo(660, 9);
});

it('keeps toe by its tie rod while the whole car steers, and steers as the axle winds up', () => {
  const axle = new CoupledAxle(beam());
  const headings = (input: Partial<CoupledInput>) => {
    expect(axle.goTo({ left: 0, right: 0, steer: 0, windUp: 0, ...input })).toBe(true);
    return (['left', 'right'] as const).map((side) => {
      axle.write(side, true, u);
      const toe = (Math.atan2(u[U.spindle], u[U.spindle + 1]) * 180) / Math.PI;
      return side === 'left' ? -toe : toe;
    });
  };
  const [l0, r0] = headings({});
  const [l1, r1] = headings({ left: 40, right: 40 });
  const toe = (l: number, r: number) => r - l;
  expect(Math.abs(toe(l1, r1) - toe(l0, r0))).toBeLessThan(0.05);
  expect(Math.abs((l1 + r1) / 2 - (l0 + r0) / 2)).toBeGreaterThan(0.2);
  const [l2, r2] = headings({ windUp: 2 });
  expect(Math.abs((l2 + r2) / 2 - (l0 + r0) / 2)).toBeGreaterThan(0.1);
});

/** A kart with one tie rod from arm to arm, moved by a drag link. */
const kart = (off: readonly number[] = []): DrawnCoupled => {
  const o = (i: number) => off[i] ?? 0;
  const left = {
    kingpinLower: [8 + o(0), 412 + o(1), 104 + o(2)] as V,
    kingpinUpper: [-8 + o(3), 400 + o(4), 168 + o(5)] as V,
    wheelCentre: [0 + o(6), 500 + o(7), 135 + o(8)] as V,
    tieRodOuter: [-94 + o(9), 394 + o(10), 116 + o(11)] as V,
  };
  const right = {
    kingpinLower: mirror(left.kingpinLower),
    kingpinUpper: mirror(left.kingpinUpper),
    wheelCentre: mirror(left.wheelCentre),
    tieRodOuter: mirror(left.tieRodOuter),
  };
  return {
    ends: { left, right },
    dragLink: {
      outer: [-60 + o(12), 380 + o(13), 120 + o(14)],
      inner: [-110 + o(15), 30 + o(16), 108 + o(17)],
      to: 'left',
    },
    steering: { by: 'drop arm', through: [-60, 0, 150], about: [-0.8, 0, 0.6] },
    static: { toe: 0, camber: -0.5 },
  };
};

it('turns both stubs of a kart as halving does, one after the other', () => {
  let compared = 0;
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -6, max: 6, noNaN: true }), { minLength: 18, maxLength: 18 }),
      fc.integer({ min: -20, max: 20 }),
      (off, steer) => {
        fc.pre(steer !== 0);
        const drawn = kart(off);
        const axle = new CoupledAxle(drawn);
        fc.pre(axle.goTo({ left: 0, right: 0, steer, windUp: 0 }));
        const { inner, outer } = drawn.dragLink;
        if (drawn.steering.by !== 'drop arm') return;
        const { through, about } = drawn.steering;
        const by = (steer * Math.PI) / 180;
        const end = add(
          through as V,
          turned(sub(inner as V, through as V), (about as V).map((x) => x * by) as V),
        );
        const on = (p: V, side: 'left' | 'right', angle: number): V => {
          const { kingpinLower: a, kingpinUpper: b } = drawn.ends[side];
          const k = sub(b as V, a as V);
          return add(a as V, turned(sub(p, a as V), k.map((x) => (x / size(k)) * angle) as V));
        };
        /** The root nearest to nothing, by halving between signs. */
        const root = (f: (angle: number) => number): number | null => {
          for (let reach = 0.01; reach < 0.9; reach += 0.01)
            for (const way of [1, -1]) {
              let [a, b] = [way * (reach - 0.01), way * reach];
              if (Math.sign(f(a)) === Math.sign(f(b))) continue;
              for (let i = 0; i < 60; i++) {
                const middle = (a + b) / 2;
                if (Math.sign(f(middle)) === Math.sign(f(a))) a = middle;
                else b = middle;
              }
              return b;
            }
          return null;
        };
        const link = size(sub(outer as V, inner as V));
        const left = root((angle) => size(sub(on(outer as V, 'left', angle), end)) - link);
        const { left: l, right: r } = drawn.ends;
        const rod = size(sub(l.tieRodOuter as V, r.tieRodOuter as V));
        const right =
          left === null
            ? null
            : root(
                (angle) =>
                  size(
                    sub(
                      on(l.tieRodOuter as V, 'left', left),
                      on(r.tieRodOuter as V, 'right', angle),
                    ),
                  ) - rod,
              );
        fc.pre(left !== null && right !== null);
        axle.write('left', true, u);
        const wheel = on(l.wheelCentre as V, 'left', left!);
        three(U.wheelCentre).forEach((x, i) => expect(Math.abs(x - wheel[i])).toBeLessThan(1e-6));
        axle.write('right', true, u);
        const other = mirror(on(r.wheelCentre as V, 'right', right!));
        three(U.wheelCentre).forEach((x, i) => expect(Math.abs(x - other[i])).toBeLessThan(1e-6));
        expect(u[U.movePerTravel]).toBeNaN();
        compared++;
      },
    ),
    { numRuns: 200 },
  );
  expect(compared).toBeGreaterThan(120);
  expect(new CoupledAxle(kart()).goTo({ left: 5, right: 5, steer: 0, windUp: 0 })).toBe(false);
});

it('is the mirror image with its drag link on the other side, steered the other way', () => {
  const drawn = beam();
  const { dragLink, ends, steering } = drawn;
  if (steering.by !== 'drop arm') return;
  const other: DrawnCoupled = {
    ...drawn,
    ends: { left: ends.left, right: ends.right },
    dragLink: {
      inner: mirror(dragLink.inner as V),
      outer: mirror(dragLink.outer as V),
      to: 'right',
    },
    steering: { by: 'drop arm', through: mirror(steering.through as V), about: [0, -1, 0] },
  };
  const [a, b] = [new CoupledAxle(drawn), new CoupledAxle(other)];
  const v = new Float64Array(UPRIGHT_SIZE);
  for (const [left, right, steer] of [
    [20, -10, 5],
    [-30, 12, -14],
  ]) {
    expect(a.goTo({ left, right, steer, windUp: 0 })).toBe(true);
    // The shaft's mirror image points the other way, and turned by as much less it turns as the first one does.
    expect(b.goTo({ left: right, right: left, steer: -steer, windUp: 0 })).toBe(true);
    a.write('left', true, u);
    b.write('right', true, v);
    for (let i = 0; i < U.turnPerRack; i++) expect(v[i]).toBeCloseTo(u[i], 8);
  }
});

it('refuses what is out of reach, and is where it was', () => {
  const axle = new CoupledAxle(beam());
  expect(axle.goTo({ left: 10, right: 10, steer: 4, windUp: 0 })).toBe(true);
  axle.write('left', true, u);
  const before = u.slice();
  expect(axle.goTo({ left: 0, right: 0, steer: 170, windUp: 0 })).toBe(false);
  axle.write('left', true, u);
  u.forEach((x, i) => expect(x).toBeCloseTo(before[i], 9));
  const dead = beam();
  // The drag link points straight at the kingpin: nothing tells which way it turns the wheel.
  dead.dragLink.outer = [-7, 510, 290];
  dead.dragLink.inner = [-500, 510, 290];
  const kingpin = dead.ends.left;
  kingpin.kingpinLower = [-7, 510, 200];
  kingpin.kingpinUpper = [-7, 510, 320];
  expect(new CoupledAxle(dead).fault()).toBe('drag link');
  const straight = kart();
  straight.ends.left.tieRodOuter = [0, 340, 136];
  straight.ends.right.tieRodOuter = [0, -340, 136];
  expect(new CoupledAxle(straight).fault()).toBe('tie rod');
});
