<script setup lang="ts">
// One stop between two speeds in every state: its time, its distance, and where the energy goes.
import { computed } from "vue";
import type { StateSurvey } from "@/api/client";
import DocumentField from "@/fields/DocumentField.vue";
import { trackWord } from "@/states/matrix";
import { show } from "@/units/units";
import { surveyed, useSurvey } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import NumberTag from "@/working/NumberTag.vue";

const workbench = useWorkbench();
const survey = useSurvey();
survey.keepFresh();
/** The stop has its own speeds, so states that differ in speed alone are one row. */
const rows = computed(() => {
  const found = new Map<
    string,
    { state: string; words: string; current: boolean; stop: StateSurvey["stop"] }
  >();
  for (const answer of workbench.assessment?.states ?? []) {
    const { name, track, load, grip, air_density } = answer.state;
    const stop = surveyed(survey.answer, answer.state)?.stop;
    if (!stop) continue;
    const key = [track, load, grip, air_density].join("|");
    const current = name === workbench.current?.state.name;
    const words = [trackWord(track), grip === null ? "" : `${show(grip, "share")} grip`, load]
      .filter(Boolean)
      .join(", ");
    if (!found.has(key) || current) found.set(key, { state: name, words, current, stop });
  }
  return [...found.values()];
});
</script>

<template>
  <div class="stop">
    <form class="speeds" aria-label="The stop" @submit.prevent>
      <DocumentField path="car.trial_stop.from_speed" />
      <DocumentField path="car.trial_stop.to_speed" />
    </form>
    <p v-if="survey.trouble" class="bad" role="alert">{{ survey.trouble }}</p>
    <table v-else>
      <thead>
        <tr>
          <th scope="col">Track, load</th>
          <th scope="col">distance</th>
          <th scope="col">ideal</th>
          <th scope="col">longer by</th>
          <th scope="col">time</th>
          <th scope="col">ideal</th>
          <th scope="col">brakes, drag, engine take</th>
        </tr>
      </thead>
      <tbody :class="{ stale: survey.stale }">
        <tr v-for="row in rows" :key="row.words" :class="{ current: row.current }">
          <th scope="row">
            <button type="button" @click="workbench.stateName = row.state">{{ row.words }}</button>
          </th>
          <template v-if="row.current">
            <td><NumberTag headline="survey/stop.distance" dimension="distance" /></td>
            <td><NumberTag headline="survey/stop.ideal" dimension="distance" /></td>
            <td><NumberTag headline="survey/stop.lost" dimension="distance" /></td>
            <td><NumberTag headline="survey/stop.time" dimension="time" /></td>
          </template>
          <template v-else>
            <td>{{ show(row.stop.distance, "distance") }}</td>
            <td>{{ show(row.stop.ideal, "distance") }}</td>
            <td>{{ show(row.stop.lost, "distance") }}</td>
            <td>{{ show(row.stop.time, "time") }}</td>
          </template>
          <td>{{ show(row.stop.ideal_time, "time") }}</td>
          <td>
            {{ show(row.stop.brake_share, "share") }}, {{ show(row.stop.drag_share, "share") }},
            {{ show(row.stop.engine_share, "share") }}
          </td>
        </tr>
      </tbody>
    </table>
    <p class="label">
      Held at first lock, or at the driver's limit where that comes first; ideal: both axles at their limit.
      Drag and downforce fall with the speed.
    </p>
  </div>
</template>

<style scoped>
.stop {
  display: grid;
  gap: 0.4rem;
}
.speeds {
  display: flex;
  flex-wrap: wrap;
  gap: 0 2rem;
}
.speeds :deep(.field) {
  grid-template-columns: auto 6.5rem 3.6rem;
}
table {
  border-collapse: collapse;
  font-size: 0.9rem;
}
th,
td {
  border-top: 1px solid var(--rule);
  font-weight: 400;
  padding: 0.12rem 0.5rem 0.12rem 0;
  text-align: right;
  white-space: nowrap;
}
th:first-child {
  text-align: left;
}
thead th {
  border: 0;
  color: var(--soft);
  font-family: var(--narrow);
}
td :deep(button) {
  margin-left: auto;
}
.current th button {
  font-weight: 600;
}
tbody button {
  min-height: 1.5rem;
}
.stale {
  opacity: 0.5;
}
</style>
