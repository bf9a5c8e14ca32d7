import fc from 'fast-check';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { distance } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { locate } from './trilateration';
import type { Tape } from './tapesMeet';
import { seeded } from '../../test/leastRange';

const MARKS: Vec[] = [
  [500, 150, 20],
  [-500, 100, 60],
  [350, 900, 40],
  [-300, 850, 500],
  [0, 200, 800],
];
const tapesTo = (place: Vec, marks = MARKS, tolerance = 1.5): Tape[] =>
  marks.map((mark, i) => ({
    name: 'ABCDEF'[i],
    mark,
    distance: distance(place, mark),
    tolerance,
  }));
const coordinate = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyPlace = fc.tuple(
  coordinate(-500, 500),
  coordinate(100, 700),
  coordinate(120, 600),
) as fc.Arbitrary<Vec>;

describe('a point from distances to marks', () => {
  it('is found exactly from exact distances', () => {
    fc.assert(
      fc.property(anyPlace, (place) => {
        const found = locate(tapesTo(place));
        if (!found.ok) throw new Error(found.why);
        const near = Math.min(...found.answers.map((a) => distance(a.place, place)));
        expect(near).toBeLessThan(1e-6);
      }),
    );
  });

  it('gives both mirror images of three marks, the higher first', () => {
    const place: Vec = [40, 330, 420];
    const level = MARKS.slice(0, 3).map(([x, y]): Vec => [x, y, 0]);
    const found = locate(tapesTo(place, level));
    if (!found.ok) throw new Error(found.why);
    expect(found.answers).toHaveLength(2);
    expect(distance(found.answers[0].place, place)).toBeLessThan(1e-6);
    expect(distance(found.answers[1]!.place, [40, 330, -420])).toBeLessThan(1e-6);
  });

  it('agrees with a general-purpose Levenberg–Marquardt solver (ml-levenberg-marquardt) on noisy tapes', () => {
    fc.assert(
      fc.property(
        anyPlace,
        fc.array(coordinate(-3, 3), { minLength: 5, maxLength: 5 }),
        fc.array(coordinate(0.5, 4), { minLength: 5, maxLength: 5 }),
        (place, noise, tolerances) => {
          const tapes = tapesTo(place).map((tape, i) => ({
            ...tape,
            distance: tape.distance + noise[i],
            tolerance: tolerances[i],
          }));
          const found = locate(tapes);
          if (!found.ok) throw new Error(found.why);
          const ours = found.answers.reduce((a, b) =>
            distance(a.place, place) < distance(b.place, place) ? a : b,
          );
          let start: number[] = place.map((c) => c + 1);
          for (let pass = 0; pass < 6; pass++)
            start = Array.from(
              levenbergMarquardt(
                {
                  x: tapes.map((_, i) => i),
                  y: tapes.map((tape) => tape.distance / tape.tolerance),
                },
                (p: number[]) => (i: number) =>
                  distance([p[0], p[1], p[2]], tapes[i].mark) / tapes[i].tolerance,
                {
                  initialValues: start,
                  damping: 1e-6,
                  gradientDifference: 1e-4,
                  centralDifference: true,
                  errorTolerance: 1e-20,
                  improvementThreshold: 0,
                  maxIterations: 40,
                },
              ).parameterValues,
            );
          expect(distance(ours.place, start as unknown as Vec)).toBeLessThan(1e-4);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('moves as its gain says when a tape is off, and expects the spread that comes of it', () => {
    const place: Vec = [30, 450, 300];
    const found = locate(tapesTo(place));
    if (!found.ok) throw new Error(found.why);
    const [placed] = found.answers;
    const variance = [0, 0, 0];
    tapesTo(place).forEach((_, i) => {
      const tapes = tapesTo(place);
      tapes[i].distance += 1e-3;
      const moved = locate(tapes);
      if (!moved.ok) throw new Error(moved.why);
      for (let k = 0; k < 3; k++) {
        const per = (moved.answers[0].place[k] - place[k]) / 1e-3;
        expect(per).toBeCloseTo(placed.gain[k][i], 4);
        variance[k] += (placed.gain[k][i] * 1.5) ** 2;
      }
    });
    variance.forEach((v, k) => expect(Math.sqrt(v)).toBeCloseTo(placed.spread[k], 9));
  });

  it('points at the one distance that disagrees, and by how much', () => {
    const six: Vec[] = [...MARKS, [-450, 700, 30]];
    const tapes = tapesTo([30, 450, 300], six);
    tapes[1].distance += 30;
    const found = locate(tapes);
    if (!found.ok) throw new Error(found.why);
    expect(found.doubts.join()).toMatch(/^B disagrees with the others: about 30\.\d mm too long/);
  });

  it('says that four distances cannot tell which of them is wrong', () => {
    const tapes = tapesTo([30, 450, 300], MARKS.slice(0, 4));
    tapes[0].distance += 30;
    const found = locate(tapes);
    if (!found.ok) throw new Error(found.why);
    expect(found.doubts.join()).toMatch(/one more tape/);
  });

  it('refuses what has no answer, in words', () => {
    const why = (tapes: Tape[]) => {
      const found = locate(tapes);
      return found.ok ? 'an answer' : found.why;
    };
    const place: Vec = [30, 450, 300];
    expect(why(tapesTo(place).slice(0, 2))).toMatch(/three distances are the least; there are 2/);
    const line: Vec[] = [
      [0, 0, 0],
      [100, 100, 0],
      [200, 200, 0],
      [500, 500, 0],
    ];
    expect(why(tapesTo(place, line))).toMatch(/stand in one line.*Add a mark/);
    const doubled = tapesTo(place);
    doubled[2].mark = doubled[0].mark;
    expect(why(doubled)).toMatch(/A and C are marks in one place/);
    const short = tapesTo(place);
    short[0].distance = 100;
    short[1].distance = 100;
    expect(why(short)).toMatch(/A \(100 mm\) and B|B \(100 mm\) and A|contradict each other/);
  });

  it('warns where the tapes meet flat', () => {
    const level = MARKS.map(([x, y]): Vec => [x, y, 0]);
    const found = locate(tapesTo([40, 330, 12], level));
    if (!found.ok) throw new Error(found.why);
    expect(found.doubts.join()).toMatch(
      /near the marks’ plane: .* up and down, is known to ±\d+ mm/,
    );
    expect(found.answers[0].spread[2]).toBeGreaterThan(10);
  });

  it('puts a point that tapes do not reach out of the marks’ plane into it, and says how little its height is known', () => {
    const marks: Vec[] = [
      [300, 300, 140],
      [-300, 300, 140],
      [300, -300, 140],
      [-300, -300, 140],
    ];
    const tapes = tapesTo([60, 240, 150], marks).map((tape) => ({
      ...tape,
      distance: tape.distance - 1,
    }));
    const found = locate(tapes);
    if (!found.ok) throw new Error(found.why);
    expect(found.answers).toHaveLength(1);
    const [{ place, spread, loose }] = found.answers;
    expect(place[2]).toBeCloseTo(140, 3);
    // Where the cost along up comes to one more: sampled, the others followed by a grid.
    expect(loose!.by).toBeGreaterThan(15);
    expect(spread[2]).toBeCloseTo(loose!.by, 0);
    expect(found.doubts.join()).toMatch(/height|how far out of it, up and down/);
  });

  it('is the least squares there is, marks in one plane, on 300 random cases (ml-levenberg-marquardt from many starts)', () => {
    const random = seeded(17);
    const between = (min: number, max: number) => min + random() * (max - min);
    let judged = 0;
    for (let n = 0; n < 300; n++) {
      const marks = Array.from({ length: 3 + (n % 3) }, (): Vec => [
        between(-400, 400),
        between(-400, 400),
        140,
      ]);
      const [x, y, z] = [between(-300, 300), between(-300, 300), between(0, 60)];
      const tapes = tapesTo([x, y, 140 + z], marks).map((tape) => ({
        ...tape,
        distance: Math.max(5, tape.distance + between(-2, 2)),
      }));
      const found = locate(tapes);
      // Marks nearly in a line are refused.
      if (!found.ok) continue;
      judged++;
      const cost = ([a, b, c]: ArrayLike<number> & number[]) =>
        tapes.reduce((sum, tape) => sum + (distance([a, b, c], tape.mark) - tape.distance) ** 2, 0);
      const least = Math.min(
        ...[0, 20, 60].map((h) =>
          cost(
            Array.from(
              levenbergMarquardt(
                { x: tapes.map((_, i) => i), y: tapes.map((tape) => tape.distance) },
                (p: number[]) => (i: number) => distance([p[0], p[1], p[2]], tapes[i].mark),
                {
                  initialValues: [x, y, 140 + h],
                  damping: 1e-3,
                  gradientDifference: 1e-4,
                  centralDifference: true,
                  errorTolerance: 1e-14,
                  improvementThreshold: 0,
                  maxIterations: 120,
                },
              ).parameterValues,
            ),
          ),
        ),
      );
      expect(cost([...found.answers[0].place])).toBeLessThanOrEqual(least * 1.001 + 1e-6);
    }
    expect(judged).toBeGreaterThan(270);
  });

  it('lets the ± grow to what tapes that disagree allow, and says what each would read if it alone were wrong', () => {
    const place: Vec = [60, 420, 300];
    const marks = [0, 1, 2, 4].map((i) => MARKS[i]);
    const tapes = tapesTo(place, marks);
    tapes[1] = { ...tapes[1], distance: tapes[1].distance + 30 };
    const found = locate(tapes);
    if (!found.ok) throw new Error(found.why);
    const [{ place: at, spread, conflict }] = found.answers;
    const off = [0, 1, 2].map((i) => Math.abs(at[i] - place[i]));
    expect(Math.max(...off)).toBeGreaterThan(5);
    off.forEach((by, i) => expect(spread[i]).toBeGreaterThanOrEqual(by - 1e-6));
    expect(conflict!.suspects).toContain(1);
    expect(conflict!.wouldRead[1]).toBeCloseTo(tapes[1].distance - 30, 3);
    // Put in what one would read, and all agree.
    conflict!.wouldRead.forEach((reading, i) => {
      if (reading === null) return;
      const mended = locate(
        tapes.map((tape, k) => (k === i ? { ...tape, distance: reading } : tape)),
      );
      if (mended.ok) expect(mended.answers[0].misfit).toBeLessThan(0.5);
    });
    const agreed = locate(tapesTo(place, marks));
    expect(agreed.ok && agreed.answers[0].conflict).toBeNull();
  });
});
