import { produce } from 'immer';
import { distance } from '../geometry/vec';

import type { Build } from '../model/build';
import { blankBuild } from '../model/starts';
import { numbersOf, readerOf } from './places';
import { isMeasured, missingOf, noTakeOff } from '../model/takeOff';
import type { Mark, Measured, TakeOff } from '../model/takeOff';
import { bothSides, takeOver } from './symmetry';
import { symmetryOf } from '../tolerance/symmetry';
import { seeded } from '../../test/leastRange';
import { toVec } from '../model/points';
import { wheelOf } from '../kinematics/wheel';

const buildWith = (takeOff: Partial<TakeOff>): Build => ({
  ...blankBuild('test'),
  takeOff: { ...noTakeOff(), ...takeOff },
});
const read = (value: number, tolerance = 1.5) => ({ value, tolerance });
const placeOf = (build: Build, index = 0) => {
  const place = readerOf(build).read(build.takeOff!.measured[index]);
  if (!place.ok) throw new Error(place.why);
  return place;
};
const left = { axle: 'front', side: 'left' } as const;

describe('points by tape, plumb line and square', () => {
  const direct: Measured = {
    ...left,
    point: 'lowerFrontInner',
    method: 'direct',
    ahead: read(120),
    out: { ...read(35), plane: 'rail' },
    up: { ...read(410), plane: 'plate' },
  };
  const planes: TakeOff['planes'] = [
    { id: 'rail', name: 'chassis rail', axis: 'out', at: 220, facing: 1 },
    { id: 'plate', name: 'plate over the frame', axis: 'up', at: 600, facing: -1 },
  ];

  it('count from the builder’s own planes', () => {
    const place = placeOf(buildWith({ planes, measured: [direct] }));
    expect(place.point).toEqual({ ahead: 120, out: 255, up: 190 });
    expect(place.spread).toEqual({ ahead: 1.5, out: 1.5, up: 1.5 });
    expect(place.numbers.map(({ what }) => what)).toEqual([
      'ahead',
      'out, from chassis rail',
      'up, from plate over the frame',
    ]);
  });

  it('say which plane is gone or stands the wrong way', () => {
    const why = (build: Build) => {
      const place = readerOf(build).read(direct);
      return place.ok ? 'a place' : place.why;
    };
    expect(why(buildWith({ measured: [direct] }))).toMatch(/out is measured from a plane that is/);
    expect(
      why(buildWith({ planes: [planes[0], { ...planes[1], axis: 'ahead' }], measured: [direct] })),
    ).toMatch(/plate over the frame stands square to ahead, not to up/);
  });
});

describe('points by distances', () => {
  const known = { ahead: true, left: true, up: true };
  const marks: Mark[] = [
    { id: 'a', name: 'A', ahead: 400, left: 0, up: 150, known },
    { id: 'b', name: 'B', ahead: -400, left: -50, up: 160, known },
    { id: 'c', name: 'C', ahead: 0, left: 300, up: 500, known },
    { id: 'd', name: 'D', ahead: 100, left: -300, up: 420, known },
  ];
  const target = { ahead: 30, out: 420, up: 230 };
  const tapes = (side: 1 | -1) =>
    marks.map((mark) => ({
      mark: mark.id,
      distance: distance(
        [target.ahead, target.out, target.up],
        [mark.ahead, side * mark.left, mark.up],
      ),
      tolerance: 1.5,
    }));

  it.each(['left', 'right'] as const)('are found on the %s side', (side) => {
    const sign = side === 'left' ? 1 : -1;
    const record: Measured = {
      axle: 'front',
      side,
      point: 'lowerOuter',
      method: 'distances',
      tapes: tapes(sign),
      answer: 1,
    };
    const place = placeOf(buildWith({ marks, measured: [record] }));
    expect(distance(toVec(place.point), toVec(target))).toBeLessThan(1e-6);
  });

  it('carry what the tapes between the marks were off', () => {
    const some = { ahead: false, left: true, up: true };
    const loose = marks.map((mark, i) => (i === 3 ? { ...mark, known: some, ahead: 140 } : mark));
    const apart = (i: number) =>
      distance(
        [marks[i].ahead, marks[i].left, marks[i].up],
        [marks[3].ahead, marks[3].left, marks[3].up],
      );
    const between = [0, 1].map((i) => ({
      from: marks[i].id,
      to: 'd',
      distance: apart(i),
      tolerance: 2,
    }));
    const record: Measured = {
      ...left,
      point: 'lowerOuter',
      method: 'distances',
      tapes: tapes(1),
      answer: 1,
    };
    const build = buildWith({ marks: loose, between, measured: [record] });
    const place = placeOf(build);
    expect(distance(toVec(place.point), toVec(target))).toBeLessThan(1e-6);
    const number = place.numbers.find(({ what }) => what === 'A to D')!;
    const off = structuredClone(build);
    off.takeOff!.between[0].distance! += 0.01;
    const moved = placeOf(off).point;
    const per = number.moves[0].per;
    expect((moved.out - place.point.out) / 0.01).toBeCloseTo(per[1], 3);
    expect((moved.up - place.point.up) / 0.01).toBeCloseTo(per[2], 3);
  });
});

