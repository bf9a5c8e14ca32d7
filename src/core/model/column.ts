import { z } from 'zod';
import { placeFreedomsSchema, placeSchema } from './place';
import { coordinate, group, label, listOf, measure, problem, remark } from './wording';

/** How a shaft is held in a joint: by a spline, a double-D, a plain bore with a bolt or a key, or welded. */
export const FITS = ['spline', 'double D', 'plain', 'weld'] as const;

/** One end of a joint, box or pinion: how it grips, across what diameter, mm, with how many teeth, and how deep the shaft goes in. */
export const fitSchema = group({
  by: z.enum(FITS, { error: problem }),
  diameter: measure('mm', 5, 80),
  teeth: z.int({ error: problem }).min(6, 'is below 6').max(120, 'is over 120').optional(),
  depth: measure('mm', 0, 200).optional(),
});
export type Fit = z.infer<typeof fitSchema>;

/** Degrees of turn that a fit, joint or box gives away, and whether somebody measured it. */
export const playSchema = group({ degrees: measure('deg', 0, 20), measured: z.boolean() });

const onLine = {
  /** What it is called on the shelf. */
  part: remark(80).optional(),
  above: fitSchema.optional(),
  below: fitSchema.optional(),
  /** How much further in a shaft goes than it did when this was measured, mm: its clamp was not fully on. */
  unseated: measure('mm', 0, 100).optional(),
  play: playSchema.optional(),
  /** Diameter that it sweeps as it turns, mm; from its centre to either end, mm. */
  outside: measure('mm', 10, 300),
  length: measure('mm', 5, 300),
};

/**
 * What joins two shafts of a column, from the handwheel down. A joint has its centre `at`; the last one has none: it
 * lies on the pinion's line, `reach` from its tip. A box (chain, gears, bevels, quickener) takes the shaft above in
 * `at` and gives the one below from `out`, which the last one has not either.
 */
export const columnJointSchema = z.discriminatedUnion(
  'kind',
  [
    group({
      kind: z.enum(['single', 'double'], { error: problem }),
      at: placeSchema.optional(),
      /** How far it may be bent, degrees, where its maker says so. */
      limit: measure('deg', 1, 90).optional(),
      ...onLine,
      freedoms: placeFreedomsSchema.optional(),
    }),
    group({
      kind: z.literal('box'),
      at: placeSchema,
      out: placeSchema.optional(),
      /** Turns below for one above; and whether it turns round. */
      ratio: measure(':1', 0.1, 10),
      reverses: z.boolean().optional(),
      ...onLine,
      freedoms: placeFreedomsSchema.optional(),
    }),
  ],
  {
    error: (issue) => (issue.code === 'invalid_union' ? 'is no joint and no box' : problem(issue)),
  },
);
export type ColumnJoint = z.infer<typeof columnJointSchema>;
export type ColumnBox = Extract<ColumnJoint, { kind: 'box' }>;
export const isBox = (joint: ColumnJoint): joint is ColumnBox => joint.kind === 'box';

/** A shaft above a joint: diameter, how it is clocked, whether it telescopes; its bearings are above its slip. */
export const columnShaftSchema = group({
  outside: measure('mm', 5, 80),
  wall: measure('mm', 0.5, 20).optional(),
  /** Its own ends. */
  above: fitSchema.optional(),
  below: fitSchema.optional(),
  /** Its lower yoke from in line with its upper one, degrees, right-handed about the shaft downward. */
  clock: measure('deg', -360, 360).optional(),
  /** It telescopes: how much of it is in, and the least that has to stay in, mm. */
  slip: group({ engaged: measure('mm', 0, 400), least: measure('mm', 0, 400) }).optional(),
  /** Play of its own splines. */
  play: playSchema.optional(),
  /** It gives way lengthwise in a crash. */
  collapses: z.boolean().optional(),
  /** A motor that helps, sitting on it: from the shaft's upper end to its middle, length, diameter, mm; what holds its torque. */
  assist: group({
    along: measure('mm', 0, 2000),
    length: measure('mm', 20, 600),
    outside: measure('mm', 20, 300),
    bracket: remark(120).optional(),
  }).optional(),
});
export type ColumnShaft = z.infer<typeof columnShaftSchema>;

export const SUPPORT_KINDS = ['plain', 'spherical', 'rod end'] as const;

