import fc from 'fast-check';
import { anyAxle, wheelOn } from '../../test/shop';
import { CORNER_TYPES } from '../corners/kinds';
import { add, cross, distance, scale } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { wheelOf } from '../kinematics/wheel';
import { startingBuild } from '../model/made';
import type { MemberBuild } from '../model/made';
import { toVec } from '../model/points';
import { blankBuild } from '../model/starts';
import { keelOf } from './cope';
import { cutsOf } from './cut';
import { leaves, middleLine } from './middleLine';
import { shopParts } from './parts';
import { settingSheet, settingsOf } from './settingSheet';
import { sheetEntries } from './sheetsOf';
import { weldsOf } from './weldSheet';

const BLANK = blankBuild('x', 'double-wishbone');

describe('welds', () => {
  it('are as long as the cope is in space, round and square tubes alike', () => {
    fc.assert(
      fc.property(
        anyAxle('double-wishbone'),
        fc.constantFrom('tube' as const, 'square' as const),
        (design, form) => {
          const made = Object.fromEntries(
            ['lowerFrontInner lowerOuter', 'lowerRearInner lowerOuter'].map((id) => [
              id,
              { ...startingBuild({ role: 'arm', diameter: 22 }), form } as MemberBuild,
            ]),
          );
          const wheel = wheelOn({ ...design, made });
          const part = shopParts(wheel).find(({ id }) => id === 'lower arm')!;
          const welds = weldsOf(wheel, part);
          const ends = cutsOf(wheel, part).flatMap(({ member, ends: both }) =>
            both.flatMap((end) =>
              end.cope ? [{ member, end, line: middleLine(wheel, part, member) }] : [],
            ),
          );
          expect(welds).toHaveLength(ends.length);
          ends.forEach(({ member, end, line }, i) => {
            const along = leaves(line, member, end.joint);
            const keel = keelOf(along, line.up);
            const side = cross(along, keel);
            const radius = member.made.outside / 2;
            const at = ({ turn, from }: { turn: number; from: number }): Vec => {
              // On a square tube's skin a turn goes as far along its flats as it is of the whole.
              const quarter = Math.PI / 2;
              const face = quarter * Math.round(turn / quarter);
              const off = form === 'square' ? (radius * (turn - face)) / (quarter / 2) : 0;
              const turned = form === 'square' ? face : turn;
              const u = add(scale(keel, Math.cos(turned)), scale(side, Math.sin(turned)));
              return add(add(scale(along, from), scale(u, radius)), scale(cross(along, u), off));
            };
            const spots = end.cope!.profile.map(at);
            const long = spots.slice(1).reduce((sum, p, k) => sum + distance(p, spots[k]), 0);
            expect(Math.abs(welds[i].length - long)).toBeLessThan(0.002 * long);
            expect(welds[i].runs % 2).toBe(0);
            expect(welds[i].length / welds[i].runs).toBeLessThanOrEqual(25);
          });
        },
      ),
      { numRuns: 30 },
    );
  });

  it('have an order of their own for every kind, with what has to be true before the next', () => {
    for (const { kind } of CORNER_TYPES) {
      const order = sheetEntries(blankBuild('x', kind)).find(({ id }) => id.endsWith('/order'));
      if (!order) continue;
      const [steps] = order.make().tables;
      expect(steps.rows.length).toBeGreaterThan(2);
      for (const [number, what, gate] of steps.rows) {
        expect(Number(number)).toBeGreaterThan(0);
        expect(what.length * gate.length).toBeGreaterThan(50);
      }
    }
  });
});

describe('a setting jig', () => {
  const sheet = (right: boolean) => {
    const build = structuredClone(BLANK);
    if (right) {
      build.front.rightPoints = structuredClone(build.front.points);
      build.front.rightPoints['lowerFrontInner'].ahead += 7;
    }
    const [a, b] = (['left', 'right'] as const).map((side) => wheelOf(build, 'front', side));
    return {
      a,
      b,
      sheet: settingSheet(a, b, build.wheelbase, { id: 's', title: 's', group: 's' }),
    };
  };
  const table = (of: ReturnType<typeof sheet>, title: RegExp) =>
    of.sheet.tables.find((one) => title.test(one.title))!.rows;

  it('has both sides alike where the layout has them so, by every diagonal', () => {
    const made = sheet(false);
    for (const title of [/Corner to corner/u, /Straight in the car/u])
      for (const [, left, right] of table(made, title)) expect(left).toBe(right);
    const { lowerFrontInner } = BLANK.front.points;
    const [, apart] = table(made, /Across the car/u).find(
      ([what]) => what === 'lower arm front pivot',
    )!;
    expect(Number(apart)).toBeCloseTo(2 * lowerFrontInner.out, 1);
  });

  it('shows by which points they are not', () => {
    const made = sheet(true);
    const differ = table(made, /Straight in the car/u).filter(([, left, right]) => left !== right);
    expect(differ.map(([what]) => what)).toEqual(['lower arm front pivot']);
  });

  it('is drawn anew from its own table: joints as far apart as in the car', () => {
    fc.assert(
      fc.property(anyAxle('double-wishbone'), (design) => {
        const build = { ...BLANK, front: design as typeof BLANK.front };
        const [a, b] = (['left', 'right'] as const).map((side) => wheelOf(build, 'front', side));
        const all = settingsOf(a, b);
        const own = all.filter(({ side }) => side === 'right');
        const names = Object.keys(b.points).filter((name) => b.type.points[name]?.on === 'chassis');
        expect(own).toHaveLength(names.length + 1);
        names.forEach((one, i) =>
          names
            .slice(i + 1)
            .forEach((other, k) =>
              expect(distance(own[i + 1].at, own[i + 2 + k].at)).toBeCloseTo(
                distance(toVec(b.points[one]), toVec(b.points[other])),
                9,
              ),
            ),
        );
      }),
      { numRuns: 20 },
    );
  });
});
