import { typeOf } from '../corners/kinds';
import { distance } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import type { AxleDesign, Build } from '../model/build';
import { pointLabel, rodWord } from '../model/labels';
import { LOAD_CASES, startingStrength } from '../model/loads';
import type { LoadCase, MemberMade, Strength } from '../model/loads';
import { startingLoads } from '../model/rod';
import { toVec } from '../model/points';
import { jointStands, standsAlong, standsBent } from './reserve';
import type { Stands } from './reserve';
import { CornerStatics, OTHER_ARM, carriedIn } from './statics';
import type { CarriedAs, Item } from './statics';

/** The worst that one part carries over all cases and travels, and what it stands. */
export interface PartLoad {
  id: string;
  as: CarriedAs;
  at: readonly string[];
  name: string;
  /** N or, of a bending, N·mm; along a member + in tension. The case and the travel, mm, where that is. */
  worst: { newtons: number; case: string; travel: number };
  /** Along a member, the most the other way. */
  other: { newtons: number; case: string; travel: number } | null;
  /** What it stands by what was said of it, the least of its reserves; null where nobody said what it is. */
  stands: Stands | null;
  reserve: number | null;
}

export interface CornerLoads {
  /** What stands on the wheel, N, and whether somebody said so. */
  weight: number;
  said: boolean;
  parts: PartLoad[];
  /** Travels looked at, mm, and how many of them nothing could be told of. */
  travels: { from: number; to: number; count: number; missed: number };
  /** The part with the least reserve of those somebody described; how many nobody has. */
  first: PartLoad | null;
  undescribed: number;
}

/** N for one kg. */
const GRAVITY = 9.81;

/** What stands on a wheel, N: weighed, or as the rods' loads have it. */
function weightOn(build: Build, design: AxleDesign): { newtons: number; said: boolean } {
  const kg = design.damper?.weight?.wheel;
  if (kg !== undefined) return { newtons: kg * GRAVITY, said: true };
  const { wheelLoad } = build.rod ?? startingLoads(build);
  return { newtons: wheelLoad, said: build.rod !== undefined };
}

const POSITIONS = 41;

/**
 * What every part of a corner carries in every case, by statics of its exact pose over its travel: an estimate that says
 * where to look, no approval.
 */
export function loadsOf(
  build: Build,
  wheel: Wheel,
  count = POSITIONS,
): { ok: true; loads: CornerLoads } | { ok: false; why: string } {
  const ready = CornerStatics.of(wheel);
  if (!ready.ok) return ready;
  const { statics } = ready;
  const cases = build.loads ?? LOAD_CASES;
  const weight = weightOn(build, wheel.design);
  const worst = statics.items.map(() => ({ most: { ...NOTHING }, least: { ...NOTHING } }));
  const { bump, droop } = wheel.travel;
  const travels = bump + droop === 0 ? [0] : spread(-droop, bump, count);
  let missed = 0;
  for (const travel of travels) {
    const unit = statics.at(travel);
    if (!unit) {
      missed++;
      continue;
    }
    for (const one of cases)
      for (let i = 0; i < statics.items.length; i++) {
        const newtons = carriedIn(unit, i, one, weight.newtons);
        const { most, least } = worst[i];
        if (newtons > most.newtons) Object.assign(most, { newtons, case: one.id, travel });
        if (newtons < least.newtons) Object.assign(least, { newtons, case: one.id, travel });
      }
  }
  if (missed === travels.length) return { ok: false, why: 'no position of the travel holds' };
  const strength = wheel.design.strength ?? startingStrength();
  const parts = withAxial(
    wheel.design,
    statics.items.map((item, i) => partOf(wheel, strength, item, worst[i])),
  );
  const described = parts.filter(({ reserve }) => reserve !== null);
  return {
    ok: true,
    loads: {
      weight: weight.newtons,
      said: weight.said,
      parts,
      travels: { from: travels[0], to: travels.at(-1)!, count: travels.length, missed },
      first: described.reduce<PartLoad | null>(
        (least, part) => (least && least.reserve! <= part.reserve! ? least : part),
        null,
      ),
      undescribed: parts.length - described.length,
    },
  };
}

const NOTHING = { newtons: 0, case: '', travel: 0 };

const spread = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));