/** What holds a shaft on its line: a bearing so far down it from its upper end, mm, with a collar on either side or none. */
export const supportSchema = group({
  id: z.string({ error: problem }).min(1, 'is empty').max(40, 'is too long'),
  name: label(),
  /** From the handwheel's, 1. */
  shaft: z.int({ error: problem }).min(1, 'is below 1').max(6, 'is over 6'),
  along: measure('mm', 0, 3000),
  kind: z.enum(SUPPORT_KINDS, { error: problem }),
  collarAbove: z.boolean(),
  collarBelow: z.boolean(),
  /** Its collars: diameter and thickness, mm; the widths of its housing and of the ring within that they stand against. */
  collar: group({ outside: measure('mm', 5, 150), thick: measure('mm', 1, 60) }).optional(),
  housing: group({ width: measure('mm', 2, 80), ring: measure('mm', 2, 120) }).optional(),
  /** How far its housing is off square to the shaft, degrees. */
  leans: measure('deg', 0, 45).optional(),
  /** Radial play, mm. */
  play: measure('mm', 0, 5).optional(),
  freedoms: placeFreedomsSchema.optional(),
});
export type ColumnSupport = z.infer<typeof supportSchema>;

/** The handwheel: its middle, diameter and rim, how much is cut off its bottom, and its boss with what lies under it, mm. */
export const handwheelSchema = group({
  centre: placeSchema,
  diameter: measure('mm', 150, 600),
  rim: measure('mm', 10, 60),
  flat: measure('mm', 0, 200).optional(),
  /** From its middle down the shaft to where the shaft begins: boss, quick release. */
  boss: measure('mm', 0, 400).optional(),
  fit: fitSchema.optional(),
  freedoms: placeFreedomsSchema.optional(),
});

const most = measure('deg', -180, 180);
/** The pinion's shaft: where its line meets the rack's bar, the tip of its spline, and the last joint's centre beyond the tip, mm. */
export const pinionSchema = group({
  foot: placeSchema,
  tip: placeSchema,
  reach: measure('mm', -200, 400),
  /** How far the last joint may be put on, mm. */
  reachFreedom: group({ min: measure('mm', -200, 400), max: measure('mm', -200, 400) }).optional(),
  /** How far the rack may be turned about its own axis from here, degrees, + the pinion ahead over the top. */
  turn: group({ min: most, max: most }).optional(),
  fit: fitSchema.optional(),
});

/** A plate that the column goes through: a place of it, how it leans and turns, degrees, its thickness and its hole, mm. */
export const firewallSchema = group({
  at: placeSchema,
  /** Its top leans back by so much; its left edge stands so much further ahead. */
  lean: measure('deg', -80, 80),
  turn: measure('deg', -80, 80),
  thickness: measure('mm', 0.5, 100),
  /** The hole's diameter; without it the least that lets through what has to pass. */
  hole: measure('mm', 5, 300).optional(),
  /** Where the hole may be, mm from `at`: to the left and up the plate. */
  room: group({ left: coordinate, right: coordinate, up: coordinate, down: coordinate }).optional(),
  /** The plate that closes it: width, height, bolts in its corners so far from its edges, mm. */
  plate: group({
    width: measure('mm', 20, 600),
    height: measure('mm', 20, 600),
    inset: measure('mm', 3, 100),
    bolt: measure('mm', 2, 20),
  }).optional(),
});

/** How far the handwheel is tilted and drawn out from here; about a place on its shaft, mm down it, or the first joint. */
export const adjustSchema = group({
  up: measure('deg', 0, 60),
  down: measure('deg', 0, 60),
  out: measure('mm', 0, 300),
  in: measure('mm', 0, 300),
  pivot: measure('mm', 0, 2000).optional(),
});

/** A place seen from the side, mm; it counts when both of its figures are there. */
const inSide = group({ ahead: coordinate.optional(), up: coordinate.optional() });

