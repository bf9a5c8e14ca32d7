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
import { openDialog } from './dialogs';
import type { FigureName } from './dialogs';

/** A wheel, what it is told against (broken), and what is told (blue); from the front out to the right. */
const DRAWN: Record<FigureName, { from: string; wheel: string; against: string; told: string }> = {
  toe: {
    ...{ from: 'a left wheel from above, toe in', wheel: 'M38 12l14 2l-10 56l-14-2z' },
    ...{ against: 'M40 4v72', told: 'M34 74L46 6' },
  },
  bumpSteer: {
    ...{
      from: 'toe across, travel upwards: from ride height to the most',
      wheel: 'M52 6Q20 24 40 41T34 76',
    },
    ...{ against: 'M8 41h68M40 4v74', told: 'M40 8h11M40 4v8M51 4v8' },
  },
  toeRange: {
    ...{
      from: 'toe across, travel upwards: from the least to the most',
      wheel: 'M52 6Q20 24 40 41T34 76',
    },
    ...{ against: 'M33 4v74M52 4v74', told: 'M33 60h19M33 56v8M52 56v8' },
  },
  camber: {
    ...{ from: 'from the front, top out', wheel: 'M46 12l14 3l-14 56l-14-3z' },
    ...{ against: 'M40 6v68', told: 'M38 70L54 12' },
  },
  camberGain: {
    ...{
      from: 'from the front, at ride height and in bump: the top goes in, −',
      wheel: 'M46 34h12v42h-12z',
    },
    ...{ against: 'M52 4v76', told: 'M36 8l12-3l9 39l-12 3zM68 44v-28M64 21l4-6l4 6' },
  },
  caster: {
    ...{
      from: 'from the left, ahead to the left, top rearward',
      wheel: 'M14 44a26 26 0 1 0 52 0a26 26 0 1 0-52 0',
    },
    ...{ against: 'M40 6v68', told: 'M32 74L52 8' },
  },
  kpi: {
    ...{ from: 'from the front, top inward', wheel: 'M50 14h16v56h-16z' },
    ...{ against: 'M42 6v68', told: 'M48 70L28 8' },
  },
  scrub: {
    ...{ from: 'from the front, axis inboard of the contact', wheel: 'M50 14h16v56h-16z' },
    ...{ against: 'M44 70L30 10M10 70h64', told: 'M44 76h14M44 73v6M58 73v6' },
  },
  trail: {
    ...{
      from: 'from the left, ahead to the left, axis ahead',
      wheel: 'M18 42a28 28 0 1 0 56 0a28 28 0 1 0-56 0',
    },
    ...{ against: 'M30 70L58 8M8 70h68', told: 'M30 76h16M30 73v6M46 73v6' },
  },
  rollCentre: {
    ...{
      from: 'from the front: the arms’ lines meet, from there to the contact; above the ground',
      wheel: 'M62 28h12v44h-12zM64 36L38 42M64 60L36 58',
    },
    ...{
      against: 'M38 42L4 50M36 58L4 53M4 51L68 72M22 10v66M6 72h74',
      told: 'M22 72V57M18 57h8M18 72h8',
    },
  },
  ackermann: {
    ...{
      from: 'from above, to the left: square to both wheels, on one line across the rear axle',
      wheel: 'M32 8l7-5l9 14l-7 5zM69 6l7-3l8 15l-7 3z',
    },
    ...{ against: 'M4 72h78', told: 'M40 12L6 72M76 10L6 72' },
  },
  ratio: {
    ...{
      from: 'the handwheel’s turn for one degree of the road wheels',
      wheel: 'M10 30a20 20 0 1 0 40 0a20 20 0 1 0-40 0M30 30v-20M62 54h10v24h-10z',
    },
    ...{ against: 'M67 50v32M30 30h20', told: 'M30 4a26 26 0 0 1 26 26M51 27l5 4l4-6M70 80L64 52' },
  },
  lock: {
    ...{ from: 'from above: the inner wheel at full steer', wheel: 'M34 20l12-7l22 40l-12 7z' },
    ...{ against: 'M51 4v74', told: 'M35 7L67 66M51 12a26 26 0 0 0-13 4' },
  },
};

/** Every figure: what it is, which way it counts, why it matters, what moves it. */
export const FiguresHelp = memo(function FiguresHelp({
  open,
  figure,
  onClose,
}: {
  open: boolean;
  /** The one that was asked about; null for all. */
  figure: FigureName | null;
  onClose: () => void;
}) {
  return (
    <Dialog open={open} onClose={onClose} maxWidth="md" aria-labelledby="figures-title">
      <DialogTitle id="figures-title">
        {figure === null ? 'What the figures mean' : `What ${NAMES[figure]} means`}
      </DialogTitle>
      <DialogContent tabIndex={0}>
        {FIGURE_HELP.filter(({ of }) => figure === null || of === figure).map((help) => {
          const { of, is, sign, why, moves } = help;
          const drawn = DRAWN[of];
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
              <svg
                viewBox="0 0 84 82"
                width={96}
                role="img"
                aria-label={`${NAMES[of]}, ${drawn.from}`}
              >
                <path d={drawn.wheel} fill="none" stroke={PAPER.soft} strokeWidth={1.6} />
                <path d={drawn.against} fill="none" stroke={PAPER.soft} strokeDasharray="4 3" />
                <path d={drawn.told} fill="none" stroke={PAPER.accent} strokeWidth={2} />
              </svg>
              <div>
                <Typography variant="h3">{titled(NAMES[of])}</Typography>
                <Typography variant="body2">
                  {is} {sign} Drawn {drawn.from}.
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
        {figure !== null && <Button onClick={() => openDialog('figures')}>All figures</Button>}
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
});
