import type { Asked } from '@/core/model/asked';
import type { FloorStation } from './floorStation';

/** Changes what is asked of a finder; it stays with the build. */
export const askedOf =
  (onEdit: FloorStation['onEdit']) =>
  <K extends keyof Asked>(key: K, value: NonNullable<Asked[K]>, step?: string): void =>
    onEdit((draft) => {
      (draft.asked ??= {})[key] = value;
    }, step);
