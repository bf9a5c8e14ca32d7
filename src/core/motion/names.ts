/**
 * What a wheel's figures are called, on every screen and in every list. Bump steer is the most that toe changes from
 * ride height over the travel; the toe range is from its least to its most.
 */
export const NAMES = {
  toe: 'toe',
  camber: 'camber',
  caster: 'caster',
  kpi: 'kingpin inclination',
  scrub: 'scrub radius',
  trail: 'trail',
  rollCentre: 'roll centre',
  bumpSteer: 'bump steer',
  toeRange: 'toe range',
  camberGain: 'camber per 25 mm of bump',
  ackermann: 'Ackermann',
  ratio: 'steering ratio',
  lock: 'lock, inner wheel',
} as const;

/** Kingpin inclination where there is no room for it. */
export const KPI = 'KPI';

export const titled = (name: string): string => name.charAt(0).toUpperCase() + name.slice(1);
