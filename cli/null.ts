import { bumpSteerOf } from '../src/core/bumpsteer/trial';
import { findNull, openedRod } from '../src/core/bumpsteer/findNull';
import { STARTING_WANTED } from '../src/core/model/nullWanted';
import type { NullChange, NullFound } from '../src/core/bumpsteer/nullProblem';
import type { CornerType } from '../src/core/corners/cornerType';
import { rodWheel } from './wheel';
import type { Build } from '../src/core/model/build';
import { COORDINATES } from '../src/core/model/points';
import type { Coordinate, PointName } from '../src/core/model/points';
import { finish } from '../src/core/find/finish';

export interface NullRequest {
  axle: 'front' | 'rear';
  side: 'left' | 'right';
  /** `tieRodInner.out,tieRodInner.up`; without it what the file's freedoms open, or those two. */
  free?: string | undefined;
  /** How far each may go either way, mm. */
  within: number;
  format: 'text' | 'json';
  /** The least work, the least on paper, or the least when it is built; without it the least work with the file's freedoms, the least on paper with others. */
  pick?: 'work' | 'paper' | 'built' | undefined;
}

interface Coord {
  point: PointName;
  coordinate: Coordinate;
}

/** What may move unless it is said otherwise: where the inner joint stands, square to the rod. */
const usual = ({ coupled, tieRod }: CornerType): string =>
  `${tieRod!.inner}.${coupled ? 'ahead' : 'out'},${tieRod!.inner}.up`;

function readFree(
  text: string,
  rod: readonly PointName[],
): { ok: true; value: Coord[] } | { ok: false; why: string } {
  const value: Coord[] = [];
  for (const word of text.split(',').map((one) => one.trim())) {
    const [point, coordinate, ...more] = word.split('.');
    if (more.length > 0 || !rod.includes(point) || !COORDINATES.includes(coordinate as Coordinate))
      return {
        ok: false,
        why: `--free “${word}” is not one of ${rod.join(', ')} with .${COORDINATES.join(', .')}`,
      };
    value.push({ point, coordinate: coordinate as Coordinate });
  }
  return { ok: true, value };
}

/** Where the tie rod's joints leave the toe alone: what to change, and the toe range before and after. */
export function nullReport(
  build: Build,
  request: NullRequest,
): { ok: true; text: string } | { ok: false; why: string } {
  const asked = rodWheel(build, request.axle, request.side);
  if (!asked.ok) return asked;
  const { wheel } = asked;
  const { type } = wheel;
  const own = request.free === undefined && openedRod(wheel.design).length > 0;
  const free = readFree(request.free ?? usual(type), [type.tieRod!.inner, type.tieRod!.outer]);
  if (!free.ok) return free;
  const design = structuredClone(wheel.design);
  if (!own) {
    design.freedoms = {};
    for (const { point, coordinate } of free.value) {
      const at = wheel.points[point][coordinate];
      const { within } = request;
      (design.freedoms[point] ??= {})[coordinate] = {
        kind: 'range',
        min: at - within,
        max: at + within,
        step: 0,
      };
    }
  }
  const wishes = build.asked?.null ?? STARTING_WANTED;
  const { before, found, work, paper, steady } = finish(
    findNull({ ...build, [request.axle]: design }, wheel.drawnAs(design), wishes),
  );
  if (!before)
    return { ok: false, why: 'part of the travel is out of reach: there is no range to better' };
  const pick = request.pick ?? (own ? 'work' : 'paper');
  const picked = { work, paper, built: steady }[pick];
  const best: NullFound | undefined = found[picked];
  const after = best ? bumpSteerOf(wheel.withRod(best.points))! : before;
  const changes = best?.changes ?? [];
  if (request.format === 'json')
    return {
      ok: true,
      text: `${JSON.stringify(
        {
          before: { range_deg: before.span.range, worst_deg: before.worst },
          after: { range_deg: after.span.range, worst_deg: after.worst },
          pick,
          changes: changes.map(plain),
          answers: found.map((one, i) => ({
            picks: Object.entries({ work, paper, built: steady }).flatMap(([name, at]) =>
              at === i ? [name] : [],
            ),
            range_deg: one.steer.span.range,
            worst_deg: one.steer.worst,
            verdict: one.verdict,
            effort: one.effort,
            built_ninety_deg: one.buildable?.ninety ?? null,
            doubts: one.doubts,
            changes: one.changes.map(plain),
          })),
        },
        null,
        2,
      )}\n`,
    };
  const lines = changes.map(
    ({ point, coordinate, from, to, washers }) =>
      `${point}.${coordinate}: ${from.toFixed(2)} → ${to.toFixed(2)} mm${washers ? ` (${washers.join(' + ') || 'no washer'})` : ''}`,
  );
  return {
    ok: true,
    text: [
      ...(lines.length > 0 ? lines : ['nothing within these freedoms does better']),
      `toe range ${before.span.range.toFixed(4)}° → ${after.span.range.toFixed(4)}° over ${build.travel.droop} mm droop to ${build.travel.bump} mm bump`,
      '',
    ].join('\n'),
  };
}

const plain = ({ point, coordinate, from, to }: NullChange) => ({ point, coordinate, from, to });
