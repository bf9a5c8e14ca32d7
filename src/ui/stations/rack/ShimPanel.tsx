'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { judgeBumpSteer } from '@/core/motion/bumpSteer';
import type { BumpSteer } from '@/core/motion/bumpSteer';
import type { Shim } from '@/core/bumpsteer/shim';
import type { Targets } from '@/core/model/brief';
import { printFraction, trimmed, unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { THINNEST } from '../../build/useShim';
import { PAPER, VERDICT } from '../../theme';
import { VerdictMark } from '../../verdict';
import { useAngles } from '../../fields/useAngles';

interface Props {
  bumpSteer: BumpSteer | null;
  /** A shim found and not yet taken, or null. */
  found: Shim | null;
  /** What would help where the joint's freedom does not, in words. */
  advice: string[];
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
  const said = useAngles();
  const { bumpSteer, found, advice, hopeless, bands, unit, joint, onFind, onTake, onLeave } = props;
  const length = (mm: number) => printRaise(Math.abs(mm), unit);
  return (
    <Box
      component="section"
      aria-label="Shim"
      sx={{ borderTop: `1px solid ${PAPER.line}`, pt: 0.75, flex: 'none' }}
    >
      {found ? (
        <Proposal {...{ found, advice, bands, unit, joint, onTake, onLeave, length }} />
      ) : (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5 }}>
          <Box sx={{ flex: 1, minWidth: 0 }}>
            {bumpSteer ? (
              <>
                <Typography component="div" sx={{ fontWeight: 600 }}>
                  Bump steer {said(angle(bumpSteer.worst))} at worst{' '}
                  <VerdictMark verdict={judgeBumpSteer(bumpSteer.worst, bands)} />
                </Typography>
                <Typography variant="caption" color="text.secondary">
                  Straight ahead; range {said(angle(bumpSteer.span.range))}.{' '}
                  {said(slopeInWords(bumpSteer.slope, unit))}
                </Typography>
              </>
            ) : (
              <Typography sx={{ fontWeight: 600 }}>
                Bump steer unknown: the wheel cannot go through its whole travel.
              </Typography>
            )}
            {hopeless && (
              <Typography role="alert" variant="caption" component="div" color="error">
                No height that the {joint} may have lets the wheel go through its whole travel.
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
  advice,
  bands,
  unit,
  joint,
  onTake,
  onLeave,
  length,
}: Pick<Props, 'advice' | 'bands' | 'unit' | 'joint' | 'onTake' | 'onLeave'> & {
  found: Shim;
  length: (mm: number) => string;
}) {
  const said = useAngles();
  const { raise, before, after, freedom, washers } = found;
  const grain = GRAIN[unitName(unit)];
  const stack = Math.round(raise / grain) * grain;
  const nothing = Math.abs(raise) < THINNEST;
  const spacer = washers ? washers.reduce((sum, mm) => sum + mm, 0) : Math.abs(raise);
  return (
    <Box role="status">
      <Typography sx={{ fontWeight: 600 }}>{inWords(found, joint, length, unit)}</Typography>
      <Typography variant="body2">
        {nothing
          ? `At best ${said(angle(after.worst))} at worst, range ${said(angle(after.span.range))}, straight ahead: `
          : `${before ? said(angle(before.worst)) : 'Unknown'} → ${said(angle(after.worst))} at worst, range ${said(angle(after.span.range))}, straight ahead: `}
        <VerdictMark verdict={judgeBumpSteer(after.worst, bands)} />
      </Typography>
      {!found.sure && (
        <Typography variant="body2" sx={{ color: VERDICT.edge }}>
          △ The best of what was looked at: the search did not come to rest everywhere.
        </Typography>
      )}
      {advice.map((line) => (
        <Typography key={line} variant="body2" data-advice sx={{ color: VERDICT.edge }}>
          △ {line}
        </Typography>
      ))}
      {spacer > LONG_SPACER && (
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
            Take {washers ? 'them' : length(raise)} (Enter)
          </Button>
        )}
        {!nothing && !freedom && Math.abs(stack) > 0 && Math.abs(stack - raise) > 0.01 && (
          <Button variant="outlined" size="small" onClick={() => onTake(stack)}>
            Take {printStack(Math.abs(stack), unit)} in washers
          </Button>
        )}
        <Button size="small" onClick={onLeave}>
          Leave it (Esc)
        </Button>
      </Box>
      {!nothing && !freedom && (
        <Typography variant="caption" component="div" color="text.secondary">
          Nothing says yet how the joint may move: any height was looked at, and what is taken
          stands on washers under “freedoms”.
        </Typography>
      )}
    </Box>
  );
}

/** What to do with the joint, within what its freedom lets it. */
function inWords(
  { raise, freedom, washers }: Shim,
  joint: string,
  length: (mm: number) => string,
  unit: LengthUnit,
): string {
  const stack = freedom?.kind === 'shims';
  if (Math.abs(raise) < THINNEST) {
    if (!freedom) return `No shim does better: the ${joint} is where it leaves least.`;
    if (freedom.kind === 'fixed')
      return `The ${joint} is fixed in height: no washers can be put there.`;
    return stack
      ? `No stack of its washers does better: at most ${freedom.most} of ${freedom.stock.map((mm) => printRaise(mm, unit)).join(', ')}, ${freedom.way === 1 ? 'upward' : 'downward'}.`
      : `Within its freedom the ${joint} is where it leaves least.`;
  }
  const way = raise > 0 ? 'up' : 'down';
  if (!stack || !washers) return `Move the ${joint} ${length(raise)} ${way}.`;
  return washers.length === 0
    ? `Take the washers out at the ${joint}: ${length(raise)} ${way}.`
    : `Washers ${washers.map((mm) => printRaise(mm, unit)).join(' + ')} at the ${joint}: ${length(raise)} ${way}.`;
}

const angle = (degrees: number) => `${degrees.toFixed(degrees < 0.1 ? 3 : 2)}°`;

function slopeInWords(slope: number, unit: LengthUnit): string {
  const [mm, word] = unit === 'mm' ? [10, '10 mm'] : [25.4, 'inch'];
  const per10 = Math.abs(slope * mm);
  if (per10 < 0.0005) return 'No slope at ride height.';
  const amount = per10.toFixed(per10 < 0.1 ? 3 : 2);
  return `Toes ${slope > 0 ? 'in' : 'out'} ${amount}° per ${word} of bump at ride height.`;
}
