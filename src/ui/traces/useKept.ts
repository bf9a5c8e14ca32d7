import { useState } from 'react';
import { useView } from '../build/viewStore';
import type { ValueAxis } from './axes';

/**
 * An axis as it was as long as it says the same: the frame redraws all its axes for another. While a joint is dragged
 * it stays as long as the curve stays within it.
 */
export function useKept(axis: ValueAxis): ValueAxis {
  const dragging = useView((view) => view.dragging);
  const [kept, setKept] = useState(axis);
  const same =
    kept.from === axis.from && kept.to === axis.to && kept.ticks.join() === axis.ticks.join();
  const within = axis.from >= kept.from && axis.to <= kept.to;
  if (same || (dragging && within)) return kept;
  setKept(axis);
  return axis;
}
