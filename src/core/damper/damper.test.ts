import fc from 'fast-check';
import { MOUNTINGS, aDamper, anyDamped, damped, planePushRod, typeWith } from '../../test/dampers';
import { axleSchema } from '../model/build';
import type { AxleDesign } from '../model/build';
import type { Damper } from '../model/damper';
import { distance } from '../geometry/vec';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { placer } from '../kinematics/joints';
import { Wheel } from '../kinematics/wheel';
import { Linkage, linkageFaults } from './linkage';
import { coilRate, pressed, twistRate } from './springs';
import { DamperAt } from './sweep';

const wheelOf = (design: AxleDesign, bump = 50, droop = 50) =>
  new Wheel('front', 'left', design, { bump, droop });

/** Everything a damper may have on a carrier: a spring of its own, a torsion bar, a bar, a strap. */
const laden = (mounting: Pick<Damper, 'by' | 'on'>, kind: string): Damper => {
  const on = mounting.on ?? 'upright';
  const { pivots } = typeWith(kind, aDamper(mounting));
  const arm = pivots.find(({ body, carries }) => body && carries)?.body;
  return aDamper(mounting, {
    spring: { rate: 24, free: 300, bind: 110, preload: 90, on },
    ...(mounting.by === 'rocker'
      ? { torsion: { about: 'rocker' as const, outside: 18, length: 400, wound: 12 } }
      : arm && { torsion: { about: arm, outside: 22, length: 700, wound: 9 } }),
    bar: { on: mounting.by === 'rocker' ? 'rocker' : on, outside: 18, length: 800 },
    strap: { on, length: 400 },
  });
};

