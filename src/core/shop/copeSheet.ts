import { circle, cross, line, outline, shifted, text } from '../sheets/drawing';
import type { Drawing, Mark, Spot } from '../sheets/drawing';
import type { MemberBuild } from '../model/made';
import type { Cut, EndCut } from './cut';

/** Above the reference mark, mm. */
const ABOVE = 14;
const BELOW = 10;
const BETWEEN = 16;

/** A template to be wrapped round a tube's end, seen from outside, the tube going up from it. */
export interface Template {
  title: string;
  /** Which joint the end goes to. */
  to: string;
  end: EndCut;
  made: Pick<MemberBuild, 'form' | 'outside'>;
  /** The other hand: the mirror image. */
  mirrored: boolean;
}

/** How wide a template is: once round the tube's skin, mm; a square one's as if its corners were sharp. */
export const roundOf = ({ form, outside }: Template['made']): number =>
  (form === 'square' ? 4 : Math.PI) * outside;

/** Templates at full size, as many beside each other as a sheet of paper is wide, the first on top. */
export function templates(list: readonly Template[]): Drawing {
  const rows: Drawing[][] = [];
  let left = 0;
  for (const one of list) {
    const drawn = template(one);
    const row = rows.at(-1);
    if (row && left + BETWEEN + drawn.width <= BESIDE) row.push(drawn);
    else {
      rows.push([drawn]);
      left = -BETWEEN;
    }
    left += BETWEEN + drawn.width;
  }
  const marks: Mark[] = [];
  let [up, widest] = [0, 0];
  for (const row of rows.reverse()) {
    let across = 0;
    for (const { width, marks: own } of row) {
      marks.push(...shifted(own, [across, up]));
      across += width + BETWEEN;
    }
    widest = Math.max(widest, across - BETWEEN);
    up += Math.max(...row.map(({ height }) => height)) + BETWEEN;
  }
  return { width: widest, height: Math.max(0, up - BETWEEN), marks };
}
/** What fits beside each other on any paper, mm. */
const BESIDE = 184;

function template({ title, to, end, made: tube, mirrored }: Template): Drawing {
  const { cope, mark, made, lean, also } = end;
  const width = roundOf(tube);
  // Both are asked only for ends that are coped.
  const low = cope!.least;
  const gap = end.from - low;
  const at = (turn: number, from: number): Spot => [
    width / 2 + ((mirrored ? -turn : turn) * width) / (2 * Math.PI),
    BELOW + from - low,
  ];
  const top = mark! - gap + ABOVE;
  const reference = mark! - gap;
  const height = BELOW + top - low;
  const profile = cope!.profile.map(({ turn, from }) => at(turn, from));
  const [left, right] = mirrored ? [Math.PI, -Math.PI] : [-Math.PI, Math.PI];
  const meets = made.as === 'housing' ? `${made.outside} mm housing` : '';
  const middle = at(0, 0)[0];
  return {
    ...{ width, height },
    marks: [
      { as: 'line', layer: 'CUT', through: profile },
      outline('OUTLINE', [
        at(left, low - BELOW),
        at(right, low - BELOW),
        at(right, top),
        at(left, top),
      ]),
      line('CENTRE', at(left, reference), at(right, reference)),
      line('CENTRE', at(0, low - BELOW + 4), at(0, reference)),
      // Where it is folded round a square tube's corners; a quarter of a turn off on a round one.
      ...(tube.form === 'square' ? [-3, -1, 1, 3] : [-2, 2])
        .map((eighth) => (eighth * Math.PI) / 4)
        .map((turn) => line('CENTRE', at(turn, low - BELOW + 4), at(turn, reference))),
      text([2, at(0, reference)[1] + 8.2], title, 3, { bold: true }),
      text(
        [2, at(0, reference)[1] + 4.4],
        `${meets}, ${lean!.toFixed(1)}° off square${also ? `; over the ${also}` : ''}`,
        2.6,
      ),
      text(
        [2, at(0, reference)[1] + 1.2],
        `reference mark, ${mark} mm from the joint’s centre`,
        2.6,
      ),
      text([middle + 1, at(0, reference)[1] - 3.6], '▲ upper side', 2.6),
      text([2, 1.5], `this end to the ${to}; below the line goes off`, 2.6),
    ],
  };
}

/** What is printed of a cut's coped ends: for one hand or for both. */
export function templatesOf(
  cut: Cut,
  label: (joint: string) => string,
  hands: readonly ('left' | 'right')[],
): Template[] {
  return cut.ends.flatMap((end) =>
    end.cope
      ? (isEven(end) && hands.length > 1 ? (['either'] as const) : hands).map((hand) => ({
          title: `${cut.member.name} to ${label(end.joint)}, ${hand === 'either' ? 'both hands' : hand}`,
          to: label(end.joint),
          end,
          made: cut.member.made,
          mirrored: hand === 'right',
        }))
      : [],
  );
}

/** A cope that is its own mirror image serves both hands, mm. */
const isEven = ({ cope }: EndCut): boolean => {
  const { profile } = cope!;
  return profile.every(
    ({ from }, i) => Math.abs(from - profile[profile.length - 1 - i].from) < 0.02,
  );
};

/** A hole: a circle to drill, a cross that is longer. */
export const hole = (at: Spot, diameter: number): Mark[] => [
  circle('DRILL', at, diameter / 2),
  ...cross('CENTRE', at, diameter / 2 + 4),
];
