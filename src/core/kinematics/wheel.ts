import { typeOn } from '../corners/kinds';
import type { CornerType } from '../corners/cornerType';
import type { AxleDesign, AxleName, Build, Side, Travel } from '../model/build';
import type { Points } from '../model/points';
import {
  drawnCorner,
  isSteered,
  pointsOf,
  prepareAxle,
  steerRangeOf,
  steerUnitOf,
  withPoints,
  withRod,
} from './axle';
import type { AxleCorner, PreparedAxle } from './axle';
import type { DrawnCorner, SteerUnit } from './corner';

/**
 * The wheel that is looked at: one side of one axle as it is drawn, and how far it travels. A wheel is not changed:
 * an axle drawn otherwise makes another one.
 */
export class Wheel {
  private known: PreparedAxle | undefined;

  /** mm; none where its kind has none. */
  readonly travel: Travel;

  /** @param travel mm, as the build states it */
  constructor(
    readonly axle: AxleName,
    readonly side: Side,
    readonly design: AxleDesign,
    travel: Travel,
  ) {
    this.travel = this.travels ? travel : NO_TRAVEL;
  }

  /** Whether it goes up and down at all. */
  get travels(): boolean {
    return !this.type.noTravel;
  }

  /** Whether it goes up and down by itself, whatever the axle's other wheel does. */
  get alone(): boolean {
    return this.travels && !this.type.coupled;
  }

  /** The table of its kind, on its side. */
  get type(): CornerType {
    return typeOn(this.design, this.side);
  }

  /** Where its points are, in its own outward axes. */
  get points(): Points {
    return pointsOf(this.design, this.side);
  }

  get drawn(): DrawnCorner {
    return drawnCorner(this.design, this.side);
  }

  get steered(): boolean {
    return isSteered(this.design);
  }

  /** The steering's input each way from centre: mm of a rack, degrees of a drop arm; 0 where it is not steered. */
  get steerRange(): number {
    return steerRangeOf(this.design);
  }

  /** What its steering moves. */
  get steersBy(): SteerUnit {
    return steerUnitOf(this.design);
  }

  /** Both wheels of its axle, solved when first asked for, or what makes them unusable as drawn. */
  get solved(): PreparedAxle {
    return (this.known ??= prepareAxle(this.design));
  }

  /** The wheel solved; null where the layout cannot be as drawn. */
  get corner(): AxleCorner | null {
    const { solved } = this;
    return solved.ok ? solved.axle[this.side] : null;
  }

  /** The same wheel of an axle that is drawn otherwise. */
  drawnAs(design: AxleDesign): Wheel {
    return new Wheel(this.axle, this.side, design, this.travel);
  }

  /** The same wheel with some of its points elsewhere. */
  withPoints(change: Partial<Points>): Wheel {
    return this.drawnAs(withPoints(this.design, this.side, change));
  }

  /** The same wheel with its rod's joints elsewhere, the box of a drag link going along with its arm. */
  withRod(change: Partial<Points>): Wheel {
    return this.drawnAs(withRod(this.design, this.side, change));
  }
}

const NO_TRAVEL: Travel = { bump: 0, droop: 0 };

/** What of a build makes its wheels. */
type Wheels = Pick<Build, 'front' | 'rear' | 'travel'>;

/** One wheel of a build; null where the build has no such axle. */
export function wheelOf(build: Wheels, axle: 'front', side: Side): Wheel;
export function wheelOf(build: Wheels, axle: AxleName, side: Side): Wheel | null;
export function wheelOf(build: Wheels, axle: AxleName, side: Side): Wheel | null {
  const design = build[axle];
  return design ? new Wheel(axle, side, design, build.travel) : null;
}
