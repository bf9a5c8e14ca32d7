import type { Build } from '../model/build';
import { pointLabel } from '../model/labels';
import { SCHOOLS } from '../model/made';
import type { EndMade } from '../model/made';
import type { Sheet, SheetTable } from '../sheets/drawing';
import { codeOf, partCode } from './code';
import { templates, templatesOf } from './copeSheet';
import { cutsOf } from './cut';
import type { Cut } from './cut';
import { sectionOf } from './listed';
import type { ShopPart } from './parts';
import { stackInWords, stackOf } from './stack';
import { adjustmentOf } from './threads';
import type { Adjustment } from './threads';
import { ASSUMED, deg, effectInWords, handsInWords, mm } from './sheetWords';
import type { Hand, Named } from './sheetWords';

/** What an end is, in a few words. */
export function endInWords(end: EndMade): string {
  if (end.as === 'rodEnd') return `rod end ${end.thread} ${end.hand}, ${mm(end.engaged)} in`;
  if (end.as === 'housing')
    return `housing ${end.outside} × ${end.length}, ${SCHOOLS[end.school].name}`;
  return `butted, ${mm(end.back)} short`;
}

export function tubeSheet(hand: Hand, parts: ShopPart[], named: Named): Sheet {
  const { wheel, side, hands } = hand;
  const cuts = parts.flatMap((part) => cutsOf(wheel, part));
  const table: SheetTable = {
    title: 'Cut lengths, longest point to longest point, mm',
    head: ['what', 'of', 'joints', 'cut', 'between marks', 'ends off square', 'twist'],
    widths: [0.22, 0.2, 0.09, 0.09, 0.14, 0.17, 0.09],
    rows: cuts.map(({ member, cut, marks, twist, ends }) => [
      member.name,
      sectionOf(member.made),
      mm(member.centres),
      mm(cut),
      marks === null ? 'cut square' : mm(marks),
      ends.map(({ lean }) => (lean === null ? 'square' : deg(lean))).join(' / '),
      twist === null ? '' : deg(side === 'right' ? -twist : twist),
    ]),
  };
  const bent: SheetTable = {
    title: 'Bends, along the tube’s middle from the cut end, mm',
    head: ['what', 'bend', 'round', 'begins', 'takes', 'left after it', 'toward'],
    widths: [0.24, 0.12, 0.12, 0.13, 0.12, 0.15, 0.12],
    rows: cuts.flatMap(({ member, bend }) =>
      bend
        ? [
            [
              member.name,
              deg(bend.degrees),
              mm(bend.radius),
              mm(bend.before),
              mm(bend.arc),
              mm(bend.after),
              bend.toward,
            ],
          ]
        : [],
    ),
  };
  const ends: SheetTable = {
    title: 'What is at their ends',
    head: ['what', 'inner end', 'takes', 'outer end', 'takes'],
    widths: [0.2, 0.3, 0.09, 0.32, 0.09],
    rows: cuts.map(({ member, ends: [a, b] }) => [
      member.name,
      endInWords(a.made),
      mm(a.from),
      endInWords(b.made),
      mm(b.from),
    ]),
  };
  return {
    ...named,
    drawing: null,
    tables: [table, ...(bent.rows.length > 0 ? [bent] : []), ends],
    notes: [
      handsInWords(hand),
      ...cuts.flatMap(({ faults }) => faults),
      `Twist: how far the second housing is turned round the tube from the first, + counter-clockwise seen along the tube from the first${hands.length === 2 ? '; as told on the left, the other way on the right' : ''}.`,
      ...(bent.rows.length > 0
        ? [
            'Bent tubes are cut longer and trimmed after bending: benders differ, and a bend springs back. Bent in the arm’s own plane, its upper side stays up all along. A bent tube is bent further by every load on it; Loads reckons it straight.',
          ]
        : []),
      ...(cuts.some(({ member }) => member.made.form === 'square')
        ? [
            'A square tube’s flats look up and down; templates fold at its corners, as if these were sharp.',
          ]
        : []),
      ...(cuts.some(({ member }) => member.assumed) ? [ASSUMED] : []),
    ],
    code: codeOf(parts.map((part) => partCode(wheel, part))),
  };
}

const turned = ({ perTurn }: Adjustment): string =>
  perTurn === null ? 'taken off to be turned' : `${mm(perTurn, 2)} mm a turn`;

