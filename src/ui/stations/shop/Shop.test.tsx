import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Build } from '@/core/model/build';
import type { RodEndMade } from '@/core/model/made';
import { STARTER_SHELF } from '@/core/model/starterShelf';
import { blankBuild } from '@/core/model/starts';
import type { LengthUnit } from '@/core/model/units';
import { wheelOf } from '@/core/kinematics/wheel';
import { noteTaken } from '@/core/shop/taken';
import { sheetEntries } from '@/core/shop/sheetsOf';
import { Editing } from '@/test/editing';
import type { Held } from '@/test/editing';
import { Shop } from './Shop';
import { rodEndOf } from './rodEndOf';

// A test's document has no workers and no server.
jest.mock('../../build/finderWorker', () => ({ finderWorker: () => mockWorker }));
jest.mock('@/server/actions', () => ({ shelf: () => Promise.resolve(mockShelf) }));

const mockShelf = {
  ok: true,
  value: STARTER_SHELF.map((part, id) => ({ id, part, name: part.name, kind: part.kind })),
};
const mockWorker = { sheets: () => Promise.reject(new Error('no paper')) };

const user = userEvent.setup({ delay: null });
const held: Held = { build: blankBuild('x') };
const ROD = 'tieRodInner tieRodOuter';

function show(change: (build: Build) => void = () => undefined, unit: LengthUnit = 'mm') {
  const build = blankBuild('Roadster');
  change(build);
  held.build = build;
  render(
    <Editing held={held}>
      {(now, onEdit) => (
        <Shop build={now} wheel={wheelOf(now, 'front', 'left')} unit={unit} onEdit={onEdit} />
      )}
    </Editing>,
  );
}
const made = () => held.build.front.made!;
const pick = (sheet: string) =>
  user.click(within(screen.getAllByRole('list')[0]).getByRole('button', { name: sheet }));
const section = (name: string) => within(screen.getByRole('region', { name }));
const type = async (where: ReturnType<typeof section>, label: string, text: string) => {
  const field = where.getByLabelText(label, { selector: 'input' });
  await user.clear(field);
  await user.type(field, text);
  await user.tab();
};
const pickRod = async () => {
  await pick('threads and stacks');
  // Of a wishbone corner as it is begun with only the tie rod has threads, but every member is in the list.
  await user.click(screen.getByRole('combobox', { name: /Which/u }));
  await user.click(screen.getByRole('option', { name: 'tie rod' }));
};

it('says what a tube is made of, in inches too, and nothing of the others', async () => {
  show(undefined, 'in');
  await pick('lower arm, front tube, copes');
  await type(section('Its middle'), 'outside', '1 1/8"');
  expect(Object.keys(made())).toEqual(['lowerFrontInner lowerOuter']);
  expect(made()['lowerFrontInner lowerOuter'].outside).toBeCloseTo(28.575, 6);
  await type(section('Its middle'), 'wall', '0.9');
  expect(screen.getByText(/a tube has a wall of/u)).toBeInTheDocument();
  expect(made()['lowerFrontInner lowerOuter'].wall).toBe(2);
  await user.click(screen.getByRole('button', { name: 'Not said' }));
  expect(held.build.front.made).toBeUndefined();
});

it('makes a rod of a tapped bar, takes a rod end of the shelf, and starts it where a range lies inside', async () => {
  show();
  await pickRod();
  await user.click(section('Its middle').getByRole('button', { name: 'tapped bar' }));
  expect(made()[ROD]).toMatchObject({ form: 'bar', wall: 0, from: { bung: 0 }, to: { bung: 0 } });
  await user.click(section('Its middle').getByRole('button', { name: 'tube' }));
  expect(made()[ROD]).toMatchObject({ form: 'tube', wall: 2, from: { bung: 8 } });

  await user.click(screen.getByLabelText('I want a range of my own'));
  const set = section('Set by its threads');
  await type(set, 'longer', '9');
  await type(set, 'shorter', '2');
  await user.click(await set.findByRole('button', { name: 'Start it so' }));
  await waitFor(() => expect(set.queryByRole('button', { name: 'Start it so' })).toBeNull());
  await type(set, 'longer', '90');
  expect(await set.findByText(/More than these threads give/u)).toBeInTheDocument();

  const inner = section('Tie rod inner joint');
  await user.click(inner.getByRole('button', { name: 'Take a rod end from the shelf' }));
  const part = STARTER_SHELF.find(({ kind }) => kind === 'rodEnd')!;
  await user.click(await screen.findByText(part.name));
  await waitFor(() => expect((made()[ROD].from as RodEndMade).part).toBe(part.name));
});

