/** Words beside a place of a drawing, px. */
export interface Label {
  text: string;
  /** A second line over it. */
  more?: string | undefined;
  at: readonly [number, number];
  tone: 'accent' | 'chalk' | 'soft';
  size: number;
  /** Set in figures. */
  figures?: true;
  bold?: true;
  /** Of a line: stands over its middle. */
  middle?: true;
  part?: string;
}

/** Where a label's first line stands: its left end on the base line. */
export interface Placed {
  label: Label;
  x: number;
  y: number;
}

export interface Frame {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

const EDGE = 4;
const GAPS = [11, 24, 38];
const LINE = 1.25;

/** About how wide it is drawn: measured letters would have to be drawn first. */
export const widthOf = ({ text, more = '', size, figures }: Label): number =>
  Math.max(text.length, more.length) * size * (figures ? 0.47 : 0.54);

/** The room a label takes up where it stands. */
export function frameOf({ label, x, y }: Placed): Frame {
  const lines = label.more ? 2 : 1;
  return {
    left: x,
    right: x + widthOf(label),
    top: y - label.size * (lines === 2 ? 1 + LINE : 1),
    bottom: y + 0.25 * label.size,
  };
}

export const overlap = (a: Frame, b: Frame): number =>
  Math.max(0, Math.min(a.right, b.right) - Math.max(a.left, b.left)) *
  Math.max(0, Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top));

/** Places round what a label belongs to, the nearest and most usual first. */
function candidates(label: Label): Placed[] {
  const [x, y] = label.at;
  const width = widthOf(label);
  const { size } = label;
  return GAPS.flatMap((gap) => {
    const above = y - (label.middle ? gap - 5 : gap - 1);
    const below = y + gap + size - (label.middle ? 8 : 3);
    const beside = y + 0.35 * size;
    const [left, middle, right] = [x - width - gap, x - width / 2, x + gap];
    const corners: [number, number][] = label.middle
      ? [[middle, above]]
      : [
          [right, above],
          [left, above],
        ];
    return [
      ...corners,
      [right, beside],
      [left, beside],
      [right, below],
      [left, below],
      [middle, above],
      [middle, below],
    ].map(([at, line]) => ({ label, x: at, y: line }));
  });
}

/** What of a frame lies outside the view, px². */
const outside = (frame: Frame, view: Frame): number =>
  (frame.right - frame.left) * (frame.bottom - frame.top) - overlap(frame, view);

/**
 * Puts labels where they neither lie on each other nor run out of the view, the first ones first: each where least
 * of it is hidden, near what it belongs to. One that has no room at all lies on the view's edge.
 */
export function placeLabels(labels: readonly Label[], width: number, height: number): Placed[] {
  const view = { left: EDGE, right: width - EDGE, top: EDGE, bottom: height - EDGE };
  const taken: Frame[] = [];
  return labels.map((label) => {
    let best: Placed | null = null;
    let least = Infinity;
    for (const tried of candidates(label)) {
      const frame = frameOf(tried);
      const cost = taken.reduce(
        (sum, other) => sum + overlap(frame, other),
        4 * outside(frame, view),
      );
      if (cost < least) [best, least] = [tried, cost];
      if (cost === 0) break;
    }
    const placed = within(best!, view);
    taken.push(frameOf(placed));
    return placed;
  });
}

/** The same, moved into the view. */
function within(placed: Placed, view: Frame): Placed {
  const { left, right, top, bottom } = frameOf(placed);
  const dx = Math.max(view.left - left, Math.min(0, view.right - right));
  const dy = Math.max(view.top - top, Math.min(0, view.bottom - bottom));
  return { ...placed, x: placed.x + dx, y: placed.y + dy };
}
