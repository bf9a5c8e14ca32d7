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
export function positionsOf(travel: Travel, rackTravel: number): Position[] {
  const byRack = racksOf(rackTravel).map((rack) => travelsAt(travel, rack));
  return Array.from({ length: TRAVELS }, (_, i) => byRack.map((positions) => positions[i])).flat();
}

/** The same, one rack position after the other: a corner finds its way from ride height anew for each. */
export const positionsByRack = (travel: Travel, rackTravel: number): Position[] =>
  racksOf(rackTravel).flatMap((rack) => travelsAt(travel, rack));

const racksOf = (rackTravel: number): number[] =>
  (rackTravel > 0 ? RACKS : STRAIGHT).map((part) => part * rackTravel);

const travelsAt = ({ bump, droop }: Travel, rack: number): Position[] =>
  Array.from({ length: TRAVELS }, (_, i) => {
    const fullBump = i === TRAVELS - 1;
    const travel = fullBump ? bump : -droop + ((bump + droop) * i) / (TRAVELS - 1);
    return { travel, rack, fullBump };
  });
