import fc from 'fast-check';
import { blankFront } from '../model/starts';
import { staticQuantities } from './staticQuantities';
import { lowerEdgeOut, setOverallWidth, tyreReach, waysToWidth, widthOver } from './width';

const kart = (camber: number, radius = 135, width = 120) => ({
  ...blankFront('kingpin'),
  static: { toe: 0, camber },
  tyre: { radius, width },
});

/** Outermost of a cylinder's own points, sampled, in a band of heights about its middle. */
function sampled(camber: number, radius: number, width: number, within: (up: number) => boolean) {
  const g = (camber * Math.PI) / 180;
  let most = -Infinity;
  for (let i = 0; i <= 40000; i++) {
    const f = (2 * Math.PI * i) / 40000;
    for (const r of within(0) ? [radius, 0.6 * radius, 0.2 * radius, 0.02 * radius] : [radius]) {
      // On the outer face, before it is leaned: (width / 2, r) out and up.
      const [out, up] = [width / 2, r * Math.cos(f)];
      const [y, z] = [out * Math.cos(g) + up * Math.sin(g), -out * Math.sin(g) + up * Math.cos(g)];
      if (within(z)) most = Math.max(most, y);
    }
  }
  return most;
}

it('measures where the rule does, as a cylinder of sampled points does', () => {
  for (const [camber, radius, width] of [
    [-3, 135, 120],
    [2.2, 139, 132],
    [0, 127, 115],
  ]) {
    const design = kart(camber, radius, width);
    expect(tyreReach(design, 'anywhere')).toBeCloseTo(
      sampled(camber, radius, width, () => true),
      3,
    );
    const g = (camber * Math.PI) / 180;
    const lowest = -(width / 2) * Math.sin(g) - radius * Math.cos(g);
    expect(tyreReach(design, 'ground')).toBeCloseTo(
      sampled(camber, radius, width, (z) => z < lowest + 1e-5 * radius),
      2,
    );
    expect(tyreReach(design, 'hub')).toBeCloseTo(
      sampled(camber, radius, width, (z) => Math.abs(z) < 0.02),
      2,
    );
  }
});

it('knows that negative camber puts the lower edges out, and positive the upper ones', () => {
  const lean = kart(-2);
  expect(tyreReach(lean, 'ground')).toBeGreaterThan(tyreReach(lean, 'hub'));
  expect(tyreReach(lean, 'ground')).toBe(tyreReach(lean, 'anywhere'));
  expect(tyreReach(kart(2), 'ground')).toBeLessThan(tyreReach(kart(2), 'hub'));
  expect(lowerEdgeOut(lean)).toBeCloseTo(2 * 135 * Math.sin((2 * Math.PI) / 180), 9);
  expect(lowerEdgeOut(kart(1))).toBeLessThan(0);
});

it('brings an axle to a width by bosses, by lean and by spacers, each measured', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -3, max: -0.5, noNaN: true }),
      fc.double({ min: -7, max: 7, noNaN: true }),
      fc.constantFrom('ground', 'hub', 'anywhere'),
      (camber, by, where) => {
        fc.pre(Math.abs(by) > 0.01);
        const design = kart(camber);
        const wanted = widthOver(design, where) + by;
        const ways = waysToWidth(design, wanted, where);
        const of = (way: string) => ways.find((one) => one.way === way);
        for (const { design: changed, width } of ways) {
          expect(width).toBeCloseTo(wanted, 2);
          expect(widthOver(changed, where)).toBe(width);
        }
        const [bosses, spacers] = [of('bosses')!, of('spacers')!];
        // The bosses' own distance changes by what is wanted, and nothing of a corner does.
        const { kingpinLower, wheelCentre } = bosses.design.points;
        expect(2 * (kingpinLower.out - design.points['kingpinLower'].out)).toBeCloseTo(by, 3);
        expect(bosses.scrub).toBeCloseTo(staticQuantities(design, 'left').scrub!, 3);
        expect(wheelCentre.up).toBe(design.points.wheelCentre.up);
        // A spacer leaves the kingpin, and the scrub grows with it.
        expect(spacers.design.points['kingpinLower']).toEqual(design.points['kingpinLower']);
        expect(Math.sign(spacers.by)).toBe(Math.sign(by));
        expect(spacers.scrub! - staticQuantities(design, 'left').scrub!).toBeCloseTo(by / 2, 0);
        const lean = of('lean');
        if (lean) expect(lean.kpi! - staticQuantities(design, 'left').kpi!).toBeCloseTo(lean.by, 3);
      },
    ),
    { numRuns: 60 },
  );
  // At the ground, 3 mm a side of a 135 mm tyre are about a degree and a quarter.
  const lean = waysToWidth(kart(-2), widthOver(kart(-2), 'ground') - 6, 'ground').find(
    ({ way }) => way === 'lean',
  )!;
  expect(Math.abs(lean.by)).toBeGreaterThan(0.3);
  expect(Math.abs(lean.by)).toBeLessThan(4);
});

it('sets a width where the rule measures it', () => {
  const design = kart(-2.5);
  setOverallWidth(design, 1180, 'hub');
  expect(widthOver(design, 'hub')).toBeCloseTo(1180, 3);
  expect(widthOver(design, 'ground')).toBeGreaterThan(1185);
});
