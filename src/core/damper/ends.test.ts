import fc from 'fast-check';
import { MOUNTINGS, aDamper, anyDamped, damped } from '../../test/dampers';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { Wheel } from '../kinematics/wheel';
import type { AxleDesign } from '../model/build';
import type { Damper } from '../model/damper';
import { blankBuild } from '../model/starts';
import { shaftAt } from '../motion/halfShaft';
import { normalNumbers } from '../geometry/random';
import { noTakeOff } from '../model/takeOff';
import { placedDamper } from './placed';
import { readAt } from '../motion/sweep';
import { dummyDrawing } from './dummyDrawing';
import { damperHoles, heightsOf } from './heights';
import { dummyOf, heldAtDroop, spacerDroop } from './dummy';
import { travelEnds } from './ends';
import { Linkage } from './linkage';
import { captiveAt, frequencyOf, pressedBy, preloadFor, rateFor, restsAt } from './rideHeight';
import { pressed } from './springs';
import { DamperAt } from './sweep';

const build = blankBuild('x');
const wheelOf = (design: AxleDesign) => new Wheel('front', 'left', design, { bump: 50, droop: 50 });
const coilOver = (more: Partial<Damper> = {}) =>
  aDamper(
    { by: 'direct', on: 'lowerArm' },
    { unit: { closed: 300, open: 375, outside: 60 }, ...more },
  );

describe('what ends the travel', () => {
  it.each(MOUNTINGS)('$kind, $by on $on: the first mm at which the damper has no stroke', (one) => {
    const { kind, ...mounting } = one;
    const first = new Linkage(wheelOf(damped(kind, aDamper(mounting))).corner!, aDamper(mounting));
    const home = first.at(0)!.damper.length;
    const damper = aDamper(mounting, {
      unit: { closed: home - 22, open: home + 17, outside: 55 },
      spring: undefined,
    });
    fc.assert(
      fc.property(anyDamped(kind, damper, 3), (design) => {
        const wheel = wheelOf(design);
        if (!wheel.corner) return;
        const ends = travelEnds(build, wheel);
        if (!ends) return;
        const linkage = new Linkage(wheel.corner, damper);
        // Brute force: every tenth of a mm outward.
        for (const way of [1, -1]) {
          let at = 0;
          const fits = (travel: number) => {
            const length = linkage.at(travel)?.damper.length;
            return length === undefined ? null : length >= home - 22 && length <= home + 17;
          };
          if (!fits(0)) return;
          while (Math.abs(at) < 90 && fits(at) === true) at += 0.1 * way;
          const told = ends.all.find(
            ({ id, way: w }) =>
              (id === 'closed' || id === 'open') && w === (way > 0 ? 'bump' : 'droop'),
          );
          if (fits(at) !== false) continue;
          expect(Math.abs(told!.travel - at)).toBeLessThan(0.11);
        }
      }),
      { numRuns: 4 },
    );
  });

  it('names what comes first, and covers only what was said', () => {
    const wheel = wheelOf(damped('double-wishbone', coilOver()));
    const ends = travelEnds(build, wheel)!;
    expect(ends.covers).not.toContain('the strap');
    expect(ends.covers).toContain('the damper’s stroke');
    const nearest = ends.all.filter(({ way, begins }) => way === 'bump' && !begins);
    expect(ends.bump).toEqual(nearest[0]);
    expect(Math.min(...nearest.map(({ travel }) => travel))).toBe(ends.bump!.travel);
  });

  it('a half-shaft’s joint past its angle, its plunge used up: against a walk', () => {
    const design: AxleDesign = {
      ...damped('double-wishbone', coilOver({ unit: { closed: 100, open: 700, outside: 60 } })),
      halfShaft: {
        inner: { ahead: 0, out: 250, up: 290 },
        outer: 60,
        innerLimit: 6,
        plunge: { shorter: 5, longer: 1 },
      },
    };
    const wheel = wheelOf(design);
    const { all } = travelEnds(build, wheel)!;
    const u = new Float64Array(UPRIGHT_SIZE);
    const shaft = (travel: number) => {
      wheel.corner!.corner.pose(travel, 0, u);
      return shaftAt(design.halfShaft!, u);
    };
    const home = shaft(0).length;
    for (const [id, past] of [
      ['shaft inner', (t: number) => shaft(t).innerBend > 6],
      ['shaft longer', (t: number) => shaft(t).length > home + 1],
      ['shaft shorter', (t: number) => shaft(t).length < home - 5],
    ] as const)
      for (const way of [1, -1]) {
        let at = 0;
        while (Math.abs(at) < 90 && !past(at)) at += 0.05 * way;
        const told = all.find((end) => end.id === id && end.way === (way > 0 ? 'bump' : 'droop'));
        if (Math.abs(at) < 90) expect(Math.abs(told!.travel - at)).toBeLessThan(0.06);
        else expect(told).toBeUndefined();
      }
  });

  it('is where the spring binds and where it is loose', () => {
    const damper = coilOver({
      unit: { closed: 200, open: 380, outside: 60 },
      spring: { rate: 30, free: 200, bind: 130, preload: 5 },
    });
    const wheel = wheelOf(damped('double-wishbone', damper));
    const { all } = travelEnds(build, wheel)!;
    const linkage = new Linkage(wheel.corner!, damper);
    const bind = all.find(({ id }) => id === 'bind')!;
    // 70 mm of coil, 5 of it preload: bound 65 mm short of open.
    expect(linkage.at(bind.travel)!.damper.length).toBeCloseTo(380 - 65, 2);
    const loose = all.find(({ id }) => id === 'loose');
    if (loose) expect(linkage.at(loose.travel)!.damper.length).toBeCloseTo(385, 2);
  });
});

