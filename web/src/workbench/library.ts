// Cars and setups on the server, saved as they change, and the state of saving.
import { useDebounceFn } from "@vueuse/core";
import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import { api, ask, Refused, type Desk, type Problem, type Schemas, type Setup } from "@/api/client";
import { recordsOf, type BenchRecord, type Listed, type Stored } from "@/api/records";
import { units } from "@/units/units";
import type { Bench } from "./history";
import { useChangeQueue } from "./changeQueue";
import { useWorkbench } from "./workbench";

type SaveState = "saved" | "unsaved" | "saving" | "conflict" | "failed" | "tried";
/** A record that this Plimbo cannot read. */
export interface Unreadable {
  kind: BenchRecord;
  id: string;
  name: string;
}

/** A record that was saved, or deleted for good, elsewhere while it was edited here. */
interface Conflict {
  kind: BenchRecord;
  version: number;
  deleted: boolean;
}

const SAVE_AFTER_MS = 350;

/** A list in which one record goes by another name, at another version. */
const relisted = (list: Listed[], id: string, name: string, version: number) =>
  list.map((one) => (one.id === id ? { ...one, name, version } : one));

export const useLibrary = defineStore("library", () => {
  const workbench = useWorkbench();
  const cars = ref<Listed[]>([]);
  const setups = ref<Listed[]>([]);
  const car = shallowRef<Stored<"car"> | null>(null);
  const setup = shallowRef<Stored<"setup"> | null>(null);
  const saveState = ref<SaveState>("saved");
  const conflict = shallowRef<Conflict | null>(null);
  const failure = shallowRef<Problem | null>(null);
  const unreadable = shallowRef<Unreadable | null>(null);
  /** A message that stays until it is closed. */
  const notice = ref("");
  /** Saves whose answer was lost, as they were sent. */
  const unanswered: { [kind in BenchRecord]?: Bench } = {};
  const desk = ref<Desk>({
    setup_id: null,
    place: "chain",
    state: "",
    units: "mixed",
    dark: false,
    caution_read: false,
    baselines: {},
  });
  let saving: Promise<void> = Promise.resolve();
  let opening: { setupId: string; done: Promise<void> } | undefined;
  let comparing: Promise<void> = Promise.resolve();

  const byId = (record_id: string) => ({ params: { path: { record_id } } });

  const dirty = (kind: BenchRecord): boolean =>
    kind === "car" ? workbench.bench?.car !== car.value?.car : workbench.bench?.setup !== setup.value?.setup;

  async function saveKind(kind: BenchRecord, name = "", note = ""): Promise<void> {
    // The same save is sent again first: it may have arrived, and is recognised by its content.
    const lost = unanswered[kind];
    if (lost) await send(kind, lost);
    const now = workbench.bench;
    if (now && (dirty(kind) || name)) await send(kind, now, name, note);
  }

  async function send(kind: BenchRecord, now: Bench, name = "", note = ""): Promise<void> {
    if (!car.value || !setup.value) return;
    unanswered[kind] = undefined;
    try {
      if (kind === "car") {
        const stored = await recordsOf("car").save(car.value.id, car.value.version, now.car);
        car.value = { ...stored, car: now.car };
        cars.value = relisted(cars.value, stored.id, now.car.name, stored.version);
      } else {
        const { id, version } = setup.value;
        const stored = await recordsOf("setup").save(id, version, now.setup, name, note);
        setup.value = { ...stored, setup: now.setup };
        setups.value = relisted(setups.value, stored.id, now.setup.name, stored.version);
      }
    } catch (error) {
      if (error instanceof Refused && [404, 409].includes(error.problem.status)) {
        const { status, current_version } = error.problem;
        conflict.value = { kind, version: current_version ?? 0, deleted: status === 404 };
      }
      if (error instanceof Refused && error.unanswered && !name) unanswered[kind] = now;
      throw error;
    }
  }

  /** Save what has changed; one save after the other. */
  function save(name = "", note = ""): Promise<void> {
    saving = saving.then(async () => {
      if (conflict.value) return;
      if (workbench.trials.length) {
        saveState.value = "tried";
        return;
      }
      saveState.value = "saving";
      try {
        await saveKind("car");
        await saveKind("setup", name, note);
        failure.value = null;
        saveState.value = dirty("car") || dirty("setup") ? "unsaved" : "saved";
      } catch (error) {
        if (!(error instanceof Refused)) throw error;
        failure.value = error.problem;
        // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- saving may have found one meanwhile
        saveState.value = conflict.value ? "conflict" : "failed";
      }
    });
    return saving;
  }

  const saveSoon = useDebounceFn(() => save(), SAVE_AFTER_MS);
  watch(
    () => workbench.changes,
    () => {
      if (!conflict.value) saveState.value = workbench.trials.length ? "tried" : "unsaved";
      void saveSoon();
    },
  );
  document.addEventListener("visibilitychange", () => {
    if (document.visibilityState === "hidden" && saveState.value === "unsaved") void save();
  });

  async function compareWithPinned(): Promise<void> {
    const pinned = car.value && desk.value.baselines[car.value.id];
    if (!pinned || !workbench.bench) return workbench.compareWith(null);
    const found = await recordsOf("setup").revision(pinned.setup_id, pinned.version);
    await workbench.compareWith({ car: workbench.bench.car, setup: found }, found.name);
  }

  /** One after the other: a mark lifted while its setup is still being fetched stays lifted. */
  function loadBaseline(): Promise<void> {
    comparing = comparing.then(compareWithPinned).catch(() => workbench.compareWith(null));
    return comparing;
  }

  /** Put a setup and its car on the bench; a second request for the same one waits for the first. */
  function open(setupId: string): Promise<void> {
    if (opening?.setupId === setupId) return opening.done;
    const done = lay(setupId).finally(() => {
      if (opening?.done === done) opening = undefined;
    });
    opening = { setupId, done };
    return done;
  }

  async function lay(setupId: string): Promise<void> {
    const [{ owner, siblings, ...found }, all] = await Promise.all([
      ask(api.GET("/api/setups/{record_id}/opened", byId(setupId))),
      recordsOf("car").list(),
    ]);
    // The bench is saved first; a conflict over it must be resolved before it is replaced.
    await save();
    if (conflict.value) return;
    if (workbench.trials.length) notice.value = "What was on trial was not kept.";
    await workbench.lay({ car: owner.car, setup: found.setup });
    setups.value = siblings;
    cars.value = all;
    car.value = owner;
    setup.value = found;
    conflict.value = null;
    failure.value = null;
    unanswered.car = unanswered.setup = undefined;
    saveState.value = "saved";
    await loadBaseline();
  }

  /** The first setup of a car that can be opened, by the order in which they were made. */
  async function firstSetupOf(carId: string): Promise<string | null> {
    const listed = await recordsOf("setup").listOf("car", carId);
    return listed.find((one) => one.readable)?.id ?? null;
  }

  /** Whether a record of a list can be opened; if not, the choices for it are shown. */
  function canOpen(kind: BenchRecord, list: readonly Listed[], id: string): boolean {
    const one = list.find((listed) => listed.id === id);
    if (one?.readable === false) unreadable.value = { kind, id, name: one.name };
    return one?.readable !== false;
  }

  /** Copy the whole database, on the machine that serves it. */
  async function makeBackup(): Promise<void> {
    await save();
    try {
      const asJson = { headers: { "content-type": "application/json" } };
      const made = await ask(api.POST("/api/backups", asJson));
      notice.value = `Backup made: ${made.file}. To bring it back, stop Plimbo, then: ${made.restore}`;
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      notice.value = `No backup was made. ${error.problem.detail}`;
    }
  }

  async function addSetup(carId: string, body: Setup): Promise<string> {
    return (await recordsOf("setup").addTo("car", carId, body)).id;
  }

  /** Keep the setup on the bench under a new name, beside the old one. */
  async function copySetup(name: string, of = workbench.bench?.setup): Promise<string> {
    if (!car.value || !of) throw new Error("nothing on the bench");
    return addSetup(car.value.id, { ...of, name });
  }

  /** Begin a car from this one and this setup of it: what was given is marked as copied. */
  async function copyCar(name: string): Promise<string> {
    if (!car.value || !setup.value) throw new Error("nothing on the bench");
    await save();
    const body = { name, setup_id: setup.value.id };
    return (await ask(api.POST("/api/cars/{record_id}/copies", { ...byId(car.value.id), body }))).id;
  }

  const readFile = async (file: File): Promise<string> => (await recordsOf("setup").readFile(file)).id;

  /** Clears the bench, for example when its setup was archived; unsaved changes are dropped. */
  function clear(): void {
    workbench.clear();
    car.value = setup.value = conflict.value = failure.value = null;
    saveState.value = "saved";
    setups.value = [];
    desk.value = { ...desk.value, setup_id: null };
  }

  /** Takes over the lists that the garage has read; the bench follows changes made elsewhere. */
  async function relist(garage: readonly Schemas["ListedCar"][]): Promise<void> {
    const listed = <One extends { archived: boolean }>(all: readonly One[]) =>
      all.filter((one) => !one.archived);
    const owner = garage.find((one) => one.id === car.value?.id);
    const laid = owner?.setups.find((one) => one.id === setup.value?.id);
    cars.value = listed(garage);
    setups.value = listed(owner?.setups ?? []);
    if (!setup.value || conflict.value) return;
    if (!owner || !laid) clear();
    else if (owner.version !== car.value?.version || laid.version !== setup.value.version)
      await open(setup.value.id);
  }

  /** Mark a setup, as it is saved now, as the one to compare its car's others with; or lift the mark. */
  async function mark(carId: string, pinned: Desk["baselines"][string] | null): Promise<void> {
    const baselines = { ...desk.value.baselines };
    if (pinned) baselines[carId] = pinned;
    else delete baselines[carId];
    desk.value = { ...desk.value, baselines };
    if (car.value?.id === carId) await loadBaseline();
  }

  /** Nothing is compared with a setup that is gone. */
  async function dropBaseline(setupId: string): Promise<void> {
    const found = Object.entries(desk.value.baselines).find(([, pinned]) => pinned.setup_id === setupId);
    if (found) await mark(found[0], null);
  }

  /** Mark this setup, as it is saved now, as the one to compare with; or lift the mark. */
  async function toggleBaseline(): Promise<void> {
    if (!car.value || !setup.value) return;
    await save();
    const pinned = { setup_id: setup.value.id, version: setup.value.version };
    await mark(car.value.id, desk.value.baselines[car.value.id] ? null : pinned);
  }

  // One after the other: an earlier one that arrives later would restore the previous state.
  const enqueue = useChangeQueue();
  const writeDesk = () => api.PUT("/api/desk", { body: desk.value }).catch(() => undefined);
  const leaveDesk = useDebounceFn(() => enqueue(writeDesk, "desk"), 200);
  watch(
    desk,
    (now) => {
      units.system = now.units;
      document.documentElement.classList.toggle("dark", now.dark);
      void leaveDesk();
    },
    { deep: true },
  );

  return {
    cars,
    setups,
    car,
    setup,
    saveState,
    conflict,
    failure,
    unreadable,
    notice,
    desk,
    hasBaseline: computed(() => Boolean(car.value && desk.value.baselines[car.value.id])),
    save,
    open,
    firstSetupOf,
    canOpen,
    makeBackup,
    addSetup,
    copySetup,
    copyCar,
    readFile,
    toggleBaseline,
    dropBaseline,
    mark,
    clear,
    relist,
  };
});
