'use client';

import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import UndoIcon from '@mui/icons-material/UndoOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { Point } from '@/core/model/points';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { measure, tolerance } from '@/core/model/wording';
import type { PlaceRead } from '@/core/takeoff/measured';
import { USUAL } from '@/core/model/takeOff';
import type { ByDistances, Mark } from '@/core/model/takeOff';
import { Choice } from '../../fields/Choice';
import { LengthField } from '../../fields/NumberField';
import { FIGURES, PAPER, VERDICT } from '../../theme';
import type { RecordChange } from './RecordEditor';

const distanceSchema = measure('mm', 1, 20_000).optional();
const toleranceSchema = tolerance('mm', 100);

/** Tapes to datum marks, how well they meet, and which of two mirror images is meant. */
export function DistanceFields({
  record,
  marks,
  place,
  unit,
  change,
}: {
  record: ByDistances;
  marks: Mark[];
  place: PlaceRead | null;
  unit: LengthUnit;
  change: RecordChange;
}) {
  const edit = (act: (draft: ByDistances) => void, step?: string) =>
    change((draft) => {
      if (draft.method === 'distances') act(draft);
    }, step);
  const unused = marks.filter(({ id }) => !record.tapes.some(({ mark }) => mark === id));
  const placed = place?.ok ? place.placed : undefined;
  /** What the place says of a tape of the record, if the tape counts. */
  const of = (i: number) => {
    const k = place?.ok ? (place.tapes?.indexOf(i) ?? -1) : -1;
    if (!placed || k < 0) return null;
    const { conflict, residuals } = placed;
    return {
      off: residuals[k],
      suspect: conflict?.suspects.includes(k) ?? false,
      wouldRead: conflict?.wouldRead[k] ?? null,
    };
  };
  if (marks.length < 3)
    return (
      <Typography variant="body2">
        {marks.length === 0 ? 'There are no datum marks yet' : 'Three marks are the least'}: set
        them under “Datum marks”, with the tapes between them.
      </Typography>
    );
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      {record.tapes.map((tape, i) => {
        const name = marks.find(({ id }) => id === tape.mark)?.name ?? '?';
        const said = of(i);
        return (
          <Box
            key={tape.mark}
            data-tape={name}
            sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}
          >
            <LengthField
              label={`to ${name}`}
              value={tape.distance}
              unit={unit}
              schema={distanceSchema}
              placeholder="read off"
              struck={tape.leftOut === true}
              onValue={(mm, step) => edit((draft) => void (draft.tapes[i].distance = mm), step)}
              onClear={(step) => edit((draft) => void delete draft.tapes[i].distance, step)}
              width={112}
            />
            <LengthField
              label="±"
              value={tape.tolerance}
              unit={unit}
              schema={toleranceSchema}
              onValue={(mm, step) => edit((draft) => void (draft.tapes[i].tolerance = mm), step)}
              width={80}
            />
            <Box
              component="output"
              aria-label="Off by"
              sx={{
                flex: 1,
                alignSelf: 'center',
                fontFamily: FIGURES,
                fontSize: 13,
                lineHeight: 1.2,
                color: said?.suspect ? VERDICT.edge : PAPER.soft,
              }}
            >
              {tape.leftOut ? 'left out' : said && offBy(said.off, unit)}
              {said && said.wouldRead !== null && (
                <div>
                  {said.suspect ? '△ ' : ''}alone wrong: {printLength(round(said.wouldRead), unit)}
                </div>
              )}
            </Box>
            {tape.leftOut ? (
              <IconButton
                size="small"
                aria-label={`Count the tape to ${name} again`}
                onClick={() => edit((draft) => void delete draft.tapes[i].leftOut)}
              >
                <UndoIcon fontSize="small" />
              </IconButton>
            ) : (
              <IconButton
                size="small"
                aria-label="Leave this tape out"
                onClick={() =>
                  edit((draft) => {
                    // A reading is kept, struck through; an empty row is only a row.
                    if (draft.tapes[i].distance === undefined) draft.tapes.splice(i, 1);
                    else draft.tapes[i].leftOut = true;
                  })
                }
              >
                <DeleteIcon fontSize="small" />
              </IconButton>
            )}
          </Box>
        );
      })}
      {unused.length > 0 && (
        <TextField
          select
          label="Another tape, to"
          value=""
          onChange={(event) =>
            edit((draft) => draft.tapes.push({ mark: event.target.value, tolerance: USUAL.tape }))
          }
          sx={{ width: 210 }}
        >
          {unused.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {place?.ok && place.twin && (
        <Box>
          <Typography variant="body2" sx={{ mb: 0.5 }}>
            The tapes meet in two places, mirror images in the marks’ plane:
          </Typography>
          <Choice
            label="Which of the two"
            value={record.answer === 1 ? 'first' : 'second'}
            options={['first', 'second']}
            words={wordsFor(
              record.answer === 1 ? [place.point, place.twin] : [place.twin, place.point],
              unit,
            )}
            onPick={(which) => edit((draft) => void (draft.answer = which === 'first' ? 1 : -1))}
          />
        </Box>
      )}
      {record.tapes.length === 0 && <Button disabled>Three tapes are the least</Button>}
    </Box>
  );
}

const round = (mm: number) => Math.round(mm * 10) / 10;
const offBy = (mm: number, unit: LengthUnit): string =>
  Math.abs(mm) < 0.05
    ? 'fits'
    : `${mm > 0 ? 'short' : 'long'} by ${printLength(round(Math.abs(mm)), unit)}`;

/** Tells two places apart by the way they differ most. */
function wordsFor([first, second]: [Point, Point], unit: LengthUnit) {
  const way = (['up', 'out', 'ahead'] as const).reduce((a, b) =>
    Math.abs(first[b] - second[b]) > Math.abs(first[a] - second[a]) + 1 ? b : a,
  );
  const word = (point: Point) => `${readable(printLength(round(point[way]), unit))} ${way}`;
  return { first: word(first), second: word(second) };
}
