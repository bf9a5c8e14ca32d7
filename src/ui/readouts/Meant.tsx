import Tooltip from '@mui/material/Tooltip';
import { styled } from '@mui/material/styles';
import { memo } from 'react';
import { openDialog } from '../build/dialogs';
import type { FigureName } from '../build/dialogs';
import { PAPER } from '../theme';

/** A figure's name beside its number: says which way it counts, and opens what it means. */
export const Meant = memo(function Meant({
  of,
  label,
  sign,
}: {
  of: FigureName;
  label: string;
  sign: string;
}) {
  return (
    <Tooltip title={sign} placement="left" describeChild>
      <Plain type="button" aria-haspopup="dialog" onClick={() => openDialog('figures', of)}>
        {label}
      </Plain>
    </Tooltip>
  );
});

const Plain = styled('button')({
  all: 'unset',
  cursor: 'help',
  overflow: 'hidden',
  textOverflow: 'ellipsis',
  whiteSpace: 'nowrap',
  '&:hover': { textDecoration: 'underline dotted' },
  '&:focus-visible': { outline: `2px solid ${PAPER.accent}`, outlineOffset: 1 },
});
