// The plan for the car on the bench: a long job; how many of its steps are on the bench; what may not be touched.
import { useLocalStorage } from "@vueuse/core";
import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import type { Plan, PlanAnswer, PlanStep } from "@/api/client";
import { given } from "@/documents/marks";
import { valueAt } from "@/documents/paths";
import type { Bench } from "./history";
import { useJob } from "./job";
import { useLibrary } from "./library";
import { useWorkbench } from "./workbench";

/** Parts that stay, kinds of work that are left out, and the shop's own hours of work, of one setup. */
export interface PlanLimits {
  pinned: string[];
  left_out: string[];
  hours: Record<string, number>;
}
const NOTHING: PlanLimits = { pinned: [], left_out: [], hours: {} };

const patched = (bench: Bench, step: PlanStep): Bench =>
  Object.entries(step.patch).reduce((made, [path, value]) => given(made, path, value), bench);
const same = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);

export const usePlan = defineStore("plan", () => {
  const workbench = useWorkbench();
  const library = useLibrary();
  const about = (): string => (library.setup ? `${library.setup.id} plan` : "");
  const { job, trouble, begin, cancel, forget } = useJob<PlanAnswer>("/api/plans", about);
  const kept = useLocalStorage<Record<string, PlanLimits>>("plimbo-plan-limits", {});
  /** What the plan was asked about. */
  const asked = shallowRef<Bench | null>(null);
  const aim = ref("work");

  const limits = computed<PlanLimits>(() => ({ ...NOTHING, ...kept.value[library.setup?.id ?? ""] }));
  const running = computed(() => job.value?.state === "running");
  const answer = computed(() => (job.value?.state === "done" ? job.value.answer : null));
  const plan = computed<Plan | null>(() => {
    const plans = answer.value?.plans ?? [];
    return plans.find((one) => one.aim === aim.value) ?? plans[0] ?? null;
  });
  /** How many of its steps are on the bench; −1 where the bench is another. */
  const done = computed(() => {
    const bench = workbench.bench;
    if (!asked.value || !bench) return -1;
    if (same(asked.value, bench)) return 0;
    let made = asked.value;
    let found = -1;
    plan.value?.steps.forEach((step, at) => {
      made = patched(made, step);
      if (same(made, bench)) found = at + 1;
    });
    return found;
  });

  async function ask(): Promise<void> {
    if (!workbench.bench || !workbench.assessment || !library.setup) return;
    asked.value = workbench.bench;
    await begin({ ...workbench.bench, limits: limits.value, setup_id: library.setup.id });
  }
  /** Asks, unless the plan at hand is for this bench. */
  async function keepFresh(): Promise<void> {
    if (done.value < 0 || (!running.value && !answer.value)) await ask();
  }
  async function stop(): Promise<void> {
    asked.value = null;
    await cancel();
  }
  async function limit(to: Partial<PlanLimits>): Promise<void> {
    const id = library.setup?.id;
    if (id) kept.value = { ...kept.value, [id]: { ...limits.value, ...to } };
    await ask();
  }
  /** All values of the first steps. */
  const valuesOf = (count: number): Record<string, unknown> =>
    Object.assign({}, ...(plan.value?.steps.slice(0, count).map((step) => step.patch) ?? [])) as Record<
      string,
      unknown
    >;

  watch(
    () => library.setup?.id,
    () => {
      forget();
      asked.value = null;
      aim.value = "work";
    },
  );

  return {
    asked,
    job,
    trouble,
    running,
    answer,
    plan,
    aim,
    done,
    limits,
    ask,
    stop,
    limit,
    keepFresh,
    valuesOf,
    /** Sessions of the car that it changes, by name. */
    sessions: computed(() => {
      const places = Object.keys(plan.value?.patch ?? {}).map(
        (path) => /^car\.sessions\.(\d+)\./.exec(path)?.[1],
      );
      const names = places.map((at) => valueAt(workbench.bench?.car, `sessions.${at}.name`));
      return [...new Set(names.filter((name) => typeof name === "string"))];
    }),
  };
});
