import { answer, settled, sketched, usualBuild } from '../../test/plans';
import { CORNER_TYPES, typeOf } from '../corners/kinds';
import { wheelOf } from '../kinematics/wheel';
import type { Build, KeptCheck } from '../model/build';
import { blankBuild } from '../model/starts';
import { startingBuild, memberId } from '../model/made';
import { nameVariant } from '../model/variants';
import { planNow } from '../plan/states';
import { standsOn } from '../plan/stood';
import { noteDone } from '../plan/write';
import { guideAt } from './guide';
import type { GuideKnown } from './guide';
import type { StationState } from './stationStates';
import { STATIONS } from './stations';
import type { Station } from './stations';

const WORDS: StationState = { words: '' };
const at = (
  build: Build,
  station: Station,
  state: StationState = WORDS,
  known: Partial<GuideKnown> = {},
) =>
  guideAt(build, wheelOf(build, 'front', 'left'), station, state, {
    ...{ checks: [], oldSheets: 0 },
    ...known,
  });
const GOOD: StationState = { verdict: 'accept', of: 'something' };

/** A check as it was begun on a build's axle, with nothing read yet. */
const checkOn = (build: Build, axle: 'front' | 'rear', begun: string): KeptCheck =>
  ({
    ...{ id: begun, name: begun, axle, sides: 'both', begun },
    ...{ drawn: structuredClone(build[axle]!), rounds: [], readings: [] },
  }) as unknown as KeptCheck;

it('leads from an empty build to what comes first, and names what each station waits for', () => {
  const build = sketched();
  expect(at(build, 'brief')).toEqual({
    ...{ waits: null, old: null, done: false },
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
  expect(
    at(build, 'check', WORDS, { checks: [checkOn(build, 'front', '2026-03-02')] }).next,
  ).toBeNull();
  expect(at(build, 'check', WORDS, { checks: null }).next).toBeNull();
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

describe('what was done before a change', () => {
  it('is old at the check where a joint of its axle is elsewhere since the last one, and there alone', () => {
    const build = usualBuild();
    const first = checkOn(build, 'front', '2026-03-01');
    expect(at(build, 'check', GOOD, { checks: [first] })).toMatchObject({ old: null, done: true });
    const [name] = Object.keys(build.front.points) as (keyof typeof build.front.points)[];
    build.front.points[name].up += 0.4;
    const moved = at(build, 'check', GOOD, { checks: [first] });
    expect(moved).toMatchObject({ old: 'checked before the last change', done: false });
    // One that was begun since is what counts, wherever it stands in the list; one of the other axle does not.
    const again = checkOn(build, 'front', '2026-03-05');
    expect(at(build, 'check', GOOD, { checks: [again, first] }).old).toBeNull();
    expect(at(build, 'check', GOOD, { checks: [first, again] }).old).toBeNull();
    const other = { ...again, axle: 'rear' as const };
    expect(at(build, 'check', GOOD, { checks: [first, other] }).old).not.toBeNull();
    build.front.points[name].up -= 0.4;
    expect(at(build, 'check', GOOD, { checks: [first] }).old).toBeNull();
    expect(at(build, 'rack', GOOD, { checks: [again] }).old).toBeNull();
  });

  it('is old at the sheets and at the steps', () => {
    const build = usualBuild();
    expect(at(build, 'shop', GOOD, { oldSheets: 2 }).old).toBe(
      '2 sheets taken before the last change',
    );
    expect(at(build, 'shop', GOOD, { oldSheets: null }).old).toBeNull();
    expect(at(build, 'plan').old).toBeNull();
    for (const { step } of planNow(build).all) {
      answer(build, step);
      const stood = standsOn(build, step);
      noteDone(build, step.id, { by: 'Ada', at: '2026-03-01T09:00:00.000Z', stood });
    }
    expect(at(build, 'plan')).toMatchObject({ old: null, next: null, done: true });
    build.front.points['tieRodInner'].up += 4;
    expect(at(build, 'plan').old).toMatch(/^\d+ steps open again$/u);
    expect(at(build, 'plan').done).toBe(false);
  });
});

it('calls a station done where nothing is open there, and never what is out of band, a sketch, or not known', () => {
  const build = usualBuild();
  expect(at(build, 'rack', GOOD).done).toBe(true);
  expect(at(build, 'rack', { verdict: 'rework', of: '' }).done).toBe(false);
  expect(
    at(
      build,
      'check',
      { verdict: 'look again', of: '' },
      { checks: [checkOn(build, 'front', '1')] },
    ).done,
  ).toBe(false);
  // Not judged: no rod, out of reach, still looked for.
  expect(at(build, 'rack', WORDS).done).toBe(false);
  expect(at(build, 'brief').done).toBe(true);
  // One of many joints measured is not all of them.
  expect(at(build, 'takeoff').done).toBe(false);
  expect(at(build, 'plan').done).toBe(false);
  for (const station of STATIONS)
    expect([station, at(sketched(), station).done]).toEqual([station, false]);
});
