import { POSITIONS, bumpSteer } from '../bumpsteer/bumpSteer';
import { effortOf, limitsOf, openedOf, placesOf, stepOf } from '../freedoms/freedoms';
import type { Freedom } from '../freedoms/freedoms';
import { find } from '../find/find';
import type { Finding, Found, Problem, Variable } from '../find/find';
import { distance, footOnLine, sub, unit } from '../geometry/vec';
import { prepareAxle } from '../kinematics/axle';
import { vec } from '../kinematics/wishboneChain';
import type { AxleDesign, AxleName, Build, Travel } from '../model/build';
import type { Coordinate, PointName, Points } from '../model/points';
import { COLUMN, ROW_SIZE } from '../motion/quantities';
import { makeSweep, readAt, runSweep, slopeAt, travelSweep, valueAt } from '../motion/sweep';

/** What the arms are to do. Degrees and mm. */
export interface ArmsWanted {
  /** Camber change per 25 mm of bump at ride height, + top out. */
  gain?: number;
  /** Camber change from ride height at full bump, at full droop, + top out. */
  bump?: number;
  droop?: number;
  /** Roll centre's height above the ground at ride height. */
  rollCentre?: number;
  /** The lower arm level at ride height. */
  level?: boolean;
  /** Upper arm's length, ball joint to pivot axis: an arm that is on the shelf. */
  upperArm?: number;
  /** Both pivots of an arm move as one bracket: by the front one's freedom, or the rear one's where the front has none. */
  together: boolean;
}

/** What is still good enough: degrees of camber, mm of the others. */
export const CLOSE = { gain: 0.05, camber: 0.1, rollCentre: 5, level: 2, upperArm: 0.5 } as const;

/** Points an arm finder may move. */
export const ARM_POINTS: PointName[] = [
  'lowerFrontInner',
  'lowerRearInner',
  'lowerOuter',
  'upperFrontInner',
  'upperRearInner',
  'upperOuter',
];
/** The other pivot of the same arm. */
const PARTNER: Partial<Record<PointName, PointName>> = {
  lowerFrontInner: 'lowerRearInner',
  lowerRearInner: 'lowerFrontInner',
  upperFrontInner: 'upperRearInner',
  upperRearInner: 'upperFrontInner',
};
const FRONT_PIVOTS: PointName[] = ['lowerFrontInner', 'upperFrontInner'];

export interface Change {
  point: PointName;
  coordinate: Coordinate;
  from: number;
  to: number;
}

/** One way to arms that do what is wanted, or come nearest. */
export interface ArmsFound {
  changes: Change[];
  points: Points;
  reached: boolean;
  effort: number;
  /** Camber per 25 mm at ride height, its change at full bump and droop, and the roll centre at ride height. */
  gain: number;
  bump: number;
  droop: number;
  rollCentre: number;
  scrub: number;
  /** Toe range over the travel, to be nulled next; null where the tie rod does not reach. */
  bumpSteer: number | null;
}

export interface ArmsFinding {
  found: ArmsFound[];
  tried: number;
  all: boolean;
  /** Where nothing reaches it: the one coordinate that would have to give, and by how much. */
  opening: { point: PointName; coordinate: Coordinate; by: number } | null;
}

interface Opened {
  point: PointName;
  coordinate: Coordinate;
  freedom: Freedom;
}

/** Length of an axle's upper arm: ball joint to the line of its pivots. */
export function upperArmLength(points: Points): number {
  const rear = vec(points.upperRearInner);
  const axis = unit(sub(vec(points.upperFrontInner), rear));
  const joint = vec(points.upperOuter);
  return distance(joint, footOnLine(joint, rear, axis));
}

/** Coordinates of an axle's arms that have freedoms, as the finder moves them. */
export function openedArms(design: AxleDesign, together: boolean): Opened[] {
  const all = openedOf(design.freedoms).filter(({ point }) => ARM_POINTS.includes(point));
  if (!together) return all;
  const has = (point: PointName | undefined, coordinate: Coordinate) =>
    all.some((one) => one.point === point && one.coordinate === coordinate);
  return all.filter(
    ({ point, coordinate }) =>
      FRONT_PIVOTS.includes(point) || !PARTNER[point] || !has(PARTNER[point], coordinate),
  );
}

/**
 * Finds arms from the camber they are to give, within the freedoms. Yields the part done.
 * @returns nothing found where no freedom is open or nothing can be solved
 */
export function* armsFromCamber(
  build: Build,
  axle: AxleName,
  wanted: ArmsWanted,
): Generator<number, ArmsFinding> {
  const design = build[axle] ?? build.front;
  const opened = openedArms(design, wanted.together);
  const search = new ArmsProblem(design, build.travel, wanted, opened);
  const finding: Finding = yield* find(search.problem);
  const found = finding.found.map((one) => search.describe(one));
  return {
    found,
    tried: finding.tried,
    all: finding.all,
    opening: found.some(({ reached }) => reached) ? null : yield* search.opening(finding.found[0]),
  };
}

class ArmsProblem {
  readonly problem: Problem;
  private readonly sweep = makeSweep(3);
  private readonly points: Points;

