import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { READS } from '@/core/instruments/protocol';
import type { Device } from '@/core/instruments/protocol';
import { INSTRUMENT_KINDS, USUAL_BAUD, instrumentSchema } from '@/core/model/instruments';
import {
  parseAngle,
  parseLength,
  parseNumber,
  printLength,
  readable,
  unitName,
} from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { DEVICE_WORDS } from './instruments';
import { binInstrument, keepInstrument, useOwnInstruments } from './ownInstruments';

/** What is typed of a new instrument. */
const EMPTY = { name: '', plusMinus: '', baud: String(USUAL_BAUD), note: '' };
type Typed = typeof EMPTY;

/** The workshop's instruments: their names and ± go with every reading that they take. */
export function OwnInstruments({ unit, onClose }: { unit: LengthUnit; onClose: () => void }) {
  const { list, gone } = useOwnInstruments();
  const [device, setDevice] = useState<Device>('level');
  const [typed, setTyped] = useState<Typed>(EMPTY);
  const [wrong, setWrong] = useState<Partial<Record<keyof Typed, string>>>({});
  const [why, setWhy] = useState('');
  const ending = READS[device] === 'deg' ? '°' : unit;
  const add = async () => {
    const plusMinus =
      READS[device] === 'deg' ? parseAngle(typed.plusMinus) : parseLength(typed.plusMinus, unit);
    const baud = parseNumber(typed.baud);
    const said: typeof wrong = {};
    if (!plusMinus.ok) said.plusMinus = plusMinus.why;
    if (!baud.ok) said.baud = baud.why;
    const read = instrumentSchema.safeParse({
      ...{ id: crypto.randomUUID(), device, name: typed.name, note: typed.note },
      plusMinus: plusMinus.ok ? plusMinus.value : 1,
      baud: baud.ok ? baud.value : USUAL_BAUD,
    });
    if (!read.success)
      for (const { path, message } of read.error.issues) said[path[0] as keyof Typed] ??= message;
    setWrong(said);
    if (Object.keys(said).length > 0 || !read.success) return;
    const refused = await keepInstrument(read.data);
    setWhy(refused);
    if (refused === '') setTyped(EMPTY);
  };
  const field = (name: keyof Typed, label: string, width: number) => (
    <TextField
      size="small"
      label={label}
      value={typed[name]}
      error={wrong[name] !== undefined}
      helperText={wrong[name]}
      onChange={(event) => {
        setTyped((now) => ({ ...now, [name]: event.target.value }));
        setWrong((now) => ({ ...now, [name]: undefined }));
      }}
      sx={{ width }}
    />
  );
  const bin = async (id: string, away: boolean) => setWhy(await binInstrument(id, away));
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="own-instruments">
      <DialogTitle id="own-instruments">Instruments of the workshop</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5, alignContent: 'start' }}>
        {list?.length === 0 && (
          <Typography variant="body2">
            None yet. A reading taken with one carries its name and its ±.
          </Typography>
        )}
        {list?.map(({ id, name, device: of, plusMinus, baud, note }) => (
          <Box key={id} sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
            <Typography variant="body2" sx={{ flex: 1 }}>
              <strong>{name}</strong>, {DEVICE_WORDS[of]}, ±{' '}
              {READS[of] === 'deg'
                ? `${plusMinus}°`
                : `${readable(printLength(plusMinus, unit))} ${unitName(unit)}`}
              , {baud} baud{note === '' ? '' : `. ${note}`}
            </Typography>
            <Button size="small" onClick={() => void bin(id, true)} aria-label={`Away: ${name}`}>
              Away
            </Button>
          </Box>
        ))}
        {gone.length > 0 && (
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
            <Typography variant="caption">Taken away:</Typography>
            {gone.map(({ id, name }) => (
              <Button
                key={id}
                size="small"
                onClick={() => void bin(id, false)}
                aria-label={`Get back: ${name}`}
              >
                {name}: get back
              </Button>
            ))}
          </Box>
        )}
        <Box
          component="form"
          aria-label="Add an instrument"
          sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, pt: 1 }}
          onSubmit={(event) => {
            event.preventDefault();
            void add();
          }}
        >
          {field('name', 'called', 190)}
          <TextField
            select
            size="small"
            label="what it is"
            value={device}
            onChange={(event) => setDevice(event.target.value as Device)}
            sx={{ width: 170 }}
          >
            {INSTRUMENT_KINDS.map((one) => (
              <MenuItem key={one} value={one}>
                {DEVICE_WORDS[one]}
              </MenuItem>
            ))}
          </TextField>
          {field('plusMinus', `± of a reading, ${ending}`, 140)}
          {field('baud', 'baud', 90)}
          {field('note', 'note', 190)}
          <Button type="submit" variant="outlined">
            Add it
          </Button>
        </Box>
        {why !== '' && (
          <Typography variant="body2" role="alert">
            {why}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
