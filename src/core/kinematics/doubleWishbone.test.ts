import fc from 'fast-check';
import {
  WISHBONE_POINTS,
  anyLayout,
  axleWith,
  pointsFromTuples,
  prepared,
} from '../../test/layouts';
import { referencePose } from '../../test/referenceSolver';
import { toDeg } from '../geometry/angle';
import { distance, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Points } from '../model/points';
import type { Values } from '../motion/quantities';
import { readAt } from '../motion/sweep';
import { drawnCorner, prepareAxle } from './axle';
import { U, UPRIGHT_SIZE } from './corner';
import { prepareDoubleWishbone } from './doubleWishbone';
import { jointsAt } from './joints';
import reference from './fixtures/double-wishbone.json';

const at = (u: Float64Array, offset: number): Vec => [u[offset], u[offset + 1], u[offset + 2]];

describe('against values computed outside the project', () => {
  // Six constraint equations on a free rigid upright, SciPy 1.17.1 fsolve (MINPACK hybrd).
  const { layout, rows } = reference;
  const axle = prepared({
    ...axleWith(pointsFromTuples(layout.points), { toe: layout.toe, camber: layout.camber }),
    tyre: { radius: layout.tyreRadius, width: 195 },
  });

  it('has 39 positions', () => expect(rows).toHaveLength(39));

  it.each(rows.map((row) => [row.travel, row.rack, row] as const))(
    'agrees at travel %d, rack %d',
    (travel, rack, row) => {
      const reading = readAt(axle.left, travel, rack);
      if (!reading.ok) throw new Error(reading.why);
      const v = reading.value as Required<Values>;
      for (const name of ['toe', 'camber', 'caster', 'kpi'] as const)
        expect(Math.abs(v[name] - row[name])).toBeLessThan(1e-5);
      const lengths = [
        [v.scrub, row.scrub],
        [v.trail, row.trail],
        [v.contactAhead, row.contact[0]],
        [v.contactOut, row.contact[1]],
        [v.contactUp, row.contact[2]],
        [v.wheelAhead, row.wheelCentre[0]],
        [v.wheelOut, row.wheelCentre[1]],
        [v.wheelUp, row.wheelCentre[2]],
      ];
      for (const [ours, theirs] of lengths) expect(Math.abs(ours - theirs)).toBeLessThan(1e-4);
    },
  );
});

