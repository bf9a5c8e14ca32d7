import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { checkUp } from '@/core/check/checkUp';
import { alongCurve, compared, isTold } from '@/core/check/compare';
import type { MeasuredPoint } from '@/core/check/measuredCurve';
import { degrees } from '@/core/check/words';
import { briefOf } from '@/core/model/brief';
import type { Build, KeptCheck } from '@/core/model/build';
import { printLength, readable, unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { counted } from '@/core/model/wording';
import { Choice } from '../../fields/Choice';
import { Table } from '../../fields/Table';
import { CheckCurve } from './CheckCurve';
import type { CurveProps } from './CheckCurve';
import { useChecks } from './checkStore';
import { useAngles } from '../../fields/useAngles';

const SIDES = ['left', 'right'] as const;
const SHOWN = ['toe', 'camber'] as const;

/** Left against right, or before against after: what was read at the same heights, and whether it differs. */
export function Compare({
  build,
  check,
  points,
  curve,
  unit,
}: {
  build: Build;
  check: KeptCheck;
  points: readonly MeasuredPoint[];
  /** The curve's frame, and what is drawn of a wheel. */
  curve: (
    shows: 'toe' | 'camber',
    side: 'left' | 'right',
  ) => Pick<CurveProps, 'drawn' | 'limits' | 'travel'>;
  unit: LengthUnit;
}) {
  const said = useAngles();
  const both = check.sides === 'both';
  const [shows, setShows] = useState<(typeof SHOWN)[number]>('toe');
  const [of, setOf] = useState<'sides' | 'times'>(both ? 'sides' : 'times');
  const [side, setSide] = useState<'left' | 'right'>(check.sides === 'right' ? 'right' : 'left');
  const [picked, setPicked] = useState('');
  const now = check.rounds.length;
  const { list } = useChecks();
  const others = (list ?? []).filter(
    (one) =>
      one.id !== check.id &&
      one.axle === check.axle &&
      one.training === undefined &&
      check.training === undefined,
  );
  const befores = [
    ...Array.from({ length: now }, (_, k) => ({
      id: `round ${k}`,
      words: k === 0 ? 'this check, before anything was fitted' : `this check, after move ${k}`,
    })),
    ...others.map(({ id, name, begun }) => ({ id, words: `${name}, ${begun.slice(0, 10)}` })),
  ];
  const before = befores.some(({ id }) => id === picked) ? picked : (befores.at(0)?.id ?? '');
  const other = others.find(({ id }) => id === before);
  const { targets } = briefOf(build);
  const { travel } = build;
  const theirs = useMemo(
    () =>
      other
        ? checkUp(build, { ...other, travel }, other.readings, targets.bumpSteer).points.filter(
            ({ round }) => round === other.rounds.length,
          )
        : null,
    [build, other, travel, targets.bumpSteer],
  );
  const shown = points.filter((one) => one.shows === shows);
  const [first, second] =
    of === 'sides'
      ? SIDES.map((one) => shown.filter((at) => at.side === one && at.round === now))
      : [
          (theirs
            ? theirs.filter((one) => one.shows === shows)
            : shown.filter(({ round }) => `round ${round}` === before)
          ).filter((one) => one.side === side),
          shown.filter((one) => one.side === side && one.round === now),
        ];
  const { drawn, ...frame } = curve(shows, of === 'sides' ? 'left' : side);
  const all = compared(first, second, alongCurve(drawn[0] ?? []));
  const told = all.filter(isTold);
  const most = all.reduce<(typeof all)[number] | null>(
    (worst, one) => (worst && Math.abs(worst.apart) >= Math.abs(one.apart) ? worst : one),
    null,
  );
  const [one, two] = of === 'sides' ? ['left', 'right'] : ['before', 'now'];
  const height = (mm: number) =>
    readable(unit === 'mm' ? mm.toFixed(0) : printLength(Math.round(mm * 10) / 10, unit));
  return (
    <Box sx={{ display: 'grid', gap: 1, alignContent: 'start', pt: 1 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <Choice label="Curve compared" value={shows} options={SHOWN} onPick={setShows} />
        {both && (
          <Choice
            label="What is compared"
            value={of}
            options={['sides', 'times'] as const}
            words={{ sides: 'left and right', times: 'before and now' }}
            onPick={setOf}
          />
        )}
        {of === 'times' && both && (
          <Choice label="Wheel compared" value={side} options={SIDES} onPick={setSide} />
        )}
        {of === 'times' && befores.length > 0 && (
          <TextField
            select
            size="small"
            label="before"
            value={before}
            onChange={(event) => setPicked(event.target.value)}
            sx={{ minWidth: 260 }}
          >
            {befores.map(({ id, words }) => (
              <MenuItem key={id} value={id}>
                {words}
              </MenuItem>
            ))}
          </TextField>
        )}
      </Box>
      <Typography variant="body2" role="status" data-compared={all.length}>
        {of === 'times' && befores.length === 0
          ? 'Nothing was fitted yet, and there is no other check of this axle to compare with.'
          : all.length === 0
            ? `No height was read of both: ${one} and ${two} are compared where both were read, within 3 mm.`
            : `${counted(all.length, 'height')} read of both, at ${told.length} of them more apart than their ±. ${
                most
                  ? `The most, at ${height(most.travel)} ${unitName(unit)} of travel: ${readable(said(degrees(most.apart)))} ± ${said(degrees(most.plusMinus))}.`
                  : ''
              }`}
      </Typography>
      {all.length > 0 && (
        <>
          <Box
            sx={{ height: 260 }}
            role="img"
            aria-label={`${shows} over the travel: ${one} and ${two}, ${counted(all.length, 'height')} of both`}
          >
            <CheckCurve
              {...frame}
              drawn={drawn}
              shows={shows}
              // What is first stands unfilled, whichever round it is of.
              points={[
                ...first.map((at) => ({ ...at, round: of === 'sides' ? at.round : -1 })),
                ...second,
              ]}
              round={now}
              band={null}
              unit={unit}
            />
          </Box>
          <Table aria-label={`${shows}, ${one} and ${two}`}>
            <thead>
              <tr>
                {['travel', one, two, `${two} less ${one}`, '±'].map((words) => (
                  <th key={words} scope="col" className="number">
                    {words}
                  </th>
                ))}
                <th scope="col">told apart</th>
              </tr>
            </thead>
            <tbody>
              {all.map((row) => (
                <tr key={row.travel}>
                  <th scope="row" className="number" style={{ fontWeight: 400 }}>
                    {height(row.travel)} {unitName(unit)}
                  </th>
                  {[row.first, row.second, row.apart, row.plusMinus].map((value, i) => (
                    <td key={i} className="number">
                      {readable(said(degrees(value)))}
                    </td>
                  ))}
                  <td>{isTold(row) ? '▲ apart' : ''}</td>
                </tr>
              ))}
            </tbody>
          </Table>
          <Typography variant="caption" color="text.secondary">
            Tapes, strings, gauges and walls tell toe from an unknown nought: what differs by as
            much at every height is not told by them, only how it changes is.
          </Typography>
          {of === 'times' && other && other.variant.id !== check.variant.id && (
            <Typography variant="caption" color="text.secondary">
              That check was of “{other.variant.name}”, this one of “{check.variant.name}”.
            </Typography>
          )}
        </>
      )}
    </Box>
  );
}
