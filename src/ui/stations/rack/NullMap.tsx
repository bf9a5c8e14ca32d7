'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { proxy } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import { PLANE_NAMES, planeOf } from '@/core/model/mapPlanes';
import type { BumpMap } from '@/core/bumpsteer/bumpMap';
import type { PlaneName } from '@/core/model/mapPlanes';
import { bumpSteerOf } from '@/core/bumpsteer/trial';
import { rulesOfThumb } from '@/core/bumpsteer/rules';
import { toPoint } from '@/core/model/points';
import { pointLabel } from '@/core/model/labels';
import { lengthIn, printLength, readable } from '@/core/model/units';
import { Choice } from '../../fields/Choice';
import { useView } from '../../build/viewStore';
import { finderWorker } from '../../build/finderWorker';
import { LookTake } from '../LookTake';
import { MapPicture, Shades } from './MapPicture';
import type { Mark } from './MapPicture';
import type { RackProps } from './Rack';
import { askedOf } from '../useAsked';
import { takeRod } from './places';
import type { Wheel } from '@/core/kinematics/wheel';

const SIZES = ['15', '40', '80'] as const;
type Size = (typeof SIZES)[number];
/** Places each way: 8, 4, 2 and 1 apart in turn. */
const PLACES = 81;

const planeWords = (plane: PlaneName, { type, design }: Wheel): string => {
  const { point, across, up } = planeOf(type, plane);
  return `${pointLabel(design, point)}: ${across} and ${up}`;
};

/** Toe range over a plane that a joint may be moved in: where the null is, and how sharp. */
export function NullMap(props: RackProps) {
  const { build, wheel, targets, unit, nulls, tried, onTry } = props;
  const { axle, side, design, travel, points } = wheel;
  const asked = build.asked?.map ?? {
    plane: wheel.type.coupled ? ('inner-ahead-up' as const) : ('inner-out-up' as const),
    size: 40,
  };
  const { plane } = asked;
  const size: Size = SIZES.find((one) => Number(one) === asked.size) ?? '40';
  const put = askedOf(props.onEdit);
  const [found, setFound] = useState<{ of: Wheel; map: BumpMap } | null>(null);
  const [picked, setPicked] = useState<{
    of: Wheel;
    plane: PlaneName;
    at: [number, number];
  } | null>(null);
  const dragging = useView((view) => view.dragging);
  useEffect(() => {
    // It would be done anew for every place a joint is dragged over.
    if (dragging) return;
    let wanted = true;
    const show = (map: BumpMap) => wanted && setFound({ of: wheel, map });
    void finderWorker()
      .map({ axle, side, design, travel }, plane, Number(size), PLACES, proxy(show))
      .then((map) => map && show(map));
    return () => {
      wanted = false;
    };
  }, [dragging, wheel, axle, side, design, travel, plane, size]);

  const rules = useMemo(() => rulesOfThumb(wheel), [wheel]);
  const { point, across, up } = planeOf(wheel.type, plane);
  const now = points[point];
  const map = found?.map.plane === plane && found.map.size === Number(size) ? found.map : null;
  const here = picked?.of === wheel && picked.plane === plane ? picked.at : null;
  const trial = here && {
    ...now,
    [across]: here[0],
    [up]: here[1],
  };
  const steer = trial && bumpSteerOf(wheel.withRod({ [point]: trial }));
  const look = (at: [number, number]) => {
    setPicked({ of: wheel, plane, at });
    onTry(wheel.withRod({ [point]: { ...now, [across]: at[0], [up]: at[1] } }).design);
  };
  const marks: Mark[] = [{ kind: 'now', at: [now[across], now[up]], label: 'now' }];
  const line = point === wheel.type.tieRod?.inner ? nulls?.inner : nulls?.outer;
  if (line && up !== 'out') {
    const at = toPoint(line.at);
    marks.push({ kind: 'null', at: [at[across], at[up]], label: 'null line' });
  }
  for (const says of rules) {
    const at = toPoint(says.at);
    if (says.point === point)
      marks.push({ kind: 'rule', at: [at[across], at[up]], label: says.rule });
  }
  const length = (mm: number) => readable(printLength(Math.round(mm * 10) / 10, unit));
  return (
    <Box component="section" aria-label="Bump map" sx={{ minHeight: 0, overflow: 'auto', pt: 1 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', mb: 0.5 }}>
        <TextField
          select
          variant="standard"
          value={plane}
          onChange={(event) => {
            put('map', { ...asked, plane: event.target.value as PlaneName });
            onTry(null);
          }}
          slotProps={{ htmlInput: { 'aria-label': 'Plane of the map' } }}
        >
          {PLANE_NAMES.map((name) => (
            <MenuItem key={name} value={name}>
              {planeWords(name, wheel)}
            </MenuItem>
          ))}
        </TextField>
        <Choice
          label="Either way"
          value={size}
          options={SIZES}
          words={{
            '15': `±${lengthIn(15, unit)}`,
            '40': `±${lengthIn(40, unit)}`,
            '80': `±${lengthIn(80, unit)}`,
          }}
          onPick={(next) => put('map', { ...asked, size: Number(next) })}
        />
      </Box>
      <Box sx={{ display: 'flex', gap: 1.5 }}>
        <MapPicture
          map={map}
          stale={found?.of !== wheel}
          marks={marks}
          picked={here}
          freedoms={design.freedoms?.[point]}
          axes={{ across, up }}
          bands={targets.bumpSteer}
          unit={unit}
          onPick={look}
        />
        <Box sx={{ flex: 1, minWidth: 120 }}>
          {here && trial ? (
            <Box role="status">
              <Typography variant="body2">
                {across} {length(trial[across])}, {up} {length(trial[up])}:{' '}
                <b>
                  {steer
                    ? `range ${steer.span.range.toFixed(3)}°, ${steer.worst.toFixed(3)}° at the worst`
                    : 'out of reach'}
                </b>
              </Typography>
              <LookTake
                what="the place on the map"
                looked={tried !== null}
                disabled={!steer}
                onLook={() => (tried ? onTry(null) : look(here))}
                onTake={() => {
                  onTry(null);
                  props.onEdit(takeRod(wheel, { [point]: trial }));
                }}
              />
              <Button size="small" onClick={() => setPicked(null)}>
                Forget it
              </Button>
            </Box>
          ) : (
            <Typography variant="body2" color="text.secondary">
              Toe range over the travel with the {pointLabel(design, point)} there. Click to go
              there and look, or tab to the map and use the arrows.
            </Typography>
          )}
          <Shades bands={targets.bumpSteer} />
        </Box>
      </Box>
    </Box>
  );
}
