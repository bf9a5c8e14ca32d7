/** So many of a list, its ends and evenly between. */
export function spread<T>(list: T[], count: number): T[] {
  if (list.length <= count) return list;
  return Array.from(
    { length: count },
    (_, i) => list[Math.round((i * (list.length - 1)) / Math.max(1, count - 1))],
  );
}
