import { clockMark, clockTeeth, findClocking, inTeeth } from '../src/core/column/clocking';
import type { Clocked } from '../src/core/column/clocking';
import { jointStates } from '../src/core/column/measure';
import { chainOf, lineOf, prefixesOf } from '../src/core/column/places';
import type { Build } from '../src/core/model/build';
import type { Column } from '../src/core/model/column';
import { finite, positionsBetween, printed } from './table';

export interface ColumnRequest {
  /** Degrees of the handwheel, + to the left; without them a turn each way. */
  from?: number | undefined;
  to?: number | undefined;
  step: number;
  format: 'csv' | 'json';
  clock?: boolean | undefined;
}

type Text = { ok: true; text: string } | { ok: false; why: string };

/** A turn each way. */
const TURN = 360;

/** What a column does over a turn of its handwheel as CSV or JSON, or how to clock it. */
export function columnTable(build: Build, request: ColumnRequest): Text {
  const { column } = build.front;
  if (!column) return { ok: false, why: 'the build has no column yet' };
  const ready = chainOf(column);
  if (!ready.ok)
    return { ok: false, why: `joint ${ready.fault.joint + 1}: ${ready.fault.message}` };
  if (request.clock) return clockReport(column);
  const positions = positionsBetween(request.from ?? -TURN, request.to ?? TURN, request.step);
  if (!positions.ok) return positions;
  const { chain } = ready;
  const prefixes = prefixesOf(column);
  if (!prefixes) return { ok: false, why: 'the column does not turn' };
  // A turn to the left is left-handed about the shaft downward.
  const rows = Array.from(positions.at, (at) => {
    const { pinion, ratio } = chain.turn(-at);
    const row: Record<string, number> = {
      handwheel_deg: finite(at)!,
      pinion_deg: finite(-pinion)!,
      speed_ratio: finite(ratio)!,
    };
    chain.bends.forEach((bend, j) => {
      row[`joint${j + 1}_deg`] = finite(bend)!;
    });
    prefixes.slice(0, -1).forEach((prefix, j) => {
      row[`shaft${j + 2}_deg`] = finite(-prefix.turn(-at).pinion)!;
    });
    return row;
  });
  return printed(rows, request.format, () => true);
}

function clockReport(column: Column): Text {
  const found = findClocking(lineOf(column));
  const ready = chainOf(column);
  if (!found || !ready.ok)
    return {
      ok: false,
      why: 'there is nothing to clock: a shaft between two joints has two yokes',
    };
  const { chain } = ready;
  const which = chain.clockable;
  const say = ({ clocks, ripple }: Clocked) =>
    `${which.map((joint) => `shaft ${joint + 2} ${clocks[joint].toFixed(1)}°`).join(', ')}: ripple ${(100 * ripple.ripple).toFixed(2)} %, from ${ripple.least.toFixed(4)} to ${ripple.most.toFixed(4)}`;
  const [best, ...others] = found.found;
  const made = which.map((joint) => {
    const degrees = best?.clocks[joint] ?? 0;
    const teeth = clockTeeth(column, joint);
    if (teeth === null) {
      const mark = clockMark(column.shafts[joint + 1].outside, degrees);
      return `shaft ${joint + 2}: a mark ${mark.toFixed(1)} mm round its outside`;
    }
    const near = inTeeth(degrees, teeth);
    return `shaft ${joint + 2}: ${near.teeth} teeth of ${teeth}, ${Math.abs(near.left).toFixed(1)}° left over`;
  });
  const states = jointStates(column, chain).map(
    ({ name, bend, state }) => `${name} ${bend.toFixed(1)}° ${state}`,
  );
  return {
    ok: true,
    text: [
      `joints: ${states.join(', ')}`,
      `as drawn: ${say(found.before)}`,
      best ? `clocked: ${say(best)}` : 'clocked: no search came to rest; nothing is told',
      ...(best ? made.map((line) => `  ${line}`) : []),
      ...others.map((one) => `another least: ${say(one)}`),
      'Degrees are the lower yoke’s from in line with the upper one, right-handed looking down the shaft.',
      '',
    ].join('\n'),
  };
}
