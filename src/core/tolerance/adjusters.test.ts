import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { axleWith, prepared, wheelIn } from '../../test/layouts';
import { CORNER_TYPES } from '../corners/kinds';
import { toDeg } from '../geometry/angle';
import { add, distance, rotate, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { spindleOf } from '../kinematics/spindle';
import type { AxleDesign } from '../model/build';
import { toVec } from '../model/points';
import { blankBuild } from '../model/starts';
import { memberEffects, pointEffects } from './adjusters';

/** Camber and toe of a wheel on links of given lengths at its own height: a free body solved by least squares. */
function standsOn(design: AxleDesign, inner: Record<string, Vec>, longer: Record<string, number>) {
  const p = Object.fromEntries(
    Object.entries(design.points).map(([name, point]) => [name, toVec(point)]),
  ) as Record<string, Vec>;
  const links = [
    ['lowerFrontInner', 'lowerOuter', 'lower arm, front tube'],
    ['lowerRearInner', 'lowerOuter', 'lower arm, rear tube'],
    ['upperFrontInner', 'upperOuter', 'upper arm, front tube'],
    ['upperRearInner', 'upperOuter', 'upper arm, rear tube'],
    ['tieRodInner', 'tieRodOuter', 'tie rod'],
  ] as const;
  const centre = p['wheelCentre'];
  const turn = (q: readonly number[]): Vec => [q[3] / 150, q[4] / 150, q[5] / 150];
  const place = (at: Vec, q: readonly number[]): Vec =>
    add(add(centre, [q[0], q[1], q[2]]), rotate(sub(at, centre), turn(q)));
  let q: number[] = [0, 0, 0, 0, 0, 0];
  for (let pass = 0; pass < 4; pass++)
    q = Array.from(
      levenbergMarquardt(
        { x: [0, 1, 2, 3, 4, 5], y: [0, 0, 0, 0, 0, 0] },
        (now: number[]) => {
          const off = links.map(
            ([from, to, name]) =>
              distance(inner[from] ?? p[from], place(p[to], now)) -
              distance(p[from], p[to]) -
              (longer[name] ?? 0),
          );
          return (i: number) => [...off, now[2]][i];
        },
        {
          initialValues: q,
          damping: 1e-8,
          gradientDifference: 1e-4,
          centralDifference: true,
          errorTolerance: 1e-22,
          improvementThreshold: 0,
          maxIterations: 12,
        },
      ).parameterValues,
    );
  const [ax, ay, az] = rotate(spindleOf(design.static), turn(q));
  return { toe: toDeg(Math.atan2(ax, ay)), camber: -toDeg(Math.asin(az)) };
}

const design = axleWith({}, { toe: 0.1, camber: -1 });

it('says what a turn of each tube does, as a general-purpose solver has it', () => {
  const list = memberEffects(wheelIn(design), 1.5);
  expect(list.map(({ of }) => 'member' in of && of.member)).toEqual([
    'lower arm, front tube',
    'lower arm, rear tube',
    'upper arm, front tube',
    'upper arm, rear tube',
    'tie rod',
  ]);
  for (const { of, effect } of list) {
    if (!('member' in of)) throw new Error('no member');
    const after = standsOn(design, {}, { [of.member]: 1.5 });
    expect(effect!.camber).toBeCloseTo(after.camber + 1, 6);
    expect(effect!.toe).toBeCloseTo(after.toe - 0.1, 6);
  }
});

it('says what a washer, a hole, a flip, a turn and a throw do at a joint', () => {
  const { up, out, ahead } = design.points['upperFrontInner'];
  const free: AxleDesign = {
    ...design,
    freedoms: {
      upperFrontInner: {
        out: { kind: 'shims', base: out, stock: [1.6, 3.2], most: 2, way: -1 },
        up: { kind: 'choices', at: [up, up + 25] },
        ahead: { kind: 'thread', min: ahead - 5, max: ahead + 5, pitch: 1.25 },
      },
      tieRodInner: {
        up: { kind: 'flip', base: design.points['tieRodInner'].up, offset: 8 },
        out: { kind: 'eccentric', base: design.points['tieRodInner'].out, throw: 3 },
      },
    },
  };
  const steps = pointEffects(wheelIn(free), 'upperFrontInner');
  expect(steps.map(({ step, unit }) => [step, unit])).toEqual([
    [1.25, 'turn'],
    [-1.6, 'washer'],
    [25, 'hole'],
  ]);
  steps.forEach(({ step, effect }, i) => {
    const inner = [...toVec(design.points['upperFrontInner'])] as [number, number, number];
    inner[i] += step;
    const after = standsOn(design, { upperFrontInner: inner }, {});
    expect(effect!.camber).toBeCloseTo(after.camber + 1, 6);
    expect(effect!.toe).toBeCloseTo(after.toe - 0.1, 6);
  });
  expect(pointEffects(wheelIn(free), 'tieRodInner').map(({ step, unit }) => [step, unit])).toEqual([
    [1, 'mm'],
    [3, 'throw'],
    [8, 'flip'],
  ]);
});

it('lengthens no tube of an arm that is welded to another, and turns the toe of a radius arm by its mount', () => {
  const swing = blankBuild('x', 'swing-arm').front;
  expect(memberEffects(wheelIn(swing), 1).map(({ of }) => 'member' in of && of.member)).toEqual([
    'tie rod',
  ]);
  const { rear } = blankBuild('x', undefined, 'radius-arm');
  const [, mount] = pointEffects(wheelIn(rear!), 'radiusInner');
  const { points } = rear!;
  // Its front end out turns the wheel's front out, about the links' outer ends: toe-out of a millimetre over the arm's length along the car.
  const long = points['radiusInner'].ahead - points['lowerOuter'].ahead;
  expect(mount.effect!.toe).toBeCloseTo(-toDeg(1 / long), 2);
  expect(mount.effect!.caster).toBeNull();
});

it('answers for every joint of every kind', () => {
  for (const { kind, points } of CORNER_TYPES) {
    const { front } = blankBuild('x', kind);
    expect(prepared(front)).toBeDefined();
    for (const point of Object.keys(points))
      for (const { effect } of pointEffects(wheelIn(front), point))
        expect(Object.values(effect!).every((x) => x === null || Number.isFinite(x))).toBe(true);
  }
});
