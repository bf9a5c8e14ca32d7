import Typography from '@mui/material/Typography';
import { saidIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { VERDICT } from '../../theme';
import { capital } from './words';

/** What keeps a part from being made. */
export const Faults = ({ faults, unit }: { faults: readonly string[]; unit: LengthUnit }) =>
  faults.map((fault) => (
    <Typography
      key={fault}
      role="alert"
      variant="body2"
      sx={{ color: VERDICT.bad, fontWeight: 600, mt: 0.5 }}
    >
      {capital(saidIn(fault, unit))}.
    </Typography>
  ));
