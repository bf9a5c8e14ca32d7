import type { Agrees } from '@/core/check/checkUp';
import { AGREES_WORDS } from '@/core/check/words';
import { PAPER, VERDICT } from '../../theme';

const SHAPES: Record<Agrees, { shape: string; colour: string }> = {
  drawing: { shape: '✓', colour: VERDICT.good },
  within: { shape: '✓', colour: VERDICT.good },
  not: { shape: '✕', colour: VERDICT.bad },
  'too few': { shape: '…', colour: PAPER.soft },
};

/** How a check agrees, as a word and a shape. */
export const judgedOf = (agrees: Agrees) => ({ words: AGREES_WORDS[agrees], ...SHAPES[agrees] });
