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
 */
export function thinned({ places, triangles }: Scan, alignment: Alignment): Thinned {
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
  let best = clustered(there, triangles, coarse);
  for (let i = 0; i < TRIES && coarse - fine > coarse * 0.01; i++) {
    const cell = (fine + coarse) / 2;
    const tried = clustered(there, triangles, cell);
    if (tried && tried.triangles.length / 3 <= MOST_TRIANGLES) [coarse, best] = [cell, tried];
    else fine = cell;
  }
  // So coarse that nothing of it is left: it has been a single point.
  const surface = best ?? {
    places: Float32Array.from(there.slice(0, 9)),
    triangles: Uint16Array.of(0, 1, 2),
  };
  return { surface, exact: farthest(there, triangles, surface), of };
}
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

function clustered(places: Float64Array, triangles: Uint32Array, cell: number): Surface | null {
  const cells = new Map<string, number>();
  const sums: number[] = [];
  const numbers = new Uint32Array(places.length / 3);
  for (let i = 0; i < numbers.length; i++) {
    const at = places.subarray(3 * i, 3 * i + 3);
    const key = `${Math.floor(at[0] / cell)},${Math.floor(at[1] / cell)},${Math.floor(at[2] / cell)}`;
    let number = cells.get(key);
    if (number === undefined) {
      cells.set(key, (number = cells.size));
      sums.push(0, 0, 0, 0);
    }
    numbers[i] = number;
    for (let k = 0; k < 3; k++) sums[4 * number + k] += at[k];
    sums[4 * number + 3]++;
  }
  if (cells.size > MOST_PLACES) return null;
  const kept = new Set<string>();
  const out: number[] = [];
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => numbers[triangles[i + k]]);
    if (a === b || b === c || c === a) continue;
    const key = [a, b, c].sort((x, y) => x - y).join();
    if (kept.has(key)) continue;
    kept.add(key);
    out.push(a, b, c);
  }
  if (out.length === 0) return null;
  return {
    places: Float32Array.from({ length: 3 * cells.size }, (_, i) => {
      const number = Math.floor(i / 3);
      return sums[4 * number + (i % 3)] / sums[4 * number + 3];
    }),
    triangles: Uint16Array.from(out),
  };
}

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
