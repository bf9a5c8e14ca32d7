import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import type { Build } from '@/core/model/build';
import { blankBuild } from '@/core/model/starts';
import { noTakeOff } from '@/core/model/takeOff';
import type * as Real from '@/core/tolerance/sensitivity';
import { Editing, frontWheelOf } from '@/test/editing';
import type { Held } from '@/test/editing';
import { TablePreview } from '../../points/TablePreview';
import { TakeOff } from './TakeOff';

// The worker's own computation, without a worker.
jest.mock('../../build/toleranceWorker', () => {
  const { sensitivities } = jest.requireActual<typeof Real>('@/core/tolerance/sensitivity');
  return {
    toleranceWorker: () => ({
      sensitivities: async (build: Build) => sensitivities(build, frontWheelOf(build)),
    }),
  };
});
jest.mock('@/server/actions', () => ({ shelf: jest.fn() }));

const held: Held = { build: blankBuild('x') };

const user = userEvent.setup({ delay: null });
const show = (start = blankBuild('x')) => {
  held.build = start;
  render(
    <SnackbarProvider>
      <Editing held={held}>
        {(build, onEdit) => (
          <TakeOff
            build={build}
            wheel={frontWheelOf(build)}
            unit="mm"
            bands={null}
            onEdit={onEdit}
          />
        )}
      </Editing>
      <TablePreview unit="mm" />
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
  // Nothing counts until all of it is read.
  await type(field('up'), '145');
  expect(row('lowerFrontInner')).toHaveTextContent('still to be typed');
  expect(screen.getByText(/Not measured yet: ahead, out still to be typed/)).toBeVisible();
  expect(field('ahead')).toHaveAttribute('placeholder', 'drawn 140');
  await type(field('ahead'), '140');
  await type(field('out'), '250');
  expect(row('lowerFrontInner')).toHaveTextContent('140, 250, 185');
  expect(row('lowerFrontInner')).toHaveTextContent('5 off');
  await choose('Put 1 into the model');
  expect(held.build.front.points['lowerFrontInner']).toEqual({ ahead: 140, out: 250, up: 185 });
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
  expect(screen.queryByRole('alert')).toBeNull();
  for (const mark of ['A', 'B', 'C']) await type(field(`to ${mark}`), '500');
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
  expect(await screen.findByRole('alert')).toHaveTextContent('line 3');
  expect(screen.getByRole('button', { name: /^Put in/ })).toBeDisabled();
  await choose('Cancel');
  expect(held.build.takeOff).toBeUndefined();
  await paste('point\tahead_mm\tout_mm\tup_mm\r\nlowerOuter\t1,5\t620\t176\r\n');
  await choose('Put in 1 joint');
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
  expect(held.build.front.rightPoints!['upperFrontInner'].up).toBe(391);
  expect(held.build.front.points['upperFrontInner'].up).toBe(385);
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

/** Four marks as a builder would set them: one known, a mirrored pair with its height, one more on the centreline. */
const frameWithMarks = () => {
  const start = blankBuild('x');
  const known = (ahead: boolean, left: boolean, up: boolean) => ({ ahead, left, up });
  start.takeOff = {
    planes: [],
    marks: [
      { id: 'a', name: 'A', ahead: 0, left: 0, up: 150, known: known(true, true, true) },
      {
        id: 'b',
        name: 'B',
        ahead: 200,
        left: 300,
        up: 400,
        known: known(false, false, true),
        mirrors: 'c',
      },
      { id: 'c', name: 'C', ahead: 200, left: -300, up: 400, known: known(false, false, true) },
      { id: 'd', name: 'D', ahead: 600, left: 0, up: 300, known: known(false, true, false) },
    ],
    between: [],
    measured: [],
    placing: 1.5,
  };
  return start;
};
const marksTab = () => user.click(screen.getByRole('tab', { name: 'Datum marks' }));
const taped = (from: string, to: string) => screen.getByLabelText(`${from} to ${to}`);

it('sets up a bare frame from tapes between its marks, and says when they disagree', async () => {
  show(frameWithMarks());
  await marksTab();
  const place = { A: [0, 0, 150], B: [205, 303, 400], C: [205, -303, 400], D: [610, 0, 310] };
  const names = Object.keys(place) as (keyof typeof place)[];
  for (const [i, from] of names.entries())
    for (const to of names.slice(i + 1)) {
      await choose(`${from} to ${to}`);
      const along = place[from].map((at, k) => at - place[to][k]);
      await type(taped(from, to), Math.hypot(...along).toFixed(1));
    }
  expect(screen.getByRole('status')).toHaveTextContent(
    /nothing checks A to D, B to C: a slip there would not show/,
  );
  await user.click(screen.getByLabelText('D: up is known'));
  await type(screen.getAllByRole('textbox', { name: 'up' }).at(-1)!, '310');
  expect(screen.getByRole('status')).toHaveTextContent(/✓ The tapes agree to 0(\.\d)? mm/);
  const b = document.querySelector('[data-mark="B"]') as HTMLElement;
  expect(b).toHaveTextContent(/205(\.\d)?, 303(\.\d)?, 400/);
  expect(screen.queryByText('Not taped yet:')).toBeNull();
  await type(taped('B', 'C'), '640');
  expect(screen.getByRole('status')).toHaveTextContent(/do not agree by more than their ±/);
  expect(screen.getByRole('status')).not.toHaveTextContent('✓');
});

it('takes marks and tapes away with what hung on them, but none that points are measured to', async () => {
  const start = frameWithMarks();
  start.takeOff!.between = [{ from: 'a', to: 'b', distance: 440, tolerance: 1.5 }];
  start.takeOff!.measured = [
    {
      axle: 'front',
      side: 'left',
      point: 'lowerOuter',
      method: 'distances',
      answer: 1,
      tapes: [{ mark: 'a', distance: 600, tolerance: 1.5 }],
    },
  ];
  show(start);
  await marksTab();
  expect(screen.getByRole('button', { name: 'Remove A' })).toBeDisabled();
  await choose('Remove B');
  expect(held.build.takeOff!.marks.map(({ name }) => name)).toEqual(['A', 'C', 'D']);
  expect(held.build.takeOff!.between).toEqual([]);
  await choose('A to D');
  await choose('Leave out A to D');
  expect(held.build.takeOff!.between).toEqual([]);
  await type(screen.getAllByLabelText('Name')[1], '  ');
  expect(held.build.takeOff!.marks[1].name).toBe('C');
});

it('finds a point from four tapes, tells how they meet, and which of two answers is meant', async () => {
  const start = frameWithMarks();
  for (const mark of start.takeOff!.marks) mark.known = { ahead: true, left: true, up: true };
  show(start);
  await choose('distances');
  const point = [20, 620, 190];
  const place = { A: [0, 0, 150], B: [200, 300, 400], C: [200, -300, 400], D: [600, 0, 300] };
  for (const [mark, at] of Object.entries(place)) {
    if (!screen.queryByLabelText(`to ${mark}`)) {
      await user.click(screen.getByLabelText('Another tape, to'));
      await user.click(screen.getByRole('option', { name: mark }));
    }
    const along = at.map((value, k) => value - point[k]);
    await type(screen.getByLabelText(`to ${mark}`), Math.hypot(...along).toFixed(1));
  }
  expect(row('lowerOuter')).toHaveTextContent(/20(\.\d)?, 620(\.\d)?, 1(90|89\.9)/);
  await user.click(screen.getAllByLabelText('Leave this tape out')[3]);
  const two = screen.getByRole('group', { name: 'Which of the two' });
  const before = row('lowerOuter').textContent;
  await user.click(within(two).getAllByRole('button')[1]);
  expect(row('lowerOuter').textContent).not.toBe(before);
  await user.click(within(two).getAllByRole('button')[0]);
  expect(row('lowerOuter').textContent).toBe(before);
});

const measuredBuild = (off: number): Build => {
  const build = blankBuild('x');
  const marks = [
    [500, 150, 20],
    [-500, 100, 60],
    [350, 900, 40],
    [0, 200, 800],
  ].map(([ahead, left, up], i) => ({
    id: `m${i}`,
    name: 'ABCD'[i],
    ahead,
    left,
    up,
    known: { ahead: true, left: true, up: true },
  }));
  const target = [60, 420, 300];
  build.takeOff = {
    ...noTakeOff(),
    marks,
    measured: [
      {
        axle: 'front',
        side: 'left',
        point: 'lowerOuter',
        method: 'distances',
        answer: 1,
        tapes: marks.map(({ id, ahead, left, up }, i) => ({
          mark: id,
          distance:
            Math.round(10 * Math.hypot(target[0] - ahead, target[1] - left, target[2] - up)) / 10 +
            (i === 1 ? off : 0),
          tolerance: 1.5,
        })),
      },
    ],
  };
  return build;
};

it('says what each of tapes that disagree would read, asks before it takes the point, and keeps what is left out', async () => {
  show(measuredBuild(30));
  const tape = (name: string) => document.querySelector(`[data-tape="${name}"]`) as HTMLElement;
  for (const name of 'ABCD') expect(tape(name)).toHaveTextContent(/alone wrong: \d/);
  expect(screen.getByRole('alert')).toHaveTextContent(/disagree by more than their ±/);
  const before = structuredClone(held.build.front.points['lowerOuter']);
  await choose('Put 1 into the model');
  const dialog = within(await screen.findByRole('dialog'));
  expect(dialog.getByText(/lower ball joint, ±\d\d/)).toBeVisible();
  await user.click(dialog.getByRole('button', { name: 'Not yet' }));
  expect(held.build.front.points['lowerOuter']).toEqual(before);
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  await user.click(within(tape('B')).getByRole('button', { name: 'Leave this tape out' }));
  const [record] = held.build.takeOff!.measured;
  expect(record).toMatchObject({ tapes: { 1: { leftOut: true, distance: expect.any(Number) } } });
  expect(tape('B')).toHaveTextContent('left out');
  expect(screen.queryByText(/disagree by more/)).toBeNull();
  await user.click(within(tape('B')).getByRole('button', { name: 'Count the tape to B again' }));
  expect(tape('A')).toHaveTextContent(/alone wrong/);
});

it('takes a point whose tapes agree without asking', async () => {
  show(measuredBuild(0));
  await choose('Put 1 into the model');
  expect(screen.queryByRole('dialog')).toBeNull();
  expect(held.build.front.points['lowerOuter'].out).toBeCloseTo(420, 0);
});

it('says where the same reading from another plane puts the point, and can keep the point', async () => {
  const build = blankBuild('x');
  const read = (value: number) => ({ value, tolerance: 1.5 });
  build.takeOff = {
    ...noTakeOff(),
    planes: [{ id: 'r', name: 'rail', axis: 'out', at: 225, facing: 1 }],
    measured: [
      {
        axle: 'front',
        side: 'left',
        point: 'lowerOuter',
        method: 'direct',
        ahead: read(0),
        out: read(250),
        up: read(180),
      },
    ],
  };
  show(build);
  await user.click(field('from', 1));
  await user.click(screen.getByRole('option', { name: 'rail' }));
  expect(screen.getByText(/puts the point at 475 out; it was at 250/)).toBeVisible();
  await choose('Keep the point: 25 from there');
  expect(row('lowerOuter')).toHaveTextContent('0, 250, 180');
});
