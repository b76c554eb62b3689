// One piece of work after the other: each begins when the last has its answer.

interface Waiting {
  kind: string;
  work: () => Promise<unknown>;
  done: Promise<unknown>;
}

/**
 * Gives a function that does a piece of work in its turn. While one is under way, those that wait last and are of the same
 * `kind` (none: of no kind) are merged: the newest is done, and all of them have its answer.
 */
export function useTurns(): <T>(work: () => Promise<T>, kind?: string) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve();
  let waiting: Waiting | null = null;

  return function inTurn<T>(work: () => Promise<T>, kind = ""): Promise<T> {
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
