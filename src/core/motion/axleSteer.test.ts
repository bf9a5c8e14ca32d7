import fc from 'fast-check';
import { prepareAxle } from '../kinematics/axle';
import type { AxleDesign } from '../model/build';
import { blankBuild } from '../model/starts';
import { layoutProblems } from '../file/check';
import { ruleJoints } from '../bumpsteer/rules';
import { prepared, wheelIn } from '../../test/layouts';
import { MOST_WIND_UP, MOVED_BY, axleSteer, mostSteer } from './axleSteer';
import { readAt } from './sweep';
import { rollCentreOf } from './rollCentre';

const TRAVEL = { bump: 40, droop: 50 };
/** A blank beam whose drag link begins elsewhere, mm. */
const beam = (ahead = 0, up = 0, change: Partial<AxleDesign> = {}): AxleDesign => {
  const { front } = blankBuild('x', 'beam');
  const { dragLinkInner, ...points } = front.points;
  const inner = { ...dragLinkInner, ahead: dragLinkInner.ahead + ahead, up: dragLinkInner.up + up };
  return { ...front, ...change, points: { ...points, dragLinkInner: inner } as never };
};
const off = fc.double({ min: -40, max: 40, noNaN: true });

it('is the mean of where both wheels of a position point, and toe their sum', () => {
  fc.assert(
    fc.property(off, off, (ahead, up) => {
      const axle = prepared(beam(ahead, up));
      const { heave, roll } = axleSteer(axle, TRAVEL)!;
      for (const i of [0, 7, 20, 33, 40]) {
        const at = -50 + (90 * i) / 40;
        const [l, r] = [axle.left, axle.right].map((side) => readAt(side, at, 0));
        if (!l.ok || !r.ok) throw new Error('out of reach');
        expect(heave.at[i]).toBeCloseTo(at, 9);
        expect(heave.steer[i]).toBeCloseTo((r.value.toe - l.value.toe) / 2, 9);
        expect(heave.toe[i]).toBeCloseTo(l.value.toe + r.value.toe, 9);
        // In roll the right wheel goes down as the left goes up.
        const up = -40 + (80 * i) / 40;
        const [rl, rr] = [readAt(axle.left, up, 0, -1), readAt(axle.right, -up, 0, -1)];
        if (!rl.ok || !rr.ok) throw new Error('out of reach');
        expect(roll.at[i]).toBeCloseTo((Math.atan2(2 * up, 1120) * 180) / Math.PI, 9);
        expect(roll.steer[i]).toBeCloseTo((rr.value.toe - rl.value.toe) / 2, 9);
      }
    }),
    { numRuns: 20 },
  );
});

it('is nought in heave where the link is as long as the leaf’s arc and parallel to it, and only there', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.5, max: 1.1, noNaN: true }), (leafLead) => {
      const drawn = beam(0, 0, { leafLead });
      const at = ruleJoints(wheelIn(drawn)).parallel!;
      const { dragLinkInner: now } = drawn.points;
      const onArc = beam(at[0] - now.ahead, at[2] - now.up, { leafLead });
      expect(mostSteer(axleSteer(prepared(onArc), TRAVEL)!.heave)).toBeLessThan(1e-7);
      const longer = beam(at[0] - now.ahead - 25, at[2] - now.up, { leafLead });
      expect(mostSteer(axleSteer(prepared(longer), TRAVEL)!.heave)).toBeGreaterThan(0.005);
    }),
    { numRuns: 12 },
  );
});

it('winds up by as much as a plane construction has it, where the link lies along the car at the kingpin’s height', () => {
  const design = beam(0, -12);
  const found = axleSteer(prepared(design), TRAVEL)!.windUp;
  const { dragLinkInner: inner, dragLinkOuter: outer, springPad: pad } = design.points;
  const { kingpinLower: low, kingpinUpper: high } = design.points;
  // The arm's joint goes round the pad with the beam; what that takes off the link turns the arm about the kingpin.
  const wind = (1 * Math.PI) / 180;
  const moved = [
    (outer.up - pad.up) * Math.sin(wind) + (outer.ahead - pad.ahead) * Math.cos(wind) + pad.ahead,
    (outer.up - pad.up) * Math.cos(wind) - (outer.ahead - pad.ahead) * Math.sin(wind) + pad.up,
  ];
  const long = (x: number, z: number) =>
    Math.hypot(x - inner.ahead, outer.out - inner.out, z - inner.up);
  const apart = long(moved[0], moved[1]) - long(outer.ahead, outer.up);
  const part = (outer.up - low.up) / (high.up - low.up);
  const arm = low.out + part * (high.out - low.out) - outer.out;
  // To first order, and the wheels' own fall that the travel held takes back is of the second.
  const steer = (apart / arm) * (180 / Math.PI);
  const i = 20 + Math.round((1 / MOST_WIND_UP) * 20);
  const here = found.steer[i] * (1 / found.at[i]);
  expect(Math.abs(here)).toBeGreaterThan(0.2);
  expect(Math.abs(Math.abs(here) - Math.abs(steer))).toBeLessThan(0.12 * Math.abs(steer));
});

