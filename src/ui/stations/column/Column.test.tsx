import { act, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { findPath } from '@/core/column/findPath';
import type { Build } from '@/core/model/build';
import { STARTER_SHELF } from '@/core/model/starterShelf';
import { blankBuild } from '@/core/model/starts';
import type { LengthUnit } from '@/core/model/units';
import { aColumn, aJoint } from '@/test/columns';
import { Editing } from '@/test/editing';
import type { Held } from '@/test/editing';
import { useView } from '../../build/viewStore';
import { Column } from './Column';

// A test's document has no sizes, no workers and no server.
jest.mock('../../build/finderWorker', () => ({ finderWorker: () => mockWorker }));
jest.mock('@/server/actions', () => ({ shelf: () => Promise.resolve(mockShelf) }));
jest.mock('react-use-measure', () => () => [() => undefined, { width: 800, height: 290 }]);

const mockShelf = {
  ok: true,
  value: STARTER_SHELF.map((part, id) => ({ id, part, name: part.name, kind: part.kind })),
};
const mockWorker = {
  columnPath: ({ front, room }: Build) => {
    const search = findPath(front.column!, room, 'front', [0, 1, 0]);
    for (;;) {
      const step = search.next();
      if (step.done) return Promise.resolve(structuredClone(step.value));
    }
  },
};

const user = userEvent.setup({ delay: null });
const held: Held = { build: blankBuild('x') };
function show(change: (build: Build) => void = () => undefined, unit: LengthUnit = 'mm') {
  const build = blankBuild('Roadster');
  build.front.column = structuredClone(aColumn());
  change(build);
  held.build = build;
  render(
    <Editing held={held}>
      {(now, onEdit) => <Column build={now} unit={unit} onEdit={onEdit} />}
    </Editing>,
  );
}
const open = (part: string) =>
  user.click(within(screen.getByRole('group', { name: 'What of the column' })).getByText(part));
const type = async (label: string, text: string) => {
  const field = screen.getByLabelText(label, { selector: 'input' });
  await user.clear(field);
  await user.type(field, text);
};
const columnNow = () => held.build.front.column!;

beforeEach(() => act(() => useView.getState().show({ compared: null })));

it('asks for the hands and the pinion first, in inches too, and lays nothing until all is said', async () => {
  show((build) => void delete build.front.column, 'in');
  for (const [label, text] of [
    ['handwheel’s middle, ahead', '-35.5'],
    ['handwheel’s middle, left', '13'],
    ['handwheel’s middle, up', '27 1/2'],
    ['pinion at the rack, ahead', '-4.5'],
    ['pinion at the rack, left', '9'],
    ['pinion at the rack, up', '9'],
    ['pinion’s tip, ahead', '-6.5'],
    ['pinion’s tip, left', '9.5'],
  ])
    await type(label, text);
  expect(screen.getByRole('status')).toHaveTextContent('Still to say: the pinion’s tip, up.');
  expect(screen.getByRole('button', { name: 'Lay the column' })).toBeDisabled();
  await type('pinion’s tip, up', '10.75');
  await user.click(screen.getByRole('button', { name: 'Lay the column' }));
  expect(columnNow().wheel.centre.up).toBeCloseTo(698.5, 9);
  expect(columnNow().joints).toHaveLength(2);
  expect(screen.getByRole('region', { name: 'Column on the floor' })).toBeInTheDocument();
});

it('starts a kart’s from its drop arm’s own shaft', () => {
  const kart = blankBuild('Kart', 'kingpin');
  show((build) => Object.assign(build, kart));
  const { lower, upper } = kart.front.dropArm!;
  expect(screen.getByLabelText('shaft, low, ahead')).toHaveValue(String(lower.ahead));
  expect(screen.getByLabelText('shaft’s tip, up')).toHaveValue(String(upper.up));
});

it('judges what was said of the driver, and asks for the rest', async () => {
  show();
  expect(screen.getByText(/Nothing is said yet of who drives/u)).toBeInTheDocument();
  await user.click(screen.getByText('handwheel and pedals move'));
  expect(columnNow().driver).toEqual({ moves: 'wheel and pedals' });
  expect(screen.getByText('say shoulder and arm')).toBeInTheDocument();
  await type('helmet’s top, ahead', '-1400');
  await type('helmet’s top, up', '1130');
  await type('front hoop’s top, ahead', '-700');
  await type('front hoop’s top, up', '1200');
  await type('main hoop’s top, ahead', '-1700');
  expect(screen.getByText('say helmet and both hoops')).toBeInTheDocument();
  await type('main hoop’s top, up', '1200');
  const row = screen.getByRole('row', { name: /helmet under the line/u });
  expect(row).toHaveTextContent('70 mm');
  expect(row).toHaveTextContent('good');
  await type('helmet’s top, up', '1180');
  expect(screen.getByRole('row', { name: /helmet under the line/u })).toHaveTextContent(
    /20 mm.*look again/u,
  );
});

it('makes a joint a box and back, takes one from the shelf, and warns of its splines', async () => {
  show();
  await open('line & joints');
  await user.click(screen.getByRole('button', { name: /^joint 2 plain/u }));
  await user.click(screen.getByRole('combobox', { name: 'pinion' }));
  await user.click(screen.getByRole('option', { name: 'spline' }));
  await type('pinion: across', '17.5');
  await type('pinion: teeth', '36');
  await user.click(screen.getByText('Take a joint from the shelf'));
  await user.click(await screen.findByText('Needle joint, 36 teeth'));
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  expect(columnNow().joints[1]).toMatchObject({
    ...{ kind: 'single', part: 'Needle joint, 36 teeth', limit: 35 },
    below: { by: 'spline', diameter: 15.9, teeth: 36, depth: 28 },
  });
  await open('cut list');
  expect(screen.getByText(/joint 2 and pinion: 36 teeth, 15.9 mm against 17.5 mm/u)).toBeVisible();
  await open('line & joints');
  const kind = await screen.findByRole('combobox', { name: 'what it is' });
  await user.click(kind);
  await user.click(screen.getByRole('option', { name: /box/u }));
  expect(columnNow().joints[1]).toMatchObject({ kind: 'box', ratio: 1 });
  await user.click(screen.getByRole('switch', { name: 'turns the other way round' }));
  await open('how it turns');
  expect(screen.getByText(/the other way round: the rack’s side answers for it/u)).toBeVisible();
});

it('says what stands at fault: a bend past its limit, a column that binds, a wall without its shaft', async () => {
  show((build) => {
    build.front.column = structuredClone(
      aColumn({ wanted: { sharpest: 18, comfort: 12, ripple: 2, joints: 2, clear: 10 } }),
    );
  });
  await open('line & joints');
  expect(screen.getByRole('button', { name: /joint 1.*20.5°.*rework/u })).toBeInTheDocument();
  await user.click(screen.getByRole('button', { name: /joint 1/u }));
  await type('middle, ahead', '-1100');
  expect(screen.getByRole('alert')).toHaveTextContent(/does not turn: joint 1: .*forks meet/u);
  await type('middle, ahead', '-430');
  await open('cut list');
  await user.click(screen.getByRole('button', { name: 'Add the firewall' }));
  expect(screen.getByText('joint 1, inside')).toBeInTheDocument();
  await type('a place of it, ahead', '900');
  expect(screen.getByText(/No shaft goes through it/u)).toBeInTheDocument();
});

it('puts bearings in and out, and says how a collar clears a housing that leans', async () => {
  show();
  await open('supports & range');
  await user.click(screen.getByRole('button', { name: 'Add a bearing' }));
  await user.click(screen.getByRole('combobox', { name: 'kind' }));
  await user.click(screen.getByRole('option', { name: 'spherical bearing' }));
  await user.click(screen.getByText('Take a bearing from the shelf'));
  await user.click(await screen.findByText('Flanged spherical bearing 19 mm'));
  await user.click(screen.getByText('Take a collar from the shelf'));
  await user.click(await screen.findByText('Split collar 19 mm'));
  await type('housing off square', '10');
  // 8.5 cos 10° − 17 sin 10° − 6.5 = −1.08 mm.
  expect(
    screen.getByText(/The collar rubs the housing from 6\.\d° on, and it is 10° off/u),
  ).toBeVisible();
  await type('housing off square', '3');
  expect(screen.getByText(/The collar stands 1\.1 mm off the housing/u)).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Take bearing 1 out' }));
  expect(columnNow().supports).toEqual([]);
});

it('finds a path, shows it beside, and takes it', async () => {
  const range = (at: number) => ({ kind: 'range' as const, min: at - 80, max: at + 80, step: 0 });
  show((build) => {
    const joint = {
      ...aJoint(-430, 300, 500),
      freedoms: { ahead: range(-430), up: range(500) },
    };
    build.front.column = structuredClone(
      aColumn({ joints: [joint as never, aColumn().joints[1]] }),
    );
  });
  await open('find a path');
  expect(screen.getByText(/May move: joint 1/u)).toBeInTheDocument();
  await user.click(screen.getByRole('button', { name: 'Find a path' }));
  await user.click(await screen.findByRole('button', { name: 'Look: path 1' }));
  expect(document.querySelector('[data-part="looked at"]')).not.toBeNull();
  const before = columnNow();
  await user.click(screen.getByRole('button', { name: 'Take: path 1' }));
  expect(columnNow()).not.toEqual(before);
  expect(document.querySelector('[data-part="looked at"]')).toBeNull();
  await open('how it turns');
  const ripple = Number(document.querySelector<HTMLElement>('[data-ripple]')!.dataset['ripple']);
  expect(ripple).toBeLessThanOrEqual(2);
});
