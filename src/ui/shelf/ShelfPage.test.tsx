import { render, screen, waitForElementToBeRemoved, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import { TYPED_KINDS } from '@/core/model/parts';
import { STARTER_SHELF } from '@/core/model/starterShelf';
import type { Part } from '@/core/model/parts';
import { keepPart, putPartBack, removePart, shelf } from '@/server/actions';
import type { Shelved } from '@/server/reading';
import { FromShelf } from './FromShelf';
import { ShelfPage } from './ShelfPage';

const refresh = jest.fn();
jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh }) }));
jest.mock('@/server/actions', () => ({
  keepPart: jest.fn(),
  removePart: jest.fn(),
  putPartBack: jest.fn(),
  shelf: jest.fn(),
}));

const user = userEvent.setup({ delay: null });
beforeEach(() => jest.clearAllMocks());

const shelved = (part: Part, i: number): Shelved => ({
  id: `id-${i}`,
  name: part.name,
  kind: part.kind,
  part,
  why: null,
});
const parts = STARTER_SHELF.map(shelved);
const rack = parts.find(({ kind }) => kind === 'rack')!;
const show = (given: Shelved[]) =>
  render(
    <SnackbarProvider>
      <ShelfPage parts={given} />
    </SnackbarProvider>,
  );
const row = (name: string) =>
  within(document.querySelector(`[data-part="${name}"]`) as HTMLElement);
const press = (where: { getByRole: typeof screen.getByRole }, name: string) =>
  user.click(where.getByRole('button', { name }));

it('lists parts by kind, and says so where there are none', () => {
  show([rack]);
  const racks = within(screen.getByRole('region', { name: /Racks/i }));
  expect(racks.getByText(rack.name)).toBeVisible();
  expect(screen.getAllByText('None yet: put the first one there.')).toHaveLength(
    TYPED_KINDS.length - 1,
  );
});

it('changes a part, keeps a copy apart, and shows trouble with nothing lost', async () => {
  jest.mocked(keepPart).mockResolvedValue({ ok: false, message: 'There is a part of that name.' });
  show(parts);
  await press(row(rack.name), 'Change');
  await user.clear(screen.getByLabelText('Name'));
  await user.type(screen.getByLabelText('Name'), 'My own rack');
  await press(screen, 'Keep');
  expect(keepPart).toHaveBeenCalledWith(rack.id, { ...rack.part, name: 'My own rack' });
  expect(await screen.findByText('There is a part of that name.')).toBeVisible();
  expect(screen.getByLabelText('Name')).toHaveValue('My own rack');
  expect(refresh).not.toHaveBeenCalled();
  await press(screen, 'Cancel');

  jest.mocked(keepPart).mockResolvedValue({ ok: true, value: 'new-id' });
  await press(row(rack.name), 'Copy');
  await press(screen, 'Put it on the shelf');
  expect(keepPart).toHaveBeenLastCalledWith(null, { ...rack.part, name: `${rack.name} (copy)` });
  expect(refresh).toHaveBeenCalledTimes(1);
});

it('takes a part off and puts it back', async () => {
  jest.mocked(removePart).mockResolvedValue({ ok: true, value: true });
  jest.mocked(putPartBack).mockResolvedValue({ ok: true, value: true });
  show(parts);
  await press(row(rack.name), 'Remove');
  expect(await screen.findByText(`“${rack.name}” is in the bin.`)).toBeVisible();
  await press(screen, 'Undo');
  expect(putPartBack).toHaveBeenCalledWith(rack.id);
});

it('shows a part that cannot be read, which can only be removed', () => {
  show([{ id: 'x', name: 'Old rack', kind: 'rack', part: null, why: 'travel is missing' }]);
  expect(row('Old rack').getByText('Cannot be read: travel is missing')).toBeVisible();
  expect(row('Old rack').queryByRole('button', { name: 'Change' })).toBeNull();
  expect(row('Old rack').getByRole('button', { name: 'Remove' })).toBeEnabled();
});

describe('picking from the shelf', () => {
  const open = async () => {
    const pick = jest.fn();
    render(<FromShelf kind="rack" title="Take a rack" onPick={pick} />);
    await press(screen, 'Take a rack');
    return pick;
  };

  it('offers only the kind that is asked for', async () => {
    jest.mocked(shelf).mockResolvedValue({ ok: true, value: parts });
    const pick = await open();
    await user.click(await screen.findByText(rack.name));
    expect(pick).toHaveBeenCalledWith(rack.part);
  });

  it('says that there is none, or that the shelf cannot be reached', async () => {
    jest.mocked(shelf).mockResolvedValue({ ok: true, value: [] });
    await open();
    expect(await screen.findByText(/There is none on the shelf yet/)).toBeVisible();
    jest.mocked(shelf).mockRejectedValue(new Error('gone'));
    await press(screen, 'Cancel');
    await waitForElementToBeRemoved(() => screen.queryByRole('dialog'));
    await press(screen, 'Take a rack');
    expect(await screen.findByText(/cannot be reached/)).toBeVisible();
  });
});

it('finds parts by all of their words, and brings the others back', async () => {
  show(parts);
  const all = document.querySelectorAll('[data-part]').length;
  const words = rack.name.toUpperCase().split(' ').slice(0, 2).join('  ');
  await user.type(screen.getByRole('searchbox', { name: 'Find a part' }), words);
  const left = [...document.querySelectorAll('[data-part]')].map((one) =>
    one.textContent!.toUpperCase(),
  );
  expect(left.length).toBeLessThan(all);
  expect(left.some((one) => one.includes(rack.name.toUpperCase()))).toBe(true);
  await user.type(screen.getByRole('searchbox'), ' nowhere');
  expect(screen.getByText('No part has all of these words.')).toBeVisible();
  await user.clear(screen.getByRole('searchbox'));
  expect(document.querySelectorAll('[data-part]')).toHaveLength(all);
});
