import { z } from 'zod';
import { add, dot, length, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Column } from './column';
import { PLACE_WAYS, carPlace, placeSchema, placeVec } from './place';
import type { CarPlace } from './place';
import { group, problem } from './wording';

const typed = placeSchema.partial();

/** What a column is laid from, as far as it was typed: handwheel, pinion, joints. */
export const columnStartSchema = group({
  wheel: typed.optional(),
  foot: typed.optional(),
  tip: typed.optional(),
  joints: z.int({ error: problem }).min(1, 'is below 1').max(4, 'is over 4').optional(),
});
export type ColumnStart = z.infer<typeof columnStartSchema>;

const NAMES = {
  wheel: 'the handwheel’s middle',
  foot: 'the pinion at the rack',
  tip: 'the pinion’s tip',
};

/** Sizes of what is laid, mm: as they usually are; every one is to be measured. */
const USUAL = { diameter: 350, rim: 30, shaft: 19, joint: 38, length: 36, reach: 35 };

/** A column between a handwheel and a pinion, its joints spread over the way; or what is missing. */
export function blankColumn(
  start: ColumnStart,
): { ok: true; column: Column } | { ok: false; why: string } {
  const places: Partial<Record<keyof typeof NAMES, CarPlace>> = {};
  for (const key of ['wheel', 'foot', 'tip'] as const) {
    const lacking = PLACE_WAYS.filter((way) => start[key]?.[way] === undefined);
    if (lacking.length > 0)
      return { ok: false, why: `Still to say: ${NAMES[key]}, ${lacking.join(', ')}.` };
    places[key] = start[key] as CarPlace;
  }
  const { wheel, foot, tip } = places as Record<keyof typeof NAMES, CarPlace>;
  const along = sub(placeVec(tip), placeVec(foot));
  if (length(along) < 1) return { ok: false, why: 'The pinion’s tip is where its foot is.' };
  const last = add(placeVec(tip), scale(unit(along), USUAL.reach));
  const way = sub(last, placeVec(wheel));
  if (length(way) < 4 * USUAL.length)
    return { ok: false, why: 'The handwheel is at the pinion: there is no room for a column.' };
  if (dot(unit(along), unit(way)) > 0.2)
    return {
      ok: false,
      why: 'The pinion’s tip points away from the handwheel: are foot and tip the other way round?',
    };
  const joints = start.joints ?? 2;
  const at = (part: number): Vec => add(placeVec(wheel), scale(way, part));
  const plain = { kind: 'single' as const, outside: USUAL.joint, length: USUAL.length };
  return {
    ok: true,
    column: {
      wheel: { centre: wheel, diameter: USUAL.diameter, rim: USUAL.rim },
      joints: Array.from({ length: joints }, (_, j) =>
        j === joints - 1
          ? plain
          : { ...plain, at: tidy(carPlace(at(FIRST + ((1 - FIRST) * j) / (joints - 1)))) },
      ),
      shafts: Array.from({ length: joints }, () => ({ outside: USUAL.shaft })),
      supports: [],
      pinion: { foot, tip, reach: USUAL.reach },
    },
  };
}
/** The first joint lies so far down the way: past the dash. */
const FIRST = 0.55;

const tidy = ({ ahead, left, up }: CarPlace): CarPlace => ({
  ahead: Math.round(ahead),
  left: Math.round(left),
  up: Math.round(up),
});
