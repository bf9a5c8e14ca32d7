import fc from 'fast-check';
import { distance } from '../geometry/vec';

import { lockOf, steerForCircle } from '../steering/lock';
import type { AxleDesign } from '../model/build';
import { blankBuild } from '../model/starts';
import { anyLayout, prepared } from '../../test/layouts';
import { readAt } from '../motion/sweep';
import {
  leanUpright,
  raiseChassis,
  setAlignment,
  setLoadedRadius,
  setRimOffset,
  setTrack,
  standOnGround,
  trackOf,
} from './place';
import { setOverallWidth, widthOver } from './width';
import { rimClearances } from './rim';
import { waysToScrub } from './scrub';
import { staticQuantities } from './staticQuantities';
import type { StaticQuantities } from './staticQuantities';
import { toVec } from '../model/points';

const rim = { width: 178, diameter: 381, offset: 35 };
const draftOf = (design: AxleDesign): AxleDesign => structuredClone({ ...design, rim });
const stand = (d: AxleDesign) => staticQuantities(d, 'left') as Required<StaticQuantities>;
const shapeOf = (d: AxleDesign, wheel: boolean) => {
  const { lowerOuter: l, upperOuter: u, tieRodOuter: t, wheelCentre: w } = d.points;
  const pairs = [
    [l, u],
    [l, t],
    [u, t],
    ...(wheel
      ? [
          [l, w],
          [u, w],
        ]
      : []),
  ];
  return pairs.map(([a, b]) => distance(toVec(a), toVec(b)));
};
const angle = (min: number, max: number) => fc.double({ min, max, noNaN: true });

it('stands as the solved corner does at ride height', () => {
  fc.assert(
    fc.property(anyLayout, (design) => {
      const reading = readAt(prepared(design).left, 0, 0);
      if (!reading.ok) throw new Error(reading.why);
      const still = stand(design);
      for (const [name, value] of Object.entries(still))
        expect(value).toBeCloseTo(reading.value[name as 'toe'], 6);
    }),
    { numRuns: 40 },
  );
});

describe('placing the wheel', () => {
  it('reaches any track and any width over the tyres, the upright going along', () => {
    fc.assert(
      fc.property(anyLayout, angle(900, 1900), (design, wanted) => {
        const draft = draftOf(design);
        setTrack(draft, wanted);
        expect(trackOf(draft)).toBeCloseTo(wanted, 3);
        const drawn = shapeOf(design, true);
        shapeOf(draft, true).forEach((mm, i) => expect(Math.abs(mm - drawn[i])).toBeLessThan(0.01));
        setOverallWidth(draft, wanted);
        expect(widthOver(draft)).toBeCloseTo(wanted, 3);
      }),
      { numRuns: 40 },
    );
  });

  it('measures the width over the tyres of an upright wheel as track and one tyre', () => {
    const draft = draftOf({ ...blankBuild('x').front, static: { toe: 0, camber: 0 } });
    expect(widthOver(draft) - trackOf(draft)).toBeCloseTo(draft.tyre.width, 9);
  });

  it('keeps standing on the ground when the tyre changes, and gets there from anywhere', () => {
    const draft = draftOf(blankBuild('x').front);
    standOnGround(draft);
    expect(stand(draft).contactUp).toBeCloseTo(0, 3);
    setLoadedRadius(draft, 310);
    expect(stand(draft).contactUp).toBeCloseTo(0, 1);
    expect(draft.points['upperOuter'].up - draft.points.wheelCentre.up).toBeCloseTo(123, 3);
  });

  it('moves the wheel or the upright when the rim’s offset changes', () => {
    const base = draftOf({ ...blankBuild('x').front, static: { toe: 0, camber: 0 } });
    const kept = draftOf(base);
    setRimOffset(kept, 20, 'track');
    expect(trackOf(kept)).toBeCloseTo(trackOf(base), 6);
    expect(kept.points['upperOuter'].out).toBeCloseTo(base.points['upperOuter'].out - 15, 6);
    const moved = draftOf(base);
    setRimOffset(moved, 20, 'upright');
    expect(trackOf(moved)).toBeCloseTo(trackOf(base) + 30, 6);
    expect(moved.points['upperOuter']).toEqual(base.points['upperOuter']);
    // Both ways the wheel is 15 mm further out on its upright, and so is the contact point.
    expect(stand(moved).scrub - stand(base).scrub).toBeCloseTo(15, 6);
    expect(stand(kept).scrub).toBeCloseTo(stand(moved).scrub, 4);
  });

  it('turns the upright with the wheel, or leaves it', () => {
    const base = draftOf(blankBuild('x').front);
    const together = draftOf(base);
    setAlignment(together, { toe: 0, camber: -3 }, true);
    expect(stand(together).camber).toBeCloseTo(-3, 9);
    // Two degrees more of camber are two degrees more of KPI for a solid upright.
    expect(stand(together).kpi - stand(base).kpi).toBeCloseTo(2, 2);
    const alone = draftOf(base);
    setAlignment(alone, { toe: 0, camber: -3 }, false);
    expect(stand(alone).kpi).toBeCloseTo(stand(base).kpi, 12);
  });
});

