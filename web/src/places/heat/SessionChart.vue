<script setup lang="ts">
// The chart of the session with its cursor: dragged, stepped by keys, or sent to the important moments.
import { computed, ref, useTemplateRef, watch } from "vue";
import type { SimulatedSession } from "@/api/client";
import ChartFigure from "@/charts/ChartFigure.vue";
import { useInk } from "@/charts/ink";
import { sessionOption, sessionRows, sessionWords } from "@/charts/sessionHeat";
import { wordAt } from "@/documents/schema";
import { show, showNumber, unitOf } from "@/units/units";
import { useHeat } from "@/workbench/heat";
import { useWorkbench } from "@/workbench/workbench";

const props = defineProps<{ simulated: SimulatedSession; ghost: SimulatedSession | null }>();
const heat = useHeat();
const workbench = useWorkbench();
const ink = useInk();
const part = ref("");
const of = computed(() => props.simulated.heat);
const end = computed(() => of.value.times.at(-1) ?? 1);
const zoomed = computed(() => of.value.parts.find((one) => one.name === part.value));
const from = computed(() => zoomed.value?.begin ?? 0);
const to = computed(() => zoomed.value?.end ?? end.value);
const ghosts = computed(() => [
  // Another session is not compared with this one.
  ...(props.ghost?.heat.session === of.value.session && workbench.ghost
    ? [{ label: workbench.ghost.label, simulated: props.ghost }]
    : []),
  ...heat.kept.filter((one) => one.session === of.value.session),
]);
const option = computed(() =>
  sessionOption(
    props.simulated,
    { from: from.value, to: to.value, cursor: heat.cursor, ghosts: ghosts.value },
    ink.value,
  ),
);

watch(
  () => of.value.session,
  () => {
    part.value = "";
    heat.cursor = of.value.hottest_time;
  },
  { immediate: true },
);
watch(end, (now) => {
  if (heat.cursor > now) heat.cursor = now;
});

const box = useTemplateRef("box");
/** The pane of the chart lies between its axes; see the grid of the option. */
const PANE = { left: 56, right: 14 };
function point(event: PointerEvent): void {
  if (event.type === "pointermove" && event.buttons !== 1) return;
  const canvas = box.value?.querySelector(".chart");
  if (!canvas || !(event.target as HTMLElement).closest(".chart")) return;
  const { left, width } = canvas.getBoundingClientRect();
  const share = (event.clientX - left - PANE.left) / (width - PANE.left - PANE.right);
  heat.cursor = from.value + Math.min(1, Math.max(0, share)) * (to.value - from.value);
}

const where = computed(() => {
  const now = of.value.parts.find((one) => heat.cursor >= one.begin && heat.cursor <= one.end);
  return `${Math.floor(heat.cursor / 60)}:${String(Math.floor(heat.cursor % 60)).padStart(2, "0")} min, ${now?.name ?? ""}`;
});

function jump(time: number): void {
  if (zoomed.value && (time < from.value || time > to.value)) part.value = "";
  heat.cursor = time;
}

function keep(): void {
  const setup = workbench.bench!.setup;
  const pad = `${wordAt("setup.front.pad.compound", setup.front.pad.compound!)} pads`;
  const disc = `${showNumber(setup.front.disc.outer_diameter, "length")} × ${show(setup.front.disc.thickness, "length")}`;
  heat.keep({
    label: `${setup.name}: ${pad}, ${disc}, ${wordAt("setup.fluid.kind", setup.fluid.kind!)}`,
    session: of.value.session,
    simulated: props.simulated,
  });
}
</script>

<template>
  <div ref="box" class="box" @pointerdown="point" @pointermove="point">
    <ChartFigure
      title="Discs and fluid through the session"
      moving
      :option="option"
      :ink="ink"
      :words="sessionWords(simulated)"
      :rows="() => sessionRows(of)"
    >
      <i class="front" /> front <i class="rear" /> rear <span class="swatch" /> pads bite,
      {{ showNumber(of.front.low, "temperature") }} to {{ show(of.front.high, "temperature") }}
    </ChartFigure>
    <div class="controls">
      <label class="label cursor"
        >Cursor
        <input
          type="range"
          :min="from"
          :max="to"
          :step="Math.max(0.1, (to - from) / 600)"
          :value="heat.cursor"
          :aria-valuetext="where"
          @input="heat.cursor = Number(($event.target as HTMLInputElement).value)"
        />
      </label>
      <span class="label where">{{ where }}</span>
      <select v-model="part" aria-label="Show">
        <option value="">whole session</option>
        <option v-for="one in of.parts" :key="one.name + one.begin" :value="one.name">{{ one.name }}</option>
      </select>
      <button class="plain-button" type="button" @click="jump(of.hottest_time)">Hottest disc</button>
      <button class="plain-button" type="button" @click="jump(of.worst_fluid_time)">
        Fluid's worst minute
      </button>
      <button class="plain-button" type="button" title="Keep these lines to compare with" @click="keep">
        Keep for comparison
      </button>
    </div>
    <p v-if="ghosts.length" class="label ghosts">
      <span v-for="(one, number) in ghosts" :key="one.label + number"
        >{{ number + 1 }}: {{ one.label }}
        <button
          v-if="heat.kept.includes(one as never)"
          type="button"
          :aria-label="`Remove comparison ${number + 1}`"
          @click="heat.drop(one as never)"
        >
          ×
        </button></span
      >
      <span>{{ unitOf("temperature").symbol }}, peaks of each lap</span>
    </p>
  </div>
</template>

<style scoped>
.box {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.box :deep(figure) {
  flex: 1;
  height: auto;
}
@media (max-width: 760px) {
  .box :deep(figure) {
    flex: none;
    height: 21rem;
  }
}
.box :deep(.chart) {
  cursor: ew-resize;
  touch-action: pan-y;
}
.controls {
  align-items: center;
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.5rem;
  padding: 0 0 0.3rem;
}
.cursor {
  align-items: center;
  display: flex;
  flex: 1;
  gap: 0.5rem;
  min-width: 9rem;
}
.cursor input {
  accent-color: var(--ink);
  flex: 1;
  min-width: 5rem;
}
.where {
  min-width: 7.5rem;
}
select {
  background: var(--paper);
  border: 1px solid var(--soft);
  border-radius: 999px;
  font-family: var(--narrow);
  min-height: 1.9rem;
  padding: 0 0.5rem;
}
.controls .plain-button {
  min-height: 1.7rem;
  padding: 0 0.6rem;
}
.swatch {
  background: var(--tint);
  border: 1px solid var(--rule);
  display: inline-block;
  height: 0.7rem;
  margin-left: 0.5rem;
  vertical-align: middle;
  width: 1.1rem;
}
.ghosts {
  overflow-wrap: anywhere;
  display: flex;
  flex-wrap: wrap;
  gap: 0 1rem;
}
</style>
