'use client';

import type { SteerUnit } from '@/core/kinematics/corner';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo, useMemo } from 'react';
import { toDeg } from '@/core/geometry/angle';
import type { Targets } from '@/core/model/brief';
import type { Build } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import { valueAt } from '@/core/motion/sweep';
import type { Bands } from '@/core/tolerance/bands';
import { trackOf } from '@/core/upright/place';
import type { CornerView } from '../build/useCorner';
import { Column } from '../build/frame';
import { Choice } from '../fields/Choice';
import { steerIn } from '../steerIn';
import { useStable } from '../useStable';
import { Trace } from './Trace';
import { antiPercentOf } from '@/core/motion/anti';
import { AGAINST, TRACES, lineOf, tracesOf } from './traced';
import type { Against, Line, Traced } from './traced';
import type { Wheel } from '@/core/kinematics/wheel';

interface Props {
  build: Build;
  wheel: Wheel;
  corner: CornerView;
  proposed: CornerView | null;
  /** The variant it is compared with. */
  compared: CornerView | null;
  bands: Bands | null;
  traced: Traced;
  against: Against;
  targets: Targets;
  position: { travel: number; rack: number };
  unit: LengthUnit;
  onTrace: (traced: Traced) => void;
  onAgainst: (against: Against) => void;
  /** Puts the curve away; null where it is the only one. */
  onAway: (() => void) | null;
  /** Puts another beside it; null where there is no room, or this is not the last. */
  onAnother: (() => void) | null;
}

/** One curve of the wheel shown, and which one it is. */
export function TracePanel(props: Props) {
  const { build, wheel, corner, proposed, compared, bands, targets } = props;
  const { axle, design } = wheel;
  // The heading stays as it is while the curve follows.
  const handleTrace = useStable(props.onTrace);
  const handleAgainst = useStable(props.onAgainst);
  const handleAway = useStable(() => props.onAway?.());
  const handleAnother = useStable(() => props.onAnother?.());
  const kinds = tracesOf(wheel);
  // Another axle may have no half-shafts.
  const traced = kinds.includes(props.traced) ? props.traced : 'toe';
  const against = TRACES[traced].only ?? props.against;
  const { position, unit } = props;
  const { bump, droop } = wheel.travel;
  const halfTrack = useMemo(() => trackOf(design) / 2, [design]);
  const rolled = against === 'roll';
  /** Roll of the body, degrees, that puts this wheel up by so much and the other down. */
  const rollAt = (travel: number) => toDeg(Math.atan(travel / halfTrack));
  // In roll camber counts against the ground: the body carries the wheel over.
  const drawn = (line: Line): Line =>
    rolled
      ? line.map(([value, travel]) => [
          value + (traced === 'camber' ? rollAt(travel) : 0),
          rollAt(travel),
        ])
      : line;
  const lineFor = (view: CornerView, where: 'sweep' | 'at' = 'sweep') =>
    lineOf(traced, view, where, build, axle, against);
  const line = lineFor(corner);
  const now = corner.reading.ok ? lineFor(corner, 'at')[0] : undefined;
  const camber = corner.ride.reachable[0] ? valueAt(corner.ride, 0, 'camber') : null;
  const { banded } = TRACES[traced];
  const cursor = now && drawn([now])[0];
  return (
    <Column aria-label="Trace">
      <Heading
        traced={traced}
        kinds={kinds.join()}
        against={against}
        unit={unit}
        rack={position.rack}
        by={wheel.steersBy}
        onTrace={handleTrace}
        onAgainst={handleAgainst}
        onAway={props.onAway && handleAway}
        onAnother={props.onAnother && handleAnother}
      />
      {(traced === 'anti' || traced === 'squat') && !antiPercentOf(build, axle) ? (
        <Typography variant="body2" sx={{ mt: 2 }}>
          {traced === 'squat' ? 'Anti-squat' : 'Anti-dive'} needs the height of the centre of mass
          and the front’s part of the braking: set them in the brief.
        </Typography>
      ) : (
        <Trace
          traced={traced}
          line={drawn(line)}
          ghost={proposed && drawn(lineFor(proposed))}
          compared={compared && drawn(lineFor(compared))}
          open={bands && banded ? drawn(bandOf(line, bands, banded)) : null}
          wanted={
            traced === 'camber' && camber !== null && !rolled && wheel.alone
              ? wedge(targets.camberGain, camber, bump)
              : null
          }
          cursor={cursor ? { value: cursor[0], travel: cursor[1] } : null}
          limits={targets.bumpSteer}
          from={rolled ? rollAt(-droop) : -droop}
          to={rolled ? rollAt(bump) : bump}
          against={against}
          unit={unit}
        />
      )}
    </Column>
  );
}

/** The band round a line: up one side and down the other. */
function bandOf(line: Line, bands: Bands, quantity: keyof Bands['low']): Line {
  const side = (list: Float64Array) =>
    line.flatMap(([value, travel]): Line => {
      const i = bands.travel.indexOf(travel);
      return i < 0 || Number.isNaN(list[i]) ? [] : [[value + list[i], travel]];
    });
  return [...side(bands.low[quantity]), ...side(bands.high[quantity]).reverse()];
}

/** Between the least and the most gain per 25 mm of bump. */
const wedge = ([least, most]: [number, number], ride: number, bump: number): Line => [
  [ride, 0],
  [ride + (least * bump) / 25, bump],
  [ride + (most * bump) / 25, bump],
];

const Heading = memo(function Heading({
  traced,
  kinds,
  against,
  unit,
  rack,
  by,
  onTrace,
  onAgainst,
  onAway,
  onAnother,
}: {
  traced: Traced;
  /** Names of the curves there are, with commas. */
  kinds: string;
  against: Against;
  unit: LengthUnit;
  rack: number;
  by: SteerUnit;
} & Pick<Props, 'onTrace' | 'onAgainst' | 'onAway' | 'onAnother'>) {
  const steered = rack !== 0 && `, ${by} ${steerIn(rack, by, unit)} ${rack > 0 ? 'left' : 'right'}`;
  return (
    <Typography
      component="h2"
      sx={{
        fontSize: 15,
        fontWeight: 600,
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        columnGap: 1,
        rowGap: 0.25,
        minHeight: 28,
        flex: 'none',
      }}
    >
      <TextField
        select
        variant="standard"
        value={traced}
        onChange={(event) => onTrace(event.target.value as Traced)}
        slotProps={{ htmlInput: { 'aria-label': 'Curve shown' } }}
        sx={{ '& .MuiSelect-select': { py: 0, fontWeight: 600 } }}
      >
        {(kinds.split(',') as Traced[]).map((name) => (
          <MenuItem key={name} value={name}>
            {TRACES[name].label}
          </MenuItem>
        ))}
      </TextField>
      <span style={{ whiteSpace: 'nowrap' }}>
        over{' '}
        {TRACES[traced].only ?? (
          <Choice label="Drawn against" value={against} options={AGAINST} onPick={onAgainst} />
        )}
      </span>
      <Typography component="span" variant="caption" color="text.secondary">
        {against === 'roll' ? 'body roll' : unit === 'mm' ? 'mm' : 'inches'}, bump up,{' '}
        {TRACES[traced].right} right
        {steered}
      </Typography>
      {onAnother && (
        <Button size="small" onClick={onAnother} sx={{ minWidth: 0 }}>
          Another curve
        </Button>
      )}
      {onAway && (
        <Button
          size="small"
          onClick={onAway}
          aria-label={`Put the ${TRACES[traced].label} curve away`}
          sx={{ minWidth: 0 }}
        >
          Away
        </Button>
      )}
    </Typography>
  );
});
