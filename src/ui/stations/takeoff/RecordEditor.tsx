'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { uprightPoints } from '@/core/corners/kinds';
import { toVec } from '@/core/model/points';
import { pointLabel } from '@/core/model/labels';
import type { Coordinate, PointName } from '@/core/model/points';
import { printLength, readable, saidIn, unitName } from '@/core/model/units';
import { chassisToBench } from '@/core/takeoff/bench';
import { hangUpright } from '@/core/takeoff/hang';
import { recordOf, takeOffOf } from '@/core/model/takeOff';
import type { PlaceRead } from '@/core/takeoff/measured';
import { USUAL } from '@/core/model/takeOff';
import type { Measured } from '@/core/model/takeOff';
import { Choice } from '../../fields/Choice';
import { PAPER, VERDICT } from '../../theme';
import { BenchFields } from './BenchFields';
import { DirectFields } from './DirectFields';
import { DistanceFields } from './DistanceFields';
import type { StationProps } from './TakeOff';

interface Props extends StationProps {
  point: PointName;
  place: PlaceRead | null;
}

export type RecordChange = (change: (record: Measured) => void, step?: string) => void;

const METHODS = ['none', 'direct', 'distances', 'bench'] as const;
type Method = (typeof METHODS)[number];
const WORDS: Record<Method, string> = {
  none: 'drawn',
  direct: 'tape & square',
  distances: 'distances',
  bench: 'bench',
};

/** How one point was measured: the method, its numbers and their ±. */
export function RecordEditor(props: Props) {
  const { build, wheel, point, place, unit, onTakeOff } = props;
  const { axle, side, design, points, type } = wheel;
  const takeOff = takeOffOf(build);
  const record = recordOf(takeOff, axle, side, point);
  const isThis = (m: Measured) => m.axle === axle && m.side === side && m.point === point;

  const pick = (method: Method) =>
    onTakeOff((draft) => {
      draft.measured = draft.measured.filter((m) => !isThis(m));
      if (method !== 'none') draft.measured.push(startOf(method, props));
    });
  const change: RecordChange = (edit, step) =>
    onTakeOff((draft) => {
      const target = draft.measured.find(isThis);
      if (target) edit(target);
    }, step);
  const methods = METHODS.filter(
    (method) => method !== 'bench' || uprightPoints(type).includes(point),
  );
  return (
    <Box
      component="section"
      aria-label="How it was measured"
      sx={{ borderLeft: `1px solid ${PAPER.line}`, pl: 2.5 }}
    >
      <Typography variant="h2" sx={{ mb: 1, '&::first-letter': { textTransform: 'uppercase' } }}>
        {pointLabel(design, point)}, {side}
      </Typography>
      <Choice
        label="Measured by"
        value={record?.method ?? 'none'}
        options={methods}
        words={WORDS}
        onPick={pick}
      />
      <Box sx={{ mt: 2 }}>
        {!record && (
          <Typography variant="body2" color="text.secondary">
            Not measured: the model’s own place holds. Pick how you measured it and type what you
            read; until all of it is typed it counts as drawn.
          </Typography>
        )}
        {record?.method === 'direct' && (
          <DirectFields
            record={record}
            planes={takeOff.planes}
            drawn={points[point]}
            unit={unit}
            change={change}
          />
        )}
        {record?.method === 'distances' && (
          <DistanceFields
            record={record}
            marks={takeOff.marks}
            place={place}
            unit={unit}
            change={change}
          />
        )}
        {record?.method === 'bench' && (
          <BenchFields
            record={record}
            type={type}
            points={points}
            hung={hangUpright(build, wheel)}
            drawn={drawnOnBench(props)}
            unit={unit}
            change={change}
          />
        )}
        {place && <Outcome place={place} unit={unit} />}
      </Box>
    </Box>
  );
}

function Outcome({ place, unit }: { place: PlaceRead; unit: StationProps['unit'] }) {
  if (!place.ok)
    return (
      <Typography
        role={place.waits ? 'status' : 'alert'}
        variant="body2"
        sx={{ mt: 1.5, color: place.waits ? PAPER.soft : VERDICT.bad }}
      >
        {place.waits ? `Not measured yet: ${place.why}.` : `No place yet: ${place.why}.`}
      </Typography>
    );
  const { point, spread } = place;
  const length = (mm: number) => readable(printLength(Math.round(mm * 10) / 10, unit));
  return (
    <Box role="status" sx={{ mt: 1.5 }}>
      <Typography variant="body2">
        So it is {length(point.ahead)} ahead (±{length(spread.ahead)}), {length(point.out)} out (±
        {length(spread.out)}), {length(point.up)} up (±{length(spread.up)}) {unitName(unit)}.
      </Typography>
      {place.doubts.map((doubt) => (
        <Typography key={doubt} role="alert" variant="body2" sx={{ color: VERDICT.edge }}>
          △ {saidIn(doubt, unit)}.
        </Typography>
      ))}
    </Box>
  );
}

/** A record that nothing was read for yet. */
function startOf(method: Exclude<Method, 'none'>, { build, wheel, point }: Props): Measured {
  const where = { axle: wheel.axle, side: wheel.side, point };
  const tape = () => ({ tolerance: USUAL.tape });
  const rule = () => ({ tolerance: USUAL.rule });
  // As the last joint of this wheel was measured: the planes and marks are at hand, and the same tape.
  const last = takeOffOf(build).measured.findLast(
    (m) => m.axle === wheel.axle && m.side === wheel.side && m.method === method,
  );
  if (method === 'direct') {
    const from = (coordinate: Coordinate) => {
      const { value: _, ...read } =
        last?.method === 'direct' ? last[coordinate] : { ...tape(), value: undefined };
      return read;
    };
    return { ...where, method, ahead: from('ahead'), out: from('out'), up: from('up') };
  }
  if (method === 'distances') {
    const { marks } = takeOffOf(build);
    const before = last?.method === 'distances' ? last.tapes : [];
    const used = before.filter(({ mark }) => marks.some(({ id }) => id === mark));
    return {
      ...where,
      method,
      answer: 1,
      tapes:
        used.length > 0
          ? used.map(({ mark, tolerance }) => ({ mark, tolerance }))
          : marks.slice(0, 4).map((mark) => ({ mark: mark.id, ...tape() })),
    };
  }
  return {
    ...where,
    method,
    inboard: rule(),
    above: rule(),
    ahead: rule(),
  };
}

/** Where the model has a joint, as it would measure on the bench. */
function drawnOnBench({ build, wheel, point }: Props) {
  const { frame } = hangUpright(build, wheel);
  return chassisToBench(frame, toVec(wheel.points[point]));
}
