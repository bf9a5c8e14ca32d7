import { z } from 'zod';
import { typeOf } from '../corners/kinds';
import type { Build } from './build';
import { group, measure, ordered, problem } from './wording';

/** Rules of thumb a builder may start the tie rod from. */
export const RULES = ['lines', 'parallel', 'shim'] as const;
export type Rule = (typeof RULES)[number];

const between = (unit: 'deg' | '%' | ':1', min: number, max: number) =>
  ordered(z.tuple([measure(unit, min, max), measure(unit, min, max)], { error: problem }));

/** What a build is judged by. Pairs are [least, most]. */
export const targetsSchema = group({
  /** Largest toe change from ride height, degrees: very good, accepted, reworked past this. */
  bumpSteer: ordered(
    z.tuple([measure('deg', 0.01, 20), measure('deg', 0.01, 20), measure('deg', 0.01, 20)], {
      error: problem,
    }),
  ),
  /** Camber change per 25 mm of bump, degrees, − top in. */
  camberGain: between('deg', -10, 10),
  /** Ackermann percentage: 100 is true, 0 parallel, below 0 the outer wheel turns more. */
  ackermann: between('%', -200, 300),
  caster: between('deg', -30, 45),
  kpi: between('deg', -10, 45),
  /** Handwheel degrees per degree of road wheel. */
  ratio: between(':1', 0.5, 40),
  /** Steer of the inner wheel at full lock, degrees. */
  lock: measure('deg', 1, 75),
});
export type Targets = z.infer<typeof targetsSchema>;
export type TargetName = keyof Targets;

/** Where a rule measures the width over the tyres. It matters once there is camber. */
export const WIDTH_AT = ['ground', 'hub', 'anywhere'] as const;
export type WidthAt = (typeof WIDTH_AT)[number];

export const limitsSchema = group({
  /** Over the outsides of the tyres, mm. */
  width: measure('mm', 300, 4000).optional(),
  /** Where the rule measures that: anywhere on the tyres where nothing is said. */
  widthAt: z.enum(WIDTH_AT, { error: problem }).optional(),
  /** Of the body ahead of the front axle's line, mm. */
  nose: measure('mm', 0, 3000).optional(),
  /** Of the chassis' own mark (rail, floor plate) above the ground, mm. */
  rideHeight: measure('mm', 0, 1500).optional(),
  /** Centre of mass above the ground, mm, and the front's part of the braking, %: for anti-dive. */
  massHeight: measure('mm', 50, 2000).optional(),
  brakeFront: measure('%', 0, 100).optional(),
  /** Diameter between kerbs, m. */
  turningCircle: measure('m', 1, 60).optional(),
});

export const briefSchema = group({
  targets: targetsSchema,
  rule: z.enum(RULES, { error: problem }),
  limits: limitsSchema,
});
export type Brief = z.infer<typeof briefSchema>;

type Use = Build['use'];

const CAR: Targets = {
  bumpSteer: [0.25, 0.5, 1],
  camberGain: [-1.2, -0.6],
  ackermann: [60, 100],
  caster: [3, 6],
  kpi: [8, 14],
  ratio: [13, 17],
  lock: 35,
};

/** A rigid kart's: indoor and racing karts lean their kingpins back two or three times as far as sprung ones. */
const RIGID_KART: Targets = {
  ...CAR,
  ackermann: [80, 120],
  caster: [12, 21],
  kpi: [10, 14],
  ratio: [0.8, 2],
  lock: 30,
};

/** Starting targets by use: common practice, from memory, every one to be changed. */
const TARGETS: Record<Use, Targets> = {
  road: CAR,
  track: {
    ...CAR,
    camberGain: [-1.2, -0.7],
    ackermann: [20, 80],
    caster: [5, 8],
    ratio: [7, 10],
    lock: 22,
  },
  hillclimb: {
    ...CAR,
    camberGain: [-1.2, -0.7],
    ackermann: [50, 100],
    caster: [5, 8],
    ratio: [8, 12],
    lock: 30,
  },
  drift: {
    ...CAR,
    camberGain: [-0.3, 0.1],
    ackermann: [-20, 60],
    caster: [6, 9],
    ratio: [9, 13],
    lock: 55,
  },
  kart: {
    ...CAR,
    camberGain: [-0.1, 0.1],
    ackermann: [80, 120],
    caster: [6, 8],
    kpi: [10, 14],
    ratio: [0.8, 2],
    lock: 30,
  },
  trail: {
    ...CAR,
    bumpSteer: [1, 2, 3],
    camberGain: [0, 0.8],
    ackermann: [50, 100],
    ratio: [14, 20],
    lock: 38,
  },
  free: CAR,
};

/** What of a build says where its targets start: its use, and the kind of its front corners. */
export type Start = Pick<Build, 'use'> & { front?: { kind: string } };

const targetsFor = ({ use, front }: Start): Targets =>
  use === 'kart' && front && typeOf(front).noTravel ? RIGID_KART : TARGETS[use];

export const startingTargets = (start: Start): Targets => structuredClone(targetsFor(start));

/** The brief of a build, or what it starts with: to be read, not changed. */
export function briefOf(build: Start & Pick<Build, 'brief'>): Brief {
  if (build.brief) return build.brief;
  const key = `${build.use} ${TARGETS[build.use] === targetsFor(build) ? '' : 'rigid'}`;
  let known = STARTS.get(key);
  if (!known) STARTS.set(key, (known = startingBrief(build)));
  return known;
}

const STARTS = new Map<string, Brief>();

export const startingBrief = (start: Start): Brief => ({
  targets: startingTargets(start),
  rule: start.use === 'trail' ? 'shim' : 'lines',
  limits: {},
});

/** A brief for another use or kind: what still is as the old one started it changes, what was set by hand stays. */
export function briefForStart(brief: Brief, from: Start, to: Start): Brief {
  const [old, next] = [startingBrief(from), startingBrief(to)];
  const kept = Object.entries(brief.targets).filter(
    ([name, value]) => !same(value, old.targets[name as TargetName]),
  );
  return {
    ...brief,
    rule: brief.rule === old.rule ? next.rule : brief.rule,
    targets: { ...next.targets, ...Object.fromEntries(kept) },
  };
}

/** Whether a target still is what a build starts with. */
export const isStarting = (brief: Brief, start: Start, name: TargetName): boolean =>
  same(brief.targets[name], targetsFor(start)[name]);

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
