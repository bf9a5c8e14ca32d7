import { Wheel } from '../kinematics/wheel';
import type { AxleName, Build, Side } from '../model/build';
import { noSetups } from '../model/setups';
import type { Angles, KeptSet, Moved, SetKind, Setups, Turned } from '../model/setups';
import { adjustersOf } from './adjusters';
import type { Adjuster } from './adjusters';
import { AS_DRAWN, learned } from './learned';
import type { Did } from './learned';
import { SET, Setting } from './setting';
import type { Moves, SetBy, Stands } from './setting';

export const setupsOf = ({ setups }: Pick<Build, 'setups'>): Setups => setups ?? noSetups();

type Which = Pick<Wheel, 'axle' | 'side'>;

/** What was turned at a wheel, from the drawing on. */
export const turnedOf = (build: Pick<Build, 'setups'>, { axle, side }: Which): readonly Turned[] =>
  setupsOf(build).wheels.find((one) => one.axle === axle && one.side === side)?.turned ?? [];

/** Every adjuster's way from the drawing, mm, of those that are not where they are drawn. */
export function fromDrawn(turned: readonly Turned[]): Moved[] {
  const sums = new Map<string, number>();
  for (const { moved } of turned)
    for (const { id, by } of moved) sums.set(id, (sums.get(id) ?? 0) + by);
  return [...sums].flatMap(([id, by]) => (Math.abs(by) < ROUNDING ? [] : [{ id, by }]));
}

/** What turns there and back leave of a place, mm. */
const ROUNDING = 1e-6;

/** Places as they lie from where an adjuster stands now. */
const shifted = (adjuster: Adjuster, by: number): Adjuster => {
  const { places } = adjuster;
  return {
    ...adjuster,
    places:
      places.kind === 'own'
        ? {
            kind: 'own',
            // Where it stands now is nought, whatever the sums of its moves leave.
            at: places.at.map((at) => (Math.abs(at - by) < ROUNDING ? 0 : at - by)),
          }
        : { ...places, from: places.from - by, to: places.to - by },
  };
};

/** A wheel as it is set now: its adjusters from where they stand, and what the moves so far taught of it. */
export interface SetNow {
  setting: Setting;
  did: Did;
  /** As the drawing has it with everything that was turned; null where that cannot be put together. */
  model: Stands | null;
  /** Turned at what is not an adjuster of this wheel any more. */
  lost: Moved[];
}

/** ± of a reading that somebody takes for a set-up, degrees (common practice). */
const READ = 0.1;

export function setNow(build: Build, wheel: Wheel): SetNow {
  const turned = turnedOf(build, wheel);
  const all = adjustersOf(build, wheel);
  const base = (rounds: readonly Turned[]): Moves => {
    const from = fromDrawn(rounds);
    return all.map(({ id }) => from.find((one) => one.id === id)?.by ?? 0);
  };
  const now = base(turned);
  const setting = new Setting(
    wheel,
    all.map((one, i) => shifted(one, now[i])),
    now,
  );
  // What every round should have done, against what was read before the next.
  let did = AS_DRAWN;
  for (let k = 0; k + 1 < turned.length; k++) {
    const at = (rounds: number) => {
      const there = new Setting(wheel, all, base(turned.slice(0, rounds)));
      return there.stands(there.still);
    };
    const [was, should] = [at(k), at(k + 1)];
    if (was && should)
      did = learned(did, wholeOf(was, should, turned[k].read, did), turned[k + 1].read, READ);
  }
  const names = new Set(all.map(({ id }) => id));
  return {
    ...{ setting, did, model: setting.stands(setting.still) },
    lost: fromDrawn(turned).filter(({ id }) => !names.has(id)),
  };
}

/** A round as it was read and should have become. */
function wholeOf(
  was: Stands,
  should: Stands,
  read: Angles,
  { gain }: Did,
): { before: Stands; after: Stands } {
  const before: Stands = { ...was };
  const after: Stands = { ...should };
  for (const of of SET) {
    const [from, to] = [was[of], should[of]];
    if (from === null || to === null) continue;
    before[of] = read[of] ?? from;
    after[of] = before[of] + gain * (to - from);
  }
  return { before, after };
}

