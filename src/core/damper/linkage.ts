import { damperEnds } from '../corners/damperTable';
import { toDeg } from '../geometry/angle';
import { cross, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { DrawnCorner, LayoutFault } from '../kinematics/corner';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { goes } from '../kinematics/bodies';
import type { BodyPose, FirstBody } from '../kinematics/bodies';
import { allBodiesPoser, bodyIn } from '../kinematics/hung';
import type { AllBodies, HungPose } from '../kinematics/hung';
import type { AxleCorner } from '../kinematics/axle';
import type { Damper } from '../model/damper';
import { toVec } from '../model/points';

/** A line from a place on the chassis to one that moves: its length, mm, how much it shortens per mm of bump, where it is. */
export interface LineAt {
  length: number;
  ratio: number;
  inner: Vec;
  outer: Vec;
}

/** What turns about a line of the chassis: how far from ride height as drawn, degrees, + as it goes in bump there, and degrees per mm of bump. */
interface TurnAt {
  angle: number;
  rate: number;
}

/** A damper, its spring and its bar in one position. */
export interface LinkageAt {
  damper: LineAt;
  /** A spring of its own place. */
  spring: LineAt | null;
  strap: LineAt | null;
  torsion: TurnAt | null;
  bar: TurnAt | null;
  /** Between damper and what carries its outer end, seen square to that body's axis: degrees, 90 square. */
  toArm: number | null;
  /** Between rod and rocker, and damper and rocker: degrees from straight; none without a rocker. */
  rodToRocker: number | null;
  damperToRocker: number | null;
}

/**
 * Damper, spring and bar of one corner. Lengths and ratios follow from the corner's pose alone, whatever its kind: what
 * they ride on are bodies of it.
 */
export class Linkage {
  private readonly bodiesAt: (upright: Float64Array) => AllBodies;
  private readonly ends: readonly [string, string];
  private readonly upright = new Float64Array(UPRIGHT_SIZE);
  /** Which way torsion bar and bar turn in bump at ride height. */
  private readonly signs: { torsion: 1 | -1; bar: 1 | -1 };

  constructor(
    private readonly corner: AxleCorner,
    private readonly damper: Damper,
  ) {
    const { drawn } = corner;
    this.bodiesAt = allBodiesPoser(drawn);
    this.ends = damperEnds(drawn.type, damper);
    this.signs = { torsion: 1, bar: 1 };
    const home = this.at(0, 0);
    if (home?.torsion && home.torsion.rate < 0) this.signs.torsion = -1;
    if (home?.bar && home.bar.rate < 0) this.signs.bar = -1;
  }

  get drawn(): DrawnCorner {
    return this.corner.drawn;
  }

  /**
   * @param travel mm, + bump
   * @param rack the steering's input, + left
   * @param other where the axle's other wheel stands, mm: as high where nothing is said
   * @returns null where the corner does not reach, or a rod of the damper's
   */
  at(travel: number, rack = 0, other = travel): LinkageAt | null {
    const { corner, upright } = this;
    const goesWith = other === travel ? 1 : -1;
    if (!corner.corner.pose(travel, corner.rackSign * rack, upright, other, goesWith)) return null;
    return this.of(upright);
  }

  /** The same of a pose that is solved already. */
  of(upright: Float64Array): LinkageAt | null {
    const { drawn } = this.corner;
    const { type } = drawn;
    const bodies = this.bodiesAt(upright);
    const { rocker, bar } = bodies;
    const { by, torsion, spring, strap } = this.damper;
    if ((by === 'rocker' && !rocker) || (this.damper.bar && !bar)) return null;
    const bodyOf = (name: string) => bodyIn(bodies, type.points[name].on);
    const line = (inner: string, outer: string) =>
      lineAt(this.placeOf(inner), bodyOf(outer), this.placeOf(outer));
    const damper = line(...this.ends);
    return {
      damper,
      spring: spring?.on ? line('springInner', 'springOuter') : null,
      strap: strap ? line('strapInner', 'strapOuter') : null,
      torsion: torsion
        ? this.turn(
            this.signs.torsion,
            torsion.about === 'rocker' ? rocker : bodies.at(torsion.about),
            torsion.about,
          )
        : null,
      bar: bar
        ? {
            angle: this.signs.bar * toDeg(bar.swung.angle),
            rate: this.signs.bar * toDeg(bar.swung.rate),
          }
        : null,
      toArm: this.toArm(bodies, damper),
      rodToRocker: rocker ? toDeg(Math.asin(Math.min(1, Math.abs(rocker.swung.open)))) : null,
      damperToRocker: rocker ? this.damperToRocker(damper) : null,
    };
  }

  private placeOf(name: string): Vec {
    return toVec(this.corner.drawn.points[name]);
  }

  private turn(sign: 1 | -1, body: HungPose | BodyPose | null, about: string): TurnAt | null {
    if (!body) return null;
    if ('swung' in body)
      return { angle: sign * toDeg(body.swung.angle), rate: sign * toDeg(body.swung.rate) };
    const { type } = this.corner.drawn;
    const pivots = type.pivots.find((one) => one.body === about);
    if (!pivots?.carries) return null;
    const [front, rear] = pivots.through.map((name) => this.placeOf(name));
    const axis = unit(sub(front, rear));
    const flat = (v: Vec) => sub(v, scale(axis, dot(v, axis)));
    const [from, now] = [this.placeOf(pivots.carries), body.place(this.placeOf(pivots.carries))];
    const [a, b] = [flat(sub(from, rear)), flat(sub(now, rear))];
    const angle = toDeg(Math.atan2(dot(cross(a, b), axis), dot(a, b)));
    return { angle: sign * angle, rate: sign * toDeg(dot(body.turn, axis)) };
  }

  /** Between the damper, or the rod to its rocker, and the arm that carries it. */
  private toArm(bodies: AllBodies, damper: LineAt): number | null {
    const { type } = this.corner.drawn;
    const pivots = type.pivots.find(({ body }) => body === this.damper.on);
    if (!pivots?.carries) return null;
    const [front, rear] = pivots.through.map((name) => this.placeOf(name));
    const axis = unit(sub(front, rear));
    const flat = (v: Vec) => sub(v, scale(axis, dot(v, axis)));
    const { rocker } = bodies;
    const arm = bodies.at(this.damper.on as FirstBody);
    const outer = rocker ? arm.place(this.placeOf('rockerRodOuter')) : damper.outer;
    const inner = rocker ? rocker.place(this.placeOf('rockerRodInner')) : damper.inner;
    return between(flat(sub(inner, outer)), flat(sub(rear, outer)));
  }

  private damperToRocker(damper: LineAt): number {
    const pivot = this.placeOf('rockerPivot');
    const axis = unit(sub(this.placeOf('rockerAxis'), pivot));
    const flat = (v: Vec) => sub(v, scale(axis, dot(v, axis)));
    const angle = between(flat(sub(damper.inner, damper.outer)), flat(sub(pivot, damper.outer)));
    return fromStraight(angle);
  }
}

/** How far an angle is from straight, either way, degrees. */
export const fromStraight = (angle: number): number => Math.min(angle, 180 - angle);

/** Between two directions, degrees. */
export const between = (a: Vec, b: Vec): number =>
  toDeg(Math.atan2(Math.hypot(...cross(a, b)), dot(a, b)));

/** A line from a place on the chassis to one that is drawn on a body. */
export function lineAt(inner: Vec, body: BodyPose, drawn: Vec): LineAt {
  const outer = body.place(drawn);
  const along = sub(outer, inner);
  const length = Math.hypot(...along);
  return { length, ratio: -dot(along, goes(body, outer)) / length, inner, outer };
}

/** Places nearer than this are one, mm; a rod nearer to straight with its arm holds nothing, as a sine. */
const SAME = 0.5;
const STRAIGHT = 0.02;

/** What makes a damper's places as drawn unusable, at the point to look at; empty where nothing does. */
export function linkageFaults({ drawn }: AxleCorner, damper: Damper): LayoutFault[] {
  const { type, points } = drawn;
  const at = (name: string): Vec => toVec(points[name]);
  const faults: LayoutFault[] = [];
  const refuse = (point: string, message: string) => faults.push({ point, message });
  const apart = (a: string, b: string) => {
    if (Math.hypot(...sub(at(a), at(b))) < SAME)
      refuse(a, `the ${type.points[a].label} and the ${type.points[b].label} are in one place`);
  };
  apart(...damperEnds(type, damper));
  if (damper.spring?.on) apart('springInner', 'springOuter');
  if (damper.strap) apart('strapInner', 'strapOuter');
  const swings = (through: string, axis: Vec, joint: string, end: string, what: string) => {
    apart(joint, end);
    const along = unit(axis);
    const flat = (v: Vec) => sub(v, scale(along, dot(v, along)));
    const arm = flat(sub(at(joint), at(through)));
    const rod = flat(sub(at(end), at(joint)));
    const [a, b] = [Math.hypot(...arm), Math.hypot(...rod)];
    if (a < SAME)
      refuse(joint, `the ${type.points[joint].label} lies on the axis: nothing to turn`);
    else if (b < SAME || Math.hypot(...cross(arm, rod)) / (a * b) < STRAIGHT)
      refuse(joint, `${what} and its rod are in line as drawn: it cannot hold`);
  };
  if (damper.by === 'rocker') {
    apart('rockerPivot', 'rockerAxis');
    const axis = sub(at('rockerAxis'), at('rockerPivot'));
    if (Math.hypot(...axis) >= SAME)
      swings('rockerPivot', axis, 'rockerRodInner', 'rockerRodOuter', 'the rocker');
  }
  if (damper.bar) swings('barPivot', [0, 1, 0], 'barLinkInner', 'barLinkOuter', 'the bar’s arm');
  return faults;
}
