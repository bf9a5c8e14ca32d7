import { aCheck } from '../../test/checks';
import { usualSetup } from '../check/evidence';
import { readCar } from '../check/virtualCar';
import type { CheckedCar } from '../check/carModel';
import { normalsApart } from '../geometry/random';
import { wheelOf } from '../kinematics/wheel';
import { briefOf } from '../model/brief';
import type { Build, KeptCheck } from '../model/build';
import { blankBuild } from '../model/starts';
import { readAt } from '../motion/sweep';
import { bandOf } from './inBand';

const HEIGHTS = [-1, -0.7, -0.35, 0, 0.35, 0.7, 1];

/** A check of a car that is as it is drawn, read well over a part of its travel. */
function checked(build: Build, id: string, sides: KeptCheck['sides'], far = 1): KeptCheck {
  const setup = { ...usualSetup(build.front, 'hub'), heightOff: 0.3, heightBy: 'travel' as const };
  const car: CheckedCar = {
    ...{ axle: 'front', sides, moved: 'wheel', drawn: build.front, rounds: [] },
    ...{ travel: build.travel, setup },
  };
  const read = (sides === 'both' ? (['left', 'right'] as const) : [sides]).flatMap((side) =>
    readCar(
      build,
      car,
      { errors: new Map(), gain: { left: 1, right: 1 } },
      HEIGHTS.map((part) => ({
        ...{ method: 'dials' as const, side, plusMinus: 0.05 },
        travel: far * part * (part > 0 ? build.travel.bump : build.travel.droop),
      })),
      normalsApart(id.length),
    ).map((one) => ({ ...one, id: `${side} ${one.id}` })),
  );
  return aCheck(build, id, { sides, setup, readings: read });
}

/** Largest change of toe from ride height as the drawing has it, by the sweep. */
function drawnWorst(build: Build): number {
  const wheel = wheelOf(build, 'front', 'left');
  const toe = (travel: number) => {
    const read = readAt(wheel.corner!, travel, 0);
    if (!read.ok) throw new Error('out of reach');
    return read.value.toe;
  };
  const from = toe(0);
  return Math.max(
    ...HEIGHTS.map((part) =>
      Math.abs(toe(part * (part > 0 ? build.travel.bump : build.travel.droop)) - from),
    ),
  );
}

const banded = (worst: number): Build => {
  const build = blankBuild('x');
  const brief = briefOf(build);
  build.brief = {
    ...brief,
    targets: { ...brief.targets, bumpSteer: [worst, 1.5 * worst, 3 * worst] },
  };
  return build;
};
const ISO = '2026-03-01T09:00:00.000Z';

it('lets the work go on where both wheels were read over their travel and are in band, and else says why not', () => {
  const worst = drawnWorst(blankBuild('x'));
  expect(worst).toBeGreaterThan(0.05);
  const good = banded(1.2 * worst);
  expect(bandOf(good, [], 'front', null)).toEqual({
    open: false,
    says: 'nothing of this axle was read at station Check yet',
  });
  const both = checked(good, 'both', 'both');
  const found = bandOf(good, [both], 'front', null);
  expect(found.says).toMatch(/^“Check both”, 2026-03-01: left \d\.\d\d°, .*; right \d\.\d\d°, /u);
  expect(found.open).toBe(true);
  // The other axle was not read by it.
  expect(bandOf(good, [both], 'rear', null).open).toBe(false);
  const tight = banded(worst / 6);
  expect(bandOf(tight, [checked(tight, 'both', 'both')], 'front', null)).toMatchObject({
    open: false,
    says: expect.stringContaining('rework'),
  });
});

it('takes one wheel, a part of the travel, a training and what was read before for what they are', () => {
  const build = banded(1.2 * drawnWorst(blankBuild('x')));
  expect(bandOf(build, [checked(build, 'one', 'left')], 'front', null)).toMatchObject({
    open: false,
    says: expect.stringContaining('right not read'),
  });
  expect(bandOf(build, [checked(build, 'part', 'both', 0.5)], 'front', null)).toMatchObject({
    open: false,
    says: expect.stringMatching(/read from −\d+ to \d+ mm alone of −\d+ to \d+/u),
  });
  const both = checked(build, 'both', 'both');
  const training = { scenario: 'washer' as const, seed: 1, acts: [] };
  expect(bandOf(build, [{ ...both, training }], 'front', null).open).toBe(false);
  expect(bandOf(build, [both], 'front', ISO).open).toBe(true);
  expect(bandOf(build, [both], 'front', '2026-03-02T09:00:00.000Z')).toMatchObject({
    open: false,
    says: expect.stringContaining('begun before'),
  });
  // The newest counts, not the best.
  const worse = { ...checked(build, 'one', 'left'), begun: '2026-03-05T09:00:00.000Z' };
  expect(bandOf(build, [both, worse], 'front', null).open).toBe(false);
});
