import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Linkage } from '../damper/linkage';
import { readBuildFile } from '../file/buildFile';
import { wheelOf } from '../kinematics/wheel';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import type { Build } from '../model/build';
import type { CheckReading, HeightBy } from '../model/checks';
import { blankBuild } from '../model/starts';
import type { CheckedCar } from './carModel';
import { checkUp } from './checkUp';
import { gathered, usualSetup } from './evidence';
import { nextHeight, plannedTravels, rawOf, travelOf } from './heights';
import { faceAt, placeOf } from './places';
import { readReadingsCsv, writeReadingsCsv } from './readingsCsv';

const build = blankBuild('x');
const carOf = (of: Build, more: Partial<CheckedCar> = {}): CheckedCar => ({
  ...{ axle: 'front', sides: 'left', moved: 'wheel', drawn: of.front, rounds: [] },
  travel: { bump: 60, droop: 60 },
  setup: usualSetup(of.front),
  ...more,
});
const reading = (id: string, more: Partial<CheckReading> = {}): CheckReading => ({
  ...{ id, at: '2026-03-01T10:00:00.000Z', side: 'left', round: 0, height: 20, method: 'strings' },
  ...{ values: [100, 98], unit: 'mm', plusMinus: 0.5 },
  ...more,
});

describe('heights', () => {
  const demo = readBuildFile(
    readFileSync(join(__dirname, '../../../demo/roadster.havrik.json'), 'utf8'),
  );
  if (!demo.ok) throw new Error('no demo');
  const wheel = wheelOf(demo.value, 'front', 'left');
  const corner = wheel.corner!;
  const face = 120;
  const hubUp = (travel: number) => {
    const u = new Float64Array(UPRIGHT_SIZE);
    corner.corner.pose(travel, 0, u);
    return faceAt(placeOf(u), face)[2];
  };
  const { damper } = demo.value.front;
  const READS: Record<HeightBy, (travel: number) => number> = {
    travel: (travel) => travel,
    // What is touched leans with the wheel's camber: it does not rise as the wheel's centre does.
    hub: (travel) => 310 + hubUp(travel) - hubUp(0),
    arch: (travel) => 310 - (hubUp(travel) - hubUp(0)),
    chassis: (travel) => 310 - travel,
    jack: (travel) => travel / 4 / 1.5,
    damper: (travel) => new Linkage(corner, damper!).at(travel)!.damper.length,
  };
  for (const [by, reads] of Object.entries(READS))
    it(`is told by ${by}`, () => {
      const setup = {
        ...usualSetup(wheel.design),
        ...{ face, heightBy: by as HeightBy, heightAt: 310, jackPerTurn: 4, jackRatio: 1.5 },
      };
      for (const travel of [-50, -10, 0, 35, 55])
        expect(rawOf(travel, setup, corner, damper, 'wheel')).toBeCloseTo(reads(travel), 9);
      for (const travel of [-50, -10, 0, 35, 55])
        expect(travelOf(reads(travel), setup, corner, damper, 'wheel')).toBeCloseTo(travel, 4);
    });

  it('prompts what was not read yet, by the wheel and not by what the jack counts', () => {
    const setup = { ...usualSetup(wheel.design), heightBy: 'jack' as const, jackPerTurn: 4 };
    const next = (done: { height: number; asTravel?: true }[]) =>
      nextHeight([-10, 0, 10], done, setup, corner, damper, 'wheel');
    expect(next([])).toEqual({ travel: -10, raw: -2.5 });
    expect(next([{ height: -2.5 }])).toEqual({ travel: 0, raw: 0 });
    expect(next([{ height: -10, asTravel: true }, { height: 0 }])?.travel).toBe(10);
    expect(next([{ height: -2.4 }, { height: 0.1 }, { height: 2.5 }])).toBeNull();
  });

  it('is planned from droop to bump, ride height among them', () => {
    expect(plannedTravels({ bump: 60, droop: 60 })).toEqual([-60, -40, -20, 0, 20, 40, 60]);
    expect(plannedTravels({ bump: 25, droop: 15 })).toEqual([-15, -10, -5, 0, 5, 10, 15, 20, 25]);
  });

  it('moves the other way where the jack lifts the chassis', () => {
    const setup = { ...usualSetup(wheel.design), heightBy: 'jack' as const };
    expect(travelOf(5, setup, corner, damper, 'chassis')).toBe(-20);
  });
});

