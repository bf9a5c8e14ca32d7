import { buildIdIn } from '../build/place';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { format } from 'date-fns/format';
import { isToday } from 'date-fns/isToday';
import { useSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import { z } from 'zod';
import { buildSchema } from '@/core/model/build';
import type { Build } from '@/core/model/build';
import type { KeptSave } from '@/server/requests';
import { keepState, noteState } from '@/server/actions';
import { useSaveState } from '../build/useAutosave';
import { PAPER } from '../theme';
import { useStable } from '../useStable';
import type { Compared } from './compared';

const savesSchema = z.array(
  z.object({ id: z.string(), name: z.string(), savedAt: z.string(), note: z.string() }),
);

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
  const reload = useStable(() =>
    ask('saves', savesSchema).then(setSaves, (error: Error) => setTrouble(error.message)),
  );
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
      <KeepNow onKept={reload} />
      {saves?.length === 0 && (
        <Typography variant="body2" color="text.secondary">
          None yet: what stands for two minutes before the next edit is kept here.
        </Typography>
      )}
      {saves?.slice(0, all ? undefined : FEW).map(({ id, savedAt, note }) => {
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
              <SaveNote id={id} when={when} note={note} onNoted={reload} />
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

/** Keeps the build as it stands under a note, before something is tried. */
function KeepNow({ onKept }: { onKept: () => Promise<void> }) {
  const { enqueueSnackbar } = useSnackbar();
  const [note, setNote] = useState('');
  // What is kept is what the server has.
  const saved = useSaveState(({ kind }) => kind === 'saved');
  const keep = async () => {
    const answer = await keepState(buildIdIn(window.location.pathname), note).catch(() => SILENT);
    if (!answer.ok) {
      enqueueSnackbar(answer.message, { variant: 'error' });
      return;
    }
    setNote('');
    await onKept();
  };
  return (
    <Box
      component="form"
      sx={{ display: 'flex', gap: 1, my: 1 }}
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <TextField
        label="Note on how it is now"
        value={note}
        onChange={(event) => setNote(event.target.value)}
        slotProps={{ htmlInput: { maxLength: 200 } }}
        sx={{ flex: 1 }}
      />
      <Button type="submit" variant="outlined" disabled={note.trim() === '' || !saved}>
        Keep it
      </Button>
    </Box>
  );
}

/** What is written on a kept state; a click writes on it. */
function SaveNote({
  id,
  when,
  note,
  onNoted,
}: {
  id: string;
  when: string;
  note: string;
  onNoted: () => Promise<void>;
}) {
  const { enqueueSnackbar } = useSnackbar();
  const [text, setText] = useState<string | null>(null);
  const put = async () => {
    const typed = text?.trim() ?? note;
    setText(null);
    if (typed === note) return;
    const build = buildIdIn(window.location.pathname);
    const answer = await noteState(build, id, typed).catch(() => SILENT);
    if (answer.ok) await onNoted();
    else {
      setText(typed);
      enqueueSnackbar(answer.message, { variant: 'error' });
    }
  };
  if (text === null)
    return (
      <Button
        size="small"
        aria-label={`Note on ${when}${note && `: ${note}`}`}
        sx={{ ml: 1, minWidth: 0, py: 0, fontWeight: 400 }}
        onClick={() => setText(note)}
      >
        {note || 'note'}
      </Button>
    );
  return (
    <TextField
      variant="standard"
      value={text}
      autoFocus
      onChange={(event) => setText(event.target.value)}
      onBlur={() => void put()}
      onKeyDown={(event) => {
        if (event.key === 'Enter') void put();
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        setText(null);
      }}
      slotProps={{ htmlInput: { 'aria-label': `Note on ${when}`, maxLength: 200 } }}
      sx={{ ml: 1 }}
    />
  );
}

const SILENT = { ok: false as const, message: 'Havrik’s server does not answer.' };

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
