import type { Travel } from '../model/build';

/** Positions looked at: so many travels, and parts of the rack's travel, straight ahead first. */
const TRAVELS = 9;
const RACKS = [0, -0.5, 0.5, -1, 1];
const STRAIGHT = [0];

export interface Position {
  travel: number;
  rack: number;
  fullBump: boolean;
}

/**
 * Travel and rack, mm, of every position in which room and articulation are looked at: from droop to full bump, which
 * is one exactly, and at each the racks, straight ahead first.
 */
export function positionsOf(travel: Travel, steerRange: number): Position[] {
  const byRack = racksOf(steerRange).map((rack) => travelsAt(travel, rack));
  return byRack[0].flatMap((_, i) => byRack.map((positions) => positions[i]));
}

/** The same, one rack position after the other: a corner finds its way from ride height anew for each. */
export const positionsByRack = (travel: Travel, steerRange: number): Position[] =>
  racksOf(steerRange).flatMap((rack) => travelsAt(travel, rack));

const racksOf = (steerRange: number): number[] =>
  (steerRange > 0 ? RACKS : STRAIGHT).map((part) => part * steerRange);

function travelsAt({ bump, droop }: Travel, rack: number): Position[] {
  // A wheel without travel stands in one place, as far up as it goes.
  if (bump + droop === 0) return [{ travel: 0, rack, fullBump: true }];
  return Array.from({ length: TRAVELS }, (_, i) => {
    const fullBump = i === TRAVELS - 1;
    const travel = fullBump ? bump : -droop + ((bump + droop) * i) / (TRAVELS - 1);
    return { travel, rack, fullBump };
  });
}
