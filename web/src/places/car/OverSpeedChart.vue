<script setup lang="ts">
import { computed } from "vue";
import ChartFigure from "@/charts/ChartFigure.vue";
import { useInk } from "@/charts/ink";
import { overSpeedOption, overSpeedRows, overSpeedWords } from "@/charts/overSpeed";
import { lockPressuresOption, lockPressuresRows, lockPressuresWords } from "@/charts/lockPressures";
import { show } from "@/units/units";
import { surveyed, useSurvey } from "@/workbench/question";
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
const pressures = computed(() =>
  survey.answer && row.value && workbench.current
    ? lockPressuresOption(survey.answer, row.value, workbench.current, ink.value)
    : {},
);
const comeUp = computed(() =>
  survey.answer && row.value
    ? lockPressuresWords(survey.answer, row.value, show(workbench.assessment?.foot_force, "force"))
    : "",
);
const words = computed(() => (survey.answer && row.value ? overSpeedWords(survey.answer, row.value) : ""));
</script>

<template>
  <p v-if="survey.trouble" class="bad" role="alert">{{ survey.trouble }}</p>
  <div v-else class="both">
    <ChartFigure
      title="Deceleration over speed"
      :option="option"
      :ink="ink"
      :words="words"
      :rows="() => (survey.answer ? overSpeedRows(survey.answer) : [])"
    >
      <i class="held" /> held <i class="thin" /> tyres' limit <i class="front" /> front locks
      <i class="rear" /> rear locks <i class="rule" /> other states
    </ChartFigure>
    <div class="pressures">
      <ChartFigure
        title="Pressures that lock, over speed"
        :option="pressures"
        :ink="ink"
        :words="comeUp"
        :rows="() => (survey.answer ? lockPressuresRows(survey.answer) : [])"
      >
        <i class="front" /> front <i class="rear" /> rear; thin: as chosen
      </ChartFigure>
      <p class="label">{{ comeUp }}</p>
    </div>
  </div>
</template>

<style scoped>
.both {
  display: grid;
  gap: 0.8rem;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  height: 100%;
  min-height: 0;
}
.pressures {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
}
.held {
  border-top-width: 3px !important;
}
.thin {
  border-top-width: 1px !important;
}
</style>
