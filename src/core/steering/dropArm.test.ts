import { blankFront } from '../model/starts';
import { dropArmSizes } from './dropArm';

it('is as long, as wide and as steep as drawn by hand', () => {
  const design = blankFront('kingpin');
  // A shaft that rises 3 in 4; its foot 50 mm along, the holes 30 mm square below it and 40 mm to either side.
  design.dropArm = {
    lower: { ahead: 0, left: 0, up: 100 },
    upper: { ahead: -400, left: 0, up: 400 },
    lock: 30,
  };
  const hole = { ahead: -40 - 18, out: 40, up: 130 - 24 };
  design.points['tieRodInner'] = hole;
  const sizes = dropArmSizes(design)!;
  expect(sizes.long).toEqual([
    { side: 'left', mm: expect.closeTo(50, 9) },
    { side: 'right', mm: expect.closeTo(50, 9) },
  ]);
  expect(sizes.apart).toBeCloseTo(80, 9);
  expect(sizes.between).toBeCloseTo((2 * Math.atan2(40, 30) * 180) / Math.PI, 9);
  expect(sizes.rise).toBeCloseTo((Math.atan2(3, 4) * 180) / Math.PI, 9);
  expect(sizes.up).toBeCloseTo(50, 9);
  // A right hole of its own, 20 mm from the middle.
  design.rightPoints = { ...design.points, tieRodInner: { ...hole, out: 20 } };
  expect(dropArmSizes(design)!.long[1].mm).toBeCloseTo(Math.hypot(30, 20), 9);
  expect(dropArmSizes({ ...design, dropArm: undefined })).toBeNull();
});
