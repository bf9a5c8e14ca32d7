import { aDamper, damped } from '../../test/dampers';
import { clearancesOf } from '../clearance/room';
import type { Closest } from '../clearance/room';
import { stationStates } from './stationStates';
import { Wheel } from '../kinematics/wheel';
import { briefOf } from '../model/brief';
import type { Build } from '../model/build';
import type { Damper } from '../model/damper';
import { setDamper } from '../model/damperStart';
import { startingStrength } from '../model/loads';
import { blankBuild } from '../model/starts';
import { travelEnds } from '../damper/ends';
import { judgeDamper, judgeLoads, judgeReserve } from './damper';

const buildWith = (more: Partial<Damper>): Build => ({
  ...blankBuild('x'),
  front: damped('double-wishbone', aDamper({ by: 'direct', on: 'lowerArm' }, more)),
});
const wheelOf = (build: Build) => new Wheel('front', 'left', build.front, build.travel);
const stateOf = (build: Build, clearances: Closest[] = []) => {
  const wheel = wheelOf(build);
  const damper = [...judgeDamper(build, wheel), ...judgeLoads(build, wheel)];
  const rest = { bumpSteer: null, gain: null, articulations: null, steering: null };
  const known = { ...rest, clearances, damper };
  return stationStates(build, wheel, briefOf(build).targets, known).damper;
};

describe('what is judged of a damper', () => {
  it('is reworked where something ends the travel short, with the figure that was found', () => {
    const build = buildWith({ unit: { closed: 330, open: 600, outside: 40 }, spring: undefined });
    const end = travelEnds(build, wheelOf(build))!.bump!;
    expect(end.travel).toBeLessThan(60);
    expect(judgeDamper(build, wheelOf(build))[0]).toEqual({
      verdict: 'rework',
      of: `${end.what} at ${end.travel.toFixed(0)} mm bump of 60 mm`,
    });
    // Asked for less, it is enough.
    build.front.damper!.wanted = { bump: Math.floor(end.travel) };
    expect(judgeDamper(build, wheelOf(build))[0].verdict).toBe('accept');
  });

  it('looks again at a spring that is loose before the droop is used up', () => {
    const loose = buildWith({
      unit: { closed: 200, open: 400, outside: 40 },
      spring: { rate: 40, free: 200, bind: 80, preload: -30 },
    });
    const words = judgeDamper(loose, wheelOf(loose)).map(({ of }) => of);
    expect(words.join()).toMatch(/spring \d+ mm loose at 60 mm droop/u);
  });

  it('is in what its body is in, and in nothing else’s way', () => {
    const build = buildWith({ unit: { closed: 200, open: 500, outside: 110 }, spring: undefined });
    const all = clearancesOf(build, wheelOf(build))!;
    const worst = all.find(({ ofDamper }) => ofDamper)!;
    expect(stateOf(build, all)).toMatchObject({
      verdict: 'rework',
      of: expect.stringContaining(`into ${worst.to}`) as string,
    });
    expect(
      stateOf(
        build,
        all.filter(({ ofDamper }) => !ofDamper),
      ),
    ).toMatchObject({
      verdict: 'accept',
    });
  });

  it('says what it waits for: a damper, its places, its lengths', () => {
    const bare = blankBuild('x');
    expect(stateOf(bare)).toEqual({ words: 'none drawn yet' });
    setDamper(bare.front, { by: 'direct', on: 'lowerArm' });
    expect(stateOf(bare)).toEqual({ words: 'sketch: 2 joints to set' });
    const drawn = buildWith({ unit: undefined, spring: undefined });
    expect(stateOf(drawn)).toMatchObject({ verdict: 'accept' });
    expect(stateOf(blankBuild('x', 'kingpin'))).toEqual({ words: 'not described yet' });
  });

  it('tells the part that gives first, against the reserve that is wanted', () => {
    const build = buildWith({ unit: { closed: 200, open: 500, outside: 30 }, spring: undefined });
    build.front.strength = { ...startingStrength(), joints: { upperOuter: { rated: 900 } } };
    expect(stateOf(build)).toMatchObject({
      verdict: 'rework',
      of: expect.stringMatching(/^upper ball joint, reserve 0\.\d by estimate$/u) as string,
    });
  });

  it('accepts a reserve from what is wanted on, looks again down to one', () => {
    expect([3, 2, 1.9, 1, 0.99].map((reserve) => judgeReserve(reserve))).toEqual([
      'accept',
      'accept',
      'look again',
      'look again',
      'rework',
    ]);
    expect(judgeReserve(3, 4)).toBe('look again');
  });
});
