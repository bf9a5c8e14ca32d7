import type { AngleUnit, LengthUnit } from '@/core/model/units';
import { useView } from './viewStore';

export const LENGTHS_IN_WORDS: Record<LengthUnit, string> = {
  mm: 'mm',
  in: 'decimal inches',
  'in/16': 'inches to 1/16',
  'in/32': 'inches to 1/32',
};
export const ANGLES_IN_WORDS: Record<AngleUnit, string> = {
  deg: 'decimal degrees',
  min: 'degrees and minutes',
};

/** Shows lengths so, and remembers which inches they were: the bar's button for inches brings those back. */
export const showLengths = (unit: LengthUnit) =>
  useView.getState().show(unit === 'mm' ? { unit } : { unit, inches: unit });