describe.each(MOUNTINGS)('$kind, $by on $on', ({ kind, ...mounting }) => {
  const damper = laden(mounting, kind);

  it('is a sound axle; its points without it are refused', () => {
    expect(axleSchema.safeParse(damped(kind, damper)).error?.issues ?? []).toEqual([]);
    expect(axleSchema.safeParse({ ...damped(kind, damper), damper: undefined }).success).toBe(
      false,
    );
  });

  it('shortens by its ratio, springs and bars alike: against differences of their lengths', () => {
    fc.assert(
      fc.property(
        anyDamped(kind, damper),
        fc.double({ min: -40, max: 40, noNaN: true }),
        (design, travel) => {
          const { corner } = wheelOf(design);
          if (!corner) return;
          const linkage = new Linkage(corner, damper);
          // Five points: what is left of the differences goes with the fourth power of the step.
          const h = 2e-3;
          const at = [-2 * h, -h, 0, h, 2 * h].map((by) => linkage.at(travel + by));
          if (at.some((one) => !one)) return;
          const [a, b, now, c, d] = at.map((one) => one!);
          const slope = (of: (one: typeof now) => number) =>
            (8 * (of(c) - of(b)) - (of(d) - of(a))) / (12 * h);
          expect(-slope((one) => one.damper.length)).toBeCloseTo(now.damper.ratio, 6);
          expect(-slope((one) => one.spring!.length)).toBeCloseTo(now.spring!.ratio, 6);
          expect(-slope((one) => one.strap!.length)).toBeCloseTo(now.strap!.ratio, 6);
          expect(slope((one) => one.bar!.angle)).toBeCloseTo(now.bar!.rate, 6);
          if (damper.torsion)
            expect(slope((one) => one.torsion!.angle)).toBeCloseTo(now.torsion!.rate, 6);
        },
      ),
      { numRuns: 15 },
    );
  });

  it('keeps bodies solid: places on one keep their distances, rods their lengths', () => {
    fc.assert(
      fc.property(anyDamped(kind, damper), (design) => {
        const { corner, type } = wheelOf(design);
        if (!corner) return;
        const at = placer(corner.drawn);
        const u = new Float64Array(UPRIGHT_SIZE);
        if (!corner.corner.pose(0, 0, u)) return;
        const home = at(u);
        if (!corner.corner.pose(35, 0, u)) return;
        const now = at(u);
        const same = (a: string, b: string) =>
          expect(distance(now[a], now[b])).toBeCloseTo(distance(home[a], home[b]), 7);
        for (const { from, to, name } of type.members)
          if (name === 'rocker rod' || name === 'bar link') same(from, to);
        if (mounting.by === 'rocker') {
          same('rockerPivot', 'damperOuter');
          same('rockerAxis', 'damperOuter');
          same('rockerRodInner', 'damperOuter');
          same('rockerPivot', 'barLinkOuter');
        }
        same('barPivot', 'barLinkInner');
        for (const { body, carries, through } of type.pivots)
          for (const [name, { on }] of Object.entries(type.points))
            if (body && carries && on === body)
              for (const other of [...through, carries]) same(other, name);
      }),
      { numRuns: 10 },
    );
  });

  it('stores in its springs what the wheel puts in: virtual work over the travel', () => {
    fc.assert(
      fc.property(anyDamped(kind, damper), (design) => {
        const { corner } = wheelOf(design);
        if (!corner) return;
        const of = new DamperAt(corner, damper);
        const [from, to, parts] = [-30, 30, 240];
        const rows = Array.from({ length: parts + 1 }, (_, i) =>
          of.row(from + ((to - from) * i) / parts),
        );
        if (rows.some((row) => !row)) return;
        // Simpson's rule over an even number of parts, fine enough for a rocker near its centre.
        const work = rows.reduce(
          (sum, row, i) =>
            sum + row!.wheelForce! * (i === 0 || i === parts ? 1 : i % 2 === 1 ? 4 : 2),
          0,
        );
        const integral = (work * (to - from)) / (3 * parts);
        const stored = (row: NonNullable<(typeof rows)[0]>) =>
          0.5 * damper.spring!.rate * row.pressed! ** 2 +
          (damper.torsion
            ? (0.5 * row.torque! ** 2) / (twistRate(damper.torsion) * (180 / Math.PI))
            : 0);
        const energy = stored(rows[parts]!) - stored(rows[0]!);
        expect(Math.abs(integral - energy)).toBeLessThan(1e-5 * Math.max(1000, Math.abs(energy)));
      }),
      { numRuns: 8 },
    );
  });

  it('has the wheel rate that its wheel force has, the ratio’s own change included', () => {
    const { corner } = wheelOf(damped(kind, damper));
    const of = new DamperAt(corner!, damper);
    for (const travel of [-20, 0, 15]) {
      const [a, now, b] = [-0.01, 0, 0.01].map((by) => of.row(travel + by)!);
      expect((b.wheelForce! - a.wheelForce!) / 0.02).toBeCloseTo(now.wheelRate!, 4);
    }
  });
});

describe('places that make no damper', () => {
  const faultsOf = (change: (points: AxleDesign['points']) => void) => {
    const damper = aDamper(
      { by: 'rocker', on: 'lowerArm' },
      { bar: { on: 'rocker', outside: 18, length: 700 } },
    );
    const design = damped('double-wishbone', damper);
    change(design.points);
    return linkageFaults(wheelOf(design).corner!, damper);
  };

  it.each<[string, RegExp, (points: AxleDesign['points']) => void]>([
    ['damperInner', /in one place/u, (p) => void (p['damperInner'] = p['damperOuter'])],
    ['rockerPivot', /in one place/u, (p) => void (p['rockerAxis'] = p['rockerPivot'])],
    [
      'rockerRodInner',
      /lies on the axis/u,
      (p) =>
        void (p['rockerRodInner'] = { ...p['rockerPivot'], ahead: p['rockerPivot'].ahead + 20 }),
    ],
    [
      'rockerRodInner',
      /in line as drawn/u,
      (p) => {
        const [a, b] = [p['rockerPivot'], p['rockerRodOuter']];
        p['rockerRodInner'] = { ahead: a.ahead, out: (a.out + b.out) / 2, up: (a.up + b.up) / 2 };
      },
    ],
    [
      'barLinkInner',
      /lies on the axis/u,
      (p) => void (p['barLinkInner'] = { ...p['barPivot'], out: 0 }),
    ],
  ])('%s: %s', (point, message, change) => {
    expect(faultsOf(change)).toContainEqual({ point, message: expect.stringMatching(message) });
  });

  it('none as it is begun', () => expect(faultsOf(() => undefined)).toEqual([]));
});