/** What is typed for a wheel's next round: what it reads, what is wanted; the last round's wish where nothing is. */
export function typedOf(
  build: Pick<Build, 'setups'>,
  { axle, side }: Which,
): { read: Angles; wanted: Angles } {
  const wheel = setupsOf(build).wheels.find((one) => one.axle === axle && one.side === side);
  return wheel?.typed ?? { read: {}, wanted: wheel?.turned.at(-1)?.wanted ?? {} };
}

/** Writes down what is typed of one figure; undefined takes it out. Changes the build it is given. */
export function writeTyped(
  build: Build,
  which: Which,
  what: 'read' | 'wanted',
  figure: SetBy,
  value: number | undefined,
): void {
  const { read, wanted } = typedOf(build, which);
  const typed = { read: { ...read }, wanted: { ...wanted } };
  if (value === undefined) delete typed[what][figure];
  else typed[what][figure] = value;
  wheelIn(build, which).typed = typed;
}

/** A wheel of the set-up, made where there was none yet. */
function wheelIn(build: Build, { axle, side }: Which): Setups['wheels'][number] {
  const { wheels } = (build.setups ??= noSetups());
  const has = wheels.find((one) => one.axle === axle && one.side === side);
  if (has) return has;
  wheels.push({ axle, side, turned: [] });
  return wheels.at(-1)!;
}

/** Wheels that something was turned at. */
export const turnedWheels = (build: Pick<Build, 'setups'>): Setups['wheels'] =>
  setupsOf(build).wheels.filter(({ turned }) => turned.length > 0);

/** Writes down what was read and turned at one wheel, or at both of an axle alike. Changes the build it is given. */
export function writeTurned(
  build: Build,
  { axle, side }: Which,
  turned: Turned,
  alike: boolean,
): void {
  const sides: Side[] = alike ? ['left', 'right'] : [side];
  for (const one of sides) {
    const wheel = wheelIn(build, { axle, side: one });
    // What was read was read at one wheel.
    wheel.turned.push(one === side ? turned : { ...turned, read: {} });
    // It is read anew.
    if (one === side) delete wheel.typed;
  }
}

/** Takes the last round of a wheel back. Changes the build it is given. */
export function takeTurnedBack(build: Build, { axle, side }: Which): void {
  build.setups?.wheels.find((at) => at.axle === axle && at.side === side)?.turned.pop();
}

/** What the car is set to now as a set for the book. */
export function setFrom(
  build: Build,
  id: string,
  { name, kind, note }: { name: string; kind: SetKind; note: string },
  at: string,
): KeptSet {
  return {
    ...{ id, name, kind, note, at },
    wheels: turnedWheels(build).map(({ axle, side, turned }) => ({
      ...{ axle, side, from: fromDrawn(turned) },
      read: turned.at(-1)?.read ?? {},
    })),
  };
}

/** One adjuster of one wheel in two sets, mm from the drawing. */
export interface SetDiffers {
  axle: AxleName;
  side: Side;
  /** Null where the drawing has it no more. */
  adjuster: Adjuster | null;
  id: string;
  first: number;
  second: number;
}

/** Everything that two sets differ by, the front first; without a second one, from the drawing. */
export function setsDiffer(
  build: Build,
  first: Pick<KeptSet, 'wheels'>,
  second: Pick<KeptSet, 'wheels'>,
): SetDiffers[] {
  return (['front', 'rear'] as const).flatMap((axle) =>
    (['left', 'right'] as const).flatMap((side) => {
      const of = ({ wheels }: Pick<KeptSet, 'wheels'>) =>
        new Map(
          wheels
            .find((one) => one.axle === axle && one.side === side)
            ?.from.map(({ id, by }) => [id, by]),
        );
      const [a, b] = [of(first), of(second)];
      const design = build[axle];
      const adjusters = design
        ? adjustersOf(build, new Wheel(axle, side, design, build.travel))
        : [];
      return [...new Set([...a.keys(), ...b.keys()])].flatMap((id): SetDiffers[] => {
        const [was, is] = [a.get(id) ?? 0, b.get(id) ?? 0];
        if (Math.abs(was - is) < ROUNDING) return [];
        const adjuster = adjusters.find((one) => one.id === id) ?? null;
        return [{ axle, side, adjuster, id, first: was, second: is }];
      });
    }),
  );
}
