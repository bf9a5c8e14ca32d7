import Papa from 'papaparse';
import { readFileSync } from 'node:fs';
import { unzipSync, zipSync } from 'fflate';
import DxfParser from 'dxf-parser';
import { readPdf } from '../../test/readPdf';
import { CORNER_TYPES } from '../corners/kinds';
import { finish } from '../find/finish';
import { wheelOf } from '../kinematics/wheel';
import { buildSchema } from '../model/build';
import type { Build } from '../model/build';
import type { RodEndMade } from '../model/made';
import { blankBuild } from '../model/starts';
import { copyVariant, nameVariant, openVariantOf, variantsOf } from '../model/variants';
import { pagesOf } from '../sheets/pages';
import { pagesPdf } from '../sheets/pdf';
import { bundleFiles, bundleOf } from './bundle';
import { fileName, partsCsv } from './csv';
import { cutsOf } from './cut';
import { weightOf } from './listed';
import { partsList, pricesOfVariants, totals } from './partsList';
import { shopParts } from './parts';
import { headingOf, sheetEntries } from './sheetsOf';
import { noteTaken, takenStates } from './taken';

const NOW = '2026-05-06T07:08:09.000Z';
const roadster = (): Build =>
  buildSchema.parse(JSON.parse(readFileSync('demo/roadster.havrik.json', 'utf8')));

// A PDF is read back by a program of its own, which takes its time to start.
jest.setTimeout(60_000);

describe('sheets', () => {
  it('are made of every kind of corner, all on one paper or another', () => {
    for (const { kind } of CORNER_TYPES) {
      const build = blankBuild('x', kind);
      for (const { make } of sheetEntries(build)) {
        const sheet = make();
        for (const { rows, head } of sheet.tables)
          for (const row of rows) {
            expect(row).toHaveLength(head.length);
            expect(row.join()).not.toMatch(/NaN|undefined|Infinity/u);
          }
        expect(sheet.notes.join()).not.toMatch(/NaN|undefined|Infinity/u);
        expect(pagesOf(sheet, headingOf(build, NOW), 'Letter').length).toBeGreaterThan(0);
      }
    }
  });

  it('print a cope as wide as its tube is round, read back from the PDF', async () => {
    const build = roadster();
    const entry = sheetEntries(build).find(({ id }) => /lower arm\/copes1/u.test(id))!;
    const pages = pagesOf(entry.make(), headingOf(build, NOW), 'A4');
    const read = readPdf(await pagesPdf(pages, 'x'));
    const tube = shopParts(wheelOf(build, 'front', 'left'))[0].members[0].made;
    const round = Math.PI * tube.outside;
    const widths = read.pages.flatMap(({ paths }) => paths.map(({ width }) => width));
    // Outline, cut line and reference mark of at least two templates.
    expect(widths.filter((width) => Math.abs(width - round) < 0.01).length).toBeGreaterThanOrEqual(
      6,
    );
  });

  it('are drafts until the variant is frozen, and no longer drafts then', () => {
    const build = roadster();
    expect(headingOf(build, NOW).frozen).toBe(false);
    nameVariant(build, openVariantOf(build).id, { frozen: NOW });
    expect(headingOf(build, NOW).frozen).toBe(true);
  });

  it('make a bundle that other programs open', async () => {
    const build = roadster();
    const parts: number[] = [];
    const making = bundleOf(build, NOW, 'A4');
    let step = making.next();
    for (; !step.done; step = making.next()) parts.push(step.value);
    expect(parts.at(-1)).toBe(1);
    expect(parts).toEqual(parts.toSorted((a, b) => a - b));
    const { pages, sheets } = step.value;
    const files = await bundleFiles(step.value, build);
    const names = files.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
    const back = unzipSync(
      zipSync(Object.fromEntries(files.map(({ name, bytes }) => [name, bytes]))),
    );
    for (const [name, bytes] of Object.entries(back)) {
      if (name.endsWith('.pdf') || name.endsWith('.glb')) continue;
      const said = new TextDecoder().decode(bytes);
      if (name.endsWith('.dxf')) {
        const read = new DxfParser().parseSync(said)!;
        expect(read.entities.length).toBeGreaterThan(3);
      } else if (name.endsWith('.csv'))
        expect(Papa.parse(said).errors.filter(({ type }) => type === 'Quotes')).toEqual([]);
      else expect(said).toMatch(/^<svg /u);
    }
    const read = readPdf(back['sheets.pdf']);
    expect(read.pages).toHaveLength(pages.length);
    const all = read.pages.map(({ text }) => text).join(' ');
    for (const { code, title } of sheets) {
      expect(all).toContain(code);
      expect(all).toContain(title);
    }
    // One table's figures are the cuts'.
    const csv = new TextDecoder().decode(back['front-tubes-and-bars.csv']);
    const wheel = wheelOf(build, 'front', 'left');
    const [, cutTable] = Papa.parse<string[]>(csv).data;
    const at = cutTable.indexOf('cut');
    for (const part of shopParts(wheel))
      for (const { member, cut } of cutsOf(wheel, part)) {
        const row = Papa.parse<string[]>(csv).data.find(([what]) => what === member.name)!;
        expect(Number(row[at])).toBe(Number(cut.toFixed(1)));
      }
  });

  it('name files plainly', () => {
    expect(fileName('Front lower arm, jig')).toBe('front-lower-arm-jig');
    expect(fileName('…')).toBe('sheet');
  });
});

