import ButtonBase from '@mui/material/ButtonBase';
import { styled } from '@mui/material/styles';
import type { PlanNow } from '@/core/plan/states';
import { PAPER, PHONE } from '../../theme';
import { StateMark } from './marks';

/** Every step in its order: title, how it stands. */
export function StepList({
  now,
  open,
  onPick,
}: {
  now: PlanNow;
  open: string;
  onPick: (id: string) => void;
}) {
  return (
    <List aria-label="Steps">
      {now.all.map(({ step, state, record }, i) => (
        <li key={step.id}>
          <ButtonBase
            onClick={() => onPick(step.id)}
            aria-current={step.id === open ? 'step' : undefined}
            sx={{
              width: '100%',
              display: 'grid',
              gridTemplateColumns: '24px minmax(0, 1fr) auto 14px',
              gap: 0.75,
              alignItems: 'center',
              textAlign: 'left',
              px: 1,
              py: 0.4,
              fontSize: 14,
              borderRadius: 0.5,
              bgcolor: step.id === open ? PAPER.wash : undefined,
              color: state === 'waits' ? PAPER.soft : PAPER.ink,
            }}
          >
            <span style={{ color: PAPER.soft, fontVariantNumeric: 'tabular-nums' }}>{i + 1}</span>
            <span>{step.title}</span>
            <span style={{ fontSize: 12.5, color: PAPER.soft }}>
              {state === 'done' ? record!.done!.at.slice(0, 10) : state}
            </span>
            <StateMark state={state} />
          </ButtonBase>
        </li>
      ))}
    </List>
  );
}

const List = styled('ol')({
  listStyle: 'none',
  margin: 0,
  padding: 0,
  maxHeight: 'calc(100dvh - 232px)',
  minHeight: 260,
  overflow: 'auto',
  [PHONE]: { maxHeight: '44vh' },
});
