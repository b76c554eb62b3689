// The session over time: what is drawn is what the server says, front and rear distinguished by line style, the band and the
// boiling point marked, and the cursor reads between the points.
import { describe, expect, inject, it } from "vitest";
import type { SimulatedSession } from "@/api/client";
import type { Ink } from "@/charts/ink";
import { at, sessionOption, sessionRows, sessionWords, type Look } from "@/charts/sessionHeat";
import { units } from "@/units/units";

interface Series {
  type: string;
  data: [number, number][];
  xAxisIndex?: number;
  lineStyle?: { color: string; type: string | number[]; width: number };
  markArea?: { data: { yAxis: number }[][] };
  markLine?: { data: { xAxis?: number; yAxis?: number; label: { show: boolean; formatter: string } }[] };
}

const ink = Object.fromEntries(
  ["paper", "tint", "rule", "soft", "ink", "front", "rear", "bad"].map((name) => [name, `#${name}`]),
) as Ink;
const simulated = inject("answers").find((one) => one.setup.name === "Sprint")!.simulated!;
const { heat } = simulated;
units.table = inject("table");
units.system = "metric";

const end = heat.times.at(-1)!;
const whole: Look = { from: 0, to: end, cursor: heat.hottest_time, ghosts: [] };
const drawn = (of: SimulatedSession, look: Look): Series[] =>
  (sessionOption(of, look, ink) as { series: Series[] }).series;
const ofColor = (series: Series[], color: string, lower = false): Series[] =>
  series.filter(
    (one) => one.type === "line" && one.lineStyle?.color === color && Boolean(one.xAxisIndex) === lower,
  );

describe("the chart of a session", () => {
  const series = drawn(simulated, whole);

  it("tells front and rear apart by line style, above and below", () => {
    for (const lower of [false, true]) {
      expect(ofColor(series, "#front", lower).every((one) => one.lineStyle?.type === "solid")).toBe(true);
      expect(ofColor(series, "#rear", lower).every((one) => Array.isArray(one.lineStyle?.type))).toBe(true);
      expect(ofColor(series, "#front", lower).length).toBe(ofColor(series, "#rear", lower).length);
    }
  });

  it("draws the peaks of every fast lap as the server says the hottest is", () => {
    const [, peaks] = ofColor(series, "#front");
    const laps = heat.parts.filter((part) => part.kind === "fast").length;
    expect(peaks!.data.length).toBe(laps);
    const hottest = Math.max(...peaks!.data.map(([, celsius]) => celsius));
    expect(hottest).toBeCloseTo(heat.front.surface_peak.value! - 273.15, 0);
  });

  it("marks the window and where the fluid boils", () => {
    const band = series.flatMap((one) => one.markArea?.data ?? [])[0]!;
    expect(band.map((edge) => edge.yAxis)).toEqual([heat.front.low - 273.15, heat.front.high - 273.15]);
    const boils = series
      .flatMap((one) => one.markLine?.data ?? [])
      .filter((one) => one.label.formatter.startsWith("fluid boils"));
    expect(boils.map((one) => one.yAxis)).toEqual([heat.fluid.boils - 273.15]);
  });

  it("tells windows that differ at each axle", () => {
    const other = { ...simulated, heat: { ...heat, rear: { ...heat.rear, high: heat.rear.high + 200 } } };
    const marked = drawn(other, whole).flatMap((one) => one.markLine?.data ?? []);
    const names = marked.map((one) => one.label.formatter).filter((name) => name.includes("pads"));
    expect(names).toEqual(["front pads fade", "front pads bite", "rear pads fade", "rear pads bite"]);
  });

  it("names the parts as far as there is room, all of them on a lap alone", () => {
    const named = (look: Look) =>
      drawn(simulated, look)
        .flatMap((one) => one.markLine?.data ?? [])
        .filter((one) => one.xAxis !== undefined && one.label.show && one.label.formatter);
    expect(named(whole).length).toBeGreaterThan(6);
    const [, lap] = heat.parts.filter((part) => part.kind === "fast");
    expect(named({ ...whole, from: lap!.begin, to: lap!.end }).map((one) => one.label.formatter)).toContain(
      "2",
    );
  });

  it("draws a ghost beside it in its own quiet ink", () => {
    const more = drawn(simulated, { ...whole, ghosts: [{ label: "before", simulated }] });
    expect(ofColor(more, "#soft").length).toBeGreaterThan(ofColor(series, "#soft").length);
  });
});

describe("the cursor", () => {
  it("reads between the points and stays at the ends", () => {
    const { surface } = heat.front_series;
    expect(at(heat, surface, -5)).toBe(surface[0]);
    expect(at(heat, surface, end + 5)).toBeCloseTo(surface.at(-1)!, 6);
    const middle = (heat.times[10]! + heat.times[11]!) / 2;
    expect(at(heat, surface, middle)).toBeCloseTo((surface[10]! + surface[11]!) / 2, 6);
  });
});

describe("what goes home", () => {
  it("has a row for each time and a column for each place", () => {
    const rows = sessionRows(heat);
    expect(rows.length).toBe(heat.times.length + 1);
    expect(new Set(rows.map((row) => row.length))).toEqual(new Set([31]));
    expect(rows[0]![1]).toBe("front surface °C");
    units.system = "imperial";
    expect(sessionRows(heat)[0]![1]).toBe("front surface °F");
    units.system = "metric";
  });

  it("says in words what the picture shows", () => {
    expect(sessionWords(simulated)).toContain("front discs at most");
    expect(sessionWords(simulated)).toContain(simulated.verdict.word);
  });
});
