'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import { USUAL_LEAD } from '@/core/kinematics/coupledBodies';
import { MOST_WIND_UP, MOVED_BY, axleSteer, mostSteer } from '@/core/motion/axleSteer';
import type { MovedBy, SteerCurve } from '@/core/motion/axleSteer';
import { printLength, readable, trimmed, unitName } from '@/core/model/units';
import { Choice } from '../../fields/Choice';
import { FiguresTable } from '../../fields/FiguresTable';
import { FIGURES, PAPER } from '../../theme';
import { around, travelTicks } from '../../traces/axes';
import { PartGrid } from '../PartGrid';
import type { FloorStation } from '../floorStation';

const WORDS: Record<MovedBy, string> = { heave: 'heave', roll: 'roll', windUp: 'wind-up' };
const MEANING: Record<MovedBy, string> = {
  heave: 'both wheels up and down alike, + bump',
  roll: 'one wheel up as the other goes down, + the left up',
  windUp: 'the axle turned in its springs as brakes turn it, + its top ahead',
};
const tick = { fill: PAPER.soft, fontSize: 13, fontFamily: FIGURES };

/** Where the drag link sends the whole axle as it moves, beside the toe that the tie rod holds. */
export function CarSteerPart({ wheel, unit }: Pick<FloorStation, 'wheel' | 'unit'>) {
  const { solved, travel } = wheel;
  const [by, setBy] = useState<MovedBy>('heave');
  const found = useMemo(
    () => (solved.ok ? axleSteer(solved.axle, travel) : null),
    [solved, travel],
  );
  if (!found)
    return (
      <Typography role="alert" variant="body2" sx={{ mt: 1 }}>
        The axle cannot be moved as it is drawn.
      </Typography>
    );
  const most = (name: MovedBy): string => {
    const steer = mostSteer(found[name]);
    return steer === null ? 'out of reach' : `${steer.toFixed(2)}°`;
  };
  const toe = MOVED_BY.map((name) => spread(found[name].toe, found[name].reachable));
  return (
    <PartGrid label="The car’s steer" least={300}>
      <div>
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          <Choice label="Moved by" value={by} options={MOVED_BY} words={WORDS} onPick={setBy} />
          <Typography variant="caption" color="text.secondary">
            {MEANING[by]}
          </Typography>
        </Box>
        <Chart curve={found[by]} by={by} unit={unit} />
        <Typography variant="caption" component="p" color="text.secondary">
          Full: where both wheels point, + left. Dashed: toe of both together, + in.
        </Typography>
      </div>
      <div>
        <FiguresTable
          label="The car’s steer"
          heading="hands held still, the car steers at the most"
          rows={[
            [
              `over ${printLength(travel.droop, unit)} ${unitName(unit)} droop to ${printLength(travel.bump, unit)} bump`,
              most('heave'),
            ],
            [`in roll to ${Math.abs(found.roll.at[0]).toFixed(1)}° each way`, most('roll')],
            [`wound up ${MOST_WIND_UP}° each way`, most('windUp')],
            ['toe of both wheels changes by, in all of these', `${Math.max(...toe).toFixed(2)}°`],
          ]}
        />
        <Typography variant="caption" component="p" color="text.secondary">
          The tie rod from arm to arm holds toe; what the drag link does steers the whole car. Each
          leaf swings its pad on an arc about a place{' '}
          {`${Math.round(100 * (wheel.design.leafLead ?? USUAL_LEAD))} %`} of the way from the pad
          to the fixed eye (set at “Axle & springs”), keeps the pad’s angle and holds it sideways:
          an estimate. Bushes, shackles and soft leaves do more.
        </Typography>
      </div>
    </PartGrid>
  );
}

/** From the least to the most of what is reached. */
function spread(values: Float64Array, reachable: Uint8Array): number {
  const reached = values.filter((_, i) => reachable[i] === 1);
  return reached.length === 0 ? 0 : Math.max(...reached) - Math.min(...reached);
}

function Chart({
  curve,
  by,
  unit,
}: { curve: SteerCurve; by: MovedBy } & Pick<FloorStation, 'unit'>) {
  const rows = Array.from(curve.at, (at, i) => ({
    at,
    steer: curve.reachable[i] ? curve.steer[i] : null,
    toe: curve.reachable[i] ? curve.toe[i] : null,
  }));
  const axis = around(
    rows.flatMap(({ steer, toe }) => [steer ?? 0, toe ?? 0]),
    true,
  );
  const [from, to] = [curve.at[0], curve.at[curve.at.length - 1]];
  const inLength = by === 'heave';
  return (
    <Box
      sx={{ height: 210, pt: 0.5 }}
      role="img"
      aria-label={`The car’s steer over ${WORDS[by]}`}
      data-car-steer={by}
    >
      <ResponsiveContainer width="100%" height="100%">
        <LineChart data={rows} margin={{ top: 8, right: 16, bottom: 0, left: 0 }}>
          <CartesianGrid stroke={PAPER.line} vertical={false} />
          <XAxis
            type="number"
            dataKey="at"
            domain={[from, to]}
            ticks={travelTicks(to, -from, inLength && unit !== 'mm' ? 25.4 : 1)}
            tick={tick}
            stroke={PAPER.soft}
            height={24}
            tickFormatter={(at: number) =>
              readable(inLength ? printLength(at, unit) : `${trimmed(at, 1)}°`)
            }
          />
          <YAxis
            type="number"
            domain={[axis.from, axis.to]}
            ticks={axis.ticks}
            tick={tick}
            stroke={PAPER.soft}
            width={58}
            tickFormatter={(value: number) => readable(`${trimmed(value, 2)}°`)}
          />
          <ReferenceLine x={0} stroke={PAPER.soft} strokeDasharray="3 4" />
          <ReferenceLine y={0} stroke={PAPER.soft} />
          <Line
            dataKey="toe"
            stroke={PAPER.soft}
            strokeDasharray="6 4"
            strokeWidth={1.6}
            dot={false}
            isAnimationActive={false}
          />
          <Line
            dataKey="steer"
            stroke={PAPER.ink}
            strokeWidth={2.4}
            dot={false}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </Box>
  );
}
