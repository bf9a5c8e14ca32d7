import { blankBuild } from '../model/starts';
import { doubleWishbone } from '../corners/doubleWishbone';
import { jointStates } from './jointStates';
import { jointTypeOf } from './tilt';
import type { Tilt, Tilts } from './tilt';

const { front } = blankBuild('x');
const level: Tilt = { tilt: 3, travel: 0, rack: 0 };
const tilts = (change: Tilts): Tilts => ({
  lowerOuter: level,
  upperOuter: level,
  tieRodInner: level,
  tieRodOuter: level,
  ...change,
});

it('says which joint is near its tilt limit and which is past it, and where', () => {
  const states = jointStates(
    front,
    front.points,
    tilts({
      upperOuter: { tilt: 22, travel: -60, rack: 0 },
      tieRodOuter: { tilt: 15.4, travel: 60, rack: 65 },
    }),
    {},
  );
  expect(states).toEqual({
    upperOuter: { state: 'near', why: 'tilts 22.0° at 60.0 mm droop: 25° is its limit' },
    tieRodOuter: {
      state: 'out',
      why: 'tilts 15.4° at 60.0 mm bump with the rack 65.0 mm left: 15° is its limit',
    },
  });
});

it('takes the builder’s own limits, and a toe link’s inner end as a rod end', () => {
  const high = tilts({ tieRodOuter: { tilt: 20, travel: 0, rack: 0 } });
  expect(jointStates(front, front.points, high, { rodEnd: 28 })).toEqual({});
  expect(jointTypeOf(doubleWishbone, 'tieRodInner', true)).toBe('ball');
  expect(jointTypeOf(doubleWishbone, 'tieRodInner', false)).toBe('rodEnd');
});

it('marks what stands where its freedom has no place', () => {
  const { up } = front.points.tieRodInner;
  const free = (freedom: NonNullable<typeof front.freedoms>) =>
    jointStates({ ...front, freedoms: freedom }, front.points, null, {});
  expect(
    free({ tieRodInner: { up: { kind: 'range', min: up + 4, max: up + 20, step: 0 } } }),
  ).toEqual({ tieRodInner: { state: 'out', why: expect.stringContaining('4.0 mm, up') } });
  expect(free({ tieRodInner: { up: { kind: 'choices', at: [up, up + 25] } } })).toEqual({});
  expect(free({ tieRodInner: { up: { kind: 'choices', at: [up - 3, up + 25] } } })).toMatchObject({
    tieRodInner: { state: 'out' },
  });
});

it('marks a joint that is in the rim', () => {
  const rim = { width: 178, diameter: 250, offset: 0 };
  const points = structuredClone(front.points);
  points['upperOuter'].out = points.wheelCentre.out - 40;
  expect(jointStates({ ...front, rim }, points, null, {})).toMatchObject({
    upperOuter: { state: 'out', why: expect.stringContaining('into the rim') },
  });
});
