// The air of the car's ducts: which axle is looked at, what its duct brings, what each piece is worth, and the sizing, which
// goes on by itself and is found again after a reload.
import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import {
  api,
  ask,
  Refused,
  type AxleName,
  type DuctFlow,
  type DuctWorth,
  type SizingJob,
} from "@/api/client";
import { sessionLookedAt } from "./heat";
import { useLibrary } from "./library";
import { question } from "./question";
import { useWorkbench } from "./workbench";

const axle = ref<AxleName>("front");
/** Road speed at which the run is looked at, m/s. */
const speed = ref(40);

/** The session is told by the heat's own choice, so both places look at the same. */
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
  const job = shallowRef<SizingJob | null>(null);
  const trouble = ref("");
  let events: EventSource | null = null;

  function stopFollowing(): void {
    events?.close();
    events = null;
  }

  /** Told as it goes on; where the server goes away meanwhile, asked for again once it is back. */
  function follow(id: string): void {
    stopFollowing();
    events = new EventSource(`/api/air/sizings/${id}/events`);
    events.addEventListener("sizing", (event) => {
      job.value = JSON.parse((event as MessageEvent<string>).data) as SizingJob;
      if (job.value.state !== "running") stopFollowing();
    });
    events.addEventListener("error", () => {
      stopFollowing();
      window.setTimeout(() => void find(), 1500);
    });
  }

  /** The last sizing of this axle, whether it still runs or not. */
  async function find(): Promise<void> {
    stopFollowing();
    const setupId = library.setup?.id;
    const asked = axle.value;
    if (!setupId) return;
    try {
      const path = { setup_id: setupId, axle: asked };
      const found = await ask(api.GET("/api/setups/{setup_id}/sizings/{axle}", { params: { path } }));
      if (library.setup?.id !== setupId || axle.value !== asked) return;
      job.value = found;
      if (found?.state === "running") follow(found.id);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      if (error.unanswered && job.value?.state === "running") window.setTimeout(() => void find(), 1500);
    }
  }

  async function begin(): Promise<void> {
    const bench = workbench.bench;
    const setupId = library.setup?.id;
    if (!bench || !setupId) return;
    trouble.value = "";
    try {
      const body = { ...bench, axle: axle.value, setup_id: setupId };
      job.value = await ask(api.POST("/api/air/sizings", { body }));
      follow(job.value.id);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      trouble.value = error.problem.detail;
    }
  }

  async function leaveOff(): Promise<void> {
    const id = job.value?.id;
    stopFollowing();
    job.value = null;
    if (!id) return;
    const path = { job_id: id };
    await ask(api.DELETE("/api/air/sizings/{job_id}", { params: { path } })).catch(() => undefined);
  }

  watch([() => library.setup?.id, axle], () => {
    job.value = null;
    trouble.value = "";
    void find();
  });

  return {
    axle,
    speed,
    job,
    trouble,
    find,
    begin,
    leaveOff,
    path: computed(() => `setup.${axle.value}.cooling.duct`),
    duct: computed(() => workbench.bench?.setup[axle.value].cooling?.duct ?? null),
    vented: computed(() => (workbench.bench?.setup[axle.value].disc.vane_gap ?? 0) > 0),
  };
});
