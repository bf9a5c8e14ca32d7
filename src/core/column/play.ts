import type { Column } from '../model/column';
import { jointName, prefixesOf } from './places';

/** What one place of a column gives away. */
export interface PlayAt {
  what: string;
  /** At its own place, and turned into the handwheel's, degrees. */
  own: number;
  atHandwheel: number;
  measured: boolean;
}

/** Free play of a column, degrees of the handwheel from stop to stop, and how far the rim can be moved, mm. */
export interface Play {
  parts: PlayAt[];
  handwheel: number;
  /** Straight ahead at the wheels; null where their ratio is not known. */
  wheels: number | null;
  /** Of the rim sideways, by the radial play of the first shaft's bearings; null where none is said of two of them. */
  rim: number | null;
  /** Splines and joints of which nothing is said. */
  silent: number;
}

/**
 * Sums what splines, joints and boxes give away, each by how far the handwheel turns for it straight ahead.
 * @param ratio degrees of the handwheel for one of the wheels', null where it is not known
 */
export function playOf(column: Column, ratio: number | null): Play | null {
  const { joints, shafts, supports } = column;
  const prefixes = prefixesOf(column);
  if (!prefixes) return null;
  // How far each shaft turns for the handwheel: of the column cut off below it.
  const perHandwheel = [1, ...prefixes.map((chain) => Math.abs(chain.turn(0).ratio))];
  const parts: PlayAt[] = [];
  let silent = 0;
  const put = (what: string, play: Column['shafts'][number]['play'], shaft: number) => {
    if (!play) {
      silent++;
      return;
    }
    const atHandwheel = play.degrees / perHandwheel[shaft];
    parts.push({ what, own: play.degrees, atHandwheel, measured: play.measured });
  };
  shafts.forEach((shaft, i) => {
    if (shaft.slip || shaft.play) put(`splines of shaft ${i + 1}`, shaft.play, i);
    put(jointName(joints, i), joints[i].play, i + 1);
  });
  const handwheel = parts.reduce((sum, part) => sum + part.atHandwheel, 0);
  return {
    parts,
    handwheel,
    wheels: ratio === null ? null : handwheel / ratio,
    rim: rimPlay(),
    silent,
  };

  /** The first shaft tilts between its two outermost bearings, as far as both let it. */
  function rimPlay(): number | null {
    const own = supports
      .filter((one) => one.shaft === 1 && one.play !== undefined)
      .sort((a, b) => a.along - b.along);
    if (own.length < 2) return null;
    const [top, bottom] = [own[0], own[own.length - 1]];
    const span = bottom.along - top.along;
    if (span < 1) return null;
    return top.play! + ((top.play! + bottom.play!) * top.along) / span;
  }
}
