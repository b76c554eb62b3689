<script setup lang="ts">
// A lap stretched out: bends drawn deeper where they are tighter, the speed along it; at each braking zone its speeds, the
// heat into one disc of each axle, and how hot they come out.
import { useElementSize } from "@vueuse/core";
import { computed, useTemplateRef } from "vue";
import type { Schemas } from "@/api/client";
import { show, showNumber, unitOf } from "@/units/units";
import { placeLabels } from "./stripLabels";

const props = defineProps<{ strip: Schemas["FastLap"]; corners: readonly Schemas["ZoneHeat"][] }>();
const box = useTemplateRef<HTMLElement>("box");
const { width } = useElementSize(box);
const LINE = 11;
const TIER = 2 * LINE + 3;
const PLOT = 40;
const BENDS = 18;
const length = computed(() => props.strip.distances.at(-1) ?? 1);
const x = (metres: number) => 4 + (metres / length.value) * (width.value - 8);
const labels = computed(() =>
  placeLabels(
    zones.value.map((zone) => ({
      middle: (x(zone.from) + x(zone.to)) / 2,
      letters: Math.max(zone.heading.length, `F ${zone.front} R ${zone.rear}`.length),
    })),
    width.value,
  ),
);
const tiers = computed(() => Math.max(1, ...labels.value.map((one) => one.tier + 1)));
const road = computed(() => tiers.value * TIER + PLOT + 4);
const fastest = computed(() => Math.max(...props.strip.speeds, 1));
const y = (speed: number) => road.value - 3 - (speed / fastest.value) * PLOT;
const path = computed(() =>
  props.strip.distances
    .map(
      (metres, at) => `${at ? "L" : "M"}${x(metres).toFixed(1)} ${y(props.strip.speeds[at] ?? 0).toFixed(1)}`,
    )
    .join(""),
);
/** Bends as bars: a radius of 12 m fills the height. */
const bends = computed(() => {
  const found: { from: number; to: number; depth: number; radius: number }[] = [];
  props.strip.radii.forEach((radius, at) => {
    const from = props.strip.distances[at] ?? 0;
    const to = props.strip.distances[at + 1] ?? length.value;
    if (radius === null) return;
    const depth = Math.min(BENDS, (12 / radius) * BENDS + 2);
    const last = found.at(-1);
    if (last && last.to === from && last.depth === depth) last.to = to;
    else found.push({ from, to, depth, radius });
  });
  return found;
});
const zones = computed(() =>
  props.strip.zone_begins.map((from, at) => {
    const corner = props.corners[at];
    const speeds = corner
      ? ` ${showNumber(corner.from_speed, "speed")}→${showNumber(corner.to_speed, "speed")}`
      : "";
    const name = props.strip.names[at] ?? "";
    return {
      from,
      to: props.strip.zone_ends[at] ?? from,
      name,
      heading: name + speeds,
      front: showNumber(corner?.front_out ?? null, "temperature"),
      rear: showNumber(corner?.rear_out ?? null, "temperature"),
      energies: [corner?.front_energy ?? 0, corner?.rear_energy ?? 0] as const,
    };
  }),
);
const most = computed(() => Math.max(...zones.value.flatMap((one) => one.energies), 1));
/** Height of the box of an energy: its area on paper grows as the energy does. */
const tall = (energy: number) => 0.65 * PLOT * Math.sqrt(energy / most.value);
</script>

<template>
  <div ref="box">
    <svg
      v-if="width > 0"
      :width="width"
      :height="road + BENDS + 3"
      role="img"
      aria-label="The lap along its distance, with its braking zones"
    >
      <rect
        v-for="bend in bends"
        :key="bend.from"
        :x="x(bend.from)"
        :y="road + 1"
        :width="Math.max(1, x(bend.to) - x(bend.from))"
        :height="bend.depth"
        fill="var(--rule)"
      >
        <title>Radius {{ show(bend.radius, "distance") }}</title>
      </rect>
      <path :d="path" fill="none" stroke="var(--ink)" stroke-width="1.2" />
      <g v-for="(zone, at) in zones" :key="zone.from">
        <rect
          v-for="(energy, place) in zone.energies"
          :key="place"
          :class="place ? 'rear' : 'front'"
          :x="x(zone.from)"
          :y="road - 1 - tall(energy)"
          :width="Math.max(3, x(zone.to) - x(zone.from))"
          :height="tall(energy)"
        />
        <text
          :x="labels[at]?.x"
          :y="(labels[at]?.tier ?? 0) * TIER + LINE"
          :text-anchor="labels[at]?.anchor"
          class="heading"
        >
          {{ zone.heading }}
        </text>
        <text
          :x="labels[at]?.x"
          :y="(labels[at]?.tier ?? 0) * TIER + 2 * LINE"
          :text-anchor="labels[at]?.anchor"
        >
          F {{ zone.front }} R {{ zone.rear }}
        </text>
        <title>
          {{ zone.name }}: {{ show(zone.energies[0], "energy") }} into each front disc,
          {{ show(zone.energies[1], "energy") }} into each rear disc
        </title>
      </g>
      <path :d="`M4 ${road}H${width - 4}`" stroke="var(--soft)" stroke-width="0.6" />
    </svg>
    <p class="label">
      Over each zone: {{ unitOf("speed").symbol }} from→to; front and rear disc at most,
      {{ unitOf("temperature").symbol }}. Boxes: energy into one disc, solid front, dashed rear. Under the
      road: bends, the deeper the tighter.
    </p>
  </div>
</template>

<style scoped>
svg {
  display: block;
}
text {
  fill: var(--soft);
  font-family: var(--narrow);
  font-size: 11px;
}
.heading {
  fill: var(--ink);
}
.front {
  fill: var(--front-wash);
  stroke: var(--front);
  stroke-width: 0.8;
}
.rear {
  fill: none;
  stroke: var(--rear);
  stroke-dasharray: 3 2;
}
</style>
