import { armJointOf } from '../corners/kinds';
import { poseCorner } from '../kinematics/axle';
import type { Axle } from '../kinematics/axle';
import type { Wheel } from '../kinematics/wheel';

/** One sentence, without its full stop, on why both wheels do not stand at a travel and rack position; empty when they do. */
export function whyNotSteered(axle: Axle, travel: number, rack: number): string {
  for (const side of ['left', 'right'] as const) {
    const pose = poseCorner(axle[side], travel, rack);
    if (!pose.ok) return `${side}: ${pose.why}`;
  }
  return '';
}

/**
 * The front axle that can be steered from lock to lock, or why it cannot be.
 * @param front either front wheel
 * @param travel of both wheels, mm, + bump
 */
export function steerable(
  front: Wheel,
  travel: number,
): { ok: true; axle: Axle } | { ok: false; why: string } {
  const { type, steered, solved } = front;
  const no = (why: string) => ({ ok: false as const, why });
  if (armJointOf(type) === null)
    return no(`the front axle has no tie rod to steer by: it is a ${type.label.toLowerCase()}`);
  if (!steered)
    return no(
      'the front axle has nothing to steer by, no rack nor drop arm: give one in the brief',
    );
  if (!solved.ok) return no(`the front axle cannot be solved: ${solved.faults[0].message}`);
  const why = whyNotSteered(solved.axle, travel, 0);
  return why === ''
    ? { ok: true, axle: solved.axle }
    : no(`with the ${solved.axle.steersBy} centred, ${why}`);
}
