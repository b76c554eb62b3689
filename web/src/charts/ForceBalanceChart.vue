<script setup lang="ts">
import { computed } from "vue";
import { useWorkbench } from "@/workbench/workbench";
import ChartFigure from "./ChartFigure.vue";
import { forceBalanceOption, forceBalanceRows, forceBalanceWords } from "./forceBalance";
import { useInk } from "./ink";

const workbench = useWorkbench();
const ink = useInk();
const option = computed(() => {
  const { assessment, current, ghostCurrent } = workbench;
  return assessment && current ? forceBalanceOption(assessment, current, ghostCurrent, ink.value) : {};
});
const words = computed(() => (workbench.current ? forceBalanceWords(workbench.current) : ""));
const rows = () => (workbench.assessment ? forceBalanceRows(workbench.assessment) : []);
</script>

<template>
  <ChartFigure title="Brake force, front over rear" :option="option" :ink="ink" :words="words" :rows="rows">
    <i /> ideal <i class="front" /> front locks <i class="rear" /> rear locks <i class="rule" /> equal g
  </ChartFigure>
</template>
