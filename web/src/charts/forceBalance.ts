// What the force balance chart draws: front over rear brake force, the ideal curves, the setup's own line, its lock points.
import type { Assessment, StateAnswer } from "@/api/client";
import { show, showNumber, unitOf } from "@/units/units";
import type { ChartOption } from "./echarts";
import type { Ink } from "./ink";

type Pair = [number, number];
interface Point {
  front: number;
  rear: number;
}

const shown = (force: number): number => force / unitOf("force").factor;
const pair = (point: Point): Pair => [shown(point.rear), shown(point.front)];

/** The lock point of the axle that locks second, where it ever does. */
const secondLock = ({ first, force_balance: balance }: StateAnswer): Point | null =>
  first === "rear" ? balance.front_lock : balance.rear_lock;

/** The largest rear and front force that must be seen. */
export function reach(assessment: Assessment, ghost: StateAnswer | null, looked: StateAnswer): Pair {
  const points = [
    ...assessment.states.flatMap((answer) => [answer.force_balance.limit, answer.force_balance.first_lock]),
    ...(ghost ? [ghost.force_balance.first_lock] : []),
  ];
  const most = (of: (point: Point) => number): number => Math.max(...points.map(of));
  // The second lock point may lie far out: it is shown where it does not make the rest small.
  const second = secondLock(looked);
  const far = second && second.front < 1.5 * most((point) => point.front) ? second : { front: 0, rear: 0 };
  return [
    1.18 *
      Math.max(
        most((point) => point.rear),
        far.rear,
      ),
    1.12 *
      Math.max(
        most((point) => point.front),
        far.front,
      ),
  ];
}

function line(
  data: Pair[],
  color: string,
  width: number,
  type: string | number[],
  name = "",
  at = "end",
): object {
  return {
    type: "line",
    data,
    showSymbol: false,
    silent: true,
    clip: true,
    lineStyle: { color, width, type },
    endLabel: {
      show: Boolean(name) && at === "end",
      formatter: name,
      color,
      fontSize: 11,
      offset: [-4, -8],
      align: "right",
    },
  };
}

