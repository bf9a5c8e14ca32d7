'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { nameSchema } from '@/core/model/build';

const formSchema = z.object({ name: nameSchema });

/** Asks what the new build is called. */
export function NewBuildDialog({
  open,
  onClose,
  onName,
}: {
  open: boolean;
  onClose: () => void;
  onName: (name: string) => void;
}) {
  const { register, handleSubmit, reset, formState } = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: { name: '' },
  });
  const close = () => {
    reset();
    onClose();
  };
  const problem = formState.errors.name?.message;
  return (
    <Dialog open={open} onClose={close} aria-labelledby="new-build" fullWidth maxWidth="xs">
      <form
        noValidate
        onSubmit={(event) =>
          void handleSubmit(({ name }) => {
            reset();
            onName(name);
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
            helperText={problem ? `The name ${problem}` : 'It starts from a blank layout.'}
          />
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
