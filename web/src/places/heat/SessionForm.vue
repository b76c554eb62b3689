<script setup lang="ts">
// The session's settings: sliders that answer while they move, and every value as a field.
import { computed, ref } from "vue";
import { valueAt } from "@/documents/paths";
import { fieldAt } from "@/documents/schema";
import { loadsOf } from "@/documents/loads";
import DocumentField from "@/fields/DocumentField.vue";
import SharedByCar from "@/working/SharedByCar.vue";
import { show } from "@/units/units";
import { useHeat, useSimulation } from "@/workbench/heat";
import { useWorkbench } from "@/workbench/workbench";

const workbench = useWorkbench();
const heat = useHeat();
const simulation = useSimulation();
const loads = computed(() => loadsOf(workbench.bench?.car));
interface Slider {
  path: string;
  least: number;
  most: number;
  step: number;
  dimension: string;
}
const numberAt = (path: string) => valueAt(workbench.bench, path) as number;
/** From the minimum to twice the usual maximum: a range of two hundred laps would leave no room for ten. */
function slider(name: string, step: number): Slider {
  const path = `${heat.path}.${name}`;
  const { bounds, usual, dimension } = fieldAt(path);
  const most = Math.min(bounds[1], Math.max(2 * usual![1], numberAt(path)));
  return { path, least: bounds[0], most, step, dimension: dimension! };
}
const SLIDERS = computed<Slider[]>(() => [
  slider("pace", 0.01),
  slider("fast_laps", 1),
  slider("cool_down_laps", 1),
  slider("traffic", 0.05),
  ...(["front", "rear"] as const)
    .filter((axle) => workbench.bench?.setup[axle].cooling.duct.fitted)
    .map((axle) => slider(`${axle}_tape`, 0.05)),
]);
const title = (path: string) =>
  `${path.startsWith("setup.") ? `${path.split(".")[1]} ` : ""}${fieldAt(path).title.toLowerCase()}`;
/** Where the slider stands while the answer is on its way. */
const moved = ref<{ path: string; value: number } | null>(null);
const standsAt = (path: string) => (moved.value?.path === path ? moved.value.value : numberAt(path));
/** One pull of the slider is one step to undo. */
let pull = 0;
async function slide(path: string, event: Event): Promise<void> {
  const value = Number((event.target as HTMLInputElement).value);
  moved.value = { path, value };
  await workbench.edit(path, value, `slide ${path} ${pull}`);
  if (moved.value.path === path && moved.value.value === value) moved.value = null;
}
const FIELDS = [
  "out_laps",
  "race_stop_after",
  "race_stop",
  "parked",
  "laps_after",
  "times_an_event",
  "ambient",
  "altitude",
  "track",
];
/** The fast laps in minutes, as a race is announced: typed minutes become laps. */
const lapTime = computed(() => {
  const driven = simulation.answer?.heat;
  return driven && driven.session === heat.session?.name ? driven.lap_time : null;
});
const lapsPath = computed(() => `${heat.path}.fast_laps`);
const minutes = computed(() =>
  lapTime.value === null ? "" : ((standsAt(lapsPath.value) * lapTime.value) / 60).toFixed(1),
);
async function last(event: Event): Promise<void> {
  const typed = Number((event.target as HTMLInputElement).value.replace(",", "."));
  const { bounds } = fieldAt(lapsPath.value);
  if (lapTime.value === null || !(typed > 0)) return;
  const laps = Math.ceil((typed * 60) / lapTime.value - 1e-6);
  await workbench.edit(lapsPath.value, Math.min(bounds[1], Math.max(bounds[0], laps)));
}
</script>

<template>
  <form class="form" aria-label="Laps and pace" @submit.prevent>
    <div class="sliders">
      <label v-for="one in SLIDERS" :key="one.path" class="slider">
        <span class="label">{{ title(one.path) }}</span>
        <input
          type="range"
          :min="one.least"
          :max="one.most"
          :step="one.step"
          :value="standsAt(one.path)"
          :data-path="one.path"
          :aria-valuetext="show(standsAt(one.path), one.dimension)"
          @input="slide(one.path, $event)"
          @change="pull += 1"
        />
        <b>{{ show(standsAt(one.path), one.dimension) }}</b>
      </label>
      <label class="slider">
        <span class="label">Fast laps in minutes</span>
        <input
          type="number"
          min="0.1"
          step="0.1"
          inputmode="decimal"
          :value="minutes"
          :disabled="lapTime === null"
          aria-label="Fast laps in minutes"
          @change="last"
        />
        <b>min</b>
      </label>
    </div>
    <div class="fields">
      <SharedByCar />
      <DocumentField :path="`${heat.path}.name`" />
      <DocumentField v-for="field in FIELDS" :key="field" :path="`${heat.path}.${field}`" />
      <DocumentField :path="`${heat.path}.load`" :among="loads" />
      <DocumentField path="car.power" />
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: 1.4rem;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
}
.slider {
  align-items: center;
  display: grid;
  gap: 0.6rem;
  grid-template-columns: minmax(5rem, 8rem) minmax(4rem, 1fr) 5rem;
  min-height: 2rem;
}
.slider input {
  accent-color: var(--ink);
  min-width: 0;
}
.slider b {
  font-weight: 500;
}
.slider .label::first-letter {
  text-transform: uppercase;
}
</style>
