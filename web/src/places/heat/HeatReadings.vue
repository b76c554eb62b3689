<script setup lang="ts">
// The three readings of a session, each against its limit: the fluid, the front, the rear.
import { computed } from "vue";
import type { AxleName, Schemas, SimulatedSession } from "@/api/client";
import VerdictMark from "@/signs/VerdictMark.vue";
import { show } from "@/units/units";

const props = defineProps<{ simulated: SimulatedSession }>();
const heat = computed(() => props.simulated.heat);
const AXLES: AxleName[] = ["front", "rear"];
/** Findings of the fluid, and of the whole car; all others belong to the discs and pads of an axle, or of both. */
const WHOLE_CAR = ["leg", "balance"];
const AT_THE_PISTONS = ["fluid_running", "fluid_parked", "seals"];

type Finding = Schemas["HeatFinding"];
/** The gravest that is said of a reading; nothing that is found may leave it green. */
const gravest = (belongs: (one: Finding) => boolean): Finding | undefined =>
  props.simulated.verdict.findings.find(belongs);
const readings = computed(() => {
  const { front, rear, fluid } = heat.value;
  const moments = AXLES.flatMap((axle) =>
    [heat.value[axle].wet_running, heat.value[axle].wet_parked].map((one) => ({ ...one, axle })),
  );
  const hottest = moments.reduce((one, other) => ((other.value ?? 0) > (one.value ?? 0) ? other : one));
  const discs = (title: string, axle: AxleName, { surface_peak, low, high }: Schemas["AxleHeat"]) => ({
    title,
    axle,
    found: gravest(
      (one) => (one.axle ?? axle) === axle && ![...WHOLE_CAR, ...AT_THE_PISTONS].includes(one.key),
    ),
    number: surface_peak.value,
    where: surface_peak.place,
    limit: `pads bite ${show(low, "temperature")} to ${show(high, "temperature")}`,
  });
  return [
    {
      title: "Fluid at the pistons",
      axle: "",
      found: gravest((one) => AT_THE_PISTONS.includes(one.key)),
      number: hottest.value,
      where: `${hottest.axle}, ${hottest.place}`,
      limit: `boils at ${show(fluid.boils, "temperature")}`,
    },
    discs("Front discs, hottest", "front", front),
    discs("Rear discs, hottest", "rear", rear),
  ];
});
</script>

<template>
  <ul class="readings" aria-label="Readings">
    <li v-for="one in readings" :key="one.title" :class="one.axle">
      <span class="label">{{ one.title }}</span>
      <b class="number">{{ show(one.number, "temperature") }}</b>
      <span class="word" :class="one.found?.level ?? 'good'"
        ><VerdictMark :level="one.found?.level ?? 'good'" /> {{ one.found?.word ?? "holds" }}</span
      >
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
