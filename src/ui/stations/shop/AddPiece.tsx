import AddIcon from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import ListItemText from '@mui/material/ListItemText';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useRef, useState } from 'react';
import type { AxleName } from '@/core/model/build';
import { PIECES, STARTED_KINDS } from '@/core/model/pieces';
import type { PlateShape, StartedKind } from '@/core/model/pieces';

import { cutTo } from '@/core/model/wording';
import { scanWorker } from '../../build/scanWorker';
import { useActions } from '../../useActions';

const PLATES = STARTED_KINDS.filter((kind) => PIECES[kind].plate);
const OTHERS = STARTED_KINDS.filter((kind) => !PIECES[kind].plate);

/** A plate or another part that is made besides what lies between two joints. */
export function AddPiece({
  axle,
  room,
  onAdd,
  onDrawn,
}: {
  axle: AxleName;
  /** How many more of them the axle takes. */
  room: number;
  onAdd: (kind: StartedKind) => void;
  /** Plates out of a drawing. */
  onDrawn: (shapes: PlateShape[], name: string) => void;
}) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const { say } = useActions();
  const take = async (file: File) => {
    const read = await scanWorker().outlines(file.name, await file.text());
    if (read.ok && read.shapes.length > room)
      say(
        `${file.name} has ${read.shapes.length} plates, there is room for ${room}: take some out first.`,
      );
    else if (read.ok) onDrawn(read.shapes, cutTo(file.name.replace(/\.[^.]*$/u, ''), 60));
    else say(`${read.why}.`);
  };
  const item = (kind: StartedKind) => (
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
        disabled={room === 0}
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
        <MenuItem
          dense
          onClick={() => {
            setAt(null);
            input.current?.click();
          }}
        >
          <ListItemText primary={PIECES.drawn.name} secondary={PIECES.drawn.says} />
        </MenuItem>
        <Divider component="li" />
        {OTHERS.map(item)}
      </Menu>
      <input
        ref={input}
        type="file"
        accept=".dxf"
        hidden
        aria-label="Plate from a drawing"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void take(file);
        }}
      />
    </>
  );
}
