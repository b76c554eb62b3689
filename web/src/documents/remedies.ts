// Choices that another part stands in the way of: what would make room for them, offered where the choice was made.
import { valueAt } from "./paths";

export interface Remedy {
  /** What the button does, in words. */
  label: string;
  /** What goes where, the choice itself with it. */
  values: Record<string, unknown>;
}

const BAR = "bar";

/** What would let a value be chosen at a path, where there is something. */
export function remedyFor(bench: unknown, path: string, value: unknown): Remedy | null {
  if (path === "setup.split" && value === BAR && valueAt(bench, "setup.booster.fitted") === true)
    return {
      label: "Fit the bar and take the booster off",
      values: { "setup.booster.fitted": false, "setup.split": BAR },
    };
  if (path === "setup.booster.fitted" && value === true && valueAt(bench, "setup.split") === BAR)
    return {
      label: "Fit the tandem cylinder with it",
      values: { "setup.split": "tandem", "setup.booster.fitted": true },
    };
  return null;
}
