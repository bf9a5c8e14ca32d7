import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import { blankBuild } from '@/core/model/starts';
import type * as Real from '@/core/tolerance/sensitivity';
import { Editing } from '@/test/editing';
import type { Held } from '@/test/editing';
import { TakeOff } from './TakeOff';

// The worker's own computation, without a worker.
jest.mock('../../bench/toleranceWorker', () => {
  const { sensitivities } = jest.requireActual<typeof Real>('@/core/tolerance/sensitivity');
  return {
    toleranceWorker: () => ({
      sensitivities: async (...of: Parameters<typeof sensitivities>) => sensitivities(...of),
    }),
  };
});
jest.mock('@/server/actions', () => ({ shelf: jest.fn() }));

const held: Held = { build: blankBuild('x') };

const user = userEvent.setup({ delay: null });
jest.setTimeout(30_000);
const show = (start = blankBuild('x')) => {
  held.build = start;
  render(
    <SnackbarProvider>
      <Editing held={held}>
        {(build, onEdit) => (
          <TakeOff build={build} axle="front" side="left" unit="mm" bands={null} onEdit={onEdit} />
        )}
      </Editing>
    </SnackbarProvider>,
  );
};
const row = (point: string) => document.querySelector(`[data-measured="${point}"]`) as HTMLElement;
const choose = async (label: string) => user.click(screen.getByRole('button', { name: label }));
const field = (label: string, nth = 0) => screen.getAllByLabelText(label)[nth];
const type = async (element: HTMLElement, text: string) => {
  await user.clear(element);
  await user.type(element, text);
};

it('starts with everything as drawn, and says what to do', () => {
  show();
  expect(row('lowerOuter')).toHaveTextContent('as drawn');
  expect(screen.getByText(/Pick how you measured it/)).toBeVisible();
  expect(screen.getByRole('button', { name: 'The model has them all' })).toBeDisabled();
});

it('takes a point by tape from a plane of the builder’s own, and puts it into the model', async () => {
  show();
  await user.click(screen.getByRole('tab', { name: 'Datum planes' }));
  await choose('Add a floor plate');
  expect(held.build.takeOff!.planes[0]).toMatchObject({ axis: 'up', at: 40, facing: 1 });
  await user.click(screen.getByRole('tab', { name: 'Points' }));
  await choose('lower arm front pivot');
  await choose('tape & square');
  await user.click(field('from', 2));
  await user.click(screen.getByRole('option', { name: 'Floor plate' }));
  await type(field('up'), '145');
  expect(row('lowerFrontInner')).toHaveTextContent('140, 250, 185');
  expect(row('lowerFrontInner')).toHaveTextContent('5 off');
  await choose('Put 1 into the model');
  expect(held.build.front.points.lowerFrontInner).toEqual({ ahead: 140, out: 250, up: 185 });
  expect(row('lowerFrontInner')).toHaveTextContent('yes');
});

it('refuses a ± of nought in words and keeps what was typed', async () => {
  show();
  await choose('tape & square');
  await type(field('±'), '0');
  expect(screen.getByText(/a ± is above 0/)).toBeVisible();
  expect(field('±')).toHaveValue('0');
  expect(held.build.takeOff!.measured[0]).toMatchObject({ ahead: { tolerance: 1.5 } });
});

it('asks for marks before distances, and says when they stand in a line', async () => {
  show();
  await choose('distances');
  expect(screen.getByText(/There are no datum marks yet/)).toBeVisible();
  await user.click(screen.getByRole('tab', { name: 'Datum marks' }));
  for (let i = 0; i < 3; i++) await choose('Add a mark');
  expect(held.build.takeOff!.marks.map(({ name }) => name)).toEqual(['A', 'B', 'C']);
  expect(screen.getByRole('status')).toHaveTextContent(/do not hold/);
  for (const mark of ['B', 'C'])
    for (const axis of ['ahead', 'left', 'up'])
      await user.click(screen.getByLabelText(`${mark}: ${axis} is known`));
  const up = (nth: number) => screen.getAllByRole('textbox', { name: 'up' })[nth];
  await type(up(1), '250');
  await type(up(2), '350');
  await user.click(screen.getByRole('tab', { name: 'Points' }));
  await choose('drawn');
  await choose('distances');
  expect(screen.getByRole('alert')).toHaveTextContent('A, B, C stand in one line');
});

it('measures an upright on the bench, by an angle if that is easier', async () => {
  show();
  await choose('bench');
  expect(screen.getByRole('img', { name: /What to measure where/ })).toBeVisible();
  await choose('upper ball joint');
  await choose('bench');
  await choose('Measure the angle D instead of A');
  await type(field('D hub face to joints'), '12');
  expect(row('upperOuter')).toHaveTextContent('bench');
  expect(held.build.takeOff!.measured.find(({ point }) => point === 'upperOuter')).toMatchObject({
    lean: { value: 12, tolerance: 0.1 },
  });
});

it('takes a pasted table with a decimal comma, or says which line is wrong and changes nothing', async () => {
  show();
  const paste = (text: string) => user.click(row('lowerOuter')).then(() => user.paste(text));
  await paste(
    'point\tahead_mm\tout_mm\tup_mm\r\nlowerOuter\t1,5\t620\t176\r\nupperOuter\t0\t590\tx',
  );
  expect(await screen.findByText(/Nothing was taken in/)).toHaveTextContent('line 3');
  expect(held.build.takeOff).toBeUndefined();
  await paste('point\tahead_mm\tout_mm\tup_mm\r\nlowerOuter\t1,5\t620\t176\r\n');
  expect(row('lowerOuter')).toHaveTextContent('1.5, 620, 176');
});

it('compares the sides and takes both as they are', async () => {
  const start = blankBuild('x');
  const at = (side: 'left' | 'right', up: number) => ({
    axle: 'front' as const,
    side,
    point: 'upperFrontInner' as const,
    method: 'direct' as const,
    ahead: { value: 100, tolerance: 1 },
    out: { value: 330, tolerance: 1 },
    up: { value: up, tolerance: 1 },
  });
  start.takeOff = {
    planes: [],
    marks: [],
    between: [],
    measured: [at('left', 385), at('right', 391)],
    placing: 1.5,
  };
  show(start);
  await user.click(screen.getByRole('tab', { name: 'Left against right' }));
  expect(screen.getByText(/upper arm front pivot is furthest out: 6 mm/)).toBeVisible();
  expect(screen.getByText(/of camber and .* of toe between the wheels/)).toBeVisible();
  await choose('Take both as they are');
  expect(held.build.front.rightPoints!.upperFrontInner.up).toBe(391);
  expect(held.build.front.points.upperFrontInner.up).toBe(385);
});

it('lists what deserves the caliper, worst first, for what is asked', async () => {
  show();
  await user.click(screen.getByRole('tab', { name: 'What deserves the caliper' }));
  const table = await screen.findByRole('table', { name: 'Sensitivity' });
  const first = () => within(table).getAllByRole('row')[2];
  expect(first()).toHaveTextContent('tie rod inner joint, up, as drawn');
  await user.click(screen.getByRole('button', { name: 'scrub radius' }));
  expect(first()).toHaveTextContent(/wheel centre, out|lower ball joint, out/);
});
