import { sidesOf } from '../check/carModel';
import { checkUp } from '../check/checkUp';
import { briefOf } from '../model/brief';
import type { AxleName, Build, KeptCheck } from '../model/build';
import { readable } from '../model/units';

/** Whether a check lets the work go on, and why. */
export interface BandState {
  open: boolean;
  says: string;
}

/** So much of the travel each way has to have been read. */
const COVERED = 0.9;

/**
 * How the newest check of an axle stands that something was read in and that is no training: in band where both wheels were
 * read over nearly all of the travel and steer by no more than is accepted.
 * @param since ISO moment; the check was begun on that day or later; null: any
 */
export function bandOf(
  build: Build,
  checks: readonly KeptCheck[],
  axle: AxleName,
  since: string | null,
): BandState {
  const all = checks
    .filter((one) => one.axle === axle && !one.training && one.readings.length > 0)
    .sort((a, b) => b.begun.localeCompare(a.begun));
  const day = (at: string) => at.slice(0, 10);
  const [check] = all.filter(({ begun }) => since === null || day(begun) >= day(since));
  if (!check)
    return {
      open: false,
      says:
        all.length > 0
          ? `“${all[0].name}” was begun before it was put together for good: begin another at station Check`
          : 'nothing of this axle was read at station Check yet',
    };
  const { targets } = briefOf(build);
  const { sides } = checkUp(
    build,
    { ...check, travel: build.travel },
    check.readings,
    targets.bumpSteer,
  );
  const told: string[] = [];
  let open = true;
  for (const side of ['left', 'right'] as const) {
    const found = sidesOf(check.sides).includes(side)
      ? sides.find((one) => one.side === side)
      : undefined;
    if (!found?.verdict || !found.covers) {
      open = false;
      told.push(`${side} not read`);
      continue;
    }
    const { bump, droop } = build.travel;
    const { from, to } = found.covers;
    const far = to >= COVERED * bump && from <= -COVERED * droop;
    const good = found.verdict === 'accept' || found.verdict === 'very good';
    open &&= far && good;
    told.push(
      readable(
        `${side} ${found.worst.toFixed(2)}°, ${found.verdict}${far ? '' : `, read from ${from.toFixed(0)} to ${to.toFixed(0)} mm alone of −${droop} to ${bump}`}`,
      ),
    );
  }
  return { open, says: `“${check.name}”, ${check.begun.slice(0, 10)}: ${told.join('; ')}` };
}
