// Where a computed number stands, by its headline: `survey/…` and `pedal/…` in the survey and the pedal of the state looked
// at, `measure/…` in the measurements, anything else in the answer for the state looked at or in the whole assessment.
import {
  api,
  ask,
  type State,
  type Step,
  type PedalWork,
  type StatePedal,
  type StateSurvey,
  type Survey,
} from "@/api/client";
import { valueAt } from "@/documents/paths";
import type { Bench } from "@/workbench/history";
import { useMeasurements, usePedal, useSurvey } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";

export interface Working {
  steps: readonly Step[];
  headlines: Record<string, number>;
  about: string;
}

const split = (headline: string): [source: string, name: string] => {
  const at = headline.indexOf("/");
  return at < 0 ? ["", headline] : [headline.slice(0, at), headline.slice(at + 1)];
};

/** The name of a number within its source. */
export const nameOf = (headline: string): string => split(headline)[1];

/** The survey of one state, with the utilisation of its load. */
export function surveyed(survey: Survey | null, state: State | undefined): StateSurvey | null {
  return survey?.states.find((one) => one.state === state?.name) ?? null;
}

/** The pedal in one state; what is left of each circuit by its key, as its headlines are called. */
export function pedalIn(work: PedalWork | null, state: State | undefined) {
  const found: StatePedal | undefined = work?.states.find((one) => one.state === state?.name);
  return found ? { ...found, lost: Object.fromEntries(found.left.map((one) => [one.key, one])) } : null;
}

/** The number as it is now, and as it was in what it is compared with; null where there is none. */
export function numbersOf(headline: string): { now: number | null; before: number | null } {
  const [source, name] = split(headline);
  const workbench = useWorkbench();
  const number = (...places: unknown[]): number | null =>
    (places.map((place) => valueAt(place ?? {}, name)).find((found) => found !== undefined) ?? null) as
      number | null;
  if (source === "survey") {
    const survey = useSurvey();
    const state = workbench.looked?.state;
    const places = (of: Survey | null) => [
      surveyed(of, state),
      { utilisation: of?.utilisations.find((one) => one.load === state?.load) },
    ];
    return { now: number(...places(survey.answer)), before: number(...places(survey.ghost)) };
  }
  if (source === "pedal") {
    const pedal = usePedal();
    const state = workbench.looked?.state;
    return { now: number(pedalIn(pedal.answer, state)), before: number(pedalIn(pedal.ghost, state)) };
  }
  if (source === "measure") {
    const measurements = useMeasurements();
    return { now: number(measurements.answer), before: number(measurements.ghost) };
  }
  return {
    now: number(workbench.looked, workbench.assessment),
    before: number(workbench.ghostLooked, workbench.ghost?.assessment),
  };
}

/** The steps behind a number, freshly worked out. */
export async function workingOf(headline: string, bench: Bench, state: State): Promise<Working> {
  const [source] = split(headline);
  const { car, setup } = bench;
  if (source === "measure") {
    const told = await ask(api.POST("/api/measure", { body: { car, with_working: true } }));
    return { steps: told.steps, headlines: told.headlines, about: "From what was read off the car" };
  }
  const body = { car, setup, states: [state], with_working: true };
  const asked = {
    survey: () => ask(api.POST("/api/survey", { body })),
    pedal: () => ask(api.POST("/api/pedal", { body })),
  }[source];
  const told = (await (asked?.() ?? ask(api.POST("/api/assess", { body })))).states[0];
  return { steps: told?.steps ?? [], headlines: told?.headlines ?? {}, about: state.name };
}
