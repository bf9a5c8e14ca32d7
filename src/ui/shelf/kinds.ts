import type { Part, PartKind } from '@/core/model/parts';
import { printLength, trimmed } from '@/core/model/units';

/** One field of a part's form: what it is called and how it is typed. */
export interface PartField {
  /** Path within the part. */
  path: string;
  label: string;
  type: 'length' | 'angle' | 'number' | 'text' | 'choice';
  ending?: string;
  options?: string[];
  wide?: boolean;
}

export const KIND_WORDS: Record<PartKind, { one: string; many: string }> = {
  upright: { one: 'upright', many: 'Uprights' },
  rack: { one: 'rack', many: 'Racks' },
  innerRod: { one: 'inner rod', many: 'Inner rods' },
  rodEnd: { one: 'rod end', many: 'Rod ends' },
  tyre: { one: 'tyre', many: 'Tyres' },
  tube: { one: 'tube', many: 'Tubes' },
};

const length = (path: string, label: string): PartField => ({ path, label, type: 'length' });
const text = (path: string, label: string): PartField => ({ path, label, type: 'text' });
const bench = (joint: string, word: string): PartField[] => [
  length(`${joint}.inboard`, `${word}: off the hub face`),
  length(`${joint}.above`, `${word}: above spindle`),
  length(`${joint}.ahead`, `${word}: ahead of spindle`),
];
const handed: PartField = {
  path: 'hand',
  label: 'Hand',
  type: 'choice',
  options: ['left', 'right'],
};

export const FIELDS: Record<PartKind, PartField[]> = {
  upright: [
    { ...handed, label: 'Made for the side' },
    length('tolerance', '± of the measurements'),
    ...bench('lowerOuter', 'Lower joint'),
    ...bench('upperOuter', 'Upper joint'),
    ...bench('tieRodOuter', 'Tie rod joint'),
  ],
  rack: [
    length('travel', 'Travel each way'),
    length('perTurn', 'Travel per turn'),
    length('between', 'Between inner joints'),
    text('innerThread', 'Inner joint thread'),
    { path: 'pinion', label: 'Pinion', type: 'choice', options: ['left', 'right', 'centre'] },
    text('spline', 'Input spline'),
    { ...text('mounts', 'Mounts'), wide: true },
  ],
  innerRod: [
    length('length', 'Ball to thread’s tip'),
    text('rackThread', 'Thread on the rack'),
    text('outerThread', 'Outer thread'),
  ],
  rodEnd: [
    length('bore', 'Bore'),
    text('thread', 'Thread'),
    { ...handed, label: 'Thread hand' },
    length('body', 'Ball to shank end'),
    { path: 'misalignment', label: 'Misalignment limit', type: 'angle' },
    { path: 'load', label: 'Load, as the seller says', type: 'number', ending: 'kN' },
  ],
  tyre: [
    text('code', 'Size'),
    length('diameter', 'Free diameter'),
    length('width', 'Width'),
    length('radius', 'Loaded radius'),
  ],
  tube: [
    length('outside', 'Outside diameter'),
    length('wall', 'Wall'),
    text('material', 'Material'),
  ],
};

/** What a new part's form begins with besides its measures, which are empty until they are typed. */
export const BLANKS: { [K in PartKind]: Extract<Part, { kind: K }> } = {
  upright: {
    kind: 'upright',
    name: '',
    note: '',
    hand: 'left',
    lowerOuter: { inboard: 80, above: -115, ahead: 8 },
    upperOuter: { inboard: 115, above: 120, ahead: -12 },
    tieRodOuter: { inboard: 90, above: -45, ahead: -115 },
    tolerance: 0.5,
  },
  rack: {
    kind: 'rack',
    name: '',
    note: '',
    travel: 65,
    perTurn: 44,
    between: 560,
    innerThread: '',
    pinion: 'right',
    mounts: '',
    spline: '',
  },
  innerRod: {
    kind: 'innerRod',
    name: '',
    note: '',
    rackThread: '',
    outerThread: '',
    length: 300,
  },
  rodEnd: {
    kind: 'rodEnd',
    name: '',
    note: '',
    bore: 10,
    thread: '',
    hand: 'right',
    body: 48,
    misalignment: 14,
    load: 20,
  },
  tyre: { kind: 'tyre', name: '', note: '', code: '', diameter: 580, width: 195, radius: 280 },
  tube: { kind: 'tube', name: '', note: '', outside: 25, wall: 2, material: '' },
};

const mm = (value: number): string => `${printLength(Math.round(value * 10) / 10)} mm`;

/** A part in one line. */
export function inBrief(part: Part): string {
  switch (part.kind) {
    case 'upright': {
      const tall = Math.hypot(
        part.upperOuter.above - part.lowerOuter.above,
        part.upperOuter.inboard - part.lowerOuter.inboard,
        part.upperOuter.ahead - part.lowerOuter.ahead,
      );
      const arm = part.tieRodOuter.ahead < 0 ? 'behind' : 'ahead';
      return `${part.hand}, ball joints ${mm(tall)} apart, steering arm ${arm}, ±${mm(part.tolerance)}`;
    }
    case 'rack':
      return `${mm(part.travel)} each way, ${mm(part.perTurn)} a turn, inner joints ${mm(part.between)} apart, pinion ${part.pinion}`;
    case 'innerRod':
      return `${mm(part.length)} to the thread’s tip, ${part.rackThread || 'thread not written'} on the rack, ${part.outerThread || 'thread not written'} outside`;
    case 'rodEnd':
      return `bore ${mm(part.bore)}, ${part.thread || 'thread not written'} ${part.hand}, ${trimmed(part.misalignment, 1)}° either way, ${trimmed(part.load, 1)} kN as the seller says`;
    case 'tyre':
      return `${part.code || 'no size'}, ${mm(part.diameter)} across, loaded radius ${mm(part.radius)}`;
    case 'tube':
      return `${mm(part.outside)} x ${mm(part.wall)}${part.material ? `, ${part.material}` : ''}`;
  }
}
