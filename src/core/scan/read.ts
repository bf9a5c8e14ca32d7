import { OBJLoader } from 'three/examples/jsm/loaders/OBJLoader.js';
import { PLYLoader } from 'three/examples/jsm/loaders/PLYLoader.js';
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import type { BufferGeometry, Mesh, Object3D } from 'three';

/** A scan as its file has it: places x, y, z one after another in the file's own unit, three numbers a triangle. */
export interface Scan {
  places: Float64Array;
  triangles: Uint32Array;
}

export type ReadScan = { ok: true; scan: Scan } | { ok: false; why: string };

/** The largest file that is read, bytes. */
export const LARGEST_SCAN = 50_000_000;
export const SCAN_FILES = ['.stl', '.obj', '.ply'] as const;

/** Reads an STL (text or binary), OBJ or PLY file; what is no surface is refused in words. */
export function readScan(name: string, bytes: ArrayBuffer): ReadScan {
  const kind = SCAN_FILES.find((ending) => name.toLowerCase().endsWith(ending));
  const no = (why: string): ReadScan => ({ ok: false, why });
  if (!kind) return no(`${name} is none of ${SCAN_FILES.join(', ')}`);
  if (bytes.byteLength > LARGEST_SCAN)
    return no(
      `${name} is larger than ${LARGEST_SCAN / 1e6} MB: let the scanner’s own program thin it first`,
    );
  let found: BufferGeometry[];
  try {
    found = geometriesOf(kind, bytes);
  } catch {
    return no(`${name} cannot be read as ${kind.slice(1).toUpperCase()}`);
  }
  const places: number[][] = [];
  const triangles: number[] = [];
  const known = new Map<string, number>();
  for (const geometry of found) {
    const position = geometry.getAttribute('position');
    if (!position) continue;
    const own = Array.from({ length: position.count }, (_, i): number => {
      const place = [position.getX(i), position.getY(i), position.getZ(i)];
      const key = place.join();
      let number = known.get(key);
      if (number === undefined) {
        known.set(key, (number = places.length));
        places.push(place);
      }
      return number;
    });
    const index = geometry.getIndex();
    const count = index ? index.count : own.length;
    if (!index && kind === '.ply') continue;
    for (let i = 0; i + 2 < count; i += 3) {
      const [a, b, c] = [0, 1, 2].map((k) => own[index ? index.getX(i + k) : i + k]);
      if (a !== b && b !== c && c !== a) triangles.push(a, b, c);
    }
  }
  const flat = Float64Array.from(places.flat());
  if (!flat.every(Number.isFinite)) return no(`${name} has places that are no numbers`);
  if (triangles.length === 0)
    return no(
      places.length > 0
        ? `${name} has places and no triangles: save it as a mesh, not as a cloud of points`
        : `${name} has nothing in it that can be read`,
    );
  return { ok: true, scan: { places: flat, triangles: Uint32Array.from(triangles) } };
}

function geometriesOf(kind: (typeof SCAN_FILES)[number], bytes: ArrayBuffer): BufferGeometry[] {
  if (kind === '.stl') return [new STLLoader().parse(bytes)];
  if (kind === '.ply') return [new PLYLoader().parse(bytes)];
  const all: BufferGeometry[] = [];
  new OBJLoader().parse(new TextDecoder().decode(bytes)).traverse((one: Object3D) => {
    if ('isMesh' in one) all.push((one as Mesh).geometry);
  });
  return all;
}
