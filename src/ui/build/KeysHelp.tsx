import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { memo } from 'react';

const KEYS: [keys: string, does: string][] = [
  ['↑ ↓', 'wheel up and down, 5 mm (with Shift 1 mm)'],
  ['← →', 'rack left and right, 2 mm (with Shift 1 mm)'],
  ['Page up, Page down', 'full bump, full droop'],
  ['Home', 'ride height, straight ahead'],
  [
    'On the floor',
    'drag a joint along its freedoms; wheel to zoom, drag to move, double click to let a view fill the floor',
  ],
  ['F', 'the next view fills the floor, then all of them again'],
  ['S', 'find the shim (Alt+S while typing)'],
  ['Enter, Esc', 'take the shim, leave it; Esc puts away what is looked at'],
  ['On the map: arrows', 'from place to place, 1 mm (with Shift 0.1 mm)'],
  ['Ctrl+Z, Ctrl+Shift+Z', 'undo, redo'],
  ['In the table: ↑ ↓ Enter Tab', 'from cell to cell'],
  ['In the table: Alt+↑, Alt+↓', '1 mm more, less (with Shift 0.1 mm)'],
  ['In the table: Esc', 'the value as it was'],
  ['Ctrl+K', 'anything by its name'],
  ['?', 'this list'],
];

export const KeysHelp = memo(function KeysHelp({
  open,
  onClose,
}: {
  open: boolean;
  onClose: () => void;
}) {
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', gap: 1, m: 0 }}>
          {KEYS.flatMap(([keys, does]) => [
            <Box component="dt" key={keys} sx={{ fontWeight: 600, pr: 3 }}>
              {keys}
            </Box>,
            <Box component="dd" key={does} sx={{ m: 0 }}>
              {does}
            </Box>,
          ])}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
});
