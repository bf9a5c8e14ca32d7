import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { DEVICES, READS } from '@/core/instruments/protocol';
import { INSTRUMENT_KINDS } from '@/core/model/instruments';
import type { Device } from '@/core/instruments/protocol';
import { TROUBLE_NAMES } from '@/core/instruments/standIn';
import type { Trouble } from '@/core/instruments/standIn';
import { printAngle, printLength, readable, unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { FIGURES, PAPER, VERDICT } from '../../theme';
import { OwnInstruments } from './OwnInstruments';
import { DEVICE_WORDS, canSerial, pickPort, useHeardElsewhere, useInstrument } from './instruments';
import type { Source, Wheeled } from './instruments';
import { loadInstruments, useOwnInstruments } from './ownInstruments';

const TROUBLE_WORDS: Record<Trouble, string> = {
  none: 'as good as one from the drawer',
  noise: 'it trembles',
  drift: 'its nought walks',
  dropouts: 'lines get lost',
  units: 'it speaks inches or minutes',
  cable: 'its cable comes loose',
};

/** What an instrument read, to be put into the fields. */
export interface Used {
  device: Device;
  /** By channel, mm or degrees. */
  values: Readonly<Record<string, number>>;
  from: string;
  /** Of one of the workshop's own, mm or degrees. */
  plusMinus?: number;
}

/** Instruments that are listened to, and what they say. */
export function Instruments({
  wheel,
  trained,
  unit,
  onUse,
}: {
  wheel: Wheeled;
  /** On a car to train on: no instrument of one's own reads that, and what troubles another is not said. */
  trained: boolean;
  unit: LengthUnit;
  onUse: (used: Used) => void;
}) {
  const [sources, setSources] = useState<readonly Source[]>([]);
  const [device, setDevice] = useState<Device>('level');
  const [trouble, setTrouble] = useState<Trouble>('none');
  const { list: owned } = useOwnInstruments();
  const elsewhere = useHeardElsewhere();
  const [shows, setShows] = useState(false);
  const [own, setOwn] = useState('');
  useEffect(() => void loadInstruments(), []);
  const mine = new Set(sources.map(({ id }) => id));
  const others = elsewhere.filter(({ session }) => !mine.has(session));
  const add = (source: Source) => setSources((now) => [...now, source]);
  return (
    <Box component="section" aria-label="Instruments" sx={{ display: 'grid', gap: 1 }}>
      {sources.map((source) => (
        <Listening
          key={source.id}
          source={source}
          wheel={wheel}
          unit={unit}
          onUse={onUse}
          onStop={() => setSources((now) => now.filter((one) => one !== source))}
        />
      ))}
      {!trained && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
          {canSerial() && (
            <>
              <TextField
                select
                size="small"
                label="which of yours"
                value={owned?.some(({ id }) => id === own) ? own : ''}
                onChange={(event) => setOwn(event.target.value)}
                sx={{ width: 190 }}
              >
                <MenuItem value="">any other</MenuItem>
                {owned?.map(({ id, name }) => (
                  <MenuItem key={id} value={id}>
                    {name}
                  </MenuItem>
                ))}
              </TextField>
              <Button
                size="small"
                onClick={() =>
                  void pickPort().then((port) => {
                    const picked = owned?.find(({ id }) => id === own) ?? null;
                    if (port) add({ id: crypto.randomUUID(), of: 'serial', port, own: picked });
                  })
                }
              >
                Listen to the serial port
              </Button>
            </>
          )}
          {others.map(({ session, name }) => (
            <Button
              key={session}
              size="small"
              disabled={sources.some((one) => one.of === 'elsewhere' && one.session === session)}
              onClick={() => add({ id: crypto.randomUUID(), of: 'elsewhere', session, name })}
            >
              Listen in: {name}
            </Button>
          ))}
          <Button size="small" onClick={() => setShows(true)}>
            Instruments of the workshop
          </Button>
        </Box>
      )}
      {shows && <OwnInstruments unit={unit} onClose={() => setShows(false)} />}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <TextField
          select
          size="small"
          label="stand-in"
          value={device}
          onChange={(event) => setDevice(event.target.value as Device)}
          sx={{ width: 150 }}
        >
          {INSTRUMENT_KINDS.map((one) => (
            <MenuItem key={one} value={one}>
              {DEVICE_WORDS[one]}
            </MenuItem>
          ))}
        </TextField>
        {!trained && (
          <TextField
            select
            size="small"
            label="its trouble"
            value={trouble}
            onChange={(event) => setTrouble(event.target.value as Trouble)}
            sx={{ width: 220 }}
          >
            {TROUBLE_NAMES.map((one) => (
              <MenuItem key={one} value={one}>
                {TROUBLE_WORDS[one]}
              </MenuItem>
            ))}
          </TextField>
        )}
        <Button
          size="small"
          disabled={sources.length >= 5}
          onClick={() => add({ id: crypto.randomUUID(), of: 'stand-in', device, trouble, seed: 1 })}
        >
          Listen to it
        </Button>
      </Box>
      <Typography variant="caption" color="text.secondary">
        A stand-in is simulated: it reads a virtual car, its wheel at the height in the field.{' '}
        {!trained &&
          'That car is this drawing with every number off by chance within its ±: what it says is no reading of yours.'}
      </Typography>
    </Box>
  );
}

