<script setup lang="ts">
// The effective radius by each method, and the balance by it; and why pads of one compound are the usual start.
import { wordAt } from "@/documents/schema";
import { show } from "@/units/units";
import { useHydraulics } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import PracticeNote from "./PracticeNote.vue";

const workbench = useWorkbench();
const hydraulics = useHydraulics();
hydraulics.keepFresh();
</script>

<template>
  <section v-if="hydraulics.answer" aria-label="Effective radius by each method">
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
          v-for="row in hydraulics.answer.radii"
          :key="row.method"
          :class="{ used: row.method === workbench.bench?.setup.radius_method }"
        >
          <th scope="row">{{ wordAt("setup.radius_method", row.method) }}</th>
          <td>{{ show(row.front, "length") }}</td>
          <td>{{ show(row.rear, "length") }}</td>
          <td>{{ show(row.share, "share") }}</td>
        </tr>
      </tbody>
    </table>
    <PracticeNote topic="radius" />
    <PracticeNote topic="compounds" />
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
