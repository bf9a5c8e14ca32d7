import { blankBuild } from '../model/starts';
import { wheelOf } from '../kinematics/wheel';
import { markAt, placeOf } from '../check/places';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { settable } from '../../test/setups';
import { adjustersOf } from './adjusters';
import { Setting } from './setting';
import { setUp } from './solve';
import { toeEach, toeTold } from './toeIn';
import { changesInWords, moveInWords, shortInWords, signed, turnsInWords } from './words';

it('says turns in whole turns and flats', () => {
  expect([0.5, 1, 1 / 6, 2 + 5 / 6, -1.5, 0].map(turnsInWords)).toEqual([
    '3 flats',
    '1 turn',
    '1 flat',
    '2 turns and 5 flats',
    '1 turn and 3 flats',
    'not at all',
  ]);
  expect([1.234, -0.5, -0.001].map((one) => signed(one))).toEqual(['+1.23°', '−0.50°', '0.00°']);
});

it('says every kind of move as it is made', () => {
  const { build } = settable();
  const { points } = build.front;
  const at = (name: string) => points[name];
  build.front.freedoms = {
    upperFrontInner: {
      out: { kind: 'shims', base: at('upperFrontInner').out, stock: [1.6, 3.2], most: 2, way: -1 },
      up: { kind: 'choices', at: [at('upperFrontInner').up, at('upperFrontInner').up + 25] },
    },
    lowerFrontInner: {
      up: { kind: 'flip', base: at('lowerFrontInner').up, offset: 8 },
      out: { kind: 'eccentric', base: at('lowerFrontInner').out, throw: 3 },
      ahead: {
        kind: 'thread',
        min: at('lowerFrontInner').ahead - 9,
        max: at('lowerFrontInner').ahead + 9,
        pitch: 1.5,
      },
    },
    lowerRearInner: {
      out: {
        kind: 'range',
        min: at('lowerRearInner').out - 9,
        max: at('lowerRearInner').out + 9,
        step: 0,
      },
    },
  };
  const all = adjustersOf(build, wheelOf(build, 'front', 'left'));
  const say = (id: string, by: number, unit: 'mm' | 'in' = 'mm') =>
    moveInWords(build.front, { adjuster: all.find((one) => one.id === id)!, by }, unit);
  expect(say('point upperFrontInner.out', -4.8)).toBe(
    'upper arm front pivot: washers 1.6 mm + 3.2 mm in all, 4.8 mm inward',
  );
  expect(say('point upperFrontInner.up', 25)).toBe(
    'upper arm front pivot: to the hole 25.0 mm further up',
  );
  expect(say('point lowerFrontInner.up', -8)).toBe(
    'lower arm front pivot: its plate turned over, 8.0 mm down',
  );
  expect(say('point lowerFrontInner.out', 0.6)).toBe(
    'lower arm front pivot: eccentric 0.6 mm outward, of 3.0 mm either way',
  );
  expect(say('point lowerFrontInner.ahead', -1.5)).toBe(
    'lower arm front pivot: 2 half turns back, undone',
  );
  expect(say('point lowerRearInner.out', 25.4, 'in')).toMatch(
    /: 1(\.00)? in outward in its slot$/u,
  );
  const tube = all.find(({ name }) => name === 'upper arm, front tube')!;
  expect(moveInWords(build.front, { adjuster: tube, by: (-4 / 6) * tube.per })).toBe(
    'upper arm, front tube: 4 flats shorter',
  );
});

it('says what it comes to, and what is short', () => {
  const { build, wheel } = settable();
  const setting = new Setting(wheel, adjustersOf(build, wheel));
  const plan = setUp(setting, { camber: -8 }, { camber: -1.1 })!;
  expect(changesInWords(plan)[0]).toMatch(/^camber −1\.10° → −\d\.\d\d°$/u);
  expect(shortInWords(plan.short[0])).toMatch(
    /^\d\.\d\d° of camber too much: upper arm, .* mm (longer|shorter), past its end \(.*\)$/u,
  );
  expect(shortInWords({ of: 'caster', by: 0.4, cure: null })).toBe(
    '0.40° of caster too little: nothing here sets it',
  );
});

describe('toe as it is told', () => {
  it('is an angle of one wheel whatever it was told as, and back', () => {
    for (const as of ['deg', 'mm'] as const)
      for (const whose of ['each', 'total'] as const)
        for (const degrees of [-1.3, 0, 0.25, 4]) {
          const told = { as, of: whose, over: 560 };
          expect(toeEach(toeTold(degrees, told), told)).toBeCloseTo(degrees, 12);
        }
    expect(() => toeEach(900, { as: 'mm', of: 'each', over: 560 })).toThrow(RangeError);
  });

  it('is what two marks on the tyre of a solved wheel say', () => {
    const { front } = blankBuild('x');
    front.static = { toe: 0.4, camber: 0 };
    const { corner } = wheelOf({ ...blankBuild('x'), front }, 'front', 'left');
    const u = new Float64Array(UPRIGHT_SIZE);
    corner!.corner.pose(0, 0, u);
    const place = placeOf(u);
    const [ahead, behind] = [280, -280].map((at) => markAt(place, 90, at));
    const mm = behind[1] - ahead[1];
    expect(toeEach(mm, { as: 'mm', of: 'each', over: 560 })).toBeCloseTo(0.4, 9);
    expect(toeEach(2 * mm, { as: 'mm', of: 'total', over: 560 })).toBeCloseTo(0.4, 9);
  });
});
