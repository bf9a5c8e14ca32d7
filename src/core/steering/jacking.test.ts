import fc from 'fast-check';
import { solve } from 'yalps';
import { prepared } from '../../test/layouts';
import type { AxleDesign } from '../model/build';
import { blankFront } from '../model/starts';
import { CORNERS, jackingAt, standOn } from './jacking';
import { lockToLock, rackPositions } from './lockToLock';

type P = [number, number, number];

/** The highest ground under four contacts at the load, by a general-purpose linear program (yalps). */
function grounded(contacts: P[], [x, y]: [number, number]): number[] {
  // z = p + q·ahead + r·left ≤ each contact; the frame sinks until it stands: most height at the load.
  const free = (
    name: string,
    of: (c: P) => number,
    gain: number,
  ): [string, Map<string, number>][] =>
    [1, -1].map((sign) => [
      `${name}${sign}`,
      new Map([
        ['gain', sign * gain],
        ...contacts.map((c, i): [string, number] => [`c${i}`, sign * of(c)]),
      ]),
    ]);
  const { status, variables } = solve({
    direction: 'maximize',
    objective: 'gain',
    constraints: new Map(contacts.map((c, i) => [`c${i}`, { max: c[2] + 1000 }])),
    variables: new Map([
      ...free('p', () => 1, 1),
      ...free('q', (c) => c[0] / 1000, x / 1000),
      ...free('r', (c) => c[1] / 1000, y / 1000),
    ]),
  });
  if (status !== 'optimal') throw new Error(status);
  const value = (name: string) =>
    variables.reduce((sum, [n, v]) => sum + (n === `${name}1` ? v : n === `${name}-1` ? -v : 0), 0);
  return contacts.map(
    (c) => c[2] + 1000 - value('p') - (value('q') * c[0]) / 1000 - (value('r') * c[1]) / 1000,
  );
}

it('stands on the three wheels that a linear program finds, the fourth as far off', () => {
  const by = fc.double({ min: -12, max: 12, noNaN: true });
  fc.assert(
    fc.property(
      by,
      by,
      by,
      by,
      fc.double({ min: 0.2, max: 0.8, noNaN: true }),
      by,
      (a, b, c, d, share, side) => {
        const contacts: P[] = [
          [8, 495, a],
          [-4, -503, b],
          [-1040, 560, c],
          [-1040, -560, d],
        ];
        const load: [number, number] = [-1040 * share, 20 * side];
        const found = standOn(contacts, load);
        expect(found.tips).toBe(false);
        const gaps = grounded(contacts, load);
        const hangs = CORNERS.indexOf(found.lifts);
        fc.pre(found.gap > 1e-3);
        expect(gaps[hangs]).toBeCloseTo(found.gap, 5);
        gaps.forEach((gap, i) => i !== hangs && expect(gap).toBeCloseTo(0, 5));
      },
    ),
    { numRuns: 200 },
  );
});

it('goes over where the weight falls beside all four', () => {
  const flat: P[] = [
    [0, 500, 0],
    [0, -500, 0],
    [-1000, 500, 0],
    [-1000, -500, 0],
  ];
  expect(standOn(flat, [-500, 620]).tips).toBe(true);
  expect(standOn(flat, [-500, 10])).toMatchObject({ gap: 0, tips: false });
});

/** A kart whose kingpins have no inclination: caster alone lifts. */
const kart = (points: Partial<AxleDesign['points']> = {}): AxleDesign => {
  const front = blankFront('kingpin');
  return { ...front, points: { ...front.points, ...points } as AxleDesign['points'] };
};

it('knows each contact’s height as a turn about an inclined axis has it, the lowest of the tyre’s circle', () => {
  const design = kart();
  const axle = prepared(design);
  const racks = rackPositions(-24, 24, 7);
  const over = lockToLock(axle, 1050, 0, racks)!;
  const { kingpinLower: low, kingpinUpper: top, wheelCentre: w } = design.points;
  const k = [top.ahead - low.ahead, top.out - low.out, top.up - low.up];
  const size = Math.hypot(...k);
  const [u, v, s] = k.map((x) => x / size);
  const turn = ([x, y, z]: P, angle: number): P => {
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
    const d = (u * x + v * y + s * z) * (1 - cos);
    return [
      x * cos + (v * z - s * y) * sin + u * d,
      y * cos + (s * x - u * z) * sin + v * d,
      z * cos + (u * y - v * x) * sin + s * d,
    ];
  };
  const off: P = [w.ahead - low.ahead, w.out - low.out, w.up - low.up];
  for (let i = 0; i < 7; i++) {
    // The left wheel's heading grows to the left as it turns about its kingpin, counter-clockwise from above.
    const steer = over.left.steer[i];
    const headingAt = (angle: number) => {
      const a = turn([0, 1, 0], angle);
      return (Math.atan2(-a[0], a[1]) * 180) / Math.PI;
    };
    let [a, b] = [-1.2, 1.2];
    for (let n = 0; n < 60; n++) {
      const middle = (a + b) / 2;
      if (headingAt(middle) < steer) a = middle;
      else b = middle;
    }
    let lowest = Infinity;
    for (let n = 0; n < 3600; n++) {
      const f = (2 * Math.PI * n) / 3600;
      const p = turn([off[0] + 135 * Math.cos(f), off[1], off[2] + 135 * Math.sin(f)], a);
      lowest = Math.min(lowest, low.up + p[2]);
    }
    expect(Math.abs(over.left.contactUp[i] - lowest)).toBeLessThan(1e-3);
  }
});

const stance = { wheelbase: 1050, rearTrack: 1120, frontShare: 43, massHeight: 250, sideways: 0 };

it('lifts the outer front standing still with the weight behind, and the inner rear in a bend', () => {
  const axle = prepared(kart());
  const over = lockToLock(axle, 1050, 0, rackPositions(-20, 20, 41))!;
  const left = jackingAt(over, 40, stance)!;
  // Turned left: the left contact goes down in the chassis, the right one up.
  expect(left.left).toBeLessThan(-1);
  expect(left.right).toBeGreaterThan(1);
  expect(left.lifts).toBe('frontRight');
  expect(left.insideFrom).toBeGreaterThan(0);
  const from = left.insideFrom!;
  expect(jackingAt(over, 40, { ...stance, sideways: from - 0.01 })!.lifts).toBe('frontRight');
  const bend = jackingAt(over, 40, { ...stance, sideways: from + 0.01 })!;
  expect(bend).toMatchObject({ lifts: 'rearLeft', tips: false });
  expect(bend.gap).toBeGreaterThan(2);
  // To the right it is the mirror image.
  const right = jackingAt(over, 0, { ...stance, sideways: from + 0.01 })!;
  expect(right.lifts).toBe('rearRight');
  expect(right.gap).toBeCloseTo(bend.gap, 6);
  // With the weight on the front wheels it hangs at once.
  expect(jackingAt(over, 40, { ...stance, frontShare: 60 })!).toMatchObject({
    lifts: 'rearLeft',
    insideFrom: 0,
  });
  expect(jackingAt(over, 20, stance)).toBeNull();
});
