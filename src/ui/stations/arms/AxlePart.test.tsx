import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { prepareAxle } from '@/core/kinematics/axle';
import { wheelOf } from '@/core/kinematics/wheel';
import { briefOf } from '@/core/model/brief';
import type { AxleDesign, Build } from '@/core/model/build';
import { blankBuild } from '@/core/model/starts';
import { axleSteer, mostSteer } from '@/core/motion/axleSteer';
import { staticQuantities } from '@/core/upright/staticQuantities';
import { Editing, frontWheelOf } from '@/test/editing';
import type { Held } from '@/test/editing';
import { CarSteerPart } from '../rack/CarSteerPart';
import { Rack } from '../rack/Rack';
import { AxlePart } from './AxlePart';

const user = userEvent.setup({ delay: null });
const held: Held = { build: blankBuild('x') };
const onTry = jest.fn((design: AxleDesign | null) => void design);

const under = (build: Build) => ({
  build,
  wheel: frontWheelOf(build),
  targets: briefOf(build).targets,
  unit: 'mm' as const,
  selected: null,
  tried: null,
  onTry,
  onPoints: () => undefined,
  onSelect: () => undefined,
  onShow: () => undefined,
  clearances: { list: [], stale: false },
});
function show(change: (build: Build) => void = () => undefined) {
  const build = blankBuild('Special', 'beam');
  change(build);
  held.build = build;
  onTry.mockClear();
  render(
    <Editing held={held}>{(now, onEdit) => <AxlePart {...under(now)} onEdit={onEdit} />}</Editing>,
  );
}
const figure = (what: RegExp | string) =>
  within(screen.getByRole('rowheader', { name: what }).closest('tr')!).getByRole('cell')
    .textContent;
const type = async (label: string, text: string) => {
  const field = screen.getByLabelText(label, { selector: 'input' });
  await user.clear(field);
  await user.type(field, `${text}{Enter}`);
};

it('gives the wedge for a caster, looked at before it is taken', async () => {
  show();
  const before = staticQuantities(held.build.front, 'left').caster!;
  await type('Caster wanted', '9');
  await user.click(screen.getByRole('button', { name: 'Which wedge?' }));
  const wedge = document.querySelector('[data-wedge]') as HTMLElement;
  expect(wedge).toHaveTextContent(`A wedge of ${(9 - before).toFixed(2)}°`);
  expect(wedge).toHaveTextContent('thick end behind where the spring lies on the beam');
  await user.click(within(wedge).getByRole('button', { name: /^Look/ }));
  expect(staticQuantities(onTry.mock.lastCall![0]!, 'left').caster).toBeCloseTo(9, 3);
  expect(staticQuantities(held.build.front, 'left').caster).toBeCloseTo(before, 9);
  await user.click(within(wedge).getByRole('button', { name: /^Take/ }));
  expect(staticQuantities(held.build.front, 'left').caster).toBeCloseTo(9, 3);
  expect(held.build.front.dropArm).toBeDefined();
  await type('Caster wanted', '28');
  await user.click(screen.getByRole('button', { name: 'Which wedge?' }));
  expect(screen.getByRole('alert')).toHaveTextContent('No wedge that a spring still sits on');
});

it('says how the beam is made, and keeps what was asked of it with the build', async () => {
  show((build) => void (build.front.points['springPad'].up = 200));
  expect(figure('clamp to clamp: the springs’ locating pins')).toBe('640 mm');
  // Kingpins' middles 266.5 up, 476 out; the bend at 380.
  expect(figure('drop: bosses above the pads by')).toBe('66.5 mm');
  expect(figure('bend to boss, along the end')).toBe(`${Math.hypot(96, 66.5).toFixed(1)} mm`);
  await type('ends bent, from the middle', '350');
  expect(held.build.asked?.axleMade).toEqual({ bends: 350, clamp: 90 });
  expect(document.querySelector('[data-clamps="off"]')).toHaveTextContent('at least');
  await type('ends bent, from the middle', '900');
  expect(screen.getByRole('alert')).toHaveTextContent('between the car’s middle and the bosses');
});

it('lets the leaf swing about another place, and back to the usual', async () => {
  show();
  await type('arc about, part to the eye', '0.6');
  expect(held.build.front.leafLead).toBe(0.6);
  await user.clear(screen.getByLabelText('arc about, part to the eye', { selector: 'input' }));
  await user.tab();
  expect(held.build.front.leafLead).toBeUndefined();
});

it('shows how far the car steers in heave, roll and wind-up, beside the toe that is held', async () => {
  const build = blankBuild('Special', 'beam');
  build.front.points['dragLinkInner'].up -= 30;
  const ready = prepareAxle(build.front);
  if (!ready.ok) throw new Error('sound');
  const { heave, roll } = axleSteer(ready.axle, build.travel)!;
  render(<CarSteerPart wheel={frontWheelOf(build)} unit="mm" />);
  expect(figure(/^over 60 mm droop to 60 bump/)).toBe(`${mostSteer(heave)!.toFixed(2)}°`);
  expect(figure(/^in roll to 6\.1° each way/)).toBe(`${mostSteer(roll)!.toFixed(2)}°`);
  await user.click(screen.getByRole('button', { name: 'wind-up' }));
  expect(screen.getByRole('img', { name: 'The car’s steer over wind-up' })).toBeVisible();
});

it('sends one to the wheel that the drag link goes to', () => {
  const build = blankBuild('Special', 'beam');
  const right = wheelOf(build, 'front', 'right');
  render(
    <Rack
      {...under(build)}
      wheel={right}
      onEdit={() => undefined}
      bumpSteer={null}
      nulls={null}
      shim={{} as never}
      onFind={() => undefined}
    />,
  );
  expect(screen.getByText(/goes to the left wheel’s arm/)).toBeVisible();
  expect(screen.getByRole('button', { name: 'Look at the left wheel' })).toBeVisible();
});
