'use client';

import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import UndoIcon from '@mui/icons-material/UndoOutlined';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { printLength, readable } from '@/core/model/units';
import { USUAL, counts, markDistanceSchema } from '@/core/model/takeOff';
import type { Mark, MarkDistance } from '@/core/model/takeOff';
import type { Adjusted } from '@/core/takeoff/network';
import { takeOffOf } from '@/core/model/takeOff';
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
  /** How far a tape is off: the network has one residual for each that counts. */
  const offOf = (i: number): string => {
    const k = between.filter(counts).indexOf(between[i] as MarkDistance & { distance: number });
    const off = network?.ok && k >= 0 ? network.value.residuals[k] : 0;
    return Math.abs(off) >= 0.05 ? readable(printLength(Math.round(off * 10) / 10, unit)) : '';
  };
  const missing = pairsOf(marks).filter(
    ([a, b]) =>
      !between.some(
        ({ from, to }) => (from === a.id && to === b.id) || (from === b.id && to === a.id),
      ),
  );
  return (
    <Box component="section" aria-label="Tapes between the marks" sx={{ mt: 2 }}>
      <Typography variant="h3" component="h2" sx={{ mb: 1 }}>
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
          <Box key={`${taped.from} ${taped.to} ${i}`} sx={{ display: 'flex', gap: 0.75 }}>
            <LengthField
              label={`${name(taped.from)} to ${name(taped.to)}`}
              value={taped.distance}
              unit={unit}
              schema={markDistanceSchema.shape.distance}
              placeholder="read off"
              struck={taped.leftOut === true}
              onValue={(mm, step) =>
                onTakeOff((draft) => void (draft.between[i].distance = mm), step)
              }
              onClear={(step) => onTakeOff((draft) => void delete draft.between[i].distance, step)}
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
              {taped.leftOut ? 'left out' : offOf(i)}
            </Box>
            {taped.leftOut ? (
              <IconButton
                size="small"
                aria-label={`Count ${name(taped.from)} to ${name(taped.to)} again`}
                onClick={() => onTakeOff((draft) => void delete draft.between[i].leftOut)}
              >
                <UndoIcon fontSize="small" />
              </IconButton>
            ) : (
              <IconButton
                size="small"
                aria-label={`Leave out ${name(taped.from)} to ${name(taped.to)}`}
                onClick={() =>
                  onTakeOff((draft) => {
                    // A reading is kept, struck through; an empty row is only a row.
                    if (draft.between[i].distance === undefined) draft.between.splice(i, 1);
                    else draft.between[i].leftOut = true;
                  })
                }
              >
                <DeleteIcon fontSize="small" />
              </IconButton>
            )}
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
                  draft.between.push({ from: a.id, to: b.id, tolerance: USUAL.tape }),
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
