import { sub } from '../../geometry/vec';
import type { Vec } from '../../geometry/vec';
import type { PieceOf } from '../../model/pieces';
import type { Spot } from '../../sheets/drawing';
import { bendAllowance, setback } from '../plates';
import { counted } from '../../model/wording';
import { lowestAt } from './lowest';
import { EDGE, figuresTable } from './worked';
import type { Shop, Worked } from './worked';
import { mm } from '../sheetWords';

const said = (count: number, thick: number, material: string): string =>
  `${count} of ${mm(thick)} mm ${material}`;

/** A plate in the corner of two tubes: both its sides along their skins, its tips blunt, its nose off the corner's weld. */
export function gusset(_: Shop, piece: PieceOf<'gusset'>): Worked {
  const { a, b, angle, nose, tip, hole, thick, material, count } = piece;
  const turn = (angle * Math.PI) / 180;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const edge: Spot[] = [
    ...(nose > 0 ? ([[nose, 0]] as Spot[]) : ([[0, 0]] as Spot[])),
    [a, 0],
    ...(tip > 0
      ? ([
          [a, tip],
          [b * c + tip * s, b * s - tip * c],
        ] as Spot[])
      : []),
    [b * c, b * s],
    ...(nose > 0 ? ([[nose * c, nose * s]] as Spot[]) : []),
  ];
  const faults: string[] = [];
  if (!isConvex(edge))
    faults.push('gusset: its tips or its nose are larger than its sides leave room for');
  const middle = innermost(edge);
  const left = middle.room - hole / 2;
  if (hole > 0 && left < LEAST_WEB)
    faults.push(
      `gusset: ${mm(Math.max(0, left))} mm are left beside a hole of ${mm(hole)} mm; ${LEAST_WEB} mm at the least`,
    );
  return {
    plates: [
      {
        ...{ title: 'gusset', edge, said: [said(count, thick, material)] },
        holes: hole > 0 ? [{ at: middle.at, across: hole }] : [],
      },
    ],
    tables: [
      figuresTable('Gusset, mm', [
        ['along the tubes', `${mm(a)} and ${mm(b)}`],
        ['between them', `${mm(angle)}°`],
        ['largest hole that leaves enough', mm(Math.max(0, 2 * (middle.room - LEAST_WEB)))],
      ]),
    ],
    notes: [
      'Sides lie on the tubes’ skins, in their middle plane. The nose stays clear of the corner’s own weld; weld in short runs from the tips inward, both faces in turn.',
    ],
    faults,
  };
}
/** Beside a hole that only saves weight, mm (common practice, from memory). */
const LEAST_WEB = 10;

const isConvex = (edge: readonly Spot[]): boolean =>
  edge.every(([x, y], i) => {
    const [a, b] = [edge[(i + 1) % edge.length], edge[(i + 2) % edge.length]];
    return (a[0] - x) * (b[1] - a[1]) - (a[1] - y) * (b[0] - a[0]) > -1e-9;
  });

/**
 * The place of a convex outline (counter-clockwise) that is furthest from all its sides: it touches three of them alike, so
 * that every three are tried (the largest circle within is the top of a linear program).
 */
export function innermost(edge: readonly Spot[]): { at: Spot; room: number } {
  const sides = edge.flatMap((p, i): Vec[] => {
    const q = edge[(i + 1) % edge.length];
    const long = Math.hypot(q[0] - p[0], q[1] - p[1]);
    if (long < 1e-9) return [];
    const [nx, ny] = [-(q[1] - p[1]) / long, (q[0] - p[0]) / long];
    return [[nx, ny, nx * p[0] + ny * p[1]]];
  });
  const roomAt = ([x, y]: Spot): number =>
    Math.min(...sides.map(([nx, ny, off]) => nx * x + ny * y - off));
  let best: { at: Spot; room: number } = { at: edge[0], room: 0 };
  sides.forEach((a, i) =>
    sides.slice(i + 1).forEach((b, k) =>
      sides.slice(i + k + 2).forEach((c) => {
        // n·p − room = off on all three: less the third two are left for p.
        const [ax, ay, ao] = sub(a, c);
        const [bx, by, bo] = sub(b, c);
        const whole = ax * by - ay * bx;
        if (Math.abs(whole) < 1e-12) return;
        const at: Spot = [(ao * by - ay * bo) / whole, (ax * bo - ao * bx) / whole];
        const room = roomAt(at);
        if (room > best.room) best = { at, room };
      }),
    ),
  );
  return best;
}

