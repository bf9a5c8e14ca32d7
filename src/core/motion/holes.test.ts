import { parallelArms } from '../../test/layouts';
import { distance } from '../geometry/vec';
import { startingBrief } from '../model/brief';
import type { Build } from '../model/build';
import { toVec } from '../model/points';
import { blankBuild } from '../model/starts';
import { holesOf, spacersFor } from './holes';
import { wheelOf } from '../kinematics/wheel';

// Level arms across, pivots 300 mm apart along the car; the lower front pivot has holes 15 mm apart.
const made = (): Build => {
  // The wheel over the kingpin, so that what the rod does to the toe does not move its contact along.
  const front = parallelArms({ wheelCentre: { ahead: 0, out: 600, up: 290 } });
  front.freedoms = { lowerFrontInner: { up: { kind: 'choices', at: [185, 200, 215] } } };
  const brief = startingBrief({ use: 'road' });
  brief.limits = { massHeight: 480, brakeFront: 65 };
  return { ...blankBuild('x'), front, brief };
};

it('gives each hole its anti-dive, from the side-view lines drawn by hand', () => {
  const build = made();
  const holes = holesOf(build, wheelOf(build, 'front', 'left'), 'lowerFrontInner', 'up');
  expect(holes.map(({ at }) => at)).toEqual([185, 200, 215]);
  expect(holes[1].brake).toBeCloseTo(0, 6);
  // From the side the upper pivots' line is level; the lower one's leans by 15 in 300. Each joint moves square to its
  // own line, so per mm of bump the lower one goes ahead by the lean, and the contact, 200 below it where the joints
  // are 200 apart, by twice as much.
  const lean = 15 / 300;
  const lead = 2 * lean;
  const wanted = (100 * 0.65 * lead * build.wheelbase) / 480;
  expect(Math.abs(holes[2].brake!)).toBeCloseTo(wanted, 0);
  expect(holes[0].brake).toBeCloseTo(-holes[2].brake!, 0);
});

it('shifts the pivot along its bolt so that the arm’s pivots stay as far apart, and fits two spacers to that', () => {
  const build = made();
  const { lowerFrontInner, lowerRearInner } = build.front.points;
  const long = distance(toVec(lowerFrontInner), toVec(lowerRearInner));
  for (const { at, shift } of holesOf(
    build,
    wheelOf(build, 'front', 'left'),
    'lowerFrontInner',
    'up',
  )) {
    const place = { ...lowerFrontInner, up: at, ahead: lowerFrontInner.ahead + shift! };
    expect(distance(toVec(place), toVec(lowerRearInner))).toBeCloseTo(long, 9);
  }
  // 15 in 300: the pivot comes back by 300 − √(300² − 15²).
  const [low] = holesOf(build, wheelOf(build, 'front', 'left'), 'lowerFrontInner', 'up');
  expect(low.shift).toBeCloseTo(Math.sqrt(300 ** 2 - 15 ** 2) - 300, 9);
  expect(spacersFor(20, -0.4)).toEqual({ ahead: 10.4, behind: 9.6 });
  expect(spacersFor(20, 11)).toBeNull();
});

it('gives nothing where there is no row of holes, and no figures without a brief’s', () => {
  const build = made();
  expect(holesOf(build, wheelOf(build, 'front', 'left'), 'upperFrontInner', 'up')).toEqual([]);
  delete build.brief;
  expect(
    holesOf(build, wheelOf(build, 'front', 'left'), 'lowerFrontInner', 'up')[0].brake,
  ).toBeNull();
});
