import { act, renderHook } from '@testing-library/react';
import { useBeat, useCalm } from './useCalm';
import { useView } from './viewStore';

const drag = (dragging: boolean) => act(() => useView.getState().show({ dragging }));
const wait = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms));

beforeEach(() => {
  jest.useFakeTimers();
  useView.getState().show({ dragging: false });
});
afterEach(() => jest.useRealTimers());

it('follows at once, and where a joint is dragged as soon as the hand rests', async () => {
  const { rerender, result } = renderHook(({ is }) => useCalm(is), { initialProps: { is: 1 } });
  rerender({ is: 2 });
  expect(result.current).toBe(2);
  drag(true);
  for (const is of [3, 4, 5]) {
    rerender({ is });
    await wait(100);
    expect(result.current).toBe(2);
  }
  await wait(50);
  expect(result.current).toBe(5);
  rerender({ is: 6 });
  expect(result.current).toBe(5);
  drag(false);
  expect(result.current).toBe(6);
});

it('follows a dragged joint in beats, the last place included', async () => {
  const { rerender, result } = renderHook(({ is }) => useBeat(is, 100, 25), {
    initialProps: { is: 0 },
  });
  drag(true);
  const seen = new Set<number>();
  for (let is = 1; is <= 40; is++) {
    rerender({ is });
    await wait(10);
    seen.add(result.current);
  }
  // At 25, 125, 225 and 325 ms, and what stood there before.
  expect(seen.size).toBe(5);
  drag(false);
  expect(result.current).toBe(40);
});
