'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { typeOf } from '@/core/corners/kinds';
import { rackSchema } from '@/core/model/build';
import type { AxleName, Build, Rack as RackDocument } from '@/core/model/build';
import { fitRack, putRackBody } from '@/core/upright/fit';
import { isSketched, say, unsay } from '@/core/model/sketch';
import type { LengthUnit } from '@/core/model/units';
import { Choice } from '../../fields/Choice';
import { AngleField, LengthField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { FromShelf } from '../../shelf/FromShelf';
import { FIELD, Fields, Section } from './parts';

/** The steering rack of an axle: its travel, how it lies, and what else is known of it. */
export function Rack({
  build,
  axle,
  unit,
  onEdit,
}: {
  build: Build;
  axle: AxleName;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const design = build[axle]!;
  const { rack } = design;
  // A kind without a rod has nothing to steer by.
  if (!typeOf(design).tieRod) return null;
  const put = (change: (rack: RackDocument) => void, step?: string) =>
    onEdit((b) => {
      const target = b[axle]?.rack;
      if (target) change(target);
    }, step);
  const text = (key: 'innerThread' | 'mounts' | 'spline', label: string) =>
    rack?.[key] !== undefined && (
      <TextLine
        label={label}
        value={rack[key]}
        schema={rackSchema.shape[key].unwrap()}
        onValue={(value) => put((r) => void (r[key] = value), `rack-${key}`)}
        width={key === 'mounts' ? 2 * FIELD + 10 : FIELD}
      />
    );
  const askew = rack?.rise !== undefined || rack?.sweep !== undefined;
  return (
    <Section title={axle === 'front' ? 'Rack' : 'Rear rack'}>
      <Fields>
        <LengthField
          label="Rack, each way"
          value={rack?.travel}
          sketched={isSketched(design, 'rack.travel')}
          onUnsay={(mm, step) =>
            onEdit((b) => {
              const target = b[axle]!;
              target.rack = { ...target.rack, travel: mm };
              unsay(target, 'rack.travel');
            }, step)
          }
          placeholder="not steered"
          unit={unit}
          schema={rackSchema.shape.travel}
          onValue={(mm, step) =>
            onEdit((b) => {
              const target = b[axle]!;
              target.rack = { ...target.rack, travel: mm };
              say(target, 'rack.travel');
            }, step)
          }
          // A rack that was begun here and has no more than its travel goes with it.
          onClear={(step) =>
            onEdit((b) => {
              const target = b[axle]!;
              if (Object.keys(target.rack ?? {}).length === 1) delete target.rack;
            }, step)
          }
          width={FIELD}
        />
        {rack && (
          <>
            <LengthField
              label="Per turn"
              value={rack.perTurn}
              placeholder="not known"
              unit={unit}
              schema={rackSchema.shape.perTurn.unwrap()}
              onValue={(mm, step) => put((r) => void (r.perTurn = mm), step)}
              onClear={(step) => put((r) => void delete r.perTurn, step)}
              width={FIELD}
            />
            {askew ? (
              <>
                <AngleField
                  label="Left end higher by"
                  value={rack.rise ?? 0}
                  schema={rackSchema.shape.rise.unwrap()}
                  onValue={(degrees, step) => put((r) => void (r.rise = degrees), step)}
                  width={FIELD}
                />
                <AngleField
                  label="Left end ahead by"
                  value={rack.sweep ?? 0}
                  schema={rackSchema.shape.sweep.unwrap()}
                  onValue={(degrees, step) => put((r) => void (r.sweep = degrees), step)}
                  width={FIELD}
                />
                <Button
                  onClick={() =>
                    put((r) => {
                      delete r.rise;
                      delete r.sweep;
                    })
                  }
                  sx={{ fontWeight: 400 }}
                >
                  Straight across
                </Button>
              </>
            ) : (
              <Button onClick={() => put((r) => void (r.rise = 0))} sx={{ fontWeight: 400 }}>
                Lies straight across: tilt it
              </Button>
            )}
            {rack.pinion !== undefined && (
              <Box sx={{ alignSelf: 'center' }}>
                <Choice
                  label="Pinion"
                  value={rack.pinion}
                  options={['left', 'centre', 'right']}
                  words={{ left: 'pinion left', centre: 'centre', right: 'right' }}
                  onPick={(pinion) => put((r) => void (r.pinion = pinion))}
                />
              </Box>
            )}
          </>
        )}
        {text('innerThread', 'Inner joint thread')}
        {text('spline', 'Input spline')}
        {text('mounts', 'Mounts')}
      </Fields>
      <FromShelf
        kind="rack"
        title="A rack from the shelf"
        onPick={(part) =>
          onEdit((b) => {
            fitRack(b[axle]!, part);
            say(b[axle]!, 'rack.travel');
          })
        }
      />
      {rack && (
        <>
          <Button size="small" onClick={() => onEdit((b) => putRackBody(b, axle))}>
            Keep clear of its body
          </Button>
          <Button size="small" onClick={() => onEdit((b) => void delete b[axle]!.rack)}>
            No rack: the {axle} is not steered
          </Button>
        </>
      )}
    </Section>
  );
}