/** A plate under the steering: a flat of its own, a lip turned up at either end that is bolted. */
export function skid({ build, wheel }: Shop, piece: PieceOf<'skid'>): Worked {
  const { long, wide, lip, up, radius, thick, bolt, under, material, count } = piece;
  const back = setback(radius, thick, up);
  const takes = bendAllowance(radius, thick, up);
  const [flat, end] = [long - 2 * back, lip - back];
  const faults: string[] = [];
  if (flat <= 0 || end <= 2 * EDGE * bolt)
    faults.push(
      `skid plate: its bends take ${mm(back)} mm of every side; lips of ${mm(back + 2 * EDGE * bolt)} mm at the least, and a longer flat`,
    );
  if (radius < thick)
    faults.push(
      `skid plate: folded round ${mm(radius)} mm, ${mm(thick)} mm plate cracks; ${mm(thick)} mm at the least`,
    );
  const half = wide / 2;
  const [bend, all] = [flat / 2 + takes / 2, flat / 2 + takes + end];
  const hole = flat / 2 + takes + end - EDGE * bolt;
  const inset = EDGE * bolt;
  const heights = (
    [
      ['at ride height', 0],
      ['at full bump', wheel.travel.bump],
    ] as const
  ).flatMap(([when, travel]) => {
    const low = lowestAt(build, wheel, travel);
    return low ? [{ when, low, plate: low.steering - under - thick }] : [];
  });
  const [ride] = heights;
  if (ride?.low.other && ride.low.other.over < ride.low.steering)
    faults.push(
      `skid plate: the ${ride.low.other.name} is lower than the steering at ride height, ${mm(ride.low.other.over)} mm over the road; it is met first`,
    );
  if (ride && ride.plate < LEAST_CLEAR)
    faults.push(
      `skid plate: its underside is ${mm(ride.plate)} mm over the road at ride height; it takes more ground clearance than it saves`,
    );
  return {
    plates: [
      {
        title: 'skid plate, flat',
        said: [said(count, thick, material), `fold ${mm(up)}° up round ${mm(radius)} mm inside`],
        edge: [
          [-half, -all],
          [half, -all],
          [half, all],
          [-half, all],
        ],
        holes: [-1, 1].flatMap((x) =>
          [-1, 1].map((y) => ({ at: [x * (half - inset), y * hole] as const, across: bolt })),
        ),
        bends: [-1, 1].map((y) => [
          [-half - 4, y * bend],
          [half + 4, y * bend],
        ]),
      },
    ],
    tables: [
      figuresTable('Skid plate, mm', [
        ['flat length', mm(2 * all, 2)],
        ['each bend takes', mm(takes, 2)],
        ['fold lines from the middle', `±${mm(bend, 2)}`],
        ['bolts', `${mm(2 * (half - inset))} × ${mm(2 * hole)}, flat`],
      ]),
      ...(heights.length > 0
        ? [
            {
              title: 'Over the road, mm',
              head: ['', 'lowest of the steering', 'lowest of the rest', 'skid plate’s underside'],
              widths: [0.2, 0.3, 0.3, 0.2],
              rows: heights.map(({ when, low: { steering, name, other }, plate }) => [
                when,
                `${mm(steering)}, ${name}`,
                other ? `${mm(other.over)}, ${other.name}` : 'nothing known',
                mm(plate),
              ]),
            },
          ]
        : []),
    ],
    notes: [
      'Heights are of joints, rods and the bodies that were entered; a pan or a pipe that nobody entered is not known. The plate hangs on the frame, never on the rack or its bolts; it gives before they do.',
    ],
    faults,
  };
}
/** Less than this over the road a plate touches on any bump, mm (a guess). */
const LEAST_CLEAR = 50;

/** A strap round the rack's body: half a turn, two legs, two feet that are bolted. */
export function rackMount(_: Shop, piece: PieceOf<'rackMount'>): Worked {
  const { body, height, spacing, wide, radius, bolt, thick, material, count } = piece;
  const round = bendAllowance(body / 2, thick, 180);
  const leg = height - thick - radius;
  const takes = bendAllowance(radius, thick);
  const beside = body / 2 + thick + radius;
  const foot = spacing / 2 - beside;
  const faults: string[] = [];
  if (leg < 0)
    faults.push(
      `rack mount: ${mm(height)} mm high leaves no leg; ${mm(thick + radius)} mm at the least`,
    );
  if (foot < bolt)
    faults.push(
      `rack mount: its bolts stand ${mm(Math.max(0, foot))} mm off the bend; ${mm(2 * (beside + bolt))} mm between them at the least`,
    );
  if (radius < thick)
    faults.push(
      `rack mount: folded round ${mm(radius)} mm, ${mm(thick)} mm plate cracks; ${mm(thick)} mm at the least`,
    );
  if (wide < 2 * EDGE * bolt)
    faults.push(
      `rack mount: a strap of ${mm(wide)} mm leaves too little beside a ${mm(bolt)} mm bolt; ${mm(2 * EDGE * bolt)} mm at the least`,
    );
  const hole = round / 2 + leg + takes + foot;
  const all = hole + EDGE * bolt;
  const bends = [round / 2, round / 2 + leg + takes / 2];
  const half = wide / 2;
  return {
    plates: [
      {
        title: 'strap, flat',
        said: [said(count, thick, material), `round ${mm(body)} mm, feet ${mm(radius)} mm inside`],
        edge: [
          [-all, -half],
          [all, -half],
          [all, half],
          [-all, half],
        ],
        holes: [-1, 1].map((x) => ({ at: [x * hole, 0] as const, across: bolt })),
        bends: bends.flatMap((at) =>
          [-1, 1].map((x) => [[x * at, -half - 4] as const, [x * at, half + 4] as const] as const),
        ),
      },
    ],
    tables: [
      figuresTable('Strap, mm', [
        ['flat length', mm(2 * all, 2)],
        ['half turn takes', mm(round, 2)],
        ['each foot’s bend takes', mm(takes, 2)],
        ['the half turn begins', `±${mm(bends[0], 2)}`],
        ['feet folded at', `±${mm(bends[1], 2)}`],
        ['packing under the body', mm(Math.max(0, height - body / 2), 2)],
      ]),
    ],
    notes: [
      `${counted(count, 'strap')}; rubber round the body is part of its ${mm(body)} mm. A rack that moves in its mounts steers by itself: no gap when it is bolted down.`,
    ],
    faults,
  };
}
