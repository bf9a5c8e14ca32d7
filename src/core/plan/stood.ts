import { memberId } from '../model/made';
import { typeOn } from '../corners/kinds';
import { pointsOf } from '../kinematics/axle';
import type { AxleName, Build, Side } from '../model/build';
import { pointLabel } from '../model/labels';
import type { StoodOn } from '../model/plan';
import { toVec } from '../model/points';
import { codeOf } from '../shop/code';
import type { Step } from './step';

/** A place counts as changed from here on, mm: nobody builds nearer. */
const CHANGED = 0.05;

/**
 * The figures that a step stands on as the build has them now: places of its points, mm [ahead, out, up] of the left side
 * and of a right one of its own, codes of what is made and of the column.
 */
export function standsOn(build: Build, step: Step): StoodOn[] {
  const { axle } = step;
  const stood: StoodOn[] = [];
  const design = axle && build[axle];
  if (axle && design) {
    const sides: Side[] = design.rightPoints ? ['left', 'right'] : ['left'];
    for (const side of sides) {
      const points = pointsOf(design, side);
      for (const name of step.points)
        if (points[name])
          stood.push({ of: `${axle}/${side}/${name}`, is: [...toVec(points[name])] });
    }
    if (step.points.includes('wheelCentre'))
      stood.push({ of: `${axle}/tyre`, is: [design.tyre.radius] });
    for (const id of step.made)
      if (design.made?.[id]) stood.push({ of: `${axle}/made/${id}`, is: codeOf(design.made[id]) });
  }
  if (step.column && build.front.column)
    stood.push({ of: 'front/column', is: codeOf(build.front.column) });
  return stood;
}

/** What of a step's figures is not as it was when it was done, in words, the largest move first. */
export function changedSince(
  build: Build,
  step: Step,
  stood: readonly StoodOn[],
): { of: string; says: string }[] {
  const now = new Map(standsOn(build, step).map(({ of, is }) => [of, is]));
  const was = new Map(stood.map(({ of, is }) => [of, is]));
  const changed: { of: string; says: string; by: number }[] = [];
  for (const of of new Set([...was.keys(), ...now.keys()])) {
    const [before, after] = [was.get(of), now.get(of)];
    const said = differs(before, after);
    if (said) changed.push({ of, says: `${nameOf(build, of)} ${said.says}`, by: said.by });
  }
  return changed.sort((a, b) => b.by - a.by).map(({ of, says }) => ({ of, says }));
}

/** Which way each of three figures goes, and back; of one alone. */
const WAYS = [
  ['ahead', 'back'],
  ['out', 'in'],
  ['up', 'down'],
] as const;
const SIZE = ['larger', 'smaller'] as const;

function differs(
  before: StoodOn['is'] | undefined,
  after: StoodOn['is'] | undefined,
): { says: string; by: number } | null {
  if (before === undefined) return { says: 'is new since', by: 0 };
  if (after === undefined) return { says: 'is not there any more', by: 0 };
  if (typeof before === 'string' || typeof after === 'string')
    return before === after ? null : { says: 'is made otherwise', by: 0 };
  const by = after.map((value, i) => value - (before[i] ?? 0));
  const size = Math.hypot(...by);
  if (size <= CHANGED) return null;
  const far = by
    .map((mm, i) => ({ mm, way: by.length === 1 ? SIZE : WAYS[i] }))
    .filter(({ mm }) => Math.abs(mm) > CHANGED / 2)
    .map(({ mm, way }) => `${Math.abs(mm).toFixed(1)} mm ${way[mm > 0 ? 0 : 1]}`);
  return { says: `is ${far.join(', ')} of what it was`, by: size };
}

/** What a figure is called: `front left lower ball joint`, `front lower front tube`, `front tyre`. */
function nameOf(build: Build, of: string): string {
  const [axle, kind, ...rest] = of.split('/') as [AxleName, string, ...string[]];
  const design = build[axle];
  if (!design) return axle;
  if (kind === 'column') return 'the column';
  if (kind === 'tyre') return `${axle} tyre’s radius`;
  if (kind === 'made') {
    const member = typeOn(design, 'left').members.find((one) => memberId(one) === rest[0]);
    return `${axle} ${member?.name ?? rest[0]}`;
  }
  const side = design.rightPoints ? `${kind} ` : '';
  return `${axle} ${side}${pointLabel(design, rest[0])}`;
}
