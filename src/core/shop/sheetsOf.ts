import { uprightPoints } from '../corners/kinds';
import { wheelOf } from '../kinematics/wheel';
import type { AxleName, Build, Side } from '../model/build';
import { openVariantOf } from '../model/variants';
import type { Heading, Sheet } from '../sheets/drawing';
import { bracketsOf } from './bracket';
import { codeOf, partCode } from './code';
import { cutsOf } from './cut';
import { partsList, totals } from './partsList';
import { shopParts } from './parts';
import type { ShopMember } from './parts';
import { jigSheet, plateArmSheet, uprightSheet } from './boardSheets';
import { bracketSheet } from './bracketSheet';
import { copeSheet, threadSheet, tubeSheet } from './cutSheets';
import { pieceSheet, pieceTitle } from './pieces/pieces';
import { settingSheet } from './settingSheet';
import { capital, hasThreads, mm } from './sheetWords';
import type { Hand } from './sheetWords';
import { weldSheet } from './weldSheet';

/** What stands over every sheet of a build's open variant. */
export function headingOf(build: Build, on: string): Heading {
  const variant = openVariantOf(build);
  return { build: build.name, variant: variant.name, on, frozen: variant.frozen !== undefined };
}

/** The wheels of an axle that sheets are made for: the left for both hands, or each its own where they are not alike. */
function handsOf(build: Build, axle: AxleName): Hand[] {
  const left = wheelOf(build, axle, 'left');
  const right = wheelOf(build, axle, 'right');
  if (!left || !right) return [];
  const alike = !left.design.rightPoints && !left.type.coupled;
  return alike
    ? [{ wheel: left, side: 'left', hands: ['left', 'right'] }]
    : [
        { wheel: left, side: 'left', hands: ['left'] },
        { wheel: right, side: 'right', hands: ['right'] },
      ];
}

/** What a list of sheets is made from, one after another; every one is asked for when it is wanted. */
export interface SheetEntry {
  id: string;
  title: string;
  group: string;
  /** Whose it is, and which members it is about, by their ids; none of the whole build's. */
  of: { axle: AxleName; side: Side; members: string[]; piece?: string } | null;
  make: () => Sheet;
  /** The check code of its sheet, where that is known without making it. */
  code?: () => string;
}

/** Every sheet of a build's open variant: parts of each axle, then what goes for all. */
export function sheetEntries(build: Build): SheetEntry[] {
  const entries: SheetEntry[] = [];
  for (const axle of ['front', 'rear'] as const) {
    for (const hand of handsOf(build, axle)) {
      const { wheel, side, hands } = hand;
      const which = hands.length === 2 ? axle : `${axle} ${side}`;
      const parts = shopParts(wheel);
      if (parts.length === 0) continue;
      const group = capital(which);
      const all = parts.flatMap(({ members }) => members);
      const entry = (
        id: string,
        words: string,
        made: readonly ShopMember[],
        make: (id: string, title: string) => Sheet,
        code?: () => string,
      ) => {
        const title = `${group} ${words}`;
        entries.push({
          ...{ id: `${which}/${id}`, title, group },
          of: { axle, side, members: made.map((member) => member.id) },
          make: () => make(`${which}/${id}`, title),
          ...(code && { code }),
        });
      };
      entry('tubes', 'tubes and bars', all, (id, title) =>
        tubeSheet(hand, parts, { id, title, group }),
      );
      if (parts.some((part) => hasThreads(part)))
        entry('threads', 'threads and stacks', all, (id, title) =>
          threadSheet(build, hand, parts, { id, title, group }),
        );
      for (const part of parts) {
        if (part.as === 'arm' && part.joints.length > 2)
          entry(
            `${part.id}/jig`,
            `${part.name}, jig`,
            part.members,
            (id, title) => jigSheet(build, hand, part, { id, title, group }),
            // What neighbours sweep is not in it, and takes its time.
            () => partCode(wheel, part),
          );
        const plates = part.members.filter(({ made }) => made.form === 'plate');
        if (plates.length > 0 && part.as === 'arm' && part.joints.length > 2)
          entry(`${part.id}/plate`, `${part.name}, plate`, plates, (id, title) =>
            plateArmSheet(build, hand, part, { id, title, group }),
          );
        cutsOf(wheel, part).forEach((cut, i) => {
          if (cut.ends.every(({ cope }) => cope === null)) return;
          entry(
            `${part.id}/copes${i + 1}`,
            `${cut.member.name}, copes`,
            [cut.member],
            (id, title) => copeSheet(hand, part, cut, { id, title, group }),
          );
        });
      }
      const brackets = bracketsOf(wheel, all);
      if (brackets.length > 0)
        entry(
          'brackets',
          'brackets',
          brackets.map(({ member }) => member),
          (id, title) => bracketSheet(hand, brackets, { id, title, group }),
        );
      if (uprightPoints(wheel.type).length > 1)
        entry('upright', 'upright, fixture and table', [], (id, title) =>
          uprightSheet(hand, { id, title, group }),
        );
      entry('order', 'tack, check, weld', all, (id, title) =>
        weldSheet(hand, parts, { id, title, group }),
      );
    }
    entries.push(...wholeAxle(build, axle));
  }
  entries.push({
    ...{ id: 'parts', title: 'Parts list', group: 'Build', of: null },
    make: () => listSheet(build),
  });
  return entries;
}

/** What goes across an axle, and the pieces that are made for it. */
function wholeAxle(build: Build, axle: AxleName): SheetEntry[] {
  const left = wheelOf(build, axle, 'left');
  const right = wheelOf(build, axle, 'right');
  if (!left || !right) return [];
  const group = capital(axle);
  const of = { axle, side: 'left', members: [] } as const;
  const setting = { id: `${axle}/setting`, title: `${group} setting jig`, group };
  return [
    {
      ...{ ...setting, of: { ...of, members: [] } },
      make: () => settingSheet(left, right, build.wheelbase, setting),
    },
    ...(left.design.pieces ?? []).map((piece): SheetEntry => {
      const named = {
        ...{ id: `${axle}/piece/${piece.id}`, title: `${group} ${pieceTitle(piece)}`, group },
      };
      return {
        ...{ ...named, of: { ...of, members: [], piece: piece.id } },
        make: () => pieceSheet(build, left, piece, named),
      };
    }),
  ];
}

function listSheet(build: Build): Sheet {
  const rows = partsList(build);
  const money = totals(rows);
  return {
    ...{ id: 'parts', title: 'Parts list', group: 'Build', drawing: null },
    tables: [
      {
        title: 'Made and bought',
        head: ['what', 'of', 'hand', 'count', 'length', 'state', 'source', 'price each'],
        widths: [0.21, 0.24, 0.07, 0.07, 0.09, 0.1, 0.12, 0.1],
        rows: rows.map(({ name, what, hand, count, length, record, made }) => [
          name,
          what,
          hand ?? '',
          String(count),
          length === null ? '' : mm(length),
          record?.state ?? (made ? 'to make' : 'to buy'),
          record?.source ?? '',
          record?.price === undefined
            ? ''
            : `${record.price.toFixed(2)} ${record.currency ?? 'EUR'}`,
        ]),
      },
    ],
    notes: money.map(
      ({ currency, all, open }) =>
        `${all.toFixed(2)} ${currency} in all, ${open.toFixed(2)} of it still to be spent.`,
    ),
    code: codeOf(rows.map(({ key, count, length }) => [key, count, length])),
  };
}
