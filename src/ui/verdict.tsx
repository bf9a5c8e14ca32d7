import { styled } from '@mui/material/styles';
import { createContext, useContext } from 'react';
import type { Verdict } from '@/core/verdict/verdicts';
import { PAPER, VERDICT } from './theme';

/** What builders call the verdicts. */
export const VERDICT_WORDS: Record<Verdict, string> = {
  'very good': 'very good',
  accept: 'good',
  'look again': 'look again',
  rework: 'rework',
};

const SHAPES: Record<Verdict, { path: string; colour: string }> = {
  'very good': { path: 'M1 6.5L5 11L11 2', colour: VERDICT.good },
  accept: { path: 'M1 6.5L5 11L11 2', colour: VERDICT.good },
  'look again': { path: 'M6 1.5L11 10.5H1Z', colour: VERDICT.edge },
  rework: { path: 'M1.5 1.5l9 9M10.5 1.5l-9 9', colour: VERDICT.bad },
};

const Mark = styled('span')({
  display: 'inline-flex',
  alignItems: 'center',
  gap: 6,
  fontWeight: 600,
});

/** Whether what is shown is still a sketch: nothing of it is judged then. */
export const OfSketch = createContext(false);

/** A verdict as a shape and its word. */
export function VerdictMark({ verdict }: { verdict: Verdict }) {
  const ofSketch = useContext(OfSketch);
  if (ofSketch) return <span style={{ color: PAPER.soft, fontWeight: 400 }}>of a sketch</span>;
  const { path, colour } = SHAPES[verdict];
  return (
    <Mark style={{ color: colour }}>
      <svg width={12} height={12} aria-hidden="true">
        <path d={path} fill="none" stroke="currentColor" strokeWidth={2.2} />
      </svg>
      {VERDICT_WORDS[verdict]}
    </Mark>
  );
}