describe('an upright off the hub face', () => {
  const bench = (point: 'lowerOuter' | 'upperOuter', inboard: number, above: number): Measured => ({
    ...left,
    point,
    method: 'bench',
    inboard: read(inboard, 0.5),
    above: read(above, 0.5),
    ahead: read(0, 0.5),
  });
  const measured = [
    bench('lowerOuter', 62, -115),
    { ...bench('upperOuter', 0, 125), lean: { value: 10, tolerance: 0.1 } } as Measured,
  ];

  it('puts the upper joint where the angle of the ball-joint line says', () => {
    const build = buildWith({ measured });
    const { joints } = { joints: measured.map((_, i) => placeOf(build, i).point) };
    const apart = distance(toVec(joints[0]), toVec(joints[1]));
    expect(apart).toBeCloseTo(240 / Math.cos((10 * Math.PI) / 180), 6);
  });

  it('knows what every number moves, lean and lower joint included', () => {
    const build = buildWith({ measured });
    const numbers = numbersOf(build, wheelOf(build, 'front', 'left'));
    const lean = numbers.find(({ id }) => id === 'upperOuter.lean')!;
    expect(lean.unit).toBe('deg');
    const step = 1e-4;
    const off = structuredClone(build);
    (off.takeOff!.measured[1] as { lean: { value: number } }).lean.value += step;
    // Leaning changes the caster's projection a little, so the part is turned by a trace.
    const before = toVec(placeOf(build, 1).point);
    const after = toVec(placeOf(off, 1).point);
    expect((after[1] - before[1]) / step).toBeCloseTo(
      lean.moves.find(({ point }) => point === 'upperOuter')!.per[1],
      2,
    );
    const lower = numbers.find(({ id }) => id === 'lowerOuter.inboard')!;
    expect(lower.moves.map(({ point }) => point)).toEqual(['lowerOuter', 'upperOuter']);
  });

  it('asks for the lower joint when only an angle is given', () => {
    const build = buildWith({ measured: [measured[1]] });
    const place = readerOf(build).read(measured[1]);
    expect(place).toMatchObject({ ok: false, why: expect.stringContaining('lower ball joint') });
  });
});

it('counts points that are drawn as placed to within the brackets’ ±', () => {
  const numbers = numbersOf(blankBuild('test'), wheelOf(blankBuild('test'), 'front', 'left'));
  expect(numbers).toHaveLength(27);
  expect(numbers.every(({ tolerance }) => tolerance === 1.5)).toBe(true);
});

