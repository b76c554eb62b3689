<script setup lang="ts">
// The heat of a session: over time, in the corner at the cursor, lap by lap, in words; what mends it, and how it is run.
import { computed, nextTick, onMounted, onUnmounted, ref, useTemplateRef } from "vue";
import DocumentField from "@/fields/DocumentField.vue";
import { provideHelp } from "@/fields/help";
import ViewTabs from "@/shell/ViewTabs.vue";
import { useHeat, useSimulation } from "@/workbench/heat";
import { useWorkbench } from "@/workbench/workbench";
import AnswersView from "./AnswersView.vue";
import CornerSection from "./CornerSection.vue";
import CornersView from "./CornersView.vue";
import SensitivityList from "./SensitivityList.vue";
import HeatReadings from "./HeatReadings.vue";
import HeatMends from "./HeatMends.vue";
import MeasuredView from "./MeasuredView.vue";
import PartsForm from "./PartsForm.vue";
import SessionBar from "@/sessions/SessionBar.vue";
import SessionChart from "./SessionChart.vue";
import SessionForm from "./SessionForm.vue";
import CircuitForm from "@/sessions/CircuitForm.vue";
import NewSession from "@/sessions/NewSession.vue";

provideHelp();

const workbench = useWorkbench();
const heat = useHeat();
const simulation = useSimulation();
simulation.keepFresh();
onMounted(() => workbench.driveWith(simulation.answerTo));
onUnmounted(() => workbench.driveWith(null));
const VIEWS = {
  corners: { title: "Corners", view: CornersView },
  words: { title: "Summary", view: AnswersView },
  session: { title: "Laps and pace", view: SessionForm },
  parts: { title: "Parts", view: PartsForm },
  circuit: { title: "Race circuit", view: CircuitForm },
  measured: { title: "Measured", view: MeasuredView },
  hangs: { title: "What it depends on", view: SensitivityList },
};
const view = ref<string>("corners");
const adding = ref(false);
const shown = computed(() => simulation.answer);
const place = useTemplateRef<HTMLElement>("place");

/** The pressed button is gone: keyboard focus moves to the tab, where a new circuit is edited. */
async function added(typed: boolean): Promise<void> {
  adding.value = false;
  if (typed) view.value = "circuit";
  await nextTick();
  place.value?.querySelector<HTMLElement>("[role=tab][aria-selected=true]")?.focus({ preventScroll: true });
}
</script>

<template>
  <div ref="place" class="place">
    <SessionBar @add="adding = true" />
    <NewSession v-if="adding || !heat.session" :done="added" />
    <template v-else>
      <div class="left" :class="{ other: shown && shown.heat.session !== heat.session.name }">
        <div v-if="simulation.trouble && !simulation.asking" class="trouble" role="alert">
          <p class="bad">{{ simulation.trouble }}</p>
          <DocumentField v-if="!workbench.bench?.car.power" path="car.power" />
        </div>
        <div v-else-if="shown" class="session">
          <HeatReadings :simulated="shown" />
          <SessionChart :simulated="shown" :ghost="simulation.ghost" />
        </div>
        <p v-else class="label wait" role="status">Calculating…</p>
        <ViewTabs v-model="view" class="views" :views="VIEWS" />
      </div>
      <div class="right">
        <CornerSection v-if="shown" :heat="shown.heat" />
        <HeatMends />
        <p class="label caution">
          Not calibrated on this car: ±35 K on discs, ±25 K in the fluid. Estimates, not a design approval.
          Discs and calipers burn long after the stop; a competent person inspects brakes before the car
          moves.
        </p>
      </div>
    </template>
  </div>
</template>

<style scoped src="@/theme/sideBySide.css"></style>
<style scoped>
.left {
  display: grid;
  grid-template: minmax(22.5rem, 1.6fr) minmax(13rem, 1fr) / minmax(0, 1fr);
  min-height: 0;
}
.session {
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1fr);
  min-height: 0;
}
/* Still shows the session selected before. */
.other {
  opacity: 0.35;
}
.trouble {
  align-self: center;
  display: grid;
  gap: 0.6rem;
  justify-self: center;
  max-width: 34rem;
}
.wait {
  align-self: center;
  justify-self: center;
}
</style>
