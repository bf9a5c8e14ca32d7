'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { nameSchema } from '@/core/model/build';
import { USUAL_KIND } from '@/core/model/starts';
import type { NewBuild } from '@/core/model/starts';
import { NARROW } from '../theme';
import { KindList } from './KindList';

const formSchema = z.object({ name: nameSchema });

/** Asks what the new build is called, and what its corners are. */
export function NewBuildDialog({
  open,
  onClose,
  onStart,
}: {
  open: boolean;
  onClose: () => void;
  onStart: (build: NewBuild) => void;
}) {
  const { register, handleSubmit, reset, formState } = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: { name: '' },
  });
  const [front, setFront] = useState<string>(USUAL_KIND);
  const [rear, setRear] = useState<string | null>(null);
  const clear = () => {
    reset();
    setFront(USUAL_KIND);
    setRear(null);
  };
  const close = () => {
    clear();
    onClose();
  };
  const problem = formState.errors.name?.message;
  return (
    <Dialog open={open} onClose={close} aria-labelledby="new-build" fullWidth maxWidth="md">
      <form
        noValidate
        onSubmit={(event) =>
          void handleSubmit(({ name }) => {
            onStart({ name, front, ...(rear !== null && { rear }) });
            clear();
          })(event)
        }
      >
        <DialogTitle id="new-build">New build</DialogTitle>
        <DialogContent>
          <TextField
            {...register('name')}
            label="Name"
            autoFocus
            fullWidth
            margin="dense"
            error={problem !== undefined}
            helperText={
              problem
                ? `The name ${problem}`
                : 'It opens at its brief, empty: a sketch of the kinds below stands in until it is set.'
            }
          />
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: '1fr 1fr',
              gap: 2,
              [NARROW]: { gridTemplateColumns: 'minmax(0, 1fr)' },
            }}
          >
            <KindList label="Front corners" end="front" value={front} onPick={setFront} />
            <KindList label="Rear corners" end="rear" value={rear} none onPick={setRear} />
          </Box>
        </DialogContent>
        <DialogActions>
          <Button onClick={close}>Cancel</Button>
          <Button type="submit" variant="contained">
            Start
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
