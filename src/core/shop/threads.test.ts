import fc from 'fast-check';
import { wheelOn } from '../../test/shop';
import type { RodEndMade } from '../model/made';
import { rodEndMade } from '../model/made';
import { blankBuild } from '../model/starts';
import { THREADS, minorDiameter } from '../model/threads';
import { shopParts } from './parts';
import { stackOf } from './stack';
import { adjustmentOf, engagedFor } from './threads';

describe('threads', () => {
  it('have the published minor diameters and drills between them and the nut’s limits', () => {
    // ISO 724, internal thread, D1 (from memory).
    for (const [name, minor] of [
      ['M6x1', 4.917],
      ['M8x1.25', 6.647],
      ['M10x1.5', 8.376],
      ['M12x1.75', 10.106],
      ['M16x1.5', 14.376],
      ['M20x2.5', 17.294],
    ] as const)
      expect(minorDiameter(THREADS[name])).toBeCloseTo(minor, 3);
    // ASME B1.1, basic minor diameter of the internal thread, inches (from memory).
    expect(minorDiameter(THREADS['1/2-20 UNF']) / 25.4).toBeCloseTo(0.4459, 4);
    expect(minorDiameter(THREADS['3/8-24 UNF']) / 25.4).toBeCloseTo(0.3299, 4);
    for (const thread of Object.values(THREADS)) {
      // Between full and two thirds of the thread's height.
      expect(thread.drill).toBeGreaterThan(minorDiameter(thread) - 0.02);
      expect(thread.drill).toBeLessThan(thread.diameter - 0.65 * 1.0825 * thread.pitch);
    }
  });
});

const rodOf = (change: (from: RodEndMade, to: RodEndMade) => void, more: object = {}) => {
  const design = structuredClone(blankBuild('x').front);
  const id = 'tieRodInner tieRodOuter';
  const made = structuredClone(
    shopParts(wheelOn(design)).find((part) => part.id === id)!.members[0].made,
  );
  change(made.from as RodEndMade, made.to as RodEndMade);
  design.made = { [id]: { ...made, ...more } };
  const wheel = wheelOn(design);
  const member = shopParts(wheel).find((part) => part.id === id)!.members[0];
  return { wheel, member, adjustment: adjustmentOf(wheel, member, undefined)! };
};

