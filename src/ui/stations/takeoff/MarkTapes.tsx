'use client';

import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { printLength, readable } from '@/core/model/units';
import { markDistanceSchema, USUAL } from '@/core/takeoff/records';
import type { Mark } from '@/core/takeoff/records';
import type { Adjusted } from '@/core/takeoff/network';
import { takeOffOf } from '@/core/takeoff/records';
import { LengthField } from '../../fields/NumberField';
import { FIGURES, PAPER } from '../../theme';
import type { StationProps } from './TakeOff';

/** Every tape between two marks, and the pairs that have none yet. */
export function MarkTapes({
  build,
  unit,
  network,
  onTakeOff,
}: StationProps & { network: Adjusted | null }) {
  const { marks, between } = takeOffOf(build);
  const name = (id: string) => marks.find((mark) => mark.id === id)?.name ?? '?';
  const missing = pairsOf(marks).filter(
    ([a, b]) =>
      !between.some(
        ({ from, to }) => (from === a.id && to === b.id) || (from === b.id && to === a.id),
      ),
  );
  return (
    <Box component="section" aria-label="Tapes between the marks" sx={{ mt: 2 }}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        Tapes between the marks
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, 290px)',
          columnGap: 2,
          rowGap: 1.5,
        }}
      >
        {between.map((taped, i) => (
          <Box key={`${taped.from} ${taped.to}`} sx={{ display: 'flex', gap: 0.75 }}>
            <LengthField
              label={`${name(taped.from)} to ${name(taped.to)}`}
              value={taped.distance}
              unit={unit}
              schema={markDistanceSchema.shape.distance}
              onValue={(mm, step) =>
                onTakeOff((draft) => void (draft.between[i].distance = mm), step)
              }
              width={116}
            />
            <LengthField
              label="±"
              value={taped.tolerance}
              unit={unit}
              schema={markDistanceSchema.shape.tolerance}
              onValue={(mm, step) =>
                onTakeOff((draft) => void (draft.between[i].tolerance = mm), step)
              }
              width={80}
            />
            <Box sx={{ alignSelf: 'center', fontFamily: FIGURES, color: PAPER.soft, flex: 1 }}>
              {network?.ok && Math.abs(network.value.residuals[i]) >= 0.05
                ? readable(printLength(Math.round(network.value.residuals[i] * 10) / 10, unit))
                : ''}
            </Box>
            <IconButton
              size="small"
              aria-label={`Leave out ${name(taped.from)} to ${name(taped.to)}`}
              onClick={() => onTakeOff((draft) => void draft.between.splice(i, 1))}
            >
              <DeleteIcon fontSize="small" />
            </IconButton>
          </Box>
        ))}
      </Box>
      {missing.length > 0 && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, mt: 1, alignItems: 'center' }}>
          <Typography variant="body2">Not taped yet:</Typography>
          {missing.slice(0, 24).map(([a, b]) => (
            <Button
              key={`${a.id} ${b.id}`}
              size="small"
              variant="outlined"
              sx={{ minWidth: 0, px: 1, py: 0 }}
              onClick={() =>
                onTakeOff((draft) =>
                  draft.between.push({
                    from: a.id,
                    to: b.id,
                    distance: roughly(a, b),
                    tolerance: USUAL.tape,
                  }),
                )
              }
            >
              {a.name} to {b.name}
            </Button>
          ))}
        </Box>
      )}
    </Box>
  );
}

const pairsOf = (marks: Mark[]): [Mark, Mark][] =>
  marks.flatMap((a, i) => marks.slice(i + 1).map((b): [Mark, Mark] => [a, b]));

/** To be typed over by what the tape says. */
const roughly = (a: Mark, b: Mark): number =>
  Math.max(1, Math.round(Math.hypot(a.ahead - b.ahead, a.left - b.left, a.up - b.up)));
