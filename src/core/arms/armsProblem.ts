import { POSITIONS, bumpSteer } from '../motion/bumpSteer';
import type { ArmsWanted } from '../model/armsWanted';
import { pointNames, typeOf } from '../corners/kinds';
import type { CornerType, Pivots } from '../corners/cornerType';
import { acrossArm, armLength, lowerArmOf, upperArmOf } from '../kinematics/arms';
import type { Opened } from '../freedoms/freedoms';
import { effortOf, limitsOf, openedOf, placesOf, stepOf } from '../freedoms/freedoms';
import type { Found, Problem, Variable } from '../find/problem';
import { Solver } from '../find/solver';
import { prepareAxle } from '../kinematics/axle';

import type { AxleDesign, AxleName, Build, Travel } from '../model/build';
import type { Coordinate, PointName, Points } from '../model/points';
import { heldCamber } from '../motion/held';
import type { HeldCamber } from '../motion/held';
import { readAt, runSweep, travelSweep, valueAt } from '../motion/sweep';
import { mayMove } from '../takeoff/solid';

/** What is still good enough: degrees of camber, mm of the others. */
export const CLOSE = {
  gain: 0.05,
  camber: 0.1,
  toe: 0.05,
  rollCentre: 5,
  level: 2,
  upperArm: 0.5,
} as const;

/** Points of a kind that an arm finder may move: all but the wheel's, the rod's and a damper's. */
export const armPoints = ({ points, tieRod }: CornerType): PointName[] =>
  pointNames({ points }).filter(
    (name) =>
      name !== 'wheelCentre' &&
      name !== tieRod?.inner &&
      name !== tieRod?.outer &&
      !points[name].ofDamper,
  );

/** The other pivot of the same arm. */
export function partnerOf({ pivots }: CornerType, name: PointName): PointName | undefined {
  for (const { through } of pivots) {
    if (through[0] === name) return through[1];
    if (through[1] === name) return through[0];
  }
  return undefined;
}
const isFrontPivot = ({ pivots }: CornerType, name: PointName): boolean =>
  pivots.some(({ through }) => through[0] === name);

export interface Change {
  point: PointName;
  coordinate: Coordinate;
  from: number;
  to: number;
}

/** One way to arms that do what is wanted, or come nearest. */
export interface ArmsFound extends HeldCamber {
  changes: Change[];
  points: Points;
  reached: boolean;
  effort: number;
  /** The same with the tie rod as it is now: its bump steer turns the wheel, and caster makes camber of that. */
  withRod: HeldCamber;
  /** Null where the wheel steers about nothing. */
  scrub: number | null;
  /** Toe range over the travel, to be nulled next; null where the tie rod does not reach. */
  bumpSteer: number | null;
}

/** The one coordinate that would have to give, and by how much, mm. */
export interface Opening {
  point: PointName;
  coordinate: Coordinate;
  by: number;
}

/** Coordinates of an axle's arms that have freedoms, as the finder moves them. */
export function openedArms(design: AxleDesign, together: boolean): Opened[] {
  const type = typeOf(design);
  const may = armPoints(type);
  const all = openedOf(design).filter(({ point }) => may.includes(point));
  if (!together) return all;
  const has = (point: PointName | undefined, coordinate: Coordinate) =>
    all.some((one) => one.point === point && one.coordinate === coordinate);
  return all.filter(
    ({ point, coordinate }) =>
      isFrontPivot(type, point) ||
      !partnerOf(type, point) ||
      !has(partnerOf(type, point), coordinate),
  );
}

/** An axle's arms as a problem for the general finder, and its answers as things a builder does. */
export class ArmsProblem {
  readonly problem: Problem;
  private readonly points: Points;
  private readonly travel: Travel;
  private readonly type: CornerType;
  private readonly may: PointName[];

  constructor(
    private readonly build: Build,
    private readonly axle: AxleName,
    private readonly design: AxleDesign,
    private readonly wanted: ArmsWanted,
    private readonly opened: Opened[],
  ) {
    this.points = structuredClone(design.points);
    this.travel = build.travel;
    this.type = typeOf(design);
    this.may = armPoints(this.type);
    this.problem = this.over(
      opened.map((one) => this.variable(one)),
      opened,
    );
  }

