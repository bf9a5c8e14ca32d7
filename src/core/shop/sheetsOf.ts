import { uprightPoints } from '../corners/kinds';
import { scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { wheelOf } from '../kinematics/wheel';
import type { Wheel } from '../kinematics/wheel';
import type { AxleName, Build, Side } from '../model/build';
import { pointLabel } from '../model/labels';
import { SCHOOLS } from '../model/made';
import type { EndMade } from '../model/made';
import { PINS } from '../model/shop';
import { toVec } from '../model/points';
import { chassisToBench, wheelFrameOf } from '../takeoff/bench';
import { openVariantOf } from '../model/variants';
import type { Effect } from '../tolerance/adjusters';
import type { Heading, Sheet, SheetTable, Spot } from '../sheets/drawing';
import { bracketDrawing, bracketsOf } from './bracket';
import type { Bracket } from './bracket';
import { codeOf, partCode } from './code';
import { templates, templatesOf } from './copeSheet';
import { cutsOf } from './cut';
import type { Cut } from './cut';
import { boardOf, inPlane, jigOf, planeOf } from './jig';
import type { Board, Jig, Pin } from './jig';
import { jigDrawing } from './jigSheet';
import { sweptBy } from './neighbours';
import { partsList, sectionOf, totals } from './partsList';
import { axisAt, shopParts } from './parts';
import type { ShopMember, ShopPart } from './parts';
import { stackInWords, stackOf } from './stack';
import { adjustmentOf } from './threads';
import type { Adjustment } from './threads';

const mm = (value: number, places = 1): string => signed(value.toFixed(places));
const deg = (value: number): string => `${signed(value.toFixed(2))}°`;
const signed = (figure: string): string => figure.replace('-', '−');
const by = (value: number, unit = '°'): string =>
  `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(2)}${unit}`;

/** What stands over every sheet of a build's open variant. */
export function headingOf(build: Build, on: string): Heading {
  const variant = openVariantOf(build);
  return { build: build.name, variant: variant.name, on, frozen: variant.frozen !== undefined };
}

/** A wheel whose sheets are made, and which hands they are for. */
interface Hand {
  wheel: Wheel;
  side: Side;
  hands: readonly Side[];
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
  of: { axle: AxleName; side: Side; members: string[] } | null;
  make: () => Sheet;
}

/** Every sheet of a build's open variant: parts of each axle, then what goes for all. */
export function sheetEntries(build: Build): SheetEntry[] {
  const entries: SheetEntry[] = [];
  for (const axle of ['front', 'rear'] as const)
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
      ) => {
        const title = `${group} ${words}`;
        entries.push({
          ...{ id: `${which}/${id}`, title, group },
          of: { axle, side, members: made.map((member) => member.id) },
          make: () => make(`${which}/${id}`, title),
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
          entry(`${part.id}/jig`, `${part.name}, jig`, part.members, (id, title) =>
            jigSheet(build, hand, part, { id, title, group }),
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
    }
  entries.push({
    ...{ id: 'parts', title: 'Parts list', group: 'Build', of: null },
    make: () => listSheet(build),
  });
  return entries;
}

type Named = Pick<Sheet, 'id' | 'title' | 'group'>;

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
const hasThreads = ({ members }: ShopPart): boolean =>
  members.some(({ made }) => made.from.as === 'rodEnd' || made.to.as === 'rodEnd');

const ASSUMED =
  'Nobody has said yet what this is made of: common sizes stand in. Say it before you cut.';

/** What an end is, in a few words. */
export function endInWords(end: EndMade): string {
  if (end.as === 'rodEnd') return `rod end ${end.thread} ${end.hand}, ${mm(end.engaged)} in`;
  if (end.as === 'housing')
    return `housing ${end.outside} × ${end.length}, ${SCHOOLS[end.school].name}`;
  return `butted, ${mm(end.back)} short`;
}

const handsInWords = ({ hands }: Hand): string =>
  hands.length === 2 ? 'One for the left, one for the right.' : `For the ${hands[0]} side alone.`;

function tubeSheet(hand: Hand, parts: ShopPart[], named: Named): Sheet {
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
    tables: [table, ends],
    notes: [
      handsInWords(hand),
      ...cuts.flatMap(({ faults }) => faults),
      `Twist: how far the second housing is turned round the tube from the first, + counter-clockwise seen along the tube from the first${hands.length === 2 ? '; as told on the left, the other way on the right' : ''}.`,
      ...(cuts.some(({ member }) => member.assumed) ? [ASSUMED] : []),
    ],
    code: codeOf(parts.map((part) => partCode(wheel, part))),
  };
}

const effectInWords = (effect: Effect | null): string =>
  effect
    ? `toe ${by(effect.toe)}, camber ${by(effect.camber)}${effect.caster === null ? '' : `, caster ${by(effect.caster)}`}`
    : '';

const turned = ({ perTurn }: Adjustment): string =>
  perTurn === null ? 'taken off to be turned' : `${mm(perTurn, 2)} mm a turn`;

function threadSheet(build: Build, hand: Hand, parts: ShopPart[], named: Named): Sheet {
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

/** The pin of a jig that holds what is at a joint: a bush's bore, a bolt. */
function pinDiameter(part: ShopPart, { joint, rides }: Pin): number {
  if (rides) return 10;
  for (const { from, to, made } of part.members) {
    const end = from === joint ? made.from : to === joint ? made.to : null;
    if (end?.as === 'rodEnd') return end.bore;
    if (end?.as === 'housing') return 12;
  }
  return 12;
}

/** Which of a part's joints let it be set, and so what the jig has to hold. */
const isAdjustable = (part: ShopPart): boolean => hasThreads(part);

function jigSheet(build: Build, hand: Hand, part: ShopPart, named: Named): Sheet {
  const { wheel } = hand;
  const jig = jigOf(wheel, part, build.shop?.pins ?? PINS);
  const cuts = cutsOf(wheel, part);
  const label = (joint: string) => pointLabel(wheel.design, joint);
  const plane = planeOf(wheel, part);
  const half = Math.max(...part.members.map(({ made }) => made.outside)) / 2;
  const [x, y] = inPlane(plane, toVec(wheel.points[part.joints[0]]));
  const [first] = jig.pins;
  // On the board as its pins are.
  const swept = sweptBy(wheel, part, plane, half).map(({ name, outlines }) => ({
    name,
    outlines: outlines.map((edge) =>
      edge.map((spot): Spot => [jig.hand * (spot[0] - x) + first.x, spot[1] - y + first.y]),
    ),
  }));
  return {
    ...named,
    drawing: jigDrawing(jig, cuts, (pin) => pinDiameter(part, pin), swept),
    tables: [holesTable(jig, label, (pin) => pinDiameter(part, pin)), betweenTable(jig, label)],
    notes: [
      handsInWords(hand),
      ...handsOnJig(jig, hand),
      ...schoolsInWords(part, isAdjustable(part)),
      ...spreadInWords(jig),
      ...(swept.length > 0
        ? [
            `Keep clear, over travel and lock, within ${mm(half)} mm of the board’s plane: ${swept.map(({ name }) => name).join(', ')}. A bent tube or a plate arm goes round it; what is inside the rim (hub, brake, spokes) is not drawn.`,
          ]
        : []),
      TOWARD,
      ...cuts.flatMap(({ faults }) => faults),
      ...(part.members.some(({ assumed }) => assumed) ? [ASSUMED] : []),
    ],
    code: partCode(wheel, part),
  };
}

const TOWARD =
  'Toward: where the upper end of the axis leans, counted from along the board toward across it.';

const holesTable = (
  { pins }: Board,
  label: (joint: string) => string,
  pinOf: (pin: Pin) => number,
): SheetTable => ({
  title: 'Holes from the datum corner, mm',
  head: ['pin', 'along', 'across', 'height', 'pin of', 'off square', 'toward', 'wedge per 100'],
  widths: [0.26, 0.09, 0.09, 0.09, 0.09, 0.12, 0.11, 0.15],
  rows: pins.map((pin) => [
    label(pin.joint),
    mm(pin.x, 2),
    mm(pin.y, 2),
    mm(pin.height, 2),
    mm(pinOf(pin)),
    pin.lean ? deg(pin.lean.degrees) : pin.rides ? '' : 'lies flat',
    pin.lean ? deg(pin.lean.toward) : '',
    pin.lean ? mm(pin.lean.rise) : '',
  ]),
});

const betweenTable = ({ between }: Board, label: (joint: string) => string): SheetTable => ({
  title: 'Check by tape: centre to centre, mm',
  head: ['from', 'to', 'apart'],
  widths: [0.4, 0.4, 0.2],
  rows: between.map(({ from, to, length }) => [label(from), label(to), mm(length, 2)]),
});

/** An upright's joints on a board that its hub's face lies on, heights inboard. */
export function uprightBoard(wheel: Wheel): Board {
  const { design, points, type } = wheel;
  const { face, heading, up, axis } = wheelFrameOf(design, points);
  const at = (name: string): Vec => toVec(points[name]);
  return boardOf(
    wheel,
    { at: face, x: heading, y: up, up: scale(axis, -1) },
    uprightPoints(type),
    [],
    (name) => {
      const joint = type.joints.find((one) => one.at === name);
      if (joint && 'stud' in joint) return unit(sub(at(joint.stud[1]), at(joint.stud[0])));
      if (!joint || !('member' in joint)) return null;
      return axisAt(wheel, { from: name, to: joint.member }, name);
    },
  );
}

/** The upright on its hub's face, as it is welded or checked, and the frame's points from there. */
function uprightSheet(hand: Hand, named: Named): Sheet {
  const { wheel } = hand;
  const { design, points, type } = wheel;
  const label = (joint: string) => pointLabel(design, joint);
  const board = uprightBoard(wheel);
  const frame = wheelFrameOf(design, points);
  const far = Object.keys(points).filter((name) => type.points[name]?.on === 'chassis');
  const rim = design.rim !== undefined;
  return {
    ...named,
    drawing: jigDrawing(board, [], () => 12),
    tables: [
      holesTable(board, label, () => 12),
      betweenTable(board, label),
      {
        title: 'The frame’s points from the same face, car at ride height, mm',
        head: ['point', 'ahead', 'above', 'inboard'],
        widths: [0.4, 0.2, 0.2, 0.2],
        rows: far.map((name) => {
          const { ahead, above, inboard } = chassisToBench(frame, toVec(points[name]));
          return [label(name), mm(ahead, 2), mm(above, 2), mm(inboard, 2)];
        }),
      },
    ],
    notes: [
      handsInWords(hand),
      `Hub's face down on the table, its spindle upright: along is ${hand.side === 'right' ? 'to the rear' : 'ahead'}, across is up, heights are inboard of ${rim ? 'the hub’s face' : 'the wheel’s middle (no rim is known yet: take its offset off)'}.`,
      ...(hand.hands.length === 2
        ? ['Left as drawn; for the right side along counts to the rear: the mirror image.']
        : []),
      'Weld round a dummy hub and ream afterwards: a housing shrinks on what it is welded round. Short runs, side to side; measure again when it is cold.',
      TOWARD,
    ],
    code: codeOf([design.kind, design.static, design.rim ?? null, points, design.bolts ?? null]),
  };
}

function bracketSheet(
  hand: Hand,
  list: readonly { member: ShopMember; bracket: Bracket }[],
  named: Named,
): Sheet {
  const { wheel, hands } = hand;
  const label = (joint: string) => pointLabel(wheel.design, joint);
  return {
    ...named,
    drawing: bracketDrawing(
      list.map(({ bracket }) => ({ bracket, title: label(bracket.joint) })),
      hands.length,
    ),
    tables: [
      {
        title: 'Holes from the middle of the foot, mm',
        head: ['bracket', 'hole', 'along', 'over the foot', 'bolt'],
        widths: [0.36, 0.16, 0.16, 0.16, 0.16],
        rows: list.flatMap(({ bracket }) =>
          bracket.holes.map(({ at, drawn }) => [
            label(bracket.joint),
            drawn ? 'as drawn' : 'another',
            mm(at[0], 2),
            mm(at[1], 2),
            mm(bracket.held.bolt),
          ]),
        ),
      },
      ...(list.some(({ bracket }) => bracket.flat)
        ? [
            {
              title: 'Folded from one plate, mm',
              head: ['bracket', 'flat length', 'each bend takes', 'fold lines from the middle'],
              widths: [0.36, 0.18, 0.2, 0.26],
              rows: list.flatMap(({ bracket: { joint, flat } }) =>
                flat
                  ? [
                      [
                        label(joint),
                        mm(flat.length),
                        mm(flat.allowance, 2),
                        `±${mm(flat.bends[0], 2)}`,
                      ],
                    ]
                  : [],
              ),
            },
          ]
        : []),
    ],
    notes: [
      ...list.flatMap(({ bracket }) => bracket.faults),
      ...list.flatMap(({ bracket: { joint, correction } }) =>
        correction
          ? [
              `${label(joint)}: washers moved from one side to the other, at every pivot of it alike, set it ${mm(correction.each)} mm either way along its bolt${correction.effect ? `; one way that is ${effectInWords(correction.effect)}` : ''}. Washers only add: weld it toward the side that they can bring back.`,
            ]
          : [],
      ),
      'Ears stand square to the bolt. Drill both of a pair together, tacked; ream after welding. Bend allowance by the neutral line at 0.4 of the thickness: fold a strip of the same plate first.',
    ],
    code: codeOf(list.map(({ bracket }) => [bracket.joint, bracket.held, bracket.holes])),
  };
}

/** How the other hand comes off the same board. */
function handsOnJig(jig: Jig, { hands, side }: Hand): string[] {
  const [first, second] = hands.length === 2 ? ['left', 'right'] : [side, null];
  const off = Math.max(jig.above, jig.below);
  const leans = jig.pins.some(({ lean }) => lean && lean.degrees > 0.05);
  return [
    `Drawn with the upper side of the ${first} part looking at you.`,
    ...(second
      ? [
          `The ${second} part is the mirror image: weld it on the same pins with its lower side looking at you${leans ? '; the wedge goes the other way up' : ''}${off > 0.05 ? `, what stands ${mm(off)} mm off the plane to the other side: raise the pins by as much` : ''}.`,
        ]
      : []),
  ];
}

/** What has to be exact and what is left to be set, by either way of going about it. */
export function schoolsInWords(
  { members }: Pick<ShopPart, 'members'>,
  adjustable: boolean,
): string[] {
  const arm = members.map(({ name }) => name).join(' and ');
  return [
    `Jig first: the brackets are welded, the arm is made to them. The jig holds ${arm} to the table's figures${adjustable ? '; rod ends are locked where they are drawn before it is tacked' : ', for nothing of it can be set afterwards'}.`,
    adjustable
      ? 'Arms first: set every rod end to its drawn length on this board, hang the arm on the upright, and let its inner ends say where the brackets go.'
      : 'Arms first: made exact here, the arm itself holds the brackets in place while they are tacked; camber and caster are then set by shims or holes alone.',
  ];
}

function spreadInWords({ spread }: Jig): string[] {
  if (!spread) return [];
  const said = ({ camber, toe, caster }: Effect): string =>
    `camber ±${Math.abs(camber).toFixed(2)}°, ${caster === null ? '' : `caster ±${caster.toFixed(2)}°, `}toe ±${Math.abs(toe).toFixed(2)}° before it is set again`;
  return [
    `Pins within ±${spread.pins} mm: ${said(spread.likely)} is likely; at the worst ${said(spread.worst)}.`,
  ];
}

function copeSheet(hand: Hand, part: ShopPart, cut: Cut, named: Named): Sheet {
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
