import { buildIdIn } from '../build/place';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { format } from 'date-fns/format';
import { isToday } from 'date-fns/isToday';
import { useSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import { z } from 'zod';
import { buildSchema } from '@/core/model/build';
import type { Build } from '@/core/model/build';
import type { KeptSave } from '@/server/requests';
import { PAPER } from '../theme';
import type { Compared } from './compared';

const savesSchema = z.array(z.object({ id: z.string(), name: z.string(), savedAt: z.string() }));

interface Props {
  compared: Compared | null;
  onCompare: (compared: Compared | null) => void;
  onReplace: (build: Build) => void;
}

/** How many are shown before all are asked for. */
const FEW = 8;

/** The build as it was: compare it with how it is, or bring it back. */
export function Saves({ compared, onCompare, onReplace }: Props) {
  const { enqueueSnackbar } = useSnackbar();
  const [saves, setSaves] = useState<KeptSave[] | null>(null);
  const [trouble, setTrouble] = useState('');
  const [all, setAll] = useState(false);
  useEffect(() => {
    let wanted = true;
    ask('saves', savesSchema).then(
      (list) => wanted && setSaves(list),
      (error: Error) => wanted && setTrouble(error.message),
    );
    return () => {
      wanted = false;
    };
  }, []);
  const open = async (id: string, then: (build: Build) => void) => {
    try {
      then(await ask(`saves/${id}`, buildSchema));
    } catch (error) {
      enqueueSnackbar((error as Error).message, { variant: 'error' });
    }
  };
  return (
    <Box component="section" aria-label="Earlier saves" sx={{ mt: 2.5 }}>
      <Typography variant="h3">Earlier saves</Typography>
      {trouble !== '' && <Typography color="error">{trouble}</Typography>}
      {saves?.length === 0 && (
        <Typography variant="body2" color="text.secondary">
          None yet: what stands for two minutes before the next edit is kept here.
        </Typography>
      )}
      {saves?.slice(0, all ? undefined : FEW).map(({ id, savedAt }) => {
        const looked = compared?.kind === 'save' && compared.id === id;
        const when = whenOf(savedAt);
        return (
          <Box
            key={id}
            data-save-kept={savedAt}
            sx={{
              display: 'flex',
              alignItems: 'center',
              borderTop: `1px solid ${PAPER.line}`,
              py: 0.25,
            }}
          >
            <Typography variant="body2" sx={{ flex: 1 }}>
              {when}
            </Typography>
            <Button
              size="small"
              aria-pressed={looked}
              onClick={() =>
                looked
                  ? onCompare(null)
                  : void open(id, ({ front, rear }) =>
                      onCompare({ kind: 'save', id, name: when, front, rear }),
                    )
              }
            >
              {looked ? 'Stop comparing' : 'Compare'}
            </Button>
            <Button
              size="small"
              onClick={() =>
                void open(id, (build) => {
                  onReplace(build);
                  enqueueSnackbar(`This is the build as it was ${when}. Undo goes back.`);
                })
              }
            >
              Bring back
            </Button>
          </Box>
        );
      })}
      {saves && saves.length > FEW && !all && (
        <Button size="small" onClick={() => setAll(true)}>
          Show all {saves.length}
        </Button>
      )}
    </Box>
  );
}

const whenOf = (savedAt: string): string => {
  const date = new Date(savedAt);
  return format(date, isToday(date) ? "'today' HH:mm" : 'd MMM yyyy HH:mm');
};

/** Asks the server about the build whose page this is. */
async function ask<T>(what: string, schema: z.ZodType<T>): Promise<T> {
  // The address names the build, also after saving has moved it to another.
  const id = buildIdIn(window.location.pathname);
  const response = await fetch(`/api/builds/${id}/${what}`).catch(() => null);
  if (!response) throw new Error('Havrik’s server does not answer.');
  const body: unknown = await response.json().catch(() => null);
  if (!response.ok) {
    const said = z.object({ message: z.string() }).safeParse(body);
    throw new Error(said.success ? said.data.message : `The server answered ${response.status}.`);
  }
  return schema.parse(body);
}