describe('by hand', () => {
  it('a plane wishbone with a push rod and a rocker: levers alone', () => {
    // Arms level and parallel, 300 long: at ride height the wheel goes straight up as the joints do. The rod stands
    // upright on the arm 200 out of 300; it lifts a rocker's 60 mm arm, whose other arm of 90 mm, square to it, pushes a level damper.
    const design = planePushRod();
    const linkage = new Linkage(wheelOf(design).corner!, design.damper!);
    const home = linkage.at(0)!;
    expect(home.damper.length).toBe(340);
    expect(home.damper.ratio).toBeCloseTo(((200 / 300) * 90) / 60, 9);
    expect(home.rodToRocker).toBeCloseTo(90, 6);
    expect(home.damperToRocker).toBeCloseTo(90, 6);
    expect(home.toArm).toBeCloseTo(90, 6);
    // The wheel 60 up turns the arm by asin(60/300); then rod and rocker by the law of cosines.
    const arm = Math.asin(60 / 300);
    const [y, z] = [300 + 200 * Math.cos(arm), 200 + 200 * Math.sin(arm)];
    const [dy, dz] = [y - 440, z - 500];
    const far = Math.hypot(dy, dz);
    const toJoint = Math.acos((far ** 2 + 60 ** 2 - 300 ** 2) / (2 * far * 60));
    const angle = Math.atan2(dz, dy) + toJoint;
    const end = [440 - 90 * Math.sin(angle), 500 + 90 * Math.cos(angle)];
    expect(linkage.at(60)!.damper.length).toBeCloseTo(Math.hypot(end[0] - 100, end[1] - 590), 8);
  });

  it('a coil spring: 10 mm wire, 80 mm across its middle, 6 turns (Shigley’s formula by hand)', () => {
    // 79300 · 10⁴ / (8 · 6 · 80³) = 7.93e8 / 2.4576e7.
    expect(coilRate(10, 80, 6)).toBeCloseTo(32.267, 3);
  });

  it('a torsion bar: half a degree of 20 mm over 600 mm', () => {
    // J = π 20⁴ / 32 = 15707.96; T = G J θ / L = 79300 · 15707.96 · 0.00872665 / 600.
    expect(twistRate({ outside: 20, length: 600 }) / 2).toBeCloseTo(18117.1, 0);
    const tube = twistRate({ outside: 20, wall: 4, length: 600 });
    expect(tube / twistRate({ outside: 20, length: 600 })).toBeCloseTo(1 - (12 / 20) ** 4, 12);
  });

  it('a helper closes first: force against a walk in small steps through both springs', () => {
    const spring = {
      rate: 40,
      free: 200,
      bind: 90,
      preload: 0,
      helper: { rate: 5, free: 60, bind: 20 },
    };
    expect(pressed(spring, -3)).toEqual({ force: 0, rate: 0 });
    // By steps of force: what each gives, until the helper's 40 mm are used up.
    let by = 0;
    for (let force = 0; force < 1200; force += 0.5) {
      by = force / 40 + Math.min(force / 5, 40);
      expect(pressed(spring, by).force).toBeCloseTo(force, 9);
    }
    expect(pressed(spring, by).rate).toBe(40);
    expect(pressed(spring, 10).rate).toBeCloseTo(200 / 45, 12);
  });
});
