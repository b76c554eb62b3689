<script setup lang="ts">
// Valve and bar at work: line pressures over the foot force, and the valve's own curve.
import { computed } from "vue";
import ChartFigure from "@/charts/ChartFigure.vue";
import { useInk } from "@/charts/ink";
import { linePressuresOption, linePressuresRows, linePressuresWords } from "@/charts/linePressures";
import { hydraulicsIn, useHydraulics } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import ValvePanel from "./ValvePanel.vue";

const workbench = useWorkbench();
const hydraulics = useHydraulics();
hydraulics.keepFresh();
const ink = useInk();
const of = computed(() => hydraulicsIn(hydraulics.answer, workbench.current?.state));
const option = computed(() =>
  of.value && workbench.current
    ? linePressuresOption(
        of.value,
        workbench.current,
        hydraulicsIn(hydraulics.ghost, workbench.current.state),
        ink.value,
      )
    : {},
);
const words = computed(() =>
  of.value && workbench.current ? linePressuresWords(of.value, workbench.current) : "",
);
</script>

<template>
  <p v-if="hydraulics.trouble" class="bad" role="alert">{{ hydraulics.trouble }}</p>
  <div v-else class="view">
    <ChartFigure
      title="Line pressures over foot force"
      :option="option"
      :ink="ink"
      :words="words"
      :rows="() => (hydraulics.answer ? linePressuresRows(hydraulics.answer) : [])"
    >
      <i class="front" /> front line <i class="rear" /> rear line <i class="thin-front" /> front locks at
      <i class="thin-rear" /> rear locks at
    </ChartFigure>
    <ValvePanel />
  </div>
</template>

<style scoped>
.view {
  display: grid;
  gap: 1.2rem;
  grid-template-columns: minmax(0, 1.6fr) minmax(14rem, 1fr);
  height: 100%;
  min-height: 0;
}
.thin-front {
  border-top: 1px solid var(--front) !important;
}
.thin-rear {
  border-top: 1px dotted var(--rear) !important;
}
</style>
