import type { ColumnChain } from '../column/chain';
import { chainOf, turnsOf } from '../column/places';
import type { AxleDesign } from '../model/build';
import { handwheelOf } from './hand';
import { ratioOf } from './lockToLock';
import type { LockToLock } from './lockToLock';

/** What the hands turn for what the wheels do, a column's ups and downs included. */
export interface ThroughColumn {
  /** At each place of the steering's input: the handwheel, degrees, + left; handwheel degrees for one of the wheels'. NaN where not known. */
  handwheel: Float64Array;
  ratio: Float64Array;
}

/** Steps of Newton's method; a column's speed changes by a third at the most. */
const MOST_STEPS = 60;
const CLOSE = 1e-9;

/**
 * The handwheel's turn for the pinion's, degrees, both + right-handed about the shafts downward.
 * @returns null where it does not come to rest
 */
export function handwheelFor(chain: ColumnChain, pinion: number): number | null {
  let at = pinion / chain.turns;
  for (let step = 0; step < MOST_STEPS; step++) {
    const { pinion: is, ratio } = chain.turn(at);
    const off = pinion - is;
    if (Math.abs(off) < CLOSE) return at;
    at += off / ratio;
  }
  return null;
}

/**
 * A lock-to-lock curve seen from the handwheel through the column. A turn to the left is left-handed about the shaft
 * downward, as the driver looks along it.
 * @returns null where the rack's travel a turn is not known
 */
export function throughColumn(
  curve: LockToLock,
  design: Pick<AxleDesign, 'rack' | 'dropArm' | 'column'>,
  chain: ColumnChain,
): ThroughColumn | null {
  const { perTurn, way } = handwheelOf(design);
  if (perTurn === undefined) return null;
  const turns = Math.abs(turnsOf(design.column));
  // + with a turn of the handwheel to the left where its hand is known, else as the input goes.
  const hand = way ?? 1;
  const sense = chain.turns < 0 ? -1 : 1;
  const handwheel = new Float64Array(curve.count).fill(NaN);
  const ratio = new Float64Array(curve.count).fill(NaN);
  for (let i = 0; i < curve.count; i++) {
    const mean = (hand * 360 * curve.rack[i]) / perTurn;
    // The pinion's turn goes with the handwheel's in its sense.
    const at = handwheelFor(chain, -mean * turns * sense);
    if (at === null) continue;
    handwheel[i] = -at;
    if (curve.reachable[i] !== 1) continue;
    const speed = Math.abs(chain.turn(at).ratio) / turns;
    ratio[i] = ratioOf(curve.perRack[i], perTurn) / speed;
  }
  return { handwheel, ratio };
}

/** The same of a front axle as it is drawn; null where it has no column, or none that turns. */
export function ratiosThroughColumn(
  curve: LockToLock,
  design: Pick<AxleDesign, 'rack' | 'dropArm' | 'column'>,
): ThroughColumn | null {
  const ready = design.column && chainOf(design.column);
  return ready?.ok ? throughColumn(curve, design, ready.chain) : null;
}
