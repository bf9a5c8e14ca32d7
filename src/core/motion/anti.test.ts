import { startingBrief } from '../model/brief';
import { blankBuild } from '../model/starts';
import { antiPercent, antiPercentOf, antiSquatPercent } from './anti';

it('is what the side-view construction gives: share × tan θ × L / h', () => {
  // Instant centre 1200 mm behind the contact and 180 mm up: the contact moves ahead 0.15 per mm of
  // bump. With 65 % of the braking in front, wheelbase 2400 and the mass 480 up: 0.65 · 0.15 · 5.
  const braking = { share: 0.65, wheelbase: 2400, massHeight: 480 };
  expect(antiPercent(180 / 1200, braking, 1)).toBeCloseTo(48.75, 9);
  // At the rear an instant centre ahead of the contact lifts less.
  expect(antiPercent(-180 / 1200, { ...braking, share: 0.35 }, -1)).toBeCloseTo(26.25, 9);
});

it('is known once the brief says what brakes and how high the mass is', () => {
  const build = blankBuild('x');
  expect(antiPercentOf(build, 'front')).toBeNull();
  const brief = startingBrief({ use: 'road' });
  brief.limits = { massHeight: 480, brakeFront: 65 };
  const told = { ...build, brief };
  expect(antiPercentOf(told, 'front')!.brake).toBeCloseTo((100 * 0.65 * 2400) / 480, 9);
  expect(antiPercentOf(told, 'rear')!.brake).toBeCloseTo((-100 * 0.35 * 2400) / 480, 9);
});

it('squats less by as much as a line from the wheel’s centre rises ahead: tan θ × L / h', () => {
  // Instant centre 1200 mm ahead of the wheel's centre and 120 above it: the centre goes back 0.1 per mm of bump.
  expect(antiSquatPercent(-120 / 1200, { wheelbase: 2400, massHeight: 480 })).toBeCloseTo(50, 9);
});
