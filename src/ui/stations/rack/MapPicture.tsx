import Box from '@mui/material/Box';
import { memo, useEffect, useMemo, useRef } from 'react';
import type { BumpMap } from '@/core/bumpsteer/bumpMap';
import { limitsOf } from '@/core/freedoms/freedoms';
import type { Freedom } from '@/core/model/freedoms';
import type { Coordinate } from '@/core/model/points';
import { printLength, readable, trimmed, unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { placeLabels } from '../../floor/labels';
import { FIGURES, PAPER } from '../../theme';

export interface Mark {
  kind: 'now' | 'null' | 'rule';
  at: [number, number];
  label: string;
}

interface Props {
  map: BumpMap | null;
  stale: boolean;
  marks: Mark[];
  picked: [number, number] | null;
  freedoms: Partial<Record<Coordinate, Freedom>> | undefined;
  axes: { across: Coordinate; up: Coordinate };
  /** The brief's bands, degrees of change either way. */
  bands: readonly [number, number, number];
  unit: LengthUnit;
  onPick: (at: [number, number]) => void;
}

/** Sides of the picture, px. */
const SIDE = 272;
const ROOM = 34;

/** From hardly any toe to rework, and out of reach. */
const SHADES = ['#1f5a3a', '#4f8460', '#8fae8a', '#cfdccb', '#e9e0c9', '#d8b98a', '#b98a5c'];
const NOTHING = '#8d8678';
/** Marks lie on the shades, which are the same by day and in the dark. */
const MARK = { ink: '#22282d', halo: '#fdfbf6' };

/** Limits of the shades, degrees of range: parts of the first band, then the bands both ways. */
export const limitsOfShades = ([good, accept, rework]: Props['bands']): number[] => [
  good / 10,
  good / 2.5,
  good,
  2 * good,
  2 * accept,
  2 * rework,
];

/** Shaded contours of the toe range with places on them; a click picks one. */
export const MapPicture = memo(function MapPicture(props: Props) {
  const { map, stale, marks, picked, freedoms, axes, bands, unit, onPick } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const limits = useMemo(() => limitsOfShades(bands), [bands]);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !map) return;
    paint(context, map, limits);
  }, [map, limits]);
  if (!map)
    return (
      <Box sx={{ width: SIDE + ROOM, height: SIDE + ROOM }} role="status">
        Looking …
      </Box>
    );
  const x = (value: number) => ROOM + ((value - map.across + map.size) / (2 * map.size)) * SIDE;
  const y = (value: number) => SIDE - ((value - map.up + map.size) / (2 * map.size)) * SIDE;
  const inside = ([a, b]: [number, number]) =>
    Math.abs(a - map.across) <= map.size && Math.abs(b - map.up) <= map.size;
  const pick = (event: React.MouseEvent<SVGSVGElement>) => {
    const frame = event.currentTarget.getBoundingClientRect();
    const [px, py] = [event.clientX - frame.left - ROOM, event.clientY - frame.top];
    if (px < 0 || px > SIDE || py < 0 || py > SIDE) return;
    onPick([
      tenth(map.across - map.size + (px / SIDE) * 2 * map.size),
      tenth(map.up + map.size - (py / SIDE) * 2 * map.size),
    ]);
  };
  /** A mm further with an arrow, a tenth of it with Shift: from the place picked, or from where the joint is. */
  const handleKey = (event: React.KeyboardEvent<SVGSVGElement>) => {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowDown: [0, -1], ArrowUp: [0, 1] }[
      event.key
    ];
    if (!way) return;
    event.preventDefault();
    const step = event.shiftKey ? 0.1 : 1;
    const [from, to] = [picked ?? marks[0].at, [map.across, map.up]];
    const next = from.map((value, i) =>
      tenth(Math.max(to[i] - map.size, Math.min(to[i] + map.size, value + way[i] * step))),
    );
    onPick([next[0], next[1]]);
  };
  const [a0, a1] = limitsOf(freedoms?.[axes.across], map.across);
  const [u0, u1] = limitsOf(freedoms?.[axes.up], map.up);
  const clampX = (v: number) =>
    x(Math.max(map.across - map.size, Math.min(map.across + map.size, v)));
  const clampY = (v: number) => y(Math.max(map.up - map.size, Math.min(map.up + map.size, v)));
  const shown = marks.filter(({ at }) => inside(at));
  const placed = placeLabels(
    shown.map(({ label, at }) => ({
      text: label,
      at: [x(at[0]) - ROOM, y(at[1])],
      tone: 'chalk',
      size: 12,
    })),
    SIDE,
    SIDE,
  );
  const print = (mm: number) => readable(printLength(Math.round(mm), unit));
  return (
    <Box
      sx={{ position: 'relative', width: SIDE + ROOM, height: SIDE + ROOM, flex: 'none' }}
      style={{ opacity: stale ? 0.6 : 1 }}
      data-map={map.grain}
    >
      <canvas
        ref={canvas}
        width={SIDE}
        height={SIDE}
        style={{ position: 'absolute', left: ROOM, top: 0 }}
      />
      <svg
        width={SIDE + ROOM}
        height={SIDE + ROOM}
        onClick={pick}
        onKeyDown={handleKey}
        tabIndex={0}
        role="application"
        aria-label={`Toe range by ${axes.across} and ${axes.up}: arrows go from place to place`}
        style={{ position: 'absolute', cursor: 'crosshair' }}
      >
        {(freedoms?.[axes.across] ?? freedoms?.[axes.up]) && (
          <rect
            x={clampX(a0)}
            y={clampY(u1)}
            width={Math.max(1, clampX(a1) - clampX(a0))}
            height={Math.max(1, clampY(u0) - clampY(u1))}
            fill="none"
            stroke={PAPER.ink}
            strokeDasharray="4 3"
            data-part="limits"
          />
        )}
        {shown.map((mark) => (
          <MapMark key={mark.label} mark={mark} x={x(mark.at[0])} y={y(mark.at[1])} />
        ))}
        <g stroke={MARK.halo} strokeWidth={3} paintOrder="stroke" fill={MARK.ink}>
          {placed.map(({ label: { text, size }, x: left, y: line }) => (
            <text
              key={text}
              data-map-label={text}
              x={ROOM + left}
              y={line}
              fontSize={size}
              pointerEvents="none"
            >
              {text}
            </text>
          ))}
        </g>
        {picked && inside(picked) && (
          <circle
            cx={x(picked[0])}
            cy={y(picked[1])}
            r={6}
            fill="none"
            stroke={PAPER.accent}
            strokeWidth={2.5}
            data-part="picked"
          />
        )}
        <g fill={PAPER.soft} fontSize={12} fontFamily={FIGURES}>
          {[-1, 0, 1].map((part) => (
            <g key={part}>
              <text
                x={x(map.across + part * map.size * 0.98)}
                y={SIDE + 15}
                textAnchor={part < 0 ? 'start' : part > 0 ? 'end' : 'middle'}
              >
                {print(map.across + part * map.size)}
              </text>
              <text x={ROOM - 5} y={y(map.up + part * map.size * 0.95) + 4} textAnchor="end">
                {print(map.up + part * map.size)}
              </text>
            </g>
          ))}
          <text x={ROOM + SIDE / 2} y={SIDE + 30} textAnchor="middle">
            {axes.across}, {axes.up} upwards ({unitName(unit)})
          </text>
        </g>
      </svg>
    </Box>
  );
});

