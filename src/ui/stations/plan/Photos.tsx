import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import { useSnackbar } from 'notistack';
import { useRef, useState } from 'react';
import { z } from 'zod';
import type { Build } from '@/core/model/build';
import { MOST_PHOTOS } from '@/core/model/plan';
import type { Photo } from '@/core/model/plan';
import { cutTo } from '@/core/model/wording';
import { addPhoto, takePhotoAway } from '@/core/plan/write';
import { PAPER } from '../../theme';

const answerSchema = z.object({ id: z.uuid() });
const refusalSchema = z.object({ message: z.string() });

const addressOf = (id: string) => `/api/photos/${id}`;

/** Photos of a step: made smaller and stripped of where they were taken by the server that keeps them. */
export function Photos({
  id,
  photos,
  onEdit,
}: {
  id: string;
  photos: readonly Photo[];
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const { enqueueSnackbar } = useSnackbar();
  const [sending, setSending] = useState(0);
  const [open, setOpen] = useState<Photo | null>(null);
  const send = async (file: File) => {
    setSending((count) => count + 1);
    try {
      const response = await fetch('/api/photos', { method: 'POST', body: file });
      const body: unknown = await response.json();
      if (!response.ok) throw new Error(refusalSchema.parse(body).message);
      const photo: Photo = {
        id: answerSchema.parse(body).id,
        name: cutTo(file.name, 120) || 'photo',
        at: new Date().toISOString(),
      };
      onEdit((draft) => addPhoto(draft, id, photo));
    } catch (error) {
      const why =
        error instanceof TypeError ? 'Havrik’s server does not answer' : (error as Error).message;
      enqueueSnackbar(`${file.name}: ${why}`, { variant: 'error' });
    } finally {
      setSending((count) => count - 1);
    }
  };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
      {photos.map((photo) => (
        <Box
          component="button"
          type="button"
          key={photo.id}
          onClick={() => setOpen(photo)}
          aria-label={`Photo ${photo.name}`}
          sx={{ p: 0, border: `1px solid ${PAPER.line}`, bgcolor: PAPER.sheet, cursor: 'zoom-in' }}
        >
          {/* A picture of the workshop's own, as large as it is kept. */}
          {/* eslint-disable-next-line @next/next/no-img-element */}
          <img
            src={addressOf(photo.id)}
            alt={photo.name}
            height={72}
            style={{ display: 'block' }}
          />
        </Box>
      ))}
      <input
        ref={input}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        multiple
        hidden
        aria-label="Photos"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])].slice(0, MOST_PHOTOS - photos.length);
          event.target.value = '';
          for (const file of files) void send(file);
        }}
      />
      <Button
        size="small"
        disabled={photos.length + sending >= MOST_PHOTOS}
        onClick={() => input.current?.click()}
      >
        {sending > 0 ? 'Sending …' : 'Add photos …'}
      </Button>
      <Dialog
        open={open !== null}
        onClose={() => setOpen(null)}
        maxWidth="lg"
        slotProps={{ paper: { 'aria-label': open?.name ?? 'Photo' } }}
      >
        {open && (
          <DialogContent>
            {/* eslint-disable-next-line @next/next/no-img-element */}
            <img src={addressOf(open.id)} alt={open.name} style={{ maxWidth: '100%' }} />
            <p>
              {open.name}, {open.at.slice(0, 10)}
            </p>
          </DialogContent>
        )}
        <DialogActions>
          <Button
            onClick={() => {
              if (open) onEdit((draft) => takePhotoAway(draft, id, open.id));
              setOpen(null);
            }}
          >
            Take it off the step
          </Button>
          <Button onClick={() => setOpen(null)}>Close</Button>
        </DialogActions>
      </Dialog>
    </Box>
  );
}
