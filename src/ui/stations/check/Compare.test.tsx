import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { usualSetup } from '@/core/check/evidence';
import type { Build } from '@/core/model/build';
import type { CheckReading, MethodId } from '@/core/model/checks';
import { readCar } from '@/core/check/virtualCar';
import { blankBuild } from '@/core/model/starts';
import { showChecks } from '@/test/checkScreen';
import { aCheck } from '@/test/checks';

const user = userEvent.setup({ delay: null });
const build: Build = blankBuild('Stands');
const setup = { ...usualSetup(build.front, 'hub'), shiftOff: 0.01 };
const button = (name: string | RegExp) => screen.getByRole('button', { name });

/** What is read without an error on a car whose left outer rod joint is off. */
function readExactly(
  by: number,
  sides: 'left' | 'both',
  method: MethodId,
  prefix = '',
): CheckReading[] {
  const wheels = sides === 'both' ? (['left', 'right'] as const) : (['left'] as const);
  return readCar(
    build,
    {
      ...{ axle: 'front', sides, moved: 'wheel', setup, drawn: build.front, rounds: [] },
      travel: build.travel,
    },
    { errors: new Map([['left tieRodOuter.up', by]]), gain: { left: 1, right: 1 } },
    [-40, 0, 40].flatMap((travel) =>
      wheels.map((side) => ({ method, side, travel, plusMinus: 0.02 })),
    ),
    () => 0,
  ).map((one, i) => ({ ...one, id: `${prefix}${i}` }));
}

const rowsOf = (name: string) =>
  within(screen.getByRole('table', { name }))
    .getAllByRole('row')
    .slice(1)
    .map((row) =>
      [within(row).getByRole('rowheader'), ...within(row).getAllByRole('cell')].map((cell) =>
        (cell.textContent ?? '').replace('−', '-'),
      ),
    );

it('holds left against right, and says where they differ by more than their ±', async () => {
  await showChecks([
    aCheck(build, 'c', { setup, sides: 'both', readings: readExactly(-8, 'both', 'dials') }),
  ]);
  await user.click(button('compare'));
  const rows = rowsOf('toe, left and right');
  expect(rows).toHaveLength(3);
  const [low, , high] = rows;
  for (const row of [low, high]) {
    const [left, right, apart] = row.slice(1, 4).map((text) => Number.parseFloat(text!));
    expect(right - left).toBeCloseTo(apart, 1);
    expect(row.at(-1)).toBe('▲ apart');
  }
  // The joint that is too low bends the left curve one way.
  expect(Number.parseFloat(low[3]!) * Number.parseFloat(high[3]!)).toBeLessThan(0);
  expect(screen.getByText(/3 heights read of both, at [23] of them/u)).toBeInTheDocument();
});

it('holds a check against an earlier one of the same axle', async () => {
  await showChecks([
    aCheck(build, 'now', {
      ...{ setup, name: 'Second time', begun: '2026-04-01T09:00:00.000Z' },
      readings: readExactly(0, 'left', 'dials', 'n'),
    }),
    aCheck(build, 'then', {
      ...{ setup, name: 'First time', readings: readExactly(-8, 'left', 'dials', 't') },
    }),
  ]);
  await user.click(button('compare'));
  expect(screen.getByRole('combobox', { name: 'before' })).toHaveTextContent('First time');
  expect(rowsOf('toe, before and now').filter((row) => row.at(-1) === '▲ apart')).toHaveLength(2);
  await user.click(button('camber'));
  expect(screen.getByText(/No height was read of both/u)).toBeInTheDocument();
});

it('says what is missing where there is nothing to compare', async () => {
  await showChecks([aCheck(build, 'c', { setup })]);
  await user.click(button('compare'));
  expect(screen.getByText(/Nothing was fitted yet, and there is no other check/u)).toBeVisible();
});