/** What a part is called. */
function itemName(design: AxleDesign, { as, at }: Pick<Item, 'as' | 'at'>): string {
  const label = (name: string) => pointLabel(design, name);
  if (as === 'joint') return label(at[0]);
  if (as === 'side') return `${label(at[0])}, across the strut`;
  if (as === 'bending')
    return at.length > 1 ? `arm bent at ${label(at[1])}` : `arm bent at ${label(at[0])}`;
  const [a, b] = at;
  if (a === OTHER_ARM) return 'rod from arm to arm';
  const member = typeOf(design).members.find(
    ({ from, to }) => (from === a && to === b) || (from === b && to === a),
  );
  if (member?.role === 'rod') return rodWord(design);
  return member?.name ?? `${label(a)} to ${label(b)}`;
}

/** The key that what a member is made of stands under. */
export const memberKey = ([a, b]: readonly string[]): string => `${a} ${b}`;

function partOf(
  wheel: Wheel,
  strength: Strength,
  item: Item,
  { most, least }: { most: PartLoad['worst']; least: PartLoad['worst'] },
): PartLoad {
  const { design, points } = wheel;
  const { id, as, at } = item;
  const [worst, other] =
    Math.abs(least.newtons) > most.newtons ? [least, most] : ([most, least] as const);
  const base = { id, as, at, name: itemName(design, item), worst };
  const shared = { ...base, other: as === 'axial' && other.newtons !== 0 ? other : null };
  const of = (stands: Stands | null, newtons: number) => ({
    ...shared,
    stands,
    reserve: stands && newtons !== 0 ? stands.most / Math.abs(newtons) : null,
  });
  if (as === 'axial') {
    const made = strength.members[memberKey(at)];
    if (!made || at[0] === OTHER_ARM) return of(null, 0);
    const length = distance(toVec(points[at[0]]), toVec(points[at[1]]));
    const pulled = of(standsAlong(made, length, true), most.newtons);
    const pushed = of(standsAlong(made, length, false), least.newtons);
    // What is told as its worst is what its reserve is of: a little pressed may be nearer to buckling than much pulled.
    const isPushed =
      pulled.reserve === null || (pushed.reserve !== null && pushed.reserve < pulled.reserve);
    const [governs, rest] = isPushed ? [least, most] : [most, least];
    return {
      ...(isPushed ? pushed : pulled),
      worst: governs,
      other: rest.newtons !== 0 ? rest : null,
    };
  }
  if (as === 'bending') {
    const made = bentMember(design, item, strength);
    return of(made ? standsBent(made) : null, worst.newtons);
  }
  const joint = as === 'joint' ? strength.joints[at[0]] : undefined;
  return of(joint ? jointStands(joint) : null, worst.newtons);
}

/**
 * A tube that is bent carries what goes along it too: its reserve is what both together leave, the worst of each taken
 * as if they came at once.
 */
function withAxial(design: AxleDesign, parts: PartLoad[]): PartLoad[] {
  return parts.map((part) => {
    if (part.as !== 'bending' || part.reserve === null) return part;
    const along = tubesBent(design, part).map(([from, to]) => {
      const axial = parts.find(
        (one) => one.as === 'axial' && one.at[0] === from && one.at[1] === to,
      );
      return axial?.reserve ? 1 / axial.reserve : 0;
    });
    return { ...part, reserve: 1 / (1 / part.reserve + Math.max(0, ...along)) };
  });
}

/** The tubes of an arm that is bent. */
function tubesBent(design: AxleDesign, { at }: Pick<Item, 'at'>): [string, string][] {
  const type = typeOf(design);
  if (at.length > 1) return [[at[0], at[1]]];
  const body = type.points[at[0]]?.on;
  const pivots =
    type.pivots.find((one) => one.body === body || one.carries === at[0]) ?? type.pivots[0];
  return type.members.flatMap(({ from, to, name }): [string, string][] =>
    name !== undefined && pivots?.through.some((p) => p === from || p === to) ? [[from, to]] : [],
  );
}

/** What is bent where an arm carries the damper: one of its tubes alone, the weaker that was described; undefined where none was. */
export function bentMember(
  design: AxleDesign,
  item: Pick<Item, 'at'>,
  { members }: Pick<Strength, 'members'>,
): MemberMade | undefined {
  const made = tubesBent(design, item).flatMap((ends) => members[memberKey(ends)] ?? []);
  return made.length === 0
    ? undefined
    : made.reduce((a, b) => (standsBent(b).most < standsBent(a).most ? b : a));
}

/** Cases by their id, as a build has them. */
export const casesOf = (build: Pick<Build, 'loads'>): readonly LoadCase[] =>
  build.loads ?? LOAD_CASES;
