<script setup lang="ts">
// A pad's friction over the disc's temperature: the points of the maker's curve, and the curve through them.
import { computed } from "vue";
import type { AxleName } from "@/api/client";
import { fieldAt } from "@/documents/schema";
import { show, unitOf } from "@/units/units";
import DocumentField from "@/fields/DocumentField.vue";
import { useHydraulics } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";

const WIDTH = 320;
const HEIGHT = 120;
const LEFT = 30;
const BOTTOM = 30;
const props = defineProps<{ axle: AxleName }>();
const workbench = useWorkbench();
const hydraulics = useHydraulics();
hydraulics.keepFresh();
const path = computed(() => `setup.${props.axle}.pad.friction_curve`);
const pad = computed(() => workbench.bench!.setup[props.axle].pad);
const points = computed(() => pad.value.friction_curve);
const curve = computed(() => hydraulics.answer?.pads.find((one) => one.axle === props.axle));
const error = computed(() => workbench.errorAt(path.value));

const warm = (kelvin: number): number => kelvin / unitOf("temperature").factor - unitOf("temperature").offset;
const span = computed(() => {
  const temperatures = curve.value?.temperatures ?? [];
  return { low: temperatures[0] ?? 0, high: temperatures.at(-1) ?? 1 };
});
const top = computed(() => 1.15 * Math.max(...(curve.value?.frictions ?? []), 0.1));
const x = (kelvin: number): number =>
  LEFT + ((WIDTH - LEFT - 8) * (kelvin - span.value.low)) / (span.value.high - span.value.low);
const y = (friction: number): number => HEIGHT - BOTTOM - ((HEIGHT - BOTTOM - 6) * friction) / top.value;
const line = computed(() =>
  (curve.value?.temperatures ?? [])
    .map((kelvin, index) => `${index ? "L" : "M"}${x(kelvin)} ${y(curve.value?.frictions[index] ?? 0)}`)
    .join(""),
);
const current = computed(() => Math.min(span.value.high, Math.max(span.value.low, pad.value.looked_at)));

function add(): void {
  const known = points.value;
  const last = known.at(-1);
  const more = last
    ? [{ temperature: last.temperature + 100, friction: last.friction }]
    : (fieldAt(path.value).fresh as object[]).map((one) => ({ ...one, friction: pad.value.friction }));
  void workbench.edit(path.value, [...known, ...more]);
}
const remove = (index: number) =>
  workbench.edit(
    path.value,
    points.value.length > 2 ? points.value.filter((_, place) => place !== index) : [],
  );
</script>

<template>
  <section aria-label="Friction over temperature">
    <p class="label">In use: {{ show(curve?.friction, "friction") }}, letter {{ curve?.letter ?? "–" }}</p>
    <svg
      v-if="line"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`Friction ${show(curve?.friction, 'friction')} at ${show(current, 'temperature')}`"
    >
      <path class="axis" :d="`M${LEFT} 4V${HEIGHT - BOTTOM}H${WIDTH - 4}`" />
      <path :class="axle" :d="line" />
      <circle
        v-for="point in points"
        :key="point.temperature"
        :cx="x(point.temperature)"
        :cy="y(point.friction)"
        r="3"
        :class="axle"
      />
      <circle :cx="x(current)" :cy="y(curve?.friction ?? 0)" r="5" class="now" />
      <text :x="LEFT" :y="HEIGHT - 16">{{ Math.round(warm(span.low)) }}</text>
      <text :x="WIDTH - 6" :y="HEIGHT - 16" text-anchor="end">{{ Math.round(warm(span.high)) }}</text>
      <text :x="WIDTH / 2" :y="HEIGHT - 3" text-anchor="middle">
        disc temperature, {{ unitOf("temperature").symbol }}
      </text>
      <text :x="LEFT - 4" :y="y(top / 1.15) + 4" text-anchor="end">{{ (top / 1.15).toFixed(2) }}</text>
      <text :x="LEFT - 4" :y="y(0)" text-anchor="end">0</text>
      <text :x="LEFT + 4" y="10">friction</text>
    </svg>
    <div v-for="(_, index) in points" :key="index" class="point">
      <DocumentField :path="`${path}.${index}.temperature`" label="at" :context="`Point ${index + 1}`" />
      <DocumentField :path="`${path}.${index}.friction`" label="friction" :context="`Point ${index + 1}`" />
      <button
        class="plain-button"
        type="button"
        :aria-label="`Remove point ${index + 1}`"
        @click="remove(index)"
      >
        ×
      </button>
    </div>
    <p v-if="error" class="bad" role="alert">{{ error }}</p>
    <p>
      <button class="plain-button" type="button" :disabled="points.length >= fieldAt(path).most" @click="add">
        {{ points.length ? "Add a point" : "Give a curve over temperature" }}
      </button>
    </p>
  </section>
</template>

<style scoped>
section {
  border-top: 1px solid var(--rule);
  display: grid;
  gap: 0.3rem;
  padding-top: 0.4rem;
}
svg {
  width: 100%;
}
path {
  fill: none;
  stroke-width: 2;
}
.axis {
  stroke: var(--soft);
  stroke-width: 1;
}
path.front {
  stroke: var(--front);
}
path.rear {
  stroke: var(--rear);
  stroke-dasharray: 7 4;
}
circle.front {
  fill: var(--front);
}
circle.rear {
  fill: var(--rear);
}
.now {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2;
}
text {
  fill: var(--soft);
  font-family: var(--narrow);
  font-size: 11px;
}
.point {
  align-items: center;
  display: grid;
  gap: 0.2rem;
  grid-template-columns: 1fr auto;
}
.point > :nth-child(2) {
  grid-column: 1;
}
.point > button {
  grid-column: 2;
  grid-row: 1 / 3;
  min-height: 1.7rem;
}
</style>
