import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { USUAL_STOCK, offPlace, placesOf, washersFor } from '@/core/freedoms/freedoms';
import { freedomSchema } from '@/core/model/freedoms';
import type { Freedom, FreedomKind } from '@/core/model/freedoms';
import { printLength, unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { coordinate as coordinateSchema, counted, measure } from '@/core/model/wording';
import { Choice } from '../fields/Choice';
import { LengthsField } from '../fields/LengthsField';
import { LengthField, PlainField } from '../fields/NumberField';
import { PAPER } from '../theme';

/** What may be said of a coordinate. */
export type FreedomChoice = FreedomKind | 'open';
export const FREEDOM_WORDS: Record<FreedomChoice, string> = {
  open: 'not decided',
  fixed: 'fixed: measured, welded',
  range: 'slot or loose bracket',
  choices: 'drilled holes, shelf arms',
  shims: 'washers and spacers',
  eccentric: 'eccentric bolt or bush',
  flip: 'plate that turns over',
  thread: 'rod end thread',
  plate: 'plate on the rack',
  rackWidth: 'rack narrowed or widened',
};

/** A freedom of a kind to start from, about where the point is. */
function startOf(kind: FreedomKind, now: number): Freedom {
  switch (kind) {
    case 'fixed':
      return { kind };
    case 'range':
      return { kind, min: now - 25, max: now + 25, step: 0 };
    case 'choices':
      return { kind, at: [now, now + 25, now + 50] };
    case 'shims':
      return { kind, base: now, stock: USUAL_STOCK, most: 2, way: 1 };
    case 'eccentric':
      return { kind, base: now, throw: 4 };
    case 'flip':
      return { kind, base: now, offset: 5 };
    case 'thread':
      return { kind, min: now - 6, max: now + 6, pitch: 1.5 };
    case 'plate':
      return { kind, min: now - 40, max: now + 40 };
    case 'rackWidth':
      return { kind, min: now - 60, max: now };
  }
}

/** What can still be changed of one coordinate: of what kind, and between which places. */
export function FreedomRow({
  coordinate,
  kinds,
  now,
  freedom,
  unit,
  onFreedom,
}: {
  coordinate: string;
  kinds: readonly FreedomChoice[];
  now: number;
  freedom: Freedom | undefined;
  unit: LengthUnit;
  onFreedom: (freedom: Freedom | null, step?: string) => void;
}) {
  return (
    <Box
      data-freedom={coordinate}
      sx={{ borderTop: `1px solid ${PAPER.line}`, pt: 1.25, pb: 1, mt: 0.75 }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1, rowGap: 1.25 }}>
        <TextField
          select
          label={coordinate}
          value={freedom?.kind ?? 'open'}
          onChange={(event) => {
            const kind = event.target.value as FreedomKind | 'open';
            onFreedom(kind === 'open' ? null : startOf(kind, now));
          }}
          sx={{ width: 200 }}
        >
          {kinds.map((kind) => (
            <MenuItem key={kind} value={kind}>
              {FREEDOM_WORDS[kind]}
            </MenuItem>
          ))}
        </TextField>
        {freedom && <Details freedom={freedom} now={now} unit={unit} onFreedom={onFreedom} />}
      </Box>
      {freedom && <Here freedom={freedom} now={now} unit={unit} />}
    </Box>
  );
}