it('holds toe by its tie rod: over everything it changes by far less than the car steers', () => {
  const found = axleSteer(prepared(beam(-20, -25)), TRAVEL)!;
  for (const by of MOVED_BY) {
    const { toe } = found[by];
    const steer = mostSteer(found[by])!;
    expect(steer).toBeGreaterThan(0.3);
    expect(Math.max(...toe) - Math.min(...toe)).toBeLessThan(0.2 * steer);
  }
});

it('rolls about the middle of its pads where the leaves hold it', () => {
  fc.assert(
    fc.property(off, (up) => {
      const design = beam();
      for (const name of ['springPad', 'springEye']) design.points[name].up += up / 4;
      const axle = prepared(design);
      const { height, left } = rollCentreOf(axle, { left: 0, right: 0 }, 0)!;
      expect(Math.abs(height - design.points['springPad'].up)).toBeLessThan(0.5);
      expect(Math.abs(left)).toBeLessThan(0.5);
    }),
    { numRuns: 10 },
  );
});

it('is of coupled wheels that travel alone, says where it does not go, and leaves the axle as drawn', () => {
  for (const kind of ['double-wishbone', 'kingpin', 'kingpin-linked'])
    expect(axleSteer(prepared(blankBuild('x', kind).front), TRAVEL)).toBeNull();
  const axle = prepared(beam());
  const before = readAt(axle.left, 0, 0);
  const far = axleSteer(axle, { bump: 420, droop: 50 })!;
  expect(far.heave.reachable[40]).toBe(0);
  expect(mostSteer(far.heave)).toBeNull();
  const after = readAt(axle.left, 0, 0);
  if (!before.ok || !after.ok) throw new Error('out of reach');
  expect(after.value.toe).toBeCloseTo(before.value.toe, 9);
  expect(after.value.wheelAhead).toBeCloseTo(before.value.wheelAhead, 9);
});

it('refuses axles that hang on nothing, at the point to look at', () => {
  const pointsOf = (design: AxleDesign) => {
    const ready = prepareAxle(design);
    return ready.ok ? [] : ready.faults.map(({ side, point }) => `${side} ${point}`);
  };
  expect(pointsOf(beam())).toEqual([]);
  const short = beam();
  short.points['springEye'].ahead = short.points['springPad'].ahead - 5;
  expect(pointsOf(short)).toEqual(['left springEye']);
  const own = { ...short, rightPoints: structuredClone(beam().points) };
  expect(pointsOf(own)).toEqual(['left springEye']);
  own.rightPoints['springEye'].ahead = own.rightPoints['springPad'].ahead + 3;
  expect(pointsOf(own)).toEqual(['left springEye', 'right springEye']);
  // A link without length, on whichever side it is: told there, by the points that are there.
  for (const dragLinkTo of ['left', 'right'] as const) {
    const taken = { ...beam(), dragLinkTo };
    taken.points['dragLinkInner'] = { ...taken.points['dragLinkOuter'] };
    expect(pointsOf(taken)).toEqual([`${dragLinkTo} dragLinkOuter`]);
    const build = { ...blankBuild('x', 'beam'), front: taken };
    expect(layoutProblems(build)[0].path).toBe('front.points.dragLinkOuter');
  }
  // A link that points at the kingpin turns nothing.
  const dead = beam();
  const { dragLinkOuter: joint } = dead.points;
  // Where the kingpin is at that height: 6 to −6 ahead from 210 to 323 up.
  const ahead = 6 - (12 * (joint.up - 210)) / 113;
  dead.points['dragLinkOuter'] = { ...joint, ahead };
  dead.points['dragLinkInner'] = { ...joint, ahead, out: joint.out - 300 };
  expect(pointsOf(dead)).toEqual(['left dragLinkInner']);
  // Arms that lie along the tie rod.
  const along = beam();
  along.points['tieRodOuter'] = {
    ...along.points['tieRodOuter'],
    ahead: 6 - (12 * 7) / 113,
    up: 217,
  };
  expect(pointsOf(along)).toEqual(['left tieRodOuter']);
});
