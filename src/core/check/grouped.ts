/** A list parted by a key, in the order in which keys first come. */
export function groupedBy<T>(list: readonly T[], key: (one: T) => string): T[][] {
  const groups = new Map<string, T[]>();
  for (const one of list) {
    const at = key(one);
    const group = groups.get(at);
    if (group) group.push(one);
    else groups.set(at, [one]);
  }
  return [...groups.values()];
}
