/** A surface of triangles: places [ahead, left, up] one after another, mm, and three of their numbers for each triangle. */
export interface Surface {
  places: Float32Array;
  triangles: Uint16Array;
}

/** So many triangles a body from a file has at most, so that a build stays quick to keep. */
export const MOST_TRIANGLES = 6000;

const known = new Map<string, Surface | null>();
/** Of so many bodies the surface is kept. */
const KEPT = 12;

/** Bytes as text that a build's file carries (RFC 4648), and back. */
export function packed(of: Float32Array | Uint16Array): string {
  const bytes = new Uint8Array(of.buffer, of.byteOffset, of.byteLength);
  let text = '';
  for (let i = 0; i < bytes.length; i += CHUNK)
    text += String.fromCharCode(...bytes.subarray(i, i + CHUNK));
  return btoa(text);
}
const CHUNK = 0x8000;

function unpacked(text: string): Uint8Array | null {
  try {
    const raw = atob(text);
    return Uint8Array.from(raw, (letter) => letter.charCodeAt(0));
  } catch {
    return null;
  }
}

/** How far from the car's origin a place of a surface may lie, mm. */
const FARTHEST = 20_000;

/** The surface that two texts carry; null where they carry none. */
export function surfaceOf({
  places,
  triangles,
}: {
  places: string;
  triangles: string;
}): Surface | null {
  const key = `${triangles}|${places}`;
  const has = known.get(key);
  if (has !== undefined) return has;
  const surface = readSurface(places, triangles);
  if (known.size >= KEPT) known.delete(known.keys().next().value!);
  known.set(key, surface);
  return surface;
}

function readSurface(placesText: string, trianglesText: string): Surface | null {
  const [a, b] = [unpacked(placesText), unpacked(trianglesText)];
  if (!a || !b || a.length % 12 !== 0 || b.length % 6 !== 0) return null;
  const places = new Float32Array(a.buffer);
  const triangles = new Uint16Array(b.buffer);
  const count = places.length / 3;
  const sound =
    triangles.length > 0 &&
    places.every((x) => Math.abs(x) <= FARTHEST) &&
    triangles.every((i) => i < count);
  return sound ? { places, triangles } : null;
}
