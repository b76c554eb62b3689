// Axes, lines and dots in the common style, for every chart.
import { unitOf } from "@/units/units";
import type { Ink } from "./ink";

export type Pair = [number, number];

/** In the unit shown, of a dimension that has no zero of its own. */
export const inUnit = (value: number, dimension: string): number => value / unitOf(dimension).factor;

/** The same for a table of what is drawn; empty where there is none. */
export const cell = (value: number | null | undefined, dimension: string): string =>
  value === null || value === undefined ? "" : inUnit(value, dimension).toPrecision(6);

/** A row of numbers over speeds; a gap where one is not known. */
export const overSpeeds = (
  speeds: readonly (number | null)[],
  row: readonly (number | null)[],
  dimension: string,
): (Pair | [number, null])[] =>
  row.map((value, index) => [
    inUnit(speeds[index] ?? 0, "speed"),
    value === null ? null : inUnit(value, dimension),
  ]) as (Pair | [number, null])[];

export const FONT = { fontFamily: "Fira Sans Condensed, Fira Sans, sans-serif" };

/** A titled axis from `least` to `most`, in the unit shown. */
export function axis(name: string, least: number, most: number, gap: number, ink: Ink): object {
  return {
    type: "value",
    min: least,
    max: most,
    name,
    nameLocation: "middle",
    nameGap: gap,
    nameTextStyle: { color: ink.soft, fontSize: 12, ...FONT },
    axisLine: { show: true, lineStyle: { color: ink.soft } },
    axisLabel: {
      color: ink.soft,
      fontSize: 11,
      showMaxLabel: false,
      ...FONT,
      formatter: (value: number) => String(Number(value.toPrecision(6))),
    },
    splitLine: { show: false },
    axisTick: { show: true, lineStyle: { color: ink.soft } },
    splitNumber: 5,
  };
}

/** A line that does not answer to the pointer; its name stands at its end. */
export function line(
  data: (Pair | [number, null])[],
  color: string,
  width: number,
  type: string | number[],
  name = "",
  paper = "transparent",
): object {
  return {
    type: "line",
    data,
    showSymbol: false,
    silent: true,
    clip: true,
    lineStyle: { color, width, type },
    endLabel: {
      show: Boolean(name),
      formatter: name,
      color,
      fontSize: 11,
      offset: [-4, -8],
      align: "right",
      backgroundColor: paper,
      padding: [1, 3],
    },
  };
}

/** A dot with words beside it; a size of 0 leaves the words alone. */
export function dot(
  at: Pair,
  text: string,
  color: string,
  size: number,
  fill: string,
  position: string | Pair = "right",
  paper = fill,
): object {
  return {
    type: "scatter",
    data: [at],
    symbolSize: size,
    silent: true,
    z: size > 10 ? 8 : 5,
    itemStyle: { color: fill, borderColor: color, borderWidth: 1.6 },
    label: {
      show: Boolean(text),
      formatter: text,
      position,
      color,
      fontSize: size > 0 ? 12 : 11,
      fontWeight: size > 10 ? 500 : 400,
      textBorderWidth: 0,
      backgroundColor: paper,
      padding: [1, 3],
    },
    labelLayout: { hideOverlap: size <= 10, moveOverlap: "shiftY" },
  };
}
