import fc from 'fast-check';
import { spindleOf } from '../kinematics/spindle';
import type { AxleDesign } from '../model/build';
import type { Point } from '../model/points';
import { blankBuild } from '../model/starts';
import { prepared, wheelIn } from '../../test/layouts';
import { handOf } from '../steering/hand';
import { readAt } from '../motion/sweep';
import { moveDragLink } from '../kinematics/axle';
import { raiseChassis, setLoadedRadius } from './place';
import { beamMade, tiltForCaster, tiltInClamps } from './clamps';
import { staticQuantities } from './staticQuantities';

const beam = (): AxleDesign => blankBuild('x', 'beam').front;
const apart = (a: Point, b: Point) => Math.hypot(a.ahead - b.ahead, a.out - b.out, a.up - b.up);
const BODY = ['kingpinLower', 'kingpinUpper', 'springPad'];
const STUB = ['kingpinLower', 'kingpinUpper', 'wheelCentre', 'tieRodOuter', 'dragLinkOuter'];

/** From the side a line's angle grows by the angle that its plane is turned by. */
it('finds the wedge that a caster takes: the difference of the angles, seen from the side', () => {
  fc.assert(
    fc.property(fc.double({ min: -5, max: 16, noNaN: true }), (wanted) => {
      const { caster } = staticQuantities(beam(), 'left');
      const found = tiltForCaster(beam(), wanted)!;
      expect(found.by).toBeCloseTo(wanted - caster!, 3);
      expect(staticQuantities(found.design, 'left').caster).toBeCloseTo(wanted, 3);
      expect(staticQuantities(found.design, 'right').caster).toBeCloseTo(wanted, 3);
    }),
    { numRuns: 25 },
  );
  expect(tiltForCaster(beam(), 25)).toBeNull();
  expect(tiltForCaster(blankBuild('x', 'kingpin').front, 12)).toBeNull();
});

it('turns beam and stubs as solid bodies, the pads staying and toe set again', () => {
  fc.assert(
    fc.property(fc.double({ min: -8, max: 8, noNaN: true }), fc.boolean(), (by, own) => {
      const before = beam();
      before.static = { toe: 0.3, camber: 1.2 };
      if (own) before.rightPoints = structuredClone(before.points);
      const after = tiltInClamps(before, by);
      expect(after.static.toe).toBe(0.3);
      for (const key of own ? (['points', 'rightPoints'] as const) : (['points'] as const)) {
        const [from, to] = [before[key]!, after[key]!];
        expect(to['springPad']).toEqual(from['springPad']);
        expect(to['dragLinkInner']).toEqual(from['dragLinkInner']);
        for (const bodies of [BODY, STUB])
          for (const a of bodies)
            for (const b of bodies)
              expect(apart(to[a], to[b])).toBeCloseTo(apart(from[a], from[b]), 6);
      }
      // The spindle goes with its stub: the angle to the kingpin stays.
      const angle = ({ points, static: alignment }: AxleDesign) => {
        const [low, high] = [points['kingpinLower'], points['kingpinUpper']];
        const [x, y, z] = spindleOf(alignment);
        const along =
          x * (high.ahead - low.ahead) + y * (high.out - low.out) + z * (high.up - low.up);
        return along / apart(low, high);
      };
      expect(angle(after)).toBeCloseTo(angle(before), 9);
      expect(prepared(after).left.corner).toBeDefined();
    }),
    { numRuns: 25 },
  );
});

it('says how a dropped beam is made, as a drawing on the floor measures it', () => {
  const design = beam();
  Object.assign(design.points, {
    kingpinLower: { ahead: 8, out: 520, up: 300 },
    kingpinUpper: { ahead: -4, out: 500, up: 400 },
    springPad: { ahead: -2, out: 330, up: 230 },
  });
  const made = beamMade(design, 390, 90)!;
  // The boss' middle: 510 out, 350 up: 120 over and 120 out of the bend.
  expect(made).toEqual({
    clamps: 660,
    straight: 1020,
    drop: 120,
    lead: 4,
    between: 780,
    bend: expect.closeTo(45, 9),
    end: expect.closeTo(120 * Math.SQRT2, 9),
    bar: expect.closeTo(780 + 240 * Math.SQRT2, 9),
    fits: true,
  });
  expect(beamMade(design, 370, 90)!.fits).toBe(false);
  expect(beamMade(design, 520, 90)).toBeNull();
  expect(beamMade(blankBuild('x').front, 300, 90)).toBeNull();
});

