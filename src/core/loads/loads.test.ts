import fc from 'fast-check';
import { MOUNTINGS, aDamper, anyDamped, damped, planePushRod } from '../../test/dampers';
import { CORNER_TYPES, uprightPoints } from '../corners/kinds';
import { add, cross, dot, scale, sub, unit as unit3 } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import { spindleAt } from '../kinematics/frames';
import { jointsAt } from '../kinematics/joints';
import { prepareAxle } from '../kinematics/axle';
import { Wheel } from '../kinematics/wheel';
import { Linkage } from '../damper/linkage';
import type { AxleDesign, Build } from '../model/build';
import { LOAD_CASES, startingStrength } from '../model/loads';
import type { MemberMade } from '../model/loads';
import { blankBuild } from '../model/starts';
import { Assembly } from '../tolerance/assembly';
import { offsetCount } from '../tolerance/joints';
import { loadsOf } from './loads';
import { jointStands, standsAlong, standsBent, wallFor } from './reserve';
import { contactOf } from './forces';
import { CornerStatics, axialId, jointId } from './statics';
import type { UnitLoads } from './statics';

const wheelOf = (design: AxleDesign) => new Wheel('front', 'left', design, { bump: 50, droop: 50 });
const staticsOf = (wheel: Wheel) => {
  const ready = CornerStatics.of(wheel);
  if (!ready.ok) throw new Error(ready.why);
  return ready.statics;
};
const vecOf = ({ items, loads }: UnitLoads, load: number, id: string): Vec => {
  const k = 3 * items.findIndex((item) => item.id === id);
  return [loads[load][k], loads[load][k + 1], loads[load][k + 2]];
};
const AXES: Vec[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

describe.each(MOUNTINGS.filter(({ kind }) => kind !== 'beam'))(
  'statics of $kind, $by on $on',
  ({ kind, ...mounting }) => {
    const damper = aDamper(mounting);

    it('leaves nothing over: the chassis holds what the road puts on, force and moment', () => {
      fc.assert(
        fc.property(
          anyDamped(kind, damper),
          fc.double({ min: -35, max: 35, noNaN: true }),
          (design, travel) => {
            const wheel = wheelOf(design);
            if (!wheel.corner) return;
            const unit = staticsOf(wheel).at(travel);
            if (!unit) return;
            const u = new Float64Array(UPRIGHT_SIZE);
            wheel.corner.corner.pose(travel, 0, u);
            const at = jointsAt(wheel.corner.drawn, u);
            const road = contactOf(at.wheelCentre, spindleAt(u), design.tyre.radius);
            const held = unit.items.filter(
              ({ as, at: [name] }) => as === 'joint' && wheel.type.points[name].on === 'chassis',
            );
            AXES.forEach((force, load) => {
              let sum: Vec = scale(force, -1);
              let moment: Vec = cross(road, scale(force, -1));
              for (const { id, at: ends } of held) {
                const on = vecOf(unit, load, id);
                sum = add(sum, on);
                moment = add(moment, cross(at[ends[0]], on));
              }
              for (const part of sum) expect(Math.abs(part)).toBeLessThan(1e-8);
              // A rocker's bearing holds it from tilting besides: that is no force at its pivot.
              if (mounting.by === 'rocker') return;
              for (const part of moment) expect(Math.abs(part)).toBeLessThan(1e-5);
            });
          },
        ),
        { numRuns: 12 },
      );
    });

    it('has the damper carry what virtual work asks of it', () => {
      fc.assert(
        fc.property(
          anyDamped(kind, damper),
          fc.double({ min: -35, max: 35, noNaN: true }),
          (design, travel) => {
            const wheel = wheelOf(design);
            if (!wheel.corner) return;
            const unit = staticsOf(wheel).at(travel);
            const linkage = new Linkage(wheel.corner, damper).at(travel);
            if (!unit || !linkage) return;
            const u = new Float64Array(UPRIGHT_SIZE);
            wheel.corner.corner.pose(travel, 0, u);
            const centre: Vec = [u[U.wheelCentre], u[U.wheelCentre + 1], u[U.wheelCentre + 2]];
            const road = contactOf(centre, spindleAt(u), design.tyre.radius);
            const move: Vec = [u[U.movePerTravel], u[U.movePerTravel + 1], u[U.movePerTravel + 2]];
            const turn: Vec = [u[U.turnPerTravel], u[U.turnPerTravel + 1], u[U.turnPerTravel + 2]];
            const goes = add(move, cross(turn, sub(road, centre)));
            const support = unit.items.find(
              ({ at, as }) => as === 'axial' && (at[0] === 'damperInner' || at[0] === 'strutTop'),
            )!;
            AXES.forEach((force, load) => {
              const tension = vecOf(unit, load, support.id)[0];
              // What the road does over a mm of bump presses the damper by its ratio.
              expect(-tension * linkage.damper.ratio).toBeCloseTo(dot(force, goes), 7);
            });
          },
        ),
        { numRuns: 12 },
      );
    });
  },
);

describe('a torsion bar alone', () => {
  it.each([
    ['double-wishbone', 'direct', 'upperArm', 'lowerArm'],
    ['double-wishbone', 'rocker', 'lowerArm', 'rocker'],
    ['strut', 'strut', undefined, 'lowerArm'],
    ['swing-arm', 'direct', 'upright', 'arm'],
  ] as const)(
    '%s, damper %s, bar about the %4$s: carries what virtual work asks',
    (kind, by, carrier, about) => {
      const damper = aDamper(
        { by, ...(carrier && { on: carrier }) },
        { spring: undefined, torsion: { about, outside: 22, length: 700, wound: 10 } },
      );
      fc.assert(
        fc.property(anyDamped(kind, damper), (design) => {
          const wheel = wheelOf(design);
          if (!wheel.corner) return;
          const unit = staticsOf(wheel).at(12);
          const linkage = new Linkage(wheel.corner, damper).at(12);
          if (!unit || !linkage) return;
          const u = new Float64Array(UPRIGHT_SIZE);
          wheel.corner.corner.pose(12, 0, u);
          const at = jointsAt(wheel.corner.drawn, u);
          const road = contactOf(at.wheelCentre, spindleAt(u), design.tyre.radius);
          const move: Vec = [u[U.movePerTravel], u[U.movePerTravel + 1], u[U.movePerTravel + 2]];
          const turn: Vec = [u[U.turnPerTravel], u[U.turnPerTravel + 1], u[U.turnPerTravel + 2]];
          const goes = add(move, cross(turn, sub(road, at.wheelCentre)));
          AXES.forEach((force, load) => {
            let torque: number;
            if (about === 'rocker') {
              const axis = unit3(sub(at['rockerAxis'], at['rockerPivot']));
              const arm = sub(at['rockerRodInner'], at['rockerPivot']);
              torque = dot(axis, cross(arm, vecOf(unit, load, jointId('rockerRodInner'))));
            } else torque = vecOf(unit, load, unit.items.find(({ as }) => as === 'bending')!.id)[0];
            const perMm = (linkage.torsion!.rate * Math.PI) / 180;
            expect(Math.abs(torque * perMm)).toBeCloseTo(Math.abs(dot(force, goes)), 6);
          });
        }),
        { numRuns: 12 },
      );
    },
  );
});

describe('virtual work of links', () => {
  // A link made a little longer, everything else as it is, the damper's length included: what the road does meanwhile
  // is what the link does. The longer corner is put together by other equations.
  it.each(['double-wishbone', 'five-link', 'strut-links', 'radius-arm'])('%s', (kind) => {
    const damper = aDamper({ by: 'direct', on: 'upright' });
    const design = { ...damped(kind, damper), rightPoints: undefined };
    const wheel = wheelOf(design);
    const unit = staticsOf(wheel).at(0)!;
    const u = new Float64Array(UPRIGHT_SIZE);
    const linkage = new Linkage(wheel.corner!, damper);
    const [length0] = [linkage.at(0)!.damper.length];
    // The road's place on the tyre, carried with three places of the upright: the spindle's own frame turns about it.
    const third = uprightPoints(wheel.type).find((name) => name !== 'damperOuter')!;
    const frameOf = (one: Wheel, travel: number) => {
      one.corner!.corner.pose(travel, 0, u);
      const at = jointsAt(one.corner!.drawn, u);
      const a = unit3(sub(at['damperOuter'], at.wheelCentre));
      const b = unit3(cross(a, sub(at[third], at.wheelCentre)));
      return { centre: at.wheelCentre, axes: [a, b, cross(a, b)] };
    };
    const home = frameOf(wheel, 0);
    const road = contactOf(home.centre, spindleAt(u), design.tyre.radius);
    const off = home.axes.map((axis) => dot(sub(road, home.centre), axis));
    const roadAt = (one: Wheel, travel: number): Vec => {
      const { centre, axes } = frameOf(one, travel);
      return axes.reduce<Vec>((sum, axis, i) => add(sum, scale(axis, off[i])), centre);
    };
    let looked = 0;
    for (const item of unit.items) {
      if (item.as !== 'axial' || item.at[0].startsWith('damper')) continue;
      const by = 0.02;
      const moved = [by, -by].map((longer) => {
        const assembly = new Assembly(wheel.drawn, 'rod as drawn');
        if (!assembly.lengthen(item.at[0], item.at[1], longer)) return null;
        const built = assembly.build(new Float64Array(offsetCount(wheel.type)))!;
        const other = wheel.drawnAs({ ...design, ...built });
        // The travel at which the damper is as long as it was, by the secant's rule.
        const lengthAt = (travel: number) =>
          new Linkage(other.corner!, damper).at(travel)!.damper.length;
        let [a, b] = [0, 0.01];
        for (let i = 0; i < 8 && Math.abs(lengthAt(b) - length0) > 1e-10; i++)
          [a, b] = [b, b - ((lengthAt(b) - length0) * (b - a)) / (lengthAt(b) - lengthAt(a))];
        return roadAt(other, b);
      });
      if (!moved[0] || !moved[1]) continue;
      looked++;
      const goes = scale(sub(moved[0], moved[1]), 1 / (2 * by));
      AXES.forEach((force, load) => {
        const tension = vecOf(unit, load, item.id)[0];
        expect(tension).toBeCloseTo(dot(force, goes), 3);
      });
    }
    expect(looked).toBeGreaterThan(1);
  });
});

describe('by hand', () => {
  it('a plane wishbone with a push rod: levers alone', () => {
    const design = planePushRod();
    const unit = staticsOf(wheelOf(design)).at(0)!;
    const up = (id: string) => vecOf(unit, 2, id);
    // 1 N up at the road, 100 outside the joints that are 200 apart: half a newton in either arm, shared by two tubes that
    // lie 316.2 to 300.
    const tube = (1 / 4) * (Math.hypot(100, 300) / 300);
    expect(up(axialId('upperFrontInner', 'upperOuter'))[0]).toBeCloseTo(-tube, 9);
    expect(up(axialId('lowerRearInner', 'lowerOuter'))[0]).toBeCloseTo(tube, 9);
    expect(up(axialId('tieRodInner', 'tieRodOuter'))[0]).toBeCloseTo(0, 9);
    // The rod stands two thirds out on the arm; the rocker's arms are 60 and 90.
    expect(up(axialId('rockerRodInner', 'rockerRodOuter'))[0]).toBeCloseTo(-1.5, 9);
    expect(up(axialId('damperInner', 'damperOuter'))[0]).toBeCloseTo(-1, 9);
    expect(Math.hypot(...up(jointId('rockerPivot')))).toBeCloseTo(Math.hypot(1, 1.5), 9);
    // A newton at the joint, 100 from the lug.
    expect(Math.abs(up('bending rockerRodOuter')[0])).toBeCloseTo(100, 9);
    // The lower joint carries the newton up and the half across.
    expect(Math.hypot(...up(jointId('lowerOuter')))).toBeCloseTo(Math.hypot(1, 0.5), 9);
  });

  const steel: MemberMade = { outside: 25, wall: 2.5, material: 'steel', yield: 235 };

  it('a tube of 25 by 2.5, 1 m and 0.3 m long (Euler and Johnson by hand, Shigley’s formulas from memory)', () => {
    // A = π (25² − 20²)/4 = 176.7, I = π (25⁴ − 20⁴)/64 = 11321, r = 8.004; limit √(2π²·207000/235) = 131.9.
    expect(standsAlong(steel, 1200, false).most).toBeCloseTo(
      (Math.PI ** 2 * 207000 * 11320.8) / 1200 ** 2,
      -1,
    );
    expect(standsAlong(steel, 1200, false).by).toMatch(/Euler/u);
    const slender = 300 / Math.sqrt(11320.8 / 176.715);
    expect(standsAlong(steel, 300, false).most).toBeCloseTo(
      176.715 * (235 - ((235 * slender) / (2 * Math.PI)) ** 2 / 207000),
      0,
    );
    expect(standsAlong(steel, 300, true).most).toBeCloseTo(176.715 * 235, 0);
    expect(standsBent(steel).most).toBeCloseTo((235 * 11320.8) / 12.5, -1);
  });

  it('the thinnest wall that carries a moment, against every wall', () => {
    const wall = wallFor(100_000, 2, { outside: 25, yield: 235 })!;
    expect(standsBent({ ...steel, wall }).most).toBeGreaterThanOrEqual(200_000);
    expect(standsBent({ ...steel, wall: wall - 0.5 }).most).toBeLessThan(200_000);
    expect(wallFor(1e7, 2, { outside: 25, yield: 235 })).toBeNull();
  });

  it('a bolt of 10 mm, 8.8: sheared once, twice, and bent over a spacer', () => {
    const bolt = { diameter: 10, grade: '8.8' as const, spacer: 10 };
    const double = jointStands({ bolt: { ...bolt, planes: 2 } })!;
    expect(double.most).toBeCloseTo(2 * 78.54 * 0.577 * 640, -1);
    // σ = 32 F L / (π d³): F = 640 π 1000 / (32 · 16).
    const single = jointStands({ bolt: { ...bolt, planes: 1 } })!;
    expect(single.most).toBeCloseTo((640 * Math.PI * 1000) / (32 * 16), 6);
    expect(jointStands({ rated: 900, bolt: { ...bolt, planes: 2 } })!.most).toBe(900);
    expect(jointStands({})).toBeNull();
  });
});

describe('the worst of all cases and travels', () => {
  const build: Build = {
    ...blankBuild('x'),
    front: damped('double-wishbone', aDamper({ by: 'direct', on: 'lowerArm' })),
  };

  it('is the worst of every case at every travel', () => {
    const wheel = new Wheel('front', 'left', build.front, build.travel);
    const found = loadsOf(build, wheel, 13);
    if (!found.ok) throw new Error(found.why);
    const statics = staticsOf(wheel);
    const part = found.loads.parts.find(
      ({ id }) => id === axialId('upperFrontInner', 'upperOuter'),
    )!;
    const all = Array.from({ length: 13 }, (_, i) => -60 + 10 * i).flatMap((travel) => {
      const unit = statics.at(travel)!;
      return LOAD_CASES.map(({ ahead, out, up, at }) => {
        const [x, y, z, hub] = [0, 1, 2, 3].map((load) => vecOf(unit, load, part.id)[0]);
        return 2500 * (ahead * (at === 'hub' ? hub : x) + out * y + up * z);
      });
    });
    const most = all.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
    expect(part.worst.newtons).toBeCloseTo(most, 6);
    expect(found.loads.said).toBe(false);
    expect(found.loads.undescribed).toBe(found.loads.parts.length);
  });

  it('names the part that gives first of those that were described, a bent tube with what goes along it', () => {
    const tube: MemberMade = { outside: 25, wall: 2, material: 'steel', yield: 350 };
    const strength = {
      ...startingStrength(),
      members: { 'lowerFrontInner lowerOuter': tube, 'lowerRearInner lowerOuter': tube },
      joints: { lowerOuter: { rated: 12_000 } },
    };
    const wheel = new Wheel('front', 'left', { ...build.front, strength }, build.travel);
    const found = loadsOf(build, wheel);
    if (!found.ok) throw new Error(found.why);
    const { first, parts } = found.loads;
    const described = parts.filter(({ reserve }) => reserve !== null);
    expect(described).toHaveLength(4);
    expect(first!.reserve).toBe(Math.min(...described.map(({ reserve }) => reserve!)));
    // A reserve is of the force that stands beside it, not of the larger one the other way.
    for (const { as, stands, reserve, worst } of described)
      if (as !== 'bending') expect(reserve).toBeCloseTo(stands!.most / Math.abs(worst.newtons), 9);
    const bent = parts.find(({ as }) => as === 'bending')!;
    expect(bent.reserve).toBeLessThan(standsBent(tube).most / bent.worst.newtons);
  });

  it('says what is missing where nothing carries the wheel', () => {
    const bare = new Wheel('front', 'left', blankBuild('x').front, build.travel);
    expect(loadsOf(build, bare)).toEqual({
      ok: false,
      why: 'nothing carries the wheel yet: draw its damper or spring first',
    });
  });

  it.each(
    CORNER_TYPES.filter(({ coupled, noTravel }) => coupled ?? noTravel).map(({ kind }) => kind),
  )('%s: kingpin and rods hold what the road puts on', (kind) => {
    const { front } = blankBuild('x', kind);
    for (const side of ['left', 'right'] as const) {
      const wheel = new Wheel('front', side, front, { bump: 0, droop: 0 });
      const unit = staticsOf(wheel).at(0)!;
      const u = new Float64Array(UPRIGHT_SIZE);
      wheel.corner!.corner.pose(0, 0, u);
      const at = jointsAt(wheel.corner!.drawn, u);
      const road = contactOf(at.wheelCentre, spindleAt(u), front.tyre.radius);
      const pins = wheel.type.steersAbout as readonly [string, string];
      for (const [load, force] of AXES.entries()) {
        // On the stub: the road, less what its kingpin and its rod put on what holds them.
        let sum = force;
        let moment = cross(road, force);
        const takes = (name: string, f: Vec) => {
          sum = sub(sum, f);
          moment = sub(moment, cross(at[name], f));
        };
        for (const pin of pins) takes(pin, vecOf(unit, load, jointId(pin)));
        const rod = unit.items.find(({ as }) => as === 'axial')!;
        const outer = rod.at[1];
        sum = add(sum, vecOf(unit, load, jointId(outer)));
        moment = add(moment, cross(at[outer], vecOf(unit, load, jointId(outer))));
        for (const part of [...sum]) expect(Math.abs(part)).toBeLessThan(1e-8);
        for (const part of [...moment]) expect(Math.abs(part)).toBeLessThan(1e-5);
      }
    }
  });
});

it('is there for every axle that can be solved', () => {
  for (const { kind, noTravel } of CORNER_TYPES) {
    const build = blankBuild('x', kind);
    expect(prepareAxle(build.front).ok).toBe(true);
    const found = loadsOf(build, new Wheel('front', 'left', build.front, build.travel));
    if (noTravel) expect(found.ok).toBe(true);
  }
});
