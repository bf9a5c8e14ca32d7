import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { PartLoad } from '@/core/loads/loads';
import { proofSchema } from '@/core/model/loads';
import type { Proof, Strength } from '@/core/model/loads';
import { Choice } from '../../fields/Choice';
import { PlainField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { VERDICT } from '../../theme';
import { Fields, Said, Section } from './parts';

/** Parts that were loaded to see whether they hold: beside the estimate that each belongs to. */
export function Proofs({
  parts,
  strength,
  put,
}: {
  parts: readonly PartLoad[];
  strength: Strength;
  put: (act: (strength: Strength) => void, step?: string) => void;
}) {
  const set = (i: number, act: (proof: Proof) => void, step?: string) =>
    put((s) => {
      const one = s.proofs?.[i];
      if (one) act(one);
    }, step);
  return (
    <Section title="Proof and break tests">
      {(strength.proofs ?? []).map((proof, i) => (
        <div key={proof.id} data-proof={proof.result}>
          <Fields>
            <TextField
              select
              size="small"
              label="of"
              value={parts.some(({ id }) => id === proof.of) ? proof.of : ''}
              onChange={(event) => set(i, (one) => void (one.of = event.target.value))}
              sx={{ width: 230 }}
            >
              {parts.map(({ id, name }) => (
                <MenuItem key={id} value={id}>
                  {name}
                </MenuItem>
              ))}
            </TextField>
            <TextLine
              label="what was loaded"
              value={proof.what}
              schema={proofSchema.shape.what}
              onValue={(what, step) => set(i, (one) => void (one.what = what), step)}
              width={220}
            />
            <PlainField
              label="with"
              ending="N"
              value={proof.newtons}
              schema={proofSchema.shape.newtons}
              onValue={(value, step) => set(i, (one) => void (one.newtons = value), step)}
              width={120}
            />
            <Choice
              label={`${proof.what}: result`}
              value={proof.result}
              options={['held', 'bent', 'broke']}
              onPick={(result) => set(i, (one) => void (one.result = result))}
            />
            <Button
              size="small"
              color="inherit"
              aria-label={`Take away: ${proof.what}`}
              onClick={() => put((s) => void s.proofs?.splice(i, 1))}
            >
              Take away
            </Button>
          </Fields>
          <Beside proof={proof} part={parts.find(({ id }) => id === proof.of)} />
        </div>
      ))}
      <Button
        size="small"
        onClick={() =>
          put(
            (s) =>
              void (s.proofs ??= []).push({
                ...{ id: crypto.randomUUID(), of: parts[0].id, what: 'test piece', newtons: 5000 },
                result: 'held' as const,
              }),
          )
        }
      >
        Another test
      </Button>
      <Said>
        A test says something of the piece that was loaded, in the way it was loaded. Stand clear of
        what is under load; a chain or bar that breaks flies.
      </Said>
    </Section>
  );
}

/** A test beside its estimate. */
function Beside({ proof, part }: { proof: Proof; part: PartLoad | undefined }) {
  if (!part || part.as === 'bending') return null;
  const times = proof.newtons / Math.abs(part.worst.newtons || 1);
  const stands = part.stands?.most;
  const off = proof.result !== 'held' && stands !== undefined ? proof.newtons / stands : null;
  return (
    <Typography
      variant="body2"
      sx={{ color: proof.result === 'held' ? undefined : VERDICT.edge, mt: 0.25 }}
    >
      {times.toFixed(1)} times its worst case
      {stands === undefined ? '' : `; the estimate says it stands ${stands.toFixed(0)} N`}
      {off !== null && off < 1
        ? `: it ${proof.result} at ${Math.round(off * 100)} % of that. Trust the test.`
        : '.'}
    </Typography>
  );
}