it('goes up with its tyres as one, the springs’ eyes staying, and its box with the chassis', () => {
  const build = blankBuild('x', 'beam');
  const before = structuredClone(build.front);
  // Somebody says the radius: until then it is a sketch.
  setLoadedRadius(build.front, before.tyre.radius + 12);
  const moved = (name: string) => build.front.points[name].up - before.points[name].up;
  for (const name of [...STUB, 'springPad']) expect(moved(name)).toBeCloseTo(12, 9);
  for (const name of ['springEye', 'springShackle', 'dragLinkInner']) expect(moved(name)).toBe(0);
  raiseChassis(build, 8);
  for (const name of ['springEye', 'springShackle', 'dragLinkInner'])
    expect(moved(name)).toBeCloseTo(8, 9);
  expect(build.front.dropArm!.upper.up - before.dropArm!.upper.up).toBeCloseTo(8, 9);
  expect(moved('springPad')).toBeCloseTo(12, 9);
});

it('is steered from the other side by its mirror image', () => {
  for (const kind of ['beam', 'kingpin-linked']) {
    const { front } = blankBuild('x', kind);
    front.dropArm!.lower.left += 13;
    const left = readAt(prepared(front).left, kind === 'beam' ? 20 : 0, 7);
    const other = structuredClone(front);
    moveDragLink(other, 'right');
    const right = readAt(prepared(other).right, kind === 'beam' ? 20 : 0, -7);
    if (!left.ok || !right.ok) throw new Error('out of reach');
    expect(right.value.toe).toBeCloseTo(left.value.toe, 9);
    const hand = (design: AxleDesign) => handOf(prepared(design), 2000, 1)!.wheelLeft;
    expect(hand(other)).toBe(hand(front));
    moveDragLink(other, 'left');
    expect(other.dropArm).toEqual(front.dropArm);
  }
});

it('moves a box along with its drag link’s end, but not into another hole of its arm', () => {
  const wheel = wheelIn(beam());
  const { dragLinkInner: at } = wheel.points;
  const to = { ...at, ahead: at.ahead + 9, up: at.up - 14, out: at.out + 5 };
  const moved = wheel.withRod({ dragLinkInner: to });
  expect(moved.points['dragLinkInner']).toEqual(to);
  // What the arm does from its shaft is as it was: the whole lock, not only straight ahead.
  const [from, after] = [wheel, moved].map(({ design, points }) => {
    const { dropArm } = design;
    return [dropArm!.lower, dropArm!.upper].map(({ ahead, left, up }) => [
      ahead - points['dragLinkInner'].ahead,
      left - points['dragLinkInner'].out,
      up - points['dragLinkInner'].up,
    ]);
  });
  after.flat().forEach((x, i) => expect(x).toBeCloseTo(from.flat()[i], 9));
  const holes = { kind: 'choices' as const, at: [at.up, at.up - 14] };
  const drilled = wheel.drawnAs({ ...wheel.design, freedoms: { dragLinkInner: { up: holes } } });
  expect(drilled.withRod({ dragLinkInner: { ...at, up: at.up - 14 } }).design.dropArm).toEqual(
    wheel.design.dropArm,
  );
  // A kart's drop arm stays on its column.
  const kart = wheelIn(blankBuild('x', 'kingpin').front);
  const { tieRodInner } = kart.points;
  expect(
    kart.withRod({ tieRodInner: { ...tieRodInner, up: tieRodInner.up + 5 } }).design.dropArm,
  ).toEqual(kart.design.dropArm);
});
