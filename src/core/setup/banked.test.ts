import { normalsApart } from '../geometry/random';
import { wheelOf } from '../kinematics/wheel';
import { buildSchema } from '../model/build';
import type { Build } from '../model/build';
import type { Freedom } from '../model/freedoms';
import { COORDINATES } from '../model/points';
import { blankBuild } from '../model/starts';
import { bankedPlates, bankedSet } from './banked';
import { setNow, setsDiffer, writeTurned } from './book';

/** A random car whose plates can be turned over at some of its joints. */
function platedCar(seed: number): Build {
  const normal = normalsApart(seed);
  const build = blankBuild('Oval');
  const { points } = build.front;
  for (const point of Object.values(points))
    for (const coordinate of COORDINATES) point[coordinate] += 6 * normal();
  const flip = (at: number, offset: number): Freedom => ({
    kind: 'flip',
    base: at - (seed % 3 === 0 ? 0 : seed % 3 === 1 ? offset : -offset),
    offset,
  });
  build.front.freedoms = {
    upperOuter: { out: flip(points['upperOuter'].out, 4 + (seed % 5)) },
    ...(seed % 2 && { lowerOuter: { out: flip(points['lowerOuter'].out, 3) } }),
    ...(seed % 4 === 0 && { upperFrontInner: { up: flip(points['upperFrontInner'].up, 5) } }),
  };
  return build;
}

it('leans every wheel into the turn as far as trying every way by hand does', () => {
  for (let seed = 1; seed <= 12; seed++) {
    const build = platedCar(40 + seed);
    for (const bank of ['left', 'right'] as const)
      for (const found of bankedPlates(build, bank)) {
        const wheel = wheelOf(build, 'front', found.side);
        const { setting } = setNow(build, wheel);
        const into = found.side === bank ? 1 : -1;
        // One plate after another, each at each of its places, without the code under test.
        let most = -Infinity;
        const tryFrom = (k: number, moves: number[]): void => {
          if (k === setting.adjusters.length) {
            const stands = setting.stands(moves);
            if (stands) most = Math.max(most, into * stands.camber);
            return;
          }
          const { unit, places } = setting.adjusters[k];
          const at = unit === 'flip' && places.kind === 'own' ? places.at : [0];
          for (const by of at) tryFrom(k + 1, [...moves, by]);
        };
        tryFrom(0, []);
        expect(into * found.after.camber).toBeGreaterThan(most - 0.006);
        expect(into * found.after.camber).toBeGreaterThanOrEqual(into * found.before.camber);
        // Applied and read again.
        const moves = setting.adjusters.map(
          ({ id }) => found.moves.find(({ adjuster }) => adjuster.id === id)?.by ?? 0,
        );
        expect(setting.stands(moves)!.camber).toBeCloseTo(found.after.camber, 12);
      }
  }
});

it('leaves the plates of the rod’s joints to bump steer', () => {
  const build = platedCar(42);
  const { up } = build.front.points['tieRodOuter'];
  build.front.freedoms!['tieRodOuter'] = { up: { kind: 'flip', base: up, offset: 12 } };
  const ids = bankedPlates(build, 'left').flatMap(({ moves }) =>
    moves.map(({ adjuster }) => adjuster.id),
  );
  expect(ids.length).toBeGreaterThan(0);
  expect(ids.some((id) => id.includes('tieRod'))).toBe(false);
});

it('leans both tops to the side that the track turns to, and mirrors for the other', () => {
  const build = platedCar(42);
  const of = (bank: 'left' | 'right') =>
    Object.fromEntries(bankedPlates(build, bank).map((one) => [one.side, one.after.camber]));
  const [left, right] = [of('left'), of('right')];
  expect(left['left']).toBeGreaterThan(left['right']);
  expect(right['right']).toBeGreaterThan(right['left']);
  expect(left['left']).toBeCloseTo(right['right'], 9);
  expect(left['right']).toBeCloseTo(right['left'], 9);
});

it('makes a set of them on what was turned already, and none of what has no plates', () => {
  const build = platedCar(43);
  const wheel = wheelOf(build, 'front', 'left');
  const rod = setNow(build, wheel).setting.adjusters.find(({ setsToe }) => setsToe)!;
  const at = '2026-04-01T10:00:00.000Z';
  writeTurned(
    build,
    wheel,
    { at, read: { toe: 0.3 }, wanted: {}, moved: [{ id: rod.id, by: 0.5 }] },
    false,
  );
  const said = { name: 'Ring', kind: 'banked to the left', note: '' } as const;
  const set = bankedSet(build, 'left', said, 'ring', at);
  build.setups!.sets.push(set);
  expect(buildSchema.safeParse(JSON.parse(JSON.stringify(build))).success).toBe(true);
  const differs = setsDiffer(build, { wheels: [] }, set);
  expect(differs.some(({ id, second }) => id === rod.id && second === 0.5)).toBe(true);
  for (const { side, moves } of bankedPlates(build, 'left'))
    for (const { adjuster, by } of moves)
      expect(
        differs.find((one) => one.id === adjuster.id && one.side === side)?.second,
      ).toBeCloseTo(by, 9);
  // Nobody read it so.
  expect(
    set.wheels.every(({ axle, side, read }) => {
      const turned = bankedPlates(build, 'left').find(
        (one) => one.axle === axle && one.side === side,
      );
      return !turned || turned.moves.length === 0 || Object.keys(read).length === 0;
    }),
  ).toBe(true);
  expect(bankedPlates(blankBuild('Plain'), 'left')).toEqual([]);
});
