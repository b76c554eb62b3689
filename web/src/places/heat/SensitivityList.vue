<script setup lang="ts">
// The sensitivity of the figures: one input changed at a time, the largest first.
import { computed } from "vue";
import { show } from "@/units/units";
import { useHeat, useHeatInputs } from "@/workbench/heat";

const inputs = useHeatInputs();
inputs.keepFresh();
const heat = useHeat();
const rows = computed(() =>
  inputs.answer?.session === heat.session?.name ? (inputs.answer?.sensitivities ?? []) : [],
);
const K = "temperature difference";
</script>

<template>
  <div>
    <p v-if="!rows.length" class="label" role="status">Calculating…</p>
    <table v-else :class="{ stale: inputs.stale }">
      <thead>
        <tr class="label">
          <th scope="col">one thing moved</th>
          <th scope="col" class="front">front peak</th>
          <th scope="col" class="rear">rear peak</th>
          <th scope="col">hottest fluid</th>
          <th scope="col">front ring, one stop</th>
          <th scope="col">front crack ratio</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.title">
          <th scope="row">{{ row.title }}</th>
          <td>{{ show(row.front_peak, K, true) }}</td>
          <td>{{ show(row.rear_peak, K, true) }}</td>
          <td>{{ show(row.fluid, K, true) }}</td>
          <td>{{ show(row.stop_rise, K, true) }}</td>
          <td>{{ show(row.crack, "friction", true) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="label">
      The air at the discs is not known to better than a fifth until a log has told: that is the ±35 K of
      every disc temperature here.
    </p>
  </div>
</template>

<style scoped>
table {
  border-collapse: collapse;
  font-size: 0.9rem;
  min-width: 60%;
}
.stale {
  opacity: 0.45;
}
th {
  font-weight: 400;
  text-align: left;
}
td,
thead th:not(:first-child) {
  padding: 0.1rem 0.6rem;
  text-align: right;
}
tbody tr {
  border-top: 1px solid var(--rule);
}
</style>
