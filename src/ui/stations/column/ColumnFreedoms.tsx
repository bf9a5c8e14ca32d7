'use client';

import Typography from '@mui/material/Typography';
import { columnPoints } from '@/core/column/move';
import { pinionSchema } from '@/core/model/column';
import type { Column } from '@/core/model/column';
import type { Freedom } from '@/core/model/freedoms';
import { PLACE_WAYS } from '@/core/model/place';
import type { LengthUnit } from '@/core/model/units';
import { AngleField, LengthField } from '../../fields/NumberField';
import { VERDICT } from '../../theme';
import { FREEDOM_WORDS, FreedomRow } from '../FreedomRow';
import type { FreedomChoice } from '../FreedomRow';
import { Section } from '../brief/parts';
import { FIELD, Row } from './fields';
import type { EditColumn, PartProps } from './parts';

/** Kinds of freedom that a place of a column may have. */
const CHOICES = (Object.keys(FREEDOM_WORDS) as FreedomChoice[]).filter(
  (kind) => kind !== 'plate' && kind !== 'rackWidth',
);

/** What may still be changed of the place that is picked. */
export function ColumnFreedoms({
  column,
  unit,
  selected,
  onColumn,
}: Pick<PartProps, 'column' | 'unit' | 'selected' | 'onColumn'>) {
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
      {[reachFreedom, turn].some((one) => one && one.min > one.max) && (
        <Typography variant="body2" role="alert" sx={{ color: VERDICT.edge }}>
          △ A range runs backwards: write the smaller end first. Until then it is none.
        </Typography>
      )}
      <Typography variant="caption" component="p" color="text.secondary">
        From where it is now: − back, + ahead. A rack that is turned takes its inner joints’ height
        along where they are not on its axis; its mounts are made anew.
      </Typography>
    </>
  );
}
