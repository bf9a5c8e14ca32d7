import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { anyLayout, axleWith, parallelArms, prepared } from '../../test/layouts';
import type { Vec } from '../geometry/vec';
import type { AxleDesign } from '../model/build';
import type { Points } from '../model/points';
import { blankBuild } from '../model/starts';
import { readAt } from '../motion/sweep';
import { HARDLY, lockToLock, rackPositions, trueInner } from './lockToLock';
import type { LockToLock } from './lockToLock';

const WHEELBASE = 2500;
const RAD = Math.PI / 180;
const over = (design: AxleDesign, rack = rackPositions(-50, 50, 21), travel = 0): LockToLock =>
  lockToLock(prepared(design), WHEELBASE, travel, rack)!;

/** Rodrigues’ formula, as it is written down: a vector turned about a unit axis. */
const turned = (v: Vec, k: Vec, angle: number): Vec => {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const along = k[0] * v[0] + k[1] * v[1] + k[2] * v[2];
  const across: Vec = [
    k[1] * v[2] - k[2] * v[1],
    k[2] * v[0] - k[0] * v[2],
    k[0] * v[1] - k[1] * v[0],
  ];
  return [0, 1, 2].map((i) => v[i] * c + across[i] * s + k[i] * along * (1 - c)) as unknown as Vec;
};

/** A level, upright kingpin on the wheel's plane, rack and rods in one level plane: all of it turns in plan. */
const inPlan = (arm: number, tieOuter: number, tieInner: number) =>
  parallelArms({
    upperOuter: { ahead: 0, out: 600, up: 400 },
    tieRodInner: { ahead: -tieInner, out: 300, up: 300 },
    tieRodOuter: { ahead: -arm, out: tieOuter, up: 300 },
  });

describe('the angle that is true for the inner wheel', () => {
  it('keeps cot δo − cot δi = K / L (Gillespie, ch. 8; from memory)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 60, noNaN: true }),
        fc.double({ min: 800, max: 1600, noNaN: true }),
        (outer, between) => {
          const inner = trueInner(outer, between, WHEELBASE);
          expect(1 / Math.tan(outer * RAD) - 1 / Math.tan(inner * RAD)).toBeCloseTo(
            between / WHEELBASE,
            9,
          );
        },
      ),
    );
  });

  it('goes through nought and past a right angle', () => {
    expect(trueInner(0, 1200, WHEELBASE)).toBe(0);
    // Both about the inner wheel’s own kingpin: it stands across.
    const outer = Math.atan2(WHEELBASE, 1200) / RAD;
    expect(trueInner(outer, 1200, WHEELBASE)).toBeCloseTo(90, 9);
    expect(trueInner(outer + 5, 1200, WHEELBASE)).toBeGreaterThan(90);
  });
});

