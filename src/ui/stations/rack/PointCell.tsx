'use client';

import { styled } from '@mui/material/styles';
import { memo, useEffect } from 'react';
import type { ClipboardEvent, KeyboardEvent } from 'react';
import { parseLength, printLength, unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import type { Coordinate, PointName } from '@/core/model/points';
import { coordinate as coordinateSchema } from '@/core/model/wording';
import { useTypedNumber } from '../../fields/useTypedNumber';
import { FIGURES, PAPER, VERDICT } from '../../theme';

export interface PointCellProps {
  point: PointName;
  /** What the point is called. */
  label: string;
  coordinate: Coordinate;
  value: number;
  /** Nobody has said it: it is shown as what stands in for it. */
  sketched: boolean;
  unit: LengthUnit;
  onValue: (point: PointName, coordinate: Coordinate, mm: number, visit: string) => void;
  /** Puts back what stood in for a coordinate, nobody's again. */
  onUnsay: PointCellProps['onValue'];
  onError: (cell: string, why: string | null) => void;
  onFocus: (point: PointName) => void;
  onStep: (point: PointName, coordinate: Coordinate, rows: number) => void;
  onPaste: (
    event: ClipboardEvent<HTMLInputElement>,
    point: PointName,
    coordinate: Coordinate,
  ) => void;
}

/** How far Alt + arrow moves a coordinate, mm; with Shift a tenth of it. */
const NUDGE = 1;

export const cellId = (point: PointName, coordinate: Coordinate) => `${point}-${coordinate}`;

/** One coordinate of one point. */
export const PointCell = memo(function PointCell(props: PointCellProps) {
  const { point, label, coordinate, value, sketched, unit, onValue, onError } = props;
  const { error, input, onKey } = useTypedNumber({
    value,
    sketched,
    parse: (text) => parseLength(text, unit),
    print: (mm) => printLength(mm, unit),
    schema: coordinateSchema,
    onValue: (mm, visit) => onValue(point, coordinate, mm, visit),
    onUnsay: (mm, visit) => props.onUnsay(point, coordinate, mm, visit),
  });
  const id = cellId(point, coordinate);
  useEffect(() => {
    onError(id, error);
    return () => onError(id, null);
  }, [id, error, onError]);

  const handleKey = (event: KeyboardEvent<HTMLInputElement>) => {
    if (onKey(event)) return;
    const up = event.key === 'ArrowUp';
    if (event.altKey && (up || event.key === 'ArrowDown')) {
      event.preventDefault();
      const step = (event.shiftKey ? NUDGE / 10 : NUDGE) * (up ? 1 : -1);
      onValue(point, coordinate, Number((value + step).toFixed(6)), `nudge-${id}`);
    } else if (up || event.key === 'ArrowDown' || event.key === 'Enter') {
      event.preventDefault();
      props.onStep(point, coordinate, up ? -1 : 1);
    }
  };

  return (
    <Cell
      {...input}
      id={id}
      placeholder={sketched ? printLength(value, unit) : undefined}
      aria-label={`${label}, ${coordinate}, ${unitName(unit)}`}
      aria-invalid={error !== null}
      aria-describedby={error === null ? undefined : 'points-error'}
      autoComplete="off"
      spellCheck={false}
      onFocus={(event: React.FocusEvent<HTMLInputElement>) => {
        input.onFocus();
        event.target.select();
        props.onFocus(point);
      }}
      onKeyDown={handleKey}
      onPaste={(event: ClipboardEvent<HTMLInputElement>) => props.onPaste(event, point, coordinate)}
    />
  );
});

const Cell = styled('input')({
  width: '100%',
  height: 25,
  border: '1px solid transparent',
  borderRadius: 2,
  backgroundColor: 'transparent',
  color: PAPER.ink,
  font: `500 16px ${FIGURES}`,
  fontVariantNumeric: 'tabular-nums',
  textAlign: 'right',
  padding: '0 6px',
  '&::placeholder': { color: PAPER.soft, opacity: 1, fontStyle: 'italic', fontWeight: 500 },
  '&:hover': { borderColor: PAPER.line },
  '&[aria-invalid="true"]': { borderColor: VERDICT.bad },
  '&:focus': {
    outline: `2px solid ${PAPER.accent}`,
    outlineOffset: -1,
    backgroundColor: PAPER.sheet,
  },
  '&[aria-invalid="true"]:focus': { outlineColor: VERDICT.bad },
});