function dot(
  point: Point,
  text: string,
  color: string,
  size: number,
  fill: string,
  position = "right",
  paper = fill,
): object {
  return {
    type: "scatter",
    data: [pair(point)],
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

export function forceBalanceOption(
  assessment: Assessment,
  looked: StateAnswer,
  ghost: StateAnswer | null,
  ink: Ink,
): ChartOption {
  const balance = looked.force_balance;
  const [farRear, farFront] = reach(assessment, ghost, looked);
  const font = { fontFamily: "Fira Sans Condensed, Fira Sans, sans-serif" };
  const unit = unitOf("force").symbol;
  const along = (share: number): Pair[] => {
    const total = Math.min(farRear / Math.max(1 - share, 1e-9), farFront / share);
    return [[0, 0], pair({ front: total * share, rear: total * (1 - share) })];
  };
  const axis = (name: string, most: number) => ({
    type: "value",
    min: 0,
    max: shown(most),
    name,
    nameLocation: "middle",
    nameTextStyle: { color: ink.soft, fontSize: 12, ...font },
    axisLine: { show: true, lineStyle: { color: ink.soft } },
    axisLabel: {
      color: ink.soft,
      fontSize: 11,
      showMaxLabel: false,
      ...font,
      formatter: (value: number) => String(value),
    },
    splitLine: { show: false },
    axisTick: { show: true, lineStyle: { color: ink.soft } },
    splitNumber: 5,
  });
  const second = secondLock(looked);
  // Named only where there is room between the two lock points.
  const apart =
    second &&
    (Math.abs(second.front - balance.first_lock.front) > 0.07 * farFront ||
      Math.abs(second.rear - balance.first_lock.rear) > 0.3 * farRear);
  const secondAxle = looked.first === "rear" ? "front" : "rear";
  const others = assessment.states.filter((answer) => answer.state.name !== looked.state.name);
  return {
    animation: false,
    textStyle: font,
    grid: { left: 62, right: 14, top: 8, bottom: 42 },
    xAxis: { ...axis(`brake force, both rear wheels, ${unit}`, farRear), nameGap: 26 },
    yAxis: { ...axis(`both front wheels, ${unit}`, farFront), nameGap: 46 },
    series: [
      ...assessment.deceleration_lines.map((level) =>
        line(
          [
            [0, shown(level.total_force)],
            [shown(level.total_force), 0],
          ],
          ink.rule,
          1,
          "solid",
        ),
      ),
      ...assessment.deceleration_lines.flatMap((level) => {
        const end = rightEnd(level.total_force, farRear, farFront);
        return end
          ? [dot(end, show(level.deceleration, "deceleration"), ink.soft, 0, ink.paper, "left")]
          : [];
      }),
      line(balance.front_locks.map(pair), ink.front, 1.2, "solid"),
      line(balance.rear_locks.map(pair), ink.rear, 1.2, [6, 4]),
      ...others.map((answer) => line(answer.force_balance.ideal.map(pair), ink.soft, 1, "solid")),
      ...others.map((answer) =>
        dot(answer.force_balance.limit, answer.state.name, ink.soft, 6, ink.paper, "right"),
      ),
      line(balance.ideal.map(pair), ink.ink, 1.8, "solid"),
      dot(balance.limit, `ideal, ${looked.state.name.toLowerCase()}`, ink.ink, 9, ink.paper, "top"),
      ...(ghost
        ? [
            line(along(ghost.force_share), ink.soft, 1.4, [2, 3]),
            dot(ghost.force_balance.first_lock, "", ink.soft, 8, ink.paper),
          ]
        : []),
      line(
        along(looked.force_share),
        looked.first === "rear" ? ink.rear : ink.front,
        2.4,
        looked.first === "rear" ? [9, 4] : "solid",
      ),
      ...(second
        ? [dot(second, apart ? `${secondAxle} would` : "", ink[secondAxle], 8, ink.paper, "right")]
        : []),
      dot(
        balance.first_lock,
        `${looked.first} locks, ${show(looked.first_deceleration, "deceleration")}`,
        looked.first === "rear" ? ink.rear : ink.front,
        13,
        looked.first === "rear" ? ink.rear : ink.front,
        looked.first === "rear" ? "right" : "left",
        ink.paper,
      ),
    ],
  };
}

/** Where a line of equal deceleration leaves the picture at its right edge, if it does. */
function rightEnd(total: number, farRear: number, farFront: number): Point | null {
  const front = total - farRear;
  return front > 0.03 * farFront && front < 0.97 * farFront ? { front, rear: farRear } : null;
}

/** The chart in words, for those who cannot see it. */
export function forceBalanceWords(looked: StateAnswer): string {
  const { first_lock, limit } = looked.force_balance;
  return (
    `${looked.state.name}: the ${looked.first} locks first at ${show(looked.first_deceleration, "deceleration")}, ` +
    `front ${show(first_lock.front, "force")} and rear ${show(first_lock.rear, "force")}; ` +
    `both axles at their limit would be front ${show(limit.front, "force")} and rear ${show(limit.rear, "force")}.`
  );
}

/** The chart's data as rows, forces in the unit shown. */
export function forceBalanceRows(assessment: Assessment): (string | number)[][] {
  const unit = unitOf("force").symbol;
  const rows: (string | number)[][] = [["state", "what", `front ${unit}`, `rear ${unit}`]];
  const number = (force: number): string => showNumber(force, "force").replace(/\u202f/g, "");
  for (const { state, force_balance: balance } of assessment.states) {
    const add = (what: string, point: Point | null) =>
      point && rows.push([state.name, what, number(point.front), number(point.rear)]);
    balance.ideal.forEach((point) => add("ideal", point));
    add("limit", balance.limit);
    add("first lock", balance.first_lock);
    add("front lock", balance.front_lock);
    add("rear lock", balance.rear_lock);
  }
  return rows;
}
