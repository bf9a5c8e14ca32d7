import { z } from 'zod';
import type { CornerType } from '../corners/cornerType';
import { CORNER_TYPES, steersBy } from '../corners/kinds';
import { askedSchema } from './asked';
import { briefSchema } from './brief';
import { setupsSchema } from './setups';
import { MOST_INSTRUMENTS, instrumentSchema } from './instruments';
import { MOST_CHECKS, MOST_READINGS, checkSchemaOf, readingSchema } from './checks';
import { columnSchema } from './column';
import type { Column } from './column';
import { damperMisfits, damperPointsOf, damperSchema } from './damper';
import type { Damper } from './damper';
import { loadCaseSchema, strengthSchema } from './loads';
import type { Strength } from './loads';
import { madeSchema } from './made';
import type { Made } from './made';
import { freedomsSchemaOf } from './freedoms';
import type { Freedoms } from './freedoms';
import { CAR_FIGURES, axleFigures } from './sketch';
import { MOST_PIECES, pieceSchema } from './pieces';
import type { Piece } from './pieces';
import { placeSchema } from './place';
import { planSchema } from './plan';
import { mayHave, pointSchema, pointsSchemaOf } from './points';
import type { Point, PointName, Points } from './points';
import { rodSchema, tieRodSchema } from './rod';
import type { TieRod } from './rod';
import { roomSchema } from './room';
import { shopSchema } from './shop';
import { takeOffSchema } from './takeOff';
import { group, label, listOf, measure, problem, remark, shown } from './wording';

/** What a build is for. */
export const USES = ['road', 'track', 'hillclimb', 'drift', 'kart', 'trail', 'free'] as const;

/** How far the wheel goes from ride height each way, mm; nought counts only for a car whose wheels have no travel. */
export const travelSchema = group({ bump: measure('mm', 0, 500), droop: measure('mm', 0, 500) });

/** Toe (+ in) and camber (+ top out) at ride height, degrees. */
export const staticSchema = group({
  toe: measure('deg', -10, 10),
  camber: measure('deg', -20, 20),
});

/** Loaded radius and section width, mm; the size code where there is one. */
export const tyreSchema = group({
  radius: measure('mm', 50, 1000),
  width: measure('mm', 20, 800),
  code: remark(30).optional(),
});

/**
 * Rim: width between and diameter at the bead seats, and its offset: how far the hub's mounting face
 * is outboard of the rim's middle, mm.
 */
export const rimSchema = group({
  width: measure('mm', 40, 600),
  diameter: measure('mm', 80, 800),
  offset: measure('mm', -200, 200),
});
export type Rim = z.infer<typeof rimSchema>;

const SIDES = ['left', 'right'] as const;

/** On which side of a rack's bar its pinion lies. */
export const PINION_AT = ['above', 'below', 'ahead', 'behind'] as const;
export type PinionAt = (typeof PINION_AT)[number];

/** `travel` is the rack's own, each way from centre, `perTurn` of the pinion, mm. */
export const rackSchema = group({
  travel: measure('mm', 1, 300),
  perTurn: measure('mm', 1, 500).optional(),
  /** Length of the collars that stop it short of its own end, each side, mm. */
  stop: measure('mm', 0, 299).optional(),
  /** How its axis lies where that is not straight across: the left end higher, and further ahead, degrees. */
  rise: measure('deg', -60, 60).optional(),
  sweep: measure('deg', -60, 60).optional(),
  /** What the parts shelf said of it. */
  innerThread: remark().optional(),
  pinion: z.enum(['left', 'right', 'centre'], { error: problem }).optional(),
  pinionAt: z.enum(PINION_AT, { error: problem }).optional(),
  mounts: remark().optional(),
  spline: remark().optional(),
});
export type Rack = z.infer<typeof rackSchema>;

/**
 * A drop arm on the column's own shaft: two points of the shaft on the chassis, and how far it is turned each way,
 * degrees. The tie rods' inner joints ride on it; + is counter-clockwise seen from `upper`.
 */
export const dropArmSchema = group({
  lower: placeSchema,
  upper: placeSchema,
  lock: measure('deg', 1, 120),
  /** Turns of the handwheel for one of the arm where a box lies between them; one for one without. */
  ratio: measure('', 1, 40).optional(),
}).refine(
  ({ lower, upper }) =>
    Math.hypot(upper.ahead - lower.ahead, upper.left - lower.left, upper.up - lower.up) >= 1,
  { error: 'has both points of its shaft in one place: give two apart' },
);
export type DropArm = z.infer<typeof dropArmSchema>;

/**
 * A half-shaft of a driven axle: where its inner joint's centre is, and how far the outer joint's centre
 * is inboard of the wheel's, along the spindle, mm.
 */
