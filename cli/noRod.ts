import { typeOf } from '../src/core/corners/kinds';
import type { AxleDesign, AxleName } from '../src/core/model/build';

/** Why nothing can be nulled on an axle whose kind has no rod; null where it has one. */
export function noRod(design: AxleDesign, axle: AxleName): string | null {
  const type = typeOf(design);
  return type.tieRod
    ? null
    : `the ${axle} axle has no tie rod or toe link to null by: it is a ${type.label.toLowerCase()}`;
}
