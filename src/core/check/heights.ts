import { secantRoot } from '../geometry/secant';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import type { AxleCorner } from '../kinematics/axle';
import { Linkage } from '../damper/linkage';
import type { Damper } from '../model/damper';
import type { CheckReading, CheckSetup, HeightBy } from '../model/checks';
import { faceAt, placeOf } from './places';

/** What tells a height: how it is read, and what it reads at ride height. */
export interface HeightWay {
  name: string;
  how: string;
  unit: 'mm' | 'turns';
  /** Whether what it reads at ride height is to be typed. */
  asksRide: boolean;
  /** Whether it works with the wheel moved, or with the chassis moved. */
  with: readonly ('wheel' | 'chassis')[];
}

export const HEIGHT_TABLE: Readonly<Record<HeightBy, HeightWay>> = {
  travel: {
    name: 'travel',
    how: 'How far the wheel’s centre is above ride height, − below.',
    unit: 'mm',
    asksRide: false,
    with: ['wheel', 'chassis'],
  },
  hub: {
    name: 'tape from the floor to the hub',
    how: 'To the middle of what is touched: the hub cap, the rim’s centre.',
    unit: 'mm',
    asksRide: true,
    with: ['wheel'],
  },
  arch: {
    name: 'tape from the hub to the arch',
    how: 'Straight up from the middle of the hub to a mark on the body: shorter as the wheel comes up.',
    unit: 'mm',
    asksRide: true,
    with: ['wheel', 'chassis'],
  },
  chassis: {
    name: 'tape from the floor to the chassis',
    how: 'To a mark on the frame beside the wheel, the tyres on the floor: shorter as the chassis goes down.',
    unit: 'mm',
    asksRide: true,
    with: ['chassis'],
  },
  jack: {
    name: 'turns of the jack',
    how: 'From ride height, + up.',
    unit: 'turns',
    asksRide: false,
    with: ['wheel', 'chassis'],
  },
  damper: {
    name: 'length of the damper',
    how: 'Between its eyes, spring off.',
    unit: 'mm',
    asksRide: false,
    with: ['wheel', 'chassis'],
  },
};

/**
 * The wheel's travel, mm, from what tells its height.
 * @returns null where the drawing has no travel that reads so
 */
export function travelOf(
  raw: number,
  { heightBy, heightAt, face, jackPerTurn, jackRatio }: CheckSetup,
  side: AxleCorner,
  damper: Damper | undefined,
  moved: 'wheel' | 'chassis',
): number | null {
  switch (heightBy) {
    case 'travel':
      return raw;
    case 'chassis':
      return heightAt - raw;
    case 'jack':
      // Under the chassis it lifts that: the wheel goes down in it.
      return (moved === 'chassis' ? -1 : 1) * raw * jackPerTurn * jackRatio;
    case 'hub':
      return atHeight(side, face, raw - heightAt);
    case 'arch':
      return atHeight(side, face, heightAt - raw);
    case 'damper':
      return damper ? atLength(side, damper, raw) : null;
  }
}

/**
 * What tells the height reads where the wheel is to be, as the drawing has it.
 * @returns null where the drawing does not go there
 */
export function rawOf(
  travel: number,
  { heightBy, heightAt, face, jackPerTurn, jackRatio }: CheckSetup,
  side: AxleCorner,
  damper: Damper | undefined,
  moved: 'wheel' | 'chassis',
): number | null {
  const u = new Float64Array(UPRIGHT_SIZE);
  const up = (at: number) => (side.corner.pose(at, 0, u) ? faceAt(placeOf(u), face)[2] : NaN);
  const found = ((): number => {
    switch (heightBy) {
      case 'travel':
        return travel;
      case 'chassis':
        return heightAt - travel;
      case 'jack':
        return ((moved === 'chassis' ? -1 : 1) * travel) / (jackPerTurn * jackRatio);
      case 'hub':
        return heightAt + up(travel) - up(0);
      case 'arch':
        return heightAt - (up(travel) - up(0));
      case 'damper':
        return (damper && new Linkage(side, damper).at(travel)?.damper.length) ?? NaN;
    }
  })();
  return Number.isFinite(found) ? found : null;
}

/** Between heights that are read, mm, as a rule. */
const APART = 20;

/** Heights to read, in order, from full droop to full bump: ride height is one of them. */
export function plannedTravels({ bump, droop }: { bump: number; droop: number }): number[] {
  const step = Math.max(5, Math.min(APART, Math.round((bump + droop) / 6 / 5) * 5));
  const down = Array.from(
    { length: Math.floor(droop / step) },
    (_, i) => -(i + 1) * step,
  ).reverse();
  const up = Array.from({ length: Math.floor(bump / step) }, (_, i) => (i + 1) * step);
  return [...down, 0, ...up];
}

/** A planned height counts as read within so much of it, mm. */
const READ_ALREADY = 3;

/**
 * The first of some heights that was not read yet, and what tells it will read there.
 * @param planned travels in the order they are read in, mm
 * @param done readings of the same kind, on the same way
 */
export function nextHeight(
  planned: readonly number[],
  done: readonly Pick<CheckReading, 'height' | 'asTravel'>[],
  setup: CheckSetup,
  side: AxleCorner,
  damper: Damper | undefined,
  moved: 'wheel' | 'chassis',
): { travel: number; raw: number } | null {
  const read = done.map(({ height, asTravel }) =>
    asTravel ? height : travelOf(height, setup, side, damper, moved),
  );
  for (const travel of planned) {
    if (read.some((at) => at !== null && Math.abs(at - travel) < READ_ALREADY)) continue;
    const raw = rawOf(travel, setup, side, damper, moved);
    if (raw !== null) return { travel, raw };
  }
  return null;
}

/** The middle of what is touched lies a little off the wheel's centre: with camber it rises by another amount. */
function atHeight({ corner }: AxleCorner, face: number, rise: number): number | null {
  const u = new Float64Array(UPRIGHT_SIZE);
  const up = (travel: number): number =>
    corner.pose(travel, 0, u) ? faceAt(placeOf(u), face)[2] : NaN;
  const ride = up(0);
  return secantRoot((travel) => 1e4 * (up(travel) - ride - rise), rise, 1, rise - 200, rise + 200);
}

function atLength(side: AxleCorner, damper: Damper, length: number): number | null {
  const linkage = new Linkage(side, damper);
  const home = linkage.at(0);
  if (!home || Math.abs(home.damper.ratio) < 1e-3) return null;
  const start = (home.damper.length - length) / home.damper.ratio;
  return secantRoot(
    (travel) => 1e4 * ((linkage.at(travel)?.damper.length ?? NaN) - length),
    start,
    1,
    start - 300,
    start + 300,
  );
}
