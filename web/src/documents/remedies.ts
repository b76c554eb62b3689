// Choices that another part stands in the way of: what would make room for them, offered where the choice was made.
import { valueAt } from "./paths";
import { conflictsIn } from "./schema";

export interface Remedy {
  /** What the button does, in words. */
  label: string;
  /** What goes where, the choice itself with it. */
  values: Record<string, unknown>;
}

/** What would let a value be chosen at a path, where the documents know of something. */
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
