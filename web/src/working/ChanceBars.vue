<script setup lang="ts">
// The share of draws in which the rear locks first, state by state; pressing one selects it.
import { computed } from "vue";
import { useUncertainty } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import ShareBars from "./ShareBars.vue";

const workbench = useWorkbench();
const uncertainty = useUncertainty();
const bars = computed(() =>
  (uncertainty.answer?.states ?? []).map((one) => ({
    name: one.state,
    share: one.rear_first,
    was: uncertainty.ghost?.states.find((before) => before.state === one.state)?.rear_first,
    current: one.state === workbench.current?.state.name,
  })),
);
</script>

<template>
  <ShareBars
    :bars="bars"
    pressable
    :class="{ stale: uncertainty.stale }"
    @pressed="(name) => (workbench.stateName = name)"
  />
</template>

<style scoped>
.stale {
  opacity: 0.5;
}
</style>
