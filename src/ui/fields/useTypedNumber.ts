import { useRef, useState } from 'react';
import type { KeyboardEvent } from 'react';
import type { z } from 'zod';
import type { Parsed } from '@/core/model/units';

export interface TypedNumber {
  value: number;
  parse: (text: string) => Parsed;
  print: (value: number) => string;
  /** What values are taken; its messages are shown. */
  schema: z.ZodType<number>;
  /** Called at every keystroke that makes a value; `visit` names this stay in the field. */
  onValue: (value: number, visit: string) => void;
}

let visits = 0;

/**
 * A number that is typed: while somebody types, what they typed stays as it is, the last whole value
 * holds, and the reason shows; leaving the field with something half-typed loses nothing.
 * Escape brings back the value the visit began with.
 */
export function useTypedNumber({ value, parse, print, schema, onValue }: TypedNumber) {
  const [text, setText] = useState<string | null>(null);
  const [seen, setSeen] = useState(value);
  const visit = useRef({ name: '', start: value });
  const [sent, setSent] = useState(value);

  // A change from elsewhere (undo, another field) replaces what was left half-typed here.
  if (seen !== value) {
    setSeen(value);
    if (value !== sent) setText(null);
  }

  const read = (typed: string): Parsed => {
    const parsed = parse(typed);
    if (!parsed.ok) return parsed;
    const checked = schema.safeParse(parsed.value);
    return checked.success ? parsed : { ok: false, why: checked.error.issues[0].message };
  };
  const result = text === null ? null : read(text);

  const take = (next: number) => {
    if (next === value) return;
    setSent(next);
    onValue(next, visit.current.name);
  };

  return {
    error: result && !result.ok ? result.why : null,
    input: {
      value: text ?? print(value),
      onFocus: () => {
        visit.current = { name: `visit-${++visits}`, start: value };
      },
      onChange: (event: { target: { value: string } }) => {
        setText(event.target.value);
        const typed = read(event.target.value);
        if (typed.ok) take(typed.value);
      },
      onBlur: () => {
        if (result?.ok) setText(null);
      },
    },
    /** Handles Escape; returns whether it did. */
    onKey: (event: KeyboardEvent): boolean => {
      if (event.key !== 'Escape' || text === null) return false;
      setText(null);
      take(visit.current.start);
      event.stopPropagation();
      return true;
    },
  };
}
