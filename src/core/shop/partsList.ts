import { wheelOf } from '../kinematics/wheel';
import type { AxleName, Build, Side } from '../model/build';
import type { EndMade, MemberBuild } from '../model/made';
import type { PartRecord, PartState } from '../model/shop';
import { variantsOf } from '../model/variants';
import { bracketsOf } from './bracket';
import { cutsOf } from './cut';
import { shopParts } from './parts';
import { stackOf } from './stack';
import type { ShopPart } from './parts';

/** One line of a build's list. */
export interface ListedPart {
  key: string;
  name: string;
  /** Thread and size, in words. */
  what: string;
  hand: 'left' | 'right' | null;
  count: number;
  /** Each, mm; null where it has none. */
  length: number | null;
  /** Each, kg; null where nothing is known of it. */
  weight: number | null;
  /** What of all of it counts as unsprung, kg. */
  unsprung: number;
  made: boolean;
  where: string;
  record: PartRecord | null;
}

/** kg/mm³ (Shigley, table A-5, from memory). */
const DENSITY = { steel: 7.85e-6, aluminium: 2.71e-6, titanium: 4.43e-6 } as const;
/** Half of what goes from the frame to the wheel moves with the wheel (common practice). */
const UNSPRUNG = 0.5;

/** Weight of a tube or bar of so many mm, kg. */
export const weightOf = (
  { outside, wall, material, form }: MemberBuild,
  length: number,
): number => {
  const inside = form === 'bar' ? 0 : outside - 2 * wall;
  return (Math.PI / 4) * (outside ** 2 - inside ** 2) * length * DENSITY[material];
};

const SIDES: readonly Side[] = ['left', 'right'];
const AXLES: readonly AxleName[] = ['front', 'rear'];

/** All that is made and bought for the axles of a build, like things together, with what the builder noted of each. */
export function partsList(build: Build): ListedPart[] {
  const rows = new Map<string, ListedPart>();
  const records = new Map((build.shop?.parts ?? []).map((record) => [record.key, record]));
  const put = (row: Omit<ListedPart, 'record'>) => {
    const has = rows.get(row.key);
    if (has) {
      has.count += row.count;
      has.unsprung += row.unsprung;
      if (!has.where.split(', ').includes(row.where)) has.where += `, ${row.where}`;
    } else rows.set(row.key, { ...row, record: records.get(row.key) ?? null });
  };
  for (const axle of AXLES)
    for (const side of SIDES) {
      const wheel = wheelOf(build, axle, side);
      if (!wheel) continue;
      for (const part of shopParts(wheel)) {
        const where = `${axle} ${part.name}`;
        for (const { member, cut } of cutsOf(wheel, part)) {
          const { made } = member;
          const size = sectionOf(made);
          const weight = cut > 0 ? weightOf(made, cut) : null;
          put({
            key: `${axle} ${member.id} ${sideOf(wheel.design.rightPoints !== undefined, side)}`.trim(),
            name: `${axle} ${member.name}`,
            ...{ what: size, hand: null, count: 1, length: cut, weight, made: true, where },
            unsprung: UNSPRUNG * (weight ?? 0),
          });
        }
        for (const { end, count } of endsOf(part))
          for (const row of bought(end, where)) put({ ...row, count: row.count * count });
      }
      for (const { bracket } of bracketsOf(
        wheel,
        shopParts(wheel).flatMap(({ members }) => members),
      )) {
        const { joint, held, count, flat } = bracket;
        put({
          key: `${axle} bracket ${joint} ${sideOf(wheel.design.rightPoints !== undefined, side)}`.trim(),
          name: `${axle} bracket, ${wheel.type.points[joint].label}`,
          what: `${round(held.ear)} ${held.bracket!.material} plate${flat ? ', folded' : ''}`,
          ...{
            hand: null,
            count,
            length: null,
            weight: null,
            unsprung: 0,
            made: true,
            where: axle,
          },
        });
      }
      const { damper, rack, tyre } = wheel.design;
      const whole = {
        hand: null,
        length: null,
        weight: null,
        unsprung: 0,
        made: false,
        where: axle,
      };
      if (damper?.unit) {
        const { part, closed, open } = damper.unit;
        put({
          key: `${axle} damper`,
          name: part ?? 'damper',
          what: `${closed} to ${open} mm`,
          count: 1,
          ...whole,
        });
      }
      if (damper?.spring) {
        const { part, rate, free } = damper.spring;
        put({
          key: `${axle} spring`,
          name: part ?? 'spring',
          what: `${rate} N/mm, ${free} mm free`,
          count: 1,
          ...whole,
        });
      }
      put({
        key: `${axle} tyre`,
        name: 'tyre',
        what: tyre.code ?? `${tyre.width} wide, ${tyre.radius} radius`,
        count: 1,
        ...whole,
      });
      if (rack && side === 'left')
        put({
          key: `${axle} rack`,
          name: 'steering rack',
          what: `${rack.travel} mm each way`,
          count: 1,
          ...whole,
        });
    }
  for (const record of build.shop?.parts ?? [])
    if (record.own)
      rows.set(record.key, {
        ...{
          key: record.key,
          name: record.own.name,
          what: record.own.what,
          count: record.own.count,
        },
        ...{ hand: null, length: null, unsprung: 0, made: false, where: 'own' },
        weight: record.own.weight ?? null,
        record,
      });
  return [...rows.values()];
}

/** A side's own row where both are not alike. */
const sideOf = (apart: boolean, side: Side): string => (apart ? side : '');

const round = (mm: number): string => String(Math.round(mm * 100) / 100);

export const sectionOf = ({ form, outside, wall, material }: MemberBuild): string =>
  form === 'bar'
    ? `${round(outside)} ${material} bar`
    : `${round(outside)} × ${round(wall)} ${material} tube`;

/** The ends of a part's members; a housing that two tubes share is one. */
function endsOf({ members }: ShopPart): { end: EndMade; count: number; tube: MemberBuild }[] {
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
function bought(end: EndMade, where: string): Omit<ListedPart, 'record'>[] {
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

/** Money spent and to be spent, by currency. */
export interface Money {
  currency: string;
  /** All of it, and what of that is not paid yet (to buy, to make). */
  all: number;
  open: number;
}

const OPEN: readonly PartState[] = ['to buy', 'to make'];

/** Prices added up by currency, whole cents; `stage` where only one is wanted. */
export function totals(rows: readonly ListedPart[], stage?: number): Money[] {
  const sums = new Map<string, { all: number; open: number }>();
  for (const { record, count } of rows) {
    if (record?.price === undefined || (stage !== undefined && (record.stage ?? 1) !== stage))
      continue;
    const key = record.currency ?? 'EUR';
    const sum = sums.get(key) ?? { all: 0, open: 0 };
    const cents = Math.round(record.price * 100) * count;
    sum.all += cents;
    if (OPEN.includes(record.state ?? 'to buy')) sum.open += cents;
    sums.set(key, sum);
  }
  return [...sums].map(([currency, { all, open }]) => ({
    currency,
    all: all / 100,
    open: open / 100,
  }));
}

/** Lines without a price. */
export const unpriced = (rows: readonly ListedPart[]): number =>
  rows.filter(({ record }) => record?.price === undefined).length;

/** What every variant costs, with the prices that are known. */
export const pricesOfVariants = (build: Build) =>
  variantsOf(build).map(({ id, name, front, rear }) => {
    const rows = partsList({ ...build, front, rear });
    return { id, name, money: totals(rows), unpriced: unpriced(rows), lines: rows.length };
  });
