'use client';

import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import ExpandIcon from '@mui/icons-material/ExpandMore';
import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { collarRoom } from '@/core/column/held';
import { SUPPORT_KINDS, supportSchema } from '@/core/model/column';
import type { ColumnSupport } from '@/core/model/column';
import { lengthIn } from '@/core/model/units';
import { label } from '@/core/model/wording';
import { AngleField, LengthField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { Toggle } from '../../fields/Toggle';
import { FromShelf } from '../../shelf/FromShelf';
import { PAPER, VERDICT } from '../../theme';
import { FIELD, PickField, Row } from './fields';
import type { PartProps } from './parts';

const nameSchema = label();
const { along, leans, play, collar, housing } = supportSchema.shape;
const SIZES = [
  ['collar', 'outside', 'collar, across', collar.unwrap().shape.outside],
  ['collar', 'thick', 'collar, thick', collar.unwrap().shape.thick],
  ['housing', 'width', 'housing, wide', housing.unwrap().shape.width],
  ['housing', 'ring', 'inner ring, wide', housing.unwrap().shape.ring],
] as const;
const START = { collar: { outside: 34, thick: 8 }, housing: { width: 12, ring: 16 } };

/** One bearing: on which shaft, where, of what kind, and what keeps the shaft along it. */
export function SupportFields({
  column,
  unit,
  support,
  open,
  onSelect,
  onColumn,
}: PartProps & { support: ColumnSupport; open: boolean }) {
  const put = (change: (draft: ColumnSupport) => void, step?: string) =>
    onColumn((draft) => {
      const own = draft.supports.find(({ id }) => id === support.id);
      if (own) change(own);
    }, step);
  const shafts = column.shafts.map((_, i) => String(i + 1));
  const room = collarRoom(support);
  const swivels = support.kind !== 'plain';
  return (
    <Accordion
      disableGutters
      variant="outlined"
      expanded={open}
      onChange={(_, now) => onSelect(now ? `support ${support.id}` : '')}
      slotProps={{ transition: { unmountOnExit: true, timeout: 0 } }}
      data-support={support.name}
      sx={{ bgcolor: 'transparent', borderColor: PAPER.line }}
    >
      <AccordionSummary expandIcon={<ExpandIcon />} sx={{ minHeight: 36, px: 1 }}>
        <Typography variant="body2" component="span">
          <b>{support.name}</b> {support.kind}, shaft {support.shaft},{' '}
          {lengthIn(support.along, unit)} down
        </Typography>
      </AccordionSummary>
      <AccordionDetails sx={{ px: 1, pt: 0 }}>
        <Row>
          <TextLine
            label="what it is called"
            value={support.name}
            schema={nameSchema}
            onValue={(name) => put((draft) => void (draft.name = name), `support-${support.id}`)}
            width={FIELD + 40}
          />
          <PickField
            label="on shaft"
            value={String(support.shaft)}
            options={shafts}
            onPick={(shaft) => put((draft) => void (draft.shaft = Number(shaft)))}
            width={86}
          />
          <LengthField
            label="down from its upper end"
            value={Math.round(support.along * 100) / 100}
            unit={unit}
            schema={along}
            onValue={(mm, step) => put((draft) => void (draft.along = mm), step)}
            width={FIELD + 52}
          />
          <PickField
            label="kind"
            value={support.kind}
            options={SUPPORT_KINDS}
            words={{ plain: 'plain bearing', spherical: 'spherical bearing' }}
            onPick={(kind) => put((draft) => void (draft.kind = kind))}
          />
          <Toggle
            label="collar above"
            on={support.collarAbove}
            onSwitch={(is) => put((draft) => void (draft.collarAbove = is))}
          />
          <Toggle
            label="collar below"
            on={support.collarBelow}
            onSwitch={(is) => put((draft) => void (draft.collarBelow = is))}
          />
          <LengthField
            label="play, radial"
            value={support.play}
            unit={unit}
            schema={play.unwrap()}
            onValue={(mm, step) => put((draft) => void (draft.play = mm), step)}
            placeholder=""
            onClear={(step) => put((draft) => void delete draft.play, step)}
            width={FIELD}
          />
          {swivels && (
            <AngleField
              label="housing off square"
              value={support.leans}
              schema={leans.unwrap()}
              onValue={(degrees, step) => put((draft) => void (draft.leans = degrees), step)}
              placeholder=""
              onClear={(step) => put((draft) => void delete draft.leans, step)}
              width={FIELD + 24}
            />
          )}
          {swivels &&
            SIZES.map(([group, key, word, schema]) => (
              <LengthField
                key={word}
                label={word}
                value={(support[group] as Record<string, number> | undefined)?.[key]}
                unit={unit}
                schema={schema}
                onValue={(mm, step) =>
                  put((draft) => {
                    const own = (draft[group] ??= { ...START[group] } as never);
                    (own as Record<string, number>)[key] = mm;
                  }, step)
                }
                width={FIELD + 12}
              />
            ))}
        </Row>
        {room && (
          <Typography
            variant="body2"
            data-collar
            sx={{ color: room.gap < 0 ? VERDICT.bad : VERDICT.good }}
          >
            {room.gap >= 0
              ? `✓ The collar stands ${lengthIn(room.gap, unit, 1)} off the housing; it would rub at ${room.rubsAt.toFixed(1)}°.`
              : `✕ The collar rubs the housing from ${room.rubsAt.toFixed(1)}° on, and it is ${support.leans}° off: ${cure(room, unit)}.`}
          </Typography>
        )}
        <FromShelf
          kind="bearing"
          title="Take a bearing from the shelf"
          onPick={({ form, width, ring }) =>
            put((draft) => {
              draft.kind = form;
              draft.housing = { width, ring };
            })
          }
        />
        <FromShelf
          kind="collar"
          title="Take a collar from the shelf"
          onPick={({ outside, thick }) => put((draft) => void (draft.collar = { outside, thick }))}
        />
        <Button
          size="small"
          startIcon={<DeleteIcon />}
          onClick={() =>
            onColumn((draft) => {
              draft.supports = draft.supports.filter(({ id }) => id !== support.id);
            })
          }
        >
          Take {support.name} out
        </Button>
      </AccordionDetails>
    </Accordion>
  );
}

const cure = (
  { chamfer, outside }: NonNullable<ReturnType<typeof collarRoom>>,
  unit: PartProps['unit'],
): string =>
  [
    chamfer === null ? '' : `chamfer it ${lengthIn(chamfer, unit, 1)} at 45°`,
    outside === null ? '' : `take one ${lengthIn(outside, unit, 1)} across at the most`,
  ]
    .filter(Boolean)
    .join(', or ') || 'no collar clears it: turn the housing square to the shaft';