  private variable({ point, coordinate, freedom }: Opened): Variable {
    const now = this.design.points[point][coordinate];
    const [min, max] = limitsOf(freedom, now);
    return {
      now,
      places: placesOf(freedom, now),
      min,
      max,
      step: stepOf(freedom),
      effort: (value) => effortOf(freedom, now, value),
    };
  }

  private over(variables: Variable[], opened: Opened[]): Problem {
    const { points } = this;
    // What a kind has no arm for is not asked of it.
    const [lower, upper] = [lowerArmOf(this.type), upperArmOf(this.type)];
    const wanted = {
      ...this.wanted,
      toe: this.type.tieRod ? undefined : this.wanted.toe,
      level: lower ? this.wanted.level : undefined,
      upperArm: upper ? this.wanted.upperArm : undefined,
    };
    const count = [
      wanted.gain,
      wanted.bump,
      wanted.droop,
      wanted.rollCentre,
      wanted.toe || undefined,
      wanted.toe || undefined,
      wanted.level || undefined,
      wanted.upperArm,
    ].filter((one) => one !== undefined).length;
    return {
      variables,
      count,
      residuals: (values, into) => {
        this.place(points, values, opened);
        const { rightPoints: _, ...mirrored } = this.design;
        const prepared = prepareAxle({ ...mirrored, points });
        const held = prepared.ok && heldCamber(prepared.axle.left, this.travel);
        if (!held) return false;
        let next = 0;
        if (wanted.gain !== undefined) into[next++] = (held.gain - wanted.gain) / CLOSE.gain;
        if (wanted.bump !== undefined) into[next++] = (held.bump - wanted.bump) / CLOSE.camber;
        if (wanted.droop !== undefined) into[next++] = (held.droop - wanted.droop) / CLOSE.camber;
        if (wanted.rollCentre !== undefined)
          into[next++] = (held.rollCentre - wanted.rollCentre) / CLOSE.rollCentre;
        if (wanted.toe) {
          into[next++] = held.toeBump / CLOSE.toe;
          into[next++] = held.toeDroop / CLOSE.toe;
        }
        if (wanted.level) into[next++] = armRise(lower!, points) / CLOSE.level;
        if (wanted.upperArm !== undefined)
          into[next] = (armLength(upper!, points) - wanted.upperArm) / CLOSE.upperArm;
        return into.every(Number.isFinite);
      },
    };
  }

  /** Puts values into points; with brackets that move as one the rear pivot goes along. */
  private place(points: Points, values: ArrayLike<number>, opened: Opened[]): void {
    for (const name of this.may) Object.assign(points[name], this.design.points[name]);
    opened.forEach(({ point, coordinate }, i) => {
      const by = values[i] - this.design.points[point][coordinate];
      points[point][coordinate] = values[i];
      const partner = this.wanted.together ? partnerOf(this.type, point) : undefined;
      if (partner) points[partner][coordinate] += by;
    });
  }

  /** An answer measured afresh; null where it cannot be moved over its travel with the tie rod there is. */
  describe(found: Found): ArmsFound | null {
    const points = structuredClone(this.design.points);
    this.place(points, found.values, this.opened);
    const { rightPoints: _, ...mirrored } = this.design;
    const prepared = prepareAxle({ ...mirrored, points });
    if (!prepared.ok) return null;
    const side = prepared.axle.left;
    const held = heldCamber(side, this.travel);
    const ride = readAt(side, 0, 0);
    if (!ride.ok || !held) return null;
    const { rollCentre } = ride.value;
    const { camber: perTravel } = ride.perTravel;
    if (rollCentre === undefined || perTravel === undefined) return null;
    const ends = travelSweep(this.travel, 2);
    runSweep(side, ends);
    const changes = this.may.flatMap((point) =>
      (['ahead', 'out', 'up'] as const).flatMap((coordinate): Change[] => {
        const [from, to] = [this.design.points[point][coordinate], points[point][coordinate]];
        return Math.abs(to - from) < 0.005 ? [] : [{ point, coordinate, from, to }];
      }),
    );
    return {
      ...held,
      changes,
      points,
      reached: found.reached,
      effort: found.effort,
      withRod: {
        gain: 25 * perTravel,
        bump: valueAt(ends, 1, 'camber') - ride.value.camber,
        droop: valueAt(ends, 0, 'camber') - ride.value.camber,
        toeBump: valueAt(ends, 1, 'toe') - ride.value.toe,
        toeDroop: valueAt(ends, 0, 'toe') - ride.value.toe,
        rollCentre: rollCentre - ride.value.contactUp,
      },
      scrub: ride.value.scrub ?? null,
      bumpSteer:
        bumpSteer(side, this.travel, travelSweep(this.travel, POSITIONS))?.span.range ?? null,
    };
  }

