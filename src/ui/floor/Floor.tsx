'use client';

import Box from '@mui/material/Box';
import useMeasure from 'react-use-measure';
import { useMemo, useRef, useState } from 'react';
import type { KeepOut } from '@/core/clearance/roomSchema';
import { snap } from '@/core/freedoms/freedoms';
import { pointsOf } from '@/core/kinematics/axle';
import { distance } from '@/core/geometry/vec';
import type { AxleDesign, Side, Travel } from '@/core/model/build';
import type { Quantity } from '@/core/motion/quantities';
import { COORDINATES, pointLabel } from '@/core/model/points';
import type { Point, PointName } from '@/core/model/points';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { SLATE } from '../theme';
import { useStable } from '../useStable';
import { FloorTools } from './FloorTools';
import { FloorView } from './FloorView';
import type { JointDrag } from './Joint';
import { offFloor, viewBox } from './drawing';
import type { Drawn, ViewName } from './drawing';
import type { Strings } from './strings';
import { FITTED } from './zoom';
import type { Zoom } from './zoom';

interface Props {
  design: AxleDesign;
  side: Side;
  travel: Travel;
  drawn: Drawn;
  proposed: Drawn | null;
  compared: Drawn | null;
  ghosts: Drawn[];
  /** The corner stands at ride height, straight ahead. */
  atRest: boolean;
  /** Why the position shown cannot be reached; empty when it can. */
  trouble: string;
  values: Record<Quantity, number> | null;
  unit: LengthUnit;
  steered: boolean;
  selected: PointName | null;
  strings: Strings;
  keepOuts: KeepOut[];
  dimensions: boolean;
  onStrings: (strings: Strings) => void;
  onSelect: (name: PointName) => void;
  /** Moves a point; what one drag does is undone together. */
  onMove: (name: PointName, to: Point, step: string) => void;
}

const VIEWS: ViewName[] = ['front', 'side', 'above'];
const ALL_FITTED: Record<ViewName, Zoom> = { front: FITTED, side: FITTED, above: FITTED };
let drags = 0;

