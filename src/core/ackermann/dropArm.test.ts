import fc from 'fast-check';
import { finish } from '../find/finish';
import { wheelOf } from '../kinematics/wheel';
import type { AckermannWanted } from '../model/ackermannWanted';
import type { AxleDesign, Build } from '../model/build';
import { blankBuild } from '../model/starts';
import { prepared } from '../../test/layouts';
import { dropArmTo } from '../kinematics/innerWay';
import { dropArmWay } from '../kinematics/axle';
import { toVec } from '../model/points';
import { stopsFor } from '../steering/stops';
import { findAckermann } from './findAckermann';
import { measureAckermann } from './measure';
import { OverLock, PARTS } from './overLock';
import { AckermannSearch, movesOf } from './problem';

const LOCK = 24;
const wanted: AckermannWanted = {
  ...{ small: 100, full: 100, arm: 0, ahead: 0, height: 0 },
  ...{ spacing: 9, length: 12, crank: 0 },
};

/** A kart that turns far enough, its joints moved about. */
const anyKart = fc
  .array(fc.double({ min: -7, max: 7, noNaN: true }), { minLength: 6, maxLength: 6 })
  .map((off): Build => {
    const build = blankBuild('Kart', 'kingpin');
    const { front } = build;
    front.dropArm!.lock = 60;
    const { tieRodInner: inner, tieRodOuter: outer } = front.points;
    Object.assign(inner, {
      ahead: inner.ahead + off[0],
      out: inner.out + off[1] / 2,
      up: inner.up + off[2],
    });
    Object.assign(outer, {
      ahead: outer.ahead + off[3],
      out: outer.out + off[4],
      up: outer.up + off[5],
    });
    return build;
  });

const worstOf = (build: Build, front: AxleDesign): number => {
  const found = measureAckermann(prepared(front), build.wheelbase, wanted, LOCK);
  return found ? Math.abs(found.worst) : Infinity;
};
const stopped = (build: Build): Build => {
  build.brief = {
    targets: {
      ...{ bumpSteer: [0.25, 0.5, 1], camberGain: [-1, 0], ackermann: [80, 120] },
      ...{ caster: [0, 30], kpi: [0, 30], ratio: [0.5, 8], lock: LOCK },
    },
    rule: 'lines',
    limits: {},
  };
  return build;
};

it('comes as near to true as trying every drop arm does', () => {
  let nearer = 0;
  fc.assert(
    fc.property(anyKart, (kart) => {
      const build = stopped(kart);
      const { solved } = wheelOf(build, 'front', 'left');
      fc.pre(solved.ok);
      if (!solved.ok) return;
      const stops = stopsFor(solved.axle, build.wheelbase, LOCK);
      fc.pre(stops?.every(({ reached }) => reached) ?? false);
      const search = new AckermannSearch(build, wheelOf(build, 'front', 'left'), wanted, LOCK);
      const [spacing, long] = search.moves;
      expect([spacing.by, long.by]).toEqual(['spacing', 'length']);
      let least = Infinity;
      for (let i = -9; i <= 9; i += 3)
        for (let j = -12; j <= 12; j += 3) {
          const out = build.front.points['tieRodInner'].out + i;
          const trial = search.designAt([out, j]);
          least = Math.min(least, worstOf(build, trial));
        }
      const before = worstOf(build, build.front);
      const answer = finish(findAckermann(build, wanted));
      if (!answer.ok) throw new Error(answer.why);
      const { found } = answer.finding;
      const best = Math.min(before, ...found.map((one) => Math.abs(one.ackermann.worst)));
      // Limits keep the finder from some places of the grid: lock, ratio, the rod to its arm.
      expect(best).toBeLessThan(Math.max(1, least + 0.12));
      if (best <= least + 0.02) nearer++;
      for (const one of found) {
        expect(Math.abs(one.ackermann.worst)).toBeCloseTo(worstOf(build, one.design), 9);
        expect(one.steer.worst).toBe(0);
      }
    }),
    { numRuns: 6, seed: 5 },
  );
  expect(nearer).toBeGreaterThan(2);
});

it('moves a hole along the arm and along the shaft, the shaft staying where it is', () => {
  const build = blankBuild('Kart', 'kingpin');
  const wheel = wheelOf(build, 'front', 'left');
  const search = new AckermannSearch(build, wheel, { ...wanted, crank: 10 }, LOCK);
  const at = search.moves.map(({ by }) => by);
  expect(at).toEqual(['spacing', 'length', 'crank']);
  const { out } = build.front.points['tieRodInner'];
  const way = dropArmWay(build.front.dropArm!, 'left');
  const size = (design: AxleDesign) => {
    const { foot, arm } = dropArmTo(way, toVec(design.points['tieRodInner']));
    return { long: Math.hypot(arm[0], arm[2]), out: arm[1], foot };
  };
  const [now, longer, cranked] = [
    [out, 0, 0],
    [out, 7, 0],
    [out, 0, 7],
  ].map((values) => size(search.designAt(values)));
  expect(longer.long - now.long).toBeCloseTo(7, 9);
  expect(longer.out).toBeCloseTo(now.out, 12);
  longer.foot.forEach((x, i) => expect(x).toBeCloseTo(now.foot[i], 9));
  expect(cranked.long).toBeCloseTo(now.long, 9);
  expect(Math.hypot(...cranked.foot.map((x, i) => x - now.foot[i]))).toBeCloseTo(7, 9);
  // An arm does not become none.
  const short = movesOf(build.front, { ...wanted, length: 80 }).find(({ by }) => by === 'length')!;
  expect(short.freedom).toMatchObject({ min: -(2 * now.long) / 3 });
});

it('has exact slopes by the arm’s own directions', () => {
  const step = 1e-4;
  let compared = 0;
  fc.assert(
    fc.property(anyKart, (build) => {
      const wheel = wheelOf(build, 'front', 'left');
      const search = new AckermannSearch(build, wheel, { ...wanted, crank: 10, arm: 5 }, LOCK);
      const start = search.moves.map(({ point, coordinate, along }) =>
        along ? 0 : build.front.points[point][coordinate],
      );
      const errors = (design: AxleDesign) => {
        const over = new OverLock(build.wheelbase, wanted, 1, LOCK);
        return over.solve(prepared(design)) ? over : null;
      };
      const here = errors(build.front);
      fc.pre(here !== null);
      search.moves.forEach((move, k) => {
        const slopes = new Float64Array(PARTS.length);
        here!.writeSlopes(move, slopes, 0);
        const [plus, minus] = [step, -step].map((by) =>
          errors(search.designAt(start.map((value, i) => value + (i === k ? by : 0)))),
        );
        if (!plus || !minus) return;
        slopes.forEach((slope, i) => {
          const difference = (plus.error[i] - minus.error[i]) / (2 * step);
          expect(Math.abs(slope - difference)).toBeLessThan(1e-4 * (1 + Math.abs(slope)));
          compared++;
        });
      });
    }),
    { numRuns: 25 },
  );
  expect(compared).toBeGreaterThan(200);
});
