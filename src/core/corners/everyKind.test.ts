import fc from 'fast-check';
import { armsFromCamber } from '../arms/armsFromCamber';
import { findNull } from '../bumpsteer/findNull';
import { nullsOf } from '../bumpsteer/nulls';
import { rulesOfThumb } from '../bumpsteer/rules';
import { jointStates } from '../clearance/jointStates';
import { clearancesOf } from '../clearance/room';
import { articulationsOf } from '../clearance/articulation';
import { readBuildFile, writeBuildFile } from '../file/buildFile';
import { readPointsCsv, writePointsCsv } from '../file/pointsCsv';
import { finish } from '../find/finish';
import { stationStates } from '../judging/stationStates';
import { drawnCorner, isSteered, prepareAxle, whyNot } from '../kinematics/axle';
import { briefOf } from '../model/brief';
import type { AxleDesign, AxleName, Build, DropArm } from '../model/build';
import { pointLabel } from '../model/labels';
import { STARTING_WANTED } from '../model/nullWanted';
import { asKind, blankBuild, changeKind } from '../model/starts';
import { toPoint, toVec } from '../model/points';
import type { Points } from '../model/points';
import { bumpSteer } from '../motion/bumpSteer';
import { figuresOf } from '../motion/figures';
import { heldCamber } from '../motion/held';
import { readAt, runSweep, travelSweep, valueAt } from '../motion/sweep';
import { numbersOf } from '../takeoff/places';
import { Assembly } from '../tolerance/assembly';
import { offsetCount } from '../tolerance/joints';
import { MonteCarlo } from '../tolerance/monteCarlo';
import { responseOf } from '../tolerance/response';
import { cornerOf, sensitivities } from '../tolerance/sensitivity';
import { staticQuantities } from '../upright/staticQuantities';
import { prepared, wheelIn } from '../../test/layouts';
import { CORNER_TYPES, kingpinOf, pointNames, steersBy, typeOf } from './kinds';
import { wheelOf } from '../kinematics/wheel';
import type { Wheel } from '../kinematics/wheel';
import { swapArms } from '../bumpsteer/swapArms';
import { add, cross, dot, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { frameAt } from '../kinematics/frames';

/** Every kind at either end; of wheels that are coupled the one without the drag link too. */
const ends = CORNER_TYPES.flatMap(({ kind, coupled }) =>
  (['front', 'rear'] as const).flatMap((axle) =>
    (coupled ? (['left', 'right'] as const) : (['left'] as const)).map(
      (side) => [kind, axle, side] as const,
    ),
  ),
);
/** Kinds whose wheels move up and down: what is found over travel is found of them. */
const TRAVELLING = CORNER_TYPES.flatMap(({ kind, noTravel }) => (noTravel ? [] : [kind]));
/** Those of them that do so by themselves, the other wheel standing still: what camber they gain is their own. */
const ALONE = TRAVELLING.filter((kind) => !typeOf({ kind }).coupled);
const buildOf = (kind: string, axle: AxleName): Build =>
  axle === 'front' ? blankBuild('Kinds', kind) : blankBuild('Kinds', undefined, kind);
const designOf = (build: Build, axle: AxleName): AxleDesign => build[axle]!;

/** A blank layout with every point moved a little. */
const shaken = (kind: string, by = 6) =>
  fc
    .array(fc.double({ min: -by, max: by, noNaN: true }), { minLength: 40, maxLength: 40 })
    .map((off) => {
      const { front } = blankBuild('x', kind);
      const points = Object.fromEntries(
        Object.entries(front.points).map(([name, point], i) => [
          name,
          toPoint(toVec(point).map((x, j) => x + off[(3 * i + j) % 40]) as unknown as Vec3),
        ]),
      ) as unknown as Points;
      return { ...front, points };
    });
/** An axle with its drag link on the other side. */
function mirrorImage({ dropArm, ...design }: AxleDesign): AxleDesign {
  const across = ({ ahead, left, up }: DropArm['lower']) => ({ ahead, left: -left, up });
  const { lower, upper, ...rest } = dropArm!;
  return {
    ...design,
    dragLinkTo: 'right',
    dropArm: { ...rest, lower: across(lower), upper: across(upper) },
  };
}
type Vec3 = [number, number, number];

describe.each(ends)('%s at the %s, %s', (kind, axle, which) => {
  const build = buildOf(kind, axle);
  const design = designOf(build, axle);
  const wheel = wheelOf(build, axle, which)!;
  const { type } = wheel;

  it('starts from a layout that is sound and goes through its travel and lock', () => {
    expect(readBuildFile(writeBuildFile(build))).toEqual({ ok: true, value: build });
    const side = prepared(design)[which];
    if (wheel.travels) {
      expect(bumpSteer(side, build.travel)!.worst).toBeLessThan(1);
      const { gain } = heldCamber(side, build.travel)!;
      if (wheel.alone) expect(gain).toBeLessThan(0);
      else expect(gain).toBeCloseTo(0, 9);
    }
    const lock = wheel.steerRange;
    for (const rack of [-lock, lock]) expect(readAt(side, 0, rack).ok).toBe(true);
  });

  it('is read, judged and measured by every station, and nothing of it is no number', () => {
    const side = prepared(design)[which];
    const known = {
      bumpSteer: wheel.travels ? bumpSteer(side, build.travel) : null,
      gain: wheel.travels ? heldCamber(side, build.travel)!.gain : null,
      clearances: clearancesOf(build, wheel),
      articulations: articulationsOf(wheel),
      steering: null,
    };
    const reading = readAt(side, wheel.travels ? 20 : 0, 0);
    const said = JSON.stringify([
      reading,
      figuresOf(wheel),
      known,
      stationStates(build, wheel, briefOf(build).targets, known),
      jointStates(wheel, known.articulations, {}),
      staticQuantities(design, 'left'),
      numbersOf(build, wheel),
      type.tieRod && wheel.travels ? rulesOfThumb(wheel) : [],
      type.tieRod && wheel.travels ? nullsOf(wheel) : [],
      pointNames(type).map((name) => pointLabel(design, name)),
      [900, -900].map((travel) => whyNot(side, travel, 0)),
    ]);
    // Numbers that are none are written as null.
    expect(JSON.stringify(reading)).not.toContain('null');
    expect(said).not.toMatch(/NaN|undefined/);
    // Nothing names a tie rod on a wheel that has none, nor a kingpin's figures where it steers about nothing.
    if (type.coupled) expect(said).not.toMatch(/toe link/i);
    else if (!type.tieRod) expect(said).not.toMatch(/tie rod|toe link/i);
    else if (!wheel.steered) expect(said).not.toMatch(/tie rod/i);
    if (!type.steersAbout) expect(said).not.toMatch(/caster|kpi|scrub/i);
    expect(readPointsCsv(type, writePointsCsv(type, design.points))).toEqual({
      ok: true,
      value: Object.fromEntries(pointNames(type).map((name) => [name, design.points[name]])),
    });
  });

  it('says which of its numbers deserves the caliper, and builds its cars', () => {
    const list = sensitivities(build, wheel);
    expect(list).toHaveLength(3 * pointNames(type).length);
    for (const { over } of list) expect(Object.values(over).every(Number.isFinite)).toBe(true);
    const cars = new MonteCarlo(build, wheel, 0, 40);
    cars.run(40);
    const bands = cars.bands();
    expect(bands.failed).toBe(0);
    if (wheel.travels) expect(bands.toeRange!.ninety).toBeGreaterThan(0);
  });
});

/**
 * How far ahead or back a place is off what the upright turns about when it is steered a little both ways: its
 * places there only slide along it. Sideways the speed does not hang on how far out the place is.
 */
function offScrew({ corner }: Wheel, [ahead, , up]: Vec): number {
  const [before, after] = [-0.01, 0.01].map((rack) => {
    const upright = new Float64Array(UPRIGHT_SIZE);
    expect(corner!.corner.pose(0, rack, upright)).toBe(true);
    const [x, y, z] = upright;
    return { frame: frameAt(upright), at: [x, y, z] as Vec };
  });
  const turns = before.frame.map((axis, n) => cross(axis, sub(after.frame[n], axis)));
  const w = scale(
    turns.reduce((sum, turn) => add(sum, turn), [0, 0, 0] as Vec),
    0.5,
  );
  const v = sub(after.at, before.at);
  const [x, , z] = scale(add(before.at, after.at), 0.5);
  const sideways = v[1] + w[2] * (ahead - x) - w[0] * (up - z);
  return (sideways - (dot(v, w) / dot(w, w)) * w[1]) / w[2];
}

describe.each(TRAVELLING)('%s', (kind) => {
  it('has slopes that are the limits of differences, its steering axis’s among them', () => {
    const h = 1e-3;
    let compared = 0;
    fc.assert(
      fc.property(
        shaken(kind),
        fc.integer({ min: -30, max: 30 }),
        fc.integer({ min: -12, max: 12 }),
        (design, travel, steer) => {
          const side = prepared(design).left;
          const rack = isSteered(design) ? steer : 0;
          const here = readAt(side, travel, rack);
          const [up, down] = [readAt(side, travel + h, rack), readAt(side, travel - h, rack)];
          const [left, right] = [readAt(side, travel, rack + h), readAt(side, travel, rack - h)];
          fc.pre(here.ok && up.ok && down.ok && left.ok && right.ok);
          for (const name of Object.keys(here.perTravel) as (keyof typeof here.perTravel)[]) {
            const [perTravel, perRack] = [here.perTravel[name]!, here.perRack[name]!];
            const scale = 1 + Math.abs(perTravel) + Math.abs(perRack);
            const byTravel = (up.value[name]! - down.value[name]!) / (2 * h);
            expect(Math.abs(perTravel - byTravel) / scale).toBeLessThan(2e-5);
            if (!isSteered(design)) continue;
            const byRack = (left.value[name]! - right.value[name]!) / (2 * h);
            expect(Math.abs(perRack - byRack) / scale).toBeLessThan(2e-5);
            compared++;
          }
        },
      ),
      { numRuns: 40 },
    );
    const { tieRod } = typeOf({ kind });
    expect(compared).toBeGreaterThan(tieRod ? 100 : -1);
  });

  it('left mirrors right', () => {
    fc.assert(
      fc.property(shaken(kind), (design) => {
        const axle = prepared(design);
        const image = typeOf(design).coupled ? prepared(mirrorImage(design)) : axle;
        const [left, right] = [readAt(axle.left, 15, 9), readAt(image.right, 15, -9)];
        if (!left.ok || !right.ok) throw new Error('out of reach');
        const other: Record<string, number> = right.value;
        for (const [name, value] of Object.entries(left.value))
          // Centres far off are where two lines hardly meet.
          if (Math.abs(value) < 1e5)
            expect(Math.abs(other[name] - value)).toBeLessThan(1e-6 * Math.max(1, Math.abs(value)));
      }),
      { numRuns: 20 },
    );
  });

  it('answers to parts that are off as its exact derivatives say', () => {
    const type = typeOf({ kind });
    const count = offsetCount(type);
    fc.assert(
      fc.property(
        shaken(kind),
        fc.array(fc.double({ min: -2, max: 2, noNaN: true }), {
          minLength: count,
          maxLength: count,
        }),
        (design, off) => {
          const drawn = drawnCorner(design, 'left');
          const side = prepared(design).left;
          const response = responseOf(side, drawn, [20, -20])!(Float64Array.from(off));
          const step = 1e-4;
          const [plus, minus] = [step, -step].map((by) => {
            const built = new Assembly(drawn).build(Float64Array.from(off, (o) => o * by))!;
            const corner = cornerOf(wheelIn(design), built)!;
            const sweep = travelSweep({ bump: 20, droop: 20 }, 3);
            expect(runSweep(corner, sweep)).toBe(3);
            return [
              valueAt(sweep, 1, 'camber'),
              valueAt(sweep, 2, 'toe'),
              valueAt(sweep, 0, 'toe'),
              valueAt(sweep, 1, 'scrub'),
            ];
          });
          [response.camber, ...response.toe, response.scrub].forEach((value, i) => {
            if (value === null) return;
            const difference = (plus[i] - minus[i]) / (2 * step);
            expect(Math.abs(value - difference)).toBeLessThan(3e-4 * Math.max(1, Math.abs(value)));
          });
        },
      ),
      { numRuns: 25 },
    );
  });

  it('is found by its finders as well as by trying every place', () => {
    if (!ALONE.includes(kind)) return;
    const build = blankBuild('Find', kind);
    const { front, travel } = build;
    const type = typeOf(front);
    const point = type.pivots.at(-1)?.through[0] ?? 'linkBInner';
    const name = point in front.points ? point : 'upperInner';
    const { out, up } = front.points[name];
    const holes = [up - 20, up, up + 20];
    front.freedoms = {
      [name]: {
        up: { kind: 'choices', at: holes },
        out: { kind: 'range', min: out - 30, max: out + 30, step: 5 },
      },
    };
    const gainAt = (o: number, u: number) => {
      const points = { ...front.points, [name]: { ...front.points[name], out: o, up: u } };
      const ready = prepareAxle({ ...front, points });
      return ready.ok ? (heldCamber(ready.axle.left, travel)?.gain ?? NaN) : NaN;
    };
    const wanted = (gainAt(out + 15, up + 20) + gainAt(out + 20, up + 20)) / 2;
    let least = Infinity;
    for (const u of holes)
      for (let o = out - 30; o <= out + 30.01; o += 5)
        least = Math.min(least, Math.abs(gainAt(o, u) - wanted));
    const { found, all } = finish(
      armsFromCamber(build, 'front', { gain: wanted, together: false }),
    );
    expect(all).toBe(true);
    const best = Math.min(...found.map(({ gain }) => Math.abs(gain - wanted)));
    // Any that is good enough ends the search; else it is the least there is.
    expect(best).toBeLessThanOrEqual(Math.max(least, 0.05) + 1e-9);
  });

  it('is nulled by its rod as well as by trying every place, where it has one', () => {
    const type = typeOf({ kind });
    if (!type.tieRod) return;
    for (const axle of ['front', 'rear'] as const) {
      const build = buildOf(kind, axle);
      const design = designOf(build, axle);
      const { inner } = type.tieRod;
      // A drag link lies along the car.
      const along = type.coupled ? 'ahead' : 'out';
      const { [along]: at, up } = design.points[inner];
      const slot = (middle: number) =>
        ({ kind: 'range', min: middle - 10, max: middle + 10, step: 0 }) as const;
      design.freedoms = { [inner]: { [along]: slot(at + 4), up: slot(up - 6) } };
      let least = Infinity;
      for (let i = 0; i <= 20; i++)
        for (let j = 0; j <= 20; j++) {
          const joint = { ...design.points[inner], [along]: at - 6 + i, up: up - 16 + j };
          const ready = prepareAxle({ ...design, points: { ...design.points, [inner]: joint } });
          const steer = ready.ok && bumpSteer(ready.axle.left, build.travel);
          if (steer) least = Math.min(least, steer.span.range);
        }
      const { found, paper, before } = finish(
        findNull(build, wheelOf(build, axle, 'left')!, { ...STARTING_WANTED, placing: null }),
      );
      const range = found[paper]?.steer.span.range ?? before!.span.range;
      expect(range).toBeLessThanOrEqual(least + 1e-3);
    }
  });

  it('may have its steering arms swapped about what it steers about, where that is something', () => {
    const type = typeOf({ kind });
    const build = buildOf(kind, 'front');
    const wheel = wheelOf(build, 'front', 'left');
    if (!type.steersAbout || !type.tieRod || type.coupled)
      return expect(swapArms(wheel)).toBeNull();
    const { ahead, up } = wheel.points['tieRodOuter'];
    const middle = (swapArms(wheel)!.points['tieRodOuter'].ahead + ahead) / 2;
    const kingpin = kingpinOf(type)?.map((name) => wheel.points[name]);
    if (kingpin) {
      const [low, high] = kingpin;
      const part = (up - low.up) / (high.up - low.up);
      expect(middle).toBeCloseTo(low.ahead + part * (high.ahead - low.ahead), 1);
    } else expect(offScrew(wheel, [middle, 0, up])).toBeCloseTo(0, 1);
    const { out, up: height } = wheel.points['tieRodInner'];
    const slot = (at: number) => ({ kind: 'range', min: at - 15, max: at + 15, step: 0 }) as const;
    const freedoms = { tieRodInner: { out: slot(out), up: slot(height) } };
    const { tried } = finish(
      findNull(build, wheel.drawnAs({ ...build.front, freedoms }), {
        ...STARTING_WANTED,
        placing: null,
        swap: true,
      }),
    );
    expect(tried).toBeGreaterThan(1);
  });

  it('becomes another kind and keeps what both have', () => {
    for (const other of CORNER_TYPES) {
      const { front } = blankBuild('x', kind);
      front.points.wheelCentre.out += 12;
      const changed = asKind(front, other.kind, 'front');
      expect(pointNames(other)).toEqual(Object.keys(changed.points));
      expect(changed.points.wheelCentre).toEqual(front.points.wheelCentre);
      expect(changed.rack !== undefined).toBe(steersBy(other, 'rack') && front.rack !== undefined);
      if (other.kind === kind) expect(changed.points).toEqual(front.points);
      // Put in place of the other it is sound, and steered as it was.
      const build = blankBuild('x', kind);
      changeKind(build, 'front', other.kind);
      expect(readBuildFile(writeBuildFile(build))).toEqual({ ok: true, value: build });
      const wasSteered = isSteered(blankBuild('x', kind).front);
      expect(isSteered(build.front)).toBe(wasSteered && other.tieRod !== null);
    }
  });
});
