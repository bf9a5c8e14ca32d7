'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { styled } from '@mui/material/styles';
import { memo } from 'react';
import { PAPER, PHONE, UNSEEN } from '../theme';
import { OfSketch, VerdictMark } from '../verdict';
import { saidIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { sameStates } from '@/core/judging/stationStates';
import type { Guide } from '@/core/judging/guide';
import { STATIONS } from '@/core/judging/stations';
import type { Station } from '@/core/judging/stations';
import type { Guides } from './useGuides';
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
    sameGuides(a.guides, b.guides) &&
    sameStates(a.states, b.states),
);

const sameGuides = (a: Guides, b: Guides) =>
  a === b || STATIONS.every((station) => sameGuide(a[station], b[station]));

const sameGuide = (a: Guide, b: Guide) =>
  a.next === b.next &&
  a.old === b.old &&
  a.done === b.done &&
  a.waits?.for === b.waits?.for &&
  a.waits?.why === b.waits?.why;

const LOW = '@media (max-height: 899px)';

interface Props {
  station: Station;
  stations: readonly NamedStation[];
  states: Record<Station, StationState>;
  unit: LengthUnit;
  /** What each station waits for, what of it is old, and what comes next there. */
  guides: Guides;
  onOpen: (station: Station) => void;
}

function Rail({ station, stations, states, unit, guides, onOpen }: Props) {
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
          alignItems: 'flex-start',
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
            position: 'relative',
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
          <Typography sx={{ fontWeight: 600, lineHeight: 1.2, pr: 1 }}>{name}</Typography>
          <Mark guide={guides[key]} />
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
          {key === station && <Way guide={guides[key]} stations={stations} />}
        </ButtonBase>
      ))}
    </Box>
  );
}

/** In a station's corner, in a shape, so that nothing moves where it comes: done, old, waiting. */
const Mark = ({ guide: { done, old, waits } }: { guide: Guide }) => {
  const [shape, word, why] = waits
    ? ['◌', 'waits', `waits: ${waits.why}`]
    : old !== null
      ? ['↻', 'old', `old: ${old}`]
      : done
        ? ['✓', 'done', 'done: nothing is open here']
        : ['', '', ''];
  return (
    word !== '' && (
      <Box
        component="span"
        data-mark={word}
        title={why}
        sx={{ position: 'absolute', top: 9, right: 8, fontSize: 13, color: PAPER.soft }}
      >
        <span aria-hidden="true">{shape}</span>
        <Unseen>, {word}</Unseen>
      </Box>
    )
  );
};
const Unseen = styled('span')(UNSEEN);

/** What the open station waits for, what of it is old, what is next there. */
function Way({ guide, stations }: { guide: Guide; stations: readonly NamedStation[] }) {
  const { waits, old, next } = guide;
  const waited = waits && stations.find(({ id }) => id === waits.for);
  if (!waited && old === null && next === null) return null;
  return (
    <Box data-guide sx={{ mt: 0.5, fontSize: 12.5, lineHeight: 1.3, [PHONE]: { display: 'none' } }}>
      {waited && (
        <div>
          Waits for {waited.name}: {waits.why}.
        </div>
      )}
      {old !== null && <div>Old: {old}.</div>}
      {next !== null && <div>{next}</div>}
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
