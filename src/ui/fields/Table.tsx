import { styled } from '@mui/material/styles';
import { FIGURES, PAPER } from '../theme';

/** A plain table on paper; a cell of class `number` holds figures. */
export const Table = styled('table')({
  width: '100%',
  borderCollapse: 'collapse',
  fontSize: 14,
  '& th': { textAlign: 'left', fontWeight: 500, padding: '3px 6px' },
  '& thead th': { color: PAPER.soft, fontSize: 13 },
  '& td': { padding: '3px 6px' },
  '& tbody tr': { borderTop: `1px solid ${PAPER.line}` },
  '& tbody tr[aria-selected="true"]': { backgroundColor: PAPER.wash },
  '& .number': {
    fontFamily: FIGURES,
    fontSize: 15,
    textAlign: 'right',
    whiteSpace: 'pre',
    fontVariantNumeric: 'tabular-nums',
  },
});