describe('sheets that were taken', () => {
  it('have the code that is told without making them', () => {
    const told = sheetEntries(roadster()).filter(({ code }) => code);
    expect(told.length).toBeGreaterThan(2);
    for (const { code, make } of told) expect(code!()).toBe(make().code);
  });

  it('are old once what they are made from has changed, and only those', () => {
    const build = roadster();
    const { sheets } = finish(bundleOf(build, NOW, 'A4'));
    noteTaken(build, sheets, NOW);
    expect(takenStates(build).every(({ state }) => state === 'as it is')).toBe(true);
    build.front.points['upperOuter'].up += 1;
    const old = takenStates(build).filter(({ state }) => state === 'old');
    expect(old.map(({ taken }) => taken.sheet)).toEqual(
      expect.arrayContaining(['front/upper arm/jig', 'front/upper arm/copes1', 'front/tubes']),
    );
    expect(old.map(({ taken }) => taken.sheet)).not.toContain('rear/tubes');
    expect(buildSchema.parse(JSON.parse(JSON.stringify(build))).shop?.taken).toHaveLength(
      sheets.length,
    );
    // Taken again they are as it is; nothing is kept twice.
    noteTaken(build, finish(bundleOf(build, NOW, 'A4')).sheets, NOW);
    expect(takenStates(build).every(({ state }) => state === 'as it is')).toBe(true);
    expect(build.shop!.taken).toHaveLength(sheets.length);
  });

  it('stay with their own variant', () => {
    const build = roadster();
    noteTaken(build, finish(bundleOf(build, NOW, 'A4')).sheets, NOW);
    copyVariant(build, 'two', 'Second');
    build.front.points['upperOuter'].up += 1;
    expect(takenStates(build).every(({ state }) => state === 'as it is')).toBe(true);
    build.layouts = [];
    expect(
      takenStates(build).every(({ state, variant }) => state === 'gone' && variant === null),
    ).toBe(true);
  });
});

