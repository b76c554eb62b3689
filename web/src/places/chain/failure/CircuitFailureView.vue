<script setup lang="ts">
// One circuit lost: the braking of the other, and whether the pedal meets the floor first.
import { computed } from "vue";
import type { CircuitFailure } from "@/api/client";
import { show } from "@/units/units";
import NumberTag from "@/working/NumberTag.vue";
import { hydraulicsIn, useHydraulics } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";

const workbench = useWorkbench();
const hydraulics = useHydraulics();
hydraulics.keepFresh();
const of = computed(() => hydraulicsIn(hydraulics.answer, workbench.current?.state));
const registered = computed(() => workbench.bench?.car.road_registered === true);
/** Road rules ask it on a road with good grip. */
const asked = computed(() => typeof of.value?.failures.service?.reference === "number");
const failures = computed(() => Object.entries(of.value?.failures ?? {}));
const alone = computed(() => failures.value.filter(([, row]) => row.travel !== null));

const BAR: Record<NonNullable<CircuitFailure["rest"]>, string> = {
  stop: "The bar stands on its stop, so all of the push goes to the good cylinder.",
  both: "The bar met its stop, then the empty cylinder its bottom: more foot adds pressure only once the bar shares as it is set.",
  bottom: "The empty cylinder is at its bottom, so the bar shares as it is set.",
};

/** What happens to the bar, in words. */
function barWords(row: CircuitFailure): string {
  const floor = row.floor ? "The pedal meets the floor first." : "The pedal stays off the floor.";
  return `${row.rest === null ? "The empty circuit's piston goes to its bottom." : BAR[row.rest]} ${floor}`;
}
</script>

<template>
  <p v-if="hydraulics.trouble" class="bad" role="alert">{{ hydraulics.trouble }}</p>
  <div v-else-if="of" class="view">
    <table>
      <caption>
        One circuit failed,
        {{
          of.state
        }}
      </caption>
      <thead>
        <tr class="label">
          <th scope="col"></th>
          <th scope="col">at {{ show(of.failures.service?.foot_force, "force") }} of foot</th>
          <th v-if="asked" scope="col">road rules ask</th>
          <th scope="col">most, at lock</th>
          <th scope="col">foot for it</th>
          <th scope="col">pedal travel</th>
          <th scope="col">bar tilts</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[key, row] in failures" :key="key" :class="key" :data-failure="key">
          <th scope="row">{{ row.title }}</th>
          <td>
            <NumberTag
              v-if="row.travel !== null"
              :headline="`hydraulics/failures.${key}.deceleration`"
              dimension="deceleration"
            />
            <template v-else>{{ show(row.deceleration, "deceleration") }}</template>
            <span v-if="row.locks" class="label locks">locks first</span>
          </td>
          <td v-if="asked" :class="row.meets_reference ? 'good' : 'bad'">
            {{ show(row.reference, "deceleration") }}, {{ row.meets_reference ? "met" : "missed" }}
          </td>
          <td>
            <NumberTag
              v-if="row.travel !== null"
              :headline="`hydraulics/failures.${key}.best`"
              dimension="deceleration"
            />
            <template v-else>{{ show(row.best, "deceleration") }}</template>
          </td>
          <td>
            <NumberTag
              v-if="row.travel !== null"
              :headline="`hydraulics/failures.${key}.best_foot_force`"
              dimension="force"
            />
            <template v-else>{{ show(row.best_foot_force, "force") }}</template>
          </td>
          <td :class="{ bad: row.floor }">
            <NumberTag
              v-if="row.travel !== null"
              :headline="`hydraulics/failures.${key}.travel`"
              dimension="length"
            />
            <template v-else>–</template>
          </td>
          <td>{{ show(row.tilt, "angle") }}</td>
        </tr>
      </tbody>
    </table>
    <ul>
      <li v-for="[key, row] in alone" :key="key" :class="{ bad: row.floor }">
        {{ row.title }}: {{ barWords(row) }}
      </li>
    </ul>
    <p class="label">
      Decelerations from the brakes alone, without drag and engine.
      <template v-if="asked">
        Reference from memory of UN Regulation 13-H, Annex 3:
        {{ show(of.failures.service?.reference, "deceleration") }} with all working,
        {{ show(of.failures.front?.reference, "deceleration") }} with a failure, both at up to
        {{ show(of.failures.service?.foot_force, "force") }}. A test station decides, not this page.
      </template>
      <template v-else-if="registered">Road rules ask theirs on a dry road: see a dry state.</template>
      Never try a failed circuit on a public road.
    </p>
  </div>
</template>

<style scoped>
.view {
  display: grid;
  align-content: start;
  gap: 0.5rem;
}
table {
  border-collapse: collapse;
  font-size: 0.92rem;
  width: 100%;
}
caption {
  font-weight: 600;
  padding: 0.1rem 0;
  text-align: left;
}
th,
td {
  border-top: 1px solid var(--rule);
  padding: 0.22rem 0.7rem 0.22rem 0;
  text-align: left;
  vertical-align: baseline;
}
thead th {
  border: 0;
  font-weight: 400;
}
tbody th {
  font-weight: 500;
}
.front th {
  color: var(--front);
}
.rear th {
  color: var(--rear);
}
.locks {
  display: block;
}
ul {
  font-size: 0.9rem;
  list-style: none;
}
</style>
