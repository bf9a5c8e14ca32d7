'use client';

import Box from '@mui/material/Box';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import dynamic from 'next/dynamic';
import useMeasure from 'react-use-measure';
import { memo, useMemo, useRef, useState } from 'react';
import type { KeepOut } from '@/core/model/room';
import { snap } from '@/core/freedoms/freedoms';
import { typeOf } from '@/core/corners/kinds';
import { pointLabel } from '@/core/model/labels';
import { sketchedPoints } from '@/core/model/sketch';
import type { Nulls } from '@/core/bumpsteer/nulls';
import type { JointState } from '@/core/clearance/jointStates';
import type { Vec } from '@/core/geometry/vec';
import type { Values } from '@/core/motion/quantities';
import { COORDINATES } from '@/core/model/points';
import type { Point, PointName } from '@/core/model/points';
import type { LengthUnit } from '@/core/model/units';
import { useView } from '../build/viewStore';
import { SLATE } from '../theme';
import { useStable } from '../useStable';
import { FloorTools } from './FloorTools';
import { FloorView } from './FloorView';
import type { JointDrag } from './Joint';
import { offFloor, viewBox } from './drawing';
import type { Drawn, ViewName } from './drawing';
import { pick, tapeSays } from './measuring';
import type { Spot } from './measuring';
import type { Strings } from './strings';
import { FITTED } from './zoom';
import type { Zoom } from './zoom';
import type { Wheel } from '@/core/kinematics/wheel';

interface Props {
  wheel: Wheel;
  drawn: Drawn;
  proposed: Drawn | null;
  compared: Drawn | null;
  ghosts: Drawn[];
  /** The corner stands at ride height, straight ahead. */
  atRest: boolean;
  /** Why the position shown cannot be reached; empty when it can. */
  trouble: string;
  values: Values | null;
  unit: LengthUnit;
  selected: PointName | null;
  strings: Strings;
  keepOuts: KeepOut[];
  dimensions: boolean;
  /** Where the tie rod's joints leave the toe alone, where that is wanted. */
  nulls: Nulls | null;
  /** Joints that are near a limit or past one. */
  states: Partial<Record<PointName, JointState>>;
  /** Both ends of the half-shaft, where there is one. */
  shaft: readonly [Vec, Vec] | null;
  onStrings: (strings: Strings) => void;
  onSelect: (name: PointName) => void;
  /** Moves a point; what one drag does is undone together. */
  onMove: (name: PointName, to: Point, step: string) => void;
}

const Space = dynamic(() => import('./Space').then((m) => m.Space), { ssr: false });

const VIEWS: ViewName[] = ['front', 'side', 'above'];
/** The front view keeps so much of the floor when the rest shows the corner in space. */
const BESIDE_SPACE = 0.36;
/** The strip of tools over the views, px. */
const STRIP = 32;
/** Plain styles: the floor is drawn with every move of a hand. What changes in here moves nothing outside. */
const GROUND = {
  position: 'relative',
  backgroundColor: SLATE.ground,
  overflow: 'hidden',
  minHeight: 0,
  contain: 'strict',
} as const;
const SIDE_BY_SIDE = { display: 'flex', position: 'absolute', inset: 0, top: STRIP } as const;
const ALL_FITTED: Record<ViewName, Zoom> = { front: FITTED, side: FITTED, above: FITTED };
let drags = 0;

