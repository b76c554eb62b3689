// Where a computed number stands, by its headline: `survey/…` and `hydraulics/…` in the survey and the pedal of the state current
// at, `measurements/…` in the measurements, `heat/…` in the session looked at, `air/…` in the duct looked at, anything else in the answer for the state looked at or in the whole assessment.
import {
  api,
  ask,
  type State,
  type Step,
  type HydraulicsAnalysis,
  type StateHydraulics,
  type StateSurvey,
  type Survey,
} from "@/api/client";
import { valueAt } from "@/documents/paths";
import type { Bench } from "@/workbench/history";
import { useAir, useDuctFlow } from "@/workbench/air";
import { sessionLookedAt, useSimulation } from "@/workbench/heat";
import { useMeasurements, useHydraulics, useSurvey } from "@/workbench/question";
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

/** The survey of one state, with the adhesion in its load. */
export function surveyed(survey: Survey | null, state: State | undefined): StateSurvey | null {
  return survey?.states.find((one) => one.state === state?.name) ?? null;
}

/** The hydraulics in one state. */
export function hydraulicsIn(
  answer: HydraulicsAnalysis | null,
  state: State | undefined,
): StateHydraulics | null {
  return answer?.states.find((one) => one.state === state?.name) ?? null;
}

/** Keep the answer that these headlines stand in fresh, while the component that asks is on the page. */
export function keepFreshFor(headlines: readonly string[]): void {
  const sources = new Set(headlines.map((headline) => split(headline)[0]));
  if (sources.has("survey")) useSurvey().keepFresh();
  if (sources.has("hydraulics")) useHydraulics().keepFresh();
  if (sources.has("measurements")) useMeasurements().keepFresh();
  if (sources.has("air")) useDuctFlow().keepFresh();
  if (sources.has("heat")) useSimulation().keepFresh();
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
    const state = workbench.current?.state;
    const places = (of: Survey | null) => [
      surveyed(of, state),
      { adhesion: of?.adhesion.find((one) => one.load === state?.load) },
    ];
    return { now: number(...places(survey.answer)), before: number(...places(survey.ghost)) };
  }
  if (source === "hydraulics") {
    const hydraulics = useHydraulics();
    const state = workbench.current?.state;
    return {
      now: number(hydraulicsIn(hydraulics.answer, state)),
      before: number(hydraulicsIn(hydraulics.ghost, state)),
    };
  }
  if (source === "measurements") {
    const measurements = useMeasurements();
    return { now: number(measurements.answer), before: number(measurements.ghost) };
  }
  if (source === "air") {
    const { answer, ghost } = useDuctFlow();
    return { now: number(answer), before: number(ghost) };
  }
  if (source === "heat") {
    const { answer, ghost } = useSimulation();
    return { now: number(answer?.heat), before: number(ghost?.heat) };
  }
  return {
    now: number(workbench.current, workbench.assessment),
    before: number(workbench.ghostCurrent, workbench.ghost?.assessment),
  };
}

/** The steps behind a number, freshly worked out. */
export async function workingOf(headline: string, bench: Bench, state: State): Promise<Working> {
  const [source] = split(headline);
  const { car, setup } = bench;
  if (source === "measurements") {
    const answer = await ask(api.POST("/api/measurements", { body: { car, with_working: true } }));
    return { steps: answer.steps, headlines: answer.headlines, about: "From what was read off the car" };
  }
  const session = sessionLookedAt(bench);
  if (source === "heat" && session) {
    const asked = { car, setup, session, with_working: true };
    const { heat } = await ask(api.POST("/api/heat/session", { body: asked }));
    return { steps: heat.steps ?? [], headlines: heat.headlines ?? {}, about: session.name };
  }
  if (source === "air") {
    const { axle, speed } = useAir();
    const asked = { car, setup, axle, session, speed, with_working: true };
    const { steps, headlines } = await ask(api.POST("/api/air", { body: asked }));
    return { steps: steps ?? [], headlines: headlines ?? {}, about: `Duct, ${axle}` };
  }
  const body = { car, setup, states: [state], with_working: true };
  const asked = {
    survey: () => ask(api.POST("/api/survey", { body })),
    hydraulics: () => ask(api.POST("/api/hydraulics", { body })),
  }[source];
  const answer = (await (asked?.() ?? ask(api.POST("/api/assess", { body })))).states[0];
  return { steps: answer?.steps ?? [], headlines: answer?.headlines ?? {}, about: state.name };
}
