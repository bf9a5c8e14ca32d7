import AddIcon from '@mui/icons-material/AddOutlined';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { styled } from '@mui/material/styles';
import type { KeptCheck } from '@/core/model/build';
import { counted } from '@/core/model/wording';
import { PAPER, VERDICT } from '../../theme';

/** Every check of the build, the last begun first, and what was taken away. */
export function CheckList({
  list,
  gone,
  open,
  trouble,
  waiting,
  onOpen,
  onBegin,
  onTrain,
  onBin,
}: {
  list: readonly KeptCheck[] | null;
  gone: readonly { id: string; name: string }[];
  open: string | null;
  trouble: string;
  waiting: number;
  onOpen: (id: string) => void;
  onBegin: () => void;
  onTrain: () => void;
  onBin: (id: string, away: boolean) => void;
}) {
  return (
    <Box component="nav" aria-label="Checks" sx={{ overflow: 'auto', minHeight: 0 }}>
      <Button size="small" startIcon={<AddIcon />} onClick={onBegin} sx={{ mb: 0.5 }}>
        Begin a check
      </Button>
      <Button size="small" onClick={onTrain} sx={{ mb: 0.5 }}>
        Training
      </Button>
      {trouble !== '' && (
        <Typography variant="body2" role="status" sx={{ color: VERDICT.edge }}>
          △ {trouble}
          {waiting > 0 && `: ${counted(waiting, 'entry', 'entries')} wait in this page`}. It is
          tried again by itself.
        </Typography>
      )}
      {list?.map((check) => (
        <Row key={check.id} aria-current={check.id === open || undefined}>
          <Opener type="button" onClick={() => onOpen(check.id)}>
            <strong>{check.name}</strong>
            <span>
              {check.begun.slice(0, 10)}, {counted(check.readings.length, 'reading')}
              {check.rounds.length > 0 && `, fitted ${counted(check.rounds.length, 'time')}`}
            </span>
            {check.training && (
              <span>
                training
                {check.training.result &&
                  `: ${check.training.result.minutes} min, ${check.training.result.inBand ? 'put right' : 'not put right'}`}
              </span>
            )}
            <span>
              “{check.variant.name}”{check.by !== '' && `, ${check.by}`}
            </span>
          </Opener>
          <IconButton
            size="small"
            aria-label={`Take away: ${check.name}`}
            onClick={() => onBin(check.id, true)}
          >
            <DeleteIcon fontSize="inherit" />
          </IconButton>
        </Row>
      ))}
      {gone.length > 0 && (
        <Box sx={{ mt: 1 }}>
          <Typography variant="caption" color="text.secondary" component="p" sx={{ m: 0 }}>
            Taken away:
          </Typography>
          {gone.slice(0, 5).map(({ id, name }) => (
            <Box key={id} sx={{ display: 'flex', alignItems: 'center' }}>
              <Typography variant="caption" sx={{ flex: 1 }}>
                {name}
              </Typography>
              <Button
                size="small"
                onClick={() => onBin(id, false)}
                aria-label={`Get back: ${name}`}
              >
                get back
              </Button>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}

const Row = styled('div')({
  display: 'flex',
  alignItems: 'flex-start',
  borderTop: `1px solid ${PAPER.line}`,
  '&[aria-current]': { backgroundColor: PAPER.wash },
});

const Opener = styled('button')({
  flex: 1,
  display: 'grid',
  textAlign: 'left',
  gap: 1,
  padding: '6px 4px',
  font: 'inherit',
  fontSize: 13,
  color: PAPER.ink,
  background: 'none',
  border: 0,
  cursor: 'pointer',
  '& span': { color: PAPER.soft, fontSize: 12 },
});
