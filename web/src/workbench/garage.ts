// All cars with their setups, as the garage lists them; their summaries arrive one after the other.
import { defineStore } from "pinia";
import { computed, ref, shallowRef } from "vue";
import { api, ask, Refused, type Schemas } from "@/api/client";
import { recordsOf, type BenchRecord } from "@/api/records";
import { useLibrary } from "./library";
import { useWorkbench } from "./workbench";

export type ListedCar = Schemas["ListedCar"];
export type ListedSetup = Schemas["ListedSetup"];
/** The summary of a setup, or why there is none. */
export type SetupSummary = { marks: Schemas["Marks"] } | { trouble: string };

const AT_ONCE = 2;

/** A missing car cannot be archived itself: it is listed as long as one of its setups is. */
const isListed = (car: ListedCar) =>
  car.missing ? car.setups.some((setup) => !setup.archived) : !car.archived;

export const useGarage = defineStore("garage", () => {
  const library = useLibrary();
  const workbench = useWorkbench();
  const cars = shallowRef<readonly ListedCar[]>([]);
  const loaded = ref(false);
  const summaries = ref<Record<string, SetupSummary>>({});
  const last = ref<Record<string, Schemas["HistoryEntry"] | null>>({});
  let asking = new AbortController();

  const byId = (record_id: string) => ({ params: { path: { record_id } } });
  const isOpen = (kind: BenchRecord, id: string) => (kind === "car" ? library.car : library.setup)?.id === id;

  /** The key of a setup in its car: a summary is valid until one of them is saved again. */
  const key = (car: ListedCar, setup: ListedSetup) => `${setup.id} ${setup.version} ${car.version}`;

  async function load(): Promise<void> {
    await library.save();
    cars.value = await ask(api.GET("/api/garage"));
    loaded.value = true;
    await library.relist(cars.value);
    void look();
  }

  /** Ask for the summary and the last change of each setup, in the order of the cars. */
  async function look(): Promise<void> {
    leave();
    const { signal } = (asking = new AbortController());
    const waiting = cars.value
      .filter((car) => !car.archived && car.readable)
      .flatMap((car) =>
        car.setups.filter((one) => !one.archived && one.readable).map((setup) => ({ car, setup })),
      )
      .filter(({ car, setup }) => !(key(car, setup) in summaries.value));
    const worker = async (): Promise<void> => {
      for (let next = waiting.shift(); next && !signal.aborted; next = waiting.shift()) {
        await ofOne(next.car, next.setup, signal);
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, worker));
  }

  async function ofOne(car: ListedCar, setup: ListedSetup, signal: AbortSignal): Promise<void> {
    try {
      const [entry] = await recordsOf("setup").history(setup.id, 1, signal);
      last.value[key(car, setup)] = entry ?? null;
      const marks = await ask(api.GET("/api/setups/{record_id}/marks", { ...byId(setup.id), signal }));
      summaries.value[key(car, setup)] = { marks };
    } catch (error) {
      if (signal.aborted) return;
      const trouble = error instanceof Refused ? error.problem.detail : "Not known.";
      summaries.value[key(car, setup)] = { trouble };
    }
  }

  const leave = (): void => asking.abort();

  async function rename(kind: BenchRecord, id: string, name: string): Promise<void> {
    if (isOpen(kind, id)) {
      await workbench.edit(`${kind}.name`, name);
      await library.save();
      if (library.failure) throw new Refused(library.failure);
    } else {
      const { version } = await recordsOf(kind).get(id);
      await recordsOf(kind).rename(id, version, name);
    }
    await load();
  }

  /** Where the name is taken already, the copy gets a number. */
  async function copySetup(car: ListedCar, id: string): Promise<void> {
    await library.save();
    const { setup } = await recordsOf("setup").get(id);
    await recordsOf("setup").addTo("car", car.id, setup);
    await load();
  }

  async function copyCar(car: ListedCar): Promise<void> {
    await library.save();
    await ask(api.POST("/api/cars/{record_id}/copies", { ...byId(car.id), body: { name: car.name } }));
    await load();
  }

  async function archive(kind: BenchRecord, id: string, archived: boolean): Promise<void> {
    await library.save();
    await recordsOf(kind).archive(id, archived);
    if (archived) await library.dropBaseline(id);
    if (archived && isOpen(kind, id)) library.clear();
    await load();
  }

  async function deleteForGood(kind: BenchRecord, id: string): Promise<void> {
    await recordsOf(kind).deleteForGood(id);
    await library.dropBaseline(id);
    await load();
  }

  /** Create a car from the usual values of its kind; returns its first setup. */
  const begin = async (body: Schemas["NewCarQuestion"]): Promise<string> =>
    (await ask(api.POST("/api/new-cars", { body }))).id;

  return {
    cars,
    loaded,
    listed: computed(() => cars.value.filter(isListed)),
    summary: (car: ListedCar, setup: ListedSetup) => summaries.value[key(car, setup)],
    lastChange: (car: ListedCar, setup: ListedSetup) => last.value[key(car, setup)],
    load,
    leave,
    rename,
    copySetup,
    copyCar,
    archive,
    deleteForGood,
    begin,
  };
});
