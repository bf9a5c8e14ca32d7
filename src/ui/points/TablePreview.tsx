'use client';

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
import { pointNames, typeOf } from '@/core/corners/kinds';
import { pointsOfTable } from '@/core/file/pointsCsv';
import { ownAnswers } from '@/core/file/pointsTable';
import type { Axes, AxisColumn, PointsTable, TableAnswers } from '@/core/file/pointsTable';
import { pointLabel } from '@/core/model/labels';
import { COORDINATES } from '@/core/model/points';
import type { Coordinate } from '@/core/model/points';
import { describeProblems } from '@/core/model/problems';
import { printLength, readable, unitName } from '@/core/model/units';
import type { LengthUnit, TypedUnit } from '@/core/model/units';
import { counted } from '@/core/model/wording';
import { Choice } from '../fields/Choice';
import { Table } from '../fields/Table';
import { PAPER, VERDICT } from '../theme';
import { usePreview } from './previewStore';

/** Before a table of points goes in: which of its lines and columns go where. */
export function TablePreview({ unit }: { unit: LengthUnit }) {
  const pending = usePreview((state) => state.pending);
  return pending && <Preview key={pending.table.lines.length} {...pending} unit={unitName(unit)} />;
}

const close = () => usePreview.setState({ pending: null });
const LEFT_OUT = '–';

function Preview({
  table,
  design,
  points,
  onTake,
  unit,
}: NonNullable<ReturnType<typeof usePreview.getState>['pending']> & { unit: TypedUnit }) {
  const [answers, setAnswers] = useState<TableAnswers>(() => ({
    ...ownAnswers(table),
    // Bare numbers are in the window's unit.
    unit: table.unitSaid ? table.unit : unit,
  }));
  const read = pointsOfTable(table, answers);
  const rows = read.ok ? read.value : [];
  const known = pointNames(typeOf(design));
  const show = (mm: number) => readable(printLength(Math.round(mm * 1000) / 1000, unit));
  return (
    <Dialog open onClose={close} maxWidth="md" fullWidth aria-labelledby="preview-title">
      <DialogTitle id="preview-title">What goes where?</DialogTitle>
      <DialogContent>
        {table.guessed && (
          <Typography variant="body2" sx={{ mb: 1.5 }}>
            The table does not say which way its columns go. Ahead is towards the nose from the
            front axle line, out is from the centreline to this wheel, up is from the ground: set
            each, with − where the table counts the other way.
          </Typography>
        )}
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', pt: 1 }}>
          {COORDINATES.map((coordinate) => (
            <AxisField
              key={coordinate}
              coordinate={coordinate}
              table={table}
              axis={answers.axes[coordinate]}
              onAxis={(axis) =>
                setAnswers({ ...answers, axes: { ...answers.axes, [coordinate]: axis } as Axes })
              }
            />
          ))}
          {!table.unitSaid && (
            <Choice
              label="The table counts in"
              value={answers.unit}
              options={['mm', 'in']}
              words={{ mm: 'in mm', in: 'in inches' }}
              onPick={(next) => setAnswers({ ...answers, unit: next })}
            />
          )}
        </Box>
        <Box sx={{ overflowX: 'auto', mt: 1.5 }}>
          <Table aria-label="Lines of the table">
            <thead>
              <tr>
                <th scope="col">Line</th>
                <th scope="col">Goes to</th>
                {COORDINATES.map((c) => (
                  <th scope="col" key={c} className="number">
                    {c} ({unitName(unit)})
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {table.lines.map(({ line, said }, i) => {
                const name = answers.names[i];
                const row = name === null ? undefined : rows.find((one) => one.name === name);
                return (
                  <tr key={line} data-line={line}>
                    <td>{said || `line ${line}`}</td>
                    <td>
                      <TextField
                        select
                        variant="standard"
                        value={name ?? LEFT_OUT}
                        onChange={({ target }) =>
                          setAnswers({
                            ...answers,
                            names: answers.names.map((one, at) =>
                              at === i ? (target.value === LEFT_OUT ? null : target.value) : one,
                            ),
                          })
                        }
                        slotProps={{ htmlInput: { 'aria-label': `Where line ${line} goes` } }}
                        sx={{ minWidth: 190 }}
                      >
                        <MenuItem value={LEFT_OUT}>left out</MenuItem>
                        {known.map((one) => (
                          <MenuItem key={one} value={one}>
                            {pointLabel(design, one)}
                          </MenuItem>
                        ))}
                      </TextField>
                    </td>
                    {COORDINATES.map((c) => (
                      <td key={c} className="number">
                        {row && show(row.point[c])}{' '}
                        {row && (
                          <Box component="span" sx={{ color: PAPER.soft }}>
                            (now {show(points[row.name][c])})
                          </Box>
                        )}
                      </td>
                    ))}
                  </tr>
                );
              })}
            </tbody>
          </Table>
        </Box>
        {!read.ok && (
          <Typography
            role="alert"
            variant="body2"
            sx={{ color: VERDICT.bad, whiteSpace: 'pre-line', mt: 1 }}
          >
            {describeProblems(read.problems, 6)}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Cancel</Button>
        <Button
          variant="contained"
          disabled={!read.ok}
          onClick={() => {
            onTake(rows);
            close();
          }}
        >
          Put in {counted(rows.length, 'joint')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Which column of the table one way of the car is read from. */
function AxisField({
  coordinate,
  table,
  axis,
  onAxis,
}: {
  coordinate: Coordinate;
  table: PointsTable;
  axis: AxisColumn;
  onAxis: (axis: AxisColumn) => void;
}) {
  const columns = Math.max(...table.lines.map(({ cells }) => cells.length));
  const left = [table.pointColumn, table.toleranceColumn];
  const options = Array.from({ length: columns }, (_, column) => column)
    .filter((column) => !left.includes(column))
    .flatMap((column) =>
      ([1, -1] as const).map((sign) => ({
        key: `${sign * (column + 1)}`,
        word: `${sign < 0 ? '− ' : ''}${table.titles[column] || `column ${column + 1}`}`,
      })),
    );
  return (
    <TextField
      select
      label={`${coordinate} is`}
      value={`${axis.sign * (axis.column + 1)}`}
      onChange={({ target }) => {
        const key = Number(target.value);
        onAxis({ column: Math.abs(key) - 1, sign: key < 0 ? -1 : 1 });
      }}
      sx={{ minWidth: 120 }}
    >
      {options.map(({ key, word }) => (
        <MenuItem key={key} value={key}>
          {word}
        </MenuItem>
      ))}
    </TextField>
  );
}
