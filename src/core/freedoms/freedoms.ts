import { pointNames, typeOf } from '../corners/kinds';
import type { AxleDesign } from '../model/build';
import type { Freedom, FreedomKind } from '../model/freedoms';
import { COORDINATES } from '../model/points';
import type { Coordinate, PointName } from '../model/points';
import { SAME, nearest, stacksOf } from './stacks';

/** A stock of washers and spacers to start from: common sizes, mm. */
export const USUAL_STOCK = [0.5, 0.8, 1, 1.6, 3.2, 6.35];

/** Every place a freedom has, rising; null where it has a whole range of them. */
export function placesOf(freedom: Freedom, now: number): readonly number[] | null {
  switch (freedom.kind) {
    case 'fixed':
      return [now];
    case 'choices':
      return [...new Set(freedom.at)].sort((a, b) => a - b);
    case 'shims':
      return shimmed(freedom);
    case 'flip':
      return [freedom.base - freedom.offset, freedom.base, freedom.base + freedom.offset];
    case 'range':
    case 'eccentric':
    case 'thread':
    case 'plate':
    case 'rackWidth':
      return null;
  }
}

type Shims = Extract<Freedom, { kind: 'shims' }>;

function shimmed({ base, stock, most, way }: Shims): readonly number[] {
  const { heights } = stacksOf(stock, most);
  let known = placed.get(heights);
  if (known?.base !== base || known.way !== way) {
    const places = heights.map((height) => base + way * height);
    known = { base, way, places: way === 1 ? places : places.reverse() };
    placed.set(heights, known);
  }
  return known.places;
}

/** Where the heights of a stock were last stacked. */
const placed = new WeakMap<
  readonly number[],
  { base: number; way: 1 | -1; places: readonly number[] }
>();

/** How far a place is from the nearest that a freedom has, mm. */
export function offPlace(freedom: Freedom, now: number): number {
  const places = placesOf(freedom, now);
  if (places) return Math.abs(places[nearest(places, now)] - now);
  const [min, max] = limitsOf(freedom, now);
  return Math.max(min - now, now - max, 0);
}

/** Least and greatest place; nothing holds an open coordinate. */
export function limitsOf(freedom: Freedom | undefined, now: number): [number, number] {
  if (!freedom) return [-Infinity, Infinity];
  if ('min' in freedom) return [freedom.min, freedom.max];
  if (freedom.kind === 'eccentric')
    return [freedom.base - freedom.throw, freedom.base + freedom.throw];
  const places = placesOf(freedom, now)!;
  return [places[0], places[places.length - 1]];
}

/** Step between places of a range; 0 where any will do. */
export const stepOf = (freedom: Freedom): number =>
  freedom.kind === 'range' ? freedom.step : freedom.kind === 'thread' ? freedom.pitch / 2 : 0;

/** The place nearest to `wanted` that a freedom has. An open coordinate goes anywhere. */
export function snap(freedom: Freedom | undefined, wanted: number, now: number): number {
  if (!freedom) return wanted;
  const places = placesOf(freedom, now);
  if (places) return places[nearest(places, wanted)];
  const [min, max] = limitsOf(freedom, now);
  const within = Math.min(max, Math.max(min, wanted));
  const step = stepOf(freedom);
  if (step === 0) return within;
  const last = Math.floor((max - min) / step + 1e-9);
  return min + Math.min(last, Math.round((within - min) / step)) * step;
}

/** How much work a change is, one unit a washer: common practice. */
const WORK: Record<FreedomKind, number> = {
  shims: 1,
  eccentric: 1,
  thread: 2,
  flip: 3,
  choices: 4,
  range: 8,
  plate: 12,
  rackWidth: 30,
  fixed: 40,
};

/** Effort of a change of one coordinate; a larger move of the same kind costs a little more. */
export function effortOf(freedom: Freedom | undefined, from: number, to: number): number {
  const move = Math.abs(to - from);
  if (move < SAME) return 0;
  const kind = freedom?.kind ?? 'fixed';
  const pieces = freedom?.kind === 'shims' ? (washersFor(freedom, to)?.length ?? 1) : 1;
  return WORK[kind] * Math.max(1, pieces) + move / 100;
}

/** The washers of a shim freedom that make a place; null where none do. */
export function washersFor(freedom: Shims, to: number): number[] | null {
  const { base, stock, most, way } = freedom;
  const stacks = stacksOf(stock, most);
  const index = stacks.at((to - base) * way);
  return index < 0 ? null : stacks.washers(index);
}

/** Every coordinate of an axle that has a freedom other than fixed. */
export const openedOf = ({
  kind,
  damper,
  freedoms,
}: Pick<AxleDesign, 'kind' | 'damper' | 'freedoms'>): Opened[] =>
  pointNames(typeOf({ kind, damper })).flatMap((point) =>
    COORDINATES.flatMap((c) => {
      const freedom = freedoms?.[point]?.[c];
      return freedom && freedom.kind !== 'fixed' ? [{ point, coordinate: c, freedom }] : [];
    }),
  );

/** A coordinate that may move. */
export interface Opened {
  point: PointName;
  coordinate: Coordinate;
  freedom: Freedom;
}
