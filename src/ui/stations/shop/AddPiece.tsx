import AddIcon from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import ListItemText from '@mui/material/ListItemText';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import type { AxleName } from '@/core/model/build';
import { PIECES, PIECE_KINDS } from '@/core/model/pieces';
import type { PieceKind } from '@/core/model/pieces';

const PLATES = PIECE_KINDS.filter((kind) => PIECES[kind].plate);
const OTHERS = PIECE_KINDS.filter((kind) => !PIECES[kind].plate);

/** A plate or another part that is made besides what lies between two joints. */
export function AddPiece({
  axle,
  disabled,
  onAdd,
}: {
  axle: AxleName;
  disabled: boolean;
  onAdd: (kind: PieceKind) => void;
}) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const item = (kind: PieceKind) => (
    <MenuItem
      key={kind}
      dense
      onClick={() => {
        setAt(null);
        onAdd(kind);
      }}
    >
      <ListItemText primary={PIECES[kind].name} secondary={PIECES[kind].says} />
    </MenuItem>
  );
  return (
    <>
      <Button
        size="small"
        startIcon={<AddIcon />}
        aria-haspopup="menu"
        aria-expanded={at !== null}
        disabled={disabled}
        onClick={(event) => setAt(event.currentTarget)}
        sx={{ mb: 0.5 }}
      >
        Plate or part, {axle}
      </Button>
      <Menu
        anchorEl={at}
        open={at !== null}
        onClose={() => setAt(null)}
        slotProps={{ list: { 'aria-label': `Plates and parts, ${axle}` } }}
      >
        {PLATES.map(item)}
        <Divider component="li" />
        {OTHERS.map(item)}
      </Menu>
    </>
  );
}
