'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import List from '@mui/material/List';
import ListItem from '@mui/material/ListItem';
import ListItemButton from '@mui/material/ListItemButton';
import ListItemText from '@mui/material/ListItemText';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { ReactNode } from 'react';
import type { Part, PartKind } from '@/core/model/parts';
import { shelf } from '@/server/actions';
import { inBrief } from './kinds';

type PartOf<K extends PartKind> = Extract<Part, { kind: K }>;

/** Lets somebody take a part of one kind from the shelf. The build gets a copy, which stays editable. */
export function ShelfPicker<K extends PartKind>({
  kind,
  title,
  open,
  onClose,
  onPick,
  children,
}: {
  kind: K;
  title: string;
  open: boolean;
  onClose: () => void;
  onPick: (part: PartOf<K>) => void;
  /** Anything to be decided beside which part. */
  children?: ReactNode;
}) {
  const [parts, setParts] = useState<PartOf<K>[] | null>(null);
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    if (!open) return;
    void shelf().then(
      (answer) => {
        if (!answer.ok) setTrouble(answer.message);
        else
          setParts(
            answer.value.flatMap(({ part }) => (part?.kind === kind ? [part as PartOf<K>] : [])),
          );
      },
      () => setTrouble('The shelf cannot be reached: is Havrik still running?'),
    );
  }, [open, kind]);
  return (
    <Dialog open={open} onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="shelf-title">
      <DialogTitle id="shelf-title">{title}</DialogTitle>
      <DialogContent>
        {children}
        {trouble !== '' && <Typography color="error">{trouble}</Typography>}
        {parts?.length === 0 && (
          <Typography>
            There is none on the shelf yet. <Link href="/shelf">Put one there</Link>
          </Typography>
        )}
        <List dense>
          {parts?.map((part) => (
            <ListItem key={part.name} disablePadding>
              <ListItemButton
                onClick={() => {
                  onPick(part);
                  onClose();
                }}
              >
                <ListItemText primary={part.name} secondary={inBrief(part)} />
              </ListItemButton>
            </ListItem>
          ))}
        </List>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
      </DialogActions>
    </Dialog>
  );
}
