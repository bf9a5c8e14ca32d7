import { settled, sketched, usualBuild } from '../../test/plans';
import { CORNER_TYPES, typeOf } from '../corners/kinds';
import { wheelOf } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { blankBuild } from '../model/starts';
import { startingBuild, memberId } from '../model/made';
import { nameVariant } from '../model/variants';
import { guideAt } from './guide';
import type { StationState } from './stationStates';
import { STATIONS } from './stations';
import type { Station } from './stations';

const WORDS: StationState = { words: '' };
const at = (
  build: Build,
  station: Station,
  state: StationState = WORDS,
  checks: number | null = 0,
) => guideAt(build, wheelOf(build, 'front', 'left'), station, state, checks);

it('leads from an empty build to what comes first, and names what each station waits for', () => {
  const build = sketched();
  expect(at(build, 'brief')).toEqual({
    waits: null,
    next: expect.stringMatching(/^Set \d+ figures/u),
  });
  expect(at(build, 'rack').waits).toMatchObject({
    for: 'brief',
    why: expect.stringMatching(/^\d+ figures? that count here$/u),
  });
  expect(at(build, 'takeoff').next).toMatch(/Measure the parts/u);
  expect(at(build, 'arms').next).toMatch(/^Set \d+ joints/u);
  // Figures said, joints still a sketch.
  const joints = sketched();
  const isJoint = (path: string) => /\.(ahead|out|up)$/u.test(path);
  for (const one of [joints, joints.front, joints.rear!])
    if (one.sketch) one.sketch = one.sketch.filter(isJoint);
  expect(at(joints, 'brief').next).toBeNull();
  expect(at(joints, 'arms').waits).toBeNull();
  expect(at(joints, 'check').waits).toMatchObject({
    for: 'arms',
    why: expect.stringMatching(/^\d+ joints to set$/u),
  });
  const all = settled(sketched());
  for (const station of STATIONS)
    expect([station, at(all, station).waits]).toEqual([station, null]);
});

it('says what is next once a station can be worked in, and nothing once it is done', () => {
  const build = usualBuild();
  const bad: StationState = { verdict: 'rework', of: 'bump steer 2.00°' };
  const good: StationState = { verdict: 'accept', of: 'bump steer 0.10°' };
  expect(at(build, 'rack', bad).next).toMatch(/Find the shim/u);
  expect(at(build, 'rack', good).next).toBeNull();
  expect(at(build, 'damper').next).toBe('Say how its damper is mounted.');
  expect(at(build, 'shop').next).toBe('Say what arms and rods are made of.');
  const [member] = typeOf(build.front).members;
  build.front.made = { [memberId(member)]: startingBuild(member, undefined) };
  expect(at(build, 'shop', good).next).toBe('Freeze the variant before metal is cut.');
  nameVariant(build, 'first', { frozen: '2026-03-01T09:00:00.000Z' });
  expect(at(build, 'shop', good).next).toBe('Take the sheets.');
  expect(at(build, 'check').next).toMatch(/Begin a check/u);
  expect(at(build, 'check', WORDS, 1).next).toBeNull();
  expect(at(build, 'check', WORDS, null).next).toBeNull();
  expect(at(build, 'plan').next).toMatch(/^Next: /u);
});

it.each(CORNER_TYPES.map(({ kind }) => kind))(
  'has a word for every station of a %s build',
  (kind) => {
    const build = blankBuild('x', kind);
    for (const station of STATIONS) {
      const { next } = at(build, station, { verdict: 'rework', of: '' });
      if (kind.startsWith('kingpin') && !['takeoff', 'setup', 'plan'].includes(station))
        expect(next ?? '').not.toMatch(/bump|travel|shim/u);
    }
  },
);
