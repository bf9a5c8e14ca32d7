import { legsOf, pedalBoxOf } from '@/core/column/driver';
import type { Build } from '@/core/model/build';
import type { Column } from '@/core/model/column';
import type { KeepOut, PlainBody } from '@/core/model/room';

/** Every body that a column keeps clear of, in the car's own axes: `out` is to the left. */
export function bodiesInCar({ room }: Pick<Build, 'room'>, column: Column): KeepOut[] {
  const there = (room?.keepOuts ?? [])
    .filter((body) => body.axle === 'front')
    .flatMap((body): KeepOut[] => {
      // A surface out of a file is in the car's own axes already.
      if (body.kind === 'mesh') return [body];
      const sides = body.side ? [body.side] : (['left', 'right'] as const);
      return sides.map((side) => (side === 'left' ? body : mirrored(body)));
    });
  return [...there, ...legsOf(column), ...pedalBoxOf(column)];
}

const across = <P extends { out: number }>(place: P): P => ({ ...place, out: -place.out });

function mirrored(body: PlainBody): KeepOut {
  const id = `${body.id} right`;
  return body.kind === 'box'
    ? { ...body, id, middle: across(body.middle) }
    : { ...body, id, from: across(body.from), to: across(body.to) };
}
