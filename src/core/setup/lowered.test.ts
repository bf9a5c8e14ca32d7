import { CORNER_TYPES } from '../corners/kinds';
import { withShim } from '../bumpsteer/shim';
import { bumpSteerOf } from '../bumpsteer/trial';
import { placesOf } from '../freedoms/freedoms';
import { goldenLeast } from '../geometry/golden';
import { normalsApart } from '../geometry/random';
import { Wheel, wheelOf } from '../kinematics/wheel';
import type { Freedom } from '../model/freedoms';
import { COORDINATES } from '../model/points';
import { blankBuild } from '../model/starts';
import { readAt, runSweep, travelSweep, valueAt } from '../motion/sweep';
import { cureBy, curesAt, heightWays, lowered, loweredWheel, raisedOn } from './lowered';
import type { HeightWay } from './lowered';

const wayOf = (wheel: Wheel, ...points: string[]): HeightWay =>
  heightWays(wheel).find((way) => [...way.points].sort().join() === points.sort().join())!;

/** A random car, every other one of them nulled where it stands: what is null stays so over the same travel. */
function randomWheel(seed: number): Wheel | null {
  const normal = normalsApart(seed);
  const build = blankBuild('Low');
  for (const point of Object.values(build.front.points))
    for (const coordinate of COORDINATES) point[coordinate] += 10 * normal();
  const wheel = wheelOf(build, 'front', 'left');
  if (!wheel.corner) return null;
  if (seed % 2 === 0) return wheel;
  const worst = (raise: number) => bumpSteerOf(withShim(wheel, raise))?.worst ?? Infinity;
  const raise = goldenLeast(worst, -40, 40, 0.05);
  if (!(worst(raise) < 0.3)) return null;
  build.front.points['tieRodOuter'].up += raise;
  return wheelOf(build, 'front', 'left');
}
const all = Array.from({ length: 24 }, (_, k) => randomWheel(900 + k)).filter(
  (one) => one !== null,
);

it('stands as the same car does so much further up in its travel', () => {
  expect(all.length).toBeGreaterThan(12);
  for (const wheel of all)
    for (const by of [15, -10]) {
      const low = loweredWheel(wheel, by)!;
      // By another way: the drawn wheel moved in its body.
      const moved = readAt(wheel.corner!, by, 0);
      const stands = readAt(low.corner!, 0, 0);
      if (!moved.ok || !stands.ok) throw new Error('out of reach');
      for (const what of ['camber', 'toe', 'caster', 'contactOut'] as const)
        expect(stands.value[what]!).toBeCloseTo(moved.value[what]!, 6);
      expect(low.travel).toEqual({
        bump: wheel.travel.bump - by,
        droop: wheel.travel.droop + by,
      });
      // What it steers by is read off the drawn wheel's own curve about that height.
      const sweep = travelSweep(wheel.travel, 241);
      expect(runSweep(wheel.corner!, sweep)).toBe(sweep.count);
      const worst = Math.max(
        ...Array.from(sweep.travel, (_, i) => Math.abs(valueAt(sweep, i, 'toe') - moved.value.toe)),
      );
      expect(lowered(wheel, by)!.after.bump).toBeCloseTo(worst, 3);
    }
});

it('finds what every place of a joint has best, and cures what it says it cures', () => {
  let cured = 0;
  for (const wheel of all.slice(0, 10)) {
    const low = loweredWheel(wheel, 20)!;
    const now = bumpSteerOf(low)!.worst;
    for (const point of ['tieRodInner', 'tieRodOuter']) {
      const at = low.points[point];
      const bumpAt = (raise: number) =>
        bumpSteerOf(low.withRod({ [point]: { ...at, up: at.up + raise } }))?.worst ?? Infinity;
      const least = Math.min(...Array.from({ length: 161 }, (_, i) => bumpAt(-60 + 0.75 * i)));
      const cure = cureBy(wheel, low, wayOf(wheel, point), now);
      if (!cure) {
        expect(least).toBeGreaterThan(now - 0.02);
        continue;
      }
      cured++;
      expect(cure.then.bump).toBeLessThanOrEqual(least + 2e-3);
      expect(bumpAt(cure.by)).toBeCloseTo(cure.then.bump, 6);
    }
    const cures = curesAt(wheel, 20);
    expect([...cures].sort((a, b) => a.then.bump - b.then.bump)).toEqual(cures);
  }
  expect(cured).toBeGreaterThan(5);
});

