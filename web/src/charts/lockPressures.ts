// Pressures at the calipers at which each axle locks, over speed, with those of the driver's design effort.
import type { StateAnswer, StateSurvey, Survey } from "@/api/client";
import { show, unitOf } from "@/units/units";
import { axis, cell, dot, FONT, inUnit, line, overSpeeds } from "./axes";
import type { ChartOption } from "./echarts";
import type { Ink } from "./ink";

export function lockPressuresOption(
  survey: Survey,
  of: StateSurvey,
  current: StateAnswer,
  ink: Ink,
): ChartOption {
  const { speeds, front_pressure: front, rear_pressure: rear } = survey;
  const all = [...of.front_lock_pressure, ...of.rear_lock_pressure, front, rear];
  const top = 1.12 * Math.max(...all.map((one) => one ?? 0));
  const fastest = inUnit(speeds.at(-1) ?? 1, "speed");
  const first = current.first;
  const flat = (pressure: number): number[] => speeds.map(() => pressure);
  return {
    animation: false,
    textStyle: FONT,
    grid: { left: 54, right: 18, top: 12, bottom: 40 },
    xAxis: axis(`speed, ${unitOf("speed").symbol}`, 0, fastest, 24, ink),
    yAxis: axis(
      `pressure at the calipers, ${unitOf("pressure").symbol}`,
      0,
      inUnit(top, "pressure"),
      36,
      ink,
    ),
    series: [
      line(overSpeeds(speeds, flat(front), "pressure"), ink.front, 1, "solid"),
      line(overSpeeds(speeds, flat(rear), "pressure"), ink.rear, 1, [2, 3]),
      line(overSpeeds(speeds, of.front_lock_pressure, "pressure"), ink.front, 2.4, "solid"),
      line(overSpeeds(speeds, of.rear_lock_pressure, "pressure"), ink.rear, 2.4, [9, 4]),
      dot(
        [inUnit(current.state.speed, "speed"), inUnit(current[first].at_first_lock.pressure, "pressure")],
        `${first} locks, ${show(current[first].at_first_lock.pressure, "pressure")}`,
        ink[first],
        13,
        ink[first],
        inUnit(current.state.speed, "speed") > 0.55 * fastest ? "left" : "right",
        ink.paper,
      ),
    ],
  };
}

/** Where the pedal must come up as the car slows. */
export function lockPressuresWords(survey: Survey, of: StateSurvey, push: string): string {
  const under = of.push_locks_under ?? null;
  if (under === null) return `${of.state}: ${push} never locks a wheel.`;
  const top = survey.speeds.at(-1) ?? 0;
  if (under >= top) return `${of.state}: ${push} locks a wheel at any speed.`;
  return `${of.state}: under ${show(under, "speed")} ${push} locks a wheel: the pedal must come up.`;
}

/** In the units shown. */
export function lockPressuresRows(survey: Survey): (string | number)[][] {
  const bar = unitOf("pressure").symbol;
  return [
    [
      "state",
      `speed ${unitOf("speed").symbol}`,
      ...["front locks at", "rear locks at", "front, design effort", "rear, design effort"].map(
        (one) => `${one} ${bar}`,
      ),
    ],
    ...survey.states.flatMap((one) =>
      survey.speeds.map((at, index) => [
        one.state,
        cell(at, "speed"),
        ...[
          one.front_lock_pressure[index],
          one.rear_lock_pressure[index],
          survey.front_pressure,
          survey.rear_pressure,
        ].map((pressure) => cell(pressure, "pressure")),
      ]),
    ),
  ];
}
