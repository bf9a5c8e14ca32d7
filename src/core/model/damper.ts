import { z } from 'zod';
import type { CornerType } from '../corners/cornerType';
import { DAMPER_POINTS, carriersOf, hasStrut, withDamper } from '../corners/damperTable';
import { group, label, listOf, measure, problem, remark } from './wording';

const id = z.string({ error: problem }).min(1, 'is empty').max(40, 'is too long');

/** Eye to eye fully closed and fully open, mm, and what of that is not to be used. */
export const damperUnitSchema = group({
  part: remark(80).optional(),
  closed: measure('mm', 20, 2000),
  open: measure('mm', 25, 2500),
  /** Its widest: spring, body or reservoir, whichever is wider. */
  outside: measure('mm', 10, 300),
  /** How far before closed it runs on its bump stop, mm. */
  stop: measure('mm', 0, 200).optional(),
  /** Spacers within it that keep it from opening fully, mm. */
  spacer: measure('mm', 0, 300).optional(),
  /** How far its eyes articulate, degrees either way. */
  eye: measure('deg', 0, 90).optional(),
  /** Its perch's thread: pitch, flats of the nut, and how far it may still be screwed either way from here, mm. */
  perch: group({
    pitch: measure('mm', 0.5, 10),
    flats: z.int({ error: problem }).min(1, 'is below 1').max(60, 'is over 60').optional(),
    tighter: measure('mm', 0, 500),
    looser: measure('mm', 0, 500),
  }).optional(),
});
export type DamperUnit = z.infer<typeof damperUnitSchema>;

/** A coil spring, lengths mm, rate N/mm; with a helper on top of it that closes first. */
export const springSchema = group({
  part: remark(80).optional(),
  rate: measure('N/mm', 0.5, 2000),
  free: measure('mm', 20, 1500),
  /** Its length with all coils touching. */
  bind: measure('mm', 5, 1200),
  outside: measure('mm', 10, 400).optional(),
  inside: measure('mm', 5, 390).optional(),
  helper: group({
    rate: measure('N/mm', 0.1, 500),
    free: measure('mm', 5, 600),
    bind: measure('mm', 1, 500),
  }).optional(),
  /**
   * How far it is pressed together, mm: on the damper with that fully open, at a place of its own at ride height as
   * drawn; below 0 it is loose by so much.
   */
  preload: measure('mm', -300, 600),
  /** What it stands on where it is not on the damper. */
  on: z.enum(['lowerArm', 'upperArm', 'arm', 'upright', 'beam'], { error: problem }).optional(),
});
export type Spring = z.infer<typeof springSchema>;

const bar = {
  /** Its diameter and wall where it is a tube, and the length that twists, mm. */
  outside: measure('mm', 3, 120),
  wall: measure('mm', 0.5, 40).optional(),
  length: measure('mm', 20, 4000),
};

const CARRIER = z.enum(['lowerArm', 'upperArm', 'arm', 'upright', 'beam'], { error: problem });

/** A height that the car stands at by name: so far the wheels are up from ride height as drawn, mm. */
export const rideHeightSchema = group({
  id,
  name: label(),
  travel: measure('mm', -400, 400),
  /** The spring's rate there, where air makes it another one, N/mm at the spring. */
  rate: measure('N/mm', 0.5, 2000).optional(),
});
export type RideHeight = z.infer<typeof rideHeightSchema>;

/** What is asked of damper and spring. */
export const damperWantedSchema = group({
  /** Travel of the wheel, mm; the build's own without it. */
  bump: measure('mm', 0, 500).optional(),
  droop: measure('mm', 0, 500).optional(),
  /** Shortening of the damper per mm of bump at ride height, and how much more of it at full bump, %. */
  ratio: measure('', 0.05, 3).optional(),
  rise: measure('%', -90, 300).optional(),
  /** How often the body bounces on this axle by itself, Hz. */
  frequency: measure('Hz', 0.3, 10).optional(),
  /** What of the stroke is kept at either end, mm. */
  keep: measure('mm', 0, 200).optional(),
  /** Mounts may also be where the damper touches arms, rod or half-shaft: they are drawn otherwise later. */
  mayTouch: z.boolean({ error: problem }).optional(),
});
export type DamperWanted = z.infer<typeof damperWantedSchema>;

