import type { Build } from '../model/build';
import { SCHOOLS } from '../model/plan';
import type { School } from '../model/plan';
import type { Step, StepKind } from './step';

/** What an order puts first, and for whom it is. */
export const SCHOOL_WORDS: Readonly<Record<School, { name: string; says: string }>> = {
  lower: {
    name: 'Lower arm first',
    says: 'Wheel, lower arm, damper and travel, rack loosely, upper arm, rods.',
  },
  upper: {
    name: 'Kept upper parts first',
    says: 'Wheel, the highest arm on the parts that are kept, the others to it, damper, rack, rods.',
  },
  damper: {
    name: 'Arms and damper before steering',
    says: 'Wheel, every arm, damper and its travel, then rack and rods round them.',
  },
  steering: {
    name: 'Steering first',
    says: 'Rack and its column where driver and engine let them, wheel, rods, the arms to them.',
  },
  kart: {
    name: 'Axle, strings, stub axles',
    says: 'Rear axle square, strings along it, stub axles, steering shaft, rods.',
  },
};

/** Schools that say something of a build: its axles' steps decide. */
export function schoolsFor(steps: readonly Step[]): School[] {
  const has = (kind: StepKind) => steps.some((one) => one.kind === kind);
  if (has('strings')) return ['kart', 'steering'];
  const arms = (['front', 'rear'] as const).map(
    (axle) => steps.filter((one) => one.pivots && one.axle === axle).length,
  );
  return SCHOOLS.filter((school) => {
    if (school === 'kart') return false;
    if (school === 'upper') return arms.some((count) => count > 1);
    if (school === 'damper') return has('damper');
    if (school === 'steering') return has('rack');
    return true;
  });
}

/** The order that a build's steps are usually taken in. */
export const usualSchool = (steps: readonly Step[]): School => schoolsFor(steps)[0];

const FIRST: Partial<Record<StepKind, number>> = {
  ...{ drawn: 0, frame: 1, strings: 2, seat: 3, pedals: 4 },
};
/** What comes after the brackets are in place, of one axle after the other. */
const LAST: Partial<Record<StepKind, number>> = {
  ...{ weld: 2, refit: 3, check: 4, setup: 5, inspect: 6 },
};

type Placed = StepKind | 'one arm' | 'other arms';
const BUILT: Readonly<Record<School, readonly Placed[]>> = {
  lower: ['cut', 'wheel', 'one arm', 'damper', 'rack', 'other arms', 'rods', 'column'],
  upper: ['cut', 'wheel', 'one arm', 'other arms', 'damper', 'rack', 'rods', 'column'],
  damper: ['cut', 'wheel', 'one arm', 'other arms', 'damper', 'rack', 'rods', 'column'],
  steering: ['rack', 'column', 'cut', 'wheel', 'rods', 'one arm', 'other arms', 'damper'],
  kart: ['cut', 'wheel', 'rack', 'rods', 'column'],
};
const ENDS: readonly StepKind[] = ['cycle', 'tack', 'again'];

/** Steps as a school would take them; what hangs on what is not looked at here. */
export function schoolOrder(steps: readonly Step[], school: School): string[] {
  const first = (axle: Step['axle']): string | undefined => {
    const arms = steps.filter((one) => one.kind === 'arm' && one.axle === axle && one.stage === 1);
    const by = school === 'upper' ? -1 : 1;
    return [...arms].sort((a, b) => by * ((a.high ?? 0) - (b.high ?? 0)))[0]?.id;
  };
  const firsts = { front: first('front'), rear: first('rear') };
  const steered = steps.find(({ kind }) => kind === 'rack')?.axle ?? 'front';
  const key = (one: Step): number => {
    const { kind, axle, stage, high = 0 } = one;
    const stages = 1e6 * stage;
    if (FIRST[kind] !== undefined) return stages + FIRST[kind];
    const of = (axle ?? steered) === 'front' ? 0 : 1;
    if (LAST[kind] !== undefined) return stages + 1e5 * LAST[kind] + 1e4 * of;
    const arm = axle && firsts[axle] === one.id.split('@')[0] ? 'one arm' : 'other arms';
    const place = [...BUILT[school], ...ENDS].indexOf(kind === 'arm' ? arm : kind);
    const within = school === 'upper' ? -high : high;
    return stages + 1e5 + 1e4 * of + 100 * (place < 0 ? 50 : place) + within / 1e3;
  };
  return steps
    .map((one) => ({ id: one.id, key: key(one) }))
    .sort((a, b) => a.key - b.key)
    .map(({ id }) => id);
}

