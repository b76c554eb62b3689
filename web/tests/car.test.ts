// The pictures of the car: the side view, the weighing, the matrix of states, and the charts over speed and braking rate.
import { readFileSync } from "node:fs";
import { beforeAll, describe, expect, inject, it } from "vitest";
import type { Car } from "@/api/client";
import { overSpeedOption, overSpeedRows, overSpeedWords } from "@/charts/overSpeed";
import { adhesionOption, adhesionRows, adhesionWords } from "@/charts/adhesion";
import type { Ink } from "@/charts/ink";
import { layOutSide } from "@/drawings/sideView";
import { layOutWeighing } from "@/places/car/weighingView";
import { learnSchema } from "@/documents/schema";
import { matrixOf } from "@/states/matrix";
import { show, units } from "@/units/units";
import { complaintAt } from "@/workbench/complaints";
import type { Answers } from "./answers";

beforeAll(() => learnSchema(JSON.parse(readFileSync("../docs/setup-file.schema.json", "utf-8"))));

interface Series {
  type: string;
  data: [number, number | null][];
  lineStyle?: { color: string; type: string | number[]; width: number };
  label?: { formatter: string };
}

const ink = Object.fromEntries(
  ["paper", "tint", "rule", "soft", "ink", "front", "rear", "bad"].map((name) => [name, `#${name}`]),
) as Ink;
const answers = inject("answers");
const all = ["Wren", "Dunnock", "Pipit"].flatMap((name) => {
  const own = answers.filter((one) => one.car.name === name);
  return [...own.slice(0, 2), ...own.slice(-1)];
});
const wren = all[0]!;
const unvalved = answers.find((one) => one.setup.name === "Valve taken out")!;
units.table = inject("table");
units.system = "metric";

describe("the side view", () => {
  it.each([
    [720, 310],
    [560, 270],
    [1100, 420],
  ])("stands inside %i by %i in every state of every car", (width, height) => {
    for (const { car, setup, assessment } of all) {
      for (const looked of assessment.states) {
        const layout = layOutSide({ car, setup }, looked, width, height);
        for (const end of layout.axles) {
          expect(layout.ground - 2 * end.radius - Math.max(0, end.down)).toBeGreaterThan(0);
          expect(end.x + Math.max(end.radius, end.brake)).toBeLessThan(width);
          if (end.axle === "front") expect(end.x + end.brake).toBeLessThan(layout.axles[1].x);
          for (const bar of end.bars) expect(layout.ground + 8 + bar.length).toBeLessThanOrEqual(height);
        }
        const front = layout.axles[0];
        expect(front.x - front.radius - layout.drag.length - 10).toBeGreaterThan(0);
        expect(layout.cg.y).toBeGreaterThan(0);
      }
    }
  });

  it("draws loads to one scale and forces to one scale, and moves with the state", () => {
    const { car, setup, assessment } = wren;
    const [slow, , , light] = assessment.states.map((state) => layOutSide({ car, setup }, state, 720, 310));
    const state = assessment.states[0]!;
    const [front, rear] = slow!.axles;
    expect(front.bars[2]!.length / rear.bars[0]!.length).toBeCloseTo(
      state.front.limit_load / state.rear.standing_load,
      9,
    );
    expect(front.down / rear.down).toBeCloseTo(state.front.downforce / state.rear.downforce, 9);
    expect(slow!.drag.length / front.brake).toBeCloseTo(state.air.drag / state.front.needs.brake_force, 9);
    expect(light!.axles[0].down).toBeGreaterThan(front.down);
    expect(light!.cg.y).toBeLessThan(slow!.cg.y);
    expect(slow!.weighed).toBeNull();
    expect(light!.items.find((item) => item.name === "Fuel")?.aboard).toBe(0.1);
  });
});

describe("the picture of the weighing", () => {
  const raised = (lift: number | null): Car =>
    ({
      ...wren.car,
      measured: { ...wren.car.measured, weighing: { ...wren.car.measured!.weighing, lift } },
    }) as Car;

  it.each([0.1, 0.55, 1.2, 2.3, 4])("tilts the hub line by a lift of %f m and stays in its box", (lift) => {
    const layout = layOutWeighing(raised(lift), wren.measurements.weighing, true, 700, 300);
    const { front, rear, scale } = layout;
    expect(Math.hypot(rear.x - front.x, rear.y - front.y) / scale).toBeCloseTo(2.32, 9);
    if (lift < 2) expect((layout.ground - rear.floor) / scale).toBeCloseTo(lift, 9);
    expect(rear.y - rear.radius).toBeGreaterThan(0);
    expect(front.x - front.radius).toBeGreaterThan(0);
    expect(rear.x + rear.radius).toBeLessThan(700);
  });

  it("puts the centre of gravity where the readings have it, at a right angle over the hub line", () => {
    const { weighing } = wren.measurements;
    const { front, rear, cg, scale } = layOutWeighing(raised(0.55), weighing, true, 700, 300);
    const [ux, uy] = [(rear.x - front.x) / scale / 2.32, (rear.y - front.y) / scale / 2.32];
    const along = ((cg!.x - front.x) * ux + (cg!.y - front.y) * uy) / scale;
    const over = ((cg!.x - front.x) * uy - (cg!.y - front.y) * ux) / scale;
    expect(along).toBeCloseTo((1 - weighing.front_share!) * 2.32, 9);
    expect(over).toBeCloseTo(weighing.cg_height! - weighing.hub_height!, 9);
    expect(layOutWeighing(raised(0.55), { ...weighing, cg_height: null }, true, 700, 300).cg).toBeNull();
  });
});

