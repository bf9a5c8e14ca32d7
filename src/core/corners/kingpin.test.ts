import { articulationsOf } from '../clearance/articulation';
import { positionsOf } from '../clearance/positions';
import { readBuildFile, writeBuildFile } from '../file/buildFile';
import { layoutProblems } from '../file/check';
import { stationStates } from '../judging/stationStates';
import { drawnCorner } from '../kinematics/axle';
import { jointsAt } from '../kinematics/joints';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { wheelOf } from '../kinematics/wheel';
import { briefOf, startingBrief } from '../model/brief';
import type { Build } from '../model/build';
import { blankBuild, changeKind, newBuild } from '../model/starts';
import { toSet } from '../model/sketch';
import { bumpSteer } from '../motion/bumpSteer';
import { steeringOf } from '../steering/steering';
import { Assembly } from '../tolerance/assembly';
import { offsetCount, offsetOf } from '../tolerance/joints';
import { staticQuantities } from '../upright/staticQuantities';
import { widthOver } from '../upright/width';
import { prepared } from '../../test/layouts';
import { kingpin } from './kingpin';

const kart = (change: (build: Build) => void = () => undefined): Build => {
  const build = blankBuild('Kart', 'kingpin');
  change(build);
  return build;
};

it('is a file like others: no travel, one steering unit, a shaft that has a direction', () => {
  const build = kart();
  expect(build.travel).toEqual({ bump: 0, droop: 0 });
  expect(readBuildFile(writeBuildFile(build))).toEqual({ ok: true, value: build });
  const said = (change: (build: Build) => void) =>
    readBuildFile(JSON.stringify(kart(change))) as { ok: false; problems: { message: string }[] };
  const both = said((b) => (b.front.rack = { travel: 30 }));
  expect(both.problems[0]).toMatchObject({
    path: 'front.dropArm',
    message: expect.stringContaining('one of the two'),
  });
  const bent = said((b) => (b.front.dropArm!.upper = { ...b.front.dropArm!.lower }));
  expect(bent.problems[0].message).toContain('both points of its shaft in one place');
  const wishbone = blankBuild('x');
  expect(
    readBuildFile(
      JSON.stringify({ ...wishbone, front: { ...wishbone.front, dropArm: build.front.dropArm } }),
    ),
  ).toMatchObject({ ok: false });
});

it('has travel where another axle has some, and then at least a millimetre', () => {
  const build = kart();
  expect(layoutProblems(build)).toEqual([]);
  const sprung = { ...build, rear: blankBuild('x', undefined, 'trailing-arm').rear! };
  expect(layoutProblems(sprung).map(({ path }) => path)).toEqual(['travel.bump', 'travel.droop']);
  expect(layoutProblems({ ...sprung, travel: { bump: 30, droop: 30 } })).toEqual([]);
  // The kart's own wheel has none whatever the car has.
  expect(wheelOf({ ...sprung, travel: { bump: 30, droop: 30 } }, 'front', 'left').travel).toEqual({
    bump: 0,
    droop: 0,
  });
});

it('asks a new kart for its shaft and lock, not for travel', () => {
  const build = newBuild({ name: 'K', front: 'kingpin' });
  expect(build.sketch).toEqual(['wheelbase']);
  // Wheelbase, tyre, lock and six coordinates of the shaft.
  expect(toSet(build, build.front)).toEqual({ joints: 5, figures: 9 });
});

it('becomes a car with travel and a rack, and a kart again, its targets going along', () => {
  const build = kart((b) => (b.brief = startingBrief(b)));
  expect(build.brief!.targets.caster).toEqual([12, 21]);
  expect(briefOf({ use: 'kart' }).targets.caster).toEqual([6, 8]);
  changeKind(build, 'front', 'double-wishbone');
  expect(build.travel).toEqual({ bump: 60, droop: 60 });
  expect(build.sketch).toEqual(['travel.bump', 'travel.droop']);
  expect(build.front).toMatchObject({ rack: { travel: 65 } });
  expect(build.front.dropArm).toBeUndefined();
  expect(build.brief!.targets.caster).toEqual([6, 8]);
  changeKind(build, 'front', 'kingpin');
  expect(build.front.rack).toMatchObject({ travel: 65 });
  expect(build.brief!.targets.caster).toEqual([12, 21]);
  expect(layoutProblems(build)).toEqual([]);
});

