import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { anyLayout } from '../../test/layouts';
import type { Build } from '../model/build';
import { describeProblems } from '../model/problems';
import { blankBuild, blankRear } from '../model/starts';
import { LARGEST_FILE, fileNameOf, readBuildFile, writeBuildFile } from './buildFile';
import { checkDraft } from './check';

const said = (text: string) => {
  const read = readBuildFile(text);
  return read.ok ? 'accepted' : describeProblems(read.problems, 50);
};
/** A file's document to be spoiled. */
interface LooseBuild extends Record<string, unknown> {
  travel: Record<string, unknown>;
  front: Record<string, unknown> & { points: Record<string, Record<string, unknown>> };
}
const withChange = (change: (build: LooseBuild) => void) => {
  const build = JSON.parse(writeBuildFile(blankBuild('Test'))) as LooseBuild;
  change(build);
  return JSON.stringify(build);
};

describe('build files', () => {
  it('come back as they were written', () => {
    fc.assert(
      fc.property(anyLayout, fc.boolean(), fc.boolean(), (front, rear, own) => {
        const blank = blankBuild('Shed No. 3 “quick”');
        const build: Build = {
          ...blank,
          front: own ? { ...front, rightPoints: front.points } : front,
          ...(rear && { rear: blankRear(blank) }),
        };
        const read = readBuildFile(writeBuildFile(build));
        expect(read.ok && JSON.parse(JSON.stringify(read.value))).toEqual(
          JSON.parse(JSON.stringify(build)),
        );
      }),
      { numRuns: 30 },
    );
  });

  it.each(readdirSync(join(__dirname, '../../../demo')))('demo/%s is sound', (name) => {
    expect(said(readFileSync(join(__dirname, '../../../demo', name), 'utf8'))).toBe('accepted');
  });

  it('accepts a byte-order mark and Windows line ends', () => {
    expect(said(`\uFEFF${writeBuildFile(blankBuild('x')).replace(/\n/gu, '\r\n')}`)).toBe(
      'accepted',
    );
  });

  it.each<[string, string, RegExp]>([
    ['an empty file', '', /empty/],
    ['another document', '{"format":"drawing"}', /format is “drawing”/],
    ['a list', '[1,2]', /not a Havrik build/],
    ['no JSON', 'points: 1', /not JSON/],
    ['a cut-off file', writeBuildFile(blankBuild('x')).slice(0, 500), /cut off/],
    ['an unknown version', withChange((b) => (b.version = 2)), /version is 2.*reads version 1/],
    ['no version', withChange((b) => delete b.version), /version is missing/],
    [
      'a missing point',
      withChange((b) => delete b.front.points.upperOuter),
      /front\.points\.upperOuter is missing/,
    ],
    [
      'a missing coordinate',
      withChange((b) => delete b.front.points.upperOuter.up),
      /front\.points\.upperOuter\.up is missing/,
    ],
    [
      'a NaN, which JSON writes as null',
      withChange((b) => (b.front.points.lowerOuter.out = NaN)),
      /front\.points\.lowerOuter\.out is empty/,
    ],
    [
      'NaN as text',
      withChange((b) => (b.front.points.lowerOuter.out = 'NaN')),
      /lowerOuter\.out is not a number/,
    ],
    [
      'a point 40 m away',
      withChange((b) => (b.front.points.lowerOuter.out = 40_000)),
      /front\.points\.lowerOuter\.out is 40000 mm, 40 m away/,
    ],
    [
      'infinity',
      withChange((b) => (b.wheelbase = 1)).replace('"wheelbase":1', '"wheelbase":1e999'),
      /wheelbase/,
    ],
    [
      'two points in one place',
      withChange((b) => (b.front.points.lowerOuter = b.front.points.upperOuter)),
      /front\.points\.upperOuter: the upper ball joint and the lower ball joint are in one place/,
    ],
    ['no travel', withChange((b) => (b.travel.bump = 0)), /travel\.bump is 0: at least 1 mm/],
    ['an unknown use', withChange((b) => (b.use = 'sea')), /use is “sea”, should be road/],
    ['an unknown entry', withChange((b) => (b.front.spring = 1)), /front has an entry.*“spring”/],
    ['a kind to come', withChange((b) => (b.front.kind = 'sliding')), /front\.kind is “sliding”/],
    ['no name', withChange((b) => (b.name = '  ')), /name is empty/],
  ])('%s is refused with its path', (_, text, message) => expect(said(text)).toMatch(message));

  it('refuses a huge or deeply nested file without reading it through', () => {
    expect(said('x'.repeat(LARGEST_FILE + 1))).toMatch(/4\.0 MB/);
    expect(said('['.repeat(900_000))).toMatch(/nested deeper/);
    expect(said(`{"format":"havrik-build","a":${'{"a":'.repeat(50_000)}1`)).toMatch(
      /nested deeper/,
    );
  });

  it('does not count brackets inside text as nesting', () => {
    expect(said(withChange((b) => (b.name = `"${'[{'.repeat(15)}\\`)))).toBe('accepted');
  });
});

describe('drafts', () => {
  it('may be degenerate while somebody types, but not absurd', () => {
    const build = blankBuild('x');
    build.front.points.lowerOuter = { ...build.front.points.upperOuter };
    expect(checkDraft(build).ok).toBe(true);
    build.front.points.lowerOuter.up = NaN;
    expect(checkDraft(build).ok).toBe(false);
  });
});

describe('file names', () => {
  it.each([
    ['Two-seat roadster', 'two-seat-roadster.havrik.json'],
    ['../../etc/passwd', 'etc-passwd.havrik.json'],
    ['Ä 2½', 'a-21-2.havrik.json'],
    ['???', 'build.havrik.json'],
  ])('%s → %s', (name, file) => expect(fileNameOf(name, 'havrik.json')).toBe(file));
});
