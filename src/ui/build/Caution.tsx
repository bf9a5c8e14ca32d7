import Typography from '@mui/material/Typography';
import { memo } from 'react';

/** What the page is not: said beside every figure. */
export const Caution = memo(function Caution() {
  return (
    <Typography variant="caption" component="p" color="text.secondary" sx={{ m: 0, mt: 1 }}>
      Geometry for a prototype, not proof of strength. Have steering and suspension inspected as the
      law where you drive asks.
    </Typography>
  );
});
