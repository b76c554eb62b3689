<script setup lang="ts">
import { computed } from "vue";
import ChartFigure from "@/charts/ChartFigure.vue";
import { useInk } from "@/charts/ink";
import { overSpeedOption, overSpeedRows, overSpeedWords } from "@/charts/overSpeed";
import { surveyed } from "@/working/numbers";
import { useSurvey } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";

const workbench = useWorkbench();
const survey = useSurvey();
survey.keepFresh();
const ink = useInk();
const row = computed(() => surveyed(survey.answer, workbench.current?.state));
const option = computed(() =>
  survey.answer && row.value && workbench.current
    ? overSpeedOption(
        survey.answer,
        row.value,
        workbench.current,
        surveyed(survey.ghost, workbench.current.state),
        ink.value,
      )
    : {},
);
const words = computed(() => (survey.answer && row.value ? overSpeedWords(survey.answer, row.value) : ""));
</script>

<template>
  <p v-if="survey.trouble" class="bad" role="alert">{{ survey.trouble }}</p>
  <ChartFigure
    v-else
    title="Deceleration over speed"
    :option="option"
    :ink="ink"
    :words="words"
    :rows="() => (survey.answer ? overSpeedRows(survey.answer) : [])"
  >
    <i class="held" /> held <i class="thin" /> tyres' limit <i class="front" /> front locks
    <i class="rear" /> rear locks <i class="rule" /> limit, other states
  </ChartFigure>
</template>

<style scoped>
.held {
  border-top-width: 3px !important;
}
.thin {
  border-top-width: 1px !important;
}
</style>
