/** Heights closer than this are one, mm. */
export const SAME = 0.005;

/** What a stock of washers makes, each height once. */
export interface Stacks {
  /** Rising from 0, mm. */
  readonly heights: readonly number[];
  /** Where a height stands among them; −1 where no stack has it. */
  at: (height: number) => number;
  /** The fewest washers that make the height at an index. */
  washers: (index: number) => number[];
}

/**
 * Heights that a stock of washers can make, none included, each with the fewest that make it. Counted: the
 * heights of one washer more come from those of one less, whatever ways lead there. 20 washers, 6 at most,
 * are 60,000 heights or so.
 * @param stock washers, mm, each as often as wanted
 * @param most washers at most
 */
export function stacksOf(stock: readonly number[], most: number): Stacks {
  const key = `${stock.join()}|${most}`;
  const known = kept.get(key);
  if (known) return known;
  const counted = count(stock, most);
  // A build has a handful of stocks; while one is typed each keystroke is another.
  if (kept.size >= 64) kept.delete(kept.keys().next().value!);
  kept.set(key, counted);
  return counted;
}

const kept = new Map<string, Stacks>();

function count(stock: readonly number[], most: number): Stacks {
  const places = Math.floor((most * Math.max(...stock)) / SAME) + 1;
  /** The height in each stretch of SAME, where one is, with a stretch before and behind. */
  const taken = new Float64Array(places + 2).fill(-1);
  /** The washer on top of it, and the stretch of the stack below. */
  const top = new Float64Array(places + 2);
  const below = new Int32Array(places + 2);
  taken[1] = 0;
  let last = [1];
  for (let level = 0; level < most; level++) {
    const next: number[] = [];
    for (const stack of last)
      for (const washer of stock) {
        const height = taken[stack] + washer;
        const place = Math.floor(height / SAME) + 1;
        if (
          taken[place] >= 0 ||
          (taken[place - 1] >= 0 && height - taken[place - 1] < SAME) ||
          (taken[place + 1] >= 0 && taken[place + 1] - height < SAME)
        )
          continue;
        taken[place] = height;
        top[place] = washer;
        below[place] = stack;
        next.push(place);
      }
    last = next;
  }
  const order: number[] = [];
  for (let place = 0; place < taken.length; place++) if (taken[place] >= 0) order.push(place);
  const heights = order.map((place) => taken[place]);
  return {
    heights,
    at: (height) => {
      const index = nearest(heights, height);
      return Math.abs(heights[index] - height) < SAME ? index : -1;
    },
    washers: (index) => {
      const of: number[] = [];
      for (let place = order[index]; place !== 1; place = below[place]) of.push(top[place]);
      return of.reverse();
    },
  };
}

/** Index of the value nearest to `wanted` in a rising list that is not empty. */
export function nearest(rising: readonly number[], wanted: number): number {
  let [low, high] = [0, rising.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (rising[middle] <= wanted) low = middle;
    else high = middle;
  }
  return Math.abs(rising[high] - wanted) < Math.abs(rising[low] - wanted) ? high : low;
}
