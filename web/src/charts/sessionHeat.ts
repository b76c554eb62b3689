// A session over time: above the discs of both axles with the pads' window, below the fluid with its boiling point.
import type { AxleName, AxleSeries, SessionHeat, SimulatedSession } from "@/api/client";
import { show, showNumber, unitOf } from "@/units/units";
import { axis, FONT, line, type Pair } from "./axes";
import type { ChartOption } from "./echarts";
import type { Ink } from "./ink";

/** What is drawn: from and to which time, s; where the cursor stands; the runs to compare with. */
export interface Look {
  from: number;
  to: number;
  cursor: number;
  ghosts: readonly { label: string; simulated: SimulatedSession }[];
}

type Shown = (kelvin: number) => number;
/** From K to the unit shown, looked up once for the thousands of points that are drawn. */
function shownIn(): Shown {
  const { factor, offset } = unitOf("temperature");
  return (kelvin) => kelvin / factor - offset;
}
const minutes = (seconds: number): number => seconds / 60;
const DASHES: Record<AxleName, string | number[]> = { front: "solid", rear: [6, 4] };
const AXLES: AxleName[] = ["front", "rear"];

const seriesOf = (heat: SessionHeat, axle: AxleName): AxleSeries =>
  axle === "front" ? heat.front_series : heat.rear_series;

const pairs = (heat: SessionHeat, values: readonly number[], inUnit: Shown): Pair[] =>
  values.map((value, at) => [minutes(heat.times[at] ?? 0), inUnit(value)]);

/** The highest or lowest of each fast lap, at its time. */
function envelope(heat: SessionHeat, axle: AxleName, most: boolean, inUnit: Shown): Pair[] {
  const { surface } = seriesOf(heat, axle);
  return heat.parts
    .filter((part) => part.kind === "fast")
    .flatMap((part): Pair[] => {
      let found: Pair | null = null;
      heat.times.forEach((time, at) => {
        const value = surface[at];
        if (value === undefined || time < part.begin || time > part.end) return;
        if (!found || (most ? value > found[1] : value < found[1])) found = [time, value];
      });
      const pair = found as Pair | null;
      return pair ? [[minutes(pair[0]), inUnit(pair[1])]] : [];
    });
}

const upTo = (values: readonly number[]): number => Math.max(...values);

/** The names of the session's phases above the chart, as many as fit. */
function partNames(heat: SessionHeat, look: Look, ink: Ink): object[] {
  const shown = heat.parts.filter((part) => part.end > look.from && part.begin < look.to);
  const short = (name: string): string =>
    name
      .replace(/^(lap|cool-down lap) ?/, (_, kind: string) => (kind === "lap" ? "" : "cool "))
      .replace("out-lap", "out")
      .replace("slowing down", "");
  const every = Math.ceil(shown.length / 16);
  // As many per cent of the width as the name takes.
  let free = -Infinity;
  const fits = shown.map((part, at) => {
    const begins = (100 * (Math.max(part.begin, look.from) - look.from)) / Math.max(1, look.to - look.from);
    if (begins < free || at % every) return false;
    free = begins + 1.2 + 0.75 * short(part.name).length;
    return true;
  });
  return shown.map((part, at) => ({
    xAxis: minutes(part.begin),
    lineStyle: { color: ink.rule, width: 1, type: "solid" },
    label: {
      show: fits[at],
      formatter: short(part.name),
      position: "insideEndTop",
      rotate: 0,
      align: "left",
      offset: [3, -2],
      color: ink.soft,
      fontSize: 11,
      ...FONT,
    },
  }));
}

const rule = (
  at: object,
  text: string,
  color: string,
  type: string | number[],
  position = "insideStartTop",
): object => ({
  ...at,
  lineStyle: { color, width: 1.2, type },
  label: { show: Boolean(text), formatter: text, position, color, fontSize: 11, ...FONT },
});

