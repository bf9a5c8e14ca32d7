import { blankBuild } from '../model/starts';
import { prepared, wheelIn } from '../../test/layouts';
import { figuresOf } from './figures';
import { heldCamber } from './held';
import { readAt } from './sweep';

it('says the roll centre over the ground, as strings show it and with bump steer, and camber gain both ways', () => {
  const { front, travel } = blankBuild('x');
  // The tyre stands 8 mm over the drawing's nought.
  const raised = { ...front, tyre: { ...front.tyre, radius: front.tyre.radius - 8 } };
  const { left } = prepared(raised);
  const ride = readAt(left, 0, 0);
  if (!ride.ok) throw new Error(ride.why);
  const figures = figuresOf(wheelIn(raised, 'left', travel));
  const of = (name: string) => figures.find((one) => one.name === name)!.value!;
  expect(of('roll centre above the ground, bump steer included')).toBeCloseTo(
    ride.value.rollCentre! - ride.value.contactUp,
    9,
  );
  expect(Math.abs(ride.value.contactUp)).toBeGreaterThan(7);
  const held = heldCamber(left, travel)!;
  expect(of('roll centre above the ground, as strings show it')).toBeCloseTo(held.rollCentre, 9);
  expect(of('camber gain, toe held straight')).toBeCloseTo(held.gain, 9);
  expect(of('camber gain, bump steer included')).toBeCloseTo(25 * ride.perTravel.camber!, 9);
});
