import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { z } from 'zod';
import { wheelOf } from '@/core/kinematics/wheel';
import type { AxleName, Build } from '@/core/model/build';
import { PIECES, PIECE_FIELDS, fieldSchema, pieceName } from '@/core/model/pieces';
import type { Piece, PieceField } from '@/core/model/pieces';
import type { LengthUnit } from '@/core/model/units';
import { remark } from '@/core/model/wording';
import { worked } from '@/core/shop/pieces/pieces';
import { Choice } from '../../fields/Choice';
import { AngleField, LengthField, PlainField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { Fields, Said } from '../damper/parts';
import { useAxleChange } from '../wheel/useAxleChange';
import { Faults } from './Faults';
import { capital } from './words';

/** More words than these are picked from a list. */
const IN_SIGHT = 3;
/** Longer ones as well, letters. */
const SHORT = 34;
const NAME = remark(60);

/** What is said of a plate or another piece, and what keeps it from being made. */
export function PieceFields({
  build,
  axle,
  piece,
  unit,
  onEdit,
}: {
  build: Build;
  axle: AxleName;
  piece: Piece;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const design = build[axle]!;
  const change = useAxleChange(axle, design, onEdit);
  const faults = useMemo(() => {
    const wheel = wheelOf(build, axle, 'left');
    return wheel ? worked(build, wheel, piece).faults : [];
  }, [build, axle, piece]);
  const put = (key: string, value: number | string, step = '') =>
    change(step, (draft) => {
      const own = draft.pieces?.find(({ id }) => id === piece.id);
      if (own) (own as unknown as Record<string, number | string>)[key] = value;
    });
  const values = piece as unknown as Record<string, number | string>;
  return (
    <Box component="section" aria-label="Made of" sx={{ overflow: 'auto', minHeight: 0, pr: 0.5 }}>
      <Typography variant="h3">{capital(pieceName(piece))}</Typography>
      <Said>{capital(PIECES[piece.as].says)}.</Said>
      <Faults faults={faults} unit={unit} />
      <Fields>
        {Object.entries<PieceField>(PIECE_FIELDS[piece.as]).map(([key, field]) => (
          <OneField
            key={key}
            field={field}
            value={values[key]}
            unit={unit}
            onValue={(value, step) => put(key, value, step)}
          />
        ))}
      </Fields>
      <Box sx={{ pt: 1.5 }}>
        <TextLine
          label="Name of one’s own"
          value={piece.name ?? ''}
          schema={NAME}
          width="100%"
          onValue={(name, step) =>
            change(step, (draft) => {
              const own = draft.pieces?.find(({ id }) => id === piece.id);
              if (!own) return;
              if (name) own.name = name;
              else delete own.name;
            })
          }
        />
      </Box>
      <Button
        size="small"
        color="inherit"
        sx={{ mt: 1 }}
        onClick={() =>
          change('', (draft) => {
            draft.pieces = draft.pieces?.filter(({ id }) => id !== piece.id);
            if (draft.pieces?.length === 0) delete draft.pieces;
          })
        }
      >
        Take it out
      </Button>
    </Box>
  );
}

function OneField({
  field,
  value,
  unit,
  onValue,
}: {
  field: PieceField;
  value: number | string;
  unit: LengthUnit;
  onValue: (value: number | string, step?: string) => void;
}) {
  if (field.as === 'word') {
    const { label, options } = field;
    const long = options.join('').length > SHORT;
    return options.length > IN_SIGHT || long ? (
      <TextField
        select
        label={label}
        value={value}
        onChange={(event) => onValue(event.target.value)}
        sx={{ width: long ? 250 : 132 }}
      >
        {options.map((option) => (
          <MenuItem key={option} value={option}>
            {option}
          </MenuItem>
        ))}
      </TextField>
    ) : (
      <Choice label={label} value={value as string} options={options} onPick={onValue} />
    );
  }
  const given = {
    label: field.label,
    value: value as number,
    schema: fieldSchema(field) as z.ZodType<number>,
    onValue,
    width: 148,
  };
  if (field.as === 'angle') return <AngleField {...given} />;
  if (field.as === 'count') return <PlainField {...given} ending="pcs" />;
  if (field.as === 'warmth') return <PlainField {...given} ending="°C" />;
  return <LengthField {...given} unit={unit} />;
}
