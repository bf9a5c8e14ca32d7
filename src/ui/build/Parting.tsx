'use client';

import { styled } from '@mui/material/styles';
import { useDrag } from '@use-gesture/react';
import { memo } from 'react';
import { PAPER, PHONE } from '../theme';
import { USUAL_UNDER, useView } from './viewStore';

/** How much of the page's height may be under the floor, px. */
const LEAST = 200;
const MOST = 900;
const STEP = 24;

const put = (under: number) =>
  useView.getState().show({ under: Math.round(Math.max(LEAST, Math.min(MOST, under))) });

/** The line between the floor and what is under it: dragged, or moved with the arrows. Double click: as usual. */
export const Parting = memo(function Parting() {
  const under = useView((view) => view.under);
  const drag = useDrag(
    ({ movement: [, y], first, memo: from }) => {
      const start = first ? useView.getState().under : (from as number);
      put(start - y);
      return start;
    },
    { pointer: { keys: false } },
  );
  return (
    <Line
      {...drag()}
      role="separator"
      aria-orientation="horizontal"
      aria-label="Floor above, curves and station below"
      aria-valuenow={under}
      aria-valuemin={LEAST}
      aria-valuemax={MOST}
      tabIndex={0}
      onDoubleClick={() => put(USUAL_UNDER)}
      onKeyDown={(event) => {
        const by = { ArrowUp: STEP, ArrowDown: -STEP }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        put(under + by);
      }}
    />
  );
});

const Line = styled('div')({
  height: 8,
  cursor: 'row-resize',
  touchAction: 'none',
  position: 'relative',
  '&::after': {
    content: '""',
    position: 'absolute',
    left: 'calc(50% - 22px)',
    top: 3,
    width: 44,
    height: 2,
    backgroundColor: PAPER.line,
  },
  '&:hover::after, &:focus-visible::after': { backgroundColor: PAPER.accent },
  [PHONE]: { display: 'none' },
});