export function sessionOption(simulated: SimulatedSession, look: Look, ink: Ink): ChartOption {
  const { heat } = simulated;
  const inUnit = shownIn();
  const unit = unitOf("temperature").symbol;
  const all = [...heat.front_series.surface, ...heat.rear_series.surface, heat.front.high];
  const top = Math.ceil(inUnit(upTo(all) + 30) / 50) * 50;
  const wets = [...heat.front_series.wet, ...heat.rear_series.wet, heat.fluid.boils];
  const wetTop = Math.ceil(inUnit(upTo(wets) + 15) / 20) * 20;
  const least = Math.floor(inUnit(Math.min(heat.ambient, ...heat.front_series.surface)) / 50) * 50;
  const range: [number, number] = [minutes(look.from), minutes(look.to)];
  const sameWindow = heat.front.low === heat.rear.low && heat.front.high === heat.rear.high;
  const xAxis = (title: string, grid: number): object => ({
    ...axis(title, range[0], range[1], 24, ink),
    gridIndex: grid,
    axisLabel: { show: grid === 1, showMaxLabel: false, color: ink.soft, fontSize: 11, ...FONT },
  });
  const band = (of: SessionHeat[AxleName]): object[] => [
    { yAxis: inUnit(of.low) },
    { yAxis: inUnit(of.high) },
  ];
  const cursor = rule({ xAxis: minutes(look.cursor) }, "", ink.ink, "solid");
  const windows = AXLES.filter((axle) => axle === "front" || !sameWindow).flatMap((axle) =>
    sameWindow
      ? []
      : [
          rule(
            { yAxis: inUnit(heat[axle].high) },
            `${axle} pads fade`,
            ink[axle],
            DASHES[axle],
            "insideEndTop",
          ),
          rule(
            { yAxis: inUnit(heat[axle].low) },
            `${axle} pads bite`,
            ink[axle],
            DASHES[axle],
            "insideEndBottom",
          ),
        ],
  );
  const dots: object[] = AXLES.map((axle) => ({
    type: "scatter",
    silent: true,
    symbolSize: 9,
    z: 6,
    symbol: axle === "front" ? "circle" : "diamond",
    itemStyle: { color: ink.paper, borderColor: ink[axle], borderWidth: 2 },
    data: [[minutes(look.cursor), inUnit(at(heat, seriesOf(heat, axle).surface, look.cursor))]],
  }));
  return {
    animation: false,
    textStyle: FONT,
    grid: [
      { left: 56, right: 14, top: 20, bottom: "47%", outerBoundsMode: "none" },
      { left: 56, right: 14, bottom: 40, top: "62%", outerBoundsMode: "none" },
    ],
    xAxis: [xAxis("", 0), xAxis("time, min", 1)],
    yAxis: [
      { ...axis(`disc surface, ${unit}`, least, top, 38, ink), gridIndex: 0 },
      { ...axis(`fluid, ${unit}`, least, wetTop, 38, ink), gridIndex: 1, splitNumber: 3 },
    ],
    // Each with a name of its own, so that a moving slider changes the lines that are there.
    series: [
      {
        ...line([], ink.soft, 0, "solid"),
        markArea: {
          silent: true,
          itemStyle: { color: ink.tint },
          data: sameWindow ? [band(heat.front)] : [],
        },
        markLine: { silent: true, symbol: "none", data: [...partNames(heat, look, ink), ...windows, cursor] },
      },
      ...look.ghosts.flatMap((ghost, number) =>
        AXLES.flatMap((axle) => [
          line(
            envelope(ghost.simulated.heat, axle, true, inUnit),
            ink.soft,
            1.2,
            DASHES[axle],
            axle === "front" ? `${number + 1}` : "",
          ),
          {
            ...line(
              pairs(ghost.simulated.heat, seriesOf(ghost.simulated.heat, axle).wet, inUnit),
              ink.soft,
              1,
              DASHES[axle],
            ),
            xAxisIndex: 1,
            yAxisIndex: 1,
          },
        ]),
      ),
      ...AXLES.flatMap((axle) => [
        {
          ...line(pairs(heat, seriesOf(heat, axle).surface, inUnit), ink[axle], 0.8, DASHES[axle]),
          lineStyle: { color: ink[axle], width: 0.8, type: DASHES[axle], opacity: 0.65 },
        },
        line(envelope(heat, axle, true, inUnit), ink[axle], 2.6, DASHES[axle]),
        line(envelope(heat, axle, false, inUnit), ink[axle], 1.6, DASHES[axle]),
        {
          ...line(pairs(heat, seriesOf(heat, axle).wet, inUnit), ink[axle], 2, DASHES[axle]),
          xAxisIndex: 1,
          yAxisIndex: 1,
        },
        {
          ...line(pairs(heat, seriesOf(heat, axle).fluid, inUnit), ink[axle], 0.8, DASHES[axle]),
          xAxisIndex: 1,
          yAxisIndex: 1,
        },
      ]),
      {
        ...line([], ink.bad, 0, "solid"),
        xAxisIndex: 1,
        yAxisIndex: 1,
        markLine: {
          silent: true,
          symbol: "none",
          data: [
            rule(
              { yAxis: inUnit(heat.fluid.boils) },
              `fluid boils, ${showNumber(heat.fluid.water, "share")} % water: ${show(heat.fluid.boils, "temperature")}`,
              ink.bad,
              [8, 3, 2, 3],
            ),
            cursor,
          ],
        },
      },
      ...dots,
    ].map((one, place) => ({ ...one, id: `line ${place} of ${look.ghosts.length}` })),
  };
}

