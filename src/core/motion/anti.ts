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
