import { doubleWishbone } from '../corners/doubleWishbone';
import fc from 'fast-check';
import { anyLayout } from '../../test/layouts';
import { describeProblems } from '../model/problems';
import { blankBuild } from '../model/starts';
import { pointsOfTable, readPointRows, readPointsCsv, writePointsCsv } from './pointsCsv';
import { looksLikeTable, ownAnswers, readTable } from './pointsTable';

const { points } = blankBuild('x').front;
const said = (text: string) => {
  const read = readPointsCsv(doubleWishbone, text);
  return read.ok ? 'accepted' : describeProblems(read.problems, 50);
};

describe('points as CSV', () => {
  it('come back exactly', () => {
    fc.assert(
      fc.property(anyLayout, (design) => {
        const read = readPointsCsv(doubleWishbone, writePointsCsv(doubleWishbone, design.points));
        expect(read.ok && JSON.stringify(read.value)).toBe(JSON.stringify(design.points));
      }),
      { numRuns: 30 },
    );
  });

  it.each([
    [
      'Windows line ends and a byte-order mark',
      (csv: string) => `\uFEFF${csv.replace(/\n/gu, '\r\n')}`,
    ],
    ['tabs', (csv: string) => csv.replace(/,/gu, '\t')],
    [
      'semicolons and decimal commas',
      (csv: string) => csv.replace(/,/gu, ';').replace(/(\d)$/gmu, '$1,0'),
    ],
    ['blank lines', (csv: string) => csv.replace(/\n/gu, '\n\n')],
    ['capitals', (csv: string) => csv.toUpperCase()],
  ])('are read with %s', (_, change) => {
    const read = readPointsCsv(doubleWishbone, change(writePointsCsv(doubleWishbone, points)));
    expect(read.ok && read.value).toEqual(points);
  });

  it('may name some of the points, in any order of columns', () => {
    const read = readPointsCsv(
      doubleWishbone,
      'up_mm,point,out_mm,ahead_mm\n413,upperOuter,588,-13\n',
    );
    expect(read).toEqual({ ok: true, value: { upperOuter: { ahead: -13, out: 588, up: 413 } } });
  });

  it.each<[string, string, RegExp]>([
    ['nothing', '', /no points found/],
    [
      'wrong columns',
      'point,x,y,z\nupperOuter,1,2,3',
      /line 1 does not say which way x, y, z go: ahead_mm, out_mm, up_mm do/,
    ],
    [
      'an unknown point',
      'point,ahead_mm,out_mm,up_mm\ntopJoint,1,2,3',
      /line 2 names no known point/,
    ],
    [
      'a word for a number',
      'point,ahead_mm,out_mm,up_mm\nupperOuter,1,two,3',
      /line 2 upperOuter out_mm “two” is not a number/,
    ],
    [
      'a missing cell',
      'point,ahead_mm,out_mm,up_mm\nupperOuter,1,2',
      /line 2 upperOuter up_mm is empty/,
    ],
    [
      'a point far away',
      'point,ahead_mm,out_mm,up_mm\nupperOuter,1,2,40000',
      /line 2 upperOuter up_mm is 40000 mm/,
    ],
    [
      'a point twice',
      'point,ahead_mm,out_mm,up_mm\nupperOuter,1,2,3\nupperOuter,1,2,4',
      /line 3 gives upperOuter a second time/,
    ],
  ])('%s is refused by line', (_, text, message) => expect(said(text)).toMatch(message));
});

describe('a ± beside the points', () => {
  const read = (text: string) => {
    const rows = readPointRows(doubleWishbone, text);
    return rows.ok
      ? rows.value.map(({ name, tolerance }) => [name, tolerance])
      : rows.problems.map(({ path, message }) => `${path}: ${message}`);
  };

  it('is read where it is given', () => {
    expect(
      read(
        '\uFEFFpoint;ahead_mm;out_mm;up_mm;tolerance_mm\r\nlowerOuter;1,5;600;180;0,8\r\nupperOuter;1;580;410;\r\n',
      ),
    ).toEqual([
      ['lowerOuter', 0.8],
      ['upperOuter', null],
    ]);
  });

  it('is refused by line where it is nought, negative or no number', () => {
    const line = (given: string) =>
      read(`point,ahead_mm,out_mm,up_mm,tolerance_mm\nlowerOuter,1,600,180,${given}`);
    expect(line('0')[0]).toMatch(/^line 2: lowerOuter tolerance_mm is 0: a ± is above 0/);
    expect(line('-1')[0]).toMatch(/a ± is above 0/);
    expect(line('few')[0]).toMatch(/“few” is not a number/);
  });
});

