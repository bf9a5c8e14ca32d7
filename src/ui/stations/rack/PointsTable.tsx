'use client';

import Box from '@mui/material/Box';
import { styled } from '@mui/material/styles';
import { useSnackbar } from 'notistack';
import { memo, useCallback, useEffect, useRef, useState } from 'react';
import type { ClipboardEvent } from 'react';
import { unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { typeOf, wheelPoints } from '@/core/corners/kinds';
import type { AxleDesign } from '@/core/model/build';
import { COORDINATES } from '@/core/model/points';
import { isSketched, pathOf } from '@/core/model/sketch';
import { pointLabel } from '@/core/model/labels';
import type { Coordinate, Point, PointName, Points } from '@/core/model/points';
import { describeProblems } from '@/core/model/problems';
import type { Problem } from '@/core/model/problems';
import { looksLikeTable } from '@/core/file/pointsTable';
import { askWhere } from '../../points/previewStore';
import { CopyTable } from '../../fields/Table';
import { PAPER, VERDICT } from '../../theme';
import { PointCell, cellId } from './PointCell';
import type { PointCellProps } from './PointCell';
import { pastedPoints } from './pastePoints';

interface Props {
  design: AxleDesign;
  /** The points shown; without, all that hold the wheel. */
  names?: readonly PointName[];
  points: Points;
  unit: LengthUnit;
  selected: PointName | null;
  onSelect: (name: PointName) => void;
  /** Changes points; edits with the same step are undone together. */
  onEdit: EditPoints;
}

/** Changes points; `said` are the coordinates that somebody has typed, be it what stood there, `unsaid` one taken back. */
export type EditPoints = (
  change: (points: Points) => void,
  step?: string,
  said?: readonly string[],
  unsaid?: string,
) => void;

const HEADINGS: Record<Coordinate, string> = { ahead: 'ahead', out: 'out', up: 'up' };

/** Every point of one corner, typed in mm or inches, a spreadsheet's block pasted anywhere. */
export function PointsTable({
  design,
  names = wheelPoints(typeOf(design)),
  points,
  unit,
  selected,
  onSelect,
  onEdit,
}: Props) {
  const { enqueueSnackbar } = useSnackbar();
  const [errors, setErrors] = useState<Record<string, string>>({});
  const latest = useRef({ design, names, points, unit, onEdit, onSelect });
  useEffect(() => {
    latest.current = { design, names, points, unit, onEdit, onSelect };
  });

  const handleError = useCallback((cell: string, why: string | null) => {
    setErrors((before) => {
      if ((before[cell] ?? null) === why) return before;
      const { [cell]: _, ...rest } = before;
      return why === null ? rest : { ...rest, [cell]: why };
    });
  }, []);
  const handleValue = useCallback(
    (point: PointName, coordinate: Coordinate, mm: number, visit: string) =>
      latest.current.onEdit(
        (edited) => {
          edited[point][coordinate] = mm;
        },
        visit,
        [pathOf(point, coordinate)],
      ),
    [],
  );
  const handleUnsay = useCallback(
    (point: PointName, coordinate: Coordinate, mm: number, visit: string) =>
      latest.current.onEdit(
        (edited) => {
          edited[point][coordinate] = mm;
        },
        visit,
        [],
        pathOf(point, coordinate),
      ),
    [],
  );
  const handleFocus = useCallback((point: PointName) => latest.current.onSelect(point), []);
  const handleStep = useCallback((point: PointName, coordinate: Coordinate, rows: number) => {
    const next = latest.current.names[latest.current.names.indexOf(point) + rows];
    if (next) document.getElementById(cellId(next, coordinate))?.focus();
  }, []);
  const handlePaste = useCallback(
    (event: ClipboardEvent<HTMLInputElement>, point: PointName, coordinate: Coordinate) => {
      const text = event.clipboardData.getData('text/plain');
      const { design: axle, points: current, unit: shown, onEdit: edit } = latest.current;
      const put = (named: Partial<Points>) =>
        edit(
          (edited) => Object.assign(edited, named),
          undefined,
          Object.keys(named).flatMap((one) => COORDINATES.map((c) => pathOf(one, c))),
        );
      const refuse = (problems: Problem[]) =>
        enqueueSnackbar(`Nothing was pasted:\n${describeProblems(problems, 4)}`, {
          variant: 'error',
          style: { whiteSpace: 'pre-line' },
        });
      if (looksLikeTable(typeOf(axle), text)) {
        event.preventDefault();
        const problems = askWhere(text, {
          design: axle,
          points: current,
          onTake: (rows) => put(Object.fromEntries(rows.map((row) => [row.name, row.point]))),
        });
        if (problems) refuse(problems);
        return;
      }
      const pasted = pastedPoints(text, shown, { point, coordinate }, axle, current);
      if (!pasted) return;
      event.preventDefault();
      if (pasted.ok) put(pasted.value);
      else refuse(pasted.problems);
    },
    [enqueueSnackbar],
  );

  const table = useRef<HTMLTableElement>(null);
  const firstError = Object.entries(errors)[0];
  return (
    <Box
      sx={{
        minWidth: 0,
        minHeight: 0,
        overflow: 'auto',
        flex: '0 1 auto',
        position: 'relative',
        '& > [data-copy]': { opacity: 0 },
        '&:hover > [data-copy], & > [data-copy]:focus-within': { opacity: 1 },
      }}
    >
      <CopyTable table={table} what="points" />
      <Box
        component="table"
        ref={table}
        aria-label={`Points, ${unitName(unit)}`}
        sx={{
          width: '100%',
          borderCollapse: 'collapse',
          '& th': { fontWeight: 500, fontSize: 14, textAlign: 'left', py: 0, px: 0.75 },
          '& td': { p: 0, width: 92 },
          '& tbody tr': { borderTop: `1px solid ${PAPER.line}` },
        }}
      >
        <thead>
          <tr>
            <th scope="col">
              <Box component="span" sx={{ color: 'text.secondary' }}>
                {unitName(unit)} at ride height
              </Box>
            </th>
            {COORDINATES.map((coordinate) => (
              <Box component="th" key={coordinate} scope="col" style={{ textAlign: 'right' }}>
                {HEADINGS[coordinate]}
              </Box>
            ))}
          </tr>
        </thead>
        <tbody>
          {names.map((name) => (
            <PointRow
              key={name}
              name={name}
              point={points[name]}
              unit={unit}
              label={pointLabel(design, name)}
              selected={name === selected}
              sketch={sketchOf(design, name)}
              onSelect={onSelect}
              onValue={handleValue}
              onUnsay={handleUnsay}
              onError={handleError}
              onFocus={handleFocus}
              onStep={handleStep}
              onPaste={handlePaste}
            />
          ))}
        </tbody>
      </Box>
      <Box
        id="points-error"
        role="status"
        sx={{ color: VERDICT.bad, fontSize: 13, minHeight: 18, px: 0.75 }}
      >
        {firstError && `${inWords(firstError[0], design)} ${firstError[1]}; the last value holds`}
      </Box>
    </Box>
  );
}

interface RowProps extends Omit<
  PointCellProps,
  'point' | 'label' | 'coordinate' | 'value' | 'sketched'
> {
  name: PointName;
  point: Point;
  label: string;
  selected: boolean;
  /** Coordinates of a sketch, with commas: a row that stays is not redrawn. */
  sketch: string;
  onSelect: (name: PointName) => void;
}

const sketchOf = (design: AxleDesign, name: PointName) =>
  COORDINATES.filter((c) => isSketched(design, pathOf(name, c))).join();

const PointRow = memo(function PointRow(props: RowProps) {
  const { name, point, label, selected, sketch, onSelect, ...cell } = props;
  return (
    <tr style={selected ? { backgroundColor: PAPER.wash } : undefined}>
      <th scope="row">
        <RowName
          type="button"
          tabIndex={-1}
          onClick={() => onSelect(name)}
          style={{ fontWeight: selected ? 600 : 400 }}
        >
          {capital(label)}
        </RowName>
      </th>
      {COORDINATES.map((coordinate) => (
        <td key={coordinate}>
          <PointCell
            point={name}
            label={label}
            coordinate={coordinate}
            value={point[coordinate]}
            sketched={sketch.includes(coordinate)}
            {...cell}
          />
        </td>
      ))}
    </tr>
  );
});

const RowName = styled('button')({ all: 'unset', cursor: 'pointer', whiteSpace: 'nowrap' });

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** `upperOuter-up` → `upper ball joint, up:`. */
function inWords(cell: string, design: AxleDesign): string {
  const [name, coordinate] = cell.split('-') as [PointName, Coordinate];
  return `${pointLabel(design, name)}, ${coordinate}:`;
}
