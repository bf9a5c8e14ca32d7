import { FITS, SUPPORT_KINDS } from '@/core/model/column';
import type { Part, PartFit, PartKind, TypedKind } from '@/core/model/parts';
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
  /** May be left empty. */
  optional?: true;
}

export const KIND_WORDS: Record<PartKind, { one: string; many: string }> = {
  upright: { one: 'upright', many: 'Uprights' },
  rack: { one: 'rack', many: 'Racks' },
  innerRod: { one: 'inner rod', many: 'Inner rods' },
  rodEnd: { one: 'rod end', many: 'Rod ends' },
  tyre: { one: 'tyre', many: 'Tyres' },
  tube: { one: 'tube', many: 'Tubes' },
  columnJoint: { one: 'column joint', many: 'Column joints' },
  columnShaft: { one: 'column shaft', many: 'Column shafts' },
  quickRelease: { one: 'quick release', many: 'Quick releases' },
  bearing: { one: 'column bearing', many: 'Column bearings' },
  collar: { one: 'collar', many: 'Collars' },
  coupler: { one: 'coupler', many: 'Couplers' },
  assistMotor: { one: 'assist motor', many: 'Assist motors' },
  damper: { one: 'damper', many: 'Dampers' },
  spring: { one: 'coil spring', many: 'Coil springs' },
  bar: { one: 'bar', many: 'Bars' },
  plate: { one: 'plate', many: 'Plates' },
  kit: { one: 'kit', many: 'Kits of arms and rods' },
};

const length = (path: string, label: string): PartField => ({ path, label, type: 'length' });
const text = (path: string, label: string): PartField => ({ path, label, type: 'text' });
const bench = (joint: string, word: string): PartField[] => [
  length(`${joint}.inboard`, `${word}: off the hub face`),
  length(`${joint}.above`, `${word}: above spindle`),
  length(`${joint}.ahead`, `${word}: ahead of spindle`),
];
/** One end of a part of the column. */
const fit = (end: string, word: string): PartField[] => [
  { path: `${end}.by`, label: `${word}: grips by`, type: 'choice', options: [...FITS] },
  length(`${end}.diameter`, `${word}: across`),
  { path: `${end}.teeth`, label: `${word}: teeth, 0 none`, type: 'number' },
  length(`${end}.depth`, `${word}: deep`),
];
const bothEnds = [...fit('above', 'Upper end'), ...fit('below', 'Lower end')];
/** What its seller states of a material. */
const stated: PartField[] = [
  {
    path: 'yield',
    label: 'Yield, as the seller states it',
    type: 'number',
    ending: 'N/mm²',
    optional: true,
  },
  { ...text('source', 'Stated by'), optional: true },
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
    ...stated,
  ],
  columnJoint: [
    { path: 'joint', label: 'Joint', type: 'choice', options: ['single', 'double'] },
    length('outside', 'Sweeps, across'),
    length('length', 'Centre to end'),
    { path: 'limit', label: 'Bends to', type: 'angle' },
    ...bothEnds,
  ],
  columnShaft: [
    length('outside', 'Outside diameter'),
    length('wall', 'Wall'),
    length('engaged', 'In itself, 0 none'),
    length('least', 'To stay in, least'),
    ...bothEnds,
  ],
  quickRelease: [length('length', 'Boss and release'), ...fit('fit', 'Shaft')],
  bearing: [
    { path: 'form', label: 'Bearing', type: 'choice', options: [...SUPPORT_KINDS] },
    length('bore', 'Bore'),
    length('width', 'Housing, wide'),
    length('ring', 'Inner ring, wide'),
  ],
  collar: [length('bore', 'Bore'), length('outside', 'Across'), length('thick', 'Thick')],
  coupler: [length('length', 'Length'), ...bothEnds],
  assistMotor: [
    length('length', 'Length'),
    length('outside', 'Across'),
    { path: 'torque', label: 'Torque, as the seller says', type: 'number', ending: 'N·m' },
    ...bothEnds,
  ],
  damper: [
    length('closed', 'Eye to eye, closed'),
    length('open', 'Eye to eye, open'),
    length('stop', 'Stop before closed, 0 none'),
    length('outside', 'Widest across'),
    length('eyeWidth', 'Eyes, wide'),
    length('eyeBore', 'Eyes, bore'),
    { path: 'eye', label: 'Eyes articulate, either way', type: 'angle' },
    length('pitch', 'Perch thread pitch, 0 none'),
  ],
  spring: [
    { path: 'rate', label: 'Rate', type: 'number', ending: 'N/mm' },
    length('free', 'Free length'),
    length('bind', 'Coil bound'),
    length('inside', 'Inside'),
    length('outside', 'Outside'),
  ],
  bar: [
    length('outside', 'Across'),
    length('wall', 'Wall, 0 solid'),
    length('length', 'Length that twists'),
  ],
  plate: [length('thick', 'Thick'), text('material', 'Material'), ...stated],
  kit: [text('of', 'Made for corners of the kind')],
};

