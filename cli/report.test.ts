import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readPdf } from '../src/test/readPdf';
import { run } from './main';

jest.setTimeout(120_000);

const folder = mkdtempSync(join(tmpdir(), 'havrik-report-'));
const demo = join(__dirname, '../demo/roadster.havrik.json');

async function havrik(...argv: string[]) {
  let out = '';
  let err = '';
  const code = await run(
    argv,
    (text) => (out += text),
    (text) => (err += text),
  );
  return { code, out, err };
}

const textOf = (path: string): string =>
  readPdf(new Uint8Array(readFileSync(path)))
    .pages.map(({ text }) => text)
    .join(' ')
    .replace(/\s+/gu, ' ')
    .replace(/−/gu, '-');

it('writes a book whose figures are those that the other commands print', async () => {
  const path = join(folder, 'book.pdf');
  const { code, out } = await havrik(
    'report',
    demo,
    '--out',
    path,
    '--against',
    'Rack 14 mm lower',
  );
  expect(code).toBe(0);
  expect(out).toMatch(/chapters of “First variant” in .*book\.pdf, code [0-9A-Z]{6}/u);
  const text = textOf(path);
  // One row of the sweep at ride height.
  const sweep = (await havrik('sweep', demo, '--from', '0', '--to', '0', '--step', '1')).out;
  const [head, row] = sweep
    .trim()
    .split('\n')
    .map((line) => line.split(','));
  const of = (name: string) => Number(row[head.findIndex((one) => one.startsWith(name))]);
  for (const [name, figure, places, unit] of [
    ['caster', 'caster', 2, '°'],
    ['kpi', 'kingpin inclination', 2, '°'],
    ['scrub', 'scrub radius', 1, ' mm'],
    ['trail', 'trail', 1, ' mm'],
  ] as const) {
    expect(Number.isFinite(of(name))).toBe(true);
    expect(text).toContain(`${figure} ${of(name).toFixed(places)}${unit}`);
  }
  // What `check` says of bump steer, column, damper.
  const check = (await havrik('check', demo)).out;
  const [, range, worst, verdict] =
    /front left: toe range ([\d.]+)° .* worst ([\d.]+)° .*: (.+)/u.exec(check)!;
  expect(text).toContain(`bump steer, most toe change ${Number(worst).toFixed(2)}° ${verdict}`);
  expect(text).toContain(`toe range ${range}°`);
  const column = /column: (.*)/u.exec(check)![1].split('; ')[0].split(', ');
  expect(text).toContain(column.join(' '));
  const sheets = (await havrik('parts', demo, '--format', 'json')).out;
  expect(sheets.length).toBeGreaterThan(100);
  // The check in the file, as the command that judges readings has it.
  expect(text).toMatch(/First cycling, left front 2026-05-09 front left/u);
  expect(text).toMatch(/What was not checked/u);
  for (const line of out.split('\n').filter((one) => one.startsWith('  ')))
    expect(text).toContain(line.trim().slice(0, 40).replace(/−/gu, '-').trim());
});

it('writes the same as JSON, and nothing over what is there', async () => {
  const path = join(folder, 'book.json');
  expect((await havrik('report', demo, '--out', path)).code).toBe(0);
  const read = JSON.parse(readFileSync(path, 'utf8')) as {
    format: string;
    sections: { id: string; figures: { name: string; value: number }[] }[];
  };
  expect(read.format).toBe('havrik-book');
  const layout = read.sections.find(({ id }) => id === 'layout-front-left')!;
  expect(layout.figures.find(({ name }) => name === 'caster')!.value).toBeCloseTo(4.67, 1);
  const again = await havrik('report', demo, '--out', path);
  expect(again.code).not.toBe(0);
  expect(again.err).toMatch(/is there already; name another, or say --replace/u);
  expect((await havrik('report', demo, '--out', path, '--replace')).code).toBe(0);
});

it('says in words what it cannot do', async () => {
  const bad = async (...argv: string[]) => (await havrik('report', demo, ...argv)).err;
  expect(await bad('--out', join(folder, 'book.txt'))).toMatch(/ends in \.pdf or \.json/u);
  expect(await bad('--out', join(folder, 'a.pdf'), '--against', 'Nobody')).toMatch(
    /no other variant is called “Nobody”; there are “First variant”, “Rack 14 mm lower”/u,
  );
  expect(await bad('--out', join(folder, 'none', 'a.pdf'))).toMatch(
    /cannot be written \(ENOENT\)/u,
  );
  writeFileSync(join(folder, 'broken.havrik.json'), '{');
  expect(
    (await havrik('report', join(folder, 'broken.havrik.json'), '--out', join(folder, 'x.pdf')))
      .code,
  ).not.toBe(0);
});
