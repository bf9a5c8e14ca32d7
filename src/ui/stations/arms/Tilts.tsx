import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { kindOf } from '@/core/clearance/jointStates';
import { TILT_LIMITS, wantedSchema } from '@/core/clearance/roomSchema';
import type { Room } from '@/core/clearance/roomSchema';
import { TILTING, tiltsOf } from '@/core/clearance/tilt';
import { rackTravelOf } from '@/core/kinematics/axle';
import { describePosition } from '@/core/kinematics/corner';
import type { AxleDesign, Side, Travel } from '@/core/model/build';
import { pointLabel } from '@/core/model/points';
import { AngleField } from '../../fields/NumberField';
import { FIGURES, PAPER, VERDICT } from '../../theme';

const LABELS = { ball: 'ball joints tilt to', rodEnd: 'rod ends tilt to' };

/** How far the joints tilt over travel and lock, against what they may. */
export function Tilts({
  design,
  side,
  travel,
  room,
  onEdit,
  onShow,
}: {
  design: AxleDesign;
  side: Side;
  travel: Travel;
  room: Room;
  onEdit: (change: (room: Room) => void, step?: string) => void;
  onShow: (position: { travel: number; rack: number }) => void;
}) {
  const tilts = useMemo(() => tiltsOf(design, side, travel), [design, side, travel]);
  const steered = rackTravelOf(design) > 0;
  return (
    <Box component="section" aria-label="Joint tilt">
      <Box sx={{ display: 'flex', gap: 1, pt: 1.25 }}>
        {(['ball', 'rodEnd'] as const).map((kind) => (
          <AngleField
            key={kind}
            label={LABELS[kind]}
            value={room.wanted[kind] ?? TILT_LIMITS[kind]}
            schema={wantedSchema.shape[kind].unwrap()}
            onValue={(degrees, step) =>
              onEdit((draft) => void (draft.wanted[kind] = degrees), step)
            }
            width={150}
          />
        ))}
      </Box>
      {tilts &&
        TILTING.map((name) => {
          const { tilt, travel: at, rack } = tilts[name];
          const kind = kindOf(name, steered);
          const past = tilt > (room.wanted[kind] ?? TILT_LIMITS[kind]);
          return (
            <ButtonBase
              key={name}
              data-tilt={past ? 'past' : 'within'}
              onClick={() => onShow({ travel: at, rack })}
              sx={{
                display: 'flex',
                width: '100%',
                textAlign: 'left',
                fontSize: 13.5,
                py: 0.25,
                '&:hover': { bgcolor: PAPER.wash },
              }}
            >
              <Box sx={{ flex: 1 }}>
                {pointLabel(name, steered)} tilts{' '}
                <Box component="span" sx={{ color: 'text.secondary' }}>
                  at {describePosition(at, rack)}
                </Box>
              </Box>
              <Box
                sx={{
                  fontFamily: FIGURES,
                  fontWeight: 600,
                  color: past ? VERDICT.bad : VERDICT.good,
                }}
              >
                {past ? '✕' : '✓'} {tilt.toFixed(1)}°
              </Box>
            </ButtonBase>
          );
        })}
      <Typography variant="caption" color="text.secondary" component="p">
        From square at ride height. {TILT_LIMITS.ball}° and {TILT_LIMITS.rodEnd}° are common
        practice; go by what the maker of yours states.
      </Typography>
    </Box>
  );
}
