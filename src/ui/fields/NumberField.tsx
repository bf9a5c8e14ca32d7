'use client';

import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';
import type { z } from 'zod';
import {
  parseAngle,
  parseLength,
  parseNumber,
  printAngle,
  printLength,
  trimmed,
} from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { FIGURES } from '../theme';
import { useTypedNumber } from './useTypedNumber';
import type { TypedNumber } from './useTypedNumber';

interface FieldProps {
  label: string;
  value: number;
  schema: z.ZodType<number>;
  onValue: TypedNumber['onValue'];
  width?: number;
  disabled?: boolean;
}

/** A length: any notation a builder types, shown in the window's unit. */
export const LengthField = ({ unit, ...props }: FieldProps & { unit: LengthUnit }) => (
  <Field
    {...props}
    ending={unit}
    parse={(text) => parseLength(text, unit)}
    print={(mm) => printLength(mm, unit)}
  />
);

/** An angle in degrees. */
export const AngleField = (props: FieldProps) => (
  <Field {...props} ending="°" parse={parseAngle} print={printAngle} />
);

/** Any other number, with what stands behind it: %, to 1, m. */
export const PlainField = ({ ending, ...props }: FieldProps & { ending: string }) => (
  <Field {...props} ending={ending} parse={parseNumber} print={(value) => trimmed(value, 3)} />
);

function Field({
  label,
  ending,
  width = 132,
  disabled,
  ...typed
}: FieldProps & Pick<TypedNumber, 'parse' | 'print'> & { ending: string }) {
  const { error, input, onKey } = useTypedNumber(typed);
  return (
    <TextField
      label={label}
      {...input}
      onKeyDown={onKey}
      disabled={disabled}
      error={error !== null}
      helperText={error ?? undefined}
      sx={{ width }}
      slotProps={{
        input: {
          endAdornment: <InputAdornment position="end">{ending}</InputAdornment>,
          sx: { fontFamily: FIGURES, fontWeight: 500 },
        },
        htmlInput: { inputMode: 'text', autoComplete: 'off', spellCheck: false },
        formHelperText: { sx: { mx: 0 } },
      }}
    />
  );
}
