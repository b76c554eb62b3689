// The positions of the words over the zones of a strip, so that none overlaps another or leaves the strip.

export interface StripLabel {
  x: number;
  anchor: "start" | "middle" | "end";
  /** Which row it stands in, from the top. */
  tier: number;
}

/** Width of a letter of the narrow face, px, and what stays free between two labels. */
const LETTER = 5.4;
const APART = 8;

/** Each label over its middle, px, in the first row where there is room; from left to right. */
export function placeLabels(
  wanted: readonly { middle: number; letters: number }[],
  width: number,
): StripLabel[] {
  const ends: number[] = [];
  return wanted.map(({ middle, letters }) => {
    const half = (letters * LETTER) / 2;
    const anchor = middle < half + 4 ? "start" : middle > width - half - 4 ? "end" : "middle";
    const x = anchor === "start" ? 4 : anchor === "end" ? width - 4 : middle;
    const left = anchor === "start" ? x : anchor === "end" ? x - 2 * half : x - half;
    const free = ends.findIndex((end) => end + APART < left);
    const tier = free < 0 ? ends.length : free;
    ends[tier] = left + 2 * half;
    return { x, anchor, tier };
  });
}
