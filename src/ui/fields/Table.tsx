import CopyIcon from '@mui/icons-material/ContentCopyOutlined';
import CopiedIcon from '@mui/icons-material/CheckOutlined';
import IconButton from '@mui/material/IconButton';
import copyTheOldWay from 'copy-to-clipboard';
import { styled } from '@mui/material/styles';
import { useRef, useState } from 'react';
import type { ComponentProps, RefObject } from 'react';
import { FIGURES, PAPER } from '../theme';

/** A plain table on paper, which can be copied as text; a cell of class `number` holds figures. */
export function Table(props: ComponentProps<typeof Plain>) {
  const table = useRef<HTMLTableElement>(null);
  return (
    <Frame>
      <Plain {...props} ref={table} />
      <CopyTable table={table} what={props['aria-label']} />
    </Frame>
  );
}

/** Puts what a table shows on the clipboard, as a spreadsheet takes it: tabs between cells. */
export function CopyTable({
  table,
  what = 'the table',
}: {
  table: RefObject<HTMLTableElement | null>;
  what?: string | undefined;
}) {
  const [done, setDone] = useState<keyof typeof WORDS | null>(null);
  const copy = async () => {
    if (!table.current) return;
    setDone(await putOnClipboard(tableText(table.current)));
    setTimeout(() => setDone(null), 4000);
  };
  return (
    <Corner data-copy>
      <IconButton
        size="small"
        aria-label={`${done === null ? 'Copy' : WORDS[done]}: ${what}`}
        title="Copy as text for a spreadsheet"
        onClick={() => void copy()}
        sx={{ p: '2px', bgcolor: PAPER.sheet }}
      >
        {done === 'copied' ? <CopiedIcon fontSize="inherit" /> : <CopyIcon fontSize="inherit" />}
      </IconButton>
      {done === 'refused' && <Told role="status">{WORDS.refused}</Told>}
    </Corner>
  );
}

const WORDS = { copied: 'Copied', refused: 'The browser lets nothing be copied' };

/** Puts text on the clipboard, also where only the older way is open: a page that another machine serves. */
async function putOnClipboard(text: string): Promise<keyof typeof WORDS> {
  try {
    await navigator.clipboard.writeText(text);
    return 'copied';
  } catch {
    return (await copyTheOldWay(text)) ? 'copied' : 'refused';
  }
}

/** What the cells of a table show, a line a row; what is typed in a cell is its value. */
export function tableText(table: HTMLTableElement): string {
  const cellText = (cell: Element): string => {
    const typed = [...cell.querySelectorAll('input')].filter(
      ({ type }) => type !== 'checkbox' && type !== 'radio',
    );
    if (typed.length > 0)
      return typed.map(({ value, placeholder }) => value || placeholder).join(' ');
    return (cell.textContent ?? '').replace(/\s+/gu, ' ').trim();
  };
  return [...table.rows].map((row) => [...row.cells].map(cellText).join('\t')).join('\n');
}

const Frame = styled('div')({
  position: 'relative',
  width: '100%',
  '& > [data-copy]': { opacity: 0 },
  '&:hover > [data-copy], & > [data-copy]:focus-within': { opacity: 1 },
  // Where nothing hovers the mark is always there: beside the last heading, not over it.
  '@media (hover: none)': {
    '& > [data-copy]': { opacity: 0.7 },
    '& thead tr:first-of-type th:last-of-type': { paddingRight: 28 },
  },
});

const Told = styled('span')({
  position: 'absolute',
  right: 28,
  top: 0,
  padding: '1px 6px',
  whiteSpace: 'nowrap',
  fontSize: 13,
  backgroundColor: PAPER.sheet,
});

const Corner = styled('div')({ position: 'absolute', right: 0, top: 0, fontSize: 16 });

const Plain = styled('table')({
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
