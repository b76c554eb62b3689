// Deceleration over speed in the state looked at: what the tyres allow, what the setup holds, where each axle locks.
import type { StateAnswer, StateSurvey, Survey } from "@/api/client";
import { show, unitOf } from "@/units/units";
import { axis, dot, FONT, line, type Pair } from "./axes";
import type { ChartOption } from "./echarts";
import type { Ink } from "./ink";

type Row = readonly (number | null)[];

const inUnit = (value: number, dimension: string): number => value / unitOf(dimension).factor;
const points = (speeds: Row, row: Row): (Pair | [number, null])[] =>
  row.map((value, index) => {
    const speed = inUnit(speeds[index] ?? 0, "speed");
    return value === null ? [speed, null] : [speed, inUnit(value, "deceleration")];
  });

const tenths = (value: number): number => Math.floor(value * 10) / 10;

export function overSpeedOption(
  survey: Survey,
  of: StateSurvey,
  current: StateAnswer,
  ghost: StateSurvey | null,
  ink: Ink,
): ChartOption {
  const { speeds } = survey;
  const top = 1.1 * Math.max(...survey.states.flatMap((one) => one.limit));
  const low = 0.85 * Math.min(...survey.states.flatMap((one) => [...one.limit, ...of.held]));
  const others = survey.states.filter((one) => one.state !== of.state);
  const fastest = inUnit(speeds.at(-1) ?? 1, "speed");
  const rear = current.first === "rear";
  return {
    animation: false,
    textStyle: FONT,
    grid: { left: 54, right: 18, top: 12, bottom: 40 },
    xAxis: axis(`speed, ${unitOf("speed").symbol}`, 0, fastest, 24, ink),
    yAxis: axis(
      `deceleration, ${unitOf("deceleration").symbol}`,
      tenths(inUnit(low, "deceleration")),
      inUnit(top, "deceleration"),
      36,
      ink,
    ),
    series: [
      ...others.map((one) => line(points(speeds, one.limit), ink.soft, 0.7, "solid")),
      line(points(speeds, of.front_lock), ink.front, 1.3, "solid"),
      line(points(speeds, of.rear_lock), ink.rear, 1.3, [6, 4]),
      line(points(speeds, of.limit), ink.ink, 1.2, "solid", "tyres' limit", ink.paper),
      ...(ghost ? [line(points(speeds, ghost.held), ink.soft, 1.4, [2, 3])] : []),
      { ...line(points(speeds, of.held), ink.ink, 3, "solid"), z: 4 },
      dot(
        [inUnit(current.state.speed, "speed"), inUnit(current.first_deceleration, "deceleration")],
        `${current.state.name}: ${current.first} locks, ${show(current.first_deceleration, "deceleration")}`,
        rear ? ink.rear : ink.front,
        13,
        rear ? ink.rear : ink.front,
        inUnit(current.state.speed, "speed") > 0.55 * fastest ? "left" : "right",
        ink.paper,
      ),
    ],
  };
}

export function overSpeedWords(survey: Survey, of: StateSurvey): string {
  const ends = [0, survey.speeds.length - 1].map(
    (index) =>
      `at ${show(survey.speeds[index], "speed")} the tyres allow ${show(of.limit[index], "deceleration")}, ` +
      `the setup holds ${show(of.held[index], "deceleration")}`,
  );
  return `${of.state}: ${ends.join("; ")}.`;
}

/** In the units shown. */
export function overSpeedRows(survey: Survey): (string | number)[][] {
  const speed = unitOf("speed").symbol;
  const g = unitOf("deceleration").symbol;
  const number = (value: number | null | undefined, dimension: string): string =>
    value === null || value === undefined ? "" : inUnit(value, dimension).toPrecision(6);
  return [
    ["state", `speed ${speed}`, `limit ${g}`, `held ${g}`, `front locks ${g}`, `rear locks ${g}`],
    ...survey.states.flatMap((one) =>
      survey.speeds.map((at, index) => [
        one.state,
        number(at, "speed"),
        ...[one.limit, one.held, one.front_lock, one.rear_lock].map((row) =>
          number(row[index], "deceleration"),
        ),
      ]),
    ),
  ];
}
