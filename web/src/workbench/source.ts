// Where computed numbers come from: each source says which answers hold its numbers, and gives their working.
import type { State, Step } from "@/api/client";
import type { Bench } from "./history";

export interface Working {
  steps: readonly Step[];
  headlines: Record<string, number>;
  about: string;
}

export interface Source {
  /** Keep its answer fresh while the component that asks is on the page. */
  keepFresh(): void;
  /** The answers that may hold a number, the first that has it; and the same of the compared setup. */
  now(): unknown[];
  before(): unknown[];
  /** The steps behind its numbers, freshly worked out. */
  working(bench: Bench, state: State): Promise<Working>;
}

interface Worked {
  steps?: readonly Step[];
  headlines?: Record<string, number>;
}

/** Of an answer that was asked for with its working. */
export const workingIn = (answer: Worked | null | undefined, about: string): Working => ({
  steps: answer?.steps ?? [],
  headlines: answer?.headlines ?? {},
  about,
});
