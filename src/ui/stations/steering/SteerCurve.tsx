'use client';

import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo, useMemo, useState } from 'react';
import { unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import type { SteerUnit } from '@/core/kinematics/corner';
import type { Handwheel } from '@/core/steering/hand';
import type { LockToLock } from '@/core/steering/lockToLock';
import { Choice } from '../../fields/Choice';
import { around, travelTicks } from '../../traces/axes';
import { useKept } from '../../traces/useKept';
import { CURVES, ratiosOf } from './curves';
import type { CurveName } from './curves';
import { Frame, LinesContext } from './SteerFrame';
import type { Line } from './SteerFrame';

/** One figure of the steering from lock to lock, of both wheels or of each. */
export const SteerCurve = memo(function SteerCurve({
  curve,
  compared,
  rack,
  by,
  handwheel,
  through,
  unit,
}: {
  curve: LockToLock;
  /** The same of the variant it is compared with. */
  compared: LockToLock | null;
  /** Both ratios through their columns, where they have one. */
  through: readonly (Float64Array | null)[];
  /** Where the rack or the drop arm is, mm or degrees. */
  rack: number;
  by: SteerUnit;
  handwheel: Handwheel;
  unit: LengthUnit;
}) {
  const [against, setAgainst] = useState<Against>('rack');
  const { perTurn, way } = handwheel;
  const [shown, setShown] = useState<CurveName>('error');
  const { label, unit: ending } = CURVES[shown];
  const length = shown === 'contactUp';
  const [own, other] = useMemo(
    () => [curve, compared].map((one, i) => one && rowsOf(one, shown, perTurn, through[i])),
    [curve, compared, shown, perTurn, through],
  );
  // + handwheel is to the left where its hand is known, else as the rack goes.
  // A drop arm turns as the handwheel does.
  const byHand = perTurn !== undefined && (against === 'handwheel' || by === 'drop arm');
  const along = byHand ? ((way ?? 1) * 360) / perTurn : 1;
  const limit = curve.rack[curve.count - 1] * Math.abs(along);
  const ticks = useMemo(
    () => (byHand ? turns(limit) : travelTicks(limit, limit, unit === 'mm' ? 1 : 25.4)),
    [byHand, limit, unit],
  );
  const two = CURVES[shown].of(curve).length > 1;
  const [lines, values] = useMemo(() => linesOf(own!, other, two), [own, other, two]);
  const grain = length && unit !== 'mm' ? 25.4 : 1;
  const axis = useKept(useMemo(() => around(values, false, grain), [values, grain]));
  return (
    <Box component="section" aria-label="Steering curve" sx={{ minWidth: 0 }}>
      <Head
        shown={shown}
        against={byHand ? 'handwheel' : 'rack'}
        choices={by === 'drop arm' ? HANDWHEEL : perTurn === undefined ? RACK : AGAINST}
        two={two}
        column={shown === 'ratio' && through[0] !== null}
        compared={compared !== null}
        unit={unit}
        onShow={setShown}
        onAgainst={setAgainst}
      />
      {shown !== 'ratio' && own!.every(({ left }) => left === null) ? (
        <Typography variant="body2" sx={{ mt: 2 }}>
          Nothing to draw: what these wheels steer about moves with them, or no part of their
          steering can be reached.
        </Typography>
      ) : shown === 'ratio' && perTurn === undefined ? (
        <Typography variant="body2" sx={{ mt: 2 }}>
          The ratio needs what the rack moves in a turn of its pinion: “per turn” in the brief.
        </Typography>
      ) : (
        <Box sx={{ height: 262, pt: 0.5 }} data-steer-curve={shown} role="img" aria-label={label}>
          <LinesContext.Provider value={{ lines, along, rack }}>
            <Frame {...{ axis, limit, ticks, byHand, length, ending, unit }} />
          </LinesContext.Provider>
        </Box>
      )}
    </Box>
  );
});

/** What is drawn, and against what. */
const Head = memo(function Head({
  shown,
  against,
  choices,
  two,
  column,
  compared,
  unit,
  onShow,
  onAgainst,
}: {
  shown: CurveName;
  against: Against;
  choices: readonly Against[];
  two: boolean;
  /** The column's ups and downs are in it. */
  column: boolean;
  compared: boolean;
  unit: LengthUnit;
  onShow: (name: CurveName) => void;
  onAgainst: (against: Against) => void;
}) {
  const { meaning } = CURVES[shown];
  return (
    <Typography
      component="h2"
      sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 1, fontSize: 15 }}
    >
      <TextField
        select
        variant="standard"
        value={shown}
        onChange={(event) => onShow(event.target.value as CurveName)}
        slotProps={{ htmlInput: { 'aria-label': 'Steering curve shown' } }}
        sx={{ '& .MuiSelect-select': { py: 0, fontWeight: 600 } }}
      >
        {(Object.keys(CURVES) as CurveName[]).map((name) => (
          <MenuItem key={name} value={name}>
            {CURVES[name].label}
          </MenuItem>
        ))}
      </TextField>
      over the
      <Choice label="Curve against" value={against} options={choices} onPick={onAgainst} />
      <Typography component="span" variant="caption" color="text.secondary">
        {shown === 'contactUp' ? `${unitName(unit)}, ${meaning}` : meaning}
        {two && '; left wheel full, right wheel dashed'}
        {column && '; through the column, its joints’ ripple included'}
        {compared && '; thin: what it is compared with'}
      </Typography>
    </Typography>
  );
});

const AGAINST = ['rack', 'handwheel'] as const;
const RACK = ['rack'] as const;
const HANDWHEEL = ['handwheel'] as const;
type Against = (typeof AGAINST)[number];

/** Quarter turns of the handwheel; parts of one where it turns less, half or whole ones where there are many. */
function turns(limit: number): number[] {
  const step = [10, 15, 30, 45, 90, 180, 360].find((one) => limit / one <= 4) ?? 360;
  const last = Math.floor(limit / step + 1e-9);
  return Array.from({ length: 2 * last + 1 }, (_, i) => (i - last) * step);
}

type Rows = ReturnType<typeof rowsOf>;

/** The lines to draw, both layouts' and both wheels', and every value of them. */
function linesOf(own: Rows, other: Rows | null, two: boolean): [Line[], number[]] {
  const values: number[] = [];
  const line = (rows: Rows, side: 'left' | 'right', thin: boolean): Line => {
    const runs: Line['runs'] = [[]];
    for (const row of rows) {
      const value = row[side];
      if (value === null) {
        if (runs[runs.length - 1].length > 0) runs.push([]);
        continue;
      }
      values.push(value);
      runs[runs.length - 1].push([row.rack, value]);
    }
    return { runs, thin, dashed: side === 'right' };
  };
  const of = (rows: Rows, thin: boolean) => [
    ...(two ? [line(rows, 'right', thin)] : []),
    line(rows, 'left', thin),
  ];
  return [[...(other ? of(other, true) : []), ...of(own, false)], values];
}

const rowsOf = (
  curve: LockToLock,
  shown: CurveName,
  perTurn: number | undefined,
  through: Float64Array | null,
) => {
  const [left, right] =
    shown === 'ratio' ? [through ?? ratiosOf(curve, perTurn)] : CURVES[shown].of(curve);
  const at = (list: Float64Array | undefined, i: number) =>
    curve.reachable[i] === 1 && list && Number.isFinite(list[i]) ? list[i] : null;
  return Array.from(curve.rack, (rack, i) => ({ rack, left: at(left, i), right: at(right, i) }));
};
