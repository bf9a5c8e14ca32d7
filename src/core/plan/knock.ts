import { distance } from '../geometry/vec';
import { loadsOf } from '../loads/loads';
import { wheelOf } from '../kinematics/wheel';
import type { AxleName, Build, Side } from '../model/build';
import type { Hit, Knock } from '../model/plan';
import type { LoadCase } from '../model/loads';
import { toVec } from '../model/points';
import { rodWord } from '../model/labels';
import { axisAt, shopParts } from '../shop/parts';
import { capital } from '../shop/sheetWords';

export const HIT_WORDS: Readonly<Record<Hit, string>> = {
  kerb: 'slid against a kerb',
  front: 'ran into something with the wheel',
  side: 'was hit from the side at the hub',
  under: 'came down on something from above',
  bottomed: 'came down hard, travel used up',
};

/** Which way the wheel was pushed, in parts of what stands on it: for what carries most, not for how much. */
const PUSHED: Readonly<Record<Hit, Pick<LoadCase, 'ahead' | 'out' | 'up' | 'at'> | null>> = {
  kerb: { ahead: 0, out: -3, up: 1, at: 'road' },
  front: { ahead: -3, out: 0, up: 1, at: 'hub' },
  // What goes across the car is told at the road alone.
  side: null,
  under: { ahead: 0, out: 0, up: 4, at: 'hub' },
  bottomed: { ahead: 0, out: 0, up: 5, at: 'road' },
};

/** Something to be looked at after a knock. */
export interface LookAt {
  /** Its name in findings. */
  id: string;
  name: string;
  /** What is looked for, in a few words. */
  looks: string;
  /** Joint to joint as drawn, mm, where that is what tells. */
  length: number | null;
  /** What is never used again where it carried the knock. */
  replace: string | null;
  /** Of the knock's force, what it carries, against what carries the most; null where statics say nothing of it. */
  share: number | null;
}

/** Carried so much of the most, a part with a hardened pin or ball goes out (common practice: when in doubt). */
const MUCH = 0.5;
/** Drawn lengths are met within this by a tape, mm. */
const TAPED = 1;