it('is judged by its width, its kingpin and its steering, never by bumps it does not have', () => {
  const states = (change: (build: Build) => void = () => undefined) => {
    const build = kart(change);
    const wheel = wheelOf(build, 'front', 'left');
    return stationStates(build, wheel, briefOf(build).targets, {
      bumpSteer: bumpSteer(wheel.corner!, build.travel),
      gain: null,
      clearances: [],
      articulations: articulationsOf(wheel),
      steering: steeringOf(build),
    });
  };
  const fine = states();
  expect(JSON.stringify(fine)).not.toMatch(/bump|camber|travel/);
  expect(fine.arms).toMatchObject({ verdict: 'accept' });
  expect(fine.rack).toMatchObject({ verdict: 'accept' });
  const wide = states((build) => {
    build.brief = startingBrief(build);
    build.brief.limits = { width: widthOver(build.front, 'hub') - 4, widthAt: 'hub' };
  });
  expect(wide.arms).toMatchObject({
    verdict: 'rework',
    of: expect.stringMatching(/over the tyres/),
  });
});

it('is looked at in one place straight ahead and four turned', () => {
  const at = positionsOf({ bump: 0, droop: 0 }, 40);
  expect(at.map(({ travel, rack }) => [travel, rack])).toEqual([
    [0, 0],
    [0, -20],
    [0, 20],
    [0, -40],
    [0, 40],
  ]);
});

it('articulates its rod’s inner end against a bolt along the shaft, which turns with the arm', () => {
  const build = kart((b) => (b.front.dropArm!.lock = 35));
  const wheel = wheelOf(build, 'front', 'left');
  const { tieRodInner } = articulationsOf(wheel)!;
  const { lower, upper } = build.front.dropArm!;
  const shaft = [upper.ahead - lower.ahead, upper.left - lower.left, upper.up - lower.up];
  const upright = new Float64Array(UPRIGHT_SIZE);
  let most = 0;
  for (const turn of [0, -17.5, 17.5, -35, 35]) {
    expect(wheel.corner!.corner.pose(0, turn, upright)).toBe(true);
    const { tieRodInner: a, tieRodOuter: b } = jointsAt(drawnCorner(build.front, 'left'), upright);
    const rod = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const dot = rod.reduce((sum, x, i) => sum + x * shaft[i], 0);
    const angle =
      (Math.asin(Math.abs(dot) / Math.hypot(...rod) / Math.hypot(...shaft)) * 180) / Math.PI;
    most = Math.max(most, angle);
  }
  expect(tieRodInner.angle).toBeCloseTo(most, 9);
});

it('leans as its bosses do: one welded a degree off takes the wheel with it', () => {
  const { front } = kart();
  const drawn = drawnCorner(front, 'left');
  const offsets = new Float64Array(offsetCount(kingpin));
  const { kingpinLower: low, kingpinUpper: top } = front.points;
  const long = Math.hypot(top.ahead - low.ahead, top.out - low.out, top.up - low.up);
  // The stub's own bore a degree off, seen from the front: its upper end inboard on the stub.
  offsets[offsetOf(kingpin, 'kingpinUpper') + 1] = -long * Math.sin(Math.PI / 180);
  const built = new Assembly(drawn).build(offsets)!;
  // The frame's boss stands as it did, so that the wheel leans the other way by as much, but for caster's share.
  expect(built.points['kingpinUpper'].out).toBeCloseTo(top.out, 0);
  expect(Math.abs(built.static.camber - front.static.camber)).toBeGreaterThan(0.9);
  expect(Math.abs(built.static.camber - front.static.camber)).toBeLessThan(1.1);
  expect(built.static.toe).toBe(front.static.toe);
  expect(staticQuantities(front, 'left').kpi).toBeCloseTo(11, 0);
  expect(prepared(front).left.steersBy).toBe('drop arm');
});