export function threadSheet(build: Build, hand: Hand, parts: ShopPart[], named: Named): Sheet {
  const { wheel } = hand;
  const members = parts.flatMap((part) => part.members);
  const found = members.flatMap((member) => {
    const adjustment = adjustmentOf(wheel, member, build.shop);
    return adjustment ? [{ member, adjustment }] : [];
  });
  const label = (joint: string) => pointLabel(wheel.design, joint);
  const threads: SheetTable = {
    title: 'Threads, mm',
    head: [
      'what',
      'end',
      'thread',
      'hand',
      'drill',
      'deep',
      'engaged (least to most)',
      'witness hole',
    ],
    widths: [0.16, 0.2, 0.12, 0.07, 0.11, 0.08, 0.16, 0.1],
    rows: found.flatMap(({ member, adjustment }) =>
      adjustment.ends.map((end) => [
        member.name,
        label(member[end.at]),
        end.made.thread,
        end.made.hand.toUpperCase(),
        `${end.drill.toFixed(2)}${end.drillName ? ` (${end.drillName})` : ''}`,
        mm(end.deep),
        `${mm(end.engaged)} (${mm(end.least)} to ${mm(end.most)})`,
        mm(end.witness),
      ]),
    ),
  };
  const range: SheetTable = {
    title: 'What they can be set by, from the length as drawn',
    head: ['what', 'turning', 'shorter', 'that does', 'longer', 'that does'],
    widths: [0.16, 0.14, 0.09, 0.26, 0.09, 0.26],
    rows: found.map(({ member, adjustment }) => [
      member.name,
      turned(adjustment),
      mm(adjustment.shorter),
      effectInWords(adjustment.atShortest),
      mm(adjustment.longer),
      effectInWords(adjustment.atLongest),
    ]),
  };
  const stacks = members.flatMap((member) =>
    (['from', 'to'] as const).flatMap((at) => {
      const end = member.made[at];
      const stack = end.as === 'rodEnd' ? stackOf(end) : null;
      return stack && end.as === 'rodEnd' ? [{ member, at, end, stack }] : [];
    }),
  );
  const stackTable: SheetTable = {
    title: 'What stands on the bolts, mm',
    head: ['what', 'end', 'spacers', 'grip', 'bolt'],
    widths: [0.18, 0.22, 0.38, 0.1, 0.12],
    rows: stacks.map(({ member, at, end, stack }) => [
      member.name,
      label(member[at]),
      stackInWords(stack, end.held!.ears),
      mm(stack.grip),
      stack.bolt === null ? 'longer than sold' : `${end.held!.bolt} × ${stack.bolt}`,
    ]),
  };
  return {
    ...named,
    drawing: null,
    tables: [threads, range, ...(stacks.length > 0 ? [stackTable] : [])],
    notes: [
      ...found.flatMap(({ adjustment }) => adjustment.faults),
      ...stacks.flatMap(({ member, stack }) =>
        stack.faults.map((fault) => `${member.name}: ${fault}`),
      ),
      'Tap one end right, the other left, and mark which before either is welded in. A witness hole shows thread while enough is in.',
      ...(members.some(({ assumed }) => assumed) ? [ASSUMED] : []),
    ],
    code: codeOf([parts.map((part) => partCode(wheel, part)), build.shop?.engaged ?? null]),
  };
}

export function copeSheet(hand: Hand, part: ShopPart, cut: Cut, named: Named): Sheet {
  const { wheel, hands } = hand;
  const label = (joint: string) => pointLabel(wheel.design, joint);
  const list = templatesOf(cut, label, hands);
  const { member, marks } = cut;
  return {
    ...named,
    drawing: templates(list),
    tables: [],
    notes: [
      `${sectionOf(member.made)}, cut ${mm(cut.cut)} mm longest to longest${marks === null ? '' : `; between the two reference marks ${mm(marks)} mm`}.`,
      'Draw one straight line along the tube: both templates’ middle lines lie on it, upper side up. Edge meets edge at the back.',
      `Once round is ${mm(Math.PI * member.made.outside)} mm: a strip that does not meet is printed at another size.`,
      'Cut square through the wall: of its inner and outer edge the one that touches first is drawn.',
      ...cut.faults,
      ...(member.assumed ? [ASSUMED] : []),
    ],
    code: partCode(wheel, part),
  };
}
