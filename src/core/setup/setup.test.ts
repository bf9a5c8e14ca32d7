import { wheelOf } from '../kinematics/wheel';
import { normalsApart } from '../geometry/random';
import { memberEffects, pointEffects } from '../tolerance/adjusters';
import { readAt } from '../motion/sweep';
import { CORNER_TYPES } from '../corners/kinds';
import { blankBuild } from '../model/starts';
import { settable } from '../../test/setups';
import { adjustersOf, around, reachOf } from './adjusters';
import type { Adjuster } from './adjusters';
import { AS_DRAWN, learned } from './learned';
import { SET, Setting, unitEffects, unitOf } from './setting';
import { setUp } from './solve';
import type { Wish } from './solve';

const settingOf = ({ build, wheel }: ReturnType<typeof settable>) =>
  new Setting(wheel, adjustersOf(build, wheel));

describe('adjusters', () => {
  it('do what a turn of each tube and a step of each joint does by another way', () => {
    const car = settable(normalsApart(2));
    const { upperFrontInner: pivot } = car.build.front.points;
    car.build.front.freedoms = {
      upperFrontInner: {
        out: { kind: 'shims', base: pivot.out, stock: [1.6, 3.2], most: 2, way: -1 },
        up: { kind: 'choices', at: [pivot.up, pivot.up + 25] },
      },
    };
    const wheel = wheelOf(car.build, 'front', 'left');
    const setting = new Setting(wheel, adjustersOf(car.build, wheel));
    const effects = unitEffects(setting);
    const known = [...memberEffects(wheel, 3.5), ...pointEffects(wheel, 'upperFrontInner')];
    let compared = 0;
    setting.adjusters.forEach(({ of, per, name }, i) => {
      const same = known.find(({ of: other }) =>
        of.kind === 'point'
          ? 'point' in other && other.point === of.point && other.coordinate === of.coordinate
          : 'member' in other && other.member === name,
      );
      if (!same) return;
      compared++;
      if (of.kind === 'member') expect(per).toBe(3.5);
      for (const what of ['camber', 'toe', 'caster', 'track'] as const)
        expect(effects[i]![what]).toBeCloseTo(same.effect![what]!, 9);
    });
    expect(compared).toBe(5);
  });

  it('stand as the quantities are defined, for every kind that can be set', () => {
    for (const { kind, steersAbout } of CORNER_TYPES) {
      const build = blankBuild('x', kind);
      const wheel = wheelOf(build, 'front', 'left');
      const setting = new Setting(wheel, adjustersOf(build, wheel));
      const stands = setting.stands(setting.still)!;
      const reading = readAt(wheel.corner!, 0, 0);
      if (!reading.ok) throw new Error(kind);
      expect(stands.camber).toBeCloseTo(reading.value.camber, 9);
      expect(stands.toe).toBeCloseTo(reading.value.toe, 9);
      if (steersAbout === null) expect(stands.caster).toBeNull();
      else expect(stands.caster!).toBeCloseTo(reading.value.caster!, 6);
    }
  });

  it('go no further than their threads, whole flats from where they are', () => {
    const { build, wheel } = settable();
    const [tube] = adjustersOf(build, wheel);
    const [from, to] = reachOf(tube);
    expect(from).toBeLessThan(0);
    expect(to).toBeGreaterThan(0);
    for (const wanted of [-1000, from, -1, -0.1, 0, 0.3, to, 1000])
      for (const at of around(tube, wanted)) {
        expect(at).toBeGreaterThanOrEqual(from - 1e-9);
        expect(at).toBeLessThanOrEqual(to + 1e-9);
        const flats = (6 * at) / tube.per;
        expect(Math.abs(flats - Math.round(flats))).toBeLessThan(1e-9);
      }
  });

  it('that nobody described set nothing but the toe', () => {
    const build = blankBuild('x');
    const all = adjustersOf(build, wheelOf(build, 'front', 'left'));
    expect(all).toMatchObject([{ name: 'tie rod', assumed: true, setsToe: true }]);
  });
});

/** Largest effect of half a step of those that were moved, degrees. */
function halfStep(setting: Setting, moved: readonly Adjuster[], of: (typeof SET)[number]): number {
  return moved.reduce((sum, adjuster) => {
    if (adjuster.places.kind !== 'steps') return sum;
    const i = setting.adjusters.indexOf(adjuster);
    const at = (by: number) =>
      setting.stands(setting.still.map((_, k) => (k === i ? by : 0)))![of]!;
    const { step } = adjuster.places;
    return sum + Math.abs(at(step) - at(-step)) / 4;
  }, 0);
}

