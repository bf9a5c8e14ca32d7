import { prepared as ready } from '@/test/layouts';
import { poseCorner } from '@/core/kinematics/axle';
import { distance } from '@/core/geometry/vec';
import { blankBuild } from '@/core/model/starts';
import { drawnAsTyped, drawnAt, kingpinString, onFloor, viewBox, wheelOutlines } from './drawing';

const { front, travel } = blankBuild('x');
const prepared = { axle: ready(front) };
const pose = (t: number, rack = 0) => {
  const found = poseCorner(prepared.axle.left, t, rack);
  if (!found.ok) throw new Error(found.why);
  return drawnAt(prepared.axle.left.drawn, found.upright);
};

it('draws the solved layout at rest where it was typed', () => {
  const [typed, solved] = [drawnAsTyped(prepared.axle.left.drawn), pose(0)];
  for (const name of Object.keys(typed.at) as (keyof typeof typed.at)[])
    expect(distance(typed.at[name], solved.at[name])).toBeLessThan(1e-9);
  expect(distance(typed.spindle, solved.spindle)).toBeLessThan(1e-12);
});

it('puts the left side’s outside to the right from the front, its nose to the left from the side', () => {
  expect(onFloor('front', 1, [10, 600, 200])).toEqual([600, -200]);
  expect(onFloor('side', 1, [10, 600, 200])).toEqual([-10, -200]);
  expect(onFloor('above', 1, [10, 600, 200])).toEqual([-10, 600]);
  expect(onFloor('front', -1, [10, 600, 200])).toEqual([-600, -200]);
});

it('stands the tyre on its contact point, as round as it is', () => {
  const outline = wheelOutlines(pose(0), front.tyre);
  for (const p of outline.side)
    expect(distance(p, [0, 690, 290])).toBeCloseTo(front.tyre.radius, 9);
  expect(Math.min(...outline.side.map((p) => p[2]))).toBeCloseTo(outline.contact[2], 9);
});

it('runs the kingpin string through both ball joints to the ground', () => {
  const drawn = pose(20, 5);
  const [top, foot] = kingpinString(drawn, 3)!;
  expect(foot[2]).toBeCloseTo(3, 9);
  const whole = distance(top, foot);
  for (const joint of [drawn.at['lowerOuter'], drawn.at['upperOuter']])
    expect(distance(top, joint) + distance(joint, foot)).toBeCloseTo(whole, 6);
});

it('has room for the whole corner over its travel', () => {
  for (const view of ['front', 'side', 'above'] as const) {
    const box = viewBox(view, 1, prepared.axle.left.drawn, front.tyre, travel);
    for (const t of [-60, 0, 60])
      for (const p of Object.values(pose(t).at)) {
        const [x, y] = onFloor(view, 1, p);
        expect(x > box.left && x < box.right && y > box.top && y < box.bottom).toBe(true);
      }
  }
});
