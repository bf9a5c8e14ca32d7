import { z } from 'zod';
import type { Member } from '../corners/cornerType';
import { MODULUS } from './loads';
import type { Material } from './loads';
import { THREAD_NAMES } from './threads';
import type { ThreadName } from './threads';
import { group, measure, problem, remark } from './wording';

/** What a joint can be, and what each is good for (common practice). */
export const SCHOOLS = {
  rubber: {
    name: 'rubber bush',
    says: 'Quiet and needs no care; gives under load, so that toe and camber wander a little. Road.',
  },
  polyurethane: {
    name: 'polyurethane bush',
    says: 'Firmer than rubber, lasts; has to turn freely on its sleeve and wants grease. Road, track days.',
  },
  'open spherical': {
    name: 'open spherical joint',
    says: 'No give and adjustable; harsh, wears with dirt and water: looked after often. Track.',
  },
  'sealed spherical': {
    name: 'sealed spherical joint',
    says: 'No give, dirt stays out; articulates a little less for its boots. Road and track.',
  },
  'ball joint': {
    name: 'ball joint',
    says: 'A sealed stud in a socket, pressed or bolted in; made for steering uprights. Road and track.',
  },
} as const;
export type School = keyof typeof SCHOOLS;
export const SCHOOL_NAMES = Object.keys(SCHOOLS) as [School, ...School[]];

const school = z.enum(SCHOOL_NAMES, { error: problem });
export const HANDS = ['right', 'left'] as const;
/** What a thread is cut in: how much of it has to carry. */
export const TAPPED_IN = ['steel', 'aluminium'] as const;

/** The bolt through a joint, and the bracket that holds that: two ears with so much between them, or one. mm. */
export const heldSchema = group({
  bolt: measure('mm', 3, 40),
  inside: measure('mm', 0, 200),
  ear: measure('mm', 0.5, 40),
  ears: z.union([z.literal(1), z.literal(2)], { error: 'is neither 1 nor 2' }),
  /** The bracket as it is cut: from the bolt to what it is welded to; both ears folded from one plate, round so much inside. */
  bracket: group({
    reach: measure('mm', 5, 300),
    folded: z.boolean({ error: problem }),
    radius: measure('mm', 0, 60),
    material: z.enum(Object.keys(MODULUS) as [Material, ...Material[]], { error: problem }),
  }).optional(),
});
export type Held = z.infer<typeof heldSchema>;

/** A rod end screwed into an insert of a tube, or into a bar. Lengths along its shank, mm. */
export const rodEndMade = group({
  as: z.literal('rodEnd'),
  thread: z.enum(THREAD_NAMES, { error: problem }),
  hand: z.enum(HANDS, { error: problem }),
  school,
  /** Ball's centre to the end of the shank, and how much of the shank is threaded. */
  body: measure('mm', 10, 400),
  shank: measure('mm', 5, 300),
  nut: measure('mm', 0, 60),
  /** How much of the thread is in as drawn. */
  engaged: measure('mm', 0, 300),
  /** How far the insert stands out of its tube; 0 in a bar. */
  bung: measure('mm', 0, 100),
  /** How deep it is tapped from the insert's or bar's face. */
  depth: measure('mm', 5, 300),
  tappedIn: z.enum(TAPPED_IN, { error: problem }),
  /** Its ball: bore, and width over it along the bolt. */
  bore: measure('mm', 3, 60),
  ball: measure('mm', 2, 80),
  held: heldSchema.optional(),
  part: remark(80).optional(),
});
export type RodEndMade = z.infer<typeof rodEndMade>;

/** A housing that the tube is coped to: a bush's, a spherical joint's, a ball joint's sleeve. */
export const housingMade = group({
  as: z.literal('housing'),
  school,
  outside: measure('mm', 8, 150),
  length: measure('mm', 5, 200),
  /** What goes into it is so wide across. */
  bore: measure('mm', 3, 140),
  held: heldSchema.optional(),
  part: remark(80).optional(),
}).refine(({ outside, bore }) => bore < outside, { error: 'has a bore as wide as it is outside' });
export type HousingMade = z.infer<typeof housingMade>;

/** Cut square and welded to a plate, a tab or a machined end: so far short of the joint's centre. */
export const plateMade = group({ as: z.literal('plate'), back: measure('mm', 0, 300) });

export const endMadeSchema = z.discriminatedUnion('as', [rodEndMade, housingMade, plateMade], {
  error: 'is neither a rod end, a housing nor a plate',
});
export type EndMade = z.infer<typeof endMadeSchema>;
export const END_KINDS = ['rodEnd', 'housing', 'plate'] as const;

export const FORMS = ['tube', 'square', 'bar', 'plate'] as const;
export type Form = (typeof FORMS)[number];

/** Whether it is hollow and cut to fit at its ends. */
export const isTube = (form: Form): boolean => form === 'tube' || form === 'square';

