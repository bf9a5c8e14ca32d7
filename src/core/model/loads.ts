import { z } from 'zod';
import { GRADES } from './rod';
import type { Grade } from './rod';
import { group, label, listOf, measure, problem, remark } from './wording';

const id = z.string({ error: problem }).min(1, 'is empty').max(40, 'is too long');

/**
 * A case of load at one wheel: forces of the road on the tyre in multiples of what stands on the wheel, + ahead, + outward,
 * + up; whether what goes along the car works at the road (brakes at the wheel) or at the hub's height (driven, or
 * braked inboard, through a half-shaft; a stone in front of the tyre).
 */
export const loadCaseSchema = group({
  id,
  name: label(),
  ahead: measure('', -10, 10),
  out: measure('', -10, 10),
  up: measure('', 0, 20),
  at: z.enum(['road', 'hub'], { error: problem }),
  /** Why so much. */
  reason: remark(200),
});
export type LoadCase = z.infer<typeof loadCaseSchema>;

/** Cases to start from: common practice, from memory; every one is to be made one's own. */
export const LOAD_CASES: LoadCase[] = [
  {
    ...{ id: 'brake', name: 'Braking hard', ahead: -1.8, out: 0, up: 1.6, at: 'road' },
    reason: 'Weight goes to the front and the tyre grips 1.1 of it.',
  },
  {
    ...{ id: 'corner', name: 'Cornering, outside wheel', ahead: 0, out: -1.9, up: 1.7, at: 'road' },
    reason: 'Nearly all of the axle stands on the outside wheel, at 1.1 of grip.',
  },
  {
    ...{ id: 'both', name: 'Braking into a corner', ahead: -1.2, out: -1.2, up: 1.8, at: 'road' },
    reason: 'Grip is shared both ways.',
  },
  {
    ...{ id: 'bump', name: 'Bump', ahead: 0, out: 0, up: 3, at: 'road' },
    reason: 'Three times what stands on the wheel: an ordinary bad road.',
  },
  {
    ...{ id: 'hole', name: 'Pot hole', ahead: -2, out: 0, up: 3, at: 'hub' },
    reason: 'The edge is met ahead of the tyre, near the height of the hub.',
  },
  {
    ...{ id: 'kerb', name: 'Kerb, from the side', ahead: 0, out: -2.5, up: 1.5, at: 'road' },
    reason: 'A slide ends against a kerb.',
  },
];

/** Modulus of elasticity, N/mm² (Shigley, *Mechanical Engineering Design*, table A-5, from memory). */
export const MODULUS = { steel: 207_000, aluminium: 71_700, titanium: 114_000 } as const;
export type Material = keyof typeof MODULUS;

const material = {
  material: z.enum(['steel', 'aluminium', 'titanium'], { error: problem }),
  /** Yield strength as its seller states it, N/mm², and who that is. */
  yield: measure('N/mm²', 20, 2500),
  source: remark(120).optional(),
};

/** What a link, a rod or an arm's tube is made of; a wall of 0 is solid. mm. */
export const memberMadeSchema = group({
  outside: measure('mm', 3, 200),
  wall: measure('mm', 0, 100),
  ...material,
}).refine(({ outside, wall }) => 2 * wall <= outside, {
  error: 'has a wall of more than half its diameter',
});
export type MemberMade = z.infer<typeof memberMadeSchema>;

/** What a joint is held by. */
export const jointMadeSchema = group({
  /** Rated load of a rod end, spherical bearing or ball joint as its seller states it, N, and who that is. */
  rated: measure('N', 100, 2_000_000).optional(),
  source: remark(120).optional(),
  /** Its bolt, in one shear plane or two, with what keeps it off its bracket in single shear, mm. */
  bolt: group({
    diameter: measure('mm', 3, 40),
    grade: z.enum(Object.keys(GRADES) as [Grade, ...Grade[]], { error: problem }),
    planes: z.union([z.literal(1), z.literal(2)], { error: 'is neither 1 nor 2' }),
    spacer: measure('mm', 0, 100),
  }).optional(),
  /** A bracket that is made to give first: what it gives at, N, estimated or tried. */
  gives: measure('N', 100, 1_000_000).optional(),
});
export type JointMade = z.infer<typeof jointMadeSchema>;

/** A part that was loaded to see whether it holds, or until it broke. */
export const proofSchema = group({
  id,
  /** The estimate it belongs to. */
  of: z.string({ error: problem }).min(1, 'is empty').max(80, 'is too long'),
  what: label(80),
  newtons: measure('N', 1, 2_000_000),
  result: z.enum(['held', 'bent', 'broke'], { error: problem }),
  on: z.iso.date({ error: 'is no date' }).optional(),
  note: remark(300).optional(),
});
export type Proof = z.infer<typeof proofSchema>;

/** What of an axle carries its loads, as far as somebody said, and how much reserve is wanted. */
export const strengthSchema = group({
  /** How many times the force of a case a part should stand. */
  reserve: measure('', 1, 20),
  /** By their two ends, `lowerFrontInner lowerOuter`. */
  members: z.record(z.string().max(80), memberMadeSchema),
  joints: z.record(z.string().max(40), jointMadeSchema),
  /** The part that is meant to give before all others. */
  first: z.string({ error: problem }).max(80, 'is too long').optional(),
  proofs: listOf(proofSchema, 60, 'tests').optional(),
});
export type Strength = z.infer<typeof strengthSchema>;

/** Nothing said: a reserve of 2 (common practice, for a first estimate). */
export const startingStrength = (): Strength => ({ reserve: 2, members: {}, joints: {} });
