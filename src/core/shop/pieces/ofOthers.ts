import { plateFrame, throughFirewall } from '../../column/firewall';
import { placesOf, shaftLinesOf } from '../../column/places';
import { dummyOf } from '../../damper/dummy';
import { dot } from '../../geometry/vec';
import type { PieceOf } from '../../model/pieces';
import type { Spot } from '../../sheets/drawing';
import { tightRound } from '../plates';
import { mm } from '../sheetWords';
import { EDGE, figuresTable, nothing } from './worked';
import type { Shop, Worked } from './worked';

/** The plate that closes a firewall round the column, as the station Column has it: seen by the driver. */
export function firewallPlate({ wheel }: Shop, piece: PieceOf<'firewallPlate'>): Worked {
  const { corner, material, count } = piece;
  const { column } = wheel.design;
  if (!column?.firewall) return nothing('firewall plate: no firewall is said in Column yet');
  const through = throughFirewall(column);
  const { plate, thickness, hole } = column.firewall;
  if (!through) return nothing('firewall plate: no shaft goes through the firewall');
  if (!plate) return nothing('firewall plate: Column does not say yet how large it is');
  const { least, long } = through.hole;
  const faults: string[] = [];
  const [w, h] = [plate.width / 2, plate.height / 2];
  const round = Math.min(corner, w, h);
  if (plate.inset < EDGE * plate.bolt)
    faults.push(
      `firewall plate: its bolts are ${mm(plate.inset)} mm from its edges; ${mm(EDGE * plate.bolt)} mm at the least`,
    );
  const biggest = hole ?? long;
  if (through.room !== null && through.room < 0)
    faults.push(
      `firewall plate: a hole of ${mm(hole!)} mm is smaller than what the shaft takes, ${mm(long)} mm`,
    );
  if (Math.min(w, h) - biggest / 2 < EDGE * plate.bolt)
    faults.push('firewall plate: its hole leaves too little round it: a larger plate');
  // The shaft's lean in the plate's own plane, as the driver sees it: right, up.
  const { left, up } = plateFrame(column.firewall);
  const { way } = shaftLinesOf(placesOf(column))[through.shaft];
  const lean: Spot = [-dot(way, left), dot(way, up)];
  const size = Math.hypot(...lean) || 1;
  const half = (long - least) / 2;
  const slot: Spot[] = tightRound(
    [-1, 1].map((k) => ({
      at: [(k * half * lean[0]) / size, (k * half * lean[1]) / size] as const,
      radius: least / 2,
    })),
  );
  const corners: Spot[] = [
    [1, 1],
    [-1, 1],
    [-1, -1],
    [1, -1],
  ].map(([x, y]) => [x * (w - round), y * (h - round)]);
  return {
    plates: [
      {
        title: 'firewall plate',
        said: [`${count} of ${mm(thickness)} mm ${material}`, 'as the driver sees it'],
        edge: round > 0 ? tightRound(corners.map((at) => ({ at, radius: round }))) : corners,
        holes: [
          ...through.bolts.map(([x, y]) => ({ at: [-x, y] as const, across: plate.bolt })),
          ...(hole === undefined ? [] : [{ at: [0, 0] as const, across: hole }]),
        ],
        windows: hole === undefined ? [slot] : [],
      },
    ],
    tables: [
      figuresTable('Hole for the column, mm', [
        ['from the firewall’s place, to the left', mm(through.left, 2)],
        ['up along it', mm(through.up, 2)],
        hole === undefined
          ? ['slot, across and along its lean', `${mm(least)} × ${mm(long)}`]
          : ['hole', mm(hole)],
        ['shaft off square to the plate', `${mm(through.angle)}°`],
      ]),
    ],
    notes: ['Close it round the shaft with a boot or a bearing: fumes and fire stay outside.'],
    faults,
  };
}

