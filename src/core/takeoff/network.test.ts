import fc from 'fast-check';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { distance } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { adjustNetwork } from './network';
import type { Mark, MarkDistance } from '../model/takeOff';
import { seeded } from '../../test/leastRange';

type Taped = MarkDistance & { distance: number };

/** A bare frame: one mark on the centreline, mirrored pairs on the rails, one up on the bulkhead. */
const TRUE: Record<string, Vec> = {
  C: [0, 0, 150],
  L: [-300, 380, 160],
  R: [-300, -380, 160],
  FL: [500, 300, 260],
  FR: [490, -305, 255],
  T: [-250, 40, 700],
};
const roughly = (value: number, i: number) => Math.round(value / 100) * 100 + (i % 2 ? 30 : -40);
const mark = (id: string, more: Partial<Mark> = {}): Mark => {
  const [ahead, left, up] = TRUE[id].map(roughly);
  const known = { ahead: false, left: false, up: false };
  return { id, name: id, ahead, left, up, known, ...more };
};
const frame = (): Mark[] => [
  { ...mark('C'), ahead: 0, left: 0, up: 150, known: { ahead: true, left: true, up: true } },
  // Of the pair the height is known too: mirroring leaves the frame free to pitch.
  { ...mark('L', { mirrors: 'R' }), up: 160, known: { ahead: false, left: false, up: true } },
  mark('R'),
  mark('FL'),
  mark('FR'),
  mark('T'),
];
const IDS = Object.keys(TRUE);
const tapes = (noise: (i: number) => number = () => 0): Taped[] =>
  IDS.flatMap((from, i) => IDS.slice(i + 1).map((to) => ({ from, to }))).map(({ from, to }, i) => ({
    from,
    to,
    distance: distance(TRUE[from], TRUE[to]) + noise(i),
    tolerance: 1.5,
  }));

