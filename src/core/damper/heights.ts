import { clearancesAt } from '../clearance/room';
import type { Closest } from '../clearance/room';
import { placesOf } from '../freedoms/freedoms';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import type { RideHeight } from '../model/damper';
import { COORDINATES } from '../model/points';
import type { Coordinate, PointName } from '../model/points';
import { readAt } from '../motion/sweep';
import { travelEnds } from './ends';
import type { TravelEnd } from './ends';
import { Linkage } from './linkage';
import type { LinkageAt } from './linkage';
import { restsAt } from './rideHeight';
import { DamperAt } from './sweep';
import type { DamperRow } from './sweep';

/** A corner at a height that has a name. */
export interface AtHeight {
  height: RideHeight;
  /** Degrees; bump steer as its slope there, degrees per mm. */
  toe: number;
  camber: number;
  bumpSteer: number;
  row: DamperRow | null;
  /** Travel left from here before something ends it, mm; null where nothing that is known does. */
  bump: number | null;
  droop: number | null;
  bumpEnd: TravelEnd | null;
  droopEnd: TravelEnd | null;
  /** The tightest place here, the wheel straight ahead. */
  tightest: Closest | null;
}

/** How a corner stands at each of its named heights; those that are not reached are left out. */
export function heightsOf(build: Pick<Build, 'room' | 'rod'>, wheel: Wheel): AtHeight[] {
  const { corner, design } = wheel;
  const { damper } = design;
  if (!corner || !damper) return [];
  const of = new DamperAt(corner, damper);
  const ends = travelEnds(build, wheel);
  return (damper.heights ?? []).flatMap((height): AtHeight[] => {
    const { travel, rate } = height;
    const reading = readAt(corner, travel, 0);
    if (!reading.ok) return [];
    const [tightest = null] =
      clearancesAt(build, wheel, [{ travel, rack: 0, fullBump: false }]) ?? [];
    const { bump = null, droop = null } = ends ?? {};
    return [
      {
        height,
        toe: reading.value.toe,
        camber: reading.value.camber,
        bumpSteer: reading.perTravel.toe ?? 0,
        row: of.row(travel, rate),
        bump: bump && bump.travel - travel,
        droop: droop && travel - droop.travel,
        ...{ bumpEnd: bump, droopEnd: droop, tightest },
      },
    ];
  });
}

/** Where a corner rests with what is on its spring, between the ends of what it may use. */
export function restOf(build: Pick<Build, 'room'>, wheel: Wheel, rate?: number): number | null {
  const { corner, design, travel } = wheel;
  if (!corner || !design.damper) return null;
  const ends = travelEnds(build, wheel);
  const between = [
    ends?.droop?.travel ?? -travel.droop,
    ends?.bump?.travel ?? travel.bump,
  ] as const;
  return restsAt(design.damper, new DamperAt(corner, design.damper), between, rate);
}

/** What a hole does to the damper. */
export interface DamperHole {
  point: PointName;
  coordinate: Coordinate;
  at: number;
  /** Where it is now. */
  now: boolean;
  home: LinkageAt;
  /** The damper's length at full bump and full droop, mm; null out of reach. */
  bump: number | null;
  droop: number | null;
}

/** More places of one coordinate than this are no holes but shims: they are not listed. */
const MOST_HOLES = 12;

/** What each drilled hole of the corner, arms and mounts alike, does to damper and ratio. */
export function damperHoles(wheel: Wheel): DamperHole[] {
  const { design, type, points, travel } = wheel;
  const { damper, freedoms } = design;
  if (!damper) return [];
  return Object.keys(type.points).flatMap((point) =>
    COORDINATES.flatMap((coordinate): DamperHole[] => {
      const freedom = freedoms?.[point]?.[coordinate];
      const now = points[point][coordinate];
      if (freedom?.kind !== 'choices' && freedom?.kind !== 'flip') return [];
      return placesOf(freedom, now)!
        .slice(0, MOST_HOLES)
        .flatMap((at): DamperHole[] => {
          const { corner } = wheel.withPoints({ [point]: { ...points[point], [coordinate]: at } });
          const linkage = corner && new Linkage(corner, damper);
          const home = linkage?.at(0);
          if (!linkage || !home) return [];
          const length = (to: number) => linkage.at(to)?.damper.length ?? null;
          return [
            {
              ...{ point, coordinate, at, home },
              now: Math.abs(at - now) < 1e-6,
              bump: length(travel.bump),
              droop: length(-travel.droop),
            },
          ];
        });
    }),
  );
}
