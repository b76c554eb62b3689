// The force balance chart draws what the server says, front and rear distinguished by line as well as colour.
import { describe, expect, inject, it } from "vitest";
import type { Assessment } from "@/api/client";
import { forceBalanceOption, forceBalanceRows, forceBalanceWords, reach } from "@/charts/forceBalance";
import type { Ink } from "@/charts/ink";
import { units } from "@/units/units";

interface Series {
  type: string;
  data: [number, number][];
  lineStyle?: { color: string; type: string | number[] };
  label?: { formatter: string };
  itemStyle?: { color: string };
}

const ink: Ink = {
  paper: "#fff",
  tint: "#eee",
  rule: "#ddd",
  soft: "#888",
  ink: "#000",
  front: "#066",
  rear: "#930",
  bad: "#a00",
};
const [assessment, asBought] = inject("answers").map((one) => one.assessment) as [Assessment, Assessment];
const looked = assessment.states[0]!;
units.table = inject("table");
units.system = "metric";
const { series } = forceBalanceOption(assessment, looked, null, ink) as { series: Series[] };

const lines = (color: string) =>
  series.filter((one) => one.type === "line" && one.lineStyle?.color === color);
const dots = (words: string) =>
  series.filter((one) => one.type === "scatter" && one.label?.formatter.includes(words));

describe("the force balance chart", () => {
  it("has titled axes with units", () => {
    const option = forceBalanceOption(assessment, looked, null, ink) as Record<
      "xAxis" | "yAxis",
      { name: string }
    >;
    expect([option.xAxis.name, option.yAxis.name]).toEqual([
      "brake force, both rear wheels, N",
      "both front wheels, N",
    ]);
  });

  it("marks the car's own point and where the other axle would lock", () => {
    const { first_lock, front_lock } = looked.force_balance;
    expect(dots("rear locks, 1.32")[0]?.data).toEqual([[first_lock.rear, first_lock.front]]);
    const hollow = series.filter(
      (one) => one.data[0]?.[0] === front_lock?.rear && one.data[0]?.[1] === front_lock?.front,
    );
    expect(hollow).toHaveLength(1);
    expect(dots("ideal, dry, slow")).toHaveLength(1);
    for (const name of ["Dry, fast", "Wet, slow", "Wet, fast"]) expect(dots(name)).toHaveLength(1);
    // The light car's limits mostly stand beside the full car's: their names would hide each other.
    expect(dots("light").length).toBeLessThan(2);
  });

  it("names the second lock point where there is room for its name", () => {
    expect(dots("front would")).toHaveLength(0);
    const roomy = asBought.states[0]!;
    const option = forceBalanceOption(asBought, roomy, null, ink) as { series: Series[] };
    const named = option.series.filter((one) => one.label?.formatter === "front would");
    expect(named[0]?.data).toEqual([
      [roomy.force_balance.front_lock?.rear, roomy.force_balance.front_lock?.front],
    ]);
  });

  it("tells front from rear by line style as well as colour", () => {
    expect(lines(ink.front).every((one) => one.lineStyle?.type === "solid")).toBe(true);
    expect(lines(ink.rear).every((one) => Array.isArray(one.lineStyle?.type))).toBe(true);
    expect(lines(ink.front).length).toBeGreaterThan(0);
    expect(lines(ink.rear).length).toBeGreaterThan(0);
  });

  it("draws the setup's own line at its force share, through its lock point", () => {
    const own = lines(ink.rear).at(-1)!;
    const [rear, front] = own.data[1]!;
    expect(front / (front + rear)).toBeCloseTo(looked.force_share, 9);
  });

  it("draws lines of equal deceleration that cross the axes at mass times deceleration", () => {
    const equal = lines(ink.rule);
    const { total_forces, decelerations } = looked.force_balance.deceleration_lines;
    expect(equal).toHaveLength(total_forces.length);
    expect(equal[0]?.data).toEqual([
      [0, total_forces[0]],
      [total_forces[0], 0],
    ]);
    expect((total_forces[0]! + looked.air.drag) / decelerations[0]!).toBeCloseTo(640, 9);
  });

  it("keeps every point in the picture, the ghost's too", () => {
    const ghost = assessment.states[1]!;
    const [farRear, farFront] = reach(assessment, ghost, looked);
    for (const { force_balance: balance } of assessment.states) {
      expect(balance.limit.rear).toBeLessThan(farRear);
      expect(balance.limit.front).toBeLessThan(farFront);
    }
    const withGhost = (forceBalanceOption(assessment, looked, ghost, ink) as { series: Series[] }).series;
    expect(withGhost.length).toBe(series.length + 2);
  });

  it("leaves room to the right of the points that are named there", () => {
    for (const { assessment } of inject("answers"))
      for (const answer of assessment.states) {
        const [farRear] = reach(assessment, null, answer);
        const { first_lock } = answer.force_balance;
        // "rear locks, 1.32 g" is about a quarter of the picture wide.
        if (answer.first === "rear") expect(first_lock.rear).toBeLessThan(0.74 * farRear);
        expect(first_lock.rear).toBeLessThan(0.86 * farRear);
      }
  });

  it("says itself in words, and in rows", () => {
    expect(forceBalanceWords(looked)).toMatch(
      /^Dry, slow: the rear locks first at 1\.32\sg, front \d+\sN and rear/,
    );
    const rows = forceBalanceRows(assessment);
    expect(rows[0]).toEqual(["state", "what", "front N", "rear N"]);
    expect(rows.filter((row) => row[1] === "first lock")).toHaveLength(8);
    expect(rows.every((row) => row.length === 4)).toBe(true);
  });
});
