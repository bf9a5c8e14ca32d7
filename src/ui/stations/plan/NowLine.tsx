import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { PlanNow, Standing } from '@/core/plan/states';
import { PAPER } from '../../theme';
import { inHours } from './marks';

const MOST = 3;

/** What holds the job up, what can be done meanwhile, how long it still takes. */
export function NowLine({ now, onPick }: { now: PlanNow; onPick: (id: string) => void }) {
  const { holds, meanwhile, hours } = now;
  const pick = ({ step }: Standing) => (
    <Button key={step.id} size="small" onClick={() => onPick(step.id)} sx={{ py: 0 }}>
      {step.title}
    </Button>
  );
  return (
    <Box
      role="status"
      sx={{
        display: 'grid',
        gap: 0.25,
        p: '8px 12px',
        border: `1px solid ${PAPER.line}`,
        borderRadius: 1,
      }}
    >
      <Typography variant="body2" component="div">
        {!holds ? (
          'Everything is done.'
        ) : (
          <>
            {holds.state === 'held' ? 'Held up at' : 'Next, and most hangs on it:'} {pick(holds)}
            {holds.state === 'held' && holds.why.join(', ')}
            {holds.state === 'open again' && `open again: ${holds.why[0]}`}
          </>
        )}
      </Typography>
      {meanwhile.length > 0 && (
        <Typography variant="body2" component="div">
          Besides it now: {meanwhile.slice(0, MOST).map(pick)}
          {meanwhile.length > MOST && ` and ${meanwhile.length - MOST} more`}
        </Typography>
      )}
      <Typography variant="body2">
        <strong>{inHours(hours.left)}</strong> left; planned {inHours(hours.planned)} in all,{' '}
        {inHours(hours.used)} used
        {hours.left > hours.longest + 1 &&
          `; no less than ${inHours(hours.longest)} with more hands`}
        .{' '}
        {hours.factor === 1
          ? `As planned: with minutes noted at ${hours.from} steps, fewer than three say nothing of the rest.`
          : `At ${hours.factor.toFixed(2)} of what was planned, as the ${hours.from} steps done so far took.`}
      </Typography>
    </Box>
  );
}
