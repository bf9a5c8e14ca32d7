'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { chainOf } from '@/core/column/places';
import { judgeRipple } from '@/core/column/judge';
import { wantedOf } from '@/core/column/measure';
import type { ColumnChain } from '@/core/column/chain';
import type { Build } from '@/core/model/build';
import type { Column } from '@/core/model/column';
import { columnSchema } from '@/core/model/column';
import { prepareAxle, steerRangeOf } from '@/core/kinematics/axle';
import { throughColumn } from '@/core/steering/columnRatio';
import { lockToLock, rackPositions } from '@/core/steering/lockToLock';
import { AngleField } from '../../fields/NumberField';
import { Choice } from '../../fields/Choice';
import { around } from '../../traces/axes';
import { VerdictMark } from '../../verdict';
import { Section } from '../brief/parts';
import { TwoColumns } from '../steering/TwoColumns';
import { Frame, LinesContext } from '../steering/SteerFrame';
import type { Line } from '../steering/SteerFrame';
import { ClockTable } from './ClockTable';
import { PlayTable } from './PlayTable';
import { FIELD, Row } from './fields';
import type { PartProps } from './parts';

const SHOWN = ['speed', 'torque', 'ratio'] as const;
type Shown = (typeof SHOWN)[number];
const WORDS: Record<Shown, string> = {
  speed: 'pinion’s speed',
  torque: 'torque felt',
  ratio: 'ratio at the wheels',
};
const MEANING: Record<Shown, string> = {
  speed: 'of the handwheel’s; 1 is even',
  torque: '% of what the pinion takes, without friction; heavy where it is high',
  ratio: 'handwheel degrees for one of the wheels’, column and linkage together',
};
/** A turn each way, degrees, and how finely it is drawn. */
const TURN = 360;
const STEP = 5;
const POSITIONS = 121;

/** How evenly it turns, how to clock it, and what play it has. */
export function TurnsPart(
  props: PartProps & {
    /** Looked at, or compared with. */
    beside: Column | null;
  },
) {
  const { build, column, measured, unit, beside, onColumn } = props;
  const [shown, setShown] = useState<Shown>('speed');
  const other = useMemo(() => {
    const ready = beside && chainOf(beside);
    return ready?.ok ? ready.chain : null;
  }, [beside]);
  const lines = useMemo(
    () =>
      measured.ok
        ? [
            ...(other ? [lineOf(build, beside!, other, shown, true)] : []),
            lineOf(build, column, measured.chain, shown, false),
          ]
        : [],
    [build, column, beside, measured, other, shown],
  );
  if (!measured.ok) return null;
  const { ripple, turns } = measured;
  const values = lines.flatMap(({ runs }) => runs.flat().map(([, value]) => value));
  const wanted = wantedOf(column);
  const most = Math.max(
    TURN,
    ...lines.flatMap(({ runs }) => runs.flat().map(([at]) => Math.abs(at))),
  );
  const toLeft = (at: number) => (measured.chain.period === null ? -at : (180 - at) % 180);
  return (
    <TwoColumns>
      <div>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 1 }}>
          <Choice
            label="Curve of the column"
            value={shown}
            options={SHOWN}
            words={WORDS}
            onPick={setShown}
          />
          <Typography variant="caption" color="text.secondary">
            {MEANING[shown]}
            {other && '; thin: what is looked at or compared with'}
          </Typography>
        </Box>
        {values.length === 0 ? (
          <Typography variant="body2" sx={{ my: 2 }}>
            The ratio needs an axle that can be steered, and what the rack moves in a turn of its
            pinion: “per turn” in the brief.
          </Typography>
        ) : (
          <Box
            sx={{ height: 240, pt: 0.5 }}
            data-column-curve={shown}
            role="img"
            aria-label={WORDS[shown]}
          >
            <LinesContext.Provider value={{ lines, along: 1, rack: 0 }}>
              <Frame
                axis={around(values, false, shown === 'speed' ? 0.01 : 1)}
                limit={most}
                ticks={ticksTo(most)}
                byHand
                length={false}
                ending={shown === 'torque' ? '%' : ''}
                unit={unit}
              />
            </LinesContext.Provider>
          </Box>
        )}
        <Typography variant="body2" data-ripple={(100 * ripple.ripple).toFixed(2)}>
          Ripple {(100 * ripple.ripple).toFixed(1)} %, from {ripple.least.toFixed(3)} to{' '}
          {ripple.most.toFixed(3)}:{' '}
          <VerdictMark verdict={judgeRipple(ripple.ripple, wanted.ripple)} /> ({wanted.ripple} %
          asked). Straight ahead it turns {ripple.centre.toFixed(3)} times as fast as the handwheel;
          slowest at {toLeft(ripple.leastAt).toFixed(0)}°, fastest at{' '}
          {toLeft(ripple.mostAt).toFixed(0)}° to the left
          {measured.chain.period === null ? '' : ' and every half turn on'}.
          {turns !== 1 &&
            ` Its boxes make ${Math.abs(turns).toFixed(2)} turns of the pinion for one of the handwheel${turns < 0 ? ', the other way round: the rack’s side answers for it (Steering)' : ''}.`}
        </Typography>
        <Row>
          <AngleField
            label="first yoke from its joint’s plane"
            value={column.start ?? 0}
            schema={columnSchema.shape.start.unwrap()}
            onValue={(degrees, step) => onColumn((draft) => void (draft.start = degrees), step)}
            width={FIELD + 96}
          />
        </Row>
        <Typography variant="caption" component="p" color="text.secondary">
          With the wheels straight ahead: it says where on a turn the fast and the slow places sit,
          not how large they are. Set by turning the handwheel on its splines.
        </Typography>
      </div>
      <div>
        <ClockTable {...props} />
        <Section title="Free play">
          <PlayTable {...props} />
        </Section>
      </div>
    </TwoColumns>
  );
}

const ticksTo = (most: number): number[] => {
  const step = most > 720 ? 360 : most > 400 ? 180 : 90;
  const count = Math.floor(most / step + 1e-9);
  return Array.from({ length: 2 * count + 1 }, (_, i) => (i - count) * step);
};

function lineOf(
  build: Build,
  column: Column,
  chain: ColumnChain,
  shown: Shown,
  thin: boolean,
): Line {
  const run: [number, number][] = [];
  if (shown === 'ratio') {
    const front = { ...build.front, column };
    const prepared = prepareAxle(front);
    const limit = steerRangeOf(front);
    const curve =
      prepared.ok &&
      lockToLock(prepared.axle, build.wheelbase, 0, rackPositions(-limit, limit, POSITIONS));
    const through = curve && throughColumn(curve, front, chain);
    if (through)
      through.handwheel.forEach((at, i) => {
        if (Number.isFinite(through.ratio[i])) run.push([at, through.ratio[i]]);
      });
    // + to the left is to the right of the frame's middle whichever way the rack goes.
    run.sort(([a], [b]) => a - b);
  } else
    for (let at = -TURN; at <= TURN; at += STEP) {
      // A turn to the left is left-handed about the shaft downward.
      const speed = Math.abs(chain.turn(-at).ratio);
      run.push([at, shown === 'speed' ? speed : 100 * speed]);
    }
  return { runs: run.length > 0 ? [run] : [], thin, dashed: false };
}
