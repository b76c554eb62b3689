// What changed between two saved states, in words and in the user's units.
import type { Schemas } from "@/api/client";
import { DASH, show, showSizes } from "@/units/units";

function valueWords(value: unknown, dimension: string | null | undefined): string {
  if (value === null || value === undefined || value === "") return DASH;
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "number") return show(value, dimension ?? "ratio");
  if (Array.isArray(value) && value.length === 0) return DASH;
  if (Array.isArray(value) && value.every((one) => typeof one === "string")) return value.join("; ");
  if (Array.isArray(value))
    return value.every((one) => typeof one === "number")
      ? showSizes(value, dimension ?? "ratio")
      : "another list";
  return typeof value === "string" ? value : "another";
}

/** "rear: Cylinder bore 13/16 → 7/8 in", as one line. */
export function changeWords(change: Schemas["Difference"]): string {
  const before = valueWords(change.before, change.dimension);
  const after = valueWords(change.after, change.dimension);
  const [number = "", unit = ""] = before.split("\u00a0");
  const short = unit && after.endsWith(`\u00a0${unit}`) ? number : before;
  return `${change.title} ${short} → ${after}`;
}

/** The day and the hour of a saved state. */
export const when = (moment: string): string =>
  new Date(moment).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" });
