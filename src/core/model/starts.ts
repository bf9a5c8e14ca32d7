import { FORMAT, VERSION } from './build';
import type { Build, RearAxle } from './build';

/**
 * A sensible place to start from: arms near level, upper arm two thirds of the lower and rising to
 * its ball joint, 10° kingpin, 5° caster, rack behind the kingpins. Dimensions of no particular car.
 */
export const blankBuild = (name: string): Build => ({
  format: FORMAT,
  version: VERSION,
  name,
  use: 'road',
  wheelbase: 2400,
  travel: { bump: 60, droop: 60 },
  front: {
    kind: 'double-wishbone',
    static: { toe: 0, camber: -1 },
    tyre: { radius: 290, width: 195 },
    points: {
      lowerFrontInner: { ahead: 140, out: 250, up: 180 },
      lowerRearInner: { ahead: -140, out: 250, up: 180 },
      lowerOuter: { ahead: 8, out: 630, up: 175 },
      upperFrontInner: { ahead: 100, out: 330, up: 385 },
      upperRearInner: { ahead: -130, out: 330, up: 385 },
      upperOuter: { ahead: -13, out: 588, up: 413 },
      tieRodInner: { ahead: -110, out: 290, up: 240 },
      tieRodOuter: { ahead: -115, out: 610, up: 240 },
      wheelCentre: { ahead: 0, out: 690, up: 290 },
    },
    rack: { travel: 65 },
  },
});

/** A rear axle to start from, standing on a build's wheelbase. */
export function blankRear(build: Pick<Build, 'wheelbase' | 'front'>): RearAxle {
  const back = -build.wheelbase;
  const { radius } = build.front.tyre;
  return {
    kind: 'double-wishbone',
    static: { toe: 0.1, camber: -1 },
    tyre: { ...build.front.tyre },
    points: {
      lowerFrontInner: { ahead: back + 160, out: 240, up: radius - 105 },
      lowerRearInner: { ahead: back - 140, out: 240, up: radius - 105 },
      lowerOuter: { ahead: back, out: 620, up: radius - 112 },
      upperFrontInner: { ahead: back + 120, out: 320, up: radius + 95 },
      upperRearInner: { ahead: back - 120, out: 320, up: radius + 95 },
      upperOuter: { ahead: back, out: 590, up: radius + 118 },
      tieRodInner: { ahead: back - 165, out: 255, up: radius - 75 },
      tieRodOuter: { ahead: back - 160, out: 618, up: radius - 78 },
      wheelCentre: { ahead: back, out: 680, up: radius },
    },
  };
}
