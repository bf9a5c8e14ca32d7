import { aColumn } from '../../test/columns';
import fc from 'fast-check';
import { bumpSteerOf } from '../bumpsteer/trial';
import { distance, scale, add, sub, unit } from '../geometry/vec';
import { poseCorner } from '../kinematics/axle';
import { jointsAt } from '../kinematics/joints';
import { wheelOf } from '../kinematics/wheel';
import type { AxleDesign, Build } from '../model/build';
import { STARTER_SHELF } from '../model/starterShelf';
import { STARTING_LOADS, ASSUMED } from '../model/rod';
import { blankBuild } from '../model/starts';
import { readAt } from '../motion/sweep';
import { rodStrength } from '../strength/rodStrength';
import { anyLayout, parallelArms, prepared } from '../../test/layouts';
import { moveRack, rackDoubts, rackPlace } from './moveRack';
import { rackEnd } from './spacers';
import { OUTER_END, tryInnerRod, tryRack, withRack } from './tryRacks';

const car = (front: AxleDesign): Build => ({
  ...blankBuild('rack'),
  travel: { bump: 20, droop: 20 },
  front: { ...front, rack: { travel: 40, perTurn: 44 } },
});
const layouts = fc.sample(anyLayout, { numRuns: 12, seed: 17 });

it('moves a rack as one body, there and back again', () => {
  const { front } = blankBuild('x');
  const right = structuredClone(front.points);
  right['tieRodInner'].out += 7;
  const design = { ...front, rightPoints: right };
  const by = { ahead: 12, up: -3, out: 0 };
  const moved = moveRack(design, by);
  expect(moved.points['tieRodInner'].ahead).toBe(front.points['tieRodInner'].ahead + 12);
  expect(moved.rightPoints!['tieRodInner'].up).toBe(right['tieRodInner'].up - 3);
  expect(moved.points['tieRodOuter']).toEqual(front.points['tieRodOuter']);
  expect(moveRack(moved, { ahead: -12, up: 3, out: 0 })).toEqual(design);
});

it('tapes from the mark to the rod what many places along the rod give at the least', () => {
  for (const design of layouts) {
    const build = car(design);
    const place = rackPlace(build, build.front, 120)!;
    const wheel = wheelOf(build, 'front', 'left');
    const member = wheel.type.members.find(({ name }) => name === place.tube)!;
    const onUpright = wheel.type.points[member.to].on === 'upright';
    const [inner, outer] = onUpright ? [member.from, member.to] : [member.to, member.from];
    for (const taped of place.taped) {
      if (!taped) continue;
      const pose = poseCorner(wheel.corner!, 0, taped.rack);
      if (!pose.ok) throw new Error(pose.why);
      const at = jointsAt(wheel.drawn, pose.upright);
      const mark = add(at[outer], scale(unit(sub(at[inner], at[outer])), 120));
      const rod = sub(at['tieRodOuter'], at['tieRodInner']);
      const least = Math.min(
        ...Array.from({ length: 20001 }, (_, i) =>
          distance(mark, add(at['tieRodInner'], scale(rod, i / 20000))),
        ),
      );
      expect(taped.gap).toBeCloseTo(least - member.diameter / 2 - ASSUMED.outside / 2, 2);
    }
    expect(place.steer).toBeCloseTo(bumpSteerOf(wheel)!.worst, 9);
  }
});

it('tells angles that are plain in a square layout: along the rack, square to the arm', () => {
  const build = car(parallelArms());
  const [straight] = rackPlace(build, build.front, 100)!.taped;
  expect(straight!.toRack).toBeCloseTo(0, 6);
  expect(straight!.toArm).toBeCloseTo(90, 6);
});

it('names what comes too near with the rack elsewhere, and the other way round what is cleared', () => {
  const build = car(blankBuild('x').front);
  const { tieRodInner } = build.front.points;
  build.room = {
    keepOuts: [
      {
        ...{ kind: 'box', id: 'sump', name: 'sump', axle: 'front' },
        middle: { ...tieRodInner, ahead: tieRodInner.ahead + 90, out: 0 },
        size: { ahead: 60, out: 2 * tieRodInner.out, up: 60 },
      },
    ],
    wanted: { moving: 10, tyre: 20, ground: 60 },
  };
  const near = moveRack(build.front, { ahead: 60, up: 0, out: 0 });
  const there = rackDoubts(build, build.front, near);
  expect(there.worse.some((one) => /sump/.test(one))).toBe(true);
  const back = rackDoubts(build, near, build.front);
  expect(back.cleared.some((one) => /sump/.test(one))).toBe(true);
  expect(back.worse.some((one) => /sump/.test(one))).toBe(false);
});

