<script setup lang="ts">
// Mass, balance and height of the centre of gravity, typed or weighed step by step; the driver, and the hardest stop.
import DocumentField from "@/fields/DocumentField.vue";
import PanelGroup from "./PanelGroup.vue";
import WeighingGuide from "./WeighingGuide.vue";

const weighing = defineModel<boolean>("weighing", { required: true });
const raised = defineModel<boolean>("raised", { required: true });
const GROUPS = [
  { title: "Driver", fields: ["driver.foot_force", "driver.foot_force_limit", "driver.leg_mass"] },
  { title: "Engine braking", fields: ["engine_braking", "driven_axle"] },
  { title: "Hardest stop", fields: ["top_speed", "stop_to_speed", "rotating_share", "slip_share"] },
  { title: "Rules", fields: ["road_registered"] },
];
const FIELDS = ["name", "kind", "mass", "front_share", "wheelbase", "cg_height"];
</script>

<template>
  <WeighingGuide v-if="weighing" v-model:raised="raised" @closed="weighing = false" />
  <form v-else aria-label="Weight and driver" @submit.prevent>
    <DocumentField v-for="field in FIELDS" :key="field" :path="`car.${field}`" />
    <p class="weigh">
      <button class="plain-button" type="button" @click="weighing = true">Weigh it, step by step</button>
      <span class="label">Balance, left and right, cross; then the height, rear raised.</span>
    </p>
    <PanelGroup v-for="group in GROUPS" :key="group.title" v-bind="group" />
  </form>
</template>

<style scoped>
.weigh {
  align-items: center;
  display: flex;
  gap: 0.7rem;
  margin: 0.5rem 0;
}
</style>
