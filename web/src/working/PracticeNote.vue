<script setup lang="ts">
// Where practice differs: the default with its reason, and what others do.
import { computed } from "vue";
import { useHydraulics } from "@/workbench/question";

const props = defineProps<{ topic: string }>();
const hydraulics = useHydraulics();
const found = computed(() => hydraulics.answer?.practice.find((one) => one.key === props.topic));
</script>

<template>
  <details v-if="found" class="label">
    <summary>{{ found.title }}: the trade disagrees</summary>
    <p><b>Here:</b> {{ found.default }} {{ found.reason }}</p>
    <p><b>Others:</b> {{ found.other }}</p>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  padding: 0.2rem 0;
}
p {
  padding-left: 0.9rem;
}
b {
  color: var(--ink);
  font-weight: 500;
}
</style>