describe('against a general-purpose least-squares solver', () => {
  it('agrees to 1e-6 on random layouts', () => {
    fc.assert(
      fc.property(
        anyLayout,
        fc.integer({ min: -25, max: 25 }),
        fc.integer({ min: -8, max: 8 }),
        (design, travel, rack) => {
          const u = new Float64Array(UPRIGHT_SIZE);
          fc.pre(prepared(design).left.corner.pose(travel, rack, u));
          const pose = referencePose(design, travel, rack);
          expect(distance(at(u, U.wheelCentre), pose.wheelCentre)).toBeLessThan(1e-6);
          const joints = jointsAt(prepared(design).left.drawn, u);
          expect(distance(joints['lowerOuter'], pose.lowerOuter)).toBeLessThan(1e-6);
          expect(distance(joints['tieRodOuter'], pose.tieRodOuter)).toBeLessThan(1e-6);
          expect(distance(at(u, U.axisAt), pose.lowerOuter)).toBeLessThan(1e-6);
          expect(toDeg(distance(at(u, U.spindle), pose.spindle))).toBeLessThan(1e-6);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('laws of the linkage', () => {
  const anyPosition = fc.record({
    travel: fc.double({ min: -25, max: 25, noNaN: true }),
    rack: fc.double({ min: -15, max: 15, noNaN: true }),
  });

  it('keeps every length', () => {
    fc.assert(
      fc.property(anyLayout, anyPosition, (design, { travel, rack }) => {
        const u = new Float64Array(UPRIGHT_SIZE);
        fc.pre(prepared(design).left.corner.pose(travel, rack, u));
        const p = Object.fromEntries(
          WISHBONE_POINTS.map((name) => {
            const { ahead, out, up } = design.points[name];
            return [name, [ahead, out, up]];
          }),
        ) as unknown as Record<keyof Points, Vec>;
        const joints = jointsAt(prepared(design).left.drawn, u);
        const lower = joints['lowerOuter'];
        const upper = joints['upperOuter'];
        const outer = joints['tieRodOuter'];
        expect(distance(at(u, U.axisAt), lower)).toBeLessThan(1e-9);
        expect(distance(at(u, U.axisAlong), sub(upper, lower))).toBeLessThan(1e-9);
        const wheel = at(u, U.wheelCentre);
        const pairs: [Vec, Vec, keyof Points, keyof Points][] = [
          [p['lowerFrontInner'], lower, 'lowerFrontInner', 'lowerOuter'],
          [p['lowerRearInner'], lower, 'lowerRearInner', 'lowerOuter'],
          [p['upperFrontInner'], upper, 'upperFrontInner', 'upperOuter'],
          [p['upperRearInner'], upper, 'upperRearInner', 'upperOuter'],
          [lower, upper, 'lowerOuter', 'upperOuter'],
          [joints['tieRodInner'], outer, 'tieRodInner', 'tieRodOuter'],
          [lower, outer, 'lowerOuter', 'tieRodOuter'],
          [upper, outer, 'upperOuter', 'tieRodOuter'],
          [wheel, lower, 'wheelCentre', 'lowerOuter'],
          [wheel, upper, 'wheelCentre', 'upperOuter'],
          [wheel, outer, 'wheelCentre', 'tieRodOuter'],
        ];
        for (const [a, b, from, to] of pairs)
          expect(distance(a, b)).toBeCloseTo(distance(p[from], p[to]), 8);
        expect(wheel[2] - p['wheelCentre'][2]).toBeCloseTo(travel, 8);
      }),
    );
  });

  it('gives slopes that are the limit of differences', () => {
    const h = 1e-3;
    fc.assert(
      fc.property(anyLayout, anyPosition, (design, { travel, rack }) => {
        const side = prepared(design).left;
        const here = readAt(side, travel, rack);
        const up = readAt(side, travel + h, rack);
        const down = readAt(side, travel - h, rack);
        const left = readAt(side, travel, rack + h);
        const right = readAt(side, travel, rack - h);
        fc.pre(here.ok && up.ok && down.ok && left.ok && right.ok);
        for (const name of Object.keys(here.perTravel) as (keyof typeof here.perTravel)[]) {
          const [perTravel, perRack] = [here.perTravel[name]!, here.perRack[name]!];
          const scale = 1 + Math.abs(perTravel) + Math.abs(perRack);
          const byTravel = (up.value[name]! - down.value[name]!) / (2 * h);
          const byRack = (left.value[name]! - right.value[name]!) / (2 * h);
          expect(Math.abs(perTravel - byTravel) / scale).toBeLessThan(2e-6);
          expect(Math.abs(perRack - byRack) / scale).toBeLessThan(2e-6);
        }
      }),
    );
  });

  it('keeps toe, camber and kingpin inclination of a parallelogram at every travel', () => {
    // Equal parallel arms of length L level at ride height and a tie rod as long as, level with and
    // parallel to the lower arm: the upright moves without turning, and the track narrows by
    // L (1 − cos θ) exactly (geometry).
    const L = 400;
    const axle = prepared(
      axleWith(
        {
          lowerFrontInner: { ahead: 150, out: 240, up: 180 },
          lowerRearInner: { ahead: -150, out: 240, up: 180 },
          lowerOuter: { ahead: 0, out: 240 + L, up: 180 },
          upperFrontInner: { ahead: 120, out: 210, up: 420 },
          upperRearInner: { ahead: -120, out: 210, up: 420 },
          upperOuter: { ahead: -15, out: 210 + L, up: 420 },
          tieRodInner: { ahead: -120, out: 225, up: 230 },
          tieRodOuter: { ahead: -120, out: 225 + L, up: 230 },
        },
        { toe: 0.2, camber: -1.5 },
      ),
    );
    const start = readAt(axle.left, 0, 0);
    if (!start.ok) throw new Error(start.why);
    for (let travel = -120; travel <= 120; travel += 15) {
      const now = readAt(axle.left, travel, 0);
      if (!now.ok) throw new Error(now.why);
      expect(now.value.toe).toBeCloseTo(0.2, 10);
      expect(now.value.camber).toBeCloseTo(-1.5, 10);
      expect(now.value.kpi).toBeCloseTo(start.value.kpi!, 10);
      const angle = Math.asin(travel / L);
      expect(now.trackChange).toBeCloseTo(L * (Math.cos(angle) - 1), 9);
    }
  });

  /** Its tie rod comes apart 255 mm up for less than a degree of arm, and past that the upright spins. */
  const narrowGap = axleWith(
    pointsFromTuples({
      lowerFrontInner: [90, 197.351, 150],
      lowerRearInner: [-90, 233.687, 150],
      lowerOuter: [-25, 602.589, 208.281],
      upperFrontInner: [50, 330.152, 436.739],
      upperRearInner: [-81.576, 210, 360],
      upperOuter: [0, 599.506, 390],
      tieRodInner: [-120.119, 241.473, 211.324],
      tieRodOuter: [-98.878, 645, 300],
      wheelCentre: [0, 670, 280],
    }),
    { toe: 0, camber: 4 },
  );

  it('never flips a branch: the wheel turns without a leap up to where it stops', () => {
    fc.assert(
      fc.property(anyLayout, (design) => {
        const { corner } = prepared(design).left;
        const u = new Float64Array(UPRIGHT_SIZE);
        const spindle = (travel: number): Vec | null =>
          corner.pose(travel, 0, u) ? at(u, U.spindle) : null;
        // Just short of where the arms go over centre the wheel turns as steeply as a square root
        // begins; a leap is what is left however closely one looks.
        const leaps = (from: number, a: Vec, to: number, b: Vec): boolean => {
          if (distance(a, b) < 0.05) return false;
          if (Math.abs(to - from) < 1e-6) return true;
          const half = (from + to) / 2;
          const middle = spindle(half);
          return !middle || leaps(from, a, half, middle) || leaps(half, middle, to, b);
        };
        for (const direction of [1, -1]) {
          let before = spindle(0)!;
          let ended = false;
          for (let travel = direction * 0.5; Math.abs(travel) < 300; travel += direction * 0.5) {
            const now = spindle(travel);
            if (ended && now) throw new Error(`back in reach at ${travel} mm`);
            ended ||= !now;
            if (!now) continue;
            if (leaps(travel - direction * 0.5, before, travel, now))
              throw new Error(`a leap at ${travel} mm`);
            before = now;
          }
        }
      }),
      { numRuns: 40, endOnFailure: true, examples: [[narrowGap]] },
    );
  });
});

describe('positions out of reach', () => {
  const axle = prepared(axleWith(pointsFromTuples(reference.layout.points)));

  it.each([
    ['the tie rod runs out when the rack pulls too far', 0, -160, 'tie rod', 'too short'],
    ['the upper arm folds in deep droop', -420, 0, 'upper arm', 'over centre'],
    ['the arms turn over in extreme bump', 420, 0, 'arms', 'over centre'],
  ])('%s', (_, travel, rack, part, fault) => {
    const reach = axle.left.corner.why(travel, rack);
    expect(reach).toMatchObject({ part, fault });
    if (!reach) return;
    const u = new Float64Array(UPRIGHT_SIZE);
    const just = 1 - 1e-6;
    const past = 1 + 1e-6;
    expect(axle.left.corner.pose(reach.lastTravel * just, reach.lastRack * just, u)).toBe(true);
    expect(axle.left.corner.pose(reach.lastTravel * past, reach.lastRack * past, u)).toBe(false);
  });

  it('says when a short upper arm gives out', () => {
    const short = prepared(
      axleWith({
        upperFrontInner: { ahead: 100, out: 530, up: 400 },
        upperRearInner: { ahead: -130, out: 530, up: 400 },
      }),
    );
    expect(short.left.corner.why(90, 0)).toMatchObject({ part: 'upper arm', fault: 'too short' });
  });

  it('leaves the pose alone', () => {
    const u = new Float64Array(UPRIGHT_SIZE).fill(7);
    expect(axle.left.corner.pose(5000, 0, u)).toBe(false);
    expect(u.every((x) => x === 7)).toBe(true);
  });
});

describe('layouts that are degenerate as drawn', () => {
  const base = axleWith().points;
  const middle = (a: keyof Points, b: keyof Points) => ({
    ahead: (base[a].ahead + base[b].ahead) / 2,
    out: (base[a].out + base[b].out) / 2,
    up: (base[a].up + base[b].up) / 2,
  });
  const kingpin = middle('lowerOuter', 'upperOuter');

  it.each<[string, Partial<Points>, string, RegExp]>([
    ['two joints in one place', { upperOuter: base['lowerOuter'] }, 'upperOuter', /in one place/],
    [
      'pivots in one place',
      { lowerRearInner: base['lowerFrontInner'] },
      'lowerRearInner',
      /in one place/,
    ],
    [
      'lower joint on its pivot axis',
      { lowerOuter: middle('lowerFrontInner', 'lowerRearInner') },
      'lowerOuter',
      /pivot axis/,
    ],
    [
      'upper joint on its pivot axis',
      { upperOuter: middle('upperFrontInner', 'upperRearInner') },
      'upperOuter',
      /pivot axis/,
    ],
    ['tie rod on the kingpin', { tieRodOuter: kingpin }, 'tieRodOuter', /kingpin axis/],
    [
      'tie rod at dead centre',
      { tieRodInner: { ...kingpin, ahead: -240 }, tieRodOuter: { ...kingpin, ahead: -120 } },
      'tieRodInner',
      /dead centre/,
    ],
    [
      'every link upright',
      {
        upperFrontInner: { ahead: 100, out: 588, up: 700 },
        upperRearInner: { ahead: -130, out: 588, up: 700 },
        lowerFrontInner: { ahead: 140, out: 630, up: 500 },
        lowerRearInner: { ahead: -140, out: 630, up: 500 },
        lowerOuter: { ahead: 0, out: 630, up: 175 },
        tieRodInner: { ahead: -115, out: 610, up: 560 },
        tieRodOuter: { ahead: -115, out: 610, up: 240 },
      },
      'lowerOuter',
      /cannot move up and down/,
    ],
  ])('%s is refused at its point', (_, points, point, message) => {
    const result = prepareDoubleWishbone(drawnCorner(axleWith({ ...base, ...points }), 'left'));
    expect(result.ok).toBe(false);
    if (result.ok) return;
    expect(result.faults.map((fault) => fault.point)).toContain(point);
    expect(result.faults[0].message).toMatch(message);
  });

  it('names the side', () => {
    const design = { ...axleWith(), rightPoints: { ...base, upperOuter: base['lowerOuter'] } };
    const result = prepareAxle(design);
    expect(!result.ok && result.faults[0]).toMatchObject({ side: 'right', point: 'upperOuter' });
  });
});
