import { DEG, toRad } from '../geometry/angle';
import { add, dot, scale } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { AxleName, Build, Side } from '../model/build';
import { pointsOf } from '../kinematics/axle';
import type { BenchPoint } from '../model/parts';
import { COORDINATES, POINT_NAMES } from '../model/points';
import type { Point, PointName, Points } from '../model/points';
import { benchToChassis, spinForCaster, spun, wheelFrameOf } from './bench';
import type { WheelFrame } from './bench';
import { adjustNetwork } from './network';
import type { Adjusted } from './network';
import { UPRIGHT_POINTS, recordOf, takeOffOf } from './records';
import type { ByDistances, Direct, Measured, OnBench, TakeOff, UprightPoint } from './records';
import { locate } from './trilateration';
import type { Placed } from './trilateration';

/** A number somebody read off, its ±, and what an error of one unit does to the joints. */
export interface MeasuredNumber {
  id: string;
  /** The thing measured: `upper ball joint`. */
  of: PointName | 'marks';
  /** Which number of it: `up`, `tape to A`, `lean`. */
  what: string;
  unit: 'mm' | 'deg';
  value: number;
  tolerance: number;
  /** Movement of joints per mm or degree, [ahead, out, up] mm. */
  moves: { point: PointName; per: Vec }[];
}

/** Where a record puts its point. */
export type PlaceRead =
  | {
      ok: true;
      point: Point;
      /** ± of each coordinate from the ± of the numbers, root of the sum of squares, mm. */
      spread: Point;
      numbers: MeasuredNumber[];
      doubts: string[];
      /** The other of two mirror images, and how well the distances fit. */
      twin?: Point;
      placed?: Placed;
    }
  | { ok: false; why: string };

const toPoint = ([ahead, out, up]: Vec): Point => ({ ahead, out, up });

/** Everything needed to turn records into places, worked out once. */
export interface Reader {
  read: (record: Measured) => PlaceRead;
  network: Adjusted | null;
}

/** Reads the records of a build. Where marks are to be placed by their distances, they are. */
export function readerOf(build: Build): Reader {
  const takeOff = takeOffOf(build);
  const network = networkOf(takeOff);
  return {
    network,
    read: (record) => {
      if (record.method === 'direct') return readDirect(takeOff, record);
      if (record.method === 'bench') return readBench(build, takeOff, record);
      return readDistances(takeOff, network, record);
    },
  };
}

let lastNetwork: { marks: unknown; between: unknown; network: Adjusted | null } | null = null;

/** The datum marks as their tapes place them; null where all are known. Worked out once for the same marks and tapes. */
function networkOf({ marks, between }: TakeOff): Adjusted | null {
  if (lastNetwork?.marks === marks && lastNetwork.between === between) return lastNetwork.network;
  const loose = marks.some(({ known }) => !(known.ahead && known.left && known.up));
  const network = loose ? adjustNetwork(marks, between) : null;
  lastNetwork = { marks, between, network };
  return network;
}

const AXIS: Record<(typeof COORDINATES)[number], Vec> = {
  ahead: [1, 0, 0],
  out: [0, 1, 0],
  up: [0, 0, 1],
};

function readDirect(takeOff: TakeOff, record: Direct): PlaceRead {
  const place: Point = { ahead: 0, out: 0, up: 0 };
  const numbers: MeasuredNumber[] = [];
  for (const coordinate of COORDINATES) {
    const read = record[coordinate];
    const plane = takeOff.planes.find((p) => p.id === read.plane);
    if (read.plane !== undefined && !plane)
      return {
        ok: false,
        why: `${coordinate} is measured from a plane that is not there any more`,
      };
    if (plane && plane.axis !== coordinate)
      return {
        ok: false,
        why: `${plane.name} stands square to ${plane.axis}, not to ${coordinate}`,
      };
    const facing = plane?.facing ?? 1;
    place[coordinate] = (plane?.at ?? 0) + facing * read.value;
    numbers.push({
      id: `${record.point}.${coordinate}`,
      of: record.point,
      what: plane ? `${coordinate}, from ${plane.name}` : coordinate,
      unit: 'mm',
      value: read.value,
      tolerance: read.tolerance,
      moves: [{ point: record.point, per: scale(AXIS[coordinate], facing) }],
    });
  }
  return { ok: true, point: place, spread: spreadOf(numbers, record.point), numbers, doubts: [] };
}

