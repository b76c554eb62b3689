// What the force balance chart draws: front over rear brake force, the ideal curves, the setup's own line, its lock points.
import type { Assessment, Curve, StateAnswer } from "@/api/client";
import { show, showNumber, unitOf } from "@/units/units";
import { axis, dot as dotAt, FONT, line, type Pair } from "./axes";
import type { ChartOption } from "./echarts";
import type { Ink } from "./ink";

interface Point {
  front: number;
  rear: number;
}

const shown = (force: number): number => force / unitOf("force").factor;
const pair = (point: Point): Pair => [shown(point.rear), shown(point.front)];
const pairs = (curve: Curve): Pair[] =>
  curve.front.map((front, index) => pair({ front, rear: curve.rear[index] ?? 0 }));

/** The lock point of the axle that locks second, where it ever does. */
const secondLock = ({ first, force_balance: balance }: StateAnswer): Point | null =>
  first === "rear" ? balance.front_lock : balance.rear_lock;

/** The largest rear and front force that must be seen. */
export function reach(assessment: Assessment, ghost: StateAnswer | null, current: StateAnswer): Pair {
  const points = [
    ...assessment.states.flatMap((answer) => [answer.force_balance.limit, answer.force_balance.first_lock]),
    ...(ghost ? [ghost.force_balance.first_lock] : []),
  ];
  const most = (of: (point: Point) => number): number => Math.max(...points.map(of));
  // The second lock point may be far out: it is shown only if the rest stays large enough.
  const second = secondLock(current);
  const far = second && second.front < 1.5 * most((point) => point.front) ? second : { front: 0, rear: 0 };
  // The names of these two points are on their right.
  const first = current.first === "rear" ? current.force_balance.first_lock.rear : 0;
  return [
    Math.max(1.18 * most((point) => point.rear), 1.3 * far.rear, 1.36 * first),
    1.12 *
      Math.max(
        most((point) => point.front),
        far.front,
      ),
  ];
}

const dot = (point: Point, ...rest: [string, string, number, string, string?, string?]): object =>
  dotAt(pair(point), ...rest);

export function forceBalanceOption(
  assessment: Assessment,
  current: StateAnswer,
  ghost: StateAnswer | null,
  ink: Ink,
): ChartOption {
  const balance = current.force_balance;
  const equal = balance.deceleration_lines;
  const [farRear, farFront] = reach(assessment, ghost, current);
  const unit = unitOf("force").symbol;
  const second = secondLock(current);
  // Named only where there is room between the two lock points.
  const apart =
    second &&
    (Math.abs(second.front - balance.first_lock.front) > 0.07 * farFront ||
      Math.abs(second.rear - balance.first_lock.rear) > 0.3 * farRear);
  const secondAxle = current.first === "rear" ? "front" : "rear";
  const others = assessment.states.filter((answer) => answer.state.name !== current.state.name);
  const named = withRoom(others, [balance.limit, balance.first_lock], farRear, farFront);
  return {
    animation: false,
    textStyle: FONT,
    grid: { left: 62, right: 26, top: 8, bottom: 42 },
    xAxis: axis(`brake force, both rear wheels, ${unit}`, 0, shown(farRear), 26, ink),
    yAxis: axis(`both front wheels, ${unit}`, 0, shown(farFront), 46, ink),
    series: [
      ...equal.total_forces.map((total) =>
        line(
          [
            [0, shown(total)],
            [shown(total), 0],
          ],
          ink.rule,
          1,
          "solid",
        ),
      ),
      ...equal.total_forces.flatMap((total, index) => {
        const end = rightEnd(total, farRear, farFront);
        const words = show(equal.decelerations[index], "deceleration");
        // On a narrow chart the name of the first lock reaches the edge.
        const beside = end && Math.abs(end.front - balance.first_lock.front) < 0.06 * farFront;
        return end && !beside ? [dot(end, words, ink.soft, 0, ink.paper, "left")] : [];
      }),
      line(pairs(balance.front_locks), ink.front, 1.2, "solid"),
      line(pairs(balance.rear_locks), ink.rear, 1.2, [6, 4]),
      ...others.map((answer) => line(pairs(answer.force_balance.ideal), ink.soft, 1, "solid")),
      ...others.map((answer) =>
        dot(
          answer.force_balance.limit,
          named.has(answer) ? answer.state.name : "",
          ink.soft,
          6,
          ink.paper,
          beside(answer, farRear),
        ),
      ),
      line(pairs(balance.ideal), ink.ink, 1.8, "solid"),
      dot(balance.limit, `ideal, ${current.state.name.toLowerCase()}`, ink.ink, 9, ink.paper, "top"),
      ...(ghost
        ? [
            line(pairs(ghost.force_balance.path), ink.soft, 1.4, [2, 3]),
            dot(ghost.force_balance.first_lock, "", ink.soft, 8, ink.paper),
          ]
        : []),
      line(
        pairs(balance.path),
        current.first === "rear" ? ink.rear : ink.front,
        2.4,
        current.first === "rear" ? [9, 4] : "solid",
      ),
      ...(second
        ? [dot(second, apart ? `${secondAxle} would` : "", ink[secondAxle], 8, ink.paper, "right")]
        : []),
      dot(
        balance.first_lock,
        `${current.first} locks, ${show(current.first_deceleration, "deceleration")}`,
        current.first === "rear" ? ink.rear : ink.front,
        13,
        current.first === "rear" ? ink.rear : ink.front,
        current.first === "rear" ? "right" : "left",
        ink.paper,
      ),
    ],
  };
}

// Approximate width of a letter as a share of the chart.
const LETTER = 0.017;

/** On which side of its limit a state's name has room. */
const beside = ({ state, force_balance }: StateAnswer, farRear: number): "left" | "right" =>
  force_balance.limit.rear / farRear + LETTER * state.name.length > 1 ? "left" : "right";

/** The states whose limit is far enough from named ones to be named too. */
function withRoom(
  others: StateAnswer[],
  taken: Point[],
  farRear: number,
  farFront: number,
): Set<StateAnswer> {
  const apart = (one: Point, other: Point): boolean =>
    Math.abs(one.front - other.front) > 0.08 * farFront || Math.abs(one.rear - other.rear) > 0.4 * farRear;
  const named = new Set<StateAnswer>();
  for (const answer of others) {
    const { limit } = answer.force_balance;
    const points = [...taken, ...[...named].map((one) => one.force_balance.limit)];
    if (points.every((point) => apart(limit, point))) named.add(answer);
  }
  return named;
}

/** Where a line of equal deceleration leaves the picture at its right edge, if it does. */
function rightEnd(total: number, farRear: number, farFront: number): Point | null {
  const front = total - farRear;
  return front > 0.03 * farFront && front < 0.97 * farFront ? { front, rear: farRear } : null;
}

/** The chart in words, for those who cannot see it. */
export function forceBalanceWords(current: StateAnswer): string {
  const { first_lock, limit } = current.force_balance;
  return (
    `${current.state.name}: the ${current.first} locks first at ${show(current.first_deceleration, "deceleration")}, ` +
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
    balance.ideal.front.forEach((front, index) =>
      add("ideal", { front, rear: balance.ideal.rear[index] ?? 0 }),
    );
    add("limit", balance.limit);
    add("first lock", balance.first_lock);
    add("front lock", balance.front_lock);
    add("rear lock", balance.rear_lock);
    balance.path.front.forEach((front, index) =>
      add("brakes", { front, rear: balance.path.rear[index] ?? 0 }),
    );
  }
  return rows;
}
