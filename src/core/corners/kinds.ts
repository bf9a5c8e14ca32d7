import type { CornerType, SteeredBy } from './cornerType';
import { doubleWishbone } from './doubleWishbone';
import { fiveLink } from './fiveLink';
import { kingpin } from './kingpin';
import { radiusArm } from './radiusArm';
import { strut } from './strut';
import { strutLinks } from './strutLinks';
import { swingArm } from './swingArm';
import { trailingArm } from './trailingArm';

/** Every kind of corner, the commonest first. */
export const CORNER_TYPES: readonly CornerType[] = [
  doubleWishbone,
  strut,
  strutLinks,
  fiveLink,
  swingArm,
  trailingArm,
  radiusArm,
  kingpin,
];

const BY_KIND = new Map(CORNER_TYPES.map((type) => [type.kind, type]));

/**
 * The table of a corner's kind.
 * @throws RangeError for a kind that is not in the list, which no document that was read has
 */
export function typeOf({ kind }: { kind: string }): CornerType {
  const type = BY_KIND.get(kind);
  if (!type) throw new RangeError(`no kind of corner is called ${kind}`);
  return type;
}

/** Names of a kind's points, in the order of its table. */
export const pointNames = (type: Pick<CornerType, 'points'>): string[] => {
  let names = NAMES.get(type.points);
  if (!names) NAMES.set(type.points, (names = Object.keys(type.points)));
  return names;
};
const NAMES = new WeakMap<object, string[]>();

/** Points that the upright carries, the wheel's centre left out: what can be measured off the hub's face. */
export const uprightPoints = (type: Pick<CornerType, 'points'>): string[] =>
  pointNames(type).filter((name) => type.points[name].on === 'upright' && name !== 'wheelCentre');

/** Whether a steering unit may move a kind's rods. */
export const steersBy = (
  { tieRod, steeredBy = ['rack'] }: Pick<CornerType, 'tieRod' | 'steeredBy'>,
  unit: SteeredBy,
): boolean => tieRod !== null && steeredBy.includes(unit);

/** Points of the chassis. */
export const chassisPoints = (type: Pick<CornerType, 'points'>): string[] =>
  pointNames(type).filter((name) => type.points[name].on === 'chassis');

/** Every name that a point of some kind has. */
export const ALL_POINT_NAMES: readonly string[] = [...new Set(CORNER_TYPES.flatMap(pointNames))];

/** The two joints of the line that a kind's wheel steers about, the lower first; null where there is no such line. */
export const kingpinOf = ({
  steersAbout,
}: Pick<CornerType, 'steersAbout'>): readonly [string, string] | null =>
  steersAbout === 'screw' ? null : steersAbout;
