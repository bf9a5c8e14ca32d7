'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { dropArmSchema } from '@/core/model/build';
import type { AxleDesign, DropArm } from '@/core/model/build';
import { isSketched, say, unsay } from '@/core/model/sketch';
import type { LengthUnit } from '@/core/model/units';
import { AngleField, LengthField, PlainField } from '../../fields/NumberField';
import { FIELD, Fields } from './parts';

const ENDS = [
  { end: 'lower', label: 'Shaft below' },
  { end: 'upper', label: 'Shaft above' },
] as const;
const WAYS = ['ahead', 'left', 'up'] as const;

/** The shaft that a drop arm turns about, as two points on the chassis, and how far it turns. */
export function DropArmFields({
  design,
  unit,
  change,
}: {
  design: AxleDesign & { dropArm: DropArm };
  unit: LengthUnit;
  /** Changes the axle. */
  change: (change: (design: AxleDesign) => void, step?: string) => void;
}) {
  const { dropArm } = design;
  const put = (path: string, edit: (arm: DropArm) => void, said: boolean, step?: string) =>
    change((target) => {
      if (!target.dropArm) return;
      edit(target.dropArm);
      if (said) say(target, path);
      else unsay(target, path);
    }, step);
  return (
    <>
      <Fields>
        <AngleField
          label="Turns, each way"
          value={dropArm.lock}
          sketched={isSketched(design, 'dropArm.lock')}
          schema={dropArmSchema.shape.lock}
          onValue={(value, step) =>
            put('dropArm.lock', (arm) => void (arm.lock = value), true, step)
          }
          onUnsay={(value, step) =>
            put('dropArm.lock', (arm) => void (arm.lock = value), false, step)
          }
          width={FIELD}
        />
        <PlainField
          label="Turns of the wheel for one"
          ending=""
          value={dropArm.ratio}
          placeholder="1"
          schema={dropArmSchema.shape.ratio.unwrap()}
          onValue={(value, step) =>
            change((target) => {
              if (target.dropArm) target.dropArm.ratio = value;
            }, step)
          }
          onClear={(step) => change((target) => void delete target.dropArm?.ratio, step)}
          width={FIELD + 60}
        />
      </Fields>
      {ENDS.map(({ end, label }) => (
        <Box key={end} sx={{ pt: 1 }}>
          <Fields>
            {WAYS.map((way) => {
              const path = `dropArm.${end}.${way}`;
              const set = (mm: number) => (arm: DropArm) => void (arm[end][way] = mm);
              return (
                <LengthField
                  key={way}
                  label={`${label}, ${way}`}
                  value={dropArm[end][way]}
                  sketched={isSketched(design, path)}
                  unit={unit}
                  schema={dropArmSchema.shape[end].shape[way]}
                  onValue={(mm, step) => put(path, set(mm), true, step)}
                  onUnsay={(mm, step) => put(path, set(mm), false, step)}
                  width={FIELD + 8}
                />
              );
            })}
          </Fields>
        </Box>
      ))}
      <Button size="small" onClick={() => change((target) => void delete target.dropArm)}>
        No drop arm: these wheels are not steered
      </Button>
    </>
  );
}