export const halfShaftSchema = group({
  inner: pointSchema,
  outer: measure('mm', -200, 300),
  /** How far its inner and outer joints bend, degrees, where their makers say so. */
  innerLimit: measure('deg', 1, 90).optional(),
  outerLimit: measure('deg', 1, 90).optional(),
  /** How much shorter and longer than at ride height its joints let it be, mm. */
  plunge: group({ shorter: measure('mm', 0, 200), longer: measure('mm', 0, 200) }).optional(),
});
export type HalfShaft = z.infer<typeof halfShaftSchema>;

/** From a leaf's pad toward its fixed eye, as a part of their distance, to the middle of the pad's arc. */
export const leadSchema = measure('', 0.3, 1.5);

/** Directions of bolts by the joint they hold, of any length, as they lie in the layout as drawn. */
const boltsSchemaOf = (type: CornerType) => {
  const part = measure('', -1, 1);
  const direction = group({ ahead: part, out: part, up: part }).refine(
    ({ ahead, out, up }) => Math.hypot(ahead, out, up) > 0.5,
    { error: 'is no direction: give at least one part of it' },
  );
  const names = [
    ...type.joints.flatMap((joint) => ('member' in joint ? [joint.at] : [])),
    ...mayHave(type),
  ];
  return group(Object.fromEntries(names.map((name) => [name, direction.optional()])));
};

/** Figures that nobody has said yet, and those that were taken from a template. */
const marksSchema = (paths: readonly string[]) => {
  const list = listOf(z.enum(paths as [string, ...string[]], { error: problem }), 100, 'figures');
  return { sketch: list.optional(), template: list.optional() };
};

/** Both sides' points, freedoms and parts of one kind of corner. */
const cornerSchemaOf = (type: CornerType) => ({
  kind: z.literal(type.kind, { error: problem }),
  static: staticSchema,
  tyre: tyreSchema,
  rim: rimSchema.optional(),
  points: pointsSchemaOf(type),
  /** What can still be changed of each coordinate. */
  freedoms: freedomsSchemaOf(type).optional(),
  halfShaft: halfShaftSchema.optional(),
  /** Which way the bolts of rod ends lie that are not set as is usual. */
  bolts: boltsSchemaOf(type).optional(),
  /** The right side's own points where it is not the left's mirror image. */
  rightPoints: pointsSchemaOf(type).optional(),
  /** What of it carries its loads. */
  strength: strengthSchema.optional(),
  /** What its arms, links and rods are made of, between their joints. */
  made: madeSchema.optional(),
  /** Plates and other parts that are made for it. */
  pieces: listOf(pieceSchema, MOST_PIECES, 'pieces').optional(),
  ...marksSchema(axleFigures(type)),
  // Kinds without a rod have nothing to steer by and nothing that it is made of.
  ...(type.tieRod && {
    tieRod: tieRodSchema.optional(),
    rack: rackSchema.optional(),
    column: columnSchema.optional(),
  }),
  ...(steersBy(type, 'dropArm') && { dropArm: dropArmSchema.optional() }),
  // The drag link's points are those of the side that it goes to.
  ...(type.coupled && { dragLinkTo: z.enum(SIDES, { error: problem }).optional() }),
  ...(type.coupled?.spring && { leafLead: leadSchema.optional() }),
  ...(mayHave(type).length > 0 && { damper: damperSchema.optional() }),
});

/** What an axle's points and its damper ask of each other. */
function checkDamper(
  type: CornerType,
  { damper, points, rightPoints, freedoms }: AxleDesign,
  wrong: (path: string[], message: string) => void,
): void {
  if (damper)
    for (const { path, message } of damperMisfits(type, damper))
      wrong(['damper', ...path], message);
  const asked = damper ? damperPointsOf(type, damper) : [];
  for (const [key, side] of Object.entries({ points, rightPoints })) {
    if (!side) continue;
    for (const name of asked) if (!side[name]) wrong([key, name], 'is missing: the damper has it');
    for (const name of mayHave(type))
      if (side[name] && !asked.includes(name))
        wrong([key, name], 'is a damper’s: this one does not have it');
  }
  for (const name of mayHave(type))
    if (freedoms?.[name] && !asked.includes(name))
      wrong(['freedoms', name], 'is of a point that the damper does not have');
}

/** An axle: one kind of corner on both sides; steered where it has a rack or a drop arm. */
export interface AxleDesign {
  kind: string;
  static: z.infer<typeof staticSchema>;
  tyre: z.infer<typeof tyreSchema>;
  rim?: Rim | undefined;
  points: Points;
  freedoms?: Freedoms | undefined;
  halfShaft?: HalfShaft | undefined;
  bolts?: Record<PointName, Point | undefined> | undefined;
  tieRod?: TieRod | undefined;
  rightPoints?: Points | undefined;
  /** Figures that nobody has said yet, and those that are a template's. */
  sketch?: string[] | undefined;
  template?: string[] | undefined;
  rack?: Rack | undefined;
  dropArm?: DropArm | undefined;
  /** From the hands to the pinion or the drop arm's shaft. */
  column?: Column | undefined;
  damper?: Damper | undefined;
  strength?: Strength | undefined;
  made?: Made | undefined;
  pieces?: Piece[] | undefined;
  /** The side whose arm the drag link moves, where wheels are coupled: left unless it says otherwise. */
  dragLinkTo?: Side | undefined;
  /** From a leaf's pad toward its fixed eye, as a part of their distance, to the middle of the pad's arc. */
  leafLead?: number | undefined;
}

