import { prepareAxle } from '../kinematics/axle';
import { buildSchema } from '../model/build';
import type { Build } from '../model/build';
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
  return (['front', 'rear'] as const).flatMap((name) => {
    const design = build[name];
    const prepared = design && prepareAxle(design);
    if (!prepared || prepared.ok) return [];
    return prepared.faults.map(({ side, point, message }) => ({
      path: `${name}.${side === 'right' ? 'rightPoints' : 'points'}.${point}`,
      message: `: ${message}`,
    }));
  });
}