/** The value of a series at a time, between its points. */
export function at(heat: SessionHeat, values: readonly number[], time: number): number {
  const { times } = heat;
  let low = 0;
  let high = times.length - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((times[middle] ?? 0) <= time) low = middle;
    else high = middle;
  }
  const [before = 0, after = 1] = [times[low], times[high]];
  const part = Math.min(1, Math.max(0, (time - before) / Math.max(1e-9, after - before)));
  return (values[low] ?? 0) * (1 - part) + (values[high] ?? 0) * part;
}

export function sessionWords(simulated: SimulatedSession): string {
  const { heat, verdict } = simulated;
  const peaks = AXLES.map(
    (axle) =>
      `${axle} discs at most ${show(heat[axle].surface_peak.value, "temperature")} at ${heat[axle].surface_peak.place}`,
  );
  return `${heat.session}: ${verdict.word}. ${peaks.join("; ")}. Fluid boils at ${show(heat.fluid.boils, "temperature")}.`;
}

/** In the units shown. */
export function sessionRows(heat: SessionHeat): (string | number)[][] {
  const inUnit = shownIn();
  const unit = unitOf("temperature").symbol;
  const columns = [
    ["surface", "surface"],
    ["bulk", "whole disc"],
    ["caliper", "caliper"],
    ["fluid", "fluid"],
    ["wet", "fluid at pistons"],
  ] as const;
  const sided = [
    ["faces", "face"],
    ["pad_faces", "pad face"],
    ["pads", "pad"],
    ["plates", "plate"],
    ["pistons", "piston"],
  ] as const;
  const number = (kelvin: number | undefined): string =>
    kelvin === undefined ? "" : inUnit(kelvin).toFixed(1);
  const names = AXLES.flatMap((axle) => [
    ...columns.map(([, name]) => `${axle} ${name} ${unit}`),
    ...sided.flatMap(([, name]) => ["inboard", "outboard"].map((side) => `${axle} ${name} ${side} ${unit}`)),
  ]);
  return [
    ["time s", ...names],
    ...heat.times.map((time, place) => [
      time.toFixed(2),
      ...AXLES.flatMap((axle) => {
        const series = seriesOf(heat, axle);
        return [
          ...columns.map(([key]) => number(series[key][place])),
          ...sided.flatMap(([key]) => [0, 1].map((side) => number(series[key][side]?.[place]))),
        ];
      }),
    ]),
  ];
}
