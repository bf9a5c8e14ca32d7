'use client';

import { styled } from '@mui/material/styles';
import { memo } from 'react';
import type { ComponentProps } from 'react';
import useMeasure from 'react-use-measure';
import type { Station } from '@/core/judging/stations';
import { useBeat } from '../build/useCalm';
import { useView } from '../build/viewStore';
import { PHONE } from '../theme';
import { useStable } from '../useStable';
import { TracePanel } from './TracePanel';
import { tracesOf } from './traced';
import type { Traced } from './traced';

/** A curve narrower than this cannot be read, px. */
const NARROWEST = 300;
const MOST = 3;

type Shown = Omit<
  ComponentProps<typeof TracePanel>,
  'traced' | 'onTrace' | 'onAgainst' | 'onAway' | 'onAnother'
>;

/** The station's curves side by side, as many as there is room for. */
export const Traces = memo(function Traces(props: Props) {
  return <Curves {...useBeat(props, 50, 50)} />;
});

type Props = Shown & { station: Station };

const Curves = memo(function Curves({ station, ...shown }: Props) {
  const [ref, { width }] = useMeasure();
  const picked = useView((view) => view.traces[station]);
  const show = useView((view) => view.show);
  const kinds = tracesOf(shown.wheel);
  const room = Math.max(1, Math.min(MOST, Math.floor(width / NARROWEST)));
  // Another axle may not have all of them.
  const could = picked.filter((name) => kinds.includes(name));
  const drawn = (could.length > 0 ? could : (['toe'] as const)).slice(0, room);
  const put = useStable((next: readonly Traced[]) =>
    show({ traces: { ...useView.getState().traces, [station]: next } }),
  );
  const other = kinds.find((name) => !drawn.includes(name));
  return (
    <Row ref={ref}>
      {drawn.map((traced, i) => (
        <TracePanel
          key={i}
          {...shown}
          traced={traced}
          onTrace={(next) => put(drawn.map((one, at) => (at === i ? next : one)))}
          onAgainst={(against) => show({ against })}
          onAway={drawn.length > 1 ? () => put(drawn.filter((_, at) => at !== i)) : null}
          onAnother={
            i === drawn.length - 1 && drawn.length < room && other
              ? () => put([...drawn, other])
              : null
          }
        />
      ))}
    </Row>
  );
});

const Row = styled('div')({
  display: 'grid',
  gridAutoFlow: 'column',
  gridAutoColumns: 'minmax(0, 1fr)',
  gap: 16,
  minHeight: 0,
  minWidth: 0,
  [PHONE]: { height: 340 },
});