it('says how a joint is bolted and cuts its bracket, which then is a sheet', async () => {
  show();
  await pick('upper arm, front tube, copes');
  const pivot = section('Upper arm front pivot');
  await user.click(pivot.getByRole('button', { name: 'rod end' }));
  await user.click(pivot.getByLabelText('Say how it is bolted'));
  await user.click(pivot.getByLabelText('Cut its bracket'));
  await user.click(pivot.getByRole('button', { name: 'folded' }));
  await type(pivot, 'inner radius', '6');
  expect(made()['upperFrontInner upperOuter'].from).toMatchObject({
    held: { ears: 2, bracket: { folded: true, radius: 6 } },
  });
  await pick('brackets');
  expect(screen.getByRole('img', { name: /Front brackets, page 1/u })).toBeInTheDocument();
  await user.click(section('Upper arm front pivot').getByLabelText('Say how it is bolted'));
  expect(made()['upperFrontInner upperOuter'].from).not.toHaveProperty('held');
  // Its sheet is gone, and another is shown.
  expect(screen.queryByRole('button', { name: 'brackets' })).toBeNull();
});

it('freezes, and says when sheets could not be made', async () => {
  show();
  await user.click(screen.getByRole('button', { name: 'Freeze it' }));
  expect(held.build.layout?.frozen).toBeDefined();
  expect(screen.queryByText(/Drafts, until/u)).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Take all sheets' }));
  expect(await screen.findByText('The sheets could not be made: no paper')).toBeInTheDocument();
  expect(held.build.shop?.taken).toBeUndefined();
});

it('has rules of its own, and tells the sheets that are old', async () => {
  show((build) => {
    const sheets = sheetEntries(build).map(({ make }) => make());
    noteTaken(build, sheets, '2026-01-02T03:04:05.000Z');
    build.front.points['tieRodInner'].up += 2;
  });
  await user.click(screen.getByRole('button', { name: 'rules & what was taken' }));
  const rules = section('Rules');
  await type(rules, 'thread in steel', '1.2');
  expect(held.build.shop!.engaged).toEqual({ steel: 1.2, aluminium: 2 });
  await user.click(rules.getByRole('button', { name: 'Letter' }));
  expect(held.build.shop!.paper).toBe('Letter');
  const taken = section('Sheets that were taken');
  expect(taken.getAllByText('△ old: the layout has changed').length).toBeGreaterThan(2);
  expect(taken.getAllByText('✓ as the layout is').length).toBeGreaterThan(0);
});

it('keeps what is noted of a part by what it is', async () => {
  show();
  await user.click(screen.getByRole('button', { name: 'parts list' }));
  const row = within(
    screen.getByRole('rowheader', { name: 'front tie rod' }).closest('tr') as HTMLElement,
  );
  await user.type(row.getByLabelText('price', { selector: 'input' }), '12.5');
  await user.tab();
  await user.click(row.getByRole('combobox'));
  await user.click(screen.getByRole('option', { name: 'have' }));
  expect(held.build.shop!.parts).toEqual([{ key: `front ${ROD}`, price: 12.5, state: 'have' }]);
  expect(
    section('What it comes to').getByText(/25.00 EUR in all, 0.00 still/u),
  ).toBeInTheDocument();
});

it('finds lines of the list, and says that sums are of all', async () => {
  show();
  await user.click(screen.getByRole('button', { name: 'parts list' }));
  const list = within(screen.getByRole('table', { name: 'Parts list' }));
  const lines = () => list.getAllByRole('row').length - 1;
  const all = lines();
  const sums = () => screen.getByRole('region', { name: 'What it comes to' }).textContent;
  const before = sums();
  await user.type(screen.getByRole('searchbox', { name: 'Find in the list' }), 'ROD  tie');
  expect(lines()).toBeLessThan(all);
  expect(list.getByRole('rowheader', { name: 'front tie rod' })).toBeVisible();
  expect(
    screen.getByText(`${lines()} of ${all} lines; sums and the file are of all of them.`),
  ).toBeVisible();
  expect(sums()).toBe(before);
});

it('reads threads as builders write them', () => {
  const part = STARTER_SHELF.find(({ kind }) => kind === 'rodEnd')!;
  if (part.kind !== 'rodEnd') throw new Error('no rod end');
  for (const [text, name] of [
    ['M12 x 1,75', 'M12x1.75'],
    ['m10×1.25', 'M10x1.25'],
    ['M8', 'M8x1.25'],
    ['1/2-20 UNF LH', '1/2-20 UNF'],
    ['3/8-24', '3/8-24 UNF'],
  ])
    expect(rodEndOf({ ...part, thread: text }).thread).toBe(name);
  expect(rodEndOf({ ...part, thread: 'whatever' })).not.toHaveProperty('thread');
});
