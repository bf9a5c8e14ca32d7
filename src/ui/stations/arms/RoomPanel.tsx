'use client';

import { lengthIn } from '@/core/model/units';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { rodWord } from '@/core/model/labels';
import { ARTICULATION_LIMITS, startingRoom, wantedSchema } from '@/core/model/room';
import type { Room, WantedRoom } from '@/core/model/room';
import type { Point, PointName } from '@/core/model/points';
import type { LengthUnit } from '@/core/model/units';
import { AngleField, LengthField } from '../../fields/NumberField';
import { useStable } from '../../useStable';
import type { FloorStation } from '../floorStation';
import { Bodies } from './Bodies';
import type { RoomChange } from './Bodies';
import { Tightest } from './Tightest';
import { Articulations } from './Articulations';

type Props = Pick<FloorStation, 'build' | 'wheel' | 'unit' | 'clearances' | 'onEdit' | 'onShow'>;

const STARTING = startingRoom();

/** Bodies to keep clear of, the tightest places over the whole travel and lock, and how far joints articulate. */
export function RoomPanel({ build, wheel, unit, clearances, onEdit, onShow }: Props) {
  const { axle, design, type } = wheel;
  const { list, stale } = clearances;
  const wanted = (build.room ?? STARTING).wanted;
  const handleRoom = useStable((change: (room: Room) => void, step?: string) =>
    onEdit((draft) => {
      draft.room ??= startingRoom();
      change(draft.room);
    }, step),
  );
  const handleBolt = useStable((name: PointName, direction: Point | null) =>
    onEdit((draft) => {
      const target = draft[axle]!;
      const bolts = (target.bolts ??= {});
      if (direction) bolts[name] = direction;
      else delete bolts[name];
      if (Object.keys(bolts).length === 0) delete target.bolts;
    }),
  );
  return (
    <Box component="section" aria-label="Room" sx={{ overflow: 'auto', minHeight: 0, pr: 0.5 }}>
      <Wanted wanted={wanted} unit={unit} onRoom={handleRoom} />
      <Tightest found={list} stale={stale} unit={unit} onShow={onShow} />
      <Articulations
        build={build}
        wheel={wheel}
        wanted={wanted}
        onShow={onShow}
        onBolt={handleBolt}
      />
      <Bodies
        keepOuts={build.room?.keepOuts}
        axle={axle}
        ahead={axle === 'front' ? 0 : -build.wheelbase}
        unit={unit}
        onRoom={handleRoom}
      />
      <HowFound unit={unit} rod={type.tieRod && rodWord(design)} />
    </Box>
  );
}

const LIMITS = { ball: 'ball joint limit', rodEnd: 'rod end limit' };

/** What to keep clear of what moves, and how far joints may articulate. */
const Wanted = memo(function Wanted({
  wanted,
  unit,
  onRoom,
}: {
  wanted: WantedRoom;
  unit: LengthUnit;
  onRoom: RoomChange;
}) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1, rowGap: 1.5, pt: 1.25 }}>
      {(['moving', 'tyre', 'ground'] as const).map((what) => (
        <LengthField
          key={what}
          label={KEEP[what]}
          value={wanted[what]}
          unit={unit}
          schema={wantedSchema.shape[what]}
          onValue={(mm, step) => onRoom((draft) => void (draft.wanted[what] = mm), step)}
          width={124}
        />
      ))}
      {(['ball', 'rodEnd'] as const).map((kind) => (
        <AngleField
          key={kind}
          label={LIMITS[kind]}
          value={wanted[kind] ?? ARTICULATION_LIMITS[kind]}
          schema={wantedSchema.shape[kind].unwrap()}
          onValue={(degrees, step) => onRoom((draft) => void (draft.wanted[kind] = degrees), step)}
          width={124}
        />
      ))}
    </Box>
  );
});

/** What is kept clear, as its fields are called. */
const KEEP = { moving: 'Clear, arms and rods', tyre: 'Clear, tyre', ground: 'Off the ground' };

const HowFound = memo(function HowFound({ rod, unit }: { rod: string | null; unit: LengthUnit }) {
  return (
    <Typography variant="caption" color="text.secondary" component="p">
      Looked at in 45 positions of travel and lock, arms and joints at their drawn diameters,{' '}
      {rod !== null && `the ${rod} at its own (strength), `}tyre and rim as a ring. Bodies stand on
      both sides unless they say which. {lengthIn(10, unit)} round what moves, {lengthIn(20, unit)}{' '}
      round a tyre, {lengthIn(60, unit)} off the ground, ball joints to {ARTICULATION_LIMITS.ball}°
      and rod ends to {ARTICULATION_LIMITS.rodEnd}° from square at ride height are common practice;
      go by what the maker of yours states.
    </Typography>
  );
});
