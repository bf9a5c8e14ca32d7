import fc from 'fast-check';
import { anyLayout, axleWith, prepared } from '../../test/layouts';
import { alike, poseAxle, roll } from '../kinematics/axle';
import { jointsAt } from '../kinematics/joints';
import { U } from '../kinematics/corner';
import { readAt } from './sweep';

const values = (...args: Parameters<typeof readAt>) => {
  const reading = readAt(...args);
  if (!reading.ok) throw new Error(reading.why);
  return reading.value;
};

/** Arms of a plane mechanism seen from the front: pivot axes straight ahead. */
const planar = {
  lowerFrontInner: { ahead: 100, out: 200, up: 200 },
  lowerRearInner: { ahead: -100, out: 200, up: 200 },
  lowerOuter: { ahead: 0, out: 600, up: 180 },
  upperFrontInner: { ahead: 100, out: 280, up: 380 },
  upperRearInner: { ahead: -100, out: 280, up: 380 },
  upperOuter: { ahead: 0, out: 560, up: 420 },
  tieRodInner: { ahead: -100, out: 220, up: 230 },
  tieRodOuter: { ahead: -100, out: 590, up: 230 },
  wheelCentre: { ahead: 0, out: 680, up: 300 },
};

describe('definitions, worked by hand', () => {
  const side = prepared(axleWith(planar, { toe: 0.3, camber: -2 })).left;
  const v = values(side, 0, 0);
  const rad = Math.PI / 180;

  it('keeps the toe and camber that are set', () => {
    expect(v.toe).toBeCloseTo(0.3, 10);
    expect(v.camber).toBeCloseTo(-2, 10);
  });

  it('measures kingpin inclination and caster off the ball-joint line', () => {
    // 40 mm inboard over 240 mm of height; no offset ahead.
    expect(v.kpi).toBeCloseTo(Math.atan(40 / 240) / rad, 10);
    expect(v.caster).toBeCloseTo(0, 10);
  });

  it('puts the contact point down the wheel plane', () => {
    // Radius 290 in a plane leaning 2° inward at the top: the foot lies 290 sin 2° outboard.
    expect(v.contactUp).toBeCloseTo(300 - 290 * Math.cos(2 * rad), 9);
    expect(v.contactOut).toBeCloseTo(680 + 290 * Math.sin(2 * rad) * Math.cos(0.3 * rad), 9);
  });

  it('measures scrub radius and trail along and across the wheel’s heading', () => {
    const atGround = 600 + ((180 - v.contactUp) * 40) / 240;
    const across = v.contactOut - atGround;
    const along = v.contactAhead;
    expect(v.scrub).toBeCloseTo(across * Math.cos(0.3 * rad) + along * Math.sin(0.3 * rad), 9);
    expect(v.trail).toBeCloseTo(across * Math.sin(0.3 * rad) - along * Math.cos(0.3 * rad), 9);
    expect(v.scrub).toBeGreaterThan(0);
  });

  it('measures the spindle square to the kingpin at hub height', () => {
    const atHub = 600 - (120 * 40) / 240;
    expect(v.spindleLength).toBeCloseTo((680 - atHub) * Math.cos(v.kpi! * rad), 9);
  });

  it('finds the roll centre of a plane mechanism where the drawn lines meet', () => {
    // Front view: lower arm's line up = 200 − (out − 200)/20, upper arm's up = 380 + (out − 280)/7.
    const out = (200 + 200 / 20 - 380 + 280 / 7) / (1 / 20 + 1 / 7);
    const up = 200 - (out - 200) / 20;
    const w = values(prepared(axleWith(planar, { toe: 0, camber: -2 })).left, 0, 0);
    const slope = (w.contactUp - up) / (w.contactOut - out);
    expect(w.rollCentre).toBeCloseTo(w.contactUp - slope * w.contactOut, 9);
  });

  it('finds the instant centre of a plane mechanism where the drawn lines meet', () => {
    const out = (200 + 200 / 20 - 380 + 280 / 7) / (1 / 20 + 1 / 7);
    const w = values(prepared(axleWith(planar, { toe: 0, camber: -2 })).left, 0, 0);
    expect(w.instantOut).toBeCloseTo(out, 6);
    expect(w.instantUp).toBeCloseTo(200 - (out - 200) / 20, 6);
  });

  it('finds the side-view instant centre where the arms’ planes meet beside the car', () => {
    // Level across, pivot axes tilted in the side view: the planes of the arms are
    // up = 200 + ahead/10 and up = 400 − ahead/15, which meet at ahead = 1200, up = 320.
    const tilted = (at: number, slope: number, ahead: number, out: number) => ({
      ahead,
      out,
      up: at + slope * ahead,
    });
    const w = values(
      prepared(
        axleWith({
          ...planar,
          lowerFrontInner: tilted(200, 1 / 10, 150, 200),
          lowerRearInner: tilted(200, 1 / 10, -150, 200),
          lowerOuter: tilted(200, 1 / 10, 0, 600),
          upperFrontInner: tilted(400, -1 / 15, 150, 280),
          upperRearInner: tilted(400, -1 / 15, -150, 280),
          upperOuter: tilted(400, -1 / 15, 0, 580),
        }),
      ).left,
      0,
      0,
    );
    expect(w.sideInstantAhead).toBeCloseTo(1200, 3);
    expect(w.sideInstantUp).toBeCloseTo(320, 3);
    // The contact moves square to the line from it to the instant centre.
    const slope = (w.sideInstantUp! - w.contactUp) / (w.sideInstantAhead! - w.contactAhead);
    expect(w.contactLead).toBeCloseTo(-slope, 6);
  });

  it('counts caster and trail positive when the top leans back', () => {
    const back = prepared(axleWith({ ...planar, upperOuter: { ahead: -30, out: 560, up: 420 } }));
    const w = values(back.left, 0, 0);
    expect(w.caster).toBeCloseTo(Math.atan(30 / 240) / rad, 10);
    expect(w.trail).toBeGreaterThan(0);
  });
});

