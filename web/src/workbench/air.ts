// The air of the car's ducts: the current axle, the flow of its duct, the effect of each piece, and the sizing, which
// runs in the background and is found again after a reload.
import { defineStore } from "pinia";
import { computed, ref, watch } from "vue";
import { api, ask, type AxleName, type DuctFlow, type DuctSizing, type DuctWorth } from "@/api/client";
import { sessionLookedAt } from "./heat";
import { useJob } from "./job";
import { useLibrary } from "./library";
import { question } from "./question";
import { workingIn, type Source } from "./source";
import { useWorkbench } from "./workbench";

const axle = ref<AxleName>("front");
/** Road speed of the analysis, m/s. */
const speed = ref(40);

/** The session is the one chosen under Heat, so both places show the same. */
const sessionName = (): string => sessionLookedAt(useWorkbench().bench)?.name ?? "";

export const useDuctFlow = defineStore("ductFlow", () =>
  question<DuctFlow>(
    (bench) => {
      const session = sessionLookedAt(bench);
      const body = { ...bench, axle: axle.value, session, speed: speed.value, with_working: false };
      return ask(api.POST("/api/air", { body }));
    },
    { about: () => `${axle.value} ${sessionName()} ${speed.value}`, sessions: true },
  ),
);

export const useDuctWorth = defineStore("ductWorth", () =>
  question<DuctWorth | null>(
    async (bench, signal) => {
      const session = sessionLookedAt(bench);
      if (!session) return null;
      return ask(api.POST("/api/air/worth", { body: { ...bench, axle: axle.value, session }, signal }));
    },
    { wait: 500, about: () => `${axle.value} ${sessionName()}`, long: true, sessions: true },
  ),
);

export const useAir = defineStore("air", () => {
  const workbench = useWorkbench();
  const library = useLibrary();
  const about = (): string => (library.setup ? `${library.setup.id} ${axle.value}` : "");
  const { job, trouble, find, begin, cancel, forget } = useJob<DuctSizing>("/api/air/sizings", about);

  async function size(): Promise<void> {
    if (workbench.bench && library.setup)
      await begin({ ...workbench.bench, axle: axle.value, setup_id: library.setup.id });
  }

  watch([() => library.setup?.id, axle], () => {
    forget();
    void find();
  });

  return {
    axle,
    speed,
    job,
    trouble,
    find,
    size,
    cancel,
    path: computed(() => `setup.${axle.value}.cooling.duct`),
    duct: computed(() => workbench.bench?.setup[axle.value].cooling.duct ?? null),
    vented: computed(() => (workbench.bench ? workbench.bench.setup[axle.value].disc.vane_gap > 0 : false)),
  };
});

/** The current duct. */
export const airSource: Source = {
  keepFresh: () => useDuctFlow().keepFresh(),
  now: () => [useDuctFlow().answer],
  before: () => [useDuctFlow().ghost],
  async working(bench) {
    const session = sessionLookedAt(bench);
    const body = { ...bench, axle: axle.value, session, speed: speed.value, with_working: true };
    return workingIn(await ask(api.POST("/api/air", { body })), `Duct, ${axle.value}`);
  },
};
