/** Runs a search, which yields how far it is, to its end. */
export function finish<T>(search: Generator<unknown, T>): T {
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
}
