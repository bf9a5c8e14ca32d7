import type { StepState } from '@/core/plan/states';
import { PAPER, VERDICT } from '../../theme';

const SHAPES: Record<StepState, { path: string; colour: string }> = {
  done: { path: 'M1 6.5L5 11L11 2', colour: VERDICT.good },
  'open again': { path: 'M6 1.5L11 10.5H1Z', colour: VERDICT.edge },
  'can be done': { path: 'M2 6h8M6.5 2.5L10 6L6.5 9.5', colour: PAPER.accent },
  held: { path: 'M4 2v8M8 2v8', colour: VERDICT.edge },
  waits: { path: 'M6 5.5v1', colour: PAPER.soft },
};

/** How a step stands, as a shape; its word stands beside it. */
export function StateMark({ state }: { state: StepState }) {
  const { path, colour } = SHAPES[state];
  return (
    <svg width={12} height={12} aria-hidden="true" style={{ color: colour, flex: 'none' }}>
      <path d={path} fill="none" stroke="currentColor" strokeWidth={2.2} />
    </svg>
  );
}

/** Minutes as a shop says them: `40 min`, `3 h 20`. */
export function inHours(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const rest = whole % 60;
  return `${Math.floor(whole / 60)} h${rest > 0 ? ` ${String(rest).padStart(2, '0')}` : ''}`;
}
