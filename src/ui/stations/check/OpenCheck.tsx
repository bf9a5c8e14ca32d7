import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { styled } from '@mui/material/styles';
import { useSnackbar } from 'notistack';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import type { CheckedCar } from '@/core/check/carModel';
import { checkUp } from '@/core/check/checkUp';
import type { CheckedUp } from '@/core/check/checkUp';
import type { StationState } from '@/core/judging/stationStates';
import { worstOf } from '@/core/verdict/verdicts';
import type { Judged } from '@/core/verdict/verdicts';
import { gathered } from '@/core/check/evidence';
import { drawnCurve, pointsAhead } from '@/core/check/measuredCurve';
import { putInto, takeNumber } from '@/core/check/takeSuspect';
import { blamedOf, numberInWords } from '@/core/check/words';
import type { Blamed } from '@/core/check/words';
import { Wheel } from '@/core/kinematics/wheel';
import { briefOf } from '@/core/model/brief';
import type { KeptCheck } from '@/core/model/build';
import type { CheckReading, Fitted } from '@/core/model/checks';
import { copyVariant } from '@/core/model/variants';
import { cutTo } from '@/core/model/wording';
import { Choice } from '../../fields/Choice';
import { NARROW, PHONE, UNSEEN } from '../../theme';
import type { DeskProps } from '../list';
import { CheckCaution } from './CheckCaution';
import { Compare } from './Compare';
import { Entry } from './Entry';
import { ReadingList } from './ReadingList';
import { Says } from './Says';
import { ReadCurve } from './ReadCurve';
import { SetupFields } from './SetupFields';
import { Training } from './Training';
import { useCheckFiles } from './checkFiles';
import { dropReading, keepCheck, keepReadings, useChecks } from './checkStore';

const PARTS = ['read', 'readings', 'compare', 'set-up'] as const;
type Part = (typeof PARTS)[number] | 'training';

/** What the station gives a check that is open. */
export type Props = Pick<DeskProps, 'build' | 'wheel' | 'unit' | 'bands' | 'onEdit'>;

