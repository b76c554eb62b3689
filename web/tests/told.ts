// What the core says of the demo cars, asked once for all tests.
import { execFileSync } from "node:child_process";
import type { TestProject } from "vitest/node";
import type { Assessment, Car, Measurements, PedalWork, Setup, Survey } from "@/api/client";
import type { units } from "@/units/units";

export interface Told {
  car: Car;
  setup: Setup;
  assessment: Assessment;
  survey: Survey;
  work: PedalWork;
  measurements: Measurements;
}

declare module "vitest" {
  export interface ProvidedContext {
    told: Told[];
    table: typeof units.table;
  }
}

const script = `
import json
from plimbo.core import assess, measure, pedal_work, survey
from plimbo.core.units import unit_table
from plimbo.cli.demo_data import CARS
told = []
for car, setups in CARS:
    measurements = measure(car, with_working=False)
    for setup in setups:
        answers = {
            "car": car,
            "setup": setup,
            "assessment": assess(car, setup, with_working=False),
            "survey": survey(car, setup, with_working=False),
            "work": pedal_work(car, setup, with_working=False),
            "measurements": measurements,
        }
        told.append({name: answer.model_dump(mode="json") for name, answer in answers.items()})
print(json.dumps({"told": told, "table": {name: one.model_dump() for name, one in unit_table().items()}}))
`;

export default function ask(project: TestProject): void {
  const options = { encoding: "utf-8", maxBuffer: 1e8 } as const;
  const { told, table } = JSON.parse(execFileSync("../.venv/bin/python", ["-c", script], options));
  project.provide("told", told);
  project.provide("table", table);
}
