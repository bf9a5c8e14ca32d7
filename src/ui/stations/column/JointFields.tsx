'use client';

import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import ExpandIcon from '@mui/icons-material/ExpandMore';
import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { jointName } from '@/core/column/places';
import { withKind, withoutJoint } from '@/core/column/pathMoves';
import { fitOf } from '@/core/model/parts';
import { columnJointSchema, isBox, playSchema } from '@/core/model/column';
import type { ColumnJoint } from '@/core/model/column';
import { AngleField, LengthField, PlainField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { FromShelf } from '../../shelf/FromShelf';
import { FIGURES, PAPER } from '../../theme';
import { VerdictMark } from '../../verdict';
import { FIELD, FitFields, PickField, PlaceFields, Row } from './fields';
import type { PartProps } from './parts';
import { takeColumn } from './parts';

const KINDS = ['single', 'double', 'box'] as const;
const KIND_WORDS = {
  single: 'plain joint',
  double: 'double joint',
  box: 'box: bevels, chain, gears',
} as const;
const VERDICT = { fine: 'accept', 'past comfort': 'look again', 'too sharp': 'rework' } as const;

const [joint, box] = columnJointSchema.options;
const { outside, length } = joint.shape;
const limit = joint.shape.limit.unwrap();
const unseated = joint.shape.unseated.unwrap();

/** One joint or box: what it is, where it is, how it is made. */
export function JointFields({
  column,
  measured,
  unit,
  j,
  open,
  onSelect,
  onColumn,
  onEdit,
}: PartProps & { j: number; open: boolean }) {
  const one = column.joints[j];
  const name = jointName(column.joints, j);
  const state = measured.ok ? measured.joints.find((at) => at.joint === j) : undefined;
  const put = (change: (draft: ColumnJoint) => void, step?: string) =>
    onColumn((draft) => change(draft.joints[j]), step);
  return (
    <Accordion
      disableGutters
      variant="outlined"
      expanded={open}
      onChange={(_, now) => onSelect(now ? `joint ${j}` : '')}
      slotProps={{ transition: { unmountOnExit: true, timeout: 0 } }}
      data-column-joint={j}
      sx={{ bgcolor: 'transparent', borderColor: PAPER.line }}
    >
      <AccordionSummary expandIcon={<ExpandIcon />} sx={{ minHeight: 36, px: 1 }}>
        <Typography variant="body2" component="span" sx={{ flex: 1 }}>
          <b>{name}</b> {one.part ?? KIND_WORDS[one.kind]}
        </Typography>
        {state && (
          <Typography variant="body2" component="span" sx={{ mr: 1, fontFamily: FIGURES }}>
            {state.bend.toFixed(1)}° <VerdictMark verdict={VERDICT[state.state]} />
          </Typography>
        )}
        {isBox(one) && (
          <Typography variant="body2" component="span" sx={{ mr: 1, fontFamily: FIGURES }}>
            1 : {one.ratio}
            {one.reverses ? ', turns round' : ''}
          </Typography>
        )}
      </AccordionSummary>
      <AccordionDetails sx={{ px: 1, pt: 0 }}>
        <Row>
          <PickField
            label="what it is"
            value={one.kind}
            options={KINDS}
            words={KIND_WORDS}
            onPick={(kind) => takeColumn(onEdit, withKind(column, j, kind))}
            width={200}
          />
          {one.at && (
            <PlaceFields
              label={isBox(one) ? 'shaft in' : 'middle'}
              place={one.at}
              unit={unit}
              onValue={(way, mm, step) =>
                put((draft) => {
                  if (draft.at) draft.at[way] = mm;
                }, step)
              }
            />
          )}
          {isBox(one) && one.out && (
            <PlaceFields
              label="shaft out"
              place={one.out}
              unit={unit}
              onValue={(way, mm, step) =>
                put((draft) => {
                  if (isBox(draft) && draft.out) draft.out[way] = mm;
                }, step)
              }
            />
          )}
          <LengthField
            label="sweeps, across"
            value={one.outside}
            unit={unit}
            schema={outside}
            onValue={(mm, step) => put((draft) => void (draft.outside = mm), step)}
            width={FIELD + 16}
          />
          <LengthField
            label="centre to end"
            value={one.length}
            unit={unit}
            schema={length}
            onValue={(mm, step) => put((draft) => void (draft.length = mm), step)}
            width={FIELD + 10}
          />
          {isBox(one) ? (
            <>
              <PlainField
                label="turns out for one in"
                ending=""
                value={one.ratio}
                schema={box.shape.ratio}
                onValue={(ratio, step) =>
                  put((draft) => {
                    if (isBox(draft)) draft.ratio = ratio;
                  }, step)
                }
                width={FIELD + 44}
              />
              <Toggle
                label="turns the other way round"
                on={one.reverses ?? false}
                onSwitch={(reverses) =>
                  put((draft) => {
                    if (isBox(draft)) draft.reverses = reverses;
                  })
                }
              />
            </>
          ) : (
            <AngleField
              label="maker’s limit"
              value={one.limit}
              schema={limit}
              onValue={(degrees, step) =>
                put((draft) => {
                  if (!isBox(draft)) draft.limit = degrees;
                }, step)
              }
              placeholder=""
              onClear={(step) =>
                put((draft) => {
                  if (!isBox(draft)) delete draft.limit;
                }, step)
              }
              width={FIELD}
            />
          )}
          <LengthField
            label="not fully on by"
            value={one.unseated}
            unit={unit}
            schema={unseated}
            onValue={(mm, step) => put((draft) => void (draft.unseated = mm), step)}
            placeholder=""
            onClear={(step) => put((draft) => void delete draft.unseated, step)}
            width={FIELD + 16}
          />
          <AngleField
            label="play"
            value={one.play?.degrees}
            schema={playSchema.shape.degrees}
            onValue={(degrees, step) =>
              put((draft) => {
                draft.play = { measured: false, ...draft.play, degrees };
              }, step)
            }
            placeholder=""
            onClear={(step) => put((draft) => void delete draft.play, step)}
            width={FIELD - 16}
          />
          {one.play && (
            <Toggle
              label="play measured"
              on={one.play.measured}
              onSwitch={(is) =>
                put((draft) => {
                  if (draft.play) draft.play.measured = is;
                })
              }
            />
          )}
        </Row>
        <Row>
          {(['above', 'below'] as const).map((end) => (
            <FitFields
              key={end}
              label={end}
              fit={one[end]}
              unit={unit}
              onFit={(fit, step) =>
                put((draft) => {
                  if (fit) draft[end] = fit;
                  else delete draft[end];
                }, step)
              }
            />
          ))}
        </Row>
        {!isBox(one) && (
          <FromShelf
            kind="columnJoint"
            title="Take a joint from the shelf"
            onPick={(part) =>
              onColumn((draft) => {
                const kept = withKind(draft, j, part.joint).joints[j];
                draft.joints[j] = {
                  ...kept,
                  ...{ part: part.name, outside: part.outside, length: part.length },
                  ...(!isBox(kept) && { limit: part.limit }),
                  ...{ above: fitOf(part.above), below: fitOf(part.below) },
                };
              })
            }
          />
        )}
        {column.joints.length > 1 && (
          <Button
            size="small"
            startIcon={<DeleteIcon />}
            onClick={() => {
              onSelect('');
              takeColumn(onEdit, withoutJoint(column, j));
            }}
          >
            Take {name} out
          </Button>
        )}
      </AccordionDetails>
    </Accordion>
  );
}
