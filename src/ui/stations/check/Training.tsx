import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useSnackbar } from 'notistack';
import { useEffect, useMemo, useState } from 'react';
import type { CheckedCar } from '@/core/check/carModel';
import { degrees, numberInWords } from '@/core/check/words';
import { briefOf } from '@/core/model/brief';
import type { Build, Check, KeptCheck } from '@/core/model/build';
import { SCENARIOS } from '@/core/model/checks';
import type { ScenarioId, TrainingAct } from '@/core/model/checks';
import { pointLabel } from '@/core/model/labels';
import type { PointName } from '@/core/model/points';
import { joints, lookAt, measureAgain, numbers } from '@/core/training/acts';
import { GUESSES } from '@/core/training/debrief';
import type { Debrief } from '@/core/training/debrief';
import { MINUTES, shopMinutes } from '@/core/training/minutes';
import { SCENARIO_TABLE } from '@/core/training/scenarios';
import { truthOf } from '@/core/training/truth';
import { endTraining } from './checkStore';
import { useAngles } from '../../fields/useAngles';

/** What is done to a car to train on besides reading and fitting it, and how it ends. */
export function Training({
  build,
  car,
  check,
  onChange,
}: {
  build: Build;
  car: CheckedCar;
  check: KeptCheck & { training: NonNullable<KeptCheck['training']> };
  onChange: (to: Partial<Check>) => void;
}) {
  const { training, readings, rounds } = check;
  const { acts, result } = training;
  const accepted = briefOf(build).targets.bumpSteer[1];
  const [joint, setJoint] = useState('');
  const [number, setNumber] = useState('');
  const [guess, setGuess] = useState<ScenarioId | ''>('');
  const [debrief, setDebrief] = useState<Debrief | null>(null);
  const { enqueueSnackbar } = useSnackbar();
  const all = useMemo(() => numbers(build, car), [build, car]);
  const truth = () => truthOf(build, { ...car, rounds: [] }, training, accepted);
  const act = (did: TrainingAct['did'], of: string, found: string, nipped = false) => {
    const at = new Date().toISOString();
    onChange({
      training: { ...training, acts: [...acts, { at, did, of, found }] },
      // What was read of a loose joint is no reading of one that is tight.
      ...(nipped && { rounds: [...rounds, { at, fitted: [], note: found.slice(0, 300) }] }),
    });
  };
  const look = () => {
    const { found, nipped } = lookAt(car, truth(), joint as PointName);
    const again = acts.some(({ did, of }) => did === 'looked' && of === joint);
    act(
      'looked',
      joint,
      again ? `${pointLabel(car.drawn, joint)}: as before.` : found,
      nipped && !again,
    );
  };
  const measure = () => {
    const picked = all.find(({ id }) => id === number);
    if (!picked) return;
    act('measured', number, measureAgain(build, car, truth(), picked, training).found);
  };
  const end = async (as: ScenarioId) => {
    const ended = await endTraining(check.id, as);
    if (ended) setDebrief(ended);
    else
      enqueueSnackbar('Havrik’s server does not answer: the training goes on.', {
        variant: 'error',
      });
  };
  const told = result?.guess;
  useEffect(() => {
    if (!told) return;
    let here = true;
    void endTraining(check.id, told).then((ended) => here && setDebrief(ended));
    return () => {
      here = false;
    };
  }, [check.id, told]);
  const minutes = shopMinutes({ readings, rounds, acts });
  return (
    <Box sx={{ display: 'grid', gap: 1.25, alignContent: 'start', maxWidth: 640 }}>
      <Typography variant="body2">
        {SCENARIO_TABLE[training.scenario].told} Nobody drives this car: it is simulated, and read
        through stand-ins alone.
      </Typography>
      <Typography variant="body2" role="status" data-minutes={minutes} sx={{ fontWeight: 600 }}>
        Shop minutes so far: {minutes}.
      </Typography>
      {!result && (
        <Typography variant="caption" color="text.secondary">
          Car on stands {MINUTES.stands}, an instrument put up {MINUTES.rig.level} to{' '}
          {MINUTES.rig.dials}, another height {MINUTES.height}, a reading {MINUTES.read}, a move
          fitted {MINUTES.fit}.
        </Typography>
      )}
      {!result && (
        <>
          <Act
            label="Joint"
            value={joint}
            options={joints(car).map((point) => [point, pointLabel(car.drawn, point)])}
            onPick={setJoint}
            button={`Look at it (${MINUTES.look} min)`}
            onDo={look}
          />
          <Act
            label="Number of the take-off"
            value={number}
            options={all.map((one) => [one.id, numberInWords(car.drawn, one)])}
            onPick={setNumber}
            button={`Measure it again (${MINUTES.measure} min)`}
            onDo={measure}
          />
        </>
      )}
      {acts.length > 0 && (
        <Box component="ol" aria-label="What was found" sx={{ m: 0, pl: 2.5, fontSize: 13.5 }}>
          {acts.map(({ at, found }) => (
            <li key={at}>{found}</li>
          ))}
        </Box>
      )}
      {!result && (
        <Act
          label="What it was, you think"
          value={guess}
          options={SCENARIOS.map((id) => [id, GUESSES[id]])}
          onPick={(id) => setGuess(id as ScenarioId)}
          button="I have done: tell me"
          onDo={() => guess !== '' && void end(guess)}
        />
      )}
      {result && !debrief && <Typography variant="body2">Working out what it was …</Typography>}
      {debrief && result && <Told debrief={debrief} guess={result.guess} />}
    </Box>
  );
}

