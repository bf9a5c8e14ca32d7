'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import InputAdornment from '@mui/material/InputAdornment';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Box from '@mui/material/Box';
import { useForm } from 'react-hook-form';
import { partSchema } from '@/core/model/parts';
import type { Part } from '@/core/model/parts';
import { parseAngle, parseLength, parseNumber, printLength } from '@/core/model/units';
import { FIELDS, KIND_WORDS } from './kinds';
import type { PartField } from './kinds';

type Typed = Record<string, string>;

const NAME: PartField = { path: 'name', label: 'Name', type: 'text', wide: true };
const NOTE: PartField = { path: 'note', label: 'Note', type: 'text', wide: true };
const fieldsOf = (part: Part): PartField[] => [NAME, ...FIELDS[part.kind], NOTE];

/** Form keys are the fields' paths with dashes: the form library reads dots as nesting of its own. */
const keyOf = (field: PartField) => field.path.replace('.', '-');

const at = (part: Part, path: string): unknown =>
  path.split('.').reduce<unknown>((value, key) => (value as Record<string, unknown>)[key], part);

const print = (value: unknown): string =>
  typeof value === 'number' ? printLength(value) : String(value ?? '');

const PARSERS = { length: parseLength, angle: parseAngle, number: parseNumber };

const ENDINGS: Partial<Record<PartField['type'], string>> = { length: 'mm', angle: '°' };

/** Reads what was typed into a part, or says field by field what is wrong. */
function read(part: Part, typed: Typed): { part: Part } | { problems: Record<string, string> } {
  const next = structuredClone(part) as unknown as Record<string, unknown>;
  const problems: Record<string, string> = {};
  for (const field of fieldsOf(part)) {
    const text = typed[keyOf(field)] ?? '';
    const keys = field.path.split('.');
    const last = keys.pop()!;
    const holder = keys.reduce((value, key) => value[key] as Record<string, unknown>, next);
    if (field.optional && text.trim() === '') {
      delete holder[last];
      continue;
    }
    if (field.type === 'text' || field.type === 'choice') {
      holder[last] = text;
      continue;
    }
    const parsed = PARSERS[field.type](text);
    if (parsed.ok) holder[last] = parsed.value;
    else problems[keyOf(field)] = parsed.why;
  }
  const checked = partSchema.safeParse(next);
  if (!checked.success)
    for (const issue of checked.error.issues) problems[issue.path.join('-')] ??= issue.message;
  return checked.success && Object.keys(problems).length === 0
    ? { part: checked.data }
    : { problems };
}

/** One part of the shelf, typed in any notation. Nothing typed is lost while something is wrong. */
export function PartDialog({
  part,
  isNew,
  onClose,
  onKeep,
}: {
  part: Part;
  isNew: boolean;
  onClose: () => void;
  onKeep: (part: Part) => void;
}) {
  const fields = fieldsOf(part);
  // A new part has no measures until they are typed; a copy of another has.
  const blank = isNew && part.name === '';
  const first = ({ path, type }: PartField) =>
    blank && type in PARSERS ? '' : print(at(part, path));
  const { register, handleSubmit, setError, formState } = useForm<Typed>({
    defaultValues: Object.fromEntries(fields.map((f) => [keyOf(f), first(f)])),
  });
  const { errors } = formState;
  const keep = (typed: Typed) => {
    const result = read(part, typed);
    if ('part' in result) onKeep(result.part);
    else for (const [key, message] of Object.entries(result.problems)) setError(key, { message });
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="part-title">
      <form noValidate onSubmit={(event) => void handleSubmit(keep)(event)}>
        <DialogTitle id="part-title">
          {isNew ? `New ${KIND_WORDS[part.kind].one}` : part.name}
        </DialogTitle>
        <DialogContent>
          <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 1.5, pt: 1 }}>
            {fields.map((field) => {
              const message = errors[keyOf(field)]?.message;
              const ending = field.ending ?? ENDINGS[field.type];
              return (
                <TextField
                  key={field.path}
                  {...register(keyOf(field))}
                  label={field.label}
                  select={field.type === 'choice'}
                  defaultValue={first(field)}
                  autoFocus={isNew && field === NAME}
                  error={message !== undefined}
                  helperText={message}
                  sx={field.wide ? { gridColumn: '1 / -1' } : undefined}
                  slotProps={{
                    input: ending
                      ? { endAdornment: <InputAdornment position="end">{ending}</InputAdornment> }
                      : undefined,
                    htmlInput: { autoComplete: 'off', spellCheck: false },
                    formHelperText: { sx: { mx: 0 } },
                  }}
                >
                  {field.options?.map((option) => (
                    <MenuItem key={option} value={option}>
                      {option}
                    </MenuItem>
                  ))}
                </TextField>
              );
            })}
          </Box>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            {isNew ? 'Put it on the shelf' : 'Keep'}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
