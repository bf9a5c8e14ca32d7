import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo, useMemo } from 'react';
import { toDeg } from '@/core/geometry/angle';
import { toPoint } from '@/core/model/points';
import type { Point, PointName } from '@/core/model/points';
import type { Articulations as ArticulationList } from '@/core/clearance/articulation';
import { ARTICULATION_LIMITS } from '@/core/model/room';
import type { WantedRoom } from '@/core/model/room';
import {
  bestBolt,
  jointTypeOf,
  articulatedJoints,
  articulationsOf,
} from '@/core/clearance/articulation';
import { describePosition } from '@/core/kinematics/corner';
import { measuredArticulations } from '@/core/clearance/studs';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import { pointLabel } from '@/core/model/labels';
import { VERDICT } from '../../theme';
import type { FloorStation } from '../floorStation';
import { PlaceRow } from './PlaceRow';

/** How far the joints articulate over travel and lock, against what they may. */
export const Articulations = memo(function Articulations({
  build,
  wheel,
  wanted,
  onShow,
  onBolt,
}: {
  build: Build;
  wheel: Wheel;
  wanted: WantedRoom;
  onShow: FloorStation['onShow'];
  /** Lets a rod end's bolt lie another way; null as is usual. */
  onBolt: (name: PointName, direction: Point | null) => void;
}) {
  const articulations = useMemo(() => measuredArticulations(build, wheel), [build, wheel]);
  const { type, design } = wheel;
  return (
    <section aria-label="Joint articulation">
      {articulations &&
        articulatedJoints(type).map((name) => {
          const { angle, travel: at, rack } = articulations[name];
          const kind = jointTypeOf(wheel, name);
          const past = angle > (wanted[kind] ?? ARTICULATION_LIMITS[kind]);
          return (
            <PlaceRow
              key={name}
              data-articulation={past ? 'past' : 'within'}
              what={`${pointLabel(design, name)} articulates`}
              where={describePosition(at, rack, wheel.steersBy)}
              colour={past ? VERDICT.bad : VERDICT.good}
              figure={`${past ? '✕' : '✓'} ${angle.toFixed(1)}°`}
              onClick={() => onShow({ travel: at, rack })}
            />
          );
        })}
      <Bolts {...{ wheel, articulations, onBolt }} />
    </section>
  );
});

/** A bolt that turned would save less than this is left alone, degrees. */
const WORTH = 1;

/** A bolt that would be laid so (null: as is usual), and the articulation that leaves. */
interface Offer {
  name: PointName;
  direction: Point | null;
  angle: number;
}

/** Rod ends whose bolts lie badly: the way in which travel turns them about the bolt instead of articulating them. */
function Bolts({
  wheel,
  articulations,
  onBolt,
}: {
  wheel: Wheel;
  articulations: ArticulationList | null;
  onBolt: (name: PointName, direction: Point | null) => void;
}) {
  const { design } = wheel;
  const better = useMemo(
    () =>
      articulatedJoints(wheel.type).flatMap((name): Offer[] => {
        if (design.bolts?.[name]) return [{ name, direction: null, angle: 0 }];
        const best = bestBolt(wheel, name);
        if (!best) return [];
        const direction = rounded(toPoint(best));
        const bolts = { ...design.bolts, [name]: direction };
        const after = articulationsOf(wheel.drawnAs({ ...design, bolts }));
        const saved = after && articulations ? articulations[name].angle - after[name].angle : 0;
        return saved > WORTH ? [{ name, direction, angle: after![name].angle }] : [];
      }),
    [wheel, design, articulations],
  );
  return better.map(({ name, direction, angle }) => (
    <Typography key={name} variant="body2" component="div" data-bolt={name}>
      {direction
        ? `+ The bolt of the ${pointLabel(design, name)} laid ${inWords(direction)}: the travel turns it about the bolt, and it articulates ${angle.toFixed(1)}°.`
        : `The bolt of the ${pointLabel(design, name)} lies ${inWords(design.bolts![name]!)}.`}{' '}
      <Button size="small" sx={{ py: 0 }} onClick={() => onBolt(name, direction)}>
        {direction ? 'Lay it so' : 'As is usual'}
      </Button>
    </Typography>
  ));
}

const rounded = ({ ahead, out, up }: Point): Point => ({
  ahead: Math.round(ahead * 1000) / 1000,
  out: Math.round(out * 1000) / 1000,
  up: Math.round(up * 1000) / 1000,
});

/** `12° from along the car, 3° from level`. */
function inWords({ ahead, out, up }: Point): string {
  const level = Math.hypot(ahead, out);
  const rise = toDeg(Math.atan2(Math.abs(up), level));
  if (rise > 45) return `${(90 - rise).toFixed(0)}° from upright`;
  const off = toDeg(Math.atan2(Math.abs(out), Math.abs(ahead)));
  const plan =
    off <= 45
      ? `${off.toFixed(0)}° from along the car`
      : `${(90 - off).toFixed(0)}° from straight across`;
  return `${plan}, ${rise.toFixed(0)}° from level`;
}
