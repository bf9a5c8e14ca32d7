import { pointNames, steersBy, typeOf } from '../corners/kinds';
import type { CornerType } from '../corners/cornerType';
import { counted } from './wording';
import type { AxleDesign, Build } from './build';
import { COORDINATES, mayHave } from './points';
import type { Coordinate, PointName, Points } from './points';

/**
 * Figures of a build that nobody has said: a `sketch` stands in for them until they are set, a `template` was taken
 * on purpose. Both are lists of paths within the axle (`lowerOuter.up`, `tyre.radius`, `static.toe`) or, of the whole
 * car, within the build (`wheelbase`, `travel.bump`).
 */
export interface Marked {
  sketch?: string[] | undefined;
  template?: string[] | undefined;
}
const LISTS = ['sketch', 'template'] as const;

export const CAR_FIGURES = ['wheelbase', 'travel.bump', 'travel.droop'] as const;
const OF_RACK = 'rack.travel';
/** Figures of a drop arm. */
export const OF_DROP_ARM = [
  'dropArm.lock',
  ...['lower', 'upper'].flatMap((end) => ['ahead', 'left', 'up'].map((c) => `dropArm.${end}.${c}`)),
];
const OF_EVERY_AXLE = [
  'tyre.radius',
  'tyre.width',
  'rim.diameter',
  'rim.width',
  'rim.offset',
  'static.toe',
  'static.camber',
] as const;
const AXLE_FIGURES: readonly string[] = [...OF_EVERY_AXLE, OF_RACK, ...OF_DROP_ARM];

/** Whether a wheel of a car goes up and down at all. */
export const hasTravel = ({ front, rear }: Pick<Build, 'front' | 'rear'>): boolean =>
  [front, rear].some((design) => design !== undefined && !typeOf(design).noTravel);

/** Those of the whole car that it has: travel where a wheel has any. */
export const carFigures = (build: Pick<Build, 'front' | 'rear'>): string[] =>
  hasTravel(build) ? [...CAR_FIGURES] : ['wheelbase'];

export const pathOf = (point: PointName, coordinate: Coordinate): string =>
  `${point}.${coordinate}`;

/** Every figure of an axle of a kind that a sketch may stand in for. */
export const axleFigures = (type: CornerType): string[] => [
  ...OF_EVERY_AXLE,
  ...(steersBy(type, 'rack') ? [OF_RACK] : []),
  ...(steersBy(type, 'dropArm') ? OF_DROP_ARM : []),
  ...[...new Set([...pointNames(type), ...mayHave(type)])].flatMap((name) =>
    COORDINATES.map((c) => pathOf(name, c)),
  ),
];

/** Those of them that an axle has. */
export const figuresOf = (design: AxleDesign): string[] =>
  axleFigures(typeOf(design)).filter((path) =>
    AXLE_FIGURES.some((one) => one === path)
      ? figureAt(design, path) !== undefined
      : path.split('.')[0] in design.points,
  );

/** Whether a figure is asked for in the brief: of the car, its tyres, rims, rack and drop arm, or how its wheels stand. */
export const isOfBrief = (path: string): boolean =>
  [...CAR_FIGURES, ...AXLE_FIGURES].some((one) => one === path);

export const isSketched = (of: Marked, path: string): boolean => of.sketch?.includes(path) ?? false;

/** Points that have a coordinate of a sketch: of what holds the wheel, or of its damper. */
export const sketchedPoints = (
  design: AxleDesign,
  of: 'wheel' | 'damper' = 'wheel',
): PointName[] => {
  const marks = new Set(design.sketch?.map((path) => path.split('.')[0]));
  if (marks.size === 0) return [];
  const type = typeOf(design);
  return pointNames(type).filter(
    (name) => marks.has(name) && (type.points[name].ofDamper === true) === (of === 'damper'),
  );
};

/** Somebody says a figure, be it what stood there already. Changes what it is given. */
export function say(of: Marked, ...paths: string[]): void {
  for (const list of LISTS) {
    const left = of[list]?.filter((path) => !paths.includes(path));
    if (left?.length === of[list]?.length) continue;
    if (left!.length > 0) of[list] = left;
    else delete of[list];
  }
}

/** Somebody says a whole joint. Changes what it is given. */
export const sayPoint = (of: Marked, name: PointName): void =>
  say(of, ...COORDINATES.map((c) => pathOf(name, c)));

/** Nobody says a figure after all: what stands in for it is a sketch again. Changes what it is given. */
export function unsay(of: Marked, path: string): void {
  if (!isSketched(of, path)) of.sketch = [...(of.sketch ?? []), path];
}