/** Who drives: places of his body, mm, and the hoops that stand over him. */
export const driverSchema = group({
  /** Which is moved to fit: the seat, or handwheel and pedals with the seat fixed. */
  moves: z.enum(['seat', 'wheel and pedals'], { error: problem }),
  /** The middle of the seat, left of the car's; without it it is the handwheel's. */
  left: coordinate.optional(),
  eye: inSide.optional(),
  shoulder: inSide.optional(),
  /** Shoulder to wrist. */
  arm: measure('mm', 200, 1000).optional(),
  hip: inSide.optional(),
  knee: inSide.optional(),
  heel: inSide.optional(),
  toe: inSide.optional(),
  /** Between the middles of hips, knees and heels, and across a leg. */
  kneesApart: measure('mm', 0, 1000).optional(),
  leg: measure('mm', 50, 300).optional(),
  /** From the rim to the outside of the knuckles. */
  knuckles: measure('mm', 0, 120).optional(),
  helmet: inSide.optional(),
  /** The tops of both hoops. */
  frontHoop: inSide.optional(),
  mainHoop: inSide.optional(),
  /** What has to be seen. */
  sight: inSide.optional(),
  /** The pedals' box: its middle and size. */
  pedals: group({
    middle: placeSchema,
    size: group({
      ahead: measure('mm', 1, 2000),
      left: measure('mm', 1, 2000),
      up: measure('mm', 1, 2000),
    }),
  }).optional(),
});
export type Driver = z.infer<typeof driverSchema>;

/** What is asked of a column: a plain joint's angle at the most and in comfort, degrees; ripple, %; joints. */
export const columnWantedSchema = group({
  sharpest: measure('deg', 1, 75),
  comfort: measure('deg', 1, 75),
  ripple: measure('%', 0, 50),
  joints: z.int({ error: problem }).min(1, 'is below 1').max(4, 'is over 4'),
  /** Between what turns and bodies, mm. */
  clear: measure('mm', 0, 200),
});
export type ColumnWanted = z.infer<typeof columnWantedSchema>;

/** Common practice, from memory: 35° for a plain joint at the most, 25° in comfort; the rest is taste. */
export const COLUMN_WANTED: ColumnWanted = {
  sharpest: 35,
  comfort: 25,
  ripple: 2,
  joints: 3,
  clear: 10,
};

const MOST_JOINTS = 4;
const MOST_LINKS = 6;

/** A column from the hands to the pinion. A shaft stands above each joint; the pinion's own is the rack's. */
export const columnSchema = group({
  wheel: handwheelSchema,
  joints: listOf(columnJointSchema, MOST_LINKS, 'joints and boxes'),
  shafts: listOf(columnShaftSchema, MOST_LINKS, 'shafts'),
  supports: listOf(supportSchema, 12, 'supports'),
  pinion: pinionSchema,
  firewall: firewallSchema.optional(),
  adjust: adjustSchema.optional(),
  driver: driverSchema.optional(),
  wanted: columnWantedSchema.optional(),
  /** Where the first joint's upper yoke stands with the wheels straight ahead, degrees from its joint's plane. */
  start: measure('deg', -360, 360).optional(),
}).check(({ value, issues }) => {
  const wrong = (path: (string | number)[], message: string) =>
    issues.push({ code: 'custom', input: value, path, message });
  const { joints, shafts, supports } = value;
  if (joints.length === 0) wrong(['joints'], 'are none: a column has at least one');
  if (shafts.length !== joints.length)
    wrong(['shafts'], `are ${shafts.length} for ${joints.length} joints: one stands above each`);
  if (joints.filter((joint) => !isBox(joint)).length > MOST_JOINTS)
    wrong(['joints'], `are more than ${MOST_JOINTS} universal joints: remove one first`);
  joints.forEach((joint, i) => {
    const last = i === joints.length - 1;
    const key = isBox(joint) ? 'out' : 'at';
    const has = joint[key as 'at'] !== undefined;
    if (last && has)
      wrong(['joints', i, key], 'is not asked: the last one lies on the pinion’s line');
    if (!last && !has) wrong(['joints', i, key], 'is missing');
  });
  supports.forEach(({ shaft }, i) => {
    if (shaft > shafts.length)
      wrong(['supports', i, 'shaft'], `is ${shaft}: there are ${shafts.length} shafts`);
  });
  const { foot, tip } = value.pinion;
  const long = Math.hypot(tip.ahead - foot.ahead, tip.left - foot.left, tip.up - foot.up);
  if (long < 1) wrong(['pinion', 'tip'], 'is where its foot is: give two places apart');
  else if (value.pinion.reach < 1 - long)
    wrong(['pinion', 'reach'], `is ${value.pinion.reach}: the last joint would lie past the rack`);
});
export type Column = z.infer<typeof columnSchema>;
