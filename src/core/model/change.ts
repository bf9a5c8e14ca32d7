import { buildSchema } from './build';
import type { AxleDesign, Build } from './build';
import { ALL_POINT_NAMES, typeOf } from '../corners/kinds';
import { pointLabel } from './labels';
import { COORDINATES } from './points';
import { problemsOf } from './problems';
import type { Problem } from './problems';
import { openVariantOf } from './variants';

/**
 * Why a change would make a build that is not kept, in words; null where nothing is against it. Looks at
 * the parts alone that the change touched.
 */
export function refusedChange(before: Build, after: Build): string | null {
  for (const [key, schema] of Object.entries(buildSchema.shape)) {
    const part = key as keyof Build;
    if (after[part] === before[part]) continue;
    const read = schema.safeParse(after[part]);
    if (!read.success) return inWords(problemsOf(read.error)[0], after[part]);
  }
  return heldByRule(before, after);
}

/** The rule that holds a coordinate which a change of the open variant would move or free, in words. */
function heldByRule(before: Build, after: Build): string | null {
  if (openVariantOf(before).id !== openVariantOf(after).id) return null;
  const ids = new Set(before.plan?.rules?.map(({ id }) => id));
  for (const { id, lock, source } of after.plan?.rules ?? []) {
    if (!lock || !ids.has(id)) continue;
    const { axle, point, coordinate } = lock;
    const [was, is] = [before[axle], after[axle]];
    if (!was || !is || was === is || !(point in was.points)) continue;
    const moved = (['points', 'rightPoints'] as const).some(
      (side) =>
        (was[side] ?? was.points)[point]?.[coordinate] !==
        (is[side] ?? is.points)[point]?.[coordinate],
    );
    const freed =
      was.freedoms?.[point]?.[coordinate]?.kind === 'fixed' &&
      is.freedoms?.[point]?.[coordinate]?.kind !== 'fixed';
    if (moved || freed)
      return `“${source}” holds the ${axle} ${pointLabel(was, point)}, ${coordinate}: take that rule away first, at Order of work`;
  }
  return null;
}

/** `points.lowerOuter.up is 20 m away` as `Lower outer, up, is 20 m away`; a limit of a list as it is. */
function inWords({ path, message }: Problem, part: unknown): string {
  if (message.startsWith(': ')) return message.slice(2);
  const steps = path.split('.');
  const point = ALL_POINT_NAMES.find((name) => steps.includes(name));
  const coordinate = COORDINATES.find((name) => steps.at(-1) === name);
  const { kind, damper } = (part ?? {}) as Partial<AxleDesign>;
  if (point && coordinate && kind)
    return `${typeOf({ kind, damper }).points[point]?.label ?? point}, ${coordinate}, ${message}`;
  return path === '' ? message : `${steps.at(-1)} ${message}`;
}
