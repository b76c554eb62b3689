<script setup lang="ts">
// All declared states at a glance: which end locks first, at what deceleration, with which push, and what of the grip it
// uses. A cell opens its state; an empty one declares it.
import { computed } from "vue";
import type { StateAnswer } from "@/api/client";
import { fieldAt } from "@/documents/schema";
import { show } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";
import LockMark from "@/signs/LockMark.vue";
import { keyOf, matrixOf, trackWord, type MatrixRow } from "./matrix";

const props = defineProps<{
  /** Empty cells may be declared. */
  adding?: boolean;
}>();
const workbench = useWorkbench();
const longest = fieldAt("car.states.0.name").most;
const matrix = computed(() =>
  workbench.assessment ? matrixOf(workbench.assessment) : { speeds: [], rows: [] },
);
const full = computed(() => (workbench.bench?.car.states.length ?? 0) >= fieldAt("car.states").most);
const severalLoads = computed(() => new Set(matrix.value.rows.map((row) => row.load)).size > 1);
/** Where the worst of each matter is, as the verdicts count it. */
const worst = (answer: StateAnswer): string =>
  Object.entries({ lock_order: "worst order", push: "hardest push", grip_used: "least grip used" })
    .filter(([key]) => workbench.assessment?.worst[key as "push"] === answer.state.name)
    .map(([, words]) => words)
    .join(", ");
const current = (answer: StateAnswer): boolean => answer.state.name === workbench.current?.state.name;
const before = (answer: StateAnswer): StateAnswer | undefined =>
  workbench.ghost?.assessment.states.find((one) => one.state.name === answer.state.name);
/** The stop that the metres are of: not the speed of the column. */
const fromTo = computed(() => {
  const car = workbench.bench?.car;
  return `${show(car?.top_speed, "speed")} to ${show(car?.stop_to_speed, "speed")}`;
});
const words = (answer: StateAnswer): string =>
  `${answer.state.name}: ${answer.first} locks first at ${show(answer.first_deceleration, "deceleration")}, ` +
  `foot ${show(answer.first_foot_force, "force")}, ${show(answer.efficiency, "share")} of the grip, ` +
  `stop from ${fromTo.value} longer by ${show(answer.stop.lost, "distance")}`;

/** A state of the car in an empty cell, in which this setup is not judged. */
const unjudged = (row: MatrixRow, speed: number): string | undefined =>
  workbench.bench?.car.states.find((state) => keyOf(state) === row.key && state.speed === speed)?.name;

function declare(row: MatrixRow, speed: number): void {
  const states = workbench.bench?.car.states ?? [];
  const load = severalLoads.value ? `, ${row.load.toLowerCase()}` : "";
  const track = trackWord(row.track);
  const base = `${track.charAt(0).toUpperCase()}${track.slice(1)}, ${show(speed, "speed")}${load}`;
  let name = base.slice(0, longest);
  for (let n = 2; states.some((state) => state.name === name); n += 1)
    name = `${base.slice(0, longest - 3)} ${n}`;
  const state = {
    name,
    track: row.track,
    load: row.load,
    grip: row.grip,
    speed,
    air_density: null,
    front_tyre_grip: row.frontTyres,
    rear_tyre_grip: row.rearTyres,
  };
  void workbench.edit("car.states", [...states, state]);
}
</script>

