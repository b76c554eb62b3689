<script setup lang="ts">
// Downforce and drag, typed as areas or taken from forces measured at a speed; the air of the day.
import { useMeasurements } from "@/workbench/question";
import NumberTag from "@/working/NumberTag.vue";
import PanelGroup from "./PanelGroup.vue";
import TakeOver from "@/working/TakeOver.vue";

const AREAS = ["front_lift_area", "rear_lift_area", "drag_area", "drag_height"];
const FORCES = ["speed", "front", "rear", "drag"].map((name) => `measured.downforce.${name}`);
const measurements = useMeasurements();
</script>

<template>
  <form aria-label="Air" @submit.prevent>
    <PanelGroup title="Downforce and drag" :fields="AREAS" />
    <PanelGroup title="From forces measured at a speed" :fields="FORCES">
      <template v-if="Object.keys(measurements.answer?.downforce.takes ?? {}).length">
        <NumberTag label="front" headline="measurements/downforce.front_lift_area" dimension="lift area" />
        <NumberTag label="rear" headline="measurements/downforce.rear_lift_area" dimension="lift area" />
        <NumberTag label="drag" headline="measurements/downforce.drag_area" dimension="lift area" />
      </template>
      <TakeOver v-if="measurements.answer" :takes="measurements.answer.downforce.takes" what="the areas" />
    </PanelGroup>
    <PanelGroup title="Air of the day" :fields="['air.altitude', 'air.temperature']">
      <NumberTag label="density" headline="measurements/downforce.density" dimension="density" />
    </PanelGroup>
  </form>
</template>
