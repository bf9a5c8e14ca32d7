import { bumpSteer } from '../motion/bumpSteer';
import { startingBrief } from '../model/brief';
import { blankBuild, newBuild } from '../model/starts';
import { prepared } from '../../test/layouts';
import { summaryOf } from './summary';
import { searchable } from '../model/wording';

it('says what the build’s own front left wheel does', () => {
  const build = { ...blankBuild('Seven'), note: 'for the hill' };
  const { worst } = bumpSteer(prepared(build.front).left, build.travel)!;
  expect(summaryOf(build)).toMatchObject({
    use: build.use,
    wheelbase: build.wheelbase,
    note: 'for the hill',
    worst,
    problems: null,
    travel: build.travel,
  });
  expect(summaryOf(build).corner.points['lowerOuter']).toEqual(build.front.points['lowerOuter']);
});

it('has no figure for a wheel that does not reach, and says what stands in the way of a file', () => {
  const build = blankBuild('Short');
  build.travel = { bump: 500, droop: 500 };
  expect(summaryOf(build)).toMatchObject({ worst: null, verdict: null, problems: null });
  build.front.points['lowerOuter'] = { ...build.front.points['upperOuter'] };
  expect(summaryOf(build)).toMatchObject({
    worst: null,
    problems: expect.stringMatching(/one place/),
  });
});

it('does not judge a sketch', () => {
  const build = newBuild({ name: 'Begun', front: 'strut' });
  expect(summaryOf(build)).toMatchObject({
    worst: null,
    verdict: null,
    sketch: 'sketch: 8 joints to set',
  });
  delete build.front.sketch;
  expect(summaryOf(build)).toMatchObject({
    worst: null,
    sketch: 'sketch: 3 figures of the brief to set',
  });
  delete build.sketch;
  expect(summaryOf(build)).toMatchObject({ sketch: '', worst: expect.any(Number) });
});

it('says of a kart how it steers: it has no bumps to steer over', () => {
  const build = blankBuild('Kart', 'kingpin');
  build.brief = startingBrief(build);
  build.brief.targets.lock = 60;
  expect(summaryOf(build)).toMatchObject({
    worst: 0,
    verdict: 'rework',
    instead: expect.stringMatching(/^inner lock \d/),
  });
  expect(summaryOf(blankBuild('Car')).instead).toBeNull();
});

it('searches without accents and capitals', () => {
  expect(searchable('  Grün  ÉTÉ\n7 ')).toBe('grun ete 7');
});
