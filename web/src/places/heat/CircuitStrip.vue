<script setup lang="ts">
// A lap stretched out: its bends as deep as they are tight, the speed along it, and at each braking zone its energy.
import { computed } from "vue";
import type { Schemas } from "@/api/client";
import { show } from "@/units/units";

const props = defineProps<{ strip: Schemas["Strip"]; corners: readonly Schemas["Corner"][] }>();
const WIDTH = 840;
const HEIGHT = 92;
const length = computed(() => props.strip.distances.at(-1) ?? 1);
const x = (metres: number) => 4 + (metres / length.value) * (WIDTH - 8);
const fastest = computed(() => Math.max(...props.strip.speeds, 1));
const y = (speed: number) => 62 - (speed / fastest.value) * 44;
const path = computed(() =>
  props.strip.distances
    .map(
      (metres, at) => `${at ? "L" : "M"}${x(metres).toFixed(1)} ${y(props.strip.speeds[at] ?? 0).toFixed(1)}`,
    )
    .join(""),
);
/** Bends as bars: a radius of 12 m fills the height. */
const bends = computed(() => {
  const found: { from: number; to: number; depth: number }[] = [];
  props.strip.radii.forEach((radius, at) => {
    const from = props.strip.distances[at] ?? 0;
    const to = props.strip.distances[at + 1] ?? length.value;
    if (radius === null) return;
    const depth = Math.min(18, (12 / radius) * 18 + 2);
    const last = found.at(-1);
    if (last && last.to === from && last.depth === depth) last.to = to;
    else found.push({ from, to, depth });
  });
  return found;
});
const zones = computed(() =>
  props.strip.zone_begins.map((from, at) => ({
    from,
    to: props.strip.zone_ends[at] ?? from,
    name: props.strip.names[at] ?? "",
    energy: props.corners[at]?.front_energy ?? 0,
  })),
);
const most = computed(() => Math.max(...zones.value.map((one) => one.energy), 1));
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    role="img"
    aria-label="The lap along its distance, with its braking zones"
  >
    <rect
      v-for="bend in bends"
      :key="bend.from"
      :x="x(bend.from)"
      y="66"
      :width="Math.max(1, x(bend.to) - x(bend.from))"
      :height="bend.depth"
      fill="var(--rule)"
    />
    <path :d="path" fill="none" stroke="var(--ink)" stroke-width="1.2" />
    <g v-for="zone in zones" :key="zone.from">
      <rect
        :x="x(zone.from)"
        :y="64 - 26 * Math.sqrt(zone.energy / most)"
        :width="Math.max(3, x(zone.to) - x(zone.from))"
        :height="26 * Math.sqrt(zone.energy / most)"
        fill="var(--front-wash)"
        stroke="var(--front)"
        stroke-width="0.8"
      />
      <text :x="(x(zone.from) + x(zone.to)) / 2" y="12" text-anchor="middle">{{ zone.name }}</text>
      <title>{{ zone.name }}: {{ show(zone.energy, "energy") }} into each front disc</title>
    </g>
    <path :d="`M4 65H${WIDTH - 4}`" stroke="var(--soft)" stroke-width="0.6" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  max-height: 6.5rem;
  width: 100%;
}
text {
  fill: var(--soft);
  font-family: var(--narrow);
  font-size: 11px;
}
</style>