  constructor(
    private readonly design: AxleDesign,
    private readonly travel: Travel,
    private readonly wanted: ArmsWanted,
    private readonly opened: Opened[],
  ) {
    this.points = structuredClone(design.points);
    this.sweep.travel.set([travel.bump, -travel.droop, 0]);
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
    const { wanted, points } = this;
    const count = [
      wanted.gain,
      wanted.bump,
      wanted.droop,
      wanted.rollCentre,
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
        if (!prepared.ok || runSweep(prepared.axle.left, this.sweep) < 3) return false;
        const camber = (i: number) => this.sweep.rows[i * ROW_SIZE + COLUMN.camber];
        let next = 0;
        if (wanted.gain !== undefined)
          into[next++] = (25 * slopeAt(this.sweep, 2, 'camber') - wanted.gain) / CLOSE.gain;
        if (wanted.bump !== undefined)
          into[next++] = (camber(0) - camber(2) - wanted.bump) / CLOSE.camber;
        if (wanted.droop !== undefined)
          into[next++] = (camber(1) - camber(2) - wanted.droop) / CLOSE.camber;
        if (wanted.rollCentre !== undefined)
          into[next++] =
            (valueAt(this.sweep, 2, 'rollCentre') - wanted.rollCentre) / CLOSE.rollCentre;
        if (wanted.level) into[next++] = lowerArmRise(points) / CLOSE.level;
        if (wanted.upperArm !== undefined)
          into[next] = (upperArmLength(points) - wanted.upperArm) / CLOSE.upperArm;
        return into.every(Number.isFinite);
      },
    };
  }

  /** Puts values into points; with brackets that move as one the rear pivot goes along. */
  private place(points: Points, values: ArrayLike<number>, opened: Opened[]): void {
    for (const name of ARM_POINTS) Object.assign(points[name], this.design.points[name]);
    opened.forEach(({ point, coordinate }, i) => {
      const by = values[i] - this.design.points[point][coordinate];
      points[point][coordinate] = values[i];
      const partner = this.wanted.together ? PARTNER[point] : undefined;
      if (partner) points[partner][coordinate] += by;
    });
  }

  describe(found: Found): ArmsFound {
    const points = structuredClone(this.design.points);
    this.place(points, found.values, this.opened);
    const { rightPoints: _, ...mirrored } = this.design;
    const prepared = prepareAxle({ ...mirrored, points });
    if (!prepared.ok) throw new Error('an answer that cannot be solved');
    const side = prepared.axle.left;
    const ends = travelSweep(this.travel, 2);
    runSweep(side, ends);
    const ride = readAt(side, 0, 0);
    if (!ride.ok) throw new Error(ride.why);
    const changes = ARM_POINTS.flatMap((point) =>
      (['ahead', 'out', 'up'] as const).flatMap((coordinate): Change[] => {
        const [from, to] = [this.design.points[point][coordinate], points[point][coordinate]];
        return Math.abs(to - from) < 0.005 ? [] : [{ point, coordinate, from, to }];
      }),
    );
    return {
      changes,
      points,
      reached: found.reached,
      effort: found.effort,
      gain: 25 * ride.perTravel.camber,
      bump: valueAt(ends, 1, 'camber') - ride.value.camber,
      droop: valueAt(ends, 0, 'camber') - ride.value.camber,
      rollCentre: ride.value.rollCentre,
      scrub: ride.value.scrub,
      bumpSteer:
        bumpSteer(side, this.travel, travelSweep(this.travel, POSITIONS))?.span.range ?? null,
    };
  }

  /** Which one coordinate would reach it if it were free, and how far beyond its freedom it had to go. */
  *opening(nearest: Found | undefined): Generator<number, ArmsFinding['opening']> {
    const candidates = ARM_POINTS.filter(
      (point) => !this.wanted.together || !PARTNER[point] || FRONT_PIVOTS.includes(point),
    ).flatMap((point) => (['out', 'up'] as const).map((coordinate) => ({ point, coordinate })));
    let best: ArmsFinding['opening'] = null;
    for (const [i, candidate] of candidates.entries()) {
      const has = this.opened.findIndex(
        (one) => one.point === candidate.point && one.coordinate === candidate.coordinate,
      );
      const opened: Opened[] = [
        ...this.opened.filter((_, j) => j !== has),
        { ...candidate, freedom: { kind: 'range', min: 0, max: 0, step: 0 } },
      ];
      const now = this.design.points[candidate.point][candidate.coordinate];
      const variables = opened.map((one, j): Variable => {
        if (j === opened.length - 1)
          return {
            now,
            places: null,
            min: now - REACH,
            max: now + REACH,
            step: 0,
            effort: () => 0,
          };
        const variable = this.variable(one);
        // Holes and washers stay as the nearest answer has them.
        const at = this.opened.indexOf(one);
        return variable.places
          ? { ...variable, places: [nearest?.values[at] ?? variable.now] }
          : variable;
      });
      const search = find(this.over(variables, opened), 1);
      let step = search.next();
      while (!step.done) step = search.next();
      const [answer] = step.value.found;
      yield (i + 1) / candidates.length;
      if (!answer?.reached) continue;
      const value = answer.values[answer.values.length - 1];
      const [min, max] = has < 0 ? [now, now] : limitsOf(this.opened[has].freedom, now);
      const by = value > max ? value - max : value < min ? value - min : 0;
      if (Math.abs(by) > 1e-6 && (!best || Math.abs(by) < Math.abs(best.by)))
        best = { ...candidate, by };
    }
    return best;
  }
}

/** How far a coordinate is let out when it is asked what would help, mm. */
const REACH = 120;

/** How much higher the lower ball joint is than its arm's pivots across from it. */
function lowerArmRise(points: Points): number {
  const rear = vec(points.lowerRearInner);
  const axis = unit(sub(vec(points.lowerFrontInner), rear));
  const joint = vec(points.lowerOuter);
  return joint[2] - footOnLine(joint, rear, axis)[2];
}
