import { DEG, toRad } from '../geometry/angle';
import type { Column, ColumnSupport } from '../model/column';
import { lackingInWords, lackingOf } from './supports';
import type { ShaftHeld } from './supports';

/** How often a shaft is kept from sliding down, and up. */
function keptOf(supports: readonly ColumnSupport[]): { down: number; up: number } {
  const count = (key: 'collarAbove' | 'collarBelow') => supports.filter((one) => one[key]).length;
  return { down: count('collarAbove'), up: count('collarBelow') };
}

/** A column's shafts as its supports hold them: located once where something keeps it from going down, and up. */
export function heldOf({ shafts, supports }: Column): ShaftHeld[] {
  return shafts.map(({ slip }, i) => {
    const own = supports.filter((one) => one.shaft === i + 1);
    const { down, up } = keptOf(own);
    return {
      bearings: own.length,
      located: { above: Math.min(down, up), below: 0 },
      slip: slip !== undefined,
    };
  });
}

/** What a column's supports lack, in a builder's words; none where every shaft is held, and held once. */
export function supportsLack(column: Column): string[] {
  const { shafts, supports } = column;
  const oneWay = shafts.flatMap((_, i) => {
    const { down, up } = keptOf(supports.filter((one) => one.shaft === i + 1));
    if (Math.min(down, up) > 0 || down === up) return [];
    return [
      `shaft ${i + 1} is kept from going ${down > 0 ? 'down' : 'up'} only: a collar ${down > 0 ? 'below' : 'above'} its bearing keeps it the other way`,
    ];
  });
  const sliding = shafts.flatMap(({ slip }, i) =>
    slip && slip.engaged < slip.least
      ? [
          `shaft ${i + 1}: ${slip.engaged} mm of it is in itself, ${slip.least} mm has to stay in: lengthen it`,
        ]
      : [],
  );
  return [...lackingOf(heldOf(column)).map(lackingInWords), ...oneWay, ...sliding];
}

/** How a collar stands to the housing of a bearing that the shaft leans in, mm. */
export interface CollarRoom {
  /** Between the collar's edge and the housing's face, below 0 where it rubs. */
  gap: number;
  /** The lean at which it begins to rub, degrees. */
  rubsAt: number;
  /** What cures it: a chamfer of 45° so wide, or a collar of so much outside at the most; null where neither does. */
  chamfer: number | null;
  outside: number | null;
}

/**
 * A collar on the ring of a bearing whose housing is not square to the shaft: its edge at radius R, a from the bearing's
 * middle, comes to a·cos φ − R·sin φ along the housing's axis, which has to stay beyond the housing's face.
 * @returns null where the sizes are not said or the bearing does not lean
 */
export function collarRoom({ kind, collar, housing, leans }: ColumnSupport): CollarRoom | null {
  if (kind === 'plain' || !collar || !housing?.ring || !leans) return null;
  const [a, h, radius] = [housing.ring / 2, housing.width / 2, collar.outside / 2];
  const [c, s] = [Math.cos(toRad(leans)), Math.sin(toRad(leans))];
  const gap = a * c - radius * s - h;
  // a cos φ − R sin φ = √(a² + R²) cos(φ + atan(R / a)).
  const most = Math.hypot(a, radius);
  const rubsAt = h >= a ? 0 : (Math.acos(h / most) - Math.atan2(radius, a)) * DEG;
  if (gap >= 0) return { gap, rubsAt, chamfer: null, outside: null };
  const fits = (a * c - h) / s;
  const chamfer = Math.max(radius - fits, (h + radius * s) / c - a);
  return {
    gap,
    rubsAt,
    chamfer: fits > 0 && chamfer <= collar.thick ? chamfer : null,
    outside: fits > 0 ? 2 * fits : null,
  };
}