/** The slate floor: one corner from the front, from outside and from above, at one scale. */
export const Floor = memo(function Floor(props: Props) {
  const { wheel, selected, trouble, unit, onMove, onSelect } = props;
  const { design, side, points } = wheel;
  const [ref, bounds] = useMeasure();
  const [zooms, setZooms] = useState(ALL_FITTED);
  const [inSpace, setInSpace] = useState(false);
  const filled = useView((view) => view.filled);
  const [meant, setMeant] = useState<Meant | null>(null);
  const [measuring, setMeasuring] = useState<Spot[] | null>(null);
  const [held, setHeld] = useState<ReturnType<typeof viewBox>[] | null>(null);
  const dragged = useRef<{ start: Point; step: string } | null>(null);
  const mirror = side === 'left' ? 1 : -1;
  // The floor stays where it is while a joint is dragged over it.
  const boxes = useMemo(
    () =>
      held ??
      VIEWS.map((view) => viewBox(view, mirror, wheel.drawn, wheel.design.tyre, wheel.travel)),
    [held, mirror, wheel],
  );
  const captions: Record<ViewName, string> = {
    front: 'From the front',
    side: `From the ${side} side`,
    above: 'From above',
  };

  const shown = filled ? [filled] : inSpace ? VIEWS.slice(0, 1) : VIEWS;
  const besides = inSpace && !filled;
  const wide = bounds.width * (besides ? BESIDE_SPACE : 1);
  const height = Math.max(0, bounds.height - STRIP);
  const boxOf = (view: ViewName) => boxes[VIEWS.indexOf(view)];
  const widths = shown.map((view) => boxOf(view).right - boxOf(view).left);
  const total = widths.reduce((sum, width) => sum + width, 0);
  const tallest = Math.max(...shown.map((view) => boxOf(view).bottom - boxOf(view).top));
  const scale = Math.max(0, Math.min(wide / total, (height - 34) / tallest));

  const handleZoom = useStable((view: ViewName, change: (zoom: Zoom) => Zoom) =>
    setZooms((before) => ({ ...before, [view]: change(before[view]) })),
  );
  const handleSelect = useStable((name: PointName) => {
    setMeant(null);
    if (measuring) setMeasuring(pick(measuring, { joint: name }));
    else onSelect(name);
  });
  // Joints that lie on each other are all offered.
  const handleClick = useStable((name: PointName, near: PointName[], at: Meant['at']) => {
    if (near.length > 0) setMeant({ names: [name, ...near], at });
    else handleSelect(name);
  });
  const handleFill = useStable((view: ViewName | null) => {
    setZooms(ALL_FITTED);
    useView.getState().show({ filled: filled === view ? null : view });
  });
  const handleLine = useStable((line: string) => setMeasuring(pick(measuring ?? [], { line })));
  const handleDrag = useStable((view: ViewName, drag: JointDrag, pixels: number) => {
    const { name, by, first, last } = drag;
    if (first) {
      dragged.current = { start: points[name], step: `drag-${++drags}` };
      setHeld(boxes);
      useView.getState().show({ dragging: true });
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
      useView.getState().show({ dragging: false });
    }
  });
  const handleMeasure = useStable((on: boolean) => setMeasuring(on ? [] : null));
  const handleFit = useStable(() => setZooms(ALL_FITTED));
  const measured = measuring ?? NOTHING;
  const { proposed, compared } = props;
  const beside = useMemo(
    () => [proposed, compared].filter((one) => one !== null),
    [proposed, compared],
  );
  const sketched = useMemo(() => sketchedPoints(design), [design]);
  const place = selected && props.atRest && trouble === '' ? points[selected] : null;

  return (
    <section ref={ref} aria-label="Floor" style={GROUND}>
      <div style={SIDE_BY_SIDE}>
        {bounds.width > 0 &&
          shown.map((view, i) => (
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
              box={boxOf(view)}
              scale={scale}
              zoom={zooms[view]}
              width={(wide * widths[i]) / total}
              height={height}
              unit={unit}
              selected={selected}
              place={place}
              strings={props.strings}
              keepOuts={props.keepOuts}
              values={props.values}
              dimensions={props.dimensions}
              measuring={measuring !== null}
              measured={measured}
              states={props.states}
              nulls={props.atRest ? props.nulls : null}
              shaft={props.shaft}
              onLine={handleLine}
              sketched={sketched}
              onSelect={handleClick}
              onFill={handleFill}
              onDrag={handleDrag}
              onZoom={handleZoom}
            />
          ))}
        {besides && bounds.width > 0 && (
          <div style={{ flex: 1, minWidth: 0 }}>
            <Space
              key={side}
              design={design}
              mirror={mirror}
              drawn={props.drawn}
              beside={beside}
              keepOuts={props.keepOuts}
              shaft={props.shaft}
              selected={selected}
              onSelect={handleSelect}
            />
          </div>
        )}
      </div>
      <FloorTools
        type={typeOf(design)}
        filled={filled}
        onFill={handleFill}
        strings={props.strings}
        measuring={measuring !== null}
        inSpace={inSpace}
        zoomed={VIEWS.some((view) => zooms[view] !== FITTED)}
        onStrings={props.onStrings}
        onMeasure={handleMeasure}
        onSpace={setInSpace}
        onFit={handleFit}
      />
      {meant && (
        <Menu
          open
          onClose={() => setMeant(null)}
          anchorReference="anchorPosition"
          anchorPosition={{ left: meant.at.x + 8, top: meant.at.y + 8 }}
          slotProps={{
            paper: { role: 'dialog', 'aria-label': 'Joints on each other' },
            list: { 'aria-label': 'Joints that lie here' },
          }}
        >
          {meant.names.map((name) => (
            <MenuItem key={name} dense onClick={() => handleSelect(name)}>
              {pointLabel(design, name)}
            </MenuItem>
          ))}
        </Menu>
      )}
      {measuring && trouble === '' && (
        <Said role="status">{tapeSays(measuring, props.drawn, design, unit)}</Said>
      )}
      {trouble !== '' && <Said role="alert">{trouble}</Said>}
    </section>
  );
});

/** Joints on each other, one of which is meant, and where on the screen. */
interface Meant {
  names: PointName[];
  at: { x: number; y: number };
}

const NOTHING: Spot[] = [];

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
