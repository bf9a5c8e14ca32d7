import { line, outline, text } from '../sheets/drawing';
import type { Drawing, Mark, Spot } from '../sheets/drawing';
import { hole } from './copeSheet';
import type { Cut } from './cut';
import type { Board, Pin } from './jig';
import type { Swept } from './neighbours';

const figure = (mm: number): string => mm.toFixed(1);

/** A jig's board at full size: holes, the part's tubes as they lie, its datum corner. */
export function jigDrawing(
  { width, height, pins }: Board,
  cuts: readonly Cut[],
  pinOf: (pin: Pin) => number,
  swept: readonly Swept[] = [],
): Drawing {
  const spot = new Map(pins.map(({ joint, x, y }) => [joint, [x, y] as Spot]));
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
  for (const { member, ends } of cuts) {
    const [a, b] = [spot.get(member.from)!, spot.get(member.to)!];
    const long = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const [ux, uy] = [(b[0] - a[0]) / long, (b[1] - a[1]) / long];
    const half = member.made.outside / 2;
    const along = (s: number, side: number): Spot => [
      a[0] + ux * s - uy * side * half,
      a[1] + uy * s + ux * side * half,
    ];
    const [from, to] = [ends[0].from, long - ends[1].from];
    marks.push(
      outline('OUTLINE', [along(from, -1), along(to, -1), along(to, 1), along(from, 1)]),
      line('CENTRE', a, b),
    );
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
