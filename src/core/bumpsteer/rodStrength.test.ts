import { axleWith } from '../../test/layouts';
import { STARTING_ROD } from './rodSchema';
import { rodStrength } from './rodStrength';

// Kingpin upright; the arm 120 mm behind it, the rod straight across: its lever is the arm (geometry).
const { points } = axleWith({
  lowerOuter: { ahead: 0, out: 600, up: 200 },
  upperOuter: { ahead: 0, out: 600, up: 400 },
  tieRodInner: { ahead: -120, out: 260, up: 300 },
  tieRodOuter: { ahead: -120, out: 600, up: 300 },
});
const tyre = { scrub: 30, width: 200 };
const at = (change: Partial<typeof STARTING_ROD> = {}) =>
  rodStrength(points, tyre, { ...STARTING_ROD, ...change });

it('works out the force of a tyre turned at rest, by hand', () => {
  const { moment, lever, steady, struck } = at({ wheelLoad: 2000, grip: 1, factor: 3 });
  expect(lever).toBeCloseTo(120, 9);
  expect(moment).toBeCloseTo(2000 * Math.sqrt(200 ** 2 / 8 + 900), 6);
  expect(steady).toBeCloseTo(moment / 120, 6);
  expect(struck).toBeCloseTo(3 * steady, 6);
});

it('bends a bolt as a round bar held at one end: twice the arm, twice the stress (Shigley)', () => {
  const [bare, spaced] = [at({ spacer: 0 }), at({ spacer: 6 })];
  expect(spaced.bending / bare.bending).toBeCloseTo(2, 9);
  expect(bare.bending).toBeCloseTo((32 * bare.struck * 6) / (Math.PI * 12 ** 3), 6);
  expect(at({ grade: '8.8' }).boltReserve / at({ grade: '10.9' }).boltReserve).toBeCloseTo(
    640 / 940,
    9,
  );
});

it('buckles a rod by Euler’s formula, a solid bar with no hole in it', () => {
  const { buckling } = at({ outside: 16, wall: 8 });
  expect(buckling).toBeCloseTo((Math.PI ** 2 * 205_000 * Math.PI * 16 ** 4) / 64 / 340 ** 2, 3);
  expect(at({ wall: 1 }).buckling).toBeLessThan(buckling);
});

it('asks for one and a half diameters of thread (common practice)', () => {
  expect(at({ bolt: 10 }).engagement).toBe(15);
});