function readDistances(takeOff: TakeOff, network: Adjusted | null, record: ByDistances): PlaceRead {
  if (network && !network.ok) return { ok: false, why: `the datum marks: ${network.why}` };
  const sign = record.side === 'left' ? 1 : -1;
  const inCorner = ([ahead, left, up]: Vec): Vec => [ahead, sign * left, up];
  const tapes = [];
  for (const { mark: id, distance, tolerance } of record.tapes) {
    const index = takeOff.marks.findIndex((mark) => mark.id === id);
    if (index < 0) return { ok: false, why: 'a tape goes to a mark that is not there any more' };
    const mark = takeOff.marks[index];
    const place = network?.value.marks[index].place ?? [mark.ahead, mark.left, mark.up];
    tapes.push({ name: mark.name, mark: inCorner(place), distance, tolerance, index });
  }
  const found = locate(tapes);
  if (!found.ok) return found;
  const [first, second] = found.answers;
  const [placed, other] = second && record.answer === -1 ? [second, first] : [first, second];
  const point = record.point;
  const numbers: MeasuredNumber[] = tapes.map((tape, i) => ({
    id: `${point}.${tape.name}`,
    of: point,
    what: `tape to ${tape.name}`,
    unit: 'mm',
    value: tape.distance,
    tolerance: tape.tolerance,
    moves: [{ point, per: [placed.gain[0][i], placed.gain[1][i], placed.gain[2][i]] }],
  }));
  if (network) numbers.push(...fromNetwork(takeOff, network.value, tapes, placed, point, inCorner));
  return {
    ok: true,
    point: toPoint(placed.place),
    spread: spreadOf(numbers, point),
    numbers,
    doubts: found.doubts,
    twin: other && toPoint(other.place),
    placed,
  };
}

/** What the tapes between the marks do to a point that hangs on the marks. */
function fromNetwork(
  takeOff: TakeOff,
  { gain }: { gain: { get: (row: number, column: number) => number } },
  tapes: { mark: Vec; index: number }[],
  placed: Placed,
  point: PointName,
  inCorner: (v: Vec) => Vec,
): MeasuredNumber[] {
  const name = (id: string) => takeOff.marks.find((mark) => mark.id === id)?.name ?? '';
  return takeOff.between.map((taped, d) => {
    let per: Vec = [0, 0, 0];
    tapes.forEach(({ mark, index }, i) => {
      const move = inCorner([
        gain.get(index * 3, d),
        gain.get(index * 3 + 1, d),
        gain.get(index * 3 + 2, d),
      ]);
      // A mark that moves towards the point acts like a tape that is longer.
      const away = [0, 1, 2].map((k) => placed.place[k] - mark[k]) as unknown as Vec;
      const size = Math.hypot(...away) || 1;
      const longer = dot(move, away) / size;
      per = add(per, scale([placed.gain[0][i], placed.gain[1][i], placed.gain[2][i]], longer));
    });
    return {
      id: `marks.${taped.from}.${taped.to}`,
      of: 'marks' as const,
      what: `${name(taped.from)} to ${name(taped.to)}`,
      unit: 'mm' as const,
      value: taped.distance,
      tolerance: taped.tolerance,
      moves: [{ point, per }],
    };
  });
}

/** The bench records of one upright, and the wheel it hangs on turned to the caster the model has. */
export interface Hung {
  frame: WheelFrame;
  spin: number;
  joints: Partial<Record<UprightPoint, BenchPoint>>;
}

export function hangUpright(build: Build, axle: AxleName, side: Side): Hung {
  const design = build[axle] ?? build.front;
  const points = pointsOf(design, side);
  const takeOff = takeOffOf(build);
  const records = UPRIGHT_POINTS.flatMap((point) => {
    const record = recordOf(takeOff, axle, side, point);
    return record?.method === 'bench' ? [record] : [];
  });
  const joints = Object.fromEntries(
    records.map((record) => [record.point, benchPointOf(record, records)]),
  ) as Hung['joints'];
  const frame = wheelFrameOf(design, points);
  return hung(frame, joints, points);
}

/** Turns an upright's joints about the spindle to the caster that the points have. */
export function hung(frame: WheelFrame, joints: Hung['joints'], points: Points): Hung {
  const { lowerOuter, upperOuter } = points;
  const caster =
    Math.atan2(lowerOuter.ahead - upperOuter.ahead, upperOuter.up - lowerOuter.up) * DEG;
  const spin =
    joints.lowerOuter && joints.upperOuter
      ? (spinForCaster(frame, joints.lowerOuter, joints.upperOuter, caster) ?? 0)
      : 0;
  return { frame: spun(frame, spin), spin, joints };
}

/** A record's numbers as a place on the upright; a lean puts the upper joint where it says. */
function benchPointOf(record: OnBench, all: OnBench[]): BenchPoint {
  const lower = all.find(({ point }) => point === 'lowerOuter');
  const [above, ahead] = [record.above.value, record.ahead.value];
  if (record.point === 'upperOuter' && record.lean && lower)
    return {
      inboard:
        lower.inboard.value + (above - lower.above.value) * Math.tan(toRad(record.lean.value)),
      above,
      ahead,
    };
  return { inboard: record.inboard.value, above, ahead };
}

