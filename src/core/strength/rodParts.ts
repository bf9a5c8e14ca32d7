import { rodEnds } from '../corners/kinds';
import { distance } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { ASSUMED } from '../model/rod';
import type { TieRod, TieRodPart, TieRodParts } from '../model/rod';
import { toVec } from '../model/points';

/** Where a figure comes from: typed for this layout, worked out from the layout and its freedoms, or assumed. */
export type Source = 'typed' | 'layout' | 'assumed';

export interface RodAsBuilt {
  parts: TieRodParts;
  from: Record<TieRodPart, Source>;
  /** The spacer that the washers under the outer joint make; null where its freedom is not washers. */
  washers: number | null;
  /** The rod, joint to joint, mm, and how much longer it is than when its thread was measured. */
  length: number;
  longer: number;
}

/** Shorter or longer by less than this a rod is as it was, mm. */
const SAME = 0.05;

/**
 * The tie rod of one side as the layout has it. The spacer is the stack of washers that the outer joint stands
 * on; thread that was measured gets less as the rod gets longer, for the tube stays.
 */
export function rodAsBuilt(build: Pick<Build, 'rod'>, { design, points, type }: Wheel): RodAsBuilt {
  const { inner, outer } = rodEnds(type);
  const length = distance(toVec(points[inner]), toVec(points[outer]));
  const freedom = design.freedoms?.[outer]?.up;
  const washers = freedom?.kind === 'shims' ? Math.abs(points[outer].up - freedom.base) : null;
  const own: TieRod = design.tieRod ?? {};
  const old: Partial<TieRodParts> = build.rod ?? {};
  const parts = { ...ASSUMED };
  const from = {} as Record<TieRodPart, Source>;
  const take = <K extends TieRodPart>(key: K) => {
    const typed = own[key] ?? (key === 'spacer' && washers !== null ? undefined : old[key]);
    if (typed !== undefined) parts[key] = typed as TieRodParts[K];
    from[key] = typed === undefined ? 'assumed' : 'typed';
  };
  for (const key of Object.keys(ASSUMED) as TieRodPart[]) take(key);
  if (own.spacer === undefined && washers !== null) {
    parts.spacer = washers;
    from.spacer = 'layout';
  }
  const longer =
    own.engaged !== undefined && own.engagedAt !== undefined ? length - own.engagedAt : 0;
  if (Math.abs(longer) > SAME) {
    parts.engaged = Math.max(0, parts.engaged - longer);
    from.engaged = 'layout';
  }
  return { parts, from, washers, length, longer: Math.abs(longer) > SAME ? longer : 0 };
}
