// The bench: one car and one setup of it, their assessment, the ghost to compare with, undo and redo.
import { defineStore } from "pinia";
import { computed, ref, shallowRef } from "vue";
import {
  api,
  ask,
  Refused,
  type Assessment,
  type FieldError,
  type Phrase,
  type Problem,
  type StateAnswer,
  type Swap,
} from "@/api/client";
import { accepted, countUnconfirmed, given, isUnconfirmed } from "@/documents/marks";
import { valueAt, withValue } from "@/documents/paths";
import { filled } from "@/documents/schema";
import { showError } from "@/units/units";
import { emptyTimeline, recorded, redone, undone, type Bench } from "./history";
import { useChangeQueue } from "./changeQueue";

export interface Ghost {
  bench: Bench;
  assessment: Assessment;
  label: string;
}

/** A change that is tried on, and by which part of the page. */
export interface TriedChange {
  title: string;
  by: string;
}

export interface Refusal {
  path: string;
  errors: FieldError[];
  detail: string;
}

export const useWorkbench = defineStore("workbench", () => {
  const bench = shallowRef<Bench | null>(null);
  const assessment = shallowRef<Assessment | null>(null);
  const previous = shallowRef<Ghost | null>(null);
  const baseline = shallowRef<Ghost | null>(null);
  const timeline = shallowRef(emptyTimeline());
  const refusal = shallowRef<Refusal | null>(null);
  /** Says that assumed brakes have changed with the car, until it is closed. */
  const followed = shallowRef<Phrase | null>(null);
  /** Why there is no answer about the bench: it is outside the model and must be mended. */
  const outside = shallowRef<Problem | null>(null);
  const stateName = ref("");
  const changes = ref(0);
  /** Changes that are tried on, one on top of the other: they are saved only when they are kept. */
  const trials = shallowRef<readonly TriedChange[]>([]);
  let trial: TriedChange | null = null;
  let held = "";
  const enqueue = useChangeQueue();

  const current = computed<StateAnswer | null>(() => {
    const judged = assessment.value?.states ?? [];
    return judged.find((answer) => answer.state.name === stateName.value) ?? judged[0] ?? null;
  });
  /** Names of the states in which the setup is judged, where these are not all that the car has. */
  const judgedIn = computed<string[]>(() => {
    const names = assessment.value?.states.map((answer) => answer.state.name) ?? [];
    return names.length && names.length < (bench.value?.car.states.length ?? 0) ? names : [];
  });
  const ghost = computed(() => baseline.value ?? previous.value);
  const ghostCurrent = computed<StateAnswer | null>(() => {
    const states = ghost.value?.assessment.states ?? [];
    return states.find((answer) => answer.state.name === current.value?.state.name) ?? null;
  });

  /** The bench without its sessions if they are known to be valid: only the heat needs them. */
  const assess = (of: Bench): Promise<Assessment> => {
    const known = of.car.sessions === bench.value?.car.sessions;
    const car = known ? { ...of.car, sessions: [] } : of.car;
    const body = { car, setup: of.setup, with_working: false };
    return ask(api.POST("/api/assess", { body }));
  };

  /** While a session is edited: simulates it, and refuses what is impossible. The assessment does not use sessions. */
  let drive: ((of: Bench) => Promise<unknown>) | null = null;
  const OF_A_SESSION = /^car\.sessions\.\d+\.(?!name$)/;

  async function judge(next: Bench, path: string): Promise<Assessment> {
    if (!drive || !assessment.value || !OF_A_SESSION.test(path)) return assess(next);
    try {
      await drive(next);
    } catch (error) {
      // A session outside the model's range may still be edited.
      if (!(error instanceof Refused) || !error.outsideModel) throw error;
    }
    return assessment.value;
  }

  /** Metres compare only over the same stop: a ghost is calculated again if its speeds differ from those of the bench. */
  async function overTheSameStop(of: Ghost | null, car: Bench["car"]): Promise<Ghost | null> {
    const { top_speed, stop_to_speed } = car;
    const own = of?.bench.car;
    if (!of || !own || (own.top_speed === top_speed && own.stop_to_speed === stop_to_speed)) return of;
    const same = { ...of.bench, car: { ...own, top_speed, stop_to_speed } };
    try {
      return { ...of, bench: same, assessment: await assess(same) };
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      return null;
    }
  }

  /** Missing values get the defaults of the documents, so that the bench is complete. */
  const whole = ({ car, setup }: Bench): Bench => ({
    car: filled("car", car),
    setup: filled("setup", setup),
  });

  /** Values not given yet adapt to the given ones. */
  async function withFollowing(next: Bench): Promise<{ next: Bench; brakes: Phrase | null }> {
    if (!countUnconfirmed(next.car) && !countUnconfirmed(next.setup)) return { next, brakes: null };
    const raw = { car: next.car, setup: next.setup } as never;
    const { changes: following, brakes } = await ask(api.POST("/api/following", { body: raw }));
    const whole = Object.entries(following).reduce(
      (made, [path, value]) => withValue(made, path, value),
      next,
    );
    return { next: whole, brakes };
  }

  /** `going`: during a drag, which is compared with the state before it. */
  async function accept(next: Bench, path: string, going = false): Promise<boolean> {
    try {
      const judged = await judge(next, path);
      if (bench.value && assessment.value && !going) {
        previous.value = { bench: bench.value, assessment: assessment.value, label: "before" };
      }
      bench.value = next;
      assessment.value = judged;
      refusal.value = outside.value = null;
      trials.value = trial ? [...trials.value, trial] : [];
      changes.value += 1;
      previous.value = await overTheSameStop(previous.value, next.car);
      baseline.value = await overTheSameStop(baseline.value, next.car);
      return true;
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      refusal.value = { path, errors: error.problem.errors, detail: error.problem.detail };
      // There is no answer yet: each step toward one is kept, even if another is needed.
      if (assessment.value || !error.outsideModel) return false;
      bench.value = next;
      refusal.value = null;
      outside.value = error.problem;
      changes.value += 1;
      return true;
    }
  }

  /**
   * `make` gives the bench as it should be, or the one it was given where there is nothing to change. Changes of the
   * same `kind` that wait for the last answer become one, as the newest says. Those of one `hold` are one step to undo.
   */
  function change(path: string, make: (now: Bench) => Bench, kind = "", hold = ""): Promise<boolean> {
    return enqueue(async () => {
      const before = bench.value;
      if (!before) return false;
      const made = make(before);
      if (made === before) {
        refusal.value = null;
        return true;
      }
      const { next, brakes } = await withFollowing(whole(made));
      const going = hold !== "" && hold === held;
      if (!(await accept(next, path, going))) return false;
      if (brakes) followed.value = brakes;
      if (!going) timeline.value = recorded(timeline.value, before);
      held = hold;
      return true;
    }, kind);
  }

  /**
   * Put a value at a path such as `setup.pedal.ratio`; `hold` names the drag that it belongs to. False
   * where it was refused: `refusal` says why.
   */
  function edit(path: string, value: unknown, hold = ""): Promise<boolean> {
    // Compared when its turn comes: Enter and leaving the field may both ask for the same change.
    const same = (now: Bench): boolean =>
      JSON.stringify(valueAt(now, path)) === JSON.stringify(value) && !isUnconfirmed(now, path);
    return change(path, (now) => (same(now) ? now : given(now, path, value)), `edit ${path}`, hold);
  }

  /** Make another value of what stands at a path when its turn comes, such as a list with one row less. */
  const remake = <T>(path: string, make: (now: T) => T): Promise<boolean> =>
    change(path, (now) => withValue(now, path, make(valueAt(now, path) as T)));

  /** Put several values at their paths, as one change; `path` is the field that stands for them. */
  const editAll = (path: string, values: Record<string, unknown>): Promise<boolean> =>
    change(path, (now) =>
      Object.entries(values).reduce((made, [place, value]) => given(made, place, value), now),
    );

  const swapped = (now: Bench, patch: Swap["patch"]): Bench =>
    Object.entries(patch).reduce((made, [path, value]) => given(made, `setup.${path}`, value), now);

  /** Fit another part. */
  const fit = (path: string, swap: Swap): Promise<boolean> => change(path, (now) => swapped(now, swap.patch));

  /** Step a joint to its neighbour in stock when its turn comes; `repeated` by a key held down. */
  function step(
    key: string,
    to: "smaller" | "bigger" | "smaller_family" | "bigger_family",
    repeated = false,
  ): Promise<boolean> {
    const stepped = (now: Bench): Bench => {
      const swap = assessment.value?.joints.find((joint) => joint.key === key)?.[to];
      return swap ? swapped(now, swap.patch) : now;
    };
    return change(`setup.${key}`, stepped, repeated ? `step ${key} ${to}` : "");
  }

  /** Accept assumed or copied values as they stand. */
  const confirm = (...paths: string[]): Promise<boolean> =>
    change(paths[0] ?? "", (now) => paths.reduce((made, path) => accepted(made, path), now));

  /** Try a change on: it is saved when it is kept. `make` says whether it was taken. */
  async function tryOn(change: TriedChange, make: () => Promise<boolean>): Promise<boolean> {
    trial = change;
    try {
      return await make();
    } finally {
      trial = null;
    }
  }

  /** Keep what is tried on. */
  function keep(): void {
    trials.value = [];
    changes.value += 1;
  }

  function travel(to: typeof undone): Promise<boolean> {
    return enqueue(async () => {
      const found = bench.value && to(timeline.value, bench.value);
      const left = to === undone ? trials.value.slice(0, -1) : [];
      if (!found || !(await accept(found.bench, ""))) return false;
      trials.value = left;
      timeline.value = found.timeline;
      held = "";
      return true;
    });
  }

  /** Put another car and setup on the bench; a setup that the model refuses can be mended there, without an answer. */
  function lay(next: Bench): Promise<void> {
    return enqueue(async () => {
      let judged: Assessment | null = null;
      let refused: Problem | null = null;
      try {
        judged = await assess(next);
      } catch (error) {
        if (!(error instanceof Refused) || !error.outsideModel) throw error;
        refused = error.problem;
      }
      bench.value = next;
      followed.value = null;
      trials.value = [];
      assessment.value = judged;
      outside.value = refused;
      previous.value = null;
      refusal.value = null;
      timeline.value = emptyTimeline();
    });
  }

  /** Nothing lies on the bench. */
  function clear(): void {
    followed.value = null;
    bench.value = assessment.value = previous.value = baseline.value = refusal.value = outside.value = null;
    trials.value = [];
    timeline.value = emptyTimeline();
  }

  async function compareWith(of: Bench | null, label = ""): Promise<void> {
    baseline.value = of ? { bench: of, assessment: await assess(of), label } : null;
  }

  /** The message for a field, whether it was changed or excludes the change. */
  function errorAt(path: string): string | null {
    const mended = outside.value?.errors.find((error) => error.path === path);
    if (mended) return showError(mended);
    if (!refusal.value) return null;
    const own = refusal.value.errors.find((error) => error.path === path);
    if (own) return showError(own);
    if (refusal.value.path !== path) return null;
    const [first] = refusal.value.errors;
    return first ? showError(first) : refusal.value.detail;
  }

  return {
    bench,
    assessment,
    current,
    ghost,
    ghostCurrent,
    baseline,
    refusal,
    followed,
    outside,
    stateName,
    judgedIn,
    changes,
    canUndo: computed(() => timeline.value.past.length > 0),
    canRedo: computed(() => timeline.value.future.length > 0),
    edit,
    editAll,
    remake,
    fit,
    step,
    confirm,
    trials,
    tryOn,
    keep,
    lay,
    clear,
    compareWith,
    errorAt,
    /** Simulates the session being edited; none if none is. */
    driveWith: (by: typeof drive) => (drive = by),
    forgive: () => (refusal.value = null),
    undo: () => travel(undone),
    redo: () => travel(redone),
  };
});
