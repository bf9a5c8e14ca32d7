import { line, outline, text } from '../sheets/drawing';
import type { Drawing, Mark, Spot } from '../sheets/drawing';
import { hole } from './copeSheet';
import type { Board, Pin } from './jig';
import type { Swept } from './neighbours';

const figure = (mm: number): string => mm.toFixed(1);

/** A tube as it lies on a board: its skin, its middle. */
export interface OnBoard {
  skin: readonly Spot[];
  middle: readonly Spot[];
}

/** A jig's board at full size: holes, the part's tubes as they lie, its datum corner. */
export function jigDrawing(
  { width, height, pins }: Board,
  tubes: readonly OnBoard[],
  pinOf: (pin: Pin) => number,
  swept: readonly Swept[] = [],
): Drawing {
  const marks: Mark[] = [
    outline('CUT', [
      [0, 0],
      [width, 0],
      [width, height],
      [0, height],
    ]),
    ...datum(),
  ];
  for (const { name, outlines } of swept)
    for (const edge of outlines) {
      const inside = clipped(edge, width, height);
      if (inside.length < 3) continue;
      marks.push(outline('NOTE', inside));
      const [x, y] = inside.reduce((a, b) => (b[1] > a[1] ? b : a));
      marks.push(text([x, y - 4], `keep clear: ${name}`, 2.6, { from: 'middle', bold: true }));
    }
  for (const { skin, middle } of tubes) {
    marks.push(outline('OUTLINE', skin));
    if (middle.length > 1) marks.push(line('CENTRE', ...middle));
  }
  for (const pin of pins) {
    const { x, y, label, height: up, lean } = pin;
    marks.push(...hole([x, y], pinOf(pin)));
    const words = [
      label,
      `${figure(x)} · ${figure(y)}${Math.abs(up) > 0.05 ? ` · ${up > 0 ? '+' : '−'}${figure(Math.abs(up))} high` : ''}`,
      ...(lean && lean.degrees > 0.05 ? [`leans ${lean.degrees.toFixed(1)}°`] : []),
    ];
    const under = y > height / 2;
    words.forEach((one, i) =>
      marks.push(
        text([x, under ? y + 12 + 4 * (words.length - 1 - i) : y - 13 - 4 * i], one, 3, {
          from: x < width * 0.25 ? 'start' : x > width * 0.75 ? 'end' : 'middle',
          bold: i === 0,
        }),
      ),
    );
    if (lean && lean.degrees > 0.05) {
      const t = (lean.toward * Math.PI) / 180;
      marks.push(line('NOTE', [x, y], [x + 16 * Math.cos(t), y + 16 * Math.sin(t)]));
    }
  }
  return { width, height, marks };
}

/** What of an outline lies on a board (Sutherland and Hodgman 1974). */
function clipped(edge: readonly Spot[], width: number, height: number): Spot[] {
  const sides: [axis: 0 | 1, at: number, more: boolean][] = [
    [0, 0, true],
    [0, width, false],
    [1, 0, true],
    [1, height, false],
  ];
  return sides.reduce<Spot[]>((left, [axis, at, more]) => {
    const inside = (spot: Spot): boolean => (more ? spot[axis] >= at : spot[axis] <= at);
    return left.flatMap((a, i): Spot[] => {
      const b = left[(i + 1) % left.length];
      const t = (at - a[axis]) / (b[axis] - a[axis]);
      const cut: Spot = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
      return [...(inside(a) ? [a] : []), ...(inside(a) === inside(b) ? [] : [cut])];
    });
  }, edge.slice());
}

/** The corner that everything is measured from. */
const datum = (): Mark[] => [
  line('NOTE', [0, 0], [12, 0]),
  line('NOTE', [0, 0], [0, 12]),
  text([2, 2], 'datum corner: measure from here', 2.8),
];
