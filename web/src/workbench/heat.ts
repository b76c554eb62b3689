// The heat of the car's sessions: the current one, its effect on the brakes, what would mend it, and the verdict on all.
import { defineStore } from "pinia";
import { computed, ref, shallowRef } from "vue";
import {
  api,
  ask,
  type HeatAdvice,
  type HeatInputs,
  type HeatJudgement,
  type Session,
  type SimulatedSession,
} from "@/api/client";
import type { Bench } from "./history";
import { question } from "./question";
import { workingIn, type Source } from "./source";
import { useWorkbench } from "./workbench";

/** A run to compare with: its words and its lines. */
export interface KeptRun {
  label: string;
  session: string;
  simulated: SimulatedSession;
}

const MOST_KEPT = 4;

/** The selected session of the car, by its name; the first if there is none of that name. */
const chosen = ref("");
export const sessionLookedAt = (bench: Bench | null): Session | null =>
  bench?.car.sessions.find((one) => one.name === chosen.value) ?? bench?.car.sessions[0] ?? null;

/** The same session as it was in what is compared with, where it has one of that name. */
async function simulated(bench: Bench): Promise<SimulatedSession | null> {
  const session = sessionLookedAt(bench);
  if (!session) return null;
  const { car, setup } = bench;
  return ask(
    api.POST("/api/heat/session", {
      body: { car: { ...car, sessions: [] }, setup, session, with_working: false },
    }),
  );
}

const about = () => chosen.value;

export const useSimulation = defineStore("simulation", () =>
  question<SimulatedSession | null>(simulated, { about, sessions: true }),
);

/** What mends the session: each change is simulated. */
export const useHeatAdvice = defineStore("heatAdvice", () =>
  question<HeatAdvice | null>(
    async (bench, signal) => {
      const session = sessionLookedAt(bench);
      if (!session) return null;
      const body = { ...bench, session, with_working: false };
      return ask(api.POST("/api/heat/mends", { body, signal }));
    },
    { wait: 600, about, long: true, sessions: true },
  ),
);

/** The sensitivity of the figures: the session is simulated with each input changed. */
export const useHeatInputs = defineStore("heatInputs", () =>
  question<HeatInputs | null>(
    async (bench, signal) => {
      const session = sessionLookedAt(bench);
      if (!session) return null;
      const body = { ...bench, session, with_working: false };
      return ask(api.POST("/api/heat/inputs", { body, signal }));
    },
    { wait: 300, about, long: true, sessions: true },
  ),
);

/** Every session, judged. */
export const useHeatJudgement = defineStore("heatJudgement", () =>
  question<HeatJudgement | null>(
    async ({ car, setup }, signal) => {
      if (!car.sessions.length) return null;
      return ask(api.POST("/api/heat", { body: { car, setup }, signal }));
    },
    { wait: 500, long: true, sessions: true },
  ),
);

export const useHeat = defineStore("heat", () => {
  const workbench = useWorkbench();
  const cursor = ref(0);
  const kept = shallowRef<KeptRun[]>([]);

  const session = computed(() => sessionLookedAt(workbench.bench));
  const index = computed(
    () => workbench.bench?.car.sessions.findIndex((one) => one.name === session.value?.name) ?? -1,
  );

  return {
    chosen,
    session,
    /** Path of the current session. */
    path: computed(() => `car.sessions.${Math.max(0, index.value)}`),
    cursor,
    kept,
    keep: (run: KeptRun) => (kept.value = [...kept.value, run].slice(-MOST_KEPT)),
    drop: (run: KeptRun) => (kept.value = kept.value.filter((one) => one !== run)),
  };
});

/** The current session. */
export const heatSource: Source = {
  keepFresh: () => useSimulation().keepFresh(),
  now: () => [useSimulation().answer?.heat],
  before: () => [useSimulation().ghost?.heat],
  async working(bench) {
    const session = sessionLookedAt(bench);
    if (!session) return workingIn(null, "");
    const { car, setup } = bench;
    const body = { car, setup, session, with_working: true };
    const { heat } = await ask(api.POST("/api/heat/session", { body }));
    return workingIn(heat, session.name);
  },
};
