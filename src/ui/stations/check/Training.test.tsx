import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { KeptCheck } from '@/core/model/build';
import { usualSetup } from '@/core/check/evidence';
import { blankBuild } from '@/core/model/starts';
import { debriefOf } from '@/core/training/debrief';
import { showChecks } from '@/test/checkScreen';
import { aCheck, aReading } from '@/test/checks';
import { useChecks } from './checkStore';

const user = userEvent.setup({ delay: null });
const build = blankBuild('Stands');
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const now = (): KeptCheck => useChecks.getState().list![0];
const minutes = () =>
  Number(document.querySelector('[data-minutes]')!.getAttribute('data-minutes'));

const trained = (more: Partial<KeptCheck> = {}): KeptCheck =>
  aCheck(build, 'trained', {
    setup: usualSetup(build.front, 'hub'),
    training: { scenario: 'loose', seed: 7, acts: [] },
    ...more,
  });
const pick = async (label: string, option: RegExp) => {
  await user.click(screen.getByRole('combobox', { name: label }));
  await user.click(screen.getByRole('option', { name: option }));
};

beforeAll(() => {
  Object.assign(globalThis, {
    EventSource: class {
      close() {}
    },
  });
});

it('begins on a car that is told of and not told, read through stand-ins alone', async () => {
  await showChecks();
  await user.click(button('Training'));
  expect(document.querySelectorAll('[data-scenario]')).toHaveLength(7);
  await user.click(button('Begin: Car 1'));
  expect(now()).toMatchObject({
    ...{ name: 'Car 1, front left, 1', sides: 'left', setup: { on: 'hub' } },
    training: { scenario: 'washer', acts: [] },
  });
  expect(screen.queryByText(/washer/u)).toBeNull();
  expect(minutes()).toBe(25);
  await user.click(button('read'));
  // What is typed was not read.
  await user.type(screen.getByRole('textbox', { name: 'front' }), '1');
  await user.type(screen.getByRole('textbox', { name: 'rear' }), '1{Enter}');
  expect(screen.getByText(/comes from an instrument here/u)).toBeInTheDocument();
  expect(now().readings).toEqual([]);
  expect(screen.queryByRole('combobox', { name: 'its trouble' })).toBeNull();
});

it('looks at joints and measures numbers again, at a price', async () => {
  await showChecks([trained()]);
  await pick('Joint', /^lower ball joint/u);
  await user.click(button('Look at it (5 min)'));
  expect(screen.getByText(/lower ball joint: tight/u)).toBeInTheDocument();
  expect(minutes()).toBe(30);
  await pick('Joint', /^tie rod outer joint/u);
  await user.click(button('Look at it (5 min)'));
  expect(screen.getByText(/it clicks, and the wheel rocks by 0\.24°/u)).toBeInTheDocument();
  // Nipped up, it is another car: what is read from now on stands apart.
  expect(now().rounds).toMatchObject([{ fitted: [] }]);
  await pick('Number of the take-off', /^upper ball joint: up/u);
  await user.click(button('Measure it again (12 min)'));
  expect(screen.getByText(/upper ball joint: up.*: was .* is .* mm\./u)).toBeInTheDocument();
  expect(minutes()).toBe(25 + 5 + 5 + 12);
});

it('ends with the truth, what could be known, and the fewest minutes; then nothing is read any more', async () => {
  const check = trained({ readings: [aReading('r', { method: 'dials', from: 'stand-in dials' })] });
  const told = debriefOf(
    build,
    {
      car: { ...check, travel: build.travel },
      readings: check.readings,
      rounds: [],
      training: check.training!,
    },
    [0.1, 0.25, 0.5],
  );
  const checks = [check];
  await showChecks(checks, {
    answers: (address, init) => {
      if (!address.endsWith('/debrief')) return undefined;
      const { guess } = JSON.parse(init!.body as string) as { guess: 'rack' };
      checks[0] = {
        ...check,
        training: {
          ...check.training!,
          result: {
            ...{ at: '2026-03-01T11:00:00.000Z', minutes: 39.5, fewest: 60, worst: 0.3 },
            ...{ inBand: false, guess },
          },
        },
      };
      return { debrief: told, check: checks[0] };
    },
  });
  await pick('What it was, you think', /inner end stands lower/u);
  await user.click(button('I have done: tell me'));
  const end = within(await screen.findByRole('region', { name: 'How it really was' }));
  expect(end.getByText(/You said: the rod’s inner end.*It was: a rod end is loose/u)).toBeVisible();
  expect(end.getByText(/a joint of it is still loose: not accepted/u)).toBeVisible();
  expect(end.getByText(/You took 39\.5 shop minutes/u)).toBeVisible();
  await waitFor(() =>
    expect(screen.getByText(/training: 39\.5 min, not put right/u)).toBeVisible(),
  );
  await user.click(button('read'));
  expect(screen.getByText(/This training is over/u)).toBeVisible();
  await user.click(button('Training'));
  expect(screen.getByText(/Tried 1 time, not put right and told rightly yet/u)).toBeVisible();
});
