// Deceleration over speed in the current state: what the tyres allow, what the setup holds, where each axle locks.
import type { StateAnswer, StateSurvey, Survey } from "@/api/client";
import { show, unitOf } from "@/units/units";
import { axis, cell, dot, FONT, inUnit, line, overSpeeds } from "./axes";
import type { ChartOption } from "./echarts";
import type { Ink } from "./ink";

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
      ...others.map((one) => line(overSpeeds(speeds, one.limit, "deceleration"), ink.soft, 0.7, "solid")),
      line(overSpeeds(speeds, of.front_lock, "deceleration"), ink.front, 1.3, "solid"),
      line(overSpeeds(speeds, of.rear_lock, "deceleration"), ink.rear, 1.3, [6, 4]),
      line(overSpeeds(speeds, of.limit, "deceleration"), ink.ink, 1.2, "solid", "tyres' limit", ink.paper),
      ...(ghost ? [line(overSpeeds(speeds, ghost.held, "deceleration"), ink.soft, 1.4, [2, 3])] : []),
      { ...line(overSpeeds(speeds, of.held, "deceleration"), ink.ink, 3, "solid"), z: 4 },
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
  return [
    ["state", `speed ${speed}`, `limit ${g}`, `held ${g}`, `front locks ${g}`, `rear locks ${g}`],
    ...survey.states.flatMap((one) =>
      survey.speeds.map((at, index) => [
        one.state,
        cell(at, "speed"),
        ...[one.limit, one.held, one.front_lock, one.rear_lock].map((row) =>
          cell(row[index], "deceleration"),
        ),
      ]),
    ),
  ];
}
