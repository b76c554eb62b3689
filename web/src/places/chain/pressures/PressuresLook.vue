<script setup lang="ts">
// Valve and bar at work: line pressures over the foot force, and the valve's own curve.
import { computed } from "vue";
import ChartFigure from "@/charts/ChartFigure.vue";
import { useInk } from "@/charts/ink";
import { linePressuresOption, linePressuresRows, linePressuresWords } from "@/charts/linePressures";
import { pedalIn } from "@/working/numbers";
import { usePedal } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import ValvePanel from "./ValvePanel.vue";

const workbench = useWorkbench();
const pedal = usePedal();
pedal.look();
const ink = useInk();
const of = computed(() => pedalIn(pedal.answer, workbench.looked?.state));
const option = computed(() =>
  of.value && workbench.looked
    ? linePressuresOption(of.value, workbench.looked, pedalIn(pedal.ghost, workbench.looked.state), ink.value)
    : {},
);
const words = computed(() =>
  of.value && workbench.looked ? linePressuresWords(of.value, workbench.looked) : "",
);
</script>

<template>
  <p v-if="pedal.trouble" class="bad" role="alert">{{ pedal.trouble }}</p>
  <div v-else class="look">
    <ChartFigure
      title="Line pressures over foot force"
      :option="option"
      :ink="ink"
      :words="words"
      :rows="() => (pedal.answer ? linePressuresRows(pedal.answer) : [])"
    >
      <i class="front" /> front line <i class="rear" /> rear line <i class="thin-front" /> front locks at
      <i class="thin-rear" /> rear locks at
    </ChartFigure>
    <ValvePanel />
  </div>
</template>

<style scoped>
.look {
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
