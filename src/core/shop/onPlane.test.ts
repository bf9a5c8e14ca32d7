import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { anyAxle, wheelOn } from '../../test/shop';
import { cross, distance, dot, length, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { wheelOf } from '../kinematics/wheel';
import { buildSchema } from '../model/build';
import type { AxleDesign } from '../model/build';
import { memberBuildSchema, startingBuild, startingEnd } from '../model/made';
import type { MemberBuild } from '../model/made';
import { toVec } from '../model/points';
import { blankBuild } from '../model/starts';
import type { Spot } from '../sheets/drawing';
import { cutsOf } from './cut';
import { inPlane, planeOf } from './jig';
import { middleLine, middlePoints } from './middleLine';
import { onPlane } from './onPlane';
import { apart, contains, flatArea, grown, isOuter, union, without } from './outlines';
import { axisAt, shopParts, upSideOf } from './parts';
import { sheetEntries } from './sheetsOf';

const LEGS = ['lowerFrontInner lowerOuter', 'lowerRearInner lowerOuter'];

const withMade = (design: AxleDesign, change: Partial<MemberBuild>): AxleDesign => ({
  ...design,
  made: Object.fromEntries(
    LEGS.map((id) => [
      id,
      { ...startingBuild({ role: 'arm', diameter: 25 }), ...change } as MemberBuild,
    ]),
  ),
});
const lowerArm = (design: AxleDesign) => {
  const wheel = wheelOn(design);
  return { wheel, part: shopParts(wheel).find(({ id }) => id === 'lower arm')! };
};

describe('a bent tube', () => {
  it('goes straight, round one radius, and straight again, without a corner', () => {
    fc.assert(
      fc.property(
        anyAxle('double-wishbone'),
        fc.double({ min: 0.3, max: 0.7, noNaN: true }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.double({ min: 30, max: 90, noNaN: true }),
        (design, part0, beside, radius) => {
          if (Math.abs(beside) < 2) return;
          const along = Math.round(part0 * 350);
          const { wheel, part } = lowerArm(withMade(design, { bend: { along, beside, radius } }));
          const member = part.members[0];
          const line = middleLine(wheel, part, member);
          const { bend } = line;
          const [from, to] = [member.from, member.to].map((name) => toVec(wheel.points[name]));
          const spots = middlePoints(line, [0, 0]);
          expect(distance(spots[0], from)).toBeLessThan(1e-9);
          expect(distance(spots.at(-1)!, to)).toBeLessThan(1e-9);
          // The circle through three places of the bend has the radius that was asked.
          const [a, b, c] = [spots[1], spots[9], spots[17]];
          const area = length(cross(sub(b, a), sub(c, a))) / 2;
          const circle = (distance(a, b) * distance(b, c) * distance(c, a)) / (4 * area);
          expect(circle).toBeCloseTo(radius, 4);
          // Legs touch it, the second one as well: no corner where they meet.
          const legs = [unit(sub(a, from)), unit(sub(to, c))];
          if (bend!.before > 1 && bend!.after > 1) {
            const chord = unit(sub(c, a));
            expect(dot(legs[0], chord)).toBeCloseTo(dot(legs[1], chord), 6);
            const turn = Math.acos(Math.min(1, dot(legs[0], legs[1])));
            expect((turn * 180) / Math.PI).toBeCloseTo(bend!.degrees, 5);
            expect(line.length).toBeCloseTo(distance(from, a) + radius * turn + distance(c, to), 5);
          }
          // In the arm's own plane, its corner so far beside the line, to the side that is told.
          const up = upSideOf(wheel, part);
          for (const p of spots) expect(Math.abs(dot(sub(p, from), up))).toBeLessThan(1e-6);
          const straight = unit(sub(to, from));
          const off = sub(line.corners[1], from);
          const away = sub(off, scale(straight, dot(off, straight)));
          expect(length(away)).toBeCloseTo(Math.abs(beside), 9);
          if (bend!.toward === 'ahead') expect(away[0]).toBeGreaterThan(0);
          if (bend!.toward === 'behind') expect(away[0]).toBeLessThan(0);
          // What is cut is what is left of it beside both ends.
          const [cut] = cutsOf(wheel, part);
          expect(cut.cut + cut.ends[0].from + cut.ends[1].from).toBeCloseTo(line.length, 9);
          expect(cut.bend!.before + cut.bend!.arc + cut.bend!.after).toBeCloseTo(cut.cut, 9);
        },
      ),
    );
  });

  it('is refused of a bar, told where it kinks or the bender cannot hold it', () => {
    const made = startingBuild({ role: 'link', diameter: 20 });
    const bend = { along: 100, beside: 20, radius: 60 };
    expect(memberBuildSchema.safeParse({ ...made, bend }).success).toBe(true);
    expect(memberBuildSchema.safeParse({ ...made, form: 'bar', wall: 0, bend }).success).toBe(
      false,
    );
    const { front } = blankBuild('x', 'double-wishbone');
    const said = (change: Partial<typeof bend>) => {
      const { wheel, part } = lowerArm(
        withMade(front, { bend: { ...bend, along: 160, ...change } }),
      );
      return cutsOf(wheel, part)[0].faults.join();
    };
    expect(said({})).toBe('');
    expect(said({ radius: 30 })).toMatch(/kinks/u);
    expect(said({ along: 20, beside: 40 })).toMatch(/clamp/u);
  });

  it('is moved out of a neighbour’s way', () => {
    const build = blankBuild('x', 'double-wishbone');
    const roomOf = (beside: number): number => {
      const { wheel, part } = lowerArm(
        withMade(build.front, { bend: { along: 200, beside, radius: 80 } }),
      );
      return Math.min(...onPlane(build, wheel, part).rooms.map(({ room }) => room));
    };
    const rooms = [-60, -30, 30, 60].map(roomOf);
    expect(new Set(rooms.map((room) => room.toFixed(2))).size).toBeGreaterThan(1);
  });
});

it('takes a damper for no neighbour of the arm that it stands on, and for one of the other', () => {
  const build = buildSchema.parse(JSON.parse(readFileSync('demo/roadster.havrik.json', 'utf8')));
  const wheel = wheelOf(build, 'front', 'left');
  const roomsOf = (name: string) =>
    onPlane(
      build,
      wheel,
      shopParts(wheel).find(({ id }) => id === name)!,
    ).rooms;
  expect(roomsOf('lower arm').find(({ name }) => name === 'damper')!.bolted).toBe(true);
  const upper = roomsOf('upper arm').find(({ name }) => name === 'damper')!;
  // As the clearances in space have it: it is in the upper arm's tube.
  expect(upper).toMatchObject({ bolted: false, room: 0 });
  const jig = sheetEntries(build)
    .find(({ id }) => id === 'front/lower arm/jig')!
    .make();
  expect(jig.notes.join()).not.toMatch(/damper comes/u);
  expect(jig.notes.join()).toMatch(/damper stands on it/u);
});

describe('outlines', () => {
  const SQUARE: Spot[] = [
    [0, 0],
    [10, 0],
    [10, 10],
    [0, 10],
  ];
  const moved = (dx: number): Spot[] => SQUARE.map(([x, y]) => [x + dx, y]);

  it('join, are cut out, grow and lie apart as squares do', () => {
    expect(flatArea(union([SQUARE, moved(5)])[0])).toBeCloseTo(150, 6);
    expect(flatArea(without([SQUARE], [moved(5)])[0])).toBeCloseTo(50, 6);
    // Four sides and four quarters of a round corner.
    expect(flatArea(grown([SQUARE], 2)[0])).toBeCloseTo(100 + 80 + Math.PI * 4, 0);
    expect(flatArea(grown([SQUARE], -2)[0])).toBeCloseTo(36, 6);
    expect(apart(SQUARE, moved(14))).toBeCloseTo(4, 9);
    expect(apart(SQUARE, moved(5))).toBe(0);
    const holed = without([SQUARE], [SQUARE.map(([x, y]): Spot => [3 + x / 4, 3 + y / 4])]);
    expect(holed.map(isOuter).sort()).toEqual([false, true]);
  });
});

describe('an arm of plate', () => {
  const HOUSING = startingEnd('housing', { form: 'plate' }, 'from');

  it('has metal where a leg or a housing’s ring is, less housings in its edge and what neighbours sweep', () => {
    fc.assert(
      fc.property(
        anyAxle('double-wishbone'),
        fc.array(
          fc.tuple(
            fc.double({ min: 0, max: 1, noNaN: true }),
            fc.double({ min: 0, max: 1, noNaN: true }),
          ),
          {
            minLength: 150,
            maxLength: 150,
          },
        ),
        (design, at) => {
          const sleeve = {
            ...HOUSING,
            outside: 46,
            length: 30,
            bore: 38,
            school: 'ball joint',
          } as const;
          const plain = withMade(design, {
            ...{ form: 'plate', outside: 56, wall: 8, from: HOUSING, to: sleeve },
          } as Partial<MemberBuild>);
          const build = { ...blankBuild('x', 'double-wishbone'), front: plain };
          const { wheel, part } = lowerArm(plain);
          const { plate, swept, plane } = onPlane(build, wheel, part);
          if (plate!.faults.length > 0) return;
          const flat = (p: Vec): Spot => {
            const [x, y] = inPlane(planeOf(wheel, part), p);
            return [x, y];
          };
          const spot = (name: string) => flat(toVec(wheel.points[name]));
          const toLine = ([x, y]: Spot, a: Spot, b: Spot): number => {
            const d: Spot = [b[0] - a[0], b[1] - a[1]];
            const t = Math.max(
              0,
              Math.min(1, ((x - a[0]) * d[0] + (y - a[1]) * d[1]) / (d[0] ** 2 + d[1] ** 2)),
            );
            return Math.hypot(x - a[0] - t * d[0], y - a[1] - t * d[1]);
          };
          const xs = plate!.edge.map(([x]) => x);
          const ys = plate!.edge.map(([, y]) => y);
          for (const [u, v] of at) {
            const p: Spot = [
              Math.min(...xs) - 20 + u * (Math.max(...xs) - Math.min(...xs) + 40),
              Math.min(...ys) - 20 + v * (Math.max(...ys) - Math.min(...ys) + 40),
            ];
            // How far inside each rule it is; near a line nobody can say.
            let metal = Math.max(
              ...part.members.flatMap(({ from, to }) => [
                28 - toLine(p, spot(from), spot(to)),
                33 - Math.hypot(p[0] - spot(to)[0], p[1] - spot(to)[1]),
              ]),
            );
            for (const member of part.members) {
              const axis = axisAt(wheel, member, member.from)!;
              const [a, b] = [dot(axis, plane.x), dot(axis, plane.y)];
              const size = Math.hypot(a, b);
              const d: Spot = [p[0] - spot(member.from)[0], p[1] - spot(member.from)[1]];
              const to = spot(member.to);
              // Beyond the housing's skin, seen from the other joint, within a leg's width of it.
              const square = (q: Spot) => (q[1] * a - q[0] * b) / size;
              const toward = square([to[0] - spot(member.from)[0], to[1] - spot(member.from)[1]]);
              const t = square(d) * Math.sign(toward);
              const s = Math.abs((d[0] * a + d[1] * b) / size);
              metal = Math.min(metal, Math.max(s - 56, t - 19, -75 - t));
            }
            for (const { name, outlines } of swept)
              for (const outline of outlines.filter(isOuter)) {
                const near = Math.min(
                  ...outline.map((q, i) => toLine(p, q, outline[(i + 1) % outline.length])),
                );
                metal = Math.min(
                  metal,
                  (contains(outline, p) ? -near : near) - (name === 'tyre' ? 20 : 10),
                );
              }
            if (Math.abs(metal) < 0.3) continue;
            const solid =
              contains(plate!.edge, p) && !plate!.windows.some((window) => contains(window, p));
            expect(solid).toBe(metal > 0);
          }
        },
      ),
      { numRuns: 15 },
    );
  });

  it('has a sheet with its outline, and refuses a thread in its edge', () => {
    const build = blankBuild('x', 'double-wishbone');
    build.front = withMade(build.front, {
      ...{ form: 'plate', outside: 56, wall: 8, from: HOUSING, to: HOUSING },
    } as Partial<MemberBuild>) as typeof build.front;
    const entry = sheetEntries(build).find(({ id }) => id.endsWith('lower arm/plate'))!;
    const { drawing, tables } = entry.make();
    expect(drawing!.marks.length).toBeGreaterThan(3);
    expect(Number(tables[0].rows[1][1])).toBeGreaterThan(0.5);
    const made = build.front.made![LEGS[0]];
    expect(memberBuildSchema.safeParse(made).success).toBe(true);
    const threaded = { ...made, from: startingEnd('rodEnd', made, 'from') };
    expect(memberBuildSchema.safeParse(threaded).error!.issues[0].message).toMatch(/no thread/u);
  });
});
