import { bodyDistance } from '../clearance/solid';
import { add, cross, distance, dot, length, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Column } from '../model/column';
import type { PlainBody } from '../model/room';
import { placesOf, shaftLinesOf } from './places';

/** From the rim to the outside of the knuckles, across a leg where nothing is said, and across a shod foot, mm (from memory). */
export const KNUCKLES = 45;
export const LEG = 150;
export const FOOT = 110;
/** A helmet under the line of the hoops, mm: common practice, from memory; the rules of a series or a country say. */
export const UNDER_HOOPS = 50;

type InSide = { ahead: number; up: number };

/** A place seen from the side, where both of its figures were said. */
export const whole = (
  place: { ahead?: number | undefined; up?: number | undefined } | undefined,
): InSide | null =>
  place?.ahead === undefined || place.up === undefined
    ? null
    : { ahead: place.ahead, up: place.up };

/** The middle of the seat, mm left of the car's: the handwheel's where nobody said it. */
export const seatLeft = ({ driver, wheel }: Pick<Column, 'driver' | 'wheel'>): number =>
  driver?.left ?? wheel.centre.left;

/** Thighs, shins and feet as round bodies, in the car's own axes: `out` is to the left. */
export function legsOf(column: Pick<Column, 'driver' | 'wheel'>): PlainBody[] {
  const { driver } = column;
  if (!driver) return [];
  const { kneesApart = 0, leg = LEG } = driver;
  const [hip, knee, heel, toe] = [driver.hip, driver.knee, driver.heel, driver.toe].map(whole);
  const left = seatLeft(column);
  const part = (
    name: string,
    from: InSide | null,
    to: InSide | null,
    diameter = leg,
  ): PlainBody[] =>
    from && to && Math.hypot(to.ahead - from.ahead, to.up - from.up) > 1
      ? (['left', 'right'] as const).map((side): PlainBody => {
          const out = left + ((side === 'left' ? 1 : -1) * kneesApart) / 2;
          return {
            kind: 'cylinder',
            id: `${side} ${name}`,
            name: `${side} ${name}`,
            axle: 'front',
            from: { ...from, out },
            to: { ...to, out },
            diameter,
          };
        })
      : [];
  return [
    ...part('thigh', hip, knee),
    ...part('shin', knee, heel),
    ...part('foot', heel, toe, FOOT),
  ];
}

/** The pedals' box as a body, in the car's own axes: `out` is to the left. */
export function pedalBoxOf({ driver }: Pick<Column, 'driver'>): PlainBody[] {
  if (!driver?.pedals) return [];
  const { middle, size } = driver.pedals;
  return [
    {
      kind: 'box',
      id: 'pedal box',
      name: 'pedal box',
      axle: 'front',
      middle: { ahead: middle.ahead, out: middle.left, up: middle.up },
      size: { ahead: size.ahead, out: size.left, up: size.up },
    },
  ];
}

/** How a handwheel stands to who holds it; what nobody said what it takes for is null. */
export interface Hands {
  /** The handwheel's axis from level, degrees: its top away from the driver; and how far its middle is off the seat's, mm, + left. */
  rake: number;
  offset: number;
  /** The rim's knuckles to the nearest leg, mm, below 0 into it: as it stands, and at a quarter turn, where the whole rim passes. */
  legs: { straight: Clear; quarter: Clear } | null;
  /** The wrist past the rim's top with the shoulders back, mm; below 0 short of it. */
  wrist: number | null;
  /** The line of sight past the rim. */
  sight: Sight | null;
  /** The helmet under the line over both hoops, mm. */
  helmet: number | null;
}

export interface Clear {
  clearance: number;
  to: string;
}

/** Where the line of sight passes the rim: over it, through it, or against it; by how much it clears what it passes, mm. */
export interface Sight {
  passes: 'over' | 'through' | 'rim' | 'boss' | 'beside';
  by: number;
}

/** So much of a handwheel's middle is not seen through, mm from its centre (common practice). */
const BOSS = 45;
/** Places looked at round the rim. */
const ROUND = 360;

