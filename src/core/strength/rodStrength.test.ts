import { axleWith, wheelIn } from '../../test/layouts';
import { ASSUMED, STARTING_LOADS } from '../model/rod';
import { blankBuild } from '../model/starts';
import { bucklingOf, rodStrength } from './rodStrength';

const STARTING_ROD = { ...STARTING_LOADS, ...ASSUMED };

// Kingpin upright, 30 mm inboard of the contact; the arm 120 mm behind it, the rod straight across: its lever is the arm (geometry).
const drawn = axleWith({
  lowerOuter: { ahead: 0, out: 600, up: 200 },
  upperOuter: { ahead: 0, out: 600, up: 400 },
  tieRodInner: { ahead: -120, out: 260, up: 300 },
  tieRodOuter: { ahead: -120, out: 600, up: 300 },
  wheelCentre: { ahead: 0, out: 630, up: 290 },
});
const design = { ...drawn, tyre: { radius: 290, width: 200 } };
const at = (change: Partial<typeof STARTING_ROD> = {}) =>
  rodStrength(wheelIn(design), { ...STARTING_ROD, ...change })!;

it('works out the force of a tyre turned at rest, by hand', () => {
  const { moment, lever, steady, kerbForce } = at({ wheelLoad: 2000, grip: 1, factor: 3 });
  expect(lever).toBeCloseTo(120, 9);
  expect(moment).toBeCloseTo(2000 * Math.sqrt(200 ** 2 / 8 + 900), 6);
  expect(steady).toBeCloseTo(moment / 120, 6);
  expect(kerbForce).toBeCloseTo(3 * steady, 6);
});

it('bends a bolt as a round bar held at one end: twice the arm, twice the stress (Shigley)', () => {
  const [bare, spaced] = [at({ spacer: 0 }), at({ spacer: 6 })];
  expect(spaced.bending / bare.bending).toBeCloseTo(2, 9);
  expect(bare.bending).toBeCloseTo((32 * bare.kerbForce * 6) / (Math.PI * 12 ** 3), 6);
  expect(at({ grade: '8.8' }).boltReserve / at({ grade: '10.9' }).boltReserve).toBeCloseTo(
    640 / 940,
    9,
  );
});

it('buckles a slender rod by Euler’s formula, a solid bar with no hole in it', () => {
  const { buckling, rule } = at({ outside: 8, wall: 4 });
  expect(rule).toBe('Euler');
  expect(buckling).toBeCloseTo((Math.PI ** 2 * 205_000 * Math.PI * 8 ** 4) / 64 / 340 ** 2, 3);
  expect(at({ outside: 8, wall: 1 }).buckling).toBeLessThan(buckling);
});

it('buckles a stocky one by Johnson’s parabola: 17.9 kN of 16 × 2 tube of 342 mm, not Euler’s 38', () => {
  const area = (Math.PI * (16 ** 2 - 12 ** 2)) / 4;
  const second = (Math.PI * (16 ** 4 - 12 ** 4)) / 64;
  const found = bucklingOf(area, second, 342, 235);
  expect(found.rule).toBe('Johnson');
  expect(found.slenderness).toBeCloseTo(68.4, 1);
  expect(found.buckling / 1000).toBeCloseTo(17.86, 1);
  // No column carries more than its yield, and a stronger tube more than a weaker.
  expect(found.buckling).toBeLessThan(235 * area);
  expect(bucklingOf(area, second, 342, 420).buckling).toBeGreaterThan(found.buckling);
});

it('goes over from one rule to the other without a step or a kink (geometry of the parabola)', () => {
  const limit = Math.sqrt((2 * Math.PI ** 2 * 205_000) / 235);
  const [area, second] = [100, 2500];
  const at_ = (slenderness: number) =>
    bucklingOf(area, second, slenderness * Math.sqrt(second / area), 235).buckling;
  expect(at_(limit * 1.0001)).toBeCloseTo(at_(limit * 0.9999), -1);
  const slope = (from: number) => (at_(from + 0.01) - at_(from - 0.01)) / 0.02;
  expect(slope(limit + 0.02)).toBeCloseTo(slope(limit - 0.02), 0);
});

it('asks for one and a half diameters of the rod’s own thread (common practice)', () => {
  expect(at({ thread: 10, bolt: 14 }).threadEngagement).toBe(15);
});

it('says nothing of a rod where the wheel steers about nothing', () => {
  const { front: links } = blankBuild('x', 'strut-links');
  expect(rodStrength(wheelIn(links), STARTING_ROD)).toBeNull();
  const { front: arm } = blankBuild('x', 'trailing-arm');
  expect(rodStrength(wheelIn(arm), STARTING_ROD)).toBeNull();
});