/** An order that the builder made, with steps that are new since where the school has them. */
export function merged(order: readonly string[], school: readonly string[]): string[] {
  const known = new Set(school);
  const list = order.filter((id) => known.has(id));
  const has = new Set(list);
  school.forEach((id, i) => {
    if (has.has(id)) return;
    const before = school.slice(0, i).reverse();
    const at = before.map((one) => list.indexOf(one)).find((place) => place >= 0);
    list.splice(at === undefined ? 0 : at + 1, 0, id);
    has.add(id);
  });
  return list;
}

/** What an order settles early, and what that costs later, said at the step that pays. */
export function costsOf(order: readonly Step[]): { id: string; says: string }[] {
  const costs: { id: string; says: string }[] = [];
  const at = new Map(order.map(({ id }, i) => [id, i]));
  const place = (one: Step | undefined): number => (one ? at.get(one.id)! : NaN);
  const one = (kind: StepKind, axle?: Step['axle']) =>
    order.find((step) => step.kind === kind && step.stage === 1 && (!axle || step.axle === axle));
  for (const axle of ['front', 'rear'] as const) {
    const arms = order.filter(
      (step) => step.kind === 'arm' && step.axle === axle && step.stage === 1,
    );
    const [rack, rods, damper] = [one('rack', axle), one('rods', axle), one('damper', axle)];
    const tell = (step: Step | undefined, so: boolean, says: string) => {
      if (step && so) costs.push({ id: step.id, says });
    };
    const [firstArm, lastArm] = [arms[0], arms.at(-1)];
    tell(
      rack,
      place(rack) > place(lastArm),
      'It comes after the arms: it finds its place only where arms, engine and sump leave one. Where bump steer wants it elsewhere, a bracket is cut off again: keep its place open from the start.',
    );
    tell(
      firstArm,
      place(rack) < place(firstArm),
      'The steering has its place already: the pivots go where its inner joints want them, so camber curve and roll centre take what is left.',
    );
    const swung = arms.filter(({ pivots }) => pivots);
    if (swung.length > 1) {
      const heights = swung.map(({ high = 0 }) => high);
      const lowest = swung[heights.indexOf(Math.min(...heights))];
      const highest = swung[heights.indexOf(Math.max(...heights))];
      tell(
        lowest,
        place(highest) < place(lowest),
        'What was kept above is settled: what it is off by goes into these pivots and the track.',
      );
      tell(
        highest,
        place(lowest) < place(highest),
        'Ride height and track are settled below: camber and caster are made up here.',
      );
    }
    tell(
      damper,
      place(damper) > place(rods),
      'It comes after the rods: a mount that wants their place costs another search for the null.',
    );
    tell(
      rack ?? rods,
      place(damper) < place(rack ?? rods),
      'The damper is in its place: steering goes round it.',
    );
  }
  const [seat, rack, pedals, column] = [one('seat'), one('rack'), one('pedals'), one('column')];
  if (place(seat) > place(rack))
    costs.push({
      id: seat!.id,
      says: 'The steering is placed already: what hands and knees want differently, the column makes up with joints.',
    });
  if (place(pedals) > place(column))
    costs.push({ id: pedals!.id, says: 'They take the room that the column leaves.' });
  return costs;
}

/** The school of a build's plan: its own, or the usual one of what it is. */
export const schoolOf = ({ plan }: Pick<Build, 'plan'>, steps: readonly Step[]): School =>
  schoolsFor(steps).find((school) => school === plan?.school) ?? usualSchool(steps);
