import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useSnackbar } from 'notistack';
import { useMemo } from 'react';
import type { ReactNode } from 'react';
import type { Build, KeptCheck } from '@/core/model/build';
import { heldSchema, minutesSchema, stepNoteSchema } from '@/core/model/plan';
import { gatesOf } from '@/core/plan/gates';
import { CAUTION_WORDS, sheetsFor } from '@/core/plan/needs';
import { recordOf } from '@/core/plan/planned';
import type { Standing } from '@/core/plan/states';
import { answerGate, finished, noteDone, noteStep, reopenStep } from '@/core/plan/write';
import { goTo } from '../../build/place';
import { useView } from '../../build/viewStore';
import { PlainField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { PAPER, PHONE } from '../../theme';
import { Gates } from './Gates';
import { Photos } from './Photos';
import { knownChecks } from './knownChecks';
import { StateMark, inHours } from './marks';

interface Props {
  build: Build;
  /** The same as it was when nothing was typed any more. */
  settled: Build;
  standing: Standing;
  /** All steps, for their titles. */
  titles: readonly Standing[];
  who: string;
  checks: readonly KeptCheck[] | null;
  onEdit: (change: (build: Build) => void, step?: string) => void;
  onPick: (id: string) => void;
}

/** One step: what is done, what it needs, what must be true before it is done, notes, who did it. */
export function StepDetail({
  build,
  settled,
  standing,
  titles,
  who,
  checks,
  onEdit,
  onPick,
}: Props) {
  const { step, state, why } = standing;
  const { id } = step;
  const unit = useView((view) => view.unit);
  const { enqueueSnackbar } = useSnackbar();
  const record = recordOf(build, id);
  const sheets = useMemo(() => sheetsFor(settled, step), [settled, step]);
  const found = useMemo(
    () => gatesOf(settled, step, knownChecks(settled, checks)),
    [settled, step, checks],
  );
  // What is typed is shown as it is typed; how the gate stands then follows.
  const gates = found.map((one) => ({
    ...one,
    answer: record?.gates?.find(({ gate }) => gate === one.gate.id) ?? null,
  }));
  const before = titles.filter((one) => step.after.includes(one.step.id));
  const finish = () => {
    const known = knownChecks(build, checks);
    const end = finished(build, id, { by: who, at: new Date().toISOString() }, known);
    if (end.ok) onEdit((draft) => noteDone(draft, id, end.done));
    else enqueueSnackbar(end.why, { variant: 'warning' });
  };
  return (
    <Box
      component="section"
      aria-label={step.title}
      sx={{
        display: 'grid',
        gap: 1.25,
        maxWidth: 860,
        maxHeight: 'calc(100dvh - 232px)',
        minHeight: 260,
        overflow: 'auto',
        [PHONE]: { maxHeight: 'none' },
      }}
    >
      <div>
        <Typography variant="h3" sx={{ mb: 0.25 }}>
          {step.title}
        </Typography>
        <Typography variant="body2" sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
          <StateMark state={state} />
          <strong>{state}</strong>
          {state === 'done' && record?.done && `${record.done.at.slice(0, 10)}, ${record.done.by}`}
          {state === 'waits' && `for ${why.join(', ')}`}
          {state === 'held' && `: ${why.join(', ')}`}
        </Typography>
        {state === 'open again' && (
          <Box component="ul" aria-label="Why it is open again" sx={{ m: 0, pl: 3, fontSize: 14 }}>
            {why.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </Box>
        )}
      </div>
      <Typography variant="body2">
        {step.does}
        {step.fixes !== '' && (
          <span style={{ color: PAPER.soft }}> Settles: {lower(step.fixes)}</span>
        )}
      </Typography>
      <Box
        component="dl"
        sx={{
          m: 0,
          display: 'grid',
          gridTemplateColumns: '76px minmax(0, 1fr)',
          rowGap: 0.25,
          fontSize: 14,
          '& dt': { color: PAPER.soft },
          '& dd': { m: 0 },
        }}
      >
        {before.length > 0 && (
          <Row name="after">
            {before.map((one, i) => (
              <span key={one.step.id}>
                {i > 0 && ', '}
                <Link onClick={() => onPick(one.step.id)}>{one.step.title}</Link>
              </span>
            ))}
          </Row>
        )}
        {sheets.length > 0 && (
          <Row name="sheets">
            {sheets.map(({ id: sheet, title, taken }, i) => (
              <span key={sheet}>
                {i > 0 && ', '}
                {title}
                {taken === 'old' && <strong> (the one you took is old)</strong>}
                {taken === 'not taken' && <span style={{ color: PAPER.soft }}> (not taken)</span>}
              </span>
            ))}{' '}
            <Link onClick={() => goTo({ station: 'shop' })}>open Jigs & parts</Link>
          </Row>
        )}
        {step.tools.length > 0 && <Row name="tools">{step.tools.join(', ')}</Row>}
        {step.stock.length > 0 && <Row name="stock">{step.stock.join(', ')}</Row>}
      </Box>
      <Gates
        {...{ gates, who, unit }}
        onAnswer={(gate, answer, visit) =>
          onEdit((draft) => answerGate(draft, id, gate, answer), visit)
        }
      />
      {step.cautions.length > 0 && (
        <Typography variant="caption" color="text.secondary" component="p" sx={{ m: 0 }}>
          {step.cautions.map((one) => CAUTION_WORDS[one]).join(' ')}
        </Typography>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'flex-start', pt: 0.5 }}>
        <PlainField
          label="planned"
          ending="min"
          value={record?.planned}
          placeholder={String(step.minutes)}
          schema={minutesSchema}
          onValue={(value, visit) =>
            onEdit((draft) => noteStep(draft, id, 'planned', value), visit)
          }
          onClear={(visit) => onEdit((draft) => noteStep(draft, id, 'planned', undefined), visit)}
          width={110}
        />
        <PlainField
          label="used"
          ending="min"
          value={record?.used}
          schema={minutesSchema}
          onValue={(value, visit) => onEdit((draft) => noteStep(draft, id, 'used', value), visit)}
          onClear={(visit) => onEdit((draft) => noteStep(draft, id, 'used', undefined), visit)}
          width={110}
        />
        <TextLine
          label="held up by"
          value={record?.held ?? ''}
          schema={heldSchema}
          width={230}
          onValue={(held, visit) => onEdit((draft) => noteStep(draft, id, 'held', held), visit)}
        />
      </Box>
      <TextLine
        label="note"
        value={record?.note ?? ''}
        schema={stepNoteSchema}
        width="100%"
        lines={2}
        onValue={(note, visit) => onEdit((draft) => noteStep(draft, id, 'note', note), visit)}
      />
      <Photos id={id} photos={record?.photos ?? []} onEdit={onEdit} />
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        {record?.done ? (
          <>
            {state === 'open again' && (
              <Button variant="contained" onClick={finish}>
                It is done again
              </Button>
            )}
            <Button onClick={() => onEdit((draft) => reopenStep(draft, id))}>
              It is not done yet
            </Button>
          </>
        ) : (
          <Button variant="contained" onClick={finish}>
            It is done
          </Button>
        )}
        <Typography variant="caption" color="text.secondary">
          People sign for what they did; Havrik signs nothing off. Planned{' '}
          {inHours(standing.planned)} until you say otherwise.
        </Typography>
      </Box>
    </Box>
  );
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

const Row = ({ name, children }: { name: string; children: ReactNode }) => (
  <>
    <dt>{name}</dt>
    <dd>{children}</dd>
  </>
);

const Link = ({ onClick, children }: { onClick: () => void; children: ReactNode }) => (
  <Button
    size="small"
    onClick={onClick}
    sx={{ p: 0, minWidth: 0, fontWeight: 500, verticalAlign: 'baseline', lineHeight: 1.3 }}
  >
    {children}
  </Button>
);
