'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { AxleName, Build } from '@/core/model/build';
import { startingBrief } from '@/core/model/brief';
import type { Brief as BriefDocument } from '@/core/model/brief';
import { newRear } from '@/core/model/starts';
import { fitTyre } from '@/core/upright/fit';
import type { LengthUnit } from '@/core/model/units';
import { FromShelf } from '../../shelf/FromShelf';
import { NARROW } from '../../theme';
import { useStable } from '../../useStable';
import { RimFields, TrackFields, TyreFields } from '../wheel/WheelFields';
import { useAxleChange } from '../wheel/useAxleChange';
import { Car } from './Car';
import { Corners } from './Corners';
import { Disputes } from './Disputes';
import { SteeredBy } from './SteeredBy';
import { FIELD, Fields, Section } from './parts';
import { TargetsTable } from './TargetsTable';

interface Props {
  build: Build;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
  onAxle: (axle: AxleName) => void;
}

/** What the build is for, what limits it, and what it will be judged by. */
export function Brief({ build, unit, onEdit, onAxle }: Props) {
  const changeBrief = useStable((change: (brief: BriefDocument) => void, step?: string) =>
    onEdit((draft) => {
      draft.brief ??= startingBrief(draft);
      change(draft.brief);
    }, step),
  );
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: 'minmax(0, 1.25fr) minmax(0, 1fr)',
        columnGap: 4,
        [NARROW]: { gridTemplateColumns: 'minmax(0, 1fr)' },
        alignItems: 'start',
      }}
    >
      <div>
        <Car build={build} unit={unit} onEdit={onEdit} />
        <AxleSection {...{ build, unit, onEdit, onAxle }} axle="front" />
        {build.rear ? (
          <AxleSection {...{ build, unit, onEdit, onAxle }} axle="rear" />
        ) : (
          <Button
            size="small"
            variant="outlined"
            onClick={() => {
              onEdit((b) => void (b.rear = newRear(b)));
              onAxle('rear');
            }}
          >
            Add a rear axle with toe links
          </Button>
        )}
        <TargetsTable build={build} onBrief={changeBrief} />
      </div>
      <Disputes build={build} onBrief={changeBrief} />
    </Box>
  );
}

/** An axle: what its corners are, what steers it, its wheels. */
function AxleSection({ axle, ...props }: Props & { axle: AxleName }) {
  const { build, unit, onEdit, onAxle } = props;
  return (
    <>
      <Corners build={build} axle={axle} onEdit={onEdit} />
      <SteeredBy build={build} axle={axle} unit={unit} onEdit={onEdit} />
      <WheelSection build={build} axle={axle} unit={unit} onEdit={onEdit} />
      {axle === 'rear' && (
        <Button
          size="small"
          onClick={() => {
            onAxle('front');
            onEdit((b) => void delete b.rear);
          }}
        >
          Remove the rear axle
        </Button>
      )}
    </>
  );
}

function WheelSection({
  build,
  axle,
  unit,
  onEdit,
}: {
  build: Build;
  axle: AxleName;
  unit: LengthUnit;
  onEdit: Props['onEdit'];
}) {
  const design = build[axle]!;
  const change = useAxleChange(axle, design, onEdit);
  const fields = { design, unit, change, width: FIELD };
  return (
    <Section title={axle === 'front' ? 'Front wheels' : 'Rear wheels'}>
      <Fields>
        <TyreFields {...fields} />
        <RimFields {...fields} kept="track" />
        <TrackFields {...fields} />
      </Fields>
      <FromShelf
        kind="tyre"
        title={`A tyre from the shelf for the ${axle}`}
        onPick={(tyre) => change('', (d) => fitTyre(d, tyre))}
      />
      {axle === 'front' && (
        <Typography variant="caption" color="text.secondary" component="p" sx={{ m: 0 }}>
          A size fills in width, rim and an estimate of the loaded radius (96 % of free, common
          practice): measure yours, hub centre to ground.
        </Typography>
      )}
    </Section>
  );
}
