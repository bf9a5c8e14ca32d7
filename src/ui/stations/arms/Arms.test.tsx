import { act, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import type * as Finder from '@/core/arms/armsFromCamber';
import type * as Clearance from '@/core/clearance/room';
import { briefOf } from '@/core/model/brief';
import type { Build } from '@/core/model/build';
import type { PointName } from '@/core/model/points';
import { blankBuild } from '@/core/model/starts';
import { Editing, frontWheelOf } from '@/test/editing';
import type { Held } from '@/test/editing';
import type { FloorStation } from '../floorStation';
import { Arms } from './Arms';
import { useClearances } from './useClearances';

// The worker's own computation, without a worker.
jest.mock('../../build/finderWorker', () => {
  const { armsFromCamber } = jest.requireActual<typeof Finder>('@/core/arms/armsFromCamber');
  const { clearancesOf } = jest.requireActual<typeof Clearance>('@/core/clearance/room');
  return {
    finderWorker: () => ({
      arms: async (...of: Parameters<typeof armsFromCamber>) => {
        const search = armsFromCamber(of[0], of[1], of[2]);
        for (;;) {
          const step = search.next();
          if (step.done) return step.value;
        }
      },
      clearances: async (build: Build) => clearancesOf(build, frontWheelOf(build)),
      cancel: jest.fn(),
    }),
  };
});
/** Arms with the room that the page looks for. */
const WithRoom = (props: Omit<FloorStation, 'clearances'>) => (
  <Arms {...props} clearances={useClearances(props.build, props.wheel)} />
);

const held: Held = { build: blankBuild('x') };
const calls = { onTry: jest.fn(), onShow: jest.fn(), onSelect: jest.fn() };
const user = userEvent.setup({ delay: null });

function show(selected: PointName | null = 'upperFrontInner', start: Build = blankBuild('x')) {
  held.build = start;
  Object.values(calls).forEach((call) => call.mockClear());
  render(
    <SnackbarProvider>
      <Editing held={held}>
        {(build, onEdit) => (
          <WithRoom
            build={build}
            wheel={frontWheelOf(build)}
            targets={briefOf(build).targets}
            unit="mm"
            selected={selected}
            tried={null}
            onPoints={(change) => onEdit((draft) => change(draft.front.points))}
            onEdit={onEdit}
            {...calls}
          />
        )}
      </Editing>
    </SnackbarProvider>,
  );
}
const choose = (name: string | RegExp) => user.click(screen.getByRole('button', { name }));
const row = (coordinate: string) =>
  within(document.querySelector(`[data-freedom="${coordinate}"]`) as HTMLElement);
const give = async (coordinate: string, kind: RegExp) => {
  await user.click(row(coordinate).getByRole('combobox'));
  await user.click(screen.getByRole('option', { name: kind }));
};
const freedom = () => held.build.front.freedoms?.['upperFrontInner'];

describe('freedoms', () => {
  it('start about where the point is, and are taken away again', async () => {
    show();
    await choose('freedoms');
    await give('up', /drilled/);
    expect(freedom()?.up).toEqual({ kind: 'choices', at: [385, 410, 435] });
    expect(row('up').getByText(/now at 385 mm; 3 places/)).toBeVisible();
    await give('up', /slot/);
    expect(freedom()?.up).toEqual({ kind: 'range', min: 360, max: 410, step: 0 });
    await give('up', /not decided/);
    expect(freedom()?.up).toBeUndefined();
  });

  it('take a list of holes in any notation, refuse one that cannot be read, and keep it', async () => {
    show();
    await choose('freedoms');
    await give('up', /drilled/);
    const holes = row('up').getByLabelText('holes at');
    await user.clear(holes);
    await user.type(holes, '360; 15 in; twelve{Enter}');
    expect(row('up').getByText(/“twelve” is not a length/)).toBeVisible();
    expect(holes).toHaveValue('360; 15 in; twelve');
    await user.clear(holes);
    await user.type(holes, '360; 15 in{Enter}');
    expect(freedom()?.up).toEqual({ kind: 'choices', at: [360, 381] });
    expect(row('up').getByText(/now at 385 mm, which it does not have/)).toBeVisible();
  });

  it('say which washers make where the point is now', async () => {
    const start = blankBuild('x');
    start.front.freedoms = {
      upperFrontInner: {
        up: { kind: 'shims', base: 382, stock: [0.5, 1, 2], most: 2, way: 1 },
      },
    };
    show('upperFrontInner', start);
    await choose('freedoms');
    expect(row('up').getByText(/now at 385 mm: 1 \+ 2; \d+ places/)).toBeVisible();
    await user.click(row('up').getByRole('button', { name: '−' }));
    expect(freedom()?.up).toMatchObject({ way: -1 });
    expect(row('up').getByText(/which it does not have/)).toBeVisible();
  });

  it('hold the ends of a slot in order', async () => {
    show();
    await choose('freedoms');
    await give('out', /slot/);
    await user.clear(row('out').getByLabelText('to'));
    await user.type(row('out').getByLabelText('to'), '100');
    expect(row('out').getByText(/is 100: at least 305 mm/)).toBeVisible();
    expect(freedom()?.out).toMatchObject({ min: 305, max: 355 });
  });
});

describe('finding arms', () => {
  it('asks for a freedom first', async () => {
    show();
    await choose('find arms from camber');
    expect(screen.getByRole('button', { name: 'Find arms' })).toBeDisabled();
    expect(screen.getByText(/Nothing may move yet/)).toBeVisible();
  });

  it('lists what it found, lets it be looked at, and takes it', async () => {
    const start = blankBuild('x');
    start.front.freedoms = {
      upperFrontInner: { up: { kind: 'range', min: 330, max: 420, step: 0 } },
    };
    show('upperFrontInner', start);
    await choose('find arms from camber');
    await choose('Find arms');
    const found = await screen.findByText(/One way does it/);
    expect(found).toHaveTextContent('All 2 combinations were tried');
    const answer = document.querySelector('[data-arms="reached"]') as HTMLElement;
    expect(answer).toHaveTextContent(/both upper arm pivots \d+\.\d lower/);
    await user.click(within(answer).getByRole('button', { name: /^Look/ }));
    expect(calls.onTry).toHaveBeenLastCalledWith(
      expect.objectContaining({ points: expect.anything() }),
    );
    await user.click(within(answer).getByRole('button', { name: /^Take/ }));
    const { upperFrontInner, upperRearInner } = held.build.front.points;
    expect(upperFrontInner.up).toBeLessThan(385);
    expect(upperRearInner.up).toBeCloseTo(upperFrontInner.up, 6);
  });

  it('says what would have to give where nothing reaches it', async () => {
    const start = blankBuild('x');
    start.front.freedoms = {
      upperFrontInner: { up: { kind: 'range', min: 384, max: 386, step: 0 } },
    };
    show('upperFrontInner', start);
    await choose('find arms from camber');
    const gain = screen.getByLabelText('Per 25 mm of bump');
    await user.clear(gain);
    await user.type(gain, '-1.6');
    await choose('Find arms');
    expect(await screen.findByText(/Nothing within the freedoms reaches it/)).toBeVisible();
    expect(
      screen.getByText(/Let the upper arm front pivot go .* lower than it may now/),
    ).toBeVisible();
  });

  it('asks for camber at both ends instead, with a roll centre and a level arm', async () => {
    show();
    await choose('find arms from camber');
    await choose('camber at full bump and droop');
    expect(screen.getByLabelText('Change at bump')).toHaveValue('-2.16');
    await choose('Roll centre: any');
    expect(screen.getByLabelText('Roll centre')).toHaveValue('60');
    await choose('any');
    expect(screen.queryByLabelText('Roll centre')).toBeNull();
    await user.click(screen.getByLabelText('Lower arm level'));
    expect(screen.getByLabelText('Lower arm level')).toBeChecked();
  });
});

it('keeps what was asked with the build, and what was found while other parts are looked at', async () => {
  const start = blankBuild('x');
  start.front.freedoms = {
    upperFrontInner: { up: { kind: 'range', min: 330, max: 420, step: 0 } },
  };
  show('upperFrontInner', start);
  await choose('find arms from camber');
  const gain = screen.getByLabelText('Per 25 mm of bump');
  await user.clear(gain);
  await user.type(gain, '-1.1');
  expect(held.build.asked?.arms).toMatchObject({ gain: -1.1 });
  await choose('Find arms');
  expect(await screen.findByText(/One way does it/)).toBeVisible();
  await choose('freedoms');
  await choose('find arms from camber');
  expect(screen.getByLabelText('Per 25 mm of bump')).toHaveValue('-1.1');
  expect(screen.getByText(/One way does it/)).toBeVisible();
  expect(screen.queryByText(/Found for what was asked before/)).toBeNull();
  await user.click(screen.getByLabelText('Lower arm level'));
  expect(screen.getByText(/Found for what was asked before/)).toBeVisible();
});

describe('room', () => {
  it('names the tightest places and goes there', async () => {
    show();
    await choose('room');
    expect(await screen.findByText(/Everything keeps its distance|too close/)).toBeVisible();
    await choose('Add a round body');
    expect(held.build.room!.keepOuts[0]).toMatchObject({ kind: 'cylinder', axle: 'front' });
    // The clearances come after the typing has rested.
    await act(() => new Promise((resolve) => setTimeout(resolve, 900)));
    const close = document.querySelector('[data-clearance="close"]') as HTMLElement;
    expect(close).toHaveTextContent(/damper/);
    await user.click(close);
    expect(calls.onShow).toHaveBeenCalledWith({
      travel: expect.any(Number),
      rack: expect.any(Number),
    });
    await choose('Remove damper');
    expect(held.build.room!.keepOuts).toEqual([]);
  });

  it('takes a box’s sizes, and refuses none in words', async () => {
    show();
    await choose('room');
    await choose('Add a box');
    const size = screen.getByLabelText('size, up');
    await user.clear(size);
    await user.type(size, '0');
    expect(screen.getByText(/is 0: at least 1 mm/)).toBeVisible();
    await user.clear(size);
    await user.type(size, '80');
    expect(held.build.room!.keepOuts[0]).toMatchObject({ size: { up: 80 } });
  });

  it('says so where the layout cannot be solved', async () => {
    const broken = blankBuild('x');
    broken.front.points['upperOuter'] = { ...broken.front.points['lowerOuter'] };
    show(null, broken);
    await choose('room');
    expect(await screen.findByText(/cannot be solved as drawn/)).toBeVisible();
  });
});

it('types the arms’ points alone, from cell to cell', async () => {
  show();
  const cell = screen.getByLabelText('lower arm front pivot, up, mm');
  await user.click(cell);
  await user.keyboard('{ArrowDown}');
  expect(screen.getByLabelText('lower arm rear pivot, up, mm')).toHaveFocus();
  expect(screen.queryByLabelText('tie rod inner joint, up, mm')).toBeNull();
});
