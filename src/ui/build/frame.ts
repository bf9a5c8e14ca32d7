import { styled } from '@mui/material/styles';
import { NARROW, PAPER, PHONE } from '../theme';

/** The page's places. Plain styles: they are redrawn with every keystroke. */
export const Whole = styled('div')({
  display: 'grid',
  height: '100dvh',
  minHeight: 560,
  gridTemplateColumns: '148px minmax(0, 1fr) 268px',
  gridTemplateRows: '48px minmax(0, 1fr)',
  [NARROW]: { gridTemplateColumns: '128px minmax(0, 1fr) 232px' },
  // One below the other: stations, floor, readouts and pad, then the station itself.
  [PHONE]: {
    gridTemplateColumns: 'minmax(0, 1fr)',
    gridTemplateRows: 'none',
    gridAutoRows: 'auto',
    height: 'auto',
    minHeight: '100dvh',
    alignContent: 'start',
  },
});

export const Middle = styled('main')({
  display: 'grid',
  gridTemplateRows: 'minmax(0, 1fr) auto auto',
  minHeight: 0,
  minWidth: 0,
  [PHONE]: {
    display: 'contents',
    '& > section:first-of-type': { height: '36vh', minHeight: 250 },
  },
});

/** A station that needs the whole middle: forms and tables on paper. */
export const Desk = styled('main')({
  minHeight: 0,
  minWidth: 0,
  overflow: 'auto',
  padding: '14px 24px 32px',
  '&[data-wide]': { gridColumn: '2 / -1', padding: '10px 16px 16px' },
  [PHONE]: {
    overflow: 'visible',
    overflowX: 'auto',
    padding: '10px 12px 24px',
    '&[data-wide]': { gridColumn: 'auto' },
  },
});

/** Under the floor; its height is the hand's that parts them, as far as the floor keeps some of the page. */
export const Under = styled('div')({
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) minmax(430px, 1fr)',
  // A wheel without curves over travel leaves the width to its station.
  '&:has(> :only-child)': { gridTemplateColumns: 'minmax(0, 1fr)' },
  gap: 16,
  padding: '2px 16px 10px',
  minHeight: 0,
  maxHeight: 'calc(100dvh - 48px - 150px)',
  [PHONE]: {
    order: 2,
    gridTemplateColumns: 'minmax(0, 1fr)',
    height: 'auto !important',
    maxHeight: 'none',
    padding: '8px 12px 24px',
  },
});

export const Column = styled('section')({
  display: 'flex',
  flexDirection: 'column',
  minHeight: 0,
  minWidth: 0,
  gap: 6,
  contain: 'layout style',
  [PHONE]: { overflowX: 'auto' },
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
  contain: 'layout style',
  [PHONE]: {
    order: 1,
    borderLeft: 0,
    padding: '8px 12px',
    overflow: 'visible',
    flexDirection: 'column-reverse',
  },
});
