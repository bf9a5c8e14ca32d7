'use client';

import Box from '@mui/material/Box';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { ReactNode } from 'react';
import { PHONE } from '../theme';

/** Height of a row with the gap below it, px; where the window is narrow its buttons are below its words. */
export const ROW = 118;
const NARROW_ROW = 178;

/** As many rows of a long list as are in sight, and a few beyond. */
export function Rows({
  count,
  onSee,
  children,
}: {
  count: number;
  /** Rows from the first to the last index are drawn. */
  onSee: (from: number, to: number) => void;
  children: (index: number) => ReactNode;
}) {
  const list = useRef<HTMLUListElement>(null);
  const [top, setTop] = useState(0);
  useLayoutEffect(() => setTop(list.current?.offsetTop ?? 0), []);
  const narrow = useMediaQuery(PHONE.replace('@media ', ''), { noSsr: true });
  const row = narrow ? NARROW_ROW : ROW;
  const rows = useWindowVirtualizer({
    count,
    estimateSize: () => row,
    overscan: 2,
    scrollMargin: top,
    // As many as a usual window holds are drawn by the server.
    initialRect: { width: 1280, height: 700 },
  });
  useEffect(() => rows.measure(), [rows, row]);
  const items = rows.getVirtualItems();
  const [from, to] = [items.at(0)?.index ?? 0, items.at(-1)?.index ?? 0];
  useEffect(() => onSee(from, to), [onSee, from, to, count]);
  return (
    <Box
      component="ul"
      ref={list}
      sx={{ listStyle: 'none', p: 0, m: 0, position: 'relative' }}
      style={{ height: rows.getTotalSize() }}
    >
      {items.map(({ index, key, start }) => (
        <Box
          component="li"
          key={key}
          aria-setsize={count}
          aria-posinset={index + 1}
          sx={{ position: 'absolute', insetInline: 0 }}
          style={{ top: start - top, height: row - 12 }}
        >
          {children(index)}
        </Box>
      ))}
    </Box>
  );
}
