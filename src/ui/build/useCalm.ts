import { useEffect, useRef, useState } from 'react';
import { useView } from './viewStore';

/** How long a hand that drags a joint has to rest for the whole page to follow, ms. */
const REST = 120;

/**
 * A value as it is; while a joint is dragged, as it was when the hand last rested: the floor keeps up with the hand.
 * The value is the same one as long as nothing of it has changed.
 */
export function useCalm<T>(value: T): T {
  const dragging = useView((view) => view.dragging);
  const [held, setHeld] = useState(value);
  useEffect(() => {
    if (!dragging) return;
    const timer = setTimeout(() => setHeld(value), REST);
    return () => clearTimeout(timer);
  }, [dragging, value]);
  if (!dragging && held !== value) setHeld(value);
  return dragging ? held : value;
}

/**
 * A value as it is; while a joint is dragged, as it was at the last beat. What beats apart does not fall into one frame.
 * @param every between two beats, ms
 * @param after when the first comes, ms
 */
export function useBeat<T>(value: T, every: number, after: number): T {
  const dragging = useView((view) => view.dragging);
  const [held, setHeld] = useState(value);
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  }, [value]);
  useEffect(() => {
    if (!dragging) return;
    const follow = () => setHeld(latest.current);
    let beat: ReturnType<typeof setInterval> | undefined;
    const first = setTimeout(() => {
      follow();
      beat = setInterval(follow, every);
    }, after);
    return () => {
      clearTimeout(first);
      clearInterval(beat);
    };
  }, [dragging, every, after]);
  if (!dragging && held !== value) setHeld(value);
  return dragging ? held : value;
}
