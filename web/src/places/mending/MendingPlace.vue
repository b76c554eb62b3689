<script setup lang="ts">
// A car outside the model's range: what is wrong, and the fields to change.
import { computed } from "vue";
import { showError } from "@/units/units";
import DocumentField from "@/fields/DocumentField.vue";
import { provideHelp } from "@/fields/help";
import { useWorkbench } from "@/workbench/workbench";

provideHelp();

const workbench = useWorkbench();
const errors = computed(() => workbench.outside?.errors ?? []);
const states = computed(() => workbench.bench?.car.states ?? []);
const GROUPS = [
  { title: "Car", names: ["mass", "front_share", "wheelbase", "cg_height", "engine_braking"] },
  { title: "Air", names: ["front_lift_area", "rear_lift_area", "drag_area", "drag_height"] },
  { title: "Speeds", names: ["top_speed", "stop_to_speed"] },
];
</script>

<template>
  <div class="mending">
    <h1>Correct these values first</h1>
    <p v-for="error in errors" :key="error.path" class="bad" role="alert">{{ showError(error) }}</p>
    <p v-if="!errors.length" class="bad" role="alert">{{ workbench.outside?.detail }}</p>
    <p>Everything else in it is kept as it is. As soon as they are right, car and chain are drawn.</p>
    <form @submit.prevent>
      <section v-for="group in GROUPS" :key="group.title" :aria-label="group.title">
        <h2>{{ group.title }}</h2>
        <DocumentField v-for="name in group.names" :key="name" :path="`car.${name}`" />
      </section>
      <section aria-label="States">
        <h2>States</h2>
        <DocumentField
          v-for="(state, index) in states"
          :key="index"
          :path="`car.states.${index}.speed`"
          :label="`Speed, ${state.name}`"
        />
      </section>
    </form>
  </div>
</template>

<style scoped>
.mending {
  display: grid;
  gap: 0.6rem;
  max-width: 76rem;
  padding: 1rem 1.1rem;
}
h1 {
  font-size: 1.25rem;
}
h2 {
  font-size: 1rem;
}
form {
  columns: 3 20rem;
  column-gap: 2rem;
}
section {
  break-inside: avoid;
  margin-bottom: 0.8rem;
}
</style>
