<script setup lang="ts">
// How many results depend on values not given for this car, and the way to give them.
import { computed } from "vue";
import { useRoute } from "vue-router";
import { countUnconfirmed } from "@/documents/marks";
import { useWorkbench } from "@/workbench/workbench";

const workbench = useWorkbench();
const route = useRoute();
const count = computed(() => {
  const bench = workbench.bench;
  return bench ? countUnconfirmed(bench.car) + countUnconfirmed(bench.setup) : 0;
});
const word = computed(() => (workbench.bench?.car.copied_from ? "copied" : "assumed"));
</script>

<template>
  <RouterLink v-if="count" class="assumed" :to="{ name: 'begin', params: { setupId: route.params.setupId } }">
    {{ count }} {{ word }} {{ count === 1 ? "value" : "values" }}: valid only if these are right
  </RouterLink>
</template>

<style scoped>
.assumed {
  border-bottom: 1px dotted var(--watch);
  color: var(--watch);
  flex: none;
  font-family: var(--narrow);
  margin-left: auto;
  text-decoration: none;
}
</style>
