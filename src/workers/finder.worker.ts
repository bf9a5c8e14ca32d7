import './unevaluated';
import { expose } from 'comlink';
import { findAckermann } from '../core/ackermann/findAckermann';
import type { AckermannAnswer } from '../core/ackermann/findAckermann';
import { armsFromCamber } from '../core/arms/armsFromCamber';
import type { ArmsFinding } from '../core/arms/armsFromCamber';
import { findPath } from '../core/column/findPath';
import type { PathFinding } from '../core/column/findPath';
import { findMounts } from '../core/damper/findMounts';
import type { DamperChoice, MountsFound } from '../core/damper/findMounts';
import { rackWay } from '../core/kinematics/axle';
import type { AckermannWanted } from '../core/model/ackermannWanted';
import type { ArmsWanted } from '../core/model/armsWanted';
import { bumpMap } from '../core/bumpsteer/bumpMap';
import type { BumpMap } from '../core/bumpsteer/bumpMap';
import type { PlaneName } from '../core/model/mapPlanes';
import { findNull } from '../core/bumpsteer/findNull';
import type { NullFinding } from '../core/bumpsteer/findNull';
import type { NullWanted } from '../core/model/nullWanted';
import { clearancesOf } from '../core/clearance/room';
import type { Closest } from '../core/clearance/room';
import { readyFor } from '../core/clearance/surfaces';
import { Wheel, wheelOf } from '../core/kinematics/wheel';
import type { AxleDesign, AxleName, Build, Side, Travel } from '../core/model/build';
import { curesAt } from '../core/setup/lowered';
import { lockLimits } from '../core/steering/lockLimits';
import type { LockWay } from '../core/steering/lockLimits';
import { judgeDamper, judgeLoads } from '../core/judging/damper';
import type { Judged } from '../core/verdict/verdicts';
import { bundleFiles, bundleOf } from '../core/shop/bundle';
import type { Bundle } from '../core/shop/bundle';
import { takenStates } from '../core/shop/taken';
import { zipSync } from 'fflate';
import type { Paper } from '../core/model/shop';
import { bookOf } from '../core/report/book';
import type { BookAsked } from '../core/report/book';
import { bookJson, bookPdf } from '../core/report/paper';
import { interruptible } from './interruptible';

const { run, cancel } = interruptible();

/** The same once bodies out of files can be asked, which is fetched with the first of them. */
async function runIn<T>(
  build: Pick<Build, 'room'>,
  search: () => Generator<number, T> | null,
  onProgress: (part: number) => void,
): Promise<T | null> {
  await readyFor(build);
  return run(search, onProgress);
}

/** Hands a map over whenever it is finer. */
function* shownAsItGrows(
  looking: ReturnType<typeof bumpMap>,
  onMap: (map: BumpMap) => void,
): Generator<number, BumpMap> {
  let grain = 0;
  for (;;) {
    const step = looking.next();
    if (step.done) return step.value;
    const { part, map } = step.value;
    if (map.grain !== grain) onMap({ ...map, range: map.range.slice() });
    grain = map.grain;
    yield part;
  }
}

