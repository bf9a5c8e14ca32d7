import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import IconButton from '@mui/material/IconButton';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import type { CheckedUp } from '@/core/check/checkUp';
import { METHOD_TABLE } from '@/core/check/methods';
import { degrees, moveInWords } from '@/core/check/words';
import type { KeptCheck } from '@/core/model/build';
import type { CheckReading } from '@/core/model/checks';
import { printAngle, printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { Table } from '../../fields/Table';
import { styled } from '@mui/material/styles';
import { PAPER, UNSEEN, VERDICT } from '../../theme';
import { useAngles } from '../../fields/useAngles';

/** Everything that was read, the last first; what was fitted stands between. */
export function ReadingList({
  check,
  found,
  unit,
  onChange,
  onDrop,
  onDropRound,
}: {
  check: KeptCheck;
  found: CheckedUp;
  unit: LengthUnit;
  onChange: (reading: CheckReading) => void;
  onDrop: (reading: CheckReading) => void;
  /** Takes the last thing fitted back, where nothing was read since. */
  onDropRound: (() => void) | null;
}) {
  const said = useAngles();
  const apart = new Map(found.gathered.apart.map(({ id, why }) => [id, why]));
  const outliers = new Map(found.gathered.outliers.map((one) => [one.id, one]));
  const points = new Map(
    found.points.flatMap((point) => point.ids.map((id) => [id, point] as const)),
  );
  const rounds = Array.from({ length: check.rounds.length + 1 }, (_, i) => check.rounds.length - i);
  return (
    <Table aria-label="Readings">
      <thead>
        <tr>
          <th scope="col">counts</th>
          <th scope="col">wheel</th>
          <th scope="col">travel</th>
          <th scope="col">how</th>
          <th scope="col">read</th>
          <th scope="col">is</th>
          <th scope="col">
            <Unseen>take away</Unseen>
          </th>
        </tr>
      </thead>
      <tbody>
        {rounds.flatMap((round) => {
          const { fitted = [], at = '' } = check.rounds[round - 1] ?? {};
          const rows = [...check.readings]
            .filter((one) => one.round === round)
            .sort((a, b) => b.at.localeCompare(a.at))
            .map((one) => {
              const table = METHOD_TABLE[one.method];
              const travel = found.gathered.travels.get(one.id);
              const point = points.get(one.id);
              const out = outliers.get(one.id);
              const print = (value: number) =>
                table.unit === 'mm'
                  ? printLength(Math.round(value * 100) / 100, unit)
                  : printAngle(Math.round(value * 1000) / 1000);
              return (
                <tr key={one.id} data-reading={one.id}>
                  <td>
                    <Checkbox
                      size="small"
                      checked={!one.leftOut}
                      slotProps={{ input: { 'aria-label': 'this reading counts' } }}
                      onChange={(_, counts) => {
                        const { leftOut: _was, ...rest } = one;
                        onChange(counts ? rest : { ...rest, leftOut: true });
                      }}
                      sx={{ p: 0.25 }}
                    />
                  </td>
                  <td>
                    {one.side}
                    {one.going === 'down' ? ' ↓' : one.going === 'up' ? ' ↑' : ''}
                  </td>
                  <td className="number">
                    {travel === undefined
                      ? ''
                      : readable(printLength(Math.round(travel * 10) / 10, unit))}
                  </td>
                  <td>
                    {table.name}
                    {one.from !== undefined && ` (${one.from})`}
                  </td>
                  <td className="number">
                    {one.values.map((value) => readable(print(value))).join(' / ')} ±{' '}
                    {print(one.plusMinus)}
                  </td>
                  <td style={out ? { color: VERDICT.edge } : undefined}>
                    {point && !one.leftOut
                      ? `${table.shows} ${readable(said(degrees(point.value)))}`
                      : ''}
                    {apart.has(one.id) && !one.leftOut && (
                      <span style={{ color: VERDICT.bad }}>{apart.get(one.id)}</span>
                    )}
                    {out && ` △ ${print(Math.abs(out.off))} off its repeats`}
                  </td>
                  <td>
                    <IconButton
                      size="small"
                      aria-label="Take this reading away"
                      onClick={() => onDrop(one)}
                      sx={{ p: 0.25 }}
                    >
                      <DeleteIcon fontSize="inherit" />
                    </IconButton>
                  </td>
                </tr>
              );
            });
          if (round === 0) return rows;
          return [
            ...rows,
            <tr key={`round ${round}`} data-round={round}>
              <td colSpan={6} style={{ backgroundColor: PAPER.wash }}>
                Fitted {at.slice(0, 16).replace('T', ' ')}:{' '}
                {fitted
                  .map((move) => `${move.side} ${moveInWords(check.drawn, move, unit)}`)
                  .join('; ')}
              </td>
              <td style={{ backgroundColor: PAPER.wash }}>
                {round === check.rounds.length && onDropRound && (
                  <Button size="small" onClick={onDropRound}>
                    Undo
                  </Button>
                )}
              </td>
            </tr>,
          ];
        })}
      </tbody>
    </Table>
  );
}

const Unseen = styled('span')(UNSEEN);
