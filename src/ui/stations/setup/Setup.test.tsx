import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import { wheelOf } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import { blankBuild } from '@/core/model/starts';
import { readAt } from '@/core/motion/sweep';
import { setNow } from '@/core/setup/book';
import { centreRack } from '@/core/setup/centring';
import type * as Lowered from '@/core/setup/lowered';
import type * as WheelModule from '@/core/kinematics/wheel';
import { Editing } from '@/test/editing';
import type { Held } from '@/test/editing';
import { settable } from '@/test/setups';
import { Setup } from './Setup';

// The worker's own computation, without a worker.
jest.mock('../../build/finderWorker', () => {
  const { curesAt } = jest.requireActual<typeof Lowered>('@/core/setup/lowered');
  const { Wheel } = jest.requireActual<typeof WheelModule>('@/core/kinematics/wheel');
  return {
    finderWorker: () => ({
      heightCures: async (...[axle, side, design, travel, by]: Asked) =>
        curesAt(new Wheel(axle, side, design, travel), by),
    }),
  };
});
type Asked = [...ConstructorParameters<typeof WheelModule.Wheel>, number];

const user = userEvent.setup({ delay: null });
const held: Held = { build: blankBuild('x') };

function show(build: Build = settable().build, unit: 'mm' | 'in' = 'mm') {
  held.build = build;
  render(
    <SnackbarProvider>
      <Editing held={held}>
        {(now, onEdit) => (
          <Setup
            build={now}
            wheel={wheelOf(now, 'front', 'left')}
            unit={unit}
            bands={null}
            onEdit={onEdit}
            onAxle={() => undefined}
          />
        )}
      </Editing>
    </SnackbarProvider>,
  );
}
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const field = (name: string) => screen.getByRole('textbox', { name });
const type = async (name: string, text: string) => {
  await user.clear(field(name));
  if (text !== '') await user.type(field(name), text);
  await user.tab();
};
const toTurn = () => within(screen.getByRole('region', { name: 'What to turn' }));
const standing = (build: Build) => setNow(build, wheelOf(build, 'front', 'left')).model!;

it('says what to turn, writes down that it was, and goes on from there', async () => {
  show();
  expect(screen.getByText(/Say what is wanted/u)).toBeVisible();
  await type('camber reads', '-1');
  await type('camber wanted', '-1.6');
  await type('toe wanted', '0.1');
  const steps = toTurn().getAllByRole('listitem');
  expect(steps[0]).toHaveTextContent(/^upper arm, .* (longer|shorter)$/u);
  expect(steps.at(-1)).toHaveTextContent(/^tie rod: .*(longer|shorter)$/u);
  await user.click(button('These were turned'));
  const [wheel] = held.build.setups!.wheels;
  expect(wheel).toMatchObject({
    ...{ axle: 'front', side: 'left' },
    turned: [{ read: { camber: -1 }, wanted: { camber: -1.6, toe: 0.1 } }],
  });
  expect(standing(held.build).camber).toBeCloseTo(-1.6, 1);
  // It is read anew: what was read before is no reading of it now.
  expect(field('camber reads')).toHaveValue('');
  expect(toTurn().getByText('Nothing is to be turned.')).toBeVisible();
  await type('camber reads', '-1.45');
  expect(toTurn().getAllByRole('listitem').length).toBeGreaterThan(0);
  await user.click(button('These were turned'));
  expect(screen.getByText(/What was turned did 0\.\d\d ± /u)).toBeVisible();
  await user.click(button('Take the last one back'));
  expect(held.build.setups!.wheels[0].turned).toHaveLength(1);
});

