import fc from 'fast-check';
import { anyAxle, wheelOn } from '../../test/shop';
import { startingBuild, startingEnd } from '../model/made';
import type { MemberBuild, RodEndMade } from '../model/made';
import { partSchema } from '../model/parts';
import { blankBuild } from '../model/starts';
import { cutsOf } from './cut';
import { kitOf, leftOver, substituted, takeKit } from './kit';
import { partsList } from './partsList';
import { shopParts } from './parts';
import { adjustmentOf } from './threads';

const BLANK = blankBuild('x', 'double-wishbone');
const ROD = 'tieRodInner tieRodOuter';
const ARM = 'upperFrontInner upperOuter';
const made: Record<string, MemberBuild> = {
  [ROD]: startingBuild({ role: 'rod', diameter: 16 }),
  [ARM]: {
    ...startingBuild({ role: 'arm', diameter: 22 }),
    from: startingEnd('rodEnd', { form: 'tube' }, 'from'),
  },
};

describe('a kit in another build', () => {
  it('has its tubes as they are cut, its threads set for the new layout, or says they do not fit', () => {
    let [fitted, refused] = [0, 0];
    fc.assert(
      fc.property(anyAxle('double-wishbone', 9), anyAxle('double-wishbone', 9), (first, second) => {
        const kit = kitOf(
          { ...BLANK, front: { ...first, made } as typeof BLANK.front },
          'front',
          'k',
        )!;
        expect(partSchema.safeParse(JSON.parse(JSON.stringify(kit))).error).toBeUndefined();
        const build = { ...BLANK, front: second as typeof BLANK.front };
        const { taken, without } = takeKit(build, 'front', kit);
        expect(without).toEqual([]);
        const wheel = wheelOn({
          ...second,
          made: Object.fromEntries(taken.map(({ id, made: own }) => [id, own])),
        });
        const cuts = shopParts(wheel).flatMap((part) => cutsOf(wheel, part));
        for (const { id, fits } of taken) {
          const { cut, member, ends: both } = cuts.find((one) => one.member.id === id)!;
          const has = kit.members.find((one) => one.id === id)!;
          const was = has.cut;
          const off = Math.max(
            ...both.map(({ lean }, k) => Math.abs((lean ?? 0) - (has.leans[k] ?? 0))),
          );
          if (!fits) {
            refused++;
            // Its cope does not close, or not even everything that its threads have is enough.
            const { shorter, longer } = adjustmentOf(wheel, member, undefined)!;
            const by = was - cut;
            expect(off > 0.5 - 1e-6 || (by > 0 ? by > shorter - 1e-6 : -by > longer - 1e-6)).toBe(
              true,
            );
            continue;
          }
          expect(off).toBeLessThan(0.5 + 1e-6);
          fitted++;
          expect(Math.abs(cut - was)).toBeLessThan(0.5 + 1e-9);
          const { ends } = adjustmentOf(wheel, member, undefined)!;
          for (const { least, most, engaged } of ends) {
            expect(engaged).toBeGreaterThan(least - 1e-6);
            expect(engaged).toBeLessThan(most + 1e-6);
          }
        }
      }),
      { numRuns: 80 },
    );
    expect(fitted).toBeGreaterThan(10);
    expect(refused).toBeGreaterThan(10);
  });

  it('leaves out what the axle has no place for, and is none where nothing is described', () => {
    expect(kitOf(BLANK, 'front', 'k')).toBeNull();
    const kit = kitOf({ ...BLANK, front: { ...BLANK.front, made } }, 'front', 'k')!;
    const strut = blankBuild('y', 'strut');
    const { taken, without } = takeKit(strut, 'front', kit);
    expect(taken.map(({ id }) => id)).toEqual([ROD]);
    expect(without).toHaveLength(1);
  });
});

it('says of a cope, a bend or a plate that it is of another layout', () => {
  const other = structuredClone({ ...BLANK, front: { ...BLANK.front, made } });
  other.front.points['upperOuter'].ahead -= 30;
  const kit = kitOf({ ...BLANK, front: { ...BLANK.front, made } }, 'front', 'k')!;
  const saysOf = (of: typeof kit, build: typeof BLANK) =>
    takeKit(build, 'front', of).taken.find(({ id }) => id === ARM)!;
  expect(saysOf(kit, other)).toMatchObject({
    ...{ fits: false, says: expect.stringMatching(/does not close/u) },
  });
  expect(saysOf(kit, BLANK)).toMatchObject({ fits: true });
  const bent = structuredClone(kit);
  const arm = bent.members.find(({ id }) => id === ARM)!;
  arm.bent = { degrees: 12, before: 90, after: 90 };
  expect(saysOf(bent, BLANK).says).toMatch(/bent otherwise/u);
  arm.made = { ...arm.made, form: 'plate', from: startingEnd('housing', arm.made, 'from') };
  expect(saysOf(bent, BLANK).says).toMatch(/cut from plate/u);
});

describe('a rod end in another’s place', () => {
  const end = startingEnd('rodEnd', { form: 'tube' }, 'from') as RodEndMade;
  const held = { bolt: 12, inside: 22, ear: 4, ears: 2 } as const;

  it('says what differs of thread, hand, bore, ball and body, and nothing where nothing does', () => {
    expect(substituted(end, { ...end, school: 'sealed spherical' })).toEqual([]);
    expect(substituted(end, { ...end, bore: 12.7, held })).toEqual([
      '12.7 bore on a 12.0 mm bolt: 0.35 mm of play each side, sleeve it',
    ]);
    expect(substituted(end, { ...end, bore: 10 }).join()).toMatch(/does not go through/u);
    expect(substituted(end, { ...end, thread: 'M14x1.5' }).join()).toMatch(/does not screw into/u);
    expect(substituted(end, { ...end, hand: 'left' }).join()).toMatch(/left-hand thread/u);
    expect(substituted(end, { ...end, ball: 18, held }).join()).toMatch(/4.0 mm together/u);
    expect(substituted(end, { ...end, ball: 24, held }).join()).toMatch(/between the ears/u);
    expect(substituted(end, { ...end, body: end.body + 3 }).join()).toMatch(/3.0 mm longer/u);
  });

  it('leaves what was noted of the other one in sight', () => {
    const build = structuredClone({ ...BLANK, front: { ...BLANK.front, made } });
    const row = partsList(build).find(({ name }) => /^rod end/u.test(name))!;
    build.shop = { parts: [{ key: row.key, state: 'have', price: 14 }] };
    expect(leftOver(build)).toEqual([]);
    for (const own of Object.values(build.front.made!))
      for (const one of [own.from, own.to]) if (one.as === 'rodEnd') one.thread = 'M14x1.5';
    expect(leftOver(build).map(({ key }) => key)).toEqual([row.key]);
  });
});
