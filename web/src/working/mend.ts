// A change in words: the part, its old and its new size.
import type { Mend, MendPart } from "@/api/client";
import { show, showSizes } from "@/units/units";

/** "Bar: 2 turns toward the front" says more than two places off the middle. */
function turned({ before, after }: MendPart): string {
  const by = (after[0] ?? 0) - (before[0] ?? 0);
  return `Bar: ${show(Math.abs(by), "turns")} toward the ${by > 0 ? "front" : "rear"}`;
}

export function partWords(part: MendPart): string {
  if (part.dimension === "turns" && part.after.length) return turned(part);
  if (!part.after.length) return part.title;
  const after = showSizes(part.after, part.dimension);
  return part.before.length
    ? `${part.title} ${showSizes(part.before, part.dimension)} → ${after}`
    : `${part.title} ${after}`;
}

/** One change, or two together. */
export const changeOf = (mend: Mend): string => mend.parts.map(partWords).join(" and ");
