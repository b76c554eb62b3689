// The core's answers about the demo cars, asked once for all tests.
import { execFileSync } from "node:child_process";
import type { TestProject } from "vitest/node";
import type {
  Assessment,
  Car,
  HydraulicsAnalysis,
  Measurements,
  Setup,
  SimulatedSession,
  Survey,
} from "@/api/client";
import type { units } from "@/units/units";

export interface Answers {
  car: Car;
  setup: Setup;
  assessment: Assessment;
  survey: Survey;
  hydraulics: HydraulicsAnalysis;
  measurements: Measurements;
  /** The first of the car's sessions, of its first setup only. */
  simulated: SimulatedSession | null;
}

declare module "vitest" {
  export interface ProvidedContext {
    answers: Answers[];
    table: typeof units.table;
  }
}

const script = `
import json
from plimbo.core import analyse_hydraulics, assess, evaluate_measurements, simulate_session, survey
from plimbo.core.quantities.units import unit_table
from plimbo.cli.demo_data import CARS
found = []
for car, setups in CARS:
    measurements = evaluate_measurements(car, with_working=False)
    for setup in setups:
        answers = {
            "car": car,
            "setup": setup,
            "assessment": assess(car, setup, with_working=False),
            "survey": survey(car, setup, with_working=False),
            "hydraulics": analyse_hydraulics(car, setup, with_working=False),
            "measurements": measurements,
        }
        answer = {name: answer.model_dump(mode="json") for name, answer in answers.items()}
        simulated = simulate_session(car, setup, car.sessions[0]) if setup is setups[0] else None
        found.append(answer | {"simulated": simulated and simulated.model_dump(mode="json")})
print(json.dumps({"answers": found, "table": {name: one.model_dump() for name, one in unit_table().items()}}))
`;

export default function ask(project: TestProject): void {
  const options = { encoding: "utf-8", maxBuffer: 1e8 } as const;
  const { answers, table } = JSON.parse(execFileSync("../.venv/bin/python", ["-c", script], options));
  project.provide("answers", answers);
  project.provide("table", table);
}
