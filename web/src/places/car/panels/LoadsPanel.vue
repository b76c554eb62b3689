<script setup lang="ts">
// Variable loads, and the loads in which the car runs.
import { computed } from "vue";
import { fieldAt } from "@/documents/schema";
import DocumentField from "@/fields/DocumentField.vue";
import { useMeasurements } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import NumberTag from "@/working/NumberTag.vue";

const ITEM = ["name", "mass", "behind_front_axle", "height", "on_scales"];
const workbench = useWorkbench();
const measurements = useMeasurements();
const car = computed(() => workbench.bench!.car);
const items = computed(() => car.value.loading.items);
const loads = computed(() => car.value.loading.states);
const used = (name: string): boolean =>
  car.value.states.some((state) => state.load === name) === true || car.value.measured.logged.load === name;

/** Errors that belong to no single field: a taken name, items and loads that do not match. */
const fault = computed(() => {
  const path = workbench.refusal?.path ?? "";
  return /^car\.loading(\.states(\.\d+\.name)?)?$/.test(path) ? workbench.errorAt(path) : null;
});

function free(base: string, taken: readonly string[]): string {
  let name = base;
  for (let n = 2; taken.includes(name); n += 1) name = `${base} ${n}`;
  return name;
}

function addItem(): void {
  const name = free(
    items.value.length ? "Ballast" : "Driver",
    items.value.map((item) => item.name),
  );
  const item = {
    name,
    mass: name === "Driver" ? 80 : 20,
    behind_front_axle: car.value.wheelbase / 2,
    height: 0.35,
    on_scales: 1,
  };
  void workbench.editAll("car.loading", {
    "car.loading.items": [...items.value, item],
    "car.loading.states": loads.value.map((load) => ({ ...load, shares: [...load.shares, 1] })),
  });
}
const removeItem = (index: number) =>
  workbench.editAll("car.loading", {
    "car.loading.items": items.value.filter((_, place) => place !== index),
    "car.loading.states": loads.value.map((load) => ({
      ...load,
      shares: load.shares.filter((_, place) => place !== index),
    })),
  });
function addLoad(): void {
  const name = free(
    "Low fuel",
    loads.value.map((load) => load.name),
  );
  void workbench.edit("car.loading.states", [
    ...loads.value,
    { name, shares: items.value.map((item) => item.on_scales) },
  ]);
}
const removeLoad = (index: number) =>
  workbench.edit(
    "car.loading.states",
    loads.value.filter((_, place) => place !== index),
  );

/** A load's new name goes into every state that wants it. */
function rename(index: number, text: string): void {
  const before = loads.value[index]?.name;
  const name = text.trim();
  if (!before || name === before) return;
  void workbench.editAll(`car.loading.states.${index}.name`, {
    [`car.loading.states.${index}.name`]: name,
    "car.states": car.value.states.map((state) => (state.load === before ? { ...state, load: name } : state)),
    ...(car.value.measured.logged.load === before ? { "car.measured.logged.load": name } : {}),
  });
}
</script>

<template>
  <form aria-label="Loads" @submit.prevent>
    <section v-for="(item, index) in items" :key="index" class="item" :aria-label="item.name">
      <DocumentField v-for="field in ITEM" :key="field" :path="`car.loading.items.${index}.${field}`" />
      <button
        class="plain-button"
        type="button"
        :aria-label="`Remove ${item.name}`"
        @click="removeItem(index)"
      >
        ×
      </button>
    </section>
    <p v-if="!items.length" class="label">
      Driver, fuel, ballast: what comes and goes moves mass, balance and height. Nothing is listed yet.
    </p>
    <p>
      <button
        class="plain-button"
        type="button"
        :disabled="items.length >= fieldAt('car.loading.items').most"
        @click="addItem"
      >
        Add an item
      </button>
    </p>

    <h2>The car in each load</h2>
    <section
      v-for="(answer, row) in measurements.answer?.loads ?? []"
      :key="row"
      class="item"
      :aria-label="answer.load"
    >
      <p class="load">
        <b v-if="row === 0">{{ answer.load }}</b>
        <input
          v-else
          class="name"
          :value="loads[row - 1]?.name"
          :aria-label="`Name of load ${row}`"
          maxlength="24"
          @change="rename(row - 1, ($event.target as HTMLInputElement).value)"
        />
        <NumberTag :headline="`measurements/loads.${row}.mass`" dimension="mass" />
        <NumberTag label="front" :headline="`measurements/loads.${row}.front_share`" dimension="share" />
        <NumberTag label="CG" :headline="`measurements/loads.${row}.cg_height`" dimension="length" />
      </p>
      <template v-if="row > 0">
        <DocumentField
          v-for="(item, index) in items"
          :key="item.name"
          :path="`car.loading.states.${row - 1}.shares.${index}`"
          :label="`${item.name} aboard`"
        />
        <button
          class="plain-button"
          type="button"
          :disabled="used(answer.load)"
          :title="used(answer.load) ? 'A state or the log uses it' : ''"
          :aria-label="`Remove load ${answer.load}`"
          @click="removeLoad(row - 1)"
        >
          ×
        </button>
      </template>
    </section>
    <p v-if="fault" class="bad" role="alert">
      {{ fault }}
    </p>
    <p>
      <button
        class="plain-button"
        type="button"
        :disabled="loads.length >= fieldAt('car.loading.states').most"
        @click="addLoad"
      >
        Add a load
      </button>
    </p>
  </form>
</template>

<style scoped>
.item {
  border-top: 1px solid var(--rule);
  padding: 0.2rem 2.2rem 0.2rem 0;
  position: relative;
}
.item > .plain-button {
  position: absolute;
  right: 0;
  top: 0.3rem;
}
h2 {
  border-top: 1px solid var(--ink);
  font-size: 0.95rem;
  font-weight: 600;
  margin-top: 0.6rem;
  padding-top: 0.3rem;
}
.load {
  align-items: baseline;
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.8rem;
}
.name {
  background: none;
  border: 0;
  border-bottom: 1px solid var(--rule);
  font-weight: 500;
  width: 6.2rem;
}
.plain-button {
  min-height: 1.7rem;
  padding: 0 0.6rem;
}
</style>