it('splits the rod’s force at the rack’s end by its angle, and bends the bar by the offset', () => {
  const build = car(parallelArms());
  const wheel = wheelOf(build, 'front', 'left');
  const { kerbForce } = rodStrength(wheel, { ...STARTING_LOADS, ...ASSUMED })!;
  const end = rackEnd(build, wheel, 20)!;
  expect(end.force).toBeCloseTo(kerbForce, 6);
  const corner = wheel.corner!;
  const sides = [0, 40, -40].map((rack) => {
    const pose = poseCorner(corner, 0, rack);
    if (!pose.ok) throw new Error(pose.why);
    const { tieRodInner, tieRodOuter } = jointsAt(wheel.drawn, pose.upright);
    const [ahead, , up] = sub(tieRodOuter, tieRodInner);
    return (kerbForce * Math.hypot(ahead, up)) / distance(tieRodOuter, tieRodInner);
  });
  expect(end.side).toBeCloseTo(Math.max(...sides), 6);
  // Straight ahead the rod lies along the rack: all of the force has the offset as its lever.
  expect(end.bending).toBeCloseTo(20 * kerbForce, 6);
  expect(rackEnd(build, wheel, 0)!.bending).toBe(0);
});

it('puts every rack of the shelf in place and measures it afresh', () => {
  const racks = STARTER_SHELF.filter((part) => part.kind === 'rack');
  for (const design of layouts.slice(0, 4)) {
    const build = car(design);
    for (const part of racks) {
      const tried = tryRack(build, part);
      const { points, rack } = tried.design;
      expect(2 * points['tieRodInner'].out).toBeCloseTo(part.between, 9);
      expect(rack).toMatchObject({ travel: part.travel, perTurn: part.perTurn });
      const wheel = wheelOf({ ...build, front: tried.design }, 'front', 'left');
      if (!wheel.solved.ok) continue;
      const { left } = wheel.solved.axle;
      const [on, off] = [readAt(left, 0, 0.05), readAt(left, 0, -0.05)];
      if (on.ok && off.ok && tried.ratio !== null)
        expect(tried.ratio).toBeCloseTo(
          360 / part.perTurn / (Math.abs(on.value.toe - off.value.toe) / 0.1),
          2,
        );
      // Moved onto the null line it leaves less than where it is, put in and measured.
      if (
        tried.toNull &&
        tried.steer !== null &&
        Math.hypot(tried.toNull.ahead, tried.toNull.up) > 2
      ) {
        const nulled = moveRack(tried.design, { ...tried.toNull, out: 0 });
        const steer = bumpSteerOf(wheelOf({ ...build, front: nulled }, 'front', 'left'));
        expect(steer!.worst).toBeLessThan(tried.steer);
      }
      expect(tried.rod).toBeCloseTo(
        Math.hypot(
          points['tieRodInner'].ahead - points['tieRodOuter'].ahead,
          points['tieRodInner'].out - points['tieRodOuter'].out,
          points['tieRodInner'].up - points['tieRodOuter'].up,
        ),
        9,
      );
    }
  }
});

it('keeps the middle of a rack that sits off the centreline', () => {
  const { front } = blankBuild('x');
  const right = structuredClone(front.points);
  right['tieRodInner'].out -= 30;
  const [part] = STARTER_SHELF.filter((one) => one.kind === 'rack');
  const design = withRack({ ...front, rightPoints: right }, part);
  expect(design.points['tieRodInner'].out - design.rightPoints!['tieRodInner'].out).toBeCloseTo(
    30,
    9,
  );
  expect(design.points['tieRodInner'].out + design.rightPoints!['tieRodInner'].out).toBeCloseTo(
    part.between,
    9,
  );
  expect(prepared(design).left.corner).not.toBe(prepared(design).right.corner);
});

it('judges an inner rod by its thread on the rack, however it is written, and by its length', () => {
  const [part] = STARTER_SHELF.filter((one) => one.kind === 'innerRod');
  expect(tryInnerRod(part, 'm14×1.5', 340)).toMatchObject({
    fitsRack: true,
    left: 340 - part.length,
  });
  expect(tryInnerRod(part, 'M12 x 1.5', 340).fitsRack).toBe(false);
  expect(tryInnerRod(part, undefined, 340).fitsRack).toBeNull();
  expect(tryInnerRod(part, undefined, part.length + OUTER_END.least - 1).tooLong).toBe(true);
  expect(tryInnerRod(part, undefined, part.length + OUTER_END.most + 1).tooShort).toBe(true);
});

it('takes the column’s pinion along with the rack', () => {
  const { front } = blankBuild('x');
  const moved = moveRack({ ...front, column: aColumn() }, { ahead: -12, up: 7, out: 5 });
  const { foot, tip } = aColumn().pinion;
  const by = ({ ahead, left, up }: typeof foot) => ({ ahead: ahead - 12, left, up: up + 7 });
  expect(moved.column!.pinion).toMatchObject({ foot: by(foot), tip: by(tip), reach: 34 });
  expect(moved.column!.wheel).toEqual(aColumn().wheel);
});
