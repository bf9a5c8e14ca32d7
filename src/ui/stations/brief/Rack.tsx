'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { rackSchema } from '@/core/model/build';
import type { Build } from '@/core/model/build';
import { fitRack } from '@/core/upright/fit';
import type { LengthUnit } from '@/core/model/units';
import { Choice } from '../../fields/Choice';
import { LengthField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { FromShelf } from '../../shelf/FromShelf';
import { FIELD, Fields, Section } from './parts';

const USUAL_PER_TURN = 44;

/** The steering rack: its travel, and what else is known of it. */
export function Rack({
  build,
  unit,
  onEdit,
}: {
  build: Build;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const { rack } = build.front;
  if (!rack) return null;
  const text = (key: 'innerThread' | 'mounts' | 'spline', label: string) =>
    rack[key] !== undefined && (
      <TextLine
        label={label}
        value={rack[key]}
        schema={rackSchema.shape[key].unwrap()}
        onValue={(value) => onEdit((b) => void (b.front.rack![key] = value), `rack-${key}`)}
        width={key === 'mounts' ? 2 * FIELD + 10 : FIELD}
      />
    );
  return (
    <Section title="Rack">
      <Fields>
        <LengthField
          label="Rack, each way"
          value={rack.travel}
          unit={unit}
          schema={rackSchema.shape.travel}
          onValue={(mm, step) => onEdit((b) => void (b.front.rack!.travel = mm), step)}
          width={FIELD}
        />
        {rack.perTurn === undefined ? (
          <Button
            onClick={() => onEdit((b) => void (b.front.rack!.perTurn = USUAL_PER_TURN))}
            sx={{ fontWeight: 400 }}
          >
            Travel per turn not known yet: set it
          </Button>
        ) : (
          <LengthField
            label="Per turn"
            value={rack.perTurn}
            unit={unit}
            schema={rackSchema.shape.perTurn.unwrap()}
            onValue={(mm, step) => onEdit((b) => void (b.front.rack!.perTurn = mm), step)}
            width={FIELD}
          />
        )}
        {rack.pinion !== undefined && (
          <Box sx={{ alignSelf: 'center' }}>
            <Choice
              label="Pinion"
              value={rack.pinion}
              options={['left', 'centre', 'right']}
              words={{ left: 'pinion left', centre: 'centre', right: 'right' }}
              onPick={(pinion) => onEdit((b) => void (b.front.rack!.pinion = pinion))}
            />
          </Box>
        )}
        {text('innerThread', 'Inner joint thread')}
        {text('spline', 'Input spline')}
        {text('mounts', 'Mounts')}
      </Fields>
      <FromShelf
        kind="rack"
        title="A rack from the shelf"
        onPick={(part) => onEdit((b) => fitRack(b.front, part))}
      />
    </Section>
  );
}
