import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { anyLayout } from '../../test/layouts';
import { startingRoom } from '../model/room';
import type { Build } from '../model/build';
import { WISHBONE_POINTS } from '../../test/layouts';
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
    ['an unknown version', withChange((b) => (b['version'] = 2)), /version is 2.*reads version 1/],
    ['no version', withChange((b) => delete b['version']), /version is missing/],
    [
      'a missing point',
      withChange((b) => delete b.front.points['upperOuter']),
      /front\.points\.upperOuter is missing/,
    ],
    [
      'a missing coordinate',
      withChange((b) => delete b.front.points['upperOuter']['up']),
      /front\.points\.upperOuter\.up is missing/,
    ],
    [
      'a NaN, which JSON writes as null',
      withChange((b) => (b.front.points['lowerOuter']['out'] = NaN)),
      /front\.points\.lowerOuter\.out is empty/,
    ],
    [
      'NaN as text',
      withChange((b) => (b.front.points['lowerOuter']['out'] = 'NaN')),
      /lowerOuter\.out is not a number/,
    ],
    [
      'a point 40 m away',
      withChange((b) => (b.front.points['lowerOuter']['out'] = 40_000)),
      /front\.points\.lowerOuter\.out is 40000 mm, 40 m away/,
    ],
    [
      'infinity',
      withChange((b) => (b['wheelbase'] = 1)).replace('"wheelbase":1', '"wheelbase":1e999'),
      /wheelbase/,
    ],
    [
      'two points in one place',
      withChange((b) => (b.front.points['lowerOuter'] = b.front.points['upperOuter'])),
      /front\.points\.upperOuter: the upper ball joint and the lower ball joint are in one place/,
    ],
    ['no travel', withChange((b) => (b.travel['bump'] = 0)), /travel\.bump is 0: at least 1 mm/],
    ['an unknown use', withChange((b) => (b['use'] = 'sea')), /use is “sea”, should be road/],
    [
      'an unknown entry',
      withChange((b) => (b.front['spring'] = 1)),
      /front has an entry.*“spring”/,
    ],
    [
      'a kind to come',
      withChange((b) => (b.front['kind'] = 'sliding')),
      /front\.kind is “sliding”/,
    ],
    ['no name', withChange((b) => (b['name'] = '  ')), /name is empty/],
  ])('%s is refused with its path', (_, text, message) => expect(said(text)).toMatch(message));

  it('refuses a huge or deeply nested file without reading it through', () => {
    expect(said('x'.repeat(LARGEST_FILE + 1))).toMatch(/4\.0 MB/);
    expect(said('['.repeat(900_000))).toMatch(/nested deeper/);
    expect(said(`{"format":"havrik-build","a":${'{"a":'.repeat(50_000)}1`)).toMatch(
      /nested deeper/,
    );
  });

  it('reads back what it wrote, also of a build that fills a file', () => {
    const { front } = blankBuild('x');
    const at = { ahead: 0, out: 0.123456789, up: 1 / 3 };
    const keepOuts = Array.from({ length: 60 }, (_, i) => ({
      id: `${i}`,
      name: 'Tube',
      axle: 'front' as const,
      kind: 'box' as const,
      middle: at,
      size: { ahead: 5, out: 5, up: 5 },
    }));
    const layouts = Array.from({ length: 40 }, (_, i) => {
      const freedom = { kind: 'choices' as const, at: Array<number>(40).fill(1 / 3) };
      const each = { ahead: freedom, out: freedom, up: freedom };
      const freedoms = Object.fromEntries(WISHBONE_POINTS.map((name) => [name, each]));
      return { id: `${i}`, name: 'Way', front: { ...front, freedoms } };
    });
    const build = { ...blankBuild('Full'), layouts, room: { ...startingRoom(), keepOuts } };
    const text = writeBuildFile(build as never);
    expect(JSON.stringify(build, null, 2).length).toBeGreaterThan(1_500_000);
    expect(readBuildFile(text)).toEqual({ ok: true, value: build });
    // Spread over lines this would be more than is read.
    const fuller = { ...build, layouts: [...layouts, ...layouts, ...layouts] };
    expect(JSON.stringify(fuller, null, 2).length).toBeGreaterThan(LARGEST_FILE);
    expect(writeBuildFile(fuller as never).length).toBeLessThan(LARGEST_FILE);
  });

  it('does not count brackets inside text as nesting', () => {
    expect(said(withChange((b) => (b['name'] = `"${'[{'.repeat(15)}\\`)))).toBe('accepted');
  });
});

describe('drafts', () => {
  it('may be degenerate while somebody types, but not absurd', () => {
    const build = blankBuild('x');
    build.front.points['lowerOuter'] = { ...build.front.points['upperOuter'] };
    expect(checkDraft(build).ok).toBe(true);
    build.front.points['lowerOuter'].up = NaN;
    expect(checkDraft(build).ok).toBe(false);
  });
});

describe('file names', () => {
  it.each([
    ['Two-seat roadster', 'two-seat-roadster.havrik.json'],
    ['../../etc/passwd', 'etc-passwd.havrik.json'],
    ['Ä 2½', 'a-21-2.havrik.json'],
    ['???', 'build.havrik.json'],
    [`${'x'.repeat(59)}𝔊`, `${'x'.repeat(59)}g.havrik.json`],
    [`${'x'.repeat(59)}𐌰`, `${'x'.repeat(59)}.havrik.json`],
    ['half \ud83c', 'half.havrik.json'],
  ])('%s → %s', (name, file) => expect(fileNameOf(name, 'havrik.json')).toBe(file));
});