describe('readings that are gathered', () => {
  it('averages repeats by their ± and points at the one that stands out', () => {
    const { evidence, outliers } = gathered(carOf(build), [
      reading('a', { values: [100.0, 98] }),
      reading('b', { values: [100.2, 98] }),
      reading('c', { values: [100.1, 98] }),
      reading('d', { values: [103.4, 98] }),
      reading('e', { height: 0 }),
    ]);
    const first = evidence.find(
      ({ component, travel }) => component === 'difference' && travel === 20,
    )!;
    expect(first.ids).toEqual(['a', 'b', 'c', 'd']);
    expect(first.value).toBeCloseTo(2 + (0 + 0.2 + 0.1 + 3.4) / 4, 12);
    expect(first.plusMinus).toBeCloseTo((0.5 * Math.SQRT2) / 2, 12);
    expect(outliers.map(({ id }) => id)).toEqual(['d']);
  });

  it('keeps what does not count apart and says why', () => {
    const { evidence, apart } = gathered(carOf(build), [
      reading('a', { leftOut: true }),
      reading('b', { side: 'right' }),
      reading('c', { method: 'tape' }),
      reading('d', { method: 'walls', values: [1] }),
      reading('e', { round: 3 }),
      reading('f', { height: 500 }),
    ]);
    expect(evidence).toEqual([]);
    expect(apart.map(({ id, why }) => `${id}: ${why}`)).toEqual([
      'a: left out',
      'b: is of the right wheel, which is not checked',
      'c: takes both wheels',
      'd: needs first wall and second wall',
      'e: after a move that is not there any more',
      'f: the drawing does not reach 500.0 mm of travel',
    ]);
  });

  it('trusts a wall less where the tyres stand on the floor', () => {
    const one = reading('a', { method: 'wall', values: [3], height: 50 });
    const [stands] = gathered(carOf(build), [one]).evidence;
    const [floor] = gathered(carOf(build, { moved: 'chassis' }), [one]).evidence;
    expect(floor.plusMinus).toBeGreaterThan(stands.plusMinus);
  });

  it('tells play by readings up and down', () => {
    const pairs = [-40, -20, 0, 20, 40].flatMap((height) => [
      reading(`u${height}`, { height, going: 'up', values: [100.9, 98], plusMinus: 0.2 }),
      reading(`d${height}`, { height, going: 'down', values: [100, 98], plusMinus: 0.2 }),
    ]);
    const found = checkUp(build, carOf(build), pairs, [0.25, 0.5, 1]);
    const play = found.play.find(({ of }) => of.startsWith('strings'))!;
    expect(play.apart).toBeCloseTo(0.9, 9);
    expect(play.pairs).toBe(5);
    expect(play.plusMinus).toBeCloseTo((0.2 * Math.SQRT2 * Math.SQRT2) / Math.sqrt(5), 9);
    const tight = pairs.map((one) => ({ ...one, values: [100, 98] }));
    expect(checkUp(build, carOf(build), tight, [0.25, 0.5, 1]).play).toEqual([]);
  });
});

describe('a table of readings', () => {
  const name = (line: number) => `r${line}`;
  const when = '2026-03-01T10:00:00.000Z';
  it('comes back as it was written, in the units it was typed in', () => {
    const list = [
      reading('r2', { asTravel: true }),
      reading('r3', {
        asTravel: true,
        method: 'tape',
        side: 'both',
        values: [25.4 * 59, 25.4 * 59.25],
        unit: 'in',
        plusMinus: 25.4 / 32,
      }),
      reading('r4', {
        asTravel: true,
        method: 'level',
        values: [-1.25],
        unit: 'min',
        plusMinus: 0.1,
        going: 'down',
        round: 2,
        leftOut: true,
      }),
    ];
    const text = writeReadingsCsv(list, new Map());
    expect(text.split('\n')[2]).toMatch(/^20,tape,59\/59\.25,in,0\.03125,both/u);
    const read = readReadingsCsv(text, 'left', name, when);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    read.value.forEach((one, i) => {
      const { values, plusMinus, ...rest } = list[i];
      expect(one).toMatchObject(rest);
      values.forEach((value, k) => expect(one.values[k]).toBeCloseTo(value, 9));
      expect(one.plusMinus).toBeCloseTo(plusMinus, 9);
    });
  });

  it('is refused whole, by the lines that cannot be read', () => {
    const read = readReadingsCsv(
      [
        'travel_mm,method,value,unit,plus_minus',
        '0,strings,1/2,mm,0.5',
        'x,strings,1/2,mm,0.5',
        '0,laser,1,mm,1',
        '0,level,1,mm,1',
        '0,wall,1/2,mm,1',
        '0,strings,1/2,mm,-3',
        '0,strings,1/2,mm,0.5,extra',
      ].join('\n'),
      'left',
      name,
      when,
    );
    if (read.ok) throw new Error('taken');
    expect(read.problems.map(({ path }) => path)).toEqual([
      'line 3',
      'line 4',
      'line 5',
      'line 6',
      'line 7',
      'line 8',
    ]);
    expect(read.problems[1].message).toContain('tape, wall, walls');
    const both = readReadingsCsv(
      'travel_mm,method,value,unit,plus_minus\n0,strings,1/2,mm,1\n0,tape,1/2,mm,1\n',
      ...(['both', name, when] as const),
    );
    expect(both.ok ? '' : both.problems).toEqual([
      { path: 'line 2', message: 'side is missing: strings is of one wheel, left or right' },
    ]);
    const bare = readReadingsCsv('a,b\n1,2', 'left', name, when);
    expect(bare.ok ? '' : bare.problems[0].message).toContain('does not name travel_mm');
  });
});