it('keeps what was typed and not yet turned while another part is looked at', async () => {
  show();
  await type('camber reads', '-0.9');
  await type('toe wanted', '0.2');
  await user.click(button('set-up book'));
  // Nothing was turned by that.
  expect(screen.getByText(/Nothing was turned yet/u)).toBeVisible();
  await user.click(button('read and turn'));
  expect(field('camber reads')).toHaveValue('-0.9');
  expect(field('toe wanted')).toHaveValue('0.2');
  expect(held.build.setups!.wheels[0]).toMatchObject({
    turned: [],
    typed: { wanted: { toe: 0.2 } },
  });
  await type('toe wanted', '');
  expect(held.build.setups!.wheels[0].typed).toEqual({ read: { camber: -0.9 }, wanted: {} });
});

it('takes no figure by half, and both sides alike', async () => {
  show();
  await type('camber wanted', 'much');
  expect(screen.getByText(/“much”/u)).toBeVisible();
  expect(screen.queryByRole('region', { name: 'What to turn' })).toBeNull();
  await type('camber wanted', '-2');
  await user.click(screen.getByRole('switch', { name: 'the right side alike' }));
  await user.click(button('These were turned'));
  const [left, right] = held.build.setups!.wheels;
  expect(right.turned[0].moved).toEqual(left.turned[0].moved);
});

it('takes toe as it is told: in mm of both wheels over the tyre', async () => {
  show();
  await user.click(button('mm'));
  await user.click(button('both together'));
  await type('over, front to rear mark', '600');
  await type('toe wanted', '10');
  await user.click(button('These were turned'));
  const { toe } = held.build.setups!.wheels[0].turned[0].wanted;
  // By hand: 5 mm of each over 600.
  expect(toe).toBeCloseTo((Math.asin(5 / 600) * 180) / Math.PI, 9);
  // Within half a flat of the rod.
  expect(Math.abs(standing(held.build).toe - toe!)).toBeLessThan(0.16);
});

it('says what cannot be had', async () => {
  show();
  await type('camber wanted', '-9');
  expect(screen.getByText('As near as it goes')).toBeVisible();
  expect(screen.getByText(/Not to be had: .* of camber too much: .*past its end/u)).toBeVisible();
});

it('tables what each of them does, and says so where nothing was described', async () => {
  show();
  await user.click(button('what each one does'));
  const rows = within(screen.getByRole('table', { name: 'What each adjuster does' })).getAllByRole(
    'row',
  );
  expect(rows).toHaveLength(4);
  expect(rows[1]).toHaveTextContent(/upper arm, front tube.*one turn longer.*[+−]\d\.\d\d°/u);
});

it('keeps sets, compares two and notes what was said of them', async () => {
  show();
  await user.click(button('set-up book'));
  await user.type(field('Called'), 'Road');
  await user.click(button('Keep the car as it is set now'));
  expect(screen.getByText('Nothing is set otherwise.')).toBeVisible();
  await user.click(button('read and turn'));
  await type('camber wanted', '-2.2');
  await user.click(button('These were turned'));
  await user.click(button('set-up book'));
  await user.type(field('Called'), 'Track');
  await user.click(screen.getByRole('combobox', { name: 'for' }));
  await user.click(screen.getByRole('option', { name: 'banked to the left' }));
  await user.click(button('Keep the car as it is set now'));
  expect(held.build.setups!.sets.map(({ name, kind }) => [name, kind])).toEqual([
    ['Road', 'road'],
    ['Track', 'banked to the left'],
  ]);
  const rows = within(screen.getByRole('table', { name: 'What two sets differ by' })).getAllByRole(
    'row',
  );
  expect(rows[1]).toHaveTextContent(/front left.*upper arm.*as drawn.*(longer|shorter)/u);
  await user.type(field('notes, Track'), 'pushes in the long left');
  expect(held.build.setups!.sets[1].note).toBe('pushes in the long left');
  await user.type(field('driver’s words or lap, Track'), '1:42.3');
  expect(held.build.setups!.sets[1]).toMatchObject({ words: '1:42.3' });
  await user.click(button('Take away: Road'));
  expect(held.build.setups!.sets.map(({ name }) => name)).toEqual(['Track']);
});

