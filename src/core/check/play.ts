import { SIGMAS } from '../geometry/random';
import { componentOf } from './carModel';
import type { Evidence } from './carModel';
import { groupedBy } from './grouped';
import { METHOD_TABLE } from './methods';

/** Readings on the way up against those on the way down: play, or something that binds. */
export interface Play {
  of: string;
  unit: 'mm' | 'deg';
  /** Up less down, on the average, and its ±. */
  apart: number;
  plusMinus: number;
  pairs: number;
}

/** Heights nearer than this are one, mm. */
const SAME_HEIGHT = 1;

/** What readings up and down differ by, where that is more than their ±. */
export function playOf(
  evidence: readonly Evidence[],
  going: ReadonlyMap<string, 'up' | 'down'>,
): Play[] {
  const way = (one: Evidence) => going.get(one.ids[0]);
  const groups = groupedBy(
    evidence.filter((one) => way(one)),
    ({ side, round, method, component }) => `${side} ${round} ${method} ${component}`,
  );
  return groups.flatMap((group): Play[] => {
    const [first] = group;
    const pairs = group
      .filter((one) => way(one) === 'up')
      .flatMap((up) => {
        const down = group.find(
          (one) => way(one) === 'down' && Math.abs(one.travel - up.travel) <= SAME_HEIGHT,
        );
        return down
          ? [{ apart: up.value - down.value, variance: varianceOf(up) + varianceOf(down) }]
          : [];
      });
    if (pairs.length === 0) return [];
    const apart = pairs.reduce((sum, one) => sum + one.apart, 0) / pairs.length;
    const variance = pairs.reduce((sum, one) => sum + one.variance, 0) / pairs.length ** 2;
    const plusMinus = SIGMAS * Math.sqrt(variance);
    if (Math.abs(apart) <= plusMinus) return [];
    return [
      {
        of: `${METHOD_TABLE[first.method].name.toLowerCase()}${first.side === 'both' ? '' : `, ${first.side}`}`,
        unit: componentOf(first).unit,
        ...{ apart, plusMinus, pairs: pairs.length },
      },
    ];
  });
}

const varianceOf = ({ plusMinus }: Evidence): number => (plusMinus / SIGMAS) ** 2;
