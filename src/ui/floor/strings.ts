import type { CornerType } from '@/core/corners/cornerType';
import { lowerArmOf, upperArmOf } from '@/core/kinematics/arms';

/** Construction strings and other things that can be laid on the floor or taken up. */
export const STRINGS = {
  kingpin: 'kingpin axis',
  pivots: 'pivot axes',
  instant: 'instant centre and roll centre',
  lines: 'inner-pivot and ball-joint lines',
  nulls: 'null lines and the path held straight',
  ghosts: 'full bump and droop',
  lengths: 'lengths of arms and rod',
} as const;
export type StringName = keyof typeof STRINGS;
export type Strings = Record<StringName, boolean>;

export const AS_LAID: Strings = {
  kingpin: true,
  pivots: true,
  instant: false,
  lines: false,
  nulls: true,
  ghosts: false,
  lengths: false,
};

/** Strings that there is something to lay of, for a kind of corner. */
export const stringsOf = (type: CornerType): StringName[] =>
  (Object.keys(STRINGS) as StringName[]).filter((name) => {
    if (name === 'kingpin') return type.steersAbout !== null;
    if (name === 'pivots') return type.pivots.length > 0;
    if (name === 'lines') return lowerArmOf(type) !== null && upperArmOf(type) !== null;
    return name !== 'nulls' || type.tieRod !== null;
  });
