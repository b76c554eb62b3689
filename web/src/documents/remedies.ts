// Choices that another part excludes: the changes that would allow them, offered where the choice was made.
import { valueAt } from "./paths";
import { conflictsIn } from "./schema";

export interface Remedy {
  /** What the button does, in words. */
  label: string;
  /** The values by their paths, including the choice itself. */
  values: Record<string, unknown>;
}

/** The change that would allow a value at a path, if the documents declare one. */
export function remedyFor(document: unknown, path: string, value: unknown): Remedy | null {
  const whole = path.split(".")[0]!;
  const within = (values: Record<string, unknown>) =>
    Object.entries(values).map(([name, held]) => [`${whole}.${name}`, held] as const);
  const found = conflictsIn(whole).find(
    (one) =>
      `${whole}.${one.path}` === path &&
      one.value === value &&
      within(one.against).every(([name, held]) => valueAt(document, name) === held),
  );
  if (!found) return null;
  return { label: found.remedy, values: { ...Object.fromEntries(within(found.makes_room)), [path]: value } };
}
