import { uprightPoints } from '../corners/kinds';
import { scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { pointLabel } from '../model/labels';
import { PINS } from '../model/shop';
import { toVec } from '../model/points';
import { chassisToBench, wheelFrameOf } from '../takeoff/bench';
import type { Effect } from '../tolerance/adjusters';
import type { Sheet, SheetTable, Spot } from '../sheets/drawing';
import { codeOf, partCode } from './code';
import { cutsOf } from './cut';
import { boardOf, inPlane, jigOf } from './jig';
import type { Board, Jig, Pin } from './jig';
import { jigDrawing } from './jigSheet';
import { DENSITY } from './listed';
import { onPlane } from './onPlane';
import { axisAt } from './parts';
import { areaOf, platesDrawing } from './plates';
import type { Plate } from './plates';
import type { ShopPart } from './parts';
import { ASSUMED, deg, handsInWords, hasThreads, mm } from './sheetWords';
import type { Hand, Named } from './sheetWords';

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

export function jigSheet(build: Build, hand: Hand, part: ShopPart, named: Named): Sheet {
  const { wheel } = hand;
  const jig = jigOf(wheel, part, build.shop?.pins ?? PINS);
  const cuts = cutsOf(wheel, part);
  const label = (joint: string) => pointLabel(wheel.design, joint);
  const { plane, half, swept, plate, tubes, rooms } = onPlane(build, wheel, part);
  const [x, y] = inPlane(plane, toVec(wheel.points[part.joints[0]]));
  const [first] = jig.pins;
  // On the board as its pins are.
  const moved = (spot: Spot): Spot => [jig.hand * (spot[0] - x) + first.x, spot[1] - y + first.y];
  return {
    ...named,
    drawing: jigDrawing(
      jig,
      tubes.map(({ skin, middle }) => ({ skin: skin.map(moved), middle: middle.map(moved) })),
      (pin) => pinDiameter(part, pin),
      swept.map(({ name, outlines }) => ({
        name,
        outlines: outlines.map((edge) => edge.map(moved)),
      })),
    ),
    tables: [holesTable(jig, label, (pin) => pinDiameter(part, pin)), betweenTable(jig, label)],
    notes: [
      handsInWords(hand),
      ...rooms
        .filter(({ room, wanted, bolted }) => !bolted && room < wanted)
        .map(({ name, room, wanted }) =>
          room === 0
            ? `The ${name} comes through it over travel and lock: bend its tube, or cut it from plate.`
            : `The ${name} comes within ${mm(room)} mm of it in its own plane; ${mm(wanted)} mm are wanted.`,
        ),
      ...(plate?.faults ?? []),
      ...handsOnJig(jig, hand),
      ...schoolsInWords(part, hasThreads(part)),
      ...spreadInWords(jig),
      ...(swept.length > 0
        ? [
            `Keep clear, over travel and lock, within ${mm(half)} mm of the board’s plane: ${swept.map(({ name }) => name).join(', ')}. A bent tube or a plate arm goes round it; a neighbour that is bent itself is drawn as straight; what is inside the rim (hub, brake, spokes) is not drawn. ${boltedOn(rooms)}`.trim(),
          ]
        : []),
      TOWARD,
      ...cuts.flatMap(({ faults }) => faults),
      ...(part.members.some(({ assumed }) => assumed) ? [ASSUMED] : []),
    ],
    code: partCode(wheel, part),
  };
}

/** An arm of plate at full size. */
export function plateArmSheet(build: Build, hand: Hand, part: ShopPart, named: Named): Sheet {
  const { wheel, hands } = hand;
  const { plate, rooms } = onPlane(build, wheel, part);
  const label = (joint: string) => pointLabel(wheel.design, joint);
  const { edge, windows, holes, thick, faults } = plate!;
  const { material } = part.members.find(({ made }) => made.form === 'plate')!.made;
  const drawn: Plate = {
    ...{ title: part.name, edge, windows, holes },
    said: [
      `${hands.length} of ${mm(thick)} mm ${material}`,
      `upper side of the ${hand.side} one${hands.length > 1 ? '; turned over it is the other' : ''}`,
    ],
  };
  return {
    ...named,
    drawing: edge.length > 2 ? platesDrawing([drawn]) : null,
    tables: [
      {
        title: 'Plate, mm',
        head: ['what', 'figure'],
        widths: [0.6, 0.4],
        rows: [
          ['thick', mm(thick)],
          ['weighs, kg', (areaOf(drawn) * thick * DENSITY[material]).toFixed(3)],
          ...holes.map(({ joint, across }) => [`bored for the ${label(joint)}`, mm(across)]),
          ...rooms.map(({ name, room }) => [`from what the ${name} sweeps`, mm(room)]),
        ],
      },
    ],
    notes: [
      ...faults,
      'Cut where neighbours sweep over travel and lock, with the room that is wanted between what moves. Housings that stand in it are welded on both faces, those that lie in its edge along both; break every edge, no corner that a crack can begin at.',
      'A plate is stiff in its own plane alone: where braking or a damper bends it out of that it wants a flange or a second plate. Loads reckons its legs as tubes of their figures.',
    ],
    code: codeOf([
      partCode(wheel, part),
      edge.map(([x, y]) => [Math.round(x * 10), Math.round(y * 10)]),
    ]),
  };
}

/** Of what stands on the part itself its room is not told. */
const boltedOn = (rooms: readonly { name: string; bolted: boolean }[]): string => {
  const names = rooms.flatMap(({ name, bolted }) => (bolted ? [name] : []));
  return names.length > 0
    ? `The ${names.join(' and the ')} stands on it: how near that comes beside its own lug is not told here, see Arms.`
    : '';
};

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
export function uprightSheet(hand: Hand, named: Named): Sheet {
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
