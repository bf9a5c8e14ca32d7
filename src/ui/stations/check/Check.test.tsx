import { act, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import { usualSetup } from '@/core/check/evidence';
import { readCar } from '@/core/check/virtualCar';
import { normalsApart } from '@/core/geometry/random';
import { wheelOf } from '@/core/kinematics/wheel';
import type { KeptCheck } from '@/core/model/build';
import type { CheckReading } from '@/core/model/checks';
import { blankBuild } from '@/core/model/starts';
import { variantsOf } from '@/core/model/variants';
import { aCheck } from '@/test/checks';
import { Editing } from '@/test/editing';
import type { Held } from '@/test/editing';
import { Check } from './Check';
import { useChecks } from './checkStore';
import { useManners } from './tone';

jest.setTimeout(60_000);
const user = userEvent.setup({ delay: null });
const held: Held = { build: blankBuild('x') };
const setup = { ...usualSetup(blankBuild('x').front, 'hub'), heightOff: 0.5 };

/** A server that has checks, and takes every reading. */
function serve(checks: KeptCheck[]) {
  global.fetch = jest.fn(
    async (_: string, init?: RequestInit) =>
      ({
        ok: true,
        status: 200,
        json: async () => (init?.method ? { kept: 1 } : { checks, gone: [] }),
      }) as unknown as Response,
  ) as never;
}

async function show(checks: KeptCheck[] = [], unit: 'mm' | 'in' = 'mm') {
  serve(checks);
  held.build = blankBuild('Stands');
  window.history.replaceState(null, '', `/builds/b-${Math.random()}/check`);
  render(
    <SnackbarProvider>
      <Editing held={held}>
        {(now, onEdit) => (
          <Check
            build={now}
            wheel={wheelOf(now, 'front', 'left')}
            unit={unit}
            bands={null}
            onEdit={onEdit}
          />
        )}
      </Editing>
    </SnackbarProvider>,
  );
  await act(async () => {
    await new Promise((resolve) => setTimeout(resolve, 30));
  });
}

beforeEach(() => {
  localStorage.clear();
  useManners.setState({ keys: false, tone: false });
});

const button = (name: string | RegExp) => screen.getByRole('button', { name });
const field = (name: string) => screen.getByRole('textbox', { name });
const type = async (name: string, text: string) => {
  await user.clear(field(name));
  await user.type(field(name), text);
};
const readings = (): readonly CheckReading[] => useChecks.getState().list![0].readings;
const prompt = () => document.querySelector('[data-prompt]')!.textContent;

/** Strings, a level and a sweep on a car whose joint is off. */
function readOff(point: string, by: number): CheckReading[] {
  const build = blankBuild('Stands');
  const travels = [-60, -40, -20, 0, 20, 40, 60];
  return readCar(
    build,
    {
      ...{ axle: 'front', sides: 'left', moved: 'wheel', setup, drawn: build.front, rounds: [] },
      travel: build.travel,
    },
    { errors: new Map([[`left ${point}`, by]]), gain: { left: 1, right: 1 } },
    travels.flatMap((travel) => [
      { method: 'strings' as const, side: 'left' as const, travel, plusMinus: 0.2 },
      { method: 'level' as const, side: 'left' as const, travel, plusMinus: 0.05 },
    ]),
    normalsApart(3),
  ).map((one, i) => ({ ...one, at: `2026-03-01T10:00:${String(i).padStart(2, '0')}.000Z` }));
}

it('begins a check, prompts every height, and says more with every reading', async () => {
  await show();
  await user.click(button('bare hub or disc'));
  await type('Read by', 'Ada');
  await user.click(button('Begin'));
  expect(useChecks.getState().list![0]).toMatchObject({
    ...{ by: 'Ada', sides: 'left', axle: 'front' },
    setup: { on: 'hub', span: 600 },
  });
  expect(prompt()).toBe('Next: −60 mm of travel.');
  await type('front', '101');
  await type('rear', '100');
  await user.click(button('Take it'));
  expect(readings()).toMatchObject([
    { height: -60, values: [101, 100], plusMinus: 0.5, unit: 'mm', going: 'up', round: 0 },
  ]);
  expect(prompt()).toBe('Next: −40 mm of travel.');
  expect(field('front')).toHaveValue('');
  expect(screen.getByText(/Too few readings to say/u)).toBeInTheDocument();
  for (const front of ['100.6', '100.3', '100', '99.8']) {
    await type('front', front);
    await type('rear', '100{Enter}');
  }
  expect(readings()).toHaveLength(5);
  expect(await screen.findByText(/Toe changes by/u)).toHaveTextContent(/± \d\.\d\d° at worst/u);
  expect(screen.getByText(/Of what was read from −60 to 20 mm/u)).toBeInTheDocument();
});

it('takes half of nothing: what is no number stays in its field with the reason', async () => {
  await show([aCheck(blankBuild('Stands'), 'c')]);
  await type('front', '12.x');
  await type('rear', '100');
  await user.click(button('Take it'));
  expect(screen.getByText(/“12.x” is not a length/u)).toBeInTheDocument();
  expect(field('front')).toHaveValue('12.x');
  expect(readings()).toEqual([]);
  await type('front', '3 7/16 in');
  await type('±', '0');
  await user.click(button('Take it'));
  expect(screen.getByText(/nothing is read exactly/u)).toBeInTheDocument();
  await type('±', '1/32"');
  await user.click(button('Take it'));
  expect(readings()[0].values[0]).toBeCloseTo(87.3125, 9);
  expect(readings()[0].plusMinus).toBeCloseTo(0.79375, 9);
});

it('has keys for one thumb', async () => {
  useManners.setState({ keys: true });
  await show([aCheck(blankBuild('Stands'), 'c')]);
  const keys = within(screen.getByRole('group', { name: 'Large keys' }));
  const press = (name: string) => user.click(keys.getByRole('button', { name }));
  for (const key of ['1', '0', '7', 'delete a digit', '3', '.', '5']) await press(key);
  await user.click(field('rear'));
  for (const key of ['9', '9', '−']) await press(key);
  expect(field('rear')).toHaveValue('−99');
  await press('−');
  await press('Take it');
  expect(readings()[0].values).toEqual([103.5, 99]);
});

it('takes the last reading back, and brings it again', async () => {
  await show([aCheck(blankBuild('Stands'), 'c', { setup, readings: readOff('upperOuter.up', 0) })]);
  await user.click(button('Take the last one back'));
  expect(readings()).toHaveLength(13);
  await user.click(button('Get it back'));
  expect(readings()).toHaveLength(14);
});

it('names the number that was wrong, and takes it into a variant of its own', async () => {
  await show([aCheck(blankBuild('Stands'), 'c', { setup, readings: readOff('upperOuter.up', 9) })]);
  expect(await screen.findByText('✕ Does not fit')).toBeInTheDocument();
  const blamed = within(screen.getByRole('region', { name: 'Measure this again first' }));
  const items = await blamed.findAllByRole('listitem');
  const at = items.findIndex((item) => item.textContent?.includes('upper ball joint: up'));
  expect(at).toBeGreaterThanOrEqual(0);
  expect(at).toBeLessThan(3);
  await user.click(within(items[at]).getByRole('button', { name: 'Take it into the model' }));
  const [open, before] = variantsOf(held.build);
  expect(open.name).toMatch(/^As checked: upper ball joint/u);
  expect(before.front.points['upperOuter'].up).toBe(blankBuild('x').front.points['upperOuter'].up);
  const moved = open.front.points['upperOuter'].up - before.front.points['upperOuter'].up;
  expect(Math.abs(moved - 9)).toBeLessThan(4);
});

it('counts what was fitted as a move, and undoes it while nothing was read since', async () => {
  await show([
    aCheck(blankBuild('Stands'), 'c', { setup, readings: readOff('tieRodOuter.up', -12) }),
  ]);
  const next = await screen.findByText(/^Next: tie rod (outer|inner) joint/u);
  const said = /(\d+\.\d) mm (up|down)/u.exec(next.textContent ?? '')!;
  await user.click(button('It is fitted'));
  const rounds = () => useChecks.getState().list![0].rounds;
  expect(rounds()[0].fitted[0]).toMatchObject({
    side: 'left',
    by: Number(said[1]) * (said[2] === 'up' ? 1 : -1),
  });
  expect(prompt()).toBe('Next: −60 mm of travel.');
  await user.click(button('readings'));
  expect(screen.getByText(/^Fitted .*left tie rod/u)).toBeInTheDocument();
  await user.click(button('Undo'));
  expect(rounds()).toEqual([]);
});

it('leaves a reading out without losing it', async () => {
  await show([aCheck(blankBuild('Stands'), 'c', { setup, readings: readOff('upperOuter.up', 0) })]);
  await user.click(button('readings'));
  const [first] = screen.getAllByRole('checkbox', { name: 'this reading counts' });
  await user.click(first);
  await waitFor(() => expect(readings().filter(({ leftOut }) => leftOut)).toHaveLength(1));
  await user.click(screen.getAllByRole('checkbox', { name: 'this reading counts' })[0]);
  await waitFor(() => expect(readings().filter(({ leftOut }) => leftOut)).toHaveLength(0));
});

it('tells heights by a tape to the hub, and prompts what it will read', async () => {
  await show([aCheck(blankBuild('Stands'), 'c')]);
  await user.click(button('set-up'));
  await user.click(screen.getByRole('combobox', { name: 'told by' }));
  await user.click(screen.getByRole('option', { name: /from the floor to the hub/u }));
  await type('reads at ride height', '305');
  await user.click(button('read'));
  expect(prompt()).toMatch(
    /^Next: 24\d(\.\d)? mm, tape from the floor to the hub \(−60 mm of travel\)/u,
  );
});

it('says that the server does not answer, and goes on', async () => {
  await show([aCheck(blankBuild('Stands'), 'c')]);
  global.fetch = jest.fn(() => Promise.reject(new TypeError('gone'))) as never;
  await type('front', '101');
  await type('rear', '100{Enter}');
  expect(await screen.findByText(/server does not answer: 1 entry wait/u)).toBeInTheDocument();
  expect(readings()).toHaveLength(1);
});
