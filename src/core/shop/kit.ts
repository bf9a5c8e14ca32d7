import type { AxleDesign, AxleName, Build } from '../model/build';
import { wheelOf } from '../kinematics/wheel';
import type { PartRecord } from '../model/shop';
import type { MemberBuild, RodEndMade } from '../model/made';
import type { Kit } from '../model/parts';
import { cutOf } from './cut';
import type { Cut } from './cut';
import { sectionOf } from './listed';
import { partsList } from './partsList';
import { shopParts } from './parts';
import type { ShopPart } from './parts';
import { deg, mm } from './sheetWords';
import { stackOf } from './stack';
import { adjustmentOf, engagedFor } from './threads';

/** What somebody described of an axle's parts, with what each is cut to, to be used in another build. */
export function kitOf(build: Build, axle: AxleName, name: string): Kit | null {
  const wheel = wheelOf(build, axle, 'left');
  if (!wheel) return null;
  const members = described(shopParts(wheel)).map(({ part, member, i }): Kit['members'][number] => {
    const cut = cutOf(wheel, part, i);
    const { id, made } = member;
    return { id, name: member.name, made: structuredClone(made), cut: cut.cut, ...shapeOf(cut) };
  });
  return members.length > 0
    ? { kind: 'kit', name, note: '', of: wheel.design.kind, members }
    : null;
}

/** What of a tube that is cut decides where else it fits, besides its length. */
const shapeOf = ({
  ends,
  twist,
  bend,
}: Cut): Pick<Kit['members'][number], 'leans' | 'twist' | 'bent'> => ({
  leans: [ends[0].lean, ends[1].lean],
  twist,
  ...(bend && { bent: { degrees: bend.degrees, before: bend.before, after: bend.after } }),
});

const described = (parts: readonly ShopPart[]) =>
  parts.flatMap((part) =>
    part.members.flatMap((member, i) => (member.assumed ? [] : [{ part, member, i }])),
  );

/** What taking a kit does to one member. */
interface Taken {
  id: string;
  /** As it is made then; its ends as far in as its tube is too long or too short. */
  made: MemberBuild;
  /** In a builder's words: how it fits, or why its tube does not. */
  says: string;
  fits: boolean;
}

/** Within this a cut length, or where a bend begins, is the same one, mm; an angle of a cope or a bend, degrees. */
const SAME = 0.5;
const SAME_ANGLE = 0.5;

/** Why a tube that is there does not take another layout's place, whatever its length; null where nothing does. */
function misshapen(has: Kit['members'][number], wants: Cut): string | null {
  if (has.made.form === 'plate')
    return 'it is cut from plate to its own layout: cut it by this one’s sheet';
  const now = shapeOf(wants);
  const off = (a: number | null, b: number | null): boolean =>
    (a === null) !== (b === null) || (a !== null && b !== null && Math.abs(a - b) > SAME_ANGLE);
  const k = has.leans.findIndex((lean, i) => off(lean, now.leans[i]));
  if (k >= 0)
    return `its ${k === 0 ? 'inner' : 'outer'} cope is for ${told(has.leans[k])} off square, this layout wants ${told(now.leans[k])}: it does not close`;
  if (off(has.twist, now.twist))
    return `its copes are turned ${told(has.twist)} from each other, this layout wants ${told(now.twist)}`;
  if (has.bent || now.bent) {
    const [a, b] = [has.bent, now.bent];
    if (
      !a ||
      !b ||
      off(a.degrees, b.degrees) ||
      Math.abs(a.before - b.before) > SAME ||
      Math.abs(a.after - b.after) > SAME
    )
      return 'it is bent otherwise than this layout wants';
  }
  return null;
}
const told = (angle: number | null): string => (angle === null ? 'none' : deg(angle));

/**
 * A kit's parts on an axle: those it has a place for, their threads set so that tubes which are there already fit; what does
 * not fit is said, and drawn anew.
 */
