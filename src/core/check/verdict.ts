/**
 * The χ² that so many readings stay under in 19 cases of 20 (Wilson and Hilferty 1931): good to a part in a hundred from
 * three on.
 */
export function chiSquare95(degrees: number): number {
  if (degrees < 1) return 0;
  const part = 2 / (9 * degrees);
  return degrees * (1 - part + 1.6449 * Math.sqrt(part)) ** 3;
}

export const isFitting = (misfit: number, degrees: number): boolean =>
  degrees >= 1 && misfit <= chiSquare95(degrees);
