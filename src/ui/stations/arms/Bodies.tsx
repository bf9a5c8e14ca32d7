import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { surfaceOf } from '@/core/model/mesh';
import { startingRoom } from '@/core/model/room';
import type { KeepOut, Room } from '@/core/model/room';
import type { AxleName } from '@/core/model/build';
import { COORDINATES } from '@/core/model/points';
import type { Coordinate } from '@/core/model/points';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { coordinate, counted, label, measure } from '@/core/model/wording';
import { Choice } from '../../fields/Choice';
import { LengthField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { PAPER } from '../../theme';
import { FromFile } from './FromFile';

const nameSchema = label();
const sizeSchema = measure('mm', 1, 5000);
const ON_SIDES = ['both', 'left', 'right'] as const;

export type RoomChange = (change: (room: Room) => void, step?: string) => void;

/** Bodies to keep clear of, typed, and new ones. */
export const Bodies = memo(function Bodies({
  keepOuts,
  axle,
  ahead,
  unit,
  onRoom,
}: {
  keepOuts: Room['keepOuts'] | undefined;
  axle: AxleName;
  /** Where the axle is. */
  ahead: number;
  unit: LengthUnit;
  onRoom: RoomChange;
}) {
  const bodies = keepOuts ?? startingRoom().keepOuts;
  const add = (make: (id: string) => KeepOut) =>
    onRoom((draft) => void draft.keepOuts.push(make(crypto.randomUUID())));
  return (
    <>
      {bodies.map((body, i) =>
        body.axle === axle ? (
          <Body
            key={body.id}
            body={body}
            unit={unit}
            onBody={(change, step) => onRoom((draft) => change(draft.keepOuts[i]), step)}
            onRemove={() => onRoom((draft) => void draft.keepOuts.splice(i, 1))}
          />
        ) : null,
      )}
      <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
        <Button
          size="small"
          variant="outlined"
          onClick={() =>
            add((id) => ({
              id,
              axle,
              kind: 'box',
              name: 'frame rail',
              middle: { ahead, out: 200, up: 200 },
              size: { ahead: 600, out: 40, up: 60 },
            }))
          }
        >
          Add a box
        </Button>
        <Button
          size="small"
          variant="outlined"
          onClick={() =>
            add((id) => ({
              id,
              axle,
              kind: 'cylinder',
              name: 'damper',
              from: { ahead, out: 330, up: 420 },
              to: { ahead, out: 540, up: 190 },
              diameter: 60,
            }))
          }
        >
          Add a round body
        </Button>
        <FromFile axle={axle} unit={unit} onBody={(make) => add(make)} />
      </Box>
    </>
  );
});

function Body({
  body,
  unit,
  onBody,
  onRemove,
}: {
  body: KeepOut;
  unit: LengthUnit;
  onBody: (change: (body: KeepOut) => void, step?: string) => void;
  onRemove: () => void;
}) {
  const parts =
    body.kind === 'mesh'
      ? []
      : body.kind === 'box'
        ? ([
            ['middle', 'middle', coordinate],
            ['size', 'size', sizeSchema],
          ] as const)
        : ([
            ['from', 'from', coordinate],
            ['to', 'to', coordinate],
          ] as const);
  return (
    <Box
      data-body={body.name}
      sx={{ borderTop: `1px solid ${PAPER.line}`, pt: 1.25, pb: 0.75, display: 'grid', gap: 1.25 }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <TextLine
          label="Body"
          value={body.name}
          schema={nameSchema}
          onValue={(name) => onBody((draft) => void (draft.name = name), `body-${body.id}`)}
          width={180}
        />
        {body.kind === 'cylinder' && (
          <LengthField
            label="diameter"
            value={body.diameter}
            unit={unit}
            schema={sizeSchema}
            onValue={(mm, step) =>
              onBody((draft) => {
                if (draft.kind === 'cylinder') draft.diameter = mm;
              }, step)
            }
            width={110}
          />
        )}
        <Choice
          label={`${body.name}: on which side`}
          value={body.side ?? 'both'}
          options={ON_SIDES}
          words={{ both: 'both sides', left: 'left', right: 'right' }}
          onPick={(side) =>
            onBody((draft) => {
              if (side === 'both') delete draft.side;
              else draft.side = side;
            })
          }
        />
        <IconButton size="small" aria-label={`Remove ${body.name}`} onClick={onRemove}>
          <DeleteIcon fontSize="small" />
        </IconButton>
      </Box>
      {body.kind === 'mesh' && (
        <Typography variant="body2">
          From {body.file}, {counted(surfaceOf(body)!.triangles.length / 3, 'triangle')}
          {body.exact > 0 &&
            `, thinned: every distance is told ${lengthIn(body.exact, unit, 1)} less for that`}
          . A skin: what is all inside it is not known to be in it.
        </Typography>
      )}
      {parts.map(([key, word, schema]) => (
        <Box key={key} sx={{ display: 'flex', gap: 1 }}>
          {COORDINATES.map((c: Coordinate) => (
            <LengthField
              key={c}
              label={`${word}, ${c}`}
              value={(body as unknown as Record<string, Record<Coordinate, number>>)[key][c]}
              unit={unit}
              schema={schema}
              onValue={(mm, step) =>
                onBody((draft) => {
                  (draft as unknown as Record<string, Record<Coordinate, number>>)[key][c] = mm;
                }, step)
              }
              width={116}
            />
          ))}
        </Box>
      ))}
    </Box>
  );
}
