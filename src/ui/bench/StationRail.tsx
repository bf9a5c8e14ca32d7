'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { PAPER } from '../theme';
import { VerdictMark } from '../verdict';
import { sameStates } from './standing';
import type { StationState } from './standing';
import { STATIONS } from './viewStore';
import type { Station } from './viewStore';

const NAMES: Record<Station, { name: string; question: string }> = {
  brief: { name: 'Brief', question: 'What is it for, what limits it?' },
  takeoff: { name: 'Take-off', question: 'Where are the parts that exist?' },
  wheel: { name: 'Wheel & upright', question: 'Where does the wheel sit?' },
  arms: { name: 'Arms', question: 'Where do the wishbone pivots go?' },
  rack: { name: 'Rack & tie rod', question: 'Where do they go so that bumps do not steer?' },
};

/** The stations in the order of the work; one is open. */
export const StationRail = memo(
  Rail,
  (a, b) => a.station === b.station && a.onOpen === b.onOpen && sameStates(a.states, b.states),
);

interface Props {
  station: Station;
  states: Record<Station, StationState>;
  onOpen: (station: Station) => void;
}

function Rail({ station, states, onOpen }: Props) {
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
          <State state={states[key]} />
        </ButtonBase>
      ))}
    </Box>
  );
}

const State = ({ state }: { state: StationState }) => (
  <Box sx={{ fontSize: 13, mt: 0.5, color: PAPER.soft }}>
    {'verdict' in state ? (
      <>
        <VerdictMark verdict={state.verdict} />
        <Box sx={{ fontSize: 12, lineHeight: 1.25 }}>{state.of}</Box>
      </>
    ) : (
      state.words
    )}
    {'verdict' in state && state.frozen && <div>▣ frozen</div>}
  </Box>
);
