import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { GateAnswer } from '@/core/model/plan';
import { foundSchema, readLengthSchema } from '@/core/model/plan';
import type { LengthUnit } from '@/core/model/units';
import type { GateState } from '@/core/plan/gates';
import { LengthField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { PAPER, VERDICT } from '../../theme';

/** What must be true before a step is done: somebody's word, two lengths, or what the build says of itself. */
export function Gates({
  gates,
  who,
  unit,
  onAnswer,
}: {
  gates: readonly GateState[];
  who: string;
  unit: LengthUnit;
  onAnswer: (gate: string, answer: GateAnswer | null, step?: string) => void;
}) {
  if (gates.length === 0) return null;
  return (
    <Box component="ul" aria-label="What must be true" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {gates.map((state) => (
        <Box
          component="li"
          key={state.gate.id}
          sx={{ py: 0.75, borderTop: `1px solid ${PAPER.line}` }}
        >
          <OneGate {...{ state, who, unit, onAnswer }} />
        </Box>
      ))}
    </Box>
  );
}

function OneGate({
  state,
  who,
  unit,
  onAnswer,
}: {
  state: GateState;
  who: string;
  unit: LengthUnit;
  onAnswer: (gate: string, answer: GateAnswer | null, step?: string) => void;
}) {
  const { gate, open, says, answer } = state;
  const [going, setGoing] = useState(false);
  const nobody = who.trim() === '';
  const signed = () => ({ gate: gate.id, at: new Date().toISOString(), by: who.trim() });
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <span style={{ color: open ? VERDICT.good : VERDICT.edge, fontWeight: 600, fontSize: 14 }}>
          {open ? '✓ yes' : '○ not yet'}
        </span>
        <Typography variant="body2">
          {gate.asks}
          {gate.source !== undefined && ` (${gate.source})`}
        </Typography>
        {gate.as === 'said' &&
          (answer ? (
            <Button
              size="small"
              aria-label={`Take back: ${gate.asks}`}
              onClick={() => onAnswer(gate.id, null)}
            >
              Take back
            </Button>
          ) : (
            <Button
              size="small"
              variant="outlined"
              disabled={nobody}
              aria-label={`It is so: ${gate.asks}`}
              onClick={() => onAnswer(gate.id, signed())}
              sx={{ py: 0 }}
            >
              It is so
            </Button>
          ))}
      </Box>
      {gate.as === 'pair' && <Pair {...{ gate, answer, who, unit, onAnswer }} />}
      <Typography variant="caption" color="text.secondary" component="div">
        {says}
        {nobody && gate.as !== 'reckoned' && !open ? '; say who works here first' : ''}
      </Typography>
      {/* It stays while it is typed: the first letter of a reason opens the gate. */}
      {(going || answer?.despite !== undefined) && (
        <TextLine
          label={`goes on all the same, because (${gate.asks.slice(0, 30)})`}
          value={answer?.despite ?? ''}
          schema={foundSchema}
          width={420}
          onValue={(despite, visit) =>
            onAnswer(
              gate.id,
              { ...signed(), ...(answer?.values && { values: answer.values }), despite },
              visit,
            )
          }
        />
      )}
      {!open && gate.as !== 'said' && !going && answer?.despite === undefined && !nobody && (
        <Button
          size="small"
          aria-label={`Go on all the same: ${gate.asks}`}
          onClick={() => setGoing(true)}
          sx={{ py: 0, px: 0.5 }}
        >
          Go on all the same …
        </Button>
      )}
    </>
  );
}

/** Two lengths that should be alike; they count once both are there. */
function Pair({
  gate,
  answer,
  who,
  unit,
  onAnswer,
}: {
  gate: Extract<GateState['gate'], { as: 'pair' }>;
  answer: GateAnswer | null;
  who: string;
  unit: LengthUnit;
  onAnswer: (gate: string, answer: GateAnswer | null, step?: string) => void;
}) {
  const values = answer?.values ?? [null, null];
  const put = (at: 0 | 1, value: number | null, step: string) => {
    const next = [...values];
    next[at] = value;
    const has = next.some((one) => one !== null);
    const signed = { gate: gate.id, at: new Date().toISOString(), by: who.trim(), values: next };
    onAnswer(gate.id, has ? signed : null, step);
  };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, py: 0.75, alignItems: 'center' }}>
      {([0, 1] as const).map((at) => (
        <LengthField
          key={at}
          label={gate.names[at]}
          value={values[at] ?? undefined}
          schema={readLengthSchema}
          unit={unit}
          width={170}
          disabled={who.trim() === ''}
          onValue={(value, step) => put(at, value, step)}
          onClear={(step) => put(at, null, step)}
        />
      ))}
      <Typography variant="caption" color="text.secondary">
        {gate.drawn === null ? '' : `drawn ${gate.drawn.toFixed(1)} mm; `}
        {`within ${gate.within} mm`}
      </Typography>
    </Box>
  );
}
