import type { AxleName } from '../model/build';
import type { PointName } from '../model/points';
import type { Node } from './graph';

/** What kind of work a step is: orders, costs and cautions go by this. */
export type StepKind =
  | 'drawn'
  | 'frame'
  | 'seat'
  | 'pedals'
  | 'strings'
  | 'wheel'
  | 'cut'
  | 'arm'
  | 'damper'
  | 'rack'
  | 'rods'
  | 'column'
  | 'cycle'
  | 'tack'
  | 'again'
  | 'weld'
  | 'refit'
  | 'check'
  | 'setup'
  | 'inspect'
  | 'own';

/** What a step's gate is answered by: somebody's word, two lengths that should be alike, or what the build itself says. */
export type Gate = { id: string; asks: string; source?: string } & (
  | { as: 'said' }
  | {
      as: 'pair';
      names: readonly [string, string];
      /** As drawn, mm, where the drawing has it: both should be that. */
      drawn: number | null;
      /** Apart at the most, mm. */
      within: number;
    }
  | { as: 'reckoned'; by: 'settled' | 'frozen' | 'made' | 'inBand' | 'here' }
);

export type Caution = 'steering' | 'welding' | 'spring' | 'stands';

/** One step of the work on a build. */
export interface Step extends Node {
  kind: StepKind;
  axle: AxleName | null;
  /** Which stage of the build, from 1. */
  stage: number;
  title: string;
  does: string;
  /** What is settled by it, for all that comes later. */
  fixes: string;
  /** Members of an axle whose sheets are laid out for it; none: no sheet. */
  members: readonly string[];
  /** Words of the sheets that go with it besides: ends of their ids. */
  sheets: readonly string[];
  tools: readonly string[];
  stock: readonly string[];
  gates: Gate[];
  /** Of one pair of hands: a guess until the builder says otherwise. */
  minutes: number;
  cautions: readonly Caution[];
  /** Points of its axle that it stands on, and what is made of it. */
  points: readonly PointName[];
  made: readonly string[];
  /** It stands on the column as laid. */
  column?: true;
  /** How high the axle's own arms lie, mm: orders go by that. */
  high?: number;
  /** It swings about a line of the frame. */
  pivots?: true;
}

/** Mounts, pivots and rods of both sides are alike within this, mm (common practice). */
export const ALIKE = 1;
/** Of a rod's length (common practice). */
export const ROD_ALIKE = 0.5;

export type Draft = Pick<Step, 'kind' | 'title' | 'does' | 'fixes' | 'minutes'> & Partial<Step>;

/** Minutes of one pair of hands, from memory and guessed: a shop's own soon stand in for them. */
export const MINUTES = {
  ...{ drawn: 15, frame: 120, seat: 60, pedals: 90, strings: 60, wheel: 45, part: 60, arm: 75 },
  ...{ link: 45, damper: 60, rack: 90, rods: 45, column: 150, cycle: 40, tack: 60, again: 60 },
  ...{ weld: 150, refit: 90, check: 60, setup: 60, inspect: 120 },
} as const;

/** A step with what it does not say left empty. */
export const step = (id: string, draft: Draft): Step => ({
  ...{ id, axle: null, stage: 1, after: [], members: [], sheets: [], tools: [], stock: [] },
  ...{ gates: [], cautions: [], points: [], made: [] },
  ...draft,
});

/** A gate that is answered by somebody's word. */
export const said = (id: string, asks: string): Gate => ({ as: 'said', id, asks });
