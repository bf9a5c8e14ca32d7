import DownIcon from '@mui/icons-material/ArrowDownward';
import UpIcon from '@mui/icons-material/ArrowUpward';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useSnackbar } from 'notistack';
import { useMemo, useState } from 'react';
import type { Build } from '@/core/model/build';
import { stepNameSchema } from '@/core/model/plan';
import { SCHOOL_WORDS, costsOf, schoolOf, schoolsFor } from '@/core/plan/orders';
import { movedTo, recordOf } from '@/core/plan/planned';
import type { Step } from '@/core/plan/step';
import { ownSteps } from '@/core/plan/steps';
import { addOwnStep, notedOf, planIn, removeOwnStep } from '@/core/plan/write';
import { PickOne } from '../../fields/PickOne';
import { PAPER } from '../../theme';
import { Stages } from './Stages';

/** In which order: a school to begin with, every step moved as far as others let it, steps of one's own, later stages. */
export function OrderPart({
  build,
  steps,
  onEdit,
}: {
  build: Build;
  steps: readonly Step[];
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const { enqueueSnackbar } = useSnackbar();
  const first = useMemo(() => ownSteps(build), [build]);
  const costs = new Map<string, string[]>();
  for (const { id, says } of costsOf(steps)) costs.set(id, [...(costs.get(id) ?? []), says]);
  const school = schoolOf(build, first);
  const move = (id: string, to: number) => {
    const moved = movedTo(steps, id, to);
    if (moved.ok) onEdit((draft) => void (planIn(draft).order = moved.order));
    else
      enqueueSnackbar(
        `Not moved: ${moved.against.map(({ title }) => title).join(', ')} and it hang together.`,
        { variant: 'warning', key: 'not-moved', preventDuplicate: true },
      );
  };
  const takeOut = ({ id }: Step) => {
    const noted = notedOf(recordOf(build, id));
    onEdit((draft) => removeOwnStep(draft, id));
    enqueueSnackbar(`The step is out${noted ? `, with ${noted}` : ''}. Undo brings it back.`);
  };
  return (
    <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 980 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', pt: 0.5 }}>
        <PickOne
          label="put first"
          value={school}
          options={schoolsFor(first).map((one) => ({
            value: one,
            words: SCHOOL_WORDS[one].name,
          }))}
          onPick={(one) =>
            onEdit((draft) => {
              const plan = planIn(draft);
              plan.school = one;
              delete plan.order;
            })
          }
          width={270}
        />
        <Typography variant="body2">{SCHOOL_WORDS[school].says}</Typography>
        {build.plan?.order && (
          <Button size="small" onClick={() => onEdit((draft) => void delete planIn(draft).order)}>
            As the school has it
          </Button>
        )}
      </Box>
      <AddStep {...{ steps, onEdit }} />
      <Box component="ol" aria-label="Order of the steps" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {steps.map((step, i) => (
          <Box
            component="li"
            key={step.id}
            sx={{
              display: 'grid',
              gridTemplateColumns: '30px 34px 34px minmax(0, 1fr)',
              alignItems: 'center',
              borderTop: `1px solid ${PAPER.line}`,
              py: 0.25,
              fontSize: 14,
            }}
          >
            <span style={{ color: PAPER.soft }}>{i + 1}</span>
            <IconButton
              size="small"
              aria-label={`Earlier: ${step.title}`}
              disabled={i === 0}
              onClick={() => move(step.id, i - 1)}
            >
              <UpIcon fontSize="inherit" />
            </IconButton>
            <IconButton
              size="small"
              aria-label={`Later: ${step.title}`}
              disabled={i === steps.length - 1}
              onClick={() => move(step.id, i + 1)}
            >
              <DownIcon fontSize="inherit" />
            </IconButton>
            <span>
              {step.title}
              {step.fixes !== '' && (
                <span style={{ color: PAPER.soft }}>
                  {' '}
                  settles {step.fixes.charAt(0).toLowerCase() + step.fixes.slice(1)}
                </span>
              )}
              {(costs.get(step.id) ?? []).map((says) => (
                <span key={says} style={{ display: 'block' }}>
                  <strong>Here: </strong>
                  {says}
                </span>
              ))}
              {step.kind === 'own' && (
                <Button
                  size="small"
                  aria-label={`Take out: ${step.title}`}
                  onClick={() => takeOut(step)}
                  sx={{ py: 0 }}
                >
                  Take out
                </Button>
              )}
            </span>
          </Box>
        ))}
      </Box>
      <Stages {...{ build, first, onEdit }} />
    </Box>
  );
}

/** A step of the builder's own, after one of the others. */
function AddStep({
  steps,
  onEdit,
}: {
  steps: readonly Step[];
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const [name, setName] = useState('');
  const [after, setAfter] = useState('frame');
  const called = stepNameSchema.safeParse(name);
  const add = () => {
    const at = steps.findIndex(({ id }) => id === after);
    if (!called.success) return;
    const id = crypto.randomUUID();
    const order = steps.map((one) => one.id);
    order.splice(at + 1, 0, id);
    onEdit((draft) =>
      addOwnStep(draft, id, { name: called.data, does: '', after: at < 0 ? [] : [after] }, order),
    );
    setName('');
  };
  return (
    <Box
      component="form"
      aria-label="A step of your own"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}
    >
      <TextField
        size="small"
        label="a step of your own"
        value={name}
        onChange={(event) => setName(event.target.value.slice(0, 80))}
        sx={{ width: 270 }}
      />
      <PickOne
        label="after"
        value={after}
        options={steps.map(({ id, title }) => ({ value: id, words: title }))}
        onPick={setAfter}
        width={300}
      />
      <Button type="submit" variant="outlined" disabled={!called.success}>
        Put it in
      </Button>
    </Box>
  );
}
