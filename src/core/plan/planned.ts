import type { Build } from '../model/build';
import type { Plan, StepRecord } from '../model/plan';
import { circleIn, linedUp } from './graph';
import { merged, schoolOf, schoolOrder } from './orders';
import { step } from './step';
import type { Gate, Step } from './step';
import { ownSteps } from './steps';

/** Own steps take as long as somebody says; until then, minutes. */
const OWN_MINUTES = 30;

export const recordOf = (build: Pick<Build, 'plan'>, id: string): StepRecord | undefined =>
  build.plan?.steps.find((one) => one.id === id);

/** A later stage's step: the first stage's by its name, and the stage's number. */
export const stageId = (id: string, stage: number): string => `${id}@${stage}`;

/** Every step of a build in the order it is to be done: its own kinds' and parts', later stages', the builder's. */
export function plannedSteps(build: Build): Step[] {
  const first = ownSteps(build);
  const { plan } = build;
  const all = [...first, ...laterSteps(first, plan), ...builderSteps(first, plan)];
  const ending = all.find(({ kind }) => kind === 'inspect');
  // Whoever licenses it sees what is left in the end.
  if (ending)
    ending.after = [
      ...ending.after,
      ...all.flatMap(({ id, kind, stage }) => (kind === 'setup' && stage > 1 ? [id] : [])),
    ];
  withoutCircles(all);
  for (const rule of plan?.rules ?? []) {
    const waits = rule.gate === undefined ? undefined : all.find(({ id }) => id === rule.gate);
    waits?.gates.push(ruleGate(rule.id, rule.says, rule.source));
  }
  const school = schoolOrder(all, schoolOf(build, first));
  return linedUp(all, plan?.order ? merged(plan.order, school) : school);
}

const ruleGate = (id: string, asks: string, source: string): Gate => ({
  ...{ as: 'said', id: `rule/${id}`, asks, source },
});

const STAGED: readonly Step['kind'][] = ['cycle', 'refit', 'check', 'setup'];

/** What is made again in later stages, and what of its axle is done again with it. */
function laterSteps(first: readonly Step[], plan: Plan | undefined): Step[] {
  const later: Step[] = [];
  let before: Step[] = [...first];
  (plan?.stages ?? []).forEach(({ name, again }, i) => {
    const stage = i + 2;
    const chosen = first.filter(({ id }) => again.includes(id));
    const axles = new Set(chosen.flatMap(({ axle }) => axle ?? []));
    const made = first.filter(
      (one) =>
        chosen.includes(one) ||
        (one.axle !== null && axles.has(one.axle) && STAGED.includes(one.kind)),
    );
    const ids = new Set(made.map(({ id }) => id));
    const copies = made.map((one): Step => {
      const ends = before.flatMap(({ id, kind, axle }) =>
        kind === 'setup' && (one.axle === null || axle === one.axle) ? [id] : [],
      );
      return {
        ...one,
        ...{ id: stageId(one.id, stage), stage, title: `${one.title}: ${name}` },
        gates: [...one.gates],
        after: [...one.after.map((id) => (ids.has(id) ? stageId(id, stage) : id)), ...ends],
      };
    });
    later.push(...copies);
    before = [...before, ...copies];
  });
  return later;
}

function builderSteps(first: readonly Step[], plan: Plan | undefined): Step[] {
  const taken = new Set(first.map(({ id }) => id));
  return (plan?.steps ?? []).flatMap(({ id, own }): Step[] =>
    !own || taken.has(id)
      ? []
      : [
          step(id, {
            ...{ kind: 'own', title: own.name, does: own.does, fixes: '', minutes: OWN_MINUTES },
            after: own.after,
          }),
        ],
  );
}

/** Own steps that would make everything wait for itself wait for nothing. */
function withoutCircles(all: readonly Step[]): void {
  for (let circle = circleIn(all); circle; circle = circleIn(all)) {
    const own = all.find(({ id, kind }) => kind === 'own' && circle!.includes(id));
    if (!own) throw new RangeError(`${circle.join(', ')} wait for each other`);
    own.after = own.after.filter((id) => !circle!.includes(id));
  }
}

/**
 * The order with a step at another place, or the steps that are against it: what it hangs on and would come after, or what
 * hangs on it and would come before.
 */
export function movedTo(
  steps: readonly Step[],
  id: string,
  to: number,
): { ok: true; order: string[] } | { ok: false; against: Step[] } {
  const one = steps.find((step) => step.id === id);
  if (!one) return { ok: false, against: [] };
  const order = steps.filter((step) => step !== one);
  order.splice(Math.max(0, Math.min(to, order.length)), 0, one);
  const at = order.indexOf(one);
  const against = order.filter((step, i) =>
    i > at ? one.after.includes(step.id) : i < at && step.after.includes(id),
  );
  return against.length > 0
    ? { ok: false, against }
    : { ok: true, order: order.map((step) => step.id) };
}
