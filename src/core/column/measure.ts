import type { AxleName } from '../model/build';
import { COLUMN_WANTED, isBox } from '../model/column';
import type { Column, ColumnWanted } from '../model/column';
import type { Room } from '../model/room';
import { carBodiesOf, nearOf, roundsOf } from './clearance';
import type { CarBody, Near } from './clearance';
import type { ColumnChain, Ripple } from './chain';
import { misfitsOf } from './fits';
import type { Misfit } from './fits';
import { supportsLack } from './held';
import { chainOf, jointName, placesOf, turnsOf } from './places';
import { tooShort } from './cutList';

export const wantedOf = ({ wanted }: Pick<Column, 'wanted'>): ColumnWanted =>
  wanted ?? COLUMN_WANTED;

/** How a joint stands to what is asked of it. */
export interface JointState {
  name: string;
  joint: number;
  /** Degrees; of a double one both halves together. */
  bend: number;
  /** What it may be bent: of its maker, else of its kind. */
  limit: number;
  comfort: number;
  state: 'fine' | 'past comfort' | 'too sharp';
}

/** A double joint halves its angle: it goes twice as far. */
export const jointLimits = (column: Column, j: number): { limit: number; comfort: number } => {
  const { sharpest, comfort } = wantedOf(column);
  const joint = column.joints[j];
  const times = joint.kind === 'double' ? 2 : 1;
  const own = isBox(joint) ? undefined : joint.limit;
  const limit = own ?? times * sharpest;
  return { limit, comfort: Math.min(limit, times * comfort) };
};

/** Angles are told to a tenth: one that is at its limit is not past it. */
const TOLD = 0.05;

export function jointStates(column: Column, { bends }: Pick<ColumnChain, 'bends'>): JointState[] {
  return column.joints.flatMap((joint, j): JointState[] => {
    if (isBox(joint)) return [];
    const bend = bends[j];
    const { limit, comfort } = jointLimits(column, j);
    const state =
      bend > limit + TOLD ? 'too sharp' : bend > comfort + TOLD ? 'past comfort' : 'fine';
    return [{ name: jointName(column.joints, j), joint: j, bend, limit, comfort, state }];
  });
}

/** A column as it is drawn, measured; or why it does not turn. */
export type ColumnMeasured =
  | {
      ok: true;
      chain: ColumnChain;
      joints: JointState[];
      ripple: Ripple;
      /** Turns of the pinion for one of the handwheel, − the other way round. */
      turns: number;
      /** The nearest to any body, the tightest first. */
      near: Near[];
      bodies: CarBody[];
      misfits: Misfit[];
      /** What its supports lack, and shafts without room, in words. */
      lacking: string[];
    }
  | { ok: false; joint: number; why: string };

export function measureColumn(
  column: Column,
  room: Room | undefined,
  axle: AxleName,
): ColumnMeasured {
  const ready = chainOf(column);
  if (!ready.ok) {
    const { joint, message } = ready.fault;
    return { ok: false, joint, why: `${jointName(column.joints, joint)}: ${message}` };
  }
  const { chain } = ready;
  const bodies = carBodiesOf(room?.keepOuts ?? [], axle, column);
  return {
    ok: true,
    chain,
    joints: jointStates(column, chain),
    ripple: chain.ripple(),
    turns: turnsOf(column),
    near: nearOf(roundsOf(column, placesOf(column)), bodies),
    bodies,
    misfits: misfitsOf(column),
    lacking: [...tooShort(column), ...supportsLack(column)],
  };
}
