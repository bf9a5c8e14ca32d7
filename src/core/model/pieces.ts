import { z } from 'zod';
import { MODULUS } from './loads';
import type { Material } from './loads';
import { THREAD_NAMES } from './threads';
import type { ThreadName } from './threads';
import { coordinate, group, listOf, measure, problem, remark } from './wording';

/** A figure of a piece, or one of a few words; lengths mm, angles degrees, warmth °C. `start` is what it begins with. */
type Figure = {
  as: 'length' | 'angle' | 'count' | 'warmth';
  label: string;
  start: number;
  min: number;
  max: number;
};
type Word<T extends string> = { as: 'word'; label: string; start: T; options: readonly T[] };
export type PieceField = Figure | Word<string>;

const mm = (label: string, start: number, min: number, max: number): Figure => ({
  ...{ as: 'length', label, start, min, max },
});
const degrees = (label: string, start: number, min: number, max: number): Figure => ({
  ...{ as: 'angle', label, start, min, max },
});
const warmth = (label: string, start: number, min: number, max: number): Figure => ({
  ...{ as: 'warmth', label, start, min, max },
});
const count = (start: number): Figure => ({
  ...{ as: 'count', label: 'how many in all', start, min: 1, max: 99 },
});
const word = <const T extends readonly string[]>(
  label: string,
  start: T[number],
  options: T,
): Word<T[number]> => ({ ...{ as: 'word', label, start, options } });
const MATERIALS = Object.keys(MODULUS) as Material[];
const material = word('Material', 'steel', MATERIALS);
const thread = (start: ThreadName) => word('Thread', start, THREAD_NAMES);

/** Tapers of studs, by what they grow over their length (common practice, from memory). */
export const TAPERS = { '1:10': 10, '1:8': 8, '1:6': 6, '1:16': 16 } as const;
const taper = word('Taper', '1:10', Object.keys(TAPERS) as (keyof typeof TAPERS)[]);

/** How a bore and what goes into it are to sit. */
export const FITS = [
  'bush pressed in',
  'bearing, its outer ring turns',
  'bearing, its outer ring stands',
  'bearing on its spindle',
  'turns in it, greased',
  'slides by hand',
] as const;
export type Fit = (typeof FITS)[number];

/** What lies on a welding table. */
export const POSES = ['hub’s face down', 'spindle level', 'as in the car'] as const;
export type Pose = (typeof POSES)[number];

