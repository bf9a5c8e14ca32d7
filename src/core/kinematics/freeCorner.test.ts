import fc from 'fast-check';
import { WISHBONE_POINTS, anyLayout, prepared } from '../../test/layouts';
import { referenceFreePose } from '../../test/referenceSolver';
import { toDeg } from '../geometry/angle';
import { add, cross, distance, rotate, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { U, UPRIGHT_SIZE } from './corner';
import { ACROSS } from './innerWay';
import { spindleOf } from './spindle';
import { toPoint } from '../model/points';
import type { Points } from '../model/points';
import type { AxleDesign } from '../model/build';
import { readAt } from '../motion/sweep';
import type { CornerType } from '../corners/cornerType';
import { doubleWishbone } from '../corners/doubleWishbone';
import reference from './fixtures/corner-kinds.json';
import more from './fixtures/corner-kinds-more.json';
import type { Drawn } from './conditionRows';
import { FreeCorner } from './freeCorner';
import { carried, drawnFrame, frameAt } from './frames';
import { placer, steeringAxisAt } from './joints';
import { CORNER_TYPES } from '../corners/kinds';
import { strut } from '../corners/strut';
import { swingArm } from '../corners/swingArm';
import { trailingArm } from '../corners/trailingArm';

const typeOf = (kind: string): CornerType => CORNER_TYPES.find((type) => type.kind === kind)!;
const at = (list: Float64Array, offset: number): Vec => [
  list[offset],
  list[offset + 1],
  list[offset + 2],
];
const out = new Float64Array(UPRIGHT_SIZE);

/** Fixture layouts, whose points are lists. */
const layouts = [
  ...reference.corners.filter(({ kind }) => kind !== 'kingpin'),
  ...more.corners,
].map((corner) => ({
  ...corner,
  type: typeOf(corner.kind),
  drawn: corner.points as unknown as Drawn,
}));
const KINDS = [...new Set(layouts.map(({ kind }) => kind))];
const drawnOf = ({ type, drawn, toe, camber }: (typeof layouts)[number]) => ({
  type,
  points: Object.fromEntries(
    Object.entries(drawn).map(([name, place]) => [name, toPoint(place)]),
  ) as unknown as Points,
  static: { toe, camber },
  steering: ACROSS,
});
/** Where joints stand in the position last found; and a point that the upright carries, wherever its table has it. */
const jointsOf = (layout: (typeof layouts)[number]) => placer(drawnOf(layout))(out);
const riding = (layout: (typeof layouts)[number], name: string): Vec =>
  add(
    at(out, U.wheelCentre),
    carried(sub(layout.drawn[name], layout.drawn.wheelCentre), drawnFrame(layout), frameAt(out)),
  );
const solverOf = ({ type, drawn, toe, camber }: (typeof layouts)[number]) =>
  new FreeCorner(type, drawn, { toe, camber });

const reach = (corner: FreeCorner, travel: number, steer: number): Float64Array => {
  if (!corner.pose(travel, steer, out)) throw new Error(`${travel}, ${steer} is out of reach`);
  return out;
};

describe('against values computed outside the project', () => {
  // Conditions on a free rigid upright, SciPy fsolve (MINPACK hybrd), xtol 1e-13.
  it.each(layouts.map((layout) => [layout.kind, layout] as const))('%s agrees', (_, layout) => {
    const corner = solverOf(layout);
    for (const row of layout.rows) {
      const pose = reach(corner, row.travel, row.steer);
      const [ax, ay, az] = at(pose, U.spindle);
      expect(Math.abs(toDeg(Math.atan2(ax, ay)) - row.toe)).toBeLessThan(1e-5);
      expect(Math.abs(-toDeg(Math.asin(az)) - row.camber)).toBeLessThan(1e-5);
      const level = Math.hypot(ax, ay);
      const centre = at(pose, U.wheelCentre);
      const contact = add(
        centre,
        scale([(ax * az) / level, (ay * az) / level, -level], layout.tyreRadius),
      );
      for (const i of [0, 1, 2]) {
        expect(Math.abs(centre[i] - row.wheelCentre[i])).toBeLessThan(1e-4);
        expect(Math.abs(contact[i] - row.contact[i])).toBeLessThan(1e-4);
      }
      const axis = steeringAxisAt(pose);
      if (!axis) {
        expect(row).not.toHaveProperty('caster');
        continue;
      }
      const [kx, ky, kz] = axis.along;
      const told = row as unknown as { caster: number; kpi: number; scrub: number; trail: number };
      expect(Math.abs(toDeg(Math.atan2(-kx, kz)) - told.caster)).toBeLessThan(1e-5);
      expect(Math.abs(toDeg(Math.atan2(-ky, kz)) - told.kpi)).toBeLessThan(1e-5);
      const ground = add(axis.at, scale(axis.along, (contact[2] - axis.at[2]) / kz));
      const [gx, gy] = sub(contact, ground);
      expect(Math.abs((gx * ax + gy * ay) / level - told.scrub)).toBeLessThan(1e-4);
      expect(Math.abs((gy * ax - gx * ay) / level - told.trail)).toBeLessThan(1e-4);
    }
  });
});

it.each(layouts.map((layout) => [layout.kind, layout] as const))(
  '%s reads as they do on an axle of its own, by whatever solves it there',
  (kind, layout) => {
    const { toe, camber, tyreRadius } = layout;
    const { left } = prepared({
      kind,
      static: { toe, camber },
      tyre: { radius: tyreRadius, width: 195 },
      points: drawnOf(layout).points,
      ...(layout.type.tieRod && { rack: { travel: 60 } }),
    });
    expect(layout.rows.length).toBeGreaterThan(4);
    for (const told of layout.rows) {
      const row: typeof told & Partial<Record<'caster' | 'kpi' | 'scrub' | 'trail', number>> = told;
      const reading = readAt(left, row.travel, row.steer);
      if (!reading.ok) throw new Error(reading.why);
      const { value } = reading;
      for (const name of ['toe', 'camber', 'caster', 'kpi'] as const)
        if (name in row) expect(Math.abs(value[name]! - row[name]!)).toBeLessThan(1e-5);
        else expect(value).not.toHaveProperty(name);
      for (const name of ['scrub', 'trail'] as const)
        if (name in row) expect(Math.abs(value[name]! - row[name]!)).toBeLessThan(1e-4);
      const at = [value.contactAhead, value.contactOut, value.contactUp];
      at.forEach((x, i) => expect(Math.abs(x - row.contact[i])).toBeLessThan(1e-4));
    }
  },
);

const wishbonePoints = (design: AxleDesign): Drawn =>
  Object.fromEntries(
    WISHBONE_POINTS.map((name) => {
      const { ahead, out: outward, up } = design.points[name];
      return [name, [ahead, outward, up]];
    }),
  ) as unknown as Drawn;

it('solves a double wishbone as its closed form does, slopes included, to 1e-9', () => {
  const closed = new Float64Array(UPRIGHT_SIZE);
  let compared = 0;
  fc.assert(
    fc.property(
      anyLayout,
      fc.integer({ min: -25, max: 25 }),
      fc.integer({ min: -8, max: 8 }),
      (design, travel, steer) => {
        const { corner } = prepared(design).left;
        fc.pre(corner.pose(travel, steer, closed));
        const free = new FreeCorner(doubleWishbone, wishbonePoints(design), design.static);
        const pose = reach(free, travel, steer);
        for (let i = 0; i < UPRIGHT_SIZE; i++)
          expect(Math.abs(pose[i] - closed[i])).toBeLessThan(
            1e-9 * Math.max(1, Math.abs(closed[i])),
          );
        compared++;
      },
    ),
    { numRuns: 1000 },
  );
  expect(compared).toBe(1000);
}, 60_000);

/** A fixture's layout with every point moved a little, so that no two are alike. */
const shaken = fc
  .record({
    layout: fc.constantFrom(...layouts),
    by: fc.array(fc.double({ min: -15, max: 15, noNaN: true }), { minLength: 40, maxLength: 40 }),
    travel: fc.integer({ min: -30, max: 30 }),
    steer: fc.integer({ min: -12, max: 12 }),
  })
  .map(({ layout, by, travel, steer }) => ({
    ...layout,
    drawn: Object.fromEntries(
      Object.entries(layout.drawn).map(([name, place], i) => [
        name,
        place.map((x, j) => x + by[(3 * i + j) % by.length]) as unknown as Vec,
      ]),
    ) as unknown as Drawn,
    travel,
    steer: layout.type.tieRod ? steer : 0,
  }));

describe('every kind', () => {
  it.each(KINDS)(
    '%s agrees with a general-purpose least-squares solver on 300 random layouts',
    (kind) => {
      fc.assert(
        fc.property(
          shaken.filter((layout) => layout.kind === kind),
          (layout) => {
            const { type, drawn, travel, steer } = layout;
            const corner = solverOf(layout);
            fc.pre(corner.pose(travel, steer, out));
            const other = referenceFreePose(type, drawn, layout, travel, steer);
            expect(distance(at(out, U.wheelCentre), other.wheelCentre)).toBeLessThan(1e-6);
            expect(distance(at(out, U.spindle), other.spindle)).toBeLessThan(1e-6);
          },
        ),
        { numRuns: 300 },
      );
    },
    60_000,
  );

  it('keeps every length of its table, and the upright’s shape', () => {
    fc.assert(
      fc.property(shaken, (layout) => {
        const corner = solverOf(layout);
        fc.pre(corner.pose(layout.travel, layout.steer, out));
        const joints = jointsOf(layout);
        for (const condition of layout.type.conditions)
          if (condition.holds === 'length')
            expect(distance(joints[condition.upright], joints[condition.chassis])).toBeCloseTo(
              distance(layout.drawn[condition.upright], layout.drawn[condition.chassis]),
              8,
            );
          else if (condition.holds === 'line') {
            // The upright's line, as it is carried, still goes through the top.
            const [from, to] = condition.upright.map((name) => riding(layout, name));
            const top = layout.drawn[condition.chassis];
            expect(
              cross(unit(sub(top, from)), unit(sub(to, from))).every((x) => Math.abs(x) < 1e-9),
            ).toBe(true);
          }
        const carriedOnes = Object.entries(layout.type.points).flatMap(([name, { on }]) =>
          on === 'upright' && name !== 'wheelCentre' ? [name] : [],
        );
        for (const name of carriedOnes)
          expect(distance(joints[name], at(out, U.wheelCentre))).toBeCloseTo(
            distance(layout.drawn[name], layout.drawn['wheelCentre']),
            8,
          );
        expect(out[U.wheelCentre + 2]).toBeCloseTo(
          layout.drawn['wheelCentre'][2] + layout.travel,
          9,
        );
      }),
      { numRuns: 300 },
    );
  });

  it('has slopes that are the limits of differences', () => {
    fc.assert(
      fc.property(shaken, (layout) => {
        const corner = solverOf(layout);
        const { travel, steer } = layout;
        const pose = (t: number, s: number) => {
          fc.pre(corner.pose(t, s, out));
          return Float64Array.from(out);
        };
        const here = pose(travel, steer);
        const h = 1e-3;
        for (const [move, turn, plus, minus] of [
          [U.movePerTravel, U.turnPerTravel, pose(travel + h, steer), pose(travel - h, steer)],
          ...(layout.type.tieRod
            ? [
                [
                  U.movePerRack,
                  U.turnPerRack,
                  pose(travel, steer + h),
                  pose(travel, steer - h),
                ] as const,
              ]
            : []),
        ] as const) {
          const rate = (offset: number) =>
            scale(sub(at(plus, offset), at(minus, offset)), 1 / (2 * h));
          expect(distance(rate(U.wheelCentre), at(here, move))).toBeLessThan(1e-5);
          expect(
            distance(rate(U.spindle), cross(at(here, turn), at(here, U.spindle))),
          ).toBeLessThan(1e-6);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('answers alike whatever was asked before', () => {
    fc.assert(
      fc.property(
        shaken,
        fc.array(fc.tuple(fc.integer({ min: -60, max: 60 }), fc.integer({ min: -20, max: 20 })), {
          maxLength: 6,
        }),
        (layout, before) => {
          const corner = solverOf(layout);
          const first = corner.pose(layout.travel, layout.steer, out);
          const alone = Float64Array.from(out);
          for (const [travel, steer] of before)
            corner.pose(travel, layout.type.tieRod ? steer : 0, out);
          expect(corner.pose(layout.travel, layout.steer, out)).toBe(first);
          if (first)
            expect(
              out.every((x, i) => Object.is(x, alone[i]) || Math.abs(x - alone[i]) < 1e-9),
            ).toBe(true);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('says which member gives out, and how far it goes', () => {
    for (const layout of layouts) {
      const corner = solverOf(layout);
      const gone = corner.why(900, 0)!;
      expect(layout.type.conditions.map(({ member }) => member)).toContain(gone.part);
      expect(gone.lastTravel).toBeLessThan(900);
      expect(corner.pose(gone.lastTravel - 1, 0, out)).toBe(true);
      expect(corner.pose(gone.lastTravel + 1, 0, out)).toBe(false);
      expect(corner.why(10, 0)).toBeNull();
    }
  });
});

it('solves a single swinging arm as a wishbone whose arms share their pivots', () => {
  const layout = layouts.find(({ kind }) => kind === 'swing-arm')!;
  const { drawn } = layout;
  const arms = new FreeCorner(
    doubleWishbone,
    {
      ...drawn,
      lowerFrontInner: drawn['armFrontInner'],
      lowerRearInner: drawn['armRearInner'],
      upperFrontInner: drawn['armFrontInner'],
      upperRearInner: drawn['armRearInner'],
      lowerOuter: drawn['kingpinLower'],
      upperOuter: drawn['kingpinUpper'],
    },
    layout,
  );
  const one = new FreeCorner(swingArm, drawn, layout);
  for (const [travel, steer] of [
    [-40, -20],
    [15, 7],
    [40, 20],
  ]) {
    const pose = Float64Array.from(reach(one, travel, steer));
    expect(Array.from(reach(arms, travel, steer))).toEqual(
      Array.from(pose, (x) => expect.closeTo(x, 9)),
    );
  }
});

it('turns a trailing arm about the line of its pivots (Rodrigues)', () => {
  const layout = layouts.find(({ kind }) => kind === 'trailing-arm')!;
  const { armFrontInner, armRearInner, wheelCentre } = layout.drawn;
  const axis = unit(sub(armRearInner, armFrontInner));
  const corner = new FreeCorner(trailingArm, layout.drawn, layout);
  for (const degrees of [-9, -2, 4, 11]) {
    const by = scale(axis, (degrees * Math.PI) / 180);
    const centre = add(armFrontInner, rotate(sub(wheelCentre, armFrontInner), by));
    const pose = reach(corner, centre[2] - wheelCentre[2], 0);
    expect(distance(at(pose, U.wheelCentre), centre)).toBeLessThan(1e-8);
    expect(distance(at(pose, U.spindle), rotate(spindleOf(layout), by))).toBeLessThan(1e-10);
  }
});

describe('a strut', () => {
  // In one plane across the car: arm level and 300 mm long, strut upright above its joint.
  const plane = (top: number): Drawn => ({
    lowerFrontInner: [150, 300, 200],
    lowerRearInner: [-150, 300, 200],
    lowerOuter: [0, 600, 200],
    strutTop: [0, 600, top],
    strutLower: [0, 600, 400],
    tieRodInner: [-100, 300, 200],
    tieRodOuter: [-100, 600, 200],
    wheelCentre: [0, 660, 200],
  });
  const upright = { toe: 0, camber: 0 };

  it('leans as the triangle of its arm and its top says (sine rule)', () => {
    const corner = new FreeCorner(strut, plane(800), upright);
    for (const swing of [-8, -3, 5, 10]) {
      const angle = (swing * Math.PI) / 180;
      const ball: Vec = [0, 300 + 300 * Math.cos(angle), 200 + 300 * Math.sin(angle)];
      // The strut points from the ball joint to its top; the wheel leans with it.
      const lean = Math.atan2(600 - ball[1], 800 - ball[2]);
      const centre = add(ball, [0, 60 * Math.cos(lean), -60 * Math.sin(lean)]);
      const pose = reach(corner, centre[2] - 200, 0);
      expect(distance(at(pose, U.wheelCentre), centre)).toBeLessThan(1e-8);
      expect(-Math.asin(pose[U.spindle + 2])).toBeCloseTo(lean, 9);
    }
  });

  it('keeps its axis’s direction when its top is far away', () => {
    const corner = new FreeCorner(strut, plane(5e7), upright);
    for (const travel of [-40, 25, 60])
      expect(Math.abs(toDeg(Math.asin(reach(corner, travel, 0)[U.spindle + 2])))).toBeLessThan(
        1e-4,
      );
  });
});

it('finds no position of what holds nothing', () => {
  const layout = layouts.find(({ kind }) => kind === 'trailing-arm')!;
  const { armFrontInner: pivot } = layout.drawn;
  // Hung like a gate: the wheel cannot rise.
  const loose = new FreeCorner(
    trailingArm,
    { ...layout.drawn, armRearInner: add(pivot, [0, 0, 200]) },
    layout,
  );
  expect(loose.fault()?.message).toMatch(/nothing holds the wheel/);
  expect(loose.pose(0, 0, out)).toBe(false);
  expect(() => new FreeCorner({ ...trailingArm, conditions: [] }, layout.drawn, layout)).toThrow(
    /0 conditions where 5/,
  );
});
