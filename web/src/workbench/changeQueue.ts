// Changes one after the other: each begins when the last has its answer.

interface Waiting {
  kind: string;
  work: () => Promise<unknown>;
  done: Promise<unknown>;
}

/**
 * Returns a function that runs changes one after the other. While one runs, the last waiting changes of the same
 * `kind` (none: of no kind) are merged: the newest is run, and all of them get its answer.
 */
export function useChangeQueue(): <T>(work: () => Promise<T>, kind?: string) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve();
  let waiting: Waiting | null = null;

  return function enqueue<T>(work: () => Promise<T>, kind = ""): Promise<T> {
    if (kind && waiting?.kind === kind) {
      waiting.work = work;
      return waiting.done as Promise<T>;
    }
    const mine: Waiting = { kind, work, done: Promise.resolve() };
    const begin = (): Promise<unknown> => {
      if (waiting === mine) waiting = null;
      return mine.work();
    };
    mine.done = last.then(begin, begin);
    last = mine.done.catch(() => undefined);
    waiting = mine;
    return mine.done as Promise<T>;
  };
}
