'use client';

import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { Closest } from '@/core/clearance/room';
import { startingRoom, wantedSchema } from '@/core/clearance/roomSchema';
import type { KeepOut, Room } from '@/core/clearance/roomSchema';
import { describePosition } from '@/core/kinematics/corner';
import { COORDINATES } from '@/core/model/points';
import type { Coordinate } from '@/core/model/points';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { coordinate, label, measure } from '@/core/model/wording';
import { LengthField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { FIGURES, PAPER, VERDICT } from '../../theme';
import type { FloorStation } from '../floorStation';
import { Tilts } from './Tilts';
import { useClearances } from './useClearances';

type Props = Pick<FloorStation, 'build' | 'axle' | 'side' | 'unit' | 'onEdit' | 'onShow'>;

const nameSchema = label();
const sizeSchema = measure('mm', 1, 5000);

/** Bodies to keep clear of, and the tightest places over the whole travel and lock. */
export function RoomPanel({ build, axle, side, unit, onEdit, onShow }: Props) {
  const { list, stale } = useClearances(build, axle, side);
  const design = build[axle] ?? build.front;
  const room = build.room ?? startingRoom();
  const edit = (change: (room: Room) => void, step?: string) =>
    onEdit((draft) => {
      draft.room ??= startingRoom();
      change(draft.room);
    }, step);
  const ahead = axle === 'front' ? 0 : -build.wheelbase;
  const start = { id: crypto.randomUUID(), axle };
  return (
    <Box component="section" aria-label="Room" sx={{ overflow: 'auto', minHeight: 0, pr: 0.5 }}>
      <Box sx={{ display: 'flex', gap: 1, pt: 1.25 }}>
        {(['moving', 'tyre', 'ground'] as const).map((what) => (
          <LengthField
            key={what}
            label={`keep: ${what}`}
            value={room.wanted[what]}
            unit={unit}
            schema={wantedSchema.shape[what]}
            onValue={(mm, step) => edit((draft) => void (draft.wanted[what] = mm), step)}
            width={124}
          />
        ))}
      </Box>
      <Tightest found={list} stale={stale} unit={unit} onShow={onShow} />
      <Tilts
        design={design}
        side={side}
        travel={build.travel}
        room={room}
        onEdit={edit}
        onShow={onShow}
      />
      {room.keepOuts.map((body, i) =>
        body.axle === axle ? (
          <Body
            key={body.id}
            body={body}
            unit={unit}
            onBody={(change, step) => edit((draft) => change(draft.keepOuts[i]), step)}
            onRemove={() => edit((draft) => void draft.keepOuts.splice(i, 1))}
          />
        ) : null,
      )}
      <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
        <Button
          size="small"
          variant="outlined"
          onClick={() =>
            edit((draft) =>
              draft.keepOuts.push({
                ...start,
                kind: 'box',
                name: 'frame rail',
                middle: { ahead, out: 200, up: 200 },
                size: { ahead: 600, out: 40, up: 60 },
              }),
            )
          }
        >
          Add a box
        </Button>
        <Button
          size="small"
          variant="outlined"
          onClick={() =>
            edit((draft) =>
              draft.keepOuts.push({
                ...start,
                kind: 'cylinder',
                name: 'damper',
                from: { ahead, out: 330, up: 420 },
                to: { ahead, out: 540, up: 190 },
                diameter: 60,
              }),
            )
          }
        >
          Add a round body
        </Button>
      </Box>
      <Typography variant="caption" color="text.secondary" component="p">
        Looked at in 45 positions of travel and lock, tubes at their drawn diameters, tyre and rim
        as a ring. Both sides alike. 10 mm round what moves, 20 round a tyre, 60 off the ground are
        common practice.
      </Typography>
    </Box>
  );
}

function Tightest({
  found,
  stale,
  unit,
  onShow,
}: {
  found: Closest[] | null | undefined;
  stale: boolean;
  unit: LengthUnit;
  onShow: Props['onShow'];
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
    <Box role="status" sx={{ my: 1, opacity: stale ? 0.6 : 1 }}>
      <Typography variant="body2" sx={{ fontWeight: 600 }}>
        {short.length === 0
          ? '✓ Everything keeps its distance. The tightest:'
          : `✕ ${short.length} too close. Click one to go there:`}
      </Typography>
      {found.slice(0, Math.max(3, Math.min(8, short.length))).map((one) => {
        const bad = one.clearance < 0;
        const close = one.clearance < one.wanted;
        return (
          <ButtonBase
            key={`${one.what} ${one.to}`}
            data-clearance={close ? 'close' : 'clear'}
            onClick={() => onShow({ travel: one.travel, rack: one.rack })}
            sx={{
              display: 'flex',
              width: '100%',
              gap: 1,
              textAlign: 'left',
              fontSize: 13.5,
              py: 0.25,
              '&:hover': { bgcolor: PAPER.wash },
            }}
          >
            <Box sx={{ flex: 1 }}>
              {one.what} to {one.to}
              <Box component="span" sx={{ color: 'text.secondary' }}>
                {' '}
                at {describePosition(one.travel, one.rack)}
              </Box>
            </Box>
            <Box
              sx={{
                fontFamily: FIGURES,
                fontWeight: 600,
                color: bad ? VERDICT.bad : close ? VERDICT.edge : VERDICT.good,
              }}
            >
              {bad
                ? `✕ ${mm(-one.clearance)} into it`
                : `${close ? '+ ' : '✓ '}${mm(one.clearance)}`}
            </Box>
          </ButtonBase>
        );
      })}
    </Box>
  );
}

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
    body.kind === 'box'
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
      <Box sx={{ display: 'flex', gap: 1 }}>
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
        <IconButton size="small" aria-label={`Remove ${body.name}`} onClick={onRemove}>
          <DeleteIcon fontSize="small" />
        </IconButton>
      </Box>
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
