import type { AxleName, Build } from '../model/build';
import type { Freedom } from '../model/freedoms';
import type { GateAnswer, Lock, Photo, Plan, PlanRule, StepRecord } from '../model/plan';
import type { Coordinate, PointName } from '../model/points';
import { variantsOf } from '../model/variants';
import { counted } from '../model/wording';
import { gatesOf } from './gates';
import type { PlanKnown } from './gates';
import { planNow } from './states';
import { standsOn } from './stood';

/** Functions that change the build that they are given. */

export const planIn = (build: Build): Plan => (build.plan ??= { steps: [] });

/** What is noted of a step, made where nothing was yet. */
export function recordIn(build: Build, id: string): StepRecord {
  const plan = planIn(build);
  let record = plan.steps.find((one) => one.id === id);
  if (!record) {
    record = { id };
    plan.steps.push(record);
    record = plan.steps.at(-1)!;
  }
  return record;
}

type Noted = Pick<StepRecord, 'planned' | 'used' | 'note' | 'held' | 'own'>;

/** Notes something of a step, or that it is not so any more (undefined). */
export function noteStep<K extends keyof Noted>(
  build: Build,
  id: string,
  key: K,
  value: Noted[K] | undefined,
): void {
  const record = recordIn(build, id);
  if (value === undefined || value === '') delete record[key];
  else (record as Noted)[key] = value;
}

/** Writes an answer at a gate; null takes it back. */
export function answerGate(
  build: Build,
  id: string,
  gate: string,
  answer: GateAnswer | null,
): void {
  const record = recordIn(build, id);
  const others = (record.gates ?? []).filter((one) => one.gate !== gate);
  const gates = answer ? [...others, answer] : others;
  if (gates.length > 0) record.gates = gates;
  else delete record.gates;
}

/** What is to be noted of a step that is done now, with all that it stands on; or why it is not, in words. */
export function finished(
  build: Build,
  id: string,
  { by, at }: { by: string; at: string },
  known: PlanKnown,
): { ok: true; done: NonNullable<StepRecord['done']> } | { ok: false; why: string } {
  const no = (why: string) => ({ ok: false as const, why });
  const { all } = planNow(build);
  const one = all.find(({ step }) => step.id === id);
  if (!one) return no('The plan has no such step any more.');
  if (by.trim() === '') return no('Say who did it.');
  const before = all.filter(
    ({ step, state }) => one.step.after.includes(step.id) && state !== 'done',
  );
  if (before.length > 0)
    return no(`Before it: ${before.map(({ step }) => step.title).join(', ')}.`);
  const closed = gatesOf(build, one.step, known).filter(({ open }) => !open);
  if (closed.length > 0)
    return no(
      `Not yet true: ${closed.map(({ gate, says }) => `${gate.asks} (${says})`).join('; ')}.`,
    );
  return { ok: true, done: { by: by.trim(), at, stood: standsOn(build, one.step) } };
}

export function noteDone(build: Build, id: string, done: NonNullable<StepRecord['done']>): void {
  const record = recordIn(build, id);
  record.done = done;
  delete record.held;
}

/** Opens a step again that was done. */
export function reopenStep(build: Build, id: string): void {
  delete recordIn(build, id).done;
}

export function addPhoto(build: Build, id: string, photo: Photo): void {
  const record = recordIn(build, id);
  record.photos = [...(record.photos ?? []), photo];
}

export function takePhotoAway(build: Build, id: string, photo: string): void {
  const record = recordIn(build, id);
  record.photos = record.photos?.filter((one) => one.id !== photo);
  if (record.photos?.length === 0) delete record.photos;
}

/** Puts a step of the builder's own into the plan; `order`: the names of all steps with it among them. */
export function addOwnStep(
  build: Build,
  id: string,
  own: NonNullable<StepRecord['own']>,
  order: string[],
): void {
  recordIn(build, id).own = own;
  planIn(build).order = order;
}

/** Takes a step of the builder's own out of the plan, with what was noted of it. */
export function removeOwnStep(build: Build, id: string): void {
  const plan = planIn(build);
  plan.steps = plan.steps.filter((one) => one.id !== id);
  for (const { own } of plan.steps)
    if (own) own.after = own.after.filter((before) => before !== id);
  for (const rule of plan.rules ?? []) if (rule.gate === id) delete rule.gate;
}

type Held = Omit<Lock, 'was'>;

/** What freedom a coordinate of a variant's axle has. */
const freedomIn = (
  design: Build['front'] | undefined,
  point: PointName,
  coordinate: Coordinate,
): Freedom | undefined => design?.freedoms?.[point]?.[coordinate];

/**
 * Writes a rule down. One that holds a coordinate makes it fixed in every variant that is not frozen, so that every finder
 * leaves it alone, and keeps what freedom it had.
 */
export function addRule(
  build: Build,
  rule: Omit<PlanRule, 'lock'>,
  held: Held | null,
): string | null {
  const plan = planIn(build);
  const rules = (plan.rules ??= []);
  if (held && rules.some(({ lock }) => lock && sameHeld(lock, held)))
    return 'Another rule holds that coordinate already.';
  if (!held) {
    rules.push(rule);
    return null;
  }
  const open = variantsOf(build).filter(
    (variant) => !variant.frozen && variant[held.axle]?.points[held.point],
  );
  if (open.length === 0)
    return 'Every variant that has it is frozen: copy one first, or leave the coordinate out.';
  const was = open.map(({ id, [held.axle]: design }) => {
    const freedom = freedomIn(design, held.point, held.coordinate);
    return { variant: id, ...(freedom && { freedom: copyOf(freedom) }) };
  });
  for (const { variant } of was) putFreedom(build, variant, held, { kind: 'fixed' });
  rules.push({ ...rule, lock: { ...held, was } });
  return null;
}

/** Drafts are no plain objects: they are copied by their text. */
const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

const sameHeld = (a: Held, b: Held): boolean =>
  a.axle === b.axle && a.point === b.point && a.coordinate === b.coordinate;

/** Takes a rule away; the coordinate that it held has its freedom again where it is fixed still and not frozen. */
export function removeRule(build: Build, id: string): void {
  const plan = planIn(build);
  const rule = plan.rules?.find((one) => one.id === id);
  if (!rule) return;
  plan.rules = plan.rules!.filter((one) => one !== rule);
  for (const record of plan.steps)
    if (record.gates) record.gates = record.gates.filter(({ gate }) => gate !== `rule/${id}`);
  const { lock } = rule;
  for (const { variant, freedom } of lock?.was ?? []) {
    const of = variantsOf(build).find((one) => one.id === variant);
    if (!of || of.frozen) continue;
    if (freedomIn(of[lock!.axle], lock!.point, lock!.coordinate)?.kind === 'fixed')
      putFreedom(build, variant, lock!, freedom && copyOf(freedom));
  }
}

function putFreedom(
  build: Build,
  variant: string,
  { axle, point, coordinate }: Held,
  freedom: Freedom | undefined,
): void {
  const put = build.layouts?.find(({ id }) => id === variant);
  const design: Build[AxleName] = put ? put[axle] : build[axle];
  if (!design) return;
  const freedoms = (design.freedoms ??= {});
  const of = (freedoms[point] ??= {});
  if (freedom) of[coordinate] = freedom;
  else delete of[coordinate];
}

/** What stands in the way of taking an own step out: what was noted of it. */
export const notedOf = (record: StepRecord | undefined): string => {
  const said = [
    record?.photos && counted(record.photos.length, 'photo'),
    record?.used && `${record.used} minutes`,
    record?.note && 'a note',
  ].filter(Boolean);
  return said.join(', ');
};