const api = {
  /** Arms from the camber wanted; null where a later call or `cancel` ended it. */
  arms: (
    build: Build,
    axle: AxleName,
    wanted: ArmsWanted,
    onProgress: (part: number) => void,
  ): Promise<ArmsFinding | null> =>
    runIn(build, () => armsFromCamber(build, axle, wanted), onProgress),

  /** A null of bump steer within the freedoms; null where a later call or `cancel` ended it. */
  null: (
    build: Build,
    axle: AxleName,
    side: Side,
    wanted: NullWanted,
    onProgress: (part: number) => void,
  ): Promise<NullFinding | null> =>
    runIn(
      build,
      () => {
        const wheel = wheelOf(build, axle, side);
        return wheel && findNull(build, wheel, wanted);
      },
      onProgress,
    ),

  /** Ackermann with bump steer kept null; null where a later call or `cancel` ended it. */
  ackermann: (
    build: Build,
    wanted: AckermannWanted,
    onProgress: (part: number) => void,
  ): Promise<AckermannAnswer | null> =>
    runIn(build, () => findAckermann(build, wanted), onProgress),

  /** A path for the front axle's column; null where it has none, or a later call or `cancel` ended it. */
  columnPath: (
    { front, room }: Build,
    onProgress: (part: number) => void,
  ): Promise<PathFinding | null> =>
    runIn(
      { room },
      () =>
        front.column ? findPath(front.column, room, 'front', rackWay(front.rack, 'left')) : null,
      onProgress,
    ),

  /** Mounts of a wheel's damper, every damper given tried; null where a later call or `cancel` ended it. */
  mounts: (
    build: Build,
    axle: AxleName,
    side: Side,
    choices: DamperChoice[],
    onProgress: (part: number) => void,
  ): Promise<MountsFound | null> =>
    runIn(
      build,
      () => {
        const wheel = wheelOf(build, axle, side);
        return wheel && findMounts(build, wheel, wheel.design.damper?.wanted, choices);
      },
      onProgress,
    ),

  /** A map from coarse to fine: `onMap` has it whenever it is finer. */
  map: (
    { axle, side, design, travel }: Pick<Wheel, 'axle' | 'side' | 'design' | 'travel'>,
    plane: PlaneName,
    size: number,
    n: number,
    onMap: (map: BumpMap) => void,
  ): Promise<BumpMap | null> =>
    run(
      () => shownAsItGrows(bumpMap(new Wheel(axle, side, design, travel), plane, size, n), onMap),
      () => undefined,
    ),

  /**
   * All sheets of the open variant as one ZIP: the PDF, drawings, tables; null where a later call or `cancel` ended it.
   * @param on the date, ISO
   */
  sheets: async (
    build: Build,
    on: string,
    paper: Paper,
    onProgress: (part: number) => void,
  ): Promise<{ zip: Uint8Array; sheets: Bundle['sheets']; pages: number } | null> => {
    const bundle = await runIn(build, () => bundleOf(build, on, paper), onProgress);
    if (!bundle) return null;
    const files = await bundleFiles(bundle, build);
    const zip = zipSync(Object.fromEntries(files.map(({ name, bytes }) => [name, bytes])));
    return { zip, sheets: bundle.sheets, pages: bundle.pages.length };
  },

  /** The build book as a PDF and as JSON, with its last chapter; null where a later call or `cancel` ended it. */
  book: async (
    build: Build,
    asked: BookAsked,
    paper: Paper,
    onProgress: (part: number) => void,
  ): Promise<MadeBook | null> => {
    const book = await runIn(build, () => bookOf(build, asked), onProgress);
    return (
      book && {
        pdf: await bookPdf(book, paper),
        json: bookJson(book),
        code: book.code,
        chapters: book.sections.map(({ title }) => title),
        unchecked: book.sections.at(-1)!.notes,
      }
    );
  },

  cancel,

  /** The tightest places of a wheel over travel and lock; null where the layout cannot be solved. */
  clearances: async (build: Build, axle: AxleName, side: Side): Promise<Closest[] | null> => {
    await readyFor(build);
    const wheel = wheelOf(build, axle, side);
    return wheel && clearancesOf(build, wheel);
  },

  /** The verdicts on a wheel's damper and on what of its corner gives first. */
  damper: async (build: Build, axle: AxleName, side: Side): Promise<Judged[]> => {
    await readyFor(build);
    const wheel = wheelOf(build, axle, side);
    return wheel ? [...judgeDamper(build, wheel), ...judgeLoads(build, wheel)] : [];
  },

  /** What, put where, gets bump steer back on a wheel that was put lower by so much, mm. */
  heightCures: (axle: AxleName, side: Side, design: AxleDesign, travel: Travel, by: number) =>
    curesAt(new Wheel(axle, side, design, travel), by),

  /** How many of the sheets that were taken say something else by now. */
  oldSheets: (build: Build): number =>
    takenStates(build).filter(({ state }) => state === 'old').length,

  /** What comes first on the way to each lock; null where the front axle cannot be steered. */
  lockLimits: async (build: Build): Promise<LockWay[] | null> => {
    await readyFor(build);
    return lockLimits(build, {
      left: wheelOf(build, 'front', 'left'),
      right: wheelOf(build, 'front', 'right'),
    });
  },
};
/** A build book as its files. */
export interface MadeBook {
  pdf: Uint8Array;
  json: string;
  code: string;
  chapters: string[];
  /** What its last chapter says. */
  unchecked: string[];
}

export type FinderWorker = typeof api;

expose(api);
