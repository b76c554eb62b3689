<script setup lang="ts">
// The parts to make or buy, and the checks that only a person can make on the car: each ticked with its day.
import { computed } from "vue";
import { show } from "@/units/units";
import { useAir, useDuctFlow } from "@/workbench/air";
import { useWorkbench } from "@/workbench/workbench";

const air = useAir();
const flow = useDuctFlow();
flow.keepFresh();
const workbench = useWorkbench();
const answer = computed(() => flow.answer);
const tick = (key: string, seen: boolean) =>
  workbench.edit(`${air.path}.checks.${key}`, seen ? new Date().toISOString().slice(0, 10) : null);
</script>

<template>
  <p v-if="!answer?.fitted" class="label">
    There is no duct at the {{ air.axle }}: nothing to make, nothing to check.
  </p>
  <div v-else class="view">
    <section aria-label="Parts to make or buy">
      <table>
        <caption class="label">
          To make or buy, both wheels. Costs are typed at each piece.
        </caption>
        <tbody>
          <tr v-for="part in answer.parts" :key="part.name">
            <td class="count">{{ part.count }} ×</td>
            <th scope="row">{{ part.name }}</th>
            <td class="count">{{ show(part.cost, "money") }}</td>
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <td></td>
            <th scope="row">All that has a cost</th>
            <td class="count">{{ show(answer.cost, "money") }}</td>
          </tr>
        </tfoot>
      </table>
    </section>
    <section aria-label="To be looked at on the car">
      <p class="label">
        On the car, by hand: tick what you have found right. Kept with the setup, with its day.
      </p>
      <label v-for="check in answer.checks" :key="check.key" class="check">
        <input
          type="checkbox"
          :checked="check.found_right !== null"
          @change="tick(check.key, ($event.target as HTMLInputElement).checked)"
        />
        <span
          >{{ check.title }} <span class="label">{{ check.found_right ?? check.help }}</span></span
        >
      </label>
    </section>
  </div>
</template>

<style scoped>
.view {
  display: grid;
  font-size: 0.9rem;
  gap: 0 1.6rem;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
}
table {
  border-collapse: collapse;
  width: 100%;
}
caption {
  text-align: left;
}
th {
  font-weight: 400;
  text-align: left;
}
td,
th {
  border-bottom: 1px solid var(--rule);
  padding: 0.2rem 0.4rem 0.2rem 0;
}
.count {
  text-align: right;
  white-space: nowrap;
}
tfoot th,
tfoot td {
  border: 0;
  font-weight: 600;
}
.check {
  align-items: baseline;
  cursor: pointer;
  display: flex;
  gap: 0.5rem;
  min-height: 2rem;
}
.check input {
  accent-color: var(--ink);
}
</style>
