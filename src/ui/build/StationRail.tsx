'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { PAPER, PHONE } from '../theme';
import { OfSketch, VerdictMark } from '../verdict';
import { saidIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { sameStates } from '@/core/judging/stationStates';
import type { Guide } from '@/core/judging/guide';
import type { Station } from '@/core/judging/stations';
import type { StationState } from '@/core/judging/stationStates';
import type { NamedStation } from '../stations/list';

/** The stations in the order of the work; one is open. */
export const StationRail = memo(
  Rail,
  (a, b) =>
    a.station === b.station &&
    a.stations === b.stations &&
    a.onOpen === b.onOpen &&
    a.unit === b.unit &&
    sameGuide(a.guide, b.guide) &&
    sameStates(a.states, b.states),
);

const sameGuide = (a: Guide, b: Guide) =>
  a.next === b.next && a.waits?.for === b.waits?.for && a.waits?.why === b.waits?.why;

const LOW = '@media (max-height: 899px)';

interface Props {
  station: Station;
  stations: readonly NamedStation[];
  states: Record<Station, StationState>;
  unit: LengthUnit;
  /** What the open station waits for, and what comes next there. */
  guide: Guide;
  onOpen: (station: Station) => void;
}

function Rail({ station, stations, states, unit, guide, onOpen }: Props) {
  const waited = guide.waits && stations.find(({ id }) => id === guide.waits!.for);
  return (
    <Box
      component="nav"
      aria-label="Stations"
      sx={{
        borderRight: `1px solid ${PAPER.line}`,
        pt: 1.5,
        minWidth: 0,
        overflowY: 'auto',
        [PHONE]: {
          display: 'flex',
          overflowX: 'auto',
          pt: 0,
          borderRight: 0,
          borderBottom: `1px solid ${PAPER.line}`,
        },
      }}
    >
      {stations.map(({ id: key, name, question }) => (
        <ButtonBase
          key={key}
          onClick={() => onOpen(key)}
          aria-current={key === station ? 'step' : undefined}
          title={question}
          sx={{
            display: 'block',
            width: '100%',
            textAlign: 'left',
            px: 1.75,
            py: 1.25,
            bgcolor: key === station ? PAPER.wash : 'transparent',
            boxShadow: key === station ? `inset 4px 0 ${PAPER.accent}` : 'none',
            '&:hover': { bgcolor: PAPER.wash },
            [PHONE]: { width: 132, flex: 'none', px: 1.25, py: 0.75 },
          }}
        >
          <Typography sx={{ fontWeight: 600, lineHeight: 1.2 }}>{name}</Typography>
          <Typography
            variant="caption"
            component="div"
            color="text.secondary"
            sx={{
              mt: 0.25,
              // Where there is no height for all, the open station asks its question alone.
              [LOW]: { display: key === station ? 'block' : 'none' },
              [PHONE]: { display: 'none' },
            }}
          >
            {question}
          </Typography>
          <State state={states[key]} unit={unit} />
          {key === station && (waited || guide.next !== null) && (
            <Box
              data-guide
              sx={{ mt: 0.5, fontSize: 12.5, lineHeight: 1.3, [PHONE]: { display: 'none' } }}
            >
              {waited && (
                <div>
                  Waits for {waited.name}: {guide.waits!.why}.
                </div>
              )}
              {guide.next !== null && <div>{guide.next}</div>}
            </Box>
          )}
        </ButtonBase>
      ))}
    </Box>
  );
}

const State = ({ state, unit }: { state: StationState; unit: LengthUnit }) => (
  <Box sx={{ fontSize: 13, mt: 0.5, color: PAPER.soft }}>
    {'verdict' in state ? (
      <>
        {/* What is of a sketch has no verdict here. */}
        <OfSketch.Provider value={false}>
          <VerdictMark verdict={state.verdict} />
        </OfSketch.Provider>
        <Box sx={{ fontSize: 12, lineHeight: 1.25 }}>{saidIn(state.of, unit)}</Box>
      </>
    ) : (
      state.words
    )}
    {'verdict' in state && state.frozen && <div>▣ frozen</div>}
  </Box>
);
