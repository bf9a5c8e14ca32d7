/**
 * What holds an upright: conditions on one free rigid body. The points they name are those of a corner's
 * table, drawn at ride height; `member` is the part that keeps the condition, as it is called when it
 * gives out.
 */
export type Condition<P extends string = string> =
  /** A link of fixed length from a joint on the upright to one on the chassis. One condition. */
  | { holds: 'length'; upright: P; chassis: P; member: string }
  /** A line of the upright always passes through a point of the chassis: a strut in its top. Two. */
  | { holds: 'line'; upright: readonly [P, P]; chassis: P; member: string }
  /** A point of the upright stays where it is on the chassis. Three. */
  | { holds: 'ball'; at: P; member: string }
  /** The upright turns about a line of the chassis. Five. */
  | { holds: 'hinge'; about: readonly [P, P]; member: string }
  /** What points across the car points nowhere else, seen from above: the toe that a rod to the other wheel keeps. One. */
  | { holds: 'heading'; member: string };

/** How many equations a condition is. */
export const EQUATIONS: Record<Condition['holds'], number> = {
  length: 1,
  line: 2,
  ball: 3,
  hinge: 5,
  heading: 1,
};
