import type { Vec } from '@/core/geometry/vec';
import type { AxleDesign, Side } from '@/core/model/build';
import { wheelOutlines } from '../../floor/drawing';
import type { Drawn } from '../../floor/drawing';
import { SLATE } from '../../theme';

/** A place in plan, mm. */
export type Place = [ahead: number, left: number];
type ToPixels = (place: Place) => [number, number];

export const SIDES: readonly Side[] = ['left', 'right'];
export const HEIGHT = 290;

export const inCar = (side: Side, [ahead, out]: Vec): Place => [
  ahead,
  side === 'left' ? out : -out,
];

/** A tyre from above. */
export function Tyre({
  side,
  drawn,
  tyre,
  px,
}: {
  side: Side;
  drawn: Drawn;
  tyre: AxleDesign['tyre'];
  px: ToPixels;
}) {
  return (
    <polygon
      points={wheelOutlines(drawn, tyre)
        .above.map((v) =>
          px(inCar(side, v))
            .map((n) => n.toFixed(1))
            .join(','),
        )
        .join(' ')}
      fill={SLATE.raised}
      stroke={SLATE.string}
      strokeWidth={1.5}
      data-tyre={side}
    />
  );
}

/** A straight path. */
export const line = (from: [number, number], to: [number, number]): string =>
  `M${from[0].toFixed(1)} ${from[1].toFixed(1)}L${to[0].toFixed(1)} ${to[1].toFixed(1)}`;

/** The dark ground that a plan is chalked on. */
export function Slate({
  ref,
  width,
  label,
  children,
}: {
  ref: (element: HTMLElement | SVGElement | null) => void;
  width: number;
  label: string;
  children: React.ReactNode;
}) {
  return (
    <div ref={ref} style={{ backgroundColor: SLATE.ground, minWidth: 0, overflow: 'hidden' }}>
      <svg width={width} height={HEIGHT} role="img" aria-label={label} style={{ display: 'block' }}>
        {width > 0 && children}
      </svg>
    </div>
  );
}
