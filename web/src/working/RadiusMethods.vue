<script setup lang="ts">
// The effective radius by each school, and the balance by it; and why pads of one compound are the usual start.
import { show } from "@/units/units";
import { usePedal } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import Disagreement from "./Disagreement.vue";

const workbench = useWorkbench();
const pedal = usePedal();
pedal.look();
</script>

<template>
  <section v-if="pedal.answer" aria-label="Effective radius by each school">
    <table>
      <thead>
        <tr class="label">
          <th scope="col">effective radius by</th>
          <th scope="col">front</th>
          <th scope="col">rear</th>
          <th scope="col">front share</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="row in pedal.answer.radii"
          :key="row.school"
          :class="{ used: row.school === workbench.bench?.setup.radius_method }"
        >
          <th scope="row">{{ row.school }}</th>
          <td>{{ show(row.front, "length") }}</td>
          <td>{{ show(row.rear, "length") }}</td>
          <td>{{ show(row.share, "share") }}</td>
        </tr>
      </tbody>
    </table>
    <Disagreement topic="radius" />
    <Disagreement topic="compounds" />
  </section>
</template>

<style scoped>
section {
  border-top: 1px solid var(--rule);
  padding-top: 0.3rem;
}
table {
  border-collapse: collapse;
  font-size: 0.9rem;
  width: 100%;
}
th,
td {
  font-weight: 400;
  padding: 0.1rem 0.5rem 0.1rem 0;
  text-align: left;
}
.used th,
.used td {
  font-weight: 600;
}
</style>