it('reaches what is wanted within half a flat, put together and measured again, on a thousand cars', () => {
  let reached = 0;
  let all = 0;
  for (let seed = 1; all < 1000; seed++) {
    const normal = normalsApart(seed);
    const car = settable(normal);
    const setting = settingOf(car);
    const now = setting.stands(setting.still);
    if (!now) continue;
    all++;
    const wish: Wish = {
      camber: now.camber + 0.5 * normal(),
      toe: now.toe + 0.2 * normal(),
      ...(seed % 2 === 0 && { caster: now.caster! + 0.5 * normal() }),
    };
    const plan = setUp(setting, wish)!;
    const moves = setting.adjusters.map(
      (adjuster) => plan.moves.find((one) => one.adjuster === adjuster)?.by ?? 0,
    );
    // Threads: never past an end, whichever way it was rounded.
    plan.moves.forEach(({ adjuster, by }) => {
      const [from, to] = reachOf(adjuster);
      expect(by).toBeGreaterThanOrEqual(from - 1e-9);
      expect(by).toBeLessThanOrEqual(to + 1e-9);
    });
    // Measured by the readouts' own sweep, not by what the solver looks at.
    const after = readAt(setting.corner(moves)!, 0, 0);
    if (!after.ok) throw new Error(`${seed}`);
    for (const of of SET)
      if (plan.after[of] !== null) expect(after.value[of]!).toBeCloseTo(plan.after[of], 6);
    if (!plan.reached) {
      expect(plan.short.length).toBeGreaterThan(0);
      continue;
    }
    reached++;
    const rods = setting.adjusters.filter(({ setsToe }) => setsToe);
    // One that is best left where it is by half a flat counts as well.
    const tubes = setting.adjusters.filter(({ setsToe }) => !setsToe);
    const within = (of: 'camber' | 'caster' | 'toe', least: number) =>
      1.1 * Math.max(least, halfStep(setting, of === 'toe' ? rods : tubes, of));
    expect(Math.abs(after.value.toe - wish.toe!)).toBeLessThanOrEqual(within('toe', 0.02));
    expect(Math.abs(after.value.camber - wish.camber!)).toBeLessThanOrEqual(within('camber', 0.05));
    if (wish.caster !== undefined)
      expect(Math.abs(after.value.caster! - wish.caster)).toBeLessThanOrEqual(
        within('caster', 0.1),
      );
  }
  // The rest asks for more than threads have room for.
  expect(reached).toBeGreaterThan(800);
});

it('is the least work of everything that can be tried', () => {
  let compared = 0;
  for (let seed = 1; seed <= 40; seed++) {
    const normal = normalsApart(700 + seed);
    const car = settable(normal);
    const { points } = car.build.front;
    car.build.front.freedoms = {
      upperFrontInner: {
        out: {
          kind: 'shims',
          base: points['upperFrontInner'].out,
          stock: [1, 3],
          most: 2,
          way: -1,
        },
      },
      lowerRearInner: {
        out: { kind: 'choices', at: [0, 6, -6].map((by) => points['lowerRearInner'].out + by) },
      },
    };
    const wheel = wheelOf(car.build, 'front', 'left');
    const setting = new Setting(wheel, adjustersOf(car.build, wheel));
    const now = setting.stands(setting.still);
    if (!now) continue;
    const wish = { camber: now.camber + 0.4 * normal(), toe: now.toe };
    const plan = setUp(setting, wish)!;
    const { adjusters } = setting;
    const rod = adjusters.findIndex(({ setsToe }) => setsToe);
    // Every place of every one or two, the rod at every flat about where it has to be.
    const free = adjusters.flatMap((one, i) => (i === rod || one.setsBump ? [] : [i]));
    const placesOf = (i: number): number[] => {
      const { places } = adjusters[i];
      if (places.kind === 'own') return places.at.filter((at) => at !== 0);
      const { step, from, to } = places;
      return Array.from({ length: 24 }, (_, k) => (k - 12) * step).filter(
        (at) => at !== 0 && at >= from && at <= to,
      );
    };
    const ways: number[][] = [[]];
    for (const i of free) for (const at of placesOf(i)) ways.push([i, at]);
    let least = Infinity;
    for (const [i, at] of ways) {
      const moves = [...setting.still];
      if (i !== undefined) moves[i] = at;
      const stands = setting.stands(moves);
      if (!stands || Math.abs(stands.camber - wish.camber) > 0.05) continue;
      const per = adjusters[rod].places;
      if (per.kind !== 'steps') throw new Error('a rod has threads');
      for (let k = -40; k <= 40; k++) {
        moves[rod] = k * per.step;
        const set = setting.stands(moves);
        if (!set || Math.abs(set.toe - wish.toe) > 0.02) continue;
        const work = moves.reduce(
          (sum, by, m) =>
            by === 0
              ? sum
              : sum + adjusters[m].work + (0.05 * Math.abs(by)) / Math.abs(adjusters[m].per),
          0,
        );
        least = Math.min(least, work);
      }
    }
    if (least === Infinity) continue;
    compared++;
    expect(plan.reached).toBe(true);
    expect(plan.work).toBeLessThanOrEqual(least + 0.5 + 1e-9);
  }
  expect(compared).toBeGreaterThan(15);
});

