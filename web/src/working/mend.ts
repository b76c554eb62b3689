// A change in words: the part, its old and its new size.
import type { Mend, MendPart } from "@/api/client";
import { showSizes } from "@/units/units";

function partWords(part: MendPart): string {
  if (!part.after.length) return part.title;
  const after = showSizes(part.after, part.dimension);
  return part.before.length
    ? `${part.title} ${showSizes(part.before, part.dimension)} → ${after}`
    : `${part.title} ${after}`;
}

/** One change, or two together. */
export const changeOf = (mend: Mend): string => mend.parts.map(partWords).join(" and ");