/** One check: what is read, everything that was, how it is set up, and what all of it says. */
export function OpenCheck({
  build,
  wheel,
  unit,
  bands,
  onEdit,
  check,
}: Props & { check: KeptCheck }) {
  const [part, setPart] = useState<Part>(check.training ? 'training' : 'read');
  const { enqueueSnackbar } = useSnackbar();
  const { targets } = briefOf(build);
  const { travel } = build;
  const { axle, sides, moved, setup, drawn: asDrawn, rounds } = check;
  // Readings come and go; the car that they are of stays the same.
  const car = useMemo(
    (): CheckedCar => ({ axle, sides, moved, setup, drawn: asDrawn, rounds, travel }),
    [axle, sides, moved, setup, asDrawn, rounds, travel],
  );
  // A reading is on the curve at once, by what was known before it; what it says follows.
  const settled = useDeferredValue(check.readings);
  const found = useMemo(
    () => checkUp(build, car, settled, targets.bumpSteer),
    [build, car, settled, targets.bumpSteer],
  );
  const points = useMemo(() => {
    if (settled === check.readings || !found.fit) return found.points;
    const known = new Set(settled.map(({ id }) => id));
    const fresh = check.readings.filter(({ id }) => !known.has(id));
    return [...found.points, ...pointsAhead(found.fit, gathered(car, fresh).evidence)];
  }, [found, settled, check.readings, car]);
  // Which number is wrong takes longest: readings do not wait for it.
  const calm = useDeferredValue(found);
  const blamed = useMemo(() => blamedOf(calm), [calm]);
  const { training } = check;
  // What is no real car's says nothing of the build.
  const standing = training ? null : standingOf(found, check);
  const told = JSON.stringify(standing);
  useEffect(() => {
    useChecks.setState({ standing: JSON.parse(told) as StationState | null });
  }, [told]);

  const last = [...check.readings].sort((a, b) => b.at.localeCompare(a.at))[0];
  const drop = (reading: CheckReading) => {
    dropReading(check.id, reading.id);
    enqueueSnackbar('Reading taken away.', {
      action: (
        <Button size="small" color="inherit" onClick={() => keepReadings(check.id, [reading])}>
          Get it back
        </Button>
      ),
    });
  };
  const change = (to: Partial<KeptCheck>) => {
    const { readings: _, ...next } = { ...check, ...to };
    keepCheck(next);
  };
  const putIn = (fitted: Fitted[]) => {
    if (training?.result)
      enqueueSnackbar('This training is over: nothing more is fitted to this car.');
    else change({ rounds: [...check.rounds, { at: new Date().toISOString(), fitted, note: '' }] });
  };
  const readSince = check.readings.some(({ round }) => round === check.rounds.length);
  const take = ({ suspect, alone: solved }: Blamed['suspects'][number]) => {
    const { side, number } = suspect;
    const design = takeNumber(check.drawn, side, number, solved.off, travel);
    if (!design) {
      enqueueSnackbar('No car that can be put together has that number.', { variant: 'error' });
      return;
    }
    if (build[axle]?.kind !== asDrawn.kind) {
      enqueueSnackbar(
        `The ${axle} axle is of another kind now: open the variant that was checked first.`,
        { variant: 'error' },
      );
      return;
    }
    const name = cutTo(`As checked: ${numberInWords(asDrawn, number)}`, 60);
    onEdit((draft) => {
      copyVariant(draft, crypto.randomUUID(), name);
      putInto(draft[axle]!, design);
    });
    enqueueSnackbar(
      `“${name}” is open now; the layout before it is put aside. What was typed in the take-off stays: measure it again.`,
    );
  };
  const { report, keepCsv, readCsv } = useCheckFiles(build, check, found);
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: 'minmax(0, 1fr) 330px',
        gap: 2,
        minHeight: 0,
        [NARROW]: { gridTemplateColumns: 'minmax(0, 1fr) 280px' },
        [PHONE]: { display: 'flex', flexDirection: 'column' },
      }}
    >
      <Box
        sx={{
          display: 'flex',
          flexDirection: 'column',
          gap: 1,
          minHeight: 0,
          [PHONE]: { order: 0 },
        }}
      >
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
          <Typography variant="h2" noWrap sx={{ mr: 1, maxWidth: '100%' }}>
            {check.name}
          </Typography>
          <Choice
            label="Part of the check"
            value={part}
            options={training ? (['training', ...PARTS] as const) : PARTS}
            onPick={setPart}
          />
          <Box sx={{ flex: 1 }} />
          <Button size="small" onClick={() => void report()}>
            Report (PDF)
          </Button>
        </Box>
        {part === 'training' && training && (
          <Scrolled role="region" aria-label="Training" tabIndex={0}>
            <Training
              build={build}
              car={car}
              check={{ ...check, training }}
              onChange={(to) => change(to)}
            />
          </Scrolled>
        )}
        {part === 'read' && (
          <>
            <ReadCurve
              check={check}
              points={points}
              travel={travel}
              limits={targets.bumpSteer}
              bands={bands && wheel.axle === axle ? bands : null}
              unit={unit}
            />
            <Box sx={{ order: 1 }}>
              {training?.result ? (
                <Typography variant="body2">
                  This training is over: nothing more is read on this car.
                </Typography>
              ) : (
                <Entry
                  check={check}
                  travel={travel}
                  unit={unit}
                  onTake={(reading) => keepReadings(check.id, [reading])}
                  onTakeBack={last ? () => drop(last) : null}
                />
              )}
            </Box>
          </>
        )}
        {part === 'readings' && (
          <Scrolled role="region" aria-label="Everything read" tabIndex={0}>
            <Box sx={{ display: 'flex', gap: 1 }}>
              <Button size="small" onClick={keepCsv}>
                Keep as CSV
              </Button>
              {!training && (
                <Button size="small" onClick={() => void readCsv()}>
                  Read a CSV
                </Button>
              )}
            </Box>
            {check.readings.length === 0 ? (
              <Typography variant="body2">
                Nothing was read yet: take the first reading under “read”, or read a CSV.
              </Typography>
            ) : (
              <ReadingList
                check={check}
                found={found}
                unit={unit}
                onChange={(reading) => keepReadings(check.id, [reading])}
                onDrop={drop}
                onDropRound={readSince ? null : () => change({ rounds: check.rounds.slice(0, -1) })}
              />
            )}
          </Scrolled>
        )}
        {part === 'compare' && (
          <Scrolled role="region" aria-label="Compared" tabIndex={0}>
            <Compare
              build={build}
              check={check}
              points={found.points}
              curve={(of, side) => ({
                drawn: [drawnCurve(new Wheel(axle, side, asDrawn, travel), of)],
                limits: targets.bumpSteer,
                travel,
              })}
              unit={unit}
            />
          </Scrolled>
        )}
        {part === 'set-up' && (
          <Scrolled role="region" aria-label="How it is set up" tabIndex={0}>
            <SetupFields check={check} unit={unit} onChange={(setup) => change({ setup })} />
            <TextField
              label="Note"
              size="small"
              multiline
              fullWidth
              value={check.note}
              onChange={(event) => change({ note: event.target.value.slice(0, 1000) })}
              sx={{ mt: 2 }}
            />
            <Typography variant="caption" color="text.secondary" component="p">
              Begun {check.begun.slice(0, 16).replace('T', ' ')} on “{check.variant.name}” as it was
              drawn then{check.by === '' ? '' : `, read by ${check.by}`}.
            </Typography>
          </Scrolled>
        )}
      </Box>
      <Box sx={{ overflow: 'auto', minHeight: 0 }} role="region" aria-label="Verdict" tabIndex={0}>
        <Heading>What the readings say</Heading>
        <Says
          check={check}
          found={found}
          blamed={calm === found ? blamed : null}
          unit={unit}
          onFitted={putIn}
          onLeaveOut={(ids) =>
            keepReadings(
              check.id,
              check.readings
                .filter(({ id }) => ids.includes(id))
                .map((one) => ({ ...one, leftOut: true })),
            )
          }
          onModel={training ? null : take}
        />
        <CheckCaution />
      </Box>
    </Box>
  );
}

/** How the check that is open stands, for the rail. */
function standingOf({ agrees, sides }: CheckedUp, { name }: KeptCheck): StationState {
  const judged = sides.flatMap(({ verdict, side, worst }): Judged[] =>
    verdict ? [{ verdict, of: `${side} ${worst.toFixed(2)}° of toe as read` }] : [],
  );
  const worst = worstOf(judged);
  if (!worst) return { words: name };
  return agrees === 'not' ? { ...worst, of: `${worst.of}; does not fit` } : worst;
}

const Scrolled = styled('div')({ overflow: 'auto', minHeight: 0, flex: 1 });
const Heading = styled('h2')(UNSEEN);
