import { useRef } from 'react';
import type { AxleDesign, AxleName, Build } from '@/core/model/build';
import { useStable } from '../../useStable';

export type AxleChange = (step: string, change: (design: AxleDesign) => void) => void;

/**
 * Changes an axle while a value is typed. Every keystroke of one visit to a field starts from the axle
 * as it was when the visit began, so what is typed on the way leaves no trace.
 */
export function useAxleChange(
  axle: AxleName,
  design: AxleDesign,
  onEdit: (change: (build: Build) => void, step?: string) => void,
): AxleChange {
  const visit = useRef<{ name: string; base: AxleDesign } | null>(null);
  return useStable((step, change) => {
    if (visit.current?.name !== step || step === '') visit.current = { name: step, base: design };
    const next = structuredClone(visit.current.base);
    change(next);
    onEdit((draft) => {
      if (axle === 'front') draft.front = next as Build['front'];
      else draft.rear = next;
    }, step || undefined);
  });
}
