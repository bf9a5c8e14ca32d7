import { briefOf } from '../core/model/brief';
import type { KeptCheck } from '../core/model/build';
import type { ScenarioId } from '../core/model/checks';
import { debriefOf } from '../core/training/debrief';
import type { Debrief } from '../core/training/debrief';
import { openBuild } from '../db/builds';
import { checksOf, keepCheck } from '../db/checks';

/** A training that is over: what was hidden, and the check with its result. */
export interface Ended {
  debrief: Debrief;
  check: Omit<KeptCheck, 'readings'>;
}

/**
 * Ends a training and keeps how it ended; one that has ended already is only told again.
 * @returns null where there is no such check, or it is of a real car
 * @throws RangeError for a layout that cannot be solved
 */
export async function endTraining(
  buildId: string,
  checkId: string,
  guess: ScenarioId,
): Promise<Ended | null> {
  const opened = await openBuild(buildId);
  const found = (await checksOf(buildId))?.checks.find(({ id }) => id === checkId);
  if (!opened || !found?.training) return null;
  const { readings, ...check } = found;
  const { training } = found;
  const { build } = opened;
  const debrief = debriefOf(
    build,
    { car: { ...check, travel: build.travel }, readings, rounds: check.rounds, training },
    briefOf(build).targets.bumpSteer,
  );
  if (training.result) return { debrief, check };
  const { minutes, fewest, worst, inBand } = debrief;
  const ended = {
    ...check,
    training: {
      ...training,
      result: {
        ...{ at: new Date().toISOString(), minutes, worst: Math.min(worst, 90), inBand, guess },
        fewest: fewest && fewest.minutes,
      },
    },
  };
  return (await keepCheck(buildId, ended)) ? { debrief, check: ended } : null;
}
