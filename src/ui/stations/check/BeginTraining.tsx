import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { styled } from '@mui/material/styles';
import { bumpSteerOf } from '@/core/bumpsteer/trial';
import { degrees } from '@/core/check/words';
import type { Wheel } from '@/core/kinematics/wheel';
import type { KeptCheck } from '@/core/model/build';
import type { ScenarioId } from '@/core/model/checks';
import { counted } from '@/core/model/wording';
import { SCENARIO_TABLE, scenariosFor } from '@/core/training/scenarios';
import { PAPER, VERDICT } from '../../theme';
import { useAngles } from '../../fields/useAngles';

/** Cars to train on, the easier ones first, and how it went before. */
export function BeginTraining({
  wheel,
  accepted,
  list,
  onBegin,
  onLeave,
}: {
  wheel: Wheel;
  /** Largest change of toe that the brief accepts, degrees. */
  accepted: number;
  list: readonly KeptCheck[];
  onBegin: (scenario: ScenarioId) => void;
  onLeave: (() => void) | null;
}) {
  const said = useAngles();
  const drawn = bumpSteerOf(wheel)?.worst ?? 0;
  return (
    <Box component="section" aria-label="Training" sx={{ overflow: 'auto', minHeight: 0 }}>
      <Typography variant="h3">Train on a car that is not there</Typography>
      <Typography variant="body2" sx={{ maxWidth: 640 }}>
        This drawing’s {wheel.axle} {wheel.side} wheel, built within its ± by somebody you do not
        know. You read it through simulated instruments, fit what you like, look at joints, measure
        numbers again; every act takes shop minutes. Say what it was, and it is told.
      </Typography>
      {drawn > accepted && (
        <Typography variant="body2" sx={{ maxWidth: 640, color: VERDICT.edge, mt: 0.5 }}>
          △ As drawn this wheel changes toe by {said(degrees(drawn))} already: what is hidden shows
          better in a layout that is nulled.
        </Typography>
      )}
      <Grid>
        {scenariosFor(wheel.type).map((id) => {
          const { grade, told } = SCENARIO_TABLE[id];
          const name = grade === 0 ? 'Any car' : `Car ${grade}`;
          const over = list.flatMap(({ training }) =>
            training?.scenario === id && training.result ? [training.result] : [],
          );
          const good = over.filter(({ inBand, guess }) => inBand && guess === id);
          return (
            <Card key={id} data-scenario={grade}>
              <Typography variant="h4" component="h4" sx={{ fontSize: 15, fontWeight: 600 }}>
                {name}
              </Typography>
              <Typography variant="body2" sx={{ flex: 1 }}>
                {told}
              </Typography>
              <Typography variant="caption" color="text.secondary">
                {over.length === 0
                  ? 'Not tried yet.'
                  : `Tried ${counted(over.length, 'time')}${
                      good.length > 0
                        ? `, put right and told rightly in ${Math.min(...good.map(({ minutes }) => minutes))} min at best`
                        : ', not put right and told rightly yet'
                    }.`}
              </Typography>
              <Button
                size="small"
                variant="outlined"
                aria-label={`Begin: ${name}`}
                onClick={() => onBegin(id)}
              >
                Begin
              </Button>
            </Card>
          );
        })}
      </Grid>
      {onLeave && <Button onClick={onLeave}>Not now</Button>}
    </Box>
  );
}

const Grid = styled('div')({
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fill, minmax(220px, 1fr))',
  gap: 10,
  margin: '12px 0',
});

const Card = styled('div')({
  display: 'flex',
  flexDirection: 'column',
  gap: 6,
  padding: 10,
  border: `1px solid ${PAPER.line}`,
  borderRadius: 4,
});
