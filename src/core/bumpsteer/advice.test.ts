import fc from 'fast-check';
import { anyLayout, axleWith, wheelIn } from '../../test/layouts';
import type { Freedoms } from '../model/freedoms';
import type { Build, AxleDesign } from '../model/build';
import { blankBuild } from '../model/starts';
import { noTakeOff } from '../model/takeOff';
import { findNull } from './findNull';
import { STARTING_WANTED } from '../model/nullWanted';
import { bumpSteerOf } from './trial';
import { finish } from '../find/finish';
import { wheelOf } from '../kinematics/wheel';
import { withPoints } from '../kinematics/axle';

const travel = { bump: 25, droop: 25 };
const search = (build: Build) => {
  const finding = findNull(build, wheelOf(build, 'front', 'left'), {
    ...STARTING_WANTED,
    placing: null,
  });
  return finish(finding);
};
const buildOf = (design: AxleDesign, freedoms: Freedoms): Build => ({
  ...blankBuild('x'),
  travel,
  front: { ...design, freedoms },
});
const washers = (base: number, way: 1 | -1, stock = [0.5, 1, 1.6, 3.2, 6.35]) => ({
  kind: 'shims' as const,
  base,
  stock,
  most: 3,
  way,
});

it('says washers on the other side where that is the cure, and measures it', () => {
  // A null with the joint put 6.4 mm too high: it wants washers below that are not allowed.
  const flat = axleWith();
  const { up } = flat.points['tieRodOuter'];
  const nulled = search(
    buildOf(flat, { tieRodOuter: { up: { kind: 'range', min: up - 40, max: up + 40, step: 0 } } }),
  );
  const best = nulled.found[nulled.paper].points['tieRodOuter'].up;
  const off = withPoints(flat, 'left', {
    tieRodOuter: { ...flat.points['tieRodOuter'], up: best + 6.4 },
  });
  const { found, advice } = search(buildOf(off, { tieRodOuter: { up: washers(best + 6.4, 1) } }));
  expect(found).toEqual([]);
  const [first] = advice;
  expect(first.kind).toBe('other side');
  expect(first.found.changes).toMatchObject([{ point: 'tieRodOuter', coordinate: 'up' }]);
  expect(first.found.changes[0].to).toBeLessThan(best + 6.4);
  expect(first.found.verdict).toBe('very good');
});

it('offers no stack longer than the longest spacer', () => {
  const flat = axleWith();
  const { up } = flat.points['tieRodOuter'];
  const build = buildOf(flat, { tieRodOuter: { up: washers(up, -1, [6.35]) } });
  const raises = (spacer: number) => {
    const finding = findNull(build, wheelOf(build, 'front', 'left'), {
      ...STARTING_WANTED,
      placing: null,
      spacer,
    });
    const done = finish(finding);
    return done.advice.flatMap(({ found }) =>
      found.changes.flatMap(({ kind, from, to }) =>
        kind === 'shims' ? [Math.abs(to - from)] : [],
      ),
    );
  };
  expect(Math.max(0, ...raises(20))).toBeGreaterThan(6);
  expect(raises(3)).toEqual([]);
});

it('is measured, and never worse than the best within the freedoms, on 200 random layouts', () => {
  let given = 0;
  let none = 0;
  fc.sample(anyLayout, { numRuns: 200, seed: 3 }).forEach((layout, n) => {
    const { up } = layout.points['tieRodOuter'];
    const build = buildOf(layout, { tieRodOuter: { up: washers(up, n % 2 ? 1 : -1, [1.6]) } });
    const { advice, before, found, paper } = search(build);
    const best = found[paper]?.steer.span.range ?? before!.span.range;
    for (const { found: one } of advice) {
      given++;
      const fresh = bumpSteerOf(wheelIn(withPoints(layout, 'left', one.points), 'left', travel))!;
      expect(one.steer).toEqual(fresh);
      expect(fresh.span.range).toBeLessThan(best);
    }
    if (before!.worst > 0.25 && found.length === 0 && advice.length === 0) none++;
  });
  expect(given).toBeGreaterThan(100);
  expect(none).toBeLessThan(4);
});

it('asks nothing of what is welded or measured as one solid upright', () => {
  const layout = axleWith({ tieRodInner: { ahead: 100, out: 270, up: 300 } });
  const { up } = layout.points['tieRodOuter'];
  const build = buildOf(layout, {
    tieRodOuter: { up: washers(up, 1, [0.5]) },
    tieRodInner: { up: { kind: 'fixed' } },
  });
  const read = { value: 0, tolerance: 1 };
  build.takeOff = {
    ...noTakeOff(),
    measured: [
      {
        axle: 'front',
        side: 'left',
        point: 'tieRodOuter',
        method: 'bench',
        inboard: read,
        above: read,
        ahead: read,
      },
    ],
  };
  const moved = search(build).advice.flatMap(({ found }) =>
    found.changes.map(({ point, coordinate }) => `${point} ${coordinate}`),
  );
  expect(moved).not.toContain('tieRodInner up');
  expect(moved).not.toContain('tieRodOuter out');
});
