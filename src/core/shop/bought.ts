import type { EndMade, MemberBuild } from '../model/made';
import { round } from './listed';
import type { ListedPart } from './listed';
import type { ShopPart } from './parts';
import { stackOf } from './stack';

/** The ends of a part's members; a housing that two tubes share is one. */
export function endsOf({
  members,
}: ShopPart): { end: EndMade; count: number; tube: MemberBuild }[] {
  const shared = new Set<string>();
  return members.flatMap(({ from, to, made }) =>
    (
      [
        [from, made.from],
        [to, made.to],
      ] as const
    ).flatMap(([joint, end]) => {
      if (end.as === 'housing') {
        if (shared.has(joint)) return [];
        shared.add(joint);
      }
      return [{ end, count: 1, tube: made }];
    }),
  );
}

/** What an end is bought or turned as. */
export function bought(end: EndMade, where: string): Omit<ListedPart, 'record'>[] {
  const one = { count: 1, length: null, weight: null, unsprung: 0, where };
  if (end.as === 'plate') return [];
  if (end.as === 'housing') {
    const { outside, length, bore, school } = end;
    return [
      {
        ...one,
        ...{ key: `housing ${outside} ${length} ${bore}`, name: 'housing', hand: null, length },
        ...{ what: `${outside} outside, bore ${bore}`, made: true },
      },
      {
        ...one,
        ...{ key: `in ${school} ${bore} ${length}`, name: end.part ?? school, hand: null },
        ...{ what: `to go in ${bore}, ${length} long`, made: false },
      },
    ];
  }
  const { thread, hand, nut, bung, bore, school } = end;
  const rows: Omit<ListedPart, 'record'>[] = [
    {
      ...one,
      ...{
        key: `rod end ${thread} ${hand} ${bore} ${school}`,
        name: end.part ?? `rod end, ${school}`,
      },
      ...{ what: `${thread}, bore ${bore}`, hand, made: false },
    },
  ];
  if (nut > 0)
    rows.push({
      ...one,
      ...{ key: `jam nut ${thread} ${hand}`, name: 'jam nut', what: thread, hand, made: false },
    });
  if (bung > 0)
    rows.push({
      ...one,
      ...{ key: `insert ${thread} ${hand} ${end.depth}`, name: 'threaded insert', hand },
      ...{ what: `${thread}, ${end.depth} deep, in ${end.tappedIn}`, made: true },
    });
  const stack = stackOf(end);
  if (stack && end.held) {
    const { bolt, ears } = end.held;
    if (stack.bolt !== null)
      rows.push({
        ...{ ...one, key: `bolt ${bolt} ${stack.bolt}`, name: 'bolt, locking nut', hand: null },
        ...{ what: `${bolt} mm, grip ${round(stack.grip)}`, made: false, length: stack.bolt },
      });
    const { thick, count, left } = stack.washers;
    if (count > 0)
      rows.push({
        ...{ ...one, key: `washer ${bolt} ${thick}`, name: 'washer', hand: null, count },
        ...{ what: `bore ${bolt}, ${thick} thick`, made: false },
      });
    if (left > 0.05) {
      const long = ears === 2 ? left / 2 : left;
      rows.push({
        ...{ ...one, key: `spacer ${bolt} ${round(long)}`, name: 'spacer, turned', hand: null },
        ...{ what: `bore ${bolt}`, made: true, length: long, count: ears },
      });
    }
  }
  return rows;
}
