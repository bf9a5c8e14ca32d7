import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { sidesOf } from '@/core/check/carModel';
import { drawnCurve } from '@/core/check/measuredCurve';
import type { MeasuredPoint } from '@/core/check/measuredCurve';
import { Wheel } from '@/core/kinematics/wheel';
import type { KeptCheck, Travel } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import { counted } from '@/core/model/wording';
import { bandAt } from '@/core/tolerance/bands';
import { Choice } from '../../fields/Choice';
import { PHONE } from '../../theme';
import type { DeskProps } from '../list';
import { CheckCurve } from './CheckCurve';

const SHOWN = ['toe', 'camber'] as const;

/** What was read over what was drawn, toe or camber. */
export function ReadCurve({
  check,
  points,
  travel,
  limits,
  bands,
  unit,
}: {
  check: KeptCheck;
  points: readonly MeasuredPoint[];
  travel: Travel;
  limits: readonly number[];
  /** Bands of cars built within their ±, of the axle that is checked. */
  bands: DeskProps['bands'];
  unit: LengthUnit;
}) {
  const { axle, sides, drawn: asDrawn, rounds } = check;
  const [shows, setShows] = useState<(typeof SHOWN)[number]>('toe');
  const drawn = useMemo(
    () => sidesOf(sides).map((side) => drawnCurve(new Wheel(axle, side, asDrawn, travel), shows)),
    [axle, sides, asDrawn, travel, shows],
  );
  const band = useMemo(() => {
    // Bands are of the wheel that is looked at, as it is drawn now.
    if (!bands || !drawn[0]) return null;
    const edge = (of: 'low' | 'high') =>
      drawn[0].flatMap(([toe, at]) => {
        const by = bandAt(bands, shows, at);
        return by ? [[toe + by[of], at] as const] : [];
      });
    return [...edge('low'), ...edge('high').reverse()];
  }, [bands, shows, drawn]);

  return (
    <Box sx={{ order: 2, flex: 1, minHeight: 220, [PHONE]: { flex: 'none', height: 300 } }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <Choice label="Curve" value={shows} options={SHOWN} onPick={setShows} />
        <Typography variant="caption" color="text.secondary">
          {shows === 'toe' ? '+ in' : '+ top out'}, bump up; ● left ◆ right, filled: since the last
          move
        </Typography>
      </Box>
      <Box
        sx={{ height: 'calc(100% - 30px)' }}
        role="img"
        aria-label={curveLabel(shows, points.length)}
      >
        <CheckCurve
          shows={shows}
          points={points.filter((point) => point.shows === shows)}
          round={rounds.length}
          drawn={drawn}
          band={band}
          limits={limits}
          travel={travel}
          unit={unit}
        />
      </Box>
    </Box>
  );
}

const curveLabel = (shows: string, points: number) =>
  `${shows} over the travel, as drawn and as read: ${counted(points, 'point')}`;