/** Takes what the sketch shows, of the car and of an axle, as a template to go on from. Changes what it is given. */
export function takeTemplate(...all: Marked[]): void {
  for (const of of all) {
    if (!of.sketch) continue;
    of.template = [...new Set([...(of.template ?? []), ...of.sketch])];
    delete of.sketch;
  }
}

/**
 * Figures that an edit has changed are somebody's from then on. Points that all go the same way by as much, as they
 * do where a whole corner is moved, were not set by that; nor was what the edit itself makes a sketch again. Changes
 * `after`.
 */
export function settleSketch(before: Build, after: Build): void {
  const changed = (path: string) => figureAt(before, path) !== figureAt(after, path);
  say(after, ...CAR_FIGURES.filter((path) => isMarked(before, path) && changed(path)));
  if (before.layout?.id !== after.layout?.id) return;
  for (const axle of ['front', 'rear'] as const) settleAxle(before[axle], after[axle]);
}

function settleAxle(before: AxleDesign | undefined, after: AxleDesign | undefined): void {
  if (!before || !after || before === after || before.kind !== after.kind) return;
  if (!after.sketch && !after.template) return;
  const marks = [...(after.sketch ?? []), ...(after.template ?? [])].filter((path) =>
    isMarked(before, path),
  );
  const changed = (path: string) => figureAt(before, path) !== figureAt(after, path);
  say(after, ...AXLE_FIGURES.filter((path) => marks.includes(path) && changed(path)));
  for (const side of ['points', 'rightPoints'] as const) {
    const [from, to] = [before[side], after[side]];
    if (!from || !to) continue;
    const names = [...new Set(marks.map((path) => path.split('.')[0]))].filter(
      (n) => from[n] && to[n],
    );
    const moved = names.filter((name) => COORDINATES.some((c) => from[name][c] !== to[name][c]));
    if (moved.length > 1 && moveAlike(moved, from, to)) continue;
    for (const name of moved)
      say(
        after,
        ...COORDINATES.filter((c) => from[name][c] !== to[name][c])
          .map((c) => pathOf(name, c))
          .filter((path) => marks.includes(path)),
      );
  }
}

const moveAlike = ([first, ...others]: PointName[], from: Points, to: Points): boolean => {
  const by = (name: PointName, c: Coordinate) => to[name][c] - from[name][c];
  return others.every((name) =>
    COORDINATES.every((c) => Math.abs(by(name, c) - by(first, c)) < 1e-6),
  );
};

const isMarked = (of: Marked, path: string): boolean =>
  LISTS.some((list) => of[list]?.includes(path));

const figureAt = (of: object, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>((value, key) => (value as Record<string, unknown> | undefined)?.[key], of);

/** What an axle of another kind stands in for: what its sketch has put there, and what was a sketch before. */
export function sketchOfKind(from: AxleDesign, to: CornerType, stays: (name: string) => boolean) {
  const before = new Set(from.sketch);
  const paths = axleFigures(to).filter((path) => {
    const [name] = path.split('.');
    return before.has(path) || (name in to.points && !stays(name));
  });
  const template = from.template?.filter((path) => stays(path.split('.')[0]));
  return {
    ...(paths.length > 0 && { sketch: paths }),
    ...(template && template.length > 0 && { template }),
  };
}

/** Figures of the brief that every verdict on a wheel rests on, the rack's or the drop arm's where there is one. */
const JUDGED_BY = [...CAR_FIGURES, 'tyre.radius', OF_RACK, ...OF_DROP_ARM];

/** What of an axle's verdicts still rests on a sketch: its joints, and figures of the brief. */
export interface ToSet {
  joints: number;
  figures: number;
}

export const toSet = (build: Marked, design: AxleDesign): ToSet => ({
  joints: sketchedPoints(design).length,
  figures: JUDGED_BY.filter((path) => isSketched(build, path) || isSketched(design, path)).length,
});

/** Whether anything an axle is judged by is still a sketch: nothing of it is judged then. */
export function isOfSketch(build: Marked, design: AxleDesign): boolean {
  const { joints, figures } = toSet(build, design);
  return joints > 0 || figures > 0;
}

/** The same in words, joints first; empty where nothing is. */
export function sketchInWords(build: Marked, design: AxleDesign): string {
  const { joints, figures } = toSet(build, design);
  if (joints > 0) return `sketch: ${counted(joints, 'joint')} to set`;
  return figures > 0 ? `sketch: ${counted(figures, 'figure')} of the brief to set` : '';
}
