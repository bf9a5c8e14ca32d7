import { styled } from '@mui/material/styles';
import { NARROW, PAPER } from '../theme';

/** The page's places. Plain styles: they are redrawn with every keystroke. */
export const Whole = styled('div')({
  display: 'grid',
  height: '100dvh',
  minHeight: 640,
  minWidth: 960,
  gridTemplateColumns: '148px minmax(0, 1fr) 268px',
  gridTemplateRows: '48px minmax(0, 1fr)',
  [NARROW]: { gridTemplateColumns: '128px minmax(0, 1fr) 232px' },
});

export const Middle = styled('main')({
  display: 'grid',
  gridTemplateRows: 'minmax(0, 1fr) 458px',
  minHeight: 0,
  minWidth: 0,
});

/** A station that needs the whole middle: forms and tables on paper. */
export const Desk = styled('main')({
  minHeight: 0,
  minWidth: 0,
  overflow: 'auto',
  padding: '14px 24px 32px',
});

export const Under = styled('div')({
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) minmax(430px, 1fr)',
  gap: 16,
  padding: '10px 16px',
  minHeight: 0,
});

export const Column = styled('section')({
  display: 'flex',
  flexDirection: 'column',
  minHeight: 0,
  gap: 6,
});

export const Beside = styled('aside')({
  borderLeft: `1px solid ${PAPER.line}`,
  padding: '10px 16px',
  display: 'flex',
  flexDirection: 'column',
  justifyContent: 'space-between',
  gap: 4,
  minHeight: 0,
  overflow: 'auto',
});
