import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo, useMemo } from 'react';
import { toDeg } from '@/core/geometry/angle';
import { toPoint } from '@/core/model/points';
import type { Point, PointName } from '@/core/model/points';
import type { Tilts as TiltList } from '@/core/clearance/tilt';
import { TILT_LIMITS } from '@/core/model/room';
import type { WantedRoom } from '@/core/model/room';
import { bestBolt, jointTypeOf, tiltingOf, tiltsOf } from '@/core/clearance/tilt';
import { typeOf } from '@/core/corners/kinds';
import { isSteered } from '@/core/kinematics/axle';
import { describePosition } from '@/core/kinematics/corner';
import { measuredTilts } from '@/core/clearance/studs';
import type { AxleDesign, AxleName, Build, Side, Travel } from '@/core/model/build';
import { pointLabel } from '@/core/model/labels';
import { VERDICT } from '../../theme';
import type { FloorStation } from '../floorStation';
import { PlaceRow } from './PlaceRow';

/** How far the joints tilt over travel and lock, against what they may. */
export const Tilts = memo(function Tilts({
  build,
  axle,
  design,
  side,
  wanted,
  onShow,
  onBolt,
}: {
  build: Build;
  axle: AxleName;
  design: AxleDesign;
  side: Side;
  wanted: WantedRoom;
  onShow: FloorStation['onShow'];
  /** Lets a rod end's bolt lie another way; null as is usual. */
  onBolt: (name: PointName, direction: Point | null) => void;
}) {
  const tilts = useMemo(() => measuredTilts(build, axle, side), [build, axle, side]);
  const { travel } = build;
  const type = typeOf(design);
  return (
    <section aria-label="Joint tilt">
      {tilts &&
        tiltingOf(type).map((name) => {
          const { tilt, travel: at, rack } = tilts[name];
          const kind = jointTypeOf(type, name, isSteered(design));
          const past = tilt > (wanted[kind] ?? TILT_LIMITS[kind]);
          return (
            <PlaceRow
              key={name}
              data-tilt={past ? 'past' : 'within'}
              what={`${pointLabel(design, name)} tilts`}
              where={describePosition(at, rack)}
              colour={past ? VERDICT.bad : VERDICT.good}
              figure={`${past ? '✕' : '✓'} ${tilt.toFixed(1)}°`}
              onClick={() => onShow({ travel: at, rack })}
            />
          );
        })}
      <Bolts {...{ design, side, travel, tilts, onBolt }} />
    </section>
  );
});

/** A bolt that turned would save less than this is left alone, degrees. */
const WORTH = 1;

/** A bolt that would be laid so (null: as is usual), and the tilt that leaves. */
interface Offer {
  name: PointName;
  direction: Point | null;
  tilt: number;
}

/** Rod ends whose bolts lie badly: the way in which travel turns them about the bolt instead of tilting them. */
function Bolts({
  design,
  side,
  travel,
  tilts,
  onBolt,
}: {
  design: AxleDesign;
  side: Side;
  travel: Travel;
  tilts: TiltList | null;
  onBolt: (name: PointName, direction: Point | null) => void;
}) {
  const better = useMemo(
    () =>
      tiltingOf(typeOf(design)).flatMap((name): Offer[] => {
        if (design.bolts?.[name]) return [{ name, direction: null, tilt: 0 }];
        const best = bestBolt(design, side, travel, name);
        if (!best) return [];
        const direction = rounded(toPoint(best));
        const bolts = { ...design.bolts, [name]: direction };
        const after = tiltsOf({ ...design, bolts }, side, travel);
        const saved = after && tilts ? tilts[name].tilt - after[name].tilt : 0;
        return saved > WORTH ? [{ name, direction, tilt: after![name].tilt }] : [];
      }),
    [design, side, travel, tilts],
  );
  return better.map(({ name, direction, tilt }) => (
    <Typography key={name} variant="body2" component="div" data-bolt={name}>
      {direction
        ? `+ The bolt of the ${pointLabel(design, name)} laid ${inWords(direction)}: the travel turns it about the bolt, and it tilts ${tilt.toFixed(1)}°.`
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
