// Line pressures over the foot force: what is drawn is what the server says, front and rear distinguished by line style.
import { describe, expect, inject, it } from "vitest";
import type { Ink } from "@/charts/ink";
import {
  linePressuresOption,
  linePressuresRows,
  linePressuresWords,
  pressureAt,
} from "@/charts/linePressures";
import { layOut } from "@/places/chain/layout";
import { units } from "@/units/units";

interface Series {
  type: string;
  data: [number, number][];
  lineStyle?: { color: string; type: string | number[]; width: number };
  label?: { formatter: string };
}

const ink = Object.fromEntries(
  ["paper", "tint", "rule", "soft", "ink", "front", "rear", "bad"].map((name) => [name, `#${name}`]),
) as Ink;
const { assessment, hydraulics, car, setup } = inject("answers").find((one) => one.setup.name === "Stock")!;
units.table = inject("table");
units.system = "metric";
const { series } = linePressuresOption(hydraulics.states[0]!, assessment.states[0]!, null, ink) as {
  series: Series[];
};

const thick = (color: string) =>
  series.find((one) => one.lineStyle?.color === color && one.lineStyle.width > 2)!;

describe("line pressures over foot force", () => {
  it("bends at the valve's knee and at the booster's run-out", () => {
    const { curve } = hydraulics.states[0]!;
    const knee = curve.knee_foot_force!;
    const rear = thick("#rear").data;
    const at = rear.findIndex(([foot]) => Math.abs(foot - knee) < 1e-6);
    expect(rear[at]![1]).toBeCloseTo(30, 6);
    const slope = (from: number) =>
      (rear[from + 1]![1] - rear[from]![1]) / (rear[from + 1]![0] - rear[from]![0]);
    expect(slope(at) / slope(at - 1)).toBeCloseTo(0.4, 6);
    const front = thick("#front").data;
    const out = front.findIndex(([foot]) => Math.abs(foot - curve.run_out_foot_force!) < 1e-6);
    const gain = (from: number) =>
      (front[from + 1]![1] - front[from]![1]) / (front[from + 1]![0] - front[from]![0]);
    expect(gain(out - 1) / gain(out)).toBeCloseTo(2.8, 6);
  });

  it("marks the axle that locks first, where its line meets its lock pressure", () => {
    const mark = series.find((one) => one.label?.formatter.startsWith("front locks, 291"))!;
    const [foot, pressure] = mark.data[0]!;
    const { curve } = hydraulics.states[0]!;
    expect(pressure).toBeCloseTo(pressureAt(curve.foot_forces, curve.front, foot) / 1e5, 6);
    expect(pressure).toBeCloseTo(pressureAt(curve.foot_forces, curve.front_locks_at, foot) / 1e5, 1);
  });

  it("keeps the words of two locks apart", () => {
    const { assessment, hydraulics } = inject("answers").find(
      (one) => one.setup.name === "Big front brakes",
    )!;
    const { series } = linePressuresOption(hydraulics.states[0]!, assessment.states[0]!, null, ink) as {
      series: { label?: { formatter: string; position: string | [number, number] } }[];
    };
    const position = (axle: string) =>
      series.find((one) => one.label?.formatter.startsWith(`${axle} locks`))!.label!.position;
    expect(position("rear")).toBe("right");
    expect(position("front")).toEqual([12, 18]);
  });

  it("tells front from rear by line style, and says itself in words and rows", () => {
    expect(thick("#front").lineStyle?.type).toBe("solid");
    expect(Array.isArray(thick("#rear").lineStyle?.type)).toBe(true);
    expect(linePressuresWords(hydraulics.states[0]!, assessment.states[0]!)).toMatch(
      /^Dry: the front locks first at 291/,
    );
    const rows = linePressuresRows(hydraulics);
    expect(rows[0]).toEqual([
      "state",
      "foot N",
      "front bar",
      "rear bar",
      "front locks at bar",
      "rear locks at bar",
    ]);
    expect(rows.every((row) => row.length === 6)).toBe(true);
  });
});

describe("the pedal as drawn", () => {
  it("hangs from its pivot or stands on it, at its true ratio", () => {
    for (const mounting of ["hung", "floor"] as const) {
      const { pedal } = layOut(1200, 330, { ...setup, pedal: { ...setup.pedal, mounting } }, car, 4.8);
      expect((pedal.pad - pedal.pivot) / (pedal.rod - pedal.pivot)).toBeCloseTo(4.8, 9);
      expect(pedal.pad > pedal.pivot).toBe(mounting === "hung");
    }
    const measured = { ...setup, pedal: { ...setup.pedal, pad_length: 0.2, rod_length: 0.04 } };
    const { pedal, wheelScale } = layOut(1200, 330, measured, car, 5);
    expect(Math.abs(pedal.pad - pedal.pivot)).toBeCloseTo(0.2 * wheelScale, 6);
  });
});