it('takes the best of the places that a freedom has', () => {
  let told = 0;
  for (const [k, wheel] of all.slice(0, 10).entries()) {
    const { up } = wheel.design.points['tieRodOuter'];
    const freedoms = [
      { kind: 'choices' as const, at: [-9, -4, 0, 3, 8, 14].map((by) => up + by) },
      { kind: 'range' as const, min: up - 10, max: up + 12, step: 2.5 },
      { kind: 'shims' as const, base: up, stock: [1.6, 3.2], most: 3, way: -1 as const },
    ];
    const freedom = freedoms[k % 3];
    const free = wheel.drawnAs({ ...wheel.design, freedoms: { tieRodOuter: { up: freedom } } });
    const low = loweredWheel(free, 20)!;
    const at = low.points['tieRodOuter'];
    const bumpAt = (by: number) =>
      bumpSteerOf(low.withRod({ tieRodOuter: { ...at, up: at.up + by } }))?.worst ?? Infinity;
    const places =
      freedom.kind === 'range'
        ? Array.from({ length: 9 }, (_, i) => freedom.min + 2.5 * i)
        : placesOf(freedom, up)!;
    const least = Math.min(...places.map((place) => bumpAt(place - up)));
    const now = bumpSteerOf(low)!.worst;
    const cure = cureBy(free, low, wayOf(free, 'tieRodOuter'), now);
    if (!cure) {
      expect(least).toBeGreaterThan(now - 0.011);
      continue;
    }
    told++;
    expect(cure.then.bump).toBeCloseTo(least, 6);
  }
  expect(told).toBeGreaterThan(2);
});

it('goes no further than a joint’s freedom, and no lower than the travel', () => {
  const build = blankBuild('Low');
  const { up } = build.front.points['tieRodOuter'];
  build.front.freedoms = { tieRodOuter: { up: { kind: 'choices', at: [up - 5, up, up + 5] } } };
  const wheel = wheelOf(build, 'front', 'left');
  const cure = curesAt(wheel, 25).find(({ points }) => points.join() === 'tieRodOuter');
  if (cure) expect([-5, 5]).toContain(Math.round(cure.by * 1e6) / 1e6);
  expect(lowered(wheel, wheel.travel.bump + 1)).toBeNull();
  expect(lowered(wheel, -wheel.travel.droop - 1)).toBeNull();
  expect(curesAt(wheel, wheel.travel.bump + 1)).toEqual([]);
  const kart = blankBuild('Kart', 'kingpin');
  expect(lowered(wheelOf(kart, 'front', 'left'), 5)).toBeNull();
});