const SPLINE: PartFit = { by: 'spline', diameter: 16, teeth: 36, depth: 25 };
const BOTH = { above: SPLINE, below: SPLINE };

/** What a new part's form begins with besides its measures, which are empty until they are typed. */
export const BLANKS: { [K in TypedKind]: Extract<Part, { kind: K }> } = {
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
  columnJoint: {
    ...{ kind: 'columnJoint', name: '', note: '', joint: 'single' },
    ...{ outside: 38, length: 36, limit: 35 },
    ...BOTH,
  },
  columnShaft: {
    ...{ kind: 'columnShaft', name: '', note: '' },
    ...{ outside: 19, wall: 2.5, engaged: 0, least: 0 },
    ...BOTH,
  },
  quickRelease: { kind: 'quickRelease', name: '', note: '', length: 70, fit: SPLINE },
  bearing: {
    ...{ kind: 'bearing', name: '', note: '', form: 'spherical' },
    ...{ bore: 19, width: 13, ring: 17 },
  },
  collar: { kind: 'collar', name: '', note: '', bore: 19, outside: 34, thick: 11 },
  coupler: { kind: 'coupler', name: '', note: '', length: 70, ...BOTH },
  assistMotor: {
    ...{ kind: 'assistMotor', name: '', note: '', length: 150, outside: 118, torque: 30 },
    ...BOTH,
  },
  damper: {
    ...{ kind: 'damper', name: '', note: '', closed: 250, open: 380, outside: 60, stop: 10 },
    ...{ eyeWidth: 30, eyeBore: 12, eye: 12, pitch: 2 },
  },
  spring: {
    ...{ kind: 'spring', name: '', note: '', rate: 30, free: 250, bind: 115 },
    ...{ inside: 57, outside: 78 },
  },
  bar: { kind: 'bar', name: '', note: '', outside: 19, wall: 0, length: 760 },
  plate: { kind: 'plate', name: '', note: '', thick: 4, material: '' },
};

const mm = (value: number): string => `${printLength(Math.round(value * 10) / 10)} mm`;

const fitInBrief = ({ by, diameter, teeth }: PartFit): string =>
  [by, teeth > 0 ? `${teeth} teeth` : '', mm(diameter)].filter(Boolean).join(' ');
const endsInBrief = ({ above, below }: { above: PartFit; below: PartFit }): string =>
  `${fitInBrief(above)} above, ${fitInBrief(below)} below`;

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
    case 'columnJoint':
      return `${part.joint}, to ${trimmed(part.limit, 1)}°, sweeps ${mm(part.outside)}, ${mm(part.length)} to its end, ${endsInBrief(part)}`;
    case 'columnShaft':
      return `${mm(part.outside)} x ${mm(part.wall)}${part.engaged > 0 ? `, ${mm(part.engaged)} in itself` : ''}, ${endsInBrief(part)}`;
    case 'quickRelease':
      return `${mm(part.length)} from the handwheel’s middle, ${fitInBrief(part.fit)}`;
    case 'bearing':
      return `${part.form}, bore ${mm(part.bore)}, housing ${mm(part.width)}, ring ${mm(part.ring)}`;
    case 'collar':
      return `bore ${mm(part.bore)}, ${mm(part.outside)} across, ${mm(part.thick)} thick`;
    case 'coupler':
      return `${mm(part.length)}, ${endsInBrief(part)}`;
    case 'assistMotor':
      return `${mm(part.length)} long, ${mm(part.outside)} across, ${trimmed(part.torque, 1)} N·m as the seller says, ${endsInBrief(part)}`;
    case 'damper':
      return `${mm(part.closed)} to ${mm(part.open)}, ${mm(part.outside)} across, eyes ${mm(part.eyeBore)}, ${trimmed(part.eye, 1)}° either way`;
    case 'spring':
      return `${trimmed(part.rate, 1)} N/mm, ${mm(part.free)} free, ${mm(part.bind)} bound, ${mm(part.inside)} inside`;
    case 'bar':
      return `${mm(part.outside)}${part.wall > 0 ? ` x ${mm(part.wall)}` : ' solid'}, ${mm(part.length)} that twists`;
    case 'kit':
      return part.members.map(({ name, cut }) => `${name} cut ${mm(cut)}`).join(', ');
    case 'plate':
      return `${mm(part.thick)} thick, ${part.material || 'material not written'}`;
    case 'tube':
      return `${mm(part.outside)} x ${mm(part.wall)}${part.material ? `, ${part.material}` : ''}`;
  }
}
