import { styled } from '@mui/material/styles';
import { NARROW, PAPER, PHONE, PRINT } from '../theme';

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
  [PRINT]: { display: 'block', height: 'auto', minHeight: 0 },
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
  [PRINT]: {
    display: 'block',
    // The slate would be a page of ink: dark on light, as on paper.
    '& > section:first-of-type': {
      height: '80mm',
      filter: 'invert(1) hue-rotate(180deg)',
      printColorAdjust: 'exact',
    },
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
  [PRINT]: { overflow: 'visible', padding: '4mm 0' },
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
  [PRINT]: {
    display: 'block',
    height: 'auto !important',
    maxHeight: 'none',
    padding: '4mm 0',
    '& > :first-child:not(:only-child)': { height: '122mm' },
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
  [PRINT]: { display: 'block', contain: 'none' },
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
  [PRINT]: { display: 'block', contain: 'none', borderLeft: 0, padding: 0, overflow: 'visible' },
});
