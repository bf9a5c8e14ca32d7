import { useRef, useState } from 'react';
import type { KeyboardEvent } from 'react';
import type { z } from 'zod';
import type { Parsed } from '@/core/model/units';

export interface TypedNumber {
  /** Undefined where nothing was typed yet. */
  value: number | undefined;
  parse: (text: string) => Parsed;
  print: (value: number) => string;
  /** What values are taken; its messages are shown. */
  schema: z.ZodType<number | undefined>;
  /** Called at every keystroke that makes a value; `visit` names this stay in the field. */
  onValue: (value: number, visit: string) => void;
  /** Called where the field is emptied; without it an empty field is none. */
  onClear?: (visit: string) => void;
  /** Nobody has said the value: it stands in, and the field is empty. */
  sketched?: boolean;
  /** Called with what stood in, where what was typed is taken back. */
  onUnsay?: (value: number, visit: string) => void;
}

let visits = 0;

/**
 * A number that is typed. Only a whole text is a value: the model follows while it is one, and as soon as it is
 * not the value that the visit began with is back in the model, whatever its first digits would have made. What
 * was typed stays in sight with the reason. Escape brings back the value the visit began with.
 */
export function useTypedNumber(typed: TypedNumber) {
  const { parse, print, schema, onValue, onUnsay, sketched = false } = typed;
  const value = sketched ? undefined : typed.value;
  // What stood in comes back with Escape, with what is no value, and where the field is emptied.
  const [stoodIn, setStoodIn] = useState(sketched ? typed.value : undefined);
  if (sketched && stoodIn !== typed.value) setStoodIn(typed.value);
  const onClear =
    onUnsay && stoodIn !== undefined ? (visit: string) => onUnsay(stoodIn, visit) : typed.onClear;
  const [text, setText] = useState<string | null>(null);
  const [seen, setSeen] = useState(value);
  const visit = useRef({ name: '', start: value });
  const [sent, setSent] = useState(value);

  // A change from elsewhere (undo, another field) replaces what was left half-typed here.
  if (seen !== value) {
    setSeen(value);
    if (value !== sent) setText(null);
  }

  const read = (
    of: string,
  ): { ok: true; value: number | undefined } | { ok: false; why: string } => {
    if (of.trim() === '' && onClear) return { ok: true, value: undefined };
    const parsed = parse(of);
    if (!parsed.ok) return parsed;
    const checked = schema.safeParse(parsed.value);
    return checked.success ? parsed : { ok: false, why: checked.error.issues[0].message };
  };
  const result = text === null ? null : read(text);

  const take = (next: number | undefined) => {
    if (next === value) return;
    setSent(next);
    if (next === undefined) onClear?.(visit.current.name);
    else onValue(next, visit.current.name);
  };

  return {
    error: result && !result.ok ? result.why : null,
    input: {
      value: text ?? (value === undefined ? '' : print(value)),
      onFocus: () => {
        visit.current = { name: `visit-${++visits}`, start: value };
      },
      onChange: (event: { target: { value: string } }) => {
        setText(event.target.value);
        const now = read(event.target.value);
        take(now.ok ? now.value : visit.current.start);
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
