<script setup lang="ts">
// Downforce and drag, typed as areas or taken from forces measured at a speed; the air of the day.
import DocumentField from "@/fields/DocumentField.vue";
import { useMeasurements } from "@/workbench/question";
import NumberTag from "@/working/NumberTag.vue";
import TakeOver from "./TakeOver.vue";

const measurements = useMeasurements();
</script>

<template>
  <form aria-label="Air" @submit.prevent>
    <section aria-label="Areas">
      <DocumentField
        v-for="field in ['front_lift_area', 'rear_lift_area', 'drag_area', 'drag_height']"
        :key="field"
        :path="`car.${field}`"
      />
    </section>
    <section aria-label="From forces measured at a speed">
      <h2>From forces measured at a speed</h2>
      <DocumentField
        v-for="field in ['speed', 'front', 'rear', 'drag']"
        :key="field"
        :path="`car.measured.downforce.${field}`"
      />
      <div
        v-if="measurements.answer && Object.keys(measurements.answer.downforce.takes).length"
        class="found"
      >
        <NumberTag label="front" headline="measure/downforce.front_lift_area" dimension="lift area" />
        <NumberTag label="rear" headline="measure/downforce.rear_lift_area" dimension="lift area" />
        <NumberTag label="drag" headline="measure/downforce.drag_area" dimension="lift area" />
      </div>
      <TakeOver v-if="measurements.answer" :takes="measurements.answer.downforce.takes" what="the areas" />
    </section>
    <section aria-label="Air of the day">
      <h2>Air of the day</h2>
      <DocumentField path="car.air.altitude" />
      <DocumentField path="car.air.temperature" />
      <NumberTag label="density" headline="measure/downforce.density" dimension="density" />
    </section>
  </form>
</template>

<style scoped>
section + section {
  border-top: 1px solid var(--rule);
  margin-top: 0.5rem;
  padding-top: 0.3rem;
}
h2 {
  font-size: 0.95rem;
  font-weight: 600;
}
.found {
  display: flex;
  gap: 1rem;
}
</style>