it('is the least work of every two as well, where caster is wanted too', () => {
  let compared = 0;
  for (let seed = 1; seed <= 10; seed++) {
    const normal = normalsApart(1300 + seed);
    const setting = settingOf(settable(normal));
    const now = setting.stands(setting.still);
    if (!now) continue;
    const wish = {
      camber: now.camber + 0.3 * normal(),
      caster: now.caster! + 0.4 * normal(),
      toe: now.toe,
    };
    const plan = setUp(setting, wish)!;
    const { adjusters } = setting;
    const rod = adjusters.findIndex(({ setsToe }) => setsToe);
    const flats = (i: number) => {
      const [from, to] = reachOf(adjusters[i]);
      const step = adjusters[i].per / 6;
      return Array.from({ length: 31 }, (_, k) => (k - 15) * step).filter(
        (at) => at >= from && at <= to,
      );
    };
    const [a, b] = adjusters.flatMap((_, i) => (i === rod ? [] : [i]));
    const half = halfStep(setting, [adjusters[rod]], 'toe');
    let least = Infinity;
    for (const at of flats(a))
      for (const on of flats(b)) {
        const moves = [...setting.still];
        [moves[a], moves[b]] = [at, on];
        const stands = setting.stands(moves);
        if (!stands || Math.abs(stands.camber - wish.camber) > 0.05) continue;
        if (Math.abs(stands.caster! - wish.caster) > 0.1) continue;
        const perTurn = adjusters[rod].per / 6;
        const reaches = Array.from({ length: 41 }, (_, k) => (k - 20) * perTurn).filter((by) => {
          moves[rod] = by;
          return Math.abs((setting.stands(moves)?.toe ?? Infinity) - wish.toe) <= half;
        });
        for (const by of reaches) {
          moves[rod] = by;
          least = Math.min(
            least,
            moves.reduce(
              (sum, mm, i) =>
                mm === 0 ? sum : sum + adjusters[i].work + (0.05 * Math.abs(mm)) / adjusters[i].per,
              0,
            ),
          );
        }
      }
    if (least === Infinity) continue;
    compared++;
    expect(plan.reached).toBe(true);
    expect(plan.work).toBeLessThanOrEqual(least + 0.5 + 1e-9);
  }
  expect(compared).toBeGreaterThan(2);
});

it('seeks toe by what there is where there is no rod', () => {
  const build = blankBuild('x', undefined, 'trailing-arm');
  const rear = build.rear!;
  const pivot = Object.keys(rear.points).find((name) => name.endsWith('Inner'))!;
  const { ahead } = rear.points[pivot];
  rear.freedoms = {
    [pivot]: { ahead: { kind: 'range', min: ahead - 15, max: ahead + 15, step: 0 } },
  };
  const wheel = wheelOf(build, 'rear', 'left')!;
  const setting = new Setting(wheel, adjustersOf(build, wheel));
  const { toe } = setting.stands(setting.still)!;
  const plan = setUp(setting, { toe: toe + 0.3 })!;
  expect(plan.reached).toBe(true);
  expect(Math.abs(plan.after.toe - toe - 0.3)).toBeLessThan(0.1);
  expect(plan.moves).toHaveLength(1);
});

