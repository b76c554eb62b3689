<script setup lang="ts">
// One circuit lost: what the other still does, and whether the pedal meets the floor first.
import { computed } from "vue";
import type { Left } from "@/api/client";
import { show } from "@/units/units";
import { pedalIn } from "@/working/numbers";
import NumberTag from "@/working/NumberTag.vue";
import { usePedal } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";

const workbench = useWorkbench();
const pedal = usePedal();
pedal.look();
const of = computed(() => pedalIn(pedal.answer, workbench.looked?.state));
const registered = computed(() => workbench.bench?.car.road_registered === true);
const worked = (row: Left): boolean => row.key === "front" || row.key === "rear";

/** What happens to the bar, in words. */
function barWords(row: Left): string {
  if (row.travel === null) return "";
  const floor = row.floor ? "The pedal meets the floor first." : "The pedal stays off the floor.";
  if (row.stops_first === null) return `The empty circuit's piston goes to its bottom. ${floor}`;
  const what = row.stops_first
    ? "The bar meets its stops, then all of the push goes to the good cylinder."
    : "The empty cylinder reaches its bottom before the bar meets its stops; the bar shares as it is set.";
  return `${what} ${floor}`;
}
</script>

<template>
  <p v-if="pedal.trouble" class="bad" role="alert">{{ pedal.trouble }}</p>
  <div v-else-if="of" class="look">
    <table>
      <caption>
        One circuit lost,
        {{
          of.state
        }}
      </caption>
      <thead>
        <tr class="label">
          <th scope="col"></th>
          <th scope="col">at {{ show(of.left[0]?.foot_force, "force") }} of foot</th>
          <th v-if="registered" scope="col">road rules ask</th>
          <th scope="col">most, at lock</th>
          <th scope="col">foot for it</th>
          <th scope="col">pedal travel</th>
          <th scope="col">bar tilts</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in of.left" :key="row.key" :class="row.key" :data-left="row.key">
          <th scope="row">{{ row.title }}</th>
          <td>
            <NumberTag
              v-if="worked(row)"
              :headline="`pedal/lost.${row.key}.deceleration`"
              dimension="deceleration"
            />
            <template v-else>{{ show(row.deceleration, "deceleration") }}</template>
            <span v-if="row.locks" class="label locks">locks first</span>
          </td>
          <td
            v-if="registered"
            :class="row.reference !== null && row.deceleration < row.reference ? 'bad' : 'good'"
          >
            {{ show(row.reference, "deceleration")
            }}<template v-if="row.reference !== null"
              >, {{ row.deceleration < row.reference ? "missed" : "met" }}</template
            >
          </td>
          <td>
            <NumberTag v-if="worked(row)" :headline="`pedal/lost.${row.key}.best`" dimension="deceleration" />
            <template v-else>{{ show(row.best, "deceleration") }}</template>
          </td>
          <td>
            <NumberTag
              v-if="worked(row)"
              :headline="`pedal/lost.${row.key}.best_foot_force`"
              dimension="force"
            />
            <template v-else>{{ show(row.best_foot_force, "force") }}</template>
          </td>
          <td :class="{ bad: row.floor }">
            <NumberTag v-if="worked(row)" :headline="`pedal/lost.${row.key}.travel`" dimension="length" />
            <template v-else>–</template>
          </td>
          <td>{{ show(row.tilt, "angle") }}</td>
        </tr>
      </tbody>
    </table>
    <ul>
      <li v-for="row in of.left.filter(worked)" :key="row.key" :class="{ bad: row.floor }">
        {{ row.title }}: {{ barWords(row) }}
      </li>
    </ul>
    <p class="label">
      Decelerations from the brakes alone, without drag and engine.
      <template v-if="registered">
        Reference from memory of UN Regulation 13-H, Annex 3: 6.43 m/s² with all working, 2.44 m/s² with a
        failure, both at up to 500 N. A test station decides, not this page.
      </template>
      Never try a failed circuit on a public road.
    </p>
  </div>
</template>

<style scoped>
.look {
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
