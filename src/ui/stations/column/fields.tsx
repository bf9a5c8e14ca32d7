import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { FITS, fitSchema } from '@/core/model/column';
import type { Fit } from '@/core/model/column';
import { PLACE_WAYS } from '@/core/model/place';
import type { CarPlace, PlaceWay } from '@/core/model/place';
import type { LengthUnit } from '@/core/model/units';
import { coordinate } from '@/core/model/wording';
import { LengthField, PlainField } from '../../fields/NumberField';

/** Width of a figure's field, px. */
export const FIELD = 108;

/** Fields in rows, as many as fit. */
export const Row = ({ children }: { children: ReactNode }) => (
  <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1, rowGap: 1.5, py: 1 }}>{children}</Box>
);

/** A place by its three figures. */
export const PlaceFields = ({
  label,
  place,
  unit,
  width = FIELD + 22,
  onValue,
}: {
  label: string;
  place: Partial<CarPlace> | undefined;
  unit: LengthUnit;
  width?: number;
  onValue: (way: PlaceWay, mm: number, step: string) => void;
}) => (
  <>
    {PLACE_WAYS.map((way) => (
      <LengthField
        key={way}
        label={`${label}, ${way}`}
        value={place?.[way]}
        unit={unit}
        placeholder=""
        schema={coordinate}
        onValue={(mm, step) => onValue(way, mm, step)}
        width={width}
      />
    ))}
  </>
);

/** One of a few words, picked from a list. */
export function PickField<T extends string>({
  label,
  value,
  options,
  words,
  width = 150,
  onPick,
}: {
  label: string;
  value: T;
  options: readonly T[];
  words?: Partial<Record<T, string>>;
  width?: number;
  onPick: (value: T) => void;
}) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(event) => onPick(event.target.value as T)}
      sx={{ width }}
    >
      {options.map((option) => (
        <MenuItem key={option} value={option}>
          {words?.[option] ?? option}
        </MenuItem>
      ))}
    </TextField>
  );
}

const START: Fit = { by: 'spline', diameter: 16 };

/** How one end grips: by what, across what, with how many teeth, how deep. */
export function FitFields({
  label,
  fit,
  unit,
  onFit,
}: {
  label: string;
  fit: Fit | undefined;
  unit: LengthUnit;
  onFit: (fit: Fit | undefined, step?: string) => void;
}) {
  const put = (change: Partial<Fit>, step?: string) =>
    onFit({ ...(fit ?? START), ...change }, step);
  const without = (key: 'teeth' | 'depth', step?: string) => {
    const { [key]: _, ...rest } = fit ?? START;
    onFit(rest as Fit, step);
  };
  return (
    <>
      <PickField
        label={label}
        value={fit?.by ?? NOT_SAID}
        options={[NOT_SAID, ...FITS] as const}
        onPick={(by) => (by === NOT_SAID ? onFit(undefined) : put({ by }))}
        width={132}
      />
      {fit && (
        <LengthField
          label={`${label}: across`}
          value={fit.diameter}
          unit={unit}
          schema={fitSchema.shape.diameter}
          onValue={(diameter, step) => put({ diameter }, step)}
          width={FIELD + 34}
        />
      )}
      {fit?.by === 'spline' && (
        <PlainField
          label={`${label}: teeth`}
          ending=""
          value={fit.teeth}
          schema={fitSchema.shape.teeth.unwrap()}
          onValue={(teeth, step) => put({ teeth }, step)}
          placeholder=""
          onClear={(step) => without('teeth', step)}
          width={FIELD + 16}
        />
      )}
      {fit && fit.by !== 'weld' && (
        <LengthField
          label={`${label}: deep`}
          value={fit.depth}
          unit={unit}
          schema={fitSchema.shape.depth.unwrap()}
          onValue={(depth, step) => put({ depth }, step)}
          placeholder=""
          onClear={(step) => without('depth', step)}
          width={FIELD + 26}
        />
      )}
    </>
  );
}
const NOT_SAID = 'not said';
