import type { CornerType, PointOfType } from './cornerType';

/** Checks a table as it is written: its points' names are known to the compiler. */
export const cornerType = <P extends string>(
  type: Pick<CornerType<P>, 'points'> & NoInfer<Omit<CornerType<P>, 'points'>>,
): CornerType<P> => type;

export const chassis = (label: string): PointOfType => ({ label, on: 'chassis' });
export const upright = (label: string): PointOfType => ({ label, on: 'upright' });

/** Every kind has a wheel; most have a rod that sets its toe. */
export const wheelCentre = upright('wheel centre');
export const rodPoints = {
  tieRodInner: chassis('tie rod inner joint'),
  tieRodOuter: upright('tie rod outer joint'),
};
export const rod = { inner: 'tieRodInner', outer: 'tieRodOuter' } as const;
export const rodMember = { from: 'tieRodInner', to: 'tieRodOuter', role: 'rod' } as const;
export const rodLength = {
  holds: 'length',
  upright: 'tieRodOuter',
  chassis: 'tieRodInner',
  member: 'tie rod',
} as const;

/** A link of fixed length from the chassis to the upright. */
export const link = <U extends string, C extends string>(
  uprightPoint: U,
  chassisPoint: C,
  member: string,
) => ({ holds: 'length', upright: uprightPoint, chassis: chassisPoint, member }) as const;
