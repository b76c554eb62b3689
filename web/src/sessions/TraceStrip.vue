<script setup lang="ts">
// The speed trace in which the zones were found, with the zones over it as they are now.
import { computed } from "vue";
import type { Circuit } from "@/api/client";

const props = defineProps<{ circuit: Circuit }>();
const WIDTH = 840;
const HEIGHT = 96;
const along = computed(() => props.circuit.trace_distance);
const speeds = computed(() => props.circuit.trace_speed);
const length = computed(() => along.value.at(-1) || 1);
const fastest = computed(() => Math.max(...speeds.value, 1));
const x = (metres: number) => 4 + (metres / length.value) * (WIDTH - 8);
const path = computed(() =>
  along.value
    .map(
      (metres, at) =>
        `${at ? "L" : "M"}${x(metres).toFixed(1)} ${(86 - ((speeds.value[at] ?? 0) / fastest.value) * 68).toFixed(1)}`,
    )
    .join(""),
);
const zones = computed(() => {
  let at = 0;
  return props.circuit.zones.map((zone, number) => {
    const from = number === 0 ? (props.circuit.trace_begins ?? zone.run) : at + zone.run;
    at = from + zone.distance;
    return { from, to: at, name: zone.name || `T${number + 1}` };
  });
});
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    role="img"
    aria-label="Speed trace with the braking zones found in it"
  >
    <rect
      v-for="zone in zones"
      :key="zone.from"
      :x="x(zone.from)"
      y="14"
      :width="Math.max(1, x(zone.to) - x(zone.from))"
      height="72"
      fill="var(--front-wash)"
      stroke="var(--front)"
      stroke-width="0.6"
    />
    <path :d="path" fill="none" stroke="var(--ink)" stroke-width="1.2" />
    <text
      v-for="zone in zones"
      :key="`n${zone.from}`"
      :x="(x(zone.from) + x(zone.to)) / 2"
      y="10"
      text-anchor="middle"
    >
      {{ zone.name }}
    </text>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  max-height: 7rem;
  width: 100%;
}
text {
  fill: var(--soft);
  font-family: var(--narrow);
  font-size: 11px;
}
</style>
