import type { Build } from '../model/build';
import type { Taken } from '../model/shop';
import { openVariantOf, variantsOf } from '../model/variants';
import type { Bundle } from './bundle';
import { sheetEntries } from './sheetsOf';

/** Sheets that are kept in mind at most. */
const MOST = 400;

/** Notes that sheets of the open variant were taken to be cut by; changes what it is given. */
export function noteTaken(build: Build, sheets: Bundle['sheets'], on: string): void {
  const variant = openVariantOf(build).id;
  const taken = sheets.map(({ id, title, code }): Taken => ({
    sheet: id,
    title,
    variant,
    code,
    on,
  }));
  const ids = new Set(taken.map(({ sheet }) => sheet));
  const shop = (build.shop ??= {});
  const others = (shop.taken ?? []).filter((one) => one.variant !== variant || !ids.has(one.sheet));
  shop.taken = [...others, ...taken].slice(-MOST);
}

/** A sheet that was taken, and whether it still is what the layout says. */
export interface TakenState {
  taken: Taken;
  /** What the variant is called; null where it is gone. */
  variant: string | null;
  state: 'as it is' | 'old' | 'gone';
}

/** Every sheet that was taken, against what its own variant says now. */
export function takenStates(build: Build): TakenState[] {
  const all = build.shop?.taken ?? [];
  if (all.length === 0) return [];
  const codes = new Map(
    variantsOf(build).map(({ id, name, front, rear, frozen }) => {
      const layout = { id, name, ...(frozen !== undefined && { frozen }) };
      const own = { ...build, front, rear, layout };
      const wanted = new Set(all.flatMap((one) => (one.variant === id ? [one.sheet] : [])));
      const made = sheetEntries(own).filter((entry) => wanted.has(entry.id));
      return [
        id,
        {
          name,
          codes: new Map(made.map((entry) => [entry.id, entry.code?.() ?? entry.make().code])),
        },
      ];
    }),
  );
  return all.map((taken) => {
    const of = codes.get(taken.variant);
    const code = of?.codes.get(taken.sheet);
    return {
      taken,
      variant: of?.name ?? null,
      state: code === undefined ? 'gone' : code === taken.code ? 'as it is' : 'old',
    };
  });
}
