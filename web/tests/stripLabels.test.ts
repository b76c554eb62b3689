// The words over the zones of a strip.
import { describe, expect, it } from "vitest";
import { placeLabels } from "@/places/heat/stripLabels";

describe("labels over a strip", () => {
  it("stand over their zones in one row where there is room", () => {
    const labels = placeLabels(
      [100, 300, 500].map((middle) => ({ middle, letters: 12 })),
      600,
    );
    expect(labels.map((one) => [one.x, one.tier])).toEqual([
      [100, 0],
      [300, 0],
      [500, 0],
    ]);
  });

  it("go into further rows where zones follow closely, and back when there is room again", () => {
    const labels = placeLabels(
      [100, 130, 160, 300].map((middle) => ({ middle, letters: 12 })),
      600,
    );
    expect(labels.map((one) => one.tier)).toEqual([0, 1, 2, 0]);
  });

  it("never run out at a side", () => {
    const [first, last] = placeLabels(
      [5, 596].map((middle) => ({ middle, letters: 20 })),
      600,
    );
    expect(first).toEqual({ x: 4, anchor: "start", tier: 0 });
    expect(last).toEqual({ x: 596, anchor: "end", tier: 0 });
  });
});
