import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import { useState } from 'react';
import { blankBuild } from '@/core/model/starts';
import { variantsOf } from '@/core/model/variants';
import { Editing, frontWheelOf } from '@/test/editing';
import type { Held } from '@/test/editing';
import { VariantNotes } from './VariantNotes';
import { keepState, noteState } from '@/server/actions';
import { VariantsDrawer } from './VariantsDrawer';
import { comparedIn } from './compared';
import type { Compared } from './compared';

const held: Held = { build: blankBuild('x') };
jest.mock('@/server/actions', () => ({ keepState: jest.fn(), noteState: jest.fn() }));

const user = userEvent.setup({ delay: null });

const replaced = jest.fn();
const saved = { ...blankBuild('As it was'), wheelbase: 2345 };
const answers: Record<string, unknown> = {
  saves: [{ id: 's1', name: 'x', savedAt: '2026-03-01T08:00:00.000Z', note: '' }],
  'saves/s1': saved,
};
beforeEach(() => {
  jest.clearAllMocks();
  window.history.replaceState(null, '', '/builds/b1');
  global.fetch = jest.fn(async (path: string) => {
    const body = answers[path.replace('/api/builds/b1/', '')];
    return { ok: body !== undefined, status: 404, json: async () => body ?? { message: 'Gone.' } };
  }) as unknown as typeof fetch;
});

function Drawer() {
  const [compared, setCompared] = useState<Compared | null>(null);
  return (
    <Editing held={held}>
      {(build, onEdit) => (
        <>
          <button
            onClick={() => onEdit((draft) => void (draft.front.points['tieRodOuter'].up -= 4))}
          >
            Lower the rod’s end
          </button>
          <VariantsDrawer
            open
            onClose={jest.fn()}
            build={build}
            wheel={frontWheelOf(build)}
            unit="mm"
            compared={compared}
            onCompare={setCompared}
            onEdit={onEdit}
            onReplace={replaced}
          />
        </>
      )}
    </Editing>
  );
}
const show = () => {
  held.build = blankBuild('x');
  render(
    <SnackbarProvider>
      <Drawer />
    </SnackbarProvider>,
  );
};
const row = (name: string) =>
  within(document.querySelector(`[data-variant="${name}"]`) as HTMLElement);
const names = () => variantsOf(held.build).map(({ name }) => name);
const press = (where: { getByRole: typeof screen.getByRole }, name: string | RegExp) =>
  user.click(where.getByRole('button', { name }));

it('copies, names, opens and removes variants', async () => {
  show();
  await press(screen, /Go on with a copy/);
  expect(names()).toEqual(['Variant 2', 'First variant']);
  const field = row('Variant 2').getByLabelText('Variant');
  await user.clear(field);
  expect(screen.getByText(/is empty/)).toBeVisible();
  expect(names()[0]).not.toBe('');
  await user.type(field, 'Rack lowered');
  expect(names()).toEqual(['Rack lowered', 'First variant']);
  await press(row('First variant'), 'Open');
  expect(names()).toEqual(['First variant', 'Rack lowered']);
  await press(row('Rack lowered'), 'Remove');
  expect(names()).toEqual(['First variant']);
});

it('freezes a variant, which can then not be removed until it is thawed', async () => {
  show();
  await press(row('First variant'), 'Freeze');
  expect(row('First variant').getByText(/▣ frozen \d+ \w+ \d{4}/)).toBeVisible();
  await press(screen, /Go on with a copy/);
  expect(row('First variant').queryByRole('button', { name: 'Remove' })).toBeNull();
  await press(row('First variant'), 'Thaw');
  expect(row('First variant').getByRole('button', { name: 'Remove' })).toBeEnabled();
});