describe('both sides measured', () => {
  const on = (
    side: 'left' | 'right',
    point: 'upperFrontInner' | 'lowerFrontInner',
    out: number,
    up: number,
  ): Measured => ({
    axle: 'front',
    side,
    point,
    method: 'direct',
    ahead: read(100),
    out: read(out),
    up: read(up),
  });
  const measured = [
    on('left', 'upperFrontInner', 330, 385),
    on('right', 'upperFrontInner', 338, 385),
    on('left', 'lowerFrontInner', 250, 180),
  ];

  it('says how far the frame is out and what it does', () => {
    const symmetry = symmetryOf(buildWith({ measured }), 'front');
    expect(symmetry.points).toHaveLength(1);
    expect(symmetry.worst).toMatchObject({ point: 'upperFrontInner', apart: 8 });
    // The upper joint of the right side is pushed out with its pivot: top out.
    expect(symmetry.right!.camber).toBeGreaterThan(symmetry.left!.camber + 0.5);
    expect(bothSides(buildWith({ measured: [] }), 'front')).toEqual([]);
    expect(symmetryOf(buildWith({}), 'front').worst).toBeNull();
  });

  it('takes the mean, one side, or both as they are', () => {
    const outs = (choice: 'mean' | 'left' | 'right' | 'both') => {
      // As the bench does it: on a draft of a frozen build.
      const build = produce(buildWith({ measured }), (draft) => takeOver(draft, 'front', choice));
      return [
        build.front.points['upperFrontInner'].out,
        build.front.rightPoints?.['upperFrontInner'].out,
        build.front.rightPoints?.['lowerFrontInner'].ahead,
      ];
    };
    expect(outs('mean')).toEqual([334, undefined, undefined]);
    expect(outs('left')).toEqual([330, undefined, undefined]);
    expect(outs('right')).toEqual([338, undefined, undefined]);
    expect(outs('both')).toEqual([330, 338, 100]);
  });
});

