import type { Freedom } from '@/core/model/freedoms';
import type { AxleName, Build } from '@/core/model/build';
import type { Coordinate, PointName } from '@/core/model/points';
import { useStable } from '../useStable';

/** Changes a freedom of a point of an axle; both sides share it. */
export const useFreedomEdit = (
  axle: AxleName,
  point: PointName,
  onEdit: (change: (build: Build) => void, step?: string) => void,
) =>
  useStable((coordinate: Coordinate, freedom: Freedom | null, step?: string) =>
    onEdit((draft) => {
      const all = (draft[axle]!.freedoms ??= {});
      const own = (all[point] ??= {});
      if (freedom) own[coordinate] = freedom;
      else delete own[coordinate];
    }, step),
  );