function readBench(build: Build, takeOff: TakeOff, record: OnBench): PlaceRead {
  const { frame, joints } = hangUpright(build, record.axle, record.side);
  const joint = joints[record.point];
  if (!joint) return { ok: false, why: 'this record is not in the take-off' };
  const lower = recordOf(takeOff, record.axle, record.side, 'lowerOuter');
  const lean = record.point === 'upperOuter' ? record.lean : undefined;
  if (lean && lower?.method !== 'bench')
    return {
      ok: false,
      why: 'the angle of the ball-joint line counts from the lower ball joint: measure that on the bench too',
    };
  const point = record.point;
  const ways: Record<'inboard' | 'above' | 'ahead', Vec> = {
    inboard: scale(frame.axis, -1),
    above: frame.up,
    ahead: frame.heading,
  };
  const numbers: MeasuredNumber[] = (['inboard', 'above', 'ahead'] as const).flatMap((what) => {
    if (what === 'inboard' && lean) return [];
    const { value, tolerance } = record[what];
    return [
      {
        id: `${point}.${what}`,
        of: point,
        what: BENCH_WORDS[what],
        unit: 'mm' as const,
        value,
        tolerance,
        moves: [{ point, per: ways[what] }],
      },
    ];
  });
  if (lean && lower?.method === 'bench') {
    const slope = Math.tan(toRad(lean.value));
    const rise = record.above.value - lower.above.value;
    numbers[0].moves.push({ point, per: scale(ways.inboard, slope) });
    numbers.push({
      id: `${point}.lean`,
      of: point,
      what: 'angle of the ball-joint line',
      unit: 'deg',
      value: lean.value,
      tolerance: lean.tolerance,
      moves: [{ point, per: scale(ways.inboard, (rise * (1 + slope * slope)) / DEG) }],
    });
  }
  // With an angle, what is wrong with the lower joint is wrong with the upper one too.
  const upper = recordOf(takeOff, record.axle, record.side, 'upperOuter');
  if (point === 'lowerOuter' && upper?.method === 'bench' && upper.lean) {
    const slope = Math.tan(toRad(upper.lean.value));
    numbers[0].moves.push({ point: 'upperOuter', per: ways.inboard });
    numbers[1].moves.push({ point: 'upperOuter', per: scale(ways.inboard, -slope) });
  }
  return {
    ok: true,
    point: toPoint(benchToChassis(frame, joint)),
    spread: spreadOf(numbers, point),
    numbers,
    doubts: [],
  };
}

const BENCH_WORDS = {
  inboard: 'inboard of the hub face',
  above: 'above the spindle',
  ahead: 'ahead of the spindle',
};

/** Root of the sum of squares of what every number's ± does to a point, each coordinate. */
function spreadOf(numbers: MeasuredNumber[], point: PointName): Point {
  const squares = [0, 0, 0];
  for (const { moves, tolerance } of numbers) {
    const per = moves
      .filter((move) => move.point === point)
      .reduce<Vec>((sum, move) => add(sum, move.per), [0, 0, 0]);
    per.forEach((part, i) => (squares[i] += (part * tolerance) ** 2));
  }
  return toPoint(squares.map(Math.sqrt) as unknown as Vec);
}

/**
 * Every number that one corner hangs on: those measured, and the coordinates of points that are drawn,
 * which are placed to within the take-off's `placing`. A side without a record of its own goes by the
 * other side's. Records that make no place count as drawn.
 */
export function numbersOf(build: Build, axle: AxleName, side: Side): MeasuredNumber[] {
  const design = build[axle] ?? build.front;
  const points = pointsOf(design, side);
  const takeOff = takeOffOf(build);
  const { read } = readerOf(build);
  const numbers = new Map<string, MeasuredNumber>();
  for (const point of POINT_NAMES) {
    const other = side === 'left' ? 'right' : 'left';
    const record = recordOf(takeOff, axle, side, point) ?? recordOf(takeOff, axle, other, point);
    const place = record && read(record);
    if (!place?.ok) {
      for (const coordinate of COORDINATES)
        numbers.set(`${point}.${coordinate}`, {
          id: `${point}.${coordinate}`,
          of: point,
          what: `${coordinate}, as drawn`,
          unit: 'mm',
          value: points[point][coordinate],
          tolerance: takeOff.placing,
          moves: [{ point, per: AXIS[coordinate] }],
        });
      continue;
    }
    for (const number of place.numbers) {
      const known = numbers.get(number.id);
      if (known) numbers.set(number.id, { ...known, moves: [...known.moves, ...number.moves] });
      else numbers.set(number.id, number);
    }
  }
  return [...numbers.values()];
}
