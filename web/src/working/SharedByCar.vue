<script setup lang="ts">
// Says that the fields below belong to the car, and which setups they affect.
import { computed } from "vue";
import { useLibrary } from "@/workbench/library";

const library = useLibrary();
const MOST = 3;
const names = computed(() => {
  const all = library.setups.map((one) => one.name);
  const rest = all.length - MOST;
  return rest > 1 ? `${all.slice(0, MOST).join(", ")} and ${rest} more` : all.join(", ");
});
</script>

<template>
  <p class="label wide"><b>Of the car:</b> a change counts for all its setups: {{ names }}.</p>
</template>

<style scoped>
.wide {
  padding: 0.2rem 0;
}
</style>