it('says what putting the car lower does, and what gets bump steer back', async () => {
  show();
  await user.click(button('ride height'));
  await type('lower by', '20');
  const table = within(screen.getByRole('table', { name: 'At either height' }));
  const [now, then] = within(table.getByRole('row', { name: /^camber [+−]/u })).getAllByRole(
    'cell',
  );
  const figure = (cell: HTMLElement) => Number.parseFloat(cell.textContent!.replace('−', '-'));
  const { corner } = wheelOf(held.build, 'front', 'left');
  const moved = readAt(corner!, 20, 0);
  if (!moved.ok) throw new Error('out of reach');
  expect(figure(now)).toBeCloseTo(-1, 2);
  expect(figure(then)).toBeCloseTo(moved.value.camber, 2);
  const cures = within(await screen.findByRole('table', { name: 'What gets bump steer back' }));
  const inner = await cures.findByRole('row', { name: /^tie rod inner joint/u });
  expect(inner).toHaveTextContent(/mm (up|down)/u);
  expect(cures.getByRole('row', { name: /^brackets of the lower arm/u })).toBeVisible();
  // What was turned counts: camber now is what it was turned to.
  await user.click(button('read and turn'));
  await type('camber wanted', '-1.8');
  await user.click(button('These were turned'));
  await user.click(button('ride height'));
  const again = within(screen.getByRole('table', { name: 'At either height' }));
  const [turned] = within(again.getByRole('row', { name: /^camber [+−]/u })).getAllByRole('cell');
  expect(figure(turned)).toBeCloseTo(standing(held.build).camber, 2);
  expect(figure(turned)).toBeLessThan(figure(now) - 0.7);
  await type('lower by', '150');
  expect(screen.getByText(/So far the wheel does not go/u)).toBeVisible();
});

it('brings a rack to its middle by both rods, and keeps how far it was off until it stands there', async () => {
  show();
  await type('off its middle, + left', '3');
  expect(held.build.setups!.rackOff).toBe(3);
  const part = within(screen.getByRole('region', { name: 'The rack’s middle' }));
  const [left, right] = part.getAllByRole('listitem');
  expect(left).toHaveTextContent(/^left tie rod: .*longer: toe/u);
  expect(right).toHaveTextContent(/^right tie rod: .*shorter: toe/u);
  const turned = centreRack(held.build, 3)!;
  expect(left).toHaveTextContent(`→ +${turned[0].toe.after.toFixed(2)}°`.replace('+-', '−'));
  await user.click(button('It stands in the middle now'));
  expect(held.build.setups!.rackOff).toBeUndefined();
  expect(screen.queryAllByText(/sooner to the left/u)).toEqual([]);
});

it('turns plates over for a bank and keeps the set so', async () => {
  const { build } = settable();
  const { out } = build.front.points['upperOuter'];
  build.front.freedoms = {
    ...build.front.freedoms,
    upperOuter: { out: { kind: 'flip', base: out, offset: 5 } },
  };
  show(build);
  await user.click(button('set-up book'));
  await user.click(screen.getByRole('combobox', { name: 'for' }));
  await user.click(screen.getByRole('option', { name: 'banked to the right' }));
  const part = within(screen.getByRole('region', { name: 'Plates for the bank' }));
  const [left, right] = part.getAllByRole('listitem').map((one) => one.textContent!);
  // A joint further out on the upright takes the wheel's top in.
  expect(left).toMatch(/^front left: upper ball joint: its plate turned over, 5\.0 mm outward/u);
  expect(right).toMatch(/^front right: upper ball joint: its plate turned over, 5\.0 mm inward/u);
  await user.click(button('Keep the car as it is set now'));
  const [set] = held.build.setups!.sets;
  expect(set.wheels.map(({ side, from }) => [side, from])).toEqual([
    ['left', [{ id: 'point upperOuter.out', by: 5 }]],
    ['right', [{ id: 'point upperOuter.out', by: -5 }]],
  ]);
  // The car itself is as it was.
  expect(held.build.setups!.wheels).toEqual([]);
});