<template>
  <table>
    <thead>
      <tr>
        <th scope="col" class="label">track<template v-if="severalLoads">, load</template></th>
        <th v-for="speed in matrix.speeds" :key="speed" scope="col" class="label">
          at {{ show(speed, "speed") }}
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in matrix.rows" :key="row.key">
        <th scope="row">
          <span class="track">{{ trackWord(row.track) }}</span>
          <span v-if="row.grip !== null" class="label own">{{ show(row.grip, "share") }} grip</span>
          <span v-if="row.frontTyres !== null" class="label own"
            >front tyres {{ show(row.frontTyres, "share") }}</span
          >
          <span v-if="row.rearTyres !== null" class="label own"
            >rear tyres {{ show(row.rearTyres, "share") }}</span
          >
          <span v-if="severalLoads" class="label load">{{ row.load }}</span>
        </th>
        <td v-for="(answers, column) in row.cells" :key="column">
          <button
            v-for="answer in answers"
            :key="answer.state.name"
            type="button"
            class="cell"
            :class="[answer.first, { current: current(answer) }]"
            :aria-pressed="current(answer)"
            :title="words(answer)"
            @click="workbench.stateName = answer.state.name"
          >
            <span class="away">{{ answer.state.name }}: </span>
            <span class="first">
              <LockMark :first="answer.first" />
              {{ answer.first }} {{ show(answer.first_deceleration, "deceleration") }}
              <span class="label name" aria-hidden="true">{{ answer.state.name }}</span>
              <i v-if="before(answer) && before(answer)?.first !== answer.first" class="label">
                was {{ before(answer)?.first }}</i
              >
              <span v-if="worst(answer)" class="label worst">{{ worst(answer) }}</span>
            </span>
            <span class="used" aria-hidden="true"
              ><i :style="{ width: `${100 * Math.min(1, answer.efficiency)}%` }"
            /></span>
            <span class="label"
              >{{ show(answer.efficiency, "share") }} · {{ show(answer.first_foot_force, "force") }} ·
              {{ show(answer.stop.lost, "distance", true) }}</span
            >
          </button>
          <span v-if="!answers.length && unjudged(row, matrix.speeds[column] ?? 0)" class="label"
            >{{ unjudged(row, matrix.speeds[column] ?? 0) }}: not judged with this setup</span
          >
          <button
            v-else-if="!answers.length && props.adding"
            type="button"
            class="cell empty"
            :disabled="full"
            @click="declare(row, matrix.speeds[column] ?? 0)"
          >
            + declare
            <span class="away"
              >{{ trackWord(row.track) }}, {{ row.load }}, at {{ show(matrix.speeds[column], "speed") }}</span
            >
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <p class="label key">
    Locks first, at; of the grip used · foot · longer than the ideal stop, from {{ fromTo }} in every state.
    Press a cell to look at its state.
  </p>
</template>

<style scoped>
table {
  border-collapse: separate;
  border-spacing: 3px;
  width: 100%;
}
th {
  font-weight: 400;
  text-align: left;
  white-space: nowrap;
}
tbody th {
  width: 1%;
  padding-right: 0.5rem;
}
.track {
  font-weight: 500;
}
.load {
  display: block;
}
.own {
  margin-left: 0.35rem;
}
td {
  min-width: 8.5rem;
}
td {
  height: 100%;
  padding: 0;
  vertical-align: top;
}
.cell {
  border: 1px solid var(--rule);
  border-radius: 3px;
  display: block;
  min-height: 2.4rem;
  padding: 0.1rem 0.45rem 0.15rem;
  width: 100%;
}
.cell:hover {
  border-color: var(--soft);
}
.cell.current {
  border-color: var(--ink);
  background: var(--tint);
}
.cell.current .label {
  color: var(--ink);
}
.first {
  align-items: center;
  display: flex;
  font-weight: 500;
  gap: 0 0.35rem;
  white-space: nowrap;
}
.first {
  flex-wrap: wrap;
}
.rear .first {
  color: var(--bad);
  font-weight: 600;
}
.worst {
  border: 1px solid currentColor;
  border-radius: 2px;
  margin-left: auto;
  padding: 0 0.2rem;
}
.used {
  background: var(--rule);
  display: block;
  height: 3px;
  margin: 1px 0;
}
.used i {
  background: var(--ink);
  display: block;
  height: 100%;
}
.cell > .label {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.empty {
  border-style: dashed;
  color: var(--soft);
  font-family: var(--narrow);
  text-align: center;
}
</style>
