import { toRad } from '../../geometry/angle';
import { add, cross, distance, dot, rotate, scale, sub, unit } from '../../geometry/vec';
import type { Vec } from '../../geometry/vec';
import type { Wheel } from '../../kinematics/wheel';
import { pointLabel } from '../../model/labels';
import type { PieceOf } from '../../model/pieces';
import { toVec } from '../../model/points';
import type { PointName } from '../../model/points';
import { circle, cross as crossed, line, text } from '../../sheets/drawing';
import type { Drawing, Mark } from '../../sheets/drawing';
import { wheelFrameOf } from '../../takeoff/bench';
import { mm } from '../sheetWords';
import type { Shop, Worked } from './worked';

/** A point of the corner on the table: along and across it from under the hub's face, above it, mm. */
export interface Posed {
  joint: PointName;
  frame: boolean;
  at: Vec;
}

/**
 * The corner as it stands at ride height, on a table of any plane: its hub's face over the table's origin.
 * Along is ahead where the wheel points ahead; across is outboard, or up where the face lies down. The table then leans
 * by so much toward a direction that is counted from along to across.
 */
export function posed(
  wheel: Wheel,
  { pose, height, lean, toward }: Pick<PieceOf<'pose'>, 'pose' | 'height' | 'lean' | 'toward'>,
): Posed[] {
  const { design, points, type } = wheel;
  const { face, heading, up, axis } = wheelFrameOf(design, points);
  const [x0, up0]: [Vec, Vec] =
    pose === 'as in the car'
      ? [
          [1, 0, 0],
          [0, 0, 1],
        ]
      : pose === 'spindle level'
        ? [heading, up]
        : [heading, scale(axis, -1)];
  const y0 = pose === 'hub’s face down' ? up : pose === 'spindle level' ? axis : ([0, 1, 0] as Vec);
  // Leaning toward a direction turns the table's upright about what is square to both.
  const way = add(scale(x0, Math.cos(toRad(toward))), scale(y0, Math.sin(toRad(toward))));
  const turn = scale(unit(cross(up0, way)), toRad(lean));
  const [x, y, z] = [x0, y0, up0].map((v) => rotate(v, turn));
  return Object.keys(points).map((joint): Posed => {
    const d = sub(toVec(points[joint]), face);
    return {
      joint,
      frame: type.points[joint]?.on === 'chassis',
      at: [dot(d, x), dot(d, y), dot(d, z) + height],
    };
  });
}

export function pose({ wheel }: Shop, piece: PieceOf<'pose'>): Worked {
  const all = posed(wheel, piece).filter(({ joint }) => !wheel.type.points[joint]?.mark);
  const label = (joint: string): string => pointLabel(wheel.design, joint);
  const under = all.filter(({ at }) => at[2] < 0);
  const frame = all.filter((one) => one.frame);
  const others = all.filter((one) => !one.frame);
  return {
    plates: [],
    drawing: plan(all, label),
    tables: [
      {
        title: 'On the table from under the hub’s face, left corner, mm',
        head: ['point', 'along', 'across', 'over the table'],
        widths: [0.4, 0.2, 0.2, 0.2],
        rows: [...others, ...frame].map(({ joint, at }) => [
          label(joint),
          ...at.map((value) => mm(value, 2)),
        ]),
      },
      {
        title: 'Check by tape: from the frame’s points to the corner’s, mm',
        head: ['from', 'to', 'apart'],
        widths: [0.4, 0.4, 0.2],
        rows: frame.flatMap((from) =>
          others
            .filter(({ joint }) => joint !== 'wheelCentre')
            .map((to) => [label(from.joint), label(to.joint), mm(distance(from.at, to.at), 2)]),
        ),
      },
    ],
    notes: [
      piece.pose === 'hub’s face down'
        ? 'The hub’s face lies down: along is ahead, across is up as in the car, heights are inboard.'
        : piece.pose === 'spindle level'
          ? 'The stub axle is clamped level: along is ahead, across is outboard along it, heights are square to it. Camber and toe are taken out.'
          : 'As it stands in the car: along is ahead, across is outboard, heights are upright.',
      'For the right corner across counts the other way: the mirror image. Frame points stand on posts of these heights; tack the brackets to them, then check the distances.',
    ],
    faults: under.map(
      ({ joint }) => `table pose: the ${label(joint)} is under the table; the hub’s face higher`,
    ),
  };
}

/** Where the posts stand, from above. */
function plan(all: readonly Posed[], label: (joint: string) => string): Drawing {
  const [xs, ys] = [0, 1].map((k) => all.map(({ at }) => at[k]));
  const [x0, y0] = [Math.min(0, ...xs) - EDGE, Math.min(0, ...ys) - EDGE];
  const marks: Mark[] = [
    ...crossed('CENTRE', [-x0, -y0], 12),
    text([-x0 + 3, -y0 - 8], 'under the hub’s face', 3),
    line('NOTE', [-x0, -y0], [-x0 + 30, -y0]),
  ];
  for (const { joint, at, frame } of all) {
    const spot = [at[0] - x0, at[1] - y0] as const;
    marks.push(
      circle('DRILL', spot, POST / 2),
      ...crossed('CENTRE', spot, POST),
      text([spot[0], spot[1] + 10], label(joint), 3, { from: 'middle', bold: true }),
      text([spot[0], spot[1] - 12], `${mm(at[2])} over${frame ? ', frame' : ''}`, 3, {
        from: 'middle',
      }),
    );
  }
  return {
    width: Math.max(0, ...xs) - x0 + EDGE,
    height: Math.max(0, ...ys) - y0 + EDGE,
    marks,
  };
}
const EDGE = 30;
const POST = 12;
