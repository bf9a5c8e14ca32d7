'use client';

import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { styled } from '@mui/material/styles';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { plannedSteps } from '@/core/plan/planned';
import { planNow } from '@/core/plan/states';
import { buildIdIn } from '../../build/place';
import { useView } from '../../build/viewStore';
import { Choice } from '../../fields/Choice';
import { NARROW, PHONE, UNSEEN } from '../../theme';
import { loadChecks, useChecks } from '../check/checkStore';
import type { DeskProps } from '../list';
import { BookPart } from './BookPart';
import { KnockPart } from './KnockPart';
import { NowLine } from './NowLine';
import { OrderPart } from './OrderPart';
import { RulesPart } from './RulesPart';
import { StepDetail } from './StepDetail';
import { StepList } from './StepList';

const PARTS = ['steps', 'order', 'rules', 'knock', 'book'] as const;
const PART_WORDS = {
  steps: 'steps',
  order: 'their order',
  rules: 'rules and refusals',
  knock: 'after a knock',
  book: 'build book',
};

/** The work on this build: what next, what must be true first, what was done, by whom, in how long. */
export function Plan({ build, onEdit }: DeskProps) {
  const [part, setPart] = useState<(typeof PARTS)[number]>('steps');
  const [picked, setPicked] = useState<string | null>(null);
  const who = useView((view) => view.who);
  const checks = useChecks(({ list }) => list);
  useEffect(() => void loadChecks(buildIdIn(window.location.pathname)), []);
  // What is typed is shown at once; what it means for the whole plan follows it.
  const settled = useDeferredValue(build);
  const now = useMemo(() => planNow(settled), [settled]);
  const steps = useMemo(() => plannedSteps(build), [build]);
  const open =
    now.all.find(({ step }) => step.id === picked) ?? now.holds ?? now.all[now.all.length - 1];
  return (
    <Box
      sx={{
        ...{ display: 'grid', gap: 1, alignContent: 'start', minHeight: 0 },
        gridTemplateColumns: 'minmax(0, 1fr)',
      }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
        <Box sx={{ overflowX: 'auto', maxWidth: '100%' }}>
          <Choice
            label="Part of the plan"
            value={part}
            options={PARTS}
            words={PART_WORDS}
            onPick={setPart}
          />
        </Box>
        <TextField
          size="small"
          label="Who works here"
          value={who}
          onChange={(event) => useView.getState().show({ who: event.target.value.slice(0, 60) })}
          sx={{ width: 170 }}
          slotProps={{ htmlInput: { autoComplete: 'off' } }}
        />
      </Box>
      <Heading>{PART_WORDS[part]}</Heading>
      {part === 'steps' && (
        <>
          <NowLine now={now} onPick={setPicked} />
          <Columns>
            <StepList now={now} open={open.step.id} onPick={setPicked} />
            <StepDetail
              key={open.step.id}
              {...{ build, settled, standing: open, who, onEdit, checks, onPick: setPicked }}
              titles={now.all}
            />
          </Columns>
        </>
      )}
      {part === 'order' && <OrderPart {...{ build, steps, onEdit }} />}
      {part === 'rules' && <RulesPart {...{ build, steps, onEdit }} />}
      {part === 'book' && <BookPart build={build} checks={checks} />}
      {part === 'knock' && <KnockPart {...{ build, who, onEdit }} />}
    </Box>
  );
}

const Heading = styled('h2')(UNSEEN);

const Columns = styled('div')({
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 380px) minmax(0, 1fr)',
  gap: 20,
  alignItems: 'start',
  [NARROW]: { gridTemplateColumns: 'minmax(0, 320px) minmax(0, 1fr)' },
  [PHONE]: { gridTemplateColumns: 'minmax(0, 1fr)' },
});
