'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import {
  USES,
  buildSchema,
  rackSchema,
  staticSchema,
  travelSchema,
  tyreSchema,
} from '@/core/model/build';
import type { AxleName, Build } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import { blankRear } from '@/core/model/starts';
import { AngleField, LengthField } from '../../fields/NumberField';

interface Props {
  build: Build;
  axle: AxleName;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
  onAxle: (axle: AxleName) => void;
}

const USE_WORDS: Record<Build['use'], string> = {
  road: 'Road',
  track: 'Track',
  hillclimb: 'Hillclimb',
  drift: 'Drift',
  kart: 'Kart',
  trail: 'Trail',
  free: 'Something else',
};

/** What the build is for and what limits it; wheel and alignment of the axle that is shown. */
export function Brief({ build, axle, unit, onEdit, onAxle }: Props) {
  const design = build[axle] ?? build.front;
  const wheel = axle === 'front' ? 'Front' : 'Rear';
  const row = { display: 'flex', flexWrap: 'wrap', gap: 1.25, pt: 1.5, pb: 1.5 };
  return (
    <Box sx={{ overflow: 'auto', minHeight: 0 }}>
      <Typography variant="h3">The car</Typography>
      <Box sx={row}>
        <TextField
          select
          label="Use"
          value={build.use}
          onChange={(event) => onEdit((b) => void (b.use = event.target.value as Build['use']))}
          sx={{ width: 156 }}
        >
          {USES.map((use) => (
            <MenuItem key={use} value={use}>
              {USE_WORDS[use]}
            </MenuItem>
          ))}
        </TextField>
        <LengthField
          label="Wheelbase"
          value={build.wheelbase}
          unit={unit}
          schema={buildSchema.shape.wheelbase}
          onValue={(mm, step) => onEdit((b) => void (b.wheelbase = mm), step)}
        />
        <LengthField
          label="Travel up"
          value={build.travel.bump}
          unit={unit}
          schema={travelSchema.shape.bump}
          onValue={(mm, step) => onEdit((b) => void (b.travel.bump = mm), step)}
        />
        <LengthField
          label="Travel down"
          value={build.travel.droop}
          unit={unit}
          schema={travelSchema.shape.droop}
          onValue={(mm, step) => onEdit((b) => void (b.travel.droop = mm), step)}
        />
        {axle === 'front' && (
          <LengthField
            label="Rack, each way"
            value={build.front.rack.travel}
            unit={unit}
            schema={rackSchema.shape.travel}
            onValue={(mm, step) => onEdit((b) => void (b.front.rack.travel = mm), step)}
          />
        )}
      </Box>
      <Typography variant="h3">{wheel} wheel at ride height</Typography>
      <Box sx={row}>
        <LengthField
          label="Loaded radius"
          value={design.tyre.radius}
          unit={unit}
          schema={tyreSchema.shape.radius}
          onValue={(mm, step) => onEdit((b) => void (b[axle]!.tyre.radius = mm), step)}
        />
        <LengthField
          label="Tyre width"
          value={design.tyre.width}
          unit={unit}
          schema={tyreSchema.shape.width}
          onValue={(mm, step) => onEdit((b) => void (b[axle]!.tyre.width = mm), step)}
        />
        <AngleField
          label="Toe, + in"
          value={design.static.toe}
          schema={staticSchema.shape.toe}
          onValue={(deg, step) => onEdit((b) => void (b[axle]!.static.toe = deg), step)}
        />
        <AngleField
          label="Camber, + top out"
          value={design.static.camber}
          schema={staticSchema.shape.camber}
          onValue={(deg, step) => onEdit((b) => void (b[axle]!.static.camber = deg), step)}
          width={146}
        />
      </Box>
      {build.rear ? (
        <Button
          size="small"
          onClick={() => {
            onAxle('front');
            onEdit((b) => void delete b.rear);
          }}
        >
          Remove the rear axle
        </Button>
      ) : (
        <Button
          size="small"
          variant="outlined"
          onClick={() => {
            onEdit((b) => void (b.rear = blankRear(b)));
            onAxle('rear');
          }}
        >
          Add a rear axle with toe links
        </Button>
      )}
    </Box>
  );
}
