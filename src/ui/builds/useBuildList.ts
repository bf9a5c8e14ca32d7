import { useEffect, useRef, useState } from 'react';
import { STRETCH } from '@/core/summary/stretch';
import type { BuildList, Listed } from '@/server/reading';
import { useStable } from '../useStable';

export type Order = 'worked' | 'name' | 'bumpSteer';

/** What is looked for, and in which order. */
export interface Look {
  find: string;
  order: Order;
}

interface Shown extends Omit<BuildList, 'rows'> {
  /** Stretches of the list that are here, by their number. */
  stretches: ReadonlyMap<number, Listed[]>;
}

/** Rest after a key before a search is sent, ms. */
const REST = 120;

/** The list of builds as far as it is looked at; the rest stays with the server. */
export function useBuildList(first: BuildList, onTrouble: () => void) {
  const [look, setLook] = useState<Look>({ find: '', order: 'worked' });
  const [shown, setShown] = useState<Shown>({ ...first, stretches: new Map([[0, first.rows]]) });
  /** What is shown is of this asking; what an older one brings is thrown away. */
  const asking = useRef(0);
  const asked = useRef(new Set([0]));
  const visible = useRef<[number, number]>([0, 0]);

  /** Asks anew for all that is in sight. */
  const refresh = useStable(async (of: Look = look) => {
    const mine = ++asking.current;
    const [from, to] = visible.current;
    const numbers = stretchesOf(from, to);
    const lists = await Promise.all(numbers.map((number) => fetchStretch(of, number)));
    if (mine !== asking.current) return;
    if (lists.some((list) => list === null)) {
      onTrouble();
      return;
    }
    asked.current = new Set(numbers);
    setShown({
      ...lists[0]!,
      stretches: new Map(numbers.map((number, i) => [number, lists[i]!.rows])),
    });
  });

  /** Rows `from` to `to` are in sight: brings what is not here yet. */
  const see = useStable((from: number, to: number) => {
    visible.current = [from, to];
    const mine = asking.current;
    for (const number of stretchesOf(from, to)) {
      if (asked.current.has(number)) continue;
      asked.current.add(number);
      void fetchStretch(look, number).then((list) => {
        if (mine !== asking.current) return;
        if (list)
          setShown((now) => ({
            ...list,
            stretches: new Map(now.stretches).set(number, list.rows),
          }));
        else {
          asked.current.delete(number);
          onTrouble();
        }
      });
    }
  });

  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);
  const change = useStable((next: Look) => {
    setLook(next);
    visible.current = [0, 0];
    clearTimeout(timer.current);
    timer.current = setTimeout(() => void refresh(next), next.find === look.find ? 0 : REST);
  });

  const rowAt = (index: number): Listed | undefined =>
    shown.stretches.get(Math.floor(index / STRETCH))?.[index % STRETCH];
  return { look, change, shown, rowAt, see, refresh };
}

function stretchesOf(from: number, to: number): number[] {
  const [first, last] = [Math.floor(from / STRETCH), Math.floor(Math.max(from, to) / STRETCH)];
  return Array.from({ length: last - first + 1 }, (_, i) => first + i);
}

async function fetchStretch({ find, order }: Look, number: number): Promise<BuildList | null> {
  const asked = new URLSearchParams({
    find,
    order,
    from: `${number * STRETCH}`,
    count: `${STRETCH}`,
  });
  const response = await fetch(`/api/builds?${asked.toString()}`).catch(() => null);
  return response?.ok ? ((await response.json()) as BuildList) : null;
}
