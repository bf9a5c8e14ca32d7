import { wheelOf } from '../kinematics/wheel';
import type { AxleName, Build, Side } from '../model/build';
import type { PartState } from '../model/shop';
import { variantsOf } from '../model/variants';
import { bought, endsOf } from './bought';
import { bracketsOf } from './bracket';
import { cutsOf } from './cut';
import { UNSPRUNG, round, sectionOf, weightOf } from './listed';
import type { ListedPart } from './listed';
import { shopParts } from './parts';
import { listedPieces } from './pieces/listed';

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
      if (side === 'left') for (const piece of listedPieces(build, wheel)) put(piece);
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
