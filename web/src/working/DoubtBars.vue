<script setup lang="ts">
// The causes of the doubt about the lock order in the current state, and what to measure next.
import { computed } from "vue";
import { useUncertainty } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import ShareBars from "./ShareBars.vue";

const workbench = useWorkbench();
const uncertainty = useUncertainty();
const chance = computed(
  () =>
    uncertainty.answer?.states.find((one) => one.state === workbench.current?.state.name) ??
    uncertainty.answer?.worst ??
    null,
);
const bars = computed(() => chance.value?.inputs.map((one) => ({ name: one.title, share: one.share })) ?? []);
</script>

<template>
  <div v-if="chance" :class="{ stale: uncertainty.stale }">
    <p class="label">{{ chance.state }}. Each input drawn evenly within its range, on its own.</p>
    <ShareBars :bars="bars" />
    <p v-if="chance.inputs[0] && chance.inputs[0].share > 0.01" class="next">
      Next: {{ chance.inputs[0].measure_next }}
    </p>
  </div>
</template>

<style scoped>
.next {
  border-left: 2px solid var(--ink);
  font-size: 0.9rem;
  margin-top: 0.5rem;
  padding-left: 0.5rem;
}
.stale {
  opacity: 0.5;
}
</style>
