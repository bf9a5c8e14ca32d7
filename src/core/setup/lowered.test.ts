import { withShim } from '../bumpsteer/shim';
import { bumpSteerOf } from '../bumpsteer/trial';
import { placesOf } from '../freedoms/freedoms';
import { goldenLeast } from '../geometry/golden';
import { normalsApart } from '../geometry/random';
import { wheelOf } from '../kinematics/wheel';
import type { Wheel } from '../kinematics/wheel';
import { COORDINATES } from '../model/points';
import { blankBuild } from '../model/starts';
import { readAt, runSweep, travelSweep, valueAt } from '../motion/sweep';
import { cureBy, lowered, loweredWheel } from './lowered';

/** A random car, every other one of them nulled where it stands: what is null stays so over the same travel. */
function randomWheel(seed: number): Wheel | null {
  const normal = normalsApart(seed);
  const build = blankBuild('Low');
  for (const point of Object.values(build.front.points))
    for (const coordinate of COORDINATES) point[coordinate] += 10 * normal();
  const wheel = wheelOf(build, 'front', 'left');
  if (!wheel.corner) return null;
  if (seed % 2 === 0) return wheel;
  const worst = (raise: number) => bumpSteerOf(withShim(wheel, raise))?.worst ?? Infinity;
  const raise = goldenLeast(worst, -40, 40, 0.05);
  if (!(worst(raise) < 0.3)) return null;
  build.front.points['tieRodOuter'].up += raise;
  return wheelOf(build, 'front', 'left');
}
const all = Array.from({ length: 24 }, (_, k) => randomWheel(900 + k)).filter(
  (one) => one !== null,
);

it('stands as the same car does so much further up in its travel', () => {
  expect(all.length).toBeGreaterThan(12);
  for (const wheel of all)
    for (const by of [15, -10]) {
      const low = loweredWheel(wheel, by)!;
      // By another way: the drawn wheel moved in its body.
      const moved = readAt(wheel.corner!, by, 0);
      const stands = readAt(low.corner!, 0, 0);
      if (!moved.ok || !stands.ok) throw new Error('out of reach');
      for (const what of ['camber', 'toe', 'caster', 'contactOut'] as const)
        expect(stands.value[what]!).toBeCloseTo(moved.value[what]!, 6);
      expect(low.travel).toEqual({
        bump: wheel.travel.bump - by,
        droop: wheel.travel.droop + by,
      });
      // What it steers by is read off the drawn wheel's own curve about that height.
      const sweep = travelSweep(wheel.travel, 241);
      expect(runSweep(wheel.corner!, sweep)).toBe(sweep.count);
      const worst = Math.max(
        ...Array.from(sweep.travel, (_, i) => Math.abs(valueAt(sweep, i, 'toe') - moved.value.toe)),
      );
      expect(lowered(wheel, by)!.after.bump).toBeCloseTo(worst, 3);
    }
});

it('finds what every place of a joint has best, and cures what it says it cures', () => {
  let cured = 0;
  for (const wheel of all.slice(0, 10)) {
    const low = loweredWheel(wheel, 20)!;
    const now = bumpSteerOf(low)!.worst;
    for (const point of ['tieRodInner', 'tieRodOuter']) {
      const at = low.points[point];
      const bumpAt = (raise: number) =>
        bumpSteerOf(low.withRod({ [point]: { ...at, up: at.up + raise } }))?.worst ?? Infinity;
      const least = Math.min(...Array.from({ length: 161 }, (_, i) => bumpAt(-60 + 0.75 * i)));
      const cure = cureBy(wheel, low, point, now);
      if (!cure) {
        expect(least).toBeGreaterThan(now - 0.02);
        continue;
      }
      cured++;
      expect(cure.bump).toBeLessThanOrEqual(least + 2e-3);
      expect(bumpAt(cure.by)).toBeCloseTo(cure.bump, 9);
    }
    const { cures } = lowered(wheel, 20)!;
    expect([...cures].sort((a, b) => a.bump - b.bump)).toEqual(cures);
  }
  expect(cured).toBeGreaterThan(5);
});

it('takes the best of the places that a freedom has', () => {
  let told = 0;
  for (const [k, wheel] of all.slice(0, 10).entries()) {
    const { up } = wheel.design.points['tieRodOuter'];
    const freedoms = [
      { kind: 'choices' as const, at: [-9, -4, 0, 3, 8, 14].map((by) => up + by) },
      { kind: 'range' as const, min: up - 10, max: up + 12, step: 2.5 },
      { kind: 'shims' as const, base: up, stock: [1.6, 3.2], most: 3, way: -1 as const },
    ];
    const freedom = freedoms[k % 3];
    const free = wheel.drawnAs({ ...wheel.design, freedoms: { tieRodOuter: { up: freedom } } });
    const low = loweredWheel(free, 20)!;
    const at = low.points['tieRodOuter'];
    const bumpAt = (by: number) =>
      bumpSteerOf(low.withRod({ tieRodOuter: { ...at, up: at.up + by } }))?.worst ?? Infinity;
    const places =
      freedom.kind === 'range'
        ? Array.from({ length: 9 }, (_, i) => freedom.min + 2.5 * i)
        : placesOf(freedom, up)!;
    const least = Math.min(...places.map((place) => bumpAt(place - up)));
    const now = bumpSteerOf(low)!.worst;
    const cure = cureBy(free, low, 'tieRodOuter', now);
    if (!cure) {
      expect(least).toBeGreaterThan(now - 0.011);
      continue;
    }
    told++;
    expect(cure.bump).toBeCloseTo(least, 9);
  }
  expect(told).toBeGreaterThan(2);
});

it('goes no further than a joint’s freedom, and no lower than the travel', () => {
  const build = blankBuild('Low');
  const { up } = build.front.points['tieRodOuter'];
  build.front.freedoms = { tieRodOuter: { up: { kind: 'choices', at: [up - 5, up, up + 5] } } };
  const wheel = wheelOf(build, 'front', 'left');
  const cure = lowered(wheel, 25)!.cures.find(({ point }) => point === 'tieRodOuter');
  if (cure) expect([-5, 5]).toContain(Math.round(cure.by * 1e6) / 1e6);
  expect(lowered(wheel, wheel.travel.bump + 1)).toBeNull();
  expect(lowered(wheel, -wheel.travel.droop - 1)).toBeNull();
  const kart = blankBuild('Kart', 'kingpin');
  expect(lowered(wheelOf(kart, 'front', 'left'), 5)).toBeNull();
});
