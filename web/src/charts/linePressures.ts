// Line pressures over the foot force, with the pressures at which each axle locks as the load moves forward.
import type { HydraulicsAnalysis, StateAnswer, StateHydraulics } from "@/api/client";
import { show, unitOf } from "@/units/units";
import { axis, dot, FONT, inUnit, line, type Pair } from "./axes";
import type { ChartOption } from "./echarts";
import type { Ink } from "./ink";

// From the corner of its symbol, px.
const UNDER: Pair = [12, 18];

const points = (feet: readonly number[], pressures: readonly number[]): Pair[] =>
  pressures.map((pressure, index) => [inUnit(feet[index] ?? 0, "force"), inUnit(pressure, "pressure")]);

/** The pressure of a row at a foot force between its points. */
export function pressureAt(feet: readonly number[], row: readonly number[], foot: number): number {
  const after = feet.findIndex((one) => one >= foot);
  if (after <= 0) return row.at(after < 0 ? -1 : 0) ?? 0;
  const [low, high] = [feet[after - 1] ?? 0, feet[after] ?? 0];
  const part = high > low ? (foot - low) / (high - low) : 0;
  return (row[after - 1] ?? 0) * (1 - part) + (row[after] ?? 0) * part;
}

export function linePressuresOption(
  of: StateHydraulics,
  current: StateAnswer,
  ghost: StateHydraulics | null,
  ink: Ink,
): ChartOption {
  const { curve } = of;
  const feet = curve.foot_forces;
  const most = inUnit(feet.at(-1) ?? 1, "force");
  const top = 1.12 * Math.max(...curve.front.map((pressure) => inUnit(pressure, "pressure")), 1e-9);
  const [sooner, later] = [current.front, current.rear]
    .map((one) => one.lock_foot_force ?? Infinity)
    .sort((a, b) => a - b);
  const close = inUnit((later ?? Infinity) - (sooner ?? 0), "force") < 0.3 * most;
  const lock = (axle: "front" | "rear", at: number | null): object[] => {
    if (at === null || inUnit(at, "force") > most) return [];
    const first = current.first === axle;
    const place: Pair = [inUnit(at, "force"), inUnit(pressureAt(feet, curve[axle], at), "pressure")];
    const words = `${axle} locks, ${show(at, "force")}`;
    // The first to lock has its words on the side with more room, or under its line where the other follows closely.
    const late = inUnit(current.first_foot_force, "force") > 0.4 * most;
    const side = first ? (late ? "left" : close ? UNDER : "right") : late || close ? "right" : "bottom";
    const fill = first ? ink[axle] : ink.paper;
    return [dot(place, words, ink[axle], first ? 13 : 8, fill, side, ink.paper)];
  };
  return {
    animation: false,
    textStyle: FONT,
    grid: { left: 54, right: 16, top: 10, bottom: 40 },
    xAxis: axis(`foot force, ${unitOf("force").symbol}`, 0, most, 24, ink),
    yAxis: axis(`line pressure at the calipers, ${unitOf("pressure").symbol}`, 0, top, 36, ink),
    series: [
      line(points(feet, curve.front_locks_at), ink.front, 1, "solid"),
      line(points(feet, curve.rear_locks_at), ink.rear, 1, [2, 3]),
      ...(ghost
        ? [
            line(points(ghost.curve.foot_forces, ghost.curve.front), ink.soft, 1.2, [2, 3]),
            line(points(ghost.curve.foot_forces, ghost.curve.rear), ink.soft, 1.2, [2, 3]),
          ]
        : []),
      line(points(feet, curve.front), ink.front, 2.4, "solid"),
      // Dashed on top: where both lines have one pressure, both are seen.
      line(points(feet, curve.rear), ink.rear, 2.4, [9, 4]),
      ...lock("rear", current.rear.lock_foot_force),
      ...lock("front", current.front.lock_foot_force),
    ],
  };
}

export function linePressuresWords(of: StateHydraulics, current: StateAnswer): string {
  const at = current.first_foot_force;
  const { curve } = of;
  const [front, rear] = [curve.front, curve.rear].map((row) =>
    show(pressureAt(curve.foot_forces, row, at), "pressure"),
  );
  return `${of.state}: the ${current.first} locks first at ${show(at, "force")} of foot, front line ${front}, rear ${rear}.`;
}

/** In the units shown. */
export function linePressuresRows(work: HydraulicsAnalysis): (string | number)[][] {
  const force = unitOf("force").symbol;
  const pressure = unitOf("pressure").symbol;
  return [
    [
      "state",
      `foot ${force}`,
      ...["front", "rear", "front locks at", "rear locks at"].map((name) => `${name} ${pressure}`),
    ],
    ...work.states.flatMap(({ state, curve }) =>
      curve.foot_forces.map((foot, index) => [
        state,
        inUnit(foot, "force").toPrecision(6),
        ...[curve.front, curve.rear, curve.front_locks_at, curve.rear_locks_at].map((row) =>
          inUnit(row[index] ?? 0, "pressure").toPrecision(6),
        ),
      ]),
    ),
  ];
}
