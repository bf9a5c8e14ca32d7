'use client';

import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { OFF_RACK, pinionOffRack } from '@/core/column/places';
import { wantedOf } from '@/core/column/measure';
import { withJointIn } from '@/core/column/pathMoves';
import { columnWantedSchema, pinionSchema } from '@/core/model/column';
import type { Column, ColumnWanted } from '@/core/model/column';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { AngleField, LengthField, PlainField } from '../../fields/NumberField';
import { VERDICT } from '../../theme';
import { Section } from '../brief/parts';
import { TwoColumns } from '../steering/TwoColumns';
import { rackOf } from './ColumnFloor';
import { ColumnFreedoms } from './ColumnFreedoms';
import { JointFields } from './JointFields';
import { FIELD, FitFields, PlaceFields, Row } from './fields';
import type { EditColumn, PartProps } from './parts';
import { takeColumn } from './parts';

/** Every joint, the pinion, what may still be changed of them, and what is asked of the column. */
export function LinePart(props: PartProps) {
  const { column, unit, selected, onColumn, onEdit } = props;
  const { joints, pinion } = column;
  const rack = rackOf(props.build);
  const off = rack && pinionOffRack(column, rack);
  return (
    <TwoColumns>
      <div>
        <Section title="Joints, from the handwheel down">
          {joints.map((_, j) => (
            <JointFields key={j} {...props} j={j} open={selected === `joint ${j}`} />
          ))}
          {joints.length < 6 && (
            <Button
              size="small"
              onClick={() => takeColumn(onEdit, withJointIn(column, joints.length - 1))}
            >
              Add a joint
            </Button>
          )}
        </Section>
        <Section title="Pinion">
          <Row>
            {(['tip', 'foot'] as const).map((end) => (
              <PlaceFields
                key={end}
                label={end === 'tip' ? 'tip' : 'at the rack'}
                place={pinion[end]}
                unit={unit}
                onValue={(way, mm, step) =>
                  onColumn((draft) => void (draft.pinion[end][way] = mm), step)
                }
              />
            ))}
            <LengthField
              label="last joint past the tip"
              value={pinion.reach}
              unit={unit}
              schema={pinionSchema.shape.reach}
              onValue={(mm, step) => onColumn((draft) => void (draft.pinion.reach = mm), step)}
              width={FIELD + 44}
            />
            <FitFields
              label="pinion"
              fit={pinion.fit}
              unit={unit}
              onFit={(fit, step) =>
                onColumn((draft) => {
                  if (fit) draft.pinion.fit = fit;
                  else delete draft.pinion.fit;
                }, step)
              }
            />
          </Row>
          {off !== null && off > OFF_RACK && (
            <Typography variant="body2" sx={{ color: VERDICT.edge }} data-off-rack>
              △ The pinion’s line passes the rack’s joints by {lengthIn(off, unit)}: was the rack
              moved without it?
            </Typography>
          )}
        </Section>
      </div>
      <div>
        <ColumnFreedoms {...{ column, unit, selected, onColumn }} />
        <Wanted column={column} unit={unit} onColumn={onColumn} />
        <Button
          size="small"
          startIcon={<DeleteIcon />}
          onClick={() => onEdit((draft) => void delete draft.front.column)}
        >
          Take the whole column out
        </Button>
      </div>
    </TwoColumns>
  );
}

/** What is asked of the column. */
function Wanted({
  column,
  unit,
  onColumn,
}: {
  column: Column;
  unit: LengthUnit;
  onColumn: EditColumn;
}) {
  const wanted = wantedOf(column);
  const put = (key: keyof ColumnWanted) => (value: number, step: string) =>
    onColumn((draft) => {
      draft.wanted = { ...wantedOf(draft), [key]: value };
    }, step);
  return (
    <Section title="What is asked of it">
      <Row>
        <AngleField
          label="plain joint, most"
          value={wanted.sharpest}
          schema={columnWantedSchema.shape.sharpest}
          onValue={put('sharpest')}
          width={FIELD + 24}
        />
        <AngleField
          label="in comfort"
          value={wanted.comfort}
          schema={columnWantedSchema.shape.comfort}
          onValue={put('comfort')}
          width={FIELD}
        />
        <PlainField
          label="ripple, most"
          ending="%"
          value={wanted.ripple}
          schema={columnWantedSchema.shape.ripple}
          onValue={put('ripple')}
          width={FIELD}
        />
        <LengthField
          label="clear of bodies"
          value={wanted.clear}
          unit={unit}
          schema={columnWantedSchema.shape.clear}
          onValue={put('clear')}
          width={FIELD + 14}
        />
        <PlainField
          label="joints, most"
          ending=""
          value={wanted.joints}
          schema={columnWantedSchema.shape.joints}
          onValue={put('joints')}
          width={FIELD}
        />
      </Row>
      <Typography variant="caption" component="p" color="text.secondary">
        A plain joint to about 35°, in comfort under 25°, a double one twice that: common practice;
        the maker of yours states its own.
      </Typography>
    </Section>
  );
}
