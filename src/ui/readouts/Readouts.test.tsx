import { render, screen } from '@testing-library/react';
import { prepareAxle } from '@/core/kinematics/axle';
import { blankBuild } from '@/core/model/starts';
import { briefOf } from '@/core/model/brief';
import type { Build } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import { readAt, runSweep, travelSweep } from '@/core/motion/sweep';
import { MonteCarlo } from '@/core/tolerance/monteCarlo';
import type { Bands } from '@/core/tolerance/bands';
import { Readouts } from './Readouts';
import { wheelOf } from '@/core/kinematics/wheel';

const wheel = (of: Build) => {
  const prepared = prepareAxle(of.front);
  if (!prepared.ok) throw new Error('sound');
  return prepared.axle.left;
};
const camberAt = (travel: number): number => {
  const reading = readAt(wheel(blankBuild('x')), travel, 0);
  if (!reading.ok) throw new Error(reading.why);
  return reading.value.camber;
};

function show(travel: number, options: { unit?: LengthUnit; opened?: Build; bands?: Bands } = {}) {
  const build = blankBuild('x');
  const sweep = travelSweep(build.travel, 41);
  runSweep(wheel(build), sweep);
  render(
    <Readouts
      reading={readAt(wheel(build), travel, 0)}
      since="since opened"
      looked={false}
      before={readAt(wheel(options.opened ?? build), travel, 0)}
      sweep={sweep}
      targets={briefOf(build).targets}
      bands={options.bands ?? null}
      travel={travel}
      design={build.front}
      unit={options.unit ?? 'mm'}
    />,
  );
}
const row = (label: string) => screen.getByLabelText(label).closest('[data-readout]');

it('shows every figure with its unit and its span over the travel', () => {
  show(0);
  expect(screen.getByLabelText('Camber')).toHaveTextContent('−1.00°');
  expect(screen.getByLabelText('Scrub radius')).toHaveTextContent('34.2mm');
  const [droop, bump] = [-60, 60].map((travel) => camberAt(travel).toFixed(2).replace('-', '−'));
  expect(row('Camber')).toHaveTextContent(`${bump} to ${droop} over travel`);
});

it('says what has changed since the build was opened, and nothing when nothing has', () => {
  const opened = blankBuild('x');
  opened.front.points['upperOuter'].out -= 4;
  show(0, { opened });
  // atan(42/238) now, atan(46/238) when it was opened.
  expect(row('Kingpin inclination')).toHaveTextContent('−0.93 since opened');
  expect(row('Camber')).not.toHaveTextContent('since opened');
});

it('shows toe as a tape reads it', () => {
  show(60);
  const toe = Number(screen.getByLabelText('Toe').textContent?.replace('−', '-').replace('°', ''));
  const taped = Number(
    /(−?[\d.]+) mm at the tyre/.exec(row('Toe')!.textContent!)![1].replace('−', '-'),
  );
  expect(taped).toBeCloseTo(2 * 290 * Math.sin((toe * Math.PI) / 180), 0);
  expect(taped).not.toBe(0);
});

it('shows lengths in inches', () => {
  show(0, { unit: 'in' });
  expect(screen.getByLabelText('Scrub radius')).toHaveTextContent('1.35in');
});

it('shows dashes, not old figures, out of reach', () => {
  show(450);
  for (const label of ['Toe', 'Camber', 'Trail'])
    expect(screen.getByLabelText(label)).toHaveTextContent(/^–/);
});

it('says what the ± of the measurements leaves open, at the travel shown', () => {
  const build = blankBuild('x');
  const cars = new MonteCarlo(build, wheelOf(build, 'front', 'left'), 0, 200);
  cars.run(200);
  const bands = cars.bands();
  show(0, { bands });
  const half = ((bands.high.camber[20] - bands.low.camber[20]) / 2).toFixed(2);
  expect(row('Camber')!.querySelector('[data-built]')).toHaveTextContent(`±${half}`);
});
