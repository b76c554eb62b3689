<script setup lang="ts">
// What a plan leaves to be watched, and why.
import { computed } from "vue";
import type { Plan } from "@/api/client";
import { showPhrase } from "@/units/units";

const props = defineProps<{ stays: Plan["stays"]; sound: boolean }>();
const SHOWN = 4;
const first = computed(() => props.stays.slice(0, SHOWN));
const rest = computed(() => props.stays.slice(SHOWN));
</script>

<template>
  <section>
    <h2>{{ sound ? "What stays to be watched" : "What is still wrong" }}</h2>
    <p v-if="!stays.length" class="label">Nothing.</p>
    <p v-for="one in first" :key="one.word + one.session">
      <b>{{ one.word }}</b><span v-if="one.session"> on {{ one.session }}</span
      >: {{ showPhrase(one.reason) }}
    </p>
    <details v-if="rest.length">
      <summary class="label">and {{ rest.length }} more</summary>
      <p v-for="one in rest" :key="one.word + one.session">
        <b>{{ one.word }}</b><span v-if="one.session"> on {{ one.session }}</span
        >: {{ showPhrase(one.reason) }}
      </p>
    </details>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1rem;
  font-weight: 600;
}
p {
  font-size: 0.88rem;
  margin-top: 0.25rem;
}
summary {
  cursor: pointer;
}
</style>
