<script setup lang="ts">
import { computed } from "vue";
import ChartFigure from "@/charts/ChartFigure.vue";
import { useInk } from "@/charts/ink";
import { adhesionOption, adhesionRows, adhesionWords } from "@/charts/adhesion";
import { show, showPhrase } from "@/units/units";
import { useSurvey } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import NumberTag from "@/working/NumberTag.vue";

const workbench = useWorkbench();
const survey = useSurvey();
survey.keepFresh();
const ink = useInk();
const load = computed(() => workbench.current?.state.load);
const of = computed(() => survey.answer?.adhesion.find((one) => one.load === load.value) ?? null);
const ghost = computed(() => survey.ghost?.adhesion.find((one) => one.load === load.value) ?? null);
const option = computed(() =>
  of.value && workbench.current
    ? adhesionOption(of.value, workbench.current.front.grip, ghost.value, ink.value)
    : {},
);
const onTheRoad = computed(() => workbench.bench?.car.road_registered ?? false);
</script>

<template>
  <p v-if="survey.trouble" class="bad" role="alert">{{ survey.trouble }}</p>
  <div v-else-if="of" class="utilisation">
    <ChartFigure
      title="Grip used, each axle"
      :option="option"
      :ink="ink"
      :words="adhesionWords(of)"
      :rows="() => adhesionRows(survey.answer?.adhesion ?? [])"
    >
      <i class="front" /> front <i class="rear" /> rear
    </ChartFigure>
    <aside aria-label="Against the limits for road cars">
      <p :class="of.meets_road_limits ? 'good' : onTheRoad ? 'watch' : ''" data-road-limits>
        {{ showPhrase(of.words) }}
      </p>
      <p class="label">
        {{
          onTheRoad
            ? "This car is registered for the road: keep to these limits, and have them checked."
            : "A reference for cars registered for the road, no rule for a race."
        }}
        Still air, engine out of gear. UN Regulation 13-H, Annex 5, from memory.
      </p>
      <p class="label">At {{ show(of.top_rate, "deceleration") }}:</p>
      <NumberTag label="front needs" headline="survey/adhesion.front_at_top" dimension="friction" />
      <NumberTag label="rear needs" headline="survey/adhesion.rear_at_top" dimension="friction" />
    </aside>
  </div>
</template>

<style scoped>
.utilisation {
  display: grid;
  gap: 1rem;
  grid-template-columns: minmax(0, 1fr) 13.5rem;
  height: 100%;
}
aside {
  display: grid;
  align-content: start;
  font-size: 0.9rem;
  gap: 0.5rem;
}
</style>
