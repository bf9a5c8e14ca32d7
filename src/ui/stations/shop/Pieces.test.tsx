import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import { wheelOf } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import { PIECES, STARTED_KINDS } from '@/core/model/pieces';
import type { PieceOf } from '@/core/model/pieces';
import { blankBuild } from '@/core/model/starts';
import { STARTER_SHELF } from '@/core/model/starterShelf';
import type { LengthUnit } from '@/core/model/units';
import { readOutlines } from '@/core/scan/outlines';
import { drawingDxf } from '@/core/sheets/dxf';
import { circle, outline } from '@/core/sheets/drawing';
import { Editing } from '@/test/editing';
import { fileOf } from '@/test/fileOf';
import type { Held } from '@/test/editing';
import { keepPart } from '@/server/actions';
import { Shop } from './Shop';

// A test's document has no workers and no server.
jest.mock('../../build/finderWorker', () => ({ finderWorker: () => ({}) }));
jest.mock('../../build/scanWorker', () => ({ scanWorker: () => mockReader }));
jest.mock('@/server/actions', () => ({
  shelf: () => Promise.resolve(mockShelf),
  keepPart: jest.fn(() => Promise.resolve({ ok: true, value: 'id' })),
}));

const mockReader = {
  outlines: (name: string, text: string) => Promise.resolve(readOutlines(name, text)),
};
const mockShelf = {
  ok: true,
  value: STARTER_SHELF.map((part, id) => ({ id, part, name: part.name, kind: part.kind })),
};
const user = userEvent.setup({ delay: null });
const held: Held = { build: blankBuild('x') };

function show(change: (build: Build) => void = () => undefined, unit: LengthUnit = 'mm') {
  const build = blankBuild('Roadster');
  change(build);
  held.build = build;
  render(
    <SnackbarProvider>
      <Editing held={held}>
        {(now, onEdit) => (
          <Shop build={now} wheel={wheelOf(now, 'front', 'left')} unit={unit} onEdit={onEdit} />
        )}
      </Editing>
    </SnackbarProvider>,
  );
}
const madeOf = () => within(screen.getByRole('region', { name: 'Made of' }));
const add = async (name: string) => {
  await user.click(screen.getByRole('button', { name: /Plate or part/u }));
  await user.click(screen.getByRole('menuitem', { name: new RegExp(`^${name}`, 'u') }));
};
const type = async (label: string, text: string) => {
  await screen.findByRole('region', { name: 'Made of' });
  const field = madeOf().getByLabelText(label, { selector: 'input' });
  await user.clear(field);
  await user.type(field, text);
  await user.tab();
};
const gusset = () => held.build.front.pieces![0] as PieceOf<'gusset'>;

it('begins every kind of piece with a sheet of its own and what is asked of it', async () => {
  show();
  for (const kind of STARTED_KINDS) {
    await add(PIECES[kind].name);
    expect(
      await screen.findByRole('heading', { level: 3, name: new RegExp(PIECES[kind].name, 'iu') }),
    ).toBeVisible();
  }
  expect(held.build.front.pieces!.map(({ as }) => as)).toEqual(STARTED_KINDS);
});

it('takes its figures in inches, says what keeps it from being made, and takes it out', async () => {
  show(undefined, 'in');
  await add('gusset');
  await type('along one tube', '4');
  expect(gusset().a).toBeCloseTo(101.6, 9);
  await type('hole', '3"');
  expect(await madeOf().findByRole('alert')).toHaveTextContent(/are left beside a hole of 3 in/u);
  await type('hole', 'wide');
  expect(madeOf().getByText(/“wide” is not a length/u)).toBeVisible();
  expect(gusset().hole).toBeCloseTo(76.2, 9);
  await type('hole', '0');
  expect(madeOf().queryByRole('alert')).toBeNull();
  await type('how many in all', '2.5');
  expect(gusset().count).toBe(4);
  await user.click(madeOf().getByRole('button', { name: 'aluminium' }));
  expect(gusset().material).toBe('aluminium');
  await type('Name of one’s own', 'tower corner');
  expect(gusset().name).toBe('tower corner');
  await user.click(madeOf().getByRole('button', { name: 'Take it out' }));
  expect(held.build.front.pieces).toBeUndefined();
});