describe('tables as people have them', () => {
  const WANTED = { lowerOuter: { ahead: 5, out: 620, up: 176 } };
  const read = (text: string, change: Partial<ReturnType<typeof ownAnswers>> = {}) => {
    const table = readTable(doubleWishbone, text);
    if (!table.ok) throw new Error(describeProblems(table.problems));
    const rows = pointsOfTable(table.value, { ...ownAnswers(table.value), ...change });
    if (!rows.ok) throw new Error(describeProblems(rows.problems));
    return {
      guessed: table.value.guessed,
      points: Object.fromEntries(rows.value.map(({ name, point }) => [name, point])),
    };
  };

  it.each([
    ['bare titles', 'point\tahead\tout\tup\nlowerOuter\t5\t620\t176'],
    ['units in brackets', 'Joint,Ahead (mm),Out (mm),Up [mm]\nlowerOuter,5,620,176'],
    ['what the screen calls it', 'point,ahead,out,up\nLower ball joint,5,620,176'],
    ['no title over the points', ',ahead,out,up\nlower_outer,5,620,176'],
    ['a separator told', 'sep=;\r\npoint;ahead;out;up\r\nlowerOuter;5,0;620;176\r\n'],
    ['inches', 'name,up (in),out (in),ahead (in)\nlowerOuter,6.929133858,24.409448819,0.196850394'],
  ])('are read with %s', (_, text) => {
    const { guessed, points: found } = read(text);
    expect(guessed).toBe(false);
    for (const c of ['ahead', 'out', 'up'] as const)
      expect(found['lowerOuter'][c]).toBeCloseTo(WANTED.lowerOuter[c], 5);
  });

  it('ask which way x, y and z go, and take the answer', () => {
    const text = 'point,x,y,z\nlowerOuter,-5,-620,176';
    expect(read(text).guessed).toBe(true);
    const axes = {
      ahead: { column: 1, sign: -1 as const },
      out: { column: 2, sign: -1 as const },
      up: { column: 3, sign: 1 as const },
    };
    expect(read(text, { axes }).points).toEqual(WANTED);
    expect(said(text)).toMatch(/does not say which way x, y, z go/);
  });

  it('ask also where lines begin with a point and there are no titles', () => {
    const text = 'lower ball joint\t5\t620\t176\nupperOuter\t1\t2\t3';
    expect(looksLikeTable(doubleWishbone, text)).toBe(true);
    expect(looksLikeTable(doubleWishbone, '5\t620\t176')).toBe(false);
    expect(read(text)).toMatchObject({ guessed: true, points: WANTED });
  });

  it('leave a line out that somebody leaves out, and refuse two ways from one column', () => {
    const table = readTable(doubleWishbone, 'point,ahead,out,up\nA,1,2,3\nB,4,5,6');
    if (!table.ok) throw new Error('read');
    const answers = ownAnswers(table.value);
    expect(answers.names).toEqual([null, null]);
    expect(pointsOfTable(table.value, answers).ok).toBe(false);
    const second = pointsOfTable(table.value, { ...answers, names: [null, 'upperOuter'] });
    expect(second.ok && second.value).toEqual([
      { name: 'upperOuter', point: { ahead: 4, out: 5, up: 6 }, tolerance: null },
    ]);
    const { ahead } = answers.axes;
    const same = pointsOfTable(table.value, {
      ...answers,
      names: ['upperOuter', null],
      axes: { ...answers.axes, out: ahead },
    });
    expect(same.ok).toBe(false);
  });
});
