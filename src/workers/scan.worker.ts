import './unevaluated';
import { expose } from 'comlink';
import { packed } from '../core/model/mesh';
import type { Alignment } from '../core/scan/align';
import { readOutlines } from '../core/scan/outlines';
import type { ReadOutlines } from '../core/scan/outlines';
import { readScan } from '../core/scan/read';
import type { Scan } from '../core/scan/read';
import { thinned } from '../core/scan/thin';

/** The file that was read last: it is put into the car once its place is known. */
let held: Scan | null = null;

/** What a scan is like, in its file's own unit. */
export interface ScanSeen {
  triangles: number;
  least: [number, number, number];
  most: [number, number, number];
}

const api = {
  /** Closed outlines of a drawing. */
  outlines: (name: string, text: string): ReadOutlines => readOutlines(name, text),

  /** Reads a file and keeps it. */
  read: (
    name: string,
    bytes: ArrayBuffer,
  ): { ok: true; seen: ScanSeen } | { ok: false; why: string } => {
    held = null;
    const read = readScan(name, bytes);
    if (!read.ok) return read;
    held = read.scan;
    const { places, triangles } = read.scan;
    const least = [Infinity, Infinity, Infinity] as [number, number, number];
    const most = [-Infinity, -Infinity, -Infinity] as [number, number, number];
    places.forEach((x, i) => {
      least[i % 3] = Math.min(least[i % 3], x);
      most[i % 3] = Math.max(most[i % 3], x);
    });
    return { ok: true, seen: { triangles: triangles.length / 3, least, most } };
  },

  /** The file that is kept, as a body of a build. */
  place: (
    alignment: Alignment,
  ): { places: string; triangles: string; exact: number } | { why: string } => {
    if (!held) return { why: 'the file is not held any more: take it again' };
    const thin = thinned(held, alignment);
    if (!thin) return { why: 'it cannot be thinned to what a build carries' };
    const { surface, exact } = thin;
    return {
      ...{ places: packed(surface.places), triangles: packed(surface.triangles) },
      exact: Math.ceil(exact * 100) / 100,
    };
  },
};
export type ScanWorker = typeof api;

expose(api);