describe("the matrix of states", () => {
  it("has a row for each track and load and a column for each speed", () => {
    const matrix = matrixOf(wren.assessment);
    expect(matrix.speeds).toEqual([15, 55]);
    expect(matrix.rows.map((row) => `${row.track} ${row.load}`)).toEqual([
      "dry As weighed",
      "dry Last lap",
      "wet As weighed",
      "wet Last lap",
    ]);
    expect(matrix.rows.flatMap((row) => row.cells.flat())).toHaveLength(8);
  });

  it("keeps a state with its own grip in a row of its own", () => {
    const pipit = all.at(-1)!;
    const rows = matrixOf(pipit.assessment).rows;
    expect(rows.map((row) => row.grip)).toEqual([null, 0.44, 0.275]);
    expect(rows[0]!.cells.map((cell) => cell.length)).toEqual([0, 1]);
  });
});

describe("deceleration over speed", () => {
  const option = () => {
    const looked = wren.assessment.states[1]!;
    return overSpeedOption(wren.survey, wren.survey.states[1]!, looked, null, ink) as unknown as {
      series: Series[];
      xAxis: { name: string };
      yAxis: { name: string; min: number };
    };
  };

  it("has titled axes with units, the own point, and front and rear by line style as well as colour", () => {
    const { series, xAxis, yAxis } = option();
    expect([xAxis.name, yAxis.name]).toEqual(["speed, km/h", "deceleration, g"]);
    const of = (color: string) =>
      series.filter((one) => one.type === "line" && one.lineStyle?.color === color);
    expect(of("#front").map((one) => one.lineStyle?.type)).toEqual(["solid"]);
    expect(of("#rear").every((one) => Array.isArray(one.lineStyle?.type))).toBe(true);
    const own = series.find((one) => one.label?.formatter.startsWith("Dry, fast: front locks, 2.02"));
    expect(own?.data[0]?.[0]).toBeCloseTo(198, 6);
    const held = of("#ink").find((one) => one.lineStyle?.width === 3)!;
    const lowest = Math.min(...held.data.map(([, value]) => value ?? Infinity));
    expect(lowest).toBeGreaterThan(yAxis.min);
  });

  it("says itself in words, and in rows of every state", () => {
    expect(overSpeedWords(wren.survey, wren.survey.states[0]!)).toMatch(/at 0\skm\/h the tyres allow 1\.3/);
    const rows = overSpeedRows(wren.survey);
    expect(rows[0]).toEqual(["state", "speed km/h", "limit g", "held g", "front locks g", "rear locks g"]);
    expect(rows).toHaveLength(1 + 8 * wren.survey.speeds.length);
  });
});

describe("grip used", () => {
  const series = (answer: Answers) =>
    (adhesionOption(answer.survey.adhesion[0]!, 0.95, null, ink) as unknown as { series: Series[] }).series;

  it("finds the setup that meets the road-car limits and the one that does not, and says so", () => {
    const good = all.find((one) => one.setup.name === "Big front brakes")!;
    expect(adhesionWords(good.survey.adhesion[0]!)).toContain("within the road-car limits");
    expect(series(good).some((one) => one.label?.formatter.includes("rear above"))).toBe(false);
    const bad = unvalved.survey.adhesion[0]!;
    expect(adhesionWords(bad)).toContain("outside the road-car limits");
    const mark = series(unvalved).find((one) => one.label?.formatter.includes("rear above from"));
    expect(mark?.data[0]?.[0]).toBeCloseTo(bad.rear_above_from! / 9.80665, 9);
  });

  it("draws the published line", () => {
    const line = series(wren).find((one) => one.lineStyle?.color === "#ink" && one.type === "line")!;
    expect(line.data.flat().map((value) => value!.toFixed(3))).toEqual(["0.100", "0.200", "0.520", "0.800"]);
    expect(adhesionRows(wren.survey.adhesion)[0]).toEqual(["load", "braking rate g", "front", "rear"]);
  });
});

describe("complaints", () => {
  it("are found by their field", () => {
    const message = {
      text: "A lift of {lift} is too much.",
      values: { lift: { value: 2.5, dimension: "length" } },
    };
    const weighing = { ...wren.measurements.weighing, complaints: [{ path: "car.x.lift", message }] };
    const measurements = { ...wren.measurements, weighing };
    expect(complaintAt(measurements, "car.x.lift")).toBe(`A lift of ${show(2.5, "length")} is too much.`);
    expect(complaintAt(measurements, "car.x")).toBeNull();
    expect(complaintAt(null, "car.x.lift")).toBeNull();
  });
});
