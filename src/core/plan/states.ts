import type { Build } from '../model/build';
import type { StepRecord } from '../model/plan';
import { longestFrom } from './graph';
import { gatesOf } from './gates';
import type { PlanKnown } from './gates';
import { plannedSteps, recordOf } from './planned';
import type { Step } from './step';
import { changedSince } from './stood';

export const STEP_STATES = ['done', 'open again', 'can be done', 'held', 'waits'] as const;
export type StepState = (typeof STEP_STATES)[number];

/** A step as it stands now. */
export interface Standing {
  step: Step;
  record: StepRecord | undefined;
  state: StepState;
  /** Why it is open again, is held or waits. */
  why: string[];
  /** Minutes planned, and what is left of them by what others took. */
  planned: number;
  left: number;
}

export interface Hours {
  planned: number;
  used: number;
  left: number;
  /** The longest way through what is left: no more hands make it shorter. */
  longest: number;
  /** Minutes used for one planned, and how many steps that is from; 1 while there are too few. */
  factor: number;
  from: number;
}

export interface PlanNow {
  all: Standing[];
  /** Where the job waits: of what could be gone on with, the step that most hangs on. */
  holds: Standing | null;
  /** What can be done besides it. */
  meanwhile: Standing[];
  hours: Hours;
}

/** Fewer done steps with minutes noted say nothing of the others. */
const LEAST_STEPS = 3;

/**
 * The work on a build as it stands now: each step, what holds it up, what can be done meanwhile, hours. How the gates of what is
 * not done stand is asked step by step: `gatesOf`.
 */
export function planNow(build: Build): PlanNow {
  const steps = plannedSteps(build);
  const minutes = (step: Step) => recordOf(build, step.id)?.planned ?? step.minutes;
  const { factor, from } = paceOf(steps, build);
  const closed = closedStages(steps, build);
  const states = new Map<string, Standing>();
  for (const step of steps) {
    const record = recordOf(build, step.id);
    const planned = minutes(step);
    const before = step.after.flatMap((id) => states.get(id) ?? []);
    const open = before.filter(({ state }) => state !== 'done');
    const why = record?.done ? reopened(build, step, record, open, closed) : [];
    const state: StepState = record?.done
      ? why.length > 0
        ? 'open again'
        : 'done'
      : open.length > 0
        ? 'waits'
        : record?.held
          ? 'held'
          : 'can be done';
    if (state === 'waits') why.push(...open.map((one) => one.step.title));
    if (state === 'held') why.push(record!.held!);
    const reckoned = planned * factor;
    states.set(step.id, {
      ...{ step, record, state, why, planned },
      left:
        state === 'done'
          ? 0
          : state === 'open again'
            ? reckoned
            : Math.max(0, reckoned - (record?.used ?? 0)),
    });
  }
  const all = [...states.values()];
  const left = (id: string) => states.get(id)!.left;
  const longest = longestFrom(steps, left);
  const now = all.filter(
    ({ state, step }) =>
      state !== 'done' &&
      state !== 'waits' &&
      step.after.every((id) => (states.get(id)?.state ?? 'done') === 'done'),
  );
  const holds = now.reduce<Standing | null>(
    (most, one) => (most && longest.get(most.step.id)! >= longest.get(one.step.id)! ? most : one),
    null,
  );
  const sum = (of: (one: Standing) => number) => all.reduce((total, one) => total + of(one), 0);
  return {
    ...{ all, holds },
    meanwhile: now.filter((one) => one !== holds && one.state !== 'held'),
    hours: {
      planned: sum(({ planned }) => planned),
      used: sum(({ record }) => record?.used ?? 0),
      left: sum((one) => one.left),
      longest: Math.max(0, ...longest.values()),
      ...{ factor, from },
    },
  };
}

/** How much longer than planned the done steps took, all together. */
function paceOf(steps: readonly Step[], build: Build): { factor: number; from: number } {
  let [planned, used, from] = [0, 0, 0];
  for (const step of steps) {
    const record = recordOf(build, step.id);
    if (!record?.done || !record.used) continue;
    planned += record.planned ?? step.minutes;
    used += record.used;
    from++;
  }
  return from < LEAST_STEPS || planned === 0
    ? { factor: 1, from }
    : { factor: used / planned, from };
}

/** Stages of an axle that are over: it was set up in them, and a later one makes something of it again. */
function closedStages(steps: readonly Step[], build: Build): Set<string> {
  const closed = new Set<string>();
  for (const { id, kind, axle, stage } of steps) {
    const again = steps.some((one) => one.axle === axle && one.stage > stage);
    if (kind === 'setup' && again && recordOf(build, id)?.done) closed.add(`${axle} ${stage}`);
  }
  return closed;
}

const NOTHING: PlanKnown = { inBand: null };

/** What is cut and drawn is held against the drawing part by part: what it is used in looks to its own. */
const BY_ITSELF: readonly Step['kind'][] = ['cut', 'drawn'];

function reopened(
  build: Build,
  step: Step,
  { done }: StepRecord,
  before: readonly Standing[],
  closed: ReadonlySet<string>,
): string[] {
  if (closed.has(`${step.axle} ${step.stage}`)) return [];
  return [
    ...changedSince(build, step, done!.stood).map(({ says }) => says),
    ...before
      .filter(({ step: { kind } }) => !BY_ITSELF.includes(kind))
      .map((one) => `${one.step.title} is ${one.record?.done ? 'open again' : 'not done'}`),
    // What is reckoned was true when it was done; what people are asked may be new since.
    ...gatesOf(build, { ...step, gates: step.gates.filter(({ as }) => as !== 'reckoned') }, NOTHING)
      .filter(({ open }) => !open)
      .map(({ gate, says }) => `${gate.asks}: ${says}`),
  ];
}

/** How far the work is, in a few words: what is done, and what has been opened again. */
export function planInWords(build: Build): string {
  const { all } = planNow(build);
  const count = (state: StepState) => all.filter((one) => one.state === state).length;
  const [done, again] = [count('done'), count('open again')];
  if (done + again === 0) return `${all.length} steps`;
  return `${done} of ${all.length} done${again > 0 ? `, ${again} open again` : ''}`;
}
