import { MOUNTINGS, aDamper, damped } from '../../test/dampers';
import { articulationsOf } from '../clearance/articulation';
import { clearancesOf } from '../clearance/room';
import { readBuildFile, writeBuildFile } from '../file/buildFile';
import { readPointsCsv, writePointsCsv } from '../file/pointsCsv';
import { Wheel } from '../kinematics/wheel';
import type { AxleDesign, Build } from '../model/build';
import { asKind, blankBuild } from '../model/starts';
import { readAt } from '../motion/sweep';
import { numbersOf } from '../takeoff/places';
import { sensitivities } from '../tolerance/sensitivity';

describe.each(MOUNTINGS)('$kind with a damper, $by on $on', ({ kind, ...mounting }) => {
  const bare: Build = blankBuild('x', kind);
  const damper = aDamper(mounting);
  const with_: Build = { ...bare, front: { ...damped(kind, damper), ...marks(bare.front) } };
  const wheel = (build: Build) => new Wheel('front', 'left', build.front, build.travel);

  it('is the corner that it was in all that it does and is judged by', () => {
    const [a, b] = [bare, with_].map(wheel);
    for (const travel of [-30, 0, 40])
      expect(readAt(b.corner!, travel, 5)).toEqual(readAt(a.corner!, travel, 5));
    expect(sensitivities(with_, b)).toEqual(sensitivities(bare, a));
    expect(numbersOf(with_, b)).toEqual(numbersOf(bare, a));
    const others = clearancesOf(with_, b)!.filter(({ ofDamper }) => !ofDamper);
    expect(others).toEqual(clearancesOf(bare, a));
    expect(articulationsOf(b)).toMatchObject(articulationsOf(a)!);
  });

  it('comes back from its file and its table as it went', () => {
    expect(readBuildFile(writeBuildFile(with_))).toEqual({ ok: true, value: with_ });
    const { type, points } = wheel(with_);
    expect(readPointsCsv(type, writePointsCsv(type, points))).toEqual({ ok: true, value: points });
  });

  it('keeps its damper where another kind of corner carries it too, and lets it go where none does', () => {
    const same = asKind(with_.front, kind, 'front');
    expect(same.damper).toEqual(damper);
    expect(same.points).toEqual(with_.front.points);
    const kart = asKind(with_.front, 'kingpin', 'front');
    expect(kart.damper).toBeUndefined();
    expect(Object.keys(kart.points)).toEqual(Object.keys(blankBuild('x', 'kingpin').front.points));
  });
});

/** What a blank axle is besides its points. */
function marks({ points: _, ...rest }: AxleDesign): Omit<AxleDesign, 'points'> {
  return rest;
}
