import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { FIGURE_HELP } from '@/core/motion/help';
import { NAMES, titled } from '@/core/motion/names';
import { PAPER } from '../theme';

/** What counts as +, drawn: a wheel, what it is told against (broken), and what is told (blue); out to the right, ahead up or left. */
const SIGNS: Partial<
  Record<keyof typeof NAMES, { from: string; wheel: string; against: string; told: string }>
> = {
  toe: {
    ...{ from: 'left wheel from above', wheel: 'M38 12l14 2l-10 56l-14-2z' },
    ...{ against: 'M40 4v72', told: 'M34 74L46 6' },
  },
  camber: {
    ...{ from: 'from the front, out to the right', wheel: 'M46 12l14 3l-14 56l-14-3z' },
    ...{ against: 'M40 6v68', told: 'M38 70L54 12' },
  },
  caster: {
    ...{
      from: 'from the left, ahead to the left',
      wheel: 'M14 44a26 26 0 1 0 52 0a26 26 0 1 0-52 0',
    },
    ...{ against: 'M40 6v68', told: 'M32 74L52 8' },
  },
  kpi: {
    ...{ from: 'from the front, out to the right', wheel: 'M50 14h16v56h-16z' },
    ...{ against: 'M42 6v68', told: 'M48 70L28 8' },
  },
  scrub: {
    ...{ from: 'from the front, out to the right', wheel: 'M50 14h16v56h-16z' },
    ...{ against: 'M44 70L30 10M10 70h64', told: 'M44 76h14M44 73v6M58 73v6' },
  },
  trail: {
    ...{
      from: 'from the left, ahead to the left',
      wheel: 'M18 42a28 28 0 1 0 56 0a28 28 0 1 0-56 0',
    },
    ...{ against: 'M30 70L58 8M8 70h68', told: 'M30 76h16M30 73v6M46 73v6' },
  },
};

/** Every figure: what it is, which way it counts, why it matters, what moves it. */
export const FiguresHelp = memo(function FiguresHelp({
  open,
  onClose,
}: {
  open: boolean;
  onClose: () => void;
}) {
  return (
    <Dialog open={open} onClose={onClose} maxWidth="md" aria-labelledby="figures-title">
      <DialogTitle id="figures-title">What the figures mean</DialogTitle>
      <DialogContent>
        {FIGURE_HELP.map(({ of, is, sign, why, moves }) => {
          const drawn = SIGNS[of];
          return (
            <Box
              component="section"
              key={of}
              aria-label={NAMES[of]}
              sx={{
                display: 'grid',
                gridTemplateColumns: '96px minmax(0, 1fr)',
                gap: 2,
                py: 1,
                borderTop: `1px solid ${PAPER.line}`,
              }}
            >
              {drawn ? (
                <svg
                  viewBox="0 0 84 82"
                  width={96}
                  role="img"
                  aria-label={`+ ${NAMES[of]}, ${drawn.from}`}
                >
                  <path d={drawn.wheel} fill="none" stroke={PAPER.soft} strokeWidth={1.6} />
                  <path d={drawn.against} fill="none" stroke={PAPER.soft} strokeDasharray="4 3" />
                  <path d={drawn.told} fill="none" stroke={PAPER.accent} strokeWidth={2} />
                </svg>
              ) : (
                <span />
              )}
              <div>
                <Typography variant="h3">{titled(NAMES[of])}</Typography>
                <Typography variant="body2">
                  {is} {sign}
                  {drawn && ` Drawn ${drawn.from}, +.`}
                </Typography>
                <Typography variant="body2">
                  <strong>Why:</strong> {why} <strong>Moved by:</strong> {moves}
                </Typography>
              </div>
            </Box>
          );
        })}
        <Typography variant="caption" color="text.secondary" component="p">
          Definitions as in SAE J670 and ISO 8855 where these have one (toe + in, as shops say it);
          why and by what: common practice.
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
});
