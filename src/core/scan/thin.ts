import type { Vec } from '../geometry/vec';
import { MOST_TRIANGLES } from '../model/mesh';
import type { Surface } from '../model/mesh';
import { SurfaceTree } from '../clearance/mesh';
import { placed } from './align';
import type { Alignment } from './align';
import type { Scan } from './read';

/** A scan as a body of a build: fewer triangles, in the car's place, and how true that is. */
export interface Thinned {
  surface: Surface;
  /** No place of the scan, and no triangle's middle, lies further than this from what is kept, mm; measured at every one. */
  exact: number;
  /** Triangles that the file has. */
  of: number;
}

/** A surface is thinned no more than so many times. */
const TRIES = 40;

/**
 * A scan in the car's place with as many triangles as a build carries: places that share a cell of a grid become their
 * middle (clustering by a grid, Rossignac and Borrel 1993, from memory); the cell as small as that lets. Then every
 * place of the scan, and the middle of every triangle, is held against what is left.
 * @returns null where no grid leaves so few of it
 */
export function thinned({ places, triangles }: Scan, alignment: Alignment): Thinned | null {
  const count = places.length / 3;
  const there = new Float64Array(places.length);
  for (let i = 0; i < count; i++)
    there.set(placed(alignment, [places[3 * i], places[3 * i + 1], places[3 * i + 2]]), 3 * i);
  const of = triangles.length / 3;
  if (of <= MOST_TRIANGLES && count <= MOST_PLACES)
    return {
      surface: { places: Float32Array.from(there), triangles: Uint16Array.from(triangles) },
      exact: 0,
      of,
    };
  let [fine, coarse] = [0, sizeOf(there)];
  let best: Surface | null = null;
  for (let i = 0; i < TRIES && coarse - fine > coarse * CLOSE; i++) {
    const cell = (fine + coarse) / 2;
    const tried = clustered(there, triangles, cell);
    if (tried === 'too many') fine = cell;
    else {
      coarse = cell;
      // Of a thin body nothing is left in large cells: smaller ones are tried then.
      if (tried !== 'none') best = tried;
    }
  }
  return best && { surface: best, exact: farthest(there, triangles, best), of };
}
/** A cell is found to within this part of it. */
const CLOSE = 0.01;
const MOST_PLACES = 65_535;

function sizeOf(places: Float64Array): number {
  let most = 0;
  for (let k = 0; k < 3; k++) {
    let [low, high] = [Infinity, -Infinity];
    for (let i = k; i < places.length; i += 3) {
      low = Math.min(low, places[i]);
      high = Math.max(high, places[i]);
    }
    most = Math.max(most, high - low);
  }
  return most;
}

function clustered(
  places: Float64Array,
  triangles: Uint32Array,
  cell: number,
): Surface | 'too many' | 'none' {
  const cells = new Map<number, number>();
  const sums: number[] = [];
  const numbers = new Uint32Array(places.length / 3);
  for (let i = 0; i < numbers.length; i++) {
    let key = 0;
    for (let k = 0; k < 3; k++)
      key = key * CELLS + Math.floor(places[3 * i + k] / cell + OFF) + CELLS / 2;
    let number = cells.get(key);
    if (number === undefined) {
      if (cells.size === MOST_PLACES) return 'too many';
      cells.set(key, (number = cells.size));
      sums.push(0, 0, 0, 0);
    }
    numbers[i] = number;
    for (let k = 0; k < 3; k++) sums[4 * number + k] += places[3 * i + k];
    sums[4 * number + 3]++;
  }
  const kept = new Set<number>();
  const out: number[] = [];
  for (let i = 0; i < triangles.length; i += 3) {
    const a = numbers[triangles[i]];
    const b = numbers[triangles[i + 1]];
    const c = numbers[triangles[i + 2]];
    if (a === b || b === c || c === a) continue;
    const low = Math.min(a, b, c);
    const high = Math.max(a, b, c);
    const key = (low * CORNERS + (a + b + c - low - high)) * CORNERS + high;
    if (kept.has(key)) continue;
    kept.add(key);
    out.push(a, b, c);
    if (out.length > 3 * MOST_TRIANGLES) return 'too many';
  }
  if (out.length === 0) return 'none';
  return {
    places: Float32Array.from({ length: 3 * cells.size }, (_, i) => {
      const number = Math.floor(i / 3);
      return sums[4 * number + (i % 3)] / sums[4 * number + 3];
    }),
    triangles: Uint16Array.from(out),
  };
}
/** Cells begin beside nought: files have whole seams there, whose places are not quite one. */
const OFF = 0.3819660113;
/** Cells along one axis at most, and corners: keys stay whole numbers. */
const CELLS = 2 ** 17;
const CORNERS = 2 ** 16;

/** The farthest that places and middles of triangles lie from a surface, mm. */
function farthest(places: Float64Array, triangles: Uint32Array, surface: Surface): number {
  const tree = new SurfaceTree(surface);
  let most = 0;
  const look = (p: Vec) => (most = Math.max(most, tree.toPoint(p)));
  const at = (i: number): Vec => [places[3 * i], places[3 * i + 1], places[3 * i + 2]];
  for (let i = 0; i < places.length / 3; i++) look(at(i));
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => at(triangles[i + k]));
    look([0, 1, 2].map((k) => (a[k] + b[k] + c[k]) / 3) as unknown as Vec);
  }
  return most;
}
