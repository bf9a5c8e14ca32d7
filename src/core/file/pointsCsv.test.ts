import { doubleWishbone } from '../corners/doubleWishbone';
import fc from 'fast-check';
import { anyLayout } from '../../test/layouts';
import { describeProblems } from '../model/problems';
import { blankBuild } from '../model/starts';
import { readPointRows, readPointsCsv, writePointsCsv } from './pointsCsv';

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
      /line 1 has no column ahead_mm, out_mm, up_mm/,
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
