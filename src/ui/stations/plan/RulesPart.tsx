import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { pointNames, typeOf } from '@/core/corners/kinds';
import type { AxleName, Build } from '@/core/model/build';
import { pointLabel } from '@/core/model/labels';
import { COORDINATES } from '@/core/model/points';
import type { Coordinate } from '@/core/model/points';
import type { Step } from '@/core/plan/step';
import { addRule, removeRule } from '@/core/plan/write';
import { Choice } from '../../fields/Choice';
import { PickOne } from '../../fields/PickOne';
import { PAPER } from '../../theme';

const KINDS = ['rule', 'refusal'] as const;
const KIND_WORDS = { rule: 'class rule', refusal: 'inspector’s refusal' };
const NONE = '';
/** More are not kept. */
const MOST_RULES = 100;

/** Class rules and what an inspector refused, with where that stands: a coordinate held, a step that waits. */
export function RulesPart({
  build,
  steps,
  onEdit,
}: {
  build: Build;
  steps: readonly Step[];
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const { enqueueSnackbar } = useSnackbar();
  const rules = build.plan?.rules ?? [];
  const [kind, setKind] = useState<(typeof KINDS)[number]>('rule');
  const [says, setSays] = useState('');
  const [source, setSource] = useState('');
  const [gate, setGate] = useState(NONE);
  const [held, setHeld] = useState(NONE);
  const titles = new Map(steps.map(({ id, title }) => [id, title]));
  const places = (['front', 'rear'] as const).flatMap((axle) => {
    const design = build[axle];
    return design
      ? pointNames(typeOf(design)).flatMap((point) =>
          COORDINATES.map((coordinate) => ({
            value: `${axle} ${point} ${coordinate}`,
            words: `${axle} ${pointLabel(design, point)}, ${coordinate}`,
          })),
        )
      : [];
  });
  const full = says.trim() !== '' && source.trim() !== '';
  const add = () => {
    const [axle, point, coordinate] = held.split(' ') as [AxleName, string, Coordinate];
    let refused: string | null = null;
    onEdit((draft) => {
      refused = addRule(
        draft,
        {
          ...{ id: crypto.randomUUID(), kind, says: says.trim(), source: source.trim() },
          at: new Date().toISOString(),
          ...(gate !== NONE && { gate }),
        },
        held === NONE ? null : { axle, point, coordinate },
      );
    });
    if (refused !== null) {
      enqueueSnackbar(refused, { variant: 'warning' });
      return;
    }
    setSays('');
    setSource('');
    setGate(NONE);
    setHeld(NONE);
  };
  return (
    <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 900 }}>
      <Typography variant="body2">
        Write down what a rule book or an inspector says, and where it stands there. It can hold a
        coordinate (every finder leaves it alone and no hand moves it), make a step wait until
        somebody says that it is so, or both. What the rules are, and whether they are met, is for
        those who make them.
      </Typography>
      <Box
        component="form"
        aria-label="A rule or a refusal"
        onSubmit={(event) => {
          event.preventDefault();
          if (full) add();
        }}
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}
      >
        <Choice
          label="What it is"
          value={kind}
          options={KINDS}
          words={KIND_WORDS}
          onPick={setKind}
        />
        <TextField
          size="small"
          label="what it says"
          value={says}
          onChange={(event) => setSays(event.target.value.slice(0, 400))}
          sx={{ width: 400 }}
        />
        <TextField
          size="small"
          label="where that stands, or who said so"
          value={source}
          onChange={(event) => setSource(event.target.value.slice(0, 160))}
          sx={{ width: 280 }}
        />
        <PickOne
          label="a step waits for it"
          value={gate}
          options={[
            { value: NONE, words: 'none' },
            ...steps.map(({ id, title }) => ({ value: id, words: title })),
          ]}
          onPick={setGate}
        />
        <PickOne
          label="it holds"
          value={held}
          options={[{ value: NONE, words: 'no coordinate' }, ...places]}
          onPick={setHeld}
        />
        <Button type="submit" variant="outlined" disabled={!full || rules.length >= MOST_RULES}>
          Write it down
        </Button>
      </Box>
      {rules.length === 0 ? (
        <Typography variant="body2">None yet.</Typography>
      ) : (
        <Box component="ul" aria-label="Rules and refusals" sx={{ m: 0, p: 0, listStyle: 'none' }}>
          {rules.map((rule) => {
            const { lock } = rule;
            const design = lock && build[lock.axle];
            return (
              <Box
                component="li"
                key={rule.id}
                sx={{ borderTop: `1px solid ${PAPER.line}`, py: 0.75, fontSize: 14 }}
              >
                <strong>{KIND_WORDS[rule.kind]}:</strong> {rule.says}{' '}
                <span style={{ color: PAPER.soft }}>
                  ({rule.source}, {rule.at.slice(0, 10)})
                </span>
                <div>
                  {lock &&
                    `Holds the ${lock.axle} ${design ? pointLabel(design, lock.point) : lock.point}, ${lock.coordinate}. `}
                  {rule.gate !== undefined &&
                    `${titles.get(rule.gate) ?? 'A step that is gone'} waits for it.`}
                  <Button
                    size="small"
                    aria-label={`Take away: ${rule.says}`}
                    onClick={() => {
                      onEdit((draft) => removeRule(draft, rule.id));
                      enqueueSnackbar('The rule is away. Undo brings it back.');
                    }}
                    sx={{ py: 0 }}
                  >
                    Take away
                  </Button>
                </div>
              </Box>
            );
          })}
        </Box>
      )}
    </Box>
  );
}
