// A question about what is on the bench, asked while its answer is shown and again when the bench changes.
import { defineStore } from "pinia";
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from "vue";
import {
  api,
  ask,
  Refused,
  type Measurements,
  type Mends,
  type StillToMeasure,
  type HydraulicsAnalysis,
  type State,
  type StateHydraulics,
  type StateSurvey,
  type Survey,
  type Uncertainty,
} from "@/api/client";
import { showError } from "@/units/units";
import { sameButSessions, type Bench } from "./history";
import { workingIn, type Source } from "./source";
import { useWorkbench } from "./workbench";

interface Manner {
  /** Asked after a pause of this length, ms. */
  wait?: number;
  /** Other subjects of the question: it is asked again when they change. */
  about?: () => string;
  /** A long question: only the answer about the bench is awaited; the ghost uses earlier answers. */
  long?: boolean;
  /** It depends on the car's sessions; other questions stay answered while only sessions change. */
  sessions?: boolean;
}

/** In a user's words, without the path of the field. */
function why({ problem }: Refused): string {
  const [first] = problem.errors;
  return first ? showError(first) : problem.detail;
}

export function question<T>(
  put: (bench: Bench, signal?: AbortSignal) => Promise<T>,
  { wait = 0, about = () => "", long = false, sessions = false }: Manner = {},
) {
  const workbench = useWorkbench();
  const readers = ref(0);
  const answered = shallowRef<{ bench: Bench; about: string; answer: T } | null>(null);
  const ghost = shallowRef<T | null>(null);
  const trouble = ref("");
  const answers = new WeakMap<Bench, Map<string, Promise<T>>>();
  const asking = ref(false);
  let timer = 0;
  let given = new AbortController();

  function answerTo(bench: Bench): Promise<T> {
    const ofBench = answers.get(bench) ?? new Map<string, Promise<T>>();
    answers.set(bench, ofBench);
    const key = about();
    const now = answered.value;
    if (!sessions && now?.about === key && sameButSessions(now.bench, bench))
      return Promise.resolve(now.answer);
    const known = ofBench.get(key) ?? put(bench, given.signal);
    ofBench.set(key, known);
    known.catch(() => ofBench.delete(key));
    return known;
  }

  async function refresh(): Promise<void> {
    const bench = workbench.bench;
    const before = workbench.ghost?.bench;
    const asked = about();
    const { signal } = given;
    if (!bench) return;
    try {
      // The compared setup may have no answer; that is not an error of the bench.
      const earlier = before && (long ? answers.get(before)?.get(asked) : answerTo(before));
      const ghostly = earlier ? earlier.catch(() => null) : null;
      const [answer, was] = await Promise.all([answerTo(bench), ghostly]);
      if (workbench.bench !== bench || about() !== asked) return;
      answered.value = { bench, about: asked, answer };
      ghost.value = was;
      trouble.value = "";
    } catch (error) {
      // Cancelled, since another question is asked now.
      if (workbench.bench === bench && !signal.aborted)
        trouble.value = error instanceof Refused ? why(error) : "The answer could not be fetched.";
    } finally {
      if (workbench.bench === bench && about() === asked) asking.value = false;
    }
  }

  watch(
    [() => workbench.bench, about, () => readers.value > 0, () => workbench.ghost],
    ([bench, asked, read], [benchBefore, askedBefore]) => {
      window.clearTimeout(timer);
      const changed = bench !== benchBefore || asked !== askedBefore;
      if (changed || !read) asking.value = read;
      if (long && (changed || !read)) {
        given.abort();
        given = new AbortController();
      }
      if (!read) return;
      if (!answered.value) asking.value = true;
      if (wait) timer = window.setTimeout(() => void refresh(), wait);
      else void refresh();
    },
  );

  return {
    answer: computed(() => answered.value?.answer ?? null),
    ghost,
    trouble,
    /** Whether the answer about the bench is still pending. */
    asking,
    /** The answer to a bench, asked for once. */
    answerTo,
    /** Whether the answer is about an earlier bench. */
    stale: computed(() => answered.value !== null && answered.value.bench !== workbench.bench),
    /** Keep the answer fresh while the component that asks is on the page. */
    keepFresh: () => {
      onMounted(() => (readers.value += 1));
      onUnmounted(() => (readers.value -= 1));
    },
  };
}

/** The road over speed, one stop as asked, and the adhesion utilised. */
export const useSurvey = defineStore("survey", () =>
  question<Survey>(({ car, setup }) =>
    ask(api.POST("/api/survey", { body: { car, setup, with_working: false } })),
  ),
);