/** What a tube, a link or a rod is made of between two joints. */
export const memberBuildSchema = group({
  /** A round or square tube with something at its ends, a bar that is tapped itself, a leg of a plate arm. */
  form: z.enum(FORMS, { error: problem }),
  /** Across a tube or bar, across the flats of a square one, how wide a plate's leg is. */
  outside: measure('mm', 5, 150),
  /** 0 in a bar; how thick a plate is. */
  wall: measure('mm', 0, 40),
  material: z.enum(Object.keys(MODULUS) as [Material, ...Material[]], { error: problem }),
  from: endMadeSchema,
  to: endMadeSchema,
  /** Left open for the weld at every end that is coped or butted, mm. */
  gap: measure('mm', 0, 5),
  /** A tube's one bend: its corner so far along the line from joint to joint, so far beside it, round so much in its middle. */
  bend: group({
    along: measure('mm', 1, 3000),
    beside: measure('mm', -400, 400),
    radius: measure('mm', 5, 500),
  }).optional(),
  /** By how much shorter and longer than drawn it is to be set, mm. */
  wanted: group({ shorter: measure('mm', 0, 200), longer: measure('mm', 0, 200) }).optional(),
}).check(({ value, issues }) => {
  const { form, outside, wall } = value;
  const wrong = (path: string[], message: string) =>
    issues.push({ code: 'custom', input: value, path, message });
  if (isTube(form) && wall < 0.5) wrong(['wall'], `is ${wall} mm: a tube has at least 0.5 mm`);
  if (form === 'plate' && wall < 1) wrong(['wall'], `is ${wall} mm: a plate has at least 1 mm`);
  if (value.bend && !isTube(form)) wrong(['bend'], 'is of a tube: bars and plates go straight');
  if (isTube(form) && 2 * wall >= outside)
    wrong(['wall'], `is ${wall} mm: more than half of ${outside} mm across`);
  if (form === 'bar' && wall !== 0) wrong(['wall'], 'is of a tube: a bar is solid');
  for (const end of ['from', 'to'] as const) {
    if (form === 'plate' && value[end].as === 'rodEnd')
      wrong([end, 'as'], 'is screwed in: a plate has no thread in its edge');
    if (form === 'bar' && value[end].as === 'rodEnd' && value[end].bung !== 0)
      wrong([end, 'bung'], 'is of a tube: a bar is tapped itself');
  }
});
export type MemberBuild = z.infer<typeof memberBuildSchema>;

/** What the members of an axle are made of, by their two ends: `lowerFrontInner lowerOuter`. */
export const madeSchema = z.record(z.string().max(80), memberBuildSchema);
export type Made = z.infer<typeof madeSchema>;

export const memberId = ({ from, to }: Pick<Member, 'from' | 'to'>): string => `${from} ${to}`;

const rodEnd = (thread: ThreadName, hand: 'left' | 'right', bung: number): RodEndMade => ({
  ...{ as: 'rodEnd', thread, hand, school: 'open spherical', body: 54, shank: 33, nut: 7 },
  ...{ engaged: 22, bung, depth: 34, tappedIn: 'steel' },
  ...{ bore: 12, ball: 16 },
});
const PIVOT: HousingMade = {
  ...{ as: 'housing', school: 'polyurethane', outside: 38, length: 40, bore: 32 },
};
const SLEEVE: HousingMade = {
  ...{ as: 'housing', school: 'ball joint', outside: 45, length: 30, bore: 38 },
};

/**
 * What a member may be made of until somebody says: an arm's tube between a bush and a sleeve, a link or a rod between
 * two rod ends of either hand. Common sizes of no particular maker.
 * @param tube what is known of it from elsewhere
 */
export function startingBuild(
  { role, diameter }: Pick<Member, 'role' | 'diameter'>,
  tube?: { outside: number; wall: number },
): MemberBuild {
  const { outside, wall } = tube ?? { outside: diameter, wall: 2 };
  const common = { form: 'tube', outside, wall: Math.max(0.5, wall), material: 'steel' } as const;
  if (role === 'arm') return { ...common, from: { ...PIVOT }, to: { ...SLEEVE }, gap: 1 };
  return {
    ...common,
    from: rodEnd('M12x1.75', 'right', 8),
    to: rodEnd('M12x1.75', 'left', 8),
    gap: 0,
  };
}

/** What another kind of end is begun with. */
export function startingEnd(
  as: EndMade['as'],
  { form }: Pick<MemberBuild, 'form'>,
  end: 'from' | 'to',
): EndMade {
  if (as === 'rodEnd')
    return rodEnd('M12x1.75', end === 'from' ? 'right' : 'left', form === 'bar' ? 0 : 8);
  if (as === 'housing') return { ...PIVOT };
  return { as: 'plate', back: 10 };
}
