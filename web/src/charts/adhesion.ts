// Adhesion utilised over the braking rate, with the limits for road cars as a reference line.
import type { AdhesionCurves } from "@/api/client";
import { show, showPhrase, unitOf } from "@/units/units";
import { axis, dot, FONT, line, type Pair } from "./axes";
import type { ChartOption } from "./echarts";
import type { Ink } from "./ink";

const shown = (rate: number): number => rate / unitOf("deceleration").factor;
const points = (rates: readonly number[], row: readonly (number | null)[]): (Pair | [number, null])[] =>
  rates.map((rate, index) => [shown(rate), row[index] ?? null] as Pair);
const at = (rates: readonly number[], row: readonly (number | null)[], rate: number): number | null => {
  const index = rates.findIndex((one) => one >= rate - 1e-9);
  return index < 0 ? null : (row[index] ?? null);
};

export function adhesionOption(
  of: AdhesionCurves,
  grip: number,
  ghost: AdhesionCurves | null,
  ink: Ink,
): ChartOption {
  const most = Math.max(1, 1.15 * grip);
  const last = shown(of.rates.at(-1) ?? 1);
  const current = shown(of.top_rate);
  const marks: object[] = [];
  if (of.rear_takes_over !== null && of.rear_above_from === null) {
    const needed = at(of.rates, of.front, of.rear_takes_over);
    if (needed !== null) {
      const words = `rear takes over, ${show(of.rear_takes_over, "deceleration")}`;
      marks.push(dot([shown(of.rear_takes_over), needed], words, ink.ink, 9, ink.paper, "right"));
    }
  }
  if (of.rear_above_from !== null) {
    const needed = at(of.rates, of.front, of.rear_above_from);
    if (needed !== null)
      marks.push(
        dot(
          [shown(of.rear_above_from), needed],
          `rear above from ${show(of.rear_above_from, "deceleration")}`,
          ink.bad,
          11,
          ink.bad,
          "right",
          ink.paper,
        ),
      );
  } else if (of.over_line_at !== null) {
    const needed = at(of.rates, of.front, of.over_line_at) ?? 0;
    marks.push(
      dot(
        [shown(of.over_line_at), needed],
        `over the line at ${show(of.over_line_at, "deceleration")}`,
        ink.bad,
        11,
        ink.bad,
        "right",
        ink.paper,
      ),
    );
  }
  return {
    animation: false,
    textStyle: FONT,
    grid: { left: 50, right: 18, top: 12, bottom: 40 },
    xAxis: axis(`braking rate, ${unitOf("deceleration").symbol}`, 0, last, 24, ink),
    yAxis: axis("friction needed, each axle", 0, most, 34, ink),
    series: [
      line(
        [
          [0, grip],
          [last, grip],
        ],
        ink.soft,
        1,
        [1, 3],
        "grip here",
        ink.paper,
      ),
      line(points(of.line_rates, of.line), ink.ink, 1.2, [8, 3, 1, 3]),
      dot(
        [shown(of.line_rates.at(-1) ?? 0), of.line.at(-1) ?? 0],
        "road-car line",
        ink.ink,
        0,
        ink.paper,
        "top",
      ),
      ...(ghost
        ? [
            line(points(ghost.rates, ghost.front), ink.soft, 1.2, [2, 3]),
            line(points(ghost.rates, ghost.rear), ink.soft, 1.2, [2, 3]),
          ]
        : []),
      line(points(of.rates, of.front), ink.front, 2.2, "solid"),
      line(points(of.rates, of.rear), ink.rear, 2.2, [8, 4]),
      dot(
        [current, of.front_at_top],
        marks.length ? "" : `front ${of.front_at_top.toFixed(2)}`,
        ink.front,
        9,
        ink.front,
        "top",
        ink.paper,
      ),
      ...(of.rear_at_top !== null
        ? [
            dot(
              [current, of.rear_at_top],
              marks.length ? "" : `rear ${of.rear_at_top.toFixed(2)}`,
              ink.rear,
              9,
              ink.paper,
              "bottom",
            ),
          ]
        : []),
      ...marks,
    ],
  };
}

export const adhesionWords = (of: AdhesionCurves): string => showPhrase(of.words);

export function adhesionRows(all: readonly AdhesionCurves[]): (string | number)[][] {
  return [
    ["load", `braking rate ${unitOf("deceleration").symbol}`, "front", "rear"],
    ...all.flatMap((one) =>
      one.rates.map((rate, index) => [
        one.load,
        shown(rate).toFixed(3),
        (one.front[index] ?? 0).toFixed(4),
        one.rear[index]?.toFixed(4) ?? "",
      ]),
    ),
  ];
}
