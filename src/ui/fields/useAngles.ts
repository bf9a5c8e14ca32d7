import { useCallback } from 'react';
import { anglesIn } from '@/core/model/units';
import { useView } from '../build/viewStore';

/** Says the angles of a sentence as the window is set: decimal degrees, or degrees and minutes. */
export function useAngles(): (sentence: string) => string {
  const angles = useView((view) => view.angles);
  return useCallback((sentence: string) => anglesIn(sentence, angles), [angles]);
}
