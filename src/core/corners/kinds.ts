import { beam } from './beam';
import type { CornerType, SteeredBy } from './cornerType';
import { DAMPER_POINTS, withDamper } from './damperTable';
import type { DamperMounting } from './damperTable';
import { doubleWishbone } from './doubleWishbone';
import { fiveLink } from './fiveLink';
import { kingpin } from './kingpin';
import { kingpinLinked } from './kingpinLinked';
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
  kingpinLinked,
  beam,
];

const BY_KIND = new Map(CORNER_TYPES.map((type) => [type.kind, type]));

/** An axle's kind of corner, and the damper that is on it, if any. */
export interface OfKind {
  kind: string;
  damper?: DamperMounting | undefined;
}

/**
 * The table of a corner's kind, its damper's points and members included.
 * @throws RangeError for a kind that is not in the list, which no document that was read has
 */
export function typeOf({ kind, damper }: OfKind): CornerType {
  const type = BY_KIND.get(kind);
  if (!type) throw new RangeError(`no kind of corner is called ${kind}`);
  return damper ? damped(type, damper) : type;
}

/** A kind with a damper, made once for each way of mounting one. */
function damped(type: CornerType, damper: DamperMounting): CornerType {
  const { by, on, unit, spring, bar, strap } = damper;
  const key = [
    ...[type.kind, by, on, unit?.outside, spring?.on],
    ...[spring?.outside, bar?.on, strap?.on],
  ].join();
  let made = DAMPED.get(key);
  if (!made) {
    if (DAMPED.size > MOST_DAMPED) DAMPED.clear();
    DAMPED.set(key, (made = withDamper(type, damper)));
  }
  return made;
}
const DAMPED = new Map<string, CornerType>();
const MOST_DAMPED = 500;

/** An axle, and on which side its drag link is where its wheels are coupled: left unless it says otherwise. */
export interface Sided extends OfKind {
  dragLinkTo?: 'left' | 'right' | undefined;
}

/** The side of a coupled axle that its drag link goes to. */
export const nearSideOf = ({ dragLinkTo = 'left' }: Sided): 'left' | 'right' => dragLinkTo;

/** The table of one side of an axle: of coupled wheels only one has the drag link. */
export function typeOn(design: Sided, side: 'left' | 'right'): CornerType {
  const type = typeOf(design);
  return type.coupled && side !== nearSideOf(design) ? farOf(type, type.coupled.nearOnly) : type;
}

/** A kind without its drag link. */
function farOf(type: CornerType, gone: readonly string[]): CornerType {
  let far = FAR.get(type);
  if (!far) {
    const stays = (...names: string[]) => !names.some((name) => gone.includes(name));
    far = {
      ...type,
      points: Object.fromEntries(Object.entries(type.points).filter(([name]) => stays(name))),
      members: type.members.filter(({ from, to }) => stays(from, to)),
      joints: type.joints.filter(({ at }) => stays(at)),
      tieRod: null,
    };
    FAR.set(type, far);
  }
  return far;
}
const FAR = new WeakMap<CornerType, CornerType>();

/**
 * Names of the two ends of a kind's rod.
 * @throws RangeError for a kind without a rod: whoever asks knows that it has one
 */
export function rodEnds({ kind, tieRod }: Pick<CornerType, 'kind' | 'tieRod'>) {
  if (!tieRod) throw new RangeError(`a ${kind} corner has no rod`);
  return tieRod;
}

/** The joint of the arm that turns both wheels alike: the rod's from arm to arm, or the tie rod's; null without either. */
export const armJointOf = ({
  coupled,
  tieRod,
}: Pick<CornerType, 'coupled' | 'tieRod'>): string | null =>
  coupled?.crossRod ?? tieRod?.outer ?? null;

/** Every joint of a kind's rods that may be moved to steer otherwise. */
export const steeringJoints = ({
  coupled,
  tieRod,
}: Pick<CornerType, 'coupled' | 'tieRod'>): string[] => [
  ...(tieRod ? [tieRod.inner, tieRod.outer] : []),
  ...(coupled ? [coupled.crossRod] : []),
];

/** Names of a kind's points, in the order of its table. */
export const pointNames = (type: Pick<CornerType, 'points'>): string[] => {
  let names = NAMES.get(type.points);
  if (!names) NAMES.set(type.points, (names = Object.keys(type.points)));
  return names;
};
const NAMES = new WeakMap<object, string[]>();

/** Points that hold the wheel: all but a damper's. */
export const wheelPoints = (type: Pick<CornerType, 'points'>): string[] =>
  pointNames(type).filter((name) => !type.points[name].ofDamper);

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

/** Points of a beam under both wheels. */
export const beamPoints = (type: Pick<CornerType, 'points'>): string[] =>
  pointNames(type).filter((name) => type.points[name].on === 'beam');

/** Every name that a point of some kind has. */
export const ALL_POINT_NAMES: readonly string[] = [
  ...new Set([...CORNER_TYPES.flatMap(pointNames), ...DAMPER_POINTS]),
];

/** The two joints of the line that a kind's wheel steers about, the lower first; null where there is no such line. */
export const kingpinOf = ({
  steersAbout,
}: Pick<CornerType, 'steersAbout'>): readonly [string, string] | null =>
  steersAbout === 'screw' ? null : steersAbout;
