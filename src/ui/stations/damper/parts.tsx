import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Carrier } from '@/core/corners/cornerType';
import type { Mounting } from '@/core/model/damperStart';
import type { Damper } from '@/core/model/damper';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { PAPER } from '../../theme';
import type { FloorStation } from '../floorStation';
import type { AxleChange } from '../wheel/useAxleChange';

/** What a part of the station knows: the damper is there, and is changed by `put`. */
export interface DamperPartProps extends FloorStation {
  damper: Damper;
  change: AxleChange;
  put: (change: (damper: Damper) => void, step?: string) => void;
}

export const CARRIER_WORDS: Record<Carrier, string> = {
  lowerArm: 'lower arm',
  upperArm: 'upper arm',
  arm: 'arm',
  upright: 'upright',
  beam: 'beam',
};

/** A way to mount a damper, as it is said. */
export const mountingInWords = ({ by, on }: Mounting): string =>
  by === 'strut'
    ? 'the strut is the damper'
    : by === 'rocker'
      ? `by rod and rocker, from the ${CARRIER_WORDS[on!]}`
      : `straight to the ${CARRIER_WORDS[on!]}`;

/** A length without its unit. */
export const lengthBy =
  (unit: LengthUnit, places = 1) =>
  (mm: number): string =>
    readable(printLength(Math.round(mm * 10 ** places) / 10 ** places, unit));

export const Fields = ({ children }: { children: ReactNode }) => (
  <Box
    sx={{
      display: 'flex',
      flexWrap: 'wrap',
      alignItems: 'flex-start',
      columnGap: 1,
      rowGap: 1.25,
      pt: 1.25,
    }}
  >
    {children}
  </Box>
);

export const Section = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box
    component="section"
    aria-label={title}
    sx={{ borderTop: `1px solid ${PAPER.line}`, mt: 1.25, pt: 0.75 }}
  >
    <Typography variant="h3">{title}</Typography>
    {children}
  </Box>
);

export const Said = ({ children }: { children: ReactNode }) => (
  <Typography variant="caption" component="p" color="text.secondary" sx={{ mt: 0.5 }}>
    {children}
  </Typography>
);
