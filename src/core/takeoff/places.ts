import { wheelPoints } from '../corners/kinds';
import { add, dot, scale } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Build } from '../model/build';
import { COORDINATES, toPoint } from '../model/points';
import type { Point, PointName } from '../model/points';
import { readBench } from './hang';
import { AXIS, spreadOf } from './measured';
import type { MeasuredNumber, PlaceRead } from './measured';
import { adjustNetwork } from './network';
import type { Adjusted, Network } from './network';
import { counts, missingOf, recordOf, takeOffOf } from '../model/takeOff';
import type { ByDistances, Direct, Measured, TakeOff } from '../model/takeOff';
import { locate } from './trilateration';
import type { Placed } from './tapesMeet';
import type { Wheel } from '../kinematics/wheel';

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
      const waits = waiting(record);
      if (waits) return waits;
      if (record.method === 'direct') return readDirect(takeOff, record);
      if (record.method === 'bench') return readBench(build, takeOff, record);
      return readDistances(takeOff, network, record);
    },
  };
}

let lastNetwork: { marks: unknown; between: unknown; network: Adjusted | null } | null = null;

/** The datum marks as their tapes place them; null where all are known exactly. Worked out once for the same marks and tapes. */
function networkOf({ marks, between }: TakeOff): Adjusted | null {
  if (lastNetwork?.marks === marks && lastNetwork.between === between) return lastNetwork.network;
  const loose = marks.some(
    ({ known, tolerance }) => tolerance !== undefined || !(known.ahead && known.left && known.up),
  );
  const network = loose ? adjustNetwork(marks, between) : null;
  lastNetwork = { marks, between, network };
  return network;
}

/** A record that somebody has not typed all of yet. */
function waiting(record: Measured): PlaceRead | null {
  const missing = missingOf(record);
  if (missing.length === 0) return null;
  return { ok: false, waits: true, why: `${missing.join(', ')} still to be typed` };
}

function readDirect(takeOff: TakeOff, record: Direct): PlaceRead {
  const place: Point = { ahead: 0, out: 0, up: 0 };
  const numbers: MeasuredNumber[] = [];
  for (const coordinate of COORDINATES) {
    const read = record[coordinate];
    const value = read.value ?? 0;
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
    place[coordinate] = (plane?.at ?? 0) + facing * value;
    numbers.push({
      id: `${record.point}.${coordinate}`,
      of: record.point,
      what: plane ? `${coordinate}, from ${plane.name}` : coordinate,
      unit: 'mm',
      value,
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
  for (const [at, tape] of record.tapes.entries()) {
    if (!counts(tape)) continue;
    const { mark: id, distance, tolerance } = tape;
    const index = takeOff.marks.findIndex((mark) => mark.id === id);
    if (index < 0) return { ok: false, why: 'a tape goes to a mark that is not there any more' };
    const mark = takeOff.marks[index];
    const place = network?.value.marks[index].place ?? [mark.ahead, mark.left, mark.up];
    tapes.push({ name: mark.name, mark: inCorner(place), distance, tolerance, index, at });
  }
  const found = locate(tapes);
  if (!found.ok) return found;
  const [first, second] = found.answers;
  const [placed, other] = second && record.answer === -1 ? [second, first] : [first, second];
  const point = record.point;
  const numbers: MeasuredNumber[] = tapes.map((tape, i) => ({
    id: `${point}.tape.${tape.at}`,
    of: point,
    what: `tape to ${tape.name}`,
    unit: 'mm',
    value: tape.distance,
    tolerance: tape.tolerance,
    moves: [{ point, per: [placed.gain[0][i], placed.gain[1][i], placed.gain[2][i]] }],
  }));
  if (network) numbers.push(...fromNetwork(takeOff, network.value, tapes, placed, point, inCorner));
  numbers.push(...beyondTapes(placed, point));
  return {
    ok: true,
    point: toPoint(placed.place),
    spread: spreadOf(numbers, point),
    numbers,
    doubts: found.doubts,
    twin: other && toPoint(other.place),
    placed,
    tapes: tapes.map(({ at }) => at),
  };
}

/** What a point may be off beside the slopes of its tapes: out of the marks' plane, and by what they contradict. */
function beyondTapes({ loose, conflict }: Placed, point: PointName): MeasuredNumber[] {
  const number = (id: string, what: string, tolerance: number, per: Vec): MeasuredNumber => ({
    id: `${point}.${id}`,
    of: point,
    what,
    unit: 'mm',
    value: 0,
    tolerance,
    moves: [{ point, per }],
  });
  return [
    ...(loose ? [number('plane', 'out of the marks’ plane', loose.by, loose.way)] : []),
    ...(conflict
      ? COORDINATES.flatMap((coordinate, i) =>
          conflict.moves[i] > 0
            ? [
                number(
                  `conflict.${coordinate}`,
                  `${coordinate}, tapes that disagree`,
                  conflict.moves[i],
                  AXIS[coordinate],
                ),
              ]
            : [],
        )
      : []),
  ];
}

/** What the tapes between the marks, and the ± of what is known of them, do to a point that hangs on the marks. */
function fromNetwork(
  takeOff: TakeOff,
  { gain, known }: Pick<Network, 'gain' | 'known'>,
  tapes: { mark: Vec; index: number }[],
  placed: Placed,
  point: PointName,
  inCorner: (v: Vec) => Vec,
): MeasuredNumber[] {
  const name = (id: string) => takeOff.marks.find((mark) => mark.id === id)?.name ?? '';
  const taped = takeOff.between.filter(counts);
  const numbers = [
    ...taped.map((one) => ({
      id: `marks.${takeOff.between.indexOf(one)}`,
      what: `${name(one.from)} to ${name(one.to)}`,
      value: one.distance,
      tolerance: one.tolerance,
    })),
    ...known.map(({ mark: at, axis }) => {
      const mark = takeOff.marks[at];
      const word = (['ahead', 'left', 'up'] as const)[axis];
      return {
        id: `marks.known.${mark.id}.${word}`,
        what: `${mark.name}, ${word} as known`,
        value: mark[word],
        tolerance: mark.tolerance!,
      };
    }),
  ];
  return numbers.map((number, d) => {
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
    return { ...number, of: 'marks' as const, unit: 'mm' as const, moves: [{ point, per }] };
  });
}

/**
 * Every number that one corner hangs on: those measured, and the coordinates of points that are drawn,
 * which are placed to within the take-off's `placing`. A side without a record of its own goes by the
 * other side's. Records that make no place count as drawn.
 */
export function numbersOf(build: Build, wheel: Wheel): MeasuredNumber[] {
  const { axle, side, points } = wheel;
  const takeOff = takeOffOf(build);
  const { read } = readerOf(build);
  const numbers = new Map<string, MeasuredNumber>();
  // What a damper hangs on does nothing to how the wheel stands.
  for (const point of wheelPoints(wheel.type)) {
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
