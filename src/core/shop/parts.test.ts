import fc from 'fast-check';
import { anyAxle, wheelOn } from '../../test/shop';
import { CORNER_TYPES } from '../corners/kinds';
import { add, cross, distance, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { memberId, startingBuild } from '../model/made';
import type { MemberBuild, RodEndMade } from '../model/made';
import { toVec } from '../model/points';
import { blankBuild } from '../model/starts';
import { codeOf, partCode } from './code';
import { keelOf } from './cope';
import { cutOf, cutsOf } from './cut';
import { axisAt, shopParts, upSideOf } from './parts';

const every = { numRuns: 20 };

describe('parts', () => {
  it('are every member that is made, each once, whatever the kind', () => {
    for (const { kind, members } of CORNER_TYPES) {
      const wheel = wheelOn(blankBuild('x', kind).front);
      const found = shopParts(wheel).flatMap((part) => part.members.map(({ id }) => id));
      const wanted = members
        .filter(
          ({ role, name }) => ['arm', 'link', 'rod'].includes(role) && name && name !== 'beam',
        )
        .map(memberId);
      expect(found.toSorted()).toEqual(wanted.toSorted());
    }
  });

  it('are as long, with all that is at their ends, as their joints are apart', () => {
    fc.assert(
      fc.property(anyAxle('double-wishbone'), (design) => {
        const wheel = wheelOn(design);
        for (const part of shopParts(wheel))
          for (const { member, cut, ends } of cutsOf(wheel, part)) {
            const [a, b] = [member.from, member.to].map((name) => toVec(wheel.points[name]));
            const along = unit(sub(b, a));
            // Laid on the line between the joints, from its two ends.
            const [start, stop] = [
              add(a, scale(along, ends[0].from)),
              sub(b, scale(along, ends[1].from)),
            ];
            expect(distance(start, stop)).toBeCloseTo(cut, 9);
            ends.forEach(({ made, from }) => {
              if (made.as !== 'rodEnd') return;
              // What of the shank is out, and the insert's face.
              expect(from).toBeCloseTo(made.body - made.engaged + made.bung, 9);
            });
          }
      }),
      every,
    );
  });

  it('are coped so that the wall just touches its housing, in space', () => {
    fc.assert(
      fc.property(anyAxle('double-wishbone'), (design) => {
        const wheel = wheelOn(design);
        for (const part of shopParts(wheel).filter(({ as }) => as === 'arm'))
          for (const { member, ends, cut, marks } of cutsOf(wheel, part)) {
            for (const end of ends) {
              const { cope, joint, made } = end;
              if (!cope || made.as !== 'housing') throw new Error('no cope');
              const at = toVec(wheel.points[joint]);
              const other = toVec(wheel.points[joint === member.from ? member.to : member.from]);
              const along = unit(sub(other, at));
              const keel = keelOf(along, upSideOf(wheel, part));
              const axis = axisAt(wheel, member, joint)!;
              let touches = 0;
              for (const { turn, from } of cope.profile) {
                const u = add(
                  scale(keel, Math.cos(turn)),
                  scale(cross(along, keel), Math.sin(turn)),
                );
                const off = Math.min(
                  ...[member.made.outside / 2, member.made.outside / 2 - member.made.wall].map(
                    (rho) => {
                      const p = add(scale(along, from), scale(u, rho));
                      return Math.hypot(...cross(p, axis)) - made.outside / 2;
                    },
                  ),
                );
                expect(off).toBeGreaterThan(-1e-9);
                if (off < 1e-6) touches++;
              }
              // Where two tubes share a housing the second also stands off for the first.
              expect(touches).toBeGreaterThan(end.also ? 20 : 200);
              expect(end.from).toBeCloseTo(cope.least + member.made.gap, 12);
              expect(end.mark!).toBeGreaterThan(cope.most);
            }
            expect(cut - marks!).toBeCloseTo(
              ends.reduce((sum, end) => sum + end.mark! - end.from, 0),
              9,
            );
          }
      }),
      every,
    );
  });

  it('cut the second tube round the first where both come to one sleeve too close', () => {
    const design = structuredClone(blankBuild('x').front);
    const wheel = wheelOn(design);
    const [arm] = shopParts(wheel);
    const second = cutOf(wheel, arm, 1);
    expect(cutOf(wheel, arm, 0).ends[1].also).toBeNull();
    expect(second.ends[1].also).toBe(arm.members[0].name);
    // No point of its end is within the first tube.
    const at = toVec(wheel.points[second.member.to]);
    const way = (name: string): Vec => unit(sub(toVec(wheel.points[name]), at));
    const [first, along] = [way(arm.members[0].from), way(second.member.from)];
    const keel = keelOf(along, upSideOf(wheel, arm));
    for (const { turn, from } of second.ends[1].cope!.profile) {
      const u = add(scale(keel, Math.cos(turn)), scale(cross(along, keel), Math.sin(turn)));
      const p = add(scale(along, from), scale(u, second.member.made.outside / 2));
      const near = dot(p, first) > 0 ? Math.hypot(...cross(p, first)) : Infinity;
      expect(near).toBeGreaterThan(arm.members[0].made.outside / 2 - 1e-6);
    }
  });

  it('say what cannot be made', () => {
    const design = structuredClone(blankBuild('x').front);
    const { members } = shopParts(wheelOn(design)).find(
      ({ id }) => id === 'tieRodInner tieRodOuter',
    )!;
    const rod = structuredClone(members[0].made);
    const faultsOf = (made: MemberBuild) => {
      const wheel = wheelOn({ ...design, made: { [members[0].id]: made } });
      const part = shopParts(wheel).find(({ id }) => id === members[0].id)!;
      return cutOf(wheel, part, 0).faults.join('; ');
    };
    expect(faultsOf(rod)).toBe('');
    (rod.from as RodEndMade).body = 300;
    expect(faultsOf(rod)).toMatch(/what is at its ends takes/u);
    expect(
      faultsOf({
        ...rod,
        from: { as: 'housing', school: 'rubber', outside: 40, length: 40, bore: 30 },
      }),
    ).toMatch(/ball at the end of its rod/u);
    const bar: MemberBuild = {
      ...{ form: 'bar', outside: 20, wall: 0, material: 'steel', gap: 0 },
      from: { ...(rod.to as RodEndMade), bung: 0, depth: 200 },
      to: { ...(rod.to as RodEndMade), bung: 0, depth: 200 },
    };
    expect(faultsOf(bar)).toMatch(/meet in a bar/u);
    const lower = 'lowerFrontInner lowerOuter';
    const wide = wheelOn({
      ...design,
      made: { [lower]: { ...startingBuild({ role: 'arm', diameter: 60 }), outside: 60 } },
    });
    expect(cutOf(wide, shopParts(wide)[0], 0).faults.join()).toMatch(/does not end on/u);
  });
});

describe('check codes', () => {
  it('are the same for the same figures, and another for a tenth of a millimetre', () => {
    fc.assert(
      fc.property(anyAxle('double-wishbone'), (design) => {
        const codes = (of: typeof design) =>
          shopParts(wheelOn(of)).map((part) => partCode(wheelOn(of), part));
        expect(codes(structuredClone(design))).toEqual(codes(design));
        const moved = structuredClone(design);
        moved.points['upperFrontInner'].up += 0.1;
        const [lower, upper, rod] = codes(design).map((code, i) => code === codes(moved)[i]);
        expect([lower, upper, rod]).toEqual([true, false, true]);
      }),
      every,
    );
    const seen = new Set(Array.from({ length: 5000 }, (_, i) => codeOf([i])));
    expect(seen.size).toBe(5000);
    expect([...seen].every((code) => /^[0-9A-HJKMNP-TV-Z]{6}$/u.test(code))).toBe(true);
  });
});
