import type { MemberBuild } from '../model/made';

import type { PartRecord } from '../model/shop';

/** One line of a build's list. */
export interface ListedPart {
  key: string;
  name: string;
  /** Thread and size, in words. */
  what: string;
  hand: 'left' | 'right' | null;
  count: number;
  /** Each, mm; null where it has none. */
  length: number | null;
  /** Each, kg; null where nothing is known of it. */
  weight: number | null;
  /** What of all of it counts as unsprung, kg. */
  unsprung: number;
  made: boolean;
  where: string;
  record: PartRecord | null;
}

/** kg/mm³ (Shigley, table A-5, from memory). */
export const DENSITY = { steel: 7.85e-6, aluminium: 2.71e-6, titanium: 4.43e-6 } as const;
/** Half of what goes from the frame to the wheel moves with the wheel (common practice). */
export const UNSPRUNG = 0.5;

/** Weight of a tube or bar of so many mm, kg. */
export const weightOf = (
  { outside, wall, material, form }: MemberBuild,
  length: number,
): number => {
  if (form === 'plate') return outside * wall * length * DENSITY[material];
  const inside = form === 'bar' ? 0 : outside - 2 * wall;
  const full = form === 'square' ? 1 : Math.PI / 4;
  return full * (outside ** 2 - inside ** 2) * length * DENSITY[material];
};

export const round = (mm: number): string => String(Math.round(mm * 100) / 100);

export function sectionOf({ form, outside, wall, material }: MemberBuild): string {
  switch (form) {
    case 'bar':
      return `${round(outside)} ${material} bar`;
    case 'plate':
      return `${round(wall)} ${material} plate, ${round(outside)} wide`;
    case 'square':
      return `${round(outside)} × ${round(outside)} × ${round(wall)} ${material} square tube`;
    case 'tube':
      return `${round(outside)} × ${round(wall)} ${material} tube`;
  }
}