describe('leaning the upright', () => {
  it('reaches KPI and caster, keeps the shape, and holds what it is told to hold', () => {
    fc.assert(
      fc.property(
        anyLayout,
        angle(0, 20),
        angle(-2, 15),
        fc.constantFrom('wheelCentre' as const, 'lower' as const),
        fc.boolean(),
        (design, kpi, caster, about, solid) => {
          const draft = draftOf(design);
          leanUpright(draft, { kpi, caster, about, solid });
          const now = stand(draft);
          expect(now.kpi).toBeCloseTo(kpi, 3);
          expect(now.caster).toBeCloseTo(caster, 3);
          expect(now.toe).toBeCloseTo(design.static.toe, 6);
          const held = about === 'lower' ? 'lowerOuter' : about;
          for (const c of ['ahead', 'out', 'up'] as const)
            expect(draft.points[held][c]).toBeCloseTo(design.points[held][c], 3);
          shapeOf(draft, solid || about === 'wheelCentre').forEach((mm, i) =>
            expect(mm).toBeCloseTo(shapeOf(design, true)[i], 2),
          );
          if (!solid) expect(draft.static).toEqual(design.static);
        },
      ),
      { numRuns: 80 },
    );
  });

  it('carries camber along where the upright is one solid part', () => {
    const draft = draftOf({ ...blankBuild('x').front, static: { toe: 0, camber: 0 } });
    const before = stand(draft);
    leanUpright(draft, {
      kpi: before.kpi + 1,
      caster: before.caster,
      about: 'wheelCentre',
      solid: true,
    });
    expect(draft.static.camber).toBeCloseTo(-1, 1);
  });
});

describe('asking for a scrub radius', () => {
  it('gets it by every way it names', () => {
    fc.assert(
      fc.property(anyLayout, angle(-10, 60), (design, scrub) => {
        const ways = waysToScrub(draftOf(design), scrub, { offset: 'track', about: 'lower' });
        expect(ways.length).toBeGreaterThan(0);
        for (const { design: reached } of ways)
          expect(stand(reached as AxleDesign).scrub).toBeCloseTo(scrub, 2);
      }),
      { numRuns: 25 },
    );
  });

  it('takes the offset mm for mm, and leaves out what does not get there', () => {
    const base = draftOf({ ...blankBuild('x').front, static: { toe: 0, camber: 0 } });
    const ways = waysToScrub(base, stand(base).scrub - 12, {
      offset: 'track',
      about: 'lower',
    });
    expect(ways.find(({ way }) => way === 'offset')!.to).toBeCloseTo(35 + 12, 3);
    const far = waysToScrub(base, 900, { offset: 'track', about: 'lower' });
    expect(far.map(({ way }) => way)).not.toContain('offset');
    const { rim: _, ...bare } = base;
    expect(
      waysToScrub(bare, 20, { offset: 'track', about: 'lower' }).map(({ way }) => way),
    ).not.toContain('offset');
  });
});

