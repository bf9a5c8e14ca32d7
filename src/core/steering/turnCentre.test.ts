import type { Vec } from '../geometry/vec';
import { trueInner } from './lockToLock';
import { turnCentre } from './turnCentre';

const RAD = Math.PI / 180;
/** The spindle of a wheel turned to the left by so many degrees, in its side's own axes. */
const spindle = (side: 'left' | 'right', degrees: number): Vec => {
  const [s, c] = [Math.sin(degrees * RAD), Math.cos(degrees * RAD)];
  return side === 'left' ? [-s, c, 0] : [s, c, 0];
};

it('is one place for both wheels where they are steered true (Gillespie, ch. 8; from memory)', () => {
  const [wheelbase, between] = [2400, 1200];
  for (const outer of [3, 15, 30]) {
    const inner = trueInner(outer, between, wheelbase);
    const at: Vec = [0, between / 2, 0];
    // To the left: the left wheel is the inner one.
    const left = turnCentre('left', at, spindle('left', inner), wheelbase)!;
    const right = turnCentre('right', at, spindle('right', outer), wheelbase)!;
    expect(left).toBeGreaterThan(0);
    expect(right).toBeCloseTo(left, 6);
    // And to the right its mirror image.
    expect(turnCentre('right', at, spindle('right', -inner), wheelbase)!).toBeCloseTo(-left, 6);
  }
});

it('is none straight ahead', () => {
  expect(turnCentre('left', [0, 600, 0], [0, 1, 0], 2400)).toBeNull();
});