/** Plates and other parts that are made besides what lies between two joints: what is said of each, in this order. */
export const PIECE_FIELDS = {
  gusset: {
    a: mm('along one tube', 70, 10, 400),
    b: mm('along the other', 70, 10, 400),
    angle: degrees('between them', 90, 20, 160),
    nose: mm('off its corner', 12, 0, 60),
    tip: mm('tips, blunt', 8, 0, 60),
    hole: mm('hole', 0, 0, 200),
    thick: mm('thick', 3, 0.5, 40),
    material,
    count: count(4),
  },
  skid: {
    long: mm('long, flat', 260, 20, 1500),
    wide: mm('wide', 300, 20, 1500),
    lip: mm('lips', 45, 10, 300),
    up: degrees('lips turned up', 30, 5, 90),
    radius: mm('inner radius', 6, 0, 60),
    under: mm('under what is lowest', 12, 2, 200),
    bolt: mm('bolts', 8, 3, 30),
    thick: mm('thick', 4, 0.5, 40),
    material: word('Material', 'aluminium', MATERIALS),
    count: count(1),
  },
  rackPlate: {
    ahead: mm('the rack now, ahead', 0, -5000, 5000),
    up: mm('the rack now, up', 0, -500, 2000),
    spacing: mm('between a mount’s bolts', 70, 10, 400),
    row: word('Bolts of a mount', 'one behind the other', [
      'one behind the other',
      'one over the other',
    ]),
    bolt: mm('bolts', 10, 3, 30),
    thick: mm('thick', 6, 0.5, 40),
    material,
    count: count(2),
  },
  rackMount: {
    body: mm('rack’s body', 45, 15, 120),
    height: mm('its middle over the foot', 40, 10, 300),
    spacing: mm('between its bolts', 85, 20, 400),
    wide: mm('strap, wide', 30, 8, 120),
    radius: mm('inner radius', 4, 0, 60),
    bolt: mm('bolts', 8, 3, 30),
    thick: mm('thick', 4, 0.5, 20),
    material,
    count: count(2),
  },
  centrePlate: {
    spacing: mm('between the rack’s bolts', 60, 10, 400),
    off: mm('rods ahead of those', 0, -200, 200),
    bolt: mm('rack’s bolts', 10, 3, 30),
    pin: mm('rods’ bolts', 12, 3, 30),
    eye: mm('rod ends, across', 32, 10, 100),
    thick: mm('thick', 10, 0.5, 40),
    material,
    count: count(1),
  },
  firewallPlate: {
    corner: mm('corners, round', 10, 0, 60),
    material,
    count: count(1),
  },
  dummy: {
    bolt: mm('bolts through it', 12, 3, 40),
    wide: mm('wide', 44, 8, 120),
    thick: mm('thick', 6, 0.5, 40),
    material,
    count: count(2),
  },
  uprightPlate: {
    inboard: mm('plate inboard of the hub’s face', 40, -100, 300),
    hub: mm('hole for the hub', 72, 10, 250),
    boss: mm('bosses, outside', 40, 8, 150),
    edge: mm('plate round a boss', 10, 0, 80),
    thick: mm('thick', 10, 0.5, 60),
    material,
    count: count(2),
  },
  steeringArm: {
    back: mm('rod’s hole to its bolts', 90, 20, 400),
    spacing: mm('between its bolts', 45, 10, 200),
    bolt: mm('bolts', 10, 3, 30),
    pin: mm('rod’s bolt', 12, 3, 40),
    thick: mm('thick', 12, 0.5, 60),
    material,
    count: count(2),
  },
  rack: {
    between: mm('ball to ball now', 620, 50, 3000),
    thread: thread('M14x1.5'),
    threaded: mm('thread on its ends now', 25, 0, 200),
    plain: mm('end to first tooth', 90, 0, 600),
    out: mm('bar out of its housing', 80, 0, 600),
    ball: mm('inner joint behind the thread', 25, 0, 100),
    housing: word('Housing', 'as it is', ['as it is', 'shortened as well']),
  },
  halfShaft: {
    across: mm('shaft', 26, 8, 80),
    stroke: mm('plunge, end to end', 40, 0, 200),
    reserve: mm('left at both ends', 4, 0, 50),
    first: mm('inner piece has', 260, 20, 2000),
    second: mm('outer piece has', 260, 20, 2000),
    sleeve: mm('sleeve, outside', 40, 8, 150),
    overlap: mm('each end in it', 52, 5, 300),
  },
  taper: {
    thick: mm('arm, thick', 20, 3, 80),
    across: mm('arm, across', 38, 8, 150),
    old: mm('old hole, large end', 15, 4, 60),
    big: mm('new hole, large end', 15, 4, 60),
    taper,
    shift: mm('new hole from the old', 25, 0, 300),
    count: count(2),
  },
  straight: {
    thick: mm('arm, thick', 20, 3, 80),
    across: mm('arm, across', 38, 8, 150),
    big: mm('taper, large end', 15, 4, 60),
    taper,
    bolt: mm('bolt', 12, 3, 40),
    ball: mm('rod end, along its bolt', 16, 2, 80),
    spacer: mm('spacer to it', 6, 0, 100),
    material,
    count: count(2),
  },
  sleeve: {
    bore: mm('goes into a bore of', 12.7, 4, 80),
    body: mm('long, that bore', 16, 2, 120),
    bolt: mm('over a bolt of', 10, 3, 60),
    flange: mm('flange, across', 18, 4, 120),
    long: mm('flange, long', 8, 0, 120),
    count: count(4),
  },
  donor: {
    has: mm('rod now, joint to joint', 300, 50, 3000),
    across: mm('rod, across', 16, 5, 80),
    wall: mm('wall; 0 is solid', 0, 0, 30),
    sleeve: mm('sleeve, outside', 24, 8, 120),
    overlap: mm('each end in it', 40, 5, 300),
    leg: mm('weld’s leg', 6, 1, 20),
    count: count(2),
  },
  drawn: { thick: mm('thick', 6, 0.5, 60), material, count: count(2) },
  fit: {
    across: mm('across', 40, 4, 180),
    fit: word('How it sits', 'bush pressed in', FITS),
    housing: word('Housing of', 'steel', ['steel', 'aluminium']),
    warmer: warmth('runs warmer by', 60, 0, 200),
    room: warmth('shop', 20, -20, 45),
  },
  pose: {
    pose: word('It lies', 'spindle level', POSES),
    height: mm('hub’s face over the table', 150, -500, 2000),
    lean: degrees('table leans', 0, -60, 60),
    toward: degrees('toward', 0, -180, 360),
  },
} as const satisfies Record<string, Record<string, PieceField>>;

const spot = z.tuple([coordinate, coordinate], { error: problem });
/** So much a shape out of a drawing has at most, and so many shapes a drawing. */
export const MOST_OF_SHAPE = {
  ...{ spots: 2000, windows: 40, holes: 200, shapes: 40 },
  /** Of all its outlines together, so that its surface is still one. */
  together: 20_000,
} as const;
const outline = z
  .array(spot)
  .min(3, 'has fewer than three places')
  .max(MOST_OF_SHAPE.spots, 'has too many places');
/** A plate's edge, what is cut out of it, holes; mm. */
export const plateShape = group({
  edge: outline,
  windows: listOf(outline, MOST_OF_SHAPE.windows, 'windows'),
  holes: listOf(
    group({ at: spot, across: measure('mm', 0.1, 2000) }),
    MOST_OF_SHAPE.holes,
    'holes',
  ),
});
export type PlateShape = z.infer<typeof plateShape>;

