import { toDeg, toRad } from '../geometry/angle';
import type { AxleCorner } from '../kinematics/axle';
import type { Wheel } from '../kinematics/wheel';
import type { Damper } from '../model/damper';
import { Linkage } from './linkage';
import type { LinkageAt } from './linkage';
import { pressed, twistRate } from './springs';

/** A wheel's damper and spring in one position. Lengths mm, forces N, rates N/mm; what there is none of is null. */
export interface DamperRow {
  travel: number;
  at: LinkageAt;
  /** How the motion ratio changes per mm of bump, 1/mm: from exact ratios either side; null at the end of what is reached. */
  ratioChange: number | null;
  /** The same of a spring of its own place. */
  springRatioChange: number | null;
  /** How far the coil spring is pressed together, and its force. */
  pressed: number | null;
  springForce: number | null;
  /** Torque of a torsion bar, N·mm. */
  torque: number | null;
  /** What coil spring and torsion bar carry at the wheel, and how fast that grows; the ratio's own change counts. */
  wheelForce: number | null;
  wheelRate: number | null;
  /** What the bar from wheel to wheel adds in roll, at this wheel. */
  barRate: number | null;
}

/** Between poses that a ratio's change is taken from, mm. */
const APART = 0.5;

/**
 * Change of something per mm of travel from four values either side (five-point rule, error of the fourth order).
 * @returns null where one of them is out of reach
 */
function changeOf(
  valueAt: (travel: number) => number | null,
  travel: number,
  apart = APART,
): number | null {
  const v = [-2, -1, 1, 2].map((n) => valueAt(travel + n * apart));
  if (v.some((one) => one === null)) return null;
  const [a, b, c, d] = v as number[];
  return (a - 8 * b + 8 * c - d) / (12 * apart);
}

/** How far a spring is pressed together in a position, mm. */
export function springPressed(
  { unit, spring }: Pick<Damper, 'unit' | 'spring'>,
  at: LinkageAt,
  home: LinkageAt,
): number | null {
  if (!spring) return null;
  if (spring.on)
    return at.spring && home.spring ? spring.preload + home.spring.length - at.spring.length : null;
  return unit ? spring.preload + unit.open - at.damper.length : null;
}

/** Reckons damper and spring of one wheel, position by position. */
export class DamperAt {
  readonly linkage: Linkage;
  readonly home: LinkageAt | null;

  constructor(
    corner: AxleCorner,
    private readonly damper: Damper,
  ) {
    this.linkage = new Linkage(corner, damper);
    this.home = this.linkage.at(0);
  }

  /**
   * @param travel mm, + bump
   * @param rate of the coil spring, N/mm, where it is not its own
   * @returns null where the corner or a rod of the damper does not reach
   */
  row(travel: number, rate?: number): DamperRow | null {
    const { damper, linkage, home } = this;
    const at = linkage.at(travel);
    if (!at || !home) return null;
    // One look either side serves every change.
    const near = new Map<number, LinkageAt | null>();
    const lookAt = (there: number) => {
      let found = near.get(there);
      if (found === undefined) near.set(there, (found = linkage.at(there)));
      return found;
    };
    const change = (of: (one: LinkageAt) => number | undefined) =>
      changeOf((there) => {
        const one = lookAt(there);
        return one ? (of(one) ?? null) : null;
      }, travel);
    const ratioChange = change(({ damper: { ratio } }) => ratio);
    const { spring, torsion, bar } = damper;
    const springRatioChange = spring?.on ? change((one) => one.spring?.ratio) : null;
    const by = springPressed(damper, at, home);
    const coil = spring && by !== null ? pressed(spring, by, rate) : null;
    const line = spring?.on ? at.spring : at.damper;
    const carried: Carried[] = [];
    if (coil && line)
      carried.push({
        force: coil.force,
        ratio: line.ratio,
        stiffness: coil.rate,
        change: spring?.on ? springRatioChange : ratioChange,
      });
    let torque: number | null = null;
    if (torsion && at.torsion) {
      const stiff = twistRate(torsion);
      torque = stiff * (torsion.wound + at.torsion.angle);
      const bends = change((one) => one.torsion?.rate);
      carried.push({
        force: torque,
        ratio: toRad(at.torsion.rate),
        stiffness: toDeg(stiff),
        change: bends === null ? null : toRad(bends),
      });
    }
    return {
      travel,
      at,
      ratioChange,
      springRatioChange,
      pressed: by,
      springForce: coil?.force ?? null,
      torque,
      wheelForce: summed(carried.map(({ force, ratio }) => force * ratio)),
      wheelRate: summed(
        carried.map(({ force, ratio, stiffness, change: bends }) =>
          bends === null ? null : stiffness * ratio ** 2 + force * bends,
        ),
      ),
      // In roll the bar is twisted from both ends.
      barRate: bar && at.bar ? 2 * toDeg(twistRate(bar)) * toRad(at.bar.rate) ** 2 : null,
    };
  }
}

/** A spring at the wheel: its force or torque and stiffness, N and N/mm or N·mm and N·mm per rad; its way per mm of bump and how that changes. */
interface Carried {
  force: number;
  ratio: number;
  stiffness: number;
  change: number | null;
}

const summed = (parts: (number | null)[]): number | null =>
  parts.length === 0 || parts.some((part) => part === null)
    ? null
    : (parts as number[]).reduce((sum, part) => sum + part, 0);

/** A wheel's damper over its travel, droop to bump, ride height among the positions; what is not reached is left out. */
export function damperSweep(wheel: Wheel, count = 41): DamperRow[] {
  const { corner, design, travel } = wheel;
  if (!corner || !design.damper) return [];
  const at = new DamperAt(corner, design.damper);
  const { bump, droop } = travel;
  const rows: DamperRow[] = [];
  const positions = new Set(
    Array.from({ length: count }, (_, i) => -droop + ((bump + droop) * i) / Math.max(1, count - 1)),
  );
  positions.add(0);
  for (const position of [...positions].sort((a, b) => a - b)) {
    const row = at.row(position);
    if (row) rows.push(row);
  }
  return rows;
}
