'use client';

import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo, useMemo, useState } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import { printLength, readable, trimmed } from '@/core/model/units';
import type { AxleDesign } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import { rackPerHandwheel } from '@/core/steering/hand';
import type { LockToLock } from '@/core/steering/lockToLock';
import { Choice } from '../../fields/Choice';
import { FIGURES, PAPER } from '../../theme';
import { travelTicks } from '../../traces/axes';
import { CURVES, ratiosOf } from './curves';
import type { CurveName } from './curves';

const tick = { fill: PAPER.soft, fontSize: 13, fontFamily: FIGURES };

/** One figure of the steering from lock to lock, of both wheels or of each. */
export const SteerCurve = memo(function SteerCurve({
  curve,
  compared,
  rack,
  gear,
  unit,
}: {
  curve: LockToLock;
  /** The same of the variant it is compared with. */
  compared: LockToLock | null;
  /** Where the rack is, mm. */
  rack: number;
  gear: AxleDesign['rack'];
  unit: LengthUnit;
}) {
  const [against, setAgainst] = useState<Against>('rack');
  const perTurn = gear?.perTurn;
  const [shown, setShown] = useState<CurveName>('error');
  const { label, meaning, unit: ending } = CURVES[shown];
  const length = shown === 'contactUp';
  const [own, other] = useMemo(
    () => [curve, compared].map((one) => one && rowsOf(one, shown, perTurn)),
    [curve, compared, shown, perTurn],
  );
  // + handwheel is to the left where its hand is known, else as the rack goes.
  const byHand = against === 'handwheel' && perTurn !== undefined;
  const hand = gear?.pinionAt ? rackPerHandwheel(gear.pinionAt) : 1;
  const along = byHand ? (hand * 360) / perTurn : 1;
  const limit = curve.rack[curve.count - 1] * Math.abs(along);
  const ticks = useMemo(
    () => (byHand ? turns(limit) : travelTicks(limit, limit, unit === 'mm' ? 1 : 25.4)),
    [byHand, limit, unit],
  );
  const two = CURVES[shown].of(curve).length > 1;
  const rows = useMemo(
    () =>
      own!.map((row, i) => ({
        ...row,
        at: row.rack * along,
        was: other?.[i]?.left,
        wasRight: other?.[i]?.right,
      })),
    [own, other, along],
  );
  const print = (value: number) =>
    readable(
      length ? printLength(Math.round(value * 100) / 100, unit) : `${trimmed(value, 2)}${ending}`,
    );
  return (
    <Box component="section" aria-label="Steering curve" sx={{ minWidth: 0 }}>
      <Typography
        component="h2"
        sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 1, fontSize: 15 }}
      >
        <TextField
          select
          variant="standard"
          value={shown}
          onChange={(event) => setShown(event.target.value as CurveName)}
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
        <Choice
          label="Curve against"
          value={byHand ? 'handwheel' : 'rack'}
          options={perTurn === undefined ? RACK : AGAINST}
          onPick={setAgainst}
        />
        <Typography component="span" variant="caption" color="text.secondary">
          {length ? `${unit}, ${meaning}` : meaning}
          {two && '; left wheel full, right wheel dashed'}
          {compared && '; thin: what it is compared with'}
        </Typography>
      </Typography>
      {shown !== 'ratio' && own!.every(({ left }) => left === null) ? (
        <Typography variant="body2" sx={{ mt: 2 }}>
          Nothing to draw: what these wheels steer about moves with them, or no part of the rack’s
          travel can be reached.
        </Typography>
      ) : shown === 'ratio' && perTurn === undefined ? (
        <Typography variant="body2" sx={{ mt: 2 }}>
          The ratio needs what the rack moves in a turn of its pinion: “per turn” in the brief.
        </Typography>
      ) : (
        <Box sx={{ height: 262, pt: 0.5 }} data-steer-curve={shown} role="img" aria-label={label}>
          <ResponsiveContainer width="100%" height="100%">
            <LineChart
              data={rows}
              margin={{ top: 8, right: 16, bottom: 0, left: 0 }}
              accessibilityLayer={false}
            >
              <CartesianGrid stroke={PAPER.line} vertical={false} />
              <XAxis
                type="number"
                dataKey="at"
                domain={[-limit, limit]}
                ticks={ticks}
                tick={tick}
                stroke={PAPER.soft}
                height={24}
                tickFormatter={(at: number) =>
                  byHand ? `${readable(at.toFixed(0))}°` : readable(printLength(at, unit))
                }
              />
              <YAxis
                type="number"
                domain={['auto', 'auto']}
                tick={tick}
                stroke={PAPER.soft}
                width={58}
                tickFormatter={print}
              />
              <ReferenceLine x={0} stroke={PAPER.soft} strokeDasharray="3 4" />
              <ReferenceLine x={rack * along} stroke={PAPER.accent} />
              {other && <Line dataKey="was" {...THIN} />}
              {other && two && <Line dataKey="wasRight" {...THIN} strokeDasharray="6 4" />}
              {two && <Line dataKey="right" {...LINE} strokeDasharray="6 4" />}
              <Line dataKey="left" {...LINE} />
            </LineChart>
          </ResponsiveContainer>
        </Box>
      )}
    </Box>
  );
});

const AGAINST = ['rack', 'handwheel'] as const;
const RACK = ['rack'] as const;
type Against = (typeof AGAINST)[number];

/** Quarter turns of the handwheel, or half or whole ones where there are many. */
function turns(limit: number): number[] {
  const step = [90, 180, 360].find((one) => limit / one <= 4) ?? 360;
  const last = Math.floor(limit / step + 1e-9);
  return Array.from({ length: 2 * last + 1 }, (_, i) => (i - last) * step);
}

const LINE = {
  dot: false,
  isAnimationActive: false,
  stroke: PAPER.ink,
  strokeWidth: 2.4,
} as const;
const THIN = { ...LINE, strokeWidth: 1 } as const;

const rowsOf = (curve: LockToLock, shown: CurveName, perTurn: number | undefined) => {
  const [left, right] = shown === 'ratio' ? [ratiosOf(curve, perTurn)] : CURVES[shown].of(curve);
  const at = (list: Float64Array | undefined, i: number) =>
    curve.reachable[i] === 1 && list && Number.isFinite(list[i]) ? list[i] : null;
  return Array.from(curve.rack, (rack, i) => ({ rack, left: at(left, i), right: at(right, i) }));
};