describe('what was not read', () => {
  const marks: Mark[] = [
    [400, 0, 100],
    [-400, 50, 120],
    [0, 300, 600],
    [100, -200, 300],
  ].map(([ahead, left_, up], i) => ({
    id: `m${i}`,
    name: 'ABCD'[i],
    ahead,
    left: left_,
    up,
    known: { ahead: true, left: true, up: true },
  }));
  const target = [50, 640, 185] as const;
  const tape = (i: number, off = 0) => ({
    mark: `m${i}`,
    distance:
      Math.hypot(target[0] - marks[i].ahead, target[1] - marks[i].left, target[2] - marks[i].up) +
      off,
    tolerance: 1.5,
  });
  const byTapes = (tapes: (Measured & { method: 'distances' })['tapes']): Measured => ({
    ...left,
    point: 'lowerOuter',
    method: 'distances',
    answer: 1,
    tapes,
  });

  it('counts as nothing: no place, no numbers, and it is said what is missing', () => {
    const empty = { tolerance: 1.5 };
    const direct: Measured = {
      ...left,
      point: 'lowerOuter',
      method: 'direct',
      ahead: read(10),
      out: empty,
      up: empty,
    };
    const build = buildWith({ measured: [direct] });
    expect(isMeasured(direct)).toBe(false);
    expect(readerOf(build).read(direct)).toEqual({
      ok: false,
      waits: true,
      why: 'out, up still to be typed',
    });
    const drawn = numbersOf(build, wheelOf(build, 'front', 'left')).filter(
      ({ of }) => of === 'lowerOuter',
    );
    expect(drawn.map(({ what }) => what)).toEqual([
      'ahead, as drawn',
      'out, as drawn',
      'up, as drawn',
    ]);
    expect(missingOf(byTapes([tape(0), { mark: 'm1', tolerance: 1.5 }, tape(2)]))).toEqual([
      '1 more tape',
    ]);
    expect(
      missingOf({
        ...left,
        point: 'upperOuter',
        method: 'bench',
        inboard: empty,
        above: read(100),
        ahead: empty,
        lean: empty,
      }),
    ).toEqual(['C', 'D']);
  });

  it('leaves a tape out and keeps its reading; what tapes allow comes into the ±', () => {
    const wrong = { ...tape(3), distance: tape(3).distance + 40 };
    const all = byTapes([tape(0), tape(1), tape(2), wrong]);
    const placed = placeOf(buildWith({ marks, measured: [all] }));
    expect(placed.placed!.conflict).not.toBeNull();
    const off = distance(toVec(placed.point), [...target]);
    expect(off).toBeGreaterThan(5);
    expect(Math.hypot(placed.spread.ahead, placed.spread.out, placed.spread.up)).toBeGreaterThan(
      off,
    );
    const without = byTapes([tape(0), tape(1), tape(2), { ...wrong, leftOut: true }]);
    const mended = placeOf(buildWith({ marks, measured: [without] }));
    const both = [mended.point, mended.twin!].map((at) => distance(toVec(at), [...target]));
    expect(Math.min(...both)).toBeLessThan(1e-6);
    expect(mended.tapes).toEqual([0, 1, 2]);
  });

  it('counts a tape that was read twice as two readings, and marks of one name as two marks', () => {
    const loose = marks.map((mark, i) =>
      i === 3 ? { ...mark, name: 'A', known: { ahead: false, left: false, up: false } } : mark,
    );
    const apart = (i: number) => ({
      from: `m${i}`,
      to: 'm3',
      distance: Math.hypot(
        marks[i].ahead - marks[3].ahead,
        marks[i].left - marks[3].left,
        marks[i].up - marks[3].up,
      ),
      tolerance: 2,
    });
    const record = byTapes([tape(0), tape(1), tape(2), tape(3)]);
    const once = buildWith({ marks: loose, between: [0, 1, 2].map(apart), measured: [record] });
    const twice = buildWith({
      marks: loose,
      between: [0, 1, 2, 0].map(apart),
      measured: [record],
    });
    const ids = (build: Build) =>
      numbersOf(build, wheelOf(build, 'front', 'left')).map(({ id }) => id);
    expect(new Set(ids(twice)).size).toBe(ids(twice).length);
    expect(ids(twice)).toHaveLength(ids(once).length + 1);
    expect(ids(twice).filter((id) => /tape/.test(id))).toHaveLength(4);
    // Two readings of one length, each ±2, are as one of ±1.41: every number adds its square.
    const { spread } = placeOf(twice);
    expect(spread.out).toBeLessThanOrEqual(placeOf(once).spread.out + 1e-9);
  });

  it('turns the whole upright for a joint that is off, as hanging it again does', () => {
    const bench = (
      point: 'lowerOuter' | 'upperOuter' | 'tieRodOuter',
      ...at: number[]
    ): Measured => ({
      ...left,
      point,
      method: 'bench',
      inboard: read(at[0], 0.5),
      above: read(at[1], 0.5),
      ahead: read(at[2], 0.5),
    });
    const measured = [
      bench('lowerOuter', 40, -110, 0),
      bench('upperOuter', 80, 130, -12),
      bench('tieRodOuter', 60, -30, 120),
    ];
    const build = buildWith({ measured });
    const spread = placeOf(build, 2).spread;
    // By another way: cars measured with chance errors.
    const random = seeded(5);
    const normal = () => Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
    const ups = Array.from({ length: 3000 }, () => {
      const off = produce(build, (draft) => {
        for (const record of draft.takeOff!.measured)
          if (record.method === 'bench')
            for (const what of ['inboard', 'above', 'ahead'] as const)
              record[what].value! += 0.25 * normal();
      });
      return placeOf(off, 2).point.up;
    });
    const mean = ups.reduce((sum, x) => sum + x, 0) / ups.length;
    const deviation = Math.sqrt(ups.reduce((sum, x) => sum + (x - mean) ** 2, 0) / ups.length);
    // A ± is two standard deviations.
    expect(spread.up / (2 * deviation)).toBeGreaterThan(0.94);
    expect(spread.up / (2 * deviation)).toBeLessThan(1.06);
    expect(spread.up).toBeGreaterThan(0.55);
  });
});