describe('spacers, straps and dummies', () => {
  it('a spacer takes out of the droop what the shorter damper no longer lets', () => {
    const wheel = wheelOf(damped('double-wishbone', coilOver()));
    const linkage = new Linkage(wheel.corner!, wheel.design.damper!);
    const found = spacerDroop(wheel, 8)!;
    expect(linkage.at(-found.without)!.damper.length).toBeCloseTo(375, 3);
    expect(linkage.at(-found.with)!.damper.length).toBeCloseTo(367, 3);
    expect(found.takes).toBeCloseTo(found.without - found.with, 12);
    const held = heldAtDroop(wheel, found.with)!;
    expect(held.spacer).toBeCloseTo(8, 2);
    expect(held.strap).toBeNull();
    expect(spacerDroop(wheel, 100)).toBeNull();
  });

  it('a dummy has its holes where the eyes stand', () => {
    const wheel = wheelOf(damped('double-wishbone', coilOver()));
    const linkage = new Linkage(wheel.corner!, wheel.design.damper!);
    const { holes, missed, closest } = dummyOf(wheel, [
      { name: 'full bump', travel: 45 },
      { name: 'ride height', travel: 0 },
      { name: 'full droop', travel: -50 },
      { name: 'too far', travel: 2000 },
    ])!;
    expect(missed).toEqual(['too far']);
    expect(holes.map(({ name }) => name)).toEqual(['full droop', 'ride height', 'full bump']);
    for (const { travel, length } of holes) expect(length).toBe(linkage.at(travel)!.damper.length);
    expect(closest).toBeCloseTo(
      Math.min(holes[0].length - holes[1].length, holes[1].length - holes[2].length),
      9,
    );
  });
});

