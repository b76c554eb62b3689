<script setup lang="ts">
// What the driver pushes, what the engine adds, and the hardest stop of the day.
import DocumentField from "@/fields/DocumentField.vue";

const GROUPS = [
  { title: "Driver", fields: ["driver.foot_force", "driver.foot_force_limit"] },
  { title: "Engine braking", fields: ["engine_braking", "driven_axle"] },
  { title: "Hardest stop", fields: ["top_speed", "stop_to_speed", "rotating_share", "slip_share"] },
  { title: "Rules", fields: ["road_registered"] },
];
</script>

<template>
  <form aria-label="Driver" @submit.prevent>
    <section v-for="group in GROUPS" :key="group.title" :aria-label="group.title">
      <h2>{{ group.title }}</h2>
      <DocumentField v-for="field in group.fields" :key="field" :path="`car.${field}`" />
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
</style>