/** A bar in the damper's place with a hole for every height. */
export function dummy({ wheel }: Shop, piece: PieceOf<'dummy'>): Worked {
  const { bolt, wide, thick, material, count } = piece;
  const { design, travel } = wheel;
  const bar = dummyOf(wheel, [
    { name: 'ride height', travel: 0 },
    { name: 'full bump', travel: travel.bump },
    { name: 'full droop', travel: -travel.droop },
    ...(design.damper?.heights ?? []).map(({ name, travel: at }) => ({ name, travel: at })),
  ]);
  if (!bar || bar.holes.length === 0) return nothing('dummy damper: no damper is drawn yet');
  const holes: { name: string; length: number }[] = [];
  for (const { name, length } of bar.holes) {
    // A height of one's own may be one that is there already.
    const same = holes.find((one) => Math.abs(one.length - length) < SAME);
    if (same) same.name += `, ${name}`;
    else holes.push({ name, length });
  }
  const faults: string[] = bar.missed.map(
    (name) => `dummy damper: the corner does not reach ${name}`,
  );
  const { spots, closest } = spread(
    holes.map(({ length }) => length),
    APART * bolt,
  );
  if (closest < APART * bolt - 1e-6)
    faults.push(
      `dummy damper: two holes are ${mm(closest)} mm apart for ${mm(bolt)} mm bolts; ${mm(APART * bolt)} mm at the least: a second bar for one of the heights`,
    );
  if (wide < 2 * EDGE * bolt)
    faults.push(
      `dummy damper: ${mm(wide)} mm wide leaves too little beside a ${mm(bolt)} mm bolt; ${mm(2 * EDGE * bolt)} mm at the least`,
    );
  const all: Spot[] = [[0, 0], ...spots];
  return {
    plates: [
      {
        title: 'dummy damper',
        said: [`${count} of ${mm(thick)} mm ${material}`],
        edge: tightRound(all.map((at) => ({ at, radius: wide / 2 }))),
        holes: all.map((at) => ({ at, across: bolt })),
      },
    ],
    tables: [
      {
        title: 'Holes from the one at its other end, mm',
        head: ['height', 'hole to hole', 'beside the bar’s middle'],
        widths: [0.5, 0.22, 0.28],
        rows: holes.map(({ name, length }, i) => [
          name,
          mm(length, 2),
          spots[i][1] === 0 ? '' : mm(spots[i][1], 2),
        ]),
      },
    ],
    notes: ['For setting up on stands alone: nobody drives with it.'],
    faults,
  };
}
/** Holes this near are one, mm. */
const SAME = 0.05;
/** Between two holes' middles at the least, in bolts, one of them used at a time (common practice, from memory). */
const APART = 1.5;

/**
 * Holes so far from the first one; where two would be nearer than `apart` some of them stand beside the middle, as far from the
 * first as before. Every way of it is tried, the middle first, until one has room everywhere; else the one with the most.
 */
export function spread(lengths: readonly number[], apart: number) {
  const spots: Spot[] = lengths.map((length) => [length, 0]);
  for (const group of groupsOf(lengths, apart)) {
    const options = group.map((i) =>
      [0, apart, -apart, apart / 2, -apart / 2]
        .filter((y) => Math.abs(y) < lengths[i])
        .map((y): Spot => [Math.sqrt(lengths[i] ** 2 - y ** 2), y]),
    );
    const taken = roomiest(options, apart);
    group.forEach((i, k) => (spots[i] = taken[k]));
  }
  const between = spots.flatMap(([x, y], i) =>
    spots.slice(i + 1).map((at) => Math.hypot(at[0] - x, at[1] - y)),
  );
  return { spots, closest: Math.min(...lengths, ...between) };
}

/** Holes whose distances from the first differ by less than `apart`, one after the next: only these come near each other. */
function groupsOf(lengths: readonly number[], apart: number): number[][] {
  const order = lengths.map((_, i) => i).toSorted((a, b) => lengths[a] - lengths[b]);
  const groups: number[][] = [];
  for (const [k, i] of order.entries())
    if (k > 0 && lengths[i] - lengths[order[k - 1]] < apart) groups.at(-1)!.push(i);
    else groups.push([i]);
  return groups;
}

/** One option of each with the most room between the two nearest; no more than `enough` is looked for. */
function roomiest(options: readonly Spot[][], enough: number): Spot[] {
  let best: { room: number; taken: Spot[] } = {
    ...{ room: -1, taken: options.map(([first]) => first) },
  };
  const look = (taken: Spot[], room: number): void => {
    // No way on from here has more room.
    if (room <= best.room || best.room >= enough) return;
    if (taken.length === options.length) {
      best = { room, taken };
      return;
    }
    for (const [x, y] of options[taken.length])
      look(
        [...taken, [x, y]],
        Math.min(room, ...taken.map((at) => Math.hypot(at[0] - x, at[1] - y))),
      );
  };
  look([], Infinity);
  return best.taken;
}

/** A plate as a drawing has it. */
export function drawn(_: Shop, piece: PieceOf<'drawn'>): Worked {
  const { shape, thick, material, count } = piece;
  const [x, y] = [0, 1].map((k) => {
    const all = shape.edge.map((spot) => spot[k]);
    return Math.max(...all) - Math.min(...all);
  });
  return {
    plates: [
      {
        ...shape,
        title: piece.name || 'plate',
        said: [`${count} of ${mm(thick)} mm ${material}`],
      },
    ],
    tables: [
      figuresTable('Plate, mm', [
        ['over all', `${mm(x, 2)} × ${mm(y, 2)}`],
        ['holes', shape.holes.map(({ across }) => mm(across)).join(', ') || 'none'],
        ['cut out besides', String(shape.windows.length)],
      ]),
    ],
    notes: ['As its drawing has it: round lines are told by chords within 0.02 mm.'],
    faults: [],
  };
}
