import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { styled } from '@mui/material/styles';
import { useMemo, useRef, useState } from 'react';
import { HEIGHT_TABLE, nextHeight, plannedTravels, travelOf } from '@/core/check/heights';
import { METHOD_TABLE } from '@/core/check/methods';
import { Wheel } from '@/core/kinematics/wheel';
import type { KeptCheck } from '@/core/model/build';
import { METHODS, readingSchema } from '@/core/model/checks';
import type { CheckReading, MethodId, ReadSide } from '@/core/model/checks';
import {
  parseAngle,
  parseLength,
  parseNumber,
  printAngle,
  printLength,
  readable,
  unitName,
} from '@/core/model/units';
import type { LengthUnit, Parsed } from '@/core/model/units';
import { buildIdIn } from '../../build/place';
import { Choice } from '../../fields/Choice';
import { Toggle } from '../../fields/Toggle';
import { FIGURES, PHONE } from '../../theme';
import { Instruments } from './Instruments';
import type { Used } from './Instruments';
import { BACK, LargeKeys } from './LargeKeys';
import { soundTaken, useManners } from './tone';

const WAYS = ['up', 'down'] as const;
const SIDES = ['left', 'right'] as const;

type Field = 'height' | 'first' | 'second' | 'plusMinus';

/** Which way of reading an instrument is, where it is one. */
const METHOD_OF: Readonly<Record<Used['device'], MethodId | null>> = {
  level: 'level',
  pointer: 'wall',
  dials: 'dials',
  height: null,
};

