import { settable } from '../../test/setups';
import { buildSchema } from '../model/build';
import type { Build } from '../model/build';
import { wheelOf } from '../kinematics/wheel';
import {
  fromDrawn,
  setFrom,
  setNow,
  setsDiffer,
  takeTurnedBack,
  turnedOf,
  turnedWheels,
  typedOf,
  writeTurned,
  writeTyped,
} from './book';
import { readAt } from '../motion/sweep';
import { reachOf } from './adjusters';
import { unitOf } from './setting';
import { setUp } from './solve';
import type { SetupPlan } from './solve';

const at = '2026-05-01T10:00:00.000Z';
const leftOf = (build: Build) => wheelOf(build, 'front', 'left');
const turnedBy = (plan: SetupPlan, read = {}) => ({
  ...{ at, read, wanted: {} },
  moved: plan.moves.map(({ adjuster, by }) => ({ id: adjuster.id, by })),
});

it('goes on from where everything stands, with the room that is left', () => {
  const { build } = settable();
  const wheel = leftOf(build);
  const first = setNow(build, wheel);
  const plan = setUp(first.setting, { camber: first.model!.camber - 0.7 })!;
  writeTurned(build, wheel, turnedBy(plan), false);
  const second = setNow(build, wheel);
  expect(second.model!.camber).toBeCloseTo(plan.after.camber, 9);
  expect(second.model!.toe).toBeCloseTo(plan.after.toe, 9);
  plan.moves.forEach(({ adjuster, by }) => {
    const now = second.setting.adjusters.find(({ id }) => id === adjuster.id)!;
    const [[from, to], [fromNow, toNow]] = [reachOf(adjuster), reachOf(now)];
    expect([fromNow, toNow]).toEqual([from - by, to - by]);
  });
  // There and back is the drawing again.
  const back = setUp(second.setting, { camber: first.model!.camber, toe: first.model!.toe })!;
  writeTurned(build, wheel, turnedBy(back), false);
  expect(fromDrawn(turnedOf(build, wheel))).toEqual([]);
  expect(setNow(build, wheel).model!.camber).toBeCloseTo(first.model!.camber, 9);
  takeTurnedBack(build, wheel);
  expect(setNow(build, wheel).model).toEqual(second.model);
  expect(buildSchema.safeParse(build).success).toBe(true);
});

it('learns from what was read after each round', () => {
  const { build } = settable();
  const wheel = leftOf(build);
  const now = setNow(build, wheel);
  const plan = setUp(now.setting, { camber: -2 }, { camber: -1, toe: 0.1 })!;
  writeTurned(build, wheel, turnedBy(plan, { camber: -1, toe: 0.1 }), false);
  // It did three quarters of what it should.
  const read = { camber: -1 + 0.75 * (plan.after.camber + 1) };
  writeTurned(build, wheel, { at, read, wanted: {}, moved: [] }, false);
  const { did } = setNow(build, wheel);
  expect(did.gain).toBeLessThan(0.85);
  expect(did.gain).toBeGreaterThan(0.74);
  expect(did.sigma).toBeLessThan(0.1);
});

it('writes both sides alike, what was read at the one that it was read at', () => {
  const { build } = settable();
  const wheel = leftOf(build);
  const plan = setUp(setNow(build, wheel).setting, { camber: -1.6 })!;
  writeTurned(build, wheel, turnedBy(plan, { camber: -1 }), true);
  const [left, right] = build.setups!.wheels;
  expect(right.turned[0].moved).toEqual(left.turned[0].moved);
  expect([left.turned[0].read, right.turned[0].read]).toEqual([{ camber: -1 }, {}]);
});

it('keeps sets, and tells two of them apart adjuster by adjuster', () => {
  const { build } = settable();
  const wheel = leftOf(build);
  const road = setFrom(build, 'a', { name: 'Road', kind: 'road', note: '' }, at);
  const plan = setUp(setNow(build, wheel).setting, { camber: -2.2, toe: -0.1 })!;
  writeTurned(build, wheel, turnedBy(plan, { camber: -1 }), false);
  const track = setFrom(build, 'b', { name: 'Track', kind: 'track', note: 'pushes' }, at);
  const differs = setsDiffer(build, road, track);
  expect(differs).toHaveLength(plan.moves.length);
  for (const { id, first, second, adjuster } of differs) {
    expect(first).toBe(0);
    expect(second).toBe(plan.moves.find((move) => move.adjuster.id === id)!.by);
    expect(adjuster!.id).toBe(id);
  }
  expect(setsDiffer(build, track, track)).toEqual([]);
  // An adjuster that is not there any more is told by its name.
  delete build.front.made;
  expect(setsDiffer(build, road, track).filter(({ adjuster }) => adjuster === null)).not.toEqual(
    [],
  );
  expect(setNow(build, leftOf(build)).lost.length).toBeGreaterThan(0);
});

it('keeps what is typed for the next round apart from what was turned', () => {
  const { build } = settable();
  const wheel = leftOf(build);
  const plain = setNow(build, wheel).model!;
  writeTyped(build, wheel, 'wanted', 'camber', -2);
  writeTyped(build, wheel, 'read', 'toe', 0.3);
  expect(typedOf(build, wheel)).toEqual({ read: { toe: 0.3 }, wanted: { camber: -2 } });
  expect(setNow(build, wheel).model).toEqual(plain);
  expect(turnedWheels(build)).toEqual([]);
  expect(setFrom(build, 'a', { name: 'a', kind: 'road', note: '' }, at).wheels).toEqual([]);
  expect(buildSchema.safeParse(build).success).toBe(true);
  // The wheel drawn as it is set reads what the setting says of it.
  const { setting } = setNow(build, wheel);
  const moves = setting.still;
  moves[0] = unitOf(setting.adjusters[0]);
  const read = readAt(setting.wheelAt(moves)!.corner!, 0, 0);
  const stands = setting.stands(moves)!;
  expect(read).toMatchObject({ ok: true });
  if (!read.ok) return;
  expect(read.value.camber).toBeCloseTo(stands.camber, 9);
  expect(read.value.toe).toBeCloseTo(stands.toe, 9);
  expect(read.value.caster).toBeCloseTo(stands.caster!, 9);
  // A round takes what was read with it; what is wanted stays wanted.
  writeTurned(build, wheel, { at, read: { toe: 0.3 }, wanted: { camber: -2 }, moved: [] }, false);
  expect(typedOf(build, wheel)).toEqual({ read: {}, wanted: { camber: -2 } });
});