it('draws a dummy at full size: every hole where it is told, the bar to check it by 100 mm', () => {
  const wheel = wheelOf(damped('double-wishbone', coilOver()));
  const dummy = dummyOf(wheel, [
    { name: 'ride <height>', travel: 0 },
    { name: 'full droop', travel: -50 },
  ])!;
  const drawing = dummyDrawing(dummy, 'Mine & yours');
  expect(drawing).toMatch(/^<svg [^>]*width="([\d.]+)mm" height="[\d.]+mm" viewBox="0 0 \1 /u);
  const holes = [...drawing.matchAll(/<circle cx="([\d.]+)"/gu)].map(([, x]) => Number(x));
  expect(holes).toHaveLength(3);
  dummy.holes.forEach(({ length }, i) => expect(holes[i + 1] - holes[0]).toBeCloseTo(length, 1));
  expect(drawing).toMatch(/h100M/u);
  expect(drawing).not.toMatch(/ride <|Mine & /u);
});

describe('named heights and holes', () => {
  it('stand as the corner stands there, with what is left either way', () => {
    const damper = coilOver({ heights: [{ id: 'a', name: 'parked', travel: 18, rate: 60 }] });
    const wheel = wheelOf(damped('double-wishbone', damper));
    const [found] = heightsOf(build, wheel);
    const reading = readAt(wheel.corner!, 18, 0);
    if (!reading.ok) throw new Error(reading.why);
    expect(found.toe).toBe(reading.value.toe);
    expect(found.camber).toBe(reading.value.camber);
    const near = [17.99, 18.01].map((travel) => {
      const one = readAt(wheel.corner!, travel, 0);
      return one.ok ? one.value.toe : NaN;
    });
    expect(found.bumpSteer).toBeCloseTo((near[1] - near[0]) / 0.02, 5);
    const ends = travelEnds(build, wheel)!;
    expect(found.bump).toBeCloseTo(ends.bump!.travel - 18, 9);
    expect(found.row!.springForce).toBeCloseTo(60 * found.row!.pressed!, 6);
  });

  it('tell of every hole what redrawing the corner with it tells', () => {
    const design = damped('double-wishbone', coilOver());
    const { up } = design.points['damperInner'];
    const { out } = design.points['upperFrontInner'];
    design.freedoms = {
      damperInner: { up: { kind: 'choices', at: [up - 20, up, up + 20] } },
      upperFrontInner: { out: { kind: 'choices', at: [out, out + 15] } },
    };
    const wheel = wheelOf(design);
    const holes = damperHoles(wheel);
    expect(holes).toHaveLength(5);
    for (const { point, coordinate, at, home, now } of holes) {
      const moved = structuredClone(design);
      moved.points[point][coordinate] = at;
      const linkage = new Linkage(wheelOf(moved).corner!, moved.damper!);
      expect(home.damper.ratio).toBeCloseTo(linkage.at(0)!.damper.ratio, 9);
      expect(now).toBe(at === up || at === out);
    }
  });
});

it('a ratio with mounts placed to ±: as many cars by chance spread by as much', () => {
  const design = damped('double-wishbone', coilOver());
  const placing = 1.2;
  const takeOff = { ...noTakeOff(), placing };
  const found = placedDamper({ ...build, takeOff }, wheelOf(design))!;
  expect(found.measured).toBe(false);
  const chance = normalNumbers(5);
  const of = Array.from({ length: 3000 }, () => {
    const moved = structuredClone(design);
    for (const name of ['damperInner', 'damperOuter'])
      for (const c of ['ahead', 'out', 'up'] as const) moved.points[name][c] += chance() * placing;
    return new Linkage(wheelOf(moved).corner!, moved.damper!).at(0)!.damper;
  });
  const spread = (list: number[]) => {
    const mean = list.reduce((a, b) => a + b, 0) / list.length;
    return Math.sqrt(list.reduce((sum, x) => sum + (x - mean) ** 2, 0) / list.length);
  };
  expect(spread(of.map(({ ratio }) => ratio)) / found.ratio).toBeCloseTo(1, 1);
  expect(spread(of.map(({ length }) => length)) / found.length).toBeCloseTo(1, 1);
});

describe('ride height', () => {
  const weight = { wheel: 240, unsprung: 32 };
  const sprung = 208 * 9.81;

  it('finds the preload at which the corner stands where it should: it comes to rest there', () => {
    fc.assert(
      fc.property(
        anyDamped('double-wishbone', coilOver({ weight })),
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.boolean(),
        (design, travel, withHelper) => {
          const damper: Damper = {
            ...design.damper!,
            spring: {
              ...design.damper!.spring!,
              rate: 45,
              free: 260,
              ...(withHelper && { helper: { rate: 4, free: 50, bind: 14 } }),
            },
            unit: {
              ...design.damper!.unit!,
              perch: { pitch: 2, flats: 8, tighter: 500, looser: 500 },
            },
          };
          const wheel = wheelOf({ ...design, damper });
          if (!wheel.corner) return;
          const found = preloadFor(damper, new DamperAt(wheel.corner, damper), travel);
          if (!found) return;
          expect(found.turns! * 2).toBeCloseTo(found.more, 9);
          expect(found.flats! / 8).toBeCloseTo(found.turns!, 9);
          const set = { ...damper, spring: { ...damper.spring!, preload: found.preload } };
          const at = new DamperAt(wheelOf({ ...design, damper: set }).corner!, set);
          expect(at.row(travel)!.wheelForce).toBeCloseTo(sprung, 5);
          const rest = restsAt(set, at, [-45, 45]);
          if (rest !== null) expect(Math.abs(rest - travel)).toBeLessThan(0.01);
        },
      ),
      { numRuns: 20 },
    );
  });

  it('takes the thread’s room into account', () => {
    const damper = coilOver({
      weight,
      unit: { closed: 300, open: 375, outside: 60, perch: { pitch: 1.5, tighter: 2, looser: 2 } },
    });
    const { corner } = wheelOf(damped('double-wishbone', damper));
    const found = preloadFor(damper, new DamperAt(corner!, damper), 0)!;
    expect(found.beyond).toBeCloseTo(Math.abs(found.more) - 2, 9);
    expect(found.flats).toBeNull();
  });

  it('a rate for a frequency bounces so often once it is in and carries the corner', () => {
    const damper = coilOver({ weight });
    const design = damped('double-wishbone', damper);
    const { corner } = wheelOf(design);
    const rate = rateFor(1.8, sprung, new DamperAt(corner!, damper).row(0)!, damper.spring)!;
    const stiff = { ...damper, spring: { ...damper.spring!, rate } };
    const { preload } = preloadFor(stiff, new DamperAt(corner!, stiff), 0)!;
    const set = { ...stiff, spring: { ...stiff.spring, preload } };
    const row = new DamperAt(corner!, set).row(0)!;
    expect(frequencyOf(row.wheelRate!, sprung)).toBeCloseTo(1.8, 6);
    // 1.8 Hz of 208 kg by hand: (2π 1.8)² · 208 / 1000.
    expect(row.wheelRate).toBeCloseTo(26.605, 2);
  });

  it('presses a spring as far as a force asks: back and forth', () => {
    const spring = {
      rate: 40,
      free: 200,
      bind: 90,
      preload: 0,
      helper: { rate: 5, free: 60, bind: 20 },
    };
    for (let force = 0; force < 900; force += 37)
      expect(pressed(spring, pressedBy(spring, force)).force).toBeCloseTo(force, 9);
  });

  it('tells a spring that is loose at full droop by how much', () => {
    const damper = coilOver({ spring: { rate: 40, free: 200, bind: 90, preload: -3 } });
    const { corner } = wheelOf(damped('double-wishbone', damper));
    const at = new DamperAt(corner!, damper);
    const here = captiveAt(damper, at, -40)!;
    expect(here.pressed).toBeCloseTo(-3 + 375 - at.linkage.at(-40)!.damper.length, 9);
    expect(here.toBind).toBeCloseTo(110 - here.pressed, 9);
  });
});
