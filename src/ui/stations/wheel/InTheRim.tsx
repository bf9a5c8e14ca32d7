'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { AxleDesign } from '@/core/model/build';
import { pointLabel } from '@/core/model/labels';
import type { Points } from '@/core/model/points';
import { lengthIn, printLength, unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { JOINT_BODY, RIM_CLEARANCE, WELL, rimClearances } from '@/core/upright/rim';
import type { RimClearance } from '@/core/upright/rim';
import { FIGURES, VERDICT } from '../../theme';

/** The upright's joints against the inside of the rim. */
export function InTheRim({
  design,
  points,
  unit,
}: {
  design: AxleDesign;
  points: Points;
  unit: LengthUnit;
}) {
  const found = rimClearances(design, points);
  return (
    <Box component="section" aria-label="Inside the rim" sx={{ pt: 1 }}>
      <Typography variant="h3">Inside the rim</Typography>
      {found.length === 0 ? (
        <Typography variant="body2">
          Give the rim’s diameter, width or offset, and Havrik says how much room the joints have.
        </Typography>
      ) : (
        <>
          <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
            {found.map((one) => (
              <Box component="li" key={one.joint} sx={{ display: 'flex', gap: 1, fontSize: 14 }}>
                <span>{pointLabel(design, one.joint)}</span>
                <Room clearance={one} unit={unit} />
              </Box>
            ))}
          </Box>
          <Typography variant="caption" color="text.secondary">
            Counted with a rim well {lengthIn(WELL, unit)} deep and joints{' '}
            {lengthIn(2 * JOINT_BODY, unit)} across; keep {lengthIn(RIM_CLEARANCE, unit)} (common
            practice). Brakes are not drawn yet.
          </Typography>
        </>
      )}
    </Box>
  );
}

function Room({
  clearance: { clearance, inboard },
  unit,
}: {
  clearance: RimClearance;
  unit: LengthUnit;
}) {
  const mm = (value: number) =>
    `${printLength(Math.round(value * 10) / 10, unit)} ${unitName(unit)}`;
  const [text, colour] =
    clearance === null
      ? [`inboard of the rim by ${mm(inboard)}`, VERDICT.good]
      : clearance < 0
        ? [`✕ in the rim by ${mm(-clearance)}`, VERDICT.bad]
        : clearance < RIM_CLEARANCE
          ? [`△ ${mm(clearance)} clear: close`, VERDICT.edge]
          : [`✓ ${mm(clearance)} clear`, VERDICT.good];
  return (
    <Box component="span" sx={{ color: colour, fontFamily: FIGURES, fontWeight: 600, ml: 'auto' }}>
      {text}
    </Box>
  );
}
