import type { Travel } from '../model/build';

/** Positions looked at: so many travels, and parts of the rack's travel, straight ahead first. */
const TRAVELS = 9;
const RACKS = [0, -0.5, 0.5, -1, 1];
const STRAIGHT = [0];

/** Travel and rack, mm, of every position in which room and tilts are looked at; droop first, full bump last and exactly. */
export function* positionsOf(
  { bump, droop }: Travel,
  rackTravel: number,
): Generator<{ travel: number; rack: number; fullBump: boolean }> {
  for (let i = 0; i < TRAVELS; i++) {
    const fullBump = i === TRAVELS - 1;
    const travel = fullBump ? bump : -droop + ((bump + droop) * i) / (TRAVELS - 1);
    for (const part of rackTravel > 0 ? RACKS : STRAIGHT)
      yield { travel, rack: part * rackTravel, fullBump };
  }
}