/** What happens under the driver's foot: pressures, travel, one circuit lost, the setting for each state. */
export const useHydraulics = defineStore("hydraulics", () =>
  question<HydraulicsAnalysis>(({ car, setup }) =>
    ask(api.POST("/api/hydraulics", { body: { car, setup, with_working: false } })),
  ),
);

/** How sure the lock order is; asked after a pause, since it draws many times. */
export const useUncertainty = defineStore("uncertainty", () =>
  question<Uncertainty>(({ car, setup }) => ask(api.POST("/api/uncertainty", { body: { car, setup } })), {
    wait: 250,
  }),
);

/** What mends each verdict; asked after a pause, since it takes longer than the verdicts. */
export const useAdvice = defineStore("advice", () => {
  const uncertainty = useUncertainty();
  return question<Mends>(
    async ({ car, setup }, signal) => {
      const body = { car: { ...car, sessions: [] }, setup, in_doubt: inDoubt() };
      return ask(api.POST("/api/mends", { body, signal }));
    },
    { wait: 250, long: true, about: () => (inDoubt() ? "surer" : "") },
  );

  function inDoubt(): boolean {
    return !uncertainty.stale && (uncertainty.answer?.in_doubt ?? false);
  }
});

/** What is still to measure, and its effect on the lock order. */
export const useUnmeasured = defineStore("unmeasured", () =>
  question<StillToMeasure>(
    ({ car, setup }, signal) => ask(api.POST("/api/unmeasured", { body: { car, setup }, signal })),
    { wait: 400, long: true },
  ),
);

/** The values of the car from the readings of scales, sidewall, logger and aerodynamics. */
export const useMeasurements = defineStore("measurements", () =>
  question<Measurements>(({ car }) =>
    ask(api.POST("/api/measurements", { body: { car, with_working: false } })),
  ),
);

/** The survey of one state. */
export const surveyed = (survey: Survey | null, state: State | undefined): StateSurvey | null =>
  survey?.states.find((one) => one.state === state?.name) ?? null;

/** The hydraulics in one state. */
export const hydraulicsIn = (
  answer: HydraulicsAnalysis | null,
  state: State | undefined,
): StateHydraulics | null => answer?.states.find((one) => one.state === state?.name) ?? null;

/** The answer for the current state, or the whole assessment. */
export const assessmentSource: Source = {
  keepFresh: () => undefined,
  now: () => [useWorkbench().current, useWorkbench().assessment],
  before: () => [useWorkbench().ghostCurrent, useWorkbench().ghost?.assessment],
  async working({ car, setup }, state) {
    const body = { car, setup, states: [state], with_working: true };
    const { states } = await ask(api.POST("/api/assess", { body }));
    return workingIn(states[0], state.name);
  },
};

/** The survey of the current state, with the adhesion in its load. */
export const surveySource: Source = {
  keepFresh: () => useSurvey().keepFresh(),
  now: () => inSurvey(useSurvey().answer),
  before: () => inSurvey(useSurvey().ghost),
  async working({ car, setup }, state) {
    const body = { car, setup, states: [state], with_working: true };
    const { states } = await ask(api.POST("/api/survey", { body }));
    return workingIn(states[0], state.name);
  },
};

function inSurvey(survey: Survey | null): unknown[] {
  const state = useWorkbench().current?.state;
  const adhesion = survey?.adhesion.find((one) => one.load === state?.load);
  return [surveyed(survey, state), { adhesion }];
}

export const hydraulicsSource: Source = {
  keepFresh: () => useHydraulics().keepFresh(),
  now: () => [hydraulicsIn(useHydraulics().answer, useWorkbench().current?.state)],
  before: () => [hydraulicsIn(useHydraulics().ghost, useWorkbench().current?.state)],
  async working({ car, setup }, state) {
    const body = { car, setup, states: [state], with_working: true };
    const { states } = await ask(api.POST("/api/hydraulics", { body }));
    return workingIn(states[0], state.name);
  },
};

export const measurementsSource: Source = {
  keepFresh: () => useMeasurements().keepFresh(),
  now: () => [useMeasurements().answer],
  before: () => [useMeasurements().ghost],
  async working({ car }) {
    const answer = await ask(api.POST("/api/measurements", { body: { car, with_working: true } }));
    return workingIn(answer, "From what was read off the car");
  },
};
