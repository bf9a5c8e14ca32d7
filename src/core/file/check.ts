import { pointsKey, prepareAxle } from '../kinematics/axle';
import { buildSchema } from '../model/build';
import type { AxleName, Build } from '../model/build';
import { hasTravel } from '../model/sketch';
import { problemsOf } from '../model/problems';
import type { Checked, Problem } from '../model/problems';

/**
 * A value as a build whose numbers are all there and plausible, sound or not: what may be saved
 * while somebody is typing.
 */
export function checkDraft(value: unknown): Checked<Build> {
  const parsed = buildSchema.safeParse(value);
  return parsed.success
    ? { ok: true, value: parsed.data }
    : { ok: false, problems: problemsOf(parsed.error) };
}

/** A value as a build that can be solved at ride height: what files hold. */
export function checkBuild(value: unknown): Checked<Build> {
  const draft = checkDraft(value);
  if (!draft.ok) return draft;
  const problems = layoutProblems(draft.value);
  return problems.length > 0 ? { ok: false, problems } : draft;
}

/** What makes a build's layouts degenerate as drawn, with the path of the point to look at. */
export function layoutProblems(build: Build): Problem[] {
  return [
    ...noTravel(build),
    ...(['front', 'rear'] as const).flatMap((name) => ofAxle(build, name)),
  ];
}

/** Least travel of a car whose wheels have any, mm. */
const LEAST_TRAVEL = 1;

function noTravel(build: Build): Problem[] {
  if (!hasTravel(build)) return [];
  return (['bump', 'droop'] as const)
    .filter((way) => build.travel[way] < LEAST_TRAVEL)
    .map((way) => ({
      path: `travel.${way}`,
      message: `is ${build.travel[way]}: at least ${LEAST_TRAVEL} mm where a wheel has travel`,
    }));
}

function ofAxle(build: Build, name: AxleName): Problem[] {
  const design = build[name];
  if (design?.rack && design.dropArm)
    return [
      { path: `${name}.dropArm`, message: ': there is a rack too, and one of the two steers' },
    ];
  const prepared = design && prepareAxle(design);
  if (!prepared || prepared.ok) return [];
  return prepared.faults.map(({ side, point, message }) => ({
    path: `${name}.${pointsKey(design, side)}.${point}`,
    message: `: ${message}`,
  }));
}
