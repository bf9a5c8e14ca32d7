/** Where a search by steps came to rest. */
export interface Rested {
  place: number[];
  value: number;
  /** Its steps became as fine as asked; false where they were too many. */
  settled: boolean;
}

/** Ways of a number of unknowns: each alone, and each pair of them together and against each other. */
export function waysOf(n: number): number[][] {
  const ways: number[][] = [];
  const way = (at: (k: number) => number) => Array.from({ length: n }, (_, k) => at(k));
  for (let i = 0; i < n; i++) {
    ways.push(way((k) => (k === i ? 1 : 0)));
    for (let j = 0; j < i; j++)
      for (const by of [1, -1]) ways.push(way((k) => (k === i ? 1 : k === j ? by : 0)));
  }
  return ways;
}

/**
 * Goes downhill by trying a step each way, both signs, and halving it where none helps: for functions with edges, of
 * which no slope is to be had (Hooke and Jeeves 1961, from memory).
 * @param most values looked at before it gives up
 * @param enough it stops at a value no higher than this
 */
export function compass(
  value: (place: readonly number[]) => number,
  start: readonly number[],
  {
    step,
    fine,
    most = Infinity,
    enough = -Infinity,
  }: {
    step: number;
    fine: number;
    most?: number;
    enough?: number;
  },
  ways = waysOf(start.length),
): Rested {
  let here = [...start];
  let least = value(here);
  let looked = 1;
  for (let by = step; by > fine;) {
    if (least <= enough) break;
    let moved = false;
    for (const way of ways)
      for (const signed of [by, -by]) {
        if (looked >= most) return { place: here, value: least, settled: false };
        const trial = here.map((x, i) => x + signed * way[i]);
        const is = value(trial);
        looked++;
        if (is < least) [here, least, moved] = [trial, is, true];
      }
    if (!moved) by /= 2;
  }
  return { place: here, value: least, settled: true };
}
