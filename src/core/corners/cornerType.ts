import type { Vec } from '../geometry/vec';
import type { Condition } from './conditions';

/** What may carry the outer end of a damper: what goes up and down with the wheel. */
export const CARRIERS = ['lowerArm', 'upperArm', 'arm', 'upright', 'beam'] as const;
export type Carrier = (typeof CARRIERS)[number];
export type ArmBody = Extract<Carrier, `${string}rm`>;

/**
 * What a point of a corner is fixed to: an arm that swings about its pivots, the upright, a beam under the kingpins of
 * both wheels; a rocker between rod and damper, a bar from wheel to wheel.
 */
export type Body = 'chassis' | Carrier | 'rocker' | 'bar';

/** A point of a corner: what it is called, what carries it. */
export interface PointOfType {
  label: string;
  on: Body;
  /** No joint, but a mark on an axis: nothing is there that could touch or articulate. */
  mark?: true;
  /** Of damper, spring or bar: it does nothing to how the wheel goes. */
  ofDamper?: true;
}

/** A straight member to be drawn, from joint to joint; `name` where it is a tube or rod of its own, diameter in mm. */
export interface Member<P extends string = string> {
  from: P;
  to: P;
  role: 'arm' | 'link' | 'rod' | 'strut' | 'upright' | 'damper' | 'rocker';
  name?: string;
  diameter: number;
}

/** A line of the chassis that an arm swings about, and the joint of the upright that the arm carries, if any. */
export interface Pivots<P extends string = string> {
  label: string;
  /** What swings about it, and which body that is where it is not the upright. */
  arm: string;
  body?: ArmBody;
  through: readonly [P, P];
  carries: P | null;
}

/**
 * A joint that articulates. A stud on the upright, along a line of it, in an arm that swings about its pivots; or the
 * end of a straight member: a ball set square to it as drawn, or a rod end, which turns freely about its bolt; or
 * the ball at a chassis that a whole upright swings on, about a bolt across the car.
 */
export type JointOfType<P extends string = string> =
  | { at: P; type: 'ball'; stud: readonly [P, P]; arm: readonly [P, P] }
  | { at: P; type: 'ball' | 'rodEnd'; member: P }
  | { at: P; type: 'rodEnd'; swings: 'upright' };

/** Where a corner is to be drawn anew: its wheel's centre, [ahead, out, up] mm, and the end of the car. */
export interface WheelPlace {
  centre: Vec;
  end: 'front' | 'rear';
}

/** A steering unit: what moves the tie rods' inner joints. */
export type SteeredBy = 'rack' | 'dropArm';

/** Two wheels that one rod joins from arm to arm, one of them moved by a drag link. */
export interface Coupled<P extends string = string> {
  /** The joint of the rod from arm to arm. */
  crossRod: P;
  /** Where a beam hangs on leaf springs: its pad, the fixed eye, the shackle's eye. */
  spring?: { pad: P; eye: P; shackle: P };
  /** Points that are only where the drag link is; `tieRod` is that link. */
  nearOnly: readonly P[];
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
  /** What is special about it, where it is set: one line. */
  special?: string;
  /** Its wheel does not move up and down: the frame holds what it turns about. */
  noTravel?: true;
  /** Its wheel and the other one move as one. */
  coupled?: Coupled<P>;
  /** What its rod is called where that is not a tie rod. */
  rodName?: 'drag link';
  /** What may move its rod's inner joint; a rack alone where nothing is said. */
  steeredBy?: readonly SteeredBy[];
  points: Readonly<Record<P, PointOfType>>;
  members: readonly Member<P>[];
  pivots: readonly Pivots<P>[];
  /**
   * What the wheel steers about: a line through two points, the lower first; the upright's own
   * instantaneous axis as the steering moves it; nothing.
   */
  steersAbout: readonly [P, P] | 'screw' | null;
  /** The rod that sets toe: a tie rod, or a toe link where nothing steers. */
  tieRod: { inner: P; outer: P } | null;
  joints: readonly JointOfType<P>[];
  /**
   * Five equations in all; the sixth is the wheel's height, or one more where there is no travel. Of wheels that are
   * coupled, what holds one at ride height: six.
   */
  conditions: readonly Condition<P>[];
  /** Joints from which lines are drawn to the instant centre, seen from the front. */
  towardsInstant: readonly P[];
  /** The station that its arms or links are set at. */
  station: { name: string; question: string };
  /** What cars with such corners at the front are like, where that is no road car: mm. */
  start?: { wheelbase: number; out: number; radius: number; width: number };
  /** A sensible layout to start from, [ahead, out, up] mm. */
  blank: (place: WheelPlace) => Record<P, Vec>;
  /** A drop arm's shaft to go with it: two points, [ahead, left, up] mm. */
  blankShaft?: (centre: Vec) => { lower: Vec; upper: Vec };
}