const KINDS = CORNER_TYPES.map(({ kind }) => kind).join(', ');
const [first, ...others] = CORNER_TYPES.map((type) =>
  group(cornerSchemaOf(type)).check(({ value, issues }) =>
    checkDamper(type, value as unknown as AxleDesign, (path, message) =>
      issues.push({ code: 'custom', input: value, path, message }),
    ),
  ),
);

export const axleSchema = z.discriminatedUnion('kind', [first, ...others], {
  error: (issue) => {
    const kind = (issue.input as { kind?: unknown } | undefined)?.kind;
    if (issue.code !== 'invalid_union') return problem(issue);
    return kind === undefined ? 'is missing' : `is ${shown(kind)}, should be ${KINDS}`;
  },
}) as unknown as z.ZodType<AxleDesign, AxleDesign>;

/** A check without its readings, and one as it stands in a file. */
export const checkSchema = checkSchemaOf(axleSchema);
export type Check = z.infer<typeof checkSchema>;
export const keptCheckSchema = group({
  ...checkSchema.shape,
  readings: listOf(readingSchema, MOST_READINGS, 'readings'),
});
export type KeptCheck = z.infer<typeof keptCheckSchema>;

const variantName = {
  id: z.string({ error: problem }).min(1, 'is empty').max(40, 'is too long'),
  name: label(),
  /** When it was frozen, ISO 8601; nothing of a frozen variant is changed. */
  frozen: z.iso.datetime({ error: 'is not a date and time' }).optional(),
};

/** A variant that is put aside: both axles as one way of building them has them. */
export const variantSchema = group({
  ...variantName,
  front: axleSchema,
  rear: axleSchema.optional(),
});
export type Variant = z.infer<typeof variantSchema>;

export const FORMAT = 'havrik-build';
export const VERSION = 1;

export const nameSchema = z
  .string({ error: problem })
  .trim()
  .min(1, 'is empty: give the build a name')
  .max(80, 'is too long: at most 80 letters');

/**
 * One build as a document: every length mm, every angle degrees. This accepts any set of numbers
 * that a person may be in the middle of typing; `soundBuildSchema` also asks for a layout that works.
 */
export const buildSchema = group({
  format: z.literal(FORMAT, { error: () => `should be "${FORMAT}": this is not a Havrik build` }),
  version: z.literal(VERSION, {
    error: (issue) =>
      issue.input === undefined
        ? 'is missing'
        : `is ${JSON.stringify(issue.input)?.slice(0, 40)}: this Havrik reads version ${VERSION}`,
  }),
  name: nameSchema,
  use: z.enum(USES, { error: problem }),
  /** Whose it is, what it is for: whatever is worth knowing of it later. */
  note: remark(1000).optional(),
  wheelbase: measure('mm', 300, 8000),
  travel: travelSchema,
  ...marksSchema(CAR_FIGURES),
  front: axleSchema,
  rear: axleSchema.optional(),
  /** Targets and limits; without one the use's own hold. */
  brief: briefSchema.optional(),
  takeOff: takeOffSchema.optional(),
  /** Bodies to keep clear of, and by how much. */
  room: roomSchema.optional(),
  /** What the tie rods have to carry, for first estimates of their strength. */
  rod: rodSchema.optional(),
  /** Cases of load at a wheel; common practice without them. */
  loads: listOf(loadCaseSchema, 20, 'cases').optional(),
  /** The workshop's own rules, and which sheets were taken. */
  shop: shopSchema.optional(),
  /** What the finished car is set to. */
  setups: setupsSchema.optional(),
  /** The work on it: its order, what was noted of each step, rules, knocks. */
  plan: planSchema.optional(),
  /** What was asked of the finders. */
  asked: askedSchema.optional(),
  /** What the variant in `front` and `rear` is called, and the variants that are put aside: layouts, in files. */
  layout: group(variantName).optional(),
  layouts: listOf(variantSchema, 40, 'variants').optional(),
  /** What was checked on the stands; in files alone: the database keeps it in rows of its own. */
  checks: listOf(keptCheckSchema, MOST_CHECKS, 'checks').optional(),
  /** What these were read with; in files alone, too. */
  instruments: listOf(instrumentSchema, MOST_INSTRUMENTS, 'instruments').optional(),
});

export type Build = z.infer<typeof buildSchema>;
export type Travel = Build['travel'];
export type AxleName = 'front' | 'rear';
export type Side = (typeof SIDES)[number];
