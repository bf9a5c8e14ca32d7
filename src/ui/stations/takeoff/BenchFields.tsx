'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { LengthUnit } from '@/core/model/units';
import type { BenchPoint } from '@/core/model/parts';
import type { CornerType } from '@/core/corners/cornerType';
import type { Points } from '@/core/model/points';
import { benchKingpin } from '@/core/takeoff/hang';
import type { Hung } from '@/core/takeoff/hang';
import { USUAL } from '@/core/model/takeOff';
import type { OnBench } from '@/core/model/takeOff';
import { BenchDrawing } from './BenchDrawing';
import type { RecordChange } from './RecordEditor';
import { AngleReadFields, ReadFields, putRead } from './ReadFields';

const WORDS = {
  inboard: 'A  off the hub face',
  above: 'B  above spindle',
  ahead: 'C  ahead of spindle',
} as const;

/** An upright on the bench: each joint off the hub's mounting face, with a drawing of what is measured where. */
export function BenchFields({
  record,
  type,
  points,
  hung,
  drawn,
  unit,
  change,
}: {
  record: OnBench;
  type: CornerType;
  points: Points;
  hung: Hung;
  /** Where the model has the joint. */
  drawn: BenchPoint;
  unit: LengthUnit;
  change: RecordChange;
}) {
  const edit = (act: (draft: OnBench) => void, step?: string) =>
    change((draft) => {
      if (draft.method === 'bench') act(draft);
    }, step);
  const upper = record.point === benchKingpin(type)?.[1];
  return (
    <Box sx={{ display: 'grid', gap: 1.25 }}>
      <BenchDrawing
        type={type}
        points={points}
        hung={hung}
        point={record.point}
        lean={upper && record.lean !== undefined}
        stud={record.stud !== undefined}
      />
      {(['inboard', 'above', 'ahead'] as const).map((what) => {
        if (what === 'inboard' && upper && record.lean) return null;
        return (
          <Box key={what} sx={{ display: 'flex', gap: 1 }}>
            <Wide>
              <ReadFields
                label={WORDS[what]}
                read={record[what]}
                unit={unit}
                drawn={drawn[what]}
                onRead={(part, mm, step) => edit((draft) => putRead(draft[what], part, mm), step)}
              />
            </Wide>
          </Box>
        );
      })}
      {upper && record.lean && (
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Wide>
            <AngleReadFields
              label="D  hub face to joints"
              read={record.lean}
              onRead={(part, value, step) =>
                edit((draft) => putRead(draft.lean!, part, value), step)
              }
            />
          </Wide>
        </Box>
      )}
      {record.stud && (
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Wide>
            <AngleReadFields
              label="E  joint’s own axis"
              read={record.stud}
              onRead={(part, value, step) =>
                edit((draft) => putRead(draft.stud!, part, value), step)
              }
            />
          </Wide>
        </Box>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {upper && (
          <Button
            size="small"
            onClick={() =>
              edit((draft) => {
                if (draft.lean) delete draft.lean;
                else draft.lean = { tolerance: USUAL.level };
              })
            }
          >
            {record.lean ? 'Measure A instead of the angle' : 'Measure the angle D instead of A'}
          </Button>
        )}
        <Button
          size="small"
          onClick={() =>
            edit((draft) => {
              if (draft.stud) delete draft.stud;
              else draft.stud = { tolerance: USUAL.level };
            })
          }
        >
          {record.stud ? 'Without the joint’s axis' : 'Also the joint’s axis E'}
        </Button>
      </Box>
      <Typography variant="caption" color="text.secondary">
        Hub face flat on the plate, or a straightedge across it. Behind and below are minus. Measure
        to the ball’s centre. The upright is hung on the wheel with the caster the model has.
      </Typography>
    </Box>
  );
}

const Wide = ({ children }: { children: React.ReactNode }) => (
  <Box sx={{ display: 'flex', gap: 1, '& > :first-of-type': { width: 190 } }}>{children}</Box>
);