describe('brackets, pins and uprights', () => {
  const names = ({ points }: HeightWay) => [...points].sort().join(' ');

  it('are asked for by the kind’s own parts, each once, and not where a joint is fixed', () => {
    const wheel = wheelOf(blankBuild('x'), 'front', 'left');
    expect(heightWays(wheel).map(names)).toEqual([
      'tieRodInner',
      'tieRodOuter',
      'lowerFrontInner lowerRearInner',
      'upperFrontInner upperRearInner',
      'lowerOuter',
      'upperOuter',
      'lowerFrontInner lowerRearInner tieRodInner upperFrontInner upperRearInner',
      'lowerOuter tieRodOuter upperOuter',
    ]);
    const fixed = wheel.drawnAs({
      ...wheel.design,
      freedoms: { lowerOuter: { up: { kind: 'fixed' } } },
    });
    expect(heightWays(fixed).map(names)).not.toContain('lowerOuter');
    expect(heightWays(fixed).map(names)).not.toContain('lowerOuter tieRodOuter upperOuter');
    expect(heightWays(fixed).map(names)).toContain('upperOuter');
    const arms = ['swing-arm', 'trailing-arm'].flatMap((kind) =>
      heightWays(wheelOf(blankBuild('x', kind), 'front', 'left')),
    );
    expect(arms.flatMap(({ points }) => points)).not.toContain('wheelCentre');
    // A hub or a kingpin that is solid with its arm has no pin of its own.
    expect(arms.filter(({ name }) => name.startsWith('joint of the'))).toEqual([]);
    for (const { kind } of CORNER_TYPES) {
      const of = wheelOf(blankBuild('x', kind), 'front', 'left');
      if (of.alone) expect([kind, heightWays(of).length > 0]).toEqual([kind, true]);
    }
  });

  it('put all of the geometry back that goes up, or down, with all of it', () => {
    const offs: number[] = [];
    for (const wheel of all.slice(0, 8)) {
      const low = loweredWheel(wheel, 18)!;
      // The same wheel, over the travel that is left to it.
      const asDrawn = bumpSteerOf(new Wheel('front', 'left', wheel.design, low.travel))!;
      const drawn = readAt(wheel.corner!, 0, 0);
      const off = Math.abs(low.design.static.toe - wheel.design.static.toe);
      offs.push(off);
      for (const [points, by] of [
        [
          ['lowerFrontInner', 'lowerRearInner', 'tieRodInner', 'upperFrontInner', 'upperRearInner'],
          18,
        ],
        [['lowerOuter', 'tieRodOuter', 'upperOuter'], -18],
      ] as const) {
        const back = raisedOn(low, points)(by)!;
        const now = readAt(back.corner!, 0, 0);
        if (!now.ok || !drawn.ok) throw new Error('out of reach');
        for (const what of ['camber', 'caster', 'kpi'] as const)
          // Its toe is what the lowered car came to: the upright is turned by that, and by nothing else.
          expect([
            what,
            Math.abs(now.value[what]! - drawn.value[what]!) < 1e-6 + 0.3 * off,
          ]).toEqual([what, true]);
        expect(now.value.toe).toBeCloseTo(low.design.static.toe, 6);
        expect(Math.abs(bumpSteerOf(back)!.worst - asDrawn.worst)).toBeLessThan(0.02 + 0.06 * off);
        const cure = cureBy(wheel, low, wayOf(wheel, ...points), bumpSteerOf(low)!.worst);
        if (cure) {
          expect(cure.by).toBeCloseTo(by, 9);
          expect(cure.then.bump).toBeCloseTo(bumpSteerOf(back)!.worst, 9);
        } else expect(bumpSteerOf(back)!.worst).toBeGreaterThan(bumpSteerOf(low)!.worst - 0.011);
      }
    }
    // Some of them came to hardly any toe: there it is the drawn wheel to the last digit.
    expect(Math.min(...offs)).toBeLessThan(0.05);
  });

  it('move what they say by so much, and leave every part as long as it is', () => {
    const [wheel] = all;
    const low = loweredWheel(wheel, 15)!;
    const apart = (w: Wheel, a: string, b: string) =>
      Math.hypot(...COORDINATES.map((c) => w.points[a][c] - w.points[b][c]));
    const arms = [
      ['lowerFrontInner', 'lowerOuter'],
      ['lowerRearInner', 'lowerOuter'],
      ['upperFrontInner', 'upperOuter'],
      ['upperRearInner', 'upperOuter'],
    ];
    const raised = raisedOn(low, ['lowerFrontInner', 'lowerRearInner'])(7)!;
    expect(raised.points['lowerFrontInner'].up - low.points['lowerFrontInner'].up).toBeCloseTo(
      7,
      9,
    );
    expect(raised.points['upperFrontInner'].up).toBeCloseTo(low.points['upperFrontInner'].up, 9);
    for (const [a, b] of [...arms, ['lowerOuter', 'upperOuter'], ['lowerOuter', 'tieRodOuter']])
      expect(apart(raised, a, b)).toBeCloseTo(apart(low, a, b), 6);
    const pinned = raisedOn(low, ['lowerOuter'])(-7)!;
    for (const [a, b] of arms) expect(apart(pinned, a, b)).toBeCloseTo(apart(low, a, b), 6);
    expect(apart(pinned, 'upperOuter', 'tieRodOuter')).toBeCloseTo(
      apart(low, 'upperOuter', 'tieRodOuter'),
      6,
    );
    expect(apart(pinned, 'lowerOuter', 'upperOuter')).toBeGreaterThan(
      apart(low, 'lowerOuter', 'upperOuter'),
    );
  });

  it('are found as well as trying every place, and say nothing where nothing is better', () => {
    let cured = 0;
    for (const wheel of all.slice(0, 8)) {
      const low = loweredWheel(wheel, 20)!;
      const now = bumpSteerOf(low)!.worst;
      for (const way of heightWays(wheel).filter(({ whole }) => whole === undefined)) {
        const raised = raisedOn(low, way.points);
        const bumpAt = (by: number) => {
          const there = raised(by);
          return (there && bumpSteerOf(there)?.worst) ?? Infinity;
        };
        const tried = Array.from({ length: 121 }, (_, i) => bumpAt(-60 + i));
        const least = Math.min(...tried);
        const cure = cureBy(wheel, low, way, now);
        // As far as is looked nothing is found: it would be better further on.
        if (!cure && [tried[0], tried[120]].includes(least)) continue;
        if (!cure) {
          expect(least).toBeGreaterThan(now - 0.02);
          continue;
        }
        cured++;
        expect([way.name, cure.then.bump <= least + 4e-3]).toEqual([way.name, true]);
        expect(bumpAt(cure.by)).toBeCloseTo(cure.then.bump, 9);
      }
    }
    expect(cured).toBeGreaterThan(12);
  });

  it('keep to what every one of their joints may do', () => {
    const wheel = all.find((one) => {
      const low = loweredWheel(one, 20)!;
      const way = wayOf(one, 'lowerFrontInner', 'lowerRearInner');
      return cureBy(one, low, way, bumpSteerOf(low)!.worst) !== null;
    })!;
    const low = loweredWheel(wheel, 20)!;
    const now = bumpSteerOf(low)!.worst;
    const at = (name: string) => wheel.points[name].up;
    const free = (rear: Freedom) =>
      wheel.drawnAs({
        ...wheel.design,
        freedoms: {
          lowerFrontInner: {
            up: {
              kind: 'range',
              min: at('lowerFrontInner') - 6,
              max: at('lowerFrontInner') + 6,
              step: 0,
            },
          },
          lowerRearInner: { up: rear },
        },
      });
    const way = wayOf(wheel, 'lowerFrontInner', 'lowerRearInner');
    const narrow = free({
      kind: 'range',
      min: at('lowerRearInner') - 3,
      max: at('lowerRearInner') + 20,
      step: 1,
    });
    const cure = cureBy(narrow, low, way, now);
    expect(cure).not.toBeNull();
    expect(cure!.by).toBeGreaterThanOrEqual(-3 - 1e-9);
    expect(cure!.by).toBeLessThanOrEqual(6 + 1e-9);
    const steps = Array.from({ length: 10 }, (_, i) => -3 + i);
    const least = Math.min(
      ...steps.map((by) => bumpSteerOf(raisedOn(low, way.points)(by)!)!.worst),
    );
    expect(cure!.then.bump).toBeCloseTo(least, 6);
    // Steps that begin elsewhere are other places: −4.6, −2.6 … of the one are none of the other's.
    const stepped = free({
      kind: 'range',
      min: at('lowerRearInner') - 4.6,
      max: at('lowerRearInner') + 20,
      step: 2,
    });
    const places = cureBy(stepped, low, way, now);
    if (places) expect(((places.by + 4.6) / 2) % 1).toBeCloseTo(0, 6);
    const both = (start: number) =>
      stepped.drawnAs({
        ...stepped.design,
        freedoms: {
          ...stepped.design.freedoms,
          lowerFrontInner: {
            up: {
              kind: 'range',
              min: at('lowerFrontInner') + start,
              max: at('lowerFrontInner') + 9,
              step: 2,
            },
          },
        },
      });
    expect(cureBy(both(-3.9), low, way, now)).toBeNull();
    const alike = cureBy(both(-6.6), low, way, now);
    if (alike) expect(((alike.by + 4.6) / 2) % 1).toBeCloseTo(0, 6);
    expect([places, alike].some((one) => one !== null)).toBe(true);
    // Holes of two joints are no one height.
    expect(cureBy(free({ kind: 'choices', at: [at('lowerRearInner')] }), low, way, now)).toBeNull();
  });
});
