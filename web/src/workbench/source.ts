// Where computed numbers come from: each source says where its numbers stand, and gives their working.
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
  /** The answers in which a number may stand by its name, the first that has it; and as they were in what is compared with. */
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
