import { typeOf } from '../corners/kinds';
import { bumpSteer, judgeBumpSteer } from '../motion/bumpSteer';
import { layoutProblems } from '../file/check';
import { prepareAxle } from '../kinematics/axle';
import { briefOf } from '../model/brief';
import type { AxleDesign, Build, Travel } from '../model/build';
import { isOfSketch, sketchInWords } from '../model/sketch';
import { describeProblems } from '../model/problems';
import { judgeSteering, steeringOf } from '../steering/steering';
import { worstOf } from '../verdict/verdicts';
import type { Verdict } from '../verdict/verdicts';

/** What a list shows of a build without its document. */
export interface Summary {
  use: Build['use'];
  /** mm. */
  wheelbase: number;
  note: string;
  /**
   * Largest toe change of the front left wheel over its travel, straight ahead, degrees: nought where it has none; null
   * out of reach.
   */
  worst: number | null;
  verdict: Verdict | null;
  /** What is judged in its place where no front wheel travels: the worst of its steering, in words; null where it does. */
  instead: string | null;
  /** How much of what the front corners are judged by is still a sketch, in words; empty where nothing is. What is one is not judged. */
  sketch: string;
  /** What has to be mended before it can be exported, one a line; null where nothing has. */
  problems: string | null;
  /** The front corner to sketch, lengths to 0.1 mm. */
  corner: Pick<AxleDesign, 'kind' | 'points' | 'static' | 'tyre'>;
  travel: Travel;
}

/** Counts the reckonings of a summary: one of another number is done anew. */
export const RECKONING = 5;

/** A build in brief. */
export function summaryOf(build: Build): Summary {
  const { front, travel, use, wheelbase } = build;
  const prepared = prepareAxle(front);
  const found =
    prepared.ok && !isOfSketch(build, front) ? bumpSteer(prepared.axle.left, travel) : null;
  const problems = layoutProblems(build);
  const { targets } = briefOf(build);
  const steering =
    found && typeOf(front).noTravel ? worstOf(judgeSteering(steeringOf(build), targets)) : null;
  return {
    use,
    wheelbase,
    note: build.note ?? '',
    sketch: sketchInWords(build, front),
    worst: found?.worst ?? null,
    verdict: steering?.verdict ?? (found && judgeBumpSteer(found.worst, targets.bumpSteer)),
    instead: steering && steering.of,
    problems: problems.length > 0 ? describeProblems(problems) : null,
    corner: rounded({
      kind: front.kind,
      points: front.points,
      static: front.static,
      tyre: front.tyre,
    }),
    travel,
  };
}

const rounded = <T>(value: T): T =>
  JSON.parse(
    JSON.stringify(value, (_, part: unknown) =>
      typeof part === 'number' ? Math.round(part * 10) / 10 : part,
    ),
  ) as T;
