import type { AxleDesign, AxleName, Build } from '@/core/model/build';

/** Takes joints and alignment of an axle that was looked at; what steers it and the rest stay. */
export const takeAxle =
  (axle: AxleName, changed: AxleDesign) =>
  (draft: Build): void => {
    const target = draft[axle]!;
    target.static = { ...changed.static };
    target.points = structuredClone(changed.points);
    if (changed.rightPoints) target.rightPoints = structuredClone(changed.rightPoints);
  };
