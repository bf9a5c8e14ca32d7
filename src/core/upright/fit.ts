import { setLoadedRadius } from './place';
import { typeOf } from '../corners/kinds';
import type { AxleDesign } from '../model/build';
import type { RackPart, TyrePart } from '../model/parts';
import { readTyreCode } from '../model/tyre';

/** Parts from the shelf put into a design. A copy: what is typed over afterwards changes no shelf. */

/** Puts a tyre on an axle; wheel and upright come up or down with its loaded radius. */
export function fitTyre(design: AxleDesign, tyre: TyrePart): void {
  design.tyre.width = tyre.width;
  if (tyre.code === '') delete design.tyre.code;
  else design.tyre.code = tyre.code;
  const size = readTyreCode(tyre.code);
  if (size.ok && size.value.rim !== null && design.rim) design.rim.diameter = size.value.rim;
  setLoadedRadius(design, tyre.radius);
}

/** Puts a rack on an axle whose kind has a tie rod: its travel, and its inner joints as far apart as they are on it. */
export function fitRack(design: AxleDesign, rack: RackPart): void {
  const { travel, perTurn, between, innerThread, pinion, mounts, spline } = rack;
  if (!typeOf(design).tieRod) return;
  const { rise, sweep } = design.rack ?? {};
  design.rack = {
    ...{ travel, perTurn, innerThread, pinion, mounts, spline },
    // How it lies is the car's own affair.
    ...(rise !== undefined && { rise }),
    ...(sweep !== undefined && { sweep }),
  };
  for (const points of [design.points, design.rightPoints])
    if (points) points.tieRodInner.out = between / 2;
}
