import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { stopSearch } from './useSearch';

/** How far the worker is with what takes its time, and how to stop it. */
export const Making = ({ part, label }: { part: number; label: string }) => (
  <>
    <LinearProgress
      variant="determinate"
      value={100 * part}
      aria-label={label}
      sx={{ width: 120 }}
    />
    <Button size="small" onClick={stopSearch}>
      Stop
    </Button>
  </>
);
