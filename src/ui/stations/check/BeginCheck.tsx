import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { AxleName, Build, Check, Side } from '@/core/model/build';
import { READ_SIDES, TOUCHED } from '@/core/model/checks';
import type { ReadSide, Touched } from '@/core/model/checks';
import { Choice } from '../../fields/Choice';
import { begunCheck } from './begin';
import { CheckCaution } from './CheckCaution';

const MOVED = ['wheel', 'chassis'] as const;
const MOVED_WORDS = {
  wheel: 'the wheel, car on stands',
  chassis: 'the chassis, tyres on the floor',
};
const ON_WORDS: Record<Touched, string> = { tyre: 'tyre', rim: 'rim', hub: 'bare hub or disc' };

/** What a check is of, before the first reading. */
export function BeginCheck({
  build,
  axle,
  side,
  onBegin,
  onLeave,
}: {
  build: Build;
  axle: AxleName;
  side: Side;
  onBegin: (check: Check) => void;
  onLeave: (() => void) | null;
}) {
  const [sides, setSides] = useState<ReadSide>(side);
  const [moved, setMoved] = useState<Check['moved']>('wheel');
  const [on, setOn] = useState<Touched>('tyre');
  const [name, setName] = useState('');
  const [by, setBy] = useState('');
  const usual = `${axle} ${sides === 'both' ? 'wheels' : `${sides} wheel`}, ${new Date().toISOString().slice(0, 10)}`;
  return (
    <Box
      component="form"
      aria-label="Begin a check"
      sx={{ display: 'grid', alignContent: 'start', gap: 1.25, maxWidth: 560 }}
      onSubmit={(event) => {
        event.preventDefault();
        onBegin(
          begunCheck(build, {
            ...{ axle, sides, moved, on },
            name: name.trim() || usual,
            by: by.trim(),
          }),
        );
      }}
    >
      <Typography variant="h3">Begin a check of the {axle} axle as it is drawn now</Typography>
      <Typography variant="body2">
        Springs out, steering locked straight. Move the wheel from droop to bump, read it at every
        height; what is read is held against the drawing at once.
      </Typography>
      <Row label="Which wheel">
        <Choice label="Which wheel" value={sides} options={READ_SIDES} onPick={setSides} />
      </Row>
      <Row label="What is moved">
        <Choice
          label="What is moved"
          value={moved}
          options={MOVED}
          words={MOVED_WORDS}
          onPick={setMoved}
        />
      </Row>
      {moved === 'chassis' && (
        <Typography variant="body2">
          Tyres that stay on the floor scrub sideways as the chassis moves: let them stand on plates
          that slide. Readings of where the wheel stands are trusted less.
        </Typography>
      )}
      <Row label="Read on">
        <Choice label="Read on" value={on} options={TOUCHED} words={ON_WORDS} onPick={setOn} />
      </Row>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <TextField
          label="Called"
          size="small"
          value={name}
          placeholder={usual}
          onChange={(event) => setName(event.target.value.slice(0, 80))}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ width: 300 }}
        />
        <TextField
          label="Read by"
          size="small"
          value={by}
          onChange={(event) => setBy(event.target.value.slice(0, 80))}
          sx={{ width: 160 }}
        />
      </Box>
      <CheckCaution />
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button type="submit" variant="contained">
          Begin
        </Button>
        {onLeave && <Button onClick={onLeave}>Not now</Button>}
      </Box>
    </Box>
  );
}

const Row = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
    <Typography variant="body2" sx={{ width: 108 }}>
      {label}
    </Typography>
    {children}
  </Box>
);
