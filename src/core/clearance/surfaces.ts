import type { Vec } from '../geometry/vec';
import type { Build } from '../model/build';
import type { Surface } from '../model/mesh';
import type { Least } from './shapes';

/** A surface that distances are asked of, mm. */
export interface AskedSurface {
  /** From a place to the nearest of the surface; never below 0. */
  toPoint(p: Vec): number;
  /** The least distance of a line's stretch, and where on the line. */
  toLine(from: Vec, to: Vec): Least;
  /** The least of a distance that changes by no more than the way gone, to within `close`; null where none is under `ceiling`. */
  leastOf(distanceTo: (p: Vec) => number, close: number, ceiling?: number): Least | null;
}

type Maker = (surface: Surface) => AskedSurface;

let maker: Maker | null = null;
const asked = new WeakMap<Surface, AskedSurface>();

/** Lets surfaces be asked: what does it is large, and fetched with the first of them. */
export const letAsk = (make: Maker): void => {
  maker = make;
};

/** What of a build can only be reckoned with once surfaces can be asked. */
type Roomy = Pick<Build, 'room'>;

/** Whether all bodies of a build can be asked for their distances. */
export const canAsk = ({ room }: Roomy): boolean =>
  maker !== null || !room?.keepOuts.some(({ kind }) => kind === 'mesh');

/** Fetches what asks surfaces, where a build has any. */
export async function readyFor(build: Roomy): Promise<void> {
  if (!canAsk(build)) await import('./mesh');
}

/** @throws Error before `readyFor` has come back: nobody may take a body for none */
export function askedOf(surface: Surface): AskedSurface {
  if (!maker) throw new Error('a surface was asked before it could be');
  let one = asked.get(surface);
  if (!one) asked.set(surface, (one = maker(surface)));
  return one;
}
