import type { CornerType } from '../corners/cornerType';
import { pointNames } from '../corners/kinds';
import { limitsOf, placesOf } from '../freedoms/freedoms';
import type { AxleCorner } from '../kinematics/axle';
import type { Wheel } from '../kinematics/wheel';
import type { Freedom } from '../model/freedoms';
import { COORDINATES } from '../model/points';
import type { Coordinate, PointName } from '../model/points';
import { readAt } from '../motion/sweep';
import { Assembly } from './assembly';
import { offsetCount, offsetOf } from './joints';
import { cornerOf } from './sensitivity';

/** What turning, shimming or moving something does to the wheel as it stands: degrees, mm. */
export interface Effect {
  camber: number;
  toe: number;
  /** Null where the wheel steers about nothing. */
  caster: number | null;
  /** Both sides alike. */
  track: number;
}

/** Something that can be set, and what one step of it does, the rest of the car left as it is. */
export interface Adjuster {
  /** A member between two joints, or a coordinate of a joint. */
  of: { member: string } | { point: PointName; coordinate: Coordinate };
  /** The step: mm longer, or mm in the coordinate's own direction. */
  step: number;
  unit: 'turn' | 'washer' | 'hole' | 'flip' | 'throw' | 'slot' | 'mm';
  /** Null where the parts do not go together then. */
  effect: Effect | null;
}

/** A wheel at ride height, its arms and rods as long as they are, put together again with something changed. */
class Setting {
  private readonly before;

  constructor(private readonly wheel: Wheel) {
    this.before = read(wheel.corner);
  }

  /** What a change does: joints off by so much, or a member longer; the rod keeps its length, so that toe follows. */
  effect(
    offsets: Float64Array,
    longer: { from: PointName; to: PointName; by: number } | null,
  ): Effect | null {
    const { before, wheel } = this;
    const assembly = new Assembly(wheel.drawn, 'rod as drawn');
    if (longer && !assembly.lengthen(longer.from, longer.to, longer.by)) return null;
    const built = assembly.build(offsets);
    const after = built && read(cornerOf(wheel, built));
    if (!before || !after) return null;
    return {
      camber: after.camber - before.camber,
      toe: after.toe - before.toe,
      caster:
        after.caster === undefined || before.caster === undefined
          ? null
          : after.caster - before.caster,
      track: 2 * (after.contactOut - before.contactOut),
    };
  }
}

/** A wheel's quantities at ride height. */
function read(corner: AxleCorner | null) {
  const reading = corner && readAt(corner, 0, 0);
  return reading?.ok ? reading.value : null;
}

/**
 * What one turn longer of each arm tube, link and rod does: exact, the wheel put together again at ride height.
 * @param pitch mm a turn, of both threads of a tube with a left and a right hand together
 */
export function memberEffects(wheel: Wheel, pitch: number): Adjuster[] {
  const { type } = wheel;
  const setting = new Setting(wheel);
  const still = new Float64Array(offsetCount(type));
  return type.members.flatMap(({ from, to, role, name }): Adjuster[] =>
    role === 'upright' || role === 'strut' || name === undefined || !isLengthAlone(type, from, to)
      ? []
      : [
          {
            of: { member: name },
            step: pitch,
            unit: 'turn',
            effect: setting.effect(still, { from, to, by: pitch }),
          },
        ],
  );
}

/**
 * What a member between two joints does that is longer by so many mm, exact: the wheel put together again at ride height.
 * An arm's tube counts as longer with its ends set further apart.
 * @returns null where that length alone does not hold the two joints apart (an arm that carries more than one joint), or the
 * parts do not go together then
 */
export function lengthEffect(wheel: Wheel, from: PointName, to: PointName, by: number) {
  if (!isLengthAlone(wheel.type, from, to)) return null;
  const still = new Float64Array(offsetCount(wheel.type));
  return new Setting(wheel).effect(still, { from, to, by });
}

/** What joints do that are all off by so much in each of their coordinates, exact; the rod as long as it is. Null where it does not go together. */
export function offsetEffect(wheel: Wheel, points: readonly PointName[], by: readonly number[]) {
  const offsets = new Float64Array(offsetCount(wheel.type));
  for (const point of points) offsets.set(by, offsetOf(wheel.type, point));
  return new Setting(wheel).effect(offsets, null);
}

/** Whether two joints are held apart by a length of their own, and nothing else goes by the inner one: a welded arm's tube does not grow alone. */
export function isLengthAlone(type: CornerType, from: PointName, to: PointName): boolean {
  const lengths = type.conditions.filter(
    (condition) => condition.holds === 'length' && condition.chassis === from,
  );
  return lengths.length === 1 && 'upright' in lengths[0] && lengths[0].upright === to;
}

/**
 * What one step of each coordinate of a joint does: a turn, a washer, the next hole, a flip, an eccentric's whole
 * throw, as its freedom has it; a millimetre where it has none.
 */
export function pointEffects(wheel: Wheel, point: PointName): Adjuster[] {
  const { type, design } = wheel;
  if (!pointNames(type).includes(point)) return [];
  const setting = new Setting(wheel);
  return COORDINATES.map((coordinate, i): Adjuster => {
    const now = wheel.points[point][coordinate];
    const { step, unit } = stepOf(design.freedoms?.[point]?.[coordinate], now);
    const offsets = new Float64Array(offsetCount(type));
    offsets[offsetOf(type, point) + i] = step;
    return { of: { point, coordinate }, step, unit, effect: setting.effect(offsets, null) };
  });
}

/** One step of a freedom from where the joint is, mm, in the direction the coordinate grows if it goes there. */
export function stepOf(freedom: Freedom | undefined, now: number): Pick<Adjuster, 'step' | 'unit'> {
  const toNext = (): number => {
    const places = placesOf(freedom!, now)!;
    const next = places.find((place) => place > now + 0.01);
    return (next ?? places.findLast((place) => place < now - 0.01) ?? now + 1) - now;
  };
  switch (freedom?.kind) {
    case 'thread':
      return { step: freedom.pitch, unit: 'turn' };
    case 'shims':
      return { step: freedom.way * Math.min(...freedom.stock), unit: 'washer' };
    case 'choices':
      return { step: toNext(), unit: 'hole' };
    case 'flip':
      return { step: toNext(), unit: 'flip' };
    case 'eccentric': {
      const [, most] = limitsOf(freedom, now);
      return { step: most - now > 0.01 ? most - now : -freedom.throw, unit: 'throw' };
    }
    case 'range':
      return { step: freedom.step || 1, unit: 'slot' };
    default:
      return { step: 1, unit: 'mm' };
  }
}
