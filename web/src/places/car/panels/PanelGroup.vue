<script setup lang="ts">
// Fields of the car that belong together, under their title.
import type { AxleName } from "@/api/client";
import DocumentField from "@/fields/DocumentField.vue";

withDefaults(
  defineProps<{
    title: string;
    /** Paths within the car. */
    fields?: readonly string[];
    /** What a field is called where its own title would not do. */
    labels?: Record<string, string>;
    axle?: AxleName;
  }>(),
  { fields: () => [], labels: () => ({}), axle: undefined },
);
</script>

<template>
  <section :aria-label="title">
    <h2 :class="axle">{{ title }}</h2>
    <DocumentField
      v-for="field in fields"
      :key="field"
      :path="`car.${field}`"
      :label="labels[field.split('.').at(-1) ?? '']"
    />
    <slot />
  </section>
</template>

<style scoped>
section {
  border-top: 1px solid var(--rule);
  margin-top: 0.4rem;
  padding-top: 0.25rem;
}
section:first-of-type {
  border-top: 0;
  margin-top: 0;
}
h2 {
  font-size: 0.95rem;
  font-weight: 600;
}
h2::first-letter {
  text-transform: uppercase;
}
</style>
