import fc from 'fast-check';
import { COORDINATES, toVec } from '../model/points';
import { distance } from '../geometry/vec';
import { normalsApart } from '../geometry/random';
import { wheelOf } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { blankBuild } from '../model/starts';
import { buildSchema } from '../model/build';
import { readAt } from '../motion/sweep';
import { Assembly } from '../tolerance/assembly';
import { offsetCount } from '../tolerance/joints';
import { drawnAsBuilt } from './asBuilt';
import { centreRack, writeRackOff } from './centring';

/** A random car with a rack that lies somehow. */
function randomCar(seed: number): Build | null {
  const normal = normalsApart(seed);
  const build = blankBuild('Off');
  for (const point of Object.values(build.front.points))
    for (const coordinate of COORDINATES) point[coordinate] += 8 * normal();
  build.front.rack = { ...build.front.rack!, rise: normal(), sweep: 2 * normal() };
  return wheelOf(build, 'front', 'left').corner && wheelOf(build, 'front', 'right').corner
    ? build
    : null;
}

it('leaves toe where it is on a car whose rack is then moved to the middle, to half a flat', () => {
  let cars = 0;
  for (let seed = 0; seed < 60; seed++) {
    const build = randomCar(300 + seed);
    const off = 12 * Math.sin(seed) + (seed % 2 ? 1 : -1);
    const found = build && centreRack(build, off);
    if (!build || !found || found.some(({ atEnd }) => atEnd)) continue;
    cars++;
    for (const { side, exact, by, toe, adjuster } of found) {
      // By another way: the drawn wheel with a rod that is off by what whole flats leave, moved and read.
      const wheel = wheelOf(build, 'front', side);
      const out = side === 'left' ? off : -off;
      const assembly = new Assembly(wheel.drawn, 'rod as drawn');
      assembly.lengthen('tieRodInner', 'tieRodOuter', by - exact);
      const built = assembly.build(new Float64Array(offsetCount(wheel.type)))!;
      const reading = readAt(drawnAsBuilt(wheel, built).corner!, 0, 0);
      expect(reading.ok && reading.value.toe).toBeCloseTo(toe.after, 6);
      expect(toe.before).toBeCloseTo(wheel.design.static.toe, 9);
      if (adjuster.places.kind !== 'steps') throw new Error('a rod has steps');
      expect(Math.abs(by - exact)).toBeLessThanOrEqual(adjuster.places.step / 2 + 1e-9);
      // About a millimetre of rod for one of rack, the left longer where the rack stands to the left.
      expect(Math.sign(exact)).toBe(Math.sign(out));
      expect(Math.abs(exact / out)).toBeGreaterThan(0.8);
      expect(Math.abs(exact / out)).toBeLessThan(1.05);
    }
  }
  expect(cars).toBeGreaterThan(30);
});

it('is the rod that keeps toe at that rack, by the pose of the corner', () => {
  fc.assert(
    fc.property(fc.double({ min: -9, max: 9, noNaN: true }), (off) => {
      const build = blankBuild('Off');
      for (const { side, exact } of centreRack(build, off)!) {
        const wheel = wheelOf(build, 'front', side);
        // A rod so much shorter, steered to that rack, has the toe that the drawn one has in the middle.
        const assembly = new Assembly(wheel.drawn, 'rod as drawn');
        assembly.lengthen('tieRodInner', 'tieRodOuter', -exact);
        const built = assembly.build(new Float64Array(offsetCount(wheel.type)))!;
        const length = distance(
          toVec(built.points['tieRodInner']),
          toVec(built.points['tieRodOuter']),
        );
        expect(length).toBeCloseTo(
          distance(toVec(wheel.points['tieRodInner']), toVec(wheel.points['tieRodOuter'])) - exact,
          6,
        );
        const steered = readAt(drawnAsBuilt(wheel, built).corner!, 0, off);
        expect(steered.ok && Math.abs(steered.value.toe - wheel.design.static.toe)).toBeLessThan(
          1e-6,
        );
      }
    }),
    { numRuns: 40 },
  );
});

it('says where a thread ends, and nothing of what has no rack', () => {
  const far = centreRack(blankBuild('Off'), 38)!;
  expect(far.every(({ atEnd }) => atEnd)).toBe(true);
  expect(centreRack(blankBuild('Kart', 'kingpin-linked'), 2)).toBeNull();
  expect(centreRack(blankBuild('Off'), 0)!.map(({ by }) => by)).toEqual([0, 0]);
});

it('is kept with the build', () => {
  const build = blankBuild('Off');
  writeRackOff(build, 2.5);
  expect(buildSchema.parse(JSON.parse(JSON.stringify(build))).setups?.rackOff).toBe(2.5);
  writeRackOff(build, undefined);
  expect(build.setups).toEqual({ wheels: [], sets: [] });
});
