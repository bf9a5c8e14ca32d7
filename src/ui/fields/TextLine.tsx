'use client';

import TextField from '@mui/material/TextField';
import { useRef, useState } from 'react';
import type { z } from 'zod';

let visits = 0;

/** A short text, kept while it is typed; where it is not allowed what was there before holds. */
export function TextLine({
  label,
  value,
  schema,
  onValue,
  width = 160,
  lines = 1,
}: {
  label: string;
  value: string;
  schema: z.ZodType<string>;
  /** Called at every keystroke that makes a value; `visit` names this stay in the field. */
  onValue: (value: string, visit: string) => void;
  width?: number | string;
  /** How many lines are seen; a text of more than one may have more. */
  lines?: number;
}) {
  const [text, setText] = useState<string | null>(null);
  const visit = useRef({ name: '', start: value });
  const refused = text === null ? null : schema.safeParse(text);
  const why = refused && !refused.success ? refused.error.issues[0].message : null;
  return (
    <TextField
      label={label}
      value={text ?? value}
      multiline={lines > 1}
      minRows={lines}
      maxRows={lines > 1 ? 8 : undefined}
      onChange={(event) => {
        setText(event.target.value);
        const parsed = schema.safeParse(event.target.value);
        const next = parsed.success ? parsed.data : visit.current.start;
        if (next !== value) onValue(next, visit.current.name);
      }}
      onFocus={() => {
        visit.current = { name: `text-${++visits}`, start: value };
      }}
      onBlur={() => {
        if (why === null) setText(null);
      }}
      error={why !== null}
      helperText={why ?? undefined}
      sx={{ width }}
      slotProps={{
        htmlInput: { autoComplete: 'off', spellCheck: false },
        formHelperText: { sx: { mx: 0 } },
      }}
    />
  );
}
