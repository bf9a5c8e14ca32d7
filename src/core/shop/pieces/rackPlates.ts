import { wheelOf } from '../../kinematics/wheel';
import type { PieceOf } from '../../model/pieces';
import type { Spot } from '../../sheets/drawing';
import { tightRound } from '../plates';
import { mm } from '../sheetWords';
import { EDGE, HEADS, nothing } from './worked';
import type { Shop, Worked } from './worked';

/** A plate that takes a rack from the mounts it was bolted to, to where the layout has it: seen from the left, ahead to the right. */
export function rackPlate({ wheel }: Shop, piece: PieceOf<'rackPlate'>): Worked {
  const { spacing, row, bolt, thick, material, count } = piece;
  const { type, points, design } = wheel;
  if (!type.tieRod || !design.rack) return nothing('rack relocation plate: this axle has no rack');
  const drawn = points[type.tieRod.inner];
  const [ahead, up] = [drawn.ahead - piece.ahead, drawn.up - piece.up];
  const half = spacing / 2;
  const pair: Spot[] =
    row === 'one behind the other'
      ? [
          [-half, 0],
          [half, 0],
        ]
      : [
          [0, -half],
          [0, half],
        ];
  const now = pair;
  const then = pair.map(([x, y]): Spot => [x + ahead, y + up]);
  const faults: string[] = [];
  if (Math.hypot(ahead, up) < SAME)
    faults.push('rack relocation plate: the rack is where the layout has it; no plate is needed');
  else {
    const between = now.flatMap((a) => then.map((b) => Math.hypot(a[0] - b[0], a[1] - b[1])));
    const least = Math.min(...between);
    if (least < HEADS * bolt)
      faults.push(
        `rack relocation plate: an old and a new hole are ${mm(least)} mm apart; heads of ${mm(bolt)} mm bolts want ${mm(HEADS * bolt)}: sink the old ones, turn the row, or weld a new mount`,
      );
  }
  const holes = [...now, ...then];
  return {
    plates: [
      {
        title: 'rack relocation plate',
        said: [
          `${count} of ${mm(thick)} mm ${material}`,
          'from the left: ahead is to the right',
          'first pair to the frame, second to the rack',
        ],
        edge: tightRound(holes.map((at) => ({ at, radius: EDGE * bolt }))),
        holes: holes.map((at) => ({ at, across: bolt })),
      },
    ],
    tables: [
      {
        title: 'Holes from the middle of the old pair, mm',
        head: ['hole', 'ahead', 'up'],
        rows: holes.map(([x, y], i) => [
          i < 2 ? 'to the frame' : 'to the rack',
          mm(x, 2),
          mm(y, 2),
        ]),
      },
    ],
    notes: [
      `The rack’s inner joints go ${mm(Math.abs(ahead))} mm ${ahead < 0 ? 'back' : 'ahead'} and ${mm(Math.abs(up))} mm ${up < 0 ? 'down' : 'up'} to where the layout has them. The pinion goes along: look at the column again.`,
      'A plate that stands far off its mount bends; brace it to the frame where it is longer than its bolts are apart.',
    ],
    faults,
  };
}
/** Places this near are one, mm. */
const SAME = 0.5;

/** A plate that is bolted to the middle of a rack and carries both tie rods: from above, ahead is up. */
export function centrePlate({ build, wheel }: Shop, piece: PieceOf<'centrePlate'>): Worked {
  const { spacing, off, bolt, pin, eye, thick, material, count } = piece;
  const { type, design } = wheel;
  const other = wheelOf(build, wheel.axle, wheel.side === 'left' ? 'right' : 'left');
  if (!type.tieRod || !design.rack || !other)
    return nothing('tie-rod plate: this axle has no rack');
  const [own, far] = [wheel, other].map(({ points }) => points[type.tieRod!.inner]);
  const [left, right] = wheel.side === 'left' ? [own, far] : [far, own];
  const faults: string[] = [];
  const middle = (left.ahead + right.ahead) / 2;
  const rods: Spot[] = [
    [-left.out, left.ahead - middle],
    [right.out, right.ahead - middle],
  ];
  const rack: Spot[] = [
    [-spacing / 2, -off],
    [spacing / 2, -off],
  ];
  const apart = Math.hypot(rods[0][0] - rods[1][0], rods[0][1] - rods[1][1]);
  if (apart < eye + ROOM)
    faults.push(
      `tie-rod plate: rod ends of ${mm(eye)} mm stand ${mm(apart)} mm apart; ${mm(eye + ROOM)} mm at the least`,
    );
  const near = Math.min(
    ...rods.flatMap((a) => rack.map((b) => Math.hypot(a[0] - b[0], a[1] - b[1]))),
  );
  const wanted = eye / 2 + (HEADS * bolt) / 2;
  if (near < wanted)
    faults.push(
      `tie-rod plate: a rod’s bolt is ${mm(near)} mm from one of the rack’s; its rod end and that head want ${mm(wanted)}`,
    );
  const step = Math.abs(left.up - right.up);
  if (step > SAME)
    faults.push(
      `tie-rod plate: the inner joints stand ${mm(step)} mm over each other; washers under one of them`,
    );
  const holes = [
    ...rack.map((at) => ({ at, across: bolt })),
    ...rods.map((at) => ({ at, across: pin })),
  ];
  return {
    plates: [
      {
        title: 'tie-rod plate',
        said: [`${count} of ${mm(thick)} mm ${material}`, 'from above: ahead is up'],
        edge: tightRound(holes.map(({ at, across }) => ({ at, radius: EDGE * across }))),
        holes,
      },
    ],
    tables: [
      {
        title: 'Holes from the middle of the rods’ line, mm',
        head: ['hole', 'to the right', 'ahead'],
        rows: holes.map(({ at: [x, y] }, i) => [
          i < 2 ? 'rack' : i === 2 ? 'left rod' : 'right rod',
          mm(x, 2),
          mm(y, 2),
        ]),
      },
    ],
    notes: [
      `The rods’ bolts stand ${mm(Math.abs(rods[0][0] - rods[1][0]), 2)} mm apart, as the layout has the inner joints. The plate carries both rods’ loads off the rack’s line: what keeps it from turning about its two bolts is their spacing; guide it where the rack has no second support.`,
    ],
    faults,
  };
}
/** Between two rod ends beside each other, mm (a guess). */
const ROOM = 4;
