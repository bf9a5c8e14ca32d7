'use client';

import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { columnPoints } from '@/core/column/move';
import { OFF_RACK, pinionOffRack } from '@/core/column/places';
import { wantedOf } from '@/core/column/measure';
import { withJointIn } from '@/core/column/pathMoves';
import { columnWantedSchema, pinionSchema } from '@/core/model/column';
import type { Column, ColumnWanted } from '@/core/model/column';
import { PLACE_WAYS } from '@/core/model/place';
import type { Freedom } from '@/core/model/freedoms';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { AngleField, LengthField, PlainField } from '../../fields/NumberField';
import { FREEDOM_WORDS, FreedomRow } from '../FreedomRow';
import type { FreedomChoice } from '../FreedomRow';
import { VERDICT } from '../../theme';
import { Section } from '../brief/parts';
import { TwoColumns } from '../steering/TwoColumns';
import { rackOf } from './ColumnFloor';
import { JointFields } from './JointFields';
import { FIELD, FitFields, PlaceFields, Row } from './fields';
import type { EditColumn, PartProps } from './parts';
import { takeColumn } from './parts';

/** Every joint, the pinion, what may still be changed of them, and what is asked of the column. */
export function LinePart(props: PartProps) {
  const { column, unit, selected, onSelect, onColumn, onEdit } = props;
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
        <Freedoms {...{ column, unit, selected, onSelect, onColumn }} />
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

/** Kinds of freedom that a place of a column may have. */
const CHOICES = (Object.keys(FREEDOM_WORDS) as FreedomChoice[]).filter(
  (kind) => kind !== 'plate' && kind !== 'rackWidth',
);

/** What may still be changed of the place that is picked. */
function Freedoms({
  column,
  unit,
  selected,
  onColumn,
}: Pick<PartProps, 'column' | 'unit' | 'selected' | 'onSelect' | 'onColumn'>) {
  const point = columnPoints(column).find(({ id }) => id === selected);
  const of = point && freedomsOf(column, point.id);
  if (!point)
    return (
      <Section title="What may still be changed">
        <Typography variant="body2">
          Pick a place on the slate: handwheel, joint, bearing or pinion.
        </Typography>
      </Section>
    );
  const label = point.label.charAt(0).toUpperCase() + point.label.slice(1);
  return (
    <Section title={`${label}: what may still be changed?`}>
      {of === 'pinion' ? (
        <PinionFreedoms column={column} unit={unit} onColumn={onColumn} />
      ) : of === null ? (
        <Typography variant="body2">
          It goes where it is drawn; what may be changed is said of handwheel, joints, bearings and
          pinion.
        </Typography>
      ) : (
        PLACE_WAYS.map((way, i) => (
          <FreedomRow
            key={point.id + way}
            coordinate={way}
            kinds={CHOICES}
            now={point.at[i]}
            freedom={point.freedoms?.[way]}
            unit={unit}
            onFreedom={(freedom, step) =>
              onColumn((draft) => {
                const target = freedomsOf(draft, point.id);
                if (target === null || target === 'pinion') return;
                putFreedom(target, way, freedom);
              }, step)
            }
          />
        ))
      )}
    </Section>
  );
}

type Holder = { freedoms?: Column['wheel']['freedoms'] };

/** What of a column holds the freedoms of one of its places: the pinion for what lies on its line, none for what has none. */
function freedomsOf(column: Column, id: string): Holder | 'pinion' | null {
  const [what, which] = id.split(' ');
  if (id === 'wheel') return column.wheel;
  if (id === 'tip' || id === 'foot') return 'pinion';
  if (what === 'support')
    return column.supports.find((one) => one.id === id.slice('support '.length)) ?? null;
  if (what !== 'joint') return null;
  const joint = column.joints[Number(which)];
  return joint?.at ? joint : 'pinion';
}

function putFreedom(target: Holder, way: (typeof PLACE_WAYS)[number], freedom: Freedom | null) {
  const own = (target.freedoms ??= {});
  if (freedom) own[way] = freedom;
  else delete own[way];
}

/** How far the last joint may go on, and the rack be turned about its axis. */
function PinionFreedoms({
  column,
  unit,
  onColumn,
}: {
  column: Column;
  unit: LengthUnit;
  onColumn: EditColumn;
}) {
  const { reach, reachFreedom, turn } = column.pinion;
  const put =
    (key: 'reachFreedom' | 'turn', end: 'min' | 'max', start: number) =>
    (value: number, step: string) =>
      onColumn((draft) => {
        const own = (draft.pinion[key] ??= { min: start, max: start });
        own[end] = value;
      }, step);
  const clear = (key: 'reachFreedom' | 'turn') => (step: string) =>
    onColumn((draft) => void delete draft.pinion[key], step);
  return (
    <>
      <Row>
        {(['min', 'max'] as const).map((end) => (
          <LengthField
            key={end}
            label={`last joint, ${end === 'min' ? 'least' : 'most'} past the tip`}
            value={reachFreedom?.[end]}
            unit={unit}
            schema={pinionSchema.shape.reach}
            onValue={put('reachFreedom', end, reach)}
            placeholder=""
            onClear={clear('reachFreedom')}
            width={FIELD + 84}
          />
        ))}
      </Row>
      <Row>
        {(['min', 'max'] as const).map((end) => (
          <AngleField
            key={end}
            label={`rack turned, ${end === 'min' ? 'top of pinion back' : 'ahead'} to`}
            value={turn?.[end]}
            schema={pinionSchema.shape.turn.unwrap().shape.min}
            onValue={put('turn', end, 0)}
            placeholder=""
            onClear={clear('turn')}
            width={FIELD + 84}
          />
        ))}
      </Row>
      <Typography variant="caption" component="p" color="text.secondary">
        From where it is now: − back, + ahead. A rack that is turned takes its inner joints’ height
        along where they are not on its axis; its mounts are made anew.
      </Typography>
    </>
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
