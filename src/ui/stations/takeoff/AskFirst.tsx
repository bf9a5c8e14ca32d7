'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogContentText from '@mui/material/DialogContentText';
import DialogTitle from '@mui/material/DialogTitle';

/** Asks before places that hang on tapes which contradict each other go into the model. */
export function AskFirst({
  points,
  onYes,
  onNo,
}: {
  /** What the points are called, with how far each may be off; null where nothing is asked. */
  points: string[] | null;
  onYes: () => void;
  onNo: () => void;
}) {
  return (
    <Dialog open={points !== null} onClose={onNo} aria-labelledby="ask-first">
      <DialogTitle id="ask-first">Tapes disagree</DialogTitle>
      <DialogContent>
        <DialogContentText component="div">
          These points hang on tapes that contradict each other by more than their ±. One of the
          tapes is wrong, and so may the point be:
          <ul>
            {points?.map((point) => (
              <li key={point}>{point}</li>
            ))}
          </ul>
          Measure again, or leave the wrong tape out. They can go into the model as they are, with a
          ± as large as the tapes allow.
        </DialogContentText>
      </DialogContent>
      <DialogActions>
        <Button onClick={onYes}>Put them in as they are</Button>
        <Button variant="contained" onClick={onNo} autoFocus>
          Not yet
        </Button>
      </DialogActions>
    </Dialog>
  );
}
