import { antiPercent } from './anti';

it('is what the side-view construction gives: share × tan θ × L / h', () => {
  // Instant centre 1200 mm behind the contact and 180 mm up: the contact moves ahead 0.15 per mm of
  // bump. With 65 % of the braking in front, wheelbase 2400 and the mass 480 up: 0.65 · 0.15 · 5.
  const braking = { share: 0.65, wheelbase: 2400, massHeight: 480 };
  expect(antiPercent(180 / 1200, braking, 1)).toBeCloseTo(48.75, 9);
  // At the rear an instant centre ahead of the contact lifts less.
  expect(antiPercent(-180 / 1200, { ...braking, share: 0.35 }, -1)).toBeCloseTo(26.25, 9);
});