describe('the parts list', () => {
  it('has every tube of both sides, every end that screws or is pressed in, once for each', () => {
    const build = roadster();
    const rows = partsList(build);
    const tubes = rows.filter(({ what }) => /tube$|bar$/u.test(what));
    expect(tubes.reduce((sum, { count }) => sum + count, 0)).toBe(
      2 *
        (['front', 'rear'] as const).reduce(
          (sum, axle) =>
            sum +
            shopParts(wheelOf(build, axle, 'left')!).reduce(
              (n, { members }) => n + members.length,
              0,
            ),
          0,
        ),
    );
    // A rod end at either end of both tie rods, and as many nuts of each hand.
    for (const hand of ['left', 'right']) {
      const count = (name: RegExp) =>
        rows
          .filter((row) => name.test(row.name) && row.hand === hand)
          .reduce((sum, row) => sum + row.count, 0);
      expect(count(/^rod end/u)).toBe(count(/^jam nut/u));
      expect(count(/^rod end/u)).toBeGreaterThan(0);
    }
    // Two tubes share a ball joint's sleeve.
    const sleeves = rows.filter(({ name, what }) => name === 'housing' && /45 outside/u.test(what));
    expect(sleeves.reduce((sum, { count }) => sum + count, 0)).toBe(8);
    expect(new Set(rows.map(({ key }) => key)).size).toBe(rows.length);
  });

  it('weighs a tube as its section and density do', () => {
    // Steel tube 25 × 2: 1.134 kg a metre (handbook, from memory).
    const made = { ...shopParts(wheelOf(roadster(), 'front', 'left'))[0].members[0].made };
    expect(weightOf({ ...made, outside: 25, wall: 2 }, 1000)).toBeCloseTo(1.134, 2);
    expect(weightOf({ ...made, form: 'bar', outside: 12, wall: 0 }, 1000)).toBeCloseTo(0.888, 2);
  });

  it('adds prices up by currency and stage, whole cents, and compares variants', () => {
    const build = roadster();
    const [first, second] = partsList(build);
    build.shop = {
      parts: [
        { key: first.key, price: 0.1, state: 'have' },
        { key: second.key, price: 20.2, currency: 'CHF', stage: 2 },
        { key: 'own 1', price: 3, own: { name: 'brake hose', what: 'to length', count: 3 } },
      ],
    };
    const rows = partsList(build);
    expect(totals(rows)).toEqual([
      { currency: 'EUR', all: 0.1 * first.count + 9, open: 9 },
      { currency: 'CHF', all: 20.2 * second.count, open: 20.2 * second.count },
    ]);
    expect(totals(rows, 2)).toEqual([
      { currency: 'CHF', all: 20.2 * second.count, open: 20.2 * second.count },
    ]);
    copyVariant(build, 'two', 'Second');
    delete build.rear;
    const prices = pricesOfVariants(build);
    expect(prices.map(({ name }) => name)).toEqual(variantsOf(build).map(({ name }) => name));
    // The open one has no rear axle any more; the one it is a copy of has.
    const before = prices.find(({ name }) => name === 'First variant')!;
    expect(prices[0].lines).toBeLessThan(before.lines);
    const csv = Papa.parse<Record<string, string>>(partsCsv(build), { header: true });
    expect(csv.data.find(({ what }) => what === 'brake hose')).toMatchObject({
      count: '3',
      price: '3.00',
    });
  });

  it('counts bolts, washers and turned spacers of a stack', () => {
    const build = roadster();
    const id = 'tieRodInner tieRodOuter';
    const part = shopParts(wheelOf(build, 'front', 'left')).find((one) => one.id === id)!;
    const made = structuredClone(part.members[0].made);
    (made.to as RodEndMade).held = { bolt: 12, inside: 25, ear: 4, ears: 2 };
    build.front.made = { [id]: made };
    const rows = partsList(build);
    expect(rows.find(({ name }) => name === 'bolt, locking nut')).toMatchObject({
      count: 2,
      length: 55,
    });
    expect(rows.find(({ name }) => name === 'washer')).toMatchObject({ count: 8 });
    expect(rows.find(({ name }) => name === 'spacer, turned')).toMatchObject({
      count: 4,
      length: 0.5,
    });
  });
});