describe('the axle', () => {
  it('mirrors: right at opposite rack reads as left', () => {
    fc.assert(
      fc.property(
        anyLayout,
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.double({ min: -12, max: 12, noNaN: true }),
        (design, travel, rack) => {
          const axle = prepared(design);
          const left = readAt(axle.left, travel, rack);
          const right = readAt(axle.right, travel, -rack);
          fc.pre(left.ok);
          expect(right.ok && right.value).toEqual(left.value);
        },
      ),
    );
  });

  it('gives the same figures in whatever order positions are asked for', () => {
    fc.assert(
      fc.property(
        anyLayout,
        fc.array(fc.tuple(fc.integer({ min: -24, max: 24 }), fc.integer({ min: -9, max: 9 })), {
          minLength: 2,
          maxLength: 12,
        }),
        (design, positions) => {
          const read = (order: [number, number][]) => {
            const { left } = prepared(design);
            return order.map(([travel, rack]) => JSON.stringify(readAt(left, travel, rack)));
          };
          expect(read([...positions].reverse()).reverse()).toEqual(read(positions));
        },
      ),
      { numRuns: 50 },
    );
  });

  it('moves both inner joints the same way across the car', () => {
    const axle = prepared(axleWith(planar));
    const pose = poseAxle(axle, alike(0), 10);
    if (!pose.left.ok || !pose.right.ok) throw new Error('out of reach');
    expect(jointsAt(axle.left.drawn, pose.left.upright)['tieRodInner'][1]).toBeCloseTo(230, 12);
    expect(jointsAt(axle.right.drawn, pose.right.upright)['tieRodInner'][1]).toBeCloseTo(210, 12);
    // Rack behind the kingpins moved left turns both wheels to the right: left toes in, right out.
    expect(values(axle.left, 0, 10).toe).toBeGreaterThan(0);
    expect(values(axle.right, 0, 10).toe).toBeLessThan(0);
  });

  it('rolls: one wheel up as far as the other goes down', () => {
    const axle = prepared(axleWith(planar));
    const pose = poseAxle(axle, roll(25), 0);
    if (!pose.left.ok || !pose.right.ok) throw new Error('out of reach');
    expect(pose.left.upright[U.wheelCentre + 2]).toBeCloseTo(325, 9);
    expect(pose.right.upright[U.wheelCentre + 2]).toBeCloseTo(275, 9);
  });

  it('lets the right side have points of its own, and says which side gives out', () => {
    const design = axleWith(planar);
    const right = { ...design.points, tieRodInner: { ahead: -100, out: 240, up: 215 } };
    const axle = prepared({ ...design, rightPoints: right });
    expect(values(axle.right, 20, 0).toe).not.toBeCloseTo(values(axle.left, 20, 0).toe, 3);
    const far = poseAxle(axle, { left: 0, right: 0 }, 170);
    expect(far.right.ok).toBe(false);
    if (!far.right.ok) expect(far.right.why).toMatch(/tie rod goes over centre past .*mm left/);
  });
});
