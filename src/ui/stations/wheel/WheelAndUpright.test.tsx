import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { AxleDesign } from '@/core/model/build';
import { blankBuild } from '@/core/model/starts';
import { trackOf } from '@/core/upright/place';
import { widthOver } from '@/core/upright/width';
import { staticQuantities } from '@/core/upright/staticQuantities';
import type { StaticQuantities } from '@/core/upright/staticQuantities';
import { Editing, frontWheelOf } from '@/test/editing';
import type { Held } from '@/test/editing';
import { WheelAndUpright } from './WheelAndUpright';

const held: Held = { build: blankBuild('x') };
const user = userEvent.setup({ delay: null });

const look = jest.fn();
const show = (tried: AxleDesign | null = null) => {
  held.build = blankBuild('x');
  look.mockClear();
  render(
    <Editing held={held}>
      {(build, onEdit) => (
        <WheelAndUpright
          build={build}
          wheel={frontWheelOf(build)}
          unit="mm"
          tried={tried}
          onEdit={onEdit}
          onTry={look}
        />
      )}
    </Editing>,
  );
};
const type = async (label: string, text: string) => {
  const field = screen.getByLabelText(label, { selector: 'input' });
  await user.clear(field);
  await user.type(field, text);
};
const stands = () => staticQuantities(held.build.front, 'left') as Required<StaticQuantities>;

it('places the wheel by its track or by the width over the tyres', async () => {
  show();
  await type('Track at contact', '1420');
  expect(trackOf(held.build.front)).toBeCloseTo(1420, 4);
  await type('Over the tyres', '1600');
  expect(widthOver(held.build.front)).toBeCloseTo(1600, 3);
});

it('reads a tyre size, and says of an unknown one what is wrong, keeping what was typed', async () => {
  show();
  const stood = stands().contactUp;
  await type('Tyre size', '205/60R15{Enter}');
  expect(held.build.front.tyre).toMatchObject({ code: '205/60R15', width: 205 });
  expect(stands().contactUp).toBeCloseTo(stood, 1);
  await type('Tyre size', '205/banana{Enter}');
  expect(screen.getByLabelText('Tyre size')).toHaveValue('205/banana');
  expect(screen.getByLabelText('Tyre size')).toBeInvalid();
  expect(held.build.front.tyre.code).toBe('205/60R15');
  await user.type(screen.getByLabelText('Tyre size'), '{Escape}');
  expect(screen.getByLabelText('Tyre size')).toHaveValue('205/60R15');
});

it('leans the kingpin, the wheel staying where it is when that is wanted', async () => {
  show();
  const centre = held.build.front.points.wheelCentre;
  await user.click(screen.getByRole('button', { name: 'wheel' }));
  await type('KPI, + top in', '11');
  await type('Caster, + top back', '5.5');
  expect(stands().kpi).toBeCloseTo(11, 4);
  expect(stands().caster).toBeCloseTo(5.5, 4);
  expect(held.build.front.points.wheelCentre).toEqual(centre);
});

it('carries camber along where the upright is one solid part', async () => {
  show();
  const camber = held.build.front.static.camber;
  const kpi = stands().kpi;
  await user.click(screen.getByLabelText('One solid part'));
  await type('KPI, + top in', String(Math.round(kpi) + 2));
  expect(held.build.front.static.camber - camber).toBeCloseTo(-(Math.round(kpi) + 2 - kpi), 1);
});

it('lists what alone gives a scrub radius, shows one beside the present, and takes it', async () => {
  show();
  await type('Scrub radius wanted', '22');
  await user.click(screen.getByRole('button', { name: 'What gives it?' }));
  const way = (name: string) =>
    within(document.querySelector(`[data-way="${name}"]`) as HTMLElement);
  await user.click(way('lower').getByRole('button', { name: /^Look/ }));
  const tried = look.mock.lastCall[0] as AxleDesign;
  expect(staticQuantities(tried, 'left').scrub).toBeCloseTo(22, 3);
  await user.click(way('kpi').getByRole('button', { name: /^Take/ }));
  expect(stands().scrub).toBeCloseTo(22, 3);
  expect(document.querySelector('[data-way]')).toBeNull();
});

it('takes a half-shaft of a driven axle, and lets it go again', async () => {
  show();
  await user.click(screen.getByLabelText('Driven, by half-shafts'));
  const { ahead, up } = held.build.front.points.wheelCentre;
  expect(held.build.front.halfShaft).toMatchObject({ inner: { ahead, up } });
  await type('inner joint, out', '120');
  await type('outer, inboard', '55.5');
  expect(held.build.front.halfShaft).toEqual({ inner: { ahead, out: 120, up }, outer: 55.5 });
  await user.click(screen.getByLabelText('Driven, by half-shafts'));
  expect(held.build.front).not.toHaveProperty('halfShaft');
});

it('says what another camber did to the track, and can put that back', async () => {
  show();
  const track = trackOf(held.build.front);
  await type('Camber, + top out', '-2.5');
  expect(Math.abs(trackOf(held.build.front) - track)).toBeGreaterThan(1);
  expect(screen.getByText(/the track went from/)).toHaveTextContent(
    `${track.toFixed(1).replace('.0', '')} to`,
  );
  await user.click(screen.getByRole('button', { name: /^Back to/ }));
  expect(trackOf(held.build.front)).toBeCloseTo(track, 3);
  expect(held.build.front.static.camber).toBe(-2.5);
  expect(screen.queryByText(/the track went from/)).toBeNull();
});
