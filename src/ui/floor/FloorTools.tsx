'use client';

import CheckedIcon from '@mui/icons-material/CheckBox';
import UncheckedIcon from '@mui/icons-material/CheckBoxOutlineBlank';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { memo, useState } from 'react';
import { SLATE } from '../theme';
import type { ViewName } from './drawing';
import type { CornerType } from '@/core/corners/cornerType';
import { STRINGS, stringsOf } from './strings';
import type { Strings } from './strings';

const VIEW_NAMES: [ViewName | null, string][] = [
  [null, 'All views'],
  ['front', 'Front'],
  ['side', 'Side'],
  ['above', 'Above'],
];

/** What can be laid on the floor, the tape, and the way back to a fitted view. */
export const FloorTools = memo(function FloorTools({
  type,
  filled,
  onFill,
  strings,
  measuring,
  inSpace,
  zoomed,
  onStrings,
  onMeasure,
  onSpace,
  onFit,
}: {
  type: CornerType;
  /** The view that fills the floor. */
  filled: ViewName | null;
  onFill: (view: ViewName | null) => void;
  strings: Strings;
  measuring: boolean;
  /** The corner is shown in space. */
  inSpace: boolean;
  zoomed: boolean;
  onStrings: (strings: Strings) => void;
  onMeasure: (on: boolean) => void;
  onSpace: (on: boolean) => void;
  onFit: () => void;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const look = { color: SLATE.chalk, minWidth: 0, py: 0.25, px: 1, fontSize: 13 };
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 0.25,
        px: 0.5,
        height: 32,
        overflowX: 'auto',
        whiteSpace: 'nowrap',
        borderBottom: `1px solid ${SLATE.line}`,
      }}
    >
      <Box role="group" aria-label="View that fills the floor" sx={{ display: 'flex', flex: 1 }}>
        {VIEW_NAMES.map(([view, word]) => (
          <Button
            key={word}
            size="small"
            sx={{ ...look, fontWeight: 400, bgcolor: filled === view ? SLATE.line : undefined }}
            aria-pressed={filled === view}
            onClick={() => filled !== view && onFill(view)}
          >
            {word}
          </Button>
        ))}
      </Box>
      {zoomed && (
        <Button size="small" sx={look} onClick={onFit}>
          Fit
        </Button>
      )}
      <Button
        size="small"
        sx={{ ...look, bgcolor: measuring ? SLATE.line : undefined }}
        aria-pressed={measuring}
        onClick={() => onMeasure(!measuring)}
      >
        Measure
      </Button>
      <Button
        size="small"
        sx={{ ...look, bgcolor: inSpace ? SLATE.line : undefined }}
        aria-pressed={inSpace}
        onClick={() => onSpace(!inSpace)}
      >
        3D
      </Button>
      <Button
        size="small"
        sx={look}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Strings
      </Button>
      <Menu
        anchorEl={anchor}
        open={anchor !== null}
        onClose={() => setAnchor(null)}
        slotProps={{ paper: { role: 'dialog', 'aria-label': 'Strings on the floor' } }}
      >
        {stringsOf(type).map((name) => {
          const on = strings[name];
          return (
            <MenuItem
              key={name}
              role="menuitemcheckbox"
              aria-checked={on}
              dense
              onClick={() => onStrings({ ...strings, [name]: !on })}
            >
              <Box component={on ? CheckedIcon : UncheckedIcon} sx={{ mr: 1, fontSize: 20 }} />
              {STRINGS[name]}
            </MenuItem>
          );
        })}
      </Menu>
    </Box>
  );
});
