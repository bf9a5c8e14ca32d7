import type { Corner, DrawnCorner, Prepared } from './corner';
import { prepareCoupledCorner } from './coupledCorner';
import { prepareDoubleWishbone } from './doubleWishbone';
import { prepareFree } from './freeCorner';
import { prepareKingpin } from './kingpin';

/** Closed forms, where a kind has one; the others go by the solver for all. */
const CLOSED_FORMS: Readonly<Record<string, (drawn: DrawnCorner) => Prepared<Corner>>> = {
  'double-wishbone': prepareDoubleWishbone,
  kingpin: prepareKingpin,
};

/** Makes a corner that can be moved, or says which points make it unusable as drawn. */
export const prepareCorner = (drawn: DrawnCorner): Prepared<Corner> =>
  drawn.coupled
    ? prepareCoupledCorner(drawn)
    : (CLOSED_FORMS[drawn.type.kind] ?? prepareFree)(drawn);
