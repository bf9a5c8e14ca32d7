import type { Condition } from '../corners/conditions';
import type { Body, CornerType, Pivots } from '../corners/cornerType';
import { damperEnds } from '../corners/damperTable';
import { factor, solveFactored } from '../geometry/linear';
import { cross, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { placer, otherArmAt } from '../kinematics/joints';
import type { Joints } from '../kinematics/joints';
import { spindleAt } from '../kinematics/frames';
import type { Wheel } from '../kinematics/wheel';
import type { LoadCase } from '../model/loads';
import { AXES, NONE, acrossOf, contactOf, pivotForces, squareTo } from './forces';

/** What something of a corner carries. */
export type CarriedAs =
  /** Along a straight member, N, + in tension. */
  | 'axial'
  /** At a joint or bracket, N, whichever way. */
  | 'joint'
  /** Bending of an arm where the damper stands on it, N·mm. */
  | 'bending'
  /** Across a strut, at its top: what its rod is bent by, N. */
  | 'side';

export interface Item {
  id: string;
  as: CarriedAs;
  /** A member's two ends, a joint's one, an arm's carried joint. */
  at: readonly string[];
}

/** One unknown force: what a newton of it does to the upright, and where; what it is to the items. */
interface Column {
  force: Vec;
  at: Vec;
  parts: readonly Part[];
}
/** What an item carries per newton; along a member the first number, + in tension. */
interface Part {
  id: string;
  per: Vec;
}
const along = (from: string, to: string, tension: number): Part => ({
  id: axialId(from, to),
  per: [tension, 0, 0],
});
const on = (name: string, per: Vec): Part => ({ id: jointId(name), per });

/**
 * What a corner carries, by statics of its exact pose: the upright with its wheel is one free body, links push and pull
 * along themselves, an arm that nothing stands on does so through its tubes, one that carries the damper is bent by it; a
 * strut holds across itself at its top, a ball and a hinge as they are. The damper (or a spring of its own place, or a
 * torsion bar where there is no coil spring) carries what the wheel stands on: whatever that takes. Of wheels that are coupled, the other one is taken as unloaded.
 */
export class CornerStatics {
  readonly items: Item[] = [];
  private readonly index = new Map<string, number>();
  private readonly upright = new Float64Array(UPRIGHT_SIZE);
  private readonly place: (upright: Float64Array) => Joints;
  private readonly supports: (readonly [string, string])[];
  private readonly loadedArm: Pivots | null;
  private readonly matrix = new Float64Array(36);
  private readonly order = new Int32Array(6);
  private readonly right = new Float64Array(6);
  private readonly amounts = new Float64Array(6);

  private constructor(
    private readonly wheel: Wheel,
    private readonly type: CornerType,
  ) {
    this.place = placer(wheel.corner!.drawn);
    this.supports = this.findSupports();
    this.loadedArm = this.findLoadedArm();
    this.list();
  }

  /** @returns what is missing, in words, where forces cannot be told */
  static of(wheel: Wheel): { ok: true; statics: CornerStatics } | { ok: false; why: string } {
    const { corner, design, type } = wheel;
    if (!corner) return { ok: false, why: 'the layout cannot be solved as drawn' };
    if (!type.noTravel && !type.coupled && !design.damper)
      return { ok: false, why: 'nothing carries the wheel yet: draw its damper or spring first' };
    return { ok: true, statics: new CornerStatics(wheel, type) };
  }

  /** Everything that carries something, in a fixed order. */
  private list(): void {
    const { type } = this;
    const item = (id: string, as: CarriedAs, at: readonly string[]) => {
      if (this.index.has(id)) return;
      this.index.set(id, this.items.length);
      this.items.push({ id, as, at });
    };
    for (const condition of type.conditions as readonly Condition[]) {
      if (condition.holds === 'length' && isMember(type, condition.chassis, condition.upright))
        item(axialId(condition.chassis, condition.upright), 'axial', [
          condition.chassis,
          condition.upright,
        ]);
      if (condition.holds === 'line') item(sideId(condition.chassis), 'side', [condition.chassis]);
    }
    for (const { from, to } of this.rods()) item(axialId(from, to), 'axial', [from, to]);
    for (const [from, to] of this.supports) item(axialId(from, to), 'axial', [from, to]);
    for (const [id, at] of this.bent()) item(id, 'bending', at);
    for (const name of this.jointNames()) item(jointId(name), 'joint', [name]);
  }

  private jointNames(): string[] {
    const { type } = this;
    const names = new Set<string>();
    for (const condition of type.conditions as readonly Condition[])
      switch (condition.holds) {
        case 'length':
          names.add(condition.chassis).add(condition.upright);
          break;
        case 'line':
          names.add(condition.chassis);
          break;
        case 'ball':
          names.add(condition.at);
          break;
        case 'hinge':
          for (const name of condition.about) names.add(name);
      }
    for (const { from, to } of this.rods()) names.add(from).add(to);
    names.delete(OTHER_ARM);
    for (const pair of this.supports) for (const name of pair) names.add(name);
    if (this.wheel.design.damper?.by === 'rocker') names.add('rockerPivot');
    return [...names];
  }

  /** Rods of a wheel that hangs on a kingpin beside its condition of heading: the drag link, or the rod from arm to arm. */
  private rods(): { from: string; to: string }[] {
    const { type } = this;
    if (!type.coupled) return [];
    return type.tieRod
      ? [{ from: type.tieRod.inner, to: type.tieRod.outer }]
      : [{ from: OTHER_ARM, to: type.coupled.crossRod }];
  }

  /** The lines that carry the wheel's weight, the spring's own first: from the chassis outward. */
  private findSupports(): (readonly [string, string])[] {
    const { damper } = this.wheel.design;
    if (!damper || this.type.coupled) return [];
    if (damper.spring?.on) return [['springInner', 'springOuter']];
    const twisted = this.twisted();
    if (twisted) return twisted === 'rocker' ? [ROD] : [];
    const ends = damperEnds(this.type, damper);
    return damper.by === 'rocker' ? [ends, ROD] : [ends];
  }

  /** What a torsion bar turns about that carries the wheel alone; null where a coil spring does. */
  private twisted(): Body | null {
    const { torsion, spring } = this.wheel.design.damper ?? {};
    return torsion && !spring ? torsion.about : null;
  }

  /** The arm that the weight is carried by, if that is one. */
  private findLoadedArm(): Pivots | null {
    const { damper } = this.wheel.design;
    if (!damper || this.type.coupled) return null;
    const twisted = this.twisted();
    const by = twisted === 'rocker' ? null : twisted;
    const carrier = damper.spring?.on ?? by ?? damper.on;
    return this.type.pivots.find(({ body, carries }) => carries && body === carrier) ?? null;
  }

  /**
   * What each item carries at a travel for 1 N ahead, outward and up at the road, and 1 N ahead at the hub: four lists
   * ordered as `items`; a joint's entry there is its force as three numbers, everything else one.
   * @returns null where the position is not reached or nothing holds the wheel there
   */
  at(travel: number): UnitLoads | null {
    const { corner } = this.wheel.corner!;
    const { upright, matrix, order, right, amounts } = this;
    if (!corner.pose(travel, 0, upright)) return null;
    const at = this.place(upright);
    const columns = this.columns(at);
    if (columns.length !== 6) return null;
    columns.forEach(({ force, at: where }, j) => {
      const moment = cross(sub(where, at.wheelCentre), force);
      for (let i = 0; i < 3; i++) {
        matrix[6 * i + j] = force[i];
        // In units of the forces: about a wheel's radius.
        matrix[6 * (i + 3) + j] = moment[i] / 100;
      }
    });
    if (!factor(matrix, 6, order)) return null;
    const road = contactOf(at.wheelCentre, spindleAt(upright), this.wheel.design.tyre.radius);
    const parts = columns.map((column) => this.indexed(column));
    const loads = UNITS.map(({ force, hub }): Float64Array => {
      const moment = hub ? NONE : cross(sub(road, at.wheelCentre), force);
      for (let i = 0; i < 3; i++) {
        right[i] = -force[i];
        right[i + 3] = -moment[i] / 100;
      }
      solveFactored(matrix, 6, order, right, amounts);
      const carried = new Float64Array(3 * this.items.length);
      parts.forEach((list, j) => {
        for (const { item, per } of list)
          for (let i = 0; i < 3; i++) carried[item + i] += amounts[j] * per[i];
      });
      this.writeBending(at, carried, force, hub ? at.wheelCentre : road);
      return carried;
    });
    return { items: this.items, loads };
  }

  /** Where the parts of an unknown go among the items; of what is none, as the arm that a kingpin is solid with, nothing is kept. */
  private indexed({ parts }: Column): { item: number; per: Vec }[] {
    return parts.flatMap(({ id, per }) => {
      const item = this.index.get(id);
      return item === undefined ? [] : [{ item: 3 * item, per }];
    });
  }

  /** Every unknown force on the upright, with what it is to the parts. */
  private columns(at: Joints): Column[] {
    const { type } = this;
    const columns: Column[] = [];
    const single = (force: Vec, where: Vec, ...parts: Part[]) =>
      columns.push({ force, at: where, parts });
    /** Along a link from `from` to the upright's `to`: + pushes the upright away, which is compression. */
    const link = (from: string, to: string, start: Vec) => {
      const way = unit(sub(at[to], start));
      single(way, at[to], along(from, to, -1), on(to, way), on(from, scale(way, -1)));
    };
    for (const condition of type.conditions as readonly Condition[])
      switch (condition.holds) {
        case 'length':
          link(condition.chassis, condition.upright, at[condition.chassis]);
          break;
        case 'line': {
          const { chassis } = condition;
          const axis = unit(sub(at[chassis], at[condition.upright[0]]));
          for (const across of squareTo(axis)) {
            const per = scale(across, -1);
            single(across, at[chassis], on(chassis, per), { id: sideId(chassis), per });
          }
          break;
        }
        case 'ball':
          for (const axis of AXES)
            single(axis, at[condition.at], on(condition.at, scale(axis, -1)));
          break;
        case 'hinge': {
          const [first, second] = condition.about;
          const line = unit(sub(at[second], at[first]));
          for (const axis of [line, ...squareTo(line)])
            single(axis, at[first], on(first, scale(axis, -1)));
          for (const axis of squareTo(line)) single(axis, at[second], on(second, scale(axis, -1)));
          break;
        }
        case 'heading':
          break;
      }
    for (const { from, to } of this.rods())
      link(from, to, from === OTHER_ARM ? otherArmAt(this.upright) : at[from]);
    if (!type.noTravel && !type.coupled) columns.push(this.support(at));
    return columns;
  }

  /** What carries the weight: 1 N of compression in the spring's line, as the upright feels it. */
  private support(at: Joints): Column {
    if (this.supports.length === 0) return this.twistedArm(at);
    const [[inner, outer], rod] = this.supports;
    const way = unit(sub(at[outer], at[inner]));
    const parts = [along(inner, outer, -1), on(inner, scale(way, -1)), on(outer, way)];
    if (this.twisted() === 'rocker') parts.push(on('rockerPivot', scale(way, -1)));
    // Where it works on what goes with the wheel, and how.
    let [where, force] = [outer, way];
    if (rod) {
      const [rodInner, rodOuter] = rod;
      const axis = unit(sub(at['rockerAxis'], at['rockerPivot']));
      const lever = (point: string, f: Vec) =>
        dot(axis, cross(sub(at[point], at['rockerPivot']), f));
      const away = unit(sub(at[rodInner], at[rodOuter]));
      // Compression of the rod that holds the rocker against the damper.
      const push = -lever(outer, way) / lever(rodInner, away);
      [where, force] = [rodOuter, scale(away, -push)];
      parts.push(along(rodInner, rodOuter, -push));
      parts.push(on(rodInner, scale(force, -1)), on(rodOuter, force));
      // The rocker's pivot holds what both leave over.
      parts.push(on('rockerPivot', sub(way, force)));
    }
    const arm = this.loadedArm;
    if (!arm) return { force, at: at[where], parts };
    // An arm passes on across itself what its pivots do not hold: a lever about their line.
    const { axis, foot, radius } = acrossOf(arm, at);
    const across = unit(cross(axis, radius));
    const turns = dot(axis, cross(sub(at[where], foot), force));
    const passed = scale(across, turns / Math.hypot(...radius));
    const held = pivotForces(arm, at, [
      { at: at[where], force },
      { at: at[arm.carries!], force: scale(passed, -1) },
    ]);
    parts.push(on(arm.carries!, passed), ...arm.through.map((name, i) => on(name, held[i])));
    return { force: passed, at: at[arm.carries!], parts };
  }

  /** A torsion bar about an arm's pivots: 1 N across the arm at its outer joint; the bar's anchor holds its torque. */
  private twistedArm(at: Joints): Column {
    const arm = this.loadedArm!;
    const { axis, radius } = acrossOf(arm, at);
    const force = unit(cross(axis, radius));
    const held = pivotForces(arm, at, [{ at: at[arm.carries!], force: scale(force, -1) }]);
    const parts = [on(arm.carries!, force), ...arm.through.map((name, i) => on(name, held[i]))];
    return { force, at: at[arm.carries!], parts };
  }

  /** What is bent: the arm that the damper stands on, where it does; an arm solid with the upright, at its root. */
  private bent(): [string, string[]][] {
    const { type } = this;
    const arm = this.loadedArm;
    // An arm that a bar is in is bent most at its root; it is named by its outer joint.
    const lug = this.supports.at(-1)?.[1] ?? arm?.carries;
    const balls = (type.conditions as readonly Condition[]).flatMap((condition) =>
      condition.holds === 'ball' ? memberFrom(type, condition.at) : [],
    );
    const own = this.ownArm();
    return [
      ...(arm && lug ? [[bendingId(lug), [lug]] as [string, string[]]] : []),
      ...(own && lug ? [[bendingId(lug), [lug]] as [string, string[]]] : []),
      ...balls.map(({ from, to }): [string, string[]] => [bendingId(to), [from, to]]),
    ];
  }

  /** The line of the chassis that an upright swings about which is its own arm. */
  private ownArm(): readonly [string, string] | null {
    const { type } = this;
    if (type.coupled || type.noTravel) return null;
    for (const condition of type.conditions as readonly Condition[])
      if (condition.holds === 'hinge') return condition.about;
    return null;
  }

  /** Writes what bends arms: forces outboard of the damper's lug about a line through it along the pivots'. */
  private writeBending(at: Joints, carried: Float64Array, force: Vec, where: Vec): void {
    const { type } = this;
    const vec = (id: string): Vec => {
      const k = 3 * this.index.get(id)!;
      return [carried[k], carried[k + 1], carried[k + 2]];
    };
    const put = (id: string, v: Vec) => carried.set(v, 3 * this.index.get(id)!);
    const arm = this.loadedArm;
    const lug = this.supports.at(-1)?.[1] ?? arm?.carries;
    const own = this.ownArm();
    if (arm && lug) {
      const { axis, foot } = acrossOf(arm, at);
      const from = this.supports.length > 0 ? at[lug] : foot;
      // Every joint that the arm carries: an arm with the kingpin in it has two.
      const moment = outerEnds(type, arm).reduce(
        (sum, name) => sum + dot(axis, cross(sub(at[name], from), vec(jointId(name)))),
        0,
      );
      put(bendingId(lug), [moment, 0, 0]);
    } else if (own && lug) {
      const axis = unit(sub(at[own[1]], at[own[0]]));
      put(bendingId(lug), [dot(axis, cross(sub(where, at[lug]), force)), 0, 0]);
    }
    for (const condition of type.conditions as readonly Condition[])
      if (condition.holds === 'ball')
        for (const { from, to } of memberFrom(type, condition.at))
          put(bendingId(to), cross(sub(at[from], at[to]), vec(jointId(from))));
  }
}

/** What every item carries at one travel for unit forces at the wheel. */
export interface UnitLoads {
  items: readonly Item[];
  /** Ahead, out, up at the road; ahead at the hub: three numbers an item. */
  loads: readonly Float64Array[];
}

/** The rod between rocker and what carries it. */
const ROD = ['rockerRodInner', 'rockerRodOuter'] as const;
/** Where the rod from arm to arm comes from: the other wheel's. */
export const OTHER_ARM = 'other arm';
export const axialId = (from: string, to: string): string => `along ${from} ${to}`;
export const jointId = (name: string): string => `joint ${name}`;
const sideId = (name: string): string => `side ${name}`;
const bendingId = (name: string): string => `bending ${name}`;

const isMember = ({ members }: CornerType, a: string, b: string): boolean =>
  members.some(({ from, to }) => (from === a && to === b) || (from === b && to === a));
/** The arm that begins at a joint. */
const memberFrom = ({ members }: CornerType, name: string) =>
  members.filter(({ from, role }) => from === name && role === 'arm');
/** Joints of the upright that an arm holds by both its pivots. */
const outerEnds = ({ conditions }: CornerType, { through }: Pivots): string[] => [
  ...new Set(
    (conditions as readonly Condition[]).flatMap((condition) =>
      condition.holds === 'length' && through.includes(condition.chassis)
        ? [condition.upright]
        : [],
    ),
  ),
];

const UNITS: readonly { force: Vec; hub: boolean }[] = [
  ...AXES.map((force) => ({ force, hub: false })),
  { force: AXES[0], hub: true },
];

/**
 * What an item carries in a case with so much standing on the wheel, N or N·mm: along a member + in tension.
 * @param index of the item
 */
export function carriedIn(
  { items, loads }: UnitLoads,
  index: number,
  { ahead, out, up, at }: LoadCase,
  weight: number,
): number {
  const k = 3 * index;
  const lengthwise = loads[at === 'hub' ? 3 : 0];
  const [, across, upward] = loads;
  const x = ahead * lengthwise[k] + out * across[k] + up * upward[k];
  if (items[index].as === 'axial') return weight * x;
  const y = ahead * lengthwise[k + 1] + out * across[k + 1] + up * upward[k + 1];
  const z = ahead * lengthwise[k + 2] + out * across[k + 2] + up * upward[k + 2];
  return weight * Math.sqrt(x * x + y * y + z * z);
}
