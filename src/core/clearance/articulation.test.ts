import { doubleWishbone } from '../corners/doubleWishbone';
import fc from 'fast-check';
import { toDeg } from '../geometry/angle';
import type { Build } from '../model/build';
import { blankBuild } from '../model/starts';
import { noTakeOff } from '../model/takeOff';
import { measuredArticulations, studsOf } from './studs';
import { anyLayout, parallelArms, wheelIn } from '../../test/layouts';
import { bestBolt, articulatedJoints, articulationsOf } from './articulation';
import { wheelOf } from '../kinematics/wheel';

const travel = { bump: 60, droop: 60 };

const parallel = parallelArms({
  tieRodInner: { ahead: -100, out: 300, up: 300 },
  tieRodOuter: { ahead: -100, out: 600, up: 300 },
});

describe('how far joints articulate', () => {
  it('is the arms’ swing where the upright only rises and falls', () => {
    const { rack: _rack, ...rear } = parallel;
    const articulations = articulationsOf(wheelIn(rear, 'left', travel))!;
    const swing = toDeg(Math.asin(60 / 300));
    expect(articulations['lowerOuter'].angle).toBeCloseTo(swing, 6);
    expect(articulations['upperOuter'].angle).toBeCloseTo(swing, 6);
    // The rod leaves the plane square to its upright bolt by the swing; about a bolt along the car it turns freely.
    expect(articulations['tieRodOuter'].angle).toBeCloseTo(swing, 6);
    expect(articulations['tieRodInner'].angle).toBeCloseTo(0, 6);
    expect(Math.abs(articulations['lowerOuter'].travel)).toBe(60);
  });

  it('counts every way the rod leaves the rack’s end, and no turn about the outer bolt', () => {
    const wide = articulationsOf(wheelIn(parallel, 'left', { bump: 1, droop: 1 }))!;
    // At lock the rod swings in plan: the inner ball articulates, the outer end turns about its bolt.
    expect(wide['tieRodInner'].angle).toBeGreaterThan(3);
    expect(Math.abs(wide['tieRodInner'].rack)).toBe(parallel.rack!.travel);
    expect(wide['tieRodOuter'].angle).toBeLessThan(0.5);
    // Steering turns ball joints about their studs: no articulation.
    expect(wide['lowerOuter'].angle).toBeLessThan(0.5);
  });

  it('mirrors, and grows from nothing', () => {
    fc.assert(
      fc.property(anyLayout, (design) => {
        const at = (side: 'left' | 'right', by: number) =>
          articulationsOf(wheelIn(design, side, { bump: by, droop: by }))!;
        const [left, right] = [at('left', 20), at('right', 20)];
        const { rack: _rack, ...unsteered } = design;
        const still = articulationsOf(wheelIn(unsteered, 'left', { bump: 0.01, droop: 0.01 }))!;
        for (const name of articulatedJoints(doubleWishbone)) {
          expect(right[name].angle).toBeCloseTo(left[name].angle, 9);
          expect(still[name].angle).toBeLessThan(0.1);
        }
      }),
      { numRuns: 20 },
    );
  });

  it('is nothing where the layout cannot be solved', () => {
    const { front } = blankBuild('x');
    front.points['upperOuter'] = { ...front.points['lowerOuter'] };
    expect(articulationsOf(wheelIn(front, 'left', travel))).toBeNull();
  });
});

describe('a bolt laid another way', () => {
  it('articulates least where travel turns about it: none of many other ways does better', () => {
    for (const kind of ['five-link', 'strut-links']) {
      const { rear } = blankBuild('x', undefined, kind);
      for (const name of ['linkAInner', 'linkAOuter', 'tieRodOuter']) {
        const best = bestBolt(wheelIn(rear!, 'left', travel), name)!;
        const angleWith = ([ahead, out, up]: readonly number[]) =>
          articulationsOf(
            wheelIn({ ...rear!, bolts: { [name]: { ahead, out, up } } }, 'left', travel),
          )![name].angle;
        const usual = articulationsOf(wheelIn(rear!, 'left', travel))![name].angle;
        const least = angleWith(best);
        expect(least).toBeLessThan(usual + 1e-9);
        // Tried all round, five degrees apart: least squares is near the least of them.
        let tried = Infinity;
        for (let a = 0; a < 180; a += 5)
          for (let b = -90; b < 90; b += 5) {
            const [p, q] = [(a * Math.PI) / 180, (b * Math.PI) / 180];
            tried = Math.min(
              tried,
              angleWith([Math.cos(p) * Math.cos(q), Math.sin(p) * Math.cos(q), Math.sin(q)]),
            );
          }
        expect(least).toBeLessThan(tried + 1);
      }
    }
  });

  it('is none for a ball, nor for an arm’s joint', () => {
    const { front } = blankBuild('x');
    expect(bestBolt(wheelIn(front, 'left', travel), 'tieRodInner')).toBeNull();
    expect(bestBolt(wheelIn(front, 'left', travel), 'lowerOuter')).toBeNull();
  });
});

it('counts a stud that was measured on the bench from square to its arm', () => {
  const build = blankBuild('x');
  // Not steered: a stud that leans out of the kingpin's line goes round as the wheel is steered.
  delete build.front.rack;
  const { lowerOuter } = build.front.points;
  const read = (value: number) => ({ value, tolerance: 0.5 });
  const lean = (angle: number): Build => ({
    ...build,
    takeOff: {
      ...noTakeOff(),
      measured: [
        {
          axle: 'front',
          side: 'left',
          point: 'lowerOuter',
          method: 'bench',
          inboard: read(60),
          above: read(lowerOuter.up - 290),
          ahead: read(8),
          stud: { value: angle, tolerance: 0.2 },
        },
      ],
    },
  });
  // The lower arm is near level and the wheel leans in by 1°: a stud square to the hub's face is a degree off upright.
  const still = { ...lean(0), travel: { bump: 1, droop: 1 } };
  const [ahead, out, up] = studsOf(still, wheelOf(still, 'front', 'left'))['lowerOuter'];
  expect([ahead, out]).toEqual([expect.closeTo(0, 6), expect.closeTo(-Math.sin(Math.PI / 180), 6)]);
  expect(up).toBeCloseTo(Math.cos(Math.PI / 180), 6);
  const at = (angle: number) =>
    measuredArticulations(lean(angle), wheelIn(lean(angle).front, 'left', { bump: 1, droop: 1 }))![
      'lowerOuter'
    ].angle;
  // Ten degrees more of lean are ten degrees more of articulation, there already at ride height.
  expect(at(20) - at(10)).toBeCloseTo(10, 0);
  expect(
    measuredArticulations(lean(10), wheelOf(lean(10), 'front', 'right'))!['lowerOuter'].angle,
  ).toBeGreaterThan(5);
  expect(studsOf(build, wheelOf(build, 'front', 'left'))).toEqual({});
});
