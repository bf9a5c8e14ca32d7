'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { blankColumn, columnStartSchema } from '@/core/model/columnStart';
import type { ColumnStart } from '@/core/model/columnStart';
import { PlainField } from '../../fields/NumberField';
import type { DeskProps } from '../list';
import { askedOf } from '../useAsked';
import { Section } from '../brief/parts';
import { FIELD, PlaceFields, Row } from './fields';

const HANDS = [
  'wheel',
  'handwheel’s middle',
  'The hands come first: sit in the car, helmet on, and hold it.',
] as const;
const OF_RACK = [
  HANDS,
  ['foot', 'pinion at the rack', 'Where the pinion’s line meets the rack’s bar.'],
  ['tip', 'pinion’s tip', 'The end of its spline, toward the driver.'],
] as const;
/** A column without a joint is the drop arm's own shaft. */
const OF_DROP_ARM = [
  HANDS,
  [
    'foot',
    'shaft, low',
    'A place of the drop arm’s shaft, or of the shaft that goes into its box.',
  ],
  ['tip', 'shaft’s tip', 'The end of it toward the driver. Without a joint none of this is asked.'],
] as const;

/** The way in: where the hands and the pinion are; joints are laid between them, to be dragged. */
export function StartColumn({ build, unit, onEdit }: Pick<DeskProps, 'build' | 'unit' | 'onEdit'>) {
  const { dropArm } = build.front;
  // Where no box lies between, the drop arm's shaft is the one that the last joint sits on.
  const own = dropArm && dropArm.ratio === undefined;
  const start: ColumnStart = {
    ...(own && { foot: dropArm.lower, tip: dropArm.upper }),
    ...build.asked?.column,
  };
  const put = askedOf(onEdit);
  const change = (next: Partial<ColumnStart>, step?: string) =>
    put('column', { ...start, ...next }, step);
  const column = blankColumn(start);
  return (
    <Section title="Lay a column">
      <Typography variant="body2">
        Seat and hands first, then the column’s line, then the pedals. Say where the handwheel and
        the pinion are, from the front axle’s line, the car’s middle and the ground; joints are laid
        between them and dragged from there.
      </Typography>
      {(dropArm ? OF_DROP_ARM : OF_RACK).map(([key, label, hint]) => (
        <div key={key}>
          <Row>
            <PlaceFields
              label={label}
              place={start[key]}
              unit={unit}
              width={210}
              onValue={(way, mm, step) => change({ [key]: { ...start[key], [way]: mm } }, step)}
            />
          </Row>
          <Typography variant="caption" color="text.secondary" component="p">
            {hint}
          </Typography>
        </div>
      ))}
      <Row>
        <PlainField
          label="universal joints"
          ending=""
          value={start.joints ?? 2}
          schema={columnStartSchema.shape.joints.unwrap()}
          onValue={(joints, step) => change({ joints }, step)}
          width={FIELD + 20}
        />
        <Button
          variant="contained"
          disabled={!column.ok}
          onClick={() =>
            onEdit((draft) => {
              if (column.ok) draft.front.column = structuredClone(column.column);
            })
          }
        >
          Lay the column
        </Button>
      </Row>
      {!column.ok && (
        <Typography variant="body2" role="status">
          {column.why}
        </Typography>
      )}
    </Section>
  );
}
