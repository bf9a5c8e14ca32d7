import type { CornerType } from './cornerType';
import { doubleWishbone } from './doubleWishbone';
import { fiveLink } from './fiveLink';
import { radiusArm } from './radiusArm';
import { strut } from './strut';
import { strutLinks } from './strutLinks';
import { swingArm } from './swingArm';
import { trailingArm } from './trailingArm';

/** Every kind of corner. */
export const CORNER_TYPES: readonly CornerType[] = [
  doubleWishbone,
  strut,
  strutLinks,
  fiveLink,
  swingArm,
  trailingArm,
  radiusArm,
];
