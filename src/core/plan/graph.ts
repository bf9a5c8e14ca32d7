/** What comes after what: a node and the nodes that have to be before it. */
export interface Node {
  id: string;
  after: readonly string[];
}

/**
 * Nodes in an order in which everything comes after what it hangs on, and otherwise as they are wanted: of what may be
 * next, always the one that is wanted first; what nobody wants anywhere comes last (Kahn, 1962, *Topological sorting of
 * large networks*, with a choice among what is free). Names in `after` that are nobody's do not count.
 * @throws RangeError where nodes hang on each other in a circle
 */
export function linedUp<T extends Node>(nodes: readonly T[], wanted: readonly string[]): T[] {
  const rank = new Map(wanted.map((id, i) => [id, i]));
  const names = new Set(nodes.map(({ id }) => id));
  const left = [...nodes].sort(
    (a, b) => (rank.get(a.id) ?? Infinity) - (rank.get(b.id) ?? Infinity) || 0,
  );
  const placed = new Set<string>();
  const order: T[] = [];
  while (left.length > 0) {
    const next = left.findIndex(({ after }) =>
      after.every((id) => placed.has(id) || !names.has(id)),
    );
    if (next < 0)
      throw new RangeError(`${left.map(({ id }) => id).join(', ')} wait for each other`);
    const [one] = left.splice(next, 1);
    placed.add(one.id);
    order.push(one);
  }
  return order;
}

/** Nodes that hang on each other in a circle, from one round to it again; null where there is none. */
export function circleIn(nodes: readonly Node[]): string[] | null {
  const of = new Map(nodes.map((node) => [node.id, node]));
  const seen = new Set<string>();
  for (const { id } of nodes) {
    const found = walk(id, [], of, seen);
    if (found) return found;
  }
  return null;
}

function walk(
  id: string,
  way: readonly string[],
  of: ReadonlyMap<string, Node>,
  seen: Set<string>,
): string[] | null {
  const at = way.indexOf(id);
  if (at >= 0) return [...way.slice(at), id];
  const node = of.get(id);
  if (!node || seen.has(id)) return null;
  for (const before of node.after) {
    const found = walk(before, [...way, id], of, seen);
    if (found) return found;
  }
  seen.add(id);
  return null;
}

/** The most that lies from each node to the end of everything that hangs on it, itself counted. */
export function longestFrom(
  ordered: readonly Node[],
  weight: (id: string) => number,
): Map<string, number> {
  const most = new Map<string, number>(ordered.map(({ id }) => [id, weight(id)]));
  for (const { id, after } of [...ordered].reverse())
    for (const before of after)
      if (most.has(before))
        most.set(before, Math.max(most.get(before)!, weight(before) + most.get(id)!));
  return most;
}
