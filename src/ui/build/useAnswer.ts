import { useEffect, useMemo, useRef, useState } from 'react';

/** Between two looks, ms: the drawing needs the machine too. */
const BREATH = 60;

/** What the worker last answered, undefined until it first has, and whether something was changed since. */
export interface Answer<T> {
  of: T | undefined;
  stale: boolean;
}

/**
 * What takes a worker some time, asked anew whenever what is asked about is another object: one question at a time, as
 * often as it answers, and always the last one.
 */
export function useAnswer<Q extends object, T>(
  question: Q,
  ask: (question: Q) => Promise<T>,
): Answer<T> {
  const [answered, setAnswered] = useState<{ to: Q; of: T } | null>(null);
  const wanted = useRef(question);
  const looking = useRef(false);
  useEffect(() => {
    wanted.current = question;
    const look = async () => {
      looking.current = true;
      for (let to: Q | null = null; to !== wanted.current;) {
        to = wanted.current;
        const of = await ask(to);
        setAnswered({ to, of });
        await new Promise((resolve) => setTimeout(resolve, BREATH));
      }
    };
    if (!looking.current) void look().finally(() => (looking.current = false));
  }, [question, ask]);
  const of = answered?.of;
  const stale = answered?.to !== question;
  return useMemo(() => ({ of, stale }), [of, stale]);
}
