import { toDeg } from '../geometry/angle';
import type { AxleCorner } from '../kinematics/axle';
import type { Wheel } from '../kinematics/wheel';
import { COORDINATES } from '../model/points';
import { bumpSteer } from '../motion/bumpSteer';
import type { BumpSteer } from '../motion/bumpSteer';
import { readAt } from '../motion/sweep';
import { Assembly } from '../tolerance/assembly';
import type { Built } from '../tolerance/assembly';
import { offsetCount, offsetOf } from '../tolerance/joints';
import { cornerOf } from '../tolerance/sensitivity';
import type { Adjuster } from './adjusters';
import { drawnAsBuilt } from './asBuilt';

/** What a set-up is told by. */
export const SET = ['camber', 'caster', 'toe'] as const;
export type SetBy = (typeof SET)[number];

/** What a wheel is set to, degrees; caster null where it steers about nothing. */
export interface Stands {
  camber: number;
  caster: number | null;
  toe: number;
}

/** How far each adjuster is from where it is, mm, in the order of the list. */
export type Moves = readonly number[];

/** A wheel put together again with its adjusters elsewhere; its rod as long as it is set, so that toe follows. */
export class Setting {
  private readonly assembly: Assembly;
  private readonly offsets: Float64Array;
  private readonly line: readonly [string, string] | null;

  constructor(
    readonly wheel: Wheel,
    readonly adjusters: readonly Adjuster[],
    /** Where they stand from the drawing already, mm. */
    readonly base: Moves = adjusters.map(() => 0),
  ) {
    const { type } = wheel;
    this.assembly = new Assembly(wheel.drawn, 'rod as drawn');
    this.offsets = new Float64Array(offsetCount(type));
    this.line = Array.isArray(type.steersAbout)
      ? (type.steersAbout as readonly [string, string])
      : null;
  }

  /** Null where the parts do not go together so. */
  build(moves: Moves): Built | null {
    const { assembly, offsets, adjusters, wheel, base } = this;
    offsets.fill(0);
    for (const [i, { of }] of adjusters.entries()) {
      const by = base[i] + moves[i];
      if (of.kind === 'member') assembly.lengthen(of.from, of.to, by);
      else offsets[offsetOf(wheel.type, of.point) + COORDINATES.indexOf(of.coordinate)] += by;
    }
    return assembly.build(offsets);
  }

  /** How the wheel stands at ride height, degrees; null where the parts do not go together so. */
  stands(moves: Moves): Stands | null {
    const built = this.build(moves);
    if (!built) return null;
    const { camber, toe } = built.static;
    if (this.line) {
      const [lower, upper] = this.line.map((name) => built.points[name]);
      const caster = toDeg(Math.atan2(lower.ahead - upper.ahead, upper.up - lower.up));
      return { camber, toe, caster };
    }
    if (this.wheel.type.steersAbout === null) return { camber, toe, caster: null };
    const reading = this.readAtRide(built);
    return reading && { camber, toe, caster: reading.caster ?? null };
  }

  /** The corner as it stands then. */
  corner(moves: Moves): AxleCorner | null {
    const built = this.build(moves);
    return built && cornerOf(this.wheel, built);
  }

  /** The wheel drawn as it stands then; null where the parts do not go together so. */
  wheelAt(moves: Moves): Wheel | null {
    const built = this.build(moves);
    return built && drawnAsBuilt(this.wheel, built);
  }

  /** How it steers over the travel then; null where it has none. */
  bumpSteer(moves: Moves): BumpSteer | null {
    const corner = this.wheel.travels ? this.corner(moves) : null;
    return corner && bumpSteer(corner, this.wheel.travel);
  }

  /** Half the change of track, mm: how far the tyre's contact goes outward. */
  contactOut(moves: Moves): number | null {
    const built = this.build(moves);
    return (built && this.readAtRide(built)?.contactOut) ?? null;
  }

  private readAtRide(built: Built) {
    const corner = cornerOf(this.wheel, built);
    const reading = corner && readAt(corner, 0, 0);
    return reading?.ok ? reading.value : null;
  }

  get still(): number[] {
    return this.adjusters.map(() => 0);
  }
}

/** What one unit of an adjuster does by itself: degrees, mm; track of both sides alike. */
export interface UnitEffect extends Stands {
  track: number;
  /** Largest change of toe over the travel; null without travel. */
  bump: number | null;
}

/** Null where it does not go there, or the parts do not go together then. */
export function unitEffects(setting: Setting): (UnitEffect | null)[] {
  const { adjusters, still } = setting;
  const before = setting.stands(still);
  const out = setting.contactOut(still);
  const bump = setting.bumpSteer(still);
  return adjusters.map((adjuster, i) => {
    const moves = [...still];
    moves[i] = unitOf(adjuster);
    const after = setting.stands(moves);
    const outAfter = setting.contactOut(moves);
    if (!before || !after || out === null || outAfter === null) return null;
    const bumpAfter = setting.bumpSteer(moves);
    return {
      camber: after.camber - before.camber,
      toe: after.toe - before.toe,
      caster: after.caster === null || before.caster === null ? null : after.caster - before.caster,
      track: 2 * (outAfter - out),
      bump: bump && bumpAfter ? bumpAfter.worst - bump.worst : null,
    };
  });
}

/** One unit of an adjuster, mm: the way it goes. */
export function unitOf({ places, per }: Adjuster): number {
  if (places.kind === 'steps') return per;
  const above = places.at.find((at) => at > 1e-9);
  return above ?? places.at.findLast((at) => at < -1e-9) ?? per;
}
