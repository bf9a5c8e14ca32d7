import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Build } from '@/core/model/build';
import { stepNameSchema } from '@/core/model/plan';
import type { Step, StepKind } from '@/core/plan/step';
import { planIn } from '@/core/plan/write';

/** What may be made again in a later stage: the rest follows from it. */
const MAY: readonly StepKind[] = ['cut', 'arm', 'damper', 'rack', 'rods', 'column', 'tack', 'weld'];

/** Later stages: donor parts first, own parts after the car has run on them. */
export function Stages({
  build,
  first,
  onEdit,
}: {
  build: Build;
  first: readonly Step[];
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const stages = build.plan?.stages ?? [];
  const [name, setName] = useState('');
  const [again, setAgain] = useState<readonly string[]>([]);
  const called = stepNameSchema.safeParse(name);
  const titles = new Map(first.map(({ id, title }) => [id, title]));
  return (
    <Box component="section" aria-label="Stages" sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h3">Stages</Typography>
      <Typography variant="body2">
        Donor parts first, own parts later: what is made again then is tried, checked and set up
        again too. A stage that is over is not held against the drawing any more.
      </Typography>
      {stages.map((stage, i) => (
        <Typography key={i} variant="body2" component="div">
          <strong>
            {i + 2}. {stage.name}:
          </strong>{' '}
          {stage.again.map((id) => titles.get(id) ?? id).join(', ')}
          {/* Steps go by their stage's number: the last one goes first. */}
          {i === stages.length - 1 && (
            <Button
              size="small"
              aria-label={`Take the stage out: ${stage.name}`}
              onClick={() =>
                onEdit((draft) => {
                  const plan = planIn(draft);
                  plan.stages = plan.stages?.filter((_, k) => k !== i);
                })
              }
            >
              Take out
            </Button>
          )}
        </Typography>
      ))}
      <Box component="fieldset" sx={{ border: 0, m: 0, p: 0, columns: '280px 3' }}>
        <Box component="legend" sx={{ fontSize: 14, p: 0 }}>
          Made again in another stage:
        </Box>
        {first
          .filter(({ kind }) => MAY.includes(kind))
          .map(({ id, title }) => (
            <FormControlLabel
              key={id}
              label={title}
              control={
                <Checkbox
                  size="small"
                  checked={again.includes(id)}
                  onChange={(event) =>
                    setAgain(
                      event.target.checked ? [...again, id] : again.filter((one) => one !== id),
                    )
                  }
                />
              }
              sx={{ display: 'flex', mr: 0, '& .MuiFormControlLabel-label': { fontSize: 14 } }}
            />
          ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <TextField
          size="small"
          label="the stage is called"
          value={name}
          onChange={(event) => setName(event.target.value.slice(0, 80))}
          sx={{ width: 240 }}
        />
        <Button
          variant="outlined"
          disabled={!called.success || again.length === 0 || stages.length >= 8}
          onClick={() => {
            if (!called.success) return;
            onEdit((draft) => {
              (planIn(draft).stages ??= []).push({ name: called.data, again: [...again] });
            });
            setName('');
            setAgain([]);
          }}
        >
          Add the stage
        </Button>
      </Box>
    </Box>
  );
}
