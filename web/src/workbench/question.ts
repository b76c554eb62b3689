// A question about what lies on the bench, asked while somebody reads the answer and again when the bench changes.
import { defineStore } from "pinia";
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from "vue";
import {
  api,
  ask,
  Refused,
  type Measurements,
  type HydraulicsAnalysis,
  type Survey,
  type Uncertainty,
} from "@/api/client";
import type { Bench } from "./history";
import { useWorkbench } from "./workbench";

function question<T>(put: (bench: Bench) => Promise<T>, wait = 0) {
  const workbench = useWorkbench();
  const readers = ref(0);
  const answered = shallowRef<{ bench: Bench; answer: T } | null>(null);
  const ghost = shallowRef<T | null>(null);
  const trouble = ref("");
  const answers = new WeakMap<Bench, Promise<T>>();
  let timer = 0;

  function answerTo(bench: Bench): Promise<T> {
    const known = answers.get(bench) ?? put(bench);
    answers.set(bench, known);
    known.catch(() => answers.delete(bench));
    return known;
  }

  async function refresh(): Promise<void> {
    const bench = workbench.bench;
    const before = workbench.ghost?.bench;
    if (!bench) return;
    try {
      const [answer, was] = await Promise.all([answerTo(bench), before ? answerTo(before) : null]);
      if (workbench.bench !== bench) return;
      answered.value = { bench, answer };
      ghost.value = was;
      trouble.value = "";
    } catch (error) {
      if (workbench.bench === bench)
        trouble.value = error instanceof Refused ? error.problem.detail : "The answer could not be fetched.";
    }
  }

  watch([() => workbench.bench, () => workbench.ghost, () => readers.value > 0], ([, , read]) => {
    if (!read) return;
    window.clearTimeout(timer);
    if (wait) timer = window.setTimeout(() => void refresh(), wait);
    else void refresh();
  });

  return {
    answer: computed(() => answered.value?.answer ?? null),
    ghost,
    trouble,
    /** Whether the answer is still that to an earlier bench. */
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

/** How sure the lock order is; asked when the hand rests, since it draws many times. */
export const useUncertainty = defineStore("uncertainty", () =>
  question<Uncertainty>(({ car, setup }) => ask(api.POST("/api/uncertainty", { body: { car, setup } })), 250),
);

/** What the readings of scales, sidewall, logger and wind say of the car. */
export const useMeasurements = defineStore("measurements", () =>
  question<Measurements>(({ car }) =>
    ask(api.POST("/api/measurements", { body: { car, with_working: false } })),
  ),
);
