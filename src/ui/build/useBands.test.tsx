import { act, renderHook } from '@testing-library/react';
import { blankBuild } from '@/core/model/starts';
import type { Build, Side } from '@/core/model/build';
import type { Bands } from '@/core/tolerance/bands';
import { stopBuilding, useBands, useProgress } from './useBands';
import { wheelOf } from '@/core/kinematics/wheel';

interface Asked {
  rack: number;
  tell: (part: number) => void;
  answer: (bands: Bands | null) => void;
}
const asked: Asked[] = [];
const cancel = jest.fn();
jest.mock('./toleranceWorker', () => ({
  stopCars: () => cancel(),
  buildBands: (_b: Build, _a: string, _s: Side, rack: number, tell: (part: number) => void) =>
    new Promise((answer) => asked.push({ rack, tell, answer })),
}));

const bandsOf = (samples: number) => ({ samples }) as Bands;
const build = blankBuild('x');
const wheels = {
  left: wheelOf(build, 'front', 'left'),
  right: wheelOf(build, 'front', 'right'),
};
const rest = () => act(() => jest.advanceTimersByTimeAsync(300));
const answer = (one: Asked, bands: Bands | null) => act(async () => one.answer(bands));
const start = () =>
  renderHook(({ of, side, rack }) => useBands(of, wheels[side], rack), {
    initialProps: { of: build, side: 'left' as Side, rack: 0 },
  });

beforeEach(() => {
  jest.useFakeTimers();
  asked.length = 0;
  cancel.mockClear();
});
afterEach(() => jest.useRealTimers());

it('waits until the typing rests, then builds the cars once', async () => {
  const { rerender, result } = start();
  for (const rack of [1, 2, 3]) {
    await act(() => jest.advanceTimersByTimeAsync(100));
    rerender({ of: build, side: 'left', rack });
  }
  expect(asked).toHaveLength(0);
  await rest();
  expect(asked.map(({ rack }) => rack)).toEqual([3]);
  expect(useProgress.getState().part).toBe(0);
  await act(async () => asked[0].tell(0.4));
  expect(useProgress.getState().part).toBe(0.4);
  await answer(asked[0], bandsOf(2000));
  expect(result.current).toEqual({ bands: bandsOf(2000), fresh: true });
  expect(useProgress.getState().part).toBeNull();
});

it('keeps the last bands of a wheel, marked stale, while new cars are built', async () => {
  const { rerender, result } = start();
  await rest();
  await answer(asked[0], bandsOf(1));
  const edited = { ...build, name: 'edited' };
  rerender({ of: edited, side: 'left', rack: 0 });
  expect(result.current).toEqual({ bands: bandsOf(1), fresh: false });
  await rest();
  await answer(asked[1], bandsOf(2));
  expect(result.current).toEqual({ bands: bandsOf(2), fresh: true });
  expect(cancel).not.toHaveBeenCalled();
});

it('shows no other wheel’s bands, and lets no late answer in', async () => {
  const { rerender, result } = start();
  await rest();
  expect(cancel).not.toHaveBeenCalled();
  rerender({ of: build, side: 'right', rack: 0 });
  // The machine is the hand's: cars of what is gone are not built on.
  expect(cancel).toHaveBeenCalledTimes(1);
  await answer(asked[0], bandsOf(1));
  expect(result.current.bands).toBeNull();
  await rest();
  await answer(asked[1], bandsOf(2));
  expect(result.current.bands).toEqual(bandsOf(2));
});

it('can be stopped: what was known stays, stale', async () => {
  const { rerender, result } = start();
  await rest();
  await answer(asked[0], bandsOf(1));
  rerender({ of: build, side: 'left', rack: 20 });
  await rest();
  stopBuilding();
  expect(cancel).toHaveBeenCalledTimes(1);
  await answer(asked[1], null);
  expect(result.current).toEqual({ bands: bandsOf(1), fresh: false });
  expect(useProgress.getState().part).toBeNull();
});
