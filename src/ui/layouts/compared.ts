import type { Build, Layout } from '@/core/model/build';
import { layoutsOf, openLayoutOf } from '@/core/model/layouts';

/** What the open layout is compared with: another of the build's layouts, or the build as it was saved once. */
export type Compared =
  | { kind: 'layout'; id: string }
  | ({ kind: 'save'; id: string; name: string } & Pick<Layout, 'front' | 'rear'>);

export type ComparedAxles = { name: string } & Pick<Layout, 'front' | 'rear'>;

/** The compared layout as it stands now; null where nothing, or itself, is compared. */
export function comparedIn(build: Build, compared: Compared | null): ComparedAxles | null {
  if (!compared) return null;
  if (compared.kind === 'save') return compared;
  if (openLayoutOf(build).id === compared.id) return null;
  return layoutsOf(build).find(({ id }) => id === compared.id) ?? null;
}