describe('what threads let a rod be set by', () => {
  it('is what turning its middle comes to, quarter by quarter, until a rule is broken', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 19, max: 25, noNaN: true }),
        fc.double({ min: 19, max: 25, noNaN: true }),
        fc.double({ min: 25, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 9, noNaN: true }),
        (a, b, depth, nut) => {
          const { adjustment } = rodOf((from, to) => {
            Object.assign(from, { engaged: a, depth, nut });
            Object.assign(to, { engaged: b, depth, nut });
          });
          const turned = (way: 1 | -1): number => {
            let by = 0;
            // Each end by itself: a nut on either lets one go on where the other has come to its end.
            for (const engaged of [a, b])
              for (let n = 0, now = engaged; n < 4000; n++) {
                now -= (way * 1.75) / 400;
                if (now < 18 || now > Math.min(33 - nut, depth)) break;
                by += 1.75 / 400;
              }
            return by;
          };
          if (Math.max(a, b) > Math.min(33 - nut, depth)) return;
          expect(Math.abs(adjustment.longer - turned(1))).toBeLessThan(0.02);
          expect(Math.abs(adjustment.shorter - turned(-1))).toBeLessThan(0.02);
          expect(adjustment.perTurn).toBeCloseTo(3.5, 12);
        },
      ),
    );
  });

  it('is told in toe: longer behind the axle toes in, as much as the arm’s length makes it', () => {
    const { adjustment, wheel } = rodOf(() => undefined);
    const { tieRodOuter, lowerOuter } = wheel.points;
    // Plan view: an arm of that length, a rod square to it (within a quarter).
    const arm = Math.abs(tieRodOuter.ahead - lowerOuter.ahead);
    const rough = (adjustment.longer / arm) * (180 / Math.PI);
    expect(adjustment.atLongest!.toe / rough).toBeGreaterThan(0.75);
    expect(adjustment.atLongest!.toe / rough).toBeLessThan(1.25);
    expect(adjustment.atShortest!.toe).toBeLessThan(0);
  });

  it('refuses two threads of one hand, too little thread, a hole that bottoms', () => {
    expect(rodOf((_, to) => void (to.hand = 'right')).adjustment).toMatchObject({
      perTurn: null,
      faults: [expect.stringMatching(/make one of them left-hand/u)],
    });
    expect(rodOf((from) => void (from.engaged = 12)).adjustment.faults.join()).toMatch(
      /12.0 mm of thread engaged, 18.0 wanted/u,
    );
    expect(rodOf((from) => void (from.depth = 20)).adjustment.faults.join()).toMatch(
      /tap 29.5 mm/u,
    );
    expect(rodOf((from) => void (from.tappedIn = 'aluminium')).adjustment.ends[0].least).toBe(24);
  });

  it('says how much longer the tube is to be for a wanted range, which then lies inside', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 14, noNaN: true }),
        fc.double({ min: 0, max: 14, noNaN: true }),
        (shorter, longer) => {
          const wanted = { shorter, longer };
          const { adjustment } = rodOf(() => undefined, { wanted });
          const { possible, inside, tubeBy } = adjustment.wanted!;
          expect(possible).toBe(shorter + longer <= 16 + 1e-9);
          expect(inside).toBe(shorter <= 8 + 1e-9 && longer <= 8 + 1e-9);
          if (!possible) return;
          const moved = rodOf(
            (from, to) => {
              from.engaged += tubeBy / 2;
              to.engaged += tubeBy / 2;
            },
            { wanted },
          ).adjustment;
          expect(moved.wanted!.inside).toBe(true);
          expect(moved.longer + moved.shorter).toBeCloseTo(16, 9);
        },
      ),
    );
  });

  it('starts ends that are not alike where the range lies inside, none of them past its own limits', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 18, max: 26, noNaN: true }),
        fc.double({ min: 18, max: 26, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (a, b, part) => {
          const wanted = { shorter: 16 * part, longer: 16 * (1 - part) };
          const set = ([one, other]: number[]) =>
            rodOf(
              (from, to) => {
                from.engaged = one;
                to.engaged = other;
              },
              { wanted },
            ).adjustment;
          const before = set([a, b]);
          const found = engagedFor(before.ends, before.wanted!.tubeBy)!;
          const after = set(found);
          expect(after.faults).toEqual([]);
          expect(after.wanted!.inside).toBe(true);
          expect(engagedFor(before.ends, 17)).toBeNull();
        },
      ),
    );
  });
});

describe('stacks on a bolt', () => {
  const end = (held: RodEndMade['held'], bore = 12): RodEndMade =>
    rodEndMade.parse({
      ...{ as: 'rodEnd', thread: 'M12x1.75', hand: 'right', school: 'open spherical', body: 54 },
      ...{ shank: 33, nut: 7, engaged: 22, bung: 8, depth: 34, tappedIn: 'steel', ball: 16 },
      ...{ bore, held },
    });

  it('fill a bracket, and the bolt goes through all of it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 16, max: 60, noNaN: true }),
        fc.double({ min: 2, max: 10, noNaN: true }),
        (inside, ear) => {
          const stack = stackOf(end({ bolt: 12, inside, ear, ears: 2 }))!;
          const { thick, count, left } = stack.washers;
          expect(count * thick + left + 16).toBeCloseTo(inside, 9);
          expect(count % 2).toBe(0);
          expect(left).toBeLessThan(2 * thick + 1e-9);
          expect(stack.bolt!).toBeGreaterThan(inside + 2 * ear + 12);
          expect(stack.bolt!).toBeLessThan(inside + 2 * ear + 12 + 2 + 2 * 1.75 + 20);
          expect(stack.faults).toEqual([]);
        },
      ),
    );
  });

  it('say what does not go together', () => {
    const faults = (held: NonNullable<RodEndMade['held']>, bore?: number) =>
      stackOf(end(held, bore))!.faults.join();
    expect(faults({ bolt: 12, inside: 14, ear: 4, ears: 2 })).toMatch(/does not go in/u);
    expect(faults({ bolt: 12, inside: 20, ear: 4, ears: 2 }, 12.7)).toMatch(
      /12.7 bore on a 12 mm bolt: 0.35 mm of play each side, sleeve it/u,
    );
    expect(faults({ bolt: 14, inside: 20, ear: 4, ears: 2 })).toMatch(/does not go through/u);
    expect(faults({ bolt: 12, inside: 8, ear: 6, ears: 1 })).toMatch(/single shear/u);
    expect(stackOf(end(undefined))).toBeNull();
  });
});
