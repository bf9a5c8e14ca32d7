import { blankBuild } from '../model/starts';
import { clearancesOf } from './room';
import { roomSchema, startingRoom } from '../model/room';
import type { KeepOut } from '../model/room';
import { wheelOf } from '../kinematics/wheel';

const box = (ahead: number, out: number, up: number, size = 40): KeepOut => ({
  kind: 'box',
  id: 'b',
  name: 'frame rail',
  axle: 'front',
  middle: { ahead, out, up },
  size: { ahead: size, out: size, up: size },
});
const pipe: KeepOut = {
  kind: 'cylinder',
  id: 'p',
  name: 'exhaust',
  axle: 'front',
  from: { ahead: -300, out: 200, up: 120 },
  to: { ahead: 300, out: 200, up: 120 },
  diameter: 50,
};
const withBodies = (...keepOuts: KeepOut[]) => {
  const build = blankBuild('x');
  build.room = { ...startingRoom(), keepOuts };
  return build;
};
const find = (build: ReturnType<typeof blankBuild>, what: string, to: string) =>
  clearancesOf(build, wheelOf(build, 'front', 'left'))!.find(
    (one) => one.what === what && one.to === to,
  )!;

it('finds the position in which a tube comes closest to a body', () => {
  // Over the lower arm: closest at full bump. Under it: at full droop.
  const above = find(withBodies(box(0, 600, 330)), 'lower arm, front tube', 'frame rail');
  expect(above.travel).toBe(60);
  const below = find(withBodies(box(0, 600, 40)), 'lower arm, front tube', 'frame rail');
  expect(below.travel).toBe(-60);
  expect(above.clearance).toBeGreaterThan(0);
});

it('measures a clearance that can be checked by hand', () => {
  // A level arm's pivot end stays put: 250 out, 180 up, tube 12.5. The exhaust's skin is at 225, 120.
  const { clearance } = find(withBodies(pipe), 'lower arm, front tube', 'exhaust');
  expect(clearance).toBeLessThanOrEqual(Math.hypot(50, 60) - 25 - 12.5 + 0.1);
  expect(clearance).toBeGreaterThan(30);
});

it('says when something goes through something, and puts the tightest first', () => {
  const build = withBodies(box(100, 400, 178, 60));
  const list = clearancesOf(build, wheelOf(build, 'front', 'left'))!;
  expect(list[0]).toMatchObject({ to: 'frame rail' });
  expect(list[0].clearance).toBeLessThan(0);
  for (let i = 1; i < list.length; i++)
    expect(list[i].clearance - list[i].wanted).toBeGreaterThanOrEqual(
      list[i - 1].clearance - list[i - 1].wanted,
    );
});

it('looks at the tyre turned to full lock', () => {
  const wing = box(-250, 480, 290, 30);
  const { rack, clearance } = find(withBodies(wing), 'tyre', 'frame rail');
  expect(Math.abs(rack)).toBe(65);
  const straight = withBodies(wing);
  straight.front.rack!.travel = 1;
  expect(find(straight, 'tyre', 'frame rail').clearance).toBeGreaterThan(clearance + 20);
});

it('counts the ground at full bump', () => {
  const ground = find(blankBuild('x'), 'lower ball joint', 'the ground at full bump');
  // 175 up at ride height; the chassis comes down by 60 over the wheel, the joint stays with the wheel.
  expect(ground.clearance).toBeCloseTo(175 - 18, -1);
  const pivot = find(blankBuild('x'), 'lower arm front pivot', 'the ground at full bump');
  expect(pivot.clearance).toBeCloseTo(180 - 60 - 18, 6);
});

it('counts the ground at full bump whatever figure the travel is', () => {
  for (let n = 0; n < 40; n++) {
    const build = blankBuild('x');
    build.travel = { bump: 40 + 0.37 * n, droop: 50 + 0.13 * n };
    const pivot = find(build, 'lower arm front pivot', 'the ground at full bump');
    expect(pivot.clearance).toBeCloseTo(180 - build.travel.bump - 18, 6);
  }
});

it('takes the tie rod as thick as the layout says it is', () => {
  const beside = (outside?: number) => {
    const build = withBodies(box(-115, 450, 300));
    if (outside !== undefined) build.front.tieRod = { outside };
    return find(build, 'tie rod', 'frame rail').clearance;
  };
  expect(beside() - beside(26)).toBeCloseTo(5, 6);
});

it('never says clear of a body that the tyre swallows at lock, or that lies in the rubber', () => {
  const { wheelCentre } = blankBuild('x').front.points;
  // A bolt's head in the middle of the tyre's section, under the wheel's centre.
  const inside = find(withBodies(box(0, wheelCentre.out, 70, 8)), 'tyre', 'frame rail');
  expect(inside.clearance).toBeLessThan(-20);
});

it('has nothing to say of a layout that cannot be solved, and refuses odd bodies in words', () => {
  const broken = blankBuild('x');
  broken.front.points['upperOuter'] = { ...broken.front.points['lowerOuter'] };
  expect(clearancesOf(broken, wheelOf(broken, 'front', 'left'))).toBeNull();
  expect(wheelOf(blankBuild('x'), 'rear', 'left')).toBeNull();
  const odd = { keepOuts: [{ ...box(0, 0, 0), size: { ahead: 0, out: 1, up: 1 } }], wanted: {} };
  const parsed = roomSchema.safeParse(odd);
  expect(parsed.error!.issues.map(({ message }) => message)).toContain('is 0: at least 1 mm');
});
