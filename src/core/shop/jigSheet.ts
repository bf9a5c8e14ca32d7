import { line, outline, text } from '../sheets/drawing';
import type { Drawing, Mark, Spot } from '../sheets/drawing';
import { hole } from './copeSheet';
import type { Cut } from './cut';
import type { Board, Pin } from './jig';

const figure = (mm: number): string => mm.toFixed(1);

/** A jig's board at full size: holes, the part's tubes as they lie, its datum corner. */
export function jigDrawing(
  { width, height, pins }: Board,
  cuts: readonly Cut[],
  pinOf: (pin: Pin) => number,
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

/** The corner that everything is measured from. */
const datum = (): Mark[] => [
  line('NOTE', [0, 0], [12, 0]),
  line('NOTE', [0, 0], [0, 12]),
  text([2, 2], 'datum corner: measure from here', 2.8),
];
