import type { AxleName, Build } from '../model/build';

/** What anti-dive hangs on besides the arms. */
export interface Braking {
  /** Part of the braking that the axle does, 0 to 1. */
  share: number;
  /** Wheelbase and height of the centre of mass, mm. */
  wheelbase: number;
  massHeight: number;
}

/**
 * Anti-dive of a front axle (anti-lift of a rear one), per cent, with outboard brakes: how much of the
 * load transfer under braking the arms carry instead of the springs. Side view: share × tan θ × L / h,
 * θ the rise of the line from the contact to the instant centre (Milliken & Milliken 1995, from memory).
 * @param contactLead mm that the upright's point at the contact moves ahead per mm of bump
 * @param end 1 for the front axle, −1 for the rear
 */
export const antiPercent = (contactLead: number, braking: Braking, end: 1 | -1): number =>
  (100 * braking.share * end * contactLead * braking.wheelbase) / braking.massHeight;

/**
 * Anti-squat of a rear axle driven through half-shafts, per cent, where it does all the driving: the thrust acts at
 * the wheel's centre, tan θ × L / h, θ the rise of the line from there to the side-view instant centre (Milliken &
 * Milliken 1995, from memory).
 * @param wheelLead mm that the wheel's centre moves ahead per mm of bump
 */
export const antiSquatPercent = (
  wheelLead: number,
  { wheelbase, massHeight }: Omit<Braking, 'share'>,
): number => (-100 * wheelLead * wheelbase) / massHeight;

/**
 * Per cent of anti-dive (anti-lift at the rear) for a contact, and of anti-squat for a wheel's centre, that leads by
 * 1 mm per mm; null where the brief does not say how high the mass is and what brakes.
 */
export function antiPercentOf(
  build: Build,
  axle: AxleName,
): { brake: number; drive: number } | null {
  const { massHeight, brakeFront } = build.brief?.limits ?? {};
  if (massHeight === undefined || brakeFront === undefined) return null;
  const { wheelbase } = build;
  const share = (axle === 'front' ? brakeFront : 100 - brakeFront) / 100;
  return {
    brake: antiPercent(1, { share, massHeight, wheelbase }, axle === 'front' ? 1 : -1),
    drive: axle === 'rear' ? antiSquatPercent(1, { massHeight, wheelbase }) : 0,
  };
}
