// Peak and lowest temperature over hose size, with the pad's window and the band of the model: the hottest and the coldest
// session of the car with each duct.
import type { AxleName, DuctRow, DuctSizing } from "@/api/client";
import { show, showNumber, unitOf } from "@/units/units";
import { axis, FONT, line, type Pair } from "./axes";
import type { ChartOption } from "./echarts";
import type { Ink } from "./ink";

/** Those that are sizes: none, and every hose; other ways stand in the list. */
export const sizesOf = (sizing: DuctSizing): DuctRow[] =>
  sizing.rows.filter((row) => row.key === "none" || row.bore !== null);

export function sizingOption(
  sizing: DuctSizing,
  axle: AxleName,
  ink: Ink,
  onTheCar: DuctRow | null,
): ChartOption {
  const { factor, offset, symbol } = unitOf("temperature");
  const inUnit = (kelvin: number): number => kelvin / factor - offset;
  const rows = sizesOf(sizing);
  const peaks = rows.map((row, at): Pair => [at, inUnit(row.hottest)]);
  const lows = rows.map((row, at): Pair => [at, inUnit(row.coldest)]);
  const band = sizing.band / factor;
  const values = [...peaks, ...lows].map((pair) => pair[1]);
  const least = Math.floor((Math.min(...values, inUnit(sizing.low)) - 30) / 50) * 50;
  const most = Math.ceil((Math.max(...values, inUnit(sizing.high)) + band) / 50) * 50;
  const color = axle === "front" ? ink.front : ink.rear;
  const dashes: string | number[] = axle === "front" ? "solid" : [6, 4];
  const answer = sizing.answer === null ? undefined : rows.indexOf(sizing.rows[sizing.answer]!);
  const fitted = rows.findIndex((row) => row === onTheCar);
  const edge = (kelvin: number, words: string, position: string): object => ({
    yAxis: inUnit(kelvin),
    lineStyle: { color: ink.soft, width: 1, type: [2, 3] },
    label: {
      formatter: `${words} ${show(kelvin, "temperature")}`,
      position,
      color: ink.soft,
      fontSize: 11,
      ...FONT,
    },
  });
  const mark = (at: number, text: string, filled: boolean): object => ({
    type: "scatter",
    data: [peaks[at]],
    symbolSize: 10,
    silent: true,
    z: 6,
    itemStyle: { color: filled ? color : ink.paper, borderColor: color, borderWidth: 1.8 },
    label: {
      show: true,
      formatter: text,
      position: "top",
      color: ink.ink,
      fontSize: 11,
      fontWeight: 500,
      backgroundColor: ink.paper,
      padding: [1, 3],
      ...FONT,
    },
  });
  return {
    animation: false,
    grid: { left: 46, right: 14, top: 22, bottom: 40 },
    xAxis: {
      ...axis("hose", -0.3, rows.length - 0.7, 26, ink),
      interval: 1,
      axisLabel: {
        color: ink.soft,
        fontSize: 11,
        interval: 0,
        ...FONT,
        formatter: (value: number) => (Number.isInteger(value) && rows[value] ? rows[value].label : ""),
      },
      min: 0,
      max: rows.length - 1,
    },
    yAxis: axis(`surface of the disc, ${symbol}`, least, most, 34, ink),
    series: [
      {
        ...line(peaks, color, 2, dashes),
        showSymbol: true,
        symbolSize: 5,
        itemStyle: { color },
        markArea: {
          silent: true,
          itemStyle: { color: ink.tint, opacity: 0.8 },
          data: [[{ yAxis: inUnit(sizing.low) }, { yAxis: inUnit(sizing.high) }]],
        },
        markLine: {
          silent: true,
          symbol: "none",
          data: [edge(sizing.high, "fades", "insideEndTop"), edge(sizing.low, "bites", "insideStartBottom")],
        },
      },
      line(
        peaks.map(([at, peak]): Pair => [at, peak + band]),
        ink.rule,
        1,
        "solid",
      ),
      line(
        peaks.map(([at, peak]): Pair => [at, peak - band]),
        ink.rule,
        1,
        "solid",
      ),
      { ...line(lows, color, 1.2, [2, 2]), showSymbol: true, symbolSize: 4, itemStyle: { color } },
      ...(fitted >= 0 ? [mark(fitted, "fitted", false)] : []),
      ...(answer !== undefined && answer >= 0 && answer !== fitted ? [mark(answer, "holds", true)] : []),
    ],
  } as ChartOption;
}

export function sizingRows(sizing: DuctSizing): (string | number)[][] {
  const head = ["duct", "session", "peak", "lowest", "air through the vanes at 40 m/s", "stands"];
  const rows = sizing.rows.flatMap((row) =>
    row.sessions.map((one) => [
      row.title,
      one.session,
      showNumber(one.peak, "temperature"),
      showNumber(one.low, "temperature"),
      showNumber(row.flow, "air flow"),
      one.word,
    ]),
  );
  return [head, ...rows];
}

export const sizingWords = (sizing: DuctSizing): string =>
  `${sizing.word}. ${sizesOf(sizing)
    .map((row) => `${row.title}: ${show(row.hottest, "temperature")} at most`)
    .join("; ")}`;
