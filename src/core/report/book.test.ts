import { aCheck, aReading } from '../../test/checks';
import { readPdf } from '../../test/readPdf';
import { settled, sketched, usualBuild } from '../../test/plans';
import { CORNER_TYPES } from '../corners/kinds';
import { wheelOf } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { blankBuild } from '../model/starts';
import { copyVariant, nameVariant } from '../model/variants';
import { readAt } from '../motion/sweep';
import { answerGate } from '../plan/write';
import { otherVariant, wholeBook } from './book';
import type { Book } from './book';
import { FIGURE_MEANS } from './means';
import { bookJson, bookPages, bookPdf } from './paper';
import { figureInWords } from './section';

jest.setTimeout(120_000);

const AT = '2026-03-01T09:00:00.000Z';
const book = (build: Build, more: Partial<Parameters<typeof wholeBook>[1]> = {}): Book =>
  wholeBook(build, { on: AT, checks: [], ...more });
const chapter = (of: Book, id: string) => of.sections.find((one) => one.id === id)!;
const unchecked = (of: Book): string => of.sections.at(-1)!.notes.join('\n');

it.each(CORNER_TYPES.map(({ kind }) => kind))(
  'tells all of a %s build, no figure without what it means, none that is no number',
  (kind) => {
    const made = book(blankBuild('x', kind, kind.startsWith('kingpin') ? undefined : kind));
    for (const { figures, tables, notes } of made.sections) {
      for (const figure of figures) {
        expect([figure.name, figure.means]).not.toEqual([figure.name, '']);
        expect(figureInWords(figure)).not.toMatch(/NaN|Infinity|undefined/u);
      }
      expect(JSON.stringify([tables, notes])).not.toMatch(/NaN|Infinity|undefined|null/u);
      for (const { head, rows, widths = [] } of tables) {
        for (const row of rows) expect(row).toHaveLength(head.length);
        expect(widths.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
      }
    }
    expect(made.sections.at(-1)!.id).toBe('unchecked');
    expect(bookPages(made, 'A4').length).toBeGreaterThan(made.sections.length);
  },
);

it('tells the wheel’s figures as the wheel itself is read, and curves that go through them', () => {
  const build = usualBuild();
  const layout = chapter(book(build), 'layout-front-left');
  const { corner } = wheelOf(build, 'front', 'left');
  const at = (travel: number) => {
    const read = readAt(corner!, travel, 0);
    if (!read.ok) throw new Error(read.why);
    return read.value;
  };
  const value = (name: string) => layout.figures.find((one) => one.name === name)!.value;
  expect(value('caster')).toBe(at(0).caster);
  expect(value('camber at full bump')).toBe(at(build.travel.bump).camber);
  const [toe, camber] = layout.curves;
  for (const [mm, degrees] of toe.points) expect(degrees).toBeCloseTo(at(mm).toe, 9);
  for (const [mm, degrees] of camber.points) expect(degrees).toBeCloseTo(at(mm).camber, 9);
  expect(toe.points[0][0]).toBe(-build.travel.droop);
  expect(toe.points.at(-1)![0]).toBe(build.travel.bump);
  expect(Object.values(FIGURE_MEANS).every((means) => means.length > 8)).toBe(true);
});

it('has a side of its own in chapters of its own', () => {
  const build = usualBuild();
  build.front.rightPoints = JSON.parse(
    JSON.stringify(build.front.points),
  ) as typeof build.front.points;
  build.front.rightPoints['tieRodInner'].up += 12;
  const made = book(build);
  const worst = (id: string) => chapter(made, id).figures[0].value;
  expect(worst('null-front-right')).not.toBe(worst('null-front-left'));
  expect(chapter(made, 'layout-rear-right')).toBeUndefined();
});

it('says what nobody has checked, and no more once it was', () => {
  const bare = unchecked(book(sketched()));
  for (const words of [
    /Class rules and road law: none were written down/u,
    /Front: .*drawn and not measured/u,
    /Front: sketch: \d+ joints to set/u,
    /Front on the stands: nothing of this axle was read/u,
    /Set-up: camber, caster and toe of the finished car/u,
    /Work: \d+ steps of \d+ not done/u,
    /what arms, rods and wheel could touch/u,
    /Strength, stiffness and fatigue/u,
  ])
    expect(bare).toMatch(words);
  const build = settled(usualBuild());
  build.plan = {
    steps: [],
    rules: [{ id: 'r', kind: 'rule', says: 'No wider than 1.7 m', source: 'Rules 3', at: AT }],
  };
  const named = unchecked(book(build));
  expect(named).not.toMatch(/none were written down|sketch:/u);
  // What was gone on with though it was not so is not taken for true.
  answerGate(build, 'front/rack', 'rail', {
    ...{ gate: 'rail', at: AT, by: 'Ada', values: [52, 60], despite: 'measured on a bent rail' },
  });
  const work = chapter(book(build), 'work');
  expect(work.tables.find(({ title }) => title.startsWith('Gone on'))!.rows).toEqual([
    [
      'Rack loosely placed',
      'Both rack mounts the same distance from the rail',
      'measured on a bent rail',
      'Ada',
    ],
  ]);
  expect(unchecked(book(build))).toMatch(/Rack loosely placed: Both rack mounts/u);
});

it('tells every check that is a car’s, and counts a training for none', () => {
  const build = usualBuild();
  const check = aCheck(build, 'one', {
    readings: [-20, 0, 20].map((height, i) => aReading(`r${i}`, { height })),
  });
  const training = { scenario: 'washer' as const, seed: 1, acts: [] };
  const made = book(build, { checks: [check, { ...check, id: 'two', name: 'Train', training }] });
  const { rows } = chapter(made, 'checks').tables[0];
  expect(rows.map(([name]) => name)).toEqual(['Check one']);
  expect(unchecked(made)).toMatch(/Front on the stands: “Check one”.*right not read/u);
});

it('holds one layout against another, number by number', () => {
  const build = usualBuild();
  copyVariant(build, 'second', 'Rack lower');
  build.front.points['tieRodInner'].up -= 14;
  const first = otherVariant(build, 'First variant')!;
  expect(otherVariant(build, 'Rack lower')).toBeNull();
  const made = book(build, { against: first });
  const { rows } = chapter(made, 'against-numbers').tables[0];
  expect(rows).toEqual([
    ['front', 'tie rod inner joint, up', expect.any(String), expect.any(String), '−14.00 mm'],
  ]);
  const figures = chapter(made, 'against-front-left').tables[0].rows;
  const toe = figures.find(([name]) => name.startsWith('toe range'))!;
  const range = (of: Build) => {
    const found = chapter(book(of), 'layout-front-left').figures[0];
    return [found.name, figureInWords(found)];
  };
  expect([toe[0], toe[2]]).toEqual(range(build));
  expect([toe[0], toe[1]]).toEqual(range({ ...build, front: first.front }));
  const [curve] = chapter(made, 'against-front-left').curves;
  expect(curve.against).toHaveLength(curve.points.length);
});

it('is the same for the same build, and says whether it is a draft', async () => {
  const build = usualBuild();
  const made = book(build);
  expect(book(build, { on: '2026-05-05T00:00:00.000Z' }).code).toBe(made.code);
  const moved = usualBuild();
  moved.front.points['lowerOuter'].up += 0.5;
  expect(book(moved).code).not.toBe(made.code);
  nameVariant(build, 'first', { frozen: AT });
  const frozen = book(build);
  const text = async (of: Book) =>
    readPdf(await bookPdf(of, 'Letter')).pages.map((page) => page.text.replace(/\s+/gu, ' '));
  expect((await text(made)).every((page) => page.includes('DRAFT'))).toBe(true);
  const pages = await text(frozen);
  expect(pages.some((page) => page.includes('DRAFT'))).toBe(false);
  // The first page's numbers are where the chapters are.
  frozen.sections.forEach(({ title }) => {
    const at = new RegExp(`${title.replace(/[()“”]/gu, '.')} (\\d+)`, 'u').exec(pages[0]);
    expect(pages[Number(at![1]) - 1]).toContain(title);
    expect(pages[Number(at![1]) - 1]).toContain(`page ${at![1]} of ${pages.length}`);
  });
  const read = JSON.parse(bookJson(frozen)) as { format: string; sections: unknown[] };
  expect(read.format).toBe('havrik-book');
  expect(read.sections).toHaveLength(frozen.sections.length);
});
