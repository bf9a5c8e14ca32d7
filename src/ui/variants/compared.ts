import type { Build, Variant } from '@/core/model/build';
import { variantsOf, openVariantOf } from '@/core/model/variants';

/** What the open variant is compared with: another of the build's variants, or the build as it was saved once. */
export type Compared =
  | { kind: 'variant'; id: string }
  | ({ kind: 'save'; id: string; name: string } & Pick<Variant, 'front' | 'rear'>);

export type ComparedAxles = { name: string } & Pick<Variant, 'front' | 'rear'>;

/** The compared variant as it stands now; null where nothing, or itself, is compared. */
export function comparedIn(build: Build, compared: Compared | null): ComparedAxles | null {
  if (!compared) return null;
  if (compared.kind === 'save') return compared;
  if (openVariantOf(build).id === compared.id) return null;
  return variantsOf(build).find(({ id }) => id === compared.id) ?? null;
}
