import type { Build } from '../model/build';
import type { KeptSet } from '../model/setups';
import type { LengthUnit } from '../model/units';
import { openVariantOf } from '../model/variants';
import type { Heading, Sheet } from '../sheets/drawing';
import { setsDiffer } from './book';
import { signed, standsInWords } from './words';

export const setSheetHeading = (build: Build, on: string): Heading => ({
  build: build.name,
  variant: openVariantOf(build).name,
  on,
  // A record of how the car is set is no draft.
  frozen: true,
});

/** A set on one sheet for the pit: where every adjuster stands from the drawing, what was read, notes. */
export function setSheet(build: Build, set: KeptSet, unit: LengthUnit): Sheet {
  const rows = setsDiffer(build, { wheels: [] }, set).map(
    ({ axle, side, adjuster, id, second }) => [
      `${axle} ${side}`,
      adjuster?.name ?? `${id}, not there any more`,
      standsInWords(adjuster, second, unit),
    ],
  );
  const read = set.wheels.flatMap(({ axle, side, read: angles }) => {
    const told = Object.entries(angles).map(([of, value]) => `${of} ${signed(value)}`);
    return told.length > 0 ? [[`${axle} ${side}`, told.join(', ')]] : [];
  });
  return {
    id: `set/${set.id}`,
    title: `Set: ${set.name}`,
    group: 'set-up',
    drawing: null,
    tables: [
      {
        title: 'From the drawing',
        head: ['wheel', 'adjuster', 'stands'],
        widths: [0.16, 0.5, 0.34],
        rows,
      },
      {
        title: 'As read before it was turned last',
        head: ['wheel', 'reads'],
        widths: [0.2, 0.8],
        rows: read,
      },
    ].filter((table) => table.rows.length > 0),
    notes: [
      `For: ${set.kind}. Kept ${set.at.slice(0, 10)}.`,
      ...(set.note === '' ? [] : [set.note]),
      ...(set.words ? [`Driver’s words, or lap: ${set.words}`] : []),
      ...(rows.length === 0 ? ['Everything stands as drawn.'] : []),
      'Turns and flats are counted from the drawing, + as told. Nuts tight and marked, then measure. Covers what was turned here, not what else was moved on the car.',
    ],
    code: set.id.slice(0, 6),
  };
}