describe('lock to lock', () => {
  it('agrees with the reference of an independent solver in every rack position it has', () => {
    const { layout, rows } = JSON.parse(
      readFileSync(join(__dirname, '../kinematics/fixtures/double-wishbone.json'), 'utf8'),
    ) as {
      layout: { points: Record<string, Vec>; toe: number; camber: number; tyreRadius: number };
      rows: { travel: number; rack: number; toe: number; camber: number; contact: Vec }[];
    };
    const points = Object.fromEntries(
      Object.entries(layout.points).map(([name, [ahead, out, up]]) => [name, { ahead, out, up }]),
    ) as unknown as Points;
    const design = axleWith(points, { toe: layout.toe, camber: layout.camber });
    design.tyre.radius = layout.tyreRadius;
    const centred = (travel: number) => rows.find((r) => r.travel === travel && r.rack === 0)!;
    expect(rows.length).toBeGreaterThan(30);
    for (const { travel, rack, toe, camber, contact } of rows) {
      // The reference's corner is the left one; the right one goes the other way as far.
      const found = over(design, Float64Array.of(rack, -rack), travel);
      expect(found.left.steer[0]).toBeCloseTo(centred(travel).toe - toe, 6);
      expect(found.right.steer[1]).toBeCloseTo(toe - centred(travel).toe, 6);
      for (const [wheel, i] of [
        [found.left, 0],
        [found.right, 1],
      ] as const) {
        expect(wheel.camber[i]).toBeCloseTo(camber, 6);
        expect(wheel.contactUp[i]).toBeCloseTo(contact[2], 5);
      }
    }
  });

  it('turns a plane rack and arm by Freudenstein’s equation of the slider and crank (1955; from memory)', () => {
    const [arm, out, rackAhead] = [115, 585, 100];
    const design = inPlan(arm, out, rackAhead);
    // About the kingpin: across is x, behind it y; the slider runs along x at an offset from it.
    const a = Math.hypot(600 - out, arm);
    const b = Math.hypot(out - 300, arm - rackAhead);
    const e = rackAhead;
    const drawn = Math.atan2(arm, 600 - out);
    const { left, rack } = over(design);
    for (let i = 0; i < rack.length; i++) {
      // + rack is to the left, which is outward here: the slider comes nearer.
      const s = 300 - rack[i];
      // Seen with inboard to the right and astern up, steering to the left turns the arm back.
      const phi = drawn - left.steer[i] * RAD;
      // K1 s cos φ + K2 sin φ − K3 = s², with K1 = 2a, K2 = 2ae, K3 = a² − b² + e².
      const found = 2 * a * s * Math.cos(phi) + 2 * a * e * Math.sin(phi) - (a * a - b * b + e * e);
      expect(found).toBeCloseTo(s * s, 5);
    }
    expect(Math.abs(left.steer[0])).toBeGreaterThan(20);
  });

  it('measures Ackermann by construction: lines through both spindles cut on the rear axle', () => {
    const design = inPlan(118, 570, 112);
    const { left, right, error, percent, rack } = over(design);
    for (let i = 0; i < rack.length; i++) {
      const toLeft = left.steer[i] + right.steer[i] > 0;
      const [inner, outer] = toLeft
        ? [left.steer[i], right.steer[i]]
        : [-right.steer[i], -left.steer[i]];
      if (outer < HARDLY) continue;
      // Kingpins upright at 600 mm either side: the outer's line cuts the rear axle so far from its kingpin …
      const reach = WHEELBASE / Math.tan(outer * RAD);
      // … and the inner kingpin sees that place under its true angle.
      const wanted = Math.atan2(WHEELBASE, reach - 1200) / RAD;
      expect(error[i]).toBeCloseTo(inner - wanted, 6);
      expect(percent[i]).toBeCloseTo((100 * (inner - outer)) / (wanted - outer), 5);
    }
  });

  it('says nothing of Ackermann and circle straight ahead', () => {
    const found = over(inPlan(118, 570, 112));
    expect(found.error[10]).toBeCloseTo(0, 9);
    expect(found.percent[10]).toBeNaN();
    expect(found.radius[10]).toBeNaN();
  });

  it('turns about the mean of both on the rear axle’s line (construction)', () => {
    const { left, right, radius, rack } = over(blankBuild('x').front);
    for (const i of [0, 4, 16, 20]) {
      const mean = (left.steer[i] + right.steer[i]) / 2;
      const centre = WHEELBASE / Math.tan(mean * RAD);
      const side = mean > 0 ? 'right' : 'left';
      const at = readAt(prepared(blankBuild('x').front)[side], 0, rack[i]);
      if (!at.ok) throw new Error(at.why);
      const { contactAhead, contactOut } = at.value;
      const y = side === 'left' ? contactOut : -contactOut;
      expect(radius[i]).toBeCloseTo(Math.hypot(contactAhead + WHEELBASE, centre - y), 6);
    }
  });

  it('leans and lifts by Rodrigues’ rotation where the wheel’s centre is on the kingpin', () => {
    // Caster and KPI, and the centre on the line of the ball joints: steering turns the upright about it alone.
    const design = parallelArms({
      lowerOuter: { ahead: 12, out: 640, up: 200 },
      upperOuter: { ahead: -18, out: 600, up: 400 },
      wheelCentre: { ahead: -3, out: 620, up: 300 },
      tieRodInner: { ahead: -110, out: 300, up: 240 },
      tieRodOuter: { ahead: -112, out: 615, up: 250 },
    });
    const along: Vec = [-30, -40, 200];
    const size = Math.hypot(...along);
    const axis = along.map((part) => part / size) as unknown as Vec;
    const { left } = over(design);
    const radius = design.tyre.radius;
    for (const i of [0, 5, 15, 20]) {
      // The turn about the axis that gives the heading, by bisection: the core solves for the rod's length instead.
      const heading = (turn: number) => {
        const spindle = turned([0, 1, 0], axis, turn);
        return Math.atan2(-spindle[0], spindle[1]) / RAD;
      };
      let [low, high] = [-1.2, 1.2];
      for (let k = 0; k < 80; k++) {
        const middle = (low + high) / 2;
        if (heading(middle) < left.steer[i]) low = middle;
        else high = middle;
      }
      const [, , az] = turned([0, 1, 0], axis, low);
      expect(left.camber[i]).toBeCloseTo(-Math.asin(az) / RAD, 6);
      expect(left.contactUp[i]).toBeCloseTo(300 - radius * Math.sqrt(1 - az * az), 5);
    }
    expect(Math.abs(left.camber[0])).toBeGreaterThan(1);
  });

  it('has a slope that differences come to', () => {
    const design = blankBuild('x').front;
    const [at, h] = [17, 1e-3];
    const { left, right, perRack } = over(design, Float64Array.of(at - h, at, at + h), 12);
    const mean = (i: number) => (left.steer[i] + right.steer[i]) / 2;
    expect(perRack[1]).toBeCloseTo((mean(2) - mean(0)) / (2 * h), 6);
  });

  it('sees rod and arm square where they are drawn square, and straight where the arm is pulled out', () => {
    const square = over(inPlan(110, 600, 110), Float64Array.of(0));
    expect(square.left.tieAngle[0]).toBeCloseTo(90, 9);
    expect(square.right.tieAngle[0]).toBeCloseTo(90, 9);
    // An arm that points 45° inboard and a rod across: 135° between them.
    const drawn = over(inPlan(80, 520, 80), Float64Array.of(0));
    expect(drawn.left.tieAngle[0]).toBeCloseTo(135, 9);
  });

  it('mirrors left and right on random layouts, at any travel', () => {
    fc.assert(
      fc.property(
        anyLayout,
        fc.double({ min: 1, max: 25, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        (design, rack, travel) => {
          const found = lockToLock(
            prepared(design),
            WHEELBASE,
            travel,
            Float64Array.of(rack, -rack),
          );
          fc.pre(found !== null && found.reachable[0] === 1 && found.reachable[1] === 1);
          const { left, right, error, radius, perRack } = found!;
          expect(left.steer[0]).toBeCloseTo(-right.steer[1], 7);
          expect(left.camber[0]).toBeCloseTo(right.camber[1], 7);
          expect(left.contactUp[0]).toBeCloseTo(right.contactUp[1], 7);
          expect(left.tieAngle[0]).toBeCloseTo(right.tieAngle[1], 7);
          expect(perRack[0]).toBeCloseTo(perRack[1], 8);
          if (Number.isNaN(error[0])) expect(error[1]).toBeNaN();
          else expect(error[0]).toBeCloseTo(error[1], 6);
          expect(radius[0] / radius[1]).toBeCloseTo(1, 6);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('agrees with what is read of both wheels at ride height', () => {
    fc.assert(
      fc.property(anyLayout, fc.double({ min: 2, max: 15, noNaN: true }), (design, rack) => {
        const axle = prepared(design);
        const found = lockToLock(axle, WHEELBASE, 0, Float64Array.of(rack));
        for (const side of ['left', 'right'] as const) {
          const [at, straight] = [readAt(axle[side], 0, rack), readAt(axle[side], 0, 0)];
          fc.pre(found !== null && at.ok && straight.ok);
          if (!at.ok || !straight.ok) return;
          const turned = (side === 'left' ? -1 : 1) * (at.value.toe - straight.value.toe);
          expect(found![side].steer[0]).toBeCloseTo(turned, 9);
          expect(found![side].caster[0]).toBeCloseTo(at.value.caster!, 9);
        }
      }),
      { numRuns: 25 },
    );
  });

  it('marks what a rack cannot reach, and says nothing where the centre itself is out of reach', () => {
    const design = blankBuild('x').front;
    const { reachable } = over(design, Float64Array.of(-400, 0, 400));
    expect([...reachable]).toEqual([0, 1, 0]);
    expect(lockToLock(prepared(design), WHEELBASE, 900, Float64Array.of(0))).toBeNull();
  });
});
