import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import type { Closest } from '@/core/clearance/room';
import { describePosition } from '@/core/kinematics/corner';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { VERDICT } from '../../theme';
import type { FloorStation } from '../floorStation';
import { PlaceRow } from './PlaceRow';

/** The tightest places, worst first; a click goes there. */
export const Tightest = memo(function Tightest({
  found,
  stale,
  unit,
  onShow,
}: {
  found: Closest[] | null | undefined;
  stale: boolean;
  unit: LengthUnit;
  onShow: FloorStation['onShow'];
}) {
  if (found === undefined) return <Typography variant="body2">Looking …</Typography>;
  if (found === null)
    return (
      <Typography role="alert" variant="body2">
        The layout cannot be solved as drawn, so nothing can be said of its room.
      </Typography>
    );
  const short = found.filter(({ clearance, wanted }) => clearance < wanted);
  const mm = (value: number) =>
    `${readable(printLength(Math.round(value * 10) / 10, unit))} ${unit}`;
  return (
    <Box role="status" sx={{ my: 1 }} style={{ opacity: stale ? 0.6 : 1 }}>
      <Typography variant="body2" sx={{ fontWeight: 600 }}>
        {short.length === 0
          ? '✓ Everything keeps its distance. The tightest:'
          : `✕ ${short.length} too close. Click one to go there:`}
      </Typography>
      {found.slice(0, Math.max(3, Math.min(8, short.length))).map((one) => {
        const { what, to, travel, rack, clearance, wanted } = one;
        const bad = clearance < 0;
        const close = clearance < wanted;
        return (
          <PlaceRow
            key={`${what} ${to}`}
            data-clearance={close ? 'close' : 'clear'}
            what={`${what} to ${to}`}
            where={describePosition(travel, rack)}
            colour={bad ? VERDICT.bad : close ? VERDICT.edge : VERDICT.good}
            figure={bad ? `✕ ${mm(-clearance)} into it` : `${close ? '+ ' : '✓ '}${mm(clearance)}`}
            onClick={() => onShow({ travel, rack })}
          />
        );
      })}
    </Box>
  );
});
