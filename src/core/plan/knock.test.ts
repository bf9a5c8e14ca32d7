import { planePushRod } from '../../test/dampers';
import { usualBuild } from '../../test/plans';
import type { Build } from '../model/build';
import { HITS } from '../model/plan';
import { blankBuild } from '../model/starts';
import { afterKnock, isOff, knockLeft } from './knock';

const AT = '2026-03-01T09:00:00.000Z';

it('looks at every arm, link and rod of the wheel that was hit, with its drawn length', () => {
  const build = usualBuild();
  for (const hit of HITS) {
    const items = afterKnock(build, { axle: 'front', side: 'left', hit });
    const rod = items.find(({ name }) => name === 'Tie rod')!;
    const { tieRodInner: a, tieRodOuter: b } = build.front.points;
    expect(rod.length).toBeCloseTo(Math.hypot(a.ahead - b.ahead, a.out - b.out, a.up - b.up), 9);
    expect(rod.replace).toMatch(/never straightened/u);
    expect(items.filter(({ length }) => length !== null)).toHaveLength(5);
    expect(items.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['brackets', 'upright', 'wheel', 'unit', 'column', 'measure']),
    );
    // Without a damper there are no statics: nothing is said to have carried anything.
    expect(items.every(({ share }) => share === null)).toBe(true);
  }
  const rear = afterKnock(build, { axle: 'rear', side: 'left', hit: 'kerb' });
  expect(rear.map(({ id }) => id)).not.toContain('unit');
  expect(rear.map(({ name }) => name)).toContain('Toe link');
});

it('says what carried most, as moments taken by hand have it', () => {
  const build = { ...blankBuild('x'), front: planePushRod() };
  const shares = (hit: 'kerb' | 'under') => {
    const items = afterKnock(build, { axle: 'front', side: 'left', hit });
    return new Map(items.map(({ id, share }) => [id, share]));
  };
  /*
   * Level arms at 200 and 400 mm, ball joints 100 mm inboard of the contact. Three times the weight W inward at the
   * road, W up: about the lower joint 3 W · 200 = U · 200 pulls the upper arm, W · 100 = U · 200 presses it, so U is
   * 2.5 W; the lower arm takes 3 W + 2.5 W. The tie rod, level and behind, has no moment to hold.
   */
  const kerb = shares('kerb');
  for (const end of ['Front', 'Rear']) {
    expect(kerb.get(`lower${end}Inner lowerOuter`)).toBeCloseTo(1, 6);
    expect(kerb.get(`upper${end}Inner upperOuter`)).toBeCloseTo(2.5 / 5.5, 6);
  }
  expect(kerb.get('tieRodInner tieRodOuter')).toBeCloseTo(0, 6);
  /*
   * 4 W straight up: the rod, 200 of the lower arm's 300 mm out, carries 6 W; both arms hold 4 W · 100 / 200, half of it
   * a tube, along a tube of 100 to 300.
   */
  const under = shares('under');
  const tube = (2 / 2) * (Math.hypot(100, 300) / 300);
  expect(under.get('damper')).toBeCloseTo(1, 6);
  expect(under.get('upperFrontInner upperOuter')).toBeCloseTo(tube / 6, 6);
  expect(under.get('lowerRearInner lowerOuter')).toBeCloseTo(tube / 6, 6);
  // What carried most stands first.
  const [first] = afterKnock(build, { axle: 'front', side: 'left', hit: 'kerb' });
  expect(first.id).toMatch(/^lower/u);
});

it('counts what was looked at, and what is off its drawn length as bad whatever was said of it', () => {
  const build: Build = usualBuild();
  const knock = { id: 'k', at: AT, axle: 'front', side: 'left', hit: 'kerb', note: '' } as const;
  const items = afterKnock(build, knock);
  const signed = { at: AT, by: 'Ada' };
  const all = items.map(({ id }) => ({ ...signed, of: id, as: 'good' as const }));
  expect(knockLeft(build, { ...knock, found: [] })).toEqual({ open: items, bad: [] });
  expect(items.length).toBeGreaterThan(8);
  expect(knockLeft(build, { ...knock, found: all })).toEqual({ open: [], bad: [] });
  const rod = items.find(({ name }) => name === 'Tie rod')!;
  const measured = (by: number) =>
    knockLeft(build, {
      ...knock,
      found: all.map((one) => (one.of === rod.id ? { ...one, length: rod.length! + by } : one)),
    }).bad;
  expect(measured(0.9)).toEqual([]);
  expect(measured(-1.1)).toEqual([rod]);
  expect(isOff({ length: null }, 5)).toBe(false);
  // A length alone is no finding.
  const { open } = knockLeft(build, {
    ...knock,
    found: [{ ...signed, of: rod.id, length: rod.length! }],
  });
  expect(open).toContainEqual(rod);
});
