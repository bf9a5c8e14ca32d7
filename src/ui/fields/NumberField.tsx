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
  unitName,
} from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { useView } from '../build/viewStore';
import { FIGURES, PAPER } from '../theme';
import { useTypedNumber } from './useTypedNumber';
import type { TypedNumber } from './useTypedNumber';

interface FieldProps {
  label: string;
  /** Undefined where nothing was typed yet. */
  value: number | undefined;
  schema: z.ZodType<number | undefined>;
  onValue: TypedNumber['onValue'];
  onClear?: TypedNumber['onClear'];
  /** Makes a sketch of it again, where what was typed over one is taken back. */
  onUnsay?: TypedNumber['onUnsay'];
  /** What stands in an empty field. */
  placeholder?: string;
  /** Beside what is typed: where a figure comes from. */
  note?: string;
  struck?: boolean;
  /** Nobody has said the value: it is shown as what stands in for it. */
  sketched?: boolean;
  width?: number;
  disabled?: boolean;
}

/** A length: any notation a builder types, shown in the window's unit. */
export const LengthField = ({ unit, ...props }: FieldProps & { unit: LengthUnit }) => (
  <Field
    {...props}
    ending={unitName(unit)}
    parse={(text) => parseLength(text, unit)}
    print={(mm) => printLength(mm, unit)}
  />
);

/** An angle: degrees and minutes are taken always, and shown where the window is set to. */
export function AngleField(props: FieldProps) {
  const angles = useView((view) => view.angles);
  return (
    <Field
      {...props}
      ending={angles === 'deg' ? '°' : ''}
      parse={parseAngle}
      print={(degrees) => printAngle(degrees, angles)}
    />
  );
}

/** Any other number, with what stands behind it: %, to 1, m. */
export const PlainField = ({ ending, ...props }: FieldProps & { ending: string }) => (
  <Field {...props} ending={ending} parse={parseNumber} print={(value) => trimmed(value, 3)} />
);

function Field({
  label,
  ending,
  width = 132,
  disabled,
  note,
  struck = false,
  sketched = false,
  ...given
}: FieldProps & Pick<TypedNumber, 'parse' | 'print'> & { ending: string }) {
  const placeholder =
    sketched && given.value !== undefined ? given.print(given.value) : given.placeholder;
  const { error, input, onKey } = useTypedNumber({ ...given, sketched });
  return (
    <TextField
      label={label}
      {...input}
      onKeyDown={onKey}
      disabled={disabled}
      error={error !== null}
      helperText={
        error === null ? note : held(sketched ? undefined : given.value, given.print, error)
      }
      placeholder={placeholder}
      sx={{ width, ...(struck && { '& input': { textDecoration: 'line-through' } }) }}
      slotProps={{
        input: {
          endAdornment: <InputAdornment position="end">{ending}</InputAdornment>,
          sx: {
            fontFamily: FIGURES,
            fontWeight: 500,
            ...(sketched && {
              '& input::placeholder': { color: PAPER.soft, opacity: 1, fontStyle: 'italic' },
            }),
          },
        },
        htmlInput: { inputMode: 'text', autoComplete: 'off', spellCheck: false },
        ...(placeholder !== undefined && { inputLabel: { shrink: true } }),
        formHelperText: { sx: { mx: 0 } },
      }}
    />
  );
}

/** Why a text is no value, and what holds instead. */
const held = (
  value: number | undefined,
  print: (value: number) => string,
  error: string,
): string => (value === undefined ? error : `${error}; ${print(value)} holds`);