function Details({
  freedom,
  now,
  unit,
  onFreedom,
}: {
  freedom: Freedom;
  now: number;
  unit: LengthUnit;
  onFreedom: (freedom: Freedom, step?: string) => void;
}) {
  const put = (change: object, step?: string): string | null => {
    const read = freedomSchema.safeParse({ ...freedom, ...change });
    if (read.success) onFreedom(read.data, step);
    return read.success ? null : read.error.issues[0].message;
  };
  const length = (
    label: string,
    key: string,
    value: number,
    schema: typeof coordinateSchema,
    width = 100,
  ) => (
    <LengthField
      label={label}
      value={value}
      unit={unit}
      schema={schema}
      onValue={(mm, step) => void put({ [key]: mm }, step)}
      width={width}
    />
  );
  // The same from where it is now, as far one way as the other.
  const evenly = (min: number, max: number) => Math.abs(min + max - 2 * now) < 1e-6;
  const around = 'min' in freedom && (
    <LengthField
      label="± from here"
      value={evenly(freedom.min, freedom.max) ? tidy((freedom.max - freedom.min) / 2) : undefined}
      placeholder="uneven"
      unit={unit}
      schema={measure('mm', 0, 500)}
      onValue={(by, step) => void put({ min: tidy(now - by), max: tidy(now + by) }, step)}
      width={100}
    />
  );
  switch (freedom.kind) {
    case 'fixed':
      return null;
    case 'range':
      return (
        <>
          {length('from', 'min', freedom.min, measure('mm', -10_000, freedom.max))}
          {length('to', 'max', freedom.max, measure('mm', freedom.min, 10_000))}
          {around}
          {length('step, 0 any', 'step', freedom.step, measure('mm', 0, 500), 108)}
        </>
      );
    case 'thread':
      return (
        <>
          {length('from', 'min', freedom.min, measure('mm', -10_000, freedom.max))}
          {length('to', 'max', freedom.max, measure('mm', freedom.min, 10_000))}
          {around}
          {length('pitch', 'pitch', freedom.pitch, measure('mm', 0.2, 10))}
        </>
      );
    case 'plate':
    case 'rackWidth':
      return (
        <>
          {length('from', 'min', freedom.min, measure('mm', -10_000, freedom.max))}
          {length('to', 'max', freedom.max, measure('mm', freedom.min, 10_000))}
          {around}
        </>
      );
    case 'eccentric':
      return (
        <>
          {length('middle', 'base', freedom.base, coordinateSchema, 108)}
          {length('throw, each way', 'throw', freedom.throw, measure('mm', 0.1, 50), 116)}
        </>
      );
    case 'flip':
      return (
        <>
          {length('flat', 'base', freedom.base, coordinateSchema, 108)}
          {length('hole off by', 'offset', freedom.offset, measure('mm', 0.1, 100), 108)}
        </>
      );
    case 'choices':
      return (
        <LengthsField
          label="holes at"
          value={freedom.at}
          unit={unit}
          onValue={(at) => put({ at })}
          width={210}
        />
      );
    case 'shims':
      return (
        <>
          {length('without any', 'base', freedom.base, coordinateSchema, 108)}
          <PlainField
            label="at most"
            ending="pcs"
            value={freedom.most}
            schema={MOST}
            onValue={(most, step) => void put({ most }, step)}
            width={96}
          />
          <LengthsField
            label="stock"
            value={freedom.stock}
            unit={unit}
            onValue={(stock) => put({ stock })}
            width={210}
          />
          <Choice
            label="They move it"
            value={freedom.way === 1 ? 'plus' : 'minus'}
            options={['plus', 'minus']}
            words={{ plus: '+', minus: '−' }}
            onPick={(way) => void put({ way: way === 'plus' ? 1 : -1 })}
          />
        </>
      );
  }
}

/** Sums of what was typed, without what adding leaves. */
const tidy = (mm: number): number => Math.round(mm * 1e6) / 1e6;

const MOST = measure('pcs', 1, 6).int('is no whole number');

/** Where the point is within its freedom. */
function Here({ freedom, now, unit }: { freedom: Freedom; now: number; unit: LengthUnit }) {
  const places = placesOf(freedom, now);
  const at = `${printLength(Math.round(now * 100) / 100, unit)} ${unitName(unit)}`;
  const off = offPlace(freedom, now) > (places ? 0.01 : 1e-6);
  const washers = freedom.kind === 'shims' ? washersFor(freedom, now) : null;
  return (
    <Typography variant="caption" component="div" color={off ? 'error' : 'text.secondary'}>
      {off ? `✕ now at ${at}, which it does not have` : `now at ${at}`}
      {washers &&
        (washers.length === 0
          ? ', no washer'
          : `: ${washers.map((mm) => printLength(mm, unit)).join(' + ')}`)}
      {freedom.kind === 'choices' || freedom.kind === 'shims' || freedom.kind === 'flip'
        ? `; ${counted(places!.length, 'place')}`
        : ''}
    </Typography>
  );
}
