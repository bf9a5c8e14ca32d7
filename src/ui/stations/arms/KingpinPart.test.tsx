import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { briefOf, startingBrief } from '@/core/model/brief';
import type { AxleDesign, Build } from '@/core/model/build';
import { blankBuild } from '@/core/model/starts';
import { widthOver } from '@/core/upright/width';
import { Editing, frontWheelOf } from '@/test/editing';
import type { Held } from '@/test/editing';
import { Arms } from './Arms';

const user = userEvent.setup({ delay: null });
const held: Held = { build: blankBuild('x') };
const onTry = jest.fn((design: AxleDesign | null) => void design);

async function show(change: (build: Build) => void = () => undefined) {
  const build = blankBuild('Kart', 'kingpin');
  change(build);
  held.build = build;
  onTry.mockClear();
  render(
    <Editing held={held}>
      {(now, onEdit) => (
        <Arms
          build={now}
          wheel={frontWheelOf(now)}
          targets={briefOf(now).targets}
          unit="mm"
          selected={null}
          tried={null}
          onTry={onTry}
          onPoints={() => undefined}
          onSelect={() => undefined}
          onShow={() => undefined}
          clearances={{ list: [], stale: false }}
          onEdit={onEdit}
        />
      )}
    </Editing>,
  );
  await user.click(screen.getByText('stub & bosses'));
}
const figure = (what: RegExp | string) =>
  within(screen.getByRole('rowheader', { name: what }).closest('tr')!).getByRole('cell')
    .textContent;

it('has no camber over travel to look for, but a stub and its bosses to make', async () => {
  await show();
  expect(screen.queryByText(/find kingpin/i)).toBeNull();
  expect(screen.queryByText('adjusters')).toBeNull();
  // 11° in 64 mm of height, 14° of caster; no camber, so that the stub is drilled by the lean across.
  expect(figure('stub drilled off square, top inboard')).toMatch(/^10\.6/);
  expect(figure('fixture wedge from the front: inclination')).toMatch(/^10\.9|^11\.0/);
  expect(figure('fixture wedge from the side: caster')).toMatch(/^14\.0/);
  expect(figure('between the bosses, lower ends')).toBe('824 mm');
  expect(screen.getByText(/No camber: the tyres’ lower and upper edges/)).toBeVisible();
  expect(screen.getByText(/The rule’s own width/)).toBeVisible();
});

it('says which edges camber puts out, and by how much', async () => {
  await show((build) => (build.front.static.camber = -2));
  expect(screen.getByText(/lower edge out and its upper one in: 9\.4 mm/)).toBeVisible();
});

it('brings a kart within its width by bosses, lean or spacers, looked at before it is taken', async () => {
  await show((build) => {
    build.front.static.camber = -1;
    const brief = startingBrief(build);
    brief.limits = { width: Math.round(widthOver(build.front, 'ground')) - 6, widthAt: 'ground' };
    build.brief = brief;
  });
  const limit = held.build.brief!.limits.width!;
  expect(document.querySelector('[data-width="over"]')).toHaveTextContent(/✕ .* over the/);
  const ways = [...document.querySelectorAll('[data-way]')].map((way) =>
    way.getAttribute('data-way'),
  );
  expect(ways).toEqual(['bosses', 'lean', 'spacers']);
  const bosses = within(document.querySelector('[data-way="bosses"]') as HTMLElement);
  await user.click(bosses.getByRole('button', { name: /^Look/ }));
  const looked = onTry.mock.lastCall![0]!;
  expect(widthOver(looked, 'ground')).toBeCloseTo(limit, 2);
  expect(widthOver(held.build.front, 'ground')).toBeGreaterThan(limit + 5);
  await user.click(bosses.getByRole('button', { name: /^Take/ }));
  expect(widthOver(held.build.front, 'ground')).toBeCloseTo(limit, 2);
  expect(held.build.front.dropArm).toBeDefined();
  expect(document.querySelector('[data-width="within"]')).not.toBeNull();
});

it('lists what each hole of a kingpin’s end gives', async () => {
  await show((build) => {
    const { ahead } = build.front.points['kingpinUpper'];
    build.front.freedoms = {
      kingpinUpper: { ahead: { kind: 'choices', at: [ahead - 4, ahead, ahead + 4] } },
    };
  });
  const rows = within(
    screen.getByRole('table', { name: 'What each place of the kingpin gives' }),
  ).getAllByRole('row');
  expect(rows).toHaveLength(4);
  expect(rows[2]).toHaveTextContent('2: upper end, ahead, as it is');
  const casters = rows
    .slice(1)
    .map((row) => parseFloat(within(row).getAllByRole('cell')[1].textContent!));
  expect(casters[0]).toBeGreaterThan(casters[1]);
  expect(casters[1]).toBeGreaterThan(casters[2]);
});
