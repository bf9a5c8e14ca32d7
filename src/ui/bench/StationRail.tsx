'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import type { Verdict } from '@/core/bumpsteer/bumpSteer';
import { PAPER } from '../theme';
import { VerdictMark } from '../verdict';
import { STATIONS } from './viewStore';
import type { Station } from './viewStore';

const NAMES: Record<Station, { name: string; question: string }> = {
  brief: { name: 'Brief', question: 'What is it for, what limits it?' },
  takeoff: { name: 'Take-off', question: 'Where are the parts that exist?' },
  wheel: { name: 'Wheel & upright', question: 'Where does the wheel sit?' },
  rack: { name: 'Rack & tie rod', question: 'Where do they go so that bumps do not steer?' },
};

/** The stations in the order of the work; one is open. */
export const StationRail = memo(function StationRail({
  station,
  verdict,
  onOpen,
}: {
  station: Station;
  /** Null where the wheel does not reach its travel. */
  verdict: Verdict | null;
  onOpen: (station: Station) => void;
}) {
  return (
    <Box
      component="nav"
      aria-label="Stations"
      sx={{ borderRight: `1px solid ${PAPER.line}`, pt: 1.5, minWidth: 0 }}
    >
      {STATIONS.map((key) => (
        <ButtonBase
          key={key}
          onClick={() => onOpen(key)}
          aria-current={key === station ? 'step' : undefined}
          sx={{
            display: 'block',
            width: '100%',
            textAlign: 'left',
            px: 1.75,
            py: 1.25,
            bgcolor: key === station ? PAPER.wash : 'transparent',
            boxShadow: key === station ? `inset 4px 0 ${PAPER.accent}` : 'none',
            '&:hover': { bgcolor: PAPER.wash },
          }}
        >
          <Typography sx={{ fontWeight: 600, lineHeight: 1.2 }}>{NAMES[key].name}</Typography>
          <Typography variant="caption" component="div" color="text.secondary" sx={{ mt: 0.25 }}>
            {NAMES[key].question}
          </Typography>
          {key === 'rack' && (
            <Box sx={{ fontSize: 13, mt: 0.5 }}>
              {verdict ? <VerdictMark verdict={verdict} /> : 'does not reach its travel'}
            </Box>
          )}
        </ButtonBase>
      ))}
    </Box>
  );
});