/** What is to be looked at, replaced and measured after a knock at one wheel, what carried most of it first. */
export function afterKnock(
  build: Build,
  { axle, side, hit }: Pick<Knock, 'axle' | 'side' | 'hit'>,
): LookAt[] {
  const wheel = wheelOf(build, axle, side);
  if (!wheel) return [];
  const { design } = wheel;
  const carried = carriedIn(build, axle, side, hit);
  const most = Math.max(0, ...carried.values());
  const share = (id: string): number | null =>
    most > 0 && carried.has(id) ? carried.get(id)! / most : null;
  const at = (name: string) => toVec(wheel.points[name]);
  const members = shopParts(wheel).flatMap((part) => part.members);
  const items: LookAt[] = members.map((member): LookAt => {
    const { id, name, from, to, made } = member;
    const own = share(id);
    const ended = [made.from, made.to].some((end) => end.as === 'rodEnd');
    const steering = member.role === 'rod';
    const hard = own !== null && own >= MUCH;
    return {
      id,
      ...{ name: capital(name), length: distance(at(from), at(to)), share: own },
      looks: `straight against a rule, dents, cracked paint at welds${ended ? ', rod ends’ shanks and balls' : ''}`,
      replace: steering
        ? `${rodWord(design)} and its ends, if it is not straight or its length is off: never straightened`
        : hard && ended
          ? 'its rod ends, bent or not: what a shank took is not seen'
          : null,
    };
  });
  const brackets = [
    ...new Set(
      members.flatMap((member) =>
        [member.from, member.to].filter(
          (name) => wheel.type.points[name].on === 'chassis' && axisAt(wheel, member, name),
        ),
      ),
    ),
  ];
  if (brackets.length > 0)
    items.push({
      ...{ id: 'brackets', name: 'Brackets on the frame', length: null, share: null },
      looks:
        'ears parallel, holes round, welds and the tube beside them for cracks (dye), frame’s diagonals against the datum',
      replace: 'bolts that are bent or marked',
    });
  items.push(
    {
      ...{ id: 'upright', name: 'Upright and hub', length: null, share: null },
      looks:
        'rim’s run-out, bearing’s play and noise, cracks round the spindle and the steering arm',
      replace: hit === 'kerb' || hit === 'side' ? 'wheel bearing, if it is rough or loose' : null,
    },
    {
      ...{ id: 'wheel', name: 'Rim and tyre', length: null, share: null },
      looks: 'run-out in and up, cracks inside, bulges in the wall',
      replace: 'a rim with a crack; a tyre with a bulge',
    },
  );
  if (wheel.steered)
    items.push(
      {
        ...{
          id: 'unit',
          name: design.dropArm ? 'Drop arm and its shaft' : 'Rack, its mounts and its bar',
        },
        ...{ length: null, share: null },
        looks:
          'turns from lock to lock without a tight spot, as many turns either way, mounts tight, no play',
        replace: 'the whole of it, where its bar is bent: it is not straightened',
      },
      {
        ...{ id: 'column', name: 'Column', length: null, share: null },
        looks: 'joints without play or tight spot, pinch bolts, bearings’ brackets',
        replace: null,
      },
    );
  if (design.damper)
    items.push({
      ...{ id: DAMPER, name: 'Damper, spring, their rods and mounts', length: null },
      share: share(DAMPER),
      looks: 'rod straight and dry over all of its stroke, eyes round, stops, spring’s seat',
      replace: 'a damper with a bent rod',
    });
  items.push({
    ...{ id: 'measure', name: 'Measured again', length: null, share: null },
    looks: wheel.travels
      ? 'a check of this axle, both wheels, against the last one; camber, caster and toe against the set-up book'
      : 'toe and camber of both wheels against the set-up book',
    replace: null,
  });
  return items.sort((a, b) => (b.share ?? -1) - (a.share ?? -1));
}

const DAMPER = 'damper';

/** What each member carries of a knock, N, as statics of the pose at ride height have it: its order counts, not its size. */
function carriedIn(build: Build, axle: AxleName, side: Side, hit: Hit): Map<string, number> {
  // It is met at ride height, not over the travel.
  const still = { ...build, travel: { bump: 0, droop: 0 } };
  const wheel = wheelOf(still, axle, side);
  const carried = new Map<string, number>();
  const pushed = PUSHED[hit];
  if (!wheel || !pushed) return carried;
  const one: LoadCase = { id: 'knock', name: 'knock', reason: '', ...pushed };
  const found = loadsOf({ ...still, loads: [one] }, wheel);
  if (!found.ok) return carried;
  for (const { as, at, worst, other } of found.loads.parts) {
    if (as !== 'axial') continue;
    const newtons = Math.max(Math.abs(worst.newtons), Math.abs(other?.newtons ?? 0));
    // A member goes by its two ends, whichever is named first.
    carried.set(at.join(' '), newtons).set([...at].reverse().join(' '), newtons);
    if (at.every((name) => wheel.type.points[name]?.ofDamper))
      carried.set(DAMPER, Math.max(newtons, carried.get(DAMPER) ?? 0));
  }
  return carried;
}

/** What is still to be looked at after a knock, and what was found bad. */
export function knockLeft(build: Build, knock: Knock): { open: LookAt[]; bad: LookAt[] } {
  const items = afterKnock(build, knock);
  const found = new Map(knock.found.map((one) => [one.of, one]));
  return {
    open: items.filter(({ id }) => found.get(id)?.as === undefined),
    bad: items.filter((item) => {
      const one = found.get(item.id);
      return one?.as === 'bad' || isOff(item, one?.length);
    }),
  };
}

/** Whether a length that was measured is further off the drawn one than a tape is, mm. */
export const isOff = ({ length }: Pick<LookAt, 'length'>, measured: number | undefined): boolean =>
  length !== null && measured !== undefined && Math.abs(measured - length) > TAPED;
