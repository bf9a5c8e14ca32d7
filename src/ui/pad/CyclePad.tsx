'use client';

import LockIcon from '@mui/icons-material/SwapHoriz';
import PauseIcon from '@mui/icons-material/Pause';
import TravelIcon from '@mui/icons-material/SwapVert';
import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import Tooltip from '@mui/material/Tooltip';
import { useDrag } from '@use-gesture/react';
import { memo, useEffect, useRef, useState } from 'react';
import { z } from 'zod';
import type { SteerUnit } from '@/core/kinematics/corner';
import type { Travel } from '@/core/model/build';
import { describePosition } from '@/core/kinematics/corner';
import type { LengthUnit } from '@/core/model/units';
import { AngleField, LengthField } from '../fields/NumberField';
import { PAPER, SLATE } from '../theme';

interface Props {
  travel: number;
  rack: number;
  limits: Travel;
  /** Each way from centre, mm of a rack or degrees of a drop arm; 0 where nothing steers. */
  steerRange: number;
  steersBy: SteerUnit;
  unit: LengthUnit;
  onMove: (position: { travel: number; rack: number }) => void;
}

/** Steps of the arrow keys, mm; with Shift, FINE. */
export const STEP = { travel: 5, rack: 2 };
export const FINE = 1;

const anyTurn = z.number().min(-180, 'at most 180°').max(180, 'at most 180°');
const anyTravel = z.number().min(-500, 'at most 500 mm').max(500, 'at most 500 mm');

/**
 * The square pad: up and down is wheel travel, left and right is the steering. A wheel that has but one of them has a
 * strip.
 */
