'use client';

import MoreIcon from '@mui/icons-material/MoreHoriz';
import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import InputBase from '@mui/material/InputBase';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Tooltip from '@mui/material/Tooltip';
import Link from 'next/link';
import { memo, useState } from 'react';
import { nameSchema } from '@/core/model/build';
import { unitName } from '@/core/model/units';
import type { LengthUnit, TypedUnit } from '@/core/model/units';
import { PAPER, PHONE, VERDICT } from '../theme';
import { VariantsButton } from '../variants/VariantsButton';
import { SaveMark } from './SaveMark';
import { useBuild, useHistory } from './useBuildStore';
import { useView } from './viewStore';
import type { Steps } from './useSteps';

export interface MenuEntry {
  label: string;
  act: () => void;
}

interface Props {
  unit: LengthUnit;
  steps: Steps;
  onUnit: (unit: LengthUnit) => void;
  menu: MenuEntry[];
}

/** The bar over the page: whose bench it is, whether it is saved, undo, units, files. */
export const TopBar = memo(function TopBar({ unit, steps, onUnit, menu }: Props) {
  const { undo, redo } = steps;
  const { canUndo, canRedo } = useHistory();
  const inches = useView((view) => view.inches);
  return (
    <Box
      component="header"
      sx={{
        gridColumn: '1 / -1',
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        px: 2,
        minWidth: 0,
        [PHONE]: { flexWrap: 'wrap', px: 1, py: 0.5, gap: 0.25 },
        borderBottom: `1px solid ${PAPER.line}`,
      }}
    >
      <Link href="/" style={{ color: 'inherit', textDecoration: 'none' }}>
        <Box component="span" sx={{ fontWeight: 600, fontSize: 20, letterSpacing: 0.2 }}>
          Havrik
        </Box>
      </Link>
      <Box
        component="span"
        aria-hidden="true"
        sx={{ color: PAPER.line, mx: 0.5, [PHONE]: { display: 'none' } }}
      >
        /
      </Box>
      <BuildName />
      <VariantsButton />
      <SaveMark />
      <Box sx={{ flex: 1 }} />
      <Named label="Undo (Ctrl+Z)">
        <span>
          <IconButton aria-label="Undo" disabled={!canUndo} onClick={undo} size="small">
            <UndoIcon />
          </IconButton>
        </span>
      </Named>
      <Named label="Redo (Ctrl+Shift+Z)">
        <span>
          <IconButton aria-label="Redo" disabled={!canRedo} onClick={redo} size="small">
            <RedoIcon />
          </IconButton>
        </span>
      </Named>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={unitName(unit)}
        onChange={(_, value: TypedUnit | null) => value && onUnit(value === 'mm' ? value : inches)}
        aria-label="Lengths shown in"
        sx={{ ml: 1, '& .MuiToggleButton-root': { py: 0.25, px: 1.25, color: PAPER.ink } }}
      >
        <ToggleButton value="mm">mm</ToggleButton>
        <ToggleButton value="in">inch</ToggleButton>
      </ToggleButtonGroup>
      <MoreMenu entries={menu} />
    </Box>
  );
});

const Named = ({ label, children }: { label: string; children: React.ReactElement }) => (
  <Tooltip title={label}>{children}</Tooltip>
);

/** The build's name, changed where it stands. An empty one keeps the last. */
function BuildName() {
  const name = useBuild((state) => state.build.name);
  const edit = useBuild((state) => state.edit);
  const [text, setText] = useState<string | null>(null);
  const refused = text !== null && !nameSchema.safeParse(text).success;
  return (
    <Tooltip title={refused ? 'A build needs a name of 1 to 80 letters' : 'Rename'}>
      <InputBase
        value={text ?? name}
        onFocus={() => setText(name)}
        onChange={(event) => {
          setText(event.target.value);
          const parsed = nameSchema.safeParse(event.target.value);
          if (parsed.success) edit((build) => void (build.name = parsed.data), 'rename');
        }}
        onBlur={() => setText(null)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' || event.key === 'Escape') (event.target as HTMLElement).blur();
        }}
        error={refused}
        inputProps={{ 'aria-label': 'Name of this build', maxLength: 90 }}
        sx={{
          fontSize: 18,
          fontWeight: 500,
          width: `${Math.min(44, Math.max(14, (text ?? name).length + 2))}ch`,
          px: 0.75,
          borderRadius: 0.5,
          '&:hover': { bgcolor: PAPER.wash },
          '&.Mui-focused': { outline: `2px solid ${refused ? VERDICT.bad : PAPER.accent}` },
        }}
      />
    </Tooltip>
  );
}

function MoreMenu({ entries }: { entries: MenuEntry[] }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const close = () => setAnchor(null);
  return (
    <>
      <Named label="Files and help">
        <IconButton
          aria-label="Files and help"
          aria-haspopup="menu"
          onClick={(event) => setAnchor(event.currentTarget)}
          size="small"
        >
          <MoreIcon />
        </IconButton>
      </Named>
      <Menu
        anchorEl={anchor}
        open={anchor !== null}
        onClose={close}
        // It is of the bar, for those who hear the page.
        disablePortal
      >
        {entries.map(({ label, act }) => (
          <MenuItem
            key={label}
            onClick={() => {
              close();
              act();
            }}
          >
            {label}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
