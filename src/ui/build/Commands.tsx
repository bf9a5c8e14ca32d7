import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import TextField from '@mui/material/TextField';
import { memo } from 'react';

export interface Command {
  name: string;
  /** What of the page it is of: the list is parted by that. */
  of: string;
  /** Its own keys, where it has any. */
  keys?: string;
  act: () => void;
}

/** Everything that can be done on the page, by its name. */
export const Commands = memo(function Commands({
  open,
  commands,
  onClose,
}: {
  open: boolean;
  commands: readonly Command[];
  onClose: () => void;
}) {
  return (
    <Dialog
      open={open}
      onClose={onClose}
      fullWidth
      maxWidth="xs"
      slotProps={{ paper: { 'aria-label': 'Do by name' } }}
    >
      <DialogContent sx={{ height: 460 }}>
        <Autocomplete
          open
          autoHighlight
          disablePortal
          options={commands}
          groupBy={({ of }) => of}
          getOptionLabel={({ name, keys }) => (keys ? `${name} (${keys})` : name)}
          onChange={(_, picked) => {
            if (!picked) return;
            onClose();
            picked.act();
          }}
          // The list is always open: Escape goes to it, and is meant for the dialog.
          onClose={(_, reason) => reason === 'escape' && onClose()}
          renderGroup={({ key, group, children }) => (
            <Box component="div" key={key} role="group" aria-label={group}>
              <Box
                aria-hidden="true"
                sx={{ px: 2, pt: 1, fontSize: 12.5, color: 'text.secondary', fontWeight: 600 }}
              >
                {group}
              </Box>
              <Box component="ul" role="presentation" sx={{ p: 0, listStyle: 'none' }}>
                {children}
              </Box>
            </Box>
          )}
          noOptionsText="Nothing is called that."
          renderInput={(params) => (
            <TextField {...params} autoFocus label="What is to be done" size="small" />
          )}
          slotProps={{ listbox: { sx: { maxHeight: 360 } } }}
        />
      </DialogContent>
    </Dialog>
  );
});
