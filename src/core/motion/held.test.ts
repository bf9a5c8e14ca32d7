import fc from 'fast-check';
import { anyLayout, axleWith, parallelArms, planeMechanism, prepared } from '../../test/layouts';
import { UPRIGHT_SIZE, U } from '../kinematics/corner';
import { heldCamber, holdAt, readHeld } from './held';
import { readAt } from './sweep';

it('holds toe, and its slopes are limits of differences, on random layouts', () => {
  fc.assert(
    fc.property(anyLayout, fc.double({ min: -20, max: 20, noNaN: true }), (design, travel) => {
      const { left } = prepared(design);
      const upright = new Float64Array(UPRIGHT_SIZE);
      const at = (where: number) => {
        if (holdAt(left, where, design.static.toe, 0, upright) === null) return null;
        const toe = (Math.atan2(upright[U.spindle], upright[U.spindle + 1]) * 180) / Math.PI;
        expect(toe).toBeCloseTo(design.static.toe, 8);
        return readHeld(left, where)!;
      };
      const [here, up, down] = [at(travel), at(travel + 0.01), at(travel - 0.01)];
      fc.pre(here !== null && up !== null && down !== null);
      expect((up!.camber - down!.camber) / 0.02).toBeCloseTo(here!.camberPerTravel, 5);
    }),
    { numRuns: 40 },
  );
});

it('is what is read with the tie rod where that does not steer (a plane mechanism)', () => {
  const { left } = prepared(planeMechanism());
  const ride = readAt(left, 0, 0);
  if (!ride.ok) throw new Error(ride.why);
  const held = readHeld(left, 0)!;
  expect(held.camberPerTravel).toBeCloseTo(ride.perTravel.camber!, 9);
  expect(held.rollCentre).toBeCloseTo(ride.value.rollCentre! - ride.value.contactUp, 6);
});

it('hangs on no tie rod', () => {
  const travel = { bump: 40, droop: 40 };
  const one = heldCamber(prepared(axleWith()).left, travel)!;
  const other = heldCamber(
    prepared(axleWith({ tieRodInner: { ahead: 150, out: 230, up: 300 } })).left,
    travel,
  )!;
  for (const what of ['gain', 'bump', 'droop', 'rollCentre'] as const)
    expect(other[what]).toBeCloseTo(one[what], 6);
});

it('is nothing for parallel arms (geometry), and null out of reach', () => {
  const { left } = prepared(parallelArms());
  expect(heldCamber(left, { bump: 50, droop: 50 })!.gain).toBeCloseTo(0, 9);
  expect(heldCamber(left, { bump: 400, droop: 50 })).toBeNull();
});