function Listening({
  source,
  wheel,
  unit,
  onUse,
  onStop,
}: {
  source: Source;
  wheel: Wheeled;
  unit: LengthUnit;
  onUse: (used: Used) => void;
  onStop: () => void;
}) {
  const { standing, quiet, trouble } = useInstrument(source, wheel);
  const { device, values, steady, lost, garbled, empty } = standing;
  const channels: readonly string[] = device ? DEVICES[device] : [];
  const print = (value: number) =>
    device && READS[device] === 'deg'
      ? `${readable(printAngle(Math.round(value * 1000) / 1000))}°`
      : `${readable(printLength(Math.round(value * 1000) / 1000, unit))} ${unitName(unit)}`;
  const all = channels.flatMap((channel) => {
    const value = values[channel];
    return typeof value === 'number' ? [[channel, value] as const] : [];
  });
  const whole = all.length > 0 && all.length === channels.length && !quiet && trouble === '';
  const { list: owned } = useOwnInstruments();
  // What another window hears is called as the workshop's own is.
  const own =
    source.of === 'serial'
      ? source.own
      : source.of === 'elsewhere'
        ? (owned?.find(({ name }) => name === source.name) ?? null)
        : null;
  const name =
    own?.name ?? `${source.of === 'stand-in' ? 'stand-in' : 'serial'} ${device ?? ''}`.trim();
  const other = own !== null && device !== null && own.device !== device;
  return (
    <Box
      data-instrument={device ?? 'none'}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 1.5,
        alignItems: 'center',
        p: 1,
        border: `1px solid ${PAPER.line}`,
        borderRadius: 1,
      }}
    >
      <Typography variant="body2" sx={{ fontWeight: 600 }}>
        {own && `${own.name}: `}
        {device ? DEVICE_WORDS[device] : 'nothing heard yet'}
      </Typography>
      {all.map(([channel, value]) => (
        <span key={channel}>
          <Typography component="span" variant="caption" color="text.secondary">
            {channel}{' '}
          </Typography>
          <output style={{ fontFamily: FIGURES, fontSize: 20 }}>{print(value)}</output>
        </span>
      ))}
      <Typography variant="body2" role="status">
        {other
          ? `△ This is no ${DEVICE_WORDS[own.device]}: another instrument hangs on this cable.`
          : trouble !== ''
            ? `△ ${trouble}`
            : quiet
              ? '△ Nothing comes: look at its cable.'
              : steady
                ? '● stands still'
                : '○ moves'}
      </Typography>
      {lost + garbled + empty > 0 && (
        <Typography variant="caption" sx={{ color: VERDICT.edge }}>
          {lost} lost, {garbled} garbled, {empty} without a value
        </Typography>
      )}
      <Box sx={{ flex: 1 }} />
      <Button
        size="small"
        variant="outlined"
        disabled={!whole || other}
        onClick={() =>
          device &&
          onUse({
            ...{ device, values: Object.fromEntries(all), from: name },
            ...(own && { plusMinus: own.plusMinus }),
          })
        }
      >
        Put it in
      </Button>
      <Button size="small" onClick={onStop}>
        Stop
      </Button>
    </Box>
  );
}
