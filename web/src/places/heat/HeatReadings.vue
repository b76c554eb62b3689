<script setup lang="ts">
// The three readings of a session, each against its limit: the fluid, the front, the rear.
import { computed } from "vue";
import type { AxleName, Schemas, SimulatedSession } from "@/api/client";
import VerdictMark from "@/signs/VerdictMark.vue";
import { DASH, show } from "@/units/units";

const props = defineProps<{ simulated: SimulatedSession }>();
const heat = computed(() => props.simulated.heat);
const FLUID = ["fluid_running", "fluid_parked"];
const DISCS = ["fade", "cold", "no_bite", "material", "too_hot", "crack", "wear", "disc_wear"];

/** The gravest that is said of this reading. */
const said = (keys: readonly string[], axle?: AxleName): Schemas["HeatFinding"] | undefined =>
  props.simulated.verdict.findings.find(
    (one) => keys.includes(one.key) && (axle === undefined || one.axle === axle),
  );
const placed = (value: number | null, place: string): { number: string; where: string } => ({
  number: show(value, "temperature"),
  where: value === null ? DASH : place,
});
function reading(
  title: string,
  found: Schemas["HeatFinding"] | undefined,
  at: { number: string; where: string },
  limit: string,
  axle: AxleName | "" = "",
) {
  const shown = found ? { ...at, number: show(found.number.value, found.number.dimension) } : at;
  return {
    title,
    level: found?.level ?? ("good" as const),
    word: found?.word ?? "holds",
    limit,
    axle,
    ...shown,
  };
}
const readings = computed(() => {
  const { front, rear, fluid } = heat.value;
  const moments = [front, rear].flatMap((of) => [of.wet_running, of.wet_parked]);
  const hottest = moments.reduce((one, other) => ((other.value ?? 0) > (one.value ?? 0) ? other : one));
  const boils = show(fluid.boils, "temperature");
  return [
    reading("Fluid at the pistons", said(FLUID), placed(hottest.value, hottest.place), `boils at ${boils}`),
    ...(["front", "rear"] as const).map((axle) => {
      const own = heat.value[axle];
      const window = `pads bite ${show(own.low, "temperature")} to ${show(own.high, "temperature")}`;
      const peak = placed(own.surface_peak.value, own.surface_peak.place);
      return reading(axle === "front" ? "Front discs" : "Rear discs", said(DISCS, axle), peak, window, axle);
    }),
  ];
});
</script>

<template>
  <ul class="readings" aria-label="Readings">
    <li v-for="one in readings" :key="one.title" :class="one.axle">
      <span class="label">{{ one.title }}</span>
      <b class="number">{{ one.number }}</b>
      <span class="word" :class="one.level"><VerdictMark :level="one.level" /> {{ one.word }}</span>
      <span class="label limit">{{ one.where }} · {{ one.limit }}</span>
    </li>
  </ul>
</template>

<style scoped>
.readings {
  display: grid;
  gap: 0 1rem;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  list-style: none;
  padding-bottom: 0.3rem;
}
li {
  align-content: start;
  border-left: 3px solid var(--soft);
  column-gap: 0.6rem;
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  padding-left: 0.6rem;
}
.front {
  border-left-color: var(--front);
}
.rear {
  border-left: 3px dashed var(--rear);
}
.number {
  font-size: 1.35rem;
  font-weight: 600;
  grid-column: 1;
  grid-row: 2 / 4;
  line-height: 1.2;
  white-space: nowrap;
}
li > .label:first-child {
  grid-column: 1 / -1;
  line-height: 1.15;
}
.word {
  font-size: 0.92rem;
  font-weight: 600;
  line-height: 1.15;
}
.word > svg {
  vertical-align: -0.28em;
  width: 1.05rem;
}
.limit {
  line-height: 1.15;
}
@media (max-width: 760px) {
  .readings {
    gap: 0.5rem;
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