it('measures the joints against the rim’s inside', () => {
  const draft = draftOf({ ...blankBuild('x').front, static: { toe: 0, camber: 0 } });
  const { wheelCentre } = draft.points;
  draft.points['lowerOuter'] = { ahead: 0, out: wheelCentre.out - 60, up: wheelCentre.up - 120 };
  draft.points['upperOuter'] = { ahead: 0, out: wheelCentre.out - 160, up: wheelCentre.up + 300 };
  const [lower, upper] = rimClearances(draft, draft.points);
  // By hand: half of 381 less 15 of well, 120 to the joint and 18 of its body.
  expect(lower.clearance).toBeCloseTo(37.5, 9);
  expect(lower.inboard).toBeCloseTo(60 - 89, 9);
  expect(upper.clearance).toBeNull();
  expect(rimClearances({ ...draft, rim: undefined }, draft.points)).toEqual([]);
});

it('raises the chassis on its wheels', () => {
  const build = blankBuild('x');
  build.takeOff = {
    planes: [
      { id: 'f', name: 'floor', axis: 'up', at: 0, facing: 1 },
      { id: 'r', name: 'rail', axis: 'up', at: 120, facing: 1 },
    ],
    marks: [],
    between: [],
    measured: [],
    placing: 1.5,
  };
  raiseChassis(build, 15);
  expect(build.front.points['lowerFrontInner'].up).toBe(195);
  expect(build.front.points['lowerOuter'].up).toBe(175);
  expect(build.takeOff.planes.map(({ at }) => at)).toEqual([0, 135]);
});

it('takes a kart’s whole frame up with its tyres, and raises it no other way', () => {
  const build = blankBuild('Kart', 'kingpin');
  const { front } = build;
  const up = () => [
    ...Object.values(front.points).map((point) => point.up),
    front.dropArm!.lower.up,
    front.dropArm!.upper.up,
  ];
  const before = up();
  setLoadedRadius(front, 143);
  up().forEach((now, i) => expect(now - before[i]).toBeCloseTo(8, 9));
  front.points.wheelCentre.up -= 1;
  standOnGround(front);
  expect(staticQuantities(front, 'left').contactUp).toBeCloseTo(0, 6);
  const stood = up();
  raiseChassis(build, 25);
  expect(up()).toEqual(stood);
  // A radius said for the first time leaves what was said of the frame.
  front.sketch = ['tyre.radius'];
  setLoadedRadius(front, 150);
  expect(front.dropArm!.upper.up).toBe(stood.at(-1));
  expect(front.points.wheelCentre.up).toBeCloseTo(150, 6);
});

describe('lock and turning circle', () => {
  it('turns the inner wheel further with a rack behind and arms drawn in', () => {
    const build = blankBuild('x');
    const lock = lockOf(build)!;
    expect(lock.inner).toBeGreaterThan(lock.outer);
    // Geometry: from the middle of the rear axle's line to the outside of the outer tyre.
    const mean = (lock.inner + lock.outer) / 2;
    const { out } = build.front.points.wheelCentre;
    const towards = 2400 / Math.tan((mean * Math.PI) / 180) + out;
    expect(lock.circle).toBeCloseTo((2 * Math.hypot(2400, towards)) / 1000 + 0.195, 1);
    expect(Math.abs(steerForCircle(2400, lock.circle, 195, out)! - mean)).toBeLessThan(0.5);
  });

  it('has none where the rack does not get there', () => {
    const build = blankBuild('x');
    build.front.rack!.travel = 300;
    expect(lockOf(build)).toBeNull();
    expect(steerForCircle(2400, 3, 195, 600)).toBeNull();
  });
});
