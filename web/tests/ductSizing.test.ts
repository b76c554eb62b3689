import { beforeAll, describe, expect, inject, it } from "vitest";
import type { DuctSizing } from "@/api/client";
import { sizesOf, sizingOption, sizingRows, sizingWords } from "@/charts/ductSizing";
import type { Ink } from "@/charts/ink";
import { units } from "@/units/units";

const K = 273.15;
const session = (name: string, peak: number, low: number, holds: string) => ({
  session: name,
  peak: peak + K,
  low: low + K,
  fluid: 60,
  holds,
  word: { good: "holds", watch: "within the band", bad: "too hot" }[holds] ?? "too cold",
});
const row = (key: string, title: string, bore: number | null, peak: number, low: number, holds = "good") => ({
  key,
  title,
  label: title,
  bore,
  hoses: title.startsWith("2") ? 2 : bore ? 1 : 0,
  fitted: false,
  holds,
  by_heat: { level: "good", word: "holds" },
  hottest: peak + K,
  coldest: low + K,
  sessions: [session("Fenbank", peak, low, holds), session("Hill", 250, 18, "cold")],
  flow: 0.06,
  drag: 15,
  slower: 0.2,
  trouble: "",
  patch: {},
});
const sizing = {
  axle: "front",
  low: 260 + K,
  high: 540 + K,
  band: 35,
  answer: 2,
  word: "The smallest that holds: 2 × 51 mm",
  rows: [
    row("none", "no duct", null, 585, 440, "bad"),
    row("1x63", "63 mm", 0.063, 522, 380, "watch"),
    row("2x51", "2 × 51 mm", 0.051, 501, 360),
    row("scoop", "scoop on the arm", null, 560, 420, "bad"),
  ],
  sentences: [],
  first: null,
  first_title: "",
  tape: [],
} as unknown as DuctSizing;
const ink = {
  paper: "#fff",
  tint: "#eee",
  rule: "#ccc",
  soft: "#888",
  ink: "#000",
  front: "#0aa",
  rear: "#a50",
  bad: "#f00",
} as Ink;
/** An option as plain data: the chart library's own types are too loose. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type Loose = Record<string, any>;

beforeAll(() => {
  units.table = inject("table");
});

describe("temperature over hose", () => {
  it("has a place for none and for every hose, not for other ways", () => {
    expect(sizesOf(sizing).map((one) => one.title)).toEqual(["no duct", "63 mm", "2 × 51 mm"]);
  });

  it("draws the hottest session with the model's band round it, and the pads' window", () => {
    const option = sizingOption(sizing, "front", ink, null) as Loose;
    const [peaks, over, under, lows] = option.series as Loose[];
    expect(peaks!.data.map((pair: number[]) => Math.round(pair[1]!))).toEqual([585, 522, 501]);
    expect(over!.data[0][1] - peaks!.data[0][1]).toBeCloseTo(35);
    expect(peaks!.data[0][1] - under!.data[0][1]).toBeCloseTo(35);
    expect(peaks!.markArea.data[0].map((one: Loose) => Math.round(one.yAxis))).toEqual([260, 540]);
    // The lowest temperature of a cold start is not that of a straight.
    expect(lows!.data.map((pair: number[]) => Math.round(pair[1]!))).toEqual([440, 380, 360]);
  });

  it("marks the car's own and the answer, once where they are the same", () => {
    const marks = (fitted: number | null): string[] =>
      (
        (sizingOption(sizing, "front", ink, fitted === null ? null : sizing.rows[fitted]!) as Loose)
          .series as Loose[]
      )
        .filter((one) => one.type === "scatter")
        .map((one) => one.label.formatter as string);
    expect(marks(null)).toEqual(["holds"]);
    expect(marks(1)).toEqual(["fitted", "holds"]);
    expect(marks(2)).toEqual(["fitted"]);
  });

  it("tells front and rear apart by the line too", () => {
    const style = (axle: "front" | "rear"): unknown =>
      ((sizingOption(sizing, axle, ink, null) as Loose).series as Loose[])[0]!.lineStyle.type;
    expect(style("front")).toBe("solid");
    expect(style("rear")).toEqual([6, 4]);
  });

  it("goes home as a table and as words", () => {
    const rows = sizingRows(sizing);
    expect(rows).toHaveLength(1 + 4 * 2);
    expect(rows[1]).toEqual(["no duct", "Fenbank", "585", "440", "60.0", "too hot"]);
    expect(sizingWords(sizing)).toContain("2 × 51 mm: 501");
  });
});
