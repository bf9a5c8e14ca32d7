import type { Build } from '../model/build';
import { openVariantOf } from '../model/variants';
import { sheetEntries } from '../shop/sheetsOf';
import type { SheetEntry } from '../shop/sheetsOf';
import type { Caution, Step } from './step';

/** A sheet that a step is done by, and whether the one that was taken to the bench still says what the layout does. */
export interface NeededSheet {
  id: string;
  title: string;
  taken: 'not taken' | 'as it is' | 'old';
}

/** What of a sheet's id says what it is: `jig` of `front/lower arm/jig`, `dummy` of a piece of that kind. */
function wordOf(build: Build, { id, of }: SheetEntry): string {
  if (of?.piece !== undefined)
    return build[of.axle]?.pieces?.find((piece) => piece.id === of.piece)?.as ?? '';
  return id.split('/').at(-1)!.replace(/\d+$/u, '');
}

/** The sheets of a step, in the order of the tree at Jigs & parts. */
export function sheetsFor(build: Build, step: Step): NeededSheet[] {
  if (step.sheets.length === 0 && step.members.length === 0) return [];
  const variant = openVariantOf(build).id;
  const taken = new Map(
    (build.shop?.taken ?? []).flatMap((one) =>
      one.variant === variant ? [[one.sheet, one.code] as const] : [],
    ),
  );
  return sheetEntries(build).flatMap((entry): NeededSheet[] => {
    const { of, id, title } = entry;
    if (!of || of.axle !== step.axle || !step.sheets.includes(wordOf(build, entry))) return [];
    const about = of.members.length === 0 || of.members.some((one) => step.members.includes(one));
    if (!about && step.members.length > 0) return [];
    const code = taken.get(id);
    return [
      {
        ...{ id, title },
        taken:
          code === undefined
            ? 'not taken'
            : code === (entry.code?.() ?? entry.make().code)
              ? 'as it is'
              : 'old',
      },
    ];
  });
}

/** What can hurt at a step: short, where it is done. */
export const CAUTION_WORDS: Readonly<Record<Caution, string>> = {
  steering:
    'Steering holds lives: full thread engagement, everything locked; what the law there asks to be inspected is inspected before it is driven.',
  welding:
    'Welds that hold a car to the road are made by qualified hands and looked at by others; battery off, fuel away, a watch kept afterwards.',
  spring: 'Springs out under control first: a loaded spring flies.',
  stands: 'On stands that cannot tip, wheels chocked, never on a jack alone, nobody underneath.',
};
