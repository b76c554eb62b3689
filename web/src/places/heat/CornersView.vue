<script setup lang="ts">
// A lap along its distance, and its corners one by one; a corner that is pressed takes the cursor there.
import { computed, ref, watch } from "vue";
import { show, showNumber, unitOf } from "@/units/units";
import { useHeat, useSimulation } from "@/workbench/heat";
import CircuitStrip from "./CircuitStrip.vue";

const heat = useHeat();
const simulation = useSimulation();
const of = computed(() => simulation.answer?.heat ?? null);
const laps = computed(() =>
  (of.value?.parts ?? [])
    .map((part, place) => ({ ...part, place }))
    .filter((part) => !["parked", "race stop", "slowing"].includes(part.kind)),
);
const lap = ref(0);
watch(
  () => [of.value?.session, laps.value.length],
  () => (lap.value = [...laps.value].reverse().find((one) => one.kind === "fast")?.place ?? 0),
  { immediate: true },
);
const corners = computed(() => of.value?.corners.filter((one) => one.part === lap.value) ?? []);
const range = (from: number, to: number, dimension: string) =>
  `${showNumber(from, dimension)} → ${showNumber(to, dimension)}`;
const over = (value: number, axle: "front" | "rear") => of.value !== null && value > of.value[axle].high;
</script>

<template>
  <div v-if="of" class="corners desk-wide">
    <div class="head">
      <label class="label"
        >Lap
        <select v-model.number="lap">
          <option v-for="one in laps" :key="one.place" :value="one.place">{{ one.name }}</option>
        </select></label
      >
      <span class="label"
        >Fast lap {{ show(of.strip.lap_time, "time") }}. Press a corner to put the cursor there. Energies are
        of one disc.</span
      >
    </div>
    <CircuitStrip :strip="of.strip" :corners="corners" />
    <table>
      <thead>
        <tr class="label">
          <th scope="col">corner</th>
          <th scope="col">speed, {{ unitOf("speed").symbol }}</th>
          <th scope="col">foot, {{ unitOf("force").symbol }}</th>
          <th scope="col" class="front">front, {{ unitOf("energy").symbol }}</th>
          <th scope="col" class="front">front disc, {{ unitOf("temperature").symbol }}</th>
          <th scope="col" class="rear">rear, {{ unitOf("energy").symbol }}</th>
          <th scope="col" class="rear">rear disc, {{ unitOf("temperature").symbol }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(corner, place) in corners" :key="place">
          <th scope="row">
            <button type="button" @click="heat.cursor = corner.time">{{ corner.name }}</button>
          </th>
          <td>{{ range(corner.from_speed, corner.to_speed, "speed") }}</td>
          <td>{{ showNumber(corner.foot, "force") }}</td>
          <td>{{ showNumber(corner.front_energy, "energy") }}</td>
          <td :class="{ bad: over(corner.front_out, 'front') }">
            {{ range(corner.front_in, corner.front_out, "temperature")
            }}{{ over(corner.front_out, "front") ? " past" : "" }}
          </td>
          <td>{{ showNumber(corner.rear_energy, "energy") }}</td>
          <td :class="{ bad: over(corner.rear_out, 'rear') }">
            {{ range(corner.rear_in, corner.rear_out, "temperature")
            }}{{ over(corner.rear_out, "rear") ? " past" : "" }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.head {
  align-items: center;
  display: flex;
  gap: 1rem;
}
select {
  background: var(--paper);
  border: 1px solid var(--soft);
  border-radius: 999px;
  color: var(--ink);
  min-height: 1.7rem;
  padding: 0 0.5rem;
}
table {
  border-collapse: collapse;
  font-size: 0.88rem;
  width: 100%;
}
th {
  font-weight: 400;
  text-align: left;
}
td,
thead th:not(:first-child) {
  padding: 0.05rem 0.4rem;
  text-align: right;
}
tbody tr {
  border-top: 1px solid var(--rule);
}
tbody button {
  min-height: 1.6rem;
  text-decoration: underline;
  text-underline-offset: 2px;
}
@media (pointer: coarse) {
  tbody button {
    min-height: 2.4rem;
    min-width: 4rem;
  }
}
</style>
