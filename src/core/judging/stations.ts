/** The stations in the order of the work. */
export const STATIONS = [
  'brief',
  'takeoff',
  'wheel',
  'arms',
  'rack',
  'steering',
  'column',
  'damper',
  'shop',
  'check',
  'setup',
  'plan',
] as const;
export type Station = (typeof STATIONS)[number];
