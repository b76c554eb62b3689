<script setup lang="ts">
// The numbers behind a verdict, each with its working.
import type { Verdict } from "@/api/client";
import { keepFreshFor } from "./numbers";
import NumberTag from "./NumberTag.vue";

const props = defineProps<{ verdict: Verdict }>();
keepFreshFor(props.verdict.facts.map((fact) => fact.headline));
</script>

<template>
  <div class="facts">
    <NumberTag
      v-for="fact in verdict.facts"
      :key="fact.headline"
      :label="fact.label"
      :headline="fact.headline"
      :dimension="fact.dimension"
    />
  </div>
</template>

<style scoped>
.facts {
  display: grid;
  gap: 0.5rem;
}
</style>
