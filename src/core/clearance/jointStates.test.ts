import { blankBuild } from '../model/starts';
import { jointStates } from './jointStates';
import { jointTypeOf } from './articulation';
import type { Articulation, Articulations } from './articulation';
import { wheelIn } from '../../test/layouts';

const { front } = blankBuild('x');
const level: Articulation = { angle: 3, travel: 0, rack: 0 };
const articulations = (change: Articulations): Articulations => ({
  lowerOuter: level,
  upperOuter: level,
  tieRodInner: level,
  tieRodOuter: level,
  ...change,
});

it('says which joint is near its limit and which is past it, and where', () => {
  const states = jointStates(
    wheelIn(front),
    articulations({
      upperOuter: { angle: 22, travel: -60, rack: 0 },
      tieRodOuter: { angle: 15.4, travel: 60, rack: 65 },
    }),
    {},
  );
  expect(states).toEqual({
    upperOuter: { state: 'near', why: 'articulates 22.0° at 60.0 mm droop: 25° is its limit' },
    tieRodOuter: {
      state: 'out',
      why: 'articulates 15.4° at 60.0 mm bump with the rack 65.0 mm left: 15° is its limit',
    },
  });
});

it('takes the builder’s own limits, and a toe link’s inner end as a rod end', () => {
  const high = articulations({ tieRodOuter: { angle: 20, travel: 0, rack: 0 } });
  expect(jointStates(wheelIn(front), high, { rodEnd: 28 })).toEqual({});
  expect(jointTypeOf(wheelIn(front), 'tieRodInner')).toBe('ball');
  expect(jointTypeOf(wheelIn({ ...front, rack: undefined }), 'tieRodInner')).toBe('rodEnd');
});

it('marks what stands where its freedom has no place', () => {
  const { up } = front.points['tieRodInner'];
  const free = (freedom: NonNullable<typeof front.freedoms>) =>
    jointStates(wheelIn({ ...front, freedoms: freedom }), null, {});
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
  expect(jointStates(wheelIn({ ...front, rim, points }), null, {})).toMatchObject({
    upperOuter: { state: 'out', why: expect.stringContaining('into the rim') },
  });
});