function MapMark({ mark, x, y }: { mark: Mark; x: number; y: number }) {
  const look = { fill: 'none', stroke: MARK.ink, strokeWidth: 1.8 };
  return (
    <g data-map-mark={mark.kind} pointerEvents="none">
      {mark.kind === 'now' && <circle cx={x} cy={y} r={5} {...look} />}
      {mark.kind === 'null' && <path d={`M${x - 7} ${y}h14M${x} ${y - 7}v14`} {...look} />}
      {mark.kind === 'rule' && (
        <path d={`M${x - 5} ${y - 5}l10 10M${x + 5} ${y - 5}l-10 10`} {...look} />
      )}
    </g>
  );
}

/** What each shade stands for, the least first. */
export function Shades({ bands }: Pick<Props, 'bands'>) {
  const limits = limitsOfShades(bands);
  const words = SHADES.map((_, i) =>
    i < limits.length ? `to ${trimmed(limits[i], 3)}°` : `over ${trimmed(limits[i - 1], 3)}°`,
  );
  return (
    <Box component="ul" aria-label="Shades" sx={{ listStyle: 'none', p: 0, mt: 1, mb: 0 }}>
      {[...words, 'out of reach'].map((word, i) => (
        <Box
          component="li"
          key={word}
          sx={{ display: 'flex', alignItems: 'center', gap: 0.75, fontSize: 12.5 }}
        >
          <Box
            sx={{ width: 14, height: 14, flex: 'none' }}
            style={{ background: SHADES[i] ?? NOTHING }}
          />
          {word}
        </Box>
      ))}
    </Box>
  );
}

/**
 * Every place in the shade of its range, straight between the places looked at; what touches one out of
 * reach is out of reach.
 */
function paint(context: CanvasRenderingContext2D, map: BumpMap, limits: number[]): void {
  const { n, range } = map;
  const grain = Math.max(1, map.grain);
  const picture = context.createImageData(SIDE, SIDE);
  const shades = [...SHADES, NOTHING].map((hex) => parseInt(hex.slice(1), 16));
  const along = (pixel: number): [number, number] => {
    const at = ((pixel + 0.5) / SIDE) * (n - 1);
    const from = Math.min(Math.floor(at / grain) * grain, n - 1 - grain);
    return [from, (at - from) / grain];
  };
  for (let v = 0; v < SIDE; v++) {
    const [j, q] = along(SIDE - 1 - v);
    for (let u = 0; u < SIDE; u++) {
      const [i, p] = along(u);
      const at = (di: number, dj: number) => range[(j + dj * grain) * n + i + di * grain];
      const value =
        (at(0, 0) * (1 - p) + at(1, 0) * p) * (1 - q) + (at(0, 1) * (1 - p) + at(1, 1) * p) * q;
      const shade = limits.findIndex((limit) => value <= limit);
      const colour =
        shades[Number.isNaN(value) ? SHADES.length : shade < 0 ? SHADES.length - 1 : shade];
      picture.data.set([colour >> 16, (colour >> 8) & 255, colour & 255, 255], 4 * (v * SIDE + u));
    }
  }
  context.putImageData(picture, 0, 0);
}

const tenth = (mm: number): number => Math.round(mm * 10) / 10;
