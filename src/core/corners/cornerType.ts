import type { Condition } from './conditions';

/** What a point of a corner is fixed to. */
export type Body = 'chassis' | 'upright';

/** A point of a corner: what it is called, what carries it. */
export interface PointOfType {
  label: string;
  on: Body;
}

/**
 * A kind of corner as a table. All that a drawing, a finder or a file needs to know of a kind stands in
 * it; nothing else names one of its points.
 */
export interface CornerType<P extends string = string> {
  kind: string;
  /** What builders call it. */
  label: string;
  /** When it is used, one line. */
  use: string;
  points: Readonly<Record<P, PointOfType>>;
  /** Straight members to be drawn, from joint to joint. */
  members: readonly { from: P; to: P; role: 'arm' | 'link' | 'rod' | 'strut' | 'upright' }[];
  /** Lines of the chassis that a body swings about. */
  pivots: readonly (readonly [P, P])[];
  /**
   * What the wheel steers about: a line through two points, the lower first; the upright's own
   * instantaneous axis as the steering moves it; nothing.
   */
  steersAbout: readonly [P, P] | 'screw' | null;
  /** The rod that sets toe: a tie rod, or a toe link where nothing steers. */
  tieRod: { inner: P; outer: P } | null;
  /** Five equations in all; the sixth is the wheel's height. */
  conditions: readonly Condition<P>[];
}