export function takeKit(
  build: Build,
  axle: AxleName,
  { members }: Kit,
): { taken: Taken[]; without: string[] } {
  const wheel = wheelOf(build, axle, 'left');
  const there = new Set(
    wheel ? shopParts(wheel).flatMap((part) => part.members.map(({ id }) => id)) : [],
  );
  const taken = members.flatMap((has): Taken[] => {
    const { id, made, cut, name } = has;
    if (!wheel || !there.has(id)) return [];
    const design: AxleDesign = { ...wheel.design, made: { ...wheel.design.made, [id]: made } };
    const now = wheel.drawnAs(design);
    const part = shopParts(now).find((one) => one.members.some((member) => member.id === id))!;
    const i = part.members.findIndex((member) => member.id === id);
    const wants = cutOf(now, part, i);
    const wanted = wants.cut;
    const longer = cut - wanted;
    const tube = `${name}, ${sectionOf(made)}, cut ${mm(cut)}`;
    const shape = misshapen(has, wants);
    if (shape)
      return [
        {
          id,
          made,
          fits: false,
          says: `${tube}: ${shape}; a tube of ${mm(wanted)} mm is cut anew.`,
        },
      ];
    if (Math.abs(longer) <= SAME)
      return [{ id, made, fits: true, says: `${tube}: fits as it is.` }];
    const ends = adjustmentOf(now, part.members[i], build.shop)?.ends ?? [];
    const engaged = ends.length > 0 ? engagedFor(ends, longer) : null;
    const how = `${mm(Math.abs(longer))} mm ${longer > 0 ? 'longer' : 'shorter'} than this layout wants`;
    if (!engaged)
      return [
        {
          ...{ id, made, fits: false },
          says: `${tube}: ${how}, ${ends.length > 0 ? 'more than its threads give' : 'and nothing of it can be set'}; a tube of ${mm(wanted)} mm.`,
        },
      ];
    const set = structuredClone(made);
    ends.forEach(({ at }, k) => {
      const end = set[at];
      if (end.as === 'rodEnd') end.engaged = engaged[k];
    });
    return [
      {
        ...{ id, made: set, fits: true },
        says: `${tube}: ${how}; its ends ${longer > 0 ? 'further in' : 'further out'}, ${engaged.map((e) => mm(e)).join(' and ')} mm engaged.`,
      },
    ];
  });
  return {
    taken,
    without: members.filter(({ id }) => !there.has(id)).map(({ name }) => name),
  };
}

/** What a rod end in another's place has to be looked at for: its thread, hand, bore, ball and body against what it goes to. */
export function substituted(before: RodEndMade, after: RodEndMade): string[] {
  const says: string[] = [];
  if (after.thread !== before.thread)
    says.push(
      `${after.thread} does not screw into what is tapped ${before.thread}: another insert, or another rod end`,
    );
  if (after.hand !== before.hand)
    says.push(
      `${after.hand}-hand thread in place of a ${before.hand}-hand one: it does not start in the insert that is there`,
    );
  // Where nobody said which bolt, the one that the other ball was on.
  const bolt = after.held?.bolt ?? before.bore;
  if (after.bore < bolt)
    says.push(`a ${mm(bolt)} mm bolt does not go through a bore of ${mm(after.bore)} mm`);
  else if (after.bore - bolt > 2 * LOOSE)
    says.push(
      `${mm(after.bore)} bore on a ${mm(bolt)} mm bolt: ${mm((after.bore - bolt) / 2, 2)} mm of play each side, sleeve it`,
    );
  if (after.held && Math.abs(after.ball - before.ball) > LOOSE) {
    const { spacers } = stackOf(after)!;
    says.push(
      spacers < 0
        ? `its ball of ${mm(after.ball)} mm does not go between the ears`
        : `its ball is ${mm(after.ball)} mm wide instead of ${mm(before.ball)}: spacers of ${mm(spacers)} mm together`,
    );
  }
  if (Math.abs(after.body - before.body) > LOOSE)
    says.push(
      `${mm(Math.abs(after.body - before.body))} mm ${after.body > before.body ? 'longer' : 'shorter'} to the end of its shank: a tube that is cut already is set by as much`,
    );
  return says;
}
/** Less than this is no play, mm a side. */
const LOOSE = 0.05;

/** What was noted of lines that the list no longer has: bought for what was replaced since. */
export const leftOver = (build: Build): PartRecord[] => {
  const keys = new Set(partsList(build).map(({ key }) => key));
  return (build.shop?.parts ?? []).filter((record) => !keys.has(record.key));
};