export const CyclePad = memo(function CyclePad(props: Props) {
  const { travel, rack, limits, steerRange, steersBy, unit, onMove } = props;
  const travels = limits.bump + limits.droop > 0;
  const square = useRef<HTMLDivElement>(null);
  const [playing, setPlaying] = useState<'travel' | 'rack' | null>(null);
  const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

  const toPosition = (x: number, y: number) => {
    const box = square.current!.getBoundingClientRect();
    const across = clamp((x - box.left) / box.width, 0, 1);
    const down = clamp((y - box.top) / box.height, 0, 1);
    return {
      travel: Math.round((limits.bump - down * (limits.bump + limits.droop)) * 2) / 2,
      // Seen as the driver sees the rack: left is left.
      rack: Math.round((1 - 2 * across) * steerRange * 2) / 2,
    };
  };
  const drag = useDrag(
    ({ xy: [x, y] }) => {
      setPlaying(null);
      const to = toPosition(x, y);
      // Near the centre lines the dot keeps to them.
      if (Math.abs(to.rack) < steerRange * 0.04) to.rack = 0;
      if (Math.abs(to.travel) < (limits.bump + limits.droop) * 0.02) to.travel = 0;
      onMove(to);
    },
    { pointer: { keys: false } },
  );

  const move = useRef(onMove);
  const at = useRef({ travel, rack });
  useEffect(() => {
    move.current = onMove;
    at.current = { travel, rack };
  });
  const { bump, droop } = limits;
  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    const started = performance.now();
    const from = at.current;
    const run = (time: number) => {
      const phase = Math.sin(((time - started) / 4000) * 2 * Math.PI);
      move.current(
        playing === 'travel'
          ? { travel: phase > 0 ? phase * bump : phase * droop, rack: from.rack }
          : { travel: from.travel, rack: phase * steerRange },
      );
      frame = requestAnimationFrame(run);
    };
    frame = requestAnimationFrame(run);
    return () => cancelAnimationFrame(frame);
  }, [playing, bump, droop, steerRange]);

  const x = steerRange > 0 ? 50 - (50 * clamp(rack, -steerRange, steerRange)) / steerRange : 50;
  const y = travels ? (100 * (bump - clamp(travel, -droop, bump))) / (bump + droop) : 50;
  const rest = travels ? (100 * bump) / (bump + droop) : 50;
  const [lowest, highest, value] = travels
    ? [-droop, bump, travel]
    : [-steerRange, steerRange, rack];
  if (!travels && steerRange === 0) return null;

  return (
    <Box
      component="section"
      aria-label="Cycle pad"
      sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) auto', gap: 1.25 }}
    >
      <Box
        ref={square}
        {...drag()}
        tabIndex={0}
        role="slider"
        aria-orientation={travels ? 'vertical' : 'horizontal'}
        aria-label={travels ? `Wheel travel and ${steersBy}` : capital(steersBy)}
        aria-valuemin={lowest}
        aria-valuemax={highest}
        aria-valuenow={Number(value.toFixed(1))}
        aria-valuetext={describePosition(travel, rack, steersBy)}
        sx={{
          position: 'relative',
          aspectRatio: travels ? '1' : '3.2',
          maxWidth: 180,
          bgcolor: SLATE.ground,
          borderRadius: 1,
          touchAction: 'none',
          cursor: 'crosshair',
          color: SLATE.soft,
          fontSize: 12,
        }}
      >
        <svg
          width="100%"
          height="100%"
          viewBox={travels ? '0 0 100 100' : '0 34 100 32'}
          aria-hidden="true"
          style={{ position: 'absolute' }}
        >
          <path
            d={`M0 ${rest}H100`}
            stroke={SLATE.string}
            strokeDasharray="2 2.5"
            strokeWidth={0.7}
          />
          {steerRange > 0 && (
            <path d="M50 0V100" stroke={SLATE.string} strokeDasharray="2 2.5" strokeWidth={0.7} />
          )}
          <circle cx={x} cy={y} r={5} fill={SLATE.ground} stroke={SLATE.accent} strokeWidth={2.2} />
        </svg>
        {travels && (
          <>
            <PadWord sx={{ top: 3, left: '54%' }}>bump</PadWord>
            <PadWord sx={{ bottom: 3, left: '54%' }}>droop</PadWord>
          </>
        )}
        {steerRange > 0 && (
          <>
            <PadWord sx={{ left: 5, top: `calc(${rest}% + 3px)` }}>left</PadWord>
            <PadWord sx={{ right: 5, top: `calc(${rest}% + 3px)` }}>right</PadWord>
          </>
        )}
      </Box>
      <Box sx={{ display: 'grid', alignContent: 'start', gap: 1.25, pt: 0.75 }}>
        {travels && (
          <LengthField
            label="Travel"
            value={Number(travel.toFixed(3))}
            unit={unit}
            schema={anyTravel}
            onValue={(value) => onMove({ travel: value, rack })}
            width={92}
          />
        )}
        {steerRange > 0 && steersBy === 'drop arm' && (
          <AngleField
            label="Drop arm"
            value={Number(rack.toFixed(3))}
            schema={anyTurn}
            onValue={(value) => onMove({ travel, rack: value })}
            width={92}
          />
        )}
        {steerRange > 0 && steersBy === 'rack' && (
          <LengthField
            label="Rack"
            value={Number(rack.toFixed(3))}
            unit={unit}
            schema={anyTravel}
            onValue={(value) => onMove({ travel, rack: value })}
            width={92}
          />
        )}
        <Box sx={{ display: 'flex', gap: 0.75 }}>
          {travels && (
            <Play
              label="Cycle bump to droop"
              on={playing === 'travel'}
              onToggle={(on) => setPlaying(on ? 'travel' : null)}
            >
              <TravelIcon fontSize="small" />
            </Play>
          )}
          {steerRange > 0 && (
            <Play
              label="Steer lock to lock"
              on={playing === 'rack'}
              onToggle={(on) => setPlaying(on ? 'rack' : null)}
            >
              <LockIcon fontSize="small" />
            </Play>
          )}
        </Box>
      </Box>
    </Box>
  );
});

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function PadWord({ sx, children }: { sx: object; children: string }) {
  return (
    <Box
      component="span"
      aria-hidden="true"
      sx={{ position: 'absolute', pointerEvents: 'none', ...sx }}
    >
      {children}
    </Box>
  );
}

function Play({
  label,
  on,
  onToggle,
  children,
}: {
  label: string;
  on: boolean;
  onToggle: (on: boolean) => void;
  children: React.ReactNode;
}) {
  return (
    <Tooltip title={label}>
      <ToggleButton
        value={label}
        selected={on}
        onChange={() => onToggle(!on)}
        aria-label={label}
        size="small"
        sx={{ width: 42, height: 36, color: PAPER.ink, borderColor: PAPER.line }}
      >
        {on ? <PauseIcon fontSize="small" /> : children}
      </ToggleButton>
    </Tooltip>
  );
}
