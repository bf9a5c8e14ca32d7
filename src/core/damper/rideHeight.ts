import type { Damper, Spring } from '../model/damper';
import { boundOf, freeOf } from './springs';
import { springPressed } from './sweep';
import type { DamperAt, DamperRow } from './sweep';

/** N for one kg. */
export const GRAVITY = 9.81;

/** How often bodies bounce, Hz, by use: common practice, from memory; a start, no rule. */
export const FREQUENCIES: Readonly<Record<string, readonly [number, number]>> = {
  road: [1.2, 1.7],
  track: [1.8, 2.6],
  hillclimb: [2, 3],
  drift: [2, 3],
  trail: [1, 1.5],
};

/** What is on the spring of a wheel, N; null until both weights are said. */
export const sprungOn = ({ weight }: Pick<Damper, 'weight'>): number | null =>
  weight ? (weight.wheel - weight.unsprung) * GRAVITY : null;

/**
 * How often the body bounces on a wheel rate, Hz: √(k/m) / 2π (a mass on a spring).
 * @param rate at the wheel, N/mm
 * @param sprung what is on the spring, N
 */
export const frequencyOf = (rate: number, sprung: number): number =>
  Math.sqrt((rate * 1000 * GRAVITY) / sprung) / (2 * Math.PI);

/**
 * Rate of the coil spring that makes the body bounce so often with the corner at ride height as drawn, N/mm. The
 * ratio's own change carries its part: k = (k wheel − F · change) / ratio².
 * @param row at ride height
 * @returns null where that would be no spring, or nothing is said
 */
export function rateFor(
  frequency: number,
  sprung: number,
  row: DamperRow,
  spring: Pick<Spring, 'on'> | undefined,
): number | null {
  const line = spring?.on ? row.at.spring : row.at.damper;
  const change = spring?.on ? row.springRatioChange : row.ratioChange;
  if (!line || change === null || !(line.ratio > 0)) return null;
  const wheel = ((2 * Math.PI * frequency) ** 2 * (sprung / GRAVITY)) / 1000;
  const rate = (wheel - (sprung / line.ratio) * change) / line.ratio ** 2;
  return rate > 0 ? rate : null;
}

/** How far a spring has to be pressed together for a force, mm: `pressed` the other way round; exact, for it is made of lines. */
export function pressedBy(spring: Spring, force: number, rate = spring.rate): number {
  if (force <= 0) return 0;
  const { helper } = spring;
  if (!helper) return force / rate;
  const closes = helper.free - helper.bind;
  if (force <= helper.rate * closes) return force / rate + force / helper.rate;
  return force / rate + closes;
}

/** What a perch is to be turned for a corner to stand where it should. */
export interface Preload {
  /** The spring's force there, N, and how far it is pressed together, mm. */
  force: number;
  pressed: number;
  /** Preload as the damper has it, mm, and how much more that is than now. */
  preload: number;
  more: number;
  /** Turns of the perch, + tighter, and flats; null without a thread that was measured. */
  turns: number | null;
  flats: number | null;
  /** The thread has no room for it: by how much, mm. */
  beyond: number | null;
}

/**
 * The preload at which a corner stands at a travel with what is on its spring.
 * @param at the damper's wheel
 * @param travel where it is to stand, mm
 * @returns null where spring or weight is not said, or the position is not reached; a torsion bar beside it carries its part
 */
export function preloadFor(
  damper: Damper,
  at: DamperAt,
  travel: number,
  rate?: number,
): Preload | null {
  const { spring, unit } = damper;
  const sprung = sprungOn(damper);
  const row = at.row(travel, rate);
  if (!spring || sprung === null || !row || row.pressed === null) return null;
  const line = spring.on ? row.at.spring : row.at.damper;
  if (!line || !(line.ratio > 0)) return null;
  const byOthers = (row.wheelForce ?? 0) - (row.springForce ?? 0) * line.ratio;
  const force = (sprung - byOthers) / line.ratio;
  const wanted = pressedBy(spring, force, rate);
  const more = wanted - row.pressed;
  const perch = unit?.perch;
  const room = perch ? (more > 0 ? perch.tighter : perch.looser) : null;
  return {
    force,
    pressed: wanted,
    preload: spring.preload + more,
    more,
    turns: perch ? more / perch.pitch : null,
    flats: perch?.flats ? (more / perch.pitch) * perch.flats : null,
    beyond: room !== null && Math.abs(more) > room ? Math.abs(more) - room : null,
  };
}

/** Height is found to so many mm. */
const CLOSE = 1e-4;

/**
 * Where a corner comes to rest with what is on its spring, mm of travel from ride height as drawn: + below it (the
 * wheel up in the car). By halving between the ends of what is reached.
 * @returns null where nothing is said or it comes to rest nowhere between
 */
export function restsAt(
  damper: Damper,
  at: DamperAt,
  between: readonly [number, number],
  rate?: number,
): number | null {
  const sprung = sprungOn(damper);
  if (sprung === null) return null;
  const left = (travel: number): number | null => {
    const force = at.row(travel, rate)?.wheelForce;
    return force === undefined || force === null ? null : force - sprung;
  };
  let [low, high] = between;
  const [a, b] = [left(low), left(high)];
  if (a === null || b === null || a > 0 || b < 0) return null;
  while (high - low > CLOSE) {
    const middle = (low + high) / 2;
    const here = left(middle);
    if (here === null) return null;
    if (here < 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Whether a spring keeps in its seats: how far it is pressed together there, mm; below 0 it is loose. */
interface Captive {
  travel: number;
  pressed: number;
  /** What is left until its coils touch, mm. */
  toBind: number;
}

/** A coil spring at both ends of the travel; null where it is not said or not reached. */
export function captiveAt(damper: Damper, at: DamperAt, travel: number): Captive | null {
  const { spring } = damper;
  const here = at.linkage.at(travel);
  if (!spring || !here || !at.home) return null;
  const by = springPressed(damper, here, at.home);
  if (by === null) return null;
  return { travel, pressed: by, toBind: freeOf(spring) - boundOf(spring) - by };
}
