import { articulationsOf } from '../clearance/articulation';
import { clearancesAt } from '../clearance/room';
import { toDeg } from '../geometry/angle';
import { dot, sub, unit } from '../geometry/vec';
import { poseCorner, whyNot } from '../kinematics/axle';
import { jointsAt } from '../kinematics/joints';
import { wheelOf } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { startingRoom } from '../model/room';
import { blankBuild } from '../model/starts';
import { lockLimits } from './lockLimits';

jest.setTimeout(120_000);

const build = (change: (build: Build) => void): Build => {
  const made = blankBuild('lock');
  made.travel = { bump: 40, droop: 40 };
  // Out of the way, unless a test asks for them.
  made.room = {
    keepOuts: [],
    wanted: { moving: 0, tyre: 0, ground: 0, ball: 90, rodEnd: 90, shaft: 90 },
  };
  change(made);
  return made;
};
const sidesOf = (of: Build) => ({
  left: wheelOf(of, 'front', 'left'),
  right: wheelOf(of, 'front', 'right'),
});
const TRAVELS = [-40, -20, 0, 20, 40];

/** Goes out from the centre in fine steps, at every travel, until something is so; the rack there, either way. */
function firstByScan(of: Build, way: 1 | -1, isSo: (travel: number, rack: number) => boolean) {
  for (let rack = 0; rack <= of.front.rack!.travel; rack += 0.1)
    if (TRAVELS.some((travel) => isSo(travel, way * rack))) return way * rack;
  return null;
}

it('has the rack’s own end first where nothing comes before it', () => {
  const free = build((made) => (made.front.rack = { travel: 20 }));
  const ways = lockLimits(free, sidesOf(free))!;
  expect(ways.map(({ end, rack, limits }) => [end, rack, limits.length])).toEqual([
    [20, 20, 0],
    [-20, -20, 0],
  ]);
  // Both ways alike, as the sides are.
  expect(ways[0].inner).toBeCloseTo(ways[1].inner, 9);
  expect(ways[0].turn).not.toBe(ways[1].turn);
});

it('finds where a rack that is too long cannot go on, as a scan in tenths of a millimetre does', () => {
  const long = build((made) => (made.front.rack = { travel: 250 }));
  const sides = sidesOf(long);
  const axle = sides.left.solved.ok ? sides.left.solved.axle : null;
  for (const way of lockLimits(long, sides)!) {
    const sign = way.end > 0 ? 1 : -1;
    const scan = firstByScan(long, sign, (travel, rack) =>
      (['left', 'right'] as const).some((side) => whyNot(axle![side], travel, rack) !== ''),
    )!;
    const reach = way.limits.find(({ kind }) => kind === 'reach')!;
    expect(Math.abs(reach.rack - scan)).toBeLessThan(0.2);
    expect(reach.what).toMatch(/over centre|too short|too long|at its end/);
    expect(Math.abs(way.rack)).toBeLessThanOrEqual(Math.abs(reach.rack));
    // No lock is told past a place that cannot be reached.
    for (const side of ['left', 'right'] as const)
      expect(poseCorner(axle![side], 0, way.rack).ok).toBe(true);
  }
});

it('finds where a body is touched by what turns, as a scan with the full clearances does', () => {
  const tight = build((made) => {
    made.front.rack = { travel: 60 };
    const { wheelCentre } = made.front.points;
    made.room!.keepOuts = [
      {
        ...{ kind: 'box', id: 'rail', name: 'rail', axle: 'front' },
        middle: { ahead: 240, out: wheelCentre.out - 190, up: wheelCentre.up },
        size: { ahead: 60, out: 60, up: 60 },
      },
    ];
  });
  const sides = sidesOf(tight);
  const [one] = lockLimits(tight, sides)!;
  const touch = one.limits.find(({ kind, ends }) => kind === 'room' && ends)!;
  expect(touch.what).toBe('the tyre touches the rail');
  const touches = (rack: number) =>
    TRAVELS.some((travel) =>
      (['left', 'right'] as const).some((side) =>
        clearancesAt(tight, sides[side], [{ travel, rack, fullBump: false }])!.some(
          ({ what, to, clearance }) => what === 'tyre' && to === 'rail' && clearance < 0,
        ),
      ),
    );
  for (let rack = 0; rack < touch.rack - 0.3; rack += 6) expect(touches(rack)).toBe(false);
  expect(touches(touch.rack - 0.3)).toBe(false);
  expect(touches(touch.rack + 0.3)).toBe(true);
  expect(one.rack).toBeLessThan(touch.rack);
});

it('finds where the rack’s ball is past its limit: the rod’s own angle, and no more than over the whole way', () => {
  const stiff = build((made) => {
    made.front.rack = { travel: 60 };
    made.room!.wanted.ball = 9;
  });
  const sides = sidesOf(stiff);
  const { left } = sides;
  const corner = left.corner!;
  const rodAt = (travel: number, rack: number) => {
    const pose = poseCorner(corner, travel, rack);
    if (!pose.ok) throw new Error(pose.why);
    const { tieRodInner, tieRodOuter } = jointsAt(corner.drawn, pose.upright);
    return unit(sub(tieRodOuter, tieRodInner));
  };
  const home = rodAt(0, 0);
  const angleAt = (travel: number, rack: number) =>
    toDeg(Math.acos(Math.min(1, dot(rodAt(travel, rack), home))));
  const found = lockLimits(stiff, sides)!.flatMap(({ limits }) =>
    limits.filter(
      ({ kind, side, what }) => kind === 'joint' && side === 'left' && /inner/.test(what),
    ),
  );
  expect(found.length).toBeGreaterThan(0);
  for (const { rack, travel } of found) {
    expect(angleAt(travel, rack)).toBeGreaterThan(9);
    expect(angleAt(travel, rack - Math.sign(rack) * 0.1)).toBeLessThan(9);
  }
  expect(articulationsOf(left)!['tieRodInner'].angle).toBeGreaterThan(9);
});

it('keeps quiet of what is tight straight ahead already, and of arms that do not turn', () => {
  const crowded = build((made) => {
    made.front.rack = { travel: 20 };
    const { lowerOuter, lowerFrontInner } = made.front.points;
    made.room = startingRoom();
    made.room.wanted.rodEnd = made.room.wanted.ball = 90;
    made.room.keepOuts = [
      {
        ...{ kind: 'box', id: 'box', name: 'box', axle: 'front' },
        middle: {
          ahead: (lowerOuter.ahead + lowerFrontInner.ahead) / 2,
          out: (lowerOuter.out + lowerFrontInner.out) / 2,
          up: lowerOuter.up,
        },
        size: { ahead: 30, out: 30, up: 30 },
      },
    ];
  });
  const ways = lockLimits(crowded, sidesOf(crowded))!;
  for (const { limits } of ways)
    expect(limits.filter(({ what }) => what.includes('arm') && what.includes('box'))).toEqual([]);
});

it('names the travels that it could not look at', () => {
  const far = build((made) => {
    made.front.rack = { travel: 20 };
    made.travel = { bump: 500, droop: 40 };
  });
  const sides = sidesOf(far);
  const axle = sides.left.solved.ok ? sides.left.solved.axle : null;
  for (const { missed } of lockLimits(far, sides)!) {
    expect(missed).toContain(500);
    for (const travel of [-40, -20, 0, 250, 500])
      expect(missed.includes(travel)).toBe(whyNot(axle!.left, travel, 0) !== '');
  }
});

it('has no answer where nothing is steered', () => {
  const none = build((made) => delete made.front.rack);
  expect(lockLimits(none, sidesOf(none))).toBeNull();
});