it('makes plates of a drawing, and says why not of one that has none', async () => {
  show();
  const file = (text: string) => fileOf(text, 'engine mount.dxf');
  const input = () => screen.getByLabelText('Plate from a drawing');
  await user.upload(input(), file('nothing'));
  expect(
    await screen.findByText(/engine mount.dxf (cannot be read|has no outline)/u),
  ).toBeVisible();
  expect(held.build.front.pieces).toBeUndefined();
  const drawn = drawingDxf({
    ...{ width: 80, height: 50 },
    marks: [
      outline('CUT', [
        [0, 0],
        [80, 0],
        [80, 50],
        [0, 50],
      ]),
      circle('DRILL', [20, 25], 5),
    ],
  });
  await user.upload(input(), file(drawn));
  expect(await screen.findByRole('heading', { level: 3, name: 'Engine mount' })).toBeVisible();
  const [piece] = held.build.front.pieces as PieceOf<'drawn'>[];
  expect(piece.shape.holes).toEqual([{ at: [20, 25], across: 10 }]);
  expect(piece.shape.edge).toHaveLength(4);
});

it('keeps a kit, takes one, and says how it fits', async () => {
  show();
  await user.click(screen.getByRole('button', { name: 'parts list' }));
  const kits = () => within(screen.getByRole('region', { name: 'Kits' }));
  expect(kits().getByRole('button', { name: /Keep what/u })).toBeDisabled();
  await user.click(kits().getByRole('button', { name: 'Take a kit from the shelf' }));
  await user.click(await screen.findByRole('button', { name: /Tie rod of tube/u }));
  await screen.findByRole('region', { name: 'Kits' });
  expect(await kits().findByRole('alert')).toHaveTextContent(
    /tie rod, 16 × 2 steel tube, cut 260/u,
  );
  expect(Object.keys(held.build.front.made!)).toEqual(['tieRodInner tieRodOuter']);
  await user.click(kits().getByRole('button', { name: /Keep what/u }));
  expect(await kits().findByText(/On the shelf as “Roadster, front”/u)).toBeVisible();
  expect(jest.mocked(keepPart).mock.calls[0][1]).toMatchObject({
    kind: 'kit',
    of: 'double-wishbone',
    members: [{ id: 'tieRodInner tieRodOuter' }],
  });
});

it('makes an arm of square tube, bends it, cuts it from plate', async () => {
  show();
  await user.click(
    within(screen.getAllByRole('list')[0]).getByRole('button', {
      name: 'lower arm, front tube, copes',
    }),
  );
  const id = 'lowerFrontInner lowerOuter';
  await user.click(madeOf().getByRole('button', { name: 'square' }));
  expect(held.build.front.made![id].form).toBe('square');
  await user.click(madeOf().getByRole('button', { name: 'tube' }));
  await user.click(madeOf().getByRole('switch', { name: 'Bent once' }));
  expect(held.build.front.made![id].bend).toMatchObject({ beside: 20 });
  await type('corner, along', '120');
  expect(held.build.front.made![id].bend!.along).toBe(120);
  expect(madeOf().getByText(/Loads reckons it straight/u)).toBeVisible();
  await user.click(madeOf().getByRole('button', { name: 'plate' }));
  expect(held.build.front.made![id]).toMatchObject({ form: 'plate', wall: 8 });
  expect(held.build.front.made![id].bend).toBeUndefined();
  expect(
    within(screen.getAllByRole('list')[0]).getByRole('button', { name: 'lower arm, plate' }),
  ).toBeVisible();
});