it('compares two variants: what they come to, and every number that differs', async () => {
  show();
  await press(screen, /Go on with a copy/);
  await press(row('First variant'), 'Compare');
  expect(screen.getByText('No number differs')).toBeVisible();
  await user.click(screen.getByText('Lower the rod’s end'));
  const cells = (table: string, text: RegExp) => {
    const line = within(screen.getByRole('table', { name: table }))
      .getByText(text)
      .closest('tr')!;
    return Array.from(line.cells, (cell) => cell.textContent);
  };
  const { up } = held.build.front.points['tieRodOuter'];
  expect(cells('Numbers that differ', /tie rod outer joint, up/)).toEqual([
    'front tie rod outer joint, up',
    String(up),
    String(up + 4),
    '−4',
  ]);
  const [, open, other, change] = cells('Figures compared', /toe range/).map(Number);
  expect(open - other).toBeCloseTo(change, 1);
  await press(row('First variant'), 'Stop comparing');
  expect(screen.queryByRole('table')).toBeNull();
});

it('compares with the build as it was saved, and brings that back', async () => {
  show();
  const saves = within(await screen.findByRole('region', { name: 'Earlier saves' }));
  expect(await saves.findByText(/1 Mar 2026/)).toBeVisible();
  await press(saves, 'Compare');
  const figures = await screen.findByRole('table', { name: 'Figures compared' });
  expect(within(figures).getByText(/camber gain, toe held straight/)).toBeVisible();
  await press(saves, 'Bring back');
  expect(replaced).toHaveBeenCalledWith(saved);
});

it('writes a note on a save, and keeps how it is now under one', async () => {
  jest.mocked(noteState).mockResolvedValue({ ok: true, value: true });
  jest.mocked(keepState).mockResolvedValue({ ok: false, message: 'That is not there any more.' });
  show();
  await user.click(await screen.findByRole('button', { name: /^Note on 1 Mar 2026/ }));
  await user.type(screen.getByRole('textbox', { name: /^Note on 1 Mar/ }), 'as welded{Enter}');
  expect(noteState).toHaveBeenCalledWith('b1', 's1', 'as welded');
  expect(screen.getByRole('button', { name: 'Keep it' })).toBeDisabled();
  await user.type(screen.getByLabelText('Note on how it is now'), 'before the long arms');
  await press(screen, 'Keep it');
  expect(keepState).toHaveBeenCalledWith('b1', 'before the long arms');
  // What could not be kept stays typed.
  expect(await screen.findByText('That is not there any more.')).toBeVisible();
  expect(screen.getByLabelText('Note on how it is now')).toHaveValue('before the long arms');
});

it('says when the server has lost a save', async () => {
  show();
  const saves = within(await screen.findByRole('region', { name: 'Earlier saves' }));
  await saves.findByText(/1 Mar 2026/);
  delete answers['saves/s1'];
  await press(saves, 'Bring back');
  expect(await screen.findByText('Gone.')).toBeVisible();
  expect(replaced).not.toHaveBeenCalled();
});

it('knows what is compared: not the open variant, not one that is gone', () => {
  const build = blankBuild('x');
  expect(comparedIn(build, null)).toBeNull();
  expect(comparedIn(build, { kind: 'variant', id: 'first' })).toBeNull();
  expect(comparedIn(build, { kind: 'variant', id: 'gone' })).toBeNull();
});

it('notes over the station what is frozen and what is compared, and the way out of both', async () => {
  const edit = jest.fn();
  const stop = jest.fn();
  const notes = (frozen: string | undefined, against: string | null) => (
    <VariantNotes
      name="As cut"
      frozen={frozen}
      against={against}
      onEdit={edit}
      onStopComparing={stop}
    />
  );
  const { rerender } = render(notes(undefined, null));
  expect(screen.queryByRole('note')).toBeNull();
  rerender(notes('2026-05-01T10:00:00.000Z', 'Rack lowered'));
  expect(screen.getByRole('note')).toHaveTextContent(/“As cut” is frozen since 1 May 2026/);
  await press(screen, 'Stop');
  expect(stop).toHaveBeenCalled();
  await press(screen, 'Go on with a copy');
  const build = blankBuild('x');
  (edit.mock.lastCall[0] as (draft: typeof build) => void)(build);
  expect(variantsOf(build)[0].name).toBe('As cut, changed');
});