/** The slate floor: one corner from the front, from outside and from above, at one scale. */
export function Floor(props: Props) {
  const { design, side, travel, selected, trouble, steered, unit, onMove, onSelect } = props;
  const [ref, bounds] = useMeasure();
  const [zooms, setZooms] = useState(ALL_FITTED);
  const [measuring, setMeasuring] = useState<PointName[] | null>(null);
  const [held, setHeld] = useState<ReturnType<typeof viewBox>[] | null>(null);
  const dragged = useRef<{ start: Point; step: string } | null>(null);
  const mirror = side === 'left' ? 1 : -1;
  const points = pointsOf(design, side);
  const fitted = useMemo(
    () => VIEWS.map((view) => viewBox(view, mirror, design, points, travel)),
    [mirror, design, points, travel],
  );
  // The floor stays where it is while a joint is dragged over it.
  const boxes = held ?? fitted;
  const captions: Record<ViewName, string> = {
    front: 'From the front',
    side: `From the ${side} side`,
    above: 'From above',
  };

  const widths = boxes.map((box) => box.right - box.left);
  const total = widths.reduce((sum, width) => sum + width, 0);
  const tallest = Math.max(...boxes.map((box) => box.bottom - box.top));
  const scale = Math.max(0, Math.min(bounds.width / total, (bounds.height - 38) / tallest));

  const handleZoom = useStable((view: ViewName, change: (zoom: Zoom) => Zoom) =>
    setZooms((before) => ({ ...before, [view]: change(before[view]) })),
  );
  const handleSelect = useStable((name: PointName) => {
    if (measuring) setMeasuring(measuring.length >= 2 ? [name] : [...measuring, name]);
    else onSelect(name);
  });
  const handleDrag = useStable((view: ViewName, drag: JointDrag, pixels: number) => {
    const { name, by, first, last } = drag;
    if (first) {
      dragged.current = { start: points[name], step: `drag-${++drags}` };
      setHeld(fitted);
      onSelect(name);
    }
    if (dragged.current) {
      const { start, step } = dragged.current;
      const moved = offFloor(view, mirror, [by[0] / pixels, by[1] / pixels]);
      const to = { ...start };
      for (const c of COORDINATES)
        if (moved[c] !== undefined)
          to[c] = tidy(snap(design.freedoms?.[name]?.[c], start[c] + moved[c], start[c]));
      onMove(name, to, step);
    }
    if (last) {
      dragged.current = null;
      setHeld(null);
    }
  });
  const handleMeasure = useStable((on: boolean) => setMeasuring(on ? [] : null));
  const handleFit = useStable(() => setZooms(ALL_FITTED));
  const measured = measuring ?? NOTHING;
  const place = selected && props.atRest && trouble === '' ? points[selected] : null;

  return (
    <Box
      ref={ref}
      component="section"
      aria-label="Floor"
      sx={{ position: 'relative', bgcolor: SLATE.ground, overflow: 'hidden', minHeight: 0 }}
    >
      <Box sx={{ display: 'flex', position: 'absolute', inset: 0 }}>
        {bounds.width > 0 &&
          VIEWS.map((view, i) => (
            <FloorView
              key={view}
              view={view}
              caption={captions[view]}
              mirror={mirror}
              drawn={props.drawn}
              proposed={props.proposed}
              compared={props.compared}
              ghosts={props.ghosts}
              reached={trouble === ''}
              design={design}
              box={boxes[i]}
              scale={scale}
              zoom={zooms[view]}
              width={(bounds.width * widths[i]) / total}
              height={bounds.height}
              unit={unit}
              steered={steered}
              selected={selected}
              place={place}
              strings={props.strings}
              keepOuts={props.keepOuts}
              values={props.values}
              dimensions={props.dimensions}
              measured={measured}
              onSelect={handleSelect}
              onDrag={handleDrag}
              onZoom={handleZoom}
            />
          ))}
      </Box>
      <FloorTools
        strings={props.strings}
        measuring={measuring !== null}
        zoomed={VIEWS.some((view) => zooms[view] !== FITTED)}
        onStrings={props.onStrings}
        onMeasure={handleMeasure}
        onFit={handleFit}
      />
      {measuring && trouble === '' && (
        <Said role="status">{tapeSays(measuring, props.drawn, steered, unit)}</Said>
      )}
      {trouble !== '' && <Said role="alert">{trouble}</Said>}
    </Box>
  );
}

const NOTHING: PointName[] = [];

/** To a tenth of a mm: nobody drags finer. */
const tidy = (mm: number): number => Math.round(mm * 10) / 10;

const Said = ({ role, children }: { role: 'alert' | 'status'; children: React.ReactNode }) => (
  <Box
    role={role}
    sx={{
      position: 'absolute',
      left: '50%',
      bottom: 12,
      transform: 'translateX(-50%)',
      bgcolor: SLATE.chalk,
      color: SLATE.ground,
      px: 2,
      py: 0.75,
      borderRadius: 1,
      fontWeight: 600,
      maxWidth: '92%',
    }}
  >
    {children}
  </Box>
);

/** The true length between two joints and its three parts, as a tape would have it. */
function tapeSays(
  [from, to]: PointName[],
  { at }: Drawn,
  steered: boolean,
  unit: LengthUnit,
): string {
  if (!from) return 'Click two joints to measure between them';
  const first = pointLabel(from, steered);
  if (!to) return `From the ${first} to …`;
  const length = (mm: number) => readable(printLength(Math.round(Math.abs(mm) * 10) / 10, unit));
  const parts = COORDINATES.map((word, i) => `${length(at[to][i] - at[from][i])} ${word}`);
  return `${first} to ${pointLabel(to, steered)}: ${length(distance(at[from], at[to]))} ${unit} (${parts.join(', ')})`;
}
