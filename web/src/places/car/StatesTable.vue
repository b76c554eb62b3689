<script setup lang="ts">
// The states that count, and which one is looked at.
import DocumentField from "@/fields/DocumentField.vue";
import { computed } from "vue";
import { show } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";

const workbench = useWorkbench();
const MOST = 12;
const states = computed(() => workbench.bench?.car.states ?? []);
const answers = computed(() => workbench.assessment?.states ?? []);

function add(): void {
  const last = states.value.at(-1);
  if (!last) return;
  let number = states.value.length + 1;
  while (states.value.some((state) => state.name === `State ${number}`)) number += 1;
  void workbench.edit("car.states", [...states.value, { ...last, name: `State ${number}` }]);
}
const remove = (index: number) =>
  workbench.edit(
    "car.states",
    states.value.filter((_, place) => place !== index),
  );
</script>

<template>
  <section aria-label="States that count">
    <table>
      <caption>
        States that count: the brakes are judged over all of them
      </caption>
      <thead>
        <tr>
          <th scope="col">State</th>
          <th scope="col">Track grip</th>
          <th scope="col">Speed</th>
          <th scope="col">Air density</th>
          <th scope="col">ideal share</th>
          <th scope="col">limit</th>
          <th scope="col"><span class="away">Remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(state, index) in states" :key="index">
          <td v-for="field in ['name', 'grip', 'speed', 'air_density']" :key="field">
            <DocumentField
              bare
              :path="`car.states.${index}.${field}`"
              :label="`${state.name}, ${field.replace('_', ' ')}`"
            />
          </td>
          <td class="number">{{ show(answers[index]?.ideal_share, "share") }}</td>
          <td class="number">{{ show(answers[index]?.limit_deceleration, "deceleration") }}</td>
          <td>
            <button
              class="plain-button"
              type="button"
              :disabled="states.length === 1"
              :aria-label="`Remove ${state.name}`"
              @click="remove(index)"
            >
              ×
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <button class="plain-button" type="button" :disabled="states.length >= MOST" @click="add">
      Add a state
    </button>
  </section>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}
caption {
  font-size: 0.95rem;
  font-weight: 600;
  text-align: left;
}
th {
  color: var(--soft);
  font-family: var(--narrow);
  font-size: 0.85rem;
  font-weight: 400;
  padding-right: 0.3rem;
  text-align: left;
  white-space: nowrap;
}
td {
  padding: 0.1rem 0.3rem 0.1rem 0;
}
th:first-child {
  width: 6.5rem;
}
.number {
  text-align: right;
  white-space: nowrap;
}
section > button {
  margin-top: 0.3rem;
}
td .plain-button {
  border-color: var(--rule);
  min-height: 1.7rem;
  padding: 0 0.6rem;
}
</style>
