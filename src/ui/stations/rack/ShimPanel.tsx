'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { judgeBumpSteer } from '@/core/bumpsteer/bumpSteer';
import type { BumpSteer } from '@/core/bumpsteer/bumpSteer';
import type { Shim } from '@/core/bumpsteer/shim';
import type { Targets } from '@/core/model/brief';
import { printFraction, trimmed } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { THINNEST } from '../../bench/useShim';
import { PAPER } from '../../theme';
import { VerdictMark } from '../../verdict';

interface Props {
  bumpSteer: BumpSteer | null;
  /** A shim found and not yet taken, or null. */
  found: Shim | null;
  /** No height of the joint reaches the whole travel. */
  hopeless: boolean;
  /** The brief's bands of bump steer, degrees. */
  bands: Targets['bumpSteer'];
  unit: LengthUnit;
  joint: string;
  onFind: () => void;
  onTake: (raise: number) => void;
  onLeave: () => void;
}

/** Washers come in steps: the nearest stack that can be built. */
const GRAIN = { mm: 0.5, in: 25.4 / 32 };

const printRaise = (mm: number, unit: LengthUnit): string =>
  unit === 'mm' ? `${trimmed(mm, 2)} mm` : `${trimmed(mm / 25.4, 3)} in`;

/** A stack as washers are sold: mm, or a fraction of an inch. */
function printStack(mm: number, unit: LengthUnit): string {
  return unit === 'mm' ? printRaise(mm, unit) : `${printFraction(mm / 25.4, 32)} in`;
}

/** A spacer longer than this in single shear wants another cure (common practice). */
const LONG_SPACER = 15;

/** Bump steer as drawn, and the washer stack that flattens it best. */
export const ShimPanel = memo(function ShimPanel(props: Props) {
  const { bumpSteer, found, hopeless, bands, unit, joint, onFind, onTake, onLeave } = props;
  const length = (mm: number) => printRaise(Math.abs(mm), unit);
  return (
    <Box
      component="section"
      aria-label="Shim"
      sx={{ borderTop: `1px solid ${PAPER.line}`, pt: 0.75, flex: 'none' }}
    >
      {found ? (
        <Proposal {...{ found, bands, unit, joint, onTake, onLeave, length }} />
      ) : (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5 }}>
          <Box sx={{ flex: 1, minWidth: 0 }}>
            {bumpSteer ? (
              <>
                <Typography component="div" sx={{ fontWeight: 600 }}>
                  Bump steer {angle(bumpSteer.span.range)},{' '}
                  <VerdictMark verdict={judgeBumpSteer(bumpSteer.worst, bands)} />
                </Typography>
                <Typography variant="caption" color="text.secondary">
                  {slopeInWords(bumpSteer.slope)}
                </Typography>
              </>
            ) : (
              <Typography sx={{ fontWeight: 600 }}>
                Bump steer unknown: the wheel cannot go through its whole travel.
              </Typography>
            )}
            {hopeless && (
              <Typography role="alert" variant="caption" component="div" color="error">
                No height of the {joint} within 60 mm lets the wheel go through its whole travel.
              </Typography>
            )}
          </Box>
          <Button variant="contained" onClick={onFind} disabled={!bumpSteer} aria-keyshortcuts="s">
            Find shim (S)
          </Button>
        </Box>
      )}
    </Box>
  );
});

function Proposal({
  found,
  bands,
  unit,
  joint,
  onTake,
  onLeave,
  length,
}: Pick<Props, 'bands' | 'unit' | 'joint' | 'onTake' | 'onLeave'> & {
  found: Shim;
  length: (mm: number) => string;
}) {
  const { raise, before, after } = found;
  const stack = Math.round(raise / GRAIN[unit]) * GRAIN[unit];
  const nothing = Math.abs(raise) < THINNEST;
  const way = raise > 0 ? 'up' : 'down';
  return (
    <Box role="status">
      <Typography sx={{ fontWeight: 600 }}>
        {nothing
          ? `No shim does better: the ${joint} is where it leaves least.`
          : `Move the ${joint} ${length(raise)} ${way}.`}
      </Typography>
      <Typography variant="body2">
        Toe range {before ? angle(before.span.range) : 'unknown'} → {angle(after.span.range)} left
        over, <VerdictMark verdict={judgeBumpSteer(after.worst, bands)} />
      </Typography>
      {Math.abs(raise) > LONG_SPACER && (
        <Typography variant="caption" component="div">
          Caution: a spacer this long on a bolt held at one end bends. Hold both ends.
        </Typography>
      )}
      <Box
        sx={{
          display: 'flex',
          gap: 1,
          mt: 0.75,
          alignItems: 'center',
          '& button': { whiteSpace: 'nowrap', px: 1.25 },
        }}
      >
        {!nothing && (
          <Button variant="contained" size="small" onClick={() => onTake(raise)}>
            Take {length(raise)} (Enter)
          </Button>
        )}
        {!nothing && Math.abs(stack) > 0 && Math.abs(stack - raise) > 0.01 && (
          <Button variant="outlined" size="small" onClick={() => onTake(stack)}>
            Take {printStack(Math.abs(stack), unit)} in washers
          </Button>
        )}
        <Button size="small" onClick={onLeave}>
          Leave it (Esc)
        </Button>
      </Box>
    </Box>
  );
}

const angle = (degrees: number) => `${degrees.toFixed(degrees < 0.1 ? 3 : 2)}°`;

function slopeInWords(slope: number): string {
  const per10 = Math.abs(slope * 10);
  if (per10 < 0.0005) return 'No slope at ride height.';
  const amount = per10.toFixed(per10 < 0.1 ? 3 : 2);
  return `Toes ${slope > 0 ? 'in' : 'out'} ${amount}° per 10 mm of bump at ride height.`;
}
