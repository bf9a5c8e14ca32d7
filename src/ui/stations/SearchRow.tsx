import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import type { AxleDesign } from '@/core/model/build';
import { pointLabel } from '@/core/model/labels';
import type { Coordinate, PointName } from '@/core/model/points';
import { VERDICT } from '../theme';
import { stopSearch } from './useSearch';

/** The button that searches, what may move, and while it runs how far it is and the way to stop it. */
export function SearchRow({
  label,
  part,
  opened,
  design,
  onSearch,
}: {
  label: string;
  part: number | null;
  /** What may move: coordinates of joints, or as it is said. */
  opened: { point: PointName; coordinate: Coordinate; said?: string | undefined }[];
  design: AxleDesign;
  onSearch: () => void;
}) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, my: 1 }}>
      <Button
        variant="contained"
        // A disabled button would lose the focus while it searches.
        onClick={() => part === null && onSearch()}
        aria-disabled={part !== null}
        disabled={opened.length === 0}
        sx={{ whiteSpace: 'nowrap', flex: 'none', opacity: part === null ? 1 : 0.5 }}
      >
        {label}
      </Button>
      {part === null ? (
        <Typography variant="body2" color="text.secondary">
          {opened.length === 0
            ? 'Nothing may move yet: pick a point and say under “Freedoms” what can be changed.'
            : `May move: ${opened.map(({ point, coordinate, said }) => said ?? `${pointLabel(design, point)} ${coordinate}`).join(', ')}.`}
        </Typography>
      ) : (
        <>
          <LinearProgress
            variant="determinate"
            value={part * 100}
            aria-label="Combinations tried"
            sx={{ flex: 1 }}
          />
          <Button size="small" onClick={stopSearch}>
            Stop
          </Button>
        </>
      )}
    </Box>
  );
}

/** What was found answers other wishes than those that stand here now. */
export const Stale = () => (
  <Typography role="status" variant="body2" sx={{ color: VERDICT.edge, mb: 0.5 }}>
    △ Found for what was asked before: search again for what stands here now.
  </Typography>
);