it('goes from what was read, and keeps what nothing was said of', () => {
  const setting = settingOf(settable());
  const model = setting.stands(setting.still)!;
  // The car reads half a degree off the drawing: that is what has to go.
  const plan = setUp(setting, { camber: model.camber }, { camber: model.camber + 0.5, toe: 0.3 })!;
  expect(plan.reached).toBe(true);
  expect(plan.before).toMatchObject({ camber: model.camber + 0.5, toe: 0.3 });
  expect(plan.after.camber).toBeCloseTo(model.camber, 1);
  expect(Math.abs(plan.after.toe - 0.3)).toBeLessThan(0.11);
  // The rod comes last.
  expect(plan.moves.at(-1)!.adjuster.setsToe).toBe(true);
  expect(setUp(setting, { camber: model.camber })!.moves).toEqual([]);
});

it('says what cannot be had, and what would have to give', () => {
  const car = settable();
  const setting = settingOf(car);
  const { camber } = setting.stands(setting.still)!;
  const plan = setUp(setting, { camber: camber - 6 })!;
  const { reached, short, after } = plan;
  expect(reached).toBe(false);
  const [first] = short;
  expect(first.of).toBe('camber');
  expect(first.by).toBeCloseTo(camber - 6 - after.camber, 6);
  const { adjuster, more, atEnd } = first.cure!;
  expect(atEnd).toBe(true);
  // Gone that much further, past its end, the camber that is wanted is there.
  const there = setting.adjusters.map(
    (one) =>
      (plan.moves.find((move) => move.adjuster === one)?.by ?? 0) + (one === adjuster ? more : 0),
  );
  expect(setting.stands(there)!.camber).toBeCloseTo(camber - 6, 3);
  // Without anything but the rod no camber can be had, and nothing is blamed for it.
  const bare = blankBuild('x');
  const wheel = wheelOf(bare, 'front', 'left');
  const none = setUp(new Setting(wheel, adjustersOf(bare, wheel)), { camber: camber - 1 })!;
  expect(none.reached).toBe(false);
  expect(none.moves).toEqual([]);
});

it('learns from what the moves really did', () => {
  const setting = settingOf(settable(normalsApart(5)));
  const now = setting.stands(setting.still)!;
  const wish = { camber: now.camber + 0.8, caster: now.caster! - 0.6 };
  // A car on which everything does four fifths.
  const real = (plan: NonNullable<ReturnType<typeof setUp>>, gain: number) => {
    const read = (of: 'camber' | 'caster' | 'toe') =>
      plan.before[of]! + (0.8 / gain) * (plan.after[of]! - plan.before[of]!);
    return { camber: read('camber'), caster: read('caster'), toe: read('toe') };
  };
  const first = setUp(setting, wish)!;
  const seen = real(first, 1);
  const did = learned(AS_DRAWN, first, seen, 0.02);
  expect(did.gain).toBeCloseTo(0.8, 1);
  expect(did.sigma).toBeLessThan(0.03);
  const second = setUp(setting, wish, seen, did)!;
  const there = real(second, did.gain);
  const tubes = setting.adjusters.filter(({ setsToe }) => !setsToe);
  expect(Math.abs(there.camber - wish.camber)).toBeLessThan(
    1.2 * Math.max(0.05, halfStep(setting, tubes, 'camber')),
  );
  expect(Math.abs(seen.camber - wish.camber)).toBeGreaterThan(0.1);
  // Nothing was moved: nothing is learnt.
  expect(learned(did, { before: now, after: now }, now, 0.02)).toEqual(did);
});

it('tells one unit of places of their own by the next of them', () => {
  const build = blankBuild('x');
  const { up } = build.front.points['lowerFrontInner'];
  build.front.freedoms = {
    lowerFrontInner: {
      up: { kind: 'flip', base: up, offset: 8 },
      out: { kind: 'eccentric', base: build.front.points['lowerFrontInner'].out, throw: 3 },
    },
  };
  const all = adjustersOf(build, wheelOf(build, 'front', 'left'));
  const [throws, flip] = all.filter(({ of }) => of.kind === 'point');
  expect([throws.unit, unitOf(throws), reachOf(throws)]).toEqual(['throw', 3, [-3, 3]]);
  expect([flip.unit, unitOf(flip), reachOf(flip)]).toEqual(['flip', 8, [-8, 8]]);
});
