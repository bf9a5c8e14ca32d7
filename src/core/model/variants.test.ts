import { produce } from 'immer';
import { buildSchema } from './build';
import type { Build } from './build';
import {
  copyVariant,
  differencesOf,
  frozenTouched,
  variantsOf,
  nameVariant,
  openVariant,
  openVariantOf,
  removeVariant,
  replaceBuild,
} from './variants';
import { blankBuild } from './starts';

const start = () => blankBuild('x');
const change = (build: Build, act: (draft: Build) => void) =>
  produce(build, (draft) => void act(draft));
/** First variant, put aside, and `Rack lowered`, open, 10 mm lower at the rack. */
const two = () =>
  change(start(), (draft) => {
    copyVariant(draft, 'low', 'Rack lowered');
    draft.front.points['tieRodInner'].up -= 10;
  });
const names = (build: Build) => variantsOf(build).map(({ name }) => name);

describe('layouts of a build', () => {
  it('start with one, as drawn', () => {
    expect(names(start())).toEqual(['First variant']);
    expect(openVariantOf(start()).frozen).toBeUndefined();
  });

  it('are copied, changed apart, opened in turn, and nothing is lost on the way', () => {
    const build = two();
    expect(names(build)).toEqual(['Rack lowered', 'First variant']);
    const back = change(build, (draft) => void openVariant(draft, 'first'));
    expect(names(back)).toEqual(['First variant', 'Rack lowered']);
    expect(back.front).toEqual(start().front);
    const again = change(back, (draft) => void openVariant(draft, 'low'));
    expect(variantsOf(again)).toEqual(variantsOf(build));
    expect(openVariant(structuredClone(build), 'none')).toBe(false);
    expect(buildSchema.parse(structuredClone(build))).toEqual(build);
  });

  it('may have a rear axle in one and none in another', () => {
    const build = change(two(), (draft) => {
      const { rack: _rack, ...rear } = draft.front;
      draft.rear = rear;
    });
    const drawn = change(build, (draft) => void openVariant(draft, 'first'));
    expect(drawn.rear).toBeUndefined();
    expect(change(drawn, (draft) => void openVariant(draft, 'low')).rear).toEqual(build.rear);
  });

  it('are renamed and thrown away, the open one excepted', () => {
    const build = change(two(), (draft) => {
      nameVariant(draft, 'first', { name: 'Plan A' });
      nameVariant(draft, 'low', { name: 'Plan B' });
      removeVariant(draft, 'low');
    });
    expect(names(build)).toEqual(['Plan B', 'Plan A']);
    expect(names(change(build, (draft) => removeVariant(draft, 'first')))).toEqual(['Plan B']);
  });
});

describe('a frozen variant', () => {
  const when = '2026-05-01T10:00:00.000Z';
  const frozen = change(two(), (draft) => nameVariant(draft, 'first', { frozen: when }));

  it('may be looked at, put aside, copied and renamed', () => {
    for (const act of [
      (draft: Build) => void openVariant(draft, 'first'),
      (draft: Build) => nameVariant(draft, 'first', { name: 'Cut' }),
      (draft: Build) => void (draft.front.points['lowerOuter'].out += 1),
      (draft: Build) => void (draft.travel.bump = 50),
    ])
      expect(frozenTouched(frozen, change(frozen, act))).toBeNull();
    const opened = change(frozen, (draft) => void openVariant(draft, 'first'));
    const copied = change(opened, (draft) => {
      copyVariant(draft, 'next', 'Next');
      draft.front.tyre.width += 5;
    });
    expect(frozenTouched(opened, copied)).toBeNull();
    expect(openVariantOf(copied).frozen).toBeUndefined();
    expect(names(change(frozen, (draft) => removeVariant(draft, 'first')))).toHaveLength(2);
  });

  it('says which it is when a change would touch it, open or put aside', () => {
    const opened = change(frozen, (draft) => void openVariant(draft, 'first'));
    const touched = change(opened, (draft) => void (draft.front.points['lowerOuter'].out += 1));
    expect(frozenTouched(opened, touched)?.name).toBe('First variant');
    const gone = change(frozen, (draft) => void (draft.layouts = []));
    expect(frozenTouched(frozen, gone)?.name).toBe('First variant');
  });

  it('may be changed once it is thawed', () => {
    const thawed = change(frozen, (draft) => nameVariant(draft, 'first', { frozen: null }));
    expect(frozenTouched(frozen, thawed)).toBeNull();
    expect(variantsOf(thawed)[1]).not.toHaveProperty('frozen');
  });
});

describe('differences of two variants', () => {
  it('are every number that differs, points in their order, and no freedom', () => {
    const [low, drawn] = variantsOf(
      change(two(), (draft) => {
        draft.front.static.toe = 0.2;
        draft.front.tyre.code = '195/50R15';
        draft.front.points['lowerOuter'].out += 2;
        draft.front.freedoms = { lowerOuter: { out: { kind: 'fixed' } } };
      }),
    );
    const found = differencesOf(drawn, low).map(({ path, from, to }) => [path.join(' '), from, to]);
    expect(found).toContainEqual(['static toe', drawn.front.static.toe, 0.2]);
    expect(found).toContainEqual(['tyre code', drawn.front.tyre.code ?? null, '195/50R15']);
    const { out } = drawn.front.points['lowerOuter'];
    const { up } = drawn.front.points['tieRodInner'];
    expect(found.slice(-2)).toEqual([
      ['points lowerOuter out', out, out + 2],
      ['points tieRodInner up', up, up - 10],
    ]);
    expect(found).toHaveLength(4);
    expect(differencesOf(low, low)).toEqual([]);
  });
});

it('replaces a build whole: what the other does not have goes too', () => {
  const build = two();
  const next = start();
  const replaced = change(build, (draft) => replaceBuild(draft, next));
  expect(replaced).toEqual(next);
  expect(replaced).not.toHaveProperty('layouts');
});