function Act({
  label,
  value,
  options,
  onPick,
  button,
  onDo,
}: {
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  onPick: (id: string) => void;
  button: string;
  onDo: () => void;
}) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
      <TextField
        select
        size="small"
        label={label}
        value={value}
        onChange={(event) => onPick(event.target.value)}
        sx={{ width: 320 }}
      >
        {options.map(([id, words]) => (
          <MenuItem key={id} value={id}>
            {words}
          </MenuItem>
        ))}
      </TextField>
      <Button size="small" variant="outlined" disabled={value === ''} onClick={onDo}>
        {button}
      </Button>
    </Box>
  );
}

/** What was hidden, what could be known of it, and the fewest minutes. */
function Told({ debrief, guess }: { debrief: Debrief; guess: ScenarioId }) {
  const said = useAngles();
  const { truth, allowed, asBuilt, worst, inBand, loose, minutes, fewest, tried, was } = debrief;
  return (
    <Box component="section" aria-label="How it really was" data-in-band={inBand}>
      <Typography variant="h3">How it really was</Typography>
      <Typography variant="body2">
        {guess === was ? '● You said so: ' : `▲ You said: ${GUESSES[guess]}. It was: `}
        {GUESSES[was]}.
      </Typography>
      <Lines of={truth} />
      <Typography variant="body2" sx={{ fontWeight: 600 }}>
        {inBand ? '●' : '▲'} Its wheel changed toe by {said(degrees(asBuilt))} at worst as it was
        built, and does by {said(degrees(worst))} now
        {loose ? ', and a joint of it is still loose' : ''}: {inBand ? 'accepted' : 'not accepted'}{' '}
        over the whole travel, steering straight.
      </Typography>
      <Typography variant="h3" sx={{ mt: 1 }}>
        What your readings allowed to know
      </Typography>
      <Lines of={allowed} />
      <Typography variant="body2">
        You took {minutes} shop minutes.{' '}
        {fewest
          ? `Of ${tried} plans that were tried on the same car the shortest takes ${fewest.minutes}: ${fewest.words}.`
          : `None of ${tried} plans that were tried on the same car brings it where it is accepted.`}
      </Typography>
      <Typography variant="caption" color="text.secondary">
        Minutes are common practice, guessed. What was hidden is invented.
      </Typography>
    </Box>
  );
}

const Lines = ({ of }: { of: readonly string[] }) => (
  <Box component="ul" sx={{ m: 0, mb: 1, pl: 2.5, fontSize: 13.5 }}>
    {of.map((line) => (
      <li key={line}>{line}</li>
    ))}
  </Box>
);
