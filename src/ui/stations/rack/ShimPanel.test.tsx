import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { BumpSteer } from '@/core/motion/bumpSteer';
import type { Shim } from '@/core/bumpsteer/shim';
import type { LengthUnit } from '@/core/model/units';
import { ShimPanel } from './ShimPanel';

const steer = (range: number, slope = 0.01): BumpSteer => ({
  span: { min: -range / 2, max: range / 2, minAt: -60, maxAt: 60, range },
  worst: range / 2,
  slope,
});
const found = (raise: number, more: Partial<Shim> = {}): Shim => ({
  raise,
  before: steer(1.5),
  after: steer(0.04),
  freedom: null,
  washers: null,
  sure: true,
  ...more,
});
const calls = { onFind: jest.fn(), onTake: jest.fn(), onLeave: jest.fn() };

function show(
  shim: Shim | null,
  unit: LengthUnit = 'mm',
  more: { lost?: boolean; advice?: string[] } = {},
) {
  render(
    <ShimPanel
      bumpSteer={more.lost ? null : steer(1.5)}
      found={shim}
      advice={more.advice ?? []}
      hopeless={false}
      bands={[0.25, 0.5, 1]}
      unit={unit}
      joint="tie rod outer joint"
      {...calls}
    />,
  );
}
beforeEach(() => Object.values(calls).forEach((call) => call.mockClear()));

it('says how much the wheel steers over bumps, and which way', async () => {
  show(null);
  expect(screen.getByText(/Bump steer 0\.75° at worst/)).toHaveTextContent('look again');
  expect(
    screen.getByText(
      'Straight ahead; range 1.50°. Toes in 0.10° per 10 mm of bump at ride height.',
    ),
  ).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Find shim (S)' }));
  expect(calls.onFind).toHaveBeenCalled();
});

it('has nothing to find where the wheel does not reach its travel', () => {
  show(null, 'mm', { lost: true });
  expect(screen.getByText(/Bump steer unknown/)).toBeVisible();
  expect(screen.getByRole('button', { name: 'Find shim (S)' })).toBeDisabled();
});

it('offers the exact height and the nearest stack of washers', async () => {
  show(found(-7.683));
  expect(screen.getByText('Move the tie rod outer joint 7.68 mm down.')).toBeVisible();
  expect(screen.getByText(/0\.75° → 0\.020° at worst, range 0\.040°/)).toHaveTextContent(
    'very good',
  );
  await userEvent.click(screen.getByRole('button', { name: /Take 7\.68 mm/ }));
  expect(calls.onTake).toHaveBeenLastCalledWith(-7.683);
  await userEvent.click(screen.getByRole('button', { name: /Take 7\.5 mm in washers/ }));
  expect(calls.onTake).toHaveBeenLastCalledWith(-7.5);
  await userEvent.click(screen.getByRole('button', { name: /Leave it/ }));
  expect(calls.onLeave).toHaveBeenCalled();
});

it('counts washers in thirty-seconds of an inch', () => {
  show(found(6), 'in');
  expect(screen.getByText('Move the tie rod outer joint 0.236 in up.')).toBeVisible();
  expect(screen.getByRole('button', { name: 'Take 1/4 in in washers' })).toBeVisible();
});

it('warns of long spacers and of no others', () => {
  show(found(18));
  expect(screen.getByText(/Caution: a spacer this long/)).toBeVisible();
});

it('keeps quiet about short ones', () => {
  show(found(8));
  expect(screen.queryByText(/Caution/)).toBeNull();
});

it('says when no shim does better', () => {
  show(found(0.01));
  expect(screen.getByText(/No shim does better/)).toBeVisible();
  expect(screen.queryByRole('button', { name: /Take/ })).toBeNull();
});

it('offers the washers that the joint’s freedom has, and no other height', async () => {
  const freedom = { kind: 'shims' as const, base: 240, stock: [3.2], most: 3, way: -1 as const };
  show(found(-6.4, { freedom, washers: [3.2, 3.2] }));
  expect(
    screen.getByText('Washers 3.2 mm + 3.2 mm at the tie rod outer joint: 6.4 mm down.'),
  ).toBeVisible();
  expect(screen.getAllByRole('button', { name: /Take/ })).toHaveLength(1);
  await userEvent.click(screen.getByRole('button', { name: /Take them/ }));
  expect(calls.onTake).toHaveBeenLastCalledWith(-6.4);
});

it('says that washers alone will not do, what is left at best, and what would help', () => {
  const freedom = { kind: 'shims' as const, base: 240, stock: [3.2], most: 3, way: 1 as const };
  show(found(0, { freedom, washers: [], after: steer(3.9) }), 'mm', {
    advice: ['With washers on the other side: washers 3.2 mm, leaves 0.02°.'],
  });
  expect(
    screen.getByText(/No stack of its washers does better: at most 3 of 3.2 mm/),
  ).toBeVisible();
  expect(screen.getByText(/At best 1\.95° at worst, range 3\.90°/)).toHaveTextContent('rework');
  expect(screen.getByText(/With washers on the other side/)).toBeVisible();
});