/** Takes readings, one after another: the next height is prompted, a tone says that one was taken. */
export function Entry({
  check,
  travel,
  unit,
  onTake,
  onTakeBack,
}: {
  check: KeptCheck;
  travel: { bump: number; droop: number };
  unit: LengthUnit;
  onTake: (reading: CheckReading) => void;
  /** Takes the last one back; null where there is none. */
  onTakeBack: (() => void) | null;
}) {
  const manners = useManners();
  // A car that is not there is read by simulated instruments alone.
  const trained = check.training !== undefined;
  const methods = trained ? READ_BY_DEVICE : METHODS;
  const [method, setMethod] = useState<MethodId>(
    trained ? 'dials' : check.sides === 'both' ? 'tape' : 'strings',
  );
  const [picked, setPicked] = useState<'left' | 'right'>(
    check.sides === 'right' ? 'right' : 'left',
  );
  const [going, setGoing] = useState<'up' | 'down'>('up');
  const [texts, setTexts] = useState<Record<Field, string | null>>(EMPTY);
  const [wrong, setWrong] = useState<Partial<Record<Field, string>>>({});
  const [active, setActive] = useState<Field>('first');
  const [listens, setListens] = useState(trained);
  /** What an instrument put into the fields: a reading is its own as long as nobody types over it. */
  const [used, setUsed] = useState<{ from: string; first: string; second: string } | null>(null);
  const first = useRef<HTMLInputElement>(null);
  const table = METHOD_TABLE[method];
  const side: ReadSide = table.ofBoth ? 'both' : picked;
  const round = check.rounds.length;
  const { setup, moved, drawn, axle } = check;
  const isSweep = method === 'sweep';

  const ofSide = side === 'right' ? 'right' : 'left';
  const corner = useMemo(
    () => new Wheel(axle, ofSide, drawn, travel).corner,
    [axle, ofSide, drawn, travel],
  );
  const planned = isSweep ? [0] : plannedTravels(travel);
  const prompted =
    corner &&
    nextHeight(
      going === 'up' ? planned : planned.reverse(),
      check.readings.filter(
        (one) =>
          one.method === method &&
          one.side === side &&
          one.round === round &&
          (one.going ?? 'up') === going,
      ),
      ...([setup, corner, drawn.damper, moved] as const),
    );
  const heightUnit = HEIGHT_TABLE[setup.heightBy].unit;
  const printHeight = (raw: number) =>
    heightUnit === 'mm'
      ? printLength(Math.round(raw * 10) / 10, unit)
      : String(Math.round(raw * 100) / 100);
  const printValue = (value: number) =>
    table.unit === 'mm' ? printLength(value, unit) : printAngle(value);
  const shown: Record<Field, string> = {
    height: texts.height ?? (prompted ? printHeight(prompted.raw) : ''),
    first: texts.first ?? '',
    second: texts.second ?? '',
    plusMinus: texts.plusMinus ?? printValue(table.usual),
  };
  const parseValue = (text: string): Parsed =>
    table.unit === 'mm' ? parseLength(text, unit) : parseAngle(text);

  const typedHeight =
    heightUnit === 'mm' ? parseLength(shown.height, unit) : parseNumber(shown.height);
  const standsAt =
    corner && typedHeight.ok
      ? travelOf(typedHeight.value, setup, corner, drawn.damper, moved)
      : null;
  const putIn = ({ device, values, from, plusMinus }: Used) => {
    const way = METHOD_OF[device];
    if (way === null) {
      if (setup.heightBy !== 'hub') {
        setWrong({ height: 'is told otherwise: “set-up” takes a tape from the floor to the hub' });
        return;
      }
      write('height', printHeight(values['hub']));
      return;
    }
    const print = (value: number) =>
      METHOD_TABLE[way].unit === 'mm'
        ? printLength(Math.round(value * 1000) / 1000, unit)
        : printAngle(Math.round(value * 1000) / 1000);
    const [a, b] = way === 'dials' ? [values['front'], values['rear']] : [Object.values(values)[0]];
    const texts = { first: print(a), second: b === undefined ? '' : print(b) };
    setMethod(way);
    setWrong({});
    setTexts((now) => ({
      ...EMPTY,
      height: now.height,
      plusMinus: plusMinus !== undefined ? print(plusMinus) : way === method ? now.plusMinus : null,
      ...texts,
    }));
    setUsed({ from, ...texts });
  };
  const write = (field: Field, text: string) => {
    setTexts((now) => ({ ...now, [field]: text }));
    setWrong((now) => ({ ...now, [field]: undefined }));
  };
  const press = (key: string) => {
    const now =
      texts[active] ?? (active === 'height' || active === 'plusMinus' ? '' : shown[active]);
    if (key === BACK) write(active, now.slice(0, -1));
    else if (key === '−') write(active, now.startsWith('−') ? now.slice(1) : `−${now}`);
    else write(active, now + key);
  };

  const isAsHeard = used !== null && used.first === shown.first && used.second === shown.second;
  const take = () => {
    const said: Partial<Record<Field, string>> = {};
    const read = (field: Field, parsed: Parsed): number => {
      if (!parsed.ok) said[field] = parsed.why;
      return parsed.ok ? parsed.value : NaN;
    };
    const height = read('height', typedHeight);
    const values = [read('first', parseValue(shown.first))];
    const needsTwo = table.values.length === 2;
    if (needsTwo && (shown.second !== '' || table.single === null))
      values.push(read('second', parseValue(shown.second)));
    const plusMinus = read('plusMinus', parseValue(shown.plusMinus));
    if (trained && !isAsHeard) said.first = 'comes from an instrument here: put one in';
    if (plusMinus <= 0) said.plusMinus = 'is above 0: nothing is read exactly';
    if (Object.keys(said).length > 0) {
      setWrong(said);
      return;
    }
    const reading = readingSchema.safeParse({
      ...{ id: crypto.randomUUID(), at: new Date().toISOString(), side, round, height, method },
      ...{ values, plusMinus, going },
      unit: table.unit === 'mm' ? unitName(unit) : 'deg',
      ...(isAsHeard && { from: used.from }),
    });
    if (!reading.success) {
      const [issue] = reading.error.issues;
      setWrong({ [FIELD_OF[String(issue.path[0])] ?? 'first']: issue.message });
      return;
    }
    onTake(reading.data);
    soundTaken();
    setUsed(null);
    setTexts((now) => ({ ...EMPTY, plusMinus: now.plusMinus }));
    setActive('first');
    first.current?.focus();
  };

  const field = (name: Field, label: string, ending: string, width: number) => (
    <TextField
      label={label}
      size="small"
      value={shown[name]}
      inputRef={name === 'first' ? first : undefined}
      error={wrong[name] !== undefined}
      helperText={wrong[name]}
      onFocus={() => setActive(name)}
      onChange={(event) => write(name, event.target.value)}
      sx={{
        width,
        ...(active === name && manners.keys && { outline: '2px solid', outlineOffset: 1 }),
      }}
      slotProps={{
        inputLabel: { shrink: true },
        input: {
          endAdornment: <Ending>{ending}</Ending>,
          sx: { fontFamily: FIGURES, fontSize: 18 },
        },
        htmlInput: {
          autoComplete: 'off',
          // The page's own keys stand below: the telephone's would hide them.
          inputMode: manners.keys ? 'none' : 'text',
        },
      }}
    />
  );
  const ending = table.unit === 'mm' ? unitName(unit) : '°';
  return (
    <Box
      component="form"
      aria-label="Take a reading"
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
      sx={{ display: 'grid', gap: 1 }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <TextField
          select
          label="How it is read"
          size="small"
          value={method}
          onChange={(event) => {
            setMethod(event.target.value as MethodId);
            setTexts(EMPTY);
            setWrong({});
          }}
          sx={{ width: 224 }}
        >
          {methods.map((one) => (
            <MenuItem key={one} value={one}>
              {METHOD_TABLE[one].name}
            </MenuItem>
          ))}
        </TextField>
        {check.sides === 'both' && !table.ofBoth && (
          <Choice label="Wheel read" value={picked} options={SIDES} onPick={setPicked} />
        )}
        {!isSweep && (
          <Choice
            label="Which way the wheel came"
            value={going}
            options={WAYS}
            words={{ up: 'going up', down: 'going down' }}
            onPick={setGoing}
          />
        )}
      </Box>
      <Typography
        variant="body2"
        color="text.secondary"
        sx={{ [PHONE]: { fontSize: 12, lineHeight: 1.3 } }}
      >
        {table.how}
      </Typography>
      <Typography variant="body2" role="status" data-prompt sx={{ fontWeight: 600 }}>
        {prompted
          ? `Next: ${readable(printHeight(prompted.raw))} ${heightUnit === 'mm' ? unitName(unit) : 'turns'}${setup.heightBy === 'travel' ? ' of travel' : `, ${HEIGHT_TABLE[setup.heightBy].name} (${readable(printLength(prompted.travel, unit))} ${unitName(unit)} of travel)`}.`
          : 'Every planned height has been read this way: any other may be typed.'}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'flex-start' }}>
        {field('height', 'height', heightUnit === 'mm' ? unitName(unit) : 'turns', 94)}
        {field('first', table.values[0], ending, 110)}
        {table.values.length === 2 && field('second', table.values[1], ending, 110)}
        {field('plusMinus', '±', ending, 84)}
        {!manners.keys && (
          <Button type="submit" variant="contained" size="large" sx={{ minHeight: 42 }}>
            Take it
          </Button>
        )}
      </Box>
      {table.single !== null && table.values.length === 2 && shown.second === '' && (
        <Typography variant="caption" color="text.secondary">
          With one number alone it is taken for {table.single}.
        </Typography>
      )}
      {manners.keys && <LargeKeys onPress={press} />}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
        <Button size="small" disabled={onTakeBack === null} onClick={() => onTakeBack?.()}>
          Take the last one back
        </Button>
        <Button size="small" aria-expanded={listens} onClick={() => setListens((now) => !now)}>
          {listens ? 'Instruments away' : 'Instruments'}
        </Button>
        <Toggle label="large keys" on={manners.keys} onSwitch={(keys) => manners.set({ keys })} />
        <Toggle label="tone" on={manners.tone} onSwitch={(tone) => manners.set({ tone })} />
      </Box>
      {listens && (
        <Instruments
          wheel={{
            build: buildIdIn(window.location.pathname),
            check: check.id,
            side: ofSide,
            travel: standsAt ?? 0,
            going,
          }}
          trained={trained}
          unit={unit}
          onUse={putIn}
        />
      )}
    </Box>
  );
}

/** Ways of reading that a simulated instrument has. */
const READ_BY_DEVICE = METHODS.filter((one) => Object.values(METHOD_OF).includes(one));

const EMPTY: Record<Field, string | null> = {
  height: null,
  first: null,
  second: null,
  plusMinus: null,
};

/** Where a refusal of the schema is shown. */
const FIELD_OF: Record<string, Field> = {
  height: 'height',
  values: 'first',
  plusMinus: 'plusMinus',
};

const Ending = styled('span')({ fontSize: 14, opacity: 0.75 });
