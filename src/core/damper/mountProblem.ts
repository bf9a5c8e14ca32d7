import { add, dot, footOnLine, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { damperEnds } from '../corners/damperTable';
import { damperRoomIn } from '../clearance/room';
import type { DamperNear } from '../clearance/room';
import { effortOf, limitsOf, openedOf, placesOf, stepOf } from '../freedoms/freedoms';
import type { Opened } from '../freedoms/freedoms';
import type { Problem, Variable } from '../find/problem';
import { bodyPoser } from '../kinematics/bodies';
import type { BodiesAt, BodyPose, FirstBody } from '../kinematics/bodies';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { withPoints } from '../kinematics/axle';
import { placer } from '../kinematics/joints';
import { poseHung } from '../kinematics/hung';
import { Swing } from '../kinematics/swing';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import type { DamperUnit, DamperWanted } from '../model/damper';
import type { Freedom } from '../model/freedoms';
import { toVec } from '../model/points';
import type { Coordinate, PointName, Points } from '../model/points';
import { FROM_STRAIGHT } from './ends';
import { between, fromStraight, lineAt } from './linkage';
import type { LineAt } from './linkage';
import { strokeOf } from './springs';

/** What is still good enough: of a limit, mm or degrees past it; of the ratio; of its rise, %; of a clearance, mm. */
export const CLOSE = { limit: 0.1, ratio: 0.01, rise: 2, room: 0.5 } as const;

/** Parts of bump and droop that a damper's length is looked at, besides ride height. */
const PARTS = [-1, -0.5, 0, 0.5, 1] as const;

/** What is asked of mounts, with what the damper leaves. */
export interface MountGoal {
  bump: number;
  droop: number;
  ratio?: number | undefined;
  rise?: number | undefined;
  keep: number;
  /** Clear of the corner's own tubes, rod and half-shaft, straight ahead. */
  clear: boolean;
}

export const goalOf = (wheel: Wheel, wanted: DamperWanted | undefined): MountGoal => ({
  bump: wanted?.bump ?? wheel.travel.bump,
  droop: wanted?.droop ?? wheel.travel.droop,
  ratio: wanted?.ratio,
  rise: wanted?.rise,
  keep: wanted?.keep ?? 0,
  clear: !wanted?.mayTouch,
});

/** How a damper stands at one travel, as mounts are looked for. */
interface Stood {
  line: LineAt;
  /** Rod and damper to the rocker, degrees from straight, the nearer; none without one. */
  open: number;
  /** The rod to the rocker. */
  rod: readonly [Vec, Vec] | null;
}

/** Half of a rocker's rod as it is drawn, mm. */
const ROD = 9;

/** Points that say where a damper's ends are: what a finder may move. A strut's are the corner's own. */
export const mountPoints = ({ type }: Pick<Wheel, 'type'>): PointName[] =>
  ['damperInner', 'damperOuter', 'rockerPivot', 'rockerRodInner', 'rockerRodOuter'].filter(
    (name) => name in type.points,
  );

/** Coordinates of a damper's mounts that have freedoms. */
export const openedMounts = (wheel: Wheel): Opened[] => {
  const may = mountPoints(wheel);
  return openedOf(wheel.design).filter(({ point }) => may.includes(point));
};

/**
 * A damper's mounts as a problem for the general finder. The corner itself does not move with them: its bodies are
 * posed once, and only what hangs on them is placed anew.
 */
export class MountProblem {
  private readonly poses: BodiesAt[] = [];
  private readonly rooms: DamperNear[] = [];
  private readonly points: Points;
  /** Joints on an arm of which only how far out is free: they go along it. */
  private readonly along = new Map<PointName, Vec>();
  /** Every travel that is asked for is reached. */
  readonly reaches: boolean;

  constructor(
    build: Pick<Build, 'room' | 'rod'>,
    private readonly wheel: Wheel,
    readonly goal: MountGoal,
    readonly opened: readonly Opened[],
    /** Parts of bump and droop that are looked at; of five the ratios are told. */
    parts: readonly number[] = PARTS,
  ) {
    this.points = wheel.points;
    const { corner } = wheel;
    let reaches = corner !== null;
    if (corner) {
      const bodies = bodyPoser(corner.drawn);
      const place = placer(corner.drawn);
      for (const part of parts) {
        // Bodies read their pose when they are first asked for: each keeps its own.
        const upright = new Float64Array(UPRIGHT_SIZE);
        const travel = part * (part > 0 ? goal.bump : goal.droop);
        reaches = corner.corner.pose(travel, 0, upright) && reaches;
        this.poses.push(bodies(upright));
        this.rooms.push(damperRoomIn(build, wheel, place(upright), upright));
      }
    }
    this.reaches = reaches;
    for (const { point, coordinate } of opened) {
      const alone = !opened.some((one) => one.point === point && one.coordinate !== coordinate);
      const way = coordinate === 'out' && alone ? this.wayAlong(point) : null;
      if (way) this.along.set(point, way);
    }
  }

  /** Along the arm that a point rides on, a mm outward at a time; null for what rides on none. */
  private wayAlong(point: PointName): Vec | null {
    const { type } = this.wheel;
    const arm = type.pivots.find(({ body }) => body === type.points[point].on);
    if (!arm?.carries) return null;
    const at = (name: string) => toVec(this.points[name]);
    const [front, rear] = arm.through.map(at);
    const joint = at(arm.carries);
    const way = sub(joint, footOnLine(joint, rear, unit(sub(front, rear))));
    return Math.abs(way[1]) < 1 ? null : scale(way, 1 / way[1]);
  }

  /** Where a choice of values puts the points that it moves. */
  placed(values: ArrayLike<number>): Record<PointName, Vec> {
    const places: Record<PointName, Vec> = {};
    this.opened.forEach(({ point, coordinate }, i) => {
      const from = places[point] ?? toVec(this.points[point]);
      const way = this.along.get(point);
      const axis = AXIS[coordinate];
      places[point] = way
        ? add(from, scale(way, values[i] - from[axis]))
        : (from.map((x, j) => (j === axis ? values[i] : x)) as unknown as Vec);
    });
    return places;
  }

  /** The wheel with its mounts so placed. */
  wheelAt(values: ArrayLike<number>): Wheel {
    const { design, side } = this.wheel;
    const moved = Object.fromEntries(
      Object.entries(this.placed(values)).map(([name, [ahead, out, up]]) => [
        name,
        { ahead, out, up },
      ]),
    ) as Partial<Points>;
    return this.wheel.drawnAs(withPoints(design, side, moved));
  }

  /** Where everything is as drawn. */
  get drawn(): Points {
    return this.points;
  }

  variables(): Variable[] {
    return this.opened.map(({ point, coordinate, freedom }) =>
      variableOf(freedom, this.points[point][coordinate]),
    );
  }

  /** The problem for a damper that is so long. */
  problem(unit: DamperUnit, variables: Variable[]): Problem {
    const { goal } = this;
    const { stop, open } = strokeOf(unit);
    const [shortest, longest] = [stop + goal.keep, open - goal.keep];
    const asksRatio = goal.ratio !== undefined;
    const asksRise = goal.rise !== undefined;
    return {
      variables,
      count: 3 + Number(goal.clear) + Number(asksRatio) + Number(asksRise),
      residuals: (values, into) => {
        const stood = this.stand(values);
        if (!stood) return false;
        let [least, most, straight] = [Infinity, -Infinity, Infinity];
        for (const { line, open: left } of stood) {
          least = Math.min(least, line.length);
          most = Math.max(most, line.length);
          straight = Math.min(straight, left);
        }
        into[0] = Math.max(0, shortest - least) / CLOSE.limit;
        into[1] = Math.max(0, most - longest) / CLOSE.limit;
        into[2] = Math.max(0, FROM_STRAIGHT - straight) / CLOSE.limit;
        let next = 3;
        if (goal.clear)
          into[next++] = Math.max(0, -this.roomOf(stood, unit.outside / 2)) / CLOSE.room;
        const [home, full] = [stood[2].line.ratio, stood[4].line.ratio];
        if (asksRatio) into[next++] = (home - goal.ratio!) / CLOSE.ratio;
        if (asksRise) into[next] = (100 * (full / home - 1) - goal.rise!) / CLOSE.rise;
        return home > 0.01;
      },
    };
  }

  /** The least clearance over the travel of a choice, mm, less what is wanted; null where a rod does not reach. */
  roomAt(values: ArrayLike<number>, { outside }: DamperUnit): number | null {
    const stood = this.stand(values);
    return stood && this.roomOf(stood, outside / 2);
  }

  /** The least clearance of damper and rod to the corner's own tubes, mm, less what is wanted. */
  private roomOf(stood: readonly Stood[], radius: number): number {
    const { type, design } = this.wheel;
    const rocker = design.damper!.by === 'rocker';
    const outer = damperEnds(type, design.damper!)[1];
    return stood.reduce((least, { line, rod }, i) => {
      const near = this.rooms[i];
      const own = near(line.inner, line.outer, radius, rocker ? 'rocker' : type.points[outer].on);
      const rods = rod ? near(...rod, ROD, type.points['rockerRodOuter'].on) : Infinity;
      return Math.min(least, own, rods);
    }, Infinity);
  }

  /** The damper at every travel looked at; null where a rod does not reach. */
  private stand(values: ArrayLike<number>): Stood[] | null {
    const { type, design } = this.wheel;
    const damper = design.damper!;
    const places = this.placed(values);
    const at = (name: string): Vec => places[name] ?? toVec(this.points[name]);
    const [inner, outer] = damperEnds(type, damper);
    if (damper.by !== 'rocker') {
      const on = type.points[outer].on as FirstBody;
      return this.poses.map((bodies) => ({
        line: lineAt(at(inner), bodies(on), at(outer)),
        open: 90,
        rod: null,
      }));
    }
    const pivot = at('rockerPivot');
    const [rodInner, rodOuter] = [at('rockerRodInner'), at('rockerRodOuter')];
    const swing = new Swing(pivot, sub(at('rockerAxis'), pivot), rodInner, rodOuter);
    const body = type.points['rockerRodOuter'].on as FirstBody;
    const hung = { swing, end: rodOuter, body, through: pivot };
    const stood: Stood[] = [];
    for (const bodies of this.poses) {
      const carrier: BodyPose = bodies(body);
      const rocker = poseHung(hung, carrier);
      if (!rocker) return null;
      const line = lineAt(at(inner), rocker, at(outer));
      const flat = (v: Vec) => sub(v, scale(swing.axis, dot(v, swing.axis)));
      const toPivot = between(flat(sub(line.inner, line.outer)), flat(sub(pivot, line.outer)));
      const rod = (Math.asin(Math.min(1, Math.abs(rocker.swung.open))) * 180) / Math.PI;
      stood.push({
        ...{ line, open: Math.min(rod, fromStraight(toPivot)) },
        rod: [rocker.place(rodInner), carrier.place(rodOuter)],
      });
    }
    return stood;
  }
}

const AXIS: Record<Coordinate, 0 | 1 | 2> = { ahead: 0, out: 1, up: 2 };

export function variableOf(freedom: Freedom, now: number): Variable {
  const [min, max] = limitsOf(freedom, now);
  return {
    ...{ now, min, max },
    places: placesOf(freedom, now),
    step: stepOf(freedom),
    effort: (value) => effortOf(freedom, now, value),
  };
}
