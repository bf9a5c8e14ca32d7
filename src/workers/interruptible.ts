/** Lets messages in: whoever asked may have thought better of it. */
const messagesIn = () => new Promise((resolve) => setTimeout(resolve));

/** Longest that a worker computes without listening, ms. */
const PATIENCE = 20;

/**
 * Long computations of a worker, one at a time. A computation is a generator that yields the part done;
 * a later one, or `cancel`, ends it, and it answers null.
 */
export function interruptible() {
  let turn = 0;
  return {
    cancel: (): void => {
      turn++;
    },
    run: async <T>(
      computation: () => Generator<number, T> | null,
      onProgress: (part: number) => void,
    ): Promise<T | null> => {
      const mine = ++turn;
      await messagesIn();
      if (mine !== turn) return null;
      const work = computation();
      if (!work) return null;
      let heard = performance.now();
      for (;;) {
        const step = work.next();
        if (step.done) return step.value;
        if (performance.now() - heard < PATIENCE) continue;
        onProgress(step.value);
        await messagesIn();
        if (mine !== turn) return null;
        heard = performance.now();
      }
    },
  };
}