/** Damper, spring and bar of an axle, both sides alike; where they are stands with the corner's points. */
export const damperSchema = group({
  by: z.enum(['direct', 'rocker', 'strut'], { error: problem }),
  /** What carries its outer end, or the rod to its rocker. */
  on: CARRIER.optional(),
  unit: damperUnitSchema.optional(),
  spring: springSchema.optional(),
  /** A bar that is twisted about an arm's pivots or the rocker's axis; how far it is wound up at ride height, degrees. */
  torsion: group({
    about: z.enum(['lowerArm', 'upperArm', 'arm', 'rocker'], { error: problem }),
    ...bar,
    wound: measure('deg', -90, 90),
  }).optional(),
  /** The bar from wheel to wheel and what its links hang on; its arms are where its points are. */
  bar: group({
    on: z.enum(['lowerArm', 'upperArm', 'arm', 'upright', 'beam', 'rocker'], { error: problem }),
    ...bar,
  }).optional(),
  /** A strap that ends the droop, of so many mm taut. */
  strap: group({ on: CARRIER, length: measure('mm', 10, 2000) }).optional(),
  /** What stands on the ground at one wheel, and what of it is not on the spring, kg. */
  weight: group({
    wheel: measure('kg', 5, 5000),
    unsprung: measure('kg', 0, 1000),
  }).optional(),
  heights: listOf(rideHeightSchema, 12, 'ride heights').optional(),
  wanted: damperWantedSchema.optional(),
}).check(({ value, issues }) => {
  const wrong = (path: (string | number)[], message: string) =>
    issues.push({ code: 'custom', input: value, path, message });
  const { by, on, unit, spring, torsion, bar: roll, weight } = value;
  if (by !== 'strut' && on === undefined) wrong(['on'], 'is missing: say what the damper rides on');
  if (by === 'strut' && on !== undefined) wrong(['on'], 'is not asked: a strut is of the upright');
  const rocker = by === 'rocker';
  if (torsion?.about === 'rocker' && !rocker)
    wrong(['torsion', 'about'], 'is a rocker: there is none');
  if (roll?.on === 'rocker' && !rocker) wrong(['bar', 'on'], 'is a rocker: there is none');
  if (unit && unit.open - (unit.spacer ?? 0) <= unit.closed + (unit.stop ?? 0))
    wrong(['unit', 'open'], `is ${unit.open} mm: spacers and stop leave it no stroke`);
  if (spring && spring.bind >= spring.free)
    wrong(['spring', 'bind'], `is ${spring.bind} mm: a spring is shorter bound than free`);
  if (spring?.helper && spring.helper.bind >= spring.helper.free)
    wrong(['spring', 'helper', 'bind'], 'is as long as it is free: it would give nothing');
  for (const [key, one] of [
    ['torsion', torsion],
    ['bar', roll],
  ] as const)
    if (one?.wall !== undefined && 2 * one.wall >= one.outside)
      wrong([key, 'wall'], `is ${one.wall} mm: more than half of ${one.outside} mm across`);
  if (weight && weight.unsprung >= weight.wheel)
    wrong(['weight', 'unsprung'], `is ${weight.unsprung} kg: more than stands on the wheel`);
});
export type Damper = z.infer<typeof damperSchema>;

/** What of a damper its kind of corner has not, in words; empty where all is well. */
export function damperMisfits(
  type: CornerType,
  damper: Damper,
): { path: string[]; message: string }[] {
  const carriers = carriersOf(type);
  const found: { path: string[]; message: string }[] = [];
  const asked = (path: string[], body: string | undefined) => {
    if (body === undefined || body === 'rocker' || carriers.some((one) => one === body)) return;
    found.push({ path, message: `is ${body}: this kind of corner has none that carries a damper` });
  };
  if (carriers.length === 0)
    return [{ path: [], message: 'is on wheels that have no travel: there is nothing to damp' }];
  if (damper.by === 'strut' && !hasStrut(type))
    found.push({ path: ['by'], message: 'is a strut: this kind of corner has none' });
  asked(['on'], damper.on);
  asked(['spring', 'on'], damper.spring?.on);
  asked(['torsion', 'about'], damper.torsion?.about);
  asked(['bar', 'on'], damper.bar?.on);
  asked(['strap', 'on'], damper.strap?.on);
  return found;
}

/** The points that a damper asks for on a kind of corner. */
export const damperPointsOf = (type: CornerType, damper: Damper): string[] => {
  const { points } = withDamper(type, damper);
  return DAMPER_POINTS.filter((name) => name in points);
};