  /**
   * Which one coordinate would reach it if it went further than it may, and by how little. What is welded and
   * the joints of an upright that was measured as one solid part are not asked.
   */
  *opening(nearest: Found | undefined): Generator<number, Opening | null> {
    const { type } = this;
    const candidates = this.may
      .filter(
        (point) => !this.wanted.together || !partnerOf(type, point) || isFrontPivot(type, point),
      )
      .flatMap((point) => (['out', 'up'] as const).map((coordinate) => ({ point, coordinate })))
      .filter(({ point, coordinate }) => mayMove(this.build, this.axle, point, coordinate));
    let best: Opening | null = null;
    for (const [i, candidate] of candidates.entries()) {
      yield i / candidates.length;
      const most = best ? Math.abs(best.by) : REACH;
      const by = this.leastOpening(candidate, nearest, most);
      if (by !== null && (!best || Math.abs(by) < Math.abs(best.by))) best = { ...candidate, by };
    }
    return best;
  }

  /** How far a coordinate has to go beyond its freedom, at most so far, for all that is wanted; + or −; null where that is not enough. */
  private leastOpening(
    { point, coordinate }: Pick<Opened, 'point' | 'coordinate'>,
    nearest: Found | undefined,
    most: number,
  ): number | null {
    const has = this.opened.findIndex(
      (one) => one.point === point && one.coordinate === coordinate,
    );
    const now = this.design.points[point][coordinate];
    const [min, max] = has < 0 ? [now, now] : limitsOf(this.opened[has].freedom, now);
    const others = this.opened.filter((_, j) => j !== has);
    const opened: Opened[] = [
      ...others,
      { point, coordinate, freedom: { kind: 'range', min, max, step: 0 } },
    ];
    const beyond = (by: number): number | null => {
      const variables = opened.map((one, j): Variable => {
        if (j === others.length)
          return { now, places: null, min: min - by, max: max + by, step: 0, effort: () => 0 };
        const variable = this.variable(one);
        // Holes and washers stay as the nearest answer has them.
        return variable.places
          ? { ...variable, places: [nearest?.values[this.opened.indexOf(one)] ?? variable.now] }
          : variable;
      });
      const problem = this.over(variables, opened);
      const start = Float64Array.from(variables, (one) => one.places?.[0] ?? one.now);
      const free = variables.flatMap(({ places }, j) => (places ? [] : [j]));
      const answer = new Solver(problem).solve(start, free);
      if (!answer?.reached) return null;
      const value = answer.values[others.length];
      return value > max ? value - max : value < min ? value - min : 0;
    };
    let found = beyond(most);
    if (found === null) return null;
    // The least that does it, to a tenth of a mm.
    let [enough, little] = [Math.abs(found), 0];
    while (enough - little > 0.1) {
      const middle = (enough + little) / 2;
      const nearer = beyond(middle);
      if (nearer === null) little = middle;
      else [found, enough] = [nearer, Math.min(middle, Math.abs(nearer))];
    }
    return Math.abs(found) > 1e-6 ? found : null;
  }
}

/** How far a coordinate is let out when it is asked what would help, mm. */
const REACH = 120;

/** How much higher an arm's joint of the upright is than its pivots across from it. */
function armRise(arm: Pivots, points: Points): number {
  const { joint, foot } = acrossArm(arm, points);
  return joint[2] - foot[2];
}