describe('datum marks from distances between them', () => {
  it('sets up a bare frame from one mark on the centreline and a mirrored pair', () => {
    const result = adjustNetwork(frame(), tapes());
    if (!result.ok) throw new Error(result.why);
    const at = (id: string) => result.value.marks.find((m) => m.id === id)!.place;
    expect(result.value.misfit).toBeLessThan(1e-6);
    expect(at('L')[1]).toBeCloseTo(380, 3);
    expect(at('L')[0]).toBeCloseTo(at('R')[0], 2);
    for (const id of IDS) expect(distance(at(id), TRUE[id])).toBeLessThan(1e-3);
  });

  it('agrees with a general-purpose Levenberg–Marquardt solver (ml-levenberg-marquardt) on noisy tapes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 15, maxLength: 15 }),
        (noise) => {
          // Six coordinates known, so that the general solver needs no conditions beside the tapes.
          const marks = frame().map(({ mirrors: _, ...m }) => m);
          marks[1] = {
            ...marks[1],
            ahead: -300,
            left: 380,
            up: 160,
            known: { ahead: true, left: true, up: true },
          };
          marks[2] = { ...marks[2], up: 160, known: { ahead: false, left: false, up: true } };
          const between = tapes((i) => noise[i]);
          const ours = adjustNetwork(marks, between);
          if (!ours.ok) throw new Error(ours.why);
          const index = new Map(IDS.map((id, i) => [id, i]));
          const free = [6, 7, 9, 10, 11, 12, 13, 14, 15, 16, 17];
          const whole = ours.value.marks.flatMap(({ place }) => [...place]);
          const full = (p: number[]) => {
            const all = [...whole];
            free.forEach((slot, i) => (all[slot] = p[i]));
            return (id: string): Vec => {
              const i = index.get(id)! * 3;
              return [all[i], all[i + 1], all[i + 2]];
            };
          };
          const truth = IDS.flatMap((id) => [...TRUE[id]]);
          let p = free.map((slot) => truth[slot]);
          for (let pass = 0; pass < 3; pass++)
            p = Array.from(
              levenbergMarquardt(
                { x: between.map((_, i) => i), y: between.map((t) => t.distance) },
                (q: number[]) => {
                  const at = full(q);
                  return (i: number) => distance(at(between[i].from), at(between[i].to));
                },
                {
                  initialValues: p,
                  damping: 1e-8,
                  gradientDifference: 1e-3,
                  centralDifference: true,
                  errorTolerance: 1e-22,
                  improvementThreshold: 0,
                  maxIterations: 30,
                },
              ).parameterValues,
            );
          free.forEach((slot, i) => expect(Math.abs(whole[slot] - p[i])).toBeLessThan(1e-3));
        },
      ),
      { numRuns: 25 },
    );
  });

  it('moves as its gain says when a tape is off', () => {
    const base = adjustNetwork(frame(), tapes());
    const off = adjustNetwork(
      frame(),
      tapes((i) => (i === 7 ? 0.01 : 0)),
    );
    if (!base.ok || !off.ok) throw new Error('no answer');
    base.value.marks.forEach((m, i) =>
      m.place.forEach((value, axis) => {
        const per = (off.value.marks[i].place[axis] - value) / 0.01;
        expect(Math.abs(per - base.value.gain.get(i * 3 + axis, 7))).toBeLessThan(0.02);
      }),
    );
  });

  describe('with a mark that is known to within a ±', () => {
    const within = (tolerance: number, up = 160): Mark[] =>
      frame().map((one) => (one.id === 'L' ? { ...one, up, tolerance } : one));
    const placed = (marks: Mark[], noise?: (i: number) => number) => {
      const result = adjustNetwork(marks, tapes(noise));
      if (!result.ok) throw new Error(result.why);
      return result.value;
    };

    it('places it as an exact one where the ± is next to nothing', () => {
      const [exact, near] = [placed(frame()), placed(within(1e-4))];
      near.marks.forEach(({ place }, i) =>
        place.forEach((x, a) => expect(x).toBeCloseTo(exact.marks[i].place[a], 4)),
      );
      expect(exact.known).toEqual([]);
      expect(near.known).toEqual([{ mark: 1, axis: 2 }]);
    });

    it('moves as its gain says when what is known is off', () => {
      const base = placed(within(2));
      const off = placed(within(2, 160.5));
      const column = tapes().length;
      base.marks.forEach(({ place }, i) =>
        place.forEach((x, a) =>
          expect((off.marks[i].place[a] - x) / 0.5).toBeCloseTo(
            base.gain.get(i * 3 + a, column),
            2,
          ),
        ),
      );
    });

    it('expects the spread that errors of tapes and mark make, tried on 400 frames', () => {
      const random = seeded(7);
      const normal = () => Math.sqrt(-2 * Math.log(random() || 1e-9)) * Math.cos(6.2832 * random());
      const { marks } = placed(within(2));
      const squares = marks.map(() => [0, 0, 0]);
      const RUNS = 400;
      for (let run = 0; run < RUNS; run++) {
        const off = placed(within(2, 160 + 2 * normal()), () => 1.5 * normal());
        off.marks.forEach(({ place }, i) =>
          place.forEach((x, a) => (squares[i][a] += (x - marks[i].place[a]) ** 2)),
        );
      }
      marks.forEach(({ spread }, i) =>
        spread.forEach((expected, a) => {
          const seen = Math.sqrt(squares[i][a] / RUNS);
          expect(Math.abs(seen - expected)).toBeLessThan(0.15 * expected + 0.05);
        }),
      );
      expect(marks[1].spread[2]).toBeGreaterThan(1);
    });
  });

  it('points at the distance that disagrees', () => {
    const result = adjustNetwork(
      frame(),
      tapes((i) => (i === 6 ? 25 : 0)),
    );
    if (!result.ok) throw new Error(result.why);
    const wrong = tapes()[6];
    expect(result.value.doubts[0]).toMatch(
      new RegExp(`^${wrong.from} to ${wrong.to} disagrees.*about 25\\.\\d mm too long`, 'u'),
    );
  });

  it('says what is left loose', () => {
    const why = (marks: Mark[], between: MarkDistance[]) => {
      const result = adjustNetwork(marks, between);
      return result.ok ? 'an answer' : result.why;
    };
    const free = { ahead: false, left: false, up: false };
    expect(
      why(
        frame().map((m) => (m.id === 'L' ? { ...m, known: free } : m)),
        tapes(),
      ),
    ).toMatch(/do not hold \w+: it can still move \w+ or \w+ \(others with it\)/);
    expect(
      why(
        frame(),
        tapes().filter(({ from, to }) => from !== 'T' && to !== 'T'),
      ),
    ).toMatch(/do not hold T/);
    expect(why(frame(), [{ from: 'C', to: 'C', distance: 5, tolerance: 1 }])).toMatch(
      /C is measured to itself/,
    );
    expect(why(frame(), [{ from: 'C', to: 'gone', distance: 5, tolerance: 1 }])).toMatch(
      /not there any more/,
    );
    const known = { ahead: true, left: true, up: true };
    expect(
      why(
        frame().map((m) => ({ ...m, known })),
        [],
      ),
    ).toMatch(/every mark is known/);
  });

  it('is the least squares there is, whatever the marks’ rough places, on 100 random networks', () => {
    const random = seeded(23);
    const between = (min: number, max: number) => min + random() * (max - min);
    const settledAt: number[] = [];
    for (let n = 0; n < 100; n++) {
      // Three known marks and four to be found; every third network lies nearly in one plane.
      const flat = n % 3 === 0 ? 15 : 400;
      const true_ = Array.from({ length: 7 }, (): Vec => [
        between(-500, 500),
        between(-500, 500),
        between(0, flat),
      ]);
      const marks = true_.map(([ahead, left, up], i): Mark => {
        const known = i < 3;
        const off = () => (known ? 0 : between(-80, 80));
        return {
          id: `${i}`,
          name: `${i}`,
          ahead: ahead + off(),
          left: left + off(),
          up: up + off(),
          known: { ahead: known, left: known, up: known },
        };
      });
      const taped = true_.flatMap((a, i) =>
        true_.slice(i + 1).flatMap((b, k): Taped[] => {
          const j = i + 1 + k;
          return j < 3
            ? []
            : [
                {
                  from: `${i}`,
                  to: `${j}`,
                  distance: Math.max(5, distance(a, b) + between(-2, 2)),
                  tolerance: 1.5,
                },
              ];
        }),
      );
      const found = adjustNetwork(marks, taped);
      if (!found.ok) continue;
      const costOf = (places: Vec[]) =>
        taped.reduce(
          (sum, { from, to, distance: d }) =>
            sum + ((distance(places[Number(from)], places[Number(to)]) - d) / 1.5) ** 2,
          0,
        );
      const ours = costOf(found.value.marks.map(({ place }) => place));
      // From the truth the general solver starts in the right minimum.
      const free = true_.slice(3).flat();
      const answer = levenbergMarquardt(
        { x: taped.map((_, i) => i), y: taped.map((one) => one.distance) },
        (p: number[]) => {
          const at = (id: string): Vec =>
            Number(id) < 3
              ? true_[Number(id)]
              : ([0, 1, 2].map((k) => p[3 * (Number(id) - 3) + k]) as unknown as Vec);
          return (i: number) => distance(at(taped[i].from), at(taped[i].to));
        },
        {
          initialValues: free,
          damping: 1e-3,
          gradientDifference: 1e-4,
          centralDifference: true,
          errorTolerance: 1e-14,
          improvementThreshold: 0,
          maxIterations: 60,
        },
      ).parameterValues;
      const theirs = costOf([
        ...true_.slice(0, 3),
        ...[0, 1, 2, 3].map((i) => Array.from(answer).slice(3 * i, 3 * i + 3) as unknown as Vec),
      ]);
      settledAt.push(ours / Math.max(theirs, 1e-9));
    }
    expect(settledAt.length).toBeGreaterThan(90);
    expect(settledAt.filter((ratio) => ratio > 1.001)).toEqual([]);
  });

  it('keeps a mark on the side where it was said to be, where tapes to marks nearly in one plane cannot tell', () => {
    const random = seeded(91);
    const between = (min: number, max: number) => min + random() * (max - min);
    for (let n = 0; n < 30; n++) {
      const base: Vec[] = [
        [0, 0, between(-2, 2)],
        [600, 0, between(-2, 2)],
        [0, 500, between(-2, 2)],
        [600, 500, between(-2, 2)],
      ];
      const above: Vec = [between(100, 500), between(100, 400), 260];
      const marks = [...base, above].map(([ahead, left, up], i): Mark => {
        const known = i < 4;
        return {
          id: `${i}`,
          name: `${i}`,
          ahead: known ? ahead : 300,
          left: known ? left : 250,
          up: known ? up : 200,
          known: { ahead: known, left: known, up: known },
        };
      });
      const taped = base.map((place, i) => ({
        from: `${i}`,
        to: '4',
        distance: distance(place, above) + between(-1.5, 1.5),
        tolerance: 1.5,
      }));
      const found = adjustNetwork(marks, taped);
      if (!found.ok) throw new Error(found.why);
      expect(distance(found.value.marks[4].place, above)).toBeLessThan(15);
    }
  });
});
