import { z } from 'zod';
import { ALL_POINT_NAMES } from '../corners/kinds';
import { freedomSchema } from './freedoms';
import { COORDINATES } from './points';
import { group, label, listOf, measure, problem, remark } from './wording';

/** Orders to begin with: what builders put first. `core/plan/orders` says what each is. */
export const SCHOOLS = ['lower', 'upper', 'damper', 'steering', 'kart'] as const;
export type School = (typeof SCHOOLS)[number];

const when = z.iso.datetime({ error: 'is not a date and time' });
/** A step by its name in `core/plan/steps`, or an own one's. */
const stepId = label(120);
const axle = z.enum(['front', 'rear'], { error: problem });
/** Minutes of one pair of hands. */
export const minutesSchema = measure('', 0, 100_000);
export const whoSchema = label(60);
/** A length that was read at a gate, mm. */
export const readLengthSchema = measure('mm', -10_000, 10_000);
export const stepNameSchema = label(80);
export const stepNoteSchema = remark(2000);
export const heldSchema = remark(200);
export const foundSchema = remark(300);

/** What somebody answered at a gate; `despite` is why the job goes on though the answer is no. */
const answerSchema = group({
  gate: label(120),
  at: when,
  by: whoSchema,
  /** Two lengths that should be alike; null: not measured yet. */
  values: z.array(readLengthSchema.nullable()).length(2, 'are not two').optional(),
  despite: foundSchema.optional(),
});
export type GateAnswer = z.infer<typeof answerSchema>;

/** A figure that a step stood on when it was done: a place, mm, or the code of what is made. */
const stoodSchema = group({
  of: label(160),
  is: z.union([z.array(z.number({ error: problem })).max(3, 'are more than three'), label(40)], {
    error: problem,
  }),
});
export type StoodOn = z.infer<typeof stoodSchema>;

/** A photo of a step: the picture itself lies in the data folder. */
export const photoSchema = group({
  id: z.uuid({ error: 'is no photo’s name' }),
  name: label(120),
  at: when,
});
export type Photo = z.infer<typeof photoSchema>;
export const MOST_PHOTOS = 24;

/** What a builder noted of a step, or what one of their own is. */
const stepRecordSchema = group({
  id: stepId,
  own: group({
    name: stepNameSchema,
    does: remark(400),
    after: listOf(stepId, 20, 'steps before it'),
  }).optional(),
  planned: minutesSchema.optional(),
  used: minutesSchema.optional(),
  note: stepNoteSchema.optional(),
  /** What it is held up by, where it is. */
  held: heldSchema.optional(),
  photos: listOf(photoSchema, MOST_PHOTOS, 'photos').optional(),
  gates: listOf(answerSchema, 40, 'answers').optional(),
  done: group({ at: when, by: whoSchema, stood: listOf(stoodSchema, 200, 'figures') }).optional(),
});
export type StepRecord = z.infer<typeof stepRecordSchema>;

/** A coordinate that a rule holds, and the freedom that it had before, by variant. */
const lockSchema = group({
  axle,
  point: z.enum(ALL_POINT_NAMES as readonly [string, ...string[]], { error: problem }),
  coordinate: z.enum(COORDINATES, { error: problem }),
  was: listOf(group({ variant: label(40), freedom: freedomSchema.optional() }), 41, 'variants'),
});
export type Lock = z.infer<typeof lockSchema>;

/** A class rule, or what an inspector refused: where it stands, what it holds or asks before a step is done. */
const ruleSchema = group({
  id: label(64),
  kind: z.enum(['rule', 'refusal'], { error: problem }),
  says: label(400),
  source: label(160),
  at: when,
  lock: lockSchema.optional(),
  /** The step that waits for it. */
  gate: stepId.optional(),
});
export type PlanRule = z.infer<typeof ruleSchema>;

export const HITS = ['kerb', 'front', 'side', 'under', 'bottomed'] as const;
export type Hit = (typeof HITS)[number];

/** A knock, and what was found of what is to be looked at after it. */
const knockSchema = group({
  id: label(64),
  at: when,
  axle,
  side: z.enum(['left', 'right'], { error: problem }),
  hit: z.enum(HITS, { error: problem }),
  note: remark(1000),
  found: listOf(
    group({
      of: label(120),
      at: when,
      by: whoSchema,
      /** Joint to joint, mm, where that was measured. */
      length: readLengthSchema.optional(),
      as: z.enum(['good', 'replaced', 'bad'], { error: problem }).optional(),
    }),
    100,
    'findings',
  ),
});
export type Knock = z.infer<typeof knockSchema>;

/** A later stage: what of the car is made again then. */
const stageSchema = group({ name: stepNameSchema, again: listOf(stepId, 40, 'steps') });
export type Stage = z.infer<typeof stageSchema>;

/** The work on a build: its order, what was noted of each step, rules, knocks. */
export const planSchema = group({
  /** What is put first; what is usual for such a build where nobody said. */
  school: z.enum(SCHOOLS, { error: problem }).optional(),
  /** Steps as the builder put them; without one, as the school has them. */
  order: listOf(stepId, 400, 'steps').optional(),
  /** What the first stage is called, and those that follow it. */
  first: stepNameSchema.optional(),
  stages: listOf(stageSchema, 8, 'stages').optional(),
  steps: listOf(stepRecordSchema, 400, 'steps'),
  rules: listOf(ruleSchema, 100, 'rules').optional(),
  knocks: listOf(knockSchema, 60, 'knocks').optional(),
});
export type Plan = z.infer<typeof planSchema>;