type Fields = typeof PIECE_FIELDS;
export type PieceKind = keyof Fields;
export const PIECE_KINDS = Object.keys(PIECE_FIELDS) as PieceKind[];
/** Kinds that begin with figures; one out of a drawing begins with that. */
export type StartedKind = Exclude<PieceKind, 'drawn'>;
export const STARTED_KINDS = PIECE_KINDS.filter((kind): kind is StartedKind => kind !== 'drawn');

type ValueOf<F> = F extends Word<infer T> ? T : number;
/** A piece of one kind: what is said of it; one out of a drawing also its shape. */
export type PieceOf<K extends PieceKind> = { as: K; id: string; name?: string | undefined } & {
  -readonly [F in keyof Fields[K]]: ValueOf<Fields[K][F]>;
} & (K extends 'drawn' ? { shape: PlateShape } : unknown);
export type Piece = { [K in PieceKind]: PieceOf<K> }[PieceKind];

/** What a kind is called, and what for. */
export const PIECES: Record<PieceKind, { name: string; plate: boolean; says: string }> = {
  gusset: { name: 'gusset', plate: true, says: 'in the corner of two tubes' },
  skid: { name: 'skid plate', plate: true, says: 'where the steering is the lowest part' },
  rackPlate: { name: 'rack relocation plate', plate: true, says: 'from its mounts to where it is' },
  rackMount: { name: 'rack mount', plate: true, says: 'a strap round its body' },
  centrePlate: { name: 'tie-rod plate', plate: true, says: 'for a rack taken off at its middle' },
  firewallPlate: { name: 'firewall plate', plate: true, says: 'where the column goes through' },
  dummy: { name: 'dummy damper', plate: true, says: 'holds the wheel at heights' },
  uprightPlate: { name: 'upright of plate', plate: true, says: 'flat, with bosses' },
  steeringArm: { name: 'steering arm', plate: true, says: 'bolted to the upright' },
  rack: { name: 'rack, shortened', plate: false, says: 'or made longer at its ends' },
  halfShaft: { name: 'half-shaft of two', plate: false, says: 'that plunges at both ends' },
  taper: { name: 'plug and new taper', plate: false, says: 'in a steering arm' },
  straight: { name: 'tapered hole, straight', plate: false, says: 'drilled for a bolt' },
  sleeve: { name: 'stepped sleeve', plate: false, says: 'a wide bore on a thin bolt' },
  donor: { name: 'rod made longer', plate: false, says: 'a donor’s, by a sleeve' },
  drawn: { name: 'plate from a drawing', plate: true, says: 'closed outlines of a DXF' },
  fit: { name: 'fit and heat', plate: false, says: 'bore, pin, how warm' },
  pose: { name: 'table pose', plate: false, says: 'the corner on a welding table' },
};

const schemaOf = (kind: PieceKind) =>
  group({
    as: z.literal(kind),
    id: z.string({ error: problem }).min(1, 'is empty').max(40, 'is too long'),
    name: remark(60).optional(),
    ...Object.fromEntries(
      Object.entries<PieceField>(PIECE_FIELDS[kind]).map(([key, field]) => [
        key,
        fieldSchema(field),
      ]),
    ),
    ...(kind === 'drawn' && { shape: plateShape }),
  });

const UNITS = { length: 'mm', angle: 'deg', warmth: '°C' } as const;

/** What may be said of one field. */
export function fieldSchema(field: PieceField): z.ZodType<number> | z.ZodType<string> {
  if (field.as === 'word') return z.enum(field.options as [string], { error: problem });
  const { min, max } = field;
  if (field.as === 'count')
    return z
      .int({ error: problem })
      .min(min, { error: (issue) => `is ${String(issue.input)}: at least ${min}` })
      .max(max, { error: (issue) => `is ${String(issue.input)}: at most ${max}` });
  return measure(UNITS[field.as], min, max);
}

const [firstKind, ...otherKinds] = PIECE_KINDS.map(schemaOf);
export const pieceSchema = z.discriminatedUnion('as', [firstKind, ...otherKinds], {
  error: 'is no piece that Havrik knows',
}) as unknown as z.ZodType<Piece, Piece>;

/** So many an axle has at most. */
export const MOST_PIECES = 60;

/** A piece as it begins, with an id that none of those there has. */
export const startingPiece = (as: StartedKind, others: readonly Pick<Piece, 'id'>[]): Piece =>
  begun(as, others) as unknown as Piece;

/** A plate out of a drawing. */
export const drawnPiece = (
  shape: PlateShape,
  name: string,
  others: readonly Pick<Piece, 'id'>[],
): Piece => ({ ...begun('drawn', others), name, shape }) as unknown as Piece;

function begun(as: PieceKind, others: readonly Pick<Piece, 'id'>[]): object {
  let n = 1;
  while (others.some(({ id }) => id === `${as}${n}`)) n++;
  return {
    ...{ as, id: `${as}${n}` },
    ...Object.fromEntries(
      Object.entries<PieceField>(PIECE_FIELDS[as]).map(([key, { start }]) => [key, start]),
    ),
  } as unknown as Piece;
}

/** What a piece is called. */
export const pieceName = ({ as, name }: Pick<Piece, 'as' | 'name'>): string =>
  name || PIECES[as].name;