export function handsOf(column: Column): Hands | null {
  const { driver, wheel } = column;
  if (!driver) return null;
  const places = placesOf(column);
  const { way } = shaftLinesOf(places)[0];
  const centre = places.wheel;
  const radius = wheel.diameter / 2;
  // Across the rim to the left, and up within its plane.
  // A handwheel that lies level has no side that is up: its front is.
  const across =
    Math.hypot(way[0], way[1]) > 1e-6 ? unit(cross([0, 0, 1], way)) : ([0, 1, 0] as Vec);
  const upward = unit(cross(way, across));
  const top = add(centre, scale(upward, (radius - wheel.rim / 2) * Math.sign(upward[2] || 1)));
  const left = seatLeft(column);
  const inSeat = (at: InSide): Vec => [at.ahead, left, at.up];

  const { arm } = driver;
  const [eye, sight, shoulder, helmet] = [
    driver.eye,
    driver.sight,
    driver.shoulder,
    driver.helmet,
  ].map(whole);
  const [front, main] = [driver.frontHoop, driver.mainHoop].map(whole);
  return {
    rake: (Math.atan2(-way[2], Math.hypot(way[0], way[1])) * 180) / Math.PI,
    offset: centre[1] - left,
    legs: legsClear(),
    wrist: shoulder && arm !== undefined ? arm - distance(inSeat(shoulder), top) : null,
    sight: eye && sight ? sightPast(inSeat(eye), inSeat(sight)) : null,
    helmet: helmet && front && main ? underLine(helmet, front, main) : null,
  };

  function legsClear(): Hands['legs'] {
    const legs = legsOf(column);
    if (legs.length === 0) return null;
    const bodies = legs.map((leg) => ({ name: leg.name, distanceTo: bodyDistance(leg) }));
    const less = wheel.rim / 2 + (driver!.knuckles ?? KNUCKLES);
    const around = (flat: number): Clear => {
      let found: Clear = { clearance: Infinity, to: '' };
      for (let i = 0; i < ROUND; i++) {
        const angle = (2 * Math.PI * i) / ROUND;
        const middle = radius - wheel.rim / 2;
        // The bottom is cut off level, at `flat` from where the circle would end.
        const low = Math.max(middle * Math.sin(angle), flat - middle);
        const place = add(centre, add(scale(across, middle * Math.cos(angle)), scale(upward, low)));
        for (const { name, distanceTo } of bodies) {
          const clearance = distanceTo(place) - less;
          if (clearance < found.clearance) found = { clearance, to: name };
        }
      }
      return found;
    };
    return { straight: around(wheel.flat ?? 0), quarter: around(0) };
  }

  function sightPast(from: Vec, to: Vec): Sight | null {
    const ray = sub(to, from);
    const part = dot(sub(centre, from), way) / dot(ray, way);
    if (!(part > 0 && part < 1)) return null;
    const place = sub(add(from, scale(ray, part)), centre);
    const off = length(place);
    const [inner, outer] = [radius - wheel.rim, radius];
    if (off > outer)
      return {
        passes: dot(place, upward) > Math.abs(dot(place, across)) ? 'over' : 'beside',
        by: off - outer,
      };
    if (off >= inner) return { passes: 'rim', by: 0 };
    if (off < BOSS) return { passes: 'boss', by: 0 };
    return { passes: 'through', by: Math.min(inner - off, off - BOSS) };
  }
}

/** How far a place is under the line through two others, seen from the side, mm, square to the line. */
function underLine(p: InSide, a: InSide, b: InSide): number | null {
  const [dx, dz] = [b.ahead - a.ahead, b.up - a.up];
  const long = Math.hypot(dx, dz);
  if (long < 1) return null;
  const under = (dx * (p.up - a.up) - dz * (p.ahead - a.ahead)) / long;
  return dx < 0 ? under : -under;
}

/** The pedals' box against the handwheel's middle: how far it is to the left of it, mm; null where there is none. */
export const pedalsOff = ({ driver, wheel }: Column): number | null =>
  driver?.pedals ? driver.pedals.middle.left - wheel.centre.left : null;
